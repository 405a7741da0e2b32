package yentra.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yentra.core.Fixtures;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.EnvelopeDifference;

/** What a file is, is told by its first bytes; its name plays no part. */
class DeliveryReaderTest {
  private final DeliveryReader reader =
      new DeliveryReader(ReadLimits.standard(), Fixtures.TOLERANCE);

  private static DeliveryReader.Source text(String s) {
    return DeliveryReader.Source.of(s.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void formats() throws Exception {
    assertThat(reader.recognise(text("<?xml version='1.0'?><gbXML/>")))
        .isEqualTo(DeliveryFormat.GBXML);
    assertThat(reader.recognise(text("\uFEFF\n  <gbXML/>"))).isEqualTo(DeliveryFormat.GBXML);
    assertThat(reader.recognise(text("ISO-10303-21;"))).isEqualTo(DeliveryFormat.IFC);
    assertThat(reader.recognise(text("\n /* made by hand */ ISO-10303-21;")))
        .isEqualTo(DeliveryFormat.IFC);
    assertThat(
            reader.recognise(
                DeliveryReader.Source.of("<gbXML/>".getBytes(StandardCharsets.UTF_16))))
        .isEqualTo(DeliveryFormat.GBXML);
  }

  @ParameterizedTest
  @ValueSource(strings = {"UTF-8", "UTF-16", "ISO-8859-1", "windows-1252"})
  void encodingsAreThoseThatTheFileDeclares(String name) throws Exception {
    Charset charset = Charset.forName(name);
    String xml =
        new String(Fixtures.write(Fixtures.rooms()), StandardCharsets.UTF_8)
            .replace("encoding=\"UTF-8\"", "encoding=\"" + name + "\"")
            .replace(">West<", ">Büro West<");
    var e =
        reader
            .read(DeliveryReader.Source.of(xml.getBytes(charset)), DeliveryReader.Progress.NONE)
            .envelope();
    assertThat(e.spaces().get(0).name()).isEqualTo("Büro West");
  }

  @Test
  void refusals() {
    assertRefused("", "empty");
    assertRefused("   \n\t ", "nothing but blanks");
    assertRefused("PK\u0003\u0004rest", "zip");
    assertRefused("{\"a\":1}", "the member a is not known");
    assertRefused("[1]", "no plan document");
    assertRefused("<kml/>", "<kml>");
    assertRefused(" ".repeat(70_000) + "<gbXML/>", "more than 65536 blank bytes");
  }

  private void assertRefused(String content, String says) {
    assertThatThrownBy(() -> reader.read(text(content), DeliveryReader.Progress.NONE))
        .isInstanceOfSatisfying(UnreadableException.class, e -> assertThat(e.line()).isPositive())
        .hasMessageContaining(says);
  }

  @Test
  void aFileOverTheLimitIsNotOpenedFurther() {
    DeliveryReader small = new DeliveryReader(new ReadLimits(100, 10, 50, 50), Fixtures.TOLERANCE);
    assertThatThrownBy(
            () -> small.read(text("<gbXML>" + "x".repeat(200)), DeliveryReader.Progress.NONE))
        .hasMessageContaining("reads files of up to");
  }

  @Test
  void moreObjectsThanTheLimitAreRefusedWithTheirPlace() {
    DeliveryReader few =
        new DeliveryReader(new ReadLimits(10_000_000, 16, 900, 65_536), Fixtures.TOLERANCE);
    String many =
        "<gbXML xmlns='http://www.gbxml.org/schema' version='6.01'><Campus id='c'><Building id='b'>"
            + "<Space id='s'/>\n".repeat(100)
            + "</Building></Campus></gbXML>";
    assertThatThrownBy(() -> few.read(text(many), DeliveryReader.Progress.NONE))
        .isInstanceOfSatisfying(
            UnreadableException.class, e -> assertThat(e.line()).isBetween(2, 6))
        .hasMessageContaining("objects of one kind");
  }

  @Test
  void progressGoesUpToTheWholeAndMayStopTheReading() throws Exception {
    List<Long> told = new ArrayList<>();
    byte[] file = Fixtures.write(Fixtures.rooms());
    reader.read(DeliveryReader.Source.of(file), (done, all) -> told.add(done));
    assertThat(told).isSorted().last().isEqualTo((long) file.length);
    assertThatThrownBy(
            () ->
                reader.read(
                    DeliveryReader.Source.of(file),
                    (done, all) -> {
                      throw new IllegalStateException("stop");
                    }))
        .hasMessageContaining("stop");
  }

  @Test
  void aSourceThatFailsIsNoUnreadableFile() {
    DeliveryReader.Source broken =
        new DeliveryReader.Source() {
          @Override
          public InputStream open() throws IOException {
            throw new IOException("disk gone");
          }

          @Override
          public long length() {
            return 10;
          }
        };
    assertThatThrownBy(() -> reader.read(broken, DeliveryReader.Progress.NONE))
        .isInstanceOf(IOException.class)
        .hasMessage("disk gone");
  }

  @Test
  void theInventoryCountsWhatIsThere() throws Exception {
    Inventory i = Inventory.of(DeliveryReader.Source.of(Fixtures.write(Fixtures.rooms())));
    assertThat(i.classes().get("Space").objects()).isEqualTo(2);
    assertThat(i.classes().get("Surface").objects()).isEqualTo(11);
    assertThat(i.facts()).containsEntry("version", "6.01").containsEntry("lengthUnit", "Meters");
    long bytes = i.classes().values().stream().mapToLong(Inventory.Count::bytes).sum();
    assertThat(bytes).isBetween(i.bytes() * 9 / 10, i.bytes());
  }

  @Test
  void readingTwiceGivesTheSame() throws Exception {
    byte[] file = Fixtures.write(Fixtures.rooms());
    var a = reader.read(DeliveryReader.Source.of(file), DeliveryReader.Progress.NONE).envelope();
    var b = reader.read(DeliveryReader.Source.of(file), DeliveryReader.Progress.NONE).envelope();
    assertThat(EnvelopeDifference.between(a, b, Fixtures.TOLERANCE)).isEmpty();
    assertThat(a.parts()).isEqualTo(b.parts());
  }
}
