package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** The quick way gives what the general overlay gives, or says that it cannot. */
class ConvexClipTest {
  /** Corners on an ellipse, by their angle: always convex. */
  private static Polygon convex(Random r, double tilt) {
    List<Double> angles = new ArrayList<>();
    for (int i = 0; i < 3 + r.nextInt(6); i++) {
      angles.add(r.nextDouble() * 2 * Math.PI);
    }
    angles.sort(Comparator.naturalOrder());
    double x = r.nextDouble() * 3;
    double y = r.nextDouble() * 3;
    List<Vec3> ring = new ArrayList<>();
    for (double a : angles) {
      double u = x + 3 * Math.cos(a);
      double w = y + 2 * Math.sin(a);
      ring.add(v(u * Math.cos(tilt), w, u * Math.sin(tilt)));
    }
    Polygon p = Polygon.of(ring);
    return r.nextBoolean() ? p : p.reversed();
  }

  @Property(tries = 500)
  void areasAreThoseOfTheGeneralOverlay(@ForAll int seed) {
    Random r = new Random(seed);
    double tilt = r.nextDouble();
    Polygon a = convex(r, tilt);
    Polygon b = convex(r, r.nextInt(4) == 0 ? tilt + 0.2 : tilt);
    double quick = ConvexClip.commonArea(a, b);
    if (a.area() > 0.01 && b.area() > 0.01) {
      assertThat(quick).isNotNaN();
    }
    if (!Double.isNaN(quick)) {
      double general = PlanarOverlay.intersection(a, b).stream().mapToDouble(Polygon::area).sum();
      assertThat(quick).isCloseTo(general, within(1e-7));
      double outside = PlanarOverlay.difference(a, b).stream().mapToDouble(Polygon::area).sum();
      if (Math.abs(a.plane().angleTo(b.plane())) < 1e-6) {
        assertThat(PlanarOverlay.areaOutside(a, b)).isCloseTo(outside, within(1e-7));
      }
    }
  }

  @Test
  void whatIsNotConvexIsLeftToTheGeneralOverlay() {
    Polygon square = Polygon.of(v(0, 0, 0), v(4, 0, 0), v(4, 4, 0), v(0, 4, 0));
    Polygon notch = Polygon.of(v(0, 0, 0), v(4, 0, 0), v(2, 1, 0), v(4, 4, 0), v(0, 4, 0));
    Polygon bow = Polygon.of(v(0, 0, 0), v(4, 4, 0), v(4, 0, 0), v(0, 4, 0));
    // a star turns one way only, but twice round
    List<Vec3> star = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      double a = 4 * Math.PI * i / 5;
      star.add(v(2 + 2 * Math.cos(a), 2 + 2 * Math.sin(a), 0));
    }
    for (Polygon p : List.of(notch, bow, Polygon.of(star))) {
      assertThat(ConvexClip.commonArea(square, p)).isNaN();
      assertThat(ConvexClip.commonArea(p, square)).isNaN();
    }
    assertThat(ConvexClip.commonArea(square, square.reversed())).isEqualTo(16);
  }
}
