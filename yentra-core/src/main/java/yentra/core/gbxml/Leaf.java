package yentra.core.gbxml;

import java.util.List;
import yentra.core.envelope.Extras;

/** An element that holds text only, with its attributes and its place in the file. */
record Leaf(String name, List<Extras.Attribute> attributes, String text, int line, int column) {
  /** The value of the attribute without namespace, or null. */
  String attribute(String attribute) {
    for (Extras.Attribute a : attributes) {
      if (a.prefix().isEmpty() && a.name().equals(attribute)) {
        return a.value();
      }
    }
    return null;
  }

  /** The element as XML text, to keep what could not be understood. */
  String xml() {
    StringBuilder b = new StringBuilder("<").append(name);
    for (Extras.Attribute a : attributes) {
      XmlText.attribute(b, a);
    }
    return b.append('>')
        .append(XmlText.escape(text))
        .append("</")
        .append(name)
        .append('>')
        .toString();
  }
}
