package yentra.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.Stage;
import yentra.core.pipeline.StageOptions;

/**
 * Broken files, made from sound ones with a fixed seed: each is read, checked and written, or
 * refused with a sentence; nothing else may happen.
 */
@Execution(ExecutionMode.CONCURRENT)
class ReaderFuzzTest {
  private static final Tolerance T = Tolerance.standard();

  /** Few in every test run; {@code -Dyentra.fuzz.rounds=5000} gives 20,000 of each format. */
  private static final int ROUNDS = Integer.getInteger("yentra.fuzz.rounds", 40);

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 20261125})
  void gbxml(long seed) {
    fuzz(DemoFiles.faultyGbxml(), seed);
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 20261125})
  void ifc(long seed) {
    fuzz(DemoFiles.ifc(), seed);
  }

  private void fuzz(byte[] sound, long seed) {
    Random random = new Random(seed);
    int read = 0;
    int refused = 0;
    for (int i = 0; i < ROUNDS; i++) {
      byte[] broken = mutate(sound, random);
      boolean good =
          Assertions.assertTimeoutPreemptively(
              Duration.ofSeconds(30), () -> survives(broken), "seed " + seed + ", round " + i);
      read += good ? 1 : 0;
      refused += good ? 0 : 1;
    }
    assertThat(read).as("some broken files are still read").isPositive();
    assertThat(refused).as("some broken files are refused").isPositive();
  }

  private boolean survives(byte[] bytes) throws Exception {
    try {
      Delivery d =
          Delivery.read(
              DeliveryReader.Source.of(bytes),
              ReadLimits.standard(),
              T,
              DeliveryReader.Progress.NONE);
      Stage stage = d.stage(StageOptions.STANDARD, Watch.NONE);
      Envelope e = stage.envelope();
      List<Finding> findings = CheckCatalogue.run(stage.context());
      if (d.model() instanceof IfcModel m && findings.isEmpty()) {
        assertThat(lost(bytes, m)).as("not read, and nothing says so").isEmpty();
      }
      Handover.of(
          HandoverFormat.GBXML_6_01,
          new CheckContext(e, Limits.STANDARD, Tolerance.standard()),
          ReadLimits.standard());
      return true;
    } catch (UnreadableException e) {
      assertThat(e.getMessage()).isNotBlank().doesNotContain("Exception").hasSizeLessThan(600);
      assertThat(e.line()).isPositive();
      return false;
    }
  }

  /** Lines that begin an instance which the model does not hold, or whose body is not there. */
  private static List<String> lost(byte[] bytes, IfcModel model) {
    return new String(bytes, StandardCharsets.ISO_8859_1)
        .lines()
        .filter(l -> l.matches("#\\d{1,9}=.*"))
        .filter(
            l -> {
              int n = Integer.parseInt(l.substring(1, l.indexOf('=')));
              String type = l.substring(l.indexOf('=') + 1).split("\\(")[0].strip();
              boolean element = model.entities().is(type, "IfcProduct", "IfcGroup");
              return !model.file().has(n) || element && model.element(n).isEmpty();
            })
        .toList();
  }

  private static byte[] mutate(byte[] sound, Random random) {
    byte[] b = sound.clone();
    int at = random.nextInt(b.length);
    switch (random.nextInt(6)) {
      case 0 -> b = Arrays.copyOf(b, at);
      case 1 -> {
        for (int i = 0; i < 1 + random.nextInt(20); i++) {
          b[random.nextInt(b.length)] = (byte) random.nextInt(256);
        }
      }
      case 2 -> {
        int to = Math.min(b.length, at + 1 + random.nextInt(400));
        byte[] less = new byte[b.length - (to - at)];
        System.arraycopy(b, 0, less, 0, at);
        System.arraycopy(b, to, less, at, b.length - to);
        b = less;
      }
      case 3 -> b = number(b, random, "NaN");
      case 4 -> b = number(b, random, "-1e308");
      default -> b = number(b, random, "0");
    }
    return b;
  }

  /** Replaces a few numbers by another. */
  private static byte[] number(byte[] b, Random random, String by) {
    String s = new String(b, StandardCharsets.ISO_8859_1);
    StringBuilder out = new StringBuilder();
    java.util.regex.Matcher m =
        java.util.regex.Pattern.compile("(?<=[>(,])-?\\d+\\.?\\d*(?=[<),])").matcher(s);
    while (m.find()) {
      m.appendReplacement(out, random.nextInt(200) == 0 ? by : m.group());
    }
    return m.appendTail(out).toString().getBytes(StandardCharsets.ISO_8859_1);
  }
}
