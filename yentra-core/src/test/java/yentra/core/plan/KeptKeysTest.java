package yentra.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.plan.PlanFixtures.read;
import static yentra.core.plan.PlanFixtures.storeys;

import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Rules;
import yentra.core.envelope.UnreadableException;
import yentra.core.plan.PlanSheet.DrawnRoom;

/** Keys of spaces while the drawing changes. */
class KeptKeysTest {
  private static final String BOX =
      "\"outlines\": [{\"id\": \"o\", \"corners\": [[0,0],[10,0],[10,8],[0,8]]}]";

  private static PlanDocument changed(PlanDocument before, String after) {
    try {
      PlanDocument made = KeptKeys.of(before, read(after), Rules.standard());
      // what is kept is what the log keeps
      return read(new String(PlanWriter.write(made), StandardCharsets.UTF_8));
    } catch (UnreadableException e) {
      throw new AssertionError(e);
    }
  }

  private static List<DrawnRoom> rooms(PlanDocument d) {
    try {
      return PlanSheet.of(d, PlanEnvelope.of(d, Rules.standard()), Rules.standard()).rooms();
    } catch (UnreadableException e) {
      throw new AssertionError(e);
    }
  }

  /** The key of the room over a point. */
  private static String key(PlanDocument d, String storey, double x, double y) {
    return rooms(d).stream()
        .filter(r -> r.storey().equals(storey))
        .filter(r -> Math.hypot(r.inside().x() - x, r.inside().y() - y) < 3.5)
        .min(
            (a, b) ->
                Double.compare(
                    Math.hypot(a.inside().x() - x, a.inside().y() - y),
                    Math.hypot(b.inside().x() - x, b.inside().y() - y)))
        .orElseThrow()
        .key();
  }

  private static Set<String> keys(PlanDocument d) {
    Set<String> out = new HashSet<>();
    rooms(d).forEach(r -> assertThat(out.add(r.key())).isTrue());
    return out;
  }

  private static String line(double x) {
    return storeys(2, BOX + ", \"lines\": [[[" + x + ",0],[" + x + ",8]]]", "");
  }

  @Test
  void aLineThatMovesChangesNoKey() {
    PlanDocument before = read(line(4));
    PlanDocument after = changed(before, line(5.5));
    assertThat(keys(after)).isEqualTo(keys(before));
    assertThat(key(after, "S0", 2.75, 4)).isEqualTo(key(before, "S0", 2, 4));
    assertThat(key(after, "S1", 7.75, 4)).isEqualTo(key(before, "S1", 7, 4));
    assertThat(keys(changed(after, line(3)))).isEqualTo(keys(before));
  }

  @Test
  void aRoomThatGetsANameKeepsItsKeyOnEveryStorey() {
    PlanDocument before = read(line(4));
    String named =
        line(4)
            .replace("\"lines\"", "\"spaces\": [{\"at\": [1,1], \"name\": \"Store\"}], \"lines\"");
    PlanDocument after = changed(before, named);
    assertThat(keys(after)).isEqualTo(keys(before));
    assertThat(rooms(after)).extracting(DrawnRoom::name).contains("Store", "Store, S1");
    assertThat(rooms(after)).filteredOn(DrawnRoom::named).hasSize(2);
    // and goes with its name, wherever that is put
    PlanDocument moved = changed(after, named.replace("\"at\": [1,1]", "\"at\": [9,1]"));
    assertThat(key(moved, "S0", 7, 4)).isEqualTo(key(before, "S0", 2, 4));
  }

  @Test
  void ofARoomThatIsSplitTheLargerPartIsTheRoom() {
    PlanDocument before = read(storeys(1, BOX, ""));
    String whole = key(before, "S0", 5, 4);
    PlanDocument split = changed(before, storeys(1, BOX + ", \"lines\": [[[3,0],[3,8]]]", ""));
    assertThat(key(split, "S0", 6.5, 4)).isEqualTo(whole);
    assertThat(keys(split)).hasSize(2);
    PlanDocument joined = changed(split, storeys(1, BOX, ""));
    assertThat(keys(joined)).containsExactly(whole);
  }

  @Test
  void sidesOfABandStayWhereACornerIsAdded() {
    String bands = ", \"bands\": {\"depth_m\": 2}";
    PlanDocument before = read(storeys(1, BOX + bands, ""));
    PlanDocument after =
        changed(before, storeys(1, BOX.replace("[10,0],", "[10,0],[12,3],") + bands, ""));
    assertThat(key(after, "S0", 5, 1)).isEqualTo(key(before, "S0", 5, 1));
    assertThat(key(after, "S0", 5, 7)).isEqualTo(key(before, "S0", 5, 7));
    assertThat(key(after, "S0", 1, 4)).isEqualTo(key(before, "S0", 1, 4));
    assertThat(key(after, "S0", 5, 4)).isEqualTo(key(before, "S0", 5, 4));
    assertThat(keys(after)).hasSize(6).containsAll(keys(before));
  }

  @Test
  void theSheetSaysRoomsAndOpenings() throws UnreadableException {
    PlanDocument d =
        read(
            storeys(
                1,
                BOX + ", \"spaces\": [{\"at\": [1,1], \"name\": \"Store\"}]",
                "\"glazing\": [{\"id\": \"w1\", \"by\": \"hand\", \"storey\": \"S0\", \"at\": [5,0.01], \"width_m\": 1.2}],"));
    PlanSheet s = PlanSheet.of(d, PlanEnvelope.of(d, Rules.standard()), Rules.standard());
    DrawnRoom r = s.rooms().get(0);
    assertThat(r.area()).isCloseTo(80, within(1e-9));
    assertThat(r.rings().get(0)).hasSize(4);
    PlanSheet.DrawnOpening g = s.openings().get(0);
    assertThat(g.source()).isEqualTo("w1");
    assertThat(g.storey()).isEqualTo("S0");
    assertThat(g.from().distance(g.to())).isCloseTo(1.2, within(1e-9));
    assertThat(g.from().y()).isCloseTo(0, within(1e-9));
  }

  @Property(tries = 60, seed = "1905")
  void aDrawingThatDoesNotChangeNeedsNoKeys(@ForAll @LongRange(min = 0, max = 1L << 40) long seed) {
    String json = new RandomPlan(seed).json();
    PlanDocument before = read(json);
    PlanDocument after = changed(before, json);
    assertThat(new String(PlanWriter.write(after), StandardCharsets.UTF_8))
        .isEqualTo(new String(PlanWriter.write(before), StandardCharsets.UTF_8));
  }
}
