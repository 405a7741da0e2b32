package yentra.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.boundary.SpaceVolume;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.repair.space.MergeSpaces;
import yentra.core.repair.surface.AbsorbSlivers;
import yentra.core.repair.surface.MergeCoplanar;

/** Simplification keeps areas, volumes and closedness. */
class SimplifyTest {
  private static SpaceVolume volume(Envelope e, String space) {
    return SpaceVolumes.of(e, Fixtures.RULES).of(space);
  }

  @Test
  void twoSpacesBecomeOne() throws Exception {
    Envelope e = new MergeSpaces(List.of("b", "a")).apply(rooms(), Fixtures.RULES);
    assertThat(e.spaces()).extracting(s -> s.key()).containsExactly("b");
    assertThat(e.surfaces()).hasSize(10).allMatch(s -> s.isAdjacentTo("b"));
    assertThat(volume(e, "b").enclosed()).isTrue();
    assertThat(volume(e, "b").volume()).isCloseTo(120, within(1e-9));
    assertThat(e.spaces().get(0).statedVolume()).isEqualTo(120.0);
    assertThat(Fixtures.check(e)).isEmpty();
  }

  @Test
  void theThicknessOfTheWallBetweenIsBridged() throws Exception {
    Vec vec = new Vec(0.2);
    Envelope apart = vec.moved(rooms());
    assertThat(volume(apart, "b").enclosed()).isTrue();
    Envelope e = new MergeSpaces(List.of("a", "b")).apply(apart, Fixtures.RULES);
    assertThat(volume(e, "a").enclosed()).isTrue();
    assertThat(volume(e, "a").volume()).isCloseTo(8.2 * 5 * 3, within(1e-9));
    assertThat(e.surfaces().stream().filter(s -> s.key().contains("_m"))).hasSize(4);
  }

  /** Room b moved east, so that the wall between has two sides. */
  private record Vec(double by) {
    Envelope moved(Envelope e) {
      List<Surface> out =
          e.surfaces().stream()
              .map(
                  s -> {
                    if (s.sides().size() == 2) {
                      Polygon far = shift(s.polygon().reversed());
                      return s.withSides(List.of(Side.of("a", s.polygon()), Side.of("b", far)));
                    }
                    return s.isAdjacentTo("b") ? s.withPolygon(shift(s.polygon()), s.sides()) : s;
                  })
              .toList();
      return e.withSurfaces(out)
          .withSpaces(
              e.spaces().stream()
                  .map(
                      s ->
                          s.key().equals("b")
                              ? s.withShell(s.shell().stream().map(this::shift).toList())
                              : s)
                  .toList());
    }

    private Polygon shift(Polygon p) {
      return Polygon.of(p.outer().stream().map(x -> x.plus(v(by, 0, 0))).toList());
    }
  }

  @Test
  void spacesWithoutAWallBetweenThemStay() {
    assertThatThrownBy(() -> new MergeSpaces(List.of("a")).apply(rooms(), Fixtures.RULES))
        .isInstanceOf(NotApplicableException.class);
    assertThatThrownBy(
            () ->
                new MergeSpaces(List.of("a", "b"))
                    .apply(rooms().withoutSurface("between"), Fixtures.RULES))
        .hasMessageContaining("no surface between");
  }

  @Test
  void surfacesSideBySideAreJoinedWithTheirOpenings() throws Exception {
    Envelope one = new MergeSpaces(List.of("a", "b")).apply(rooms(), Fixtures.RULES);
    MergeCoplanar join = new MergeCoplanar();
    Envelope e = join.apply(one, Fixtures.RULES);
    assertThat(e.surfaces()).hasSize(6);
    Surface south = e.surface("a-south").orElseThrow();
    assertThat(south.polygon().area()).isCloseTo(24, within(1e-9));
    assertThat(south.polygon().outer()).hasSize(4);
    assertThat(south.openings()).hasSize(1);
    assertThat(volume(e, "a").volume()).isCloseTo(120, within(1e-9));
    assertThat(Fixtures.check(e)).isEmpty();
    assertThat(join.make(one, Fixtures.RULES, null).summary()).contains("10 became 6");
  }

  @Test
  void differentConstructionsAndSpacesStayApart() throws Exception {
    assertThatThrownBy(() -> new MergeCoplanar().apply(rooms(), Fixtures.RULES))
        .isInstanceOf(NotApplicableException.class);
    Envelope one = new MergeSpaces(List.of("a", "b")).apply(rooms(), Fixtures.RULES);
    Envelope mixed = one.replacing("b-south", s -> s.withConstruction("con-2"));
    assertThat(new MergeCoplanar().apply(mixed, Fixtures.RULES).surfaces()).hasSize(7);
  }

  @Test
  void aSliverGoesToTheSurfaceBesideIt() throws Exception {
    // the south wall of room a, of which the last 15 mm are a surface of another type
    Envelope e = rooms();
    Surface south = e.surface("a-south").orElseThrow();
    double x = 3.985;
    Surface large =
        Fixtures.with(south, Polygon.of(v(0, 0, 0), v(x, 0, 0), v(x, 0, 3), v(0, 0, 3)));
    Surface sliver =
        Fixtures.surface(
            "strip",
            yentra.core.envelope.SurfaceType.UNDERGROUND_WALL,
            Polygon.of(v(x, 0, 0), v(4, 0, 0), v(4, 0, 3), v(x, 0, 3)),
            null,
            "a");
    Envelope two = Fixtures.changed("a-south", s -> large).plus(sliver);
    assertThat(Fixtures.codes(two)).contains("GEO-305");
    Envelope one = new AbsorbSlivers(0.05, 0.02).apply(two, Fixtures.RULES);
    assertThat(one.surface("strip")).isEmpty();
    Surface whole = one.surface("a-south").orElseThrow();
    assertThat(whole.polygon().area()).isCloseTo(12, within(1e-9));
    assertThat(whole.type()).isEqualTo(south.type());
    assertThat(volume(one, "a").enclosed()).isTrue();
    assertThatThrownBy(() -> new AbsorbSlivers(0.05, 0.02).apply(one, Fixtures.RULES))
        .isInstanceOf(NotApplicableException.class);
  }
}
