package yentra.core.table;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Rows of a table under a heading, with their cells by column. */
public final class TableRows {
  private TableRows() {}

  /** One row that is not empty. */
  public static final class Line {
    private final String sheet;
    private final int number;
    private final Map<String, String> cells;

    Line(String sheet, int number, Map<String, String> cells) {
      this.sheet = sheet;
      this.number = number;
      this.cells = cells;
    }

    /** From 1, the heading counted. */
    public int number() {
      return number;
    }

    /** The cell's text, empty when there is none. */
    public String get(String column) {
      return cells.getOrDefault(column, "");
    }

    public boolean has(String column) {
      return !get(column).isEmpty();
    }

    /** The cell's text, which must be there. */
    public String required(String column) throws TableException {
      if (!has(column)) {
        throw fault(column, "This cell must not be empty.");
      }
      return get(column);
    }

    /** The cell's number within limits, or null when it is empty; 0,5 is read as 0.5. */
    public Double number(String column, double least, double most) throws TableException {
      if (!has(column)) {
        return null;
      }
      String text = get(column).replace(',', '.').replace("\u00a0", "").replace(" ", "");
      double v;
      try {
        v = Double.parseDouble(text);
      } catch (NumberFormatException e) {
        throw fault(column, "\"" + get(column) + "\" is no number.");
      }
      if (!(v >= least && v <= most)) {
        throw fault(
            column, get(column) + " is outside " + plain(least) + " to " + plain(most) + ".");
      }
      return v;
    }

    public TableException fault(String column, String message) {
      return new TableException(sheet, number, column, message);
    }
  }

  private static String plain(double v) {
    return java.math.BigDecimal.valueOf(v).stripTrailingZeros().toPlainString();
  }

  /**
   * The rows below the heading.
   *
   * @param rows of a sheet; the first is the heading
   * @param columns all that there may be; a heading may add a unit in brackets
   * @param needed columns that must be there
   * @throws TableException when a column is missing, or stands there twice
   */
  public static List<Line> of(
      String sheet, List<List<String>> rows, List<String> columns, List<String> needed)
      throws TableException {
    Map<Integer, String> at = new HashMap<>();
    List<String> heading = rows.isEmpty() ? List.of() : rows.get(0);
    for (int i = 0; i < heading.size(); i++) {
      String name = plain(heading.get(i));
      for (String c : columns) {
        if (plain(c).equals(name)) {
          if (at.containsValue(c)) {
            throw new TableException(sheet, 1, heading.get(i), "This column is there twice.");
          }
          at.put(i, c);
        }
      }
    }
    for (String c : needed) {
      if (!at.containsValue(c)) {
        throw new TableException(
            sheet,
            1,
            c,
            "This column is missing. The columns are: " + String.join(", ", columns) + ".");
      }
    }
    List<Line> out = new ArrayList<>();
    for (int r = 1; r < rows.size(); r++) {
      Map<String, String> cells = new HashMap<>();
      for (int i = 0; i < rows.get(r).size(); i++) {
        if (at.containsKey(i) && !rows.get(r).get(i).isBlank()) {
          cells.put(at.get(i), rows.get(r).get(i).strip());
        }
      }
      if (!cells.isEmpty()) {
        out.add(new Line(sheet, r + 1, cells));
      }
    }
    return out;
  }

  /** Without unit, capitals and blanks. */
  private static String plain(String heading) {
    return heading.replaceAll("[\\[(].*", "").strip().toLowerCase(Locale.ROOT);
  }
}
