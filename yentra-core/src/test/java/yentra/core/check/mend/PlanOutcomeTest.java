package yentra.core.check.mend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yentra.core.check.mend.PlannerTest.check;
import static yentra.core.check.mend.PlannerTest.sound;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CancellationException;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.Watch;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Surface;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Severity;
import yentra.core.plan.PlanFixtures;
import yentra.core.plan.RandomPlan;

/** A plan of which somebody takes a part, and answers what it leaves open. */
class PlanOutcomeTest {
  private static PlanOutcome without(RepairPlan plan, Integer... numbers) {
    return PlanOutcome.of(plan, Set.of(numbers), List.of(), Watch.NONE);
  }

  private static Set<FindingId> serious(CheckRun run) {
    Set<FindingId> out = new HashSet<>();
    for (Finding f : run.findings()) {
      if (f.severity() == Severity.BLOCKER || f.severity() == Severity.ERROR) {
        out.add(f.id());
      }
    }
    return out;
  }

  @Property(tries = 12, seed = "2026")
  void whatIsTakenWorksWhateverIsLeftOut(@ForAll @LongRange(min = 0, max = 1L << 40) long seed)
      throws Exception {
    Envelope spoilt = Spoiler.of(sound(new RandomPlan(seed).json()), seed, 6).envelope();
    CheckRun start = check(spoilt);
    RepairPlan plan = Planner.safe(start, Watch.NONE);
    Random random = new Random(seed);
    Set<Integer> without = new TreeSet<>();
    for (int i = 0; i < plan.steps().size(); i++) {
      if (random.nextInt(3) == 0) {
        without.add(i);
      }
    }
    PlanOutcome made = PlanOutcome.of(plan, without, List.of(), Watch.NONE);
    assertThat(made.plan().steps().size() + made.gone().size() + without.size())
        .isEqualTo(plan.steps().size());
    assertThat(made.gone().keySet()).noneMatch(without::contains);
    assertThat(made.gone().values()).noneMatch(String::isBlank);
    if (made.plan().repair("Plan") != null) {
      Envelope replayed = made.plan().repair("Plan").apply(spoilt, start.context().rules());
      assertThat(replayed.surfaces())
          .isEqualTo(made.plan().after().context().envelope().surfaces());
    }
    assertThat(serious(start)).containsAll(serious(made.plan().after()));
  }

  @Test
  void allOrNothing() {
    CheckRun start = check(Spoiler.of(sound(PlanFixtures.STORE), 1, 5).envelope());
    RepairPlan plan = Planner.safe(start, Watch.NONE);
    assertThat(plan.steps()).hasSizeGreaterThan(2);
    assertThat(without(plan).plan()).isEqualTo(plan);
    List<Integer> all = new ArrayList<>();
    for (int i = 0; i < plan.steps().size(); i++) {
      all.add(i);
    }
    PlanOutcome nothing = without(plan, all.toArray(Integer[]::new));
    assertThat(nothing.plan().steps()).isEmpty();
    assertThat(nothing.plan().after()).isEqualTo(start);
  }

  /** A window of a wall that is missing goes onto the wall that closes the hole. */
  @Test
  void whatBuildsOnAStepGoesWithIt() {
    Envelope e = sound(PlanFixtures.STORE);
    Surface wall =
        e.surfaces().stream()
            .filter(s -> s.sides().size() == 1 && s.openings().size() == 1)
            .findFirst()
            .orElseThrow();
    RepairPlan plan =
        Planner.safe(check(e.withoutSurface(wall.key()).withOrphans(wall.openings())), Watch.NONE);
    assertThat(codes(plan)).containsExactly("SPC-401", "OPN-607");
    assertThat(without(plan, 1).gone()).isEmpty();
    assertThat(codes(without(plan, 1).plan())).containsExactly("SPC-401");
    PlanOutcome open = without(plan, 0);
    assertThat(open.plan().steps()).isEmpty();
    assertThat(open.gone()).containsOnlyKeys(1);
    assertThat(open.gone().get(1)).isNotBlank();
  }

  private static List<String> codes(RepairPlan plan) {
    return plan.steps().stream().map(s -> s.finding().code()).toList();
  }

  @Test
  void whatIsLeftOpenIsAnsweredByAJudgement() {
    RepairPlan plan = Planner.safe(check(PlannerTest.withAWallOfNothing()), Watch.NONE);
    RepairPlan.Open open =
        plan.open(f -> true).stream()
            .filter(o -> o.finding().code().equals("THM-701"))
            .findFirst()
            .orElseThrow();
    PlanOutcome made =
        PlanOutcome.of(
            plan,
            Set.of(),
            List.of(new PlanOutcome.Answer(open.finding(), open.choices().get(0))),
            Watch.NONE);
    assertThat(made.unanswered()).isEmpty();
    assertThat(made.plan().steps()).hasSize(plan.steps().size() + 1);
    assertThat(made.plan().after().findings().stream().map(Finding::code))
        .doesNotContain("THM-701");
  }

  @Test
  void itCanBeCancelled() {
    RepairPlan plan =
        Planner.safe(check(Spoiler.of(sound(PlanFixtures.STORE), 1, 5).envelope()), Watch.NONE);
    assertThatThrownBy(
            () ->
                PlanOutcome.of(
                    plan,
                    Set.of(0),
                    List.of(),
                    share -> {
                      throw new CancellationException();
                    }))
        .isInstanceOf(CancellationException.class);
  }
}
