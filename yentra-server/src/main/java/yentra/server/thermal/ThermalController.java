package yentra.server.thermal;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.proposal.ZoneProposal;
import yentra.core.exchange.RoomSheet;
import yentra.core.library.Library;
import yentra.core.library.LibraryFile;
import yentra.core.thermal.GroundFloor;
import yentra.core.thermal.GroundYear;
import yentra.core.thermal.WindowDesign;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.web.Problem;
import yentra.server.web.RequestGuard;

/** Thermal properties of deliveries, and the libraries they are taken from. */
@RestController
@RequestMapping("/api")
public class ThermalController {
  private static final int LARGEST = 50_000_000;

  private final DeliveryStates states;
  private final Libraries libraries;
  private final ThermalAnswers thermal;

  ThermalController(DeliveryStates states, Libraries libraries, ThermalAnswers thermal) {
    this.states = states;
    this.libraries = libraries;
    this.thermal = thermal;
  }

  @GetMapping("/deliveries/{id}/thermal")
  ThermalViews.ThermalView thermal(@PathVariable UUID id) {
    return thermal.of(id);
  }

  /** How the U-value of a surface or opening comes about. */
  @GetMapping("/deliveries/{id}/thermal/breakdown")
  ThermalViews.BreakdownView breakdown(@PathVariable UUID id, @RequestParam String object) {
    DeliveryStates.State s = states.state(id);
    return ThermalViews.breakdown(s.context(), object, s.settings().heatLossOptions());
  }

  @GetMapping("/deliveries/{id}/conditions")
  ConditionViews.ConditionsView conditions(@PathVariable UUID id) {
    return ConditionViews.conditions(states.state(id).context(), libraries.known(id));
  }

  /** Zones for spaces that are alike, as a repair to be looked at. */
  @PostMapping("/deliveries/{id}/zones/propose")
  ConditionViews.ZonesView propose(
      @PathVariable UUID id, @RequestBody ConditionViews.ProposeRequest asked) {
    if (asked.by() == null || asked.spaces() == null) {
      throw Problem.bad("Say by what zones are made, and of which spaces.");
    }
    return new ConditionViews.ZonesView(
        ZoneProposal.of(
            states.state(id).context(),
            asked.spaces(),
            java.util.Set.copyOf(asked.by()),
            libraries.known(id)));
  }

  @GetMapping("/deliveries/{id}/rooms/file")
  ResponseEntity<byte[]> rooms(@PathVariable UUID id) {
    CheckContext c = states.state(id).context();
    return attachment(
        "rooms.xlsx",
        RoomSheet.write(
            c.envelope(),
            s -> c.volumes().of(s.key()).floorArea(),
            s -> Math.max(0, c.volumes().of(s.key()).volume())));
  }

  /** The body is a room data sheet's bytes; says what it would change. */
  @PostMapping(path = "/deliveries/{id}/rooms/file", consumes = "application/octet-stream")
  RoomSheet.Read rooms(@PathVariable UUID id, HttpServletRequest request) throws IOException {
    return RoomSheet.read(body(request), states.state(id).envelope());
  }

  private static byte[] body(HttpServletRequest request) throws IOException {
    byte[] bytes = request.getInputStream().readNBytes(LARGEST + 1);
    if (bytes.length > LARGEST) {
      throw Problem.bad("The file has more than 50 MB; such a file is far smaller.");
    }
    return bytes;
  }

  private static ResponseEntity<byte[]> attachment(String name, byte[] bytes) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(name, StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(bytes);
  }

  @GetMapping("/projects/{id}/library")
  Libraries.LibraryView library(@PathVariable UUID id) {
    return libraries.of(id);
  }

  @GetMapping("/projects/{id}/library/file")
  ResponseEntity<byte[]> file(@PathVariable UUID id) {
    return attachment("library.xlsx", LibraryFile.write(libraries.of(id).library()));
  }

  /** The body is a file's bytes; says what it would bring in. */
  @PostMapping(path = "/projects/{id}/library/file", consumes = "application/octet-stream")
  Libraries.ImportView read(
      @PathVariable UUID id, @RequestParam String name, HttpServletRequest request)
      throws IOException {
    return libraries.read(id, name, body(request));
  }

  /** What a delivery would bring in. */
  @GetMapping("/deliveries/{id}/library")
  Libraries.ImportView delivered(@PathVariable UUID id) {
    return libraries.delivered(id);
  }

  @PutMapping("/projects/{id}/library")
  Libraries.LibraryView take(
      @PathVariable UUID id,
      @RequestBody Libraries.TakeRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return libraries.take(id, asked, RequestGuard.person(person));
  }

  /** The body are entries that are not kept yet; says what would come of them. */
  @PostMapping("/projects/{id}/library/try")
  Libraries.TryView tryOut(@PathVariable UUID id, @RequestBody Library draft) {
    return libraries.tryOut(id, draft);
  }

  /** What comes of glass, frame and edge. */
  @PostMapping("/windows")
  WindowDesign.WindowValues window(@RequestBody WindowDesign design) {
    String wrong = design.problem();
    if (wrong != null) {
      throw Problem.notApplicable(wrong);
    }
    return design.result();
  }

  /** Conductivity of a material that is warmer or moister than where it was measured. */
  @PostMapping("/materials/conductivity")
  ThermalViews.ConductivityView conductivity(@RequestBody ThermalViews.ConductivityRequest asked) {
    String wrong = asked.problem();
    if (wrong != null) {
      throw Problem.notApplicable(wrong);
    }
    return asked.answer();
  }

  /** Heat loss through slabs on the ground, month by month. */
  @PostMapping("/deliveries/{id}/thermal/ground")
  GroundYear ground(@PathVariable UUID id, @RequestBody GroundFloor.Climate climate) {
    String wrong = climate.problem();
    if (wrong != null) {
      throw Problem.notApplicable(wrong);
    }
    DeliveryStates.State s = states.state(id);
    return GroundYear.of(s.envelope(), s.settings().heatLossOptions(), climate);
  }

  @DeleteMapping("/projects/{id}/library")
  Libraries.LibraryView drop(
      @PathVariable UUID id,
      @RequestParam String entry,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return libraries.drop(id, entry, RequestGuard.person(person));
  }
}
