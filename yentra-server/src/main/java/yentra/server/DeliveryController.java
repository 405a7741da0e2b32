package yentra.server;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yentra.core.envelope.SurfaceType;

/** A delivery's model, its repairs and its handovers. */
@RestController
@RequestMapping("/api")
class DeliveryController {
  private final Deliveries deliveries;
  private final Handovers handovers;
  private final ModelAnswers answers;

  DeliveryController(Deliveries deliveries, Handovers handovers, ModelAnswers answers) {
    this.deliveries = deliveries;
    this.handovers = handovers;
    this.answers = answers;
  }

  @GetMapping(path = "/deliveries/{id}/model", produces = MediaType.APPLICATION_JSON_VALUE)
  @ApiResponse(
      responseCode = "200",
      content = @Content(schema = @Schema(implementation = Views.ModelView.class)))
  ResponseEntity<byte[]> model(
      @PathVariable UUID id,
      @RequestHeader(name = HttpHeaders.ACCEPT_ENCODING, required = false) @Parameter(hidden = true)
          String encodings,
      @RequestHeader(name = HttpHeaders.IF_NONE_MATCH, required = false) @Parameter(hidden = true)
          String known) {
    ModelAnswers.Answer a = answers.of(id);
    ResponseEntity.BodyBuilder b =
        ResponseEntity.status(a.tag().equals(known) ? HttpStatus.NOT_MODIFIED : HttpStatus.OK)
            .contentType(MediaType.APPLICATION_JSON)
            .eTag(a.tag())
            .cacheControl(CacheControl.noCache())
            .varyBy(HttpHeaders.ACCEPT_ENCODING);
    if (a.tag().equals(known)) {
      return b.build();
    }
    return encodings != null && encodings.contains("gzip")
        ? b.header(HttpHeaders.CONTENT_ENCODING, "gzip").body(a.packed())
        : b.body(a.plain());
  }

  /** The newest version of a delivery and of its project's settings, for whoever has the rest. */
  @GetMapping("/deliveries/{id}/version")
  Views.VersionView version(@PathVariable UUID id) {
    return deliveries.version(id);
  }

  @GetMapping("/surface-types")
  List<Views.SurfaceTypeView> surfaceTypes() {
    return Arrays.stream(SurfaceType.values())
        .filter(t -> t != SurfaceType.UNRESOLVED)
        .map(t -> new Views.SurfaceTypeView(t.name(), t.gbxml(), t.label()))
        .toList();
  }

  @PostMapping("/deliveries/{id}/preview")
  Views.PreviewView preview(@PathVariable UUID id, @RequestBody Views.PreviewRequest asked) {
    if (asked.repair() == null) {
      throw Problem.bad("The repair is missing.");
    }
    return deliveries.preview(id, asked.repair());
  }

  /**
   * Makes a repair.
   *
   * @param changes the answer holds only what differs from the state that the edit was based on
   */
  @PostMapping("/deliveries/{id}/repairs")
  Views.ModelView repair(
      @PathVariable UUID id,
      @RequestBody Views.RepairRequest asked,
      @RequestParam(defaultValue = "false") boolean changes,
      @RequestHeader(RequestGuard.PERSON) String person) {
    if (asked.repair() == null) {
      throw Problem.bad("The repair is missing.");
    }
    return deliveries.repair(
        id,
        asked.basedOn(),
        asked.repair(),
        Optional.ofNullable(asked.finding()),
        changes,
        RequestGuard.person(person));
  }

  @PutMapping("/deliveries/{id}/part")
  Views.ModelView place(
      @PathVariable UUID id,
      @RequestBody Views.PlaceRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.place(id, asked.basedOn(), asked.part(), RequestGuard.person(person));
  }

  @PostMapping("/deliveries/{id}/undo")
  Views.ModelView undo(
      @PathVariable UUID id,
      @RequestBody Views.MoveRequest asked,
      @RequestParam(defaultValue = "false") boolean changes,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.undo(id, asked.basedOn(), changes, RequestGuard.person(person));
  }

  @PostMapping("/deliveries/{id}/redo")
  Views.ModelView redo(
      @PathVariable UUID id,
      @RequestBody Views.MoveRequest asked,
      @RequestParam(defaultValue = "false") boolean changes,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.redo(id, asked.basedOn(), changes, RequestGuard.person(person));
  }

  @GetMapping("/deliveries/{id}/handovers")
  List<Views.HandoverView> handovers(@PathVariable UUID id) {
    return handovers.of(id);
  }

  @PostMapping("/deliveries/{id}/handovers")
  @ResponseStatus(HttpStatus.CREATED)
  Views.HandoverView handOver(
      @PathVariable UUID id,
      @RequestBody Views.HandoverRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return handovers.make(id, asked.basedOn(), asked.allowBlockers(), RequestGuard.person(person));
  }

  @GetMapping("/handovers/{id}/file")
  ResponseEntity<byte[]> file(@PathVariable UUID id) {
    Handovers.Written w = handovers.file(id);
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_XML)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(w.fileName(), java.nio.charset.StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(w.bytes());
  }
}
