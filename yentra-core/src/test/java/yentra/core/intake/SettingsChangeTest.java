package yentra.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;

/** What the log says of a change of settings. */
class SettingsChangeTest {
  private static ProjectSettings at(Double latitude, Double longitude, Double ground) {
    return new ProjectSettings(
        null, latitude, longitude, null, null, ground, null, null, null, Map.of());
  }

  @Test
  void aPlaceIsSaidByItsHalvesOfTheGlobe() {
    assertThat(SettingsChange.describe(ProjectSettings.NONE, at(-33.9, -18.4, null)))
        .isEqualTo("Sets the place to 33.9° south, 18.4° west.");
    assertThat(SettingsChange.describe(at(-33.9, -18.4, null), at(54.25, 3.0, null)))
        .isEqualTo("Sets the place to 54.25° north, 3° east.");
    assertThat(SettingsChange.describe(at(54.25, 3.0, null), ProjectSettings.NONE))
        .isEqualTo("Leaves the place to the delivery.");
  }

  @Test
  void onlyWhatDiffersIsSaid() {
    assertThat(SettingsChange.describe(at(1.0, 2.0, null), at(1.0, 2.0, -0.5)))
        .contains("ground level", "-0.5 m")
        .doesNotContain("place");
  }
}
