package yentra.core.gbxml;

import com.ctc.wstx.stax.WstxInputFactory;
import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Holds a gbXML document against the structure of the schema: order and number of children,
 * required attributes, enumerations, numbers, ids and what refers to them. Elements and attributes
 * that the rules do not know are let through. Works on the text alone, so that what is written is
 * judged as another reader would see it.
 */
public final class GbxmlConformance {
  /** So many faults are told. */
  private static final int MOST = 50;

  private static final Pattern NUMBER =
      Pattern.compile("\\s*[+-]?(\\d+(\\.\\d*)?|\\.\\d+)([eE][+-]?\\d+)?\\s*");

  /** XML names without a colon (Namespaces in XML 1.0, NCName), in the letters that are usual. */
  private static final Pattern ID = Pattern.compile("[\\p{L}_][\\p{L}\\p{N}\\p{M}_.·-]*");

  private final GbxmlRules rules = GbxmlRules.STANDARD;
  private final GbxmlVersion version;
  private final List<String> faults = new ArrayList<>();
  private final Map<String, String> ids = new HashMap<>();
  private final List<String[]> references = new ArrayList<>();
  private final Deque<Open> open = new ArrayDeque<>();

  /** An element that is being read. */
  private static final class Open {
    final String name;
    final GbxmlRules.Rule rule;
    final String place;
    final Map<String, Integer> counts = new HashMap<>(4);
    final StringBuilder text = new StringBuilder();
    String last = "";
    int rank = -1;

    Open(String name, GbxmlRules.Rule rule, String place) {
      this.name = name;
      this.rule = rule;
      this.place = place;
    }
  }

  private GbxmlConformance(GbxmlVersion version) {
    this.version = version;
  }

  /**
   * What a document has against the schema.
   *
   * @return one sentence a fault, at most {@value #MOST}; empty for a document that keeps to it
   */
  public static List<String> faults(InputStream document, GbxmlVersion version) {
    GbxmlConformance c = new GbxmlConformance(version);
    WstxInputFactory factory = new WstxInputFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    try {
      XMLStreamReader in = factory.createXMLStreamReader(document);
      while (in.hasNext() && c.faults.size() < MOST) {
        switch (in.next()) {
          case XMLStreamConstants.START_ELEMENT -> c.enter(in);
          case XMLStreamConstants.END_ELEMENT -> c.leave();
          case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
            Open o = c.open.peek();
            if (o != null && o.rule != null && o.rule.text() != null) {
              o.text.append(in.getText());
            }
          }
          default -> {}
        }
      }
      in.close();
    } catch (XMLStreamException e) {
      c.faults.add("The document is not well-formed: " + e.getMessage());
    }
    c.references();
    return List.copyOf(c.faults.subList(0, Math.min(MOST, c.faults.size())));
  }

  private void fault(String where, String what) {
    faults.add(where + " " + what + ".");
  }

  private void enter(XMLStreamReader in) {
    String name = in.getLocalName();
    Open parent = open.peek();
    String id = in.getAttributeValue(null, "id");
    String place = name + (id != null ? " " + id : parent == null ? "" : " of " + parent.place);
    if (parent == null && !name.equals("gbXML")) {
      fault("The root", "is " + name);
    }
    boolean ours =
        in.getNamespaceURI() == null || in.getNamespaceURI().endsWith("gbxml.org/schema");
    if (parent != null && parent.rule != null && ours) {
      child(parent, name);
    }
    // what stands in an element that is not known may mean something else by the same name
    boolean known =
        ours
            && (parent == null
                || parent.rule != null && parent.rule.children().containsKey(name)
                || parent.rule != null
                    && !parent.rule.ordered()
                    && parent.rule.children().isEmpty());
    GbxmlRules.Rule rule = known ? rules.of(name) : null;
    open.push(new Open(name, rule, place));
    attributes(in, name, rule, place);
  }

  private void child(Open parent, String name) {
    GbxmlRules.Child c = parent.rule.children().get(name);
    if (c == null) {
      return;
    }
    if (parent.counts.merge(name, 1, Integer::sum) == 2 && !c.many()) {
      fault(parent.place, "has more than one " + name);
    }
    if (parent.rule.ordered() && c.rank() < parent.rank) {
      fault(parent.place, "has " + name + " behind " + parent.last);
    }
    if (c.rank() > parent.rank) {
      parent.rank = c.rank();
      parent.last = name;
    }
  }

  private void attributes(XMLStreamReader in, String name, GbxmlRules.Rule rule, String place) {
    for (int i = 0; i < in.getAttributeCount(); i++) {
      if (in.getAttributePrefix(i) != null && !in.getAttributePrefix(i).isEmpty()) {
        continue;
      }
      String a = in.getAttributeLocalName(i);
      String value = in.getAttributeValue(i);
      GbxmlRules.Attribute known = rule == null ? null : rule.attributes().get(a);
      if (a.equals("id")) {
        id(name, value, place);
      } else if (known != null) {
        value(known, value, place);
      } else if (a.endsWith("IdRef") && !value.isBlank()) {
        references.add(new String[] {place, a, value, ""});
      }
    }
    if (rule != null) {
      for (GbxmlRules.Attribute a : rule.attributes().values()) {
        if (a.required() && in.getAttributeValue(null, a.name()) == null) {
          fault(place, "lacks " + a.name());
        }
      }
    }
  }

  private void id(String element, String value, String place) {
    if (!ID.matcher(value).matches()) {
      fault(place, "has an id that is no XML name: \"" + value + "\"");
    }
    String other = ids.putIfAbsent(value, element);
    if (other != null) {
      fault(place, "has the id of a " + other);
    }
  }

  private void value(GbxmlRules.Attribute a, String value, String place) {
    if (!version.has(a.since())) {
      fault(place, "has " + a.name() + ", which version " + version.code() + " does not know");
    }
    if (a.type().startsWith("ref:")) {
      references.add(new String[] {place, a.name(), value, a.type().substring(4)});
    } else {
      typed(a.type(), value, place + " has " + a.name());
    }
  }

  private void typed(String type, String value, String what) {
    Set<String> literals = rules.literals(type);
    boolean right =
        literals != null
            ? literals.contains(value)
            : switch (type) {
              case "number" -> NUMBER.matcher(value).matches();
              case "boolean" -> Set.of("true", "false", "1", "0").contains(value);
              default -> true;
            };
    if (!right) {
      faults.add(
          what
              + " \""
              + value
              + "\", which is no "
              + (literals == null ? type : "literal of the schema")
              + ".");
    }
  }

  private void leave() {
    Open o = open.pop();
    if (o.rule == null) {
      return;
    }
    if (o.rule.text() != null) {
      typed(o.rule.text(), o.text.toString(), o.place + " holds");
    }
    o.rule
        .children()
        .forEach(
            (name, c) -> {
              if (c.least() > 0 && !o.counts.containsKey(name)) {
                fault(o.place, "lacks " + name);
              }
            });
  }

  private void references() {
    for (String[] r : references) {
      String target = ids.get(r[2]);
      if (target == null) {
        fault(r[0], "refers by " + r[1] + " to \"" + r[2] + "\", which there is not");
      } else if (!r[3].isEmpty() && !r[3].equals(target)) {
        fault(
            r[0],
            String.format(Locale.ROOT, "refers by %s to %s, which is a %s", r[1], r[2], target));
      }
    }
  }
}
