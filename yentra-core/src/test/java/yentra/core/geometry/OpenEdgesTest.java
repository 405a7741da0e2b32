package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What of a shell's edges has no other face, and the holes that it outlines. */
class OpenEdgesTest {
  private static List<Polygon> without(List<Polygon> faces, int... gone) {
    List<Polygon> out = new ArrayList<>(faces);
    for (int i = gone.length - 1; i >= 0; i--) {
      out.remove(gone[i]);
    }
    return out;
  }

  private static double length(List<OpenEdges.Piece> pieces) {
    return pieces.stream().mapToDouble(OpenEdges.Piece::length).sum();
  }

  private static List<Hole> holes(List<Polygon> faces) {
    return Hole.from(OpenEdges.find(faces, TOLERANCE), TOLERANCE);
  }

  /** Whatever side is the longest, along which edges are looked for. */
  @ParameterizedTest
  @CsvSource({"9,4,3", "4,9,3", "4,3,9", "5,5,5", "5,5,9", "9,5,5", "5,9,5"})
  void eachFaceOfABoxThatIsMissingIsItsOutline(double x, double y, double z) {
    List<Polygon> faces = box(-3, -2, -1, x - 3, y - 2, z - 1);
    assertThat(OpenEdges.find(faces, TOLERANCE)).isEmpty();
    for (int i = 0; i < 6; i++) {
      List<Polygon> open = without(faces, i);
      assertThat(length(OpenEdges.find(open, TOLERANCE)))
          .isCloseTo(faces.get(i).perimeter(), within(1e-9));
      List<Hole> holes = holes(open);
      assertThat(holes).hasSize(1);
      assertThat(holes.get(0).closed()).isTrue();
      assertThat(holes.get(0).outline()).hasSize(4);
      assertThat(holes.get(0).area()).isCloseTo(faces.get(i).area(), within(1e-9));
      assertThat(holes.get(0).length()).isCloseTo(faces.get(i).perimeter(), within(1e-9));
    }
  }

  @Test
  void nothingIsOpenOfNothing() {
    assertThat(OpenEdges.find(List.of(), TOLERANCE)).isEmpty();
    assertThat(holes(List.of())).isEmpty();
  }

  @Test
  void piecesRunAsTheirFaceDoes() {
    Polygon floor = box(0, 0, 0, 4, 3, 2).get(0);
    List<OpenEdges.Piece> all = OpenEdges.find(List.of(floor), TOLERANCE);
    assertThat(all).hasSize(4);
    for (int i = 0; i < 4; i++) {
      assertThat(all.get(i).from()).isEqualTo(floor.outer().get(i));
      assertThat(all.get(i).to()).isEqualTo(floor.outer().get((i + 1) % 4));
      assertThat(all.get(i).face()).isZero();
    }
  }

  /**
   * A wall of half the length leaves the other half of the edge open, and what it leaves itself.
   */
  @Test
  void halfAnEdgeIsOpen() {
    List<Polygon> faces = new ArrayList<>(box(0, 0, 0, 4, 3, 2));
    faces.set(2, Polygon.of(v(0, 0, 0), v(2.5, 0, 0), v(2.5, 0, 2), v(0, 0, 2)));
    List<OpenEdges.Piece> open = OpenEdges.find(faces, TOLERANCE);
    assertThat(length(open)).isCloseTo(1.5 + 1.5 + 2 + 2, within(1e-9));
    List<Hole> holes = holes(faces);
    assertThat(holes).hasSize(1);
    assertThat(holes.get(0).area()).isCloseTo(3, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"0.9, 0", "1.1, 1"})
  void aStepUpToTheGapToleranceCloses(double share, int holes) {
    double d = TOLERANCE.gap() * share;
    List<Polygon> faces = new ArrayList<>(box(0, 0, 0, 4, 3, 2));
    faces.set(1, Polygon.of(v(0, 0, 2 + d), v(4, 0, 2 + d), v(4, 3, 2 + d), v(0, 3, 2 + d)));
    assertThat(OpenEdges.find(faces, TOLERANCE).isEmpty()).isEqualTo(holes == 0);
  }

  /** An edge that leans away is beside the other for the part that is near enough. */
  @Test
  void anEdgeThatLeansAwayDoesNotCover() {
    List<Polygon> faces = new ArrayList<>(box(0, 0, 0, 4, 3, 2));
    faces.set(2, Polygon.of(v(0, 0, 0), v(4, -0.5, 0), v(4, -0.5, 2), v(0, 0, 2)));
    assertThat(length(OpenEdges.find(faces, TOLERANCE))).isGreaterThan(10);
  }

  /** Two faces of one plane that both lie to the same side of an edge are one face given twice. */
  @Test
  void aFaceGivenTwiceCoversNothing() {
    Polygon floor = box(0, 0, 0, 4, 3, 2).get(0);
    assertThat(OpenEdges.find(List.of(floor, floor.reversed()), TOLERANCE)).isNotEmpty();
  }

  /** Whichever way the hole of a face runs, the reveal closes it. */
  @Test
  void holesInFacesAreEdgesToo() {
    List<Vec3> hole = List.of(v(1, 0, 0.5), v(1, 0, 1.5), v(2, 0, 1.5), v(2, 0, 0.5));
    List<Vec3> back = List.of(v(2, 0, 0.5), v(2, 0, 1.5), v(1, 0, 1.5), v(1, 0, 0.5));
    for (List<Vec3> ring : List.of(hole, back)) {
      List<Polygon> faces = new ArrayList<>(box(0, 0, 0, 4, 3, 2));
      faces.set(2, new Polygon(faces.get(2).outer(), List.of(ring)));
      List<Hole> open = holes(faces);
      assertThat(open).hasSize(1);
      assertThat(open.get(0).area()).isCloseTo(1, within(1e-9));
      // a niche of 1 x 1 x 0.3 m into the body
      List<Polygon> niche = new ArrayList<>(faces);
      box(1, 0, 0.5, 2, 0.3, 1.5).forEach(p -> niche.add(p.reversed()));
      niche.remove(6 + 2);
      assertThat(OpenEdges.find(niche, TOLERANCE)).isEmpty();
    }
  }

  @Test
  void edgesOfTheSameStartAreAllFound() {
    // two boxes, one on the other: many edges begin at one place along the axis
    List<Polygon> faces = new ArrayList<>(box(0, 0, 0, 6, 3, 2));
    faces.addAll(box(0, 0, 2, 6, 3, 4));
    assertThat(OpenEdges.find(faces, TOLERANCE)).isEmpty();
    List<Polygon> open = without(faces, 1);
    assertThat(OpenEdges.find(without(open, 5), TOLERANCE)).isEmpty();
  }

  @Test
  void twoMissingFacesThatMeetAtAnEdge() {
    List<Polygon> faces = without(box(0, 0, 0, 4, 3, 2), 1, 2);
    List<Hole> holes = holes(faces);
    assertThat(holes).hasSize(2);
    assertThat(holes).extracting(h -> Math.round(h.area())).containsExactlyInAnyOrder(12L, 8L);
    assertThat(holes).allSatisfy(h -> assertThat(h.closed()).isTrue());
  }

  @Test
  void twoMissingFacesThatMeetInACornerOnly() {
    // roofs of two boxes that touch along nothing but an edge point
    List<Polygon> faces = new ArrayList<>(without(box(0, 0, 0, 2, 2, 2), 1));
    faces.addAll(without(box(2, 2, 0, 4, 4, 2), 1));
    List<Hole> holes = holes(faces);
    assertThat(holes).hasSize(2);
    assertThat(holes)
        .allSatisfy(
            h -> {
              assertThat(h.area()).isCloseTo(4, within(1e-9));
              assertThat(h.length()).isCloseTo(8, within(1e-9));
            });
  }

  /** Where several pieces meet, the walk goes on in the plane of the last two. */
  @Test
  void threeMissingFacesOfOneCorner() {
    List<Hole> holes = holes(without(box(0, 0, 0, 4, 3, 2), 1, 2, 3));
    assertThat(holes).hasSize(1);
    assertThat(holes.get(0).outline()).hasSize(6);
    assertThat(holes.get(0).length()).isCloseTo(2 * (4 + 3 + 2), within(1e-9));
  }

  @Test
  void aChainThatDoesNotCloseIsShutByALine() {
    List<OpenEdges.Piece> chain =
        List.of(
            new OpenEdges.Piece(v(4, 0, 0), v(4, 3, 0), 1),
            new OpenEdges.Piece(v(0, 0, 0), v(4, 0, 0), 0),
            new OpenEdges.Piece(v(4, 3, 0), v(0, 3, 0), 2));
    List<Hole> holes = Hole.from(chain, TOLERANCE);
    assertThat(holes).hasSize(1);
    Hole h = holes.get(0);
    assertThat(h.closed()).isFalse();
    assertThat(h.length()).isCloseTo(11, within(1e-12));
    assertThat(h.area()).isCloseTo(12, within(1e-12));
    assertThat(h.outline()).containsExactly(v(0, 0, 0), v(4, 0, 0), v(4, 3, 0), v(0, 3, 0));
  }

  @Test
  void endsWithinTheGapAreOneCorner() {
    double d = TOLERANCE.gap() * 0.9;
    List<OpenEdges.Piece> ring =
        List.of(
            new OpenEdges.Piece(v(0, 0, 0), v(4, 0, 0), 0),
            new OpenEdges.Piece(v(4, d, 0), v(4, 3, 0), 1),
            new OpenEdges.Piece(v(4, 3, 0), v(0, 3, d), 2),
            new OpenEdges.Piece(v(0, 3, 0), v(0, 0, 0), 3));
    List<Hole> holes = Hole.from(ring, TOLERANCE);
    assertThat(holes).hasSize(1);
    assertThat(holes.get(0).closed()).isTrue();
    assertThat(holes.get(0).outline()).hasSize(4);
    // a piece that is all within the gap is no edge
    assertThat(Hole.from(List.of(new OpenEdges.Piece(v(0, 0, 0), v(d, 0, 0), 0)), TOLERANCE))
        .isEmpty();
  }

  /** Three strips of a stair: each step is an outline of its own. */
  @Test
  void anOutlineOverSeveralPlanesIsCutIntoFlatParts() {
    List<Vec3> ring =
        List.of(
            v(0, 0, 0),
            v(2, 0, 0),
            v(2, 0, 1),
            v(4, 0, 1),
            v(4, 3, 1),
            v(2, 3, 1),
            v(2, 3, 0),
            v(0, 3, 0));
    List<OpenEdges.Piece> pieces = new ArrayList<>();
    for (int i = 0; i < ring.size(); i++) {
      pieces.add(new OpenEdges.Piece(ring.get(i), ring.get((i + 1) % ring.size()), i));
    }
    List<Hole> parts = Hole.from(pieces, TOLERANCE);
    assertThat(parts).hasSize(3);
    assertThat(parts.stream().mapToDouble(Hole::area).sum()).isCloseTo(6 + 3 + 6, within(1e-9));
    assertThat(parts).allSatisfy(p -> assertThat(PlaneFit.deviation(p.outline())).isLessThan(1e-9));
  }
}
