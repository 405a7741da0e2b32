package yentra.server.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import yentra.core.intake.ProjectSettings;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.projects.ProjectStore;

/** Limits are taken within their range; what is a default is not kept. */
class CheckLimitsTest {
  private static final UUID DELIVERY = new UUID(0, 1);
  private static final UUID PROJECT = new UUID(0, 2);

  private final DeliveryStore store = mock(DeliveryStore.class);
  private final ProjectStore projects = mock(ProjectStore.class);
  private final CheckLimits limits = new CheckLimits(store, projects, mock(DeliveryStates.class));

  @BeforeEach
  void deliver() {
    DeliveryRecord d = new DeliveryRecord();
    d.setId(DELIVERY);
    d.setProjectId(PROJECT);
    when(store.get(DELIVERY)).thenReturn(d);
    when(projects.settings(PROJECT))
        .thenReturn(ProjectSettings.NONE.withLimits(Map.of("ADJ-503.distance", 0.4)));
  }

  private void refused(Map<String, Double> asked, String why) {
    assertThatThrownBy(() -> limits.set(DELIVERY, 3, asked, "somebody")).hasMessageContaining(why);
    verify(projects, never()).settings(any(), anyLong(), any(), any());
  }

  @Test
  void allLimitsAreListedWithWhatTheProjectHasSet() {
    assertThat(limits.of(DELIVERY))
        .anySatisfy(
            l -> {
              assertThat(l.code()).isEqualTo("ADJ-503");
              assertThat(l.name()).isEqualTo("distance");
              assertThat(l.standard()).isEqualTo(0.6);
              assertThat(l.set()).isEqualTo(0.4);
            })
        .anySatisfy(
            l -> {
              assertThat(l.code()).isEqualTo("GEO-304");
              assertThat(l.set()).isNull();
            });
  }

  @Test
  void whatIsOutOfRangeUnknownOrMissingIsRefusedAndNothingIsKept() {
    refused(Map.of("ADJ-503.distance", 5.0), "between 0.01 and 2.0 m");
    refused(Map.of("ADJ-503.distance", Double.NaN), "between");
    refused(Map.of("ADJ-503.colour", 1.0), "There is no limit ADJ-503.colour");
    Map<String, Double> missing = new HashMap<>();
    missing.put("ADJ-503.distance", null);
    refused(missing, "between");
  }

  @Test
  void defaultsAreNotKeptAndTheAuthorIs() {
    limits.set(DELIVERY, 3, Map.of("ADJ-503.distance", 0.6, "GEO-304.edge", 0.002), "somebody");
    @SuppressWarnings("unchecked")
    ArgumentCaptor<UnaryOperator<ProjectSettings>> change =
        ArgumentCaptor.forClass(UnaryOperator.class);
    verify(projects).settings(eq(PROJECT), eq(3L), change.capture(), eq("somebody"));
    assertThat(change.getValue().apply(ProjectSettings.NONE).checkLimits())
        .isEqualTo(Map.of("GEO-304.edge", 0.002));
  }
}
