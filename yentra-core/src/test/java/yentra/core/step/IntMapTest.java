package yentra.core.step;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class IntMapTest {
  @Test
  void tellsTheSameAsAMapThroughAllItsGrowth() {
    Random random = new Random(7);
    IntMap map = new IntMap();
    Map<Integer, Integer> other = new HashMap<>();
    for (int i = 0; i < 5000; i++) {
      int key = 1 + random.nextInt(20_000);
      int value = 1 + random.nextInt(1_000_000);
      map.putIfAbsent(key, value);
      other.putIfAbsent(key, value);
      if (i % 97 == 0) {
        assertThat(map.get(0)).as("no reference has no value, after %d", i).isZero();
        assertThat(map.has(0)).isFalse();
      }
    }
    assertThat(map.size()).isEqualTo(other.size());
    for (int key = 0; key <= 20_000; key++) {
      assertThat(map.get(key)).isEqualTo(other.getOrDefault(key, 0));
      assertThat(map.has(key)).isEqualTo(other.containsKey(key));
    }
  }
}
