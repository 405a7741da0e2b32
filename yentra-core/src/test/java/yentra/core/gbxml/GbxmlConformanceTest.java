package yentra.core.gbxml;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.rooms;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.ReadLimits;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.finding.Limits;
import yentra.core.geometry.Tolerance;

/** What is written keeps the letter of its version, and what does not is told by place. */
class GbxmlConformanceTest {
  private static String written(GbxmlVersion version) {
    HandoverFormat f = HandoverFormat.named("gbxml-" + version.code()).orElseThrow();
    CheckContext c = new CheckContext(rooms(), Limits.STANDARD, Tolerance.standard());
    return new String(Handover.of(f, c, ReadLimits.standard()).bytes(), StandardCharsets.UTF_8);
  }

  private static List<String> faults(String document, GbxmlVersion version) {
    return GbxmlConformance.faults(
        new ByteArrayInputStream(document.getBytes(StandardCharsets.UTF_8)), version);
  }

  @ParameterizedTest
  @EnumSource
  void whatIsWrittenHasNoFault(GbxmlVersion version) {
    String text = written(version);
    assertThat(text).contains("version=\"" + version.code() + "\"");
    assertThat(faults(text, version)).isEmpty();
  }

  /** One spoilt place each; the sentence names it. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "surfaceType=\"Roof\"|surfaceType=\"Lid\"|has surfaceType \"Lid\", which is no literal",
        " surfaceType=\"Roof\"||lacks surfaceType",
        "spaceIdRef=\"a\"|spaceIdRef=\"nowhere\"|\"nowhere\", which there is not",
        "constructionIdRef=\"con-1\"|constructionIdRef=\"a\"|refers by constructionIdRef to a, which is a Space",
        "<ZipcodeOrPostalCode>00000</ZipcodeOrPostalCode>||lacks ZipcodeOrPostalCode",
        "<Azimuth>|<Azimuth>east |holds \"east ",
        "temperatureUnit=\"C\"|temperatureUnit=\"Celsius\"|temperatureUnit \"Celsius\"",
        "<Campus id=\"|<Campus id=\"7|has an id that is no XML name",
        "</gbXML>|<Campus></gbXML>|not well-formed",
        "<gbXML |<GBXML |not well-formed",
      })
  void whatIsSpoiltIsTold(String what, String by, String said) {
    String sound = written(GbxmlVersion.V6_01);
    assertThat(sound).contains(what);
    String spoilt = sound.replaceFirst(java.util.regex.Pattern.quote(what), by == null ? "" : by);
    assertThat(String.join("\n", faults(spoilt, GbxmlVersion.V6_01))).contains(said);
  }

  @Test
  void orderAndNumberOfElementsAreThoseOfTheSchema() {
    String sound = written(GbxmlVersion.V6_01);
    String area = sound.replaceAll("(?s).*?(<Area>[^<]*</Area>\\s*<Volume>[^<]*</Volume>).*", "$1");
    String[] both = area.split("(?=<Volume>)");
    assertThat(faults(sound.replace(area, both[1] + both[0]), GbxmlVersion.V6_01))
        .anyMatch(f -> f.contains("has Area behind Volume"));
    assertThat(faults(sound.replace(area, area + both[1]), GbxmlVersion.V6_01))
        .anyMatch(f -> f.contains("has more than one Volume"));
  }

  @Test
  void aVersionKnowsNothingOfLaterOnes() {
    String older = written(GbxmlVersion.V0_37);
    String sun = older.replaceFirst("surfaceType=", "exposedToSun=\"true\" surfaceType=");
    assertThat(faults(sun, GbxmlVersion.V0_37))
        .anyMatch(f -> f.contains("exposedToSun, which version 0.37 does not know"));
    assertThat(faults(sun.replace("version=\"0.37\"", "version=\"6.01\""), GbxmlVersion.V6_01))
        .isEmpty();
  }

  /** Whatever the bytes are, they are answered with sentences and no more. */
  @Test
  void spoiltBytesAreNoTrouble() {
    byte[] sound = written(GbxmlVersion.V7_03).getBytes(StandardCharsets.UTF_8);
    Random random = new Random(22);
    for (int i = 0; i < 300; i++) {
      byte[] b = sound.clone();
      for (int k = 0; k < 1 + random.nextInt(6); k++) {
        b[random.nextInt(b.length)] = (byte) random.nextInt(256);
      }
      assertThat(GbxmlConformance.faults(new ByteArrayInputStream(b), GbxmlVersion.V7_03))
          .isNotNull();
    }
    String bomb =
        "<!DOCTYPE gbXML [<!ENTITY a \"aaaa\"><!ENTITY x SYSTEM \"file:///etc/passwd\">]><gbXML>&x;&a;</gbXML>";
    assertThat(faults(bomb, GbxmlVersion.V7_03)).isNotEmpty().noneMatch(f -> f.contains("root:"));
  }
}
