package yentra.core.scope;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import yentra.core.scope.Condition.Subject;
import yentra.core.scope.Requirement.Need;
import yentra.core.scope.ScopeSheet.Gravity;

/**
 * A scope sheet as cells of three sheets: what it is, one rule a row, one requirement a row. The
 * first row of rules and of requirements is the heading. A row that begins with "and" adds
 * conditions to the row above. Cells say tests in words, see {@link ValueTest}.
 */
public record SheetGrid(
    List<List<String>> about, List<List<String>> scope, List<List<String>> properties) {
  static final String ABOUT = "About";
  static final String SCOPE = "Scope";
  static final String PROPERTIES = "Properties";

  /** Columns that select elements, the same in both sheets. */
  private static final List<String> SELECTING =
      List.of(
          "Class",
          "Subtypes",
          "Predefined type",
          "Type",
          "Storey",
          "Name",
          "Layer",
          "Material",
          "Classification system",
          "Classification",
          "Part of",
          "Part of by",
          "Attribute",
          "Where property set",
          "Where property",
          "Where value",
          "Where unit");

  static final List<String> SCOPE_COLUMNS =
      joined(List.of("In or out"), SELECTING, List.of("Note"));
  static final List<String> PROPERTY_COLUMNS =
      joined(
          List.of("Need", "Title"),
          SELECTING,
          List.of(
              "Asked of",
              "Property set",
              "Property",
              "Data type",
              "Values",
              "Unit",
              "Severity",
              "Schemas",
              "Note"));

  public SheetGrid {
    about = copy(about);
    scope = copy(scope);
    properties = copy(properties);
  }

  private static List<List<String>> copy(List<List<String>> rows) {
    return rows.stream()
        .map(r -> r.stream().map(c -> c == null ? "" : c.strip()).toList())
        .toList();
  }

  private static List<String> joined(List<String> first, List<String> then, List<String> last) {
    return Stream.of(first, then, last).flatMap(List::stream).toList();
  }

  /** The cells of a sheet. */
  public static SheetGrid of(ScopeSheet sheet) {
    List<String[]> scope = new ArrayList<>();
    for (ScopeRule r : sheet.rules()) {
      writeRows(
          scope, SCOPE_COLUMNS, List.of(r.in() ? "in" : "out"), r.selection(), "Note", r.note());
    }
    List<String[]> properties = new ArrayList<>();
    for (Requirement r : sheet.requirements()) {
      int first = properties.size();
      writeRows(
          properties,
          PROPERTY_COLUMNS,
          List.of(need(r.need()), r.title()),
          r.selection(),
          "Note",
          r.note());
      asked(properties, first, r);
    }
    return new SheetGrid(
        about(sheet), rows(SCOPE_COLUMNS, scope), rows(PROPERTY_COLUMNS, properties));
  }

  private static List<List<String>> rows(List<String> heading, List<String[]> rows) {
    return Stream.concat(Stream.of(heading), rows.stream().map(List::of)).toList();
  }

  /**
   * Understands the cells.
   *
   * @throws ScopeSheetException with sheet, row and column, when a cell cannot be understood
   */
  public ScopeSheet sheet() throws ScopeSheetException {
    return new SheetRows(this).sheet();
  }

  private static List<List<String>> about(ScopeSheet s) {
    return List.of(
        List.of("Name", s.name()),
        List.of("Purpose", s.purpose()),
        List.of("All other elements", s.othersIn() ? "in" : "out"),
        List.of("All other properties", s.othersKept() ? "keep" : "drop"),
        List.of("", ""),
        List.of(
            "How to read it",
            "Rules are read from top to bottom; the last one that fits an element decides."),
        List.of("", "A row that begins with \"and\" adds conditions to the row above."),
        List.of(
            "",
            "Cells: Office; Store (one of) · contains gross · pattern W-\\d+ · 0.1 to 0.3 · at least 2 · above 2 · length 3 to 8 · not … · any · missing · … and also …"));
  }

  private static void writeRows(
      List<String[]> w,
      List<String> columns,
      List<String> lead,
      Selection s,
      String noteColumn,
      String note) {
    int row = w.size();
    w.add(blank(columns));
    for (int i = 0; i < lead.size(); i++) {
      put(w, row, i, lead.get(i));
    }
    put(w, row, columns.indexOf(noteColumn), note);
    if (s.classes() != null) {
      put(w, row, columns.indexOf("Class"), s.classes().words());
      put(w, row, columns.indexOf("Subtypes"), s.subtypes() ? "yes" : "no");
    }
    int at = row;
    java.util.Set<Subject> used = java.util.EnumSet.noneOf(Subject.class);
    for (Condition c : s.conditions()) {
      Subject slot = slot(c.subject());
      if (!used.add(slot)) {
        at++;
        w.add(blank(columns));
        used = java.util.EnumSet.of(slot);
        put(w, at, 0, "and");
      }
      condition(w, at, columns, c);
    }
  }

  private static String[] blank(List<String> columns) {
    String[] cells = new String[columns.size()];
    Arrays.fill(cells, "");
    return cells;
  }

  /** Attributes use the columns of properties. */
  private static Subject slot(Subject s) {
    return s == Subject.ATTRIBUTE ? Subject.PROPERTY : s;
  }

  private static void condition(List<String[]> w, int row, List<String> columns, Condition c) {
    String test = c.test().words();
    switch (c.subject()) {
      case PREDEFINED_TYPE -> put(w, row, columns.indexOf("Predefined type"), test);
      case TYPE -> put(w, row, columns.indexOf("Type"), test);
      case STOREY -> put(w, row, columns.indexOf("Storey"), test);
      case NAME -> put(w, row, columns.indexOf("Name"), test);
      case LAYER -> put(w, row, columns.indexOf("Layer"), test);
      case MATERIAL -> put(w, row, columns.indexOf("Material"), test);
      case CLASSIFICATION -> {
        put(w, row, columns.indexOf("Classification system"), words(c.set()));
        put(w, row, columns.indexOf("Classification"), test);
      }
      case PART_OF, CLASS -> {
        put(
            w,
            row,
            columns.indexOf("Part of"),
            test + (c.name() == null ? "" : " / " + words(c.name())));
        put(
            w,
            row,
            columns.indexOf("Part of by"),
            c.subject() == Subject.CLASS ? "itself" : words(c.set()));
      }
      case ATTRIBUTE -> {
        put(w, row, columns.indexOf("Attribute"), words(c.name()));
        put(w, row, columns.indexOf("Where value"), test);
        put(w, row, columns.indexOf("Where unit"), c.unit());
      }
      case PROPERTY -> {
        put(w, row, columns.indexOf("Where property set"), words(c.set()));
        put(w, row, columns.indexOf("Where property"), words(c.name()) + dataType(c));
        put(w, row, columns.indexOf("Where value"), test);
        put(w, row, columns.indexOf("Where unit"), c.unit());
      }
      default -> throw new IllegalStateException("no column for " + c.subject());
    }
  }

  private static String dataType(Condition c) {
    return c.dataType().isEmpty() ? "" : " : " + c.dataType();
  }

  private static void asked(List<String[]> w, int row, Requirement r) {
    Condition c = r.what();
    List<String> k = PROPERTY_COLUMNS;
    put(w, row, k.indexOf("Severity"), r.gravity().name().toLowerCase(Locale.ROOT));
    put(w, row, k.indexOf("Schemas"), r.schemas());
    if (c == null) {
      return;
    }
    put(w, row, k.indexOf("Asked of"), subject(c.subject()));
    put(w, row, k.indexOf("Property set"), words(c.set()));
    put(w, row, k.indexOf("Property"), words(c.name()));
    put(w, row, k.indexOf("Data type"), c.dataType());
    put(w, row, k.indexOf("Values"), c.test().words());
    put(w, row, k.indexOf("Unit"), c.unit());
  }

  private static String subject(Subject s) {
    return s.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private static String need(Need n) {
    return switch (n) {
      case EXISTS -> "must exist";
      case ABSENT -> "must not exist";
      default -> n.name().toLowerCase(Locale.ROOT);
    };
  }

  private static String words(ValueTest t) {
    return t == null ? "" : t.words();
  }

  private static void put(List<String[]> w, int row, int column, String text) {
    w.get(row)[column] = text;
  }

  static Gravity gravity(String word) {
    return word.isEmpty() ? Gravity.WARNING : Gravity.valueOf(word.toUpperCase(Locale.ROOT));
  }
}
