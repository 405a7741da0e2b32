package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
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

  /** A name as part of an XML id: letters without accents, digits, hyphens. */
  static String slug(String s) {
    String ascii =
        java.text.Normalizer.normalize(s, java.text.Normalizer.Form.NFD).replaceAll("\\p{M}", "");
    String out = ascii.replaceAll("[^A-Za-z0-9]+", "-").replaceAll("^-|-$", "");
    return out.isEmpty() ? "unnamed" : out.length() > 40 ? out.substring(0, 40) : out;
  }

  /** The name, with a number behind it where it is taken. */
  static String free(String base, Set<String> taken) {
    String key = base;
    for (int i = 2; taken.contains(key); i++) {
      key = base + "-" + i;
    }
    return key;
  }
}
