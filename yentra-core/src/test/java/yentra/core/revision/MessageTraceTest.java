package yentra.core.revision;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.changed;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.rooms;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.revision.MessageTrace.Hit;

/** Ids and names in any text lead to what they mean. The messages are made up. */
class MessageTraceTest {
  private static List<Hit> trace(String text) {
    return new MessageTrace(
            rooms(), new Naming(rooms(), SurfaceTypes.STANDARD), check(rooms()), null)
        .of(text)
        .hits();
  }

  /** A zone and a space whose names share a word. */
  @Test
  void namesThatShareAWordAreBothFound() {
    Envelope e =
        rooms()
            .withSpaces(
                rooms().spaces().stream()
                    .map(x -> x.key().equals("a") ? x.withName("3 Bath") : x)
                    .toList())
            .withZones(rooms().zones().stream().map(z -> z.withName("Zone 3")).toList());
    assertThat(
            new MessageTrace(e, new Naming(e, SurfaceTypes.STANDARD), List.of(), null)
                .of("error, Zone 3 BATH: too warm")
                .hits())
        .extracting(h -> h.kind() + " " + h.key())
        .contains("space a");
    assertThat(
            new MessageTrace(e, new Naming(e, SurfaceTypes.STANDARD), List.of(), null)
                .of("error, 3 bath: too warm")
                .hits())
        .extracting(Hit::kind)
        .containsExactly("space");
  }

  @Test
  void idsAreFoundInAnyCaseAndBetweenAnySigns() {
    List<Hit> hits =
        trace(
            "error, space \"WEST\": no balance\n"
                + "nothing here\n"
                + "error, A_SOUTH beside [b-east]: opening WIN too large");
    assertThat(hits)
        .extracting(h -> h.line() + " " + h.kind() + " " + h.key())
        .containsExactly("1 space a", "3 surface a-south", "3 surface b-east", "3 opening win");
    assertThat(hits.get(1).title()).isEqualTo("South wall of West");
    assertThat(hits.get(1).facts())
        .anySatisfy(f -> assertThat(f).contains("12.00 m²"))
        .anySatisfy(f -> assertThat(f).isEqualTo("Brick wall, 1 layer, 0.300 m: Brick 0.300 m."))
        .anySatisfy(f -> assertThat(f).startsWith("From Surface"));
    assertThat(hits.get(1).select()).containsExactly("a-south");
  }

  @Test
  void aConstructionLeadsToItsLayer() {
    List<Hit> hits = trace("error, layer 1 of CON-1: too thin (0.0002)");
    assertThat(hits).extracting(Hit::kind).containsExactly("construction", "layer");
    assertThat(hits.get(1).title()).isEqualTo("Brick");
    assertThat(hits.get(1).facts())
        .contains(
            "Layer 1 of Brick wall, counted from outside.",
            "Brick: thickness 0.3000 m, conductivity 0.800 W/mK, density 1800 kg/m³, specific heat 900 J/kgK.",
            "11 surfaces have it.");
    assertThat(trace("error, layer 7 of CON-1: unknown")).hasSize(1);
    assertThat(trace("material MAT-1")).extracting(Hit::kind).containsExactly("material");
  }

  @Test
  void findingsThatCoverAnObjectAreNamed() {
    Envelope e = changed("b-east", s -> s.withConstruction(null));
    Hit h =
        new MessageTrace(e, new Naming(e, SurfaceTypes.STANDARD), check(e), null)
            .of("error in B-EAST")
            .hits()
            .get(0);
    assertThat(h.findings()).contains("THM-701:b-east");
  }

  @Test
  void idsOfTheLastHandoverAreKnown() {
    Envelope now = rooms().withoutSurface("b-roof");
    Hit h =
        new MessageTrace(now, new Naming(now, SurfaceTypes.STANDARD), List.of(), rooms())
            .of("error, B-ROOF: missing")
            .hits()
            .get(0);
    assertThat(h.facts())
        .containsExactly(
            "It was in the file that was handed over last; the envelope no longer has it.");
    assertThat(h.select()).isEmpty();
  }

  @Test
  void anIdThatIsCutOffIsFoundWhenOnlyOneCanBeMeant() {
    Envelope e =
        rooms()
            .withSurfaces(
                rooms().surfaces().stream()
                    .map(
                        s ->
                            s.key().equals("b-roof")
                                ? yentra.core.Fixtures.surface(
                                    "su_0123456789abcdef", s.type(), s.polygon(), "con-1", "b")
                                : s)
                    .toList());
    MessageTrace t = new MessageTrace(e, new Naming(e, SurfaceTypes.STANDARD), List.of(), null);
    assertThat(t.of("error, SU 0123456789AB: missing").hits())
        .singleElement()
        .satisfies(h -> assertThat(h.text()).isEqualTo("SU 0123456789AB"));
    assertThat(t.of("error, SU 01234: missing").hits()).as("too short to be sure").isEmpty();
    assertThat(t.of("SU_0123456789ABCDEF").hits()).hasSize(1);
  }

  @Test
  void noTextStopsIt() {
    Random r = new Random(7);
    MessageTrace t =
        new MessageTrace(
            rooms(), new Naming(rooms(), SurfaceTypes.STANDARD), check(rooms()), rooms());
    for (int n = 0; n < 200; n++) {
      StringBuilder b = new StringBuilder();
      for (int i = 0; i < r.nextInt(400); i++) {
        b.append((char) (r.nextInt(10) == 0 ? r.nextInt(0xffff) : 32 + r.nextInt(90)));
      }
      assertThat(t.of(b.toString()).lines()).isNotEmpty();
    }
    assertThat(t.of("a-south\n".repeat(10_000)).more()).isTrue();
    assertThat(t.of("").hits()).isEmpty();
  }
}
