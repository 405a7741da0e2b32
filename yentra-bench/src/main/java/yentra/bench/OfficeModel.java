package yentra.bench;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Building;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * A sound office block of any number of rooms on a grid, with matched walls and floors and a window
 * in every outer wall.
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
        new Envelope.Parts(
            Delivered.si(Delivered.GBXML, "6.01", Vec3.ZERO),
            new Site("", 50.0, 8.0, 0.0, 0.0, Extras.NONE),
            List.of(
                new Building(
                    "b-1", "Office", "Office", null, source("Building", "b-1"), Extras.NONE)),
            storeys,
            List.of(),
            spaces,
            surfaces,
            List.of(),
            List.of(wall),
            List.of(),
            List.of(),
            List.of(),
            List.of()));
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
        new Space(
            key,
            "Room " + key,
            "st-" + k,
            null,
            "b-1",
            "OfficeEnclosed",
            "HeatedAndCooled",
            W * D,
            W * D * H,
            List.of(floor, roof, south, east, north, west),
            source("Space", key),
            Extras.NONE));
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

  private void add(SurfaceType type, Polygon p, String first, String second, boolean window) {
    String key = "su-" + surfaces.size();
    List<Side> sides =
        second == null ? List.of(Side.of(first)) : List.of(Side.of(first), Side.of(second));
    List<Opening> openings = List.of();
    if (window) {
      Vec3 o = p.outer().get(0);
      Vec3 u = p.outer().get(1).minus(o);
      Vec3 v = p.outer().get(3).minus(o);
      Polygon glass =
          Polygon.of(
              o.plus(u.times(0.2)).plus(v.times(0.3)),
              o.plus(u.times(0.8)).plus(v.times(0.3)),
              o.plus(u.times(0.8)).plus(v.times(0.8)),
              o.plus(u.times(0.2)).plus(v.times(0.8)));
      openings =
          List.of(
              new Opening(
                  "op-" + key,
                  "",
                  OpeningType.FIXED_WINDOW,
                  glass,
                  null,
                  null,
                  source("Opening", "op-" + key),
                  null,
                  Extras.NONE));
    }
    surfaces.add(
        new Surface(
            key,
            "",
            type,
            p,
            sides,
            "con-1",
            null,
            BoundaryKind.READ,
            source("Surface", key),
            null,
            openings,
            Extras.NONE));
  }
}
