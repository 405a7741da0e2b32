package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;

/** What holds for every prism, wherever it stands and however it is turned. */
class ShellPropertiesTest {
  private static final Tolerance T = Tolerance.standard();

  /** A prism over a star-shaped polygon, turned and moved. */
  record Prism(List<Polygon> faces, double volume) {}

  @Provide
  Arbitrary<Prism> prisms() {
    Arbitrary<List<Double>> radii =
        Arbitraries.doubles().between(2, 9).list().ofMinSize(3).ofMaxSize(12);
    Arbitrary<Double> height = Arbitraries.doubles().between(0.5, 12);
    Arbitrary<Double> angle = Arbitraries.doubles().between(0, 6.28);
    Arbitrary<Double> shift = Arbitraries.doubles().between(-100_000, 100_000);
    return Combinators.combine(radii, height, angle, angle, shift, shift)
        .as(ShellPropertiesTest::prism);
  }

  private static Prism prism(
      List<Double> radii, double height, double yaw, double roll, double dx, double dy) {
    List<Vec3> base = new ArrayList<>();
    double twice = 0;
    int n = radii.size();
    for (int i = 0; i < n; i++) {
      double a = 2 * Math.PI * i / n;
      base.add(new Vec3(radii.get(i) * Math.cos(a), radii.get(i) * Math.sin(a), 0));
      twice += radii.get(i) * radii.get((i + 1) % n) * Math.sin(2 * Math.PI / n);
    }
    Vec3 x = new Vec3(Math.cos(yaw), Math.sin(yaw), 0);
    Vec3 y0 = new Vec3(-Math.sin(yaw), Math.cos(yaw), 0);
    Vec3 y = y0.times(Math.cos(roll)).plus(Vec3.Z.times(Math.sin(roll)));
    Transform t = new Transform(x, y, x.cross(y), new Vec3(dx, dy, 3));
    Vec3 up = new Vec3(0, 0, height);
    Polygon bottom = Polygon.of(base);
    List<Polygon> faces =
        new ArrayList<>(List.of(bottom.reversed(), bottom.transformed(Transform.translation(up))));
    for (int i = 0; i < n; i++) {
      Vec3 a = base.get(i);
      Vec3 b = base.get((i + 1) % n);
      faces.add(Polygon.of(a, b, b.plus(up), a.plus(up)));
    }
    return new Prism(faces.stream().map(f -> f.transformed(t)).toList(), twice / 2 * height);
  }

  @Property(tries = 200, seed = "20261125")
  void aPrismClosesAndHasItsVolumeWhereverItStands(@ForAll("prisms") Prism p) {
    assertThat(OpenEdges.find(p.faces(), T)).isEmpty();
    assertThat(Shell.of(p.faces()).signedVolume())
        .isCloseTo(p.volume(), within(1e-6 * p.volume() + 1e-6));
    assertThat(Shell.of(p.faces()).closureError()).isLessThan(1e-6);
  }

  @Property(tries = 200, seed = "20261125")
  void aMissingFaceIsTheHoleThatIsFound(
      @ForAll("prisms") Prism p, @ForAll @IntRange(max = 13) int which) {
    List<Polygon> faces = new ArrayList<>(p.faces());
    Polygon gone = faces.remove(which % faces.size());
    List<Hole> holes = Hole.from(OpenEdges.find(faces, T), T);
    assertThat(holes).hasSize(1);
    assertThat(holes.get(0).area()).isCloseTo(gone.area(), within(1e-5 * gone.area() + 1e-5));
    assertThat(holes.get(0).length()).isCloseTo(gone.perimeter(), within(1e-6 * gone.perimeter()));
  }

  @Property(tries = 100, seed = "20261125")
  void reversedFacesAreFoundAndSetRight(
      @ForAll("prisms") Prism p, @ForAll @IntRange(max = 8191) int mask) {
    List<Polygon> faces = new ArrayList<>(p.faces());
    for (int i = 0; i < faces.size(); i++) {
      if ((mask >> i & 1) == 1) {
        faces.set(i, faces.get(i).reversed());
      }
    }
    Shell outward = Shell.of(faces).outward(T.gap());
    assertThat(outward.signedVolume()).isCloseTo(p.volume(), within(1e-6 * p.volume() + 1e-6));
  }

  @Property(tries = 150, seed = "20261125")
  void trianglesCoverThePolygon(@ForAll("prisms") Prism p) {
    Polygon f = p.faces().get(0);
    double sum = Triangulation.of(f).stream().mapToDouble(t -> Polygon.of(t).area()).sum();
    assertThat(sum).isCloseTo(f.area(), within(1e-6 * f.area()));
    assertThat(Triangulation.of(f))
        .allSatisfy(t -> assertThat(Polygon.of(t).normal().dot(f.normal())).isGreaterThan(0.999));
  }

  @Property(tries = 100, seed = "20261125")
  void differenceAndIntersectionMakeTheWhole(@ForAll("boxes") double[] b) {
    List<Polygon> first = ReferenceGeometryTest.box(4, 5, 3);
    Transform t = Transform.translation(new Vec3(b[0], b[1], b[2]));
    List<Polygon> second =
        ReferenceGeometryTest.box(b[3], b[4], b[5]).stream().map(f -> f.transformed(t)).toList();
    List<Polygon> less = SolidOverlay.difference(first, second, T);
    List<Polygon> common = SolidOverlay.intersection(first, second, T);
    assertThat(OpenEdges.find(less, T)).isEmpty();
    assertThat(OpenEdges.find(common, T)).isEmpty();
    assertThat(Shell.of(less).signedVolume() + Shell.of(common).signedVolume())
        .isCloseTo(60, within(1e-3));
  }

  @Provide
  Arbitrary<double[]> boxes() {
    Arbitrary<Double> at = Arbitraries.doubles().between(-2, 4).map(d -> Math.round(d * 20) / 20.0);
    Arbitrary<Double> size =
        Arbitraries.doubles().between(0.5, 6).map(d -> Math.round(d * 20) / 20.0);
    return Combinators.combine(at, at, at, size, size, size)
        .as((a, b, c, d, e, f) -> new double[] {a, b, c, d, e, f});
  }
}
