package yentra.core.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.write;

import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yentra.core.Fixtures;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.check.run.Remedies;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Member;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Schedules;
import yentra.core.exchange.EnvelopeDifference;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.delivery.PointReference;
import yentra.core.repair.use.AmendSchedule;
import yentra.core.repair.use.GiveSchedule;
import yentra.core.repair.use.GiveSchedule.Purpose;

/** Schedules: what ships, how they are read and written, and how they are changed. */
class SchedulesTest {
  /** A year of 365 days that begins on a Monday: 261 weekdays and 104 days of weekends. */
  private static final int YEAR = 2018;

  private static ScheduleProfile shipped(String name) {
    return Library.shipped().schedule(name).orElseThrow().profile();
  }

  /** Daily sums as derived for the shipped shapes (shapes from memory, sums by addition). */
  @ParameterizedTest
  @CsvSource({
    "'Office, people', MONDAY, 6.00",
    "'Office, people', SUNDAY, 0",
    "'Office, equipment', MONDAY, 7.50",
    "'Office, light', MONDAY, 9.45",
    "'Dwelling, people', MONDAY, 14.40",
    "'Dwelling, people', SATURDAY, 20.80",
    "'Dwelling, equipment', SUNDAY, 14.30",
    "'Dwelling, light', MONDAY, 2.35",
    "Classroom, FRIDAY, 4.50",
    "Shop, SATURDAY, 8.10",
    "Shop, SUNDAY, 0",
    "Restaurant, SUNDAY, 7.20",
    "Guest room, MONDAY, 13.90",
    "Ward, MONDAY, 24",
    "Sports hall, SUNDAY, 7.70",
    "Always, MONDAY, 24",
    "'Office, heated to', MONDAY, 427.20",
    "'Office, cooled to', MONDAY, 672.00",
    "'Meeting room, people', MONDAY, 3.00"
  })
  void dailySumsOfWhatShips(String name, DayOfWeek day, double sum) {
    LocalDate date =
        LocalDate.of(YEAR, 3, 5).with(java.time.temporal.TemporalAdjusters.nextOrSame(day));
    assertThat(ScheduleProfile.daily(shipped(name).on(date))).isCloseTo(sum, within(1e-9));
  }

  /** 261 weekdays of 6 h; 261 of 14.4 h and 104 of 20.8 h. */
  @Test
  void fullLoadHoursOfAYear() {
    assertThat(shipped("Office, people").hours(YEAR).getAsDouble()).isCloseTo(1566, within(1e-9));
    assertThat(shipped("Dwelling, people").hours(YEAR).getAsDouble())
        .isCloseTo(5921.6, within(1e-9));
    // 17 m² a person and 75 W: 4.41176471 W/m² at most, 6.90882353 kWh/m² a year
    SpaceUse office = Library.shipped().use("OfficeOpenPlan").orElseThrow();
    double peak = office.sensiblePerPerson() / office.areaPerPerson();
    assertThat(peak).isCloseTo(4.41176471, within(1e-8));
    assertThat(peak * shipped(office.times().people()).hours(YEAR).getAsDouble() / 1000)
        .isCloseTo(6.90882353, within(1e-8));
  }

  @Test
  void everyScheduleThatShipsIsSoundAndEveryUseNamesOneThatIsThere() {
    for (LibrarySchedule s : Library.shipped().schedules()) {
      assertThat(s.profile().problem()).as(s.name()).isNull();
      assertThat(s.source()).isNotBlank();
    }
    for (SpaceUse u : Library.shipped().uses()) {
      for (String t :
          new String[] {u.times().people(), u.times().lighting(), u.times().equipment()}) {
        assertThat(t == null || Library.shipped().schedule(t).isPresent()).as(u.name()).isTrue();
      }
    }
  }

  private static Envelope scheduled() throws NotApplicableException {
    Envelope e =
        new GiveSchedule(Purpose.PEOPLE, List.of("a", "b"), null, shipped("Office, people"))
            .apply(rooms(), RULES);
    e =
        new GiveSchedule(Purpose.LIGHT, List.of("a"), null, shipped("Office, light"))
            .apply(e, RULES);
    return new GiveSchedule(Purpose.HEATING, List.of("z-1"), null, shipped("Office, heated to"))
        .apply(e, RULES);
  }

  @Test
  void schedulesGoOutAndComeBackEqual() throws Exception {
    Envelope e = scheduled();
    Envelope again = read(write(e));
    assertThat(EnvelopeDifference.between(e, again, TOLERANCE)).isEmpty();
    assertThat(again.schedules().years()).hasSize(3);
    String key = again.space("a").orElseThrow().gains().schedules().people();
    assertThat(again.schedules().profile(key)).contains(shipped("Office, people"));
    assertThat(again.zones().get(0).schedules().heating()).isNotNull();
    assertThat(again.notes()).noneMatch(n -> n.kind() == ReadNote.Kind.DANGLING_REFERENCE);
    assertThat(write(again)).isEqualTo(write(e));
  }

  /** Schedule values state no unit; temperatures are in that of the document. */
  @Test
  void temperaturesAreInTheUnitOfTheDocument() throws Exception {
    String xml = new String(write(scheduled()), StandardCharsets.UTF_8);
    Envelope f =
        read(
            xml.replace("temperatureUnit=\"C\"", "temperatureUnit=\"F\"")
                .replace("<ScheduleValue>20<", "<ScheduleValue>68<")
                .replace("<ScheduleValue>15.6<", "<ScheduleValue>60.08<"));
    String key = f.zones().get(0).schedules().heating();
    List<Double> monday = f.schedules().profile(key).orElseThrow().on(LocalDate.of(YEAR, 1, 1));
    assertThat(ScheduleProfile.daily(monday)).isCloseTo(427.2, within(1e-9));
    assertThat(new String(write(f), StandardCharsets.UTF_8))
        .contains("<ScheduleValue>68<")
        .contains("<ScheduleValue>60.08<");
  }

  @Test
  void whatCannotBeReadIsSaidAndKept() throws Exception {
    String xml = new String(write(scheduled()), StandardCharsets.UTF_8);
    Envelope e = read(xml.replaceFirst("<ScheduleValue>0.2<", "<ScheduleValue>a fifth<"));
    assertThat(e.notes())
        .anyMatch(n -> n.kind() == ReadNote.Kind.BAD_VALUE && n.message().contains("\"a fifth\""));
    String out = new String(write(e), StandardCharsets.UTF_8);
    assertThat(out).contains("<ScheduleValue>a fifth</ScheduleValue>");
    assertThat(out.split("<ScheduleValue>")).hasSameSizeAs(xml.split("<ScheduleValue>"));

    e = read(xml.replaceFirst("<EndDate>2018-12-31<", "<EndDate>31 December<"));
    assertThat(e.notes()).anyMatch(n -> n.message().contains("31 December"));

    e = read(xml.replaceFirst("lightScheduleIdRef=\"[^\"]*\"", "lightScheduleIdRef=\"gone\""));
    assertThat(e.notes()).anyMatch(n -> n.kind() == ReadNote.Kind.DANGLING_REFERENCE);
    Envelope dropped =
        new PointReference("a", Member.LIGHTING_SCHEDULE, null, "gone", null).apply(e, RULES);
    assertThat(dropped.notes()).noneMatch(n -> n.kind() == ReadNote.Kind.DANGLING_REFERENCE);
    assertThat(dropped.space("a").orElseThrow().gains().schedules().lighting()).isNull();
  }

  /** A reference to nothing is answered by dropping it, or by saying the schedule anew. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "weekScheduleIdRef",
        "dayScheduleIdRef",
        "peopleScheduleIdRef",
        "heatSchedIdRef",
        "zoneIdRef"
      })
  void danglingReferencesAreFoundAndDropped(String attribute) throws Exception {
    String xml = new String(write(scheduled()), StandardCharsets.UTF_8);
    Envelope e = read(xml.replaceFirst(attribute + "=\"[^\"]*\"", attribute + "=\"gone\""));
    CheckContext c = new CheckContext(e, Limits.STANDARD, TOLERANCE);
    Finding f =
        CheckCatalogue.run(c).stream()
            .filter(x -> x.code().equals("FMT-104"))
            .findFirst()
            .orElseThrow();
    List<Remedy> remedies = new Remedies(c).of(f);
    assertThat(remedies).isNotEmpty();
    Envelope then = remedies.get(remedies.size() - 1).repair().apply(e, RULES);
    assertThat(Fixtures.codes(then)).doesNotContain("FMT-104");
    assertThat(new String(write(then), StandardCharsets.UTF_8)).doesNotContain("\"gone\"");
    if (attribute.startsWith("week") || attribute.startsWith("day")) {
      Member part = attribute.startsWith("week") ? Member.WEEK : Member.DAY;
      assertThatThrownBy(() -> new PointReference("x", part, null, "gone", "other").apply(e, RULES))
          .hasMessageContaining("Change the schedule instead");
    }
  }

  @Test
  void sayingAScheduleAnewAnswersAReferenceToNothing() throws Exception {
    String xml = new String(write(scheduled()), StandardCharsets.UTF_8);
    Envelope e = read(xml.replaceFirst("dayScheduleIdRef=\"[^\"]*\"", "dayScheduleIdRef=\"gone\""));
    assertThat(Fixtures.codes(e)).contains("FMT-104");
    String key = e.schedules().years().get(0).key();
    Envelope then = new AmendSchedule(key, shipped("Office, people")).apply(e, RULES);
    assertThat(Fixtures.codes(then)).doesNotContain("FMT-104");
  }

  @Test
  void daysThatOtherSchedulesHaveStayTheirs() throws Exception {
    ScheduleProfile one = ScheduleProfile.always("One", "Fraction", flat(0.5));
    ScheduleProfile two = ScheduleProfile.always("Two", "Fraction", flat(0.5));
    Envelope e = new GiveSchedule(Purpose.PEOPLE, List.of("a"), null, one).apply(rooms(), RULES);
    e = new GiveSchedule(Purpose.PEOPLE, List.of("b"), null, two).apply(e, RULES);
    assertThat(e.schedules().days()).as("one day for both").hasSize(1);
    String first = e.space("a").orElseThrow().gains().schedules().people();
    ScheduleProfile now = ScheduleProfile.always("One", "Fraction", flat(0.7));
    e = new AmendSchedule(first, now).apply(e, RULES);
    assertThat(e.schedules().profile(first)).contains(now);
    assertThat(e.schedules().profile(e.space("b").orElseThrow().gains().schedules().people()))
        .contains(two);
    e = new AmendSchedule(first, one).apply(e, RULES);
    assertThat(e.schedules().days()).as("what nothing has goes").hasSize(1);
  }

  @Test
  void whatIsAlikeIsGivenAgainAndWhatIsSaidTwiceIsRefused() throws Exception {
    Envelope e = scheduled();
    GiveSchedule again =
        new GiveSchedule(Purpose.EQUIPMENT, List.of("a"), null, shipped("Office, people"));
    assertThat(again.apply(e, RULES).schedules()).isEqualTo(e.schedules());
    assertThatThrownBy(
            () ->
                new GiveSchedule(Purpose.PEOPLE, List.of("a"), null, shipped("Office, people"))
                    .apply(e, RULES))
        .hasMessageContaining("already");
    assertThat(
            new GiveSchedule(Purpose.PEOPLE, List.of("a"), null, null)
                .apply(e, RULES)
                .space("a")
                .orElseThrow()
                .gains()
                .schedules()
                .people())
        .isNull();
  }

  private static List<Double> flat(double v) {
    return Collections.nCopies(24, v);
  }

  private static ScheduleProfile.Period period(String from, String to, String days, Double... v) {
    return new ScheduleProfile.Period(from, to, List.of(new ScheduleProfile.Day(days, List.of(v))));
  }

  @Test
  void whatMakesNoYearIsRefusedWithTheReason() {
    assertThat(problem("Fraction", period("01-01", "06-30", "All", 1.0))).contains("end on 12-31");
    assertThat(
            problem(
                "Fraction",
                period("01-01", "06-30", "All", 1.0),
                period("08-01", "12-31", "All", 1.0)))
        .contains("follow on each other");
    assertThat(problem("Fraction", period("01-01", "31.12.", "All", 1.0)))
        .contains("month and day");
    assertThat(problem("Fraction", period("01-01", "12-31", "Weekday", 1.0))).contains("saturdays");
    assertThat(problem("Fraction", period("01-01", "12-31", "Someday", 1.0))).contains("Someday");
    assertThat(problem("Fraction", period("01-01", "12-31", "All", 1.1))).contains("1.1");
    assertThat(problem("OnOff", period("01-01", "12-31", "All", 0.5))).contains("0 or 1");
    assertThat(problem("Temp", period("01-01", "12-31", "All", 200.0))).contains("temperature");
    assertThat(
            problem("Fraction", period("01-01", "12-31", "All", 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7)))
        .contains("24 values");
    assertThat(problem("Fraction", period("01-01", "12-31", "All"))).contains("24 values");
    assertThat(problem("Fraction", period("01-01", "12-31", "All", 0.5))).isNull();
  }

  private static String problem(String type, ScheduleProfile.Period... periods) {
    return new ScheduleProfile("x", type, List.of(periods)).problem();
  }

  /** What is more special counts: Tuesdays before weekdays before all days. */
  @Test
  void theMostSpecialDayCounts() {
    ScheduleProfile p =
        new ScheduleProfile(
            "x",
            "Fraction",
            List.of(
                new ScheduleProfile.Period(
                    "01-01",
                    "12-31",
                    List.of(
                        new ScheduleProfile.Day("All", flat(0.1)),
                        new ScheduleProfile.Day("Tue", flat(0.3)),
                        new ScheduleProfile.Day("Weekday", flat(0.2)),
                        new ScheduleProfile.Day("HeatingDesignDay", flat(1))))));
    assertThat(p.on(LocalDate.of(YEAR, 1, 1)).get(0)).isEqualTo(0.2);
    assertThat(p.on(LocalDate.of(YEAR, 1, 2)).get(0)).isEqualTo(0.3);
    assertThat(p.on(LocalDate.of(YEAR, 1, 6)).get(0)).isEqualTo(0.1);
  }

  @Property(tries = 100)
  void anySoundProfileIsTheSameAfterTheFile(
      @ForAll @Size(min = 24, max = 24) List<@DoubleRange(min = 0, max = 1) Double> day,
      @ForAll @Size(min = 24, max = 24) List<@DoubleRange(min = 0, max = 1) Double> weekend,
      @ForAll @IntRange(min = 2, max = 364) int cut)
      throws Exception {
    List<Double> a = rounded(day);
    List<Double> b = rounded(weekend);
    LocalDate last = LocalDate.ofYearDay(YEAR, cut - 1);
    ScheduleProfile p =
        new ScheduleProfile(
            "Any",
            "Fraction",
            List.of(
                new ScheduleProfile.Period(
                    "01-01",
                    text(last),
                    List.of(
                        new ScheduleProfile.Day("Weekday", a),
                        new ScheduleProfile.Day("Weekend", b))),
                new ScheduleProfile.Period(
                    text(last.plusDays(1)), "12-31", List.of(new ScheduleProfile.Day("All", b)))));
    Envelope e = new GiveSchedule(Purpose.AIR, List.of("z-1"), null, p).apply(rooms(), RULES);
    Envelope again = read(write(e));
    assertThat(again.schedules().profile(again.zones().get(0).schedules().air())).contains(p);
    double weekdays = p.hours(YEAR).getAsDouble();
    assertThat(weekdays).isBetween(0.0, 8760.0);
  }

  private static List<Double> rounded(List<Double> v) {
    return v.stream().map(x -> Math.round(x * 1e6) / 1e6).toList();
  }

  private static String text(LocalDate d) {
    return d.toString().substring(5);
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 12, 24, 48, 96, 1440})
  void hourlyMeansKeepTheSumOfADay(int steps) {
    List<Double> values = new ArrayList<>();
    for (int i = 0; i < steps; i++) {
      values.add((i * 7 % 10) / 10.0);
    }
    ScheduleProfile p = ScheduleProfile.always("x", "Fraction", values);
    List<Double> hourly = p.hourly().periods().get(0).days().get(0).values();
    assertThat(hourly).hasSize(24);
    assertThat(ScheduleProfile.daily(hourly))
        .isCloseTo(ScheduleProfile.daily(values), within(1e-9));
  }

  @Test
  void anEnvelopeWithoutSchedulesWritesNone() {
    assertThat(rooms().schedules()).isEqualTo(Schedules.NONE);
    assertThat(new String(write(rooms()), StandardCharsets.UTF_8)).doesNotContain("Schedule");
  }
}
