package yentra.core.library;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.InternalGains.GainSchedules;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.library.Library.LibraryConstruction;
import yentra.core.library.Library.LibraryFrame;
import yentra.core.library.Library.LibraryGlazing;
import yentra.core.library.Library.LibraryLayer;
import yentra.core.library.Library.LibraryMaterial;
import yentra.core.library.LibraryComparison.Imported;
import yentra.core.library.LibraryComparison.Status;

/** What comes in of what is known already: every value that differs is told, and nothing else. */
class LibraryComparisonTest {
  private static final LibraryMaterial WOOL =
      new LibraryMaterial("Mineral wool", "Insulation", 0.036, 40.0, 1030.0, null, "by hand");

  private static Library of(LibraryMaterial m) {
    return new Library(List.of(m), List.of(), List.of(), List.of(), List.of(), List.of());
  }

  private static Library of(LibraryConstruction c) {
    return new Library(List.of(), List.of(c), List.of(), List.of(), List.of(), List.of());
  }

  private static Library of(LibraryGlazing g) {
    return new Library(List.of(), List.of(), List.of(g), List.of(), List.of(), List.of());
  }

  private static Library of(LibraryFrame f) {
    return new Library(List.of(), List.of(), List.of(), List.of(f), List.of(), List.of());
  }

  private static Library of(SpaceUse u) {
    return new Library(List.of(), List.of(), List.of(), List.of(), List.of(u), List.of());
  }

  private static Library of(LibrarySchedule s) {
    return new Library(List.of(), List.of(), List.of(), List.of(), List.of(), List.of(s));
  }

  private static Imported one(Library own, Library incoming) {
    List<Imported> all = LibraryComparison.of(own, incoming);
    assertThat(all).hasSize(1);
    return all.get(0);
  }

  private static void differs(Library own, Library incoming, String... how) {
    Imported i = one(own, incoming);
    assertThat(i.differences()).containsExactly(how);
    assertThat(i.status()).isEqualTo(how.length == 0 ? Status.EQUAL : Status.DIFFERENT);
  }

  private static LibraryMaterial wool(
      Double conductivity, Double density, Double heat, Double resistance) {
    return new LibraryMaterial(
        " mineral  WOOL", "Other", conductivity, density, heat, resistance, "elsewhere");
  }

  @Test
  void aKnownMaterialIsKnownHoweverItsNameIsWritten() {
    differs(of(WOOL), of(wool(0.036, 40.0, 1030.0, null)));
    differs(of(WOOL), of(wool(0.034, 40.0, 1030.0, null)), "conductivity 0.036 → 0.034 W/mK");
    differs(of(WOOL), of(wool(0.036, 30.0, 1030.0, null)), "density 40 → 30 kg/m³");
    differs(of(WOOL), of(wool(0.036, 40.0, null, null)), "specific heat 1030 → none J/kgK");
    differs(of(WOOL), of(wool(0.036, 40.0, 1030.0, 2.5)), "resistance none → 2.5 m²K/W");
    // the last digit of a number that was written and read
    differs(of(WOOL), of(wool(Math.nextUp(0.036), 40.0, 1030.0, null)));
    Imported other =
        one(of(WOOL), of(new LibraryMaterial("Cork", "", 0.04, null, null, null, "by hand")));
    assertThat(other.status()).isEqualTo(Status.NEW);
    assertThat(other.differences()).isEmpty();
    assertThat(other.id()).isEqualTo("material:cork");
    assertThat(other.kind()).isEqualTo("material");
  }

  private static LibraryConstruction wall(String use, Double u, LibraryLayer... layers) {
    return new LibraryConstruction("Wall", use, List.of(layers), u, "by hand");
  }

  @Test
  void constructions() {
    LibraryLayer brick = new LibraryLayer("Brick", 0.1, null);
    LibraryLayer wool = new LibraryLayer("Wool", 0.12, 0.85);
    Library own = of(wall("Exterior wall", null, brick, wool));
    differs(own, of(wall("Exterior wall", null, brick, new LibraryLayer("WOOL", 0.12, 0.85))));
    differs(own, of(wall("Roof", null, brick, wool)), "meant for Exterior wall → Roof");
    differs(own, of(wall("Exterior wall", 0.3, brick, wool)), "U-value none → 0.3 W/m²K");
    differs(own, of(wall("Exterior wall", null, brick)), "2 → 1 layers");
    differs(
        own,
        of(
            wall(
                "Exterior wall",
                null,
                new LibraryLayer("Stone", 0.1, null),
                new LibraryLayer("Wool", 0.14, 0.9))),
        "layer 1 Brick → Stone",
        "thickness of layer 2 0.12 → 0.14 m",
        "share of layer 2 0.85 → 0.9");
    assertThat(one(own, own).kind()).isEqualTo("construction");
  }

  @Test
  void windowTypesAndFrames() {
    Library own = of(new LibraryGlazing("Double", "", 1.1, 0.6, 0.8, ""));
    differs(own, of(new LibraryGlazing("Double", "x", 1.1, 0.6, 0.8, "y")));
    differs(
        own,
        of(new LibraryGlazing("Double", "", 1.0, 0.5, 0.7, "")),
        "U-value 1.1 → 1 W/m²K",
        "solar heat gain 0.6 → 0.5",
        "visible transmittance 0.8 → 0.7");
    assertThat(one(own, own).kind()).isEqualTo("window type");
    Library frames = of(new LibraryFrame("Ash", 1.8, 0.06, 0.08, ""));
    differs(
        frames,
        of(new LibraryFrame("Ash", 1.7, null, 0.09, "")),
        "U-value 1.8 → 1.7 W/m²K",
        "ψ uncoated 0.06 → none W/mK",
        "ψ coated 0.08 → 0.09 W/mK");
    assertThat(one(frames, frames).kind()).isEqualTo("frame");
  }

  private static SpaceUse use(List<String> words, double v, GainSchedules times) {
    return new SpaceUse("Boat hall", words, v, v, v, v, v, v, v, v, v, times, "by hand");
  }

  @Test
  void usesTellEveryValue() {
    Library own = of(use(List.of("boat", "hall"), 1, new GainSchedules("p", "l", "e")));
    differs(own, of(use(List.of("boat", "hall"), 1, new GainSchedules("p", "l", "e"))));
    Imported all = one(own, of(use(List.of("boat"), 2, new GainSchedules("q", null, "f"))));
    assertThat(all.differences())
        .containsExactly(
            "words boat;hall → boat",
            "area per person 1 → 2 m²",
            "sensible heat 1 → 2 W",
            "latent heat 1 → 2 W",
            "light 1 → 2 W/m²",
            "equipment 1 → 2 W/m²",
            "outdoor air per person 1 → 2 l/s",
            "outdoor air per area 1 → 2 l/(s·m²)",
            "heated to 1 → 2 °C",
            "cooled to 1 → 2 °C",
            "schedule of people p → q",
            "schedule of light l → none",
            "schedule of equipment e → f");
    assertThat(all.kind()).isEqualTo("use");
  }

  @Test
  void schedules() {
    ScheduleProfile day = ScheduleProfile.always("Day", ScheduleProfile.FRACTION, List.of(0.5));
    Library own = of(new LibrarySchedule(day, ""));
    differs(own, of(new LibrarySchedule(day, "elsewhere")));
    differs(
        own,
        of(
            new LibrarySchedule(
                ScheduleProfile.always("Day", ScheduleProfile.FRACTION, List.of(0.6)), "")),
        "other values");
    differs(
        own,
        of(
            new LibrarySchedule(
                ScheduleProfile.always("Day", ScheduleProfile.ON_OFF, List.of(0.5)), "")),
        "other values");
    assertThat(one(own, own).kind()).isEqualTo("schedule");
  }

  /** What is chosen replaces the own in its place; what is not stays; what is new comes last. */
  @Test
  void onlyWhatIsChosenIsTaken() {
    LibraryMaterial cork = new LibraryMaterial("Cork", "", 0.04, null, null, null, "");
    LibraryMaterial hemp = new LibraryMaterial("Hemp", "", 0.07, null, null, null, "");
    Library own =
        new Library(List.of(WOOL, cork), List.of(), List.of(), List.of(), List.of(), List.of());
    LibraryMaterial better = wool(0.032, 40.0, 1030.0, null);
    Library incoming =
        new Library(List.of(hemp, better), List.of(), List.of(), List.of(), List.of(), List.of());
    assertThat(LibraryComparison.with(own, incoming, Set.of()).materials())
        .containsExactly(WOOL, cork);
    assertThat(LibraryComparison.with(own, incoming, Set.of("material:mineral wool")).materials())
        .containsExactly(better, cork);
    assertThat(LibraryComparison.with(own, incoming, Set.of("material:hemp")).materials())
        .containsExactly(WOOL, cork, hemp);
  }
}
