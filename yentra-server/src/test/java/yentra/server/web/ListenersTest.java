package yentra.server.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** Listeners are told of changes only, and what nobody listens to is not asked for. */
class ListenersTest {
  private static final UUID A = new UUID(0, 1);
  private static final UUID B = new UUID(0, 2);

  private final Map<UUID, String> now = new HashMap<>(Map.of(A, "one", B, "uno"));
  private final List<List<UUID>> asked = new ArrayList<>();
  private final Listeners<String> listeners =
      new Listeners<>(
          "told",
          id -> {
            if (!now.containsKey(id)) {
              throw Problem.notFound("It");
            }
            return now.get(id);
          },
          ids -> {
            asked.add(ids);
            return now;
          },
          "end"::equals);

  @Test
  void oneQuestionIsAskedForAllThatIsListenedTo() {
    listeners.tell();
    assertThat(asked).isEmpty();
    listeners.listen(A);
    listeners.listen(A);
    listeners.listen(B);
    listeners.tell();
    assertThat(asked).hasSize(1);
    assertThat(asked.get(0)).containsExactlyInAnyOrder(A, B);
  }

  @Test
  void whatHasEndedIsAskedForNoMore() {
    listeners.listen(A);
    now.put(A, "end");
    listeners.tell();
    listeners.tell();
    assertThat(asked).hasSize(1);
  }

  @Test
  void whatIsNotThereIsRefusedAndNotFollowed() {
    assertThatThrownBy(() -> listeners.listen(new UUID(9, 9))).isInstanceOf(Problem.class);
    listeners.tell();
    assertThat(asked).isEmpty();
  }

  @Test
  void whatIsDeletedMeanwhileStaysSilent() {
    listeners.listen(A);
    now.remove(A);
    listeners.tell();
    listeners.tell();
    assertThat(asked).hasSize(2);
  }
}
