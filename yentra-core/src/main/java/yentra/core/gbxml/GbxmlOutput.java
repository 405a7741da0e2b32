package yentra.core.gbxml;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Extras;

/**
 * The text of a document: indented elements with what the delivery said of them, numbers that read
 * back the same.
 */
final class GbxmlOutput {
  private final Writer out;
  private final Delivered frame;
  private final StringBuilder b = new StringBuilder(1 << 16);
  private final Deque<Extras> within = new ArrayDeque<>();
  private final Deque<Element> open = new ArrayDeque<>();
  private int depth;
  private int nested;

  /** An element that is being written, with where its children begin. */
  private static final class Element {
    final GbxmlRules.Rule rule;
    final List<String> children = new ArrayList<>();
    final List<Integer> starts = new ArrayList<>();
    final int nested;

    Element(String name, int nested) {
      this.rule = GbxmlRules.STANDARD.of(name);
      this.nested = nested;
    }
  }

  /**
   * @param frame the units that lengths, areas and volumes are written in
   */
  GbxmlOutput(Delivered frame, OutputStream out) {
    this.frame = frame;
    this.out = new OutputStreamWriter(out, StandardCharsets.UTF_8);
  }

  Delivered frame() {
    return frame;
  }

  /** What is written before stays where it is, whatever else the open elements get. */
  void flush() throws IOException {
    out.append(b);
    b.setLength(0);
    open.forEach(
        e -> {
          e.children.clear();
          e.starts.clear();
        });
  }

  /** Writes all that is left. */
  void end() throws IOException {
    flush();
    out.flush();
  }

  GbxmlOutput append(String s) {
    b.append(s);
    return this;
  }

  /** Into, or out of, an element written as a line: what is in it is no child of the open one. */
  void deeper(int by) {
    depth += by;
    nested += by;
  }

  void quantity(String element, Double value, String unit) {
    if (value != null) {
      line(
          "<"
              + element
              + " unit=\""
              + unit
              + '"'
              + kept(element)
              + '>'
              + number(value)
              + "</"
              + element
              + '>');
    }
  }

  void open(String element, String id, Map<String, String> attributes, Extras extras) {
    begins(element);
    indent();
    b.append('<').append(element);
    if (id != null) {
      attribute("id", id);
    }
    attributes.forEach(this::attribute);
    attributes(extras);
    b.append(">\n");
    within.push(extras);
    open.push(new Element(element, nested));
    depth++;
  }

  void close(String element, Extras extras) {
    fragments(extras);
    within.pop();
    order(open.pop());
    depth--;
    indent();
    b.append("</").append(element).append(">\n");
  }

  /**
   * Carried along children of an element that is flushed while it is open, as far as they stand
   * before a child that comes next.
   *
   * @return what is left of them
   */
  Extras leading(String element, Extras extras, String next) {
    GbxmlRules.Rule rule = GbxmlRules.STANDARD.of(element);
    List<String> before = new ArrayList<>();
    List<String> left = new ArrayList<>();
    for (String f : extras.fragments()) {
      String name = nameOf(f, "");
      (!name.isEmpty() && rule.rank(name) < rule.rank(next) ? before : left).add(f);
    }
    before.sort(Comparator.comparingInt(f -> rule.rank(nameOf(f, ""))));
    before.forEach(this::line);
    return new Extras(extras.attributes(), left, extras.children());
  }

  /** A child of the open element begins here. */
  private void begins(String child) {
    Element e = open.peek();
    if (e != null && e.rule != null && e.rule.ordered()) {
      e.children.add(child);
      e.starts.add(b.length());
    }
  }

  /** The name of the element that a text is; that of the one before for a comment. */
  private static String nameOf(String xml, String before) {
    if (xml.length() < 2 || xml.charAt(0) != '<' || !Character.isLetter(xml.charAt(1))) {
      return before;
    }
    int i = 1;
    while (i < xml.length() && (Character.isLetterOrDigit(xml.charAt(i)) || xml.charAt(i) == '-')) {
      i++;
    }
    return xml.substring(1, i);
  }

  /** Puts the children of an element into the order of the schema; equal ones stay as they are. */
  private void order(Element e) {
    int n = e.starts.size();
    boolean sorted = true;
    for (int i = 1; i < n && sorted; i++) {
      sorted = e.rule.rank(e.children.get(i - 1)) <= e.rule.rank(e.children.get(i));
    }
    if (sorted) {
      return;
    }
    List<Integer> at = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      at.add(i);
    }
    at.sort(Comparator.comparingInt(i -> e.rule.rank(e.children.get(i))));
    StringBuilder all = new StringBuilder();
    for (int i : at) {
      all.append(b, e.starts.get(i), i + 1 < n ? e.starts.get(i + 1) : b.length());
    }
    b.setLength(e.starts.get(0));
    b.append(all);
  }

  void attributes(Extras extras) {
    extras.attributes().forEach(a -> XmlText.attribute(b, a));
  }

  void fragments(Extras extras) {
    extras.fragments().forEach(this::line);
  }

  void attribute(String name, String value) {
    b.append(' ').append(name).append("=\"").append(XmlText.escapeAttribute(value)).append('"');
  }

  static void put(Map<String, String> map, String name, String value) {
    if (value != null && !value.isEmpty()) {
      map.put(name, value);
    }
  }

  void name(String name) {
    if (!name.isEmpty()) {
      text("Name", XmlText.escape(name));
    }
  }

  void text(String element, String content) {
    line("<" + element + kept(element) + ">" + content + "</" + element + ">");
  }

  /** The delivery's own attributes of a child of the element that is being written. */
  String kept(String child) {
    Extras x = within.peek();
    if (x == null || x.children().isEmpty()) {
      return "";
    }
    StringBuilder out = new StringBuilder();
    x.of(child).forEach(a -> XmlText.attribute(out, a));
    return out.toString();
  }

  void line(String s) {
    Element e = open.peek();
    if (e != null && nested == e.nested) {
      begins(nameOf(s, e.children.isEmpty() ? "" : e.children.get(e.children.size() - 1)));
    }
    indent();
    b.append(s).append('\n');
  }

  void indent() {
    for (int i = 0; i < depth; i++) {
      b.append(' ');
    }
  }

  String length(double metres) {
    return Decimal.of(metres, frame.length().metres());
  }

  static String number(double d) {
    return Decimal.of(d);
  }
}
