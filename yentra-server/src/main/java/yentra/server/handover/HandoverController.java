package yentra.server.handover;

import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yentra.server.web.RequestGuard;

/** What was handed over, and handing over. */
@RestController
@RequestMapping("/api")
public class HandoverController {
  private final Handovers handovers;

  HandoverController(Handovers handovers) {
    this.handovers = handovers;
  }

  @GetMapping("/deliveries/{id}/handovers")
  List<HandoverViews.HandoverView> handovers(@PathVariable UUID id) {
    return handovers.of(id);
  }

  @PostMapping("/deliveries/{id}/handovers")
  @ResponseStatus(HttpStatus.CREATED)
  HandoverViews.HandoverView handOver(
      @PathVariable UUID id,
      @RequestBody HandoverViews.HandoverRequest asked,
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
