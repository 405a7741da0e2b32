package yentra.core.revision;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.with;

import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Space;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/** A decision holds as long as everything it was made on is as it was. */
class FingerprintTest {
  private static Finding about(String message, String... objects) {
    return yentra.core.Fixtures.check(rooms().replacing("b-east", s -> s.withConstruction(null)))
        .stream()
        .findFirst()
        .map(
            f ->
                new Finding(
                    f.code(),
                    f.severity(),
                    List.of(objects),
                    f.measured(),
                    f.stated(),
                    f.limit(),
                    f.unit(),
                    f.limitUnit(),
                    message,
                    f.subject(),
                    f.evidence(),
                    f.line(),
                    f.column()))
        .orElseThrow();
  }

  private static String of(Envelope e, String... objects) {
    return Fingerprint.of(
        new CheckContext(e, Limits.STANDARD, TOLERANCE), about("a message", objects));
  }

  private static void differs(Envelope e, String object) {
    assertThat(of(e, object)).isNotEqualTo(of(rooms(), object));
  }

  private static Envelope west(UnaryOperator<Space> change) {
    Envelope e = rooms();
    return e.withSpaces(List.of(change.apply(e.spaces().get(0)), e.spaces().get(1)));
  }

  private static Envelope pane(UnaryOperator<Opening> change) {
    return rooms()
        .replacing("a-south", s -> s.withOpenings(s.openings().stream().map(change).toList()));
  }

  @Test
  void sixteenDigitsThatAreTheSameForTheSame() {
    assertThat(of(rooms(), "a")).matches("[0-9a-f]{16}").isEqualTo(of(rooms(), "a"));
    assertThat(of(rooms(), "a", "b")).isEqualTo(of(rooms(), "b", "a"));
    assertThat(of(rooms(), "a")).isNotEqualTo(of(rooms(), "b"));
  }

  @Test
  void ofASpace() {
    differs(west(s -> s.withName("Hall")), "a");
    differs(west(s -> s.with().use("Workshop").build()), "a");
    differs(west(s -> s.with().storey("st-2").build()), "a");
    differs(west(s -> s.withStated(21.0, 60.0)), "a");
    differs(west(s -> s.withStated(20.0, 61.0)), "a");
    differs(west(s -> s.withShell(box(0, 0, 0, 4, 5, 3.01))), "a");
    // a surface of it, not one of its neighbour's
    differs(rooms().replacing("a-roof", s -> s.withType(SurfaceType.CEILING)), "a");
    differs(rooms().withoutSurface("a-roof"), "a");
    assertThat(of(rooms().withoutSurface("b-roof"), "a")).isEqualTo(of(rooms(), "a"));
    // ids of surfaces are new with every export
    assertThat(of(rooms().replacing("a-roof", s -> s.with().key("n-1").build()), "a"))
        .isEqualTo(of(rooms(), "a"));
  }

  @Test
  void ofASurface() {
    differs(rooms().replacing("b-east", s -> s.withType(SurfaceType.SHADE)), "b-east");
    differs(rooms().replacing("b-east", s -> s.withConstruction(null)), "b-east");
    differs(rooms().replacing("b-east", s -> s.withSides(List.of())), "b-east");
    differs(
        rooms()
            .replacing(
                "b-east",
                s -> with(s, s.polygon().transformed(Transform.translation(v(0.002, 0, 0))))),
        "b-east");
    differs(rooms().replacing("a-south", s -> s.withOpenings(List.of())), "a-south");
    // a tenth of a millimetre is drawn anew, not changed
    assertThat(
            of(
                rooms()
                    .replacing(
                        "b-east",
                        s ->
                            with(s, s.polygon().transformed(Transform.translation(v(1e-4, 0, 0))))),
                "b-east"))
        .isEqualTo(of(rooms(), "b-east"));
  }

  @Test
  void ofAnOpening() {
    differs(pane(o -> o.with().type(OpeningType.AIR).build()), "win");
    differs(pane(o -> o.with().glazing(null).build()), "win");
    differs(pane(o -> o.with().construction("con-1").build()), "win");
    differs(
        pane(o -> o.withPolygon(Polygon.of(v(1, 0, 1), v(3, 0, 1), v(3, 0, 2), v(1, 0, 2)))),
        "win");
  }

  @Test
  void ofAConstruction() {
    Envelope e = rooms();
    Construction c = e.constructions().get(0);
    Construction stated =
        new Construction(c.key(), c.name(), c.layers(), 0.3, c.source(), Extras.NONE);
    differs(e.withConstructions(List.of(stated), e.layers(), e.materials()), "con-1");
    Construction other =
        new Construction(c.key(), c.name(), List.of(), null, c.source(), Extras.NONE);
    differs(e.withConstructions(List.of(other), e.layers(), e.materials()), "con-1");
  }

  /** Where a finding is about no object, its words are all there is. */
  @Test
  void ofNoObject() {
    CheckContext c = new CheckContext(rooms(), Limits.STANDARD, TOLERANCE);
    assertThat(Fingerprint.of(c, about("one"))).isNotEqualTo(Fingerprint.of(c, about("two")));
    assertThat(Fingerprint.of(c, about("one", "a")))
        .isEqualTo(Fingerprint.of(c, about("two", "a")));
  }

  /** The next file may be drawn from another origin. */
  @Test
  void anotherOriginIsNoChange() {
    Vec3 o = v(100, -50, 2);
    Envelope e = rooms();
    Envelope there =
        Envelope.of(
            e.moved(Transform.translation(o.times(-1)), e.site().northAzimuth())
                .parts()
                .withDelivered(Delivered.si(Delivered.GBXML, "6.01", o)));
    for (String object : List.of("a", "b-east", "win", "con-1")) {
      assertThat(of(there, object)).as(object).isEqualTo(of(e, object));
    }
  }
}
