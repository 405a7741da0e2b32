package yentra.server.web;

import java.util.List;

/** Writes a page in XHTML: everything that comes from outside is text and nothing else. */
public final class Markup {
  private final StringBuilder out = new StringBuilder(1 << 14);

  /** Text as it stands in a page; what no XML can hold is left out. */
  public static String text(String s) {
    if (s == null) {
      return "";
    }
    StringBuilder b = new StringBuilder(s.length() + 16);
    s.codePoints()
        .filter(
            c ->
                c >= 0x20 && c != 0xFFFE && c != 0xFFFF && !(c >= 0xD800 && c < 0xE000)
                    || c == '\n'
                    || c == '\t')
        .forEach(
            c -> {
              switch (c) {
                case '&' -> b.append("&amp;");
                case '<' -> b.append("&lt;");
                case '>' -> b.append("&gt;");
                case '"' -> b.append("&quot;");
                default -> b.appendCodePoint(c);
              }
            });
    return b.toString();
  }

  /** Markup of our own. */
  public Markup raw(String s) {
    out.append(s);
    return this;
  }

  /** A paragraph. */
  public Markup p(String s) {
    return element("p", "", s);
  }

  /** A paragraph of a class. */
  public Markup p(String css, String s) {
    return element("p", css, s);
  }

  public Markup h3(String s) {
    return element("h3", "", s);
  }

  private Markup element(String name, String css, String s) {
    out.append('<').append(name);
    if (!css.isEmpty()) {
      out.append(" class=\"").append(css).append('"');
    }
    out.append('>').append(text(s)).append("</").append(name).append(">\n");
    return this;
  }

  /** A paragraph for each that is set apart by an empty line; single breaks stay. */
  public Markup paragraphs(String s) {
    for (String part : s.strip().split("\\R{2,}")) {
      if (!part.isBlank()) {
        out.append("<p>").append(text(part).replaceAll("\\R", "<br/>")).append("</p>\n");
      }
    }
    return this;
  }

  /** A list of sentences; nothing for none. */
  public Markup list(List<String> lines) {
    if (!lines.isEmpty()) {
      out.append("<ul>");
      lines.forEach(l -> out.append("<li>").append(text(l)).append("</li>"));
      out.append("</ul>\n");
    }
    return this;
  }

  /** Facts: what, and how much. */
  public Markup facts(List<List<String>> rows) {
    return table(List.of(), rows, 1);
  }

  /**
   * A table.
   *
   * @param head of columns; empty for none
   * @param figures the first column that holds figures, which stand at the right
   */
  public Markup table(List<String> head, List<List<String>> rows, int figures) {
    out.append(head.isEmpty() ? "<table class=\"facts\">" : "<table>");
    if (!head.isEmpty()) {
      out.append("<thead><tr>");
      for (int i = 0; i < head.size(); i++) {
        out.append(i < figures ? "<th scope=\"col\">" : "<th scope=\"col\" class=\"n\">")
            .append(text(head.get(i)))
            .append("</th>");
      }
      out.append("</tr></thead>");
    }
    out.append("<tbody>");
    for (List<String> row : rows) {
      out.append("<tr>");
      for (int i = 0; i < row.size(); i++) {
        out.append(i < figures ? "<td>" : "<td class=\"n\">")
            .append(text(row.get(i)))
            .append("</td>");
      }
      out.append("</tr>");
    }
    out.append("</tbody></table>\n");
    return this;
  }

  /** A picture with what it shows. */
  public Markup figure(String inner, String caption) {
    out.append("<div class=\"figure\">").append(inner);
    if (!caption.isBlank()) {
      out.append("<p class=\"caption\">").append(text(caption)).append("</p>");
    }
    out.append("</div>\n");
    return this;
  }

  @Override
  public String toString() {
    return out.toString();
  }
}
