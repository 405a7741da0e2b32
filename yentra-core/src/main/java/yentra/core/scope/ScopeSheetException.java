package yentra.core.scope;

/** A scope sheet that cannot be read: says sheet, row and column, what is wrong and what to do. */
public final class ScopeSheetException extends Exception {
  private static final long serialVersionUID = 1L;
  private final String sheet;
  private final int row;
  private final String column;

  /**
   * @param sheet name of the sheet in the workbook, or the element of an IDS file; may be empty
   * @param row counted from 1; 0 when no row is meant
   * @param column heading of the column; may be empty
   */
  public ScopeSheetException(String sheet, int row, String column, String message) {
    super(message, null, false, false);
    this.sheet = sheet;
    this.row = row;
    this.column = column;
  }

  public String sheet() {
    return sheet;
  }

  public int row() {
    return row;
  }

  public String column() {
    return column;
  }

  /** The message with the place in front. */
  public String sentence() {
    StringBuilder b = new StringBuilder();
    if (!sheet.isEmpty()) {
      b.append("Sheet ").append(sheet);
    }
    if (row > 0) {
      b.append(b.length() > 0 ? ", row " : "Row ").append(row);
    }
    if (!column.isEmpty()) {
      b.append(b.length() > 0 ? ", column " : "Column ").append(column);
    }
    return b.length() == 0 ? getMessage() : b + ": " + getMessage();
  }
}
