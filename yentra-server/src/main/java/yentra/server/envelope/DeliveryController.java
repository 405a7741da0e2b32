package yentra.server.envelope;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
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
import org.springframework.web.bind.annotation.RestController;
import yentra.core.envelope.SurfaceType;
import yentra.server.web.Problem;
import yentra.server.web.RequestGuard;

/** A delivery's model and its repairs. */
@RestController
@RequestMapping("/api")
public class DeliveryController {
  private final Deliveries deliveries;
  private final Previews previews;
  private final ModelAnswers answers;

  DeliveryController(Deliveries deliveries, Previews previews, ModelAnswers answers) {
    this.deliveries = deliveries;
    this.previews = previews;
    this.answers = answers;
  }

  /** The whole model, without the outlines of its surfaces and openings. */
  @GetMapping(path = "/deliveries/{id}/model", produces = MediaType.APPLICATION_JSON_VALUE)
  @ApiResponse(
      responseCode = "200",
      content = @Content(schema = @Schema(implementation = EnvelopeViews.ModelView.class)))
  ResponseEntity<byte[]> model(
      @PathVariable UUID id,
      @RequestHeader(name = HttpHeaders.ACCEPT_ENCODING, required = false) @Parameter(hidden = true)
          String encodings,
      @RequestHeader(name = HttpHeaders.IF_NONE_MATCH, required = false) @Parameter(hidden = true)
          String known) {
    return answer(id, ModelAnswers.Form.JSON, MediaType.APPLICATION_JSON, encodings, known);
  }

  /** The same as lines of JSON: the first without the long lists, then rows of these. */
  @GetMapping(path = "/deliveries/{id}/rows", produces = MediaType.APPLICATION_NDJSON_VALUE)
  ResponseEntity<byte[]> rows(
      @PathVariable UUID id,
      @RequestHeader(name = HttpHeaders.ACCEPT_ENCODING, required = false) @Parameter(hidden = true)
          String encodings,
      @RequestHeader(name = HttpHeaders.IF_NONE_MATCH, required = false) @Parameter(hidden = true)
          String known) {
    return answer(id, ModelAnswers.Form.ROWS, MediaType.APPLICATION_NDJSON, encodings, known);
  }

  /** Outlines and faces of all surfaces and openings, as a block of numbers. */
  @GetMapping(path = "/deliveries/{id}/shapes", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<byte[]> shapes(
      @PathVariable UUID id,
      @RequestHeader(name = HttpHeaders.ACCEPT_ENCODING, required = false) @Parameter(hidden = true)
          String encodings,
      @RequestHeader(name = HttpHeaders.IF_NONE_MATCH, required = false) @Parameter(hidden = true)
          String known) {
    return answer(
        id, ModelAnswers.Form.SHAPES, MediaType.APPLICATION_OCTET_STREAM, encodings, known);
  }

  private ResponseEntity<byte[]> answer(
      UUID id, ModelAnswers.Form form, MediaType type, String encodings, String known) {
    ModelAnswers.Answer a = answers.of(id, form);
    ResponseEntity.BodyBuilder b =
        ResponseEntity.status(a.tag().equals(known) ? HttpStatus.NOT_MODIFIED : HttpStatus.OK)
            .contentType(type)
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

  /** The repairs that would answer some findings. */
  @PostMapping("/deliveries/{id}/remedies")
  List<EnvelopeViews.RemediesView> remedies(
      @PathVariable UUID id, @RequestBody EnvelopeViews.RemediesRequest asked) {
    return previews.remedies(id, asked.findings());
  }

  /** The newest version of a delivery and of its project's settings, for whoever has the rest. */
  @GetMapping("/deliveries/{id}/version")
  EnvelopeViews.VersionView version(@PathVariable UUID id) {
    return deliveries.version(id);
  }

  @GetMapping("/surface-types")
  List<EnvelopeViews.SurfaceTypeView> surfaceTypes() {
    return Arrays.stream(SurfaceType.values())
        .filter(t -> t != SurfaceType.UNRESOLVED)
        .map(t -> new EnvelopeViews.SurfaceTypeView(t.name(), t.gbxml(), t.label()))
        .toList();
  }

  @PostMapping("/deliveries/{id}/preview")
  EnvelopeViews.PreviewView preview(
      @PathVariable UUID id, @RequestBody EnvelopeViews.PreviewRequest asked) {
    if (asked.repair() == null) {
      throw Problem.bad("The repair is missing.");
    }
    return previews.preview(id, asked.repair());
  }

  /**
   * Makes a repair.
   *
   * @param changes the answer holds only what differs from the state that the edit was based on
   */
  @PostMapping("/deliveries/{id}/repairs")
  EnvelopeViews.ModelView repair(
      @PathVariable UUID id,
      @RequestBody EnvelopeViews.RepairRequest asked,
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
  EnvelopeViews.ModelView place(
      @PathVariable UUID id,
      @RequestBody EnvelopeViews.PartRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.place(id, asked.basedOn(), asked.part(), RequestGuard.person(person));
  }

  @PostMapping("/deliveries/{id}/undo")
  EnvelopeViews.ModelView undo(
      @PathVariable UUID id,
      @RequestBody EnvelopeViews.MoveRequest asked,
      @RequestParam(defaultValue = "false") boolean changes,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.undo(id, asked.basedOn(), changes, RequestGuard.person(person));
  }

  @PostMapping("/deliveries/{id}/redo")
  EnvelopeViews.ModelView redo(
      @PathVariable UUID id,
      @RequestBody EnvelopeViews.MoveRequest asked,
      @RequestParam(defaultValue = "false") boolean changes,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.redo(id, asked.basedOn(), changes, RequestGuard.person(person));
  }
}
