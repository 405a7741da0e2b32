package yentra.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Convention;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.SurfaceTypes;

class ProjectSettingsTest {
  private static ProjectSettings place(Double latitude, Double longitude, Double north) {
    return new ProjectSettings(null, latitude, longitude, null, north, null, " ", null, null, null);
  }

  @Test
  void whatIsLeftBlankStaysAsDelivered() {
    Envelope e = Fixtures.rooms();
    assertThat(ProjectSettings.NONE.applyTo(e)).isSameAs(e);
    Envelope turned = place(null, null, 33.0).applyTo(e);
    assertThat(turned.site().northAzimuth()).isEqualTo(33.0);
    assertThat(turned.site().latitude()).isEqualTo(e.site().latitude());
    assertThat(turned.surfaces()).isEqualTo(e.surfaces());
  }

  @Test
  void valuesThatCannotBeAreRefused() {
    assertThatThrownBy(() -> place(90.1, 0.0, null).checked()).hasMessageContaining("latitude");
    assertThatThrownBy(() -> place(Double.NaN, 0.0, null).checked())
        .hasMessageContaining("latitude");
    assertThatThrownBy(() -> place(null, 7.0, null).checked()).hasMessageContaining("go together");
    assertThat(place(50.0, 7.0, null).checked().station()).as("a blank is nothing").isNull();
  }

  /** A degree of latitude on a sphere of 6,371 km: 6,371,000 × π ÷ 180 (closed form). */
  @Test
  void distancesAreThoseOnTheSphere() {
    WeatherStation s = new WeatherStation("A", 50, 10, 0, "");
    assertThat(s.distance(51, 10)).isCloseTo(6_371_000 * Math.PI / 180, within(1e-3));
    assertThat(s.distance(50, 10)).isZero();
    // to the other end of the world: half the way around
    assertThat(s.distance(-50, -170)).isCloseTo(6_371_000 * Math.PI, within(1.0));
  }

  @Test
  void boundariesAtTheirDefaultsAreNotKept() {
    ProjectSettings s =
        new ProjectSettings(
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            new ProjectSettings.Boundaries(
                BoundaryOptions.Mode.AUTO, Convention.INNER, false, 0.6, 60.0, 120.0),
            null);
    assertThat(s.checked()).isEqualTo(ProjectSettings.NONE);
    assertThat(s.boundaryOptions()).isEqualTo(BoundaryOptions.STANDARD);
    ProjectSettings.Boundaries b =
        new ProjectSettings.Boundaries(
            BoundaryOptions.Mode.DERIVE, Convention.CENTRE, true, 0.8, 50.0, null);
    ProjectSettings chosen =
        new ProjectSettings(null, null, null, null, null, null, null, null, b, null).checked();
    assertThat(chosen.boundaries()).isEqualTo(b);
    assertThat(chosen.boundaryOptions().convention()).isEqualTo(Convention.CENTRE);
    assertThat(chosen.boundaryOptions().derivation().absorb()).isFalse();
    assertThat(chosen.boundaryOptions().derivation().gapLimit()).isEqualTo(0.8);
    assertThat(chosen.boundaryOptions().derivation().types()).isEqualTo(new SurfaceTypes(50, 120));
    assertThat(chosen.limits())
        .containsEntry("ADJ-504.roof", 50.0)
        .containsEntry("ADJ-504.floor", 120.0);
    ProjectSettings.Boundaries flat =
        new ProjectSettings.Boundaries(null, null, null, null, 2.0, null);
    assertThatThrownBy(
            () ->
                new ProjectSettings(null, null, null, null, null, null, null, null, flat, null)
                    .checked())
        .hasMessage("The tilt of roofs must lie between 5 and 85°.");
  }
}
