package yentra.server.intake;

import static org.mockito.ArgumentMatchers.anyList;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * Whoever listens to a job is told until it ends, and the database is asked no longer than that.
 */
class JobEventsTest {
  private static final UUID JOB = new UUID(0, 1);

  private final Intake intake = mock(Intake.class);
  private final JobEvents events = new JobEvents(intake);

  private static IntakeViews.JobView job(String state, double progress) {
    return new IntakeViews.JobView(
        JOB, new UUID(0, 2), "file.ifc", 10, state, progress, "", 0, 0, null);
  }

  @BeforeEach
  void reading() {
    when(intake.job(JOB)).thenReturn(job("reading", 0.1));
  }

  @Test
  void nobodyListeningCostsNothing() {
    events.tell();
    verify(intake, never()).jobs(anyList());
  }

  @Test
  void aJobIsFollowedUntilItEnds() {
    events.listen(JOB);
    when(intake.jobs(List.of(JOB))).thenReturn(Map.of(JOB, job("reading", 0.5)));
    events.tell();
    events.tell();
    verify(intake, times(2)).jobs(List.of(JOB));
    when(intake.jobs(List.of(JOB))).thenReturn(Map.of(JOB, job("done", 1)));
    events.tell();
    events.tell();
    verify(intake, times(3)).jobs(List.of(JOB));
  }

  @Test
  void manyListenersOfOneJobAreOneQuestion() {
    events.listen(JOB);
    events.listen(JOB);
    events.listen(JOB);
    when(intake.jobs(List.of(JOB))).thenReturn(Map.of(JOB, job("reading", 0.2)));
    events.tell();
    verify(intake, times(1)).jobs(List.of(JOB));
  }

  @Test
  void aJobThatHasEndedIsToldAtOnceAndNotFollowed() {
    when(intake.job(JOB)).thenReturn(job("failed", 0.3));
    events.listen(JOB);
    events.tell();
    verify(intake, never()).jobs(anyList());
  }

  @Test
  void aListenerThatHasGoneIsForgotten() {
    events.listen(JOB).complete();
    when(intake.jobs(List.of(JOB))).thenReturn(Map.of(JOB, job("reading", 0.4)));
    events.tell();
    events.tell();
    verify(intake, times(1)).jobs(List.of(JOB));
  }
}
