package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.v;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;

class TerrainSkylineTest {
  private static final Box HOUSE = new Box(v(-5, -5, 0), v(5, 5, 6));

  private static Polygon flat(double x0, double x1, double z0, double z1) {
    return Polygon.of(v(x0, -60, z0), v(x1, -60, z1), v(x1, 60, z1), v(x0, 60, z0));
  }

  @Test
  void flatGroundHidesNothing() {
    assertThat(TerrainSkyline.of(List.of(flat(-60, 60, 0, 0)), HOUSE, null)).isEmpty();
  }

  @Test
  void aRidgeInTheEastStandsAsScreensThatFaceTheHouse() {
    List<Surface> out =
        TerrainSkyline.of(List.of(flat(-60, 40, 0, 0), flat(40, 60, 0, 12)), HOUSE, null);
    assertThat(out)
        .isNotEmpty()
        .allMatch(s -> s.type() == SurfaceType.SHADE)
        .allMatch(s -> Math.abs(s.polygon().tilt() - 90) < 1e-9)
        .allMatch(s -> s.polygon().mean().x() > 10)
        .allMatch(s -> s.polygon().normal().dot(s.polygon().mean()) < 0);
    Surface east =
        out.stream().filter(s -> s.key().equals("sh_terrain_05")).findFirst().orElseThrow();
    // due east the crest lies 60 m away and 12 m high; the screen covers a sixteenth of the circle
    assertThat(east.polygon().box().max().z()).isCloseTo(12, within(1e-9));
    assertThat(east.polygon().mean().x()).isCloseTo(60, within(0.5));
    assertThat(east.polygon().area()).isCloseTo(12 * 2 * 60 * Math.tan(Math.PI / 16), within(0.5));
  }

  @Test
  void aBankAgainstTheHouseIsTheHousesOwnMatter() {
    assertThat(
            TerrainSkyline.of(List.of(flat(-60, 5, 0, 0), flat(5, 6.5, 0, 3)), HOUSE, null).stream()
                .filter(s -> s.key().equals("sh_terrain_05")))
        .isEmpty();
  }
}
