package yentra.server.handover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.io.ByteArrayInputStream;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.conf.Settings;
import org.jooq.exception.DataAccessException;
import org.jooq.impl.DSL;
import org.jooq.tools.jdbc.MockConnection;
import org.jooq.tools.jdbc.MockResult;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.ProjectSettings;
import yentra.demo.DemoFiles;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.decisions.DecisionViews;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.envelope.Deliveries;
import yentra.server.web.Problem;

/** What is written, and what stands against it: nothing is kept that was not meant. */
class HandoversTest {
  private static final UUID DELIVERY = new UUID(0, 1);
  private static final Instant NOW = Instant.parse("2026-03-01T12:00:00Z");

  private final DeliveryStore store = mock(DeliveryStore.class);
  private final Deliveries deliveries = mock(Deliveries.class);
  private final DeliveryStates states = mock(DeliveryStates.class);
  private final Decisions decisions = mock(Decisions.class);
  private final List<Object[]> kept = new ArrayList<>();
  private boolean broken;

  private final DSLContext db =
      DSL.using(
          new MockConnection(
              c -> {
                if (broken) {
                  throw new SQLException("gone", "08006");
                }
                if (c.sql().startsWith("insert")) {
                  kept.add(c.bindings());
                }
                return new MockResult[] {new MockResult(1)};
              }),
          SQLDialect.POSTGRES,
          new Settings().withReturnIdentityOnUpdatableRecord(false));

  private Handovers handovers;
  private Envelope envelope;

  @BeforeEach
  void deliver() throws Exception {
    handovers =
        new Handovers(
            db,
            store,
            deliveries,
            states,
            decisions,
            JsonMapper.builder().build(),
            Clock.fixed(NOW, ZoneOffset.UTC),
            () -> new UUID(5, 5),
            ReadLimits.standard());
    envelope =
        GbxmlReader.read(new ByteArrayInputStream(DemoFiles.soundGbxml()), ReadLimits.standard());
    DeliveryRecord d = new DeliveryRecord();
    d.setId(DELIVERY);
    d.setFileName("marram-point.xml");
    when(store.get(DELIVERY)).thenReturn(d);
    when(states.asDelivered(d)).thenReturn(envelope);
    decided(Map.of());
    state(List.of());
  }

  private void decided(Map<FindingId, DecisionViews.AcceptanceView> accepted) {
    when(decisions.of(any(), any(), any())).thenReturn(new Decisions.Known(accepted, Map.of()));
  }

  private DeliveryStates.State state(List<Finding> findings) {
    CheckRun run = CheckRun.of(new CheckContext(envelope, Limits.STANDARD, Tolerance.standard()));
    DeliveryStates.State s =
        new DeliveryStates.State(3, ProjectSettings.NONE, null, null, null, run, findings);
    when(deliveries.state(DELIVERY)).thenReturn(s);
    return s;
  }

  /** Findings of the faulty demo, which has some of every severity. */
  private static List<Finding> faults() throws Exception {
    Envelope e =
        GbxmlReader.read(new ByteArrayInputStream(DemoFiles.faultyGbxml()), ReadLimits.standard());
    return CheckRun.of(new CheckContext(e, Limits.STANDARD, Tolerance.standard())).findings();
  }

  @Test
  void aSoundStateIsWrittenAndKept() {
    HandoverViews.HandoverView v = handovers.make(DELIVERY, 3, false, "A. Person");
    assertThat(kept).hasSize(1);
    assertThat(v.fileName()).isEqualTo("marram-point-handover-v3.xml");
    assertThat(v.id()).isEqualTo(new UUID(5, 5));
    assertThat(v.madeAt()).isEqualTo(NOW);
    assertThat(v.madeBy()).isEqualTo("A. Person");
    assertThat(v.version()).isEqualTo(3);
    assertThat(v.differences()).isEmpty();
    assertThat(v.accepted()).isEmpty();
    assertThat(v.size()).isGreaterThan(10_000);
    assertThat(v.sha256()).matches("[0-9a-f]{64}");
  }

  @Test
  void aStateThatIsNoLongerTheNewestIsNotWritten() {
    when(store.since(any(), anyLong())).thenReturn(List.of("B. Person: Deletes a wall."));
    assertThatThrownBy(() -> handovers.make(DELIVERY, 2, false, "A. Person"))
        .isInstanceOf(Problem.class);
    assertThat(kept).isEmpty();
    verifyNoInteractions(decisions);
  }

  @Test
  void openBlockersNeedADecision() throws Exception {
    List<Finding> faults = faults();
    long blockers = faults.stream().filter(f -> f.severity() == Severity.BLOCKER).count();
    assertThat(blockers).isPositive();
    state(faults);
    assertThatThrownBy(() -> handovers.make(DELIVERY, 3, false, "A. Person"))
        .isInstanceOf(Problem.class)
        .hasMessageContaining(String.valueOf(blockers));
    assertThat(kept).isEmpty();
    HandoverViews.HandoverView v = handovers.make(DELIVERY, 3, true, "A. Person");
    assertThat(v.blockers()).isEqualTo((int) blockers);
    assertThat(v.errors())
        .isEqualTo((int) faults.stream().filter(f -> f.severity() == Severity.ERROR).count());
  }

  /** What was accepted is not open, and goes beside the file; what no longer holds is open. */
  @Test
  void acceptedFindingsGoWithTheFile() throws Exception {
    List<Finding> blockers =
        faults().stream().filter(f -> f.severity() == Severity.BLOCKER).toList();
    Map<FindingId, DecisionViews.AcceptanceView> all = new HashMap<>();
    blockers.forEach(
        f -> all.put(f.id(), new DecisionViews.AcceptanceView("as built", "B. Person", NOW, true)));
    state(blockers);
    decided(all);
    HandoverViews.HandoverView v = handovers.make(DELIVERY, 3, false, "A. Person");
    assertThat(v.blockers()).isZero();
    assertThat(v.accepted()).hasSize(blockers.size());
    assertThat(v.accepted().get(0).reason()).isEqualTo("as built");
    assertThat(v.accepted().get(0).by()).isEqualTo("B. Person");
    all.put(
        blockers.get(0).id(),
        new DecisionViews.AcceptanceView("as built", "B. Person", NOW, false));
    decided(all);
    assertThatThrownBy(() -> handovers.make(DELIVERY, 3, false, "A. Person"))
        .isInstanceOf(Problem.class);
  }

  @Test
  void aUseThatNoReaderKnowsIsToldBeforeAnythingIsWritten() {
    envelope =
        envelope.withSpaces(
            envelope.spaces().stream().map(s -> s.with().use("Net loft").build()).toList());
    state(List.of());
    assertThatThrownBy(() -> handovers.make(DELIVERY, 3, false, "A. Person"))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("Net loft")
        .hasMessageContaining("Give another one in Thermal");
    assertThat(kept).isEmpty();
  }

  @Test
  void aDatabaseThatFailsWhileItIsKeptKeepsNothing() {
    broken = true;
    assertThatThrownBy(() -> handovers.make(DELIVERY, 3, false, "A. Person"))
        .isInstanceOf(DataAccessException.class);
    assertThat(kept).isEmpty();
  }
}
