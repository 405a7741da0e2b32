package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.model.Body;

/** Names and words made from what an IFC file holds. */
final class IfcNames {
  private IfcNames() {}

  /** How a body was simplified, with the chord error in millimetres. */
  static String simplified(Body body) {
    List<String> parts = new ArrayList<>();
    if (body.chordError() > 0) {
      parts.add(
          String.format(
              Locale.ROOT,
              "curved faces became flat ones, at most %.1f mm from the curve",
              body.chordError() * 1000));
    }
    parts.addAll(body.approximations());
    return String.join("; ", parts);
  }

  /** A GlobalId made fit for an XML id: {@code $} is no name character. */
  static String xmlId(String globalId) {
    StringBuilder b = new StringBuilder();
    for (char c : globalId.toCharArray()) {
      b.append(
          c == '$'
              ? '.'
              : c < 128 && (Character.isLetterOrDigit(c) || c == '_' || c == '-' || c == '.')
                  ? c
                  : '_');
    }
    return b.toString();
  }
}
