package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import yentra.core.geometry.SolidProbe.Crossing;

/**
 * Stretches of lines in bodies whose insides are known by other means: boxes, an L, a tetrahedron.
 */
class SolidProbeTest {
  private static final Vec3 X = v(1, 0, 0);
  private static final Vec3 Y = v(0, 1, 0);
  private static final Vec3 Z = v(0, 0, 1);

  private static final SolidProbe BOX = new SolidProbe(box(0, 0, 0, 4, 3, 2));

  /** Floor plan of an L, 4 x 3 m with a quarter of 2 x 1.5 m cut out, 2 m high. */
  private static SolidProbe lShape() {
    Polygon plan =
        Polygon.of(v(0, 0, 0), v(4, 0, 0), v(4, 1.5, 0), v(2, 1.5, 0), v(2, 3, 0), v(0, 3, 0));
    return new SolidProbe(Sweep.prism(plan, v(0, 0, 2)));
  }

  @Test
  void aLineThroughABoxGoesInAndOut() {
    assertThat(BOX.crossings(v(-1, 1, 1), X))
        .extracting(Crossing::at, Crossing::entering)
        .containsExactly(tuple(1.0, true), tuple(5.0, false));
    assertThat(BOX.crossings(v(1, 10, 1), Y.times(-1)))
        .extracting(Crossing::at)
        .containsExactly(7.0, 10.0);
    assertThat(BOX.crossings(v(1, 1, -3), Z)).extracting(Crossing::at).containsExactly(3.0, 5.0);
    // behind the origin too
    assertThat(BOX.crossings(v(5, 1, 1), X)).extracting(Crossing::at).containsExactly(-5.0, -1.0);
    // the faces that are met: east of a box is its fourth, west its sixth
    assertThat(BOX.crossings(v(-1, 1, 1), X)).extracting(Crossing::face).containsExactly(5, 3);
  }

  @Test
  void aLineBesideABoxMeetsNothing() {
    assertThat(BOX.crossings(v(-1, 3.5, 1), X)).isEmpty();
    assertThat(BOX.crossings(v(-1, -0.5, 1), X)).isEmpty();
    assertThat(BOX.crossings(v(-1, 1, 2.5), X)).isEmpty();
    assertThat(BOX.crossings(v(-1, 1, -0.5), X)).isEmpty();
    assertThat(BOX.stretches(v(-1, 3.5, 1), X, 1e-6)).isEmpty();
  }

  @Test
  void aBlockLiesBetweenTheTwoDistances() {
    assertThat(BOX.blocks(v(-1, 1, 1), X, 0, 1.5)).isTrue();
    assertThat(BOX.blocks(v(-1, 1, 1), X, 0, 0.5)).isFalse();
    assertThat(BOX.blocks(v(-1, 1, 1), X, 1.5, 4.5)).isFalse();
    assertThat(BOX.blocks(v(-1, 1, 1), X, 1.5, 5.5)).isTrue();
    assertThat(BOX.blocks(v(-1, 1, 1), X, 5.5, 99)).isFalse();
    // the ends do not belong to it
    assertThat(BOX.blocks(v(-1, 1, 1), X, 1, 5)).isFalse();
    assertThat(BOX.blocks(v(1, 1, 9), Z.times(-1), 0, 8)).isTrue();
    assertThat(BOX.blocks(v(1, 9, 1), Y.times(-1), 0, 8)).isTrue();
    assertThat(BOX.blocks(v(1, 9, 1), Y.times(-1), 0, 5)).isFalse();
  }

  @Test
  void stretchesOfABodyThatTurnsBack() {
    SolidProbe l = lShape();
    assertThat(l.stretches(v(3, -1, 1), Y, 1e-6)).containsExactly(1.0, 2.5);
    assertThat(l.stretches(v(1, -1, 1), Y, 1e-6)).containsExactly(1.0, 4.0);
    // past the inner corner: through one leg only
    double[] s = l.stretches(v(-1, 2, 1), X, 1e-6);
    assertThat(s).hasSize(2);
    assertThat(s[1]).isCloseTo(3, within(1e-12));
  }

  @Test
  void twoBodiesSideBySideAreOneStretch() {
    List<Polygon> faces = new ArrayList<>(box(0, 0, 0, 1, 1, 1));
    faces.addAll(box(1, 0, 0, 3, 1, 1));
    SolidProbe p = new SolidProbe(faces);
    assertThat(p.stretches(v(-1, 0.5, 0.5), X, 1e-6)).containsExactly(1.0, 4.0);
    faces.addAll(box(3.001, 0, 0, 4, 1, 1));
    SolidProbe apart = new SolidProbe(faces);
    assertThat(apart.stretches(v(-1, 0.5, 0.5), X, 1e-6))
        .containsExactly(new double[] {1, 4, 4.001, 5}, within(1e-9));
    assertThat(apart.stretches(v(-1, 0.5, 0.5), X, 0.01))
        .containsExactly(new double[] {1, 5}, within(1e-9));
  }

  @Test
  void aWallWithoutOneFaceIsOneFromItsFirstToItsLast() {
    List<Polygon> open = new ArrayList<>(box(0, 0, 0, 4, 0.3, 3));
    open.addAll(box(0, 0.6, 0, 4, 1, 3));
    open.remove(4); // north face of the first leaf
    SolidProbe p = new SolidProbe(open);
    assertThat(p.stretches(v(2, -1, 1), Y, 1e-6)).containsExactly(1.0, 2.0);
    SolidProbe one = new SolidProbe(List.of(box(0, 0, 0, 4, 0.3, 3).get(2)));
    assertThat(one.stretches(v(2, -1, 1), Y, 1e-6)).isEmpty();
  }

  @Test
  void aFaceWithAHoleLetsThrough() {
    Polygon wall =
        new Polygon(
            List.of(v(0, 0, 0), v(4, 0, 0), v(4, 0, 3), v(0, 0, 3)),
            List.of(List.of(v(1, 0, 1), v(1, 0, 2), v(2, 0, 2), v(2, 0, 1))));
    SolidProbe p = new SolidProbe(Sweep.prism(wall, v(0, 0.3, 0)));
    assertThat(p.crossings(v(1.5, -1, 1.5), Y)).isEmpty();
    assertThat(p.stretches(v(3, -1, 1.5), Y, 1e-6))
        .containsExactly(new double[] {1, 1.3}, within(1e-12));
    assertThat(p.contains(v(1.5, 0.15, 1.5))).isFalse();
    assertThat(p.contains(v(2.5, 0.15, 1.5))).isTrue();
  }

  @Test
  void facesWithoutAnAreaCountNot() {
    List<Polygon> faces = new ArrayList<>();
    faces.add(Polygon.of(v(0, 0, 0), v(1, 0, 0), v(2, 0, 0)));
    faces.addAll(box(0, 0, 0, 4, 3, 2));
    SolidProbe p = new SolidProbe(faces);
    assertThat(p.faces()).hasSize(6);
    assertThat(p.box()).isEqualTo(BOX.box());
    assertThat(new SolidProbe(List.of()).box().isEmpty()).isTrue();
  }

  @Property(tries = 300)
  void aTetrahedronHoldsWhatIsUnderItsSlope(@ForAll int seed) {
    Random r = new Random(seed);
    SolidProbe t =
        new SolidProbe(
            List.of(
                Polygon.of(v(0, 0, 0), v(0, 3, 0), v(3, 0, 0)),
                Polygon.of(v(0, 0, 0), v(3, 0, 0), v(0, 0, 3)),
                Polygon.of(v(0, 0, 0), v(0, 0, 3), v(0, 3, 0)),
                Polygon.of(v(3, 0, 0), v(0, 3, 0), v(0, 0, 3))));
    Vec3 p = v(r.nextDouble() * 3.2, r.nextDouble() * 3.2, r.nextDouble() * 3.2);
    double slope = p.x() + p.y() + p.z() - 3;
    if (Math.abs(slope) > 1e-5) {
      assertThat(t.contains(p)).isEqualTo(slope < 0);
    }
    assertThat(t.contains(p.times(-1))).isFalse();
  }

  /** In any direction, a line within a box is as long as the slabs of its three sides leave it. */
  @Property(tries = 300)
  void linesOfAnyDirectionThroughABox(@ForAll int seed) {
    Random r = new Random(seed);
    Vec3 d = v(r.nextDouble() * 2 - 1, r.nextDouble() * 2 - 1, r.nextDouble() * 2 - 1).unit();
    if (Math.min(Math.abs(d.x()), Math.min(Math.abs(d.y()), Math.abs(d.z()))) < 0.01) {
      return;
    }
    Vec3 o = v(r.nextDouble() * 6 - 1, r.nextDouble() * 5 - 1, r.nextDouble() * 4 - 1);
    double near = Double.NEGATIVE_INFINITY;
    double far = Double.POSITIVE_INFINITY;
    double[][] slabs = {{o.x(), d.x(), 4}, {o.y(), d.y(), 3}, {o.z(), d.z(), 2}};
    for (double[] s : slabs) {
      double a = -s[0] / s[1];
      double b = (s[2] - s[0]) / s[1];
      near = Math.max(near, Math.min(a, b));
      far = Math.min(far, Math.max(a, b));
    }
    double[] s = BOX.stretches(o, d, 1e-9);
    if (far - near > 1e-6) {
      assertThat(s).containsExactly(new double[] {near, far}, within(1e-9));
      assertThat(BOX.contains(o)).isEqualTo(near < 0 && far > 0);
      assertThat(BOX.crossings(o, d)).extracting(Crossing::entering).containsExactly(true, false);
    } else if (near - far > 1e-6) {
      assertThat(s).isEmpty();
    }
  }
}
