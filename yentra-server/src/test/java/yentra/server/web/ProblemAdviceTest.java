package yentra.server.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.List;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;

/** What a person is told when something fails, without the failure itself. */
class ProblemAdviceTest {
  private final ProblemAdvice advice = new ProblemAdvice();

  private static DataAccessException failed(String state) {
    return new DataAccessException("SQL [select secret]", new SQLException("gone", state));
  }

  @ParameterizedTest
  @ValueSource(strings = {"08006", "08001", "57P01", "57014", "55P03"})
  void aDatabaseThatIsAwayIsToldAndWhenToAskAgain(String state) {
    ResponseEntity<ProblemDetail> r = advice.database(failed(state));
    assertThat(r.getStatusCode()).isEqualTo(HttpStatus.SERVICE_UNAVAILABLE);
    assertThat(r.getHeaders().getFirst(HttpHeaders.RETRY_AFTER)).isEqualTo("5");
    ProblemDetail d = r.getBody();
    assertThat(d.getType()).hasToString("urn:yentra:unavailable");
    assertThat(d.getDetail())
        .contains("Nothing was changed")
        .contains("./yentra start")
        .doesNotContain("secret");
  }

  /** A mistake of ours is none of the database's being away; what it says goes to the log only. */
  @ParameterizedTest
  @ValueSource(strings = {"23505", "42601", "40001"})
  void aMistakeIsNotToldAsAnAbsence(String state) {
    ResponseEntity<ProblemDetail> r = advice.database(failed(state));
    assertThat(r.getStatusCode()).isEqualTo(HttpStatus.INTERNAL_SERVER_ERROR);
    assertThat(r.getHeaders().getFirst(HttpHeaders.RETRY_AFTER)).isNull();
    assertThat(r.getBody().getDetail()).contains("Nothing was changed").doesNotContain("secret");
  }

  @Test
  void odditiesOfDrivers() {
    assertThat(advice.database(failed(null)).getStatusCode().value()).isEqualTo(500);
    assertThat(advice.database(failed("08")).getStatusCode().value()).isEqualTo(500);
    assertThat(
            advice
                .database(
                    new DataAccessResourceFailureException(
                        "x", new SQLTransientConnectionException("no connection in time")))
                .getStatusCode()
                .value())
        .isEqualTo(503);
    // deep down
    assertThat(
            advice
                .database(
                    new DataAccessException(
                        "x", new RuntimeException(new SQLException("x", "08006"))))
                .getStatusCode()
                .value())
        .isEqualTo(503);
  }

  @Test
  void aProblemKeepsItsKindItsWordsAndItsDetails() {
    ResponseEntity<ProblemDetail> r =
        advice.problem(Problem.stale(7, List.of("A. Person: Deletes a wall.")));
    assertThat(r.getStatusCode()).isEqualTo(HttpStatus.CONFLICT);
    ProblemDetail d = r.getBody();
    assertThat(d.getType()).hasToString("urn:yentra:stale");
    assertThat(d.getProperties()).containsEntry("version", 7L);
    assertThat(advice.problem(Problem.notFound("The sheet")).getBody().getDetail())
        .isEqualTo("The sheet is not there.");
    assertThat(advice.problem(Problem.unreadable("no XML", 3, 9)).getBody().getProperties())
        .containsEntry("line", 3)
        .containsEntry("column", 9);
  }

  @ParameterizedTest
  @CsvSource({
    "A.%20Person, A. Person",
    "'', someone",
    "'   ', someone",
    "%C3%85sa, Åsa",
    "%0AA%00B, A B",
    "%E2%80%AEx, \u202ex"
  })
  void names(String header, String name) {
    assertThat(RequestGuard.person(header)).isEqualTo(name);
  }

  @Test
  void aNameThatIsTooLongIsCutAndOneThatIsNoneIsRefused() {
    assertThat(RequestGuard.person(null)).isEqualTo("someone");
    assertThat(RequestGuard.person("x".repeat(81))).hasSize(80);
    assertThat(RequestGuard.person("x".repeat(80))).hasSize(80);
    assertThatThrownBy(() -> RequestGuard.person("%zz"))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("URL-encoded");
  }
}
