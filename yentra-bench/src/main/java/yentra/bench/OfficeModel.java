package yentra.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Building;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.Zone;
import yentra.core.gbxml.GbxmlVersion;
import yentra.core.gbxml.GbxmlWriter;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * A sound office block of any number of rooms on a grid, with matched walls and floors, each in two
 * pieces, and two windows in every piece of an outer wall.
 */
final class OfficeModel {
  private static final double W = 4;
  private static final double D = 5;
  private static final double H = 3.2;
  private final List<Space> spaces = new ArrayList<>();
  private final List<Surface> surfaces = new ArrayList<>();
  private final List<Storey> storeys = new ArrayList<>();
  private final int columns;
  private final int rows = 4;
  private final int levels;

  private OfficeModel(int rooms) {
    levels = Math.max(1, (int) Math.round(Math.cbrt(rooms / 10.0)));
    columns = Math.max(1, rooms / (rows * levels));
  }

  /**
   * Writes a block as gbXML.
   *
   * @param args number of rooms, file
   */
  public static void main(String[] args) throws IOException {
    try (OutputStream out = Files.newOutputStream(Path.of(args[1]))) {
      GbxmlWriter.write(
          of(Integer.parseInt(args[0])), SurfaceTypes.STANDARD, GbxmlVersion.V6_01, out);
    }
  }

  static Envelope of(int rooms) {
    return new OfficeModel(rooms).envelope();
  }

  private static SourceRef source(String element, String id) {
    return new SourceRef(element, id, "", 0, 0);
  }

  private String key(int i, int j, int k) {
    return "sp-" + k + "-" + j + "-" + i;
  }

  private Envelope envelope() {
    for (int k = 0; k < levels; k++) {
      storeys.add(
          new Storey(
              "st-" + k,
              "Storey " + k,
              k * H,
              "b-1",
              source("BuildingStorey", "st-" + k),
              Extras.NONE));
      for (int j = 0; j < rows; j++) {
        for (int i = 0; i < columns; i++) {
          room(i, j, k);
        }
      }
    }
    Construction wall =
        new Construction(
            "con-1", "Any", List.of(), 0.3, source("Construction", "con-1"), Extras.NONE);
    return Envelope.of(
        Envelope.Parts.of(
                Delivered.si(Delivered.GBXML, "6.01", Vec3.ZERO),
                new Site("", 50.0, 8.0, 0.0, 0.0, Extras.NONE))
            .with()
            .buildings(
                List.of(
                    new Building(
                        "b-1", "Office", "Office", null, source("Building", "b-1"), Extras.NONE)))
            .storeys(storeys)
            .zones(
                List.of(
                    Zone.of("zn-1")
                        .with()
                        .name("Office")
                        .heatingSetPoint(20.0)
                        .coolingSetPoint(26.0)
                        .source(source("Zone", "zn-1"))
                        .build()))
            .spaces(spaces)
            .surfaces(surfaces)
            .constructions(List.of(wall))
            .glazings(
                List.of(
                    new Glazing(
                        "glass-1",
                        "Any",
                        1.3,
                        0.55,
                        0.75,
                        source("WindowType", "glass-1"),
                        Extras.NONE)))
            .build());
  }

  private void room(int i, int j, int k) {
    double x = i * W, y = j * D, z = k * H;
    Vec3 a = new Vec3(x, y, z),
        b = new Vec3(x + W, y, z),
        c = new Vec3(x + W, y + D, z),
        d = new Vec3(x, y + D, z);
    Vec3 up = new Vec3(0, 0, H);
    Polygon floor = Polygon.of(a, d, c, b);
    Polygon roof = Polygon.of(a.plus(up), b.plus(up), c.plus(up), d.plus(up));
    Polygon south = Polygon.of(a, b, b.plus(up), a.plus(up));
    Polygon east = Polygon.of(b, c, c.plus(up), b.plus(up));
    Polygon north = Polygon.of(c, d, d.plus(up), c.plus(up));
    Polygon west = Polygon.of(d, a, a.plus(up), d.plus(up));
    String key = key(i, j, k);
    spaces.add(
        Space.of(key)
            .with()
            .name("Room " + key)
            .storey("st-" + k)
            .zone("zn-1")
            .building("b-1")
            .use("OfficeEnclosed")
            .condition("HeatedAndCooled")
            .statedFloorArea(W * D)
            .statedVolume(W * D * H)
            .shell(List.of(floor, roof, south, east, north, west))
            .source(source("Space", key))
            .build());
    add(
        k == 0 ? SurfaceType.SLAB_ON_GRADE : SurfaceType.INTERIOR_FLOOR,
        floor,
        key,
        k == 0 ? null : key(i, j, k - 1),
        false);
    if (k == levels - 1) {
      add(SurfaceType.ROOF, roof, key, null, false);
    }
    if (j == 0) {
      add(SurfaceType.EXTERIOR_WALL, south, key, null, true);
    }
    add(
        i == columns - 1 ? SurfaceType.EXTERIOR_WALL : SurfaceType.INTERIOR_WALL,
        east,
        key,
        i == columns - 1 ? null : key(i + 1, j, k),
        i == columns - 1);
    add(
        j == rows - 1 ? SurfaceType.EXTERIOR_WALL : SurfaceType.INTERIOR_WALL,
        north,
        key,
        j == rows - 1 ? null : key(i, j + 1, k),
        j == rows - 1);
    if (i == 0) {
      add(SurfaceType.EXTERIOR_WALL, west, key, null, true);
    }
  }

  /** In two halves, side by side. */
  private void add(SurfaceType type, Polygon p, String first, String second, boolean window) {
    Vec3 a = p.outer().get(0);
    Vec3 b = p.outer().get(1);
    Vec3 c = p.outer().get(2);
    Vec3 d = p.outer().get(3);
    Vec3 m = a.lerp(b, 0.5);
    Vec3 n = d.lerp(c, 0.5);
    half(type, Polygon.of(a, m, n, d), first, second, window);
    half(type, Polygon.of(m, b, c, n), first, second, window);
  }

  private void half(SurfaceType type, Polygon p, String first, String second, boolean window) {
    String key = "su-" + surfaces.size();
    List<Side> sides =
        second == null ? List.of(Side.of(first)) : List.of(Side.of(first), Side.of(second));
    List<Opening> openings = List.of();
    if (window) {
      Vec3 o = p.outer().get(0);
      Vec3 u = p.outer().get(1).minus(o);
      Vec3 v = p.outer().get(3).minus(o);
      openings =
          List.of(
              opening("op-" + key + "-1", o, u, v, 0.1),
              opening("op-" + key + "-2", o, u, v, 0.55));
    }
    surfaces.add(
        Surface.of(key, type, p, BoundaryKind.READ)
            .with()
            .sides(sides)
            .construction("con-1")
            .source(source("Surface", key))
            .openings(openings)
            .build());
  }

  private static Opening opening(String key, Vec3 o, Vec3 u, Vec3 v, double at) {
    return Opening.of(
            key,
            OpeningType.FIXED_WINDOW,
            Polygon.of(
                o.plus(u.times(at)).plus(v.times(0.3)),
                o.plus(u.times(at + 0.35)).plus(v.times(0.3)),
                o.plus(u.times(at + 0.35)).plus(v.times(0.8)),
                o.plus(u.times(at)).plus(v.times(0.8))))
        .with()
        .glazing("glass-1")
        .source(source("Opening", key))
        .build();
  }
}
