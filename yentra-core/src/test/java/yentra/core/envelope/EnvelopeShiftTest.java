package yentra.core.envelope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/** An envelope elsewhere, or larger: everything that has a place or a size goes with it. */
class EnvelopeShiftTest {
  private static final Transform QUARTER =
      new Transform(v(0, 1, 0), v(-1, 0, 0), v(0, 0, 1), v(10, 20, 1));

  private static Envelope full() {
    Envelope e = rooms();
    Polygon stray = Polygon.of(v(1, 0, 1), v(2, 0, 1), v(2, 0, 2), v(1, 0, 2));
    Envelope.Parts parts =
        e.parts()
            .withOrphans(List.of(window("stray", stray)))
            .withUncovered(
                List.of(new Uncovered(List.of("a"), 6, v(1, 1, 1), v(0, 0, 0), v(1, 2, 3))));
    return Envelope.of(parts)
        .replacing(
            "between",
            s ->
                s.withPolygon(
                    s.polygon(),
                    List.of(s.sides().get(0).withFace(s.polygon()), s.sides().get(1))));
  }

  @Test
  void everythingIsMoved() {
    Envelope e = full();
    Envelope m = e.moved(QUARTER, 90.0);
    assertThat(m.site().northAzimuth()).isEqualTo(90);
    assertThat(m.site().latitude()).isEqualTo(e.site().latitude());
    assertThat(m.storeys().get(0).level()).isEqualTo(1);
    for (int i = 0; i < e.surfaces().size(); i++) {
      Surface was = e.surfaces().get(i);
      Surface is = m.surfaces().get(i);
      assertThat(is.polygon()).isEqualTo(was.polygon().transformed(QUARTER));
      assertThat(is.openings())
          .extracting(Opening::polygon)
          .containsExactlyElementsOf(
              was.openings().stream().map(o -> o.polygon().transformed(QUARTER)).toList());
    }
    assertThat(m.surface("between").orElseThrow().sides().get(0).face())
        .isEqualTo(e.surface("between").orElseThrow().polygon().transformed(QUARTER));
    assertThat(m.surface("between").orElseThrow().sides().get(1).face()).isNull();
    assertThat(m.orphans().get(0).polygon())
        .isEqualTo(e.orphans().get(0).polygon().transformed(QUARTER));
    assertThat(m.spaces().get(0).shell())
        .containsExactlyElementsOf(
            e.spaces().get(0).shell().stream().map(p -> p.transformed(QUARTER)).toList());
    assertThat(m.spaces().get(0).statedFloorArea()).isEqualTo(20);
    Uncovered u = m.uncovered().get(0);
    assertThat(u.volume()).isEqualTo(6);
    assertThat(u.inside()).isEqualTo(v(9, 21, 2));
    // the box around the turned box
    assertThat(u.from()).isEqualTo(v(8, 20, 1));
    assertThat(u.to()).isEqualTo(v(10, 21, 4));
  }

  @Test
  void everythingGrows() {
    Envelope e = full();
    Envelope m = e.scaled(2);
    assertThat(m.storeys().get(0).level()).isZero();
    assertThat(m.spaces().get(0).statedFloorArea()).isEqualTo(80);
    assertThat(m.spaces().get(0).statedVolume()).isEqualTo(480);
    assertThat(m.spaces().get(0).shell().get(0).area()).isCloseTo(80, within(1e-9));
    assertThat(m.surface("between").orElseThrow().polygon().area()).isCloseTo(60, within(1e-9));
    assertThat(m.surface("between").orElseThrow().sides().get(0).face().area())
        .isCloseTo(60, within(1e-9));
    assertThat(m.opening("win").orElseThrow().polygon().area()).isCloseTo(9.6, within(1e-9));
    assertThat(m.orphans().get(0).polygon().area()).isCloseTo(4, within(1e-9));
    Uncovered u = m.uncovered().get(0);
    assertThat(u.volume()).isEqualTo(48);
    assertThat(u.inside()).isEqualTo(v(2, 2, 2));
    assertThat(u.from()).isEqualTo(Vec3.ZERO);
    assertThat(u.to()).isEqualTo(v(2, 4, 6));
    assertThat(u.around()).containsExactly("a");
    assertThat(m.site()).isEqualTo(e.site());
  }

  @Test
  void whatIsNotStatedStaysSo() {
    Envelope e = rooms();
    Envelope bare =
        Envelope.of(
            e.parts()
                .withStoreys(List.of(e.storeys().get(0).withLevel(null)))
                .withSpaces(List.of(e.spaces().get(0).withStated(null, null))));
    assertThat(bare.scaled(3).storeys().get(0).level()).isNull();
    assertThat(bare.moved(QUARTER, 0.0).storeys().get(0).level()).isNull();
    assertThat(bare.scaled(3).spaces().get(0).statedFloorArea()).isNull();
    assertThat(bare.scaled(3).spaces().get(0).statedVolume()).isNull();
  }

  @Test
  void holesOfPolygonsGrowToo() {
    Polygon frame =
        new Polygon(
            List.of(v(0, 0, 0), v(4, 0, 0), v(4, 4, 0), v(0, 4, 0)),
            List.of(List.of(v(1, 1, 0), v(1, 2, 0), v(2, 2, 0), v(2, 1, 0))));
    Envelope e = rooms().replacing("a-roof", s -> s.withPolygon(frame, s.sides()));
    Polygon grown = e.scaled(10).surface("a-roof").orElseThrow().polygon();
    assertThat(grown.holes().get(0)).contains(v(20, 20, 0));
    assertThat(grown.area()).isCloseTo(1500, within(1e-9));
  }

  @Test
  void theGroundLiesWhereTheEnvelopeSaysIt() {
    Envelope e = rooms();
    assertThat(GroundLevel.of(e)).isZero();
    Envelope raised = e.moved(Transform.translation(v(0, 0, 2.5)), 0.0);
    assertThat(GroundLevel.of(raised)).isEqualTo(2.5);
    Envelope nothing = raised.withSurfaces(List.of());
    assertThat(GroundLevel.of(nothing)).isEqualTo(2.5);
    Envelope.Parts parts = nothing.parts();
    Storey low = parts.storeys().get(0).withLevel(-3.0);
    assertThat(GroundLevel.of(Envelope.of(parts.withStoreys(List.of(parts.storeys().get(0), low)))))
        .isEqualTo(-3);
    assertThat(GroundLevel.of(Envelope.of(parts.withStoreys(List.of())))).isZero();
    assertThat(
            GroundLevel.of(
                Envelope.of(parts.withStoreys(List.of(parts.storeys().get(0).withLevel(null))))))
        .isZero();
  }
}
