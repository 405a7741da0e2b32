package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceTypes;

class BoundaryBalanceTest {
  private static BoundaryBalance west(Envelope e) {
    return BoundaryBalance.of(e).get(0);
  }

  @Test
  void areasByWhatLiesBehind() {
    BoundaryBalance b = west(Fixtures.rooms());
    assertThat(b.space()).isEqualTo("a");
    assertThat(b.outdoor()).isCloseTo(20 + 2 * 12 + 15, within(1e-9));
    assertThat(b.ground()).isCloseTo(20, within(1e-9));
    assertThat(b.spaces()).isCloseTo(15, within(1e-9));
    assertThat(b.sum()).isCloseTo(94, within(1e-9));
    assertThat(b.open() + b.construction() + b.unresolved()).isZero();
    assertThat(b.surfaces()).isEqualTo(6);
    assertThat(b.origin()).isEqualTo(BoundaryBalance.Origin.DELIVERED);
  }

  @Test
  void originIsThatOfAllSurfaces() {
    Envelope one =
        Fixtures.changed("a-roof", s -> s.withKind(BoundaryKind.DERIVED_2A, SurfaceTypes.STANDARD));
    assertThat(west(one).origin()).isEqualTo(BoundaryBalance.Origin.BOTH);
    Envelope all = one;
    for (Surface s : one.surfaces()) {
      all = all.replacing(s.key(), x -> x.withKind(BoundaryKind.DERIVED_2A, SurfaceTypes.STANDARD));
    }
    assertThat(west(all).origin()).isEqualTo(BoundaryBalance.Origin.DERIVED);
    assertThat(west(all.withSurfaces(java.util.List.of())).origin())
        .isEqualTo(BoundaryBalance.Origin.NONE);
    // what nothing parts is open, and says nothing of where the others came from
    Envelope open =
        all.replacing("between", s -> s.withKind(BoundaryKind.VIRTUAL, SurfaceTypes.STANDARD));
    assertThat(west(open).origin()).isEqualTo(BoundaryBalance.Origin.DERIVED);
  }
}
