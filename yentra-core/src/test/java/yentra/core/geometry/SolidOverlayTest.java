package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;

class SolidOverlayTest {
  private static List<Polygon> box(double x, double y, double z, double w, double d, double h) {
    return Fixtures.box(new Vec3(x, y, z), new Vec3(x + w, y + d, z + h));
  }

  private static double volume(List<Polygon> faces) {
    return Shell.of(faces).signedVolume();
  }

  @Test
  void aWallWithTwoWindowsHasTenFacesMoreAndLessVolume() {
    List<Polygon> wall = box(0, 0, 0, 6, 0.3, 3);
    List<Polygon> cut =
        SolidOverlay.difference(
            SolidOverlay.difference(wall, box(1, -0.1, 1, 1, 0.5, 1), Fixtures.TOLERANCE),
            box(3, -0.1, 1, 2, 0.5, 1),
            Fixtures.TOLERANCE);
    assertThat(volume(cut)).isCloseTo(6 * 0.3 * 3 - 0.3 * (1 + 2), within(1e-9));
    // six faces, of which two have holes, and four sides of each hole
    assertThat(cut).hasSize(6 + 8);
    assertThat(cut.stream().filter(f -> f.holes().size() == 2)).hasSize(2);
  }

  /** One corner of a box far off, so that no face at it is flat: it ends, whatever comes out. */
  @Test
  void facesThatAreNotFlatDoNotSplitForEver() {
    for (double off : new double[] {1e-4, 0.01, 0.5, 1e3, 1e9}) {
      List<Polygon> bent = new ArrayList<>();
      for (Polygon f : box(0, 0, 0, 4, 3, 2)) {
        bent.add(
            Polygon.of(
                f.outer().stream()
                    .map(p -> p.equals(new Vec3(4, 3, 2)) ? new Vec3(4 + off, 3, 2 + off) : p)
                    .toList()));
      }
      List<Polygon> common =
          assertTimeoutPreemptively(
              Duration.ofSeconds(10),
              () -> SolidOverlay.intersection(bent, box(1, 1, 1, 9, 9, 9), Fixtures.TOLERANCE));
      assertThat(volume(common)).isNotNaN();
    }
  }
}
