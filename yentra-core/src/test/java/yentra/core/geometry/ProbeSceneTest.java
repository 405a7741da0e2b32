package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** The tree gives what asking every body gives, before and after bodies went and came. */
class ProbeSceneTest {
  private static final Vec3 X = v(1, 0, 0);

  private static SolidProbe at(double x, double y, double z) {
    return new SolidProbe(box(x, y, z, x + 1, y + 1, z + 1));
  }

  private static List<SolidProbe> row(int n) {
    List<SolidProbe> out = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      out.add(at(2 * i, 0, 0));
    }
    return out;
  }

  @Test
  void aRowIsMetAtItsFirst() {
    ProbeScene s = new ProbeScene(row(30));
    Vec3 o = v(-1, 0.5, 0.5);
    assertThat(s.first(o, X, 0, 100)).isCloseTo(1, within(1e-12));
    assertThat(s.first(o, X, 1.5, 100)).isCloseTo(2, within(1e-12));
    assertThat(s.first(o, X, 2.5, 100)).isCloseTo(3, within(1e-12));
    assertThat(s.first(o, X, 0, 0.5)).isInfinite();
    assertThat(s.first(v(-1, 5, 0.5), X, 0, 100)).isInfinite();
    assertThat(s.blocked(o, X, 0, 0.5)).isFalse();
    assertThat(s.blocked(o, X, 0, 1.5)).isTrue();
    assertThat(s.blocked(o, X, 2.2, 2.8)).isFalse();
    assertThat(s.blocked(v(-1, 5, 0.5), X, 0, 100)).isFalse();
    assertThat(s.loose()).isZero();
  }

  @Test
  void nothingBlocksNothing() {
    ProbeScene s = new ProbeScene(List.of(new SolidProbe(List.of())));
    assertThat(s.blocked(v(0, 0, 0), X, 0, 10)).isFalse();
    assertThat(s.first(v(0, 0, 0), X, 0, 10)).isInfinite();
    assertThat(s.changed(List.of(), List.of(new SolidProbe(List.of()))).loose()).isZero();
  }

  @Test
  void bodiesGoAndCome() {
    List<SolidProbe> row = row(10);
    ProbeScene s = new ProbeScene(row);
    Vec3 o = v(-1, 0.5, 0.5);
    SolidProbe early = at(-0.5, 0, 0);
    ProbeScene without = s.changed(List.of(row.get(0)), List.of());
    assertThat(without.first(o, X, 0, 100)).isCloseTo(3, within(1e-12));
    assertThat(without.blocked(o, X, 0, 2.5)).isFalse();
    assertThat(without.loose()).isEqualTo(1);
    ProbeScene with = without.changed(List.of(), List.of(early));
    assertThat(with.first(o, X, 0, 100)).isCloseTo(0.5, within(1e-12));
    assertThat(with.blocked(o, X, 0, 0.6)).isTrue();
    assertThat(with.loose()).isEqualTo(2);
    ProbeScene again = with.changed(List.of(early), List.of());
    assertThat(again.first(o, X, 0, 100)).isCloseTo(3, within(1e-12));
    assertThat(again.blocked(o, X, 0, 2.5)).isFalse();
    // what was given is as it was
    assertThat(s.first(o, X, 0, 100)).isCloseTo(1, within(1e-12));
  }

  @Property(tries = 150)
  void asOneByOne(@ForAll int seed) {
    Random r = new Random(seed);
    List<SolidProbe> all = new ArrayList<>();
    for (int i = 0; i < 3 + r.nextInt(60); i++) {
      double x = r.nextDouble() * 20;
      double y = r.nextDouble() * 20;
      double z = r.nextDouble() * 20;
      all.add(
          new SolidProbe(box(x, y, z, x + 0.2 + r.nextDouble(), y + 0.2 + r.nextDouble(), z + 2)));
    }
    List<SolidProbe> gone = all.subList(0, r.nextInt(3));
    List<SolidProbe> come = List.of(at(r.nextDouble() * 20, r.nextDouble() * 20, 5));
    ProbeScene scene = new ProbeScene(all);
    check(r, scene, all);
    List<SolidProbe> now = new ArrayList<>(all.subList(gone.size(), all.size()));
    now.addAll(come);
    check(r, scene.changed(gone, come), now);
  }

  private static void check(Random r, ProbeScene scene, List<SolidProbe> bodies) {
    for (int i = 0; i < 20; i++) {
      Vec3 o = v(r.nextDouble() * 30 - 5, r.nextDouble() * 30 - 5, r.nextDouble() * 30 - 5);
      Vec3 d =
          i % 4 == 0
              ? List.of(X, v(0, 1, 0), v(0, 0, 1), v(0, 0, -1)).get(r.nextInt(4))
              : v(r.nextDouble() - 0.5, r.nextDouble() - 0.5, r.nextDouble() - 0.5).unit();
      double from = r.nextDouble() * 3;
      double to = from + r.nextDouble() * 20;
      double first =
          bodies.stream()
              .flatMap(b -> b.crossings(o, d).stream())
              .mapToDouble(SolidProbe.Crossing::at)
              .filter(t -> t > from && t < to)
              .min()
              .orElse(Double.POSITIVE_INFINITY);
      assertThat(scene.first(o, d, from, to)).isEqualTo(first);
      assertThat(scene.blocked(o, d, from, to)).isEqualTo(first < Double.POSITIVE_INFINITY);
    }
  }
}
