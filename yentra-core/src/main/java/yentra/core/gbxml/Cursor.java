package yentra.core.gbxml;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.stax.WstxInputFactory;
import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javax.xml.stream.Location;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import yentra.core.envelope.Extras;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;

/**
 * Walks a gbXML document element by element. Everything it is not asked for is kept as text for the
 * {@link Extras} of the element it stands in; ids and references are noted wherever they stand.
 * Document type declarations are refused, so neither external nor nested entities are ever looked
 * at.
 */
final class Cursor implements AutoCloseable {
  private final XMLStreamReader in;
  private final ReadLimits limits;
  private final References references;
  private final Deque<String> owners = new ArrayDeque<>();
  private String namespace;

  Cursor(InputStream stream, ReadLimits limits, References references) throws UnreadableException {
    WstxInputFactory factory = new WstxInputFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, true);
    // else faults in text would come as unchecked exceptions, from whichever call first looks at it
    factory.getConfig().doParseLazily(false);
    factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_DEPTH, limits.depth());
    factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTE_SIZE, 500_000);
    factory.setProperty(WstxInputProperties.P_MAX_TEXT_LENGTH, 50_000_000);
    this.limits = limits;
    this.references = references;
    try {
      in = factory.createXMLStreamReader(stream);
    } catch (XMLStreamException e) {
      throw malformed(e);
    }
  }

  /**
   * Goes to the root element, which must be {@code gbXML}.
   *
   * @return comments and processing instructions before it
   */
  List<String> root() throws UnreadableException {
    List<String> prologue = new ArrayList<>();
    try {
      while (true) {
        switch (in.next()) {
          case XMLStreamConstants.DTD -> throw doctype();
          case XMLStreamConstants.COMMENT, XMLStreamConstants.PROCESSING_INSTRUCTION ->
              prologue.add(aside());
          case XMLStreamConstants.START_ELEMENT -> {
            if (!in.getLocalName().equals("gbXML")) {
              throw notGbxml(in.getLocalName());
            }
            namespace = in.getNamespaceURI() == null ? "" : in.getNamespaceURI();
            enter();
            return prologue;
          }
          default -> {}
        }
      }
    } catch (XMLStreamException e) {
      throw malformed(e);
    }
  }

  private UnreadableException doctype() {
    Location l = in.getLocation();
    String root =
        in instanceof org.codehaus.stax2.XMLStreamReader2 r && r.getText() != null
            ? r.getText()
            : "";
    boolean html = false;
    if (in instanceof org.codehaus.stax2.XMLStreamReader2 r) {
      try {
        html = "html".equalsIgnoreCase(r.getDTDInfo().getDTDRootName());
      } catch (XMLStreamException e) {
        html = root.contains("html");
      }
    }
    return new UnreadableException(
        html
            ? "This is an HTML page, not gbXML: probably a sign-in or error page was saved in place of the model. Download the"
                + " model again."
            : "The file has a document type declaration, which gbXML does not need and which is refused because it can pull in"
                + " other files. Remove the line that begins with <!DOCTYPE.",
        l.getLineNumber(),
        l.getColumnNumber());
  }

  private UnreadableException notGbxml(String root) {
    Location l = in.getLocation();
    String what =
        root.equalsIgnoreCase("html")
            ? "an HTML page"
            : "an XML file whose root element is <" + shorten(root) + ">";
    return new UnreadableException(
        "This is " + what + ", not gbXML: the root element <gbXML> was expected.",
        l.getLineNumber(),
        l.getColumnNumber());
  }

  /**
   * Goes to the next child element, as {@link #child(Kept)} does, but keeps those that count once
   * and were there before.
   *
   * @param once names of the elements that count once
   * @param seen those met so far; added to
   */
  String child(Kept kept, Set<String> once, Set<String> seen) throws UnreadableException {
    String c = child(kept);
    while (c != null && once.contains(c) && !seen.add(c)) {
      references.repeated(owner(), c, line(), column());
      kept.fragment(fragment());
      c = child(kept);
    }
    return c;
  }

  /**
   * Goes to the next child element in gbXML's namespace. Comments, processing instructions and
   * elements of other namespaces on the way are kept.
   *
   * @return its local name, or null at the end of the parent
   */
  String child(Kept kept) throws UnreadableException {
    try {
      while (true) {
        switch (in.next()) {
          case XMLStreamConstants.START_ELEMENT -> {
            String uri = in.getNamespaceURI() == null ? "" : in.getNamespaceURI();
            if (uri.equals(namespace)) {
              enter();
              return in.getLocalName();
            }
            enter();
            kept.fragment(fragment());
          }
          case XMLStreamConstants.END_ELEMENT -> {
            owners.pop();
            return null;
          }
          case XMLStreamConstants.COMMENT, XMLStreamConstants.PROCESSING_INSTRUCTION ->
              kept.fragment(aside());
          case XMLStreamConstants.DTD -> throw doctype();
          case XMLStreamConstants.ENTITY_REFERENCE -> throw entity();
          case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
            if (!in.isWhiteSpace()) {
              kept.fragment(XmlText.escape(in.getText().strip()));
            }
          }
          default -> {}
        }
      }
    } catch (XMLStreamException e) {
      throw malformed(e);
    }
  }

  private UnreadableException entity() {
    Location l = in.getLocation();
    return new UnreadableException(
        "The file uses the entity &" + shorten(in.getLocalName()) + "; which is not defined.",
        l.getLineNumber(),
        l.getColumnNumber());
  }

  private void enter() {
    String id = in.getAttributeValue(null, "id");
    String owner = id == null || id.isBlank() ? owners.isEmpty() ? "" : owners.peek() : id;
    owners.push(owner);
    Location l = in.getLocation();
    if (id != null && !id.isBlank()) {
      references.defined(in.getLocalName(), id, l.getLineNumber(), l.getColumnNumber());
    }
    for (int i = 0; i < in.getAttributeCount(); i++) {
      String name = in.getAttributeLocalName(i);
      if (name.endsWith("IdRef")) {
        references.used(
            owner, name, in.getAttributeValue(i), l.getLineNumber(), l.getColumnNumber());
      }
    }
  }

  /** The attributes of the element just entered. */
  List<Extras.Attribute> attributes() {
    List<Extras.Attribute> out = new ArrayList<>(in.getAttributeCount());
    for (int i = 0; i < in.getAttributeCount(); i++) {
      String prefix = in.getAttributePrefix(i);
      String uri = in.getAttributeNamespace(i);
      out.add(
          new Extras.Attribute(
              prefix == null ? "" : prefix,
              uri == null ? "" : uri,
              in.getAttributeLocalName(i),
              in.getAttributeValue(i)));
    }
    return out;
  }

  int attributeCount() {
    return in.getAttributeCount();
  }

  String attribute(String name) {
    return in.getAttributeValue(null, name);
  }

  /** Characters read so far. */
  long offset() {
    return in.getLocation().getCharacterOffset() & 0xFFFFFFFFL;
  }

  String owner() {
    return owners.isEmpty() ? "" : owners.peek();
  }

  int line() {
    return in.getLocation().getLineNumber();
  }

  int column() {
    return in.getLocation().getColumnNumber();
  }

  /** Reads the element just entered as text; elements inside are kept as text in {@code kept}. */
  Leaf leaf(Kept kept) throws UnreadableException {
    String name = in.getLocalName();
    List<Extras.Attribute> attributes = attributes();
    int line = line();
    int column = column();
    StringBuilder text = new StringBuilder();
    try {
      while (true) {
        switch (in.next()) {
          case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> text.append(in.getText());
          case XMLStreamConstants.START_ELEMENT -> {
            enter();
            kept.fragment(fragment());
          }
          case XMLStreamConstants.COMMENT, XMLStreamConstants.PROCESSING_INSTRUCTION ->
              kept.fragment(aside());
          case XMLStreamConstants.ENTITY_REFERENCE -> throw entity();
          case XMLStreamConstants.END_ELEMENT -> {
            owners.pop();
            return new Leaf(name, attributes, text.toString().strip(), line, column);
          }
          default -> {}
        }
      }
    } catch (XMLStreamException e) {
      throw malformed(e);
    }
  }

  /** Reads the element just entered, with all it holds, as XML text. */
  String fragment() throws UnreadableException {
    StringBuilder b = new StringBuilder();
    Deque<Set<String>> declared = new ArrayDeque<>();
    Deque<String> names = new ArrayDeque<>();
    try {
      start(b, declared, names);
      while (!names.isEmpty()) {
        switch (in.next()) {
          case XMLStreamConstants.START_ELEMENT -> {
            enter();
            start(b, declared, names);
          }
          case XMLStreamConstants.END_ELEMENT -> {
            owners.pop();
            declared.pop();
            b.append("</").append(names.pop()).append('>');
          }
          case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA, XMLStreamConstants.SPACE ->
              b.append(XmlText.escape(in.getText()));
          case XMLStreamConstants.COMMENT, XMLStreamConstants.PROCESSING_INSTRUCTION ->
              b.append(aside());
          case XMLStreamConstants.ENTITY_REFERENCE -> throw entity();
          default -> {}
        }
      }
    } catch (XMLStreamException e) {
      throw malformed(e);
    }
    return b.toString();
  }

  /**
   * Every prefix that is used and not declared further out in the fragment is declared here, so
   * that it stands alone.
   */
  private void start(StringBuilder b, Deque<Set<String>> declared, Deque<String> names) {
    Set<String> known = new HashSet<>(declared.isEmpty() ? Set.of() : declared.peek());
    String uri = in.getNamespaceURI() == null ? "" : in.getNamespaceURI();
    boolean gbxml = uri.equals(namespace);
    String prefix = gbxml || in.getPrefix() == null ? "" : in.getPrefix();
    String name = prefix.isEmpty() ? in.getLocalName() : prefix + ":" + in.getLocalName();
    b.append('<').append(name);
    if (!gbxml && known.add(prefix + "=" + uri)) {
      b.append(prefix.isEmpty() ? " xmlns=\"" : " xmlns:" + prefix + "=\"")
          .append(XmlText.escapeAttribute(uri))
          .append('"');
      if (prefix.isEmpty()) {
        known.remove("=" + namespace);
      }
    } else if (gbxml
        && known.stream().anyMatch(k -> k.startsWith("=") && !k.equals("=" + namespace))) {
      b.append(" xmlns=\"").append(XmlText.escapeAttribute(namespace)).append('"');
      known.removeIf(k -> k.startsWith("="));
    }
    for (Extras.Attribute a : attributes()) {
      if (a.prefix().isEmpty() || known.contains(a.prefix() + "=" + a.namespace())) {
        b.append(' ').append(a.prefix().isEmpty() ? "" : a.prefix() + ":").append(a.name());
        b.append("=\"").append(XmlText.escapeAttribute(a.value())).append('"');
      } else {
        XmlText.attribute(b, a);
      }
    }
    b.append('>');
    declared.push(known);
    names.push(name);
  }

  private String aside() {
    if (in.getEventType() == XMLStreamConstants.COMMENT) {
      return "<!--" + in.getText() + "-->";
    }
    String data = in.getPIData();
    return "<?" + in.getPITarget() + (data == null || data.isEmpty() ? "" : " " + data) + "?>";
  }

  private UnreadableException malformed(XMLStreamException e) {
    return Malformed.describe(e, in == null ? null : in.getLocation(), limits);
  }

  private static String shorten(String s) {
    return s.length() > 60 ? s.substring(0, 60) + "…" : s;
  }

  @Override
  public void close() throws UnreadableException {
    try {
      in.close();
    } catch (XMLStreamException e) {
      throw malformed(e);
    }
  }
}
