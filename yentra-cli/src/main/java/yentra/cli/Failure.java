package yentra.cli;

import java.nio.file.AccessDeniedException;
import java.nio.file.NoSuchFileException;
import yentra.core.envelope.UnreadableException;

/** Says what went wrong in a sentence, without a stack trace. */
final class Failure {
  private Failure() {}

  static String sentence(Throwable e) {
    if (e instanceof UnreadableException u) {
      return u.getMessage()
          + (u.line() > 0 ? " (line " + u.line() + ", column " + u.column() + ")" : "");
    }
    if (e instanceof NoSuchFileException n) {
      return "There is no file " + n.getFile() + ".";
    }
    if (e instanceof AccessDeniedException a) {
      return "The file " + a.getFile() + " may not be read or written.";
    }
    if (e instanceof OutOfMemoryError) {
      return "The file needs more memory than Yentra may use.";
    }
    if (e instanceof StackOverflowError) {
      return "The file nests its objects too deeply.";
    }
    return e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
  }
}
