package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/** What stands outdoors round a room of 4 × 4 × 3 m. */
class ShadingDerivationTest {
  private static List<Polygon> box(
      double x0, double y0, double z0, double x1, double y1, double z1) {
    Vec3[] p = new Vec3[8];
    for (int i = 0; i < 8; i++) {
      p[i] = new Vec3((i & 1) == 0 ? x0 : x1, (i & 2) == 0 ? y0 : y1, (i & 4) == 0 ? z0 : z1);
    }
    return List.of(
        Polygon.of(p[0], p[2], p[3], p[1]),
        Polygon.of(p[4], p[5], p[7], p[6]),
        Polygon.of(p[0], p[1], p[5], p[4]),
        Polygon.of(p[2], p[6], p[7], p[3]),
        Polygon.of(p[0], p[4], p[6], p[2]),
        Polygon.of(p[1], p[3], p[7], p[5]));
  }

  private static Barrier barrier(String key, List<Polygon> body) {
    return new Barrier(
        key, new SourceRef("IfcWall", key, key, 0, 0), Barrier.Rank.SEPARATING, body);
  }

  private static List<Surface> shades(Barrier... more) {
    List<Barrier> all =
        new ArrayList<>(
            List.of(
                barrier("floor", box(-0.3, -0.3, -0.3, 4.3, 4.3, 0)),
                barrier("roof", box(-0.3, -0.3, 3, 4.3, 4.3, 3.3)),
                barrier("south", box(-0.3, -0.3, 0, 4.3, 0, 3)),
                barrier("north", box(-0.3, 4, 0, 4.3, 4.3, 3)),
                barrier("west", box(-0.3, 0, 0, 0, 4, 3)),
                barrier("east", box(4, 0, 0, 4.3, 4, 3))));
    all.addAll(List.of(more));
    return new BoundaryDerivation(
            List.of(new Room("room", SourceRef.REPAIR, box(0, 0, 0, 4, 4, 3))),
            all,
            List.of(),
            -0.1,
            DerivationOptions.STANDARD,
            Tolerance.standard())
        .derive(BoundaryDerivationPropertiesTest.NONE)
        .shades();
  }

  @Test
  void aCanopyIsItsLargestFace() {
    List<Surface> s = shades(barrier("canopy", box(0, -2, 2.6, 4, -0.3, 2.7)));
    assertThat(s).hasSize(1);
    assertThat(s.get(0).type()).isEqualTo(SurfaceType.SHADE);
    assertThat(s.get(0).sides()).isEmpty();
    assertThat(s.get(0).polygon().area()).isCloseTo(4 * 1.7, within(1e-9));
  }

  @Test
  void aNeighbourIsItsWallsAndItsRoof() {
    List<Surface> s = shades(barrier("neighbour", box(10, 0, 0, 18, 6, 7)));
    assertThat(s).hasSize(5);
    assertThat(s.stream().mapToDouble(x -> x.polygon().area()).sum())
        .isCloseTo(8 * 6 + 2 * 7 * (8 + 6), within(1e-9));
  }

  @Test
  void whatStandsInARoomOrIsTinyShadesNothing() {
    assertThat(
            shades(
                barrier("kiosk", box(1, 1, 0, 2, 2, 2)),
                barrier("kerb", box(8, 0, 0, 8.5, 0.5, 0.1))))
        .isEmpty();
  }
}
