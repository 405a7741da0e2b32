package yentra.server.scope;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;
import yentra.core.scope.Condition;
import yentra.core.scope.Requirement;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ScopeState;
import yentra.core.scope.SheetComparison;
import yentra.core.scope.SheetGrid;
import yentra.core.scope.ValueEdit;
import yentra.core.scope.ValueTable;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.web.Problem;

/** What the interface gets to see of the architectural model and its scope. */
public final class ScopeViews {
  private ScopeViews() {}

  /** A column of words of which many are alike: {@code words} once, {@code of} by number. */
  record Words(List<String> words, int[] of) {}

  /**
   * All elements of a delivery, column by column, in the order of the file.
   *
   * @param in 1 for elements in scope, else 0
   * @param byHand 1 where a person decided, else 0
   * @param faults how many requirements an element does not meet
   * @param tried name of the sheet that this shows although it is not applied, or null
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ScopeView(
      long version,
      @Schema(nullable = true) String sheet,
      @Schema(nullable = true) String tried,
      List<String> keys,
      List<String> names,
      Words classes,
      Words predefined,
      Words types,
      Words storeys,
      Words layers,
      Words materials,
      int[] in,
      int[] byHand,
      Words reasons,
      int[] faults,
      List<ClassView> counts,
      List<RequirementView> requirements,
      List<FaultView> unmet,
      boolean writable) {}

  record ClassView(String entity, int all, int in) {}

  record RequirementView(
      int row,
      String title,
      String of,
      String what,
      String need,
      String severity,
      String note,
      int asked,
      int met) {}

  /** A requirement that is not met; element is its place in the list, -1 when there is none. */
  record FaultView(int element, int row, boolean missing, String value, String reason) {}

  /** One element with all that the file says of it. */
  record ElementView(
      String key,
      String entity,
      String predefinedType,
      String name,
      String longName,
      String description,
      String objectType,
      String tag,
      String typeName,
      String storey,
      String layer,
      EnvelopeViews.SourceView source,
      List<String> materials,
      List<String> layers,
      List<String> classifications,
      List<WholeView> wholes,
      boolean in,
      boolean byHand,
      String reason,
      List<FaultView> unmet,
      List<SetView> sets,
      BodyView body) {}

  record WholeView(String relation, String key, String entity, String name) {}

  record SetView(String name, boolean quantities, boolean inherited, List<PropertyView> values) {}

  record PropertyView(String name, String value, String unit, String type, boolean edited) {}

  record BodyView(int faces, double chordError, List<String> approximations, String problem) {}

  record ValueTableView(String entity, List<ValueTable.Column> columns, List<ValueRowView> rows) {}

  /** Cells are sparse: only those that hold or lack something. */
  record ValueRowView(String key, String name, String storey, List<ValueCellView> cells) {}

  record ValueCellView(
      int column, String text, boolean inherited, boolean edited, boolean missing, String reason) {}

  /** What is written: bytes, instances and elements of all that is in scope. */
  record TrimmedView(
      long bytesBefore,
      long bytes,
      int instancesBefore,
      int instances,
      int elementsBefore,
      int elements,
      Map<String, Integer> relationsLeftOut) {}

  /** A scope sheet in the list of those to choose from; id is a word for one that ships. */
  record SheetView(
      String id, String name, String purpose, boolean ships, int rules, int requirements) {}

  /** A sheet as cells. */
  record SheetCells(
      List<List<String>> about, List<List<String>> scope, List<List<String>> properties) {
    /** Whether there is a cell, and no row or table is missing. */
    boolean isThere() {
      return about != null
          && scope != null
          && properties != null
          && Stream.of(about, scope, properties)
              .flatMap(List::stream)
              .allMatch(r -> r != null && r.stream().allMatch(Objects::nonNull));
    }

    SheetGrid grid() {
      return new SheetGrid(about, scope, properties);
    }

    static SheetCells of(ScopeSheet s) {
      SheetGrid g = SheetGrid.of(s);
      return new SheetCells(g.about(), g.scope(), g.properties());
    }
  }

  record SheetDetail(String id, String name, boolean ships, SheetCells cells) {}

  record ComparisonView(String first, String second, List<SheetComparison.Line> lines) {}

  record ApplyRequest(long basedOn, String sheet) {}

  /** What to try: a sheet by id, or cells that are being written. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record TryRequest(
      @Schema(nullable = true) String sheet, @Schema(nullable = true) SheetCells cells) {}

  /**
   * Which elements to select.
   *
   * @param subject what of them is looked at
   * @param property of properties: the name
   * @param test as a cell of a scope sheet writes it
   */
  record PickRequest(Condition.Subject subject, String set, String property, String test) {}

  record PlaceRequest(long basedOn, List<String> keys, boolean in, String reason) {}

  record ReleaseRequest(long basedOn, List<String> keys) {}

  /**
   * A change of values.
   *
   * @param how {@code set}, {@code copy}, {@code replace} or {@code remove}
   * @param text what is set, or what is looked for
   * @param with what it is replaced with
   * @param fromSet of copies: the property set that is copied from
   * @param where of rules: a test that {@code whereProperty} of {@code whereSet} must pass
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ValueRequest(
      long basedOn,
      List<String> keys,
      String set,
      String property,
      String how,
      @Schema(nullable = true) String text,
      @Schema(nullable = true) String with,
      @Schema(nullable = true) String fromSet,
      @Schema(nullable = true) String fromProperty,
      @Schema(nullable = true) String whereSet,
      @Schema(nullable = true) String whereProperty,
      @Schema(nullable = true) String where) {}

  static ScopeView scope(
      DeliveryStates.State s, ScopeState state, ScopeResult r, String tried, boolean writable) {
    List<Element> elements = s.whole().elements();
    int n = elements.size();
    Map<String, Integer> place = new HashMap<>(2 * n);
    for (int i = 0; i < n; i++) {
      place.put(elements.get(i).key(), i);
    }
    int[] in = new int[n];
    int[] byHand = new int[n];
    int[] faults = new int[n];
    for (int i = 0; i < n; i++) {
      in[i] = r.decisions().get(i).in() ? 1 : 0;
      byHand[i] = r.decisions().get(i).byHand() ? 1 : 0;
    }
    List<FaultView> unmet = new ArrayList<>();
    for (ScopeResult.Fault f : r.faults()) {
      int at = f.element() == null ? -1 : place.getOrDefault(f.element().key(), -1);
      if (at >= 0) {
        faults[at]++;
      }
      unmet.add(fault(f, at));
    }
    List<String> materials =
        elements.parallelStream()
            .map(e -> String.join(" + ", s.whole().materials(e).names()))
            .toList();
    return new ScopeView(
        s.version(),
        s.scope().sheet().map(ScopeSheet::name).orElse(null),
        tried,
        elements.stream().map(Element::key).toList(),
        elements.stream().map(ScopeViews::named).toList(),
        words(elements, Element::entity),
        words(elements, Element::predefinedType),
        words(elements, Element::typeName),
        words(elements, Element::storey),
        words(elements, Element::layer),
        words(materials, m -> m),
        in,
        byHand,
        words(r.decisions(), ScopeResult.Decision::reason),
        faults,
        r.classes().stream().map(c -> new ClassView(c.entity(), c.all(), c.in())).toList(),
        requirements(state.rules(), r),
        unmet,
        writable);
  }

  private static String named(Element e) {
    return e.name().isBlank() && e.longName().isBlank() ? "" : e.label();
  }

  private static FaultView fault(ScopeResult.Fault f, int at) {
    return new FaultView(at, f.requirement().row(), f.missing(), f.value(), f.reason());
  }

  private static <T> Words words(List<T> rows, Function<T, String> word) {
    Map<String, Integer> numbers = new LinkedHashMap<>();
    int[] of = new int[rows.size()];
    for (int i = 0; i < of.length; i++) {
      of[i] = numbers.computeIfAbsent(word.apply(rows.get(i)), k -> numbers.size());
    }
    return new Words(List.copyOf(numbers.keySet()), of);
  }

  private static List<RequirementView> requirements(ScopeSheet sheet, ScopeResult r) {
    return sheet.requirements().stream()
        .filter(q -> q.need() != Requirement.Need.KEPT)
        .map(
            q -> {
              ScopeResult.Tally t = r.tallies().getOrDefault(q.row(), new ScopeResult.Tally(0, 0));
              return new RequirementView(
                  q.row(),
                  q.title(),
                  q.selection().words(),
                  q.what() == null ? "" : q.what().words(),
                  q.need().name().toLowerCase(Locale.ROOT),
                  q.gravity().name().toLowerCase(Locale.ROOT),
                  q.note(),
                  t.asked(),
                  t.met());
            })
        .toList();
  }

  static ElementView element(DeliveryStates.State s, Element e, int at) {
    ArchitecturalModel values = s.scope().values(s.whole());
    ScopeResult.Decision d = s.result().decisions().get(at);
    Element.Materials m = values.materials(e);
    Body body = s.whole().netBody(e);
    List<ValueEdit> edits = s.scope().edits().getOrDefault(e.key(), List.of());
    return new ElementView(
        e.key(),
        e.entity(),
        e.predefinedType(),
        e.name(),
        e.longName(),
        e.description(),
        e.objectType(),
        e.tag(),
        e.typeName(),
        e.storey(),
        e.layer(),
        new EnvelopeViews.SourceView(
            e.source().elementClass(),
            e.source().id(),
            e.source().name(),
            e.source().line(),
            e.source().column()),
        m.names(),
        m.layers().stream().map(ScopeViews::layer).toList(),
        values.classifications(e).stream()
            .map(c -> String.join(" / ", c.codes()) + " (" + c.system() + ")")
            .toList(),
        values.wholes(e).stream()
            .map(
                w ->
                    new WholeView(
                        w.relation(), w.whole().key(), w.whole().entity(), named(w.whole())))
            .toList(),
        d.in(),
        d.byHand(),
        d.reason(),
        s.result().faults().stream()
            .filter(f -> f.element() != null && f.element().key().equals(e.key()))
            .map(f -> fault(f, at))
            .toList(),
        values.properties(e).stream().map(set -> set(set, edits)).toList(),
        new BodyView(
            body.faces().size(),
            body.chordError(),
            body.approximations(),
            body.problem() == null ? "" : body.problem()));
  }

  private static String layer(Element.Layer l) {
    return String.format(Locale.ROOT, "%s, %.0f mm", l.material(), l.thickness() * 1000);
  }

  private static SetView set(PropertySet s, List<ValueEdit> edits) {
    return new SetView(
        s.name(),
        s.quantities(),
        s.inherited(),
        s.properties().stream().map(p -> property(s, p, edits)).toList());
  }

  private static PropertyView property(PropertySet s, Property p, List<ValueEdit> edits) {
    return new PropertyView(
        p.name(),
        p.value() == null ? "" : p.value().text(),
        p.value() instanceof PropertyValue.Number n ? n.unit() : "",
        p.type(),
        edits.stream().anyMatch(v -> v.set().equals(s.name()) && v.property().equals(p.name())));
  }

  static ValueTableView values(DeliveryStates.State s, String entity) {
    List<Element> rows = new ArrayList<>();
    for (ScopeResult.Decision d : s.result().decisions()) {
      if (d.in() && d.element().entity().equals(entity)) {
        rows.add(d.element());
      }
    }
    ValueTable t = ValueTable.of(s.scope().values(s.whole()), rows, s.result(), s.scope());
    return new ValueTableView(
        entity,
        t.columns(),
        t.rows().stream()
            .map(
                r ->
                    new ValueRowView(
                        r.element().key(), named(r.element()), r.element().storey(), cells(r)))
            .toList());
  }

  private static List<ValueCellView> cells(ValueTable.Row row) {
    List<ValueCellView> out = new ArrayList<>();
    for (int i = 0; i < row.cells().size(); i++) {
      ValueTable.Cell c = row.cells().get(i);
      if (!c.text().isEmpty() || !c.reason().isEmpty() || c.edited()) {
        out.add(new ValueCellView(i, c.text(), c.inherited(), c.edited(), c.missing(), c.reason()));
      }
    }
    return out;
  }

  static SheetView sheet(String id, ScopeSheet s, boolean ships) {
    return new SheetView(
        id, s.name(), s.purpose(), ships, s.rules().size(), s.requirements().size());
  }

  /** Ids of sheets that are kept in the database. */
  static UUID sheetId(String id) {
    try {
      return UUID.fromString(id);
    } catch (IllegalArgumentException e) {
      throw Problem.notFound("The scope sheet");
    }
  }
}
