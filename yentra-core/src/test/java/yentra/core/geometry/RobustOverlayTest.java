package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.PrecisionModel;

class RobustOverlayTest {
  private static final GeometryFactory FACTORY = new GeometryFactory();
  private static final PrecisionModel GRID = new PrecisionModel(1e5);

  /** Rings of few corners on a coarse grid, so that many cross and touch themselves. */
  private static Geometry ring(Random random) {
    int n = 3 + random.nextInt(6);
    Coordinate[] c = new Coordinate[n + 1];
    for (int i = 0; i < n; i++) {
      double off = random.nextInt(3) == 0 ? random.nextDouble() * 1e-5 : 0;
      c[i] = new Coordinate(random.nextInt(6) + off, random.nextInt(6) - off);
    }
    c[n] = c[0].copy();
    return FACTORY.createPolygon(c);
  }

  @Property(tries = 3000, seed = "4720")
  void outlinesThatCrossThemselvesBreakNothing(
      @ForAll @LongRange(min = 1, max = 1_000_000_000) long seed) {
    Random random = new Random(seed);
    List<Geometry> all = new ArrayList<>();
    for (int i = 0; i < 2 + random.nextInt(8); i++) {
      all.add(ring(random));
    }
    Geometry union = RobustOverlay.union(all, GRID);
    assertThat(union.getArea()).isBetween(0.0, 36.1);
    Geometry a = all.get(0);
    Geometry b = all.get(1);
    assertThat(RobustOverlay.intersection(a, b).getArea()).isBetween(0.0, 36.1);
    assertThat(RobustOverlay.difference(a, b).getArea()).isBetween(0.0, 36.1);
  }

  @Property(tries = 500, seed = "4721")
  void partsAddUp(@ForAll @LongRange(min = 1, max = 1_000_000_000) long seed) {
    Random random = new Random(seed);
    Geometry a = rectangle(random);
    Geometry b = rectangle(random);
    double common = RobustOverlay.intersection(a, b).getArea();
    assertThat(common + RobustOverlay.difference(a, b).getArea())
        .isCloseTo(a.getArea(), within(1e-9));
    assertThat(RobustOverlay.union(List.of(a, b), GRID).getArea())
        .isCloseTo(a.getArea() + b.getArea() - common, within(1e-4));
  }

  private static Geometry rectangle(Random random) {
    double x = random.nextDouble() * 5;
    double y = random.nextDouble() * 5;
    return FACTORY.toGeometry(
        new org.locationtech.jts.geom.Envelope(
            x, x + 0.1 + random.nextDouble() * 4, y, y + 0.1 + random.nextDouble() * 4));
  }
}
