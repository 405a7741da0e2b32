package yentra.core.revision;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.source;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;
import static yentra.core.Fixtures.with;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.revision.RevisionComparison.Change;
import yentra.core.revision.RevisionComparison.Entry;

/** One thing changed at a time: it is told, in words and figures, and nothing else is. */
class RevisionDetailsTest {
  private static RevisionComparison compare(Envelope b) {
    return RevisionComparison.of(rooms(), b, RULES);
  }

  private static Entry only(Envelope b) {
    List<Entry> all = compare(b).entries();
    assertThat(all).hasSize(1);
    return all.get(0);
  }

  private static Envelope west(UnaryOperator<Space> change) {
    Envelope e = rooms();
    return e.withSpaces(List.of(change.apply(e.spaces().get(0)), e.spaces().get(1)));
  }

  private static Envelope pane(UnaryOperator<Opening> change) {
    return rooms()
        .replacing("a-south", s -> s.withOpenings(s.openings().stream().map(change).toList()));
  }

  private static Polygon moved(Polygon p, double x, double y, double z) {
    return p.transformed(Transform.translation(v(x, y, z)));
  }

  @Test
  void namesUsesAndStoreysOfSpaces() {
    Entry name = only(west(s -> s.withName("Boat hall")));
    assertThat(name.details()).containsExactly("name West → Boat hall");
    assertThat(name.change()).isEqualTo(Change.CHANGED);
    assertThat(name.kind() + " " + name.name()).isEqualTo("space Boat hall");
    assertThat(name.byGeometry()).isFalse();
    assertThat(only(west(s -> s.with().use("Workshop").build())).details())
        .containsExactly("use OfficeEnclosed → Workshop");
    assertThat(only(west(s -> s.with().use("").build())).details())
        .containsExactly("use OfficeEnclosed → none");
    assertThat(only(west(s -> s.with().storey(null).build())).details())
        .containsExactly("storey Ground floor → none");
    Envelope e = west(s -> s.with().storey("st-2").build());
    assertThat(only(e).details()).containsExactly("storey Ground floor → st-2");
    List<Storey> two = new ArrayList<>(e.storeys());
    two.add(new Storey("st-2", "Deck", 3.0, "b-1", source("BuildingStorey", "st-2"), Extras.NONE));
    assertThat(only(Envelope.of(e.parts().withStoreys(two))).details())
        .containsExactly("storey Ground floor → Deck");
  }

  /** A file that numbers its storeys anew, under the old names. */
  @Test
  void aStoreyIsItsName() {
    Envelope e = rooms();
    Storey was = e.storeys().get(0);
    Storey is =
        new Storey("n-1", was.name(), was.level(), was.building(), was.source(), was.extras());
    List<Space> spaces = e.spaces().stream().map(s -> s.with().storey("n-1").build()).toList();
    assertThat(
            compare(Envelope.of(e.parts().withStoreys(List.of(is)).withSpaces(spaces))).entries())
        .isEmpty();
  }

  @Test
  void aSpaceThatGrewIsNotOneThatMoved() {
    Entry grown = only(west(s -> s.withShell(box(0, 0, 0, 4, 5, 3.5))));
    assertThat(grown.details()).containsExactly("volume 60.00 → 70.00 m³");
    assertThat(grown.change()).isEqualTo(Change.CHANGED);
    Entry wide = only(west(s -> s.withShell(box(0, 0, 0, 4, 4.5, 3))));
    assertThat(wide.details())
        .containsExactly("floor area 20.00 → 18.00 m²", "volume 60.00 → 54.00 m³");
    Entry gone = only(west(s -> s.withShell(box(0, -0.5, 0, 4, 4.5, 3))));
    assertThat(gone.change()).isEqualTo(Change.MOVED);
    assertThat(gone.details()).containsExactly("moved by 0.500 m");
    double gap = TOLERANCE.gap();
    assertThat(compare(west(s -> s.withShell(box(0, -gap / 2, 0, 4, 5 - gap / 2, 3)))).entries())
        .isEmpty();
    // a thousandth of it is no change
    assertThat(compare(west(s -> s.withShell(box(0, 0, 0, 4, 5, 3.002)))).entries()).isEmpty();
    // moved and renamed is changed
    Entry both = only(west(s -> s.withShell(box(0, -0.5, 0, 4, 4.5, 3)).withName("Hall")));
    assertThat(both.change()).isEqualTo(Change.CHANGED);
    assertThat(both.details()).containsExactly("name West → Hall", "moved by 0.500 m");
  }

  @Test
  void typesSidesAndConstructionsOfSurfaces() {
    Envelope e = rooms();
    assertThat(only(e.replacing("b-roof", s -> s.withType(SurfaceType.CEILING))).details())
        .containsExactly("type Roof → Ceiling", "exposure outdoor → unresolved");
    Entry bare = only(e.replacing("b-roof", s -> s.withConstruction(null)));
    assertThat(bare.details()).containsExactly("construction Brick wall → none");
    assertThat(bare.kind() + " " + bare.after()).isEqualTo("surface b-roof");
    assertThat(bare.name()).isEqualTo("roof of East");
    assertThat(only(e.replacing("b-roof", s -> s.withConstruction("con-9"))).details())
        .containsExactly("construction Brick wall → con-9");
    Entry turned =
        only(e.replacing("between", s -> s.withSides(List.of(s.sides().get(1), s.sides().get(0)))));
    assertThat(turned.details()).containsExactly("adjacent spaces West, East → East, West");
    Entry over = only(e.replacing("b-roof", s -> with(s, s.polygon().reversed())));
    assertThat(over.details()).contains("faces the other way");
  }

  @Test
  void outlinesThatMovedAndOutlinesThatGrew() {
    Envelope e = rooms();
    Entry gone = only(e.replacing("b-east", s -> with(s, moved(s.polygon(), 0.2, 0, 0))));
    assertThat(gone.change()).isEqualTo(Change.MOVED);
    assertThat(gone.details()).containsExactly("moved by 0.200 m");
    Entry low =
        only(
            e.replacing(
                "b-east",
                s -> with(s, Polygon.of(v(8, 0, 0), v(8, 5, 0), v(8, 5, 2.5), v(8, 0, 2.5)))));
    assertThat(low.change()).isEqualTo(Change.CHANGED);
    assertThat(low.details()).containsExactly("area 15.00 → 12.50 m²");
    // one more corner on an edge: the same outline
    assertThat(
            compare(
                    e.replacing(
                        "b-east",
                        s ->
                            with(
                                s,
                                Polygon.of(
                                    v(8, 0, 0), v(8, 2.5, 0), v(8, 5, 0), v(8, 5, 3), v(8, 0, 3)))))
                .entries())
        .allSatisfy(x -> assertThat(x.change()).isEqualTo(Change.MOVED));
    double small = TOLERANCE.length() * 0.9;
    assertThat(
            compare(e.replacing("b-east", s -> with(s, moved(s.polygon(), small, 0, 0)))).entries())
        .isEmpty();
  }

  @Test
  void whatCameAndWhatWentOfSurfaces() {
    Envelope e = rooms();
    Surface come =
        surface("new", SurfaceType.SHADE, moved(e.surfaces().get(1).polygon(), 0, 9, 0), "con-1");
    Entry added = only(e.plus(come));
    assertThat(added.change()).isEqualTo(Change.ADDED);
    assertThat(added.details()).containsExactly("20.00 m²");
    assertThat(added.before()).isNull();
    Entry removed = only(e.withoutSurface("b-roof"));
    assertThat(removed.change()).isEqualTo(Change.REMOVED);
    assertThat(removed.before()).isEqualTo("b-roof");
    assertThat(removed.details()).containsExactly("20.00 m²");
    assertThat(removed.name()).isEqualTo("roof of East");
    assertThat(compare(e.withoutSurface("b-roof")).removed()).containsExactly("b-roof");
  }

  @Test
  void openingsThatChanged() {
    assertThat(only(pane(o -> o.with().type(OpeningType.OPERABLE_WINDOW).build())).details())
        .containsExactly("type FixedWindow → OperableWindow");
    assertThat(only(pane(o -> o.with().glazing(null).build())).details())
        .containsExactly("window type Double glazing → none");
    assertThat(only(pane(o -> o.with().glazing("glass-9").build())).details())
        .containsExactly("window type Double glazing → glass-9");
    assertThat(only(pane(o -> o.with().construction("con-1").build())).details())
        .containsExactly("construction none → Brick wall");
    Entry gone = only(pane(o -> o.withPolygon(moved(o.polygon(), 0.3, 0, 0))));
    assertThat(gone.change()).isEqualTo(Change.MOVED);
    assertThat(gone.kind() + " " + gone.after()).isEqualTo("opening win");
    assertThat(gone.details()).containsExactly("moved by 0.300 m");
    Entry small =
        only(pane(o -> o.withPolygon(Polygon.of(v(1, 0, 1), v(3, 0, 1), v(3, 0, 2), v(1, 0, 2)))));
    assertThat(small.details()).containsExactly("area 2.40 → 2.00 m²");
  }

  @Test
  void openingsThatCameAndWent() {
    Envelope none = rooms().replacing("a-south", s -> s.withOpenings(List.of()));
    Entry gone = only(none);
    assertThat(gone.change()).isEqualTo(Change.REMOVED);
    assertThat(gone.details()).containsExactly("2.40 m²");
    Entry come = RevisionComparison.of(none, rooms(), RULES).entries().get(0);
    assertThat(come.change()).isEqualTo(Change.ADDED);
    assertThat(come.after()).isEqualTo("win");
    assertThat(come.details()).containsExactly("2.40 m²");
    // an opening without a surface is an opening
    Polygon p = Polygon.of(v(1, 0, 1), v(2, 0, 1), v(2, 0, 2), v(1, 0, 2));
    Envelope stray = rooms().withOrphans(List.of(window("stray", p)));
    assertThat(only(stray).after()).isEqualTo("stray");
    assertThat(RevisionComparison.of(stray, rooms(), RULES).removed()).containsExactly("stray");
    assertThat(RevisionComparison.of(stray, stray, RULES).entries()).isEmpty();
  }

  /** Elsewhere in the same wall it has its id to go by; in another wall it is another opening. */
  @Test
  void anOpeningFarAwayIsTheSameOnlyInItsOwnWall() {
    Polygon far = Polygon.of(v(3.2, 0, 0.1), v(3.8, 0, 0.1), v(3.8, 0, 0.6), v(3.2, 0, 0.6));
    Entry same = only(pane(o -> o.withPolygon(far)));
    assertThat(same.before()).isEqualTo("win");
    assertThat(same.after()).isEqualTo("win");
    Polygon north = Polygon.of(v(3, 5, 1), v(1, 5, 1), v(1, 5, 2.2), v(3, 5, 2.2));
    Envelope other =
        rooms()
            .replacing("a-south", s -> s.withOpenings(List.of()))
            .replacing("a-north", s -> s.withOpenings(List.of(window("win", north))));
    assertThat(compare(other).entries())
        .extracting(Entry::change)
        .containsExactly(Change.REMOVED, Change.ADDED);
  }

  @Test
  void anOpeningWithANewIdIsKnownByItsPlace() {
    RevisionComparison c = compare(pane(o -> o.withKey("w-77")));
    assertThat(c.entries()).isEmpty();
    assertThat(c.now("win")).isEqualTo("w-77");
    assertThat(c.renamed()).containsExactly(Map.entry("win", "w-77"));
    // of two that lie there, the one that covers more
    Polygon less = Polygon.of(v(1.2, 0, 1), v(3, 0, 1), v(3, 0, 2.2), v(1.2, 0, 2.2));
    Envelope two =
        rooms()
            .replacing(
                "a-south",
                s -> s.withOpenings(List.of(window("x", less), s.openings().get(0).withKey("y"))));
    assertThat(compare(two).now("win")).isEqualTo("y");
  }

  private static Envelope built(Construction c, Material m) {
    Envelope e = rooms();
    return e.withConstructions(List.of(c), e.layers(), List.of(m));
  }

  @Test
  void constructionsThatChanged() {
    Envelope e = rooms();
    Construction c = e.constructions().get(0);
    Material m = e.materials().get(0);
    Construction named =
        new Construction(c.key(), "Stone", c.layers(), null, c.source(), c.extras());
    // surfaces say it too: the construction that they have is called otherwise
    assertThat(compare(built(named, m)).entries())
        .filteredOn(x -> x.kind().equals("construction"))
        .singleElement()
        .satisfies(x -> assertThat(x.details()).containsExactly("name Brick wall → Stone"));
    Construction stated =
        new Construction(c.key(), c.name(), c.layers(), 0.3, c.source(), c.extras());
    assertThat(only(built(stated, m)).details()).containsExactly("U-value none → 0.3");
    assertThat(RevisionComparison.of(built(stated, m), rooms(), RULES).entries().get(0).details())
        .containsExactly("U-value 0.3 → none");
    Material thick =
        new Material(m.key(), "Brick", 0.4, 0.8, 1800.0, 900.0, null, m.source(), Extras.NONE);
    assertThat(only(built(c, thick)).details())
        .containsExactly("layers Brick 0.300 m → Brick 0.400 m");
    Material vague =
        new Material(m.key(), "Brick", null, 0.8, null, null, null, m.source(), Extras.NONE);
    assertThat(only(built(c, vague)).details()).containsExactly("layers Brick 0.300 m → Brick");
    Envelope unknown = e.withConstructions(List.of(c), e.layers(), List.of());
    assertThat(only(unknown).details()).containsExactly("layers Brick 0.300 m → mat-1");
    Envelope empty = e.withConstructions(List.of(c), List.of(), List.of());
    assertThat(only(empty).details()).containsExactly("layers Brick 0.300 m → none");
  }

  @Test
  void constructionsThatCameAndWent() {
    Envelope e = rooms();
    Construction c = e.constructions().get(0);
    Construction more =
        new Construction("con-2", "Roof", List.of("lay-1"), null, c.source(), Extras.NONE);
    Envelope two = e.withConstructions(List.of(c, more), e.layers(), e.materials());
    Entry come = only(two);
    assertThat(come.change() + " " + come.name()).isEqualTo("ADDED Roof");
    assertThat(come.details()).containsExactly("Brick 0.300 m");
    Entry gone = RevisionComparison.of(two, e, RULES).entries().get(0);
    assertThat(gone.change() + " " + gone.before()).isEqualTo("REMOVED con-2");
  }

  /** A file that numbers all anew: known by name. */
  @Test
  void aConstructionIsKnownByItsName() {
    Envelope e = rooms();
    Construction c = e.constructions().get(0);
    Construction anew =
        new Construction("c-900", c.name(), c.layers(), null, c.source(), Extras.NONE);
    Envelope b =
        e.withConstructions(List.of(anew), e.layers(), e.materials())
            .withSurfaces(e.surfaces().stream().map(s -> s.withConstruction("c-900")).toList());
    RevisionComparison r = compare(b);
    assertThat(r.entries()).isEmpty();
    assertThat(r.now("con-1")).isEqualTo("c-900");
    Construction nameless = new Construction("c-9", "", c.layers(), null, c.source(), Extras.NONE);
    assertThat(
            RevisionComparison.of(
                    e.withConstructions(List.of(nameless), e.layers(), e.materials()),
                    e.withConstructions(
                        List.of(
                            new Construction("c-8", "", c.layers(), null, c.source(), Extras.NONE)),
                        e.layers(),
                        e.materials()),
                    RULES)
                .entries())
        .filteredOn(x -> x.kind().equals("construction"))
        .extracting(Entry::change)
        .containsExactly(Change.REMOVED, Change.ADDED);
  }

  @Test
  void aWindowTypeWithANewIdIsNoChange() {
    Envelope e = rooms();
    Glazing g = e.glazings().get(0);
    Glazing anew =
        new Glazing(
            "g-900",
            g.name(),
            g.uValue(),
            g.solarHeatGain(),
            g.visibleTransmittance(),
            g.source(),
            g.extras());
    Envelope b = pane(o -> o.with().glazing("g-900").build()).withGlazings(List.of(anew));
    assertThat(compare(b).entries()).isEmpty();
  }

  /** With a new id: half of each other's box for spaces, 80 % of the outline for surfaces. */
  @ParameterizedTest
  @CsvSource({"1.9, true", "2.1, false"})
  void aSpaceWithANewIdIsKnownWhereHalfOfItLay(double shift, boolean known) {
    Envelope e = rooms();
    Space s = e.spaces().get(0);
    Space anew =
        Space.of("n")
            .with()
            .name("Other")
            .storey("st-1")
            .use(s.use())
            .shell(box(-shift / 1.5, 0, 0, 4 - shift / 1.5, 5, 3))
            .build();
    RevisionComparison c = compare(e.withSpaces(List.of(anew, e.spaces().get(1))));
    // shares of the boxes: (4 - d) / 4, with d of 1.27 and 1.40 m
    assertThat(c.now("a")).isEqualTo("n");
    Space far = anew.withShell(box(-shift, 0, 0, 4 - shift, 5, 3));
    RevisionComparison d = compare(e.withSpaces(List.of(far, e.spaces().get(1))));
    assertThat(d.now("a").equals("n")).isEqualTo(known);
  }

  @ParameterizedTest
  @CsvSource({"0.19, true", "0.21, false"})
  void aSurfaceWithANewIdIsKnownWhereMostOfItLay(double share, boolean known) {
    Envelope e = rooms();
    Surface s = e.surface("b-east").orElseThrow();
    Surface anew = surface("n", s.type(), moved(s.polygon(), 0, 0, 3 * share), "con-1", "b");
    RevisionComparison c =
        compare(
            e.withSurfaces(
                e.surfaces().stream().map(x -> x.key().equals("b-east") ? anew : x).toList()));
    assertThat(c.now("b-east").equals("n")).isEqualTo(known);
  }

  /** Where two surfaces lie in one place, each is the one that bounds the same spaces. */
  @Test
  void twoFacesOfOnePlaceKeepTheirSides() {
    Polygon p = Polygon.of(v(4, 0, 0), v(4, 5, 0), v(4, 5, 3), v(4, 0, 3));
    Envelope e = rooms().withoutSurface("between");
    Envelope was =
        e.plus(surface("p", SurfaceType.INTERIOR_WALL, p, "con-1", "a"))
            .plus(surface("q", SurfaceType.INTERIOR_WALL, p.reversed(), "con-1", "b"));
    Envelope is =
        e.plus(surface("x", SurfaceType.INTERIOR_WALL, p.reversed(), "con-1", "b"))
            .plus(surface("y", SurfaceType.INTERIOR_WALL, p, "con-1", "a"));
    RevisionComparison c = RevisionComparison.of(was, is, RULES);
    assertThat(c.entries()).isEmpty();
    assertThat(c.now("p")).isEqualTo("y");
    assertThat(c.now("q")).isEqualTo("x");
  }

  /** An id that another object of the new file has is not trusted. */
  @Test
  void idsThatWereGivenToOthersAreSeenThrough() {
    Envelope e = rooms();
    List<Surface> swapped = new ArrayList<>();
    for (Surface s : e.surfaces()) {
      String key =
          switch (s.key()) {
            case "b-east" -> "b-north";
            case "b-north" -> "b-east";
            default -> s.key();
          };
      swapped.add(
          surface(
                  key,
                  s.type(),
                  s.polygon(),
                  "con-1",
                  s.sides().stream().map(x -> x.space()).toArray(String[]::new))
              .withOpenings(s.openings()));
    }
    RevisionComparison c = compare(e.withSurfaces(swapped));
    assertThat(c.entries()).isEmpty();
    assertThat(c.now("b-east")).isEqualTo("b-north");
    assertThat(c.now("b-north")).isEqualTo("b-east");
  }

  /** Both files are drawn from different origins, which is no move. */
  @Test
  void anotherOriginIsNoMove() {
    Envelope e = rooms();
    Vec3 o = v(100, -50, 2);
    Envelope b = e.moved(Transform.translation(o.times(-1)), e.site().northAzimuth());
    Envelope there = Envelope.of(b.parts().withDelivered(Delivered.si(Delivered.GBXML, "6.01", o)));
    assertThat(compare(there).entries()).isEmpty();
    assertThat(RevisionComparison.of(there, e, RULES).entries()).isEmpty();
  }

  @Test
  void layersOfNoMaterialAreLeftOut() {
    Envelope e = rooms();
    Layer empty = new Layer("lay-1", "", List.of(), source("Layer", "lay-1"), Extras.NONE);
    assertThat(
            only(e.withConstructions(e.constructions(), List.of(empty), e.materials())).details())
        .containsExactly("layers Brick 0.300 m → none");
  }
}
