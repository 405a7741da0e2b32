package yentra.core.estimate;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.solar.SkySplit;
import yentra.core.solar.SunPosition;

/** Buildings of boxes side by side along x, and weather, for tests of estimates. */
public final class Boxes {
  public static final double W = 8;
  public static final double D = 6;
  public static final double H = 2.7;

  private final List<Space> spaces = new ArrayList<>();
  private final List<Surface> surfaces = new ArrayList<>();
  private final List<Construction> constructions = new ArrayList<>();
  private final List<Layer> layers = new ArrayList<>();
  private final List<Material> materials = new ArrayList<>();
  private final List<Glazing> glazings = new ArrayList<>();
  private double north;
  private double latitude = 40;

  private Vec3 at(int i, double x, double y, double z) {
    return new Vec3(i * W + x, y, z);
  }

  private static SourceRef source(String element, String id) {
    return new SourceRef(element, id, "", 0, 0);
  }

  /**
   * A construction of layers from outside to inside.
   *
   * @param rows thickness m, conductivity, density, specific heat
   */
  public Boxes construction(String key, double[]... rows) {
    List<String> names = new ArrayList<>();
    for (int i = 0; i < rows.length; i++) {
      String m = key + "-m" + i;
      double[] r = rows[i];
      materials.add(
          new Material(m, m, r[0], r[1], r[2], r[3], null, source("Material", m), Extras.NONE));
      names.add(m);
    }
    layers.add(new Layer(key + "-l", "", names, source("Layer", key + "-l"), Extras.NONE));
    constructions.add(
        new Construction(
            key, key, List.of(key + "-l"), null, source("Construction", key), Extras.NONE));
    return this;
  }

  /** A construction that only states its U-value. */
  public Boxes stated(String key, double u) {
    constructions.add(
        new Construction(key, key, List.of(), u, source("Construction", key), Extras.NONE));
    return this;
  }

  public Boxes glass(String key, double u, double gain) {
    glazings.add(new Glazing(key, key, u, gain, 0.6, source("WindowType", key), Extras.NONE));
    return this;
  }

  /** The azimuth of the y axis, and how far north. */
  public Boxes site(double northAzimuth, double lat) {
    north = northAzimuth;
    latitude = lat;
    return this;
  }

  /**
   * Boxes in a row.
   *
   * @param wall construction of outer walls
   * @param between of walls between them
   */
  public Boxes row(int n, String wall, String roof, String floor, String between) {
    for (int i = 0; i < n; i++) {
      String s = "s" + i;
      spaces.add(Space.of(s).with().name("Box " + i).source(source("Space", s)).build());
      flat(i, "south", SurfaceType.EXTERIOR_WALL, wall, 0, 0, 0, W, 0, 0, W, 0, H, 0, 0, H);
      flat(i, "north", SurfaceType.EXTERIOR_WALL, wall, W, D, 0, 0, D, 0, 0, D, H, W, D, H);
      flat(i, "roof", SurfaceType.ROOF, roof, 0, 0, H, W, 0, H, W, D, H, 0, D, H);
      flat(i, "floor", SurfaceType.EXPOSED_FLOOR, floor, 0, 0, 0, 0, D, 0, W, D, 0, W, 0, 0);
      if (i == 0) {
        flat(i, "west", SurfaceType.EXTERIOR_WALL, wall, 0, D, 0, 0, 0, 0, 0, 0, H, 0, D, H);
      }
      boolean last = i == n - 1;
      flat(
          i,
          "east",
          last ? SurfaceType.EXTERIOR_WALL : SurfaceType.INTERIOR_WALL,
          last ? wall : between,
          W,
          0,
          0,
          W,
          D,
          0,
          W,
          D,
          H,
          W,
          0,
          H);
      if (!last) {
        String key = "s" + i + "-east";
        List<Side> sides = List.of(Side.of(s), Side.of("s" + (i + 1)));
        surfaces.replaceAll(x -> x.key().equals(key) ? x.withPolygon(x.polygon(), sides) : x);
      }
    }
    return this;
  }

  private void flat(int i, String name, SurfaceType type, String construction, double... c) {
    List<Vec3> ring = new ArrayList<>();
    for (int k = 0; k < c.length; k += 3) {
      ring.add(at(i, c[k], c[k + 1], c[k + 2]));
    }
    String key = "s" + i + "-" + name;
    surfaces.add(
        Surface.of(key, type, Polygon.of(ring), BoundaryKind.FACE)
            .with()
            .sides(List.of(Side.of("s" + i)))
            .construction(construction)
            .source(source("Surface", key))
            .build());
  }

  /** A window in a wall, by its corners along and up the wall. */
  public Boxes window(String wall, String glass, double x0, double z0, double x1, double z1) {
    surfaces.replaceAll(
        s -> {
          if (!s.key().equals(wall)) {
            return s;
          }
          Vec3 o = s.polygon().outer().get(0);
          Vec3 u = s.polygon().outer().get(1).minus(o).unit();
          Polygon p =
              Polygon.of(
                  o.plus(u.times(x0)).plus(Vec3.Z.times(z0)),
                  o.plus(u.times(x1)).plus(Vec3.Z.times(z0)),
                  o.plus(u.times(x1)).plus(Vec3.Z.times(z1)),
                  o.plus(u.times(x0)).plus(Vec3.Z.times(z1)));
          String key = wall + "-w" + s.openings().size();
          List<Opening> all = new ArrayList<>(s.openings());
          all.add(
              Opening.of(key, OpeningType.FIXED_WINDOW, p)
                  .with()
                  .glazing(glass)
                  .source(source("Opening", key))
                  .build());
          return s.withOpenings(all);
        });
    return this;
  }

  /** Something that shades. */
  public Boxes shade(String key, Vec3... corners) {
    surfaces.add(
        Surface.of(key, SurfaceType.SHADE, Polygon.of(corners), BoundaryKind.FACE)
            .with()
            .source(source("Surface", key))
            .build());
    return this;
  }

  public Envelope envelope() {
    return Envelope.of(
        Envelope.Parts.of(
                Delivered.si(Delivered.GBXML, "6.01", Vec3.ZERO),
                new Site("", latitude, 0.0, 0.0, north, Extras.NONE))
            .with()
            .spaces(spaces)
            .surfaces(surfaces)
            .constructions(constructions)
            .layers(layers)
            .materials(materials)
            .glazings(glazings)
            .build());
  }

  public CheckContext context() {
    return new CheckContext(envelope(), Limits.STANDARD, Tolerance.standard());
  }

  /** Weather without gaps, of values by hour; a sky as warm as the air. */
  public static WeatherYear weather(
      IntToDoubleFunction dry, IntToDoubleFunction direct, IntToDoubleFunction diffuse) {
    Map<WeatherQuantity, double[]> v = new EnumMap<>(WeatherQuantity.class);
    for (WeatherQuantity q : WeatherQuantity.values()) {
      v.put(q, new double[8760]);
    }
    for (int h = 0; h < 8760; h++) {
      double t = dry.applyAsDouble(h);
      v.get(WeatherQuantity.DRY_BULB)[h] = t;
      v.get(WeatherQuantity.HORIZONTAL_INFRARED)[h] = 5.6697e-8 * Math.pow(t + 273, 4);
      v.get(WeatherQuantity.DIRECT_NORMAL)[h] = direct.applyAsDouble(h);
      v.get(WeatherQuantity.DIFFUSE_HORIZONTAL)[h] = diffuse.applyAsDouble(h);
    }
    return new WeatherYear(
        new WeatherYear.Station("Nowhere", "", "", "", 40, 0, 0, 0),
        v,
        Map.of(),
        List.of(),
        1,
        List.of());
  }

  /** The same at all hours, without sun. */
  public static WeatherYear constant(double outdoors) {
    return weather(h -> outdoors, h -> 0, h -> 0);
  }

  /** Cold clear winters and warm clear summers, with big swings of the day. */
  public static WeatherYear continental() {
    WeatherYear calendar = constant(0);
    IntToDoubleFunction global =
        h -> {
          SunPosition p = SunPosition.of(calendar.date(h), h % 24 + 0.5, 0, 40, 0);
          double up = Math.max(0, p.cosine());
          return up < 0.05 ? 0 : 0.62 * SkySplit.extraterrestrial(h / 24 + 1) * up;
        };
    double share = SkySplit.diffuseShare(0.62);
    return weather(
        h ->
            10
                - 12 * Math.cos(2 * Math.PI * (h / 24.0 - 20) / 365)
                - 7 * Math.cos(2 * Math.PI * (h % 24 - 4) / 24),
        h -> {
          SunPosition p = SunPosition.of(calendar.date(h), h % 24 + 0.5, 0, 40, 0);
          return global.applyAsDouble(h) <= 0
              ? 0
              : (1 - share) * global.applyAsDouble(h) / p.cosine();
        },
        h -> share * global.applyAsDouble(h));
  }
}
