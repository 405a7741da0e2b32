package yentra.core.repair;

/** A repair that cannot be made on this envelope; the message says why and what to do instead. */
public final class NotApplicableException extends Exception {
  private static final long serialVersionUID = 1L;

  public NotApplicableException(String message) {
    super(message, null, false, false);
  }
}
