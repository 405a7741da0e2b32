package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.rooms;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.Remedies;
import yentra.core.check.run.RemedySweep;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.repair.Several;

/** One remedy for many findings, whether it is one step or several. */
class RemedySweepTest {
  private static Space room(String key, String zone, String use) {
    return rooms().spaces().get(0).with().key(key).zone(zone).use(use).build();
  }

  /** A zone of three uses, which takes two steps to part, and one of two. */
  private static Envelope mixedZones() {
    List<Space> spaces = new ArrayList<>();
    int n = 0;
    for (String use : List.of("OfficeEnclosed", "Corridor", "Restrooms")) {
      spaces.add(room("p" + n++, "z-1", use));
    }
    for (String use : List.of("OfficeEnclosed", "Corridor")) {
      spaces.add(room("q" + n++, "z-2", use));
    }
    Zone first = rooms().zones().get(0);
    return rooms()
        .withSpaces(spaces)
        .withZones(List.of(first, first.with().key("z-2").name("Second").build()));
  }

  @Test
  void stepsOfARemedyAreStepsOfTheWhole() throws Exception {
    Envelope e = mixedZones();
    List<Finding> mixed = check(e).stream().filter(f -> f.code().equals("USE-904")).toList();
    assertThat(mixed).hasSize(2);
    CheckContext c = new CheckContext(e, Limits.STANDARD, TOLERANCE);
    List<Remedy> offered = mixed.stream().map(f -> new Remedies(c).of(f).get(0)).toList();
    assertThat(offered.stream().filter(r -> r.repair() instanceof Several)).hasSize(1);
    for (Remedy like : offered) {
      RemedySweep sweep = RemedySweep.of(c, mixed, like.repair());
      assertThat(sweep.left()).isEmpty();
      assertThat(sweep.repair().repairs()).hasSize(3).noneMatch(r -> r instanceof Several);
      assertThat(sweep.repair().findings()).hasSize(3);
      assertThat(check(sweep.repair().apply(e, Fixtures.RULES)))
          .noneMatch(f -> f.code().equals("USE-904"));
    }
  }
}
