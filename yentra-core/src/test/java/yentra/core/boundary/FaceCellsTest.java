package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/** A wall of 4 × 3 m that looks to −y, and what stands before it: cut where something begins. */
class FaceCellsTest {
  private static final double SAME = 0.01;

  private static Vec3 p(double x, double y, double z) {
    return new Vec3(x, y, z);
  }

  private static final Polygon WALL = upright(0, 0, 4, 3);

  /** A rectangle in the plane y = 0. */
  private static Polygon upright(double x, double z, double width, double height) {
    return Polygon.of(
        p(x, 0, z), p(x + width, 0, z), p(x + width, 0, z + height), p(x, 0, z + height));
  }

  /** Lower left part of a wall and all of its left: 4 × 3 m without the upper right 2 × 1 m. */
  private static final Polygon CORNER =
      Polygon.of(p(0, 0, 0), p(4, 0, 0), p(4, 0, 2), p(2, 0, 2), p(2, 0, 3), p(0, 0, 3));

  private static FaceCells before(Polygon face) {
    return new FaceCells(face, -0.1, 0.3, new double[] {0.05}, SAME);
  }

  /** A thin plate across the wall at x, from y = −depth to the wall. */
  private static Polygon plate(double x, double depth) {
    return Polygon.of(p(x, 0, -1), p(x, -depth, -1), p(x, -depth, 4), p(x, 0, 4));
  }

  private static List<Double> areas(FaceCells f) {
    List<Double> out =
        new ArrayList<>(f.cells().stream().map(c -> c.outline().getArea()).sorted().toList());
    out.replaceAll(a -> Math.round(a * 1e4) / 1e4);
    return out;
  }

  private static List<Double> cut(Polygon face, Polygon... by) {
    FaceCells f = before(face);
    f.add(List.of(by));
    return areas(f);
  }

  @Test
  void aFaceIsOneCellWhereNothingStandsBeforeIt() {
    assertThat(areas(before(WALL))).containsExactly(12.0);
  }

  @Test
  void itIsCutWhereSomethingBegins() {
    assertThat(cut(WALL, plate(1.5, 0.2))).containsExactly(4.5, 7.5);
    assertThat(cut(WALL, plate(1.5, 0.2), plate(1.5, 0.1), plate(3, 0.2)))
        .containsExactly(3.0, 4.5, 4.5);
  }

  @Test
  void whatIsTooFarBeforeOrBehindCutsNothing() {
    Polygon far = Polygon.of(p(1, -0.31, -1), p(1, -0.5, -1), p(1, -0.5, 4), p(1, -0.31, 4));
    Polygon behind = Polygon.of(p(1, 0.11, -1), p(1, 0.5, -1), p(1, 0.5, 4), p(1, 0.11, 4));
    assertThat(cut(WALL, far, behind)).containsExactly(12.0);
    Polygon just = Polygon.of(p(1, -0.29, -1), p(1, -0.5, -1), p(1, -0.5, 4), p(1, -0.29, 4));
    assertThat(cut(WALL, just)).containsExactly(3.0, 9.0);
  }

  /** Of an edge that comes nearer, what is near enough: here just as much as crosses the wall. */
  @Test
  void ofASlopingEdgeOnlyTheNearPartCuts() {
    // at z = 0 it is 0.3 m before the wall, at z = 3 it is 0.1 m behind
    double slope = 0.4 / 3;
    Vec3 low = p(1, -0.3 - slope, -1);
    Vec3 high = p(1, 0.1 + slope, 4);
    assertThat(edges(Polygon.of(low, high, p(1, 5, 1.5)))).containsExactly(3.0, 9.0);
    // the same edge where it leaves that range within the wall does not cut it through
    Vec3 lowFar = p(1, -0.3 - 2 * slope, -1);
    Vec3 highFar = p(1, 0.1 + 3 * slope, 6);
    assertThat(edges(Polygon.of(lowFar, highFar, p(1, 5, 1.5)))).containsExactly(12.0);
  }

  /** Cut by edges alone. */
  private static List<Double> edges(Polygon by) {
    FaceCells f = new FaceCells(WALL, -0.1, 0.3, new double[0], SAME);
    f.add(List.of(by));
    return areas(f);
  }

  @Test
  void whatSlopesCutsWhereItPassesTheDepth() {
    // a ramp from the wall's foot at x = 0 outwards: 0.05 m before the wall at x = 2
    Polygon ramp = Polygon.of(p(0, 0, -1), p(40, -1, -1), p(40, -1, 5), p(0, 0, 5));
    assertThat(cut(WALL, ramp)).containsExactly(6.0, 6.0);
  }

  @Test
  void aSheetCutsWhereItPassesThePlane() {
    FaceCells f = before(WALL);
    f.addSurface(Polygon.of(p(3, -1, -1), p(3, 1, -1), p(3, 1, 4), p(3, -1, 4)));
    assertThat(areas(f)).containsExactly(3.0, 9.0);
  }

  @Test
  void aLevelCutsUprightFacesWithinTheirHeight() {
    FaceCells f = before(WALL);
    f.addLevel(1);
    f.addLevel(3);
    f.addLevel(0);
    f.addLevel(-2);
    assertThat(areas(f)).containsExactly(4.0, 8.0);
    FaceCells flat = before(Polygon.of(p(0, 0, 1), p(4, 0, 1), p(4, 3, 1), p(0, 3, 1)));
    flat.addLevel(1);
    assertThat(areas(flat)).containsExactly(12.0);
  }

  @Test
  void aLineAlongTheOutlineLeavesNoSliver() {
    assertThat(cut(WALL, plate(0.4 * SAME, 0.2))).containsExactly(12.0);
    assertThat(cut(WALL, plate(4 - 0.4 * SAME, 0.2))).containsExactly(12.0);
    assertThat(cut(WALL, plate(-0.4 * SAME, 0.2))).containsExactly(12.0);
    assertThat(cut(WALL, plate(3 * SAME, 0.2))).containsExactly(0.09, 11.91);
    FaceCells f = before(WALL);
    f.addLevel(0.4 * SAME);
    f.addLevel(3 - 0.4 * SAME);
    assertThat(areas(f)).containsExactly(12.0);
  }

  /** The side of a notch goes on as a cut through the rest of the face. */
  @Test
  void aLineOnASideThatGoesOnCuts() {
    assertThat(cut(CORNER, plate(2, 0.2))).containsExactly(4.0, 6.0);
    // but not one that ends with it
    Polygon side = Polygon.of(p(2, 0, 2), p(2, -0.2, 2), p(2, -0.2, 3), p(2, 0, 3));
    assertThat(cut(CORNER, side)).containsExactly(10.0);
    FaceCells level = before(CORNER);
    level.addLevel(2);
    assertThat(areas(level)).containsExactly(2.0, 8.0);
  }

  @Test
  void aHoleIsNoCell() {
    Polygon holed =
        new Polygon(WALL.outer(), List.of(List.of(p(1, 0, 1), p(1, 0, 2), p(3, 0, 2), p(3, 0, 1))));
    assertThat(cut(holed)).containsExactly(10.0);
    assertThat(cut(holed, plate(2, 0.2))).containsExactly(5.0, 5.0);
    // the side of the hole goes on too
    assertThat(cut(holed, plate(1, 0.2))).containsExactly(3.0, 7.0);
  }

  @Test
  void cellsComeInOrderWithAPlaceWithin() {
    FaceCells f = before(WALL);
    f.add(List.of(plate(3, 0.2), plate(1, 0.2)));
    List<FaceCells.Cell> cells = f.cells();
    assertThat(cells).hasSize(3);
    double last = 0;
    double[] from = {0, 1, 3, 4};
    for (int i = 0; i < 3; i++) {
      Vec3 in = cells.get(i).inside();
      assertThat(in.x()).isGreaterThan(last).isBetween(from[i], from[i + 1]);
      assertThat(in.y()).isCloseTo(0, within(1e-9));
      assertThat(in.z()).isBetween(0.0, 3.0);
      last = in.x();
    }
  }

  /** So many edges in one place that cells would be dust: the face is left whole. */
  @Test
  void aTangleIsNotCutUp() {
    FaceCells few = before(WALL);
    few.add(List.of(plate(1, 0.2)));
    assertThat(few.tangled()).isFalse();
    // 700 lines of which half cross half: 122,500 crossings
    FaceCells tangle = before(WALL);
    for (int i = 1; i <= 350; i++) {
      tangle.addLevel(3.0 * i / 351);
      tangle.add(List.of(plate(4.0 * i / 351, 0.2)));
    }
    assertThat(tangle.tangled()).isTrue();
    assertThat(areas(tangle)).containsExactly(12.0);
    // as many that lie side by side
    FaceCells lined = before(WALL);
    for (int i = 1; i <= 700; i++) {
      lined.addLevel(3.0 * i / 701);
    }
    assertThat(lined.tangled()).isFalse();
    // but for two at either end that lie along the outline
    assertThat(lined.cells()).hasSize(697);
  }
}
