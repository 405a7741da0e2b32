package yentra.core.scope;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.stax.WstxInputFactory;
import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import yentra.core.scope.Condition.Subject;
import yentra.core.scope.Requirement.Need;
import yentra.core.scope.ScopeSheet.Gravity;

/**
 * Reads an IDS 1.0 file as a scope sheet. Its specifications become requirements; it leaves nothing
 * out, since IDS says what must hold, not what is wanted.
 *
 * <p>Source: buildingSMART International, Information Delivery Specification 1.0 (facets entity,
 * attribute, property, classification, material, part of; restrictions of XML Schema).
 */
public final class IdsReader {
  private static final int MOST_NODES = 200_000;
  private static final String SHEET = "IDS";
  private final List<Requirement> requirements = new ArrayList<>();

  private IdsReader() {}

  /** An element of the file. */
  private record Node(
      String name,
      Map<String, String> attributes,
      List<Node> children,
      StringBuilder text,
      int line) {
    Optional<Node> child(String named) {
      return children.stream().filter(c -> c.name.equals(named)).findFirst();
    }

    String attribute(String named, String otherwise) {
      return attributes.getOrDefault(named, otherwise);
    }

    String words(String named) {
      return child(named).map(c -> c.text.toString().strip()).orElse("");
    }
  }

  /** Whether the bytes look like an IDS file: XML whose root is {@code ids}. */
  public static boolean looksLike(byte[] bytes) {
    String head =
        new String(
            bytes, 0, Math.min(bytes.length, 4096), java.nio.charset.StandardCharsets.ISO_8859_1);
    return head.contains("<ids") || head.contains(":ids");
  }

  /**
   * Reads the file.
   *
   * @throws ScopeSheetException when it is not well-formed, no IDS, or holds what cannot be
   *     understood, with the line
   */
  public static ScopeSheet read(byte[] bytes) throws ScopeSheetException {
    return new IdsReader().sheet(tree(bytes));
  }

  private static Node tree(byte[] bytes) throws ScopeSheetException {
    WstxInputFactory factory = new WstxInputFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, true);
    factory.getConfig().doParseLazily(false);
    factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_DEPTH, 50);
    factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTE_SIZE, 100_000);
    try {
      XMLStreamReader in = factory.createXMLStreamReader(new ByteArrayInputStream(bytes));
      Deque<Node> open = new ArrayDeque<>();
      Node root = null;
      int count = 0;
      while (in.hasNext()) {
        switch (in.next()) {
          case XMLStreamConstants.DTD ->
              throw fault(
                  in.getLocation().getLineNumber(), "A document type declaration is not allowed.");
          case XMLStreamConstants.START_ELEMENT -> {
            if (++count > MOST_NODES) {
              throw fault(
                  in.getLocation().getLineNumber(),
                  "The file has more than " + MOST_NODES + " elements.");
            }
            Map<String, String> attributes = new HashMap<>();
            for (int i = 0; i < in.getAttributeCount(); i++) {
              attributes.put(in.getAttributeLocalName(i), in.getAttributeValue(i));
            }
            Node n =
                new Node(
                    in.getLocalName(),
                    attributes,
                    new ArrayList<>(),
                    new StringBuilder(),
                    in.getLocation().getLineNumber());
            if (open.isEmpty()) {
              root = n;
            } else {
              open.peek().children.add(n);
            }
            open.push(n);
          }
          case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
            if (!open.isEmpty()) {
              open.peek().text.append(in.getText());
            }
          }
          case XMLStreamConstants.END_ELEMENT -> open.pop();
          default -> {}
        }
      }
      return root;
    } catch (XMLStreamException e) {
      int line = e.getLocation() == null ? 1 : Math.max(1, e.getLocation().getLineNumber());
      throw fault(line, "The file is not well-formed XML.");
    }
  }

  private static ScopeSheetException fault(int line, String message) {
    return new ScopeSheetException(SHEET, 0, "", "line " + line + ": " + message);
  }

  private ScopeSheet sheet(Node root) throws ScopeSheetException {
    if (root == null || !root.name.equals("ids")) {
      throw fault(
          1,
          "The root element is "
              + (root == null ? "missing" : root.name)
              + "; an IDS file begins with ids.");
    }
    Node info = root.child("info").orElse(root);
    Node all =
        root.child("specifications")
            .orElseThrow(() -> fault(root.line, "The file has no specifications."));
    for (Node s : all.children) {
      if (s.name.equals("specification")) {
        specification(s);
      }
    }
    return new ScopeSheet(
        info.words("title").isEmpty() ? "IDS" : info.words("title"),
        info.words("purpose").isEmpty() ? info.words("description") : info.words("purpose"),
        true,
        true,
        List.of(),
        requirements);
  }

  private void specification(Node s) throws ScopeSheetException {
    String title = s.attribute("name", "");
    String schemas = s.attribute("ifcVersion", "");
    String note = s.attribute("description", s.attribute("instructions", ""));
    Node applicability =
        s.child("applicability")
            .orElseThrow(
                () ->
                    fault(s.line, "The specification " + title + " says not what it applies to."));
    Selection selection = selection(applicability);
    String most = applicability.attribute("maxOccurs", "unbounded");
    String least = applicability.attribute("minOccurs", "0");
    if (most.equals("0")) {
      add(title, selection, null, Need.ABSENT, note, schemas);
      return;
    }
    if (!least.equals("0")) {
      add(title, selection, null, Need.EXISTS, note, schemas);
    }
    for (Node facet : s.child("requirements").map(Node::children).orElse(List.of())) {
      Condition what = condition(facet);
      Need need =
          switch (facet.attribute("cardinality", "required")) {
            case "required" -> Need.REQUIRED;
            case "optional" -> Need.OPTIONAL;
            case "prohibited" -> Need.PROHIBITED;
            default ->
                throw fault(
                    facet.line,
                    "The cardinality "
                        + facet.attribute("cardinality", "")
                        + " is unknown: required, optional or prohibited.");
          };
      String hint = facet.attribute("instructions", "");
      add(title, selection, what, need, hint.isEmpty() ? note : hint, schemas);
    }
  }

  private void add(
      String title, Selection selection, Condition what, Need need, String note, String schemas) {
    requirements.add(
        new Requirement(
            requirements.size() + 1, title, selection, what, need, Gravity.WARNING, note, schemas));
  }

  private static Selection selection(Node applicability) throws ScopeSheetException {
    ValueTest classes = null;
    List<Condition> conditions = new ArrayList<>();
    for (Node facet : applicability.children) {
      if (facet.name.equals("entity") && classes == null) {
        classes = required(facet, "name");
        ValueTest predefined = value(facet, "predefinedType");
        if (predefined != null) {
          conditions.add(Condition.of(Subject.PREDEFINED_TYPE, predefined));
        }
      } else {
        conditions.add(condition(facet));
      }
    }
    return new Selection(classes, false, conditions);
  }

  private static Condition condition(Node facet) throws ScopeSheetException {
    return switch (facet.name) {
      case "entity" ->
          new Condition(
              Subject.CLASS, null, value(facet, "predefinedType"), required(facet, "name"), "", "");
      case "attribute" ->
          new Condition(
              Subject.ATTRIBUTE,
              null,
              required(facet, "name"),
              or(value(facet, "value"), ValueTest.PRESENT),
              "",
              "");
      case "property" ->
          new Condition(
              Subject.PROPERTY,
              required(facet, "propertySet"),
              required(facet, "baseName"),
              or(value(facet, "value"), ValueTest.PRESENT),
              facet.attribute("dataType", "").toUpperCase(Locale.ROOT),
              "");
      case "material" ->
          Condition.of(Subject.MATERIAL, or(value(facet, "value"), ValueTest.PRESENT));
      case "classification" ->
          new Condition(
              Subject.CLASSIFICATION,
              value(facet, "system"),
              null,
              or(value(facet, "value"), ValueTest.PRESENT),
              "",
              "");
      case "partOf" -> partOf(facet);
      default ->
          throw fault(
              facet.line,
              "The facet "
                  + facet.name
                  + " is unknown: entity, attribute, property, classification, material or partOf.");
    };
  }

  private static Condition partOf(Node facet) throws ScopeSheetException {
    Node entity =
        facet
            .child("entity")
            .orElseThrow(() -> fault(facet.line, "partOf needs the entity of the whole."));
    String relation = facet.attribute("relation", "");
    return new Condition(
        Subject.PART_OF,
        relation.isEmpty() ? null : ValueTest.exactly(relation),
        value(entity, "predefinedType"),
        required(entity, "name"),
        "",
        "");
  }

  private static ValueTest or(ValueTest test, ValueTest otherwise) {
    return test == null ? otherwise : test;
  }

  private static ValueTest required(Node facet, String name) throws ScopeSheetException {
    ValueTest t = value(facet, name);
    if (t == null) {
      throw fault(facet.line, "The facet " + facet.name + " needs " + name + ".");
    }
    return t;
  }

  /** simpleValue or restriction; null when the parameter is not there. */
  private static ValueTest value(Node facet, String name) throws ScopeSheetException {
    Node n = facet.child(name).orElse(null);
    if (n == null) {
      return null;
    }
    Node simple = n.child("simpleValue").orElse(null);
    if (simple != null) {
      return ValueTest.exactly(simple.text.toString().strip());
    }
    Node restriction =
        n.child("restriction")
            .orElseThrow(() -> fault(n.line, name + " needs simpleValue or xs:restriction."));
    return restriction(restriction);
  }

  private static ValueTest restriction(Node r) throws ScopeSheetException {
    List<String> listed = new ArrayList<>();
    List<String> patterns = new ArrayList<>();
    Double least = null;
    Double most = null;
    boolean leastIn = false;
    boolean mostIn = false;
    int shortest = -1;
    int longest = -1;
    for (Node c : r.children) {
      String v = c.attribute("value", "");
      switch (c.name) {
        case "enumeration" -> listed.add(v);
        case "pattern" -> patterns.add(pattern(v, c.line));
        case "minInclusive", "minExclusive" -> {
          least = number(v, c.line);
          leastIn = c.name.equals("minInclusive");
        }
        case "maxInclusive", "maxExclusive" -> {
          most = number(v, c.line);
          mostIn = c.name.equals("maxInclusive");
        }
        case "length" -> {
          shortest = (int) number(v, c.line);
          longest = shortest;
        }
        case "minLength" -> shortest = (int) number(v, c.line);
        case "maxLength" -> longest = (int) number(v, c.line);
        case "annotation", "whiteSpace" -> {}
        default -> throw fault(c.line, "The restriction " + c.name + " is not understood.");
      }
    }
    List<ValueTest> tests = new ArrayList<>();
    if (!listed.isEmpty()) {
      tests.add(new ValueTest.OneOf(listed));
    }
    if (!patterns.isEmpty()) {
      // several patterns of one restriction are alternatives (XML Schema Part 2, 4.3.4)
      tests.add(
          new ValueTest.Pattern(
              patterns.size() == 1 ? patterns.get(0) : "(" + String.join(")|(", patterns) + ")"));
    }
    if (least != null || most != null) {
      tests.add(new ValueTest.Range(least, leastIn, most, mostIn));
    }
    if (shortest >= 0 || longest >= 0) {
      tests.add(new ValueTest.Length(Math.max(0, shortest), longest));
    }
    if (tests.isEmpty()) {
      throw fault(r.line, "The restriction is empty.");
    }
    return tests.size() == 1 ? tests.get(0) : new ValueTest.Every(tests);
  }

  private static String pattern(String p, int line) throws ScopeSheetException {
    String fault = Patterns.fault(p);
    if (fault != null) {
      throw fault(line, "The pattern " + p + " cannot be read: " + fault + ".");
    }
    return p;
  }

  private static double number(String v, int line) throws ScopeSheetException {
    try {
      double d = Double.parseDouble(v.strip());
      if (Double.isFinite(d)) {
        return d;
      }
    } catch (NumberFormatException e) {
      // said below, with the line
    }
    throw fault(line, "\"" + v + "\" is no number.");
  }
}
