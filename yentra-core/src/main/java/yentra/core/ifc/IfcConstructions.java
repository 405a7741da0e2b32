package yentra.core.ifc;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.boundary.BoundaryMatching;
import yentra.core.boundary.DeliveredBoundary;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/**
 * Constructions from materials: layer sets and their usages, single materials and lists, on the
 * occurrence or on its type, with thermal properties where the file has them. Windows and doors get
 * their stated ThermalTransmittance.
 *
 * <p>Layers of a usage lie along an axis of the element's placement; they are put into the order
 * from outside to inside of the face that is looked at. Those without a usage keep the order in
 * which the file lists them. Materials of constituent sets, profiles and lists have no thickness;
 * fractions of constituents are taken for shares of the area; values are in the project's units;
 * windows and doors of constituent sets are told by their stated transmittance.
 */
final class IfcConstructions implements BoundaryMatching.Constructions {
  private final IfcModel model;
  private final StepFile file;
  private final IfcUnits units;
  private final Map<String, String> constructionOf = new HashMap<>();
  private final Set<String> unoriented = new HashSet<>();
  private final Map<String, Construction> constructions = new LinkedHashMap<>();
  private final Map<String, Layer> layers = new LinkedHashMap<>();
  private final IfcMaterials materials;
  private final IfcGlazings glazings;

  /** Behind the name of layers that are used in both directions. */
  private static final String TURNED = ", turned";

  /** Layers count as lying along a face's normal from this cosine on. */
  private static final double ALONG = 0.5;

  /**
   * @param values the model with the values that were set
   */
  IfcConstructions(IfcModel model, ArchitecturalModel values) {
    this.model = model;
    this.file = model.file();
    this.units = model.units();
    this.materials = new IfcMaterials(model);
    this.glazings = new IfcGlazings(values);
  }

  /** Those of which one direction is used are called what the file calls them. */
  List<Construction> constructions() {
    Set<String> names = new HashSet<>();
    constructions.values().forEach(c -> names.add(c.name()));
    List<Construction> out = new ArrayList<>();
    for (Construction c : constructions.values()) {
      String plain = c.name().replaceFirst(TURNED + "$", "");
      out.add(
          names.contains(plain)
              ? c
              : new Construction(c.key(), plain, c.layers(), c.uValue(), c.source(), c.extras()));
    }
    return out;
  }

  List<Layer> layers() {
    return new ArrayList<>(layers.values());
  }

  List<Material> materials() {
    return materials.all();
  }

  List<Glazing> glazings() {
    return glazings.all();
  }

  private Element element(DeliveredBoundary b) {
    return b.element() == null ? null : model.element(b.elementKey()).orElse(null);
  }

  @Override
  public String construction(DeliveredBoundary b) {
    Element e = element(b);
    if (e == null) {
      return null;
    }
    int material = model.relations().material.get(e.number());
    if (material == 0) {
      material = model.relations().material.get(model.relations().type.get(e.number()));
    }
    StepInstance m = material == 0 ? null : file.get(material);
    Boolean inward = direction(e, m, b.face().normal());
    Double u = glazings.stated(e);
    String known = material + "|" + inward + "|" + u;
    if (!constructionOf.containsKey(known)) {
      // frames and panes of a door are no layers
      boolean parts = u != null && m != null && isFilling(e) && !isLayered(m);
      String made = m == null || parts ? null : make(m, u, inward);
      constructionOf.put(known, made == null && u != null ? statedOnly(e, u) : made);
    }
    return constructionOf.get(known);
  }

  private static boolean isFilling(Element e) {
    return e.entity().startsWith("IfcDoor") || e.entity().startsWith("IfcWindow");
  }

  private static boolean isLayered(StepInstance material) {
    return material.type().startsWith("IFCMATERIALLAYERSET");
  }

  /** How many constructions of several layers lie in a direction that is not said. */
  int unoriented() {
    return unoriented.size();
  }

  /**
   * Whether the layers of a usage run from outside to inside of a face.
   *
   * @param outward normal of the face, out of the room
   * @return null when it is not said, or when they lie across the face
   */
  private Boolean direction(Element e, StepInstance usage, Vec3 outward) {
    if (usage == null || !usage.is("IFCMATERIALLAYERSETUSAGE")) {
      return null;
    }
    Vec3 along;
    try {
      Transform t = model.placements().local(file.get(e.number()).ref(5));
      along =
          t.direction(
              switch (usage.enumeration(1)) {
                case "AXIS1" -> Vec3.X;
                case "AXIS2" -> Vec3.Y;
                default -> Vec3.Z;
              });
    } catch (IfcGeometryException x) {
      // a placement that cannot be read is told with the element's body
      return null;
    }
    double cos = along.dot(outward) * (usage.enumeration(2).equals("NEGATIVE") ? -1 : 1);
    return Math.abs(cos) < ALONG ? null : (Boolean) (cos < 0);
  }

  /** A construction of which nothing but the transmittance is said. */
  private String statedOnly(Element e, double u) {
    String label =
        String.format(
            java.util.Locale.ROOT,
            "%s, U %.3f",
            e.entity().replaceFirst("^Ifc", "").replaceFirst("StandardCase$", ""),
            u);
    String key = "con_" + IfcNames.slug(label);
    constructions.putIfAbsent(
        key, new Construction(key, label, List.of(), u, e.source(), Extras.NONE));
    return key;
  }

  @Override
  public String glazing(DeliveredBoundary b) {
    Element e = b.role() == DeliveredBoundary.Role.WINDOW ? element(b) : null;
    return e == null ? null : glazings.of(e);
  }

  @Override
  public Double thickness(DeliveredBoundary b) {
    String key = construction(b);
    if (key == null) {
      return null;
    }
    double sum = 0;
    for (String layer : constructions.get(key).layers()) {
      for (String m : layers.get(layer).materials()) {
        Double t = materials.get(m).thickness();
        sum += t == null ? 0 : t;
      }
    }
    return sum > 0 ? sum : null;
  }

  /**
   * @param inward whether layers are listed from outside to inside, or null when it is not said
   */
  private String make(StepInstance m, Double uValue, Boolean inward) {
    StepInstance set = m.type().endsWith("SETUSAGE") ? file.get(m.ref(0)) : m;
    if (set == null) {
      return null;
    }
    List<String> materialKeys = new ArrayList<>();
    List<Double> shares = new ArrayList<>();
    StringBuilder names = new StringBuilder();
    String name =
        set.is("IFCMATERIALLAYERSET") ? set.text(1) : set.is("IFCMATERIALLIST") ? "" : set.text(0);
    switch (set.type()) {
      case "IFCMATERIALLAYERSET" -> {
        for (int l : set.refs(0)) {
          StepInstance layer = file.get(l);
          if (layer != null) {
            double t = layer.number(1).orElse(0.0) * units.length();
            materialKeys.add(materials.material(file.get(layer.ref(0)), t, layer));
          }
        }
      }
      case "IFCMATERIAL" -> materialKeys.add(materials.material(set, 0, set));
      case "IFCMATERIALLIST" ->
          set.refs(0).forEach(r -> materialKeys.add(materials.material(file.get(r), 0, set)));
      case "IFCMATERIALPROFILESET", "IFCMATERIALCONSTITUENTSET" -> {
        for (int p : set.refs(2)) {
          StepInstance part = file.get(p);
          if (part != null) {
            materialKeys.add(materials.material(file.get(part.ref(2)), 0, part));
            shares.add(part.is("IFCMATERIALCONSTITUENT") ? part.number(3).orElse(null) : null);
          }
        }
      }
      default -> {
        return null;
      }
    }
    materialKeys.forEach(
        k -> names.append(names.length() == 0 ? "" : " + ").append(materials.get(k).name()));
    if (materialKeys.isEmpty()) {
      return null;
    }
    List<String> turned = new ArrayList<>(materialKeys);
    Collections.reverse(turned);
    boolean same = turned.equals(materialKeys);
    boolean turn = Boolean.FALSE.equals(inward) && !same;
    String plain = name.isBlank() ? names.toString() : name;
    String label = turn ? plain + TURNED : plain;
    if (inward == null && !same) {
      unoriented.add(plain);
    }
    return made(set, label, uValue, turn ? turned : materialKeys, fractions(set, shares));
  }

  /** Fractions of constituents that are all stated and make up a whole; empty otherwise. */
  private List<Double> fractions(StepInstance set, List<Double> shares) {
    boolean all = shares.size() > 1 && shares.stream().allMatch(s -> s != null && s > 0);
    double sum = all ? shares.stream().mapToDouble(s -> s).sum() : 0;
    if (Math.abs(sum - 1) > WHOLE) {
      return List.of();
    }
    beside.add(set.text(0));
    return shares;
  }

  /** How far fractions of constituents may be off 1. */
  private static final double WHOLE = 0.02;

  private final Set<String> beside = new java.util.TreeSet<>();

  /** Constituent sets whose fractions are taken for shares of the area. */
  Set<String> beside() {
    return beside;
  }

  private String made(
      StepInstance set,
      String label,
      Double uValue,
      List<String> materialKeys,
      List<Double> shares) {
    Construction made =
        new Construction("", label, List.of(), uValue, model.source(set), Extras.NONE);
    for (Construction c : constructions.values()) {
      boolean same =
          !c.layers().isEmpty()
              && c.name().equals(label)
              && java.util.Objects.equals(c.uValue(), uValue)
              && layers.get(c.layers().get(0)).materials().equals(materialKeys)
              && layers.get(c.layers().get(0)).shares().equals(shares);
      if (same) {
        return c.key();
      }
    }
    String key = IfcNames.free("con_" + IfcNames.slug(label), constructions.keySet());
    String layerKey = IfcNames.free("lay_" + IfcNames.slug(label), layers.keySet());
    layers.put(
        layerKey, new Layer(layerKey, label, materialKeys, shares, made.source(), Extras.NONE));
    constructions.put(
        key, new Construction(key, label, List.of(layerKey), uValue, made.source(), Extras.NONE));
    return key;
  }

  /** Says what was taken for granted of constructions. */
  void say(IfcNotes notes) {
    for (String set : beside()) {
      notes.assumed(
          "fractions of the constituents of " + set + " are taken for shares of the area");
    }
    if (glazings.framed() > 0) {
      notes.assumed(
          "solar gain and light of "
              + glazings.framed()
              + (glazings.framed() == 1 ? " window" : " windows")
              + " are those of the glass times its stated share; the frame lets nothing through");
    }
    if (unoriented() > 0) {
      notes.assumed(
          "layers of "
              + unoriented()
              + (unoriented() == 1 ? " construction" : " constructions")
              + " are taken in the order in which the file lists them: it does not say in which direction they lie");
    }
  }
}
