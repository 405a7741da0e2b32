package yentra.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.write;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.StandardUses;
import yentra.core.exchange.RoomSheet.RoomChange;
import yentra.core.exchange.RoomSheet.RowFault;
import yentra.core.library.Library;
import yentra.core.repair.use.GiveUse;
import yentra.core.repair.use.GiveZone;
import yentra.core.repair.use.TakeRoomData;
import yentra.core.table.Workbooks;

class RoomSheetTest {
  private static Envelope used() throws Exception {
    Envelope e =
        new GiveUse(
                List.of("a"),
                "OfficeEnclosed",
                "Heated",
                Library.shipped().useByName("Office").orElseThrow().gains())
            .apply(rooms(), RULES);
    return new GiveZone(List.of("b"), null, "East", 18.0, 27.0).apply(e, RULES);
  }

  private static RoomSheet.Read csv(Envelope e, String text) {
    return RoomSheet.read(text.getBytes(StandardCharsets.UTF_8), e);
  }

  @Test
  void usesGainsAndZonesGoOutInGbxmlAndComeBack() throws Exception {
    Envelope e = used();
    assertThat(EnvelopeDifference.between(e, read(write(e)), TOLERANCE)).isEmpty();
    InternalGains g = read(write(e)).space("a").orElseThrow().gains();
    assertThat(g.areaPerPerson()).isEqualTo(10);
    assertThat(g.lighting()).isEqualTo(9);
    assertThat(g.equipment()).isEqualTo(12);
    assertThat(g.sensiblePerPerson()).isEqualTo(75);
  }

  @Test
  void imperialUnitsAreUnderstood() throws Exception {
    // 1 W/ft² is 10.76391 W/m², 1 Btu/h is 0.29307107 W (NIST SP 811, appendix B)
    String xml =
        new String(write(used()), StandardCharsets.UTF_8)
            .replaceFirst(
                "<LightPowerPerArea.*</LightPowerPerArea>",
                "<LightPowerPerArea unit=\"WattPerSquareFoot\">1</LightPowerPerArea>")
            .replaceFirst(
                "<PeopleNumber.*</PeopleNumber>",
                "<PeopleNumber unit=\"SquareFtPerPerson\">100</PeopleNumber>")
            .replaceFirst(
                "<PeopleHeatGain unit=\"WattPerPerson\" heatGainType=\"Sensible\">75<",
                "<PeopleHeatGain unit=\"BtuPerHourPerson\" heatGainType=\"Sensible\">100<");
    InternalGains g = read(xml).space("a").orElseThrow().gains();
    assertThat(g.lighting()).isCloseTo(10.7639104, within(1e-6));
    assertThat(g.areaPerPerson()).isCloseTo(9.290304, within(1e-9));
    assertThat(g.sensiblePerPerson()).isCloseTo(29.307107, within(1e-6));
  }

  @Test
  void unchangedItSaysNothing() throws Exception {
    Envelope e = used();
    byte[] sheet = RoomSheet.write(e, s -> 20, s -> 60);
    assertThat(RoomSheet.write(e, s -> 20, s -> 60)).isEqualTo(sheet);
    RoomSheet.Read r = RoomSheet.read(sheet, e);
    assertThat(r.faults()).isEmpty();
    assertThat(r.changes()).isEmpty();
    assertThat(r.missing()).isEmpty();
    assertThat(r.matched()).isEqualTo(2);
  }

  @Test
  void usesAreThoseOfTheStandardOrAreRefusedWithTheirRow() throws Exception {
    RoomSheet.Read r = csv(used(), "Id;Use\na;Banana\nb;meeting room\n");
    assertThat(r.faults())
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.row()).isEqualTo(2);
              assertThat(f.column()).isEqualTo("Use");
              assertThat(f.message()).contains("\"Banana\" is no use of gbXML's list");
            });
    assertThat(r.rooms())
        .as("a word of the trade is told by the library")
        .singleElement()
        .satisfies(x -> assertThat(x.use()).isEqualTo("ConferenceMeetingOrMultipurpose"));
    assertThat(csv(used(), "Id;Use\na;lobby hotel\n").rooms().get(0).use()).isEqualTo("LobbyHotel");
    Envelope own =
        used()
            .withSpaces(
                used().spaces().stream().map(x -> x.withUse("Buoy store", "Heated")).toList());
    assertThat(csv(own, "Id;Use\na;Buoy store\n").faults())
        .as("the delivery's own word is left to it")
        .isEmpty();
  }

  @Test
  void whatNoReaderOfGbxmlKnowsIsNamed() throws Exception {
    Envelope e = new GiveUse(List.of("a"), "Banana", null, null).apply(used(), RULES);
    assertThat(StandardUses.unknown(e, used()))
        .containsExactly("The use Banana of West is not in the list of gbXML.");
    assertThat(StandardUses.unknown(e, e)).as("it came so").isEmpty();
    assertThat(StandardUses.unknown(used(), rooms())).isEmpty();
    assertThat(Library.shipped().uses())
        .allSatisfy(u -> assertThat(StandardUses.spaces()).contains(u.name()));
  }

  @Test
  void whatDiffersIsShownAndThenTaken() throws Exception {
    Envelope e = used();
    RoomSheet.Read r =
        csv(
            e,
            """
            Id;Name;Use;Conditioned;Zone;Heated to (C);Light (W/m2)
            a;Front office;OfficeOpenPlan;HeatedAndCooled;East;19,5;8
            b;;;;East;19.5;
            """);
    assertThat(r.faults()).isEmpty();
    assertThat(r.changes())
        .extracting(RoomChange::space, RoomChange::field, RoomChange::before, RoomChange::after)
        .contains(
            tuple("a", "Name", "West", "Front office"),
            tuple("a", "Zone", "House", "East"),
            tuple("a", "Light (W/m2)", "9", "8"),
            tuple("b", "Heated to (C)", "18", "19.5"));
    Envelope then = new TakeRoomData(r.rooms()).apply(e, RULES);
    assertThat(then.space("a").orElseThrow().name()).isEqualTo("Front office");
    assertThat(then.space("a").orElseThrow().gains().lighting()).isEqualTo(8);
    assertThat(then.space("a").orElseThrow().gains().equipment()).isEqualTo(12);
    assertThat(then.space("a").orElseThrow().zone())
        .isEqualTo(then.space("b").orElseThrow().zone());
    assertThat(then.zones())
        .filteredOn(z -> z.label().equals("East"))
        .singleElement()
        .satisfies(z -> assertThat(z.heatingSetPoint()).isEqualTo(19.5));
    assertThat(RoomSheet.read(RoomSheet.write(then, s -> 20, s -> 60), then).changes()).isEmpty();
  }

  @Test
  void aRowIsFoundByItsNameWhereItHasNoId() throws Exception {
    RoomSheet.Read r = csv(used(), "Name,Light (W/m2)\nEast,7\n");
    assertThat(r.changes()).extracting(RoomChange::space).containsExactly("b");
    assertThat(r.missing()).containsExactly("West");
  }

  @Test
  void badRowsAreSaidAndTheOthersCanBeTaken() throws Exception {
    RoomSheet.Read r =
        csv(
            used(),
            """
            Id,Name,Conditioned,Zone,Heated to (C),Cooled to (C),Light (W/m2)
            a,West,Tropical,,,,
            x,Nowhere,,,,,
            b,East,,East,25,20,
            b,East,,East,20,26,9
            b,East,,,,,9
            """);
    assertThat(r.faults())
        .extracting(RowFault::row, RowFault::column)
        .containsExactly(
            tuple(2, "Conditioned"),
            tuple(3, "Id"),
            tuple(4, "Cooled to (C)"),
            tuple(5, "Id"),
            tuple(6, "Id"));
    RoomSheet.Read good = csv(used(), "Id,Light (W/m2)\na,bright\nb,9\n");
    assertThat(good.faults()).singleElement().satisfies(f -> assertThat(f.row()).isEqualTo(2));
    assertThat(good.rooms()).singleElement().satisfies(x -> assertThat(x.space()).isEqualTo("b"));
    assertThat(csv(used(), "Foo,Bar\n1,2\n").faults()).isNotEmpty();
  }

  @Test
  void namesSayUses() {
    assertThat(Library.shipped().useByName("Meeting room 2").orElseThrow().name())
        .isEqualTo("ConferenceMeetingOrMultipurpose");
    assertThat(Library.shipped().useByName("Plant room").orElseThrow().name())
        .isEqualTo("ElectricalOrMechanical");
    assertThat(Library.shipped().useByName("Xyz")).isEmpty();
    assertThat(Library.shipped().uses()).hasSizeGreaterThanOrEqualTo(15);
  }

  @Test
  void airAndSchedulesAreInTheSheetToo() throws Exception {
    Envelope e =
        new yentra.core.repair.use.GiveSchedule(
                yentra.core.repair.use.GiveSchedule.Purpose.LIGHT,
                List.of("b"),
                null,
                Library.shipped().schedule("Shop").orElseThrow().profile())
            .apply(used(), RULES);
    RoomSheet.Read r =
        csv(
            e,
            """
            Id,Zone,Outdoor air per person (l/s),Greatest humidity (%),Schedule of light
            a,House,8,60,Shop
            b,East,,,Shop
            """);
    assertThat(r.faults()).isEmpty();
    assertThat(r.changes())
        .extracting(RoomChange::space, RoomChange::field, RoomChange::before, RoomChange::after)
        .containsExactly(
            tuple("a", "Schedule of light", "", "Shop"),
            tuple("a", "Outdoor air per person (l/s)", "", "8"),
            tuple("a", "Greatest humidity (%)", "", "60"));
    Envelope then = new TakeRoomData(r.rooms()).apply(e, RULES);
    assertThat(then.zones().get(0).air().perPerson()).isEqualTo(8);
    assertThat(then.space("a").orElseThrow().gains().schedules().lighting())
        .isEqualTo(then.space("b").orElseThrow().gains().schedules().lighting());
    assertThat(RoomSheet.read(RoomSheet.write(then, s -> 20, s -> 60), then).changes()).isEmpty();
    assertThat(csv(e, "Id,Schedule of light,Greatest humidity (%)\na,Tides,\nb,,140\n").faults())
        .extracting(RowFault::row, RowFault::column)
        .containsExactly(tuple(2, "Schedule of light"), tuple(3, "Greatest humidity (%)"));
    assertThat(csv(e, "Id,Zone,Outdoor air per person (l/s)\na,East,8\nb,East,9\n").faults())
        .extracting(RowFault::row)
        .containsExactly(3);
  }

  @Test
  void areasAndVolumesGoOutAsTheyWereMeasured() throws Exception {
    byte[] sheet = RoomSheet.write(used(), s -> 20.126, s -> 60.374);
    List<List<String>> rows = Workbooks.read(sheet).values().iterator().next();
    int area = rows.get(0).indexOf("Floor area (m2)");
    int volume = rows.get(0).indexOf("Volume (m3)");
    assertThat(rows.subList(1, rows.size()))
        .hasSize(2)
        .allSatisfy(
            r -> {
              assertThat(r.get(area)).isEqualTo("20.13");
              assertThat(r.get(volume)).isEqualTo("60.37");
            });
  }
}
