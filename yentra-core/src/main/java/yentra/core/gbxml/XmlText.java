package yentra.core.gbxml;

import yentra.core.envelope.Extras;

/**
 * Escaping of text and attribute values in XML. Characters that XML 1.0 has no place for (section
 * 2.2) become the replacement character; FMT-108 has said so.
 */
final class XmlText {
  private XmlText() {}

  static String escape(String s) {
    StringBuilder b = new StringBuilder(s.length() + 8);
    for (int i = 0; i < s.length(); i++) {
      char c = s.charAt(i);
      switch (c) {
        case '&' -> b.append("&amp;");
        case '<' -> b.append("&lt;");
        case '>' -> b.append("&gt;");
        case '\r' -> b.append("&#13;");
        default -> b.append(isCharacter(s, i) ? c : REPLACEMENT);
      }
    }
    return b.toString();
  }

  private static final char REPLACEMENT = '\uFFFD';

  /** Whether XML can hold the text. */
  static boolean holds(String s) {
    for (int i = 0; i < s.length(); i++) {
      if (!isCharacter(s, i)) {
        return false;
      }
    }
    return true;
  }

  private static boolean isCharacter(String s, int i) {
    char c = s.charAt(i);
    if (Character.isHighSurrogate(c)) {
      return i + 1 < s.length() && Character.isLowSurrogate(s.charAt(i + 1));
    }
    if (Character.isLowSurrogate(c)) {
      return i > 0 && Character.isHighSurrogate(s.charAt(i - 1));
    }
    return c >= ' ' && c < '\uFFFE' || c == '\t' || c == '\n' || c == '\r';
  }

  static String escapeAttribute(String s) {
    return escape(s).replace("\"", "&quot;").replace("\n", "&#10;").replace("\t", "&#9;");
  }

  /**
   * Appends {@code name="value"}, with its namespace declared when it has a prefix other than
   * xml's.
   */
  static void attribute(StringBuilder b, Extras.Attribute a) {
    if (!a.prefix().isEmpty() && !a.prefix().equals("xml")) {
      b.append(" xmlns:")
          .append(a.prefix())
          .append("=\"")
          .append(escapeAttribute(a.namespace()))
          .append('"');
    }
    b.append(' ').append(a.prefix().isEmpty() ? "" : a.prefix() + ":").append(a.name());
    b.append("=\"").append(escapeAttribute(a.value())).append('"');
  }
}
