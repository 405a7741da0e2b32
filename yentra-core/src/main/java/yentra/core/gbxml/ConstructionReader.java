package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.UnreadableException;
import yentra.core.envelope.Zone;
import yentra.core.units.Quantity;

/** Reads constructions, layers, materials, window types and zones. */
final class ConstructionReader {
  private static final Set<String> ID = Set.of("id");
  private static final Set<String> ZONE =
      Set.of("id", "heatSchedIdRef", "coolSchedIdRef", "outsideAirSchedIdRef");
  private static final Set<String> NAME = Set.of("Name");
  private static final Set<String> CONSTRUCTION = Set.of("Name", "U-value");
  private static final Set<String> MATERIAL =
      Set.of("Name", "Thickness", "Conductivity", "Density", "SpecificHeat", "R-value");
  private static final Set<String> ZONE_ONCE =
      Set.of(
          "Name",
          "DesignHeatT",
          "DesignCoolT",
          "OAFlowPerPerson",
          "OAFlowPerArea",
          "OAFlowPerZone",
          "DesignHeatRH",
          "DesignCoolRH",
          "AirChangesPerHour");

  /** How far the shares of a layer may be off 1, or 100 per cent. */
  private static final double ROUNDED = 0.02;

  private final Cursor cursor;
  private final Values values;
  private final References references;
  final List<Construction> constructions = new ArrayList<>();
  final List<Layer> layers = new ArrayList<>();
  final List<Material> materials = new ArrayList<>();
  final List<Glazing> glazings = new ArrayList<>();
  final List<Zone> zones = new ArrayList<>();

  ConstructionReader(Cursor cursor, Values values, References references) {
    this.cursor = cursor;
    this.values = values;
    this.references = references;
  }

  void construction(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), ID);
    String name = "";
    Double u = null;
    List<String> layerKeys = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, CONSTRUCTION, seen);
        c != null;
        c = cursor.child(kept, CONSTRUCTION, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "U-value" ->
            u = values.thermal(cursor.leaf(kept), h.key(), Quantity.U_VALUE, kept).orElse(null);
        case "LayerId" -> reference(layerKeys, "LayerId", "layerIdRef", LAYER_ID, kept);
        default -> kept.fragment(cursor.fragment());
      }
    }
    constructions.add(new Construction(h.key(), name, layerKeys, u, h.source(name), kept.extras()));
  }

  void layer(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), ID);
    String name = "";
    List<String> materialKeys = new ArrayList<>();
    List<String> stated = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, NAME, seen); c != null; c = cursor.child(kept, NAME, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "MaterialId" -> {
          String share = cursor.attribute("percentOfLayer");
          if (reference(materialKeys, "MaterialId", "materialIdRef", MATERIAL_ID, kept)) {
            stated.add(share);
          }
        }
        default -> kept.fragment(cursor.fragment());
      }
    }
    layers.add(
        new Layer(
            h.key(), name, materialKeys, shares(h, stated, kept), h.source(name), kept.extras()));
  }

  private static final Set<String> LAYER_ID = Set.of("layerIdRef");
  private static final Set<String> MATERIAL_ID = Set.of("materialIdRef", "percentOfLayer");

  /**
   * The shares of a layer's materials, 0 to 1; empty where they lie one behind the other. Whether
   * they are fractions or per cent is decided for the layer as a whole, by what they add up to;
   * what is neither 1 nor 100 is said, and they count in proportion.
   */
  private List<Double> shares(Header h, List<String> stated, Kept kept) {
    if (stated.stream().allMatch(t -> t == null)) {
      return List.of();
    }
    List<Double> read = new ArrayList<>();
    for (String t : stated) {
      Double v = t == null ? null : Values.parse(t.strip()).orElse(null);
      if (v == null || !(v > 0)) {
        badShares(
            h, t == null ? "none" : t, "is not stated for every material, or is no number above 0");
        keepShares(stated, kept);
        return List.of();
      }
      read.add(v);
    }
    double sum = read.stream().mapToDouble(v -> v).sum();
    boolean percent = sum > 10;
    double whole = percent ? 100 : 1;
    if (Math.abs(sum / whole - 1) > ROUNDED) {
      badShares(
          h,
          String.join(" + ", stated),
          "adds up to neither 1 nor 100; the shares count in proportion, as "
              + (percent ? "per cent" : "fractions"));
    }
    if (read.size() == 1) {
      keepShares(stated, kept);
      return List.of();
    }
    return read.stream().map(v -> v / whole).toList();
  }

  private void badShares(Header h, String value, String what) {
    values.note(
        yentra.core.envelope.ReadNote.Kind.BAD_VALUE,
        h.key(),
        "percentOfLayer",
        value,
        "percentOfLayer of " + h.key() + " " + what + ": " + Values.clip(value) + ".",
        h.line(),
        h.column());
  }

  /** What could not be understood goes back as it stood. */
  private static void keepShares(List<String> stated, Kept kept) {
    for (int i = 0; i < stated.size(); i++) {
      if (stated.get(i) != null) {
        kept.child(
            "MaterialId " + i,
            List.of(new Extras.Attribute("", "", "percentOfLayer", stated.get(i))),
            Set.of());
      }
    }
  }

  /**
   * Takes the reference of a LayerId or MaterialId; what else it says is kept, and one without a
   * reference whole.
   */
  private boolean reference(
      List<String> keys, String element, String attribute, Set<String> understood, Kept kept)
      throws UnreadableException {
    String id = cursor.attribute(attribute);
    if (id == null) {
      kept.fragment(cursor.fragment());
      return false;
    }
    kept.child(element + " " + keys.size(), cursor.attributes(), understood);
    keys.add(id);
    Kept inside = new Kept();
    Leaf leaf = cursor.leaf(inside);
    if (!inside.isEmpty() || !leaf.text().isEmpty()) {
      values.lost(
          cursor.owner(),
          element,
          id,
          "What stands inside " + element + " is not written back.",
          leaf.line(),
          leaf.column());
    }
    return true;
  }

  void material(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), ID);
    String name = "";
    Double thickness = null, conductivity = null, density = null, heat = null, r = null;
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, MATERIAL, seen);
        c != null;
        c = cursor.child(kept, MATERIAL, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "Thickness" ->
            thickness = values.lengthOf(cursor.leaf(kept), h.key(), kept).orElse(null);
        case "Conductivity" -> conductivity = thermal(h, Quantity.CONDUCTIVITY, kept);
        case "Density" -> density = thermal(h, Quantity.DENSITY, kept);
        case "SpecificHeat" -> heat = thermal(h, Quantity.SPECIFIC_HEAT, kept);
        case "R-value" -> r = thermal(h, Quantity.RESISTANCE, kept);
        default -> kept.fragment(cursor.fragment());
      }
    }
    SourceRef source = h.source(name);
    materials.add(
        new Material(
            h.key(), name, thickness, conductivity, density, heat, r, source, kept.extras()));
  }

  private Double thermal(Header h, Quantity quantity, Kept kept) throws UnreadableException {
    return values.thermal(cursor.leaf(kept), h.key(), quantity, kept).orElse(null);
  }

  void windowType(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), ID);
    String name = "";
    Double u = null, gain = null, visible = null;
    double angle = Double.NaN;
    PaneReader panes = new PaneReader(cursor, values);
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, CONSTRUCTION, seen);
        c != null;
        c = cursor.child(kept, CONSTRUCTION, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "U-value" -> u = thermal(h, Quantity.U_VALUE, kept);
        case "SolarHeatGainCoeff" -> {
          double at = angle(cursor.attribute("solarIncidentAngle"));
          Double v = share(kept);
          if (v != null && (gain == null || at < angle)) {
            gain = v;
            angle = at;
          }
        }
        case "Transmittance" -> {
          String type = cursor.attribute("type");
          Double v = share(kept);
          visible = "Visible".equals(type) || type == null && visible == null ? v : visible;
        }
        case "Glaze" -> kept.fragment(panes.glaze());
        case "Gap" -> kept.fragment(panes.gap());
        default -> kept.fragment(cursor.fragment());
      }
    }
    if (u == null) {
      u = panes.uValue(h);
    }
    glazings.add(new Glazing(h.key(), name, u, gain, visible, h.source(name), kept.extras()));
  }

  /** Normal incidence comes first, then what states no angle, then the least angle. */
  private static double angle(String stated) {
    Double v = stated == null ? null : Values.parse(stated.strip()).orElse(null);
    return v == null ? 1e-9 : Math.abs(v);
  }

  /** A share from 0 to 1, kept as it stands too; null when it is no number. */
  private Double share(Kept kept) throws UnreadableException {
    boolean percent = "Percent".equals(cursor.attribute("unit"));
    String xml = cursor.fragment();
    kept.fragment(xml);
    String text = xml.replaceAll("<[^>]*>", "").strip();
    try {
      double v = Double.parseDouble(text);
      return Double.isFinite(v) ? percent ? v / 100 : v : null;
    } catch (NumberFormatException e) {
      return null;
    }
  }

  void zone(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), ZONE);
    Zone.ZoneSchedules times =
        new Zone.ZoneSchedules(
            cursor.attribute("heatSchedIdRef"),
            cursor.attribute("coolSchedIdRef"),
            cursor.attribute("outsideAirSchedIdRef"));
    String name = "";
    Double heat = null, cool = null, person = null, area = null, total = null;
    Double least = null, most = null, changes = null;
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, ZONE_ONCE, seen);
        c != null;
        c = cursor.child(kept, ZONE_ONCE, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "DesignHeatT" -> heat = values.celsius(cursor.leaf(kept), h.key(), kept).orElse(null);
        case "DesignCoolT" -> cool = values.celsius(cursor.leaf(kept), h.key(), kept).orElse(null);
        case "OAFlowPerPerson" -> person = flow(h, Quantity.AIR_FLOW, kept);
        case "OAFlowPerArea" -> area = flow(h, Quantity.AIR_FLOW_BY_AREA, kept);
        case "OAFlowPerZone" -> total = flow(h, Quantity.AIR_FLOW, kept);
        case "DesignHeatRH" -> least = humidity(h, kept);
        case "DesignCoolRH" -> most = humidity(h, kept);
        case "AirChangesPerHour" ->
            changes = values.number(cursor.leaf(kept), h.key(), kept).orElse(null);
        default -> kept.fragment(cursor.fragment());
      }
    }
    zones.add(
        Zone.of(h.key())
            .with()
            .name(name)
            .heatingSetPoint(heat)
            .coolingSetPoint(cool)
            .air(new Zone.ZoneAir(person, area, total, least, most, changes))
            .schedules(times)
            .source(h.source(name))
            .extras(kept.extras())
            .build());
  }

  private Double flow(Header h, Quantity quantity, Kept kept) throws UnreadableException {
    return values.thermal(cursor.leaf(kept), h.key(), quantity, kept).orElse(null);
  }

  /** Relative humidity in percent. */
  private Double humidity(Header h, Kept kept) throws UnreadableException {
    Leaf leaf = cursor.leaf(kept);
    boolean fraction = "Fraction".equals(leaf.attribute("unit"));
    return values
        .number(leaf, h.key(), kept, Set.of("unit"))
        .map(v -> fraction ? v * 100 : v)
        .orElse(null);
  }

  /** Key and place of the element just entered. */
  Header header(String element) {
    return Header.of(element, cursor, values, references);
  }
}
