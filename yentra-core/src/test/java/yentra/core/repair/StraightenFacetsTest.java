package yentra.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yentra.core.Fixtures;
import yentra.core.boundary.SpaceVolume;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.surface.StraightenFacets;

/** A round tower of 64 facets, radius 5 m, alone and inside of a ring of rooms. */
class StraightenFacetsTest {
  private static final int FACETS = 64;

  private static Vec3 at(double radius, int i, double z) {
    double a = 2 * Math.PI * i / FACETS;
    return new Vec3(radius * Math.cos(a), radius * Math.sin(a), z);
  }

  private static List<Vec3> ring(double radius, double z) {
    List<Vec3> out = new ArrayList<>();
    for (int i = 0; i < FACETS; i++) {
      out.add(at(radius, i, z));
    }
    return out;
  }

  private static Polygon facet(double radius, int i) {
    return Polygon.of(
        at(radius, i, 0), at(radius, i + 1, 0), at(radius, i + 1, 3), at(radius, i, 3));
  }

  private static Envelope tower() {
    List<Surface> out = new ArrayList<>();
    for (int i = 0; i < FACETS; i++) {
      out.add(Fixtures.surface("w" + i, SurfaceType.EXTERIOR_WALL, facet(5, i), "con-1", "a"));
    }
    out.add(Fixtures.surface("roof", SurfaceType.ROOF, Polygon.of(ring(5, 3)), "con-1", "a"));
    out.add(
        Fixtures.surface(
            "floor", SurfaceType.SLAB_ON_GRADE, Polygon.of(ring(5, 0)).reversed(), "con-1", "a"));
    Envelope rooms = Fixtures.rooms();
    return rooms.withSpaces(List.of(rooms.spaces().get(0).withShell(List.of()))).withSurfaces(out);
  }

  private static SpaceVolume volume(Envelope e, String space) {
    return SpaceVolumes.of(e, Fixtures.RULES).of(space);
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.03, 0.05, 0.2})
  void aTowerHasFewerFacetsAndStaysClosed(double chord) throws Exception {
    Envelope e = tower();
    Envelope s = new StraightenFacets(chord).apply(e, Fixtures.RULES);
    assertThat(volume(s, "a").enclosed()).isTrue();
    assertThat(s.surfaces().size()).isLessThan(e.surfaces().size() - FACETS / 3);
    // every facet lies within the chord error of the circle's polygon
    double apothem = 5 * Math.cos(Math.PI / FACETS);
    for (Surface w : s.surfaces()) {
      if (w.type() == SurfaceType.EXTERIOR_WALL) {
        assertThat(w.polygon().plane().distance(Vec3.ZERO)).isBetween(-5.0, -apothem + chord);
        assertThat(w.polygon().outer()).hasSize(4);
      }
    }
    double before = volume(e, "a").volume();
    assertThat(volume(s, "a").volume()).isBetween(before - 2 * Math.PI * 5 * 3 * chord, before);
  }

  @Test
  void bothSidesOfACurvedWallLoseTheirCorners() throws Exception {
    // a ring of rooms around the tower, which a wall of 0.3 m parts from it
    List<Surface> out = new ArrayList<>();
    for (int i = 0; i < FACETS; i++) {
      Surface w =
          Fixtures.surface("w" + i, SurfaceType.INTERIOR_WALL, facet(5, i), "con-1", "a", "b");
      out.add(
          w.withSides(List.of(Side.of("a", facet(5, i)), Side.of("b", facet(5.3, i).reversed()))));
      out.add(Fixtures.surface("o" + i, SurfaceType.EXTERIOR_WALL, facet(8, i), "con-1", "b"));
    }
    for (String space : List.of("a", "b")) {
      Polygon top =
          space.equals("a")
              ? Polygon.of(ring(5, 3))
              : new Polygon(ring(8, 3), List.of(ring(5.3, 3)));
      List<List<Vec3>> low =
          top.rings().stream()
              .map(r -> r.stream().map(p -> new Vec3(p.x(), p.y(), 0)).toList())
              .toList();
      out.add(Fixtures.surface(space + "-roof", SurfaceType.ROOF, top, "con-1", space));
      out.add(
          Fixtures.surface(
              space + "-floor",
              SurfaceType.SLAB_ON_GRADE,
              new Polygon(low.get(0), low.subList(1, low.size())).reversed(),
              "con-1",
              space));
    }
    Envelope rooms = Fixtures.rooms();
    Envelope e =
        rooms
            .withSpaces(rooms.spaces().stream().map(s -> s.withShell(List.of())).toList())
            .withSurfaces(out);
    assertThat(volume(e, "b").enclosed()).isTrue();
    Envelope s = new StraightenFacets(0.05).apply(e, Fixtures.RULES);
    assertThat(volume(s, "a").enclosed()).isTrue();
    assertThat(volume(s, "b").enclosed()).isTrue();
    List<Surface> inner =
        s.surfaces().stream().filter(x -> x.type() == SurfaceType.INTERIOR_WALL).toList();
    assertThat(inner).hasSizeLessThan(FACETS * 2 / 3);
    for (Surface w : inner) {
      assertThat(w.face(0).plane().angleTo(w.face(1).plane())).isCloseTo(180, within(1e-6));
    }
  }

  @Test
  void straightRoomsHaveNothingToStraighten() {
    assertThatThrownBy(() -> new StraightenFacets(0.05).apply(Fixtures.rooms(), Fixtures.RULES))
        .isInstanceOf(NotApplicableException.class)
        .hasMessageContaining("No wall has facets");
  }

  @Test
  void aFacetWithAWindowStays() throws Exception {
    Envelope e = tower();
    Polygon f = facet(5, 0);
    Vec3 u = f.outer().get(1).minus(f.outer().get(0)).unit();
    Vec3 o = f.outer().get(0).plus(u.times(0.1)).plus(new Vec3(0, 0, 1));
    Polygon glass =
        Polygon.of(o, o.plus(u.times(0.2)), o.plus(u.times(0.2)).plus(Vec3.Z), o.plus(Vec3.Z));
    Envelope windowed =
        e.replacing("w0", s -> s.withOpenings(List.of(Fixtures.window("win", glass))));
    Envelope s = new StraightenFacets(0.2).apply(windowed, Fixtures.RULES);
    assertThat(s.surface("w0").orElseThrow().polygon()).isEqualTo(f);
    assertThat(volume(s, "a").enclosed()).isTrue();
  }
}
