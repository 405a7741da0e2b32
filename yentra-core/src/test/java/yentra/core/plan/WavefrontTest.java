package yentra.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.io.ParseException;
import org.locationtech.jts.io.WKTReader;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;

/** Sides moved inwards, held against closed forms and against JTS's mitred buffer. */
class WavefrontTest {
  private static final BufferParameters MITRED =
      new BufferParameters(8, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 1000);

  static {
    // JTS leaves out small concavities otherwise
    MITRED.setSimplifyFactor(1e-9);
  }

  private static Polygon polygon(String wkt) {
    try {
      return (Polygon) new WKTReader().read(wkt);
    } catch (ParseException e) {
      throw new AssertionError(e);
    }
  }

  private static double area(Map<Integer, Geometry> faces) {
    return faces.values().stream().mapToDouble(Geometry::getArea).sum();
  }

  /**
   * The volume under a roof of 45° over the faces: height of the centroid times area, by triangles.
   */
  private static double volume(Polygon outline, Map<Integer, Geometry> faces) {
    List<Coordinate[]> sides = Wavefront.sides(outline);
    double sum = 0;
    for (Map.Entry<Integer, Geometry> e : faces.entrySet()) {
      Coordinate a = sides.get(e.getKey())[0];
      Coordinate b = sides.get(e.getKey())[1];
      double l = a.distance(b);
      Coordinate c = e.getValue().getCentroid().getCoordinate();
      double height = ((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)) / l;
      sum += height * e.getValue().getArea();
    }
    return sum;
  }

  /** The same by the areas of mitred insets, with Simpson's rule. */
  private static double insets(Polygon outline, int steps) {
    double most = outline.getEnvelopeInternal().getDiameter();
    double far = 0;
    for (double step = most / 2; step > 1e-6; step /= 2) {
      if (BufferOp.bufferOp(outline, -(far + step), MITRED).getArea() > 0) {
        far += step;
      }
    }
    double h = far / steps;
    double sum = outline.getArea();
    for (int i = 1; i < steps; i++) {
      sum += BufferOp.bufferOp(outline, -i * h, MITRED).getArea() * (i % 2 == 0 ? 2 : 4);
    }
    return sum * h / 3;
  }

  @Test
  void aSquareFallsIntoFourTriangles() {
    Polygon p = polygon("POLYGON((0 0, 6 0, 6 6, 0 6, 0 0))");
    Wavefront.Result w = Wavefront.of(p, Double.POSITIVE_INFINITY);
    assertThat(w.faces()).hasSize(4);
    w.faces().values().forEach(f -> assertThat(f.getArea()).isCloseTo(9, within(1e-6)));
    assertThat(w.rest()).isEmpty();
    assertThat(volume(p, w.faces())).isCloseTo(36.0, within(1e-5));
  }

  /** Areas of the faces that lie on the long and the short sides of a rectangle. */
  @ParameterizedTest
  @CsvSource({"10,4", "24,12", "7.3,7.2"})
  void aRectangleHasTwoTrapezia(double a, double b) {
    Polygon p = polygon("POLYGON((0 0, %s 0, %s %s, 0 %s, 0 0))".formatted(a, a, b, b));
    Map<Integer, Geometry> faces = Wavefront.of(p, Double.POSITIVE_INFINITY).faces();
    assertThat(faces.get(1).getArea()).isCloseTo(b * b / 4, within(1e-5));
    assertThat(faces.get(0).getArea()).isCloseTo(a * b / 2 - b * b / 4, within(1e-5));
    // a hipped roof of 45°: prism of the middle and two half pyramids
    assertThat(volume(p, faces)).isCloseTo(b * b / 4 * (a - b) + b * b * b / 6, within(1e-4));
  }

  @Test
  void aBandLeavesACore() {
    Wavefront.Result w = Wavefront.of(polygon("POLYGON((0 0, 24 0, 24 12, 0 12, 0 0))"), 4.5);
    assertThat(w.rest()).hasSize(1);
    assertThat(w.rest().get(0).getArea()).isCloseTo(15 * 3, within(1e-5));
    assertThat(area(w.faces())).isCloseTo(24 * 12 - 45, within(1e-5));
  }

  @Test
  void aThinPlateHasNoCoreAndADumbBellTwo() {
    assertThat(Wavefront.of(polygon("POLYGON((0 0, 24 0, 24 8, 0 8, 0 0))"), 4.5).rest()).isEmpty();
    Polygon bell =
        polygon(
            "POLYGON((0 0, 10 0, 10 4, 20 4, 20 0, 30 0, 30 10, 20 10, 20 6, 10 6, 10 10, 0 10, 0 0))");
    Wavefront.Result w = Wavefront.of(bell, 3);
    assertThat(w.rest()).hasSize(2);
    w.rest().forEach(r -> assertThat(r.getArea()).isCloseTo(16, within(1e-5)));
    assertThat(area(w.faces())).isCloseTo(bell.getArea() - 32, within(1e-4));
  }

  /** A corridor whose two sides meet all along at one moment. */
  @Test
  void aDumbBellEndsInTwoHipsAndARidge() {
    Polygon bell =
        polygon(
            "POLYGON((0 0, 10 0, 10 4, 20 4, 20 0, 30 0, 30 10, 20 10, 20 6, 10 6, 10 10, 0 10, 0 0))");
    Map<Integer, Geometry> faces = Wavefront.of(bell, Double.POSITIVE_INFINITY).faces();
    assertThat(area(faces)).isCloseTo(bell.getArea(), within(1e-4));
    assertThat(volume(bell, faces)).isCloseTo(insets(bell, 2000), within(1e-3 * 200));
  }

  @Test
  void aCourtyardIsMetFromInside() {
    Polygon p = polygon("POLYGON((0 0, 20 0, 20 20, 0 20, 0 0), (6 6, 6 14, 14 14, 14 6, 6 6))");
    Map<Integer, Geometry> faces = Wavefront.of(p, Double.POSITIVE_INFINITY).faces();
    assertThat(area(faces)).isCloseTo(400 - 64, within(1e-4));
    // a ring 6 m wide: height 3 m in the middle, mean over the ring by insets
    assertThat(volume(p, faces)).isCloseTo(insets(p, 1000), within(0.05));
  }

  private static Polygon star(long seed) {
    Random random = new Random(seed);
    int n = 5 + random.nextInt(12);
    List<Coordinate> ring = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      double a = 2 * Math.PI * (i + 0.7 * random.nextDouble()) / n;
      double r = 3 + 12 * random.nextDouble();
      ring.add(new Coordinate(r * Math.cos(a), r * Math.sin(a)));
    }
    ring.add(ring.get(0).copy());
    return new GeometryFactory().createPolygon(ring.toArray(Coordinate[]::new));
  }

  private static Polygon stairs(long seed) {
    Random random = new Random(seed);
    Geometry all = null;
    for (int i = 0; i < 2 + random.nextInt(5); i++) {
      int x = random.nextInt(12);
      int y = random.nextInt(12);
      Geometry box =
          new GeometryFactory()
              .toGeometry(
                  new org.locationtech.jts.geom.Envelope(
                      x, x + 3 + random.nextInt(9), y, y + 3 + random.nextInt(9)));
      Geometry joined = all == null ? box : all.union(box);
      all = joined instanceof Polygon ? joined : all;
    }
    return (Polygon) all;
  }

  @Property(tries = 300, seed = "1901")
  void facesCoverAnyOutline(@ForAll long seed, @ForAll boolean straight) {
    Polygon p = straight ? stairs(seed) : star(seed);
    Map<Integer, Geometry> faces = Wavefront.of(p, Double.POSITIVE_INFINITY).faces();
    assertThat(area(faces)).isCloseTo(p.getArea(), within(1e-4 * p.getArea()));
    Geometry all = p.getFactory().createGeometryCollection(faces.values().toArray(Geometry[]::new));
    assertThat(all.buffer(0).getArea()).isCloseTo(p.getArea(), within(1e-4 * p.getArea()));
  }

  @Property(tries = 60, seed = "1902")
  void theVolumeUnderAHipIsThatOfItsInsets(@ForAll long seed, @ForAll boolean straight) {
    Polygon p = straight ? stairs(seed) : star(seed);
    Map<Integer, Geometry> faces = Wavefront.of(p, Double.POSITIVE_INFINITY).faces();
    double independent = insets(p, 400);
    assertThat(volume(p, faces)).isCloseTo(independent, within(2e-3 * independent));
  }

  @Property(tries = 300, seed = "1901")
  void whatIsLeftIsTheMitredInset(@ForAll long seed, @ForAll boolean straight) {
    Polygon p = straight ? stairs(seed) : star(seed);
    double depth = 0.3 + new Random(seed + 1).nextDouble() * 3;
    Wavefront.Result w = Wavefront.of(p, depth);
    double rest = w.rest().stream().mapToDouble(Geometry::getArea).sum();
    assertThat(rest)
        .isCloseTo(BufferOp.bufferOp(p, -depth, MITRED).getArea(), within(1e-4 * p.getArea()));
    assertThat(area(w.faces()) + rest).isCloseTo(p.getArea(), within(1e-4 * p.getArea()));
  }
}
