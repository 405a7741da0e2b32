package yentra.core.scope;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yentra.core.scope.Condition.Subject;
import yentra.core.scope.Requirement.Need;
import yentra.core.scope.ScopeSheet.Gravity;

/** Understands the rows of the sheets of a workbook. */
final class SheetRows {
  private static final String ABOUT = SheetGrid.ABOUT;
  private final SheetGrid grid;

  SheetRows(SheetGrid grid) {
    this.grid = grid;
  }

  ScopeSheet sheet() throws ScopeSheetException {
    String name = said("Name");
    if (name.isEmpty()) {
      throw new ScopeSheetException(ABOUT, 1, "B", "The scope sheet needs a name.");
    }
    return new ScopeSheet(
        name,
        said("Purpose"),
        choice("All other elements", "in", "out"),
        choice("All other properties", "keep", "drop"),
        rules(),
        requirements());
  }

  private String said(String key) {
    for (List<String> row : grid.about()) {
      if (row.size() > 1 && row.get(0).equalsIgnoreCase(key)) {
        return row.get(1);
      }
    }
    return "";
  }

  private boolean choice(String key, String yes, String no) throws ScopeSheetException {
    for (int i = 0; i < grid.about().size(); i++) {
      List<String> row = grid.about().get(i);
      if (row.size() > 1 && row.get(0).equalsIgnoreCase(key)) {
        String word = row.get(1).toLowerCase(Locale.ROOT);
        if (word.equals(yes) || word.equals(no)) {
          return word.equals(yes);
        }
        throw new ScopeSheetException(
            ABOUT, i + 1, "B", "\"" + row.get(1) + "\": write " + yes + " or " + no + ".");
      }
    }
    throw new ScopeSheetException(
        ABOUT, 0, "A", "The line \"" + key + "\" is missing: write " + yes + " or " + no + ".");
  }

  /** One row with its cells by heading. */
  private record Line(String sheet, int number, Map<String, String> cells) {
    String get(String column) {
      return cells.getOrDefault(column, "");
    }

    ScopeSheetException fault(String column, String message) {
      return new ScopeSheetException(sheet, number, column, message);
    }

    ValueTest test(String column) throws ScopeSheetException {
      try {
        return ValueTestText.read(get(column));
      } catch (IllegalArgumentException e) {
        throw fault(column, e.getMessage());
      }
    }

    String unit(String column) throws ScopeSheetException {
      if (!UnitText.isKnown(get(column))) {
        throw fault(
            column, "The unit " + get(column) + " is not known: write m, mm, ft, m², W/m²K …");
      }
      return get(column);
    }
  }

  private static List<Line> lines(String sheet, List<List<String>> rows, List<String> columns)
      throws ScopeSheetException {
    List<Line> out = new ArrayList<>();
    if (rows.isEmpty()) {
      return out;
    }
    List<String> heading = rows.get(0);
    for (int i = 0; i < heading.size(); i++) {
      String h = heading.get(i);
      if (!h.isEmpty() && columns.stream().noneMatch(h::equalsIgnoreCase)) {
        throw new ScopeSheetException(
            sheet,
            1,
            h,
            "There is no such column. The columns are: " + String.join(", ", columns) + ".");
      }
    }
    for (int r = 1; r < rows.size(); r++) {
      Map<String, String> cells = new HashMap<>();
      for (int i = 0; i < Math.min(heading.size(), rows.get(r).size()); i++) {
        String h = heading.get(i);
        String proper = columns.stream().filter(h::equalsIgnoreCase).findFirst().orElse("");
        if (!proper.isEmpty() && !rows.get(r).get(i).isEmpty()) {
          cells.put(proper, rows.get(r).get(i));
        }
      }
      if (!cells.isEmpty()) {
        out.add(new Line(sheet, r + 1, cells));
      }
    }
    return out;
  }

  /** Lines that begin with "and" go with the line before them. */
  private static List<List<Line>> groups(List<Line> lines, String first)
      throws ScopeSheetException {
    List<List<Line>> out = new ArrayList<>();
    for (Line l : lines) {
      if (!l.get(first).equalsIgnoreCase("and")) {
        out.add(new ArrayList<>(List.of(l)));
      } else if (out.isEmpty()) {
        throw l.fault(first, "\"and\" needs a row above that it belongs to.");
      } else {
        out.get(out.size() - 1).add(l);
      }
    }
    return out;
  }

  private List<ScopeRule> rules() throws ScopeSheetException {
    List<ScopeRule> out = new ArrayList<>();
    for (List<Line> g :
        groups(lines(SheetGrid.SCOPE, grid.scope(), SheetGrid.SCOPE_COLUMNS), "In or out")) {
      Line l = g.get(0);
      String word = l.get("In or out").toLowerCase(Locale.ROOT);
      if (!word.equals("in") && !word.equals("out")) {
        throw l.fault("In or out", "\"" + l.get("In or out") + "\": write in, out or and.");
      }
      out.add(new ScopeRule(l.number, word.equals("in"), selection(g), l.get("Note")));
    }
    return out;
  }

  private static Selection selection(List<Line> group) throws ScopeSheetException {
    Line l = group.get(0);
    ValueTest classes = l.test("Class");
    String subtypes = l.get("Subtypes").toLowerCase(Locale.ROOT);
    if (!subtypes.isEmpty() && !subtypes.equals("yes") && !subtypes.equals("no")) {
      throw l.fault("Subtypes", "\"" + l.get("Subtypes") + "\": write yes or no.");
    }
    List<Condition> conditions = new ArrayList<>();
    for (Line line : group) {
      conditions(line, conditions);
    }
    return new Selection(classes, !subtypes.equals("no"), conditions);
  }

  private static final Map<String, Subject> PLAIN =
      Map.of(
          "Predefined type", Subject.PREDEFINED_TYPE,
          "Type", Subject.TYPE,
          "Storey", Subject.STOREY,
          "Name", Subject.NAME,
          "Layer", Subject.LAYER,
          "Material", Subject.MATERIAL);

  private static void conditions(Line l, List<Condition> out) throws ScopeSheetException {
    for (String column :
        List.of("Predefined type", "Type", "Storey", "Name", "Layer", "Material")) {
      ValueTest t = l.test(column);
      if (t != null) {
        out.add(Condition.of(PLAIN.get(column), t));
      }
    }
    ValueTest system = l.test("Classification system");
    ValueTest code = l.test("Classification");
    if (system != null || code != null) {
      out.add(
          new Condition(
              Subject.CLASSIFICATION,
              system,
              null,
              code == null ? ValueTest.PRESENT : code,
              "",
              ""));
    }
    partOf(l, out);
    where(l, out);
  }

  private static void partOf(Line l, List<Condition> out) throws ScopeSheetException {
    String cell = l.get("Part of");
    if (cell.isEmpty()) {
      return;
    }
    int slash = cell.indexOf(" / ");
    try {
      ValueTest entity = ValueTestText.read(slash < 0 ? cell : cell.substring(0, slash));
      ValueTest predefined = slash < 0 ? null : ValueTestText.read(cell.substring(slash + 3));
      boolean itself = l.get("Part of by").equals("itself");
      out.add(
          new Condition(
              itself ? Subject.CLASS : Subject.PART_OF,
              itself ? null : l.test("Part of by"),
              predefined,
              entity,
              "",
              ""));
    } catch (IllegalArgumentException e) {
      throw l.fault("Part of", e.getMessage());
    }
  }

  private static void where(Line l, List<Condition> out) throws ScopeSheetException {
    ValueTest value = l.test("Where value");
    ValueTest attribute = l.test("Attribute");
    String property = l.get("Where property");
    ValueTest set = l.test("Where property set");
    if (attribute != null) {
      out.add(
          new Condition(
              Subject.ATTRIBUTE,
              null,
              attribute,
              value == null ? ValueTest.PRESENT : value,
              "",
              l.unit("Where unit")));
    } else if (!property.isEmpty() || set != null) {
      int colon = property.lastIndexOf(" : ");
      String name = colon < 0 ? property : property.substring(0, colon);
      try {
        out.add(
            new Condition(
                Subject.PROPERTY,
                set,
                ValueTestText.read(name),
                value == null ? ValueTest.PRESENT : value,
                colon < 0 ? "" : property.substring(colon + 3).strip(),
                l.unit("Where unit")));
      } catch (IllegalArgumentException e) {
        throw l.fault("Where property", e.getMessage());
      }
    } else if (value != null) {
      throw l.fault("Where value", "A value needs a property or an attribute that it is of.");
    }
  }

  private List<Requirement> requirements() throws ScopeSheetException {
    List<Requirement> out = new ArrayList<>();
    List<Line> lines = lines(SheetGrid.PROPERTIES, grid.properties(), SheetGrid.PROPERTY_COLUMNS);
    for (List<Line> g : groups(lines, "Need")) {
      Line l = g.get(0);
      Need need = need(l);
      out.add(
          new Requirement(
              l.number,
              l.get("Title"),
              selection(g),
              need == Need.EXISTS || need == Need.ABSENT ? null : asked(l),
              need,
              gravity(l),
              l.get("Note"),
              l.get("Schemas")));
    }
    return out;
  }

  private static Need need(Line l) throws ScopeSheetException {
    return switch (l.get("Need").toLowerCase(Locale.ROOT)) {
      case "required" -> Need.REQUIRED;
      case "optional" -> Need.OPTIONAL;
      case "kept" -> Need.KEPT;
      case "prohibited" -> Need.PROHIBITED;
      case "must exist" -> Need.EXISTS;
      case "must not exist" -> Need.ABSENT;
      default ->
          throw l.fault(
              "Need",
              "\""
                  + l.get("Need")
                  + "\": write required, optional, kept, prohibited, must exist, must not exist or and.");
    };
  }

  private static Gravity gravity(Line l) throws ScopeSheetException {
    try {
      return SheetGrid.gravity(l.get("Severity"));
    } catch (IllegalArgumentException e) {
      throw l.fault(
          "Severity", "\"" + l.get("Severity") + "\": write blocker, error, warning or note.");
    }
  }

  private static Condition asked(Line l) throws ScopeSheetException {
    String word = l.get("Asked of");
    Subject subject;
    try {
      subject =
          word.isEmpty()
              ? Subject.PROPERTY
              : Subject.valueOf(word.toUpperCase(Locale.ROOT).replace(' ', '_'));
    } catch (IllegalArgumentException e) {
      throw l.fault(
          "Asked of",
          "\""
              + word
              + "\": write property, attribute, material, classification, part of, class, type, name or layer.");
    }
    ValueTest name = l.test("Property");
    if (name == null && (subject == Subject.PROPERTY || subject == Subject.ATTRIBUTE)) {
      throw l.fault("Property", "The name of the property is missing.");
    }
    ValueTest values = l.test("Values");
    return new Condition(
        subject,
        l.test("Property set"),
        name,
        values == null ? ValueTest.PRESENT : values,
        l.get("Data type"),
        l.unit("Unit"));
  }
}
