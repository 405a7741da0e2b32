package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;

/** What stands outdoors round a room of 4 × 4 × 3 m. */
class ShadingDerivationTest {
  private static Barrier barrier(String key, List<Polygon> body) {
    return new Barrier(
        key, new SourceRef("IfcWall", key, key, 0, 0), Barrier.Rank.SEPARATING, body);
  }

  private static List<Surface> shades(Barrier... more) {
    return under(barrier("roof", Fixtures.box(-0.3, -0.3, 3, 4.3, 4.3, 3.3)), more);
  }

  @Test
  void aCanopyIsItsLargestFace() {
    List<Surface> s = shades(barrier("canopy", Fixtures.box(0, -2, 2.6, 4, -0.3, 2.7)));
    assertThat(s).hasSize(1);
    assertThat(s.get(0).type()).isEqualTo(SurfaceType.SHADE);
    assertThat(s.get(0).sides()).isEmpty();
    assertThat(s.get(0).polygon().area()).isCloseTo(4 * 1.7, within(1e-9));
  }

  @Test
  void aNeighbourIsItsWallsAndItsRoof() {
    List<Surface> s = shades(barrier("neighbour", Fixtures.box(10, 0, 0, 18, 6, 7)));
    assertThat(s).hasSize(5);
    assertThat(s.stream().mapToDouble(x -> x.polygon().area()).sum())
        .isCloseTo(8 * 6 + 2 * 7 * (8 + 6), within(1e-9));
  }

  @Test
  void whatStandsInARoomOrIsTinyShadesNothing() {
    assertThat(
            shades(
                barrier("kiosk", Fixtures.box(1, 1, 0, 2, 2, 2)),
                barrier("kerb", Fixtures.box(8, 0, 0, 8.5, 0.5, 0.1))))
        .isEmpty();
  }

  /** A room under a roof, with more around it. */
  private static List<Surface> under(Barrier roof, Barrier... more) {
    List<Barrier> all =
        new ArrayList<>(
            List.of(
                barrier("floor", Fixtures.box(-0.3, -0.3, -0.3, 4.3, 4.3, 0)),
                barrier("south", Fixtures.box(-0.3, -0.3, 0, 4.3, 0, 3)),
                barrier("north", Fixtures.box(-0.3, 4, 0, 4.3, 4.3, 3)),
                barrier("west", Fixtures.box(-0.3, 0, 0, 0, 4, 3)),
                barrier("east", Fixtures.box(4, 0, 0, 4.3, 4, 3)),
                roof));
    all.addAll(List.of(more));
    return new BoundaryDerivation(
            List.of(new Room("room", SourceRef.REPAIR, Fixtures.box(0, 0, 0, 4, 4, 3))),
            all,
            List.of(),
            Ground.level(-0.1),
            DerivationOptions.STANDARD,
            Tolerance.standard())
        .derive(BoundaryMatching.Constructions.NONE)
        .shades();
  }

  @Test
  void aRoofThatGoesOnCastsShadeThere() {
    List<Surface> s = under(barrier("roof", Fixtures.box(-1.3, -2.3, 3, 4.3, 4.3, 3.2)));
    // 2 m to the south over its whole length, 1 m to the west of the walls
    assertThat(s).hasSize(1);
    assertThat(s.get(0).polygon().area()).isCloseTo(5.6 * 2 + 1 * 4.6, within(1e-6));
    assertThat(s.get(0).element().id()).isEqualTo("roof");
  }

  @Test
  void aTerraceOnTheGroundAndANarrowEdgeCastNone() {
    assertThat(under(barrier("roof", Fixtures.box(-0.4, -0.4, 3, 4.4, 4.4, 3.2)))).isEmpty();
    assertThat(
            under(
                barrier("roof", Fixtures.box(-0.3, -0.3, 3, 4.3, 4.3, 3.2)),
                barrier("terrace", Fixtures.box(-0.3, -4, -0.3, 4.3, -0.3, -0.1))))
        .allMatch(x -> !x.element().id().equals("roof") && !x.element().id().equals("floor"));
  }
}
