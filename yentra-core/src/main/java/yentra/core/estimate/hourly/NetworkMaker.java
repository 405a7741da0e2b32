package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.geometry.Polygon;
import yentra.core.solar.GlassByAngle;
import yentra.core.thermal.GroundContact;
import yentra.core.thermal.HeatLoss;
import yentra.core.thermal.UValueBreakdown;

/**
 * Makes the network of an envelope. Surfaces have the U-values of the heat loss (stated, else ISO
 * 6946, with the ground ISO 13370) and the mass of their layers.
 */
final class NetworkMaker {
  /** Rsi and Rse as U-values of windows and doors have them, m²K/W. */
  private static final double FILMS = 0.17;

  /**
   * Air through an air boundary, W/(m²K): 0.06 m³/(s·m²), of a tall opening at 1 K (orifice flow).
   */
  private static final double THROUGH_AIR = 72;

  /** Least resistance between the films, m²K/W. */
  private static final double LEAST = 0.001;

  /** Where neither it nor the window type says it (common practice, no source). */
  private static final double SOLAR_HEAT_GAIN = 0.6;

  private static final double SOIL = 0.5;
  private static final double RSI_GROUND = 0.17;

  private final CheckContext context;
  private final Envelope envelope;
  private final EstimateSettings settings;
  private final HeatLoss loss;
  private final UValueBreakdown.Table table;
  private final GroundContact contact;
  private final Walls walls;
  private final GroundMonths groundMonths;
  private final WeatherYear weather;
  private final Assumed assumed = new Assumed();
  private final Map<String, Integer> numbers = new HashMap<>();
  private final Map<String, Glazing> glazings = new HashMap<>();
  private final List<Component> components = new ArrayList<>();
  private final List<Network.Link> links = new ArrayList<>();
  private final List<Face> faces = new ArrayList<>();
  private final List<String> missing = new ArrayList<>();

  private NetworkMaker(CheckContext context, EstimateSettings settings, WeatherYear weather) {
    this.context = context;
    this.envelope = context.envelope();
    this.settings = settings;
    this.weather = weather;
    loss = context.thermal().heatLoss(settings.heatLoss());
    table = new UValueBreakdown.Table(envelope);
    contact = GroundContact.of(envelope, table, settings.heatLoss());
    walls = new Walls(table, assumed);
    groundMonths = new GroundMonths(contact, weather);
    envelope.glazings().forEach(g -> glazings.put(g.key(), g));
  }

  /**
   * The network, or what keeps it from being made.
   *
   * @param missing keys of surfaces and openings without a U-value; then there is no network
   * @param factors of zones that are not conditioned: how far their steady state is outdoors (ISO
   *     13789), 1 where nothing is known
   */
  record Made(Network network, List<String> missing, double[] factors) {}

  /**
   * @param bridges linear thermal bridges of a space, W/K
   */
  static Made of(
      CheckContext context,
      EstimateSettings settings,
      WeatherYear weather,
      ToDoubleFunction<String> bridges) {
    return new NetworkMaker(context, settings, weather).make(bridges);
  }

  private Made make(ToDoubleFunction<String> bridges) {
    ToDoubleFunction<Space> floor = s -> context.volumes().of(s.key()).floorArea();
    ToDoubleFunction<Space> volume =
        s -> {
          double v = context.volumes().of(s.key()).volume();
          return v > 0 ? v : s.statedVolume() == null ? 0 : s.statedVolume();
        };
    ZoneMaker maker =
        new ZoneMaker(envelope, settings, floor, volume, weather::date, weather.hours(), assumed);
    List<Zone> zones = new ArrayList<>();
    Set<String> grouping = context.groupings().keySet();
    for (Space s : envelope.spaces()) {
      if (!grouping.contains(s.key())) {
        numbers.put(s.key(), zones.size());
        zones.add(maker.of(s));
      }
    }
    envelope.surfaces().forEach(this::add);
    if (!missing.isEmpty()) {
      return new Made(null, missing, new double[0]);
    }
    assumed.addAll(loss.assumptions());
    boolean sun = settings.sun() && weather.has(WeatherQuantity.DIRECT_NORMAL);
    if (settings.sun() && !sun) {
      assumed.add("The weather file has no radiation of the sun: it does not shine.");
    }
    double[] tb = new double[zones.size()];
    for (int i = 0; i < tb.length; i++) {
      tb[i] = settings.thermalBridges() ? bridges.applyAsDouble(zones.get(i).key()) : 0;
    }
    assumed.add(
        String.format(
            Locale.ROOT,
            "Outer faces take up %.0f %% of the sun that falls on them.",
            100 * settings.absorptance()));
    return new Made(
        new Network(
            zones,
            components,
            links,
            faces,
            tb,
            new Network.Options(
                settings.shares(),
                settings.setPointOf() == EstimateSettings.SetPointOf.AIR,
                sun,
                settings.sky(),
                settings.reflectance(),
                settings.absorptance()),
            assumed.sentences()),
        List.of(),
        factors(zones.size()));
  }

  private double[] factors(int zones) {
    double[] out = new double[zones];
    Arrays.fill(out, 1);
    for (HeatLoss.Share p : loss.parts()) {
      if (p.beyond() == HeatLoss.Beyond.UNCONDITIONED) {
        for (Side side : p.surface().sides()) {
          Integer z = numbers.get(side.space());
          if (z != null && !side.space().equals(p.space())) {
            out[z] = p.factor();
          }
        }
      }
    }
    return out;
  }

  private Integer zone(Surface s, int side) {
    return side < s.sides().size() ? numbers.get(s.sides().get(side).space()) : null;
  }

  private void add(Surface s) {
    if (s.type().isShading() || s.isWithinOneSpace() || !(s.polygon().area() > 0)) {
      return;
    }
    Integer a = zone(s, 0);
    Integer b = zone(s, 1);
    boolean between = s.exposure() == Exposure.SPACE || s.type() == SurfaceType.AIR;
    if (a == null && b != null && between) {
      a = b;
      b = null;
    }
    if (a == null) {
      return;
    }
    Polygon out = context.outward(s);
    switch (s.exposure()) {
      case OUTDOOR -> outdoor(s, out, a);
      case GROUND -> ground(s, out, a);
      case SPACE -> between(s, out, a, b);
      case NONE -> {
        if (b != null) {
          links.add(new Network.Link(a, b, THROUGH_AIR * s.polygon().area()));
          assumed.add("Air boundaries let 0.06 m³/s of air through each square metre (%d).");
        }
      }
      default -> adiabatic(s, out, a);
    }
  }

  private OptionalDouble u(String key) {
    OptionalDouble u = loss.uValue(key);
    boolean sound = u.isPresent() && u.getAsDouble() > 0;
    if (!sound) {
      missing.add(key);
    }
    return sound ? u : OptionalDouble.empty();
  }

  private int face(Polygon p) {
    faces.add(new Face(p, p.tilt(), envelope.site().fromTrueNorth(p.azimuth())));
    return faces.size() - 1;
  }

  private void outdoor(Surface s, Polygon out, int zone) {
    OptionalDouble u = u(s.key());
    double tilt = out.tilt();
    if (u.isPresent() && s.netArea() > 0) {
      double films = UValueBreakdown.Position.of(envelope, s, tilt).air().sum();
      components.add(
          new Component(
              s.key(),
              Component.Kind.OPAQUE,
              s.netArea(),
              walls.of(
                  s.construction(),
                  rest(u.getAsDouble(), films),
                  List.of(new WallDynamics.Slice(1 / Network.OUTSIDE, 0)),
                  List.of()),
              zone,
              Films.inside(tilt),
              -1,
              0,
              face(out),
              null,
              null));
    }
    for (Opening o : s.openings()) {
      opening(o, out, zone);
    }
  }

  private void opening(Opening o, Polygon surface, int zone) {
    OptionalDouble u = u(o.key());
    if (u.isEmpty() || !(o.polygon().area() > 0)) {
      return;
    }
    boolean turned = o.polygon().normal().dot(surface.normal()) < 0;
    Polygon p = turned ? o.polygon().reversed() : o.polygon();
    Component.Glass glass = o.type().isGlazed() ? glass(o, u.getAsDouble()) : null;
    components.add(
        new Component(
            o.key(),
            Component.Kind.WINDOW,
            p.area(),
            WallDynamics.massless(rest(u.getAsDouble(), FILMS) + 1 / Network.OUTSIDE),
            zone,
            Films.inside(surface.tilt()),
            -1,
            0,
            face(p),
            null,
            glass));
  }

  private Component.Glass glass(Opening o, double u) {
    Glazing g = glazings.get(o.glazing());
    Double gain = g == null ? null : g.solarHeatGain();
    if (gain == null) {
      assumed.add(
          String.format(
              Locale.ROOT,
              "Windows that state no solar heat gain coefficient have %.1f (%%d).",
              SOLAR_HEAT_GAIN));
      gain = SOLAR_HEAT_GAIN;
    }
    return new Component.Glass(gain, GlassByAngle.ofUValue(u));
  }

  private double rest(double u, double films) {
    double r = 1 / u - films;
    if (r < LEAST) {
      assumed.add(
          "U-values that leave nothing between the air on both sides are taken as they can be (%d).");
    }
    return Math.max(LEAST, r);
  }

  private void ground(Surface s, Polygon out, int zone) {
    OptionalDouble u = u(s.key());
    OptionalDouble own = contact.resistance(s);
    if (u.isEmpty() || own.isEmpty()) {
      return;
    }
    double r = Math.max(LEAST, own.getAsDouble());
    List<WallDynamics.Slice> soil = new ArrayList<>();
    double[] months = new double[12];
    if (settings.groundTemperature() != null) {
      Arrays.fill(months, settings.groundTemperature());
    } else {
      double conductivity = settings.heatLoss().ground().conductivity();
      double left = Math.max(0, 1 / u.getAsDouble() - r - RSI_GROUND);
      double thick = Math.min(SOIL, left * conductivity);
      soil.add(new WallDynamics.Slice(left - thick / conductivity, 0));
      if (thick > 0) {
        soil.add(
            new WallDynamics.Slice(
                thick / conductivity, thick * settings.heatLoss().ground().heatCapacity()));
      }
      months = groundMonths.of(s);
    }
    double area = s.netArea();
    for (Opening o : s.openings()) {
      area += o.polygon().area();
      assumed.add("Openings in surfaces that touch the ground count as part of them (%d).");
    }
    components.add(
        new Component(
            s.key(),
            Component.Kind.GROUND,
            area,
            walls.of(s.construction(), r, soil, List.of()),
            zone,
            Films.inside(out.tilt()),
            -1,
            0,
            -1,
            months,
            null));
  }

  private void between(Surface s, Polygon out, int a, Integer b) {
    OptionalDouble u = u(s.key());
    double tilt = out.tilt();
    if (u.isPresent() && s.netArea() > 0) {
      double films = UValueBreakdown.Position.of(envelope, s, tilt).air().sum();
      interior(
          s.key(),
          s.netArea(),
          walls.of(s.construction(), rest(u.getAsDouble(), films), List.of(), List.of()),
          a,
          b,
          tilt);
    }
    for (Opening o : s.openings()) {
      if (o.type() == OpeningType.AIR && b != null) {
        links.add(new Network.Link(a, b, THROUGH_AIR * o.polygon().area()));
        continue;
      }
      OptionalDouble v = u(o.key());
      if (v.isPresent() && o.polygon().area() > 0) {
        interior(
            o.key(),
            o.polygon().area(),
            WallDynamics.massless(rest(v.getAsDouble(), 0.26)),
            a,
            b,
            tilt);
      }
    }
  }

  /** A component whose other side is not a zone keeps its mass and lets nothing through. */
  private void interior(
      String key, double area, WallDynamics dynamics, int a, Integer b, double tilt) {
    boolean none = b == null || b == a;
    components.add(
        new Component(
            key,
            none ? Component.Kind.ADIABATIC : Component.Kind.INTERIOR,
            area,
            dynamics,
            a,
            Films.inside(tilt),
            none ? -1 : b,
            Films.inside(180 - tilt),
            -1,
            null,
            null));
  }

  private void adiabatic(Surface s, Polygon out, int zone) {
    OptionalDouble known = loss.uValue(s.key());
    double r = known.isPresent() ? Math.max(LEAST, 1 / known.getAsDouble() - 0.26) : 1;
    interior(
        s.key(),
        s.polygon().area(),
        walls.of(s.construction(), r, List.of(), List.of()),
        zone,
        null,
        out.tilt());
  }
}
