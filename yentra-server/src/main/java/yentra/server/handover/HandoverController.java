package yentra.server.handover;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yentra.core.exchange.HandoverFormat;
import yentra.server.web.RequestGuard;

/** What was handed over, and handing over. */
@RestController
@RequestMapping("/api")
public class HandoverController {
  private final Handovers handovers;
  private final Tokens tokens;

  HandoverController(Handovers handovers, Tokens tokens) {
    this.handovers = handovers;
    this.tokens = tokens;
  }

  /** The formats that files are written in, the usual one first. */
  @GetMapping("/handover-formats")
  List<HandoverViews.FormatView> formats() {
    return Arrays.stream(HandoverFormat.values())
        .map(f -> new HandoverViews.FormatView(f.code(), f.label(), f.ending(), f.isReadBack()))
        .toList();
  }

  @GetMapping("/deliveries/{id}/handovers")
  List<HandoverViews.HandoverView> handovers(@PathVariable UUID id) {
    return handovers.of(id);
  }

  /** What would be handed over, and what is to be said of it beforehand. */
  @PostMapping("/deliveries/{id}/handovers/look")
  HandoverViews.LookView look(
      @PathVariable UUID id, @RequestBody HandoverViews.HandoverRequest asked) {
    return handovers.look(id, asked);
  }

  @PostMapping("/deliveries/{id}/handovers")
  @ResponseStatus(HttpStatus.CREATED)
  HandoverViews.HandoverView handOver(
      @PathVariable UUID id,
      @RequestBody HandoverViews.HandoverRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return handovers.make(id, asked, RequestGuard.person(person));
  }

  /** What the model adds up to in its source, as delivered, now, and as it was read back. */
  @GetMapping("/deliveries/{id}/balance")
  HandoverViews.BalanceView balance(@PathVariable UUID id) {
    return handovers.balance(id);
  }

  /**
   * A file of a handover.
   *
   * @param format its code; without one the first
   */
  @GetMapping("/handovers/{id}/file")
  ResponseEntity<byte[]> file(
      @PathVariable UUID id, @RequestParam(required = false) String format) {
    return sent(handovers.file(id, format));
  }

  /** All files with the record, as one archive. */
  @GetMapping("/handovers/{id}/package")
  ResponseEntity<byte[]> archive(@PathVariable UUID id) {
    return sent(handovers.archive(id));
  }

  /** What was handed over, of what, by whom, when. */
  @GetMapping("/handovers/{id}/record")
  ResponseEntity<byte[]> record(@PathVariable UUID id) {
    return sent(handovers.record(id));
  }

  /** Makes the files again from the record and compares them; keeps nothing. */
  @PostMapping("/handovers/{id}/again")
  HandoverViews.AgainView again(@PathVariable UUID id) {
    return handovers.again(id);
  }

  @GetMapping("/projects/{id}/tokens")
  List<HandoverViews.TokenView> tokens(@PathVariable UUID id) {
    return tokens.of(id);
  }

  @PostMapping("/projects/{id}/tokens")
  @ResponseStatus(HttpStatus.CREATED)
  HandoverViews.TokenView token(
      @PathVariable UUID id,
      @RequestBody HandoverViews.TokenRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return tokens.make(id, asked.label(), RequestGuard.person(person));
  }

  @DeleteMapping("/projects/{id}/tokens/{token}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeAway(@PathVariable UUID id, @PathVariable UUID token) {
    tokens.takeAway(id, token);
  }

  /**
   * The newest handover of the project that a token opens; answers 304 to who has it already.
   *
   * @param format which file; without it all of them as one archive
   */
  @GetMapping("/handovers/newest")
  ResponseEntity<byte[]> newest(
      @RequestHeader(value = HttpHeaders.AUTHORIZATION, required = false) String authorization,
      @RequestParam(required = false) String format) {
    return sent(handovers.newest(tokens.project(authorization), format));
  }

  private static ResponseEntity<byte[]> sent(HandoverStore.Sent s) {
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(s.mediaType()))
        .eTag("\"" + s.sha256() + "\"")
        .lastModified(s.madeAt())
        .cacheControl(CacheControl.noCache())
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(s.fileName(), StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(s.bytes());
  }
}
