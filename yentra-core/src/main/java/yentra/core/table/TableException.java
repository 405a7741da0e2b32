package yentra.core.table;

/** A table that cannot be read, or a cell that cannot be understood: where, and what to do. */
public final class TableException extends Exception {
  private static final long serialVersionUID = 1L;
  private final String sheet;
  private final int row;
  private final String column;

  /**
   * @param sheet its name, or empty
   * @param row from 1, or 0
   * @param column heading or letter, or empty
   */
  public TableException(String sheet, int row, String column, String message) {
    super(message);
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
}
