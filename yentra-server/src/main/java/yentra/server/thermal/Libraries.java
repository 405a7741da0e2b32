package yentra.server.thermal;

import static yentra.server.db.Tables.LIBRARY;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.library.DeliveredLibrary;
import yentra.core.library.Library;
import yentra.core.library.LibraryComparison;
import yentra.core.library.LibraryFile;
import yentra.core.thermal.UValueBreakdown;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Libraries: what ships, what all projects share, what a project has of its own. */
@Service
public class Libraries {
  private static final String SHARED = "shared";
  private static final int MOST_ITEMS = 20_000;

  private final DSLContext db;
  private final JsonMapper json;
  private final Clock clock;
  private final ProjectStore projects;
  private final DeliveryStore deliveries;
  private final DeliveryStates states;

  Libraries(
      DSLContext db,
      JsonMapper json,
      Clock clock,
      ProjectStore projects,
      DeliveryStore deliveries,
      DeliveryStates states) {
    this.db = db;
    this.json = Stored.reader(json);
    this.clock = clock;
    this.projects = projects;
    this.deliveries = deliveries;
    this.states = states;
  }

  /**
   * What can be used in a project, and where each entry is kept.
   *
   * @param project names of the project's own entries
   * @param shared names of those that all projects share
   * @param uValues of constructions by name, where they are meant to be used, W/(m²K)
   */
  record LibraryView(
      Library library, List<String> project, List<String> shared, Map<String, Double> uValues) {}

  /**
   * What a file would bring in.
   *
   * @param faults rows that were left out
   */
  record ImportView(
      Library incoming, List<LibraryComparison.Imported> entries, List<LibraryFile.Fault> faults) {}

  /**
   * @param taken ids of entries
   * @param shared for all projects rather than this one
   */
  record TakeRequest(Library incoming, List<String> taken, boolean shared) {}

  private Library kept(String scope) {
    return db.select(LIBRARY.BODY)
        .from(LIBRARY)
        .where(LIBRARY.SCOPE.eq(scope))
        .fetchOptional(LIBRARY.BODY)
        .map(b -> json.readValue(b.data(), Library.class))
        .orElse(Library.EMPTY);
  }

  @Transactional(readOnly = true)
  public LibraryView of(UUID project) {
    projects.settings(project);
    Library own = kept(project.toString());
    Library shared = kept(SHARED);
    Library all = own.over(shared).over(Library.shipped());
    Map<String, Double> uValues = new LinkedHashMap<>();
    all.constructions().forEach(c -> all.uValue(c).ifPresent(u -> uValues.put(c.name(), u)));
    return new LibraryView(all, ids(own), ids(shared), uValues);
  }

  /** What can be used in the project of a delivery. */
  @Transactional(readOnly = true)
  public Library known(UUID delivery) {
    Library own = kept(deliveries.get(delivery).getProjectId().toString());
    return own.over(kept(SHARED)).over(Library.shipped());
  }

  private static List<String> ids(Library l) {
    return LibraryComparison.of(Library.EMPTY, l).stream()
        .map(LibraryComparison.Imported::id)
        .toList();
  }

  /** Reads a file and compares it; nothing is changed. */
  @Transactional(readOnly = true)
  public ImportView read(UUID project, String name, byte[] bytes) {
    Library known = of(project).library();
    if (!name.toLowerCase(Locale.ROOT).matches(".*\\.(xml|gbxml)")) {
      LibraryFile f = LibraryFile.read(name, bytes, known);
      return new ImportView(f.library(), LibraryComparison.of(known, f.library()), f.faults());
    }
    try {
      Library l =
          DeliveredLibrary.of(
              GbxmlReader.read(new java.io.ByteArrayInputStream(bytes), ReadLimits.standard()),
              name);
      return new ImportView(l, LibraryComparison.of(known, l), List.of());
    } catch (UnreadableException e) {
      return new ImportView(
          Library.EMPTY,
          List.of(),
          List.of(new LibraryFile.Fault("", e.line(), "", e.getMessage())));
    }
  }

  /** What a delivery would bring in. */
  @Transactional(readOnly = true)
  public ImportView delivered(UUID delivery) {
    DeliveryRecord d = deliveries.get(delivery);
    Library known = of(d.getProjectId()).library();
    Library l = DeliveredLibrary.of(states.state(d).envelope(), d.getFileName());
    return new ImportView(l, LibraryComparison.of(known, l), List.of());
  }

  /** Takes chosen entries of what came in. */
  @Transactional
  public LibraryView take(UUID project, TakeRequest asked, String by) {
    projects.settings(project);
    if (asked.incoming() == null || asked.taken() == null) {
      throw Problem.bad("Say which entries are taken.");
    }
    String scope = asked.shared() ? SHARED : project.toString();
    Library merged =
        LibraryComparison.with(kept(scope), asked.incoming(), Set.copyOf(asked.taken()));
    if (merged.items().size() > MOST_ITEMS) {
      throw Problem.notApplicable("A library holds at most 20,000 entries.");
    }
    checked(merged, merged.over(kept(SHARED)).over(Library.shipped()));
    store(scope, merged, by);
    return of(project);
  }

  /**
   * What would come of entries that are not kept yet.
   *
   * @param problem why they could not be kept, or null
   * @param breakdowns of constructions by name, where they are meant to be used
   */
  record TryView(String problem, Map<String, UValueBreakdown> breakdowns) {}

  /** Nothing is changed. */
  @Transactional(readOnly = true)
  public TryView tryOut(UUID project, Library draft) {
    Library all = draft.over(of(project).library());
    LibraryFile again = LibraryFile.read("library.xlsx", LibraryFile.write(draft), all);
    Map<String, UValueBreakdown> out = new LinkedHashMap<>();
    draft.constructions().forEach(c -> all.breakdown(c).ifPresent(b -> out.put(c.name(), b)));
    return new TryView(again.faults().isEmpty() ? null : again.faults().get(0).message(), out);
  }

  /** Every layer is of a material that is there; values are within reason. */
  private static void checked(Library l, Library all) {
    LibraryFile again = LibraryFile.read("library.xlsx", LibraryFile.write(l), all);
    if (!again.faults().isEmpty() && !l.items().isEmpty()) {
      LibraryFile.Fault f = again.faults().get(0);
      throw Problem.notApplicable(
          f.sheet() + ", row " + f.row() + ", " + f.column() + ": " + f.message());
    }
  }

  /** Takes an entry out; what ships stays. */
  @Transactional
  public LibraryView drop(UUID project, String id, String by) {
    for (String scope : List.of(project.toString(), SHARED)) {
      Library l = kept(scope);
      Set<String> rest = new java.util.HashSet<>(ids(l));
      if (rest.remove(id)) {
        Library left = LibraryComparison.with(Library.EMPTY, l, rest);
        checked(left, left.over(kept(SHARED)).over(Library.shipped()));
        store(scope, left, by);
        return of(project);
      }
    }
    throw Problem.notFound("The entry " + id);
  }

  private void store(String scope, Library l, String by) {
    JSONB body = JSONB.valueOf(json.writeValueAsString(l));
    db.insertInto(LIBRARY)
        .set(LIBRARY.SCOPE, scope)
        .set(LIBRARY.BODY, body)
        .set(LIBRARY.CHANGED_BY, by)
        .set(LIBRARY.CHANGED_AT, clock.instant())
        .onConflict(LIBRARY.SCOPE)
        .doUpdate()
        .set(LIBRARY.BODY, body)
        .set(LIBRARY.CHANGED_BY, by)
        .set(LIBRARY.CHANGED_AT, clock.instant())
        .execute();
  }
}
