package yentra.core.envelope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yentra.core.envelope.ScheduleProfile.Day;
import yentra.core.envelope.ScheduleProfile.Period;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/** What an envelope finds by its keys, what a surface is by its sides, what a note says. */
class EnvelopeTest {
  private static final Polygon PANE = Polygon.of(v(1, 0, 1), v(2, 0, 1), v(2, 0, 2), v(1, 0, 2));

  @Test
  void allIsFoundByItsKeyAndNothingByAnother() {
    Envelope e = rooms().withOrphans(List.of(window("stray", PANE)));
    assertThat(e.space("b")).map(Space::name).contains("East");
    assertThat(e.surface("between")).isPresent();
    assertThat(e.construction("con-1")).map(Construction::label).contains("Brick wall");
    assertThat(e.material("mat-1")).map(Material::name).contains("Brick");
    assertThat(e.glazing("glass-1")).map(Glazing::label).contains("Double glazing");
    assertThat(e.opening("win")).map(Opening::key).contains("win");
    assertThat(e.opening("stray")).map(Opening::key).contains("stray");
    assertThat(e.parentOf("win")).map(Surface::key).contains("a-south");
    assertThat(e.parentOf("stray")).isEmpty();
    assertThat(e.storey("st-1")).map(Storey::name).contains("Ground floor");
    assertThat(e.zone("z-1")).map(Zone::name).contains("House");
    assertThat(e.zone(null)).isEmpty();
    // what is found goes with its list from one envelope to the next, and not beyond it
    assertThat(e.withZones(List.of()).zone("z-1")).isEmpty();
    assertThat(e.withSurfaces(List.of()).zone("z-1")).isPresent();
    for (String no : List.of("", "nothing", "A-SOUTH")) {
      assertThat(e.storey(no)).isEmpty();
      assertThat(e.zone(no)).isEmpty();
      assertThat(e.space(no)).isEmpty();
      assertThat(e.surface(no)).isEmpty();
      assertThat(e.construction(no)).isEmpty();
      assertThat(e.material(no)).isEmpty();
      assertThat(e.glazing(no)).isEmpty();
      assertThat(e.opening(no)).isEmpty();
    }
    assertThat(e.openingCount()).isEqualTo(2);
    Glazing nameless = new Glazing("g", "", 1.0, 0.5, 0.7, SourceRef.REPAIR, Extras.NONE);
    assertThat(nameless.label()).isEqualTo("g");
    assertThat(e.withGlazings(List.of(nameless)).glazing("g")).contains(nameless);
  }

  /** However it came to be, an envelope finds what one that is made anew from its parts finds. */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void whatWasTakenOutAndReplacedIsFoundAsAnew(long seed) {
    Envelope e = rooms();
    List<String> keys = e.surfaces().stream().map(Surface::key).toList();
    Random random = new Random(seed);
    for (int i = 0; i < 12; i++) {
      String key = keys.get(random.nextInt(keys.size()));
      e =
          switch (random.nextInt(3)) {
            case 0 -> e.withoutSurface(key);
            case 1 -> e.replacing(key, s -> s.withOpenings(List.of()));
            default -> e.withNotes(List.of());
          };
      Envelope anew = Envelope.of(e.parts());
      for (String k : keys) {
        assertThat(e.surface(k)).as(k).isEqualTo(anew.surface(k));
      }
      assertThat(e.parentOf("win")).isEqualTo(anew.parentOf("win"));
      assertThat(e.opening("win")).isEqualTo(anew.opening("win"));
    }
  }

  private static Envelope ifc() {
    Envelope e = rooms();
    Envelope.Parts p =
        e.parts()
            .withDelivered(Delivered.si(Delivered.IFC, "IFC4", Vec3.ZERO))
            .withSpaces(
                List.of(
                    e.spaces()
                        .get(0)
                        .with()
                        .source(new SourceRef("IfcSpace", "0guid", "", 1, 1))
                        .build(),
                    e.spaces()
                        .get(1)
                        .with()
                        .source(new SourceRef("IfcSpace", "", "", 1, 1))
                        .build()));
    return Envelope.of(p)
        .replacing(
            "a-roof",
            s ->
                s.with()
                    .kind(BoundaryKind.FACE)
                    .source(new SourceRef("IfcSlab", "1g", "", 1, 1))
                    .build())
        .replacing(
            "b-roof",
            s -> s.with().source(new SourceRef("IfcRelSpaceBoundary", "2g", "", 1, 1)).build());
  }

  /** In gbXML the key is the id; in IFC the GlobalId is, where the object has one of its own. */
  @Test
  void theIdInTheFile() {
    assertThat(rooms().fileId("a")).isEqualTo("a");
    assertThat(ifc().fileId("a")).isEqualTo("0guid");
    assertThat(ifc().fileId("b")).isEqualTo("b");
    assertThat(ifc().fileId("b-roof")).isEqualTo("2g");
    // a face found by us has no id of its own: its source is that of an element
    assertThat(ifc().fileId("a-roof")).isEqualTo("a-roof");
    assertThat(ifc().fileId("win")).isEqualTo("win");
    assertThat(ifc().fileId("nothing")).isEqualTo("nothing");
  }

  @Test
  void whatIsOutTakesItsOpenings() {
    Envelope e = rooms().withOrphans(List.of(window("stray", PANE), window("other", PANE)));
    Envelope in = e.within(k -> !k.equals("stray") && !k.equals("win"));
    assertThat(in.orphans()).extracting(Opening::key).containsExactly("other");
    assertThat(in.surface("a-south").orElseThrow().openings()).isEmpty();
    assertThat(e.within(k -> true).openingCount()).isEqualTo(3);
  }

  private static ReadNote twice(String value, int count) {
    return ReadNote.of(ReadNote.Kind.DUPLICATE_ID, "An id is used twice.")
        .about("x")
        .on("id", value)
        .times(count);
  }

  @Test
  void notesGoWithWhatTheyAreAbout() {
    ReadNote about = ReadNote.of(ReadNote.Kind.UNKNOWN_SCHEMA, "m").about("b-roof");
    ReadNote other = ReadNote.of(ReadNote.Kind.UNKNOWN_SCHEMA, "m").about("a-roof");
    Envelope e =
        rooms()
            .withNotes(
                List.of(about, other, twice("b-roof", 2), twice("b-roof", 3), twice("q", 2)));
    Envelope left = e.withoutSurface("b-roof");
    assertThat(left.surface("b-roof")).isEmpty();
    assertThat(left.notes()).containsExactly(other, twice("b-roof", 3), twice("q", 2));
    assertThat(e.withoutNotesOn("nothing", "nothing")).isSameAs(e);
    assertThat(e.withoutSurface("nothing")).isSameAs(e);
    // and the notes on its openings
    Envelope f =
        rooms().withNotes(List.of(ReadNote.of(ReadNote.Kind.UNKNOWN_SCHEMA, "m").about("win")));
    assertThat(f.withoutSurface("a-south").notes()).isEmpty();
  }

  @Test
  void aNoteSaysWhereAndHowMuch() {
    ReadNote n =
        ReadNote.of(ReadNote.Kind.UNKNOWN_SCHEMA, "m")
            .about("a")
            .on("Area", "12")
            .measured(12.5)
            .times(3)
            .at(new int[] {7, 9})
            .naming(List.of("#12"));
    assertThat(n.object()).isEqualTo("a");
    assertThat(n.subject()).isEqualTo("Area");
    assertThat(n.value()).isEqualTo("12");
    assertThat(n.figure()).isEqualTo(12.5);
    assertThat(n.count()).isEqualTo(3);
    assertThat(n.line()).isEqualTo(7);
    assertThat(n.column()).isEqualTo(9);
    assertThat(n.names()).containsExactly("#12");
  }

  private static Surface wall() {
    return rooms().surface("a-south").orElseThrow();
  }

  @Test
  void aSurfaceIsWhatItsSidesMakeIt() {
    Surface between = rooms().surface("between").orElseThrow();
    assertThat(between.exposure()).isEqualTo(Exposure.SPACE);
    assertThat(between.isAdjacentTo("a")).isTrue();
    assertThat(between.isAdjacentTo("c")).isFalse();
    assertThat(between.isWithinOneSpace()).isFalse();
    Side a = between.sides().get(0);
    assertThat(between.withSides(List.of(a, a)).isWithinOneSpace()).isTrue();
    assertThat(between.withSides(List.of(a)).isWithinOneSpace()).isFalse();
    assertThat(between.withSides(List.of(a)).exposure()).isEqualTo(Exposure.UNRESOLVED);
    // second level, type b: masonry behind it
    for (BoundaryKind k : List.of(BoundaryKind.DERIVED_2B, BoundaryKind.READ_2B)) {
      assertThat(between.with().sides(List.of(a)).kind(k).build().exposure())
          .isEqualTo(Exposure.ADIABATIC);
      assertThat(between.with().kind(k).build().exposure()).isEqualTo(Exposure.SPACE);
    }
    assertThat(wall().exposure()).isEqualTo(Exposure.OUTDOOR);
    assertThat(between.face(1)).isEqualTo(between.polygon().reversed());
    assertThat(between.face(0)).isEqualTo(between.polygon());
  }

  @Test
  void openingsAreTakenFromTheArea() {
    assertThat(wall().netArea()).isCloseTo(12 - 2.4, within(1e-12));
    Surface two = wall().withOpenings(List.of(wall().openings().get(0), window("w2", PANE)));
    assertThat(two.netArea()).isCloseTo(12 - 2.4 - 1, within(1e-12));
    Surface all = wall().withOpenings(List.of(window("w", wall().polygon()), window("x", PANE)));
    assertThat(all.netArea()).isZero();
    assertThat(wall().withoutOpenings().stream().mapToDouble(Polygon::area).sum())
        .isCloseTo(9.6, within(1e-9));
    Polygon line = Polygon.of(List.of(v(0, 0, 0), v(1, 0, 0)));
    assertThat(
            wall().withOpenings(List.of(window("l", line))).withoutOpenings().stream()
                .mapToDouble(Polygon::area)
                .sum())
        .isCloseTo(12, within(1e-9));
    assertThat(wall().withPolygon(line, wall().sides()).withoutOpenings()).isEmpty();
  }

  @Test
  void anAirBoundaryThatIsNoneBecomesAWallOrSlab() {
    Surface air = rooms().surface("between").orElseThrow().withType(SurfaceType.AIR);
    SurfaceTypes t = SurfaceTypes.STANDARD;
    assertThat(air.withKind(BoundaryKind.VIRTUAL, t).type()).isEqualTo(SurfaceType.AIR);
    assertThat(air.withKind(BoundaryKind.READ, t).type()).isEqualTo(SurfaceType.INTERIOR_WALL);
    assertThat(air.withKind(BoundaryKind.READ, t).kind()).isEqualTo(BoundaryKind.READ);
    assertThat(wall().withKind(BoundaryKind.VIRTUAL, t).type())
        .isEqualTo(SurfaceType.EXTERIOR_WALL);
  }

  @ParameterizedTest
  @CsvSource({"0, 0, 0", "350, 20, 10", "10, -20, 350", "0, -360, 0", "90, 300, 30"})
  void azimuthsFromTrueNorth(double model, double north, double azimuth) {
    Site s = new Site("", null, null, null, north, Extras.NONE);
    assertThat(s.fromTrueNorth(model)).isCloseTo(azimuth, within(1e-12));
    assertThat(Site.UNKNOWN.fromTrueNorth(model)).isEqualTo(model);
  }

  @Test
  void sharesOfALayerAreOneWhereNoneIsSaid() {
    Layer plain = new Layer("l", "", List.of("m", "n"), SourceRef.REPAIR, Extras.NONE);
    assertThat(plain.share(0)).isEqualTo(1);
    assertThat(plain.share(1)).isEqualTo(1);
    Layer shared =
        new Layer("l", "", List.of("m", "n"), List.of(0.85, 0.15), SourceRef.REPAIR, Extras.NONE);
    assertThat(shared.share(0)).isEqualTo(0.85);
    assertThat(shared.share(1)).isEqualTo(0.15);
    assertThat(shared.share(2)).isEqualTo(1);
  }

  private static String problem(String name, String type, Period... periods) {
    return new ScheduleProfile(name, type, List.of(periods)).problem();
  }

  private static Period year(Day... days) {
    return new Period("01-01", "12-31", List.of(days));
  }

  private static Day all(Double... values) {
    return new Day("All", List.of(values));
  }

  @Test
  void schedulesThatCannotBeUsedSayWhy() {
    String f = ScheduleProfile.FRACTION;
    assertThat(problem("x", f, year(all(0.0, 1.0)))).isNull();
    assertThat(problem("n".repeat(200), f, year(all(0.5)))).isNull();
    assertThat(problem("n".repeat(201), f, year(all(0.5)))).contains("at most 200");
    assertThat(problem(" ", f, year(all(0.5)))).contains("needs a name");
    assertThat(problem(null, f, year(all(0.5)))).contains("needs a name");
    assertThat(problem("x", " ", year(all(0.5)))).startsWith("Say what kind");
    assertThat(problem("x", null, year(all(0.5)))).startsWith("Say what kind");
    assertThat(problem("x", f)).contains("1 to 60 parts");
    assertThat(
            problem(
                "x",
                f,
                new Period("01-01", "06-30", List.of(all(0.5))),
                new Period("07-01", "06-30", List.of(all(0.5)))))
        .contains("ends before it begins");
    assertThat(problem("x", f, year(all(0.5), all(0.6)))).isEqualTo("All is there twice.");
    assertThat(problem("x", f, year(all(-0.01)))).contains("no fraction from 0 to 1");
    assertThat(problem("x", f, year(all(1.01)))).contains("no fraction from 0 to 1");
    assertThat(problem("x", ScheduleProfile.ON_OFF, year(all(1.0, 0.0)))).isNull();
    assertThat(problem("x", ScheduleProfile.ON_OFF, year(all(0.5)))).contains("no 0 or 1");
    String t = ScheduleProfile.TEMPERATURE;
    assertThat(problem("x", t, year(all(-50.0, 100.0)))).isNull();
    assertThat(problem("x", t, year(all(-50.1)))).contains("temperature from -50 to 100");
    assertThat(problem("x", t, year(all(100.1)))).contains("temperature from -50 to 100");
    assertThat(problem("x", "Other", year(all(1e9)))).isNull();
    assertThat(problem("x", "Other", year(all(Double.NaN)))).contains("no number");
  }

  @Test
  void hoursOfAYearAreKnownOnlyWhereEveryDayIs() {
    ScheduleProfile half =
        new ScheduleProfile(
            "x",
            ScheduleProfile.FRACTION,
            List.of(new Period("01-01", "06-30", List.of(all(1.0)))));
    assertThat(half.hours(2018)).isEmpty();
    ScheduleProfile whole = ScheduleProfile.always("x", ScheduleProfile.FRACTION, List.of(0.5));
    assertThat(whole.hours(2018).orElseThrow()).isCloseTo(4380, within(1e-9));
  }
}
