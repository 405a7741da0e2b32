package yentra.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.check;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.Remedies;
import yentra.core.check.run.RepairPreview;
import yentra.core.envelope.Envelope;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;

/**
 * Of every code that has remedies a model with the fault: the first remedy answers it, and of every
 * remedy the preview says truly which findings go and come, so that none makes a new blocker or
 * error in silence.
 */
class RemediesTest {
  @TestFactory
  Stream<DynamicTest> theFirstRemedyAnswersTheFault() throws Exception {
    return FaultyRooms.all().entrySet().stream()
        .map(f -> DynamicTest.dynamicTest(f.getKey(), () -> answered(f.getKey(), f.getValue())));
  }

  private static void answered(String code, Envelope e) throws Exception {
    CheckContext c = new CheckContext(e, Limits.STANDARD, TOLERANCE);
    List<Finding> before = check(e);
    Finding f =
        before.stream()
            .filter(x -> x.code().equals(code))
            .findFirst()
            .orElseThrow(() -> new AssertionError("found only " + before));
    List<Remedy> remedies = new Remedies(c).of(f);
    assertThat(remedies).as("remedies of %s", f.message()).isNotEmpty();
    assertThat(check(remedies.get(0).repair().apply(e, RULES)))
        .as(remedies.get(0).label())
        .noneMatch(x -> x.id().equals(f.id()));
    for (Remedy r : remedies) {
      // where a value comes from stands in the library and the dossier, not in every sentence
      assertThat(r.label() + r.repair().make(e, RULES, c.naming()).summary())
          .doesNotContain("memory", "after EN", "after ISO", "ISO 6946", "EN 16798", "ISO 10456");
      Envelope then;
      try {
        then = r.repair().apply(e, RULES);
      } catch (NotApplicableException x) {
        // said when it is tried; nothing is changed
        continue;
      }
      RepairPreview p = RepairPreview.of(CheckRun.of(c), r.repair());
      Set<String> said = ids(before);
      said.removeAll(ids(p.resolved()));
      said.addAll(ids(p.added()));
      assertThat(said).as(r.label()).isEqualTo(ids(check(then)));
    }
  }

  private static Set<String> ids(List<Finding> list) {
    Set<String> out = new HashSet<>();
    list.forEach(f -> out.add(f.id().toString()));
    return out;
  }
}
