package yentra.core.repair;

import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.changed;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.source;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;
import static yentra.core.Fixtures.with;
import static yentra.core.Fixtures.write;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.delivery.AlignDelivery;
import yentra.core.repair.space.AddSpace;
import yentra.core.repair.space.SplitSpace;
import yentra.core.repair.surface.SplitSurface;

/** The two rooms of the fixtures with one fault each. */
public final class FaultyRooms {
  private FaultyRooms() {}

  private static Envelope spaces(UnaryOperator<Space> change) {
    Envelope e = rooms();
    return e.withSpaces(e.spaces().stream().map(change).toList());
  }

  private static Envelope openings(String surface, Opening... o) {
    return changed(surface, s -> s.withOpenings(List.of(o)));
  }

  private static Polygon south(double x0, double z0, double x1, double z1) {
    return Polygon.of(v(x0, 0, z0), v(x1, 0, z0), v(x1, 0, z1), v(x0, 0, z1));
  }

  /** Files with faults that reading heals, by code. */
  private static Map<String, String> texts() {
    String sound = new String(write(rooms()), StandardCharsets.UTF_8);
    Map<String, String> f = new LinkedHashMap<>();
    f.put("FMT-103", sound.replace("\"b-south\"", "\"b-north\""));
    f.put("FMT-104", sound.replaceFirst("zoneIdRef=\"z-1\"", "zoneIdRef=\"z-9\""));
    f.put("FMT-106", sound.replaceFirst("openingType=\"FixedWindow\"", "openingType=\"Porthole\""));
    thermal(sound, f);
    return f;
  }

  private static void thermal(String sound, Map<String, String> f) {
    String name = "<Name>Brick wall</Name>";
    String stated = name + "<U-value unit=\"WPerSquareMeterK\">%s</U-value>";
    f.put("THM-702", sound.replaceAll("<LayerId [^>]*/>\\s*", ""));
    f.put("THM-703", sound.replaceAll("<Conductivity.*</Conductivity>\\s*", ""));
    f.put(
        "THM-704",
        sound
            .replace(
                "<Material id=\"mat-1\"",
                "<Material id=\"foil\"><Name>Foil</Name><Thickness unit=\"Meters\">0.0005</Thickness><Conductivity unit=\"WPerMeterK\">0.9</Conductivity><Density unit=\"KgPerCubicM\">1000</Density><SpecificHeat unit=\"JPerKgK\">1000</SpecificHeat></Material><Material id=\"mat-1\"")
            .replace(
                "<MaterialId materialIdRef=\"mat-1\"/>",
                "<MaterialId materialIdRef=\"mat-1\"/><MaterialId materialIdRef=\"foil\"/>"));
    f.put("THM-705", sound.replace(name, stated.formatted("1.2")));
    f.put("THM-706", sound.replace(name, stated.formatted("8.5")));
    f.put("THM-707", sound.replaceAll("<SolarHeatGainCoeff.*</SolarHeatGainCoeff>", ""));
    f.put("THM-708", sound.replace(">0.55<", ">55<"));
    f.put("USE-901", sound.replaceFirst(" spaceType=\"[^\"]*\"", ""));
    f.put("USE-902", sound.replace("<DesignHeatT unit=\"C\">20", "<DesignHeatT unit=\"C\">28"));
    f.put("USE-903", sound.replaceFirst(" zoneIdRef=\"z-1\"", ""));
    f.put("USE-904", sound.replaceFirst("\"Heated\"", "\"Unconditioned\""));
    String more =
        "<Construction id=\"con-2\"><Name>Turned</Name><LayerId layerIdRef=\"lay-2\"/></Construction>"
            + "<Construction id=\"con-3\"><Name>Right</Name><LayerId layerIdRef=\"lay-3\"/></Construction>"
            + "<Layer id=\"lay-2\"><MaterialId materialIdRef=\"mat-2\"/><MaterialId materialIdRef=\"mat-1\"/></Layer>"
            + "<Layer id=\"lay-3\"><MaterialId materialIdRef=\"mat-1\"/><MaterialId materialIdRef=\"mat-2\"/></Layer>"
            + "<Material id=\"mat-2\"><Name>Wool</Name><R-value unit=\"SquareMeterKPerW\">3</R-value></Material>"
            + "<Construction id=\"con-1\"";
    f.put(
        "THM-709",
        sound
            .replace("<Construction id=\"con-1\"", more)
            .replaceAll("(id=\"[ab]-(?:north|south)\"[^>]*)\"con-1\"", "$1\"con-3\"")
            .replaceAll("(id=\"a-west\"[^>]*)\"con-1\"", "$1\"con-2\""));
  }

  /** The same as files. */
  public static Map<String, byte[]> files() throws Exception {
    Map<String, String> texts = texts();
    Map<String, byte[]> out = new LinkedHashMap<>();
    for (Map.Entry<String, Envelope> f : all().entrySet()) {
      String text = texts.get(f.getKey());
      out.put(
          f.getKey(), text == null ? write(f.getValue()) : text.getBytes(StandardCharsets.UTF_8));
    }
    return out;
  }

  /** The sound rooms drawn 12 m east and 3 m south, as a file. */
  public static byte[] elsewhere() throws Exception {
    return write(new AlignDelivery(0, 12, -3, 0, null).apply(rooms(), RULES));
  }

  /** A model for each code whose findings have remedies, by code. */
  public static Map<String, Envelope> all() throws Exception {
    Map<String, Envelope> f = new LinkedHashMap<>();
    for (Map.Entry<String, String> t : texts().entrySet()) {
      f.put(t.getKey(), read(t.getValue()));
    }
    f.put("UNI-202", rooms().scaled(1000));
    f.put("UNI-203", new AlignDelivery(0, 30_000, 0, 0, null).apply(rooms(), RULES));
    f.put(
        "GEO-302",
        changed(
            "b-roof",
            s -> with(s, Polygon.of(v(4, 0, 3), v(8, 0, 3), v(8, 5, 3.024), v(4, 5, 3)))));
    f.put(
        "GEO-303",
        openings(
            "b-south",
            window(
                "bow",
                Polygon.of(
                    v(5, 0, 1),
                    v(7, 0, 1),
                    v(6.5, 0, 2.5),
                    v(7, 0, 2.5),
                    v(6, 0, 0.9),
                    v(5, 0, 2.5)))));
    f.put(
        "GEO-304",
        changed(
            "b-east",
            s -> {
              List<Vec3> ring = new ArrayList<>(s.polygon().outer());
              ring.add(1, ring.get(0).plus(v(0, 0.0004, 0)));
              return with(s, Polygon.of(ring));
            }));
    f.put(
        "SPC-401",
        rooms()
            .withoutSurface("b-roof")
            .withSpaces(rooms().spaces().stream().map(s -> s.withShell(List.of())).toList()));
    f.put("SPC-402", withLoneSpace());
    f.put("SPC-403", spaces(s -> s.withStated(25.0, 60.0)));
    f.put("SPC-404", boxInRoom());
    f.put("SPC-405", spaces(s -> s.withStorey("st-9")));
    f.put("SPC-406", spaces(s -> s.withName("Room")));
    f.put("SPC-407", new SplitSpace("a", v(0.1, 0, 0), v(-1, 0, 0), "").apply(rooms(), RULES));
    f.put(
        "SPC-409",
        spaces(
            s ->
                s.key().equals("a")
                    ? s.withShell(s.shell().stream().map(Polygon::reversed).toList())
                    : s));
    f.put("SPC-410", spaces(s -> s.key().equals("a") ? s.withShell(s.shell().subList(0, 5)) : s));
    f.put("ADJ-501", changed("b-east", s -> s.withType(SurfaceType.INTERIOR_WALL)));
    f.put("ADJ-502", changed("between", s -> s.withType(SurfaceType.ROOF)));
    f.put("ADJ-503", apart(SurfaceType.EXTERIOR_WALL));
    f.put("ADJ-504", changed("b-east", s -> s.withType(SurfaceType.ROOF)));
    f.put("ADJ-505", changed("b-east", s -> s.withType(SurfaceType.UNDERGROUND_WALL)));
    f.put(
        "GEO-305",
        new SplitSurface("b-east", v(8, 0, 0.008), v(8, 5, 0.008)).apply(rooms(), RULES));
    f.put(
        "GEO-308",
        rooms()
            .plus(
                surface(
                    "over",
                    SurfaceType.EXTERIOR_WALL,
                    Polygon.of(v(8, 4, 0), v(8, 6, 0), v(8, 6, 3), v(8, 4, 3)),
                    "con-1",
                    "b")));
    f.put("ADJ-506", changed("b-east", s -> with(s, s.polygon().reversed())));
    f.put("ADJ-507", changed("b-east", s -> s.withSides(List.of(s.sides().get(0), Side.of("b")))));
    f.put("ADJ-508", shaft());
    f.put("SPC-408", shaft());
    f.put(
        "ADJ-509",
        rooms()
            .plus(
                surface(
                    "stray",
                    SurfaceType.EXTERIOR_WALL,
                    Polygon.of(v(0, 9, 0), v(2, 9, 0), v(2, 9, 2), v(0, 9, 2)),
                    "con-1")));
    f.put("ADJ-510", rooms().plus(surface("shade", SurfaceType.SHADE, south(4, 0, 8, 3), "con-1")));
    f.put(
        "OPN-601",
        openings(
            "b-south",
            window("off", Polygon.of(v(5, -0.1, 1), v(6, -0.1, 1), v(6, -0.1, 2), v(5, -0.1, 2)))));
    f.put("OPN-602", openings("b-south", window("wide", south(3, 1, 6, 2))));
    f.put(
        "OPN-603",
        openings(
            "b-south", window("one", south(4.5, 1, 6.5, 2)), window("two", south(6, 1, 7, 2))));
    f.put("OPN-604", openings("b-south", window("all", south(4, 0, 8, 3))));
    f.put(
        "OPN-605",
        openings("b-south", window("hole", south(5, 1, 6, 2)).withType(OpeningType.AIR)));
    f.put(
        "OPN-606",
        openings(
            "b-south",
            window("odd", south(5, 1, 6, 2)).withGlazing(null).withConstruction("con-1")));
    f.put("THM-710", misplaced());
    f.put("THM-701", changed("b-east", s -> s.withConstruction(null)));
    return f;
  }

  /** A third room over the East one, with a void of 0.9 m between them that no space covers. */
  private static Envelope shaft() {
    Envelope e = rooms();
    List<Polygon> c = box(v(4, 0, 3.9), v(8, 5, 6.9));
    List<Polygon> hollow = box(v(4, 0, 3), v(8, 5, 3.9));
    Space b = e.space("b").orElseThrow();
    List<Space> spaces = new ArrayList<>(e.spaces());
    spaces.add(
        Space.of("c")
            .with()
            .name("Loft")
            .storey(b.storey())
            .zone(b.zone())
            .building(b.building())
            .use(b.use())
            .condition(b.condition())
            .statedFloorArea(20.0)
            .statedVolume(60.0)
            .shell(c)
            .source(source("Space", "c"))
            .extras(b.extras())
            .build());
    e = e.withSpaces(spaces);
    for (int i = 0; i < 6; i++) {
      SurfaceType type =
          i == 0 ? SurfaceType.RAISED_FLOOR : i == 1 ? SurfaceType.ROOF : SurfaceType.EXTERIOR_WALL;
      e = e.plus(surface("c-" + i, type, c.get(i), "con-1", "c"));
      if (i > 1) {
        e = e.plus(surface("loose-" + i, SurfaceType.EXTERIOR_WALL, hollow.get(i), "con-1"));
      }
    }
    return e;
  }

  /** A strip of the wall between the rooms has the construction of the outer walls. */
  private static Envelope misplaced() throws Exception {
    Envelope e =
        read(
            new String(write(rooms()), StandardCharsets.UTF_8)
                .replace(
                    "<Construction id=\"con-1\"",
                    "<Construction id=\"con-2\"><Name>Partition</Name><LayerId layerIdRef=\"lay-1\"/></Construction><Construction id=\"con-1\""));
    e = new SplitSurface("between", v(4, 0, 2.5), v(4, 5, 2.5)).apply(e, RULES);
    return e.withSurfaces(
        e.surfaces().stream()
            .map(
                s ->
                    s.type() == SurfaceType.INTERIOR_WALL && s.polygon().box().max().z() < 2.6
                        ? s.withConstruction("con-2")
                        : s)
            .toList());
  }

  /** A shaft of 2 × 2 m drawn as a space of its own inside a room that knows nothing of it. */
  private static Envelope boxInRoom() throws Exception {
    return new AddSpace(
            "Shaft", List.of(v(5, 1, 0), v(7, 1, 0), v(7, 3, 0), v(5, 3, 0)), 0, 3, null)
        .apply(rooms(), RULES);
  }

  private static Envelope withLoneSpace() {
    Envelope e = rooms();
    List<Space> list = new ArrayList<>(e.spaces());
    Space a = list.get(0);
    list.add(
        Space.of("c")
            .with()
            .name("Lone")
            .storey(a.storey())
            .zone(a.zone())
            .building(a.building())
            .use(a.use())
            .condition(a.condition())
            .source(a.source())
            .extras(a.extras())
            .build());
    return e.withSpaces(list);
  }

  /** The wall between the rooms as two outer walls. */
  private static Envelope apart(SurfaceType type) {
    Surface wall = rooms().surface("between").orElseThrow();
    return rooms()
        .replacing("between", s -> s.withSides(List.of(Side.of("a"))).withType(type))
        .plus(surface("other", type, wall.polygon().reversed(), "con-1", "b"));
  }
}
