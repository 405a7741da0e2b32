package yentra.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yentra.core.boundary.SpaceVolume;
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
import yentra.core.finding.Severity;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.StageOptions;

/**
 * What is written is read by a reader that is none of ours, and checked by us again: no blocker or
 * error that was not there before. Of the demo in all its forms, of the house in Debian's
 * assimp-testmodels, and of the acceptance cases where they stand beside this checkout.
 */
class WrittenFilesTest {
  private static final Tolerance T = Tolerance.standard();

  @ParameterizedTest(name = "{0}")
  @MethodSource("yentra.demo.WrittenCases#all")
  void whatIsWrittenIsSound(WrittenCases.Case c) throws Exception {
    Envelope e;
    try {
      e = read(c.bytes());
    } catch (UnreadableException hostile) {
      return;
    }
    CheckContext before = new CheckContext(e, Limits.STANDARD, T);
    List<Finding> found = CheckCatalogue.run(before);
    Handover h =
        Handover.of(
            HandoverFormat.GBXML_6_01,
            new CheckContext(e, Limits.STANDARD, Tolerance.standard()),
            ReadLimits.standard());
    assertThat(h.differences()).isEmpty();
    Set<String> enclosed = new HashSet<>();
    for (SpaceVolume v : before.volumes().all()) {
      if (v.enclosed()) {
        enclosed.add(v.space().key());
      }
    }
    Set<String> flawed = new HashSet<>();
    found.stream()
        .filter(
            f ->
                f.code().startsWith("SPC-409")
                    || f.code().startsWith("SPC-41")
                    || f.code().startsWith("ADJ-506")
                    || f.code().startsWith("GEO-3")
                    || f.code().startsWith("ADJ-5"))
        .forEach(f -> flawed.addAll(spacesOf(e, f)));
    enclosed.removeAll(flawed);
    Set<String> loose = new HashSet<>();
    found.stream().filter(f -> f.code().startsWith("OPN")).forEach(f -> loose.addAll(f.objects()));
    List<String> faults =
        PlainGbxml.of(h.bytes()).faults(1 / e.delivered().length().metres(), enclosed, loose);
    Set<String> dangling = new HashSet<>();
    found.stream()
        .filter(f -> f.code().equals("FMT-104"))
        .forEach(f -> dangling.add(f.subject().replaceFirst(".*=", "")));
    faults.removeIf(f -> dangling.stream().anyMatch(d -> f.contains(" to " + d + " ")));
    assertThat(faults).as("as another reader sees it").isEmpty();
    Envelope back = GbxmlReader.read(new ByteArrayInputStream(h.bytes()), ReadLimits.standard());
    assertThat(added(found, CheckCatalogue.run(new CheckContext(back, Limits.STANDARD, T))))
        .as("blockers and errors that were not there before")
        .isEmpty();
  }

  private static Set<String> spacesOf(Envelope e, Finding f) {
    Set<String> out = new HashSet<>(f.objects());
    for (String key : f.objects()) {
      e.surface(key)
          .or(() -> e.parentOf(key))
          .ifPresent(s -> s.sides().forEach(x -> out.add(x.space())));
    }
    return out;
  }

  private static Envelope read(byte[] bytes) throws UnreadableException, IOException {
    return Delivery.read(
            DeliveryReader.Source.of(bytes), ReadLimits.standard(), T, DeliveryReader.Progress.NONE)
        .stage(StageOptions.STANDARD, Watch.NONE)
        .envelope();
  }

  private static List<String> added(List<Finding> before, List<Finding> after) {
    Map<String, Integer> count = new HashMap<>();
    before.stream()
        .filter(WrittenFilesTest::isGrave)
        .forEach(f -> count.merge(f.code(), 1, Integer::sum));
    List<String> out = new ArrayList<>();
    for (Finding f : after) {
      if (isGrave(f) && count.merge(f.code(), -1, Integer::sum) < 0) {
        out.add(f.code() + " " + f.message());
      }
    }
    return out;
  }

  private static boolean isGrave(Finding f) {
    return f.severity() == Severity.BLOCKER || f.severity() == Severity.ERROR;
  }
}
