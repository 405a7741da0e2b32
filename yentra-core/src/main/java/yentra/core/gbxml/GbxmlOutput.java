package yentra.core.gbxml;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
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
  private int depth;

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

  void flush() throws IOException {
    out.append(b);
    b.setLength(0);
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

  void deeper(int by) {
    depth += by;
  }

  /** What the delivery said of the children of an element counts until it is left. */
  void enter(Extras extras) {
    within.push(extras);
  }

  void leave() {
    within.pop();
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
    indent();
    b.append('<').append(element);
    if (id != null) {
      attribute("id", id);
    }
    attributes.forEach(this::attribute);
    attributes(extras);
    b.append(">\n");
    within.push(extras);
    depth++;
  }

  void close(String element, Extras extras) {
    fragments(extras);
    within.pop();
    depth--;
    line("</" + element + ">");
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
