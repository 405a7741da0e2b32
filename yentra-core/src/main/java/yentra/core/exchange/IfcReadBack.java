package yentra.core.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.UnaryOperator;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * What differs between an envelope and the IFC model written of it and read back, object by object,
 * by the GlobalIds that were given: spaces with storey, zone, use and gains, surfaces with type,
 * spaces and outlines, openings, the layers and thermal values that each has. Shading surfaces have
 * bodies in IFC and are not compared; schedules, and what else IFC has no place for, is told by the
 * notes of the writing.
 */
final class IfcReadBack {
  /** Of values that went through a division: gains are powers in IFC, humidities are ratios. */
  private static final double ROUNDING = 1e-12;

  private final Envelope a;
  private final Envelope b;
  private final UnaryOperator<String> globalIds;
  private final Tolerance tolerance;
  private final Vec3 shift;
  private final List<String> differences = new ArrayList<>();
  private final Set<String> typed = new HashSet<>();

  /**
   * What was found.
   *
   * @param differences one sentence a difference
   * @param typed keys of surfaces that came back with another type
   */
  record Result(List<String> differences, Set<String> typed) {
    Result {
      differences = List.copyOf(differences);
      typed = Set.copyOf(typed);
    }
  }

  private IfcReadBack(
      Envelope a, Envelope b, UnaryOperator<String> globalIds, Tolerance tolerance) {
    this.a = a;
    this.b = b;
    this.globalIds = globalIds;
    this.tolerance = tolerance;
    this.shift = b.delivered().origin().minus(a.delivered().origin());
  }

  /**
   * Compares the two.
   *
   * @param globalIds the GlobalId that was written for a key
   * @param tolerance of outlines
   */
  static Result between(
      Envelope a, Envelope b, UnaryOperator<String> globalIds, Tolerance tolerance) {
    IfcReadBack r = new IfcReadBack(a, b, globalIds, tolerance);
    r.spaces();
    r.storeysAndZones();
    r.surfaces();
    return new Result(r.differences, r.typed);
  }

  /** The key under which an object is read. */
  private String read(String prefix, String key) {
    return key == null ? null : prefix + globalIds.apply(key).replace('$', '.');
  }

  private void spaces() {
    same("the building", "number of spaces", a.spaces().size(), b.spaces().size());
    for (Space x : a.spaces()) {
      Space y = b.space(read("sp_", x.key())).orElse(null);
      if (y == null) {
        differences.add("The space " + x.key() + " is missing.");
        continue;
      }
      String what = "space " + x.key();
      same(what, "name", x.label(), y.label());
      same(
          what,
          "storey",
          a.storey(x.storey()).isEmpty() ? null : read("st_", x.storey()),
          y.storey());
      same(what, "zone", a.zone(x.zone()).isEmpty() ? null : read("zn_", x.zone()), y.zone());
      same(what, "use", x.use(), y.use());
      number(what, "stated floor area", x.statedFloorArea(), y.statedFloorArea());
      number(what, "stated volume", x.statedVolume(), y.statedVolume());
      number(what, "people", x.gains().people(), y.gains().people());
      number(what, "area per person", x.gains().areaPerPerson(), y.gains().areaPerPerson());
      number(what, "air changes", x.air().changes(), y.air().changes());
      if (x.statedFloorArea() != null) {
        number(what, "lighting", x.gains().lighting(), y.gains().lighting());
        number(what, "equipment", x.gains().equipment(), y.gains().equipment());
      }
    }
  }

  private void storeysAndZones() {
    for (Storey x : a.storeys()) {
      Storey y = b.storey(read("st_", x.key())).orElse(null);
      same("storey " + x.key(), "name", x.name(), y == null ? null : y.name());
      Double level = y == null || y.level() == null ? null : (Double) (y.level() + shift.z());
      number("storey " + x.key(), "level", x.level(), level);
    }
    Set<String> used = new HashSet<>();
    a.spaces().forEach(s -> used.add(s.zone()));
    for (Zone x : a.zones()) {
      Zone y = b.zone(read("zn_", x.key())).orElse(null);
      String what = "zone " + x.key();
      same(what, "name", x.name(), y == null ? null : y.name());
      if (y != null && used.contains(x.key())) {
        number(what, "heating set-point", x.heatingSetPoint(), y.heatingSetPoint());
        number(what, "cooling set-point", x.coolingSetPoint(), y.coolingSetPoint());
        number(what, "least humidity", x.air().leastHumidity(), y.air().leastHumidity());
        number(what, "greatest humidity", x.air().mostHumidity(), y.air().mostHumidity());
        number(what, "air changes", x.air().changes(), y.air().changes());
      }
    }
  }

  private void surfaces() {
    same(
        "the building",
        "number of openings that lie in no surface",
        a.orphans().size(),
        b.orphans().size());
    Map<String, Surface> left = new HashMap<>();
    b.surfaces().stream().filter(s -> !s.sides().isEmpty()).forEach(s -> left.put(s.key(), s));
    for (Surface x : a.surfaces()) {
      if (x.sides().isEmpty()) {
        continue;
      }
      Surface y = left.remove(read("su_", x.key()));
      if (y == null) {
        differences.add("The surface " + x.key() + " is missing.");
      } else {
        surface(x, y);
      }
    }
    left.keySet().forEach(k -> differences.add("The surface " + k + " was not there before."));
  }

  private void surface(Surface x, Surface y) {
    String what = "surface " + x.key();
    same(what, "type", x.type(), y.type());
    if (x.type() != y.type()) {
      typed.add(x.key());
    }
    same(what, "exposure", x.exposure(), y.exposure());
    same(
        what,
        "adjacent spaces",
        x.sides().stream().map(s -> read("sp_", s.space())).toList(),
        y.sides().stream().map(Side::space).toList());
    for (int i = 0; i < Math.min(x.sides().size(), y.sides().size()); i++) {
      outline(what, x.face(i), y.face(i));
    }
    if (x.type() != SurfaceType.AIR) {
      built(what, x.construction(), y.construction());
    }
    same(what, "number of openings", x.openings().size(), y.openings().size());
    Map<String, Opening> others = new HashMap<>();
    y.openings().forEach(o -> others.put(o.key(), o));
    for (Opening o : x.openings()) {
      Opening other = others.get(read("op_", o.key()));
      if (other == null) {
        differences.add("The opening " + o.key() + " of " + what + " is missing.");
      } else {
        opening(o, other);
      }
    }
  }

  private void opening(Opening x, Opening y) {
    String what = "opening " + x.key();
    outline(what, x.polygon(), y.polygon());
    same(what, "letting light through", x.type().isGlazed(), y.type().isGlazed());
    same(what, "being a hole", x.type().isHole(), y.type().isHole());
    Glazing g = x.glazing() == null ? null : a.glazing(x.glazing()).orElse(null);
    Glazing h = y.glazing() == null ? null : b.glazing(y.glazing()).orElse(null);
    if (g != null && x.type().isGlazed()) {
      number(what, "U-value", g.uValue(), h == null ? null : h.uValue());
      number(what, "solar gain", g.solarHeatGain(), h == null ? null : h.solarHeatGain());
      number(what, "light", g.visibleTransmittance(), h == null ? null : h.visibleTransmittance());
    }
  }

  private void built(String what, String x, String y) {
    Construction c = x == null ? null : a.construction(x).orElse(null);
    Construction d = y == null ? null : b.construction(y).orElse(null);
    number(what, "U-value", c == null ? null : c.uValue(), d == null ? null : d.uValue());
    same(what, "layers", layers(a, c), layers(b, d));
  }

  /** What is written of the layers of a construction, from outside to inside. */
  private static List<String> layers(Envelope e, Construction c) {
    List<String> out = new ArrayList<>();
    for (String key : c == null ? List.<String>of() : c.layers()) {
      Layer l = e.layers().stream().filter(x -> x.key().equals(key)).findFirst().orElse(null);
      for (String m : l == null || !l.shares().isEmpty() ? List.<String>of() : l.materials()) {
        e.material(m).map(IfcReadBack::words).ifPresent(out::add);
      }
    }
    return out;
  }

  private static String words(Material m) {
    return String.format(
        Locale.ROOT,
        "%s %s m, %s W/(mK), %s kg/m³, %s J/(kgK)",
        m.label(),
        m.thickness(),
        m.conductivity(),
        m.density(),
        m.specificHeat());
  }

  private void outline(String what, Polygon x, Polygon y) {
    double far = OutlinesApart.of(x, y, shift, tolerance);
    if (far > tolerance.length()) {
      differences.add(
          Double.isInfinite(far)
              ? "The outline of " + what + " has another number of vertices or holes."
              : String.format(
                  Locale.ROOT, "The outline of %s differs by up to %.6f m.", what, far));
    }
  }

  private void same(String what, String field, Object x, Object y) {
    if (!Objects.equals(x, y)) {
      differences.add("The " + field + " of " + what + " was " + x + " and is " + y + ".");
    }
  }

  private void number(String what, String field, Double x, Double y) {
    boolean near =
        x != null
            && y != null
            && Math.abs(x - y) <= ROUNDING * Math.max(1, Math.max(Math.abs(x), Math.abs(y)));
    if (!near) {
      same(what, field, x, y);
    }
  }
}
