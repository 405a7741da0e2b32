package yentra.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class IdSketchTest {
  private static Stream<String> ids(int from, int to) {
    return IntStream.range(from, to).mapToObj(i -> "element-" + i);
  }

  @Test
  void smallListsAreComparedExactly() {
    assertThat(IdSketch.of(ids(0, 30)).shared(IdSketch.of(ids(20, 40)))).isEqualTo(10 / 40.0);
    assertThat(IdSketch.of(ids(0, 30)).shared(IdSketch.of(ids(0, 30)))).isEqualTo(1);
    assertThat(IdSketch.of(ids(0, 30)).shared(IdSketch.of(ids(30, 60)))).isZero();
  }

  @Test
  void nothingIsSharedWithAFileWithoutElements() {
    IdSketch none = IdSketch.of(Stream.of());
    assertThat(none.shared(IdSketch.of(ids(0, 5)))).isZero();
    assertThat(none.shared(none)).isZero();
  }

  /** Four standard errors; the source of the bound is named in the class. */
  @Property(tries = 40, seed = "7")
  void largeListsAreEstimated(@ForAll @IntRange(min = 0, max = 4000) int shift) {
    double exact = (4000.0 - shift) / (4000 + shift);
    assertThat(IdSketch.of(ids(0, 4000)).shared(IdSketch.of(ids(shift, 4000 + shift))))
        .isCloseTo(exact, Offset.offset(4.0 / Math.sqrt(IdSketch.SIZE)));
  }
}
