package yentra.core.revision;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Vec3;
import yentra.core.library.Library;
import yentra.core.plan.PlanEnvelope;
import yentra.core.plan.PlanReader;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.repair.use.GiveUse;
import yentra.core.repair.use.GiveZone;

/** What was said of a drawing, taken over to a model that comes later. */
class TakeOverTest {
  /** Two rooms of 5 by 8 m, drawn to the middle of the walls. */
  private static final String DRAWN =
      document(
          "[[0,0],[10,0],[10,8],[0,8]]", "[[5,0],[5,8]]", "[1,1]", "[9,1]", "Net store", "Office");

  private static String document(
      String outline, String line, String one, String other, String name, String second) {
    return "{\"yentraPlan\": 1, \"ground_m\": 0, \"storeys\": [{\"name\": \"G\", \"level_m\": 0, \"height_m\": 3}],"
        + "\"floors\": [{\"storey\": \"G\", \"outlines\": [{\"corners\": "
        + outline
        + "}], \"lines\": ["
        + line
        + "], \"spaces\": [{\"at\": "
        + one
        + ", \"name\": \""
        + name
        + "\"}, {\"at\": "
        + other
        + ", \"name\": \""
        + second
        + "\"}]}], \"glazing\": [{\"ratio\": 0.2}]}";
  }

  private static Envelope envelope(String json) {
    try {
      return PlanEnvelope.of(
          PlanReader.read(json.getBytes(StandardCharsets.UTF_8)), Rules.standard());
    } catch (UnreadableException e) {
      throw new AssertionError(e);
    }
  }

  private static Envelope after(Envelope e, Repair r) {
    try {
      return r.apply(e, Rules.standard());
    } catch (NotApplicableException x) {
      throw new AssertionError(x);
    }
  }

  private static Space space(Envelope e, String name) {
    return e.spaces().stream().filter(s -> s.name().equals(name)).findFirst().orElseThrow();
  }

  /** The drawing with a use, gains, a zone and a construction for outer walls. */
  private static Envelope said() {
    Envelope e = envelope(DRAWN);
    String store = space(e, "Net store").key();
    e =
        after(
            e,
            new GiveUse(
                List.of(store),
                "Storage",
                "Heated",
                new InternalGains(2.0, null, null, null, 4.5, null)));
    e = after(e, new GiveZone(List.of(store), null, "Cold side", 15.0, null, null));
    List<String> walls =
        e.surfaces().stream()
            .filter(s -> s.type() == SurfaceType.EXTERIOR_WALL)
            .map(s -> s.key())
            .toList();
    Library shipped = Library.shipped();
    return after(
        e,
        new GiveConstruction(walls, ConstructionSpec.of(shipped, shipped.constructions().get(0))));
  }

  /** The same within its walls, 100 m away, with a room more. */
  private static String model(String line) {
    return document(
        "[[100.2,50.2],[109.8,50.2],[109.8,57.8],[100.2,57.8]]",
        "[[105.1,50.2],[105.1,57.8]]" + line,
        "[101,51]",
        "[109,51]",
        "R 001",
        "R 002");
  }

  @Test
  void whatWasSaidIsOfferedWhereItBelongs() {
    Envelope to = envelope(model(", [[105.1,54],[109.8,54]]"));
    TakeOver t = TakeOver.of(said(), to, "store.json");
    // it lies 100 m away: both corners are laid on each other
    assertThat(t.moved().x()).isCloseTo(100.2, within(1e-9));
    assertThat(t.moved().y()).isCloseTo(50.2, within(1e-9));
    assertThat(t.pairs()).hasSize(3);
    assertThat(t.pairs().stream().filter(p -> p.from().equals("Office"))).hasSize(2);
    assertThat(t.left()).isEmpty();
    assertThat(t.come()).isEmpty();
    assertThat(t.types()).extracting(TakeOver.TypeChoice::type).containsExactly("exterior wall");

    Envelope made = to;
    made = after(made, t.uses());
    made = after(made, t.zones());
    for (Repair r : t.constructions()) {
      made = after(made, r);
    }
    Space store = space(made, "R 001");
    assertThat(store.use()).isEqualTo("Storage");
    assertThat(store.condition()).isEqualTo("Heated");
    assertThat(store.gains().people()).isEqualTo(2);
    assertThat(store.gains().lighting()).isEqualTo(4.5);
    assertThat(made.zone(store.zone()).orElseThrow().heatingSetPoint()).isEqualTo(15);
    assertThat(made.surfaces())
        .filteredOn(s -> s.type() == SurfaceType.EXTERIOR_WALL)
        .allMatch(s -> s.construction() != null);
    assertThat(space(made, "R 002").use()).isEmpty();

    // once taken, nothing is left to take
    TakeOver again = TakeOver.of(said(), made, "store.json");
    assertThat(again.uses()).isNull();
    assertThat(again.zones()).isNull();
    assertThat(again.constructions()).isEmpty();
    assertThat(again.types()).isEmpty();
  }

  @Test
  void whatLiesInOnePlaceIsNotMovedAndWhatDoesNotMatchIsListed() {
    Envelope to =
        envelope(
            document("[[0,0],[7,0],[7,8],[0,8]]", "[[5,0],[5,8]]", "[1,1]", "[6,1]", "A", "B")
                .replace("\"height_m\": 3", "\"height_m\": 3.2"));
    TakeOver t = TakeOver.of(said(), to, "x");
    assertThat(t.moved()).isEqualTo(Vec3.ZERO);
    assertThat(t.pairs()).extracting(TakeOver.Pair::from).containsExactly("Net store", "Office");
    assertThat(t.pairs().get(1).share()).isCloseTo(3 / 3.2, within(1e-6));
    Envelope away =
        envelope(
            document("[[0,0],[2,0],[2,2],[0,2]]", "[[1,0],[1,2]]", "[0.5,1]", "[1.5,1]", "A", "B"));
    TakeOver none = TakeOver.of(said(), away, "x");
    assertThat(none.pairs()).extracting(TakeOver.Pair::from).containsOnly("Net store");
    assertThat(none.left()).containsExactly("Office");
    Envelope above = envelope(DRAWN.replace("\"level_m\": 0", "\"level_m\": 30"));
    assertThat(TakeOver.of(said(), above, "x").moved().z()).isCloseTo(30, within(1e-9));
  }
}
