package yentra.server.scope;

import static yentra.server.db.Tables.SCOPE_SHEET;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.scope.IdsReader;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ScopeSheetException;
import yentra.core.scope.SheetComparison;
import yentra.core.scope.SheetWorkbook;
import yentra.core.scope.ShippedSheets;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** The scope sheets that ship, and those that a project has made its own. */
@Service
public class ScopeSheets {
  private static final Map<String, ScopeSheet> SHIPPED = new LinkedHashMap<>();

  static {
    SHIPPED.put("geometry", ShippedSheets.geometry());
    SHIPPED.put("thermal", ShippedSheets.thermal());
    SHIPPED.put("programme", ShippedSheets.programme());
  }

  private final DSLContext db;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;

  ScopeSheets(DSLContext db, JsonMapper json, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.json = Stored.reader(json);
    this.clock = clock;
    this.ids = ids;
  }

  List<ScopeViews.SheetView> of(UUID project) {
    List<ScopeViews.SheetView> out = new ArrayList<>();
    SHIPPED.forEach((id, s) -> out.add(ScopeViews.sheet(id, s, true)));
    db.selectFrom(SCOPE_SHEET)
        .where(SCOPE_SHEET.PROJECT_ID.eq(project))
        .orderBy(SCOPE_SHEET.NAME, SCOPE_SHEET.ID)
        .forEach(r -> out.add(ScopeViews.sheet(r.getId().toString(), sheet(r.getSheet()), false)));
    return out;
  }

  ScopeSheet get(String id) {
    ScopeSheet shipped = SHIPPED.get(id);
    return shipped != null
        ? shipped
        : db.select(SCOPE_SHEET.SHEET)
            .from(SCOPE_SHEET)
            .where(SCOPE_SHEET.ID.eq(ScopeViews.sheetId(id)))
            .fetchOptional(SCOPE_SHEET.SHEET)
            .map(this::sheet)
            .orElseThrow(() -> Problem.notFound("The scope sheet"));
  }

  ScopeViews.SheetDetail detail(String id) {
    ScopeSheet s = get(id);
    return new ScopeViews.SheetDetail(
        id, s.name(), SHIPPED.containsKey(id), ScopeViews.SheetCells.of(s));
  }

  private ScopeSheet sheet(JSONB stored) {
    return json.readValue(stored.data(), ScopeSheet.class);
  }

  /**
   * Understands cells.
   *
   * @throws Problem with sheet, row and column when a cell cannot be understood
   */
  static ScopeSheet read(ScopeViews.SheetCells cells) {
    if (!cells.isThere()) {
      throw Problem.bad(
          "A scope sheet has the tables about, scope and properties, with all cells.");
    }
    try {
      return cells.grid().sheet();
    } catch (ScopeSheetException e) {
      throw Problem.sheet(e);
    }
  }

  /** Understands an XLSX or IDS file. */
  static ScopeSheet read(byte[] bytes) {
    try {
      return bytes.length > 1 && bytes[0] == 'P' && bytes[1] == 'K'
          ? SheetWorkbook.read(bytes)
          : IdsReader.read(bytes);
    } catch (ScopeSheetException e) {
      throw Problem.sheet(e);
    }
  }

  @Transactional
  public ScopeViews.SheetDetail add(UUID project, ScopeSheet s, String by) {
    UUID id = ids.get();
    db.insertInto(SCOPE_SHEET)
        .set(SCOPE_SHEET.ID, id)
        .set(SCOPE_SHEET.PROJECT_ID, project)
        .set(SCOPE_SHEET.NAME, s.name())
        .set(SCOPE_SHEET.SHEET, stored(s))
        .set(SCOPE_SHEET.CHANGED_AT, clock.instant())
        .set(SCOPE_SHEET.CHANGED_BY, by)
        .execute();
    return detail(id.toString());
  }

  @Transactional
  public ScopeViews.SheetDetail change(String id, ScopeSheet s, String by) {
    own(id);
    db.update(SCOPE_SHEET)
        .set(SCOPE_SHEET.NAME, s.name())
        .set(SCOPE_SHEET.SHEET, stored(s))
        .set(SCOPE_SHEET.CHANGED_AT, clock.instant())
        .set(SCOPE_SHEET.CHANGED_BY, by)
        .where(SCOPE_SHEET.ID.eq(ScopeViews.sheetId(id)))
        .execute();
    return detail(id);
  }

  @Transactional
  public void drop(String id) {
    own(id);
    db.deleteFrom(SCOPE_SHEET).where(SCOPE_SHEET.ID.eq(ScopeViews.sheetId(id))).execute();
  }

  private void own(String id) {
    if (SHIPPED.containsKey(id)) {
      throw Problem.notApplicable("A sheet that ships cannot be changed. Copy it first.");
    }
    get(id);
  }

  private JSONB stored(ScopeSheet s) {
    return JSONB.valueOf(json.writeValueAsString(s));
  }

  ScopeViews.ComparisonView compare(String first, String second) {
    ScopeSheet a = get(first);
    ScopeSheet b = get(second);
    return new ScopeViews.ComparisonView(a.name(), b.name(), SheetComparison.of(a, b).lines());
  }
}
