package yentra.server.handover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.exchange.UnitSystem;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.intake.ProjectSettings;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.Stage;
import yentra.core.pipeline.StageOptions;
import yentra.demo.DemoFiles;
import yentra.server.YentraSettings;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.decisions.DecisionViews;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.envelope.Deliveries;
import yentra.server.estimate.WeatherFiles;
import yentra.server.findings.Topics;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Hashes;
import yentra.server.web.Problem;

/** What is written, and what stands against it: nothing is kept that was not meant. */
class HandoversTest {
  private static final UUID DELIVERY = new UUID(0, 1);
  private static final Instant NOW = Instant.parse("2026-03-01T12:00:00Z");

  private final DeliveryStore store = mock(DeliveryStore.class);
  private final Deliveries deliveries = mock(Deliveries.class);
  private final DeliveryStates states = mock(DeliveryStates.class);
  private final Decisions decisions = mock(Decisions.class);
  private final HandoverStore kept = mock(HandoverStore.class);
  private final Topics topics = mock(Topics.class);
  private final List<HandoverStore.Kept> keptOnes = new ArrayList<>();
  private final List<HandoverStore.FileRow> files = new ArrayList<>();
  @TempDir private Path folder;

  private Handovers handovers;
  private Stage stage;
  private Envelope envelope;
  private final DeliveryRecord delivery = new DeliveryRecord();

  @BeforeEach
  void deliver() throws Exception {
    ProjectStore projects = mock(ProjectStore.class);
    when(projects.name(any())).thenReturn("Marram Point");
    handovers =
        new Handovers(
            store,
            deliveries,
            states,
            decisions,
            projects,
            mock(WeatherFiles.class),
            topics,
            kept,
            new HandoverFolder(new YentraSettings(false, 1, folder, folder)),
            JsonMapper.builder().build(),
            Clock.fixed(NOW, ZoneOffset.UTC),
            () -> new UUID(5, 5),
            new MadeFiles(ReadLimits.standard()));
    stage =
        Delivery.read(
                DeliveryReader.Source.of(DemoFiles.soundGbxml()),
                ReadLimits.standard(),
                Tolerance.standard(),
                DeliveryReader.Progress.NONE)
            .stage(StageOptions.STANDARD, Watch.NONE);
    envelope = stage.envelope();
    delivery.setId(DELIVERY);
    delivery.setProjectId(new UUID(0, 9));
    delivery.setFileName("marram-point.xml");
    delivery.setPart(1);
    delivery.setRevision(1);
    delivery.setSize(100L);
    delivery.setSha256("00");
    delivery.setLogPosition(0);
    when(store.get(DELIVERY)).thenReturn(delivery);
    when(store.loaded(DELIVERY)).thenReturn(new DeliveryStore.Loaded(delivery, List.of()));
    when(states.asDelivered(delivery)).thenReturn(envelope);
    doAnswer(
            call -> {
              keptOnes.add(call.getArgument(0));
              files.addAll(call.getArgument(1));
              return null;
            })
        .when(kept)
        .keep(any(), any());
    decided(Map.of());
    state(List.of());
  }

  private void decided(Map<FindingId, DecisionViews.AcceptanceView> accepted) {
    when(decisions.of(any(), any(), any())).thenReturn(new Decisions.Known(accepted, Map.of()));
  }

  private DeliveryStates.State state(List<Finding> findings) {
    CheckContext context = stage.context().with(envelope);
    DeliveryStates.State s =
        new DeliveryStates.State(
            3,
            ProjectSettings.NONE,
            stage.whole(),
            stage.scope(),
            stage.result(),
            stage.context(),
            CheckRun.of(context),
            findings);
    when(deliveries.state(DELIVERY)).thenReturn(s);
    return s;
  }

  private static HandoverViews.HandoverRequest ask(long version, boolean all, String... formats) {
    return new HandoverViews.HandoverRequest(
        version, all, List.of(formats), null, null, null, false, false);
  }

  private static HandoverViews.HandoverRequest part(HandoverViews.PartBy by, String... of) {
    return new HandoverViews.HandoverRequest(
        3,
        false,
        List.of(),
        new HandoverViews.PartView(by, List.of(of)),
        null,
        UnitSystem.SI,
        true,
        false);
  }

  /** Findings of the faulty demo, which has some of every severity. */
  private static List<Finding> faults() throws Exception {
    Envelope e =
        GbxmlReader.read(new ByteArrayInputStream(DemoFiles.faultyGbxml()), ReadLimits.standard());
    return CheckRun.of(new CheckContext(e, Limits.STANDARD, Tolerance.standard())).findings();
  }

  @Test
  void aSoundStateIsWrittenAndKeptWithItsRecord() throws Exception {
    handovers.make(DELIVERY, ask(3, false), "A. Person");
    assertThat(keptOnes).hasSize(1);
    HandoverStore.Kept k = keptOnes.get(0);
    assertThat(k.id()).isEqualTo(new UUID(5, 5));
    assertThat(k.part()).isEmpty();
    assertThat(k.accepted()).isEmpty();
    assertThat(k.record().made()).isEqualTo(new Provenance.Made("A. Person", NOW, 3));
    assertThat(k.record().from().fileName()).isEqualTo("marram-point.xml");
    assertThat(k.record().choice().formats()).containsExactly("gbxml-6.01");
    assertThat(files).hasSize(1);
    HandoverStore.FileRow f = files.get(0);
    assertThat(f.fileName()).isEqualTo("marram-point-handover-v3.xml");
    assertThat(f.differences()).isEmpty();
    assertThat(f.bytes().length).isGreaterThan(10_000);
    assertThat(k.record().files())
        .containsExactly(
            new Provenance.FileMade(
                "gbxml-6.01", f.fileName(), f.bytes().length, Hashes.sha256(f.bytes())));
    assertThat(k.balance()).anyMatch(l -> l.what().equals("Floor area") && l.readBack() != null);
    assertThat(folder.resolve("Marram-Point/marram-point.gbxml-6.01.xml"))
        .hasBinaryContent(f.bytes());
    assertThat(folder.resolve("Marram-Point/marram-point.record.json")).isNotEmptyFile();
  }

  @Test
  void filesOfSeveralFormatsAreToldApartByTheirNames() {
    handovers.make(
        DELIVERY, ask(3, false, "xlsx", "ifc2x3", "gbxml-7.03", "gbxml-6.01", "ifc4"), "P");
    assertThat(files)
        .extracting(HandoverStore.FileRow::fileName)
        .containsExactly(
            "marram-point-handover-v3.xml",
            "marram-point-handover-v3-gbxml-7.03.xml",
            "marram-point-handover-v3-ifc4.ifc",
            "marram-point-handover-v3-ifc2x3.ifc",
            "marram-point-handover-v3.xlsx");
    assertThatThrownBy(() -> handovers.make(DELIVERY, ask(3, false, "obj"), "P"))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("obj");
  }

  @Test
  void aPartIsMadeOfWhatIsChosen() {
    String storey = envelope.storeys().get(0).key();
    long in = envelope.spaces().stream().filter(s -> storey.equals(s.storey())).count();
    HandoverViews.LookView look =
        handovers.look(DELIVERY, part(HandoverViews.PartBy.STOREYS, storey));
    assertThat(look.spaces()).isEqualTo((int) in).isLessThan(look.all());
    assertThat(look.part()).contains("storey " + envelope.storeys().get(0).name());
    assertThat(look.files().get(0).counts()).containsEntry("spaces", (int) in);
    assertThat(keptOnes).isEmpty();
    handovers.make(DELIVERY, part(HandoverViews.PartBy.STOREYS, storey), "P");
    assertThat(keptOnes.get(0).part()).isEqualTo(look.part());
    assertThat(files.get(0).sha256()).isEqualTo(look.files().get(0).sha256());
    assertThat(new String(files.get(1).bytes(), StandardCharsets.UTF_8))
        .contains("Marram Point: handover", files.get(0).sha256(), "Balance sheet");
    String zone = envelope.zones().get(0).key();
    assertThat(handovers.look(DELIVERY, part(HandoverViews.PartBy.ZONES, zone)).spaces())
        .isPositive();
    String name = envelope.spaces().get(0).name();
    assertThat(handovers.look(DELIVERY, part(HandoverViews.PartBy.NAMES, name)).spaces())
        .isEqualTo(1);
    assertThatThrownBy(
            () -> handovers.look(DELIVERY, part(HandoverViews.PartBy.NAMES, "no such room")))
        .hasMessageContaining("no such room");
    assertThatThrownBy(() -> handovers.look(DELIVERY, part(HandoverViews.PartBy.SPACES, "x")))
        .hasMessageContaining("no space x");
    assertThatThrownBy(() -> handovers.look(DELIVERY, part(HandoverViews.PartBy.SPACES)))
        .hasMessageContaining("Choose spaces");
  }

  @Test
  void theRecordMakesTheSameBytesAgain() {
    handovers.make(
        DELIVERY,
        new HandoverViews.HandoverRequest(
            3,
            false,
            List.of("gbxml-0.37", "ifc4", "glb", "dxf", "xlsx"),
            null,
            null,
            null,
            true,
            false),
        "P");
    Provenance p = keptOnes.get(0).record();
    UUID id = new UUID(5, 5);
    when(kept.record(id)).thenReturn(Optional.of(p));
    DeliveryStates.State s = deliveries.state(DELIVERY);
    when(states.state(any(), any(), any())).thenReturn(s);
    HandoverViews.AgainView again = handovers.again(id);
    assertThat(again.files()).hasSize(6).allMatch(HandoverViews.AgainFileView::same);
    assertThat(again.same()).isTrue();
    assertThat(again.says()).contains("the same bytes, all 6 files");
    envelope = envelope.withoutSurface(envelope.surfaces().get(0).key());
    DeliveryStates.State other = state(List.of());
    when(states.state(any(), any(), any())).thenReturn(other);
    HandoverViews.AgainView changed = handovers.again(id);
    assertThat(changed.same()).isFalse();
    assertThat(changed.says()).contains("6 of 6 files have other bytes");
    when(kept.record(id)).thenReturn(Optional.empty());
    assertThatThrownBy(() -> handovers.again(id)).hasMessageContaining("before records were kept");
  }

  @Test
  void aStateThatIsNoLongerTheNewestIsNotWritten() {
    when(store.since(any(), anyLong())).thenReturn(List.of("B. Person: Deletes a wall."));
    assertThatThrownBy(() -> handovers.make(DELIVERY, ask(2, false), "A. Person"))
        .isInstanceOf(Problem.class);
    assertThat(keptOnes).isEmpty();
    verifyNoInteractions(decisions);
  }

  @Test
  void openBlockersNeedADecision() throws Exception {
    List<Finding> faults = faults();
    long blockers = faults.stream().filter(f -> f.severity() == Severity.BLOCKER).count();
    assertThat(blockers).isPositive();
    state(faults);
    assertThatThrownBy(() -> handovers.make(DELIVERY, ask(3, false), "A. Person"))
        .isInstanceOf(Problem.class)
        .hasMessageContaining(String.valueOf(blockers));
    assertThat(keptOnes).isEmpty();
    handovers.make(DELIVERY, ask(3, true), "A. Person");
    assertThat(keptOnes.get(0).blockers()).isEqualTo((int) blockers);
    assertThat(keptOnes.get(0).errors())
        .isEqualTo((int) faults.stream().filter(f -> f.severity() == Severity.ERROR).count());
    assertThat(keptOnes.get(0).record().left())
        .hasSize(faults.size())
        .allMatch(l -> l.reason() == null);
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
    handovers.make(DELIVERY, ask(3, false), "A. Person");
    HandoverStore.Kept k = keptOnes.get(0);
    assertThat(k.blockers()).isZero();
    assertThat(k.accepted()).hasSize(blockers.size());
    assertThat(k.accepted().get(0).reason()).isEqualTo("as built");
    assertThat(k.accepted().get(0).by()).isEqualTo("B. Person");
    assertThat(k.record().left()).allMatch(l -> l.reason().equals("as built"));
    all.put(
        blockers.get(0).id(),
        new DecisionViews.AcceptanceView("as built", "B. Person", NOW, false));
    decided(all);
    assertThatThrownBy(() -> handovers.make(DELIVERY, ask(3, false), "A. Person"))
        .isInstanceOf(Problem.class);
  }

  @Test
  void aUseThatNoReaderKnowsIsToldBeforeAnythingIsWritten() {
    envelope =
        envelope.withSpaces(
            envelope.spaces().stream().map(s -> s.with().use("Net loft").build()).toList());
    state(List.of());
    assertThatThrownBy(() -> handovers.make(DELIVERY, ask(3, false), "A. Person"))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("Net loft")
        .hasMessageContaining("Give another one in Thermal");
    assertThat(keptOnes).isEmpty();
  }

  @Test
  void aFileThatDoesNotReadBackEqualNeedsADecision() {
    envelope =
        envelope.withSpaces(
            envelope.spaces().stream().map(s -> s.with().use("Net loft").build()).toList());
    state(List.of());
    assertThatThrownBy(() -> handovers.make(DELIVERY, ask(3, false, "ifc4"), "P"))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("Net loft");
    assertThat(keptOnes).isEmpty();
    handovers.make(DELIVERY, ask(3, true, "ifc4"), "P");
    assertThat(files.get(0).differences()).isNotEmpty();
  }

  @Test
  void aDatabaseThatFailsWhileItIsKeptLeavesTheFolderAsItWas() {
    doThrow(new DataAccessException("gone")).when(kept).keep(any(), any());
    assertThatThrownBy(() -> handovers.make(DELIVERY, ask(3, false), "A. Person"))
        .isInstanceOf(DataAccessException.class);
    assertThat(folder).isEmptyDirectory();
  }
}
