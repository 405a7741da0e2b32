package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;

class CoplanarMergeTest {
  private static final Plane FLOOR = new Plane(Vec3.ZERO, Vec3.Z);

  private static List<Vec3> cell(double x, double y, double w, double d) {
    return List.of(
        new Vec3(x, y, 0), new Vec3(x + w, y, 0), new Vec3(x + w, y + d, 0), new Vec3(x, y + d, 0));
  }

  private static List<Polygon> merge(List<List<Vec3>> parts) {
    return CoplanarMerge.of(parts, FLOOR, 1e-5);
  }

  @Test
  void piecesAroundAWindowBecomeOneFaceWithAHole() {
    List<Polygon> faces =
        merge(List.of(cell(0, 0, 4, 1), cell(0, 1, 1, 1), cell(3, 1, 1, 1), cell(0, 2, 4, 1)));
    assertThat(faces).hasSize(1);
    assertThat(faces.get(0).holes()).hasSize(1);
    assertThat(faces.get(0).area()).isCloseTo(12 - 2, within(1e-12));
  }

  @Test
  void piecesThatDoNotTouchStayApart() {
    assertThat(merge(List.of(cell(0, 0, 1, 1), cell(2, 0, 1, 1)))).hasSize(2);
  }

  /** Any cells of a grid: the same area as the union by JTS, whichever way was taken. */
  @Property(tries = 300)
  void theAreaIsThatOfTheUnion(
      @ForAll @Size(min = 1, max = 20) List<@IntRange(min = 0, max = 24) Integer> cells) {
    List<List<Vec3>> parts = new ArrayList<>();
    for (int c : cells.stream().distinct().toList()) {
      // unequal cells, some cut in two: corners of one lie on edges of others
      double x = c % 5;
      double y = c / 5;
      if (c % 3 == 0) {
        parts.add(cell(x, y, 0.4, 1));
        parts.add(cell(x + 0.4, y, 0.6, 1));
      } else {
        parts.add(cell(x, y, 1, 1));
      }
    }
    PlaneFrame frame = PlaneFrame.of(FLOOR);
    Geometry union =
        OverlayNGRobust.union(
            parts.stream().map(p -> (Geometry) frame.project(Polygon.of(p))).toList());
    List<Polygon> faces = merge(parts);
    assertThat(faces.stream().mapToDouble(Polygon::area).sum())
        .isCloseTo(union.getArea(), within(1e-9));
    assertThat(faces).allSatisfy(f -> assertThat(f.normal().z()).isPositive());
  }
}
