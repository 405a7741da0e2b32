package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.changed;
import static yentra.core.Fixtures.codes;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.source;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;
import static yentra.core.Fixtures.with;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.DoubleFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Descriptor;
import yentra.core.geometry.Polygon;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.delivery.AlignDelivery;
import yentra.core.repair.space.AddSpace;

/** Every limit: a fault just beyond it is found, the same just within it is not. */
class LimitsTest {
  /** Limits whose faults need an architectural model, another delivery or a whole building. */
  private static final Set<String> ELSEWHERE =
      Set.of(
          // ModelChecksTest
          "SRC-101.share",
          "SRC-109.chord",
          "OPN-608.share",
          "OPN-608.area",
          // PlanEnvelopeTest
          "OPN-609.share",
          // SourcesDisagreeTest
          "UNI-204.shift",
          "UNI-204.turn",
          "LOC-802.difference",
          // IfcReaderTest
          "LOC-802.convergence",
          // EnvelopeChecksTest
          "ADJ-505.share",
          "ADJ-505.height",
          "ADJ-508.view",
          "SPC-408.volume",
          // FzkHouseTest, PlaceTest and FrameDifferenceTest
          "OPN-606.share",
          "LOC-804.minutes",
          "UNI-204.apart",
          // ThermalChecksTest
          "THM-710.share");

  /** A model with a fault of a size, and whether larger is worse. */
  private record Probe(DoubleFunction<Envelope> of, boolean above) {}

  private static Probe above(DoubleFunction<Envelope> of) {
    return new Probe(of, true);
  }

  private static Probe below(DoubleFunction<Envelope> of) {
    return new Probe(of, false);
  }

  private static Polygon south(double x0, double z0, double x1, double z1) {
    return Polygon.of(v(x0, 0, z0), v(x1, 0, z0), v(x1, 0, z1), v(x0, 0, z1));
  }

  private static Polygon top(double x0, double x1, double z) {
    return Polygon.of(v(x0, 0, z), v(x1, 0, z), v(x1, 5, z), v(x0, 5, z));
  }

  private static Envelope shade(Polygon p) {
    return rooms().plus(surface("x", SurfaceType.SHADE, p, null));
  }

  private static Envelope glass(Polygon... panes) {
    List<yentra.core.envelope.Opening> list = new ArrayList<>();
    for (int i = 0; i < panes.length; i++) {
      list.add(window("w" + i, panes[i]));
    }
    return changed("b-south", s -> s.withOpenings(list));
  }

  private static Envelope spaces(UnaryOperator<Space> change) {
    return rooms().withSpaces(rooms().spaces().stream().map(change).toList());
  }

  private static Envelope shell(String key, List<Polygon> faces) {
    return spaces(s -> s.key().equals(key) ? s.withShell(faces) : s);
  }

  private static Envelope more(double dx, double dy, double dz) {
    try {
      return new AddSpace(
              "More",
              List.of(v(20, 0, 0), v(20 + dx, 0, 0), v(20 + dx, dy, 0), v(20, dy, 0)),
              0,
              dz,
              null)
          .apply(rooms(), RULES);
    } catch (NotApplicableException e) {
      throw new AssertionError(e);
    }
  }

  /** A space over both rooms, moved south; and one over West alone where it covers one. */
  private static Envelope over(double share, int rooms) {
    double off = 5 * (1 - share / 100);
    Envelope e = rooms();
    List<Space> list = new ArrayList<>(e.spaces());
    Space a = list.get(0);
    list.add(
        Space.of("c")
            .with()
            .name("Over")
            .storey(a.storey())
            .zone(a.zone())
            .building(a.building())
            .use(a.use())
            .condition(a.condition())
            .shell(box(v(0, -off - 1, 0), v(rooms == 2 ? 8 : 4.1, 5 - off, 3)))
            .source(a.source())
            .extras(a.extras())
            .build());
    return e.withSpaces(list);
  }

  private static Envelope facing(double apart, double height) {
    Polygon own = rooms().surface("between").orElseThrow().polygon();
    Polygon other =
        Polygon.of(
            v(4 + apart, 0, 0),
            v(4 + apart, 0, height),
            v(4 + apart, 5, height),
            v(4 + apart, 5, 0));
    return rooms()
        .replacing(
            "between", s -> s.withSides(List.of(Side.of("a"))).withType(SurfaceType.EXTERIOR_WALL))
        .plus(
            surface(
                "other",
                SurfaceType.EXTERIOR_WALL,
                other.normal().dot(own.normal()) > 0 ? other.reversed() : other,
                "con-1",
                "b"));
  }

  private static Envelope leaning(double tilt) {
    double t = Math.toRadians(tilt);
    double dx = -3 * Math.cos(t);
    double dz = 3 * Math.sin(t);
    return changed(
        "b-east",
        s -> with(s, Polygon.of(v(8, 0, 0), v(8, 5, 0), v(8 + dx, 5, dz), v(8 + dx, 0, dz))));
  }

  private static Envelope sides(double off) {
    Surface s = rooms().surface("between").orElseThrow();
    double h = 3 * (1 - off / 100);
    Polygon lower = Polygon.of(v(4, 0, 0), v(4, 0, h), v(4, 5, h), v(4, 5, 0));
    Polygon back = lower.normal().dot(s.polygon().normal()) > 0 ? lower.reversed() : lower;
    return changed(
        "between", x -> x.withSides(List.of(Side.of("a", s.polygon()), Side.of("b", back))));
  }

  /** The rooms with other storeys, constructions, layers, materials and window types. */
  private static Envelope lists(
      List<Storey> storeys,
      List<Construction> constructions,
      List<Layer> layers,
      List<Material> materials,
      List<Glazing> glazings) {
    Envelope.Parts p = rooms().parts();
    return Envelope.of(
        Envelope.Parts.of(p.delivered(), p.site())
            .with()
            .buildings(p.buildings())
            .storeys(storeys)
            .zones(p.zones())
            .spaces(p.spaces())
            .surfaces(p.surfaces())
            .orphans(p.orphans())
            .constructions(constructions)
            .layers(layers)
            .materials(materials)
            .glazings(glazings)
            .notes(p.notes())
            .build());
  }

  /** The wall of all surfaces, of these materials. */
  private static Envelope made(Double uValue, Material... materials) {
    Envelope.Parts p = rooms().parts();
    List<String> keys = Stream.of(materials).map(Material::key).toList();
    return lists(
        p.storeys(),
        List.of(
            new Construction(
                "con-1",
                "Wall",
                keys.isEmpty() ? List.of() : List.of("lay-1"),
                uValue,
                source("Construction", "con-1"),
                Extras.NONE)),
        List.of(new Layer("lay-1", "", keys, source("Layer", "lay-1"), Extras.NONE)),
        List.of(materials),
        p.glazings());
  }

  private static Material material(
      String key, double thickness, double conductivity, double density, double heat) {
    return new Material(
        key,
        key,
        thickness,
        conductivity,
        density,
        heat,
        null,
        source("Material", key),
        Extras.NONE);
  }

  private static final Material BRICK = material("brick", 0.3, 0.8, 1800, 900);

  private static Envelope glazed(double u) {
    Envelope.Parts p = rooms().parts();
    return lists(
        p.storeys(),
        p.constructions(),
        p.layers(),
        p.materials(),
        List.of(
            new Glazing(
                "glass-1", "Glass", u, 0.55, 0.75, source("WindowType", "glass-1"), Extras.NONE)));
  }

  private static Envelope far(double x) {
    try {
      return new AlignDelivery(0, x - 8, 0, 0, null).apply(rooms(), RULES);
    } catch (NotApplicableException e) {
      throw new AssertionError(e);
    }
  }

  private static Map<String, Probe> probes() {
    Map<String, Probe> p = new LinkedHashMap<>();
    p.put("UNI-202.least", below(h -> rooms().scaled(h / 3)));
    p.put("UNI-202.most", above(h -> rooms().scaled(h / 3)));
    p.put("UNI-203.distance", above(LimitsTest::far));
    p.put(
        "GEO-301.area",
        below(a -> shade(Polygon.of(v(0, 9, 0), v(0.02, 9, 0), v(0, 9, 2 * a / 0.02)))));
    p.put(
        "GEO-302.deviation",
        above(
            d ->
                changed(
                    "b-roof",
                    s ->
                        with(
                            s,
                            Polygon.of(v(4, 0, 3), v(8, 0, 3), v(8, 5, 3 + 4 * d), v(4, 5, 3))))));
    p.put(
        "GEO-304.edge",
        below(
            e ->
                shade(Polygon.of(v(0, 9, 0), v(2, 9, 0), v(2, 9, 2), v(0, 9, 2), v(0, 9, 2 - e)))));
    p.put(
        "GEO-305.area",
        below(
            a -> {
              double s = Math.sqrt(a);
              return shade(Polygon.of(v(0, 9, 0), v(s, 9, 0), v(s, 9, s), v(0, 9, s)));
            }));
    p.put(
        "GEO-305.width",
        below(
            w -> {
              double h = 5 * w / (5 - w);
              return shade(Polygon.of(v(0, 9, 0), v(5, 9, 0), v(5, 9, h), v(0, 9, h)));
            }));
    p.put(
        "GEO-307.overlap",
        above(
            o ->
                rooms()
                    .plus(surface("x", SurfaceType.ROOF, top(0, 4 * o / 100, 3), "con-1", "a"))));
    p.put(
        "GEO-307.distance",
        below(d -> rooms().plus(surface("x", SurfaceType.ROOF, top(0, 4, 3 + d), "con-1", "a"))));
    p.put(
        "GEO-308.area",
        above(
            a -> rooms().plus(surface("x", SurfaceType.ROOF, top(4 - a / 5, 5, 3), "con-1", "a"))));
    p.put(
        "GEO-308.distance",
        below(d -> rooms().plus(surface("x", SurfaceType.ROOF, top(2, 5, 3 + d), "con-1", "a"))));
    p.put(
        "SPC-401.gap",
        above(
            g ->
                spaces(s -> s.withShell(List.of()))
                    .replacing("b-roof", s -> with(s, top(4, 8 - g, 3)))));
    p.put("SPC-403.difference", above(d -> spaces(s -> s.withStated(20 * (1 + d / 100), 60.0))));
    p.put("SPC-404.volume", above(x -> shell("b", box(v(3.9, 5 - x / 0.3, 0), v(8, 9, 3)))));
    p.put(
        "SPC-405.height",
        below(
            h -> {
              Envelope.Parts q = rooms().parts();
              return lists(
                  q.storeys().stream().map(s -> s.withLevel(3 - h)).toList(),
                  q.constructions(),
                  q.layers(),
                  q.materials(),
                  q.glazings());
            }));
    p.put("SPC-407.volume", below(x -> more(0.75, 0.75, x / 0.5625)));
    p.put("SPC-407.width", below(w -> more(w, 5, 3)));
    p.put(
        "SPC-410.area",
        above(
            a -> {
              List<Polygon> faces = new ArrayList<>(rooms().spaces().get(0).shell());
              faces.add(Polygon.of(v(2, 1, 1), v(2, 2, 1), v(2, 2, 1 + a), v(2, 1, 1 + a)));
              return shell("a", faces);
            }));
    p.put("SPC-410.distance", above(d -> shell("a", box(v(d, 0, 0), v(4, 5, 3)))));
    p.put("SPC-411.share", above(s -> over(s, 2)));
    p.put("SPC-411.spaces", above(n -> over(100, n >= 2 ? 2 : 1)));
    p.put("ADJ-503.overlap", above(a -> facing(0.2, a / 5)));
    p.put("ADJ-503.distance", below(d -> facing(d, 3)));
    p.put("ADJ-504.roof", below(LimitsTest::leaning));
    p.put("ADJ-504.floor", above(LimitsTest::leaning));
    p.put("ADJ-510.area", above(a -> shade(south(4, 0, 8, a / 4))));
    p.put(
        "ADJ-510.distance",
        below(d -> shade(Polygon.of(v(4, -d, 0), v(8, -d, 0), v(8, -d, 3), v(4, -d, 3)))));
    p.put("ADJ-511.area", above(LimitsTest::sides));
    p.put(
        "OPN-601.distance",
        above(d -> glass(Polygon.of(v(5, -d, 1), v(6, -d, 1), v(6, -d, 2), v(5, -d, 2)))));
    p.put(
        "OPN-601.angle",
        above(
            a -> {
              double d = 0.2 * Math.tan(Math.toRadians(a));
              return glass(Polygon.of(v(5, -d, 1), v(5.4, d, 1), v(5.4, d, 2), v(5, -d, 2)));
            }));
    p.put("OPN-602.area", above(a -> glass(south(4 - a, 1, 6, 2))));
    p.put("OPN-603.area", above(a -> glass(south(5, 1, 6, 2), south(6 - a, 1, 7, 2))));
    p.put("OPN-604.share", above(s -> glass(south(4, 0, 8, 3 * s / 100))));
    p.put("THM-703.thinnest", below(t -> made(null, BRICK, material("m", t, 0.8, 1800, 900))));
    p.put("THM-703.thickest", above(t -> made(null, material("m", t, 0.8, 1800, 900))));
    p.put("THM-703.conductivityLow", below(c -> made(null, material("m", 0.3, c, 1800, 900))));
    p.put("THM-703.conductivityHigh", above(c -> made(null, material("m", 0.3, c, 1800, 900))));
    p.put("THM-703.densityLow", below(d -> made(null, material("m", 0.3, 0.8, d, 900))));
    p.put("THM-703.densityHigh", above(d -> made(null, material("m", 0.3, 0.8, d, 900))));
    p.put("THM-703.heatLow", below(h -> made(null, material("m", 0.3, 0.8, 1800, h))));
    p.put("THM-703.heatHigh", above(h -> made(null, material("m", 0.3, 0.8, 1800, h))));
    p.put("THM-704.layer", below(t -> made(null, BRICK, material("m", t, 50, 7800, 450))));
    p.put(
        "THM-704.resistance",
        below(r -> made(null, BRICK, material("m", 0.002, 0.002 / r, 7800, 450))));
    p.put("THM-704.construction", below(t -> made(null, material("m", t, 0.8, 1800, 900))));
    // without surface resistances the layers give the highest value that fits
    p.put("THM-705.difference", above(d -> made(0.8 / 0.3 * (1 + d / 100), BRICK)));
    p.put("THM-706.least", below(u -> made(u)));
    p.put("THM-706.most", above(u -> made(u)));
    p.put("THM-708.least", below(LimitsTest::glazed));
    p.put("THM-708.most", above(LimitsTest::glazed));
    return p;
  }

  @TestFactory
  Stream<DynamicTest> justBeyondAndJustWithin() {
    Map<String, Double> standards = standards();
    return probes().entrySet().stream()
        .map(
            e ->
                DynamicTest.dynamicTest(
                    e.getKey(),
                    () -> {
                      String code = e.getKey().substring(0, e.getKey().indexOf('.'));
                      double limit = standards.get(e.getKey());
                      boolean counted = e.getKey().equals("SPC-411.spaces");
                      double up = counted ? limit : limit * 1.02;
                      double down = counted ? limit - 1 : limit * 0.98;
                      boolean above = e.getValue().above();
                      assertThat(codes(e.getValue().of().apply(above ? up : down)))
                          .as("just beyond %s", limit)
                          .contains(code);
                      assertThat(codes(e.getValue().of().apply(above ? down : up)))
                          .as("just within %s", limit)
                          .doesNotContain(code);
                    }));
  }

  private static Map<String, Double> standards() {
    Map<String, Double> out = new LinkedHashMap<>();
    for (Descriptor d : CheckCatalogue.descriptors()) {
      d.limits().forEach(l -> out.put(d.code() + "." + l.name(), l.standard()));
    }
    return out;
  }

  @Test
  void everyLimitIsTried() {
    Set<String> tried = new TreeSet<>(probes().keySet());
    tried.addAll(ELSEWHERE);
    assertThat(tried).isEqualTo(new TreeSet<>(standards().keySet()));
  }
}
