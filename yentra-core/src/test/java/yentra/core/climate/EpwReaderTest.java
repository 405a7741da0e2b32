package yentra.core.climate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.UnreadableException;

class EpwReaderTest {
  private static final String HEADER =
      """
      LOCATION,Sandling,Coast,XXX,made up,000000,54.1,-3.3,0,6
      DESIGN CONDITIONS,0
      TYPICAL/EXTREME PERIODS,0
      GROUND TEMPERATURES,1,.5,,,,5,5,6,7,9,12,14,15,14,12,9,6
      HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0
      COMMENTS 1,nothing
      COMMENTS 2,
      DATA PERIODS,1,%d,Data,%s,1/1,12/31
      """;
  private static final int[] DAYS = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};

  /** Rows of a year whose dry bulb is month + hour / 100. */
  static List<String> rows(boolean leap, int perHour) {
    List<String> out = new ArrayList<>();
    for (int m = 1; m <= 12; m++) {
      int days = leap && m == 2 ? 29 : DAYS[m - 1];
      for (int d = 1; d <= days; d++) {
        for (int h = 1; h <= 24; h++) {
          for (int k = 1; k <= perHour; k++) {
            out.add(row(m, d, h, 60 / perHour * k, m + h / 100.0, h == 12 ? 400 : 0));
          }
        }
      }
    }
    return out;
  }

  private static String row(int m, int d, int h, int minute, double dry, double sun) {
    return String.format(
        Locale.ROOT,
        "2001,%d,%d,%d,%d,?9?9,%.2f,3,80,101000,0,0,300,%.1f,%.1f,%.1f,0,0,0,0,270,4.0,5,5,20,77777,9,999999999,10,0.1,0,88,0.2,0,0",
        m,
        d,
        h,
        minute,
        dry,
        sun,
        sun / 2,
        sun / 4);
  }

  private static String file(List<String> rows, int perHour) {
    return String.format(Locale.ROOT, HEADER, perHour, "Tuesday") + String.join("\n", rows) + "\n";
  }

  private static WeatherYear read(String text) throws UnreadableException, IOException {
    return EpwReader.read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
  }

  private static UnreadableException refused(String text) {
    return catchThrowableOfType(UnreadableException.class, () -> read(text));
  }

  @Test
  void aYearOfHours() throws Exception {
    WeatherYear w = read(file(rows(false, 1), 1));
    assertThat(w.hours()).isEqualTo(8760);
    assertThat(w.station().label()).isEqualTo("Sandling, Coast, XXX");
    assertThat(w.station().latitude()).isEqualTo(54.1);
    assertThat(w.station().elevation()).isEqualTo(6);
    assertThat(w.dryBulb(0)).isEqualTo(1.01);
    assertThat(w.dryBulb(8759)).isEqualTo(12.24);
    assertThat(w.month(31 * 24)).isEqualTo(2);
    assertThat(w.date(0).getDayOfWeek()).isEqualTo(DayOfWeek.TUESDAY);
    assertThat(w.ground().get(0).months().get(7)).isEqualTo(15);
    assertThat(w.sky(0)).isCloseTo(LongWaveSky.temperature(300), within(1e-12));
    assertThat(w.notes()).isEmpty();
  }

  @Test
  void lawfulQuirks() throws Exception {
    WeatherYear plain = read(file(rows(false, 1), 1));
    List<String> short31 =
        rows(false, 1).stream().map(r -> r.substring(0, r.indexOf(",77777"))).toList();
    List<String> turned = new ArrayList<>(rows(false, 1).subList(4344, 8760));
    turned.addAll(rows(false, 1).subList(0, 4344));
    for (String same :
        List.of(
            file(rows(false, 1), 1).replace("\n", "\r\n"),
            "\uFEFF" + file(rows(false, 1), 1) + "\n\n",
            file(rows(false, 1), 1).replace("LOCATION", "Location"),
            file(short31, 1))) {
      WeatherYear w = read(same);
      assertThat(w.all(WeatherQuantity.DRY_BULB)).isEqualTo(plain.all(WeatherQuantity.DRY_BULB));
    }
    WeatherYear w = read(file(turned, 1));
    assertThat(w.all(WeatherQuantity.DRY_BULB)).isEqualTo(plain.all(WeatherQuantity.DRY_BULB));
    assertThat(w.date(4344).getDayOfWeek())
        .as("the first row is of July and a Tuesday")
        .isEqualTo(DayOfWeek.TUESDAY);
  }

  @Test
  void aLeapYear() throws Exception {
    WeatherYear w = read(file(rows(true, 1), 1));
    assertThat(w.hours()).isEqualTo(8784);
    assertThat(w.isLeap()).isTrue();
    assertThat(w.date(59 * 24)).hasToString(w.date(0).getYear() + "-02-29");
    assertThat(w.date(0).getDayOfWeek()).isEqualTo(DayOfWeek.TUESDAY);
  }

  /** By the format each row holds the energy of its time; where that is too much, mean powers. */
  @Test
  void rowsWithinAnHour() throws Exception {
    WeatherYear w = read(file(rows(false, 4), 4));
    assertThat(w.hours()).isEqualTo(8760);
    assertThat(w.dryBulb(5)).isCloseTo(1.06, within(1e-12));
    assertThat(w.get(WeatherQuantity.GLOBAL_HORIZONTAL, 11)).isEqualTo(1600);
    assertThat(w.notes()).anyMatch(n -> n.contains("added up"));
    List<String> powers =
        rows(false, 4).stream()
            .map(r -> r.contains(",400.0,") ? r : r.replace(",0.0,0.0,0.0,0,", ",300,150,75,0,"))
            .toList();
    WeatherYear p = read(file(powers, 4));
    assertThat(p.get(WeatherQuantity.GLOBAL_HORIZONTAL, 11)).isEqualTo(400);
    assertThat(p.notes()).anyMatch(n -> n.contains("averaged"));
  }

  @Test
  void missingValuesAreFilledAndCounted() throws Exception {
    List<String> rows = rows(false, 1);
    rows.set(100, rows.get(100).replace(",1.05,3,80,101000,", ",99.9,99.9,999,999999,"));
    rows.set(101, rows.get(101).replace(",1.06,3,", ",99.9,,"));
    rows.set(11, rows.get(11).replace(",300,400.0,200.0,100.0,", ",9999,9999,9999,9999,"));
    rows.set(35, rows.get(35).replace(",300,400.0,200.0,100.0,", ",0,400,9999,9999,"));
    WeatherYear w = read(file(rows, 1));
    assertThat(w.missing(WeatherQuantity.DRY_BULB)).isEqualTo(2);
    assertThat(w.dryBulb(100)).isCloseTo(1.04 + 0.03 / 3, within(1e-12));
    assertThat(w.dryBulb(101)).isCloseTo(1.04 + 0.03 * 2 / 3, within(1e-12));
    assertThat(w.missing(WeatherQuantity.DEW_POINT)).isEqualTo(2);
    assertThat(w.missing(WeatherQuantity.HORIZONTAL_INFRARED)).isEqualTo(2);
    assertThat(w.get(WeatherQuantity.HORIZONTAL_INFRARED, 11)).isBetween(200.0, 400.0);
    assertThat(w.missing(WeatherQuantity.GLOBAL_HORIZONTAL)).isEqualTo(1);
    assertThat(w.get(WeatherQuantity.GLOBAL_HORIZONTAL, 11))
        .as("as at noon the day after")
        .isEqualTo(400);
    double up = 400 - w.get(WeatherQuantity.DIFFUSE_HORIZONTAL, 35);
    assertThat(up).as("split by clearness").isBetween(0.0, 399.0);
    for (WeatherQuantity q : WeatherQuantity.values()) {
      for (double v : w.all(q)) {
        assertThat(v).isFinite();
        assertThat(q.isMissing(v) && q != WeatherQuantity.HORIZONTAL_INFRARED).isFalse();
      }
    }
  }

  @Test
  void whatTheFileHasNothingOfIsSaid() throws Exception {
    WeatherYear w =
        read(file(rows(false, 1).stream().map(r -> r.replace(",300,", ",9999,")).toList(), 1));
    assertThat(w.has(WeatherQuantity.HORIZONTAL_INFRARED)).isFalse();
    assertThat(w.sky(0)).isNaN();
    assertThat(w.notes()).anyMatch(n -> n.contains("11 K"));
    WeatherYear zero =
        read(file(rows(false, 1).stream().map(r -> r.replace(",300,", ",0,")).toList(), 1));
    assertThat(zero.has(WeatherQuantity.HORIZONTAL_INFRARED)).isFalse();
  }

  @Test
  void whatIsNoYearIsRefusedWithItsPlace() {
    assertThat(refused(file(rows(false, 1).subList(0, 8758), 1)))
        .hasMessageContaining("8,758 rows")
        .hasMessageContaining("12-31, hour 23")
        .extracting(UnreadableException::line)
        .isEqualTo(8766);
    List<String> gap = rows(false, 1);
    gap.remove(500);
    assertThat(refused(file(gap, 1))).hasMessageContaining("01-21, hour 21");
    List<String> twice = rows(false, 1);
    twice.set(10, twice.get(9));
    assertThat(refused(file(twice, 1)))
        .hasMessageContaining("01-01, hour 10")
        .hasMessageContaining("line 18")
        .extracting(UnreadableException::line)
        .isEqualTo(19);
    List<String> words = rows(false, 1);
    words.set(3, words.get(3).replace(",1.04,", ",cold,"));
    UnreadableException cold = refused(file(words, 1));
    assertThat(cold).hasMessageContaining("dry bulb temperature is no number: cold");
    assertThat(cold.line()).isEqualTo(12);
    assertThat(cold.column()).isEqualTo(7);
    List<String> month = rows(false, 1);
    month.set(0, month.get(0).replace("2001,1,1,1,", "2001,13,1,1,"));
    assertThat(refused(file(month, 1))).hasMessageContaining("month");
    assertThat(refused(file(rows(false, 1), 1).replace("54.1", "154.1")))
        .hasMessageContaining("latitude is 154.1")
        .extracting(UnreadableException::column)
        .isEqualTo(7);
    assertThat(refused("<gbXML/>")).hasMessageContaining("LOCATION");
    assertThat(refused("")).hasMessageContaining("ends within its header");
    assertThat(refused(file(rows(false, 1), 7))).hasMessageContaining("whole minutes");
    List<String> none =
        rows(false, 1).stream().map(r -> r.replaceFirst(",\\d+\\.\\d\\d,3,", ",99.9,3,")).toList();
    assertThat(refused(file(none, 1))).hasMessageContaining("missing in 8,760");
  }

  @Test
  void valuesOutOfRangeCountAsMissing() throws Exception {
    List<String> rows = rows(false, 1);
    rows.set(4, rows.get(4).replace(",1.05,", ",-88,"));
    WeatherYear w = read(file(rows, 1));
    assertThat(w.missing(WeatherQuantity.DRY_BULB)).isEqualTo(1);
    assertThat(w.notes()).anyMatch(n -> n.startsWith("Line 13: the dry bulb temperature is -88"));
  }

  @Test
  void writtenAndReadBack() throws Exception {
    WeatherYear w = read(file(rows(true, 1), 1));
    WeatherYear back = EpwReader.read(new ByteArrayInputStream(EpwWriter.write(w, "a, b")));
    for (WeatherQuantity q : WeatherQuantity.values()) {
      assertThat(back.all(q)).containsExactly(w.all(q), within(5e-3));
    }
    assertThat(back.station()).isEqualTo(w.station());
    assertThat(back.ground()).isEqualTo(w.ground());
    assertThat(back.date(0).getDayOfWeek()).isEqualTo(w.date(0).getDayOfWeek());
  }

  /** Bytes changed at random end in a year or in a sentence with a place, never otherwise. */
  @Test
  void brokenFiles() throws Exception {
    byte[] good = file(rows(false, 1), 1).getBytes(StandardCharsets.UTF_8);
    Random random = new Random(2026);
    for (int round = 0; round < 150; round++) {
      byte[] bytes = good.clone();
      int changes = 1 + random.nextInt(6);
      for (int i = 0; i < changes; i++) {
        int at = random.nextInt(round % 2 == 0 ? 700 : bytes.length);
        bytes[at] =
            (byte)
                (random.nextInt(4) == 0
                    ? random.nextInt(256)
                    : ",\n0-.9x".charAt(random.nextInt(7)));
      }
      int length = random.nextInt(5) == 0 ? random.nextInt(bytes.length) : bytes.length;
      try {
        WeatherYear w = EpwReader.read(new ByteArrayInputStream(bytes, 0, length));
        assertThat(w.hours()).isIn(8760, 8784);
      } catch (UnreadableException e) {
        assertThat(e.getMessage()).isNotBlank();
        assertThat(e.line()).isPositive();
      }
    }
  }

  @Test
  void aLongLineIsRefused() {
    assertThatThrownBy(() -> read("LOCATION," + "x".repeat(30_000)))
        .isInstanceOf(UnreadableException.class)
        .hasMessageContaining("sensible length");
  }
}
