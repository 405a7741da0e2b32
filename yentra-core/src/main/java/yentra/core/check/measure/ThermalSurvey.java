package yentra.core.check.measure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import yentra.core.envelope.Conditions;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Material;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.thermal.BuildUp;
import yentra.core.thermal.HeatLoss;
import yentra.core.thermal.HeatLossOptions;
import yentra.core.thermal.UValueBreakdown;

/** Which surfaces use which construction, and what their layers come to. */
public final class ThermalSurvey {
  private final CheckContext context;
  private final Map<String, BuildUp> buildUps;
  private final Map<String, List<Surface>> users = new LinkedHashMap<>();
  private final Map<String, Integer> uses = new HashMap<>();
  private final Map<String, Construction> constructions = new HashMap<>();

  ThermalSurvey(CheckContext context) {
    this.context = context;
    Envelope e = context.envelope();
    buildUps = BuildUp.all(e);
    e.constructions().forEach(c -> constructions.put(c.key(), c));
    for (Surface s : e.surfaces()) {
      uses.merge(s.construction() == null ? "" : s.construction(), 1, Integer::sum);
      boolean counts = !s.type().isShading() && s.type() != SurfaceType.AIR;
      if (counts && s.construction() != null && buildUps.containsKey(s.construction())) {
        users.computeIfAbsent(s.construction(), k -> new ArrayList<>()).add(s);
      }
    }
  }

  /** Constructions that surfaces use, in the order of their first use. */
  public List<Construction> used() {
    return users.keySet().stream().map(constructions::get).toList();
  }

  /** How many surfaces of any type name a construction. */
  public int uses(String construction) {
    return uses.getOrDefault(construction, 0);
  }

  public List<Surface> users(Construction c) {
    return users.getOrDefault(c.key(), List.of());
  }

  public BuildUp buildUp(Construction c) {
    return buildUps.get(c.key());
  }

  /** Tilt of the outer face, degrees. */
  public double tilt(Surface s) {
    return context.outward(s).tilt();
  }

  /** By the layers of its construction where a surface stands, W/(m²K). */
  public OptionalDouble byLayers(Surface s) {
    return UValueBreakdown.uValue(buildUps.get(s.construction()), position(s));
  }

  /** The stated U-value, else what the layers give, W/(m²K). */
  public OptionalDouble uValue(Surface s) {
    Construction c = constructions.get(s.construction());
    return c == null
        ? OptionalDouble.empty()
        : UValueBreakdown.uValue(c, buildUps.get(c.key()), position(s));
  }

  /** Whether nothing thermal is stated of a material that is no air. */
  public static boolean statesNothing(Material m) {
    return m.conductivity() == null
        && m.resistance() == null
        && m.density() == null
        && m.specificHeat() == null
        && !UValueBreakdown.isAirLayer(m);
  }

  public static List<Polygon> polygons(List<Surface> list) {
    return list.stream().map(Surface::polygon).toList();
  }

  public static String[] keys(String first, List<Surface> list) {
    List<String> out = new ArrayList<>(List.of(first));
    list.forEach(s -> out.add(s.key()));
    return out.toArray(String[]::new);
  }

  /** "3 surfaces use it". */
  public static String useOf(List<Surface> list) {
    return list.size() == 1 ? "1 surface uses it" : list.size() + " surfaces use it";
  }

  /**
   * How many constructions that surfaces use neither state a U-value nor have layers that give one.
   */
  public int constructionsWithoutUValue() {
    return (int)
        used().stream()
            .filter(c -> c.uValue() == null && buildUp(c).resistance().isEmpty())
            .count();
  }

  /** Materials of a construction that are no air and state nothing thermal. */
  public List<Material> silentMaterials(String construction) {
    return context
        .envelope()
        .construction(construction)
        .map(c -> buildUp(c).materials())
        .orElse(List.of())
        .stream()
        .filter(ThermalSurvey::statesNothing)
        .distinct()
        .toList();
  }

  /**
   * Transmission heat loss. Spaces count as conditioned unless the delivery says otherwise; those
   * that only group others do not count.
   */
  public HeatLoss heatLoss(HeatLossOptions options) {
    Set<String> grouping = context.groupings().keySet();
    return HeatLoss.of(
        context.envelope(),
        options,
        s -> context.outward(s).tilt(),
        s -> Math.max(0, context.volumes().of(s.key()).volume()),
        s -> Conditions.of(s.condition()) != Conditions.NONE,
        s -> !grouping.contains(s.key()));
  }

  /** Where a surface stands, for its surface resistances. */
  public UValueBreakdown.Position position(Surface s) {
    return UValueBreakdown.Position.of(context.envelope(), s, context.outward(s).tilt());
  }
}
