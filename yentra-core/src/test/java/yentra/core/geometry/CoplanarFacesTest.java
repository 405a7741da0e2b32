package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class CoplanarFacesTest {
  private static List<Polygon> triangles(List<Polygon> faces) {
    List<Polygon> out = new ArrayList<>();
    for (Polygon f : faces) {
      Triangulation.of(f).forEach(t -> out.add(Polygon.of(t)));
    }
    return out;
  }

  private static Polygon strip(double x0, double x1, double z) {
    return Polygon.of(v(x0, 0, z), v(x1, 0, z), v(x1, 1, z), v(x0, 1, z));
  }

  @Test
  void trianglesOfABoxAreItsSixFaces() {
    List<Polygon> faces = CoplanarFaces.of(triangles(box(0, 0, 0, 4, 3, 2)), TOLERANCE);
    assertThat(faces).hasSize(6);
    assertThat(faces).allSatisfy(f -> assertThat(f.outer()).hasSize(4));
    assertThat(faces.stream().mapToDouble(Polygon::area).sum()).isCloseTo(52, within(1e-9));
    // in the order of the first of each, still outwards
    assertThat(faces.get(0).normal().z()).isCloseTo(-1, within(1e-12));
    assertThat(faces.get(3).normal().x()).isCloseTo(1, within(1e-12));
  }

  @Test
  void facesThatOnlyLookTheSameWayStayApart() {
    List<Polygon> two = CoplanarFaces.of(List.of(strip(0, 1, 0), strip(1, 2, 0.5)), TOLERANCE);
    assertThat(two).hasSize(2);
    // back to back in one plane
    assertThat(CoplanarFaces.of(List.of(strip(0, 1, 0), strip(1, 2, 0).reversed()), TOLERANCE))
        .hasSize(2);
    // in one plane, but apart
    assertThat(CoplanarFaces.of(List.of(strip(0, 1, 0), strip(3, 4, 0)), TOLERANCE)).hasSize(2);
  }

  @Test
  void halfTheToleranceIsTheMostAStepMayBe() {
    double half = TOLERANCE.plane() / 2;
    assertThat(CoplanarFaces.of(List.of(strip(0, 1, 0), strip(1, 2, half * 0.99)), TOLERANCE))
        .hasSize(1);
    assertThat(CoplanarFaces.of(List.of(strip(0, 1, 0), strip(1, 2, half * 1.01)), TOLERANCE))
        .hasSize(2);
  }

  @Test
  void aRingOfFourIsOneFaceWithAHole() {
    List<Polygon> ring =
        List.of(
            Polygon.of(v(0, 0, 0), v(4, 0, 0), v(4, 1, 0), v(0, 1, 0)),
            Polygon.of(v(0, 3, 0), v(4, 3, 0), v(4, 4, 0), v(0, 4, 0)),
            Polygon.of(v(0, 1, 0), v(1, 1, 0), v(1, 3, 0), v(0, 3, 0)),
            Polygon.of(v(3, 1, 0), v(4, 1, 0), v(4, 3, 0), v(3, 3, 0)));
    List<Polygon> faces = CoplanarFaces.of(ring, TOLERANCE);
    assertThat(faces).hasSize(1);
    assertThat(faces.get(0).holes()).hasSize(1);
    assertThat(faces.get(0).area()).isCloseTo(12, within(1e-9));
  }

  @Test
  void whatHasNoAreaIsLeftOut() {
    assertThat(
            CoplanarFaces.of(
                List.of(Polygon.of(v(0, 0, 0), v(1, 0, 0), v(2, 0, 0)), strip(0, 1, 0)), TOLERANCE))
        .containsExactly(strip(0, 1, 0));
  }
}
