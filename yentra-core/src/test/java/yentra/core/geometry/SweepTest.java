package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Volumes by the divergence theorem are those of the formulas, with faces that point outwards. */
class SweepTest {
  private static final Polygon SQUARE = Polygon.of(v(0, 0, 0), v(2, 0, 0), v(2, 3, 0), v(0, 3, 0));

  /** 2 x 3 m with a hole of 0.5 x 1 m. */
  private static final Polygon FRAME =
      new Polygon(
          SQUARE.outer(), List.of(List.of(v(0.5, 1, 0), v(1, 1, 0), v(1, 2, 0), v(0.5, 2, 0))));

  /** Positive where faces point outwards, whatever the holes turn like. */
  private static double volume(List<Polygon> faces) {
    double sum = 0;
    for (Polygon f : faces) {
      for (Vec3[] t : Triangulation.of(f)) {
        sum += t[0].dot(t[1].cross(t[2])) / 6;
      }
    }
    return sum;
  }

  private static Polygon reversedHoles(Polygon p) {
    List<List<Vec3>> holes = new ArrayList<>();
    for (List<Vec3> h : p.holes()) {
      List<Vec3> back = new ArrayList<>(h);
      Collections.reverse(back);
      holes.add(back);
    }
    return new Polygon(p.outer(), holes);
  }

  @ParameterizedTest
  @ValueSource(doubles = {2.5, -2.5})
  void prismsUpAndDown(double height) {
    for (Polygon region : List.of(SQUARE, SQUARE.reversed())) {
      List<Polygon> p = Sweep.prism(region, v(0, 0, height));
      assertThat(p).hasSize(6);
      assertThat(volume(p)).isCloseTo(15, within(1e-9));
    }
  }

  @ParameterizedTest
  @ValueSource(doubles = {2.5, -2.5})
  void prismsWithAHole(double height) {
    for (Polygon region :
        List.of(FRAME, FRAME.reversed(), reversedHoles(FRAME), reversedHoles(FRAME.reversed()))) {
      List<Polygon> p = Sweep.prism(region, v(0, 0, height));
      assertThat(p).hasSize(10);
      assertThat(volume(p)).isCloseTo((6 - 0.5) * 2.5, within(1e-9));
    }
  }

  @Test
  void aSlantingPrismHasTheVolumeOfAnUprightOne() {
    assertThat(volume(Sweep.prism(SQUARE, v(1, 0.7, 2.5)))).isCloseTo(15, within(1e-9));
  }

  /** h/3 (A + a + √(A a)) of a frustum. */
  @Test
  void lofts() {
    Polygon top = Polygon.of(v(0.5, 0.75, 4), v(1.5, 0.75, 4), v(1.5, 2.25, 4), v(0.5, 2.25, 4));
    List<Polygon> f = Sweep.loft(SQUARE, top);
    assertThat(f).hasSize(6);
    assertThat(volume(f)).isCloseTo(4 / 3.0 * (6 + 1.5 + 3), within(1e-9));
    assertThat(volume(Sweep.loft(top, SQUARE))).isCloseTo(14, within(1e-9));
  }

  @Test
  void sidesThatAreNotFlatAreTriangles() {
    Polygon turned = Polygon.of(v(1, -1, 4), v(3, 1, 4), v(1, 4, 4), v(-1, 2, 4));
    List<Polygon> f = Sweep.loft(SQUARE, turned);
    assertThat(f).hasSize(2 + 8);
    assertThat(f).allSatisfy(p -> assertThat(PlaneFit.deviation(p.outer())).isLessThan(1e-9));
    assertThat(volume(f)).isPositive();
  }

  @Test
  void aPointIsNoSide() {
    Polygon ridge = Polygon.of(v(0, 1.5, 2), v(2, 1.5, 2), v(2, 1.5, 2), v(0, 1.5, 2));
    // a roof: two slopes, two gables of three corners, a base; the ridge has no area
    List<Polygon> f = Sweep.loft(SQUARE, ridge).stream().filter(p -> p.area() > 1e-12).toList();
    assertThat(f).hasSize(5);
  }

  @Test
  void outlinesThatDoNotCorrespondAreRefused() {
    Polygon three = Polygon.of(v(0, 0, 4), v(1, 0, 4), v(0, 1, 4));
    assertThatThrownBy(() -> Sweep.loft(SQUARE, three))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("numbers of corners");
    Polygon up = SQUARE.transformed(Transform.translation(v(0, 0, 4)));
    assertThatThrownBy(() -> Sweep.loft(FRAME, up))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("numbers of holes");
  }

  private static UnaryOperator<Vec3> turned(double degrees) {
    double a = Math.toRadians(degrees);
    return p -> v((p.x() + 5) * Math.cos(a), (p.x() + 5) * Math.sin(a), p.y());
  }

  /**
   * A section of 2 x 3 m from 5 to 7 m about an axis, in n straight parts: 3 m high, between two
   * regular polygons of n corners of radius 7 and 5 (n/2 r² sin(2π/n)).
   */
  @Test
  void aTurnAboutAnAxis() {
    int n = 72;
    List<UnaryOperator<Vec3>> places = new ArrayList<>();
    for (int i = 0; i <= n; i++) {
      places.add(turned(360.0 * i / n));
    }
    List<Polygon> ring = Sweep.through(SQUARE, places, true);
    assertThat(ring).hasSize(4 * n);
    double regular = n / 2.0 * Math.sin(2 * Math.PI / n);
    assertThat(volume(ring)).isCloseTo(3 * regular * (49 - 25), within(1e-9));
    List<Polygon> half = Sweep.through(SQUARE, places.subList(0, n / 2 + 1), false);
    assertThat(half).hasSize(4 * n / 2 + 2);
    assertThat(volume(half)).isCloseTo(volume(ring) / 2, within(1e-9));
    assertThat(volume(Sweep.through(SQUARE.reversed(), places, true)))
        .isCloseTo(volume(ring), within(1e-9));
  }
}
