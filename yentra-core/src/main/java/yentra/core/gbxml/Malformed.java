package yentra.core.gbxml;

import java.io.CharConversionException;
import java.util.Locale;
import javax.xml.stream.Location;
import javax.xml.stream.XMLStreamException;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;

/** Turns what the XML parser says into a sentence for a person. */
final class Malformed {
  private Malformed() {}

  static UnreadableException describe(XMLStreamException e, Location fallback, ReadLimits limits) {
    Location l = e.getLocation() != null ? e.getLocation() : fallback;
    int line = l == null ? 1 : Math.max(1, l.getLineNumber());
    int column = l == null ? 1 : Math.max(1, l.getColumnNumber());
    return new UnreadableException(sentence(e, limits), line, column);
  }

  private static String sentence(XMLStreamException e, ReadLimits limits) {
    String m = e.getMessage() == null ? "" : e.getMessage();
    String low = m.toLowerCase(Locale.ROOT);
    for (Throwable t = e; t != null; t = t.getCause()) {
      if (t instanceof CharConversionException) {
        return "The file is not in the encoding it declares: a byte here is no character in it. Save it in the encoding named in"
            + " its first line.";
      }
    }
    if (low.contains("maximum element depth")) {
      return "Elements are nested deeper than "
          + limits.depth()
          + " levels here, which no gbXML file needs.";
    }
    if (low.contains("maximum attribute size")) {
      return "An attribute here is longer than 500,000 characters.";
    }
    if (low.contains("unexpected eof")
        || low.contains("unexpected end-of-input")
        || low.contains("end-of-input")
        || low.contains("end of input")) {
      return "The file ends here in the middle of an element: it was cut off. Transfer or export it again.";
    }
    if (low.contains("invalid utf-8") || low.contains("invalid byte")) {
      return "The file is not in the encoding it declares: a byte here is no character in it. Save it in the encoding named in its"
          + " first line.";
    }
    String first = m.lines().findFirst().orElse("the text is not well-formed XML");
    first = first.length() > 200 ? first.substring(0, 200) + "…" : first;
    return "The file is not well-formed XML here: " + first + ".";
  }
}
