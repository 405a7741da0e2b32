package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.v;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Polygons in one plane: frames, overlay, straightening, points inside, triangles, holes of several
 * planes.
 */
class PlanarTest {
  private static final Tolerance T = Tolerance.standard();

  /** A rectangle in a plane of any tilt and azimuth, its lower left corner at a point. */
  private static Polygon tilted(
      double tilt, double azimuth, double width, double height, double right, double up) {
    double a = Math.toRadians(azimuth);
    double t = Math.toRadians(tilt);
    Vec3 n = new Vec3(Math.sin(a) * Math.sin(t), Math.cos(a) * Math.sin(t), Math.cos(t));
    PlaneFrame f = PlaneFrame.of(new Plane(v(7, -3, 2), n));
    Vec3 o = f.origin().plus(f.u().times(right)).plus(f.v().times(up));
    return Polygon.of(
        o,
        o.plus(f.u().times(width)),
        o.plus(f.u().times(width)).plus(f.v().times(height)),
        o.plus(f.v().times(height)));
  }

  @ParameterizedTest
  @CsvSource({"90,0", "90,90", "90,217", "30,180", "61,12.5", "120,300", "0.5,45", "179,10"})
  void tiltAndAzimuthComeBack(double tilt, double azimuth) {
    Polygon p = tilted(tilt, azimuth, 4, 3, 0, 0);
    assertThat(p.tilt()).isCloseTo(tilt, within(1e-9));
    assertThat(p.azimuth()).isCloseTo(azimuth, within(1e-6));
    assertThat(p.area()).isCloseTo(12, within(1e-9));
    assertThat(p.reversed().tilt()).isCloseTo(180 - tilt, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"90,0", "90,133", "35,200", "0,0", "180,0"})
  void overlayDoesNotDependOnThePlane(double tilt, double azimuth) {
    Polygon wall = tilted(tilt, azimuth, 6, 3, 0, 0);
    Polygon window = tilted(tilt, azimuth, 2, 1, 5, 1);
    assertThat(PlanarOverlay.commonArea(wall, window)).isCloseTo(1, within(1e-9));
    assertThat(PlanarOverlay.areaOutside(window, wall)).isCloseTo(1, within(1e-9));
    List<Polygon> inside = PlanarOverlay.intersection(wall, window);
    assertThat(inside).hasSize(1);
    assertThat(inside.get(0).normal().dot(wall.normal())).isCloseTo(1, within(1e-9));
    List<Polygon> left = PlanarOverlay.difference(wall, window);
    assertThat(left.stream().mapToDouble(Polygon::area).sum()).isCloseTo(17, within(1e-9));
    assertThat(PlanarOverlay.union(List.of(wall, window)).get(0).area())
        .isCloseTo(19, within(1e-5));
  }

  @Test
  void aHoleInTheMiddleStaysAHole() {
    Polygon wall = tilted(90, 180, 6, 3, 0, 0);
    List<Polygon> left = PlanarOverlay.difference(wall, tilted(90, 180, 2, 1, 2, 1));
    assertThat(left).hasSize(1);
    assertThat(left.get(0).holes()).hasSize(1);
    assertThat(left.get(0).area()).isCloseTo(16, within(1e-9));
    assertThat(Triangulation.of(left.get(0)).stream().mapToDouble(t -> Polygon.of(t).area()).sum())
        .isCloseTo(16, within(1e-9));
  }

  @Test
  void polygonsThatOnlyTouchShareNoArea() {
    assertThat(PlanarOverlay.commonArea(tilted(90, 0, 2, 2, 0, 0), tilted(90, 0, 2, 2, 2, 0)))
        .isZero();
    assertThat(PlanarOverlay.intersection(tilted(90, 0, 2, 2, 0, 0), tilted(90, 0, 2, 2, 2, 0)))
        .isEmpty();
  }

  @Test
  void framesOfWallsHaveAPersonsLeftAndUp() {
    PlaneFrame f = PlaneFrame.of(tilted(90, 180, 4, 3, 0, 0).plane());
    // who looks north at a south wall has east on the right
    assertThat(f.u().distance(Vec3.X)).isLessThan(1e-9);
    assertThat(f.v().distance(Vec3.Z)).isLessThan(1e-9);
    assertThat(f.u().cross(f.v()).distance(f.n())).isLessThan(1e-9);
  }

  @Test
  void straighteningTakesOnlyWhatLiesOnALine() {
    Polygon p = Polygon.of(v(0, 0, 0), v(2, 0, 0), v(4, 0, 0), v(4, 2, 0), v(4, 3, 0), v(0, 3, 0));
    assertThat(Straightening.of(p, T).outer())
        .containsExactly(v(0, 0, 0), v(4, 0, 0), v(4, 3, 0), v(0, 3, 0));
    Polygon bent = Polygon.of(v(0, 0, 0), v(2, -0.01, 0), v(4, 0, 0), v(4, 3, 0));
    assertThat(Straightening.of(bent, T)).isEqualTo(bent);
    Polygon triangle = Polygon.of(v(0, 0, 0), v(1, 0, 0), v(2, 0, 0));
    assertThat(Straightening.of(triangle, T).outer()).hasSize(3);
  }

  @Test
  void aPointInsideAUShapeIsInside() {
    Polygon u =
        Polygon.of(
            v(0, 0, 0),
            v(8, 0, 0),
            v(8, 6, 0),
            v(5, 6, 0),
            v(5, 1, 0),
            v(3, 1, 0),
            v(3, 6, 0),
            v(0, 6, 0));
    Vec3 p = InteriorPoint.of(u);
    PlaneFrame f = PlaneFrame.of(u.plane());
    assertThat(
            f.project(u)
                .contains(new org.locationtech.jts.geom.GeometryFactory().createPoint(f.to2d(p))))
        .isTrue();
    assertThat(InteriorPoint.of(Polygon.of(v(0, 0, 0), v(1, 0, 0), v(2, 0, 0))))
        .isEqualTo(v(1, 0, 0));
  }

  @Test
  void threeMissingFacesAroundACornerStayOneOutlineThatIsNotFlat() {
    List<Polygon> faces = new java.util.ArrayList<>(ReferenceGeometryTest.box(4, 5, 3));
    faces.removeAll(List.of(faces.get(1), faces.get(2), faces.get(3)));
    List<Hole> holes = Hole.from(OpenEdges.find(faces, T), T);
    // the corner itself is gone, so no chord cuts the outline into flat parts
    assertThat(holes).hasSize(1);
    assertThat(holes.get(0).outline()).hasSize(6);
    assertThat(holes.get(0).length()).isCloseTo(2 * (4 + 5 + 3), within(1e-9));
    assertThat(PlaneFit.deviation(holes.get(0).outline())).isGreaterThan(1);
  }

  @Test
  void twoHolesApartAreTwo() {
    List<Polygon> faces = new java.util.ArrayList<>(ReferenceGeometryTest.box(4, 5, 3));
    faces.removeAll(List.of(faces.get(2), faces.get(4)));
    assertThat(Hole.from(OpenEdges.find(faces, T), T))
        .extracting(h -> Math.round(h.area()))
        .containsExactly(12L, 12L);
  }

  @Test
  void transformsComposeAndMirrorsAreKnown() {
    Transform turn = new Transform(Vec3.Y, Vec3.X.negated(), Vec3.Z, v(1, 2, 3));
    Transform shift = Transform.translation(v(10, 0, 0));
    assertThat(turn.after(shift).apply(v(1, 1, 1))).isEqualTo(turn.apply(shift.apply(v(1, 1, 1))));
    assertThat(turn.mirrors()).isFalse();
    assertThat(new Transform(Vec3.X.negated(), Vec3.Y, Vec3.Z, Vec3.ZERO).mirrors()).isTrue();
    assertThat(turn.direction(Vec3.X)).isEqualTo(Vec3.Y);
  }

  @Test
  void boxes() {
    Box b = Box.of(List.of(v(1, 2, 3), v(-1, 5, 0)));
    assertThat(b.min()).isEqualTo(v(-1, 2, 0));
    assertThat(b.max()).isEqualTo(v(1, 5, 3));
    assertThat(b.intersects(b.grown(-0.4))).isTrue();
    assertThat(b.intersects(Box.of(List.of(v(1.5, 2, 0), v(2, 3, 1))))).isFalse();
    assertThat(Box.EMPTY.isEmpty()).isTrue();
    assertThat(Box.EMPTY.union(b)).isEqualTo(b);
    assertThat(Box.EMPTY.diagonal()).isZero();
  }

  @Test
  void aToleranceMustBeAboveZero() {
    assertThatThrownBy(() -> new Tolerance(0, 0.01, 0.005, 1))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Tolerance(0.001, Double.NaN, 0.005, 1))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** What counts as equal, unless a project says otherwise; docs and findings quote these. */
  @Test
  void theStandardToleranceIsWhatIsDocumented() {
    assertThat(Tolerance.standard()).isEqualTo(new Tolerance(0.001, 0.010, 0.005, 1.0));
    assertThatThrownBy(() -> new Tolerance(0.001, 0, 0.005, 1)).hasMessageContaining("above zero");
  }
}
