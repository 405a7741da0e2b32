package yentra.server;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
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

  DeliveryController(Deliveries deliveries, Handovers handovers) {
    this.deliveries = deliveries;
    this.handovers = handovers;
  }

  @GetMapping("/deliveries/{id}/model")
  Views.ModelView model(@PathVariable UUID id) {
    return deliveries.model(id);
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
