package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.UnreadableException;
import yentra.core.envelope.Zone;
import yentra.core.units.ThermalUnit.Quantity;

/** Reads constructions, layers, materials, window types and zones. */
final class ConstructionReader {
  private static final Set<String> ID = Set.of("id");
  private static final Set<String> ZONE =
      Set.of("id", "heatSchedIdRef", "coolSchedIdRef", "outsideAirSchedIdRef");
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
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      switch (c) {
        case "Name" -> name = cursor.leaf(kept).text();
        case "U-value" ->
            u = values.thermal(cursor.leaf(kept), h.key(), Quantity.U_VALUE, kept).orElse(null);
        case "LayerId" -> reference(layerKeys, "layerIdRef", kept);
        default -> kept.fragment(cursor.fragment());
      }
    }
    constructions.add(new Construction(h.key(), name, layerKeys, u, h.source(name), kept.extras()));
  }

  void layer(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), ID);
    String name = "";
    List<String> materialKeys = new ArrayList<>();
    List<Double> shares = new ArrayList<>();
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      switch (c) {
        case "Name" -> name = cursor.leaf(kept).text();
        case "MaterialId" -> {
          Double share = share(cursor.attribute("percentOfLayer"));
          if (reference(materialKeys, "materialIdRef", kept)) {
            shares.add(share);
          }
        }
        default -> kept.fragment(cursor.fragment());
      }
    }
    boolean beside = shares.stream().anyMatch(s -> s != null && s < 1);
    layers.add(
        new Layer(
            h.key(),
            name,
            materialKeys,
            beside ? shares.stream().map(s -> s == null ? 1 : s).toList() : List.of(),
            h.source(name),
            kept.extras()));
  }

  /**
   * Takes the reference of a LayerId or MaterialId; one that says more than the reference is kept
   * whole.
   */
  private boolean reference(List<String> keys, String attribute, Kept kept)
      throws UnreadableException {
    String id = cursor.attribute(attribute);
    if (id == null) {
      kept.fragment(cursor.fragment());
    } else {
      keys.add(id);
      cursor.fragment();
    }
    return id != null;
  }

  /** A share of a layer, 0 to 1; above 1 it is taken for per cent. Null when it is none. */
  private static Double share(String text) {
    try {
      double v = text == null ? Double.NaN : Double.parseDouble(text.strip());
      return v > 0 && v <= 1 ? (Double) v : v > 1 && v <= 100 ? (Double) (v / 100) : null;
    } catch (NumberFormatException e) {
      return null;
    }
  }

  void material(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), ID);
    String name = "";
    Double thickness = null, conductivity = null, density = null, heat = null, r = null;
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      switch (c) {
        case "Name" -> name = cursor.leaf(kept).text();
        case "Thickness" ->
            thickness = values.lengthOf(cursor.leaf(kept), h.key(), kept).orElse(null);
        case "Conductivity" -> conductivity = thermal(h, Quantity.CONDUCTIVITY, kept);
        case "Density" -> density = thermal(h, Quantity.DENSITY, kept);
        case "SpecificHeat" -> heat = thermal(h, Quantity.SPECIFIC_HEAT, kept);
        case "R-value" -> r = thermal(h, Quantity.R_VALUE, kept);
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
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      switch (c) {
        case "Name" -> name = cursor.leaf(kept).text();
        case "U-value" -> u = thermal(h, Quantity.U_VALUE, kept);
        case "SolarHeatGainCoeff" -> {
          String angle = cursor.attribute("solarIncidentAngle");
          Double v = share(kept);
          gain = gain == null || "0".equals(angle) ? v : gain;
        }
        case "Transmittance" -> {
          String type = cursor.attribute("type");
          Double v = share(kept);
          visible = "Visible".equals(type) || type == null && visible == null ? v : visible;
        }
        default -> kept.fragment(cursor.fragment());
      }
    }
    glazings.add(new Glazing(h.key(), name, u, gain, visible, h.source(name), kept.extras()));
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
    Double least = null, most = null;
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      switch (c) {
        case "Name" -> name = cursor.leaf(kept).text();
        case "DesignHeatT" -> heat = values.celsius(cursor.leaf(kept), h.key(), kept).orElse(null);
        case "DesignCoolT" -> cool = values.celsius(cursor.leaf(kept), h.key(), kept).orElse(null);
        case "OAFlowPerPerson" -> person = flow(h, Quantity.FLOW, kept);
        case "OAFlowPerArea" -> area = flow(h, Quantity.FLOW_PER_AREA, kept);
        case "OAFlowPerZone" -> total = flow(h, Quantity.FLOW, kept);
        case "DesignHeatRH" -> least = humidity(h, kept);
        case "DesignCoolRH" -> most = humidity(h, kept);
        default -> kept.fragment(cursor.fragment());
      }
    }
    zones.add(
        new Zone(
            h.key(),
            name,
            heat,
            cool,
            new Zone.ZoneAir(person, area, total, least, most),
            times,
            h.source(name),
            kept.extras()));
  }

  private Double flow(Header h, Quantity quantity, Kept kept) throws UnreadableException {
    return values.thermal(cursor.leaf(kept), h.key(), quantity, kept).orElse(null);
  }

  /** Relative humidity in percent. */
  private Double humidity(Header h, Kept kept) throws UnreadableException {
    Leaf leaf = cursor.leaf(kept);
    boolean fraction = "Fraction".equals(leaf.attribute("unit"));
    return values.number(leaf, h.key(), kept).map(v -> fraction ? v * 100 : v).orElse(null);
  }

  /** Key and place of the element just entered. */
  Header header(String element) {
    return Header.of(element, cursor, values, references);
  }
}
