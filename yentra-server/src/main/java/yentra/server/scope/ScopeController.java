package yentra.server.scope;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
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
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.StoreyCounts;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.web.Problem;
import yentra.server.web.RequestGuard;

/** The architectural model of a delivery, what of it is in scope, and the sheets that say so. */
@RestController
@RequestMapping("/api")
public class ScopeController {
  private static final int LARGEST_SHEET = 20_000_000;
  private final Scopes scopes;
  private final ScopeSheets sheets;

  ScopeController(Scopes scopes, ScopeSheets sheets) {
    this.scopes = scopes;
    this.sheets = sheets;
  }

  @GetMapping("/deliveries/{id}/scope")
  ScopeViews.ScopeView scope(@PathVariable UUID id) {
    return scopes.view(id);
  }

  /** The same as the scope, as another sheet would have it; nothing changes. */
  @PostMapping("/deliveries/{id}/scope/try")
  ScopeViews.ScopeView attempt(@PathVariable UUID id, @RequestBody ScopeViews.TryRequest asked) {
    if ((asked.sheet() == null) == (asked.cells() == null)) {
      throw Problem.bad("Name a scope sheet, or give its cells.");
    }
    return scopes.attempt(
        id, asked.sheet() != null ? sheets.get(asked.sheet()) : ScopeSheets.read(asked.cells()));
  }

  @GetMapping(path = "/deliveries/{id}/scope/mesh", produces = "application/octet-stream")
  ResponseEntity<StreamingResponseBody> mesh(@PathVariable UUID id) {
    ElementMeshes meshes = scopes.meshes(id);
    return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM).body(meshes::write);
  }

  @GetMapping("/deliveries/{id}/scope/values")
  ScopeViews.ValueTableView values(@PathVariable UUID id, @RequestParam String entity) {
    return scopes.values(id, entity);
  }

  @GetMapping("/deliveries/{id}/scope/storeys")
  List<StoreyCounts.Row> storeys(@PathVariable UUID id) {
    return scopes.storeys(id);
  }

  @GetMapping("/deliveries/{id}/element")
  ScopeViews.ElementView element(@PathVariable UUID id, @RequestParam String key) {
    return scopes.element(id, key);
  }

  /** Keys of the elements that fit. */
  @PostMapping("/deliveries/{id}/scope/pick")
  List<String> pick(@PathVariable UUID id, @RequestBody ScopeViews.PickRequest asked) {
    return scopes.pick(id, asked);
  }

  @GetMapping("/deliveries/{id}/scope/size")
  ScopeViews.TrimmedView size(@PathVariable UUID id) {
    return scopes.size(id);
  }

  @GetMapping(path = "/deliveries/{id}/scope/file", produces = "application/x-step")
  ResponseEntity<StreamingResponseBody> file(@PathVariable UUID id) {
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, attachment(scopes.fileName(id)))
        .body(out -> scopes.write(id, out));
  }

  private static String attachment(String name) {
    return ContentDisposition.attachment()
        .filename(name, StandardCharsets.UTF_8)
        .build()
        .toString();
  }

  @PostMapping("/deliveries/{id}/scope/sheet")
  EnvelopeViews.ModelView apply(
      @PathVariable UUID id,
      @RequestBody ScopeViews.ApplyRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return scopes.apply(
        id, asked.basedOn(), sheets.get(asked.sheet()), RequestGuard.person(person));
  }

  @PostMapping("/deliveries/{id}/scope/place")
  EnvelopeViews.ModelView place(
      @PathVariable UUID id,
      @RequestBody ScopeViews.PlaceRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return scopes.place(id, asked, RequestGuard.person(person));
  }

  @PostMapping("/deliveries/{id}/scope/release")
  EnvelopeViews.ModelView release(
      @PathVariable UUID id,
      @RequestBody ScopeViews.ReleaseRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return scopes.release(id, asked, RequestGuard.person(person));
  }

  @PostMapping("/deliveries/{id}/scope/values")
  EnvelopeViews.ModelView change(
      @PathVariable UUID id,
      @RequestBody ScopeViews.ValueRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return scopes.change(id, asked, RequestGuard.person(person));
  }

  @GetMapping("/projects/{id}/sheets")
  List<ScopeViews.SheetView> sheets(@PathVariable UUID id) {
    return sheets.of(id);
  }

  @PostMapping(path = "/projects/{id}/sheets", consumes = "application/json")
  @ResponseStatus(HttpStatus.CREATED)
  ScopeViews.SheetDetail add(
      @PathVariable UUID id,
      @RequestBody ScopeViews.SheetCells cells,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return sheets.add(id, ScopeSheets.read(cells), RequestGuard.person(person));
  }

  /** The body is an XLSX or IDS file. */
  @PostMapping(path = "/projects/{id}/sheets", consumes = "application/octet-stream")
  @ResponseStatus(HttpStatus.CREATED)
  ScopeViews.SheetDetail upload(
      @PathVariable UUID id,
      @RequestHeader(RequestGuard.PERSON) String person,
      HttpServletRequest request)
      throws IOException {
    byte[] bytes = request.getInputStream().readNBytes(LARGEST_SHEET + 1);
    if (bytes.length > LARGEST_SHEET) {
      throw Problem.bad("The file has more than 20 MB, which no scope sheet needs.");
    }
    return sheets.add(id, ScopeSheets.read(bytes), RequestGuard.person(person));
  }

  @GetMapping("/sheets/{id}")
  ScopeViews.SheetDetail sheet(@PathVariable String id) {
    return sheets.detail(id);
  }

  @PutMapping("/sheets/{id}")
  ScopeViews.SheetDetail change(
      @PathVariable String id,
      @RequestBody ScopeViews.SheetCells cells,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return sheets.change(id, ScopeSheets.read(cells), RequestGuard.person(person));
  }

  @DeleteMapping("/sheets/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void drop(@PathVariable String id) {
    sheets.drop(id);
  }

  @GetMapping("/sheets/{id}/comparison")
  ScopeViews.ComparisonView compare(@PathVariable String id, @RequestParam String with) {
    return sheets.compare(id, with);
  }

  @GetMapping(path = "/sheets/{id}/file", produces = "application/octet-stream")
  ResponseEntity<byte[]> sheetFile(@PathVariable String id) {
    ScopeSheet s = sheets.get(id);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            attachment(s.name().replaceAll("[^\\p{Alnum} _-]", "_") + ".xlsx"))
        .body(yentra.core.scope.SheetWorkbook.write(s));
  }
}
