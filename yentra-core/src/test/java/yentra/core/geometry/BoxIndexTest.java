package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class BoxIndexTest {
  private static Box box(Random r, double most) {
    Vec3 a = new Vec3(r.nextDouble() * 40 - 20, r.nextDouble() * 40 - 20, r.nextDouble() * 60 - 10);
    return new Box(
        a, a.plus(new Vec3(r.nextDouble() * 4, r.nextDouble() * 4, r.nextDouble() * most)));
  }

  @Test
  void findsWhatTryingAllFinds() {
    Random r = new Random(11);
    List<Box> boxes = new ArrayList<>(List.of(Box.EMPTY));
    for (int i = 0; i < 400; i++) {
      // a few reach through hundreds of slabs
      boxes.add(box(r, i % 50 == 0 ? 900 : 5));
    }
    BoxIndex index = new BoxIndex(boxes);
    for (int i = 0; i < 300; i++) {
      Box b = box(r, i % 40 == 0 ? 900 : 6);
      int[] all =
          IntStream.range(0, boxes.size())
              .filter(k -> !boxes.get(k).isEmpty() && boxes.get(k).intersects(b))
              .toArray();
      assertThat(index.meeting(b)).isEqualTo(all);
    }
    assertThat(index.meeting(Box.EMPTY)).isEmpty();
  }

  @Test
  void whatLiesFarAwayIsFoundThereAndCostsNothing() {
    Box near = new Box(Vec3.ZERO, new Vec3(1, 1, 1));
    Vec3 up = new Vec3(0, 0, 1e10);
    Box far = new Box(up, up.plus(new Vec3(1, 1, 1)));
    BoxIndex index = new BoxIndex(List.of(near, far));
    assertThat(index.meeting(near)).containsExactly(0);
    assertThat(index.meeting(far)).containsExactly(1);
    assertThat(index.meeting(new Box(new Vec3(0, 0, -1e300), new Vec3(1, 1, 1e300))))
        .containsExactly(0, 1);
  }
}
