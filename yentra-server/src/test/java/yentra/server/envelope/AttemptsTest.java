package yentra.server.envelope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import org.jooq.SQLDialect;
import org.jooq.exception.DataAccessException;
import org.jooq.impl.DSL;
import org.jooq.tools.jdbc.MockConnection;
import org.jooq.tools.jdbc.MockResult;
import org.junit.jupiter.api.Test;

/** Work that somebody waits for, with a database that answers as it is told to. */
class AttemptsTest {
  private static final UUID RUN = new UUID(0, 7);
  private final List<String> asked = new ArrayList<>();
  private int wanted = 1;
  private boolean broken;

  private final Attempts attempts =
      new Attempts(
          DSL.using(
              new MockConnection(
                  c -> {
                    asked.add(c.sql().substring(0, 6));
                    if (broken) {
                      throw new SQLException("gone", "08006");
                    }
                    return new MockResult[] {
                      new MockResult(c.sql().startsWith("update") ? wanted : 1)
                    };
                  }),
              SQLDialect.POSTGRES),
          Clock.fixed(Instant.parse("2026-01-01T00:00:00Z"), ZoneOffset.UTC));

  @Test
  void theWorkIsDoneAndItsEndsAreTold() {
    String made = attempts.run(RUN, w -> "made");
    assertThat(made).isEqualTo("made");
    assertThat(asked).containsExactly("insert", "update", "update");
  }

  @Test
  void progressIsNotToldOftenerThanAPersonSees() {
    attempts.run(
        RUN,
        w -> {
          for (int i = 0; i < 1000; i++) {
            w.at(i / 1000.0);
          }
          return null;
        });
    assertThat(asked.size()).isLessThan(20);
  }

  @Test
  void whatWasGivenUpBeforeItBeganIsNotBegun() {
    wanted = 0;
    assertThatThrownBy(
            () ->
                attempts.run(
                    RUN,
                    w -> {
                      throw new AssertionError("begun");
                    }))
        .isInstanceOf(CancellationException.class);
  }

  @Test
  void whatIsGivenUpMeanwhileEndsWithoutAResult() {
    assertThatThrownBy(
            () ->
                attempts.run(
                    RUN,
                    w -> {
                      wanted = 0;
                      return "made in vain";
                    }))
        .isInstanceOf(CancellationException.class);
  }

  @Test
  void aDatabaseThatGoesAwayEndsTheWorkAsItsOwnFault() {
    assertThatThrownBy(
            () ->
                attempts.run(
                    RUN,
                    w -> {
                      broken = true;
                      return "made";
                    }))
        .isInstanceOf(DataAccessException.class);
  }

  @Test
  void aFailureOfTheWorkIsItsOwn() {
    assertThatThrownBy(
            () ->
                attempts.run(
                    RUN,
                    w -> {
                      throw new IllegalStateException("odd");
                    }))
        .isInstanceOf(IllegalStateException.class)
        .hasMessage("odd");
  }
}
