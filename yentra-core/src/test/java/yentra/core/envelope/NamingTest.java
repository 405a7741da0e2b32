package yentra.core.envelope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;
import static yentra.core.Fixtures.with;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.geometry.Polygon;

/** Objects in words, and the envelope's own bookkeeping. */
class NamingTest {
  private final Naming naming = new Naming(rooms(), SurfaceTypes.STANDARD);

  @Test
  void wallsAreNamedByQuarterAndRoom() {
    assertThat(naming.object("a-south")).isEqualTo("south wall of West");
    assertThat(naming.object("b-east")).isEqualTo("east wall of East");
    assertThat(naming.object("between")).isEqualTo("wall between West and East");
    assertThat(naming.object("a-floor")).isEqualTo("floor of West");
    assertThat(naming.object("b-roof")).isEqualTo("roof of East");
    assertThat(naming.object("win")).isEqualTo("window in the south wall of West");
    assertThat(naming.object("a")).isEqualTo("West");
    assertThat(naming.object("con-1")).isEqualTo("Brick wall");
    assertThat(naming.object("unknown")).isEqualTo("unknown");
  }

  @Test
  void quartersAreThoseOfTrueNorth() {
    Envelope.Parts p = rooms().parts();
    Envelope turned =
        Envelope.of(
            Envelope.Parts.of(p.delivered(), new Site("", null, null, null, 90.0, Extras.NONE))
                .with()
                .buildings(p.buildings())
                .storeys(p.storeys())
                .zones(p.zones())
                .spaces(p.spaces())
                .surfaces(p.surfaces())
                .orphans(p.orphans())
                .constructions(p.constructions())
                .layers(p.layers())
                .materials(p.materials())
                .glazings(p.glazings())
                .notes(p.notes())
                .build());
    assertThat(new Naming(turned, SurfaceTypes.STANDARD).object("a-south"))
        .isEqualTo("west wall of West");
  }

  @Test
  void aWallThatFacesInIsNamedByTheWayItShouldFace() {
    Envelope e =
        rooms()
            .replacing("b-east", s -> with(s, s.polygon().reversed()))
            .replacing("a-roof", s -> with(s, s.polygon().reversed()));
    assertThat(new Naming(e, SurfaceTypes.STANDARD).object("b-east"))
        .isEqualTo("west wall of East");
    Naming knowing =
        new Naming(
            e,
            SurfaceTypes.STANDARD,
            s -> s.key().equals("b-east") || s.key().equals("a-roof") ? -1 : 1);
    assertThat(knowing.object("b-east")).isEqualTo("east wall of East");
    assertThat(knowing.object("a-roof")).isEqualTo("roof of West");
  }

  @Test
  void strays() {
    Surface shade =
        surface("s", SurfaceType.SHADE, Polygon.of(v(0, 9, 0), v(1, 9, 0), v(1, 9, 1)), null);
    Envelope e = rooms().plus(shade).withOrphans(List.of(window("lost", shade.polygon())));
    assertThat(new Naming(e, SurfaceTypes.STANDARD).object("s")).isEqualTo("shading surface");
    assertThat(new Naming(e, SurfaceTypes.STANDARD).object("lost"))
        .isEqualTo("window in no surface");
  }

  @Test
  void exposuresFollowFromTypeAndNeighbours() {
    Surface wall = rooms().surface("between").orElseThrow();
    assertThat(wall.exposure()).isEqualTo(Exposure.SPACE);
    assertThat(wall.withSides(List.of(Side.of("a"))).exposure()).isEqualTo(Exposure.UNRESOLVED);
    assertThat(wall.withType(SurfaceType.AIR).exposure()).isEqualTo(Exposure.NONE);
    assertThat(rooms().surface("a-floor").orElseThrow().exposure()).isEqualTo(Exposure.GROUND);
    assertThat(rooms().surface("a-roof").orElseThrow().exposure()).isEqualTo(Exposure.OUTDOOR);
  }

  @Test
  void whatLiesBehindIsSaid() {
    SourceRef wall = new SourceRef("IfcWallStandardCase", "2XPyKWY018sA1ygZKgQPtU", "W-12", 1, 1);
    Surface south = rooms().surface("a-south").orElseThrow();
    assertThat(naming.behind(south)).isEqualTo("Faces outdoor air");
    assertThat(naming.behind(made(south, wall, 0.24)))
        .isEqualTo("Faces outdoor air across the wall W-12, 0.24 m");
    // what gbXML calls a CAD object says nothing to a person
    assertThat(naming.behind(made(south, new SourceRef("CADObjectId", "1234", "", 1, 1), null)))
        .isEqualTo("Faces outdoor air");
    Surface between = rooms().surface("between").orElseThrow();
    assertThat(naming.behind(made(between, wall, 0.1)))
        .isEqualTo("Parts West and East across the wall W-12, 0.10 m");
    assertThat(naming.behind(between.withKind(BoundaryKind.VIRTUAL, SurfaceTypes.STANDARD)))
        .isEqualTo("Nothing parts West and East here");
    assertThat(naming.behind(rooms().surface("a-floor").orElseThrow()))
        .isEqualTo("Touches the ground");
    assertThat(
            naming.behind(
                made(
                        surface("end", SurfaceType.INTERIOR_WALL, south.polygon(), null, "a"),
                        wall,
                        null)
                    .withKind(BoundaryKind.DERIVED_2B, SurfaceTypes.STANDARD)))
        .startsWith("Only construction lies behind it: the wall W-12");
    assertThat(naming.behind(south.withType(SurfaceType.SHADE).withSides(List.of())))
        .isEqualTo("Casts shade");
  }

  private static Surface made(Surface s, SourceRef element, Double thickness) {
    return Surface.of(s.key(), s.type(), s.polygon(), s.kind())
        .with()
        .name(s.name())
        .sides(s.sides())
        .construction(s.construction())
        .thickness(thickness)
        .source(s.source())
        .element(element)
        .openings(s.openings())
        .extras(s.extras())
        .build();
  }

  @Test
  void everyTypeOfTheStandardIsKnownByItsName() {
    for (SurfaceType t : SurfaceType.values()) {
      assertThat(SurfaceType.fromGbxml(t.gbxml()))
          .isEqualTo(
              t == SurfaceType.UNRESOLVED ? java.util.Optional.empty() : java.util.Optional.of(t));
    }
    for (OpeningType t : OpeningType.values()) {
      assertThat(OpeningType.fromGbxml(t.gbxml()))
          .isEqualTo(
              t == OpeningType.UNRESOLVED ? java.util.Optional.empty() : java.util.Optional.of(t));
    }
    assertThat(SurfaceType.fromGbxml("exteriorwall")).isEmpty();
  }

  @Test
  void aKeyIsUsedOnce() {
    Envelope e = rooms();
    assertThatThrownBy(() -> e.plus(e.surface("a-roof").orElseThrow()))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("a-roof");
  }

  @Test
  void aChangeLeavesTheOriginalAlone() {
    Envelope before = rooms();
    before.withoutSurface("a-roof").replacing("b-east", s -> s.withType(SurfaceType.ROOF));
    assertThat(before.parts()).isEqualTo(rooms().parts());
    assertThat(before.withoutSurface("not there")).isSameAs(before);
  }

  @Test
  void openingsKnowTheirSurface() {
    assertThat(rooms().parentOf("win")).map(Surface::key).contains("a-south");
    assertThat(rooms().opening("win")).isPresent();
    assertThat(rooms().opening("a-south")).isEmpty();
    assertThat(rooms().openingCount()).isEqualTo(1);
  }
}
