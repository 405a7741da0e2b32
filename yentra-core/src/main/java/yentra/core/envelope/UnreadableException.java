package yentra.core.envelope;

/**
 * A delivered file that cannot be read, with the place in it and what to do. The message is fit to
 * be shown to a person.
 */
public final class UnreadableException extends Exception {
  private static final long serialVersionUID = 1L;
  private final int line;
  private final int column;

  /**
   * @param message what is wrong and what to do, a sentence or two
   * @param line counted from 1, or 0 when the place has none
   * @param column counted from 1, or 0
   */
  public UnreadableException(String message, int line, int column) {
    super(message);
    this.line = line;
    this.column = column;
  }

  public int line() {
    return line;
  }

  public int column() {
    return column;
  }
}
