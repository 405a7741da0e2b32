package yentra.server.web;

import java.util.Map;
import org.springframework.http.HttpStatus;
import yentra.core.scope.ScopeSheetException;

/** A request that cannot be answered as asked; becomes a problem+json answer (RFC 9457). */
public final class Problem extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final HttpStatus status;
  private final String type;
  private final transient Map<String, Object> details;

  private Problem(HttpStatus status, String type, String message, Map<String, Object> details) {
    super(message, null, false, false);
    this.status = status;
    this.type = type;
    this.details = details;
  }

  public static Problem notFound(String what) {
    return new Problem(HttpStatus.NOT_FOUND, "not-found", what + " is not there.", Map.of());
  }

  public static Problem bad(String message) {
    return new Problem(HttpStatus.BAD_REQUEST, "bad-request", message, Map.of());
  }

  public static Problem unauthorized(String message) {
    return new Problem(HttpStatus.UNAUTHORIZED, "unauthorized", message, Map.of());
  }

  /** The edit was based on a state that is no longer the newest. */
  public static Problem stale(long version, java.util.List<String> changes) {
    String said =
        changes.isEmpty()
            ? "The model has changed since this was shown."
            : "Meanwhile " + String.join(" ", changes);
    return new Problem(
        HttpStatus.CONFLICT,
        "stale",
        said + " It is shown anew; please look, and repeat the step.",
        Map.of("version", version));
  }

  public static Problem notApplicable(String message) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "not-applicable", message, Map.of());
  }

  public static Problem blockersOpen(int blockers) {
    return new Problem(
        HttpStatus.CONFLICT,
        "blockers-open",
        blockers
            + (blockers == 1 ? " blocker is" : " blockers are")
            + " open. Repair them, or decide to hand over all the same.",
        Map.of("blockers", blockers));
  }

  /** Files that another reader would refuse or understand otherwise. */
  public static Problem notProven(java.util.List<String> against) {
    return new Problem(
        HttpStatus.CONFLICT,
        "not-proven",
        against.size() == 1
            ? against.get(0)
            : against.get(0) + " And " + (against.size() - 1) + " more.",
        Map.of("against", against.stream().limit(100).toList()));
  }

  public static Problem unreadable(String message, int line, int column) {
    return new Problem(
        HttpStatus.UNPROCESSABLE_CONTENT,
        "unreadable",
        message,
        Map.of("line", line, "column", column));
  }

  /** A scope sheet with a cell that cannot be understood. */
  public static Problem sheet(ScopeSheetException e) {
    return new Problem(
        HttpStatus.UNPROCESSABLE_CONTENT,
        "scope-sheet",
        e.sentence(),
        Map.of("sheet", e.sheet(), "row", e.row(), "column", e.column()));
  }

  HttpStatus status() {
    return status;
  }

  String type() {
    return type;
  }

  Map<String, Object> details() {
    return details == null ? Map.of() : details;
  }
}
