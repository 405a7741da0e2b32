package yentra.core.scope;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Classification;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;

/**
 * Whether elements fit selections and conditions. What a condition means follows the facets of IDS
 * 1.0 (buildingSMART, Information Delivery Specification): entity, attribute, property,
 * classification, material, part of.
 */
final class Matching {
  private final ArchitecturalModel model;
  private final Map<Selection, Map<String, Boolean>> classes = new ConcurrentHashMap<>();

  Matching(ArchitecturalModel model) {
    this.model = model;
  }

  boolean fits(Selection s, Element e) {
    boolean ofClass =
        s.classes() == null
            || classes
                .computeIfAbsent(s, k -> new ConcurrentHashMap<>())
                .computeIfAbsent(e.entity(), k -> isClass(s.classes(), s.subtypes(), k));
    if (!ofClass) {
      return false;
    }
    for (Condition c : s.conditions()) {
      if (!check(c, e).met()) {
        return false;
      }
    }
    return true;
  }

  private boolean isClass(ValueTest test, boolean subtypes, String entity) {
    if (accepted(test, entity)) {
      return true;
    }
    if (subtypes && test instanceof ValueTest.OneOf o) {
      return o.values().stream().anyMatch(v -> model.isKind(entity, v));
    }
    return false;
  }

  /** Class names are compared in any capitals. */
  private static boolean accepted(ValueTest test, String entity) {
    if (test instanceof ValueTest.OneOf o) {
      return o.values().stream().anyMatch(entity::equalsIgnoreCase);
    }
    return test.accepts(entity) || test.accepts(entity.toUpperCase(java.util.Locale.ROOT));
  }

  /**
   * The outcome of one condition.
   *
   * @param present whether there is something to look at
   * @param value what was found, for people; empty when nothing
   */
  record Outcome(boolean met, boolean present, String value, String reason) {
    static Outcome missing(String reason) {
      return new Outcome(false, false, "", reason);
    }
  }

  Outcome check(Condition c, Element e) {
    return switch (c.subject()) {
      case CLASS -> ofClass(c, e);
      case PREDEFINED_TYPE -> text(c, e.predefinedType());
      case TYPE -> text(c, e.typeName());
      case STOREY -> text(c, e.storey());
      case NAME -> name(c, e);
      case LAYER -> text(c, e.layer());
      case MATERIAL -> material(c, e);
      case CLASSIFICATION -> classification(c, e);
      case PART_OF -> partOf(c, e);
      case ATTRIBUTE -> attribute(c, e);
      case PROPERTY -> property(c, e);
    };
  }

  private static Outcome ofClass(Condition c, Element e) {
    boolean met =
        accepted(c.test(), e.entity())
            && (c.name() == null || c.name().accepts(e.predefinedType()));
    return new Outcome(
        met,
        true,
        e.entity(),
        "it is " + e.entity() + " " + e.predefinedType() + ", not " + c.test().words());
  }

  private static Outcome text(Condition c, String value) {
    boolean present = !value.isEmpty();
    return new Outcome(
        c.test().accepts(value),
        present,
        value,
        present ? "\"" + value + "\" is not " + c.test().words() : "there is none");
  }

  /** The name, or the long name of a space. */
  private static Outcome name(Condition c, Element e) {
    Outcome own = text(c, e.name());
    return own.met || e.longName().isEmpty() ? own : text(c, e.longName());
  }

  private Outcome material(Condition c, Element e) {
    Element.Materials m = model.materials(e);
    List<String> all = new ArrayList<>(m.names());
    all.addAll(m.aliases());
    boolean met =
        m.isEmpty() && all.isEmpty()
            ? c.test().accepts(null, 1)
            : all.stream().anyMatch(c.test()::accepts);
    String found = String.join("; ", m.names());
    return new Outcome(
        met,
        !all.isEmpty(),
        found,
        all.isEmpty() ? "there is no material" : found + " is not " + c.test().words());
  }

  private Outcome classification(Condition c, Element e) {
    List<String> found = new ArrayList<>();
    boolean met = false;
    for (Classification k : model.classifications(e)) {
      if (c.set() == null || c.set().accepts(k.system())) {
        found.addAll(k.codes());
        met |=
            k.codes().isEmpty()
                ? c.test().equals(ValueTest.PRESENT)
                : k.codes().stream().anyMatch(c.test()::accepts);
      }
    }
    String codes = String.join("; ", found);
    return new Outcome(
        met || found.isEmpty() && c.test().accepts(null, 1),
        !found.isEmpty(),
        codes,
        found.isEmpty() ? "it is not classified" : codes + " is not " + c.test().words());
  }

  private Outcome partOf(Condition c, Element e) {
    List<String> found = new ArrayList<>();
    for (ArchitecturalModel.Whole w : model.wholes(e)) {
      if (c.set() == null || relation(c.set(), w.relation())) {
        found.add(w.whole().entity());
        if (accepted(c.test(), w.whole().entity())
            && (c.name() == null || c.name().accepts(w.whole().predefinedType()))) {
          return new Outcome(true, true, w.whole().label(), "");
        }
      }
    }
    if (found.isEmpty() && c.test().equals(new ValueTest.Not(ValueTest.PRESENT))) {
      return new Outcome(true, false, "", "");
    }
    String all = String.join("; ", found);
    return new Outcome(
        false,
        !found.isEmpty(),
        all,
        found.isEmpty() ? "it is part of nothing" : "part of " + all + ", not " + c.test().words());
  }

  /** IDS writes the relations of openings and their fillings as one. */
  private static boolean relation(ValueTest test, String relation) {
    return accepted(test, relation)
        || (relation.equals("IfcRelVoidsElement") || relation.equals("IfcRelFillsElement"))
            && accepted(test, "IfcRelVoidsElement IfcRelFillsElement");
  }

  private Outcome attribute(Condition c, Element e) {
    for (String name : names(c.name())) {
      Optional<PropertyValue> v = model.attribute(e, name);
      Outcome o = value(c, v.orElse(null), name);
      if (o.met || v.isPresent()) {
        return o;
      }
    }
    return Outcome.missing(c.name().words() + " is not given");
  }

  /** Attributes cannot be listed, so a test that is no list of names is tried on common ones. */
  private static List<String> names(ValueTest test) {
    if (test instanceof ValueTest.OneOf o) {
      return o.values();
    }
    return List.of("Name", "Description", "ObjectType", "Tag", "LongName", "GlobalId").stream()
        .filter(test::accepts)
        .toList();
  }

  private static Outcome value(Condition c, PropertyValue v, String name) {
    boolean met = c.test().accepts(v, UnitText.factor(c.unit()));
    if (v == null || v.text().isEmpty()) {
      return new Outcome(met, false, "", name + " is not given");
    }
    return new Outcome(
        met,
        true,
        v.text(),
        name
            + " is "
            + v.text()
            + unit(v)
            + ", not "
            + c.test().words()
            + (c.unit().isEmpty() ? "" : " " + c.unit()));
  }

  private static String unit(PropertyValue v) {
    return v instanceof PropertyValue.Number n && !n.unit().isEmpty() ? " " + n.unit() : "";
  }

  /** Of several sets or properties that fit, each must pass. */
  private Outcome property(Condition c, Element e) {
    Outcome last = null;
    for (PropertySet s : model.properties(e)) {
      if (c.set() != null && !c.set().accepts(s.name())) {
        continue;
      }
      for (Property p : s.properties()) {
        if (c.name() == null || c.name().accepts(p.name())) {
          Outcome o = typed(c, p, s.name() + "." + p.name());
          if (!o.met) {
            return o;
          }
          last = o;
        }
      }
    }
    if (last != null) {
      return last;
    }
    boolean met = c.test().accepts(null, 1);
    return new Outcome(
        met,
        false,
        "",
        (c.set() == null ? "" : c.set().words() + ".")
            + (c.name() == null ? "" : c.name().words())
            + " is missing");
  }

  private static Outcome typed(Condition c, Property p, String called) {
    boolean wrong =
        !c.dataType().isEmpty()
            && p.value() != null
            && !p.type().isEmpty()
            && !c.dataType().equalsIgnoreCase(p.type());
    if (wrong) {
      return new Outcome(
          false,
          true,
          p.value().text(),
          called + " is of the type " + p.type() + ", not " + c.dataType());
    }
    return value(c, p.value(), called);
  }
}
