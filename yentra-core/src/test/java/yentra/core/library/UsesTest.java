package yentra.core.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.rooms;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yentra.core.Fixtures;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.proposal.ZoneProposal;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Naming;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.Zone;
import yentra.core.finding.Limits;
import yentra.core.library.LibraryComparison.Imported;
import yentra.core.library.LibraryComparison.Status;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.use.AmendZone;
import yentra.core.repair.use.GiveUse;
import yentra.core.repair.use.GiveZone;
import yentra.core.thermal.GlassUnit;

/** Uses of spaces: what ships, mapping sheets, fresh air, and zones that follow from them. */
class UsesTest {
  private static final Library SHIPPED = Library.shipped();

  private static LibraryFile csv(String text) {
    return LibraryFile.read("uses.csv", text.getBytes(StandardCharsets.UTF_8), SHIPPED);
  }

  /** Typical magnitudes, from memory of EN 16798-1:2019 and ASHRAE 62.1; defaults, no limits. */
  @ParameterizedTest
  @CsvSource({
    "OfficeOpenPlan, 17, 75, 55, 8, 12, 7, 0.7, 20, 26",
    "OfficeEnclosed, 10, 75, 55, 9, 12, 7, 0.7, 20, 26",
    "ConferenceMeetingOrMultipurpose, 2, 70, 45, 10, 2, 7, 0.7, 20, 26",
    "FoodPreparation, 10, 80, 140, 10, 40, 3.8, 0.6, 18, 28",
    "LivingQuartersHotel, 20, 70, 45, 5, 4, 7, 0.7, 20, 26",
    "LivingQuartersDormitory, 28.3, 70, 45, 3, 3, 4, 0.3, 20, 26",
    "PatientRoomHospitalOrHealthcare, 10, 70, 45, 8, 5, 10, 1, 22, 26",
    "PlayingAreaGymnasium, 20, 90, 160, 8, 1, 10, 0.7, 16, 26",
    "CorridorOrTransition, 100, 75, 55, 5, 0, 0, 0.3, 18, 28"
  })
  void typicalValues(
      String use,
      double area,
      double sensible,
      double latent,
      double light,
      double equipment,
      double perPerson,
      double perArea,
      double heating,
      double cooling) {
    SpaceUse u = SHIPPED.use(use).orElseThrow();
    assertThat(u)
        .extracting(
            SpaceUse::areaPerPerson,
            SpaceUse::sensiblePerPerson,
            SpaceUse::latentPerPerson,
            SpaceUse::lighting,
            SpaceUse::equipment,
            SpaceUse::airPerPerson,
            SpaceUse::airPerArea,
            SpaceUse::heating,
            SpaceUse::cooling)
        .containsExactly(
            area, sensible, latent, light, equipment, perPerson, perArea, heating, cooling);
    assertThat(u.source()).contains("from memory");
  }

  /**
   * Outdoor air of 100 m²: EN 16798-1 category II, low-polluting office; spaces in the style of
   * ASHRAE 62.1 (rates from memory), whose published combined rates per person are 8.5, 6.7, 3.1,
   * 5.1 and 7.8 l/s.
   */
  @ParameterizedTest
  @CsvSource({
    "7, 0.7, 17, 111.176471, 18.9",
    "2.5, 0.3, 20, 42.5, 8.5",
    "5, 0.6, 2.857142857, 235, 6.714286",
    "2.5, 0.3, 2, 155, 3.1",
    "3.8, 0.9, 1.428571429, 356, 5.085714",
    "3.8, 0.6, 6.666666667, 117, 7.8"
  })
  void outdoorAirOfAZone(
      double perPerson, double perArea, double areaPerPerson, double flow, double each) {
    InternalGains g = new InternalGains(null, areaPerPerson, null, null, null, null);
    double people = g.people(100);
    double all = new Zone.ZoneAir(perPerson, perArea, null, null, null).flow(people, 100);
    assertThat(all).isCloseTo(flow, within(1e-6));
    assertThat(all / people).isCloseTo(each, within(1e-6));
  }

  /** Gaps between panes as materials: 15 K across, at 10 °C (EN 673, gas data from memory). */
  @ParameterizedTest
  @CsvSource({
    "'Gas gap, air, 12 mm', 0.012, AIR, 1, 0.837",
    "'Gas gap, argon 90 %, 16 mm', 0.016, ARGON, 0.9, 0.837",
    "'Gas gap, argon 90 %, 16 mm, coated', 0.016, ARGON, 0.9, 0.03",
    "'Gas gap, krypton 90 %, 10 mm, coated', 0.010, KRYPTON, 0.9, 0.03"
  })
  void gasGapsThatShip(
      String name, double width, GlassUnit.Gas gas, double filled, double emissivity) {
    GlassUnit.Gap g = new GlassUnit.Gap(width, gas, filled, emissivity, GlassUnit.UNCOATED);
    assertThat(SHIPPED.material(name).orElseThrow().resistance())
        .isCloseTo(1 / (g.radiation() + g.convection(15)), within(5e-4));
  }

  @Test
  void voidsAreTakenForPlenums() {
    SpaceUse plenum = SHIPPED.useByName("Ceiling void 3").orElseThrow();
    assertThat(plenum.name()).isEqualTo("Plenum");
    assertThat(plenum.gains()).isEqualTo(InternalGains.NONE);
  }

  @Test
  void whatIsNotStatedIsNoAir() {
    assertThat(Zone.ZoneAir.NONE.flow(10, 100)).isZero();
    assertThat(new Zone.ZoneAir(null, null, 30.0, null, null).flow(10, 100)).isEqualTo(30);
    assertThat(InternalGains.NONE.people(100)).isZero();
    assertThat(new InternalGains(4.0, 10.0, null, null, null, null).people(100)).isEqualTo(4);
  }

  /** A table of uses and words is a mapping of names; values are those of the known use. */
  @Test
  void aMappingSheetTeachesNames() {
    LibraryFile f =
        csv(
            """
            Use,Words in names
            OfficeEnclosed,"watch, operations"
            OfficeEnclosed,radio
            GeneralExhibitionMuseum,boat hall
            """);
    assertThat(f.faults()).isEmpty();
    Library l = f.library().over(SHIPPED);
    assertThat(l.useByName("Watch room").orElseThrow().name()).isEqualTo("OfficeEnclosed");
    assertThat(l.useByName("Office 3").orElseThrow().name()).isEqualTo("OfficeEnclosed");
    assertThat(l.useByName("Radio 2").orElseThrow().lighting()).isEqualTo(9);
    assertThat(l.useByName("Boat hall").orElseThrow().name()).isEqualTo("GeneralExhibitionMuseum");
    // "words" are beginnings of words
    assertThat(l.useByName("Stopwatch store").orElseThrow().name()).isEqualTo("InactiveStorage");
    assertThat(LibraryComparison.of(SHIPPED, f.library()))
        .extracting(Imported::kind, Imported::status)
        .containsOnly(tuple("use", Status.DIFFERENT));
  }

  @Test
  void anOwnUseNamesSchedulesThatAreThere() {
    LibraryFile f =
        csv(
            """
            Use,Words in names,Light (W/m2),Schedule of people,Heated to (C),Cooled to (C)
            Boathouse,boat,6,Shop,12,
            Wrong,x,6,Nowhen,12,
            Colder,y,6,,26,20
            Dim,z,bright,,,
            """);
    assertThat(f.library().uses()).extracting(SpaceUse::name).containsExactly("Boathouse");
    assertThat(f.library().uses().get(0).times().people()).isEqualTo("Shop");
    assertThat(f.faults())
        .extracting(LibraryFile.Fault::row, LibraryFile.Fault::column)
        .containsExactly(
            tuple(3, "Schedule of people"), tuple(4, "Cooled to (C)"), tuple(5, "Light (W/m2)"));
  }

  @Test
  void schedulesOfASheetMakeAWholeYearOrAreLeftOut() {
    String hours = "";
    String values = "";
    for (int h = 0; h < 24; h++) {
      hours += String.format(",%02d-%02d", h, h + 1);
      values += ",0.5";
    }
    LibraryFile f =
        csv(
            "Schedule,From,To,Days"
                + hours
                + "\nSummer,04-01,09-30,All"
                + values
                + "\nTides,01-01,06-30,All"
                + values
                + "\nTides,07-01,12-31,All"
                + values
                + "\nGap,,,All"
                + values.replaceFirst("0.5", "")
                + "\n");
    assertThat(f.library().schedules())
        .singleElement()
        .satisfies(s -> assertThat(s.profile().periods()).hasSize(2));
    assertThat(f.faults())
        .extracting(LibraryFile.Fault::row, LibraryFile.Fault::column)
        .containsExactly(tuple(2, "Schedule"), tuple(5, "00-01"));
  }

  @Test
  void aUseBringsItsSchedules() throws Exception {
    SpaceUse office = SHIPPED.use("OfficeEnclosed").orElseThrow();
    GiveUse.UseSchedules times =
        new GiveUse.UseSchedules(
            SHIPPED.schedule(office.times().people()).orElseThrow().profile(), null, null);
    Envelope e =
        new GiveUse(List.of("a", "b"), office.name(), null, office.gains(), times)
            .apply(rooms(), RULES);
    assertThat(e.schedules().years()).hasSize(1);
    assertThat(e.spaces())
        .allSatisfy(
            s ->
                assertThat(s.gains().schedules().people())
                    .isEqualTo(e.schedules().years().get(0).key()));
  }

  private static Envelope zoned(Set<ZoneProposal.By> by) throws NotApplicableException {
    Envelope e = new GiveUse(List.of("a"), "FoodPreparation", null, null).apply(rooms(), RULES);
    Repair r =
        ZoneProposal.of(new CheckContext(e, Limits.STANDARD, TOLERANCE), List.of(), by, SHIPPED);
    return r.apply(e, RULES);
  }

  @Test
  void zonesOfOneUseGetWhatIsTypicalOfIt() throws Exception {
    Envelope e = zoned(Set.of(ZoneProposal.By.USE));
    Zone kitchen = zone(e, "a");
    assertThat(kitchen.heatingSetPoint()).isEqualTo(18);
    assertThat(kitchen.air().perPerson()).isEqualTo(3.8);
    assertThat(zone(e, "b").air().perArea()).isEqualTo(0.7);
  }

  private static Zone zone(Envelope e, String space) {
    String key = e.space(space).orElseThrow().zone();
    return e.zones().stream().filter(z -> z.key().equals(key)).findFirst().orElseThrow();
  }

  /** A room with nothing but ground and another room around it is core. */
  @Test
  void perimeterAndCoreAreToldApart() throws Exception {
    Envelope both = zoned(Set.of(ZoneProposal.By.EXPOSURE));
    assertThat(zone(both, "a")).isEqualTo(zone(both, "b"));
    assertThat(zone(both, "a").name()).startsWith("Perimeter");
    Envelope e = rooms();
    for (String s : List.of("b-roof", "b-south", "b-east", "b-north")) {
      e = e.replacing(s, x -> x.withType(yentra.core.envelope.SurfaceType.UNDERGROUND_WALL));
    }
    Repair r =
        ZoneProposal.of(
            new CheckContext(e, Limits.STANDARD, TOLERANCE),
            List.of(),
            Set.of(ZoneProposal.By.EXPOSURE),
            SHIPPED);
    assertThat(r.describe(e, e, new Naming(e, SurfaceTypes.STANDARD))).contains("2 zones");
    assertThat(zone(r.apply(e, RULES), "b").name()).startsWith("Core");
  }

  @Test
  void airOfAZoneIsSetWithinReason() throws Exception {
    Envelope e =
        new AmendZone("z-1", null, null, null, new Zone.ZoneAir(8.0, null, null, 30.0, 60.0))
            .apply(rooms(), RULES);
    e =
        new AmendZone("z-1", null, null, null, new Zone.ZoneAir(null, 0.5, null, null, null))
            .apply(e, RULES);
    assertThat(e.zones().get(0).air()).isEqualTo(new Zone.ZoneAir(8.0, 0.5, null, 30.0, 60.0));
    assertThat(Fixtures.read(Fixtures.write(e)).zones().get(0).air())
        .isEqualTo(e.zones().get(0).air());
    Envelope now = e;
    for (Zone.ZoneAir wrong :
        List.of(
            new Zone.ZoneAir(-1.0, null, null, null, null),
            new Zone.ZoneAir(null, null, null, 120.0, null),
            new Zone.ZoneAir(null, null, null, 70.0, 60.0))) {
      org.assertj.core.api.Assertions.assertThatThrownBy(
              () -> new AmendZone("z-1", null, null, null, wrong).apply(now, RULES))
          .isInstanceOf(NotApplicableException.class);
      org.assertj.core.api.Assertions.assertThatThrownBy(
              () -> new GiveZone(List.of("a"), null, "New", null, null, wrong).apply(now, RULES))
          .isInstanceOf(NotApplicableException.class);
    }
  }

  @Test
  void gainsOutsideReasonAreRefusedWithTheirRange() {
    for (InternalGains wrong :
        List.of(
            new InternalGains(-1.0, null, null, null, null, null),
            new InternalGains(null, 0.0, null, null, null, null),
            new InternalGains(null, null, 9999.0, null, null, null),
            new InternalGains(null, null, null, null, -8.0, null),
            new InternalGains(3.0, 10.0, null, null, null, null))) {
      org.assertj.core.api.Assertions.assertThatThrownBy(
              () -> new GiveUse(List.of("a"), null, null, wrong).apply(rooms(), RULES))
          .isInstanceOf(NotApplicableException.class)
          .hasMessageMatching(".*(lies between|not both).*");
    }
  }

  /** Flows: 1 cfm is 0.4719474432 l/s, 1 cfm/ft² is 5.08 l/(s·m²) (exact). */
  @ParameterizedTest
  @ValueSource(strings = {"CFM=0.4719474432", "CubicMPerHr=0.277777777777778", "LPerSec=1"})
  void flowsInOtherUnits(String unitAndFactor) throws Exception {
    String[] u = unitAndFactor.split("=");
    String xml =
        new String(
                Fixtures.write(
                    new AmendZone(
                            "z-1", null, null, null, new Zone.ZoneAir(7.0, 0.7, null, null, null))
                        .apply(rooms(), RULES)),
                StandardCharsets.UTF_8)
            .replace(
                "<OAFlowPerPerson unit=\"LPerSec\">7<",
                "<OAFlowPerPerson unit=\"" + u[0] + "\">10<")
            .replace(
                "<OAFlowPerArea unit=\"LPerSecPerSquareM\">0.7<",
                "<OAFlowPerArea unit=\"CFMPerSquareFoot\">1<");
    Zone.ZoneAir air = Fixtures.read(xml).zones().get(0).air();
    double factor = Double.parseDouble(u[1]);
    assertThat(air.perPerson()).isCloseTo(10 * factor, within(1e-12));
    assertThat(air.perArea()).isCloseTo(5.08, within(1e-12));
  }

  /** Names as rooms have them; what holds a word as a part only is not meant. */
  @ParameterizedTest
  @CsvSource({
    "Operating theatre 2, OperatingRoomHospitalOrHealthcare",
    "Lecture theatre, ClassroomOrLectureOrTraining",
    "Theatre, AudienceOrSeatingAreaAuditorium",
    "CLASSROOM 12, ClassroomOrLectureOrTraining",
    "Laboratory, LaboratoryOffice",
    "Underground car park, ParkingAreaPedestrianParkingGarage",
    "Hotel lobby, LobbyHotel",
    "Library, ReadingAreaLibrary",
    "Laundry, LaundryWashingHospitalOrHealthcare",
    "Server room, EquipmentRoomManufacturingFacility",
    "Bathroom, Restrooms",
    "Day nursery, HospitalNurseryHospitalOrHealthcare",
    "Büro 3, OfficeEnclosed",
    "Einzelbüro, ''",
    "BÜRORAUM, OfficeEnclosed",
    "Besprechungsraum, ConferenceMeetingOrMultipurpose",
    "Küche, FoodPreparation",
    "Treppenhaus, CorridorOrTransition",
    "Schlafzimmer, LivingQuartersDormitory",
    "Bad, Restrooms",
    "Salle de réunion, ConferenceMeetingOrMultipurpose",
    "Cuisine, FoodPreparation",
    "Salle d'eau, Restrooms",
    "Almacén, InactiveStorage",
    "Cocina, FoodPreparation",
    "Ufficio 1, OfficeEnclosed",
    "Bagno, Restrooms",
    "Vergaderzaal, ConferenceMeetingOrMultipurpose",
    "Keuken, FoodPreparation",
    "Kjøkken, FoodPreparation",
    "Møterom, ConferenceMeetingOrMultipurpose",
    "Mødelokale, ConferenceMeetingOrMultipurpose",
    "Förråd, InactiveStorage",
    "Trapphus, CorridorOrTransition",
    "Stores, InactiveStorage",
    "Classification, ''",
    "Stairlift motor, ''",
    "Barrister, ''"
  })
  void usesByNamesInTheLanguagesOfTheTrade(String name, String use) {
    String found = Library.shipped().useByName(name).map(SpaceUse::name).orElse("");
    assertThat(found).isEqualTo(use);
  }

  @Test
  void wardsAreDarkAtNightAndChangingRoomsHaveAir() {
    Library l = Library.shipped();
    assertThat(l.use("PatientRoomHospitalOrHealthcare").orElseThrow().times().lighting())
        .isEqualTo("Ward, light");
    assertThat(l.schedule("Ward, light").orElseThrow().profile().hours(2018).orElseThrow())
        .isLessThan(0.6 * 8760);
    assertThat(l.use("DressingOrLockerOrFittingRoomGymnasium").orElseThrow().airPerArea())
        .isEqualTo(1.25);
  }
}
