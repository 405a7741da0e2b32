package yentra.core.revision;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;

import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;

/** What both the architect and a repair have changed, and not to the same. */
class AttributeConflictsTest {
  private static Envelope west(UnaryOperator<Space> change) {
    Envelope e = rooms();
    return e.withSpaces(List.of(change.apply(e.spaces().get(0)), e.spaces().get(1)));
  }

  private static Envelope pane(UnaryOperator<Opening> change) {
    return rooms()
        .replacing("a-south", s -> s.withOpenings(s.openings().stream().map(change).toList()));
  }

  private static Envelope stray(UnaryOperator<Opening> change) {
    Polygon p = Polygon.of(v(1, 0, 1), v(2, 0, 1), v(2, 0, 2), v(1, 0, 2));
    return rooms().withOrphans(List.of(change.apply(window("stray", p))));
  }

  /**
   * Of a repair that makes {@code ours} of {@code delivered}, on a file that says {@code theirs}.
   */
  private static List<String> of(Envelope delivered, Envelope ours, Envelope theirs) {
    return new AttributeConflicts(delivered, theirs, k -> k).of(delivered, ours);
  }

  private static List<String> of(Envelope ours, Envelope theirs) {
    return of(rooms(), ours, theirs);
  }

  @Test
  void onlyWhatBothHaveChangedIsOne() {
    Envelope hall = west(s -> s.withName("Hall"));
    Envelope deck = west(s -> s.withName("Deck"));
    assertThat(of(hall, deck))
        .containsExactly(
            "The architect has changed name of Deck from West to Deck; the repair says Hall.");
    assertThat(of(hall, rooms())).isEmpty();
    assertThat(of(rooms(), deck)).isEmpty();
    assertThat(of(hall, hall)).isEmpty();
    assertThat(of(hall, west(s -> s.with().use("Workshop").build()))).isEmpty();
  }

  @Test
  void whatIsWithdrawnIsNothing() {
    Envelope none = west(s -> s.with().use("").build());
    assertThat(of(none, west(s -> s.with().use("Workshop").build())))
        .containsExactly(
            "The architect has changed use of West from OfficeEnclosed to Workshop; the repair says nothing.");
    assertThat(of(west(s -> s.withStated(21.0, 60.0)), west(s -> s.withStated(22.0, 60.0))))
        .singleElement()
        .satisfies(t -> assertThat(t).contains("from 20.0 to 22.0; the repair says 21.0"));
  }

  @Test
  void typesAndConstructionsOfSurfaces() {
    Envelope ceiling = rooms().replacing("b-roof", s -> s.withType(SurfaceType.CEILING));
    Envelope shade = rooms().replacing("b-roof", s -> s.withType(SurfaceType.SHADE));
    assertThat(of(ceiling, shade))
        .containsExactly(
            "The architect has changed type of b-roof from ROOF to SHADE; the repair says CEILING.");
    Envelope bare = rooms().replacing("b-roof", s -> s.withConstruction(null));
    Envelope other = rooms().replacing("b-roof", s -> s.withConstruction("con-2"));
    assertThat(of(bare, other))
        .containsExactly(
            "The architect has changed construction of b-roof from con-1 to con-2; the repair says nothing.");
  }

  @Test
  void openingsOfSurfacesAndOthers() {
    assertThat(
            of(
                pane(o -> o.with().glazing(null).build()),
                pane(o -> o.with().glazing("glass-2").build())))
        .containsExactly(
            "The architect has changed glazing of win from glass-1 to glass-2; the repair says nothing.");
    assertThat(
            of(
                stray(o -> o),
                stray(o -> o.with().glazing(null).build()),
                stray(o -> o.with().glazing("glass-2").build())))
        .containsExactly(
            "The architect has changed glazing of stray from glass-1 to glass-2; the repair says nothing.");
  }

  /** What stands in a part of its own, such as people and light, is said of the space. */
  @Test
  void valuesThatAreKeptTogether() {
    Envelope ours =
        west(s -> s.with().gains(new InternalGains(null, null, null, null, 8.0, null)).build());
    Envelope theirs =
        west(s -> s.with().gains(new InternalGains(null, null, null, null, 9.0, 3.0)).build());
    assertThat(of(ours, theirs))
        .containsExactly(
            "The architect has changed lighting of West from nothing to 9.0; the repair says 8.0.");
  }

  @Test
  void schedulesAreNotWhatTheyAreFor() {
    InternalGains light = new InternalGains(null, null, null, null, 8.0, null);
    Envelope delivered = west(s -> s.with().gains(light).build());
    Envelope ours =
        west(
            s ->
                s.with()
                    .gains(light.withSchedules(new InternalGains.GainSchedules(null, "day", null)))
                    .build());
    Envelope theirs =
        west(
            s ->
                s.with()
                    .gains(
                        light.withSchedules(new InternalGains.GainSchedules(null, "night", null)))
                    .build());
    assertThat(of(delivered, ours, theirs))
        .containsExactly(
            "The architect has changed schedule of lighting of West from nothing to night; the repair says day.");
  }

  @Test
  void valuesOfZones() {
    Zone z = rooms().zones().get(0);
    Envelope ours = rooms().withZones(List.of(z.with().heatingSetPoint(21.0).build()));
    Envelope theirs = rooms().withZones(List.of(z.with().heatingSetPoint(19.0).build()));
    assertThat(of(ours, theirs))
        .singleElement()
        .satisfies(t -> assertThat(t).contains("of House from 20.0 to 19.0; the repair says 21.0"));
  }

  /** The other file may have new ids: the same object by another key is no change. */
  @Test
  void keysThatAreNewAreNoChange() {
    Envelope ours = west(s -> s.with().storey(null).build());
    Envelope theirs = west(s -> s.with().key("n-a").storey("n-st-1").build());
    AttributeConflicts c =
        new AttributeConflicts(
            rooms(), theirs, k -> k.equals("a") ? "n-a" : k.equals("st-1") ? "n-st-1" : k);
    assertThat(c.of(rooms(), ours)).isEmpty();
    AttributeConflicts unknown =
        new AttributeConflicts(rooms(), theirs, k -> k.equals("a") ? "n-a" : k);
    assertThat(unknown.of(rooms(), ours))
        .containsExactly(
            "The architect has changed storey of West from st-1 to n-st-1; the repair says nothing.");
    // what the other file has no more is not in conflict: the repair cannot be made at all
    assertThat(of(ours, rooms().withSpaces(List.of(rooms().spaces().get(1))))).isEmpty();
  }
}
