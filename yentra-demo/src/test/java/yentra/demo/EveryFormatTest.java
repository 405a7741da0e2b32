package yentra.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yentra.core.boundary.Watch;
import yentra.core.check.mend.Planner;
import yentra.core.check.mend.RepairPlan;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.BalanceLine;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.exchange.HandoverMaker;
import yentra.core.exchange.proof.Proof;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.HandoverSubject;
import yentra.core.pipeline.Stage;
import yentra.core.pipeline.StageOptions;

/**
 * Every format of every file, as delivered and as the plan of repairs leaves it: read back equal,
 * or held against the envelope by other readers.
 */
class EveryFormatTest {
  @ParameterizedTest(name = "{0}")
  @MethodSource("yentra.demo.WrittenCases#all")
  void everyFormatSaysWhatTheEnvelopeSays(WrittenCases.Case c) throws Exception {
    Stage stage;
    try {
      stage =
          Delivery.read(
                  DeliveryReader.Source.of(c.bytes()),
                  ReadLimits.standard(),
                  Tolerance.standard(),
                  DeliveryReader.Progress.NONE)
              .stage(StageOptions.STANDARD, Watch.NONE);
    } catch (UnreadableException hostile) {
      return;
    }
    CheckRun found = CheckRun.of(stage.context());
    proven(stage, found);
    RepairPlan plan = Planner.safe(found, Watch.NONE);
    if (!plan.steps().isEmpty()) {
      proven(stage, plan.after());
    }
  }

  private static void proven(Stage stage, CheckRun now) throws Exception {
    HandoverMaker maker =
        new HandoverMaker(
            HandoverSubject.of(
                stage.whole(), stage.scope(), stage.result(), stage.context(), now.context()),
            HandoverMaker.Options.STANDARD,
            ReadLimits.standard());
    Set<String> flawed = Proof.flawed(now.context().envelope(), now.findings());
    boolean spoilt = now.findings().stream().anyMatch(f -> f.code().startsWith("FMT"));
    List<BalanceLine> balance = null;
    for (HandoverFormat f : HandoverFormat.values()) {
      Handover h = maker.make(f, balance);
      balance = balance == null ? maker.balance(h) : balance;
      Proof.of(h, maker.part(), flawed);
      if (!spoilt) {
        assertThat(h.faults()).as(f.code()).isEmpty();
      }
    }
  }
}
