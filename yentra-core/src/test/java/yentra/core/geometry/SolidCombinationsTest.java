package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Volumes of combined boxes by inclusion and exclusion, and meshes of many faces. */
class SolidCombinationsTest {
  private static double volume(List<Polygon> faces) {
    double sum = 0;
    for (Polygon f : faces) {
      for (Vec3[] t : Triangulation.of(f)) {
        sum += t[0].dot(t[1].cross(t[2])) / 6;
      }
    }
    return sum;
  }

  private static double[] some(Random r) {
    double x = r.nextInt(8) / 2.0;
    double y = r.nextInt(8) / 2.0;
    double z = r.nextInt(8) / 2.0;
    return new double[] {
      x,
      y,
      z,
      x + 0.5 + r.nextInt(6) / 2.0,
      y + 0.5 + r.nextInt(6) / 2.0,
      z + 0.5 + r.nextInt(6) / 2.0
    };
  }

  private static List<Polygon> of(double[] b) {
    return box(b[0], b[1], b[2], b[3], b[4], b[5]);
  }

  private static double common(double[] a, double[] b) {
    double v = 1;
    for (int k = 0; k < 3; k++) {
      v *= Math.max(0, Math.min(a[k + 3], b[k + 3]) - Math.max(a[k], b[k]));
    }
    return v;
  }

  /** Corners on a grid, so that faces often lie in one plane. */
  @Property(tries = 200)
  void volumesOfTwoBoxes(@ForAll int seed) {
    Random r = new Random(seed);
    double[] a = some(r);
    double[] b = some(r);
    double both = common(a, b);
    double va = volume(of(a));
    double vb = volume(of(b));
    assertThat(volume(SolidOverlay.intersection(of(a), of(b), TOLERANCE)))
        .isCloseTo(both, within(1e-6));
    assertThat(volume(SolidOverlay.difference(of(a), of(b), TOLERANCE)))
        .isCloseTo(va - both, within(1e-6));
    assertThat(volume(SolidOverlay.union(of(a), of(b), TOLERANCE)))
        .isCloseTo(va + vb - both, within(1e-6));
  }

  @Test
  void aUnionHasWholeFaces() {
    List<Polygon> u = SolidOverlay.union(box(0, 0, 0, 2, 2, 2), box(2, 0, 0, 4, 2, 2), TOLERANCE);
    assertThat(u).hasSize(6);
    assertThat(volume(u)).isCloseTo(16, within(1e-9));
    List<Polygon> l = SolidOverlay.union(box(0, 0, 0, 2, 2, 2), box(2, 0, 0, 4, 1, 2), TOLERANCE);
    assertThat(l).hasSize(8);
    assertThat(volume(l)).isCloseTo(12, within(1e-9));
  }

  /** Concave faces with holes are cut as well as boxes. */
  @Test
  void aFrameCutInTwo() {
    Polygon frame =
        new Polygon(
            List.of(v(0, 0, 0), v(6, 0, 0), v(6, 0, 3), v(0, 0, 3)),
            List.of(List.of(v(1, 0, 1), v(1, 0, 2), v(2, 0, 2), v(2, 0, 1))));
    List<Polygon> wall = Sweep.prism(frame, v(0, 0.3, 0));
    List<Polygon> left = SolidOverlay.intersection(wall, box(-1, -1, -1, 1.5, 1, 4), TOLERANCE);
    assertThat(volume(left)).isCloseTo(0.3 * (1.5 * 3 - 0.5), within(1e-9));
    List<Polygon> right = SolidOverlay.difference(wall, box(-1, -1, -1, 1.5, 1, 4), TOLERANCE);
    assertThat(volume(right)).isCloseTo(0.3 * (4.5 * 3 - 0.5), within(1e-9));
  }

  private static double area(FaceMesh m) {
    double sum = 0;
    for (int i = 0; i < m.triangles().length; i += 3) {
      Vec3[] t = new Vec3[3];
      for (int k = 0; k < 3; k++) {
        int at = 3 * m.triangles()[i + k];
        t[k] = v(m.vertices()[at], m.vertices()[at + 1], m.vertices()[at + 2]);
      }
      sum += t[1].minus(t[0]).cross(t[2].minus(t[0])).length() / 2;
    }
    return sum;
  }

  /** More corners than there is room for at first, each once; faces with holes and concave ones. */
  @Test
  void aMeshOfManyFaces() {
    List<Polygon> faces = new ArrayList<>();
    for (int i = 0; i < 40; i++) {
      for (int k = 0; k < 40; k++) {
        faces.add(Polygon.of(v(i, k, 0), v(i + 1, k, 0), v(i + 1, k + 1, 0), v(i, k + 1, 0)));
      }
    }
    FaceMesh m = FaceMesh.of(faces, 20);
    assertThat(m.vertices()).hasSize(41 * 41 * 3);
    assertThat(m.triangles()).hasSize(40 * 40 * 2 * 3);
    assertThat(area(m)).isCloseTo(1600, within(1e-3));
    // only the rim is an edge
    assertThat(m.edges()).hasSize(160 * 2);
  }

  @Test
  void aMeshOfAFaceWithAHole() {
    Polygon frame =
        new Polygon(
            List.of(v(0, 0, 0), v(6, 0, 0), v(6, 0, 3), v(0, 0, 3)),
            List.of(List.of(v(1, 0, 1), v(1, 0, 2), v(2, 0, 2), v(2, 0, 1))));
    FaceMesh m = FaceMesh.of(List.of(frame), 20);
    assertThat(m.vertices()).hasSize(8 * 3);
    assertThat(area(m)).isCloseTo(17, within(1e-5));
    assertThat(m.edges()).hasSize(8 * 2);
    Polygon l = Polygon.of(v(0, 0, 0), v(4, 0, 0), v(4, 1, 0), v(2, 1, 0), v(2, 3, 0), v(0, 3, 0));
    assertThat(area(FaceMesh.of(List.of(l), 20))).isCloseTo(8, within(1e-5));
    assertThat(FaceMesh.of(List.of(l), 20).edges()).hasSize(6 * 2);
    assertThat(area(FaceMesh.of(Sweep.prism(frame, v(0, 0.3, 0)), 20)))
        .isCloseTo(2 * 17 + 0.3 * (18 + 4), within(1e-4));
  }

  @Test
  void outlinesThatAreNoConvexOnes() {
    Polygon square = Polygon.of(v(0, 0, 0), v(4, 0, 0), v(4, 4, 0), v(0, 4, 0));
    // a spike out and back, a straight corner, a hole, too many corners, no area
    Polygon spike = Polygon.of(v(0, 0, 0), v(6, 0, 0), v(4, 0, 0), v(4, 4, 0), v(0, 4, 0));
    Polygon straight = Polygon.of(v(0, 0, 0), v(2, 0, 0), v(4, 0, 0), v(4, 4, 0), v(0, 4, 0));
    assertThat(ConvexClip.commonArea(square, spike)).isNaN();
    assertThat(ConvexClip.commonArea(square, straight)).isCloseTo(16, within(1e-12));
    Polygon holed =
        new Polygon(square.outer(), List.of(List.of(v(1, 1, 0), v(1, 2, 0), v(2, 2, 0))));
    assertThat(ConvexClip.commonArea(square, holed)).isNaN();
    assertThat(ConvexClip.commonArea(holed, square)).isNaN();
    List<Vec3> round = new ArrayList<>();
    for (int i = 0; i < 33; i++) {
      round.add(v(2 + Math.cos(2 * Math.PI * i / 33), 2 + Math.sin(2 * Math.PI * i / 33), 0));
    }
    assertThat(ConvexClip.commonArea(square, Polygon.of(round))).isNaN();
    assertThat(ConvexClip.commonArea(Polygon.of(round), square)).isNaN();
    Polygon most = Polygon.of(round.subList(0, 32));
    assertThat(ConvexClip.commonArea(square, most)).isCloseTo(most.area(), within(1e-9));
    // seen edge on it has no area
    Polygon upright = Polygon.of(v(0, 1, 0), v(4, 1, 0), v(4, 1, 3), v(0, 1, 3));
    double seen = ConvexClip.commonArea(square, upright);
    assertThat(Double.isNaN(seen) || seen < 1e-9).isTrue();
    // far from the origin as near
    Vec3 far = v(1e5, -2e5, 300);
    Transform t = Transform.translation(far);
    Polygon half = Polygon.of(v(2, 0, 0), v(6, 0, 0), v(6, 4, 0), v(2, 4, 0));
    assertThat(ConvexClip.commonArea(square.transformed(t), half.transformed(t)))
        .isCloseTo(8, within(1e-6));
    // twice round
    List<Vec3> star = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      double a = 4 * Math.PI * i / 5;
      star.add(v(2 + Math.cos(a), 2 + Math.sin(a), 0));
    }
    assertThat(ConvexClip.commonArea(square, Polygon.of(star))).isNaN();
  }

  @Test
  void seamsOfWhatIsNoPolygon() {
    List<Vec3> line = List.of(v(0, 0, 0), v(1, 0, 0), v(2, 0, 0));
    Polygon flat = new Polygon(line, List.of(List.of(v(0, 0, 0), v(1, 0, 0), v(0.5, 0, 0))));
    assertThat(Seam.close(flat)).isEqualTo(line);
    Polygon square = Polygon.of(v(0, 0, 0), v(4, 0, 0), v(4, 4, 0), v(0, 4, 0));
    assertThat(Seam.close(square)).isEqualTo(square.outer());
  }

  /** Ends of a turn that is not closed point outwards, whichever way it goes. */
  @Test
  void endsOfATurn() {
    Polygon region = Polygon.of(v(1, 0, 0), v(2, 0, 0), v(2, 3, 0), v(1, 3, 0));
    for (double step : new double[] {0.05, -0.05}) {
      List<java.util.function.UnaryOperator<Vec3>> places = new ArrayList<>();
      for (int i = 0; i <= 10; i++) {
        double a = step * i;
        places.add(p -> v(p.x() * Math.cos(a), p.y(), p.x() * Math.sin(a)));
      }
      List<Polygon> turn = Sweep.through(region, places, false);
      double wedge = 10 * 0.5 * Math.sin(0.05) * (4 - 1) * 3;
      assertThat(volume(turn)).isCloseTo(wedge, within(1e-9));
      assertThat(OpenEdges.find(turn, TOLERANCE)).isEmpty();
    }
  }
}
