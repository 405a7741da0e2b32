package yentra.core;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Building;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.UnreadableException;
import yentra.core.envelope.Zone;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.gbxml.GbxmlVersion;
import yentra.core.gbxml.GbxmlWriter;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/** Two rooms side by side, 4 x 5 x 3 m each, sound in every way, to be broken by tests. */
public final class Fixtures {
  public static final Tolerance TOLERANCE = Tolerance.standard();

  public static final Rules RULES = Rules.standard();

  private Fixtures() {}

  public static Vec3 v(double x, double y, double z) {
    return new Vec3(x, y, z);
  }

  /** Outward faces of a box in the order floor, roof, south, east, north, west. */
  public static List<Polygon> box(Vec3 a, Vec3 b) {
    double x0 = a.x(), y0 = a.y(), z0 = a.z(), x1 = b.x(), y1 = b.y(), z1 = b.z();
    return List.of(
        Polygon.of(v(x0, y0, z0), v(x0, y1, z0), v(x1, y1, z0), v(x1, y0, z0)),
        Polygon.of(v(x0, y0, z1), v(x1, y0, z1), v(x1, y1, z1), v(x0, y1, z1)),
        Polygon.of(v(x0, y0, z0), v(x1, y0, z0), v(x1, y0, z1), v(x0, y0, z1)),
        Polygon.of(v(x1, y0, z0), v(x1, y1, z0), v(x1, y1, z1), v(x1, y0, z1)),
        Polygon.of(v(x1, y1, z0), v(x0, y1, z0), v(x0, y1, z1), v(x1, y1, z1)),
        Polygon.of(v(x0, y1, z0), v(x0, y0, z0), v(x0, y0, z1), v(x0, y1, z1)));
  }

  public static List<Polygon> box(
      double x0, double y0, double z0, double x1, double y1, double z1) {
    return box(v(x0, y0, z0), v(x1, y1, z1));
  }

  public static SourceRef source(String element, String id) {
    return new SourceRef(element, id, "", 7, 3);
  }

  public static Surface surface(
      String key, SurfaceType type, Polygon p, String construction, String... spaces) {
    List<Side> sides = new ArrayList<>();
    for (String s : spaces) {
      sides.add(Side.of(s));
    }
    return Surface.of(key, type, p, BoundaryKind.READ)
        .with()
        .sides(sides)
        .construction(construction)
        .source(source("Surface", key))
        .build();
  }

  public static Opening window(String key, Polygon p) {
    return Opening.of(key, OpeningType.FIXED_WINDOW, p)
        .with()
        .glazing("glass-1")
        .source(source("Opening", key))
        .build();
  }

  private static Space room(String key, String name, List<Polygon> shell) {
    return Space.of(key)
        .with()
        .name(name)
        .storey("st-1")
        .zone("z-1")
        .building("b-1")
        .use("OfficeEnclosed")
        .condition("Heated")
        .statedFloorArea(20.0)
        .statedVolume(60.0)
        .shell(shell)
        .source(source("Space", key))
        .build();
  }

  /**
   * Rooms West ("a", x 0–4) and East ("b", x 4–8) with a window of 2 x 1.2 m in the south wall of
   * West.
   */
  public static Envelope rooms() {
    List<Polygon> a = box(v(0, 0, 0), v(4, 5, 3));
    List<Polygon> b = box(v(4, 0, 0), v(8, 5, 3));
    List<Surface> s = new ArrayList<>();
    s.add(surface("a-floor", SurfaceType.SLAB_ON_GRADE, a.get(0), "con-1", "a"));
    s.add(surface("a-roof", SurfaceType.ROOF, a.get(1), "con-1", "a"));
    Polygon glass = Polygon.of(v(1, 0, 1), v(3, 0, 1), v(3, 0, 2.2), v(1, 0, 2.2));
    s.add(
        surface("a-south", SurfaceType.EXTERIOR_WALL, a.get(2), "con-1", "a")
            .withOpenings(List.of(window("win", glass))));
    s.add(surface("a-north", SurfaceType.EXTERIOR_WALL, a.get(4), "con-1", "a"));
    s.add(surface("a-west", SurfaceType.EXTERIOR_WALL, a.get(5), "con-1", "a"));
    s.add(surface("between", SurfaceType.INTERIOR_WALL, a.get(3), "con-1", "a", "b"));
    s.add(surface("b-floor", SurfaceType.SLAB_ON_GRADE, b.get(0), "con-1", "b"));
    s.add(surface("b-roof", SurfaceType.ROOF, b.get(1), "con-1", "b"));
    s.add(surface("b-south", SurfaceType.EXTERIOR_WALL, b.get(2), "con-1", "b"));
    s.add(surface("b-east", SurfaceType.EXTERIOR_WALL, b.get(3), "con-1", "b"));
    s.add(surface("b-north", SurfaceType.EXTERIOR_WALL, b.get(4), "con-1", "b"));
    Construction c =
        new Construction(
            "con-1",
            "Brick wall",
            List.of("lay-1"),
            null,
            source("Construction", "con-1"),
            Extras.NONE);
    Layer l = new Layer("lay-1", "", List.of("mat-1"), source("Layer", "lay-1"), Extras.NONE);
    Material m =
        new Material(
            "mat-1",
            "Brick",
            0.3,
            0.8,
            1800.0,
            900.0,
            null,
            source("Material", "mat-1"),
            Extras.NONE);
    return Envelope.of(
        Envelope.Parts.of(
                Delivered.si(Delivered.GBXML, "6.01", Vec3.ZERO),
                new Site("Somewhere", 50.0, 8.0, 100.0, 0.0, Extras.NONE))
            .with()
            .buildings(
                List.of(
                    new Building(
                        "b-1", "House", "Office", null, source("Building", "b-1"), Extras.NONE)))
            .storeys(
                List.of(
                    new Storey(
                        "st-1",
                        "Ground floor",
                        0.0,
                        "b-1",
                        source("BuildingStorey", "st-1"),
                        Extras.NONE)))
            .zones(
                List.of(
                    Zone.of("z-1")
                        .with()
                        .name("House")
                        .heatingSetPoint(20.0)
                        .coolingSetPoint(26.0)
                        .source(source("Zone", "z-1"))
                        .build()))
            .spaces(List.of(room("a", "West", a), room("b", "East", b)))
            .surfaces(s)
            .constructions(List.of(c))
            .layers(List.of(l))
            .materials(List.of(m))
            .glazings(
                List.of(
                    new Glazing(
                        "glass-1",
                        "Double glazing",
                        1.3,
                        0.55,
                        0.75,
                        source("WindowType", "glass-1"),
                        Extras.NONE)))
            .build());
  }

  /** The rooms with one surface changed. */
  public static Envelope changed(String key, UnaryOperator<Surface> change) {
    return rooms().replacing(key, change);
  }

  public static Surface with(Surface s, Polygon p) {
    return s.withPolygon(p, s.sides());
  }

  public static List<Finding> check(Envelope e) {
    return CheckCatalogue.run(new CheckContext(e, Limits.STANDARD, TOLERANCE));
  }

  public static List<String> codes(Envelope e) {
    return check(e).stream().map(Finding::code).distinct().toList();
  }

  public static byte[] write(Envelope e) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      GbxmlWriter.write(e, SurfaceTypes.STANDARD, GbxmlVersion.V6_01, out);
    } catch (IOException x) {
      throw new UncheckedIOException(x);
    }
    return out.toByteArray();
  }

  public static Envelope read(String xml) throws UnreadableException {
    return read(xml.getBytes(StandardCharsets.UTF_8));
  }

  public static Envelope read(byte[] xml) throws UnreadableException {
    return GbxmlReader.read(new ByteArrayInputStream(xml), ReadLimits.standard());
  }
}
