package yentra.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Rules;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.plan.MassFloors.Level;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.Place;

/** Closed bodies cut into storeys, against closed forms. */
class MassFloorsTest {
  /** A body between two rings of as many corners: its floor, sides and top. */
  private static List<Polygon> body(double low, double high, double[][] floor, double[][] top) {
    List<Polygon> out = new ArrayList<>();
    List<Vec3> down = new ArrayList<>();
    List<Vec3> up = new ArrayList<>();
    for (int i = 0; i < floor.length; i++) {
      int j = (i + 1) % floor.length;
      Vec3 a = new Vec3(floor[i][0], floor[i][1], low);
      Vec3 b = new Vec3(floor[j][0], floor[j][1], low);
      Vec3 c = new Vec3(top[j][0], top[j][1], high);
      Vec3 d = new Vec3(top[i][0], top[i][1], high);
      out.add(new Polygon(List.of(a, b, c, d), List.of()));
      down.add(0, a);
      up.add(d);
    }
    out.add(new Polygon(down, List.of()));
    out.add(new Polygon(up, List.of()));
    return out;
  }

  private static double[][] box(double x, double y, double w, double d) {
    return new double[][] {{x, y}, {x + w, y}, {x + w, y + d}, {x, y + d}};
  }

  private static List<Polygon> prism(double low, double high, double[][] ring) {
    return body(low, high, ring, ring);
  }

  private static PlanDocument floors(List<List<Polygon>> bodies, List<Level> levels) {
    PlanDocument d = MassFloors.of("Mass", Place.UNKNOWN, bodies, levels, 0.001);
    // what is made is what is kept and read
    return PlanFixtures.read(new String(PlanWriter.write(d), StandardCharsets.UTF_8));
  }

  private static double volume(PlanDocument d) {
    try {
      Envelope e = PlanEnvelope.of(d, Rules.standard());
      assertThat(PlanFixtures.faults(e)).isEmpty();
      return PlanFixtures.volume(e);
    } catch (UnreadableException x) {
      throw new AssertionError(x);
    }
  }

  @Test
  void aBoxBecomesStoreysOfOnePlan() {
    List<List<Polygon>> box = List.of(prism(2, 12, box(5, 5, 20, 10)));
    PlanDocument d = floors(box, MassFloors.levels(box, 3));
    assertThat(d.storeys()).extracting(s -> s.level()).containsExactly(2.0, 5.0, 8.0);
    assertThat(d.storeys().get(2).height()).isCloseTo(4, within(1e-9));
    assertThat(d.floors()).hasSize(1);
    assertThat(d.floors().get(0).copies()).containsExactly("Storey 2", "Storey 3");
    assertThat(d.floors().get(0).outlines().get(0).corners()).hasSize(4);
    assertThat(volume(d)).isCloseTo(2000, within(1e-6));
    assertThat(d.ground()).isEqualTo(2);
    // half a storey more is one
    assertThat(MassFloors.levels(List.of(prism(0, 7.6, box(0, 0, 5, 5))), 3)).hasSize(3);
  }

  @Test
  void storeysAtStatedLevelsAndBodiesOnEachOther() {
    List<List<Polygon>> bodies =
        List.of(prism(0, 4, box(0, 0, 30, 20)), prism(4, 10, box(0, 0, 10, 20)));
    List<Level> levels =
        MassFloors.levels(bodies, Map.of("L2", 7.0, "L0", 0.0, "L1", 4.0, "Roof", 10.0, "B", -9.0));
    assertThat(levels).extracting(Level::name).containsExactly("L0", "L1", "L2");
    PlanDocument d = floors(bodies, levels);
    assertThat(d.floors()).extracting(FloorPlan::storey).containsExactly("L0", "L1");
    assertThat(volume(d)).isCloseTo(30 * 20 * 4 + 10 * 20 * 6, within(1e-6));
  }

  @Test
  void bodiesThatTouchOrOverlapAreOneFloor() {
    List<List<Polygon>> bodies =
        List.of(
            prism(0, 3, box(0, 0, 10, 10)),
            prism(0, 3, box(10, 0, 5, 10)),
            prism(0, 3, box(12, 5, 8, 5)));
    PlanDocument d = floors(bodies, MassFloors.levels(bodies, 3));
    assertThat(d.floors().get(0).outlines()).hasSize(1);
    assertThat(volume(d)).isCloseTo(3 * (150 + 5 * 5), within(1e-6));
  }

  @Test
  void aCourtyardStaysOne() {
    List<Polygon> faces = new ArrayList<>(prism(0, 3, box(0, 0, 20, 20)));
    faces.addAll(prism(0, 3, box(5, 5, 8, 8)));
    PlanDocument d = floors(List.of(faces), MassFloors.levels(List.of(faces), 3));
    assertThat(d.floors().get(0).outlines().get(0).holes()).hasSize(1);
    assertThat(volume(d)).isCloseTo(3 * (400 - 64), within(1e-6));
  }

  /** A pyramid's frustum: each storey is the section at half its height. */
  @Test
  void leaningSidesAreCutAtHalfHeight() {
    List<List<Polygon>> b = List.of(body(0, 8, box(0, 0, 16, 16), box(4, 4, 8, 8)));
    PlanDocument d = floors(b, MassFloors.levels(b, 4));
    // sides of 16 at the bottom and 8 at the top: 14 at a quarter, 10 at three quarters
    assertThat(volume(d)).isCloseTo(4 * (14 * 14 + 10 * 10), within(1e-6));
  }

  @Test
  void nothingIsCutFromNothing() {
    assertThat(MassFloors.of("x", Place.UNKNOWN, List.of(), List.of(), 0.001).floors()).isEmpty();
    List<List<Polygon>> box = List.of(prism(0, 3, box(0, 0, 5, 5)));
    assertThat(
            MassFloors.of("x", Place.UNKNOWN, box, List.of(new Level("A", 50, 3)), 0.001).floors())
        .isEmpty();
  }
}
