package yentra.core.table;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/**
 * Spreadsheets (XLSX) of typed cells: numbers are numbers, yes and no are truth values, text is
 * text and never a formula, whatever it begins with. The heading stays in sight and filters.
 */
public final class TypedSheets {
  private TypedSheets() {}

  /**
   * A sheet to be written.
   *
   * @param heads one a column
   * @param rows a {@link String}, {@link Number}, {@link Boolean} or null a cell; numbers that are
   *     none (NaN, infinite) are left empty
   * @param widths of the columns in characters; the last holds for all further ones
   */
  public record Sheet(
      String name, List<String> heads, List<List<Object>> rows, List<Integer> widths) {}

  /** Writes a spreadsheet; the same sheets give the same bytes. */
  public static byte[] write(List<Sheet> sheets) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
    try (Workbook book = new Workbook(out, "Yentra", "1.0")) {
      for (Sheet s : sheets) {
        write(book.newWorksheet(s.name), s);
      }
    } catch (IOException e) {
      throw new UncheckedIOException("writing to memory", e);
    }
    return Workbooks.undated(out.toByteArray());
  }

  private static void write(Worksheet w, Sheet s) {
    int columns = s.heads.size();
    for (int c = 0; c < columns; c++) {
      w.value(0, c, s.heads.get(c));
      w.width(c, s.widths.get(Math.min(c, s.widths.size() - 1)));
    }
    for (int r = 0; r < s.rows.size(); r++) {
      List<Object> row = s.rows.get(r);
      for (int c = 0; c < row.size(); c++) {
        cell(w, r + 1, c, row.get(c));
      }
    }
    w.range(0, 0, 0, columns - 1).style().bold().fillColor("DCEBE7").set();
    w.freezePane(0, 1);
    w.setAutoFilter(0, 0, s.rows.size(), columns - 1);
  }

  private static void cell(Worksheet w, int row, int column, Object value) {
    if (value instanceof Number n) {
      if (Double.isFinite(n.doubleValue())) {
        w.value(row, column, n);
      }
    } else if (value instanceof Boolean b) {
      w.value(row, column, b);
    } else if (value instanceof String s && !s.isEmpty()) {
      w.value(row, column, s);
    }
  }
}
