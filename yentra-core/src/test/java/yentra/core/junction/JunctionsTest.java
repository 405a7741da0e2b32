package yentra.core.junction;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.SurfaceType;
import yentra.core.estimate.Boxes;
import yentra.core.estimate.Estimate;
import yentra.core.junction.PsiValues.Dimensions;

/** Boxes of 8 m by 6 m by 2.7 m, whose edges can be counted. */
class JunctionsTest {
  private static final double[] RENDER = {0.02, 1, 1800, 1000};
  private static final double[] WOOL = {0.12, 0.04, 30, 1000};
  private static final double[] BRICK = {0.2, 0.8, 1800, 1000};

  private static Boxes boxes(int n) {
    return new Boxes()
        .construction("out", RENDER, WOOL, BRICK)
        .construction("in", BRICK, WOOL, new double[] {0.0125, 0.25, 900, 1000})
        .construction("mid", BRICK, WOOL, BRICK)
        .construction("thin", new double[] {0.3, 0.2, 600, 1000})
        .glass("g", 1.3, 0.6)
        .row(n, "out", "out", "out", "thin");
  }

  private static Map<JunctionType, Junctions.Total> totals(CheckContext c, PsiValues v) {
    return Junctions.totals(Estimate.junctions(c, v));
  }

  @Test
  void oneBox() {
    Boxes b = boxes(1).window("s0-south", "g", 1, 0.5, 3, 2);
    Map<JunctionType, Junctions.Total> t =
        totals(b.context(), PsiValues.of(Dimensions.OVERALL_INTERNAL));
    assertThat(t).containsOnlyKeys(JunctionType.R, JunctionType.C, JunctionType.W);
    assertThat(t.get(JunctionType.C).length()).isCloseTo(4 * 2.7, within(1e-9));
    assertThat(t.get(JunctionType.C).heatLoss()).isCloseTo(4 * 2.7 * 0.15, within(1e-9));
    // roof and exposed floor alike
    assertThat(t.get(JunctionType.R).length()).isCloseTo(2 * 28, within(1e-9));
    assertThat(t.get(JunctionType.W).length()).isCloseTo(7, within(1e-9));
  }

  @Test
  void aPartitionCountsOnce() {
    Map<JunctionType, Junctions.Total> t =
        totals(boxes(2).context(), PsiValues.of(Dimensions.INTERNAL));
    assertThat(t.get(JunctionType.C).length()).isCloseTo(4 * 2.7, within(1e-9));
    // two walls of 2.7 m and the roof of 6 m
    assertThat(t.get(JunctionType.IW).length()).isCloseTo(2 * 2.7 + 6, within(1e-9));
    List<Junction> list = Estimate.junctions(boxes(2).context(), PsiValues.of(Dimensions.INTERNAL));
    Junction iw = list.stream().filter(j -> j.type() == JunctionType.IW).findFirst().orElseThrow();
    assertThat(iw.spaces()).containsExactly("s0", "s1");
    assertThat(iw.heatLoss("s0")).isCloseTo(iw.heatLoss() / 2, within(1e-12));
    assertThat(iw.heatLoss("other")).isZero();
    assertThat(EdgeRuns.length(iw.lines())).isCloseTo(iw.length(), within(1e-9));
  }

  @Test
  void theGroundFloor() {
    CheckContext c = boxes(1).context();
    c = c.with(c.envelope().replacing("s0-floor", s -> s.withType(SurfaceType.SLAB_ON_GRADE)));
    Map<JunctionType, Junctions.Total> t = totals(c, PsiValues.of(Dimensions.EXTERNAL));
    assertThat(t.get(JunctionType.GF).length()).isCloseTo(28, within(1e-9));
    assertThat(t.get(JunctionType.R).length()).isCloseTo(28, within(1e-9));
  }

  /** An L of two boxes has an inner corner where one stands back. */
  @Test
  void anInnerCorner() {
    yentra.core.geometry.Polygon a =
        yentra.core.geometry.Polygon.of(
            new yentra.core.geometry.Vec3(0, 0, 0),
            new yentra.core.geometry.Vec3(4, 0, 0),
            new yentra.core.geometry.Vec3(4, 0, 3),
            new yentra.core.geometry.Vec3(0, 0, 3));
    yentra.core.geometry.Polygon b =
        yentra.core.geometry.Polygon.of(
            new yentra.core.geometry.Vec3(4, 0, 0),
            new yentra.core.geometry.Vec3(4, -4, 0),
            new yentra.core.geometry.Vec3(4, -4, 3),
            new yentra.core.geometry.Vec3(4, 0, 3));
    Boxes boxes = boxes(1);
    yentra.core.envelope.Envelope e = boxes.envelope();
    e = e.replacing("s0-south", s -> s.withPolygon(a, s.sides()));
    e = e.replacing("s0-east", s -> s.withPolygon(b, s.sides()));
    List<Junction> list =
        Junctions.of(
            e,
            yentra.core.envelope.Surface::polygon,
            PsiValues.of(Dimensions.EXTERNAL),
            yentra.core.geometry.Tolerance.standard());
    assertThat(list)
        .filteredOn(j -> j.type() == JunctionType.IC)
        .singleElement()
        .satisfies(j -> assertThat(j.length()).isCloseTo(3, within(1e-9)))
        .satisfies(j -> assertThat(j.psi()).isPositive());
  }

  /** ISO 14683, types C1 to C4 (from memory): by where the insulation lies. */
  @Test
  void psiGoesByDimensionsAndInsulation() {
    PsiValues e = PsiValues.of(Dimensions.EXTERNAL);
    CheckContext c = boxes(1).context();
    Map<String, yentra.core.thermal.BuildUp> all = yentra.core.thermal.BuildUp.all(c.envelope());
    assertThat(PsiValues.insulation(all.get("out"))).isEqualTo(PsiValues.Insulation.OUTSIDE);
    assertThat(PsiValues.insulation(all.get("in"))).isEqualTo(PsiValues.Insulation.INSIDE);
    assertThat(PsiValues.insulation(all.get("mid"))).isEqualTo(PsiValues.Insulation.MIDDLE);
    assertThat(PsiValues.insulation(all.get("thin"))).isEqualTo(PsiValues.Insulation.ALL_THROUGH);
    assertThat(PsiValues.insulation(null)).isEqualTo(PsiValues.Insulation.ALL_THROUGH);
    assertThat(e.psi(JunctionType.C, PsiValues.Insulation.INSIDE)).isEqualTo(-0.20);
    assertThat(PsiValues.of(Dimensions.INTERNAL).psi(JunctionType.C, PsiValues.Insulation.OUTSIDE))
        .isEqualTo(0.15);
    assertThat(PsiValues.of(Dimensions.CENTRE).psi(JunctionType.C, PsiValues.Insulation.OUTSIDE))
        .isCloseTo(0.05, within(1e-12));
    PsiValues own = new PsiValues(Dimensions.INTERNAL, Map.of(JunctionType.C, 0.02));
    assertThat(own.psi(JunctionType.C, PsiValues.Insulation.MIDDLE)).isEqualTo(0.02);
    assertThat(Estimate.junctions(c, own))
        .filteredOn(j -> j.type() == JunctionType.C)
        .allMatch(Junction::stated);
  }
}
