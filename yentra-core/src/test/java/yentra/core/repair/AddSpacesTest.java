package yentra.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Finding;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Vec3;
import yentra.core.repair.space.AddSpaces;

/** Two rooms side by side, of which only the surfaces are known. */
class AddSpacesTest {
  private static final Rules T = Fixtures.RULES;
  private static final double W = 4;

  /** One floor and one roof over both rooms, outer walls, and a partition short of the roof. */
  private static Envelope loose(double short0) {
    List<Surface> out = new ArrayList<>();
    List<Polygon> outer = Fixtures.box(0, 0, 0, 2 * W, 5, 3);
    SurfaceType[] types = {
      SurfaceType.SLAB_ON_GRADE,
      SurfaceType.ROOF,
      SurfaceType.EXTERIOR_WALL,
      SurfaceType.EXTERIOR_WALL,
      SurfaceType.EXTERIOR_WALL,
      SurfaceType.EXTERIOR_WALL
    };
    for (int i = 0; i < 6; i++) {
      out.add(Fixtures.surface("s" + i, types[i], outer.get(i), null));
    }
    double h = 3 - short0;
    out.add(
        Fixtures.surface(
            "partition",
            SurfaceType.INTERIOR_WALL,
            Polygon.of(new Vec3(W, 0, 0), new Vec3(W, 5, 0), new Vec3(W, 5, h), new Vec3(W, 0, h)),
            null));
    Envelope two = Fixtures.rooms();
    return two.withSpaces(List.of()).withSurfaces(out);
  }

  private static List<SpaceSeed> seeds(Envelope e) {
    return EnclosedVolumes.of(e, T).volumes().stream().map(EnclosedVolumes.Volume::seed).toList();
  }

  @Test
  void looseSurfacesBecomeClosedSpaces() throws Exception {
    Envelope e = loose(0);
    List<SpaceSeed> seeds = seeds(e);
    assertThat(seeds).hasSize(2);
    Envelope made = new AddSpaces(seeds).apply(e, T);
    assertThat(made.spaces()).hasSize(2);
    made.spaces()
        .forEach(
            s -> assertThat(Shell.of(s.shell()).signedVolume()).isCloseTo(W * 5 * 3, within(1e-6)));
    // floor, roof, south and north wall are cut in two; the partition has both rooms
    assertThat(made.surfaces()).hasSize(4 * 2 + 2 + 1);
    Surface partition = made.surface("partition").orElseThrow();
    assertThat(partition.sides()).hasSize(2);
    assertThat(partition.exposure()).isEqualTo(Exposure.SPACE);
    assertThat(made.surfaces().stream().mapToDouble(s -> s.polygon().area()).sum())
        .isCloseTo(2 * (2 * W * 5 + 2 * W * 3 + 5 * 3) + 5 * 3, within(1e-6));
    assertThat(Fixtures.check(made).stream().map(Finding::code))
        .doesNotContain("SPC-401", "ADJ-501", "ADJ-502", "ADJ-509", "ADJ-506", "SPC-410");
    assertThat(seeds(made)).isEmpty();
  }

  @Test
  void aGapIsBridgedAndClosed() throws Exception {
    Envelope e = loose(0.04);
    EnclosedVolumes found = EnclosedVolumes.of(e, T);
    assertThat(found.volumes()).hasSize(2);
    assertThat(found.volumes().get(0).found().bridged().stream().mapToDouble(Polygon::area).sum())
        .isCloseTo(0.04 * 5, within(1e-3));
    Envelope made = new AddSpaces(seeds(e)).apply(e, T);
    assertThat(Fixtures.check(made).stream().map(Finding::code)).doesNotContain("SPC-401");
  }

  @Test
  void aDoorwayJoinsTheRooms() {
    assertThat(EnclosedVolumes.of(loose(0.9), T).volumes())
        .singleElement()
        .satisfies(v -> assertThat(v.found().volume()).isCloseTo(2 * W * 5 * 3, within(1e-6)));
  }

  @Test
  void onlyWhatIsNamedIsMade() throws Exception {
    Envelope e = loose(0);
    Envelope one = new AddSpaces(List.of(seeds(e).get(1))).apply(e, T);
    assertThat(one.spaces()).hasSize(1);
    assertThat(one.surface("partition").orElseThrow().sides()).hasSize(1);
    // what is left of the floor still waits for the other room
    assertThat(one.surface("s0").orElseThrow().sides()).isEmpty();
    assertThat(one.surface("s0").orElseThrow().polygon().area()).isCloseTo(W * 5, within(1e-6));
    Envelope both = new AddSpaces(seeds(one)).apply(one, T);
    assertThat(both.surface("partition").orElseThrow().sides()).hasSize(2);
  }

  @Test
  void aPlaceThatNothingEnclosesIsRefused() {
    assertThatThrownBy(
            () ->
                new AddSpaces(List.of(new SpaceSeed("Nowhere", new Vec3(50, 0, 0))))
                    .apply(loose(0), T))
        .isInstanceOf(NotApplicableException.class)
        .hasMessageContaining("Nothing encloses the place of Nowhere");
  }

  @Test
  void soundSpacesAreNotFoundAgain() {
    assertThat(seeds(Fixtures.rooms())).isEmpty();
  }
}
