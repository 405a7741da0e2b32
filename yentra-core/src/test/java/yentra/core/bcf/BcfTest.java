package yentra.core.bcf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Vec3;

/** Element names and their order follow the schemas of BCF 2.1 and 3.0, from memory. */
class BcfTest {
  private static final String GUID = "5f0c3f0e-6a3e-3d3b-9a53-0c2b8e0f7d11";

  private static BcfTopic topic() {
    return new BcfTopic(
        GUID,
        "Kitchen is not enclosed & \"open\"",
        "A hole of 1.42 m².\u0001",
        "Error",
        "Open",
        "blocker",
        List.of("SPC-401"),
        Instant.parse("2026-03-01T10:00:00.5Z"),
        "A. Person",
        List.of(
            new BcfTopic.Component("0123456789abcdefghijkl", "sp_1"),
            new BcfTopic.Component(null, "su-12")),
        BcfTopic.Camera.of(new Vec3(1, 2, 3), 10),
        new byte[] {(byte) 0x89, 'P', 'N', 'G'});
  }

  private static byte[] write(BcfVersion v) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    BcfWriter.write(
        List.of(topic()), v, "Marram Point", "11111111-2222-3333-4444-555555555555", out);
    return out.toByteArray();
  }

  private static String entry(byte[] zip, String name) throws IOException {
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        if (e.getName().equals(name)) {
          return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
      }
    }
    return null;
  }

  @ParameterizedTest
  @EnumSource(BcfVersion.class)
  void whatIsWrittenIsReadBack(BcfVersion v) throws Exception {
    byte[] zip = write(v);
    assertThat(write(v)).isEqualTo(zip);
    assertThat(entry(zip, "bcf.version")).contains("VersionId=\"" + v.id() + "\"");
    String view = entry(zip, GUID + "/viewpoint.bcfv");
    assertThat(view)
        .contains("IfcGuid=\"0123456789abcdefghijkl\"")
        .contains("<AuthoringToolId>su-12</AuthoringToolId>")
        .contains("<CameraViewPoint><X>");
    assertThat(view.contains("<AspectRatio>")).isEqualTo(v == BcfVersion.V3_0);
    assertThat(entry(zip, GUID + "/snapshot.png")).isNotNull();
    assertThat(entry(zip, "extensions.xml") != null).isEqualTo(v == BcfVersion.V3_0);
    assertThat(BcfReader.read(zip))
        .singleElement()
        .satisfies(
            a -> {
              assertThat(a.guid()).isEqualTo(GUID);
              assertThat(a.title()).isEqualTo("Kitchen is not enclosed & \"open\"");
              assertThat(a.status()).isEqualTo("Open");
              assertThat(a.labels()).containsExactly("SPC-401");
              assertThat(a.comments()).isEmpty();
            });
  }

  private static byte[] zip(String name, String text) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream z = new ZipOutputStream(out)) {
      z.putNextEntry(new ZipEntry("bcf.version"));
      z.write("<Version VersionId=\"2.1\"/>".getBytes(StandardCharsets.UTF_8));
      z.putNextEntry(new ZipEntry(name));
      z.write(text.getBytes(StandardCharsets.UTF_8));
    }
    return out.toByteArray();
  }

  @Test
  void answersOfBothVersionsAreRead() throws Exception {
    String two =
        "<Markup><Topic Guid='ABC' TopicStatus='Closed'><Title>T</Title></Topic>"
            + "<Comment Guid='1'><Date>2026-01-01T00:00:00Z</Date><Author>B</Author><Comment>Done in model</Comment></Comment>"
            + "<Comment Guid='2'><Date>d</Date><Author>C</Author><Comment></Comment></Comment></Markup>";
    String three =
        "<Markup><Topic Guid='abc' TopicStatus='Closed'><Title>T</Title><Comments>"
            + "<Comment Guid='1'><Date>2026-01-01T00:00:00Z</Date><Author>B</Author><Comment>Done in model</Comment></Comment>"
            + "</Comments></Topic></Markup>";
    for (String text : List.of(two, three)) {
      assertThat(BcfReader.read(zip("x/markup.bcf", text)))
          .containsExactly(
              new BcfAnswer(
                  "abc",
                  "T",
                  "Closed",
                  List.of(),
                  List.of(new BcfAnswer.Comment("2026-01-01T00:00:00Z", "B", "Done in model"))));
    }
  }

  @Test
  void whatIsNoBcfIsRefusedWithAReason() throws Exception {
    assertThatThrownBy(() -> BcfReader.read("no zip".getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(UnreadableException.class)
        .hasMessageContaining("damaged");
    assertThatThrownBy(() -> BcfReader.read(zip("x/markup.bcf", "<Markup><Topic>")))
        .hasMessageContaining("no valid XML");
    String bomb =
        "<!DOCTYPE a [<!ENTITY b 'bbbb'>]><Markup><Topic Guid='g'><Title>&b;</Title></Topic></Markup>";
    assertThatThrownBy(() -> BcfReader.read(zip("x/markup.bcf", bomb)))
        .isInstanceOf(UnreadableException.class);
    assertThat(BcfReader.read(zip("x/other.txt", "x"))).isEmpty();
  }

  @Test
  void brokenArchivesEndInAnAnswerOrAReason() throws Exception {
    byte[] sound = write(BcfVersion.V3_0);
    Random r = new Random(11);
    List<String> ends = new ArrayList<>();
    for (int n = 0; n < 400; n++) {
      byte[] b = sound.clone();
      for (int i = 0; i < 1 + r.nextInt(8); i++) {
        b[r.nextInt(b.length)] = (byte) r.nextInt(256);
      }
      if (r.nextInt(4) == 0) {
        b = java.util.Arrays.copyOf(b, r.nextInt(b.length));
      }
      try {
        ends.add("read " + BcfReader.read(b).size());
      } catch (UnreadableException e) {
        ends.add(e.getMessage());
      }
    }
    assertThat(ends).hasSize(400).contains("read 1").anyMatch(e -> e.contains("damaged"));
  }

  /** A picture that no viewpoint names is not shown by any reader. */
  @ParameterizedTest
  @EnumSource(BcfVersion.class)
  void theMarkupNamesTheViewpointAndItsPicture(BcfVersion v) throws Exception {
    String markup = entry(write(v), GUID + "/markup.bcf");
    assertThat(markup)
        .contains("<Viewpoint>viewpoint.bcfv</Viewpoint>")
        .contains("<Snapshot>snapshot.png</Snapshot>");
  }
}
