package yentra.core.envelope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.geometry.Polygon;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.model.EnvelopeModel;

/** Two rooms a and b with the wall "between" and a window in the south wall of a. */
class EnvelopeWithinTest {
  private final Envelope rooms = Fixtures.rooms();

  @Test
  void aSpaceThatGoesTakesItsOwnSurfacesButNotTheSharedWall() {
    for (String gone : List.of("a", "b")) {
      String left = gone.equals("a") ? "b" : "a";
      Envelope e = rooms.within(k -> !k.equals(gone));
      assertThat(e.spaces()).extracting(Space::key).containsExactly(left);
      Surface between = e.surface("between").orElseThrow();
      assertThat(between.sides()).extracting(Side::space).containsExactly(left);
      // it faces out of the space that is left
      Surface whole = rooms.surface("between").orElseThrow();
      int side = whole.sides().get(0).space().equals(left) ? 0 : 1;
      assertThat(between.face(0).normal().distance(whole.face(side).normal())).isLessThan(1e-12);
      assertThat(e.surfaces()).allMatch(s -> s.isAdjacentTo(left));
    }
  }

  @Test
  void aSurfaceThatGoesTakesItsOpenings() {
    Envelope e = rooms.within(k -> !k.equals("a-south"));
    assertThat(e.surface("a-south")).isEmpty();
    assertThat(e.opening("win")).isEmpty();
    assertThat(rooms.within(k -> !k.equals("win")).surface("a-south").orElseThrow().openings())
        .isEmpty();
  }

  @Test
  void asAModelItHasSpacesSurfacesAndOpenings() {
    ArchitecturalModel m = new EnvelopeModel(rooms);
    assertThat(m.elements())
        .hasSize(rooms.spaces().size() + rooms.surfaces().size() + rooms.openingCount());
    Element window = m.element("win").orElseThrow();
    assertThat(window.entity()).isEqualTo(EnvelopeModel.OPENING);
    assertThat(m.wholes(window)).extracting(w -> w.whole().key()).containsExactly("a-south");
    Element wall = m.element("a-south").orElseThrow();
    double gross = rooms.surface("a-south").orElseThrow().polygon().area();
    double hole = rooms.opening("win").orElseThrow().polygon().area();
    assertThat(m.body(wall).faces().stream().mapToDouble(Polygon::area).sum())
        .isCloseTo(gross, within(1e-9));
    assertThat(m.netBody(wall).faces().stream().mapToDouble(Polygon::area).sum())
        .isCloseTo(gross - hole, within(1e-9));
  }
}
