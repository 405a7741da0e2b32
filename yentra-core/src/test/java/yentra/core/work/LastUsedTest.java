package yentra.core.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class LastUsedTest {
  private final LastUsed<String, Integer> kept = new LastUsed<>(10, v -> v);

  @Test
  void whatWasUsedLongestAgoGoesFirst() {
    kept.put("a", 4);
    kept.put("b", 4);
    assertThat(kept.get("a")).isEqualTo(4);
    kept.put("c", 4);
    assertThat(kept.get("b")).isNull();
    assertThat(kept.get("a")).isEqualTo(4);
    assertThat(kept.get("c")).isEqualTo(4);
  }

  /** However often others were asked for: what is new is about to be looked at. */
  @Test
  void whatIsNewIsAlwaysKept() {
    kept.put("a", 9);
    for (int i = 0; i < 1000; i++) {
      kept.get("a");
    }
    kept.put("b", 9);
    assertThat(kept.get("b")).isEqualTo(9);
    assertThat(kept.get("a")).isNull();
  }

  @Test
  void oneThatIsTooHeavyIsKeptAlone() {
    kept.put("a", 2);
    kept.put("b", 50);
    assertThat(kept.get("a")).isNull();
    assertThat(kept.get("b")).isEqualTo(50);
    kept.put("c", 1);
    assertThat(kept.get("b")).isNull();
    assertThat(kept.get("c")).isEqualTo(1);
  }

  @Test
  void aValueThatIsReplacedWeighsOnce() {
    kept.put("a", 3);
    for (int i = 0; i < 20; i++) {
      kept.put("b", 6);
    }
    assertThat(kept.get("a")).isEqualTo(3);
    kept.change("b", v -> v + 5);
    assertThat(kept.get("b")).isEqualTo(11);
    assertThat(kept.get("a")).isNull();
    kept.change("nothing", v -> v + 1);
    assertThat(kept.get("nothing")).isNull();
  }

  @Test
  void whatIsThereIsNotMadeAgain() {
    List<String> made = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      kept.get(
          "a",
          k -> {
            made.add(k);
            return 1;
          });
    }
    assertThat(made).containsExactly("a");
  }
}
