package yentra.core.estimate.setting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.nio.charset.StandardCharsets;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.UnreadableException;
import yentra.core.solar.Transposition;

class SettingsReaderTest {
  private static final String ALL =
      """
      {"airChange_1_h": 0.5, "setPoints": {"heating_C": 20, "cooling_C": null}, "gains_W_m2": 4,
       "conditioned": true, "groundTemperature_C": 10, "solar": false, "thermalBridges": false,
       "setPointOf": "air", "convectiveShare": {"heating": 1, "solar": 0.2}, "sky": "isotropic",
       "groundReflectance": 0.3, "absorptance": 0.7, "heatRecovery": 0.8, "ground": "clay",
       "unconditionedAirChange_1_h": 1, "psi": {"C": 0.05},
       "systems": {"heating": {"carrier": "electricity", "efficiency": 3.5}, "cooling": 4,
         "hotWater": {"carrier": "electricity", "efficiency": 1}, "fans_W_l_s": 1,
         "carriers": {"electricity": {"cost_kWh": 0.3, "carbon_kg_kWh": 0.1}}},
       "spaces": {"A": {"setPoints": {"heating_C": 16}, "limits": {"heating_W_m2": 50}}}}
      """;

  private static EstimateSettings read(String text) throws UnreadableException {
    return SettingsReader.read(
        text.getBytes(StandardCharsets.UTF_8), id -> id.equals("A") ? "a" : null);
  }

  private static UnreadableException refused(String text) {
    return catchThrowableOfType(UnreadableException.class, () -> read(text));
  }

  @Test
  void everythingIsRead() throws Exception {
    EstimateSettings s = read(ALL);
    assertThat(s.all().airChange()).isEqualTo(0.5);
    assertThat(s.all().cooling()).isNaN();
    assertThat(s.groundTemperature()).isEqualTo(10);
    assertThat(s.sun()).isFalse();
    assertThat(s.thermalBridges()).isFalse();
    assertThat(s.setPointOf()).isEqualTo(EstimateSettings.SetPointOf.AIR);
    assertThat(s.shares()).isEqualTo(new EstimateSettings.ConvectiveShares(1, 0.4, 0.4, 0.2));
    assertThat(s.sky()).isEqualTo(Transposition.Sky.ISOTROPIC);
    assertThat(s.heatRecovery()).isEqualTo(0.8);
    assertThat(s.psi())
        .containsExactly(java.util.Map.entry(yentra.core.junction.JunctionType.C, 0.05));
    assertThat(s.heatLoss().airChanges()).isEqualTo(1);
    assertThat(s.systems().heating().efficiency()).isEqualTo(3.5);
    assertThat(s.systems().carriers().get(Systems.Carrier.ELECTRICITY).carbon()).isEqualTo(0.1);
    SpaceSettings a = s.of("a");
    assertThat(a.heating()).isEqualTo(16);
    assertThat(a.cooling()).as("from those for all").isNaN();
    assertThat(a.heatingLimit()).isEqualTo(50);
    assertThat(s.of("b").heating()).isEqualTo(20);
  }

  @Test
  void nothingIsTheStandard() throws Exception {
    assertThat(read("{}")).isEqualTo(EstimateSettings.STANDARD);
    assertThat(read("{\"convectiveShare\": 1}").shares().sun()).isEqualTo(1);
  }

  @Test
  void whatIsWrongIsSaidWithItsPlace() {
    assertThat(refused("{\"setPoint\": 20}")).hasMessageContaining("setPoint is not known");
    UnreadableException e = refused("{\n \"airChange_1_h\": -1}");
    assertThat(e).hasMessageContaining("airChange_1_h: -1 is outside 0 to 200");
    assertThat(e.line()).isEqualTo(2);
    assertThat(refused("{\"setPoints\": {\"heating_C\": 27, \"cooling_C\": 26}}"))
        .hasMessageContaining("must not be above");
    assertThat(refused("{\"spaces\": {\"B\": {}}}"))
        .hasMessageContaining("spaces.B: the model has no space");
    assertThat(refused("{\"systems\": {\"carriers\": {\"coal\": {}}}}"))
        .hasMessageContaining("coal is not known");
    assertThat(refused("{\"psi\": {\"X\": 1}}")).hasMessageContaining("X is not known");
    assertThat(refused("{\"sky\": \"grey\"}")).hasMessageContaining("isotropic, anisotropic");
    assertThat(refused("[1")).hasMessageContaining("The file of settings is not valid JSON");
  }

  @Test
  void brokenSettings() {
    byte[] good = ALL.getBytes(StandardCharsets.UTF_8);
    Random random = new Random(2026);
    for (int i = 0; i < 3000; i++) {
      byte[] b = good.clone();
      for (int k = 0; k <= random.nextInt(4); k++) {
        b[random.nextInt(b.length)] = (byte) random.nextInt(128);
      }
      try {
        assertThat(SettingsReader.read(b, id -> "a")).isNotNull();
      } catch (UnreadableException e) {
        assertThat(e.getMessage()).isNotBlank();
        assertThat(e.line()).isPositive();
      }
    }
  }
}
