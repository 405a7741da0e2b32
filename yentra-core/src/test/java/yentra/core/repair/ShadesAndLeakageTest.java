package yentra.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Site;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.SunShades;
import yentra.core.geometry.Vec3;
import yentra.core.repair.opening.ShadeOpenings;
import yentra.core.repair.space.StateLeakage;

/** Overhangs and fins at windows, and air through leaks. */
class ShadesAndLeakageTest {
  private static final Rules RULES = Rules.standard();

  private static Polygon upright(double turn, double width, double low, double high) {
    double c = Math.cos(Math.toRadians(turn));
    double s = Math.sin(Math.toRadians(turn));
    return Polygon.of(
        new Vec3(0, 0, low),
        new Vec3(width * c, width * s, low),
        new Vec3(width * c, width * s, high),
        new Vec3(0, 0, high));
  }

  /** A wall that faces south with a window and a door. */
  private static Envelope wall() {
    Opening window = Opening.of("w", OpeningType.FIXED_WINDOW, upright(0, 2, 1, 2));
    Opening door = Opening.of("d", OpeningType.NON_SLIDING_DOOR, upright(0, 1, 0, 0.9));
    Surface s =
        Surface.of("s", SurfaceType.EXTERIOR_WALL, upright(0, 4, 0, 3), BoundaryKind.DERIVED_2A)
            .withOpenings(List.of(window, door));
    return Envelope.of(
            Envelope.Parts.of(Delivered.si(Delivered.GBXML, "6.01", Vec3.ZERO), Site.UNKNOWN))
        .withSpaces(List.of(Space.of("a"), Space.of("b")))
        .withSurfaces(List.of(s));
  }

  private static List<Surface> shades(Envelope e) {
    return e.surfaces().stream().filter(s -> s.type().isShading()).toList();
  }

  @Property(tries = 100)
  void shadesStandOutFromTheirWindow(
      @ForAll @DoubleRange(min = 0, max = 360) double turn,
      @ForAll @DoubleRange(min = 0.2, max = 5) double width,
      @ForAll @DoubleRange(min = 0.1, max = 3) double depth) {
    Polygon window = upright(turn, width, 1, 2.5);
    SunShades shades = SunShades.of(window);
    assertThat(shades.overhang(depth).area()).isCloseTo(width * depth, within(1e-9));
    List<Polygon> all = new ArrayList<>(shades.fins(depth));
    assertThat(all)
        .hasSize(2)
        .allSatisfy(f -> assertThat(f.area()).isCloseTo(1.5 * depth, within(1e-9)));
    all.add(shades.overhang(depth));
    double farthest = 0;
    for (Polygon p : all) {
      for (Vec3 v : p.outer()) {
        double out = v.minus(window.outer().get(0)).dot(window.normal());
        assertThat(out).isBetween(-1e-9, depth + 1e-9);
        farthest = Math.max(farthest, out);
      }
    }
    assertThat(farthest).isCloseTo(depth, within(1e-9));
  }

  @Test
  void levelOpeningsHaveNone() {
    Polygon level =
        Polygon.of(new Vec3(0, 0, 3), new Vec3(1, 0, 3), new Vec3(1, 1, 3), new Vec3(0, 1, 3));
    assertThat(SunShades.of(level)).isNull();
  }

  @Test
  void shadesTakeThePlaceOfThoseBefore() throws Exception {
    Envelope both = new ShadeOpenings(List.of("w"), 0.5, 0.2).apply(wall(), RULES);
    assertThat(shades(both)).hasSize(3);
    Envelope deeper = new ShadeOpenings(List.of("w"), 1, 0).apply(both, RULES);
    assertThat(shades(deeper))
        .singleElement()
        .satisfies(s -> assertThat(s.polygon().area()).isCloseTo(2, within(1e-9)));
    Envelope none = new ShadeOpenings(List.of("w"), 0, 0).apply(deeper, RULES);
    assertThat(none.parts()).isEqualTo(wall().parts());
    assertThatThrownBy(() -> new ShadeOpenings(List.of("w"), 0, 0).apply(none, RULES))
        .isInstanceOf(NotApplicableException.class);
  }

  @Test
  void onlyWindowsOutdoorsAreShaded() {
    for (ShadeOpenings r :
        List.of(
            new ShadeOpenings(List.of("d"), 1, 0),
            new ShadeOpenings(List.of("gone"), 1, 0),
            new ShadeOpenings(List.of(), 1, 0),
            new ShadeOpenings(List.of("w"), -1, 0),
            new ShadeOpenings(List.of("w"), 0, Double.NaN),
            new ShadeOpenings(List.of("w"), 51, 0))) {
      assertThatThrownBy(() -> r.apply(wall(), RULES)).isInstanceOf(NotApplicableException.class);
    }
  }

  @Test
  void leaksAreStatedForTheSpacesThatAreNamed() throws Exception {
    StateLeakage r = new StateLeakage(List.of("a"), 0.3);
    Envelope e = r.apply(wall(), RULES);
    assertThat(e.space("a").orElseThrow().air().changes(100)).isEqualTo(0.3);
    assertThat(e.space("b").orElseThrow().air()).isEqualTo(Space.AirExchange.NONE);
    assertThatThrownBy(() -> r.apply(e, RULES)).hasMessageContaining("already");
    for (StateLeakage bad :
        List.of(
            new StateLeakage(List.of("gone"), 0.3),
            new StateLeakage(List.of(), 0.3),
            new StateLeakage(List.of("a"), -0.1),
            new StateLeakage(List.of("a"), 51))) {
      assertThatThrownBy(() -> bad.apply(wall(), RULES)).isInstanceOf(NotApplicableException.class);
    }
  }

  @Test
  void bothSayWhatTheyDo() throws Exception {
    Envelope e = wall();
    Naming naming = new Naming(e, RULES.types());
    assertThat(new ShadeOpenings(List.of("w", "x"), 0.5, 0.2).describe(e, e, naming))
        .isEqualTo("Gives 2 windows overhangs of 0.50 m and fins of 0.20 m.");
    assertThat(new ShadeOpenings(List.of("w", "x"), 0, 0).describe(e, e, naming))
        .isEqualTo("Takes overhangs and fins of 2 windows away.");
    assertThat(new StateLeakage(List.of("a", "b"), 0.3).describe(e, e, naming))
        .isEqualTo("States air through leaks of 2 spaces as 0.30 times an hour.");
  }
}
