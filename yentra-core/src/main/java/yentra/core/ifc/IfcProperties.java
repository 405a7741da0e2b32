package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import yentra.core.model.Classification;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/**
 * Property and quantity sets, materials and classifications of objects. A set that several objects
 * share is read once.
 */
final class IfcProperties {
  private final StepFile file;
  private final IfcSchema schema;
  private final IfcUnits units;
  private final IfcRelations relations;
  private final Map<Integer, PropertySet> own = new ConcurrentHashMap<>();
  private final Map<Integer, PropertySet> inherited = new ConcurrentHashMap<>();

  IfcProperties(StepFile file, IfcSchema schema, IfcUnits units, IfcRelations relations) {
    this.file = file;
    this.schema = schema;
    this.units = units;
    this.relations = relations;
  }

  /** The object's own sets, then those of its type that it does not override. */
  List<PropertySet> of(int object) {
    List<PropertySet> out = new ArrayList<>();
    for (int s : relations.sets.get(object)) {
      if (file.has(s)) {
        out.add(own.computeIfAbsent(s, k -> read(k, false)));
      }
    }
    int type = relations.type.get(object);
    StepInstance t = type == 0 ? null : file.get(type);
    if (t != null) {
      Set<Integer> sets = new LinkedHashSet<>();
      sets.addAll(t.refs(schema.index(t.type(), "HasPropertySets")));
      for (int s : relations.sets.get(type)) {
        sets.add(s);
      }
      for (int s : sets) {
        if (file.has(s)) {
          out.add(inherited.computeIfAbsent(s, k -> read(k, true)));
        }
      }
    }
    return merged(out);
  }

  /** Sets of one name become one; the value met first counts. */
  private static List<PropertySet> merged(List<PropertySet> sets) {
    Map<String, PropertySet> byName = new LinkedHashMap<>();
    for (PropertySet s : sets) {
      PropertySet before = byName.get(s.name());
      if (before == null) {
        byName.put(s.name(), s);
      } else {
        List<Property> all = new ArrayList<>(before.properties());
        s.properties().stream().filter(p -> before.property(p.name()).isEmpty()).forEach(all::add);
        byName.put(
            s.name(),
            new PropertySet(
                s.name(), before.quantities(), before.inherited(), before.number(), all));
      }
    }
    return List.copyOf(byName.values());
  }

  private PropertySet read(int number, boolean fromType) {
    StepInstance s = file.get(number);
    if (s == null) {
      return new PropertySet("", false, fromType, number, List.of());
    }
    List<Property> out = new ArrayList<>();
    boolean quantities = s.is("IFCELEMENTQUANTITY");
    if (s.is("IFCPROPERTYSET") || quantities) {
      for (int p : s.refs(quantities ? 5 : 4)) {
        add(p, "", out, 0);
      }
    } else {
      predefined(s, out);
    }
    return new PropertySet(s.text(2), quantities, fromType, number, out);
  }

  /** IfcDoorLiningProperties and the like: their own attributes are the properties. */
  private void predefined(StepInstance s, List<Property> out) {
    IfcSchema.Entity e = schema.entity(s.type());
    if (e == null) {
      return;
    }
    for (int i = 4; i < e.attributes().size(); i++) {
      PropertyValue v = value(s.get(i), 0);
      if (v != null) {
        out.add(new Property(e.attributes().get(i).name(), v, "", s.id()));
      }
    }
  }

  private void add(int number, String prefix, List<Property> out, int depth) {
    StepInstance p = file.get(number);
    if (p == null || depth > 5) {
      return;
    }
    String name = prefix + p.text(0);
    switch (p.type()) {
      case "IFCPROPERTYSINGLEVALUE" ->
          out.add(new Property(name, value(p.get(2), p.ref(3)), type(p.get(2)), number));
      case "IFCPROPERTYENUMERATEDVALUE", "IFCPROPERTYLISTVALUE" -> {
        List<PropertyValue> many = new ArrayList<>();
        int unit = p.is("IFCPROPERTYLISTVALUE") ? p.ref(3) : 0;
        for (StepValue v : p.list(2)) {
          PropertyValue one = value(v, unit);
          if (one != null) {
            many.add(one);
          }
        }
        out.add(
            new Property(
                name,
                many.isEmpty() ? null : new PropertyValue.Many(many),
                p.list(2).isEmpty() ? "" : type(p.list(2).get(0)),
                number));
      }
      case "IFCPROPERTYBOUNDEDVALUE" -> bounded(p, name, out);
      case "IFCCOMPLEXPROPERTY", "IFCPHYSICALCOMPLEXQUANTITY" -> {
        for (int part : p.refs(p.is("IFCCOMPLEXPROPERTY") ? 3 : 2)) {
          add(part, name + ".", out, depth + 1);
        }
      }
      case "IFCPROPERTYTABLEVALUE", "IFCPROPERTYREFERENCEVALUE" ->
          out.add(new Property(name, null, "", number));
      default -> quantity(p, name, out);
    }
  }

  /** Name, Description, UpperBoundValue, LowerBoundValue, Unit, SetPointValue. */
  private void bounded(StepInstance p, String name, List<Property> out) {
    List<PropertyValue> many = new ArrayList<>();
    for (int i : new int[] {5, 3, 2}) {
      PropertyValue v = value(p.get(i), p.ref(4));
      if (v != null) {
        many.add(v);
      }
    }
    String type = type(p.get(p.get(2) instanceof StepValue.Typed ? 2 : 3));
    out.add(new Property(name, many.isEmpty() ? null : new PropertyValue.Many(many), type, p.id()));
  }

  private static String type(StepValue v) {
    return v instanceof StepValue.Typed t ? IfcMeasures.proper(t.type()) : "";
  }

  /** IfcQuantityLength, Area, Volume, Count, Weight, Time: Name, Description, Unit, value. */
  private void quantity(StepInstance p, String name, List<Property> out) {
    String measure =
        switch (p.type()) {
          case "IFCQUANTITYLENGTH" -> "IfcLengthMeasure";
          case "IFCQUANTITYAREA" -> "IfcAreaMeasure";
          case "IFCQUANTITYVOLUME" -> "IfcVolumeMeasure";
          case "IFCQUANTITYCOUNT" -> "IfcCountMeasure";
          case "IFCQUANTITYWEIGHT" -> "IfcMassMeasure";
          case "IFCQUANTITYTIME" -> "IfcTimeMeasure";
          default -> "";
        };
    if (measure.isEmpty()) {
      return;
    }
    PropertyValue v =
        p.number(3)
            .map(
                d ->
                    (PropertyValue)
                        units.si(measure.toUpperCase(java.util.Locale.ROOT), measure, d, p.ref(2)))
            .orElse(null);
    out.add(new Property(name, v, measure, p.id()));
  }

  PropertyValue value(StepValue v, int unit) {
    StepValue plain = v instanceof StepValue.Typed t ? t.value() : v;
    if (plain instanceof StepValue.Number n) {
      return v instanceof StepValue.Typed t
          ? units.si(t.type(), IfcMeasures.proper(t.type()), n.value(), unit)
          : new PropertyValue.Number(n.value(), "", "");
    }
    if (plain instanceof StepValue.Text s) {
      return new PropertyValue.Text(s.value());
    }
    return plain instanceof StepValue.Enumeration e ? logical(e.name()) : null;
  }

  private static PropertyValue logical(String literal) {
    return switch (literal) {
      case "T" -> new PropertyValue.Logical(true);
      case "F" -> new PropertyValue.Logical(false);
      case "U" -> new PropertyValue.Text("UNKNOWN");
      default -> new PropertyValue.Text(literal);
    };
  }

  /** Materials of the object, or of its type where it has none. */
  Element.Materials materials(int object) {
    int m = relations.material.get(object);
    m = m == 0 ? relations.material.get(relations.type.get(object)) : m;
    StepInstance i = m == 0 ? null : file.get(m);
    if (i == null) {
      return Element.Materials.NONE;
    }
    MaterialReader reader = new MaterialReader();
    reader.read(i, 0);
    return new Element.Materials(
        reader.layers, List.copyOf(reader.names), List.copyOf(reader.aliases));
  }

  private final class MaterialReader {
    final List<Element.Layer> layers = new ArrayList<>();
    final Set<String> names = new LinkedHashSet<>();
    final Set<String> aliases = new LinkedHashSet<>();

    void read(StepInstance i, int depth) {
      if (depth > 4) {
        return;
      }
      alias(i);
      switch (i.type()) {
        case "IFCMATERIAL" -> names.add(i.text(0));
        case "IFCMATERIALLAYERSETUSAGE",
            "IFCMATERIALPROFILESETUSAGE",
            "IFCMATERIALPROFILESETUSAGETAPERING" ->
            each(List.of(i.ref(0)), depth);
        case "IFCMATERIALLAYERSET", "IFCMATERIALLIST" -> each(i.refs(0), depth);
        case "IFCMATERIALPROFILESET", "IFCMATERIALCONSTITUENTSET" -> each(i.refs(2), depth);
        case "IFCMATERIALPROFILE", "IFCMATERIALCONSTITUENT" -> each(List.of(i.ref(2)), depth);
        case "IFCMATERIALLAYER", "IFCMATERIALLAYERWITHOFFSETS" -> {
          StepInstance m = file.get(i.ref(0));
          layers.add(
              new Element.Layer(
                  m == null ? "" : m.text(0), i.number(1).orElse(0.0) * units.length()));
          each(List.of(i.ref(0)), depth);
        }
        default -> {}
      }
    }

    private void alias(StepInstance i) {
      for (String attribute : new String[] {"Name", "LayerSetName", "Category"}) {
        String word = i.text(schema.index(i.type(), attribute));
        if (!word.isEmpty() && !(i.is("IFCMATERIAL") && attribute.equals("Name"))) {
          aliases.add(word);
        }
      }
    }

    private void each(List<Integer> refs, int depth) {
      for (int r : refs) {
        StepInstance i = file.get(r);
        if (i != null) {
          read(i, depth + 1);
        }
      }
    }
  }

  /** Of the object and of its type. */
  List<Classification> classifications(int object) {
    List<Classification> out = new ArrayList<>();
    for (int o : new int[] {object, relations.type.get(object)}) {
      for (int c : relations.classifications.get(o)) {
        Classification read = classification(c);
        if (read != null) {
          out.add(read);
        }
      }
    }
    return out;
  }

  /** Location, Identification (ItemReference in IFC2X3), Name, ReferencedSource. */
  private Classification classification(int reference) {
    List<String> codes = new ArrayList<>();
    Set<Integer> seen = new HashSet<>();
    StepInstance i = file.get(reference);
    while (i != null && i.is("IFCCLASSIFICATIONREFERENCE") && seen.add(i.id())) {
      codes.add(i.text(1));
      i = file.get(i.ref(3));
    }
    if (i == null && codes.isEmpty()) {
      return null;
    }
    String system =
        i != null && i.is("IFCCLASSIFICATION") ? i.text(schema.index(i.type(), "Name")) : "";
    return new Classification(system, codes);
  }
}
