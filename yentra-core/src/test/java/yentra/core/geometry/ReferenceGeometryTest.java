package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Closed forms of elementary geometry: prisms, pyramids, gable attics, and what Newell's method
 * must give.
 */
class ReferenceGeometryTest {
  private static final Tolerance T = Tolerance.standard();

  static Vec3 v(double x, double y, double z) {
    return new Vec3(x, y, z);
  }

  /** Outward faces of a box. */
  static List<Polygon> box(double x, double y, double z) {
    return new ArrayList<>(
        List.of(
            Polygon.of(v(0, 0, 0), v(0, y, 0), v(x, y, 0), v(x, 0, 0)),
            Polygon.of(v(0, 0, z), v(x, 0, z), v(x, y, z), v(0, y, z)),
            Polygon.of(v(0, 0, 0), v(x, 0, 0), v(x, 0, z), v(0, 0, z)),
            Polygon.of(v(x, 0, 0), v(x, y, 0), v(x, y, z), v(x, 0, z)),
            Polygon.of(v(x, y, 0), v(0, y, 0), v(0, y, z), v(x, y, z)),
            Polygon.of(v(0, y, 0), v(0, 0, 0), v(0, 0, z), v(0, y, z))));
  }

  @Test
  void areaVectorsByNewell() {
    assertThat(Polygon.of(v(0, 0, 0), v(1, 0, 0), v(0, 1, 0)).areaVector()).isEqualTo(v(0, 0, 0.5));
    Polygon oblique = Polygon.of(v(1, 2, 3), v(4, 6, 3), v(2, 1, 8));
    assertThat(oblique.area()).isCloseTo(12.980754985747, within(1e-10));
    Polygon u =
        Polygon.of(
            v(0, 0, 0),
            v(8, 0, 0),
            v(8, 6, 0),
            v(5, 6, 0),
            v(5, 4, 0),
            v(3, 4, 0),
            v(3, 6, 0),
            v(0, 6, 0));
    assertThat(u.area()).isCloseTo(44, within(1e-12));
  }

  @Test
  void farFromTheOriginNoDigitsAreLost() {
    Polygon far =
        Polygon.of(
            v(500000, 5000000, 100),
            v(500004, 5000000, 100),
            v(500004, 5000003, 100),
            v(500000, 5000003, 100));
    assertThat(far.area()).isEqualTo(12.0);
  }

  @Test
  void holesCountAsMissingWhicheverWayTheyRun() {
    List<Vec3> hole = List.of(v(1, 1, 0), v(2, 1, 0), v(2, 2, 0), v(1, 2, 0));
    List<Vec3> outer = List.of(v(0, 0, 0), v(4, 0, 0), v(4, 4, 0), v(0, 4, 0));
    assertThat(new Polygon(outer, List.of(hole)).area()).isCloseTo(15, within(1e-12));
    assertThat(new Polygon(outer, List.of(Polygon.of(hole).reversed().outer())).area())
        .isCloseTo(15, within(1e-12));
  }

  @Test
  void tiltAndAzimuth() {
    Polygon slope = Polygon.of(v(0, 0, 0), v(5, 0, 0), v(5, 4, 3), v(0, 4, 3));
    assertThat(slope.tilt()).isCloseTo(36.86989764584401, within(1e-9));
    assertThat(slope.azimuth()).isCloseTo(180, within(1e-9));
    Polygon south = box(8, 6, 2.7).get(2);
    assertThat(south.tilt()).isCloseTo(90, within(1e-9));
    assertThat(south.azimuth()).isCloseTo(180, within(1e-9));
  }

  @Test
  void aCornerLiftedByTStandsAQuarterOfTOffThePlane() {
    List<Vec3> warped = List.of(v(0, 0, 0), v(4, 0, 0), v(4, 3, 0.01), v(0, 3, 0));
    assertThat(PlaneFit.deviation(warped)).isCloseTo(0.0025, within(1e-7));
    assertThat(PlaneFit.deviation(box(4, 3, 2).get(1).outer())).isLessThan(1e-12);
  }

  @Test
  void volumesByTheDivergenceTheorem() {
    assertThat(Shell.of(box(8, 6, 2.7)).signedVolume()).isCloseTo(129.6, within(1e-9));
    List<Polygon> inside = box(1, 1, 1).stream().map(Polygon::reversed).toList();
    assertThat(Shell.of(inside).signedVolume()).isCloseTo(-1, within(1e-12));
    // square pyramid 4 x 4, height 3
    Vec3 top = v(2, 2, 3);
    List<Vec3> b = List.of(v(0, 0, 0), v(4, 0, 0), v(4, 4, 0), v(0, 4, 0));
    List<Polygon> pyramid = new ArrayList<>(List.of(Polygon.of(b).reversed()));
    for (int i = 0; i < 4; i++) {
      pyramid.add(Polygon.of(b.get(i), b.get((i + 1) % 4), top));
    }
    assertThat(Shell.of(pyramid).signedVolume()).isCloseTo(16, within(1e-9));
    assertThat(OpenEdges.find(pyramid, T)).isEmpty();
  }

  @Test
  void aFlippedFaceIsFoundThoughTheVolumeLooksRight() {
    List<Polygon> faces = box(1, 1, 1);
    faces.set(0, faces.get(0).reversed());
    Shell s = Shell.of(faces);
    assertThat(s.closureError()).isCloseTo(2, within(1e-12));
    assertThat(s.direction(faces.get(0), 0.01)).isEqualTo(-1);
    for (int i = 1; i < 6; i++) {
      assertThat(s.direction(faces.get(i), 0.01)).isEqualTo(1);
    }
    assertThat(s.outward(0.01).signedVolume()).isCloseTo(1, within(1e-12));
  }

  @Test
  void twoFacesFlippedAgainstEachOtherAreFoundThoughTheirSumIsZero() {
    List<Polygon> faces = box(3, 4, 5);
    faces.set(0, faces.get(0).reversed());
    faces.set(1, faces.get(1).reversed());
    assertThat(Shell.of(faces).closureError()).isLessThan(1e-12);
    assertThat(Shell.of(faces).outward(0.01).signedVolume()).isCloseTo(60, within(1e-9));
  }

  @Test
  void aMissingFaceIsOneHoleWithItsOutline() {
    List<Polygon> faces = box(9, 6, 3.2);
    faces.remove(1);
    List<Hole> holes = Hole.from(OpenEdges.find(faces, T), T);
    assertThat(holes).hasSize(1);
    assertThat(holes.get(0).area()).isCloseTo(54, within(1e-9));
    assertThat(holes.get(0).length()).isCloseTo(30, within(1e-9));
    assertThat(holes.get(0).closed()).isTrue();
  }

  @Test
  void twoMissingFacesSideBySideAreTwoFlatHoles() {
    List<Polygon> faces = box(9, 6, 3.2);
    faces.remove(5);
    faces.remove(1);
    List<Hole> holes = Hole.from(OpenEdges.find(faces, T), T);
    assertThat(holes)
        .extracting(h -> Math.round(h.area() * 100) / 100.0)
        .containsExactlyInAnyOrder(54.0, 19.2);
  }

  @Test
  void aSlitCountsFromTheGapToleranceOn() {
    assertThat(OpenEdges.find(withSlit(0.009), T)).isEmpty();
    List<OpenEdges.Piece> open = OpenEdges.find(withSlit(0.025), T);
    assertThat(open.stream().mapToDouble(OpenEdges.Piece::length).sum())
        .isCloseTo(6.45, within(1e-9));
    assertThat(Hole.from(open, T).get(0).area()).isCloseTo(0.08, within(1e-9));
  }

  private static List<Polygon> withSlit(double width) {
    List<Polygon> faces = box(6, 4, 3.2);
    faces.set(4, Polygon.of(v(6 - width, 4, 0), v(0, 4, 0), v(0, 4, 3.2), v(6 - width, 4, 3.2)));
    return faces;
  }

  @Test
  void aWallSplitInTwoMeetsAnUnsplitFloor() {
    List<Polygon> faces = box(6, 4, 3);
    faces.remove(2);
    faces.add(Polygon.of(v(0, 0, 0), v(2.5, 0, 0), v(2.5, 0, 3), v(0, 0, 3)));
    faces.add(Polygon.of(v(2.5, 0, 0), v(6, 0, 0), v(6, 0, 3), v(2.5, 0, 3)));
    assertThat(OpenEdges.find(faces, T)).isEmpty();
  }

  @Test
  void aFaceGivenTwiceDoesNotCloseAHole() {
    List<Polygon> faces = box(6, 4, 3);
    faces.remove(1);
    faces.add(faces.get(1));
    assertThat(OpenEdges.find(faces, T)).isNotEmpty();
  }

  @Test
  void aBowTieCrossesItselfAndABridgeToAHoleDoesNot() {
    Polygon bowTie = Polygon.of(v(0, 0, 0), v(4, 0, 0), v(0, 3, 0), v(4, 3, 0));
    assertThat(SelfIntersection.find(bowTie, T))
        .singleElement()
        .satisfies(c -> assertThat(c.distance(v(2, 1.5, 0))).isLessThan(1e-9));
    Polygon keyhole =
        Polygon.of(
            v(0, 0, 0),
            v(4, 0, 0),
            v(4, 4, 0),
            v(0, 4, 0),
            v(0, 0, 0),
            v(1, 1, 0),
            v(1, 2, 0),
            v(2, 2, 0),
            v(2, 1, 0),
            v(1, 1, 0));
    assertThat(SelfIntersection.find(keyhole, T)).isEmpty();
  }

  @Test
  void aBoxCutByASlopingSolidGivesTheGableAttic() {
    // 10 x 8 box of 3 m under two planes that meet in a ridge at 3 m: ½·W·H·L = 120
    List<Polygon> attic = SolidOverlay.difference(box(10, 8, 3), wedge(true), T);
    attic = SolidOverlay.difference(attic, wedge(false), T);
    assertThat(OpenEdges.find(attic, T)).isEmpty();
    assertThat(Shell.of(attic).signedVolume()).isCloseTo(120, within(1e-6));
    assertThat(attic).hasSize(5);
  }

  /** What lies above one slope of a gable roof, y from the eaves to beyond the ridge. */
  private static List<Polygon> wedge(boolean south) {
    List<Vec3> section =
        south
            ? List.of(v(-1, -4, -3), v(-1, 4, 3), v(-1, 4, 9), v(-1, -4, 9))
            : List.of(v(-1, 4, 3), v(-1, 12, -3), v(-1, 12, 9), v(-1, 4, 9));
    Polygon base = Polygon.of(section);
    Polygon toward = base.normal().x() > 0 ? base : base.reversed();
    List<Polygon> faces =
        new ArrayList<>(
            List.of(toward.reversed(), toward.transformed(Transform.translation(v(12, 0, 0)))));
    for (int i = 0; i < 4; i++) {
      Vec3 a = toward.outer().get(i);
      Vec3 b = toward.outer().get((i + 1) % 4);
      faces.add(Polygon.of(a, b, b.plus(v(12, 0, 0)), a.plus(v(12, 0, 0))));
    }
    return faces;
  }
}
