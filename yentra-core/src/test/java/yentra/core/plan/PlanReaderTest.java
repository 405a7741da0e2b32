package yentra.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.nio.charset.StandardCharsets;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Rules;
import yentra.core.envelope.UnreadableException;

/** What plan documents are refused for, and that what is written is read again. */
class PlanReaderTest {
  private static UnreadableException refused(String json) {
    Throwable t = catchThrowable(() -> PlanReader.read(json.getBytes(StandardCharsets.UTF_8)));
    assertThat(t).isInstanceOf(UnreadableException.class);
    return (UnreadableException) t;
  }

  /** What is replaced in the description's document, by what, and what is said of it. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"yentraPlan\": 1|\"yentraPlan\": 2|yentraPlan: this version",
        "\"yentraPlan\": 1,||the member yentraPlan is missing",
        "\"height_m\": 3.4|\"height_m\": -1|storeys[0].height_m: -1 is outside 0.1 to 200",
        "\"height_m\": 3.4|\"height\": 3.4|storeys[0].height: the member height is not known here. Known are height_m, id, level_m, name",
        "\"name\": \"First\"|\"name\": \"Ground\"|storeys[1]: there are two storeys named Ground",
        "\"storey\": \"Ground\",|\"storey\": \"Cellar\",|floors[0].storey: there is no storey named Cellar. There are Ground, First.",
        "[24,12]|[24,12,3]|floors[0].outlines[0].corners[2]: has 3; at most 2 are read",
        "[24,12]|[24]|floors[0].outlines[0].corners[2]: has 1 of at least 2",
        "[24,12]|[24,\"a\"]|floors[0].outlines[0].corners[2][1]: a number is expected",
        "[24,12]|[24,1e9]|floors[0].outlines[0].corners[2][1]",
        "\"depth_m\": 4.5|\"depth_m\": 0|floors[0].bands.depth_m: 0 is outside",
        "\"kind\": \"gable\"|\"kind\": \"onion\"|roofs[0].kind: \"onion\" is not one of flat, shed, gable, hip",
        ", \"ridge_deg\": 90||roofs[0]: the member ridge_deg is missing",
        "\"space\": \"own\"|\"space\": \"mine\"|roofs[0].space",
        "\"ratio\": 0.40|\"ratio\": 40|glazing[0].ratio: 40 is outside 0 to 1",
        "\"head_m\": 2.7|\"head_m\": 0.7|glazing[0]: head_m must be above sill_m",
        "\"form\": \"band\"|\"form\": \"each\"|glazing[0]: the member bay_m is missing",
        "\"overhang_m\": 0.8|\"overhang_m\": 0|shading[0]: says neither",
        "\"plan.png\"|\"../plan.png\"|underlay[0].file",
        "\"copies\": [\"First\"]|\"copies\": [\"First\", \"First\"]|floors[0].copies[1]: the storey First is named twice",
        "\"latitude\": 54.1|\"latitude\": 95|place.latitude: 95 is outside -90 to 90",
      })
  void saysWhatIsWrongAndWhere(String what, String by, String message) {
    assertThat(PlanFixtures.STORE).contains(what);
    UnreadableException e = refused(PlanFixtures.STORE.replace(what, by == null ? "" : by));
    assertThat(e.getMessage()).contains(message);
    assertThat(e.line()).isPositive();
  }

  @Test
  void saysTheLine() {
    assertThat(refused(PlanFixtures.STORE.replace("\"ratio\": 0.40", "\"ratio\": 4")).line())
        .isEqualTo(15);
    UnreadableException e = refused("{\"yentraPlan\": 1,\n \"storeys\": [}");
    assertThat(e.getMessage()).contains("not valid JSON");
    assertThat(e.line()).isEqualTo(2);
  }

  @Test
  void refusesWhatIsTooMuch() {
    assertThat(refused("[".repeat(3000)).getMessage()).contains("not valid JSON");
    assertThat(refused("").getMessage()).isNotBlank();
    assertThat(refused("7").getMessage()).contains("an object");
    assertThat(refused("{\"a\": 1, \"a\": 2}").getMessage()).contains("uplicate");
    String corners = "[0,0],".repeat(600) + "[1,1]";
    assertThat(
            refused(PlanFixtures.storeys(1, "\"outlines\": [{\"corners\": [" + corners + "]}]", ""))
                .getMessage())
        .contains("at most 500");
    Throwable large = catchThrowable(() -> PlanReader.read(new byte[PlanReader.MOST_BYTES + 1]));
    assertThat(large).hasMessageContaining("20 MB");
  }

  @Test
  void idsAreGivenOnce() {
    String twice =
        PlanFixtures.storeys(
            1,
            "\"outlines\": [{\"id\": \"a\", \"corners\": [[0,0],[1,0],[1,1]]}, {\"id\": \"a\", \"corners\": [[0,0],[1,0],[1,1]]}]",
            "");
    assertThat(refused(twice).getMessage()).contains("the id a is given twice");
  }

  @Property(tries = 100, seed = "1905")
  void whatIsWrittenIsReadAgain(@ForAll @LongRange(min = 0, max = 1L << 40) long seed)
      throws UnreadableException {
    PlanDocument d = PlanFixtures.read(new RandomPlan(seed).json());
    byte[] bytes = PlanWriter.write(d);
    PlanDocument again = PlanReader.read(bytes);
    assertThat(PlanWriter.write(again)).isEqualTo(bytes);
    Envelope a = PlanEnvelope.of(d, Rules.standard());
    Envelope b = PlanEnvelope.of(again, Rules.standard());
    assertThat(a.surfaces().stream().map(s -> s.key() + s.polygon()).toList())
        .isEqualTo(b.surfaces().stream().map(s -> s.key() + s.polygon()).toList());
  }

  @Test
  void everyMemberIsWritten() throws UnreadableException {
    String all =
        """
        {"yentraPlan": 1, "name": "All", "place": {"name": "Here", "latitude": 1, "longitude": 2, "elevation_m": 3, "north_deg": 4},
         "ground_m": 0.5, "tolerance_m": 0.03, "storeys": [{"id": "s", "name": "S", "level_m": 0, "height_m": 3}, {"name": "T", "level_m": 3, "height_m": 3}],
         "floors": [{"id": "f", "storey": "S", "outlines": [{"id": "o", "corners": [[0,0],[9,0],[9,9],[0,9]], "holes": [[[3,3],[4,3],[4,4]]]}],
           "lines": [[[0,1],[9,1]], {"id": "l", "points": [[0,2],[9,2]], "air": true}], "bands": {"depth_m": 1}, "spaces": [{"id": "n", "at": [5,5], "name": "N", "use": "OfficeOpenPlan", "rises": ["T"]}], "copies": ["T"]}],
         "roofs": [{"id": "r", "storey": "T", "kind": "shed", "pitch_deg": 5, "ridge_deg": 10, "space": "joined"}],
         "glazing": [{"id": "g", "where": {"storeys": ["S"], "facing_deg": [10, 20], "spaces": ["N"], "roofs": true}, "ratio": 0.1, "sill_m": 1, "head_m": 2, "form": "each", "bay_m": 4}, {"by": "hand", "id": "h", "storey": "S", "at": [1,0], "type": "glazed-door", "width_m": 1, "sill_m": 0, "head_m": 2}],
         "shading": [{"id": "x", "where": {"storeys": ["*"]}, "overhang_m": 1, "fin_m": 2}, {"id": "y", "block": {"name": "B", "corners": [[20,0],[21,0],[21,1]], "level_m": 1, "height_m": 5}}],
         "underlay": [{"id": "u", "storey": "S", "file": "a.png", "scale_m_per_px": 0.01, "origin_px": [1,2], "turn_deg": 3}]}
        """;
    PlanDocument d = PlanFixtures.read(all);
    PlanDocument again = PlanReader.read(PlanWriter.write(d));
    assertThat(again)
        .usingRecursiveComparison()
        .ignoringFieldsMatchingRegexes(".*origin\\.line", ".*origin\\.column")
        .isEqualTo(d);
  }

  /** Bytes changed by chance give an envelope or a clear refusal, never anything else. */
  @Property(tries = 1500, seed = "1906")
  void spoiltDocumentsAreRefusedOrRead(@ForAll @LongRange(min = 0, max = 1L << 40) long seed) {
    Random random = new Random(seed);
    String json = random.nextBoolean() ? PlanFixtures.STORE : new RandomPlan(seed % 500).json();
    StringBuilder s = new StringBuilder(json);
    String with = "0123456789-.,[]{}\":eE abz\\";
    for (int i = 0; i < 1 + random.nextInt(4); i++) {
      int at = random.nextInt(s.length());
      switch (random.nextInt(3)) {
        case 0 -> s.setCharAt(at, with.charAt(random.nextInt(with.length())));
        case 1 -> s.deleteCharAt(at);
        default -> s.insert(at, with.charAt(random.nextInt(with.length())));
      }
    }
    try {
      PlanDocument d = PlanReader.read(s.toString().getBytes(StandardCharsets.UTF_8));
      assertThat(PlanEnvelope.of(d, Rules.standard()).spaces()).isNotEmpty();
    } catch (UnreadableException e) {
      assertThat(e.getMessage()).isNotBlank();
    }
  }
}
