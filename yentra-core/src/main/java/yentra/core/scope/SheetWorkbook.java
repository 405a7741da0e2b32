package yentra.core.scope;

import java.util.List;
import java.util.Map;
import yentra.core.table.TableException;
import yentra.core.table.Workbooks;
import yentra.core.table.Workbooks.Page;

/**
 * Scope sheets as spreadsheets (XLSX) with three sheets: About (name, purpose, what becomes of the
 * rest), Scope (one rule a row), Properties (one requirement a row). A row that begins with "and"
 * adds conditions to the row above. Cells say tests in words, see {@link ValueTest}.
 */
public final class SheetWorkbook {
  private SheetWorkbook() {}

  /** The sheet as a spreadsheet; the same sheet gives the same bytes. */
  public static byte[] write(ScopeSheet sheet) {
    SheetGrid grid = SheetGrid.of(sheet);
    return Workbooks.write(
        List.of(
            new Page(SheetGrid.ABOUT, grid.about(), false, List.of(22, 80)),
            table(SheetGrid.SCOPE, grid.scope()),
            table(SheetGrid.PROPERTIES, grid.properties())),
        false);
  }

  private static Page table(String name, List<List<String>> rows) {
    return new Page(
        name, rows, true, rows.get(0).stream().map(h -> h.equals("Note") ? 50 : 18).toList());
  }

  /**
   * Reads a spreadsheet.
   *
   * @throws ScopeSheetException with sheet, row and column, when it is no spreadsheet or a cell
   *     cannot be understood
   */
  public static ScopeSheet read(byte[] bytes) throws ScopeSheetException {
    try {
      Map<String, List<List<String>>> book = Workbooks.read(bytes);
      return new SheetGrid(
              rows(book, SheetGrid.ABOUT, true),
              rows(book, SheetGrid.SCOPE, true),
              rows(book, SheetGrid.PROPERTIES, false))
          .sheet();
    } catch (TableException e) {
      throw new ScopeSheetException(e.sheet(), e.row(), e.column(), e.getMessage());
    }
  }

  private static List<List<String>> rows(
      Map<String, List<List<String>>> book, String name, boolean required)
      throws ScopeSheetException {
    for (Map.Entry<String, List<List<String>>> sheet : book.entrySet()) {
      if (sheet.getKey().equalsIgnoreCase(name)) {
        return sheet.getValue();
      }
    }
    if (required) {
      throw new ScopeSheetException(name, 0, "", "The spreadsheet has no sheet of this name.");
    }
    return List.of();
  }
}
