package yentra.core.scope;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;
import yentra.core.scope.Requirement.Need;
import yentra.core.scope.ScopeResult.Fault;

/**
 * The properties of the elements of one class side by side: a column for each property that any of
 * them has or a requirement asks for, a row for each element.
 */
public record ValueTable(List<Column> columns, List<Row> rows) {
  public ValueTable {
    columns = List.copyOf(columns);
    rows = List.copyOf(rows);
  }

  /**
   * A property.
   *
   * @param type as IFC names it, the first that is found; empty when none is stated
   * @param unit the SI unit of its numbers, or empty
   * @param quantity whether it is in a quantity set, which is not edited
   * @param filled how many elements have a value
   * @param faults how many have none where one is required, or one that is refused
   * @param asked whether a requirement of the sheet is about it
   */
  public record Column(
      String set,
      String property,
      String type,
      String unit,
      boolean quantity,
      int filled,
      int faults,
      boolean asked) {}

  public record Row(Element element, List<Cell> cells) {
    public Row {
      cells = List.copyOf(cells);
    }
  }

  /**
   * One value.
   *
   * @param text in SI units, or empty
   * @param inherited whether it comes from the type
   * @param edited whether a person set it
   * @param reason why it is missing or refused, or empty
   */
  public record Cell(
      String text, boolean inherited, boolean edited, boolean missing, String reason) {
    static final Cell EMPTY = new Cell("", false, false, false, "");
  }

  private record Name(String set, String property) {}

  /**
   * Makes the table.
   *
   * @param values the model with the values that were set
   * @param elements the rows, all of one class
   */
  public static ValueTable of(
      ArchitecturalModel values, List<Element> elements, ScopeResult result, ScopeState state) {
    return new Making(values, elements, result, state).table();
  }

  private static final class Making {
    private final ArchitecturalModel values;
    private final List<Element> elements;
    private final Map<String, List<ValueEdit>> edits;
    private final Map<String, List<Fault>> faults = new HashMap<>();
    private final Set<Name> asked = new LinkedHashSet<>();

    Making(
        ArchitecturalModel values, List<Element> elements, ScopeResult result, ScopeState state) {
      this.values = values;
      this.elements = elements;
      this.edits = state.edits();
      Matching matching = new Matching(values);
      for (Requirement r : state.rules().requirements()) {
        if (isProperty(r) && elements.stream().anyMatch(e -> matching.fits(r.selection(), e))) {
          asked.addAll(names(r.what()));
        }
      }
      Set<String> keys = new java.util.HashSet<>();
      elements.forEach(e -> keys.add(e.key()));
      for (Fault f : result.faults()) {
        if (f.element() != null
            && keys.contains(f.element().key())
            && isProperty(f.requirement())) {
          faults.computeIfAbsent(f.element().key(), k -> new ArrayList<>()).add(f);
        }
      }
    }

    private static boolean isProperty(Requirement r) {
      return r.need() != Need.KEPT
          && r.what() != null
          && r.what().subject() == Condition.Subject.PROPERTY;
    }

    /** Names that a condition spells out; patterns spell out none. */
    private static List<Name> names(Condition c) {
      List<Name> out = new ArrayList<>();
      if (c.name() instanceof ValueTest.OneOf names && c.set() instanceof ValueTest.OneOf sets) {
        names.values().forEach(n -> out.add(new Name(sets.values().get(0), n)));
      }
      return out;
    }

    ValueTable table() {
      Map<Name, Column> found = new LinkedHashMap<>();
      asked.forEach(n -> found.put(n, new Column(n.set, n.property, "", "", false, 0, 0, true)));
      List<Map<Name, Cell>> cells = new ArrayList<>();
      for (Element e : elements) {
        Map<Name, Cell> row = new HashMap<>();
        for (PropertySet s : values.properties(e)) {
          for (Property p : s.properties()) {
            Name n = new Name(s.name(), p.name());
            if (!row.containsKey(n)) {
              row.put(n, cell(e, s, p));
              found.merge(n, column(n, s, p), Making::joined);
            }
          }
        }
        faults.getOrDefault(e.key(), List.of()).forEach(f -> mark(f, row, found));
        cells.add(row);
      }
      List<Column> columns = found.values().stream().sorted(BY_NEED).toList();
      List<Row> rows = new ArrayList<>();
      for (int i = 0; i < elements.size(); i++) {
        Map<Name, Cell> row = cells.get(i);
        rows.add(
            new Row(
                elements.get(i),
                columns.stream()
                    .map(c -> row.getOrDefault(new Name(c.set, c.property), Cell.EMPTY))
                    .toList()));
      }
      return new ValueTable(columns, rows);
    }

    /** What is asked for first, then what is filled most. */
    private static final java.util.Comparator<Column> BY_NEED =
        java.util.Comparator.comparing((Column c) -> !c.asked)
            .thenComparing(c -> c.quantity)
            .thenComparing(c -> -c.filled)
            .thenComparing(Column::set)
            .thenComparing(Column::property);

    private static Column column(Name n, PropertySet s, Property p) {
      String unit = p.value() instanceof PropertyValue.Number x ? x.unit() : "";
      return new Column(
          n.set, n.property, p.type(), unit, s.quantities(), p.value() == null ? 0 : 1, 0, false);
    }

    private static Column joined(Column a, Column b) {
      return new Column(
          a.set,
          a.property,
          a.type.isEmpty() ? b.type : a.type,
          a.unit.isEmpty() ? b.unit : a.unit,
          a.quantity || b.quantity,
          a.filled + b.filled,
          a.faults + b.faults,
          a.asked || b.asked);
    }

    private Cell cell(Element e, PropertySet s, Property p) {
      boolean edited =
          edits.getOrDefault(e.key(), List.of()).stream()
              .anyMatch(v -> v.set().equals(s.name()) && v.property().equals(p.name()));
      return new Cell(
          p.value() == null ? "" : p.value().text(), s.inherited() && !edited, edited, false, "");
    }

    /** Marks the cells that a fault is about; a missing one where it should be. */
    private static void mark(Fault f, Map<Name, Cell> row, Map<Name, Column> found) {
      Condition c = f.requirement().what();
      List<Name> about =
          f.missing()
              ? names(c)
              : row.keySet().stream()
                  .filter(n -> c.set() == null || c.set().accepts(n.set))
                  .filter(n -> c.name() == null || c.name().accepts(n.property))
                  .toList();
      for (Name n : about) {
        Cell old = row.getOrDefault(n, Cell.EMPTY);
        row.put(n, new Cell(old.text, old.inherited, old.edited, f.missing(), f.reason()));
        found.merge(n, new Column(n.set, n.property, "", "", false, 0, 1, true), Making::joined);
      }
    }
  }
}
