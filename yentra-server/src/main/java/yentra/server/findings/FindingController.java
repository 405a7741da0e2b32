package yentra.server.findings;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
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
import yentra.core.bcf.BcfVersion;
import yentra.core.revision.MessageTrace;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.LastHandover;
import yentra.server.envelope.Deliveries;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.envelope.Previews;
import yentra.server.web.Problem;
import yentra.server.web.RequestGuard;

/** Findings: decided about, answered together, handed out, traced back from messages. */
@RestController
@RequestMapping("/api/deliveries/{id}")
public class FindingController {
  private static final int LONGEST_TEXT = 2_000_000;
  private static final int LARGEST_BCF = 200_000_000;

  private final Deliveries deliveries;
  private final Previews previews;
  private final DeliveryStates states;
  private final CheckLimits limits;
  private final LastHandover handed;
  private final Topics topics;

  FindingController(
      Deliveries deliveries,
      Previews previews,
      DeliveryStates states,
      CheckLimits limits,
      LastHandover handed,
      Topics topics) {
    this.deliveries = deliveries;
    this.previews = previews;
    this.states = states;
    this.limits = limits;
    this.handed = handed;
    this.topics = topics;
  }

  @PostMapping("/findings/accept")
  EnvelopeViews.ModelView accept(
      @PathVariable UUID id,
      @RequestBody FindingViews.AcceptRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.accept(id, asked.findings(), asked.reason(), RequestGuard.person(person));
  }

  @PostMapping("/findings/withdraw")
  EnvelopeViews.ModelView withdraw(
      @PathVariable UUID id,
      @RequestBody FindingViews.FindingsRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.withdraw(id, asked.findings(), RequestGuard.person(person));
  }

  /** Tries one remedy on many findings; nothing is changed. */
  @PostMapping("/findings/sweep")
  EnvelopeViews.SweepView sweep(
      @PathVariable UUID id, @RequestBody FindingViews.SweepRequest asked) {
    if (asked.like() == null) {
      throw Problem.bad("The remedy is missing.");
    }
    return previews.sweep(id, asked.findings(), asked.like());
  }

  @GetMapping("/limits")
  List<FindingViews.LimitView> limits(@PathVariable UUID id) {
    return limits.of(id);
  }

  /** How the counts would be with other limits; nothing is changed. */
  @PostMapping("/limits/try")
  List<FindingViews.EffectView> tryLimits(
      @PathVariable UUID id, @RequestBody FindingViews.LimitsRequest asked) {
    return limits.effect(id, asked.limits());
  }

  @PutMapping("/limits")
  EnvelopeViews.ModelView setLimits(
      @PathVariable UUID id,
      @RequestBody FindingViews.SetLimitsRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    limits.set(id, asked.basedOn(), asked.limits(), RequestGuard.person(person));
    return deliveries.model(id);
  }

  /** What a simulation's messages speak of. */
  @PostMapping("/trace")
  MessageTrace.Traced trace(@PathVariable UUID id, @RequestBody FindingViews.TraceRequest asked) {
    if (asked.text() == null || asked.text().isBlank()) {
      throw Problem.bad("There is no text to look through.");
    }
    if (asked.text().length() > LONGEST_TEXT) {
      throw Problem.bad("The text is longer than two million characters. Paste a part of it.");
    }
    DeliveryStates.State s = states.state(id);
    return new MessageTrace(
            s.envelope(), s.context().naming(), s.findings(), handed.last(id).orElse(null))
        .of(asked.text());
  }

  @PostMapping("/bcf")
  ResponseEntity<byte[]> bcf(
      @PathVariable UUID id,
      @RequestBody FindingViews.BcfRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    BcfVersion version =
        BcfVersion.of(asked.version() == null ? "" : asked.version())
            .orElseThrow(() -> Problem.bad("BCF is written as version 2.1 or 3.0."));
    Topics.Archive a = topics.write(id, version, asked.findings(), RequestGuard.person(person));
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(a.fileName(), StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(a.bytes());
  }

  /** The body is the bytes of a BCF file. */
  @PostMapping(path = "/bcf/answers", consumes = "application/octet-stream")
  FindingViews.AnswersView answers(
      @PathVariable UUID id,
      @RequestParam String name,
      @RequestHeader(RequestGuard.PERSON) String person,
      HttpServletRequest request)
      throws IOException {
    byte[] bytes = request.getInputStream().readNBytes(LARGEST_BCF + 1);
    if (bytes.length > LARGEST_BCF) {
      throw Problem.bad("A BCF file of more than 200 MB is not taken.");
    }
    return topics.read(
        id, name.replaceAll("[\\p{Cntrl}/\\\\]", "_"), bytes, RequestGuard.person(person));
  }
}
