package yentra.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import yentra.demo.DemoFiles;
import yentra.demo.MarramClimate;

/** Climate, junctions, loads and estimates as a script sees them. */
class EstimateCommandsTest {
  @TempDir Path dir;
  private Path model;
  private Path faulty;
  private Path weather;

  @BeforeEach
  void files() throws IOException {
    model = Files.write(dir.resolve("sound.xml"), DemoFiles.soundGbxml());
    faulty = Files.write(dir.resolve("faulty.xml"), DemoFiles.faultyGbxml());
    weather = Files.write(dir.resolve("coast.epw"), MarramClimate.epw());
  }

  @Test
  void climate() throws IOException {
    JsonNode j = CommandRun.of("climate", "--format", "json", weather).json();
    assertThat(j.get("location").get("latitude").asDouble()).isEqualTo(54.1);
    assertThat(j.get("hours").asInt()).isEqualTo(8760);
    assertThat(j.get("dryBulb_C").get("monthly")).hasSize(12);
    assertThat(j.get("heatingDegreeDays_Kd").get("base18").asDouble()).isBetween(2500.0, 3500.0);
    assertThat(j.get("windRose")).hasSize(16);
    assertThat(j.get("ground_C")).hasSize(12);
    assertThat(j.get("missing").get("dryBulb").asInt()).isZero();
    assertThat(CommandRun.of("climate", weather).out())
        .contains("54.10° N, 3.30° W")
        .contains("Degree days");
    Path bad = Files.writeString(dir.resolve("bad.epw"), "LOCATION,x\n");
    CommandRun r = CommandRun.of("climate", bad);
    assertThat(r.exit()).isEqualTo(2);
    assertThat(r.err()).contains("LOCATION needs ten fields").contains("line 1");
  }

  @Test
  void junctions() {
    JsonNode j = CommandRun.of("junctions", "--format", "json", "--psi", "C=0.02", model).json();
    double sum = 0;
    for (JsonNode x : j.get("junctions")) {
      assertThat(x.get("length_m").asDouble()).isPositive();
      assertThat(x.get("spaces").size()).isBetween(1, 2);
      boolean corner = x.get("type").asString().equals("C");
      assertThat(x.get("psiSource").asString()).isEqualTo(corner ? "stated" : "default");
      sum += x.get("length_m").asDouble() * x.get("psi_W_mK").asDouble();
    }
    double totals = 0;
    for (JsonNode t : j.get("totals")) {
      totals += t.get("H_W_K").asDouble();
    }
    assertThat(totals).isCloseTo(sum, within(1e-9));
    assertThat(CommandRun.of("junctions", model).out()).contains("linear thermal bridges");
  }

  @Test
  void loads() {
    JsonNode j =
        CommandRun.of(
                "loads", "--format", "json", "--heating-outdoor", "-5", "--weather", weather, model)
            .json();
    assertThat(j.get("heating").get("outdoor_C").asDouble()).isEqualTo(-5);
    assertThat(j.get("heating").get("total_W").asDouble()).isBetween(10_000.0, 40_000.0);
    for (JsonNode s : j.get("heating").get("spaces")) {
      double sum =
          s.get("transmission_W").asDouble()
              + s.get("ventilation_W").asDouble()
              + s.get("reheat_W").asDouble();
      assertThat(s.get("total_W").asDouble()).isCloseTo(Math.max(0, sum), within(1e-6));
    }
    for (JsonNode s : j.get("cooling").get("spaces")) {
      double sum =
          s.get("solar_W").asDouble()
              + s.get("internal_W").asDouble()
              + s.get("conduction_W").asDouble()
              + s.get("ventilation_W").asDouble();
      assertThat(s.get("peak_W").asDouble()).isCloseTo(sum, within(1e-6));
    }
    assertThat(CommandRun.of("loads", "--weather", weather, model).out())
        .contains("Visitor gallery")
        .contains("W/m²");
  }

  @Test
  void anEstimateWithItsHours() throws IOException {
    Path settings =
        Files.writeString(
            dir.resolve("s.json"),
            "{\"gains_W_m2\": 3, \"spaces\": {\"sp-gallery\": {\"setPoints\": {\"heating_C\": 18, \"cooling_C\": 24}}}}");
    Path hours = dir.resolve("hours.csv");
    CommandRun r =
        CommandRun.of(
            "estimate",
            "--format",
            "json",
            "--weather",
            weather,
            "--settings",
            settings,
            "--hourly",
            hours,
            model);
    assertThat(r.err()).isEmpty();
    assertThat(r.exit()).isZero();
    JsonNode j = r.json();
    assertThat(j.get("method").asString()).isEqualTo("hourly");
    assertThat(j.get("balanceError").asDouble()).isLessThan(1e-8);
    double zones = 0;
    for (JsonNode z : j.get("zones")) {
      zones += z.get("heating_kWh").asDouble();
    }
    assertThat(j.get("annual_kWh").get("heating").asDouble()).isCloseTo(zones, within(1e-6));
    double months = 0;
    for (JsonNode m : j.get("monthly_kWh").get("heating")) {
      months += m.asDouble();
    }
    assertThat(months).isCloseTo(zones, within(1e-6));
    List<String> rows = Files.readAllLines(hours);
    assertThat(rows.get(0))
        .isEqualTo("hour,zone,air_C,operative_C,heating_W,cooling_W,solar_W,internal_W");
    assertThat(rows).hasSize(1 + 8760 * j.get("zones").size());
    Map<String, Double> sums = new TreeMap<>();
    for (String row : rows.subList(1, rows.size())) {
      String[] f = row.split(",");
      sums.merge(f[1], Double.parseDouble(f[4]) / 1000, Double::sum);
    }
    for (JsonNode z : j.get("zones")) {
      double kWh = z.get("heating_kWh").asDouble();
      assertThat(sums.get(z.get("id").asString())).isCloseTo(kWh, within(1e-4 * (1 + kWh)));
    }
  }

  @Test
  void whatIsMissingIsNamedOrAssumed() {
    CommandRun r = CommandRun.of("estimate", "--weather", weather, faulty);
    assertThat(r.exit()).isEqualTo(1);
    assertThat(r.out()).isEmpty();
    assertThat(r.err()).contains("no U-value:").contains("--assume-missing");
    CommandRun assumed =
        CommandRun.of("estimate", "--assume-missing", "--weather", weather, faulty);
    assertThat(assumed.exit()).isZero();
    assertThat(assumed.out()).contains("Assumed:").contains("library's");
  }

  /** AC14-FZK-Haus of Debian's assimp-testmodels states no U-values at all. */
  @Test
  void theRealHouseRunsWithWhatIsMissingAssumed() {
    Path house = Path.of("/usr/share/assimp/models/IFC/AC14-FZK-Haus.ifc");
    Assumptions.assumeTrue(Files.exists(house), "assimp-testmodels is not installed");
    CommandRun r =
        CommandRun.of(
            "estimate", "--assume-missing", "--format", "json", "--weather", weather, house);
    assertThat(r.exit()).isZero();
    JsonNode j = r.json();
    assertThat(j.get("zones")).hasSize(7);
    assertThat(j.get("perArea_kWh_m2").asDouble()).isBetween(40.0, 120.0);
    assertThat(j.get("balanceError").asDouble()).isLessThan(1e-8);
    assertThat(j.get("assumptions").toString()).contains("without a U-value have the library");
    double heating = j.get("annual_kWh").get("heating").asDouble();
    assertThat(j.get("secondOpinion").get("heating_kWh").asDouble())
        .as("all spaces are heated alike: the monthly method must agree")
        .isCloseTo(heating, within(0.1 * heating));
  }

  @Test
  void wrongSettingsExitWithTwo() throws IOException {
    Path settings = Files.writeString(dir.resolve("s.json"), "{\"spaces\": {\"nobody\": {}}}");
    CommandRun r = CommandRun.of("estimate", "--weather", weather, "--settings", settings, model);
    assertThat(r.exit()).isEqualTo(2);
    assertThat(r.err()).contains("spaces.nobody: the model has no space with this id");
    assertThat(CommandRun.of("loads", "--weather", dir.resolve("none.epw"), model).err())
        .contains("There is no file");
  }
}
