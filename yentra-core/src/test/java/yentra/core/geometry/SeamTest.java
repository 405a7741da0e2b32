package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Rings with seams stand for the polygons they were made of. */
class SeamTest {
  private static Vec3 v(double x, double y) {
    // a sloping plane
    return new Vec3(x, y, 0.3 * x - 0.7 * y);
  }

  private static List<Vec3> square(double x, double y, double size, boolean left) {
    List<Vec3> out =
        new ArrayList<>(List.of(v(x, y), v(x + size, y), v(x + size, y + size), v(x, y + size)));
    if (!left) {
      java.util.Collections.reverse(out);
    }
    return out;
  }

  @Property(tries = 300, seed = "15")
  void closedAndOpenedAgain(
      @ForAll @IntRange(min = 1, max = 9) int holes, @ForAll @IntRange(min = 0, max = 99) int at) {
    List<List<Vec3>> rings = new ArrayList<>();
    for (int i = 0; i < holes; i++) {
      double size = 0.2 + ((at * 7 + i * 13) % 50) / 100.0;
      rings.add(square(0.2 + i % 3, 0.15 + i / 3, size, (at + i) % 2 == 0));
    }
    Polygon p = new Polygon(square(0, 0, 3.2, true), rings);
    List<Vec3> ring = Seam.close(p);
    assertThat(ring.get(0)).isEqualTo(p.outer().get(0));
    assertThat(Polygon.areaVector(ring).length()).isCloseTo(p.area(), within(1e-9));
    assertThat(Polygon.areaVector(ring).dot(p.normal())).isPositive();
    Polygon back = Seam.open(ring);
    assertThat(back.outer()).isEqualTo(p.outer());
    assertThat(back.holes()).hasSize(holes);
    assertThat(back.area()).isCloseTo(p.area(), within(1e-9));
    assertThat(Seam.open(Seam.close(back)).area()).isCloseTo(p.area(), within(1e-9));
  }

  @Test
  void whatHasNoSeamStaysAsItIs() {
    List<Vec3> l =
        List.of(v(0, 0), v(4, 0), v(4, 1), v(1, 1), v(1, 4), v(0.5, 5), v(0, 4), v(-1, 2));
    assertThat(Seam.open(l)).isEqualTo(Polygon.of(l));
    // a spike goes out and back and surrounds nothing
    List<Vec3> spike =
        List.of(v(0, 0), v(2, 0), v(3, 0), v(2, 0), v(4, 0), v(4, 4), v(3, 5), v(0, 4));
    assertThat(Seam.open(spike)).isEqualTo(Polygon.of(spike));
    // two squares side by side, joined by a line: no hole
    List<Vec3> apart = new ArrayList<>(square(0, 0, 1, true));
    apart.add(v(0, 0));
    apart.addAll(square(-3, -3, 1, true));
    apart.add(v(-3, -3));
    assertThat(Seam.open(apart).holes()).isEmpty();
  }

  @Test
  void whatJtsCannotJoinIsJoinedSimply() {
    Polygon crossing =
        new Polygon(List.of(v(0, 0), v(4, 4), v(4, 0), v(0, 4.5)), List.of(square(1, 1, 5, false)));
    assertThat(Polygon.areaVector(Seam.close(crossing)).length())
        .isCloseTo(crossing.areaVector().length(), within(1e-9));
  }
}
