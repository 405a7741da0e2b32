package yentra.server.report;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
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
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yentra.server.web.Problem;
import yentra.server.web.RequestGuard;

/** Reports, write-ups, and the pictures in them. */
@RestController
@RequestMapping("/api")
class ReportController {
  private static final int MOST_PICTURE = 6_000_001;

  private final Reports reports;
  private final WriteUps writeUps;
  private final StagePictures pictures;
  private final Clock clock;

  ReportController(Reports reports, WriteUps writeUps, StagePictures pictures, Clock clock) {
    this.reports = reports;
    this.writeUps = writeUps;
    this.pictures = pictures;
    this.clock = clock;
  }

  /** A name of what was kept. */
  record ReportKept(UUID id) {}

  /** A write-up as it was changed. */
  record WriteUpChange(long basedOn, WriteUp body) {}

  /**
   * Asks for a report.
   *
   * @param format pdf or html
   * @param assumeMissing whether variants are those with what is missing assumed
   */
  record ReportRequest(String format, boolean assumeMissing, WriteUp body) {}

  /** Makes a report of the newest state. */
  @PostMapping("/deliveries/{id}/report")
  ResponseEntity<byte[]> report(@PathVariable UUID id, @RequestBody ReportRequest asked) {
    if (asked.body() == null) {
      throw Problem.bad("Say what stands in the report.");
    }
    boolean pdf = "pdf".equals(asked.format());
    if (!pdf && !"html".equals(asked.format())) {
      throw Problem.bad("A report is made as pdf or html.");
    }
    byte[] bytes =
        pdf
            ? reports.pdf(id, asked.body(), asked.assumeMissing(), clock.instant())
            : reports.html(id, asked.body(), asked.assumeMissing(), clock.instant());
    String name = asked.body().title().replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
    return ResponseEntity.ok()
        .contentType(pdf ? MediaType.APPLICATION_PDF : MediaType.TEXT_HTML)
        .cacheControl(CacheControl.noStore())
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(
                    (name.isEmpty() ? "report" : name) + (pdf ? ".pdf" : ".html"),
                    StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(bytes);
  }

  @GetMapping("/projects/{id}/write-ups")
  WriteUps.WriteUpsView writeUps(@PathVariable UUID id) {
    return writeUps.of(id);
  }

  @PostMapping("/projects/{id}/write-ups")
  @ResponseStatus(HttpStatus.CREATED)
  ReportKept add(
      @PathVariable UUID id,
      @RequestBody WriteUp body,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return new ReportKept(writeUps.add(id, body, RequestGuard.person(person)));
  }

  @PutMapping("/write-ups/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(
      @PathVariable UUID id,
      @RequestBody WriteUpChange asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    if (asked.body() == null) {
      throw Problem.bad("Say what stands in the write-up.");
    }
    writeUps.change(id, asked.basedOn(), asked.body(), RequestGuard.person(person));
  }

  @DeleteMapping("/write-ups/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void delete(@PathVariable UUID id) {
    writeUps.delete(id);
  }

  @GetMapping("/deliveries/{id}/pictures")
  List<StagePictures.PictureView> pictures(@PathVariable UUID id) {
    return pictures.of(id);
  }

  /** Keeps a picture: the body is a PNG file's bytes, {@code look} how the model was looked at. */
  @PostMapping(path = "/deliveries/{id}/pictures", consumes = "application/octet-stream")
  @ResponseStatus(HttpStatus.CREATED)
  ReportKept keep(
      @PathVariable UUID id,
      @RequestParam String look,
      @RequestParam(required = false) UUID again,
      @RequestHeader(RequestGuard.PERSON) String person,
      HttpServletRequest request)
      throws IOException {
    byte[] png = request.getInputStream().readNBytes(MOST_PICTURE);
    return new ReportKept(pictures.keep(id, again, look, png, RequestGuard.person(person)));
  }

  @GetMapping(path = "/pictures/{id}", produces = "image/png")
  byte[] picture(@PathVariable UUID id) {
    return pictures
        .one(id)
        .map(StagePictures.Taken::png)
        .orElseThrow(() -> Problem.notFound("The picture"));
  }

  @DeleteMapping("/pictures/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void deletePicture(@PathVariable UUID id) {
    pictures.delete(id);
  }
}
