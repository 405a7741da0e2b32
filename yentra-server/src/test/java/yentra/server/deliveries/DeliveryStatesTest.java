package yentra.server.deliveries;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.ReadLimits;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.ProjectSettings;
import yentra.core.repair.surface.DeleteSurface;
import yentra.demo.DemoFiles;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Problem;

/** States of a delivery: worked out once, from the longest part of the log that is known. */
class DeliveryStatesTest {
  private static final UUID DELIVERY = new UUID(0, 1);
  private static final UUID PROJECT = new UUID(0, 2);

  private final DeliveryStore store = mock(DeliveryStore.class);
  private final ProjectStore projects = mock(ProjectStore.class);
  private final DeliveryStates states =
      new DeliveryStates(store, projects, Tolerance.standard(), ReadLimits.standard());
  private final DeliveryRecord d = new DeliveryRecord();

  @BeforeEach
  void deliver() {
    d.setId(DELIVERY);
    d.setProjectId(PROJECT);
    d.setSha256("hash");
    d.setFileName("marram.xml");
    d.setVersion(1L);
    d.setLogPosition(0);
    when(store.get(DELIVERY)).thenReturn(d);
    when(store.first(any())).thenReturn(Optional.empty());
    when(store.content("hash")).thenReturn(DemoFiles.soundGbxml());
    when(projects.settings(PROJECT)).thenReturn(ProjectSettings.NONE);
  }

  private RepairEntryRecord deletes(int n, String surface) {
    RepairEntryRecord r = new RepairEntryRecord();
    r.setId(new UUID(1, n));
    r.setArea("envelope");
    when(store.repair(r)).thenReturn(new DeleteSurface(surface));
    return r;
  }

  @Test
  void aFileIsReadOnceHoweverOftenItIsAskedFor() {
    DeliveryStates.State first = states.state(d, List.of());
    assertThat(states.state(d, List.of()).run()).isSameAs(first.run());
    assertThat(states.asDelivered(d).surfaces()).hasSize(first.envelope().surfaces().size());
    verify(store, times(1)).content("hash");
  }

  /** Ten people open one delivery at once: the nine wait for the first. */
  @Test
  void whatManyAskForAtOnceIsWorkedOutOnce() throws Exception {
    ExecutorService pool = Executors.newFixedThreadPool(10);
    try {
      CountDownLatch go = new CountDownLatch(1);
      List<Future<DeliveryStates.State>> all = new ArrayList<>();
      for (int i = 0; i < 10; i++) {
        all.add(
            pool.submit(
                () -> {
                  go.await();
                  return states.state(d, List.of());
                }));
      }
      go.countDown();
      DeliveryStates.State one = all.get(0).get();
      for (Future<DeliveryStates.State> f : all) {
        assertThat(f.get().run()).isSameAs(one.run());
      }
    } finally {
      pool.shutdownNow();
    }
    verify(store, times(1)).content("hash");
  }

  @Test
  void theLogIsMadeOnTopOfWhatIsKnownOfIt() {
    List<String> keys =
        states.state(d, List.of()).envelope().surfaces().stream()
            .map(s -> s.key())
            .limit(2)
            .toList();
    RepairEntryRecord a = deletes(1, keys.get(0));
    RepairEntryRecord b = deletes(2, keys.get(1));
    assertThat(states.state(d, List.of(a)).envelope().surface(keys.get(0))).isEmpty();
    DeliveryStates.State two = states.state(d, List.of(a, b));
    assertThat(two.envelope().surface(keys.get(1))).isEmpty();
    // the first was not made again for the second
    verify(store, times(1)).repair(a);
    // an undo is what was there before
    assertThat(states.state(d, List.of(a)).envelope().surface(keys.get(1))).isPresent();
    verify(store, times(1)).repair(a);
  }

  @Test
  void otherLimitsAreAnotherStateAndNoOtherReading() {
    DeliveryStates.State before = states.state(d, List.of());
    when(projects.settings(PROJECT))
        .thenReturn(ProjectSettings.NONE.withLimits(Map.of("GEO-304.edge", 0.5)));
    DeliveryStates.State after = states.state(d, List.of());
    assertThat(after.run()).isNotSameAs(before.run());
    assertThat(after.run().context()).isNotSameAs(before.run().context());
    assertThat(after.settings().limits()).containsEntry("GEO-304.edge", 0.5);
    verify(store, times(1)).content("hash");
  }

  @Test
  void findingsComeWorstFirst() {
    when(store.content("hash")).thenReturn(DemoFiles.faultyGbxml());
    assertThat(states.state(d, List.of()).findings())
        .isSortedAccordingTo((x, y) -> x.severity().compareTo(y.severity()))
        .isNotEmpty();
  }

  /** What cannot be read is told with its place, and asked for again the next time. */
  @Test
  void bytesThatCannotBeReadAreAProblem() {
    when(store.content("hash"))
        .thenReturn("<gbXML>\n<Campus>\n".getBytes(StandardCharsets.UTF_8))
        .thenReturn(DemoFiles.soundGbxml());
    assertThatThrownBy(() -> states.state(d, List.of()))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("ends");
    assertThat(states.state(d, List.of()).envelope().spaces()).isNotEmpty();
  }

  /** A store that fails leaves nothing half known behind. */
  @Test
  void aFailureIsNotRemembered() {
    when(store.content("hash"))
        .thenThrow(new IllegalStateException("gone"))
        .thenReturn(DemoFiles.soundGbxml());
    assertThatThrownBy(() -> states.state(d, List.of())).hasMessage("gone");
    assertThat(states.state(d, List.of()).envelope().spaces()).isNotEmpty();
  }
}
