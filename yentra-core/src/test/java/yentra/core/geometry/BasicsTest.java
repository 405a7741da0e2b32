package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Boxes, vectors, fitted planes and polygons: the few lines on which all else stands. */
class BasicsTest {
  private static final Box BOX = new Box(v(1, 2, 3), v(4, 6, 8));

  private static Box moved(double x, double y, double z) {
    return new Box(BOX.min().plus(v(x, y, z)), BOX.max().plus(v(x, y, z)));
  }

  @Test
  void boxesGrowOnAllSides() {
    assertThat(BOX.grown(0.5)).isEqualTo(new Box(v(0.5, 1.5, 2.5), v(4.5, 6.5, 8.5)));
    assertThat(BOX.diagonal()).isCloseTo(Math.sqrt(9 + 16 + 25), within(1e-12));
    assertThat(Box.EMPTY.diagonal()).isZero();
    assertThat(Box.EMPTY.isEmpty()).isTrue();
    assertThat(new Box(v(1, 1, 1), v(1, 1, 1)).isEmpty()).isFalse();
    assertThat(BOX.centre()).isEqualTo(v(2.5, 4, 5.5));
    assertThat(Box.EMPTY.union(BOX)).isEqualTo(BOX);
  }

  /** Boxes that touch have something in common. */
  @Test
  void boxesThatTouchMeet() {
    assertThat(BOX.intersects(moved(3, 0, 0))).isTrue();
    assertThat(BOX.intersects(moved(-3, 0, 0))).isTrue();
    assertThat(BOX.intersects(moved(0, 4, 0))).isTrue();
    assertThat(BOX.intersects(moved(0, -4, 0))).isTrue();
    assertThat(BOX.intersects(moved(0, 0, 5))).isTrue();
    assertThat(BOX.intersects(moved(0, 0, -5))).isTrue();
    for (Vec3 far :
        List.of(
            v(3.01, 0, 0),
            v(-3.01, 0, 0),
            v(0, 4.01, 0),
            v(0, -4.01, 0),
            v(0, 0, 5.01),
            v(0, 0, -5.01))) {
      assertThat(BOX.intersects(moved(far.x(), far.y(), far.z()))).isFalse();
    }
  }

  @Test
  void vectorsThatAreNoPlaceOnEarth() {
    assertThat(v(1, -2, 3).withinReach()).isTrue();
    double far = Vec3.FARTHEST * 1.0001;
    assertThat(v(-Vec3.FARTHEST, Vec3.FARTHEST, Vec3.FARTHEST).withinReach()).isTrue();
    assertThat(v(far, 0, 0).withinReach()).isFalse();
    assertThat(v(0, -far, 0).withinReach()).isFalse();
    assertThat(v(0, 0, far).withinReach()).isFalse();
    assertThat(v(Double.NaN, 0, 0).withinReach()).isFalse();
    assertThat(v(0, Double.NaN, 0).withinReach()).isFalse();
    assertThat(v(0, 0, Double.NEGATIVE_INFINITY).withinReach()).isFalse();
  }

  /** Points of a plane known before, off it by nothing, in any position. */
  @Property(tries = 300)
  void planesFitThroughWhatLiesOnThem(@ForAll int seed) {
    Random r = new Random(seed);
    Vec3 normal = v(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit();
    Vec3 u = normal.cross(Math.abs(normal.z()) < 0.7 ? v(0, 0, 1) : v(1, 0, 0)).unit();
    Vec3 w = normal.cross(u);
    Vec3 origin = v(r.nextDouble() * 100, r.nextDouble() * 100, r.nextDouble() * 100);
    List<Vec3> points = new ArrayList<>();
    for (double[] c : new double[][] {{0, 0}, {5, 0.3}, {4, 3}, {-1, 2}, {2, -2}}) {
      points.add(origin.plus(u.times(c[0])).plus(w.times(c[1])));
    }
    assertThat(Math.abs(PlaneFit.of(points).normal().dot(normal))).isCloseTo(1, within(1e-12));
    assertThat(PlaneFit.deviation(points)).isLessThan(1e-12);
  }

  /** Two by two, above and below: the plane between them, off it by half the distance. */
  @Test
  void planesLieInTheMiddle() {
    List<Vec3> points = List.of(v(0, 0, 0.1), v(4, 0, -0.1), v(4, 4, 0.1), v(0, 4, -0.1));
    assertThat(PlaneFit.deviation(points)).isCloseTo(0.1, within(1e-12));
    assertThat(Math.abs(PlaneFit.of(points).normal().z())).isCloseTo(1, within(1e-12));
    // x² least: across; y² least: along
    assertThat(
            Math.abs(
                PlaneFit.of(List.of(v(0, 0, 0), v(0, 3, 0), v(0, 3, 4), v(0, 0, 4))).normal().x()))
        .isCloseTo(1, within(1e-12));
    assertThat(
            Math.abs(
                PlaneFit.of(List.of(v(0, 7, 0), v(3, 7, 0), v(3, 7, 4), v(0, 7, 4))).normal().y()))
        .isCloseTo(1, within(1e-12));
  }

  @Test
  void polygonsThatAreLevel() {
    Polygon floor = Polygon.of(v(0, 0, 0), v(4, 0, 0), v(4, 3, 0), v(0, 3, 0));
    assertThat(floor.isLevel(1)).isTrue();
    assertThat(floor.reversed().isLevel(1)).isTrue();
    Polygon slope = Polygon.of(v(0, 0, 0), v(4, 0, 0), v(4, 3, 0.3), v(0, 3, 0.3));
    double tilt = Math.toDegrees(Math.atan(0.1));
    assertThat(slope.isLevel(tilt - 0.01)).isFalse();
    assertThat(slope.isLevel(tilt + 0.01)).isTrue();
    assertThat(slope.reversed().isLevel(tilt - 0.01)).isFalse();
    assertThat(slope.reversed().isLevel(tilt + 0.01)).isTrue();
    assertThat(slope.tilt()).isCloseTo(tilt, within(1e-9));
  }

  @Test
  void polygonsAreEqualByTheirRings() {
    List<Vec3> outer = List.of(v(0, 0, 0), v(4, 0, 0), v(4, 3, 0), v(0, 3, 0));
    List<Vec3> hole = List.of(v(1, 1, 0), v(1, 2, 0), v(2, 2, 0));
    Polygon plain = Polygon.of(outer);
    Polygon holed = new Polygon(outer, List.of(hole));
    assertThat(plain).isEqualTo(Polygon.of(outer)).hasSameHashCodeAs(Polygon.of(outer));
    assertThat(holed).isNotEqualTo(plain).hasSameHashCodeAs(new Polygon(outer, List.of(hole)));
    assertThat(holed.hashCode()).isNotEqualTo(plain.hashCode());
    assertThat(holed.toString()).contains("outer").contains("holes");
    Polygon up = holed.transformed(Transform.translation(v(0, 0, 2)));
    assertThat(up.holes().get(0)).containsExactly(v(1, 1, 2), v(1, 2, 2), v(2, 2, 2));
    assertThat(up.area()).isCloseTo(11.5, within(1e-12));
    assertThat(holed.rings()).containsExactly(outer, hole);
  }

  private static boolean convex(Vec3... ring) {
    return Triangulation.isConvex(Polygon.of(ring));
  }

  @Test
  void whatMayBeFannedOutFromItsFirstCorner() {
    assertThat(convex(v(0, 0, 0), v(4, 0, 0), v(4, 3, 0), v(0, 3, 0))).isTrue();
    assertThat(convex(v(0, 3, 0), v(4, 3, 0), v(4, 0, 0), v(0, 0, 0))).isTrue();
    // a straight corner, a corner that turns back, twice around
    assertThat(convex(v(0, 0, 0), v(2, 0, 0), v(4, 0, 0), v(4, 3, 0), v(0, 3, 0))).isFalse();
    assertThat(convex(v(0, 0, 0), v(4, 0, 0), v(1, 1, 0), v(0, 3, 0))).isFalse();
    assertThat(convex(v(0, 0, 0), v(4, 0, 0))).isFalse();
    Vec3[] star = new Vec3[5];
    for (int i = 0; i < 5; i++) {
      double a = 4 * Math.PI * i / 5;
      star[i] = v(Math.cos(a), Math.sin(a), 0);
    }
    assertThat(convex(star)).isFalse();
    Polygon holed =
        new Polygon(
            List.of(v(0, 0, 0), v(4, 0, 0), v(4, 3, 0), v(0, 3, 0)),
            List.of(List.of(v(1, 1, 0), v(1, 2, 0), v(2, 2, 0))));
    assertThat(Triangulation.isConvex(holed)).isFalse();
    assertThat(Triangulation.of(holed).stream().mapToDouble(t -> Polygon.of(t).area()).sum())
        .isCloseTo(11.5, within(1e-9));
  }

  /** Triangles turn as their polygon does, and are all of it. */
  @Test
  void trianglesOfPolygonsThatTurnBack() {
    Polygon l =
        Polygon.of(v(0, 0, 1), v(4, 0, 1), v(4, 1.5, 1), v(2, 1.5, 1), v(2, 3, 1), v(0, 3, 1));
    for (Polygon p : List.of(l, l.reversed())) {
      List<Vec3[]> t = Triangulation.of(p);
      assertThat(t).hasSize(4);
      assertThat(t)
          .allSatisfy(
              x ->
                  assertThat(x[1].minus(x[0]).cross(x[2].minus(x[0])).dot(p.normal()))
                      .isPositive());
      assertThat(t.stream().mapToDouble(x -> Polygon.of(x).area()).sum())
          .isCloseTo(9, within(1e-9));
    }
    assertThat(Triangulation.of(Polygon.of(v(0, 0, 0), v(1, 0, 0), v(0, 1, 0)))).hasSize(1);
  }

  /** What is apart from all slabs is found as well as what lies in them. */
  @Test
  void theIndexFindsWhatIsTallOrFar() {
    List<Box> boxes =
        List.of(
            new Box(v(0, 0, 0), v(1, 1, 1)),
            new Box(v(0, 0, -500), v(1, 1, 500)),
            new Box(v(0, 0, 2e6), v(1, 1, 2e6 + 1)),
            new Box(v(0, 0, -2e6 - 1), v(1, 1, -2e6)),
            Box.EMPTY,
            new Box(v(5, 5, 2), v(6, 6, 3)));
    BoxIndex index = new BoxIndex(boxes);
    assertThat(index.meeting(new Box(v(0.5, 0.5, 0.5), v(0.6, 0.6, 0.6)))).containsExactly(0, 1);
    assertThat(index.meeting(new Box(v(0.5, 0.5, 2e6), v(0.6, 0.6, 2e6)))).containsExactly(2);
    assertThat(index.meeting(new Box(v(0.5, 0.5, -2e6), v(0.6, 0.6, -2e6)))).containsExactly(3);
    assertThat(index.meeting(new Box(v(5, 5, 400), v(6, 6, 401)))).isEmpty();
    assertThat(index.meeting(new Box(v(0, 0, -1e7), v(9, 9, 1e7)))).containsExactly(0, 1, 2, 3, 5);
    assertThat(index.meeting(Box.EMPTY)).isEmpty();
    assertThat(index.meeting(new Box(v(5, 5, -3), v(6, 6, 2)))).containsExactly(5);
  }
}
