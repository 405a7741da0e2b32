package yentra.server.thermal;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.proposal.ConstructionDefaults;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.intake.ProjectSettings;
import yentra.core.library.Library;
import yentra.core.thermal.AirLayer;
import yentra.core.thermal.BuildUp;
import yentra.core.thermal.DesignConductivity;
import yentra.core.thermal.HeatCapacity;
import yentra.core.thermal.HeatLoss;
import yentra.core.thermal.HeatLossOptions;
import yentra.core.thermal.UValueBreakdown;
import yentra.server.web.Problem;

/** Thermal properties of a delivery's state, as the interface shows them. */
public final class ThermalViews {
  private static final String[] COMPASS = {
    "North", "North-east", "East", "South-east", "South", "South-west", "West", "North-west"
  };

  private ThermalViews() {}

  /**
   * Everything about thermal properties.
   *
   * @param uValues W/(m²K) that count, by key of surface or opening
   * @param without keys of surfaces and opaque openings that have no construction
   * @param defaults what those can be given by their type
   * @param unglazed keys of openings that let light through and have no window type
   */
  public record ThermalView(
      List<ConstructionRow> constructions,
      List<GlazingRow> glazings,
      List<MaterialRow> materials,
      Map<String, Double> uValues,
      List<String> without,
      List<String> unglazed,
      List<ConstructionDefaults.Default> defaults,
      LossView losses) {}

  /**
   * A construction and where it is used.
   *
   * @param uValue by its layers where most of it is, W/(m²K), or null
   * @param stated or null
   * @param heatCapacity effective on the inner side, J/(m²K), or null
   * @param types of its surfaces, most of the area first
   * @param realThickness mean thickness of the elements it stands for, m, or null
   */
  public record ConstructionRow(
      String key,
      String name,
      Double uValue,
      Double stated,
      Double thickness,
      Double heatCapacity,
      double area,
      List<String> objects,
      List<String> types,
      List<LayerRow> layers,
      Double realThickness) {}

  /**
   * @param air whether it is a layer of air
   * @param share of the layer's area, 0 to 1
   */
  public record LayerRow(
      String material,
      String name,
      boolean air,
      Double thickness,
      Double conductivity,
      Double density,
      Double specificHeat,
      Double resistance,
      double share) {}

  public record GlazingRow(
      String key,
      String name,
      Double uValue,
      Double solarHeatGain,
      Double visibleTransmittance,
      double area,
      List<String> objects) {}

  /**
   * @param constructions names of those that have it
   */
  public record MaterialRow(
      String key,
      String name,
      Double thickness,
      Double conductivity,
      Double density,
      Double specificHeat,
      Double resistance,
      List<String> constructions) {}

  /**
   * Sums of heat losses.
   *
   * @param assumptions what was taken because it is not stated
   */
  public record LossView(
      LossRow building,
      List<LossRow> storeys,
      List<LossRow> zones,
      List<LossRow> spaces,
      List<LossRow> orientations,
      List<String> assumptions) {}

  /**
   * One group. Areas are m², heat losses W/K.
   *
   * @param meanUValue of what loses heat, or null for nothing
   * @param glazingRatio of outdoor walls, or null where there are none
   * @param unknownArea without a U-value
   */
  public record LossRow(
      String key,
      String name,
      double outdoorArea,
      double outdoorLoss,
      double groundArea,
      double groundLoss,
      double unconditionedArea,
      double unconditionedLoss,
      double loss,
      Double meanUValue,
      Double glazingRatio,
      double unknownArea) {}

  /**
   * Conditions of use of a material, by ISO 10456.
   *
   * @param conductivity as measured, W/(mK)
   * @param kelvin how much warmer it is
   * @param perKelvin coefficient fT, 1/K
   * @param moisture how much moister, m³/m³ or kg/kg
   * @param perMoisture coefficient fψ or fu
   */
  record ConductivityRequest(
      double conductivity, double kelvin, double perKelvin, double moisture, double perMoisture) {
    String problem() {
      boolean sound =
          conductivity > 0
              && conductivity <= 400
              && Math.abs(kelvin) <= 100
              && Math.abs(perKelvin) <= 0.1
              && Math.abs(moisture) <= 1
              && Math.abs(perMoisture) <= 100;
      return sound
          ? null
          : "Conductivity lies above 0 and up to 400 W/mK, the change of temperature within 100 K, that of moisture within 1; coefficients within 0.1 1/K and 100.";
    }

    ConductivityView answer() {
      return new ConductivityView(
          DesignConductivity.moister(
              DesignConductivity.warmer(conductivity, perKelvin, kelvin), perMoisture, moisture));
    }
  }

  /**
   * @param conductivity in use, W/(mK)
   */
  record ConductivityView(double conductivity) {}

  /** How a U-value comes about, and what counts instead where it is stated. */
  record BreakdownView(
      String construction, String place, Double stated, UValueBreakdown breakdown, Double counts) {}

  /**
   * @param settings of the project
   */
  static ThermalView of(CheckContext context, Library library, ProjectSettings settings) {
    Map<String, String> chosen = settings.constructions();
    Envelope e = context.envelope();
    HeatLoss losses = context.thermal().heatLoss(settings.heatLossOptions());
    Map<String, BuildUp> buildUps = BuildUp.all(e);
    Map<String, Use> uses = uses(context);
    Map<String, Double> u = new LinkedHashMap<>();
    List<String> without = new ArrayList<>();
    List<String> unglazed = new ArrayList<>();
    Set<String> types = new HashSet<>();
    e.glazings().forEach(g -> types.add(g.key()));
    for (Surface s : e.surfaces()) {
      put(u, s.key(), losses.uValue(s.key()));
      boolean asked = !s.type().isShading() && s.type() != SurfaceType.AIR;
      if (asked && e.construction(s.construction()).isEmpty()) {
        without.add(s.key());
      }
      for (Opening o : s.openings()) {
        put(u, o.key(), losses.uValue(o.key()));
        if (o.type().isGlazed() && !types.contains(o.glazing())) {
          unglazed.add(o.key());
        }
      }
    }
    List<ConstructionRow> constructions = new ArrayList<>();
    for (Construction c : e.constructions()) {
      constructions.add(row(c, buildUps.get(c.key()), uses.getOrDefault(c.key(), new Use())));
    }
    return new ThermalView(
        constructions,
        glazings(e),
        materials(e),
        u,
        without,
        unglazed,
        ConstructionDefaults.of(e, library, chosen == null ? Map.of() : chosen),
        losses(context, losses));
  }

  private static void put(Map<String, Double> into, String key, OptionalDouble v) {
    if (v.isPresent()) {
      into.put(key, v.getAsDouble());
    }
  }

  /** Where a construction is used. */
  private static final class Use {
    private final List<String> objects = new ArrayList<>();
    private final Map<SurfaceType, Double> types = new EnumMap<>(SurfaceType.class);
    private double area;
    private double thickArea;
    private double thickness;
    private double most;
    private UValueBreakdown.Position position = UValueBreakdown.Position.WALL;
  }

  private static Map<String, Use> uses(CheckContext context) {
    Map<String, Use> out = new HashMap<>();
    for (Surface s : context.envelope().surfaces()) {
      if (s.construction() != null) {
        Use use = out.computeIfAbsent(s.construction(), k -> new Use());
        double area = s.netArea();
        use.objects.add(s.key());
        use.area += area;
        use.types.merge(s.type(), area, Double::sum);
        if (s.thickness() != null) {
          use.thickArea += area;
          use.thickness += area * s.thickness();
        }
        if (area > use.most) {
          use.most = area;
          use.position = context.thermal().position(s);
        }
      }
      for (Opening o : s.openings()) {
        if (o.construction() != null) {
          Use use = out.computeIfAbsent(o.construction(), k -> new Use());
          use.objects.add(o.key());
          use.area += o.polygon().area();
          if (use.most == 0) {
            use.position = context.thermal().position(s);
          }
        }
      }
    }
    return out;
  }

  private static ConstructionRow row(Construction c, BuildUp b, Use use) {
    OptionalDouble thickness = b.thickness();
    OptionalDouble capacity = HeatCapacity.inside(b);
    List<LayerRow> layers = new ArrayList<>();
    for (List<BuildUp.Constituent> layer : b.layers()) {
      for (BuildUp.Constituent p : layer) {
        Material m = p.material();
        OptionalDouble r = BuildUp.resistance(m);
        layers.add(
            new LayerRow(
                m.key(),
                m.label(),
                AirLayer.isCalledSo(m.name()),
                m.thickness(),
                m.conductivity(),
                m.density(),
                m.specificHeat(),
                boxed(r),
                p.share()));
      }
    }
    return new ConstructionRow(
        c.key(),
        c.label(),
        UValueBreakdown.of(b, use.position).uValue(),
        c.uValue(),
        boxed(thickness),
        boxed(capacity),
        use.area,
        use.objects,
        use.types.entrySet().stream()
            .sorted(Map.Entry.<SurfaceType, Double>comparingByValue().reversed())
            .map(t -> t.getKey().label())
            .toList(),
        layers,
        use.thickArea > 0 ? (Double) (use.thickness / use.thickArea) : null);
  }

  static Double boxed(OptionalDouble v) {
    return v.isPresent() ? (Double) v.getAsDouble() : null;
  }

  private static List<GlazingRow> glazings(Envelope e) {
    Map<String, List<Opening>> users = new HashMap<>();
    for (Surface s : e.surfaces()) {
      s.openings().stream()
          .filter(o -> o.glazing() != null)
          .forEach(o -> users.computeIfAbsent(o.glazing(), k -> new ArrayList<>()).add(o));
    }
    List<GlazingRow> out = new ArrayList<>();
    for (Glazing g : e.glazings()) {
      List<Opening> own = users.getOrDefault(g.key(), List.of());
      out.add(
          new GlazingRow(
              g.key(),
              g.label(),
              g.uValue(),
              g.solarHeatGain(),
              g.visibleTransmittance(),
              own.stream().mapToDouble(o -> o.polygon().area()).sum(),
              own.stream().map(Opening::key).toList()));
    }
    return out;
  }

  private static List<MaterialRow> materials(Envelope e) {
    Map<String, BuildUp> buildUps = BuildUp.all(e);
    Map<String, List<String>> users = new HashMap<>();
    for (Construction c : e.constructions()) {
      buildUps.get(c.key()).materials().stream()
          .map(Material::key)
          .distinct()
          .forEach(m -> users.computeIfAbsent(m, k -> new ArrayList<>()).add(c.label()));
    }
    return e.materials().stream()
        .map(
            m ->
                new MaterialRow(
                    m.key(),
                    m.label(),
                    m.thickness(),
                    m.conductivity(),
                    m.density(),
                    m.specificHeat(),
                    m.resistance(),
                    users.getOrDefault(m.key(), List.of())))
        .toList();
  }

  private static LossView losses(CheckContext context, HeatLoss h) {
    Envelope e = context.envelope();
    Map<String, Space> spaces = new HashMap<>();
    e.spaces().forEach(s -> spaces.put(s.key(), s));
    Map<String, String> storeys = new HashMap<>();
    e.storeys().forEach(s -> storeys.put(s.key(), storey(s)));
    Map<String, String> zones = new HashMap<>();
    e.zones().forEach(z -> zones.put(z.key(), z.label()));
    Predicate<Surface> upright = s -> context.octant(s) >= 0;
    List<LossRow> orientations =
        rows(
            h,
            p ->
                p.beyond() == HeatLoss.Beyond.OUTDOOR && context.octant(p.surface()) >= 0
                    ? String.valueOf(context.octant(p.surface()))
                    : null,
            k -> COMPASS[Integer.parseInt(k)],
            upright);
    return new LossView(
        row("", "Building", h.total(upright)),
        rows(h, p -> spaces.get(p.space()).storey(), k -> storeys.getOrDefault(k, k), upright),
        rows(h, p -> spaces.get(p.space()).zone(), k -> zones.getOrDefault(k, k), upright),
        rows(h, HeatLoss.Share::space, k -> spaces.get(k).label(), upright),
        orientations.stream().sorted(java.util.Comparator.comparing(LossRow::key)).toList(),
        h.assumptions());
  }

  private static String storey(Storey s) {
    return s.name().isBlank() ? s.key() : s.name();
  }

  private static List<LossRow> rows(
      HeatLoss h,
      Function<HeatLoss.Share, String> group,
      Function<String, String> name,
      Predicate<Surface> upright) {
    List<LossRow> out = new ArrayList<>();
    h.by(group, upright).forEach((k, s) -> out.add(row(k, name.apply(k), s)));
    return out;
  }

  private static LossRow row(String key, String name, HeatLoss.Sum s) {
    double mean = s.meanUValue();
    return new LossRow(
        key,
        name,
        s.area().getOrDefault(HeatLoss.Beyond.OUTDOOR, 0.0),
        s.heatLoss().getOrDefault(HeatLoss.Beyond.OUTDOOR, 0.0),
        s.area().getOrDefault(HeatLoss.Beyond.GROUND, 0.0),
        s.heatLoss().getOrDefault(HeatLoss.Beyond.GROUND, 0.0),
        s.area().getOrDefault(HeatLoss.Beyond.UNCONDITIONED, 0.0),
        s.heatLoss().getOrDefault(HeatLoss.Beyond.UNCONDITIONED, 0.0),
        s.total(),
        Double.isNaN(mean) ? null : (Double) mean,
        s.wallArea() > 0 ? (Double) (s.glazedArea() / s.wallArea()) : null,
        s.unknownArea());
  }

  /**
   * Of the construction of a surface, or of an opaque opening, where it stands.
   *
   * @param key of the surface or opening
   */
  static BreakdownView breakdown(CheckContext context, String key, HeatLossOptions options) {
    Envelope e = context.envelope();
    Surface s =
        e.surface(key)
            .or(() -> e.parentOf(key))
            .orElseThrow(() -> Problem.notFound("The object " + key));
    String own =
        e.surface(key).isPresent()
            ? s.construction()
            : e.opening(key).map(Opening::construction).orElse(null);
    Construction c =
        e.construction(own).orElseThrow(() -> Problem.notFound("A construction of this object"));
    UValueBreakdown b =
        UValueBreakdown.of(BuildUp.all(e).get(c.key()), context.thermal().position(s));
    OptionalDouble counts = context.thermal().heatLoss(options).uValue(key);
    return new BreakdownView(c.label(), s.type().label(), c.uValue(), b, boxed(counts));
  }
}
