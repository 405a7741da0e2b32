package yentra.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.changed;
import static yentra.core.Fixtures.codes;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.write;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.SpaceVolume;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.repair.opening.AddOpening;
import yentra.core.repair.opening.GlazeWalls;
import yentra.core.repair.opening.ReshapeOpening;
import yentra.core.repair.opening.RetypeOpening;
import yentra.core.repair.space.AddSpace;
import yentra.core.repair.space.DeleteSpace;
import yentra.core.repair.space.MergeSpaces;
import yentra.core.repair.space.NameSpaces;
import yentra.core.repair.space.SnapVertices;
import yentra.core.repair.space.SplitSpace;
import yentra.core.repair.surface.DeleteSurface;
import yentra.core.repair.surface.ExtendSurface;
import yentra.core.repair.surface.MakeAdiabatic;
import yentra.core.repair.surface.MatchFacing;
import yentra.core.repair.surface.ReshapeSurface;
import yentra.core.repair.surface.RetypeSurface;
import yentra.core.repair.surface.SetNeighbours;
import yentra.core.repair.surface.SplitSurface;

/** What a person changes by hand: it does what it says, keeps shells closed, or refuses. */
class HandRepairsTest {
  private static SpaceVolume volume(Envelope e, String space) {
    return SpaceVolumes.of(e, RULES).of(space);
  }

  private static Surface of(Envelope e, String key) {
    return e.surface(key).orElseThrow();
  }

  private static double glass(Surface s) {
    return s.openings().stream()
        .filter(o -> o.type().isGlazed())
        .mapToDouble(o -> o.polygon().area())
        .sum();
  }

  @Test
  void aCornerMovesInItsPlaneAndTheFarSideWithIt() throws Exception {
    Polygon wall = of(rooms(), "between").polygon();
    Polygon far = Polygon.of(wall.outer().stream().map(p -> p.plus(v(0.2, 0, 0))).toList());
    Envelope thick =
        rooms()
            .replacing(
                "between",
                s -> s.withSides(List.of(Side.of("a", s.polygon()), Side.of("b", far.reversed()))));
    List<yentra.core.geometry.Vec3> raised =
        wall.outer().stream().map(p -> p.z() > 2 ? v(p.x() + 0.4, p.y(), 2.5) : p).toList();
    Surface s = of(new ReshapeSurface("between", raised, true).apply(thick, RULES), "between");
    assertThat(s.polygon().area()).isCloseTo(12.5, within(1e-9));
    assertThat(s.polygon().box().max().x()).as("stays in its plane").isCloseTo(4, within(1e-9));
    assertThat(s.face(1).area()).isCloseTo(12.5, within(1e-9));
    assertThat(s.face(1).mean().x()).isCloseTo(4.2, within(1e-9));
    assertThatThrownBy(
            () ->
                new ReshapeSurface("between", List.of(v(4, 0, 0), v(4, 1, 0)), true)
                    .apply(thick, RULES))
        .hasMessageContaining("three corners");
  }

  @Test
  void aWallIsSplitThroughItsWindow() throws Exception {
    Envelope e = new SplitSurface("a-south", v(2.5, 0, 0), v(2.5, 0, 3)).apply(rooms(), RULES);
    List<Surface> parts = e.surfaces().stream().filter(s -> s.key().startsWith("a-south")).toList();
    assertThat(parts).hasSize(2);
    assertThat(parts.stream().mapToDouble(s -> s.polygon().area()).sum())
        .isCloseTo(12, within(1e-9));
    assertThat(parts.stream().mapToDouble(HandRepairsTest::glass).sum())
        .isCloseTo(2.4, within(1e-9));
    assertThat(parts).allMatch(s -> s.openings().size() == 1);
    assertThat(volume(e, "a").enclosed()).isTrue();
    assertThat(codes(e)).isEmpty();
    assertThatThrownBy(
            () -> new SplitSurface("a-south", v(9, 0, 0), v(9, 0, 3)).apply(rooms(), RULES))
        .hasMessageContaining("does not cross");
  }

  @Test
  void aWallIsExtendedAndTrimmedToAnother() throws Exception {
    Polygon shorter = Polygon.of(v(4, 0, 0), v(7, 0, 0), v(7, 0, 3), v(4, 0, 3));
    Envelope e = changed("b-south", s -> s.withPolygon(shorter, s.sides()));
    Surface s = of(new ExtendSurface("b-south", "b-east").apply(e, RULES), "b-south");
    assertThat(s.polygon().area()).isCloseTo(12, within(1e-9));
    Polygon longer = Polygon.of(v(4, 0, 0), v(9, 0, 0), v(9, 0, 3), v(4, 0, 3));
    Envelope over = changed("b-south", x -> x.withPolygon(longer, x.sides()));
    assertThat(
            of(new ExtendSurface("b-south", "b-east").apply(over, RULES), "b-south")
                .polygon()
                .area())
        .isCloseTo(12, within(1e-9));
    assertThatThrownBy(() -> new ExtendSurface("b-south", "b-north").apply(e, RULES))
        .hasMessageContaining("parallel");
  }

  @Test
  void neighboursAreSetAndCleared() throws Exception {
    Envelope apart =
        new SetNeighbours("between", List.of("b"), SurfaceType.EXTERIOR_WALL).apply(rooms(), RULES);
    Surface s = of(apart, "between");
    assertThat(s.sides()).extracting(Side::space).containsExactly("b");
    assertThat(s.polygon().normal().x()).as("faces out of b").isCloseTo(-1, within(1e-9));
    Envelope again =
        new SetNeighbours("between", List.of("b", "a"), SurfaceType.INTERIOR_WALL)
            .apply(apart, RULES);
    assertThat(codes(again)).isEmpty();
    assertThatThrownBy(
            () -> new SetNeighbours("between", List.of("a", "a"), null).apply(rooms(), RULES))
        .hasMessageContaining("each once");
    assertThatThrownBy(() -> new SetNeighbours("between", List.of("x"), null).apply(rooms(), RULES))
        .hasMessageContaining("no longer there");
  }

  @Test
  void cornersThatNearlyMeetAreBroughtTogether() throws Exception {
    Polygon off = Polygon.of(v(4, 0, 3.02), v(8, 0.015, 3), v(8, 5, 3), v(4.01, 5, 3.01));
    Envelope e =
        changed("b-roof", s -> s.withPolygon(off, s.sides()))
            .withSpaces(rooms().spaces().stream().map(s -> s.withShell(List.of())).toList());
    assertThat(codes(e)).contains("SPC-401");
    Envelope mended = new SnapVertices(List.of("b"), 0.03).apply(e, RULES);
    assertThat(codes(mended)).isEmpty();
    assertThat(of(mended, "b-roof").polygon()).isEqualTo(of(rooms(), "b-roof").polygon());
    assertThatThrownBy(() -> new SnapVertices(List.of(), 0.03).apply(mended, RULES))
        .hasMessageContaining("No corners");
  }

  @Test
  void aSpaceIsSplitByAPlaneAndBothPartsAreClosed() throws Exception {
    Envelope e = new SplitSpace("a", v(0, 2, 0), v(0, 1, 0), "West, north").apply(rooms(), RULES);
    assertThat(e.spaces()).extracting(Space::name).containsExactly("West", "West, north", "East");
    String made = e.spaces().get(1).key();
    assertThat(volume(e, "a").volume()).isCloseTo(24, within(1e-6));
    assertThat(volume(e, made).volume()).isCloseTo(36, within(1e-6));
    assertThat(volume(e, "a").enclosed() && volume(e, made).enclosed()).isTrue();
    assertThat(volume(e, "b").enclosed()).isTrue();
    assertThat(e.surfaces().stream().filter(s -> s.type() == SurfaceType.AIR)).hasSize(1);
    assertThat(codes(e)).isEmpty();
    // what was two spaces is one again
    Envelope one = new MergeSpaces(List.of("a", made)).apply(e, RULES);
    assertThat(volume(one, "a").volume()).isCloseTo(60, within(1e-6));
    assertThatThrownBy(() -> new SplitSpace("a", v(0, 9, 0), v(0, 1, 0), "").apply(rooms(), RULES))
        .hasMessageContaining("does not cross");
  }

  @Test
  void aSpaceIsAddedByFootprintAndHeight() throws Exception {
    AddSpace add =
        new AddSpace(
            "Porch", List.of(v(8, 0, 0), v(8, 2, 0), v(10, 2, 0), v(10, 0, 0)), 0, 2.5, null);
    Envelope e = add.apply(rooms(), RULES);
    Space porch = e.spaces().get(2);
    assertThat(porch.storey()).isEqualTo("st-1");
    assertThat(volume(e, porch.key()).volume()).isCloseTo(10, within(1e-9));
    assertThat(volume(e, porch.key()).enclosed()).isTrue();
    assertThat(codes(e)).as("its wall stands on that of East").contains("ADJ-503", "THM-701");
    Envelope matched = new MatchFacing(0.1).apply(e, RULES);
    assertThat(codes(matched)).doesNotContain("ADJ-503");
    Envelope gone = new DeleteSpace(porch.key()).apply(e, RULES);
    assertThat(gone.surfaces()).isEqualTo(rooms().surfaces());
  }

  @Test
  void openingsAreAddedMovedRetypedAndMadeByRatio() throws Exception {
    Envelope e =
        new AddOpening(
                "b-south",
                List.of(v(5, -1, 0), v(6, -1, 0), v(6, -1, 2), v(5, -1, 2)),
                OpeningType.NON_SLIDING_DOOR)
            .apply(rooms(), RULES);
    Opening door = of(e, "b-south").openings().get(0);
    assertThat(door.polygon().mean().y()).isCloseTo(0, within(1e-9));
    assertThat(codes(e)).isEmpty();
    Envelope moved =
        new ReshapeOpening(door.key(), List.of(v(6, 0, 0), v(7, 0, 0), v(7, 0, 2.1), v(6, 0, 2.1)))
            .apply(e, RULES);
    assertThat(moved.opening(door.key()).orElseThrow().polygon().area())
        .isCloseTo(2.1, within(1e-9));
    Envelope glazed = new GlazeWalls(List.of("b-south"), 0.4, 0.9).apply(e, RULES);
    assertThat(glass(of(glazed, "b-south"))).isCloseTo(0.4 * 12, within(1e-3));
    assertThat(of(glazed, "b-south").openings()).contains(door);
    assertThat(codes(glazed)).doesNotContain("OPN-601", "OPN-602", "OPN-603", "OPN-604");
    assertThatThrownBy(() -> new GlazeWalls(List.of("b-south"), 0.9, 1.5).apply(e, RULES))
        .hasMessageContaining("at most");
    assertThatThrownBy(() -> new GlazeWalls(List.of("b-roof"), 0.2, 0).apply(e, RULES))
        .hasMessageContaining("not upright");
    Opening retyped =
        new RetypeOpening("win", OpeningType.NON_SLIDING_DOOR)
            .apply(rooms(), RULES)
            .opening("win")
            .orElseThrow();
    assertThat(retyped.glazing()).isNull();
  }

  @Test
  void spacesAreNamedByARule() throws Exception {
    NameSpaces rule = new NameSpaces("{storey} {number} {facing}", List.of());
    // West has its larger outer walls in north, south and west; the west wall is the largest
    assertThat(rule.names(rooms(), RULES))
        .isEqualTo(Map.of("a", "Ground floor 01 W", "b", "Ground floor 01 E"));
    assertThat(new NameSpaces("Room {number}", List.of()).names(rooms(), RULES))
        .isEqualTo(Map.of("a", "Room 01", "b", "Room 02"));
    assertThatThrownBy(() -> new NameSpaces("{colour}", List.of()).apply(rooms(), RULES))
        .hasMessageContaining("There is no part {colour}");
  }

  @Test
  void facingSurfacesAreMatchedAndSplitWhereTheyDiffer() throws Exception {
    List<Polygon> c = box(v(0, 5, 0), v(6, 8, 3));
    Envelope e = rooms();
    Space third = e.spaces().get(0).withName("North").withShell(c).withStated(18.0, 54.0);
    Envelope three =
        e.withSpaces(
            List.of(
                e.spaces().get(0),
                e.spaces().get(1),
                Space.of("c")
                    .with()
                    .name("North")
                    .storey(third.storey())
                    .zone(third.zone())
                    .building(third.building())
                    .use(third.use())
                    .condition(third.condition())
                    .statedFloorArea(18.0)
                    .statedVolume(54.0)
                    .shell(c)
                    .source(third.source())
                    .extras(third.extras())
                    .build()));
    SurfaceType[] types = {
      SurfaceType.SLAB_ON_GRADE,
      SurfaceType.ROOF,
      SurfaceType.EXTERIOR_WALL,
      SurfaceType.EXTERIOR_WALL,
      SurfaceType.EXTERIOR_WALL,
      SurfaceType.EXTERIOR_WALL
    };
    for (int i = 0; i < 6; i++) {
      three = three.plus(surface("c-" + i, types[i], c.get(i), "con-1", "c"));
    }
    assertThat(codes(three)).contains("ADJ-503");
    Envelope matched = new MatchFacing(0.1).apply(three, RULES);
    assertThat(codes(matched)).isEmpty();
    for (String s : List.of("a", "b", "c")) {
      assertThat(volume(matched, s).enclosed()).as(s).isTrue();
    }
    double between =
        matched.surfaces().stream()
            .filter(s -> s.isAdjacentTo("c") && s.sides().size() == 2)
            .mapToDouble(s -> s.polygon().area())
            .sum();
    assertThat(between)
        .as("North shares 4 m with West and 2 m with East")
        .isCloseTo(18, within(1e-6));
  }

  @Test
  void anAdiabaticSurfaceStaysSoThroughAFileAndUntilItIsTypedOutdoors() throws Exception {
    Envelope e = new MakeAdiabatic("b-east", null).apply(rooms(), RULES);
    assertThat(of(e, "b-east").exposure()).isEqualTo(Exposure.ADIABATIC);
    assertThat(of(e, "b-east").type()).isEqualTo(SurfaceType.INTERIOR_WALL);
    Envelope back = read(new String(write(e), StandardCharsets.UTF_8));
    assertThat(of(back, "b-east").exposure()).isEqualTo(Exposure.ADIABATIC);
    Envelope out = new RetypeSurface("b-east", SurfaceType.EXTERIOR_WALL).apply(e, RULES);
    assertThat(of(out, "b-east").exposure()).isEqualTo(Exposure.OUTDOOR);
  }

  @Test
  void whatPartsTwoSpacesOrHasAWindowCannotBeAdiabatic() {
    assertThatThrownBy(() -> new MakeAdiabatic("between", null).apply(rooms(), RULES))
        .hasMessageContaining("bounds 2");
    assertThatThrownBy(() -> new MakeAdiabatic("a-south", null).apply(rooms(), RULES))
        .hasMessageContaining("openings");
    assertThatThrownBy(() -> new MakeAdiabatic("b-east", SurfaceType.ROOF).apply(rooms(), RULES))
        .hasMessageContaining("interior type");
  }

  /** The limits of ADJ-504 hold for what a repair types, so that it makes no finding of its own. */
  @Test
  void aMatchIsTypedByTheProjectsTilts() throws Exception {
    double run = 3 / Math.tan(Math.toRadians(70));
    Polygon slope = Polygon.of(v(4, 0, 0), v(4, 5, 0), v(4 + run, 5, 3), v(4 + run, 0, 3));
    Polygon facing = slope.normal().z() > 0 ? slope : slope.reversed();
    Envelope e =
        rooms()
            .withoutSurface("between")
            .plus(surface("under", SurfaceType.EXTERIOR_WALL, facing, null, "a"))
            .plus(surface("over", SurfaceType.EXTERIOR_WALL, facing.reversed(), null, "b"));
    Rules steep = new Rules(TOLERANCE, new SurfaceTypes(80, 120));
    assertThat(new MatchFacing(0.6).apply(e, RULES).surfaces())
        .filteredOn(s -> s.sides().size() == 2)
        .extracting(Surface::type)
        .containsExactly(SurfaceType.INTERIOR_WALL);
    Envelope matched = new MatchFacing(0.6).apply(e, steep);
    assertThat(matched.surfaces())
        .filteredOn(s -> s.sides().size() == 2)
        .extracting(Surface::type)
        .containsExactly(SurfaceType.CEILING);
    CheckContext c = new CheckContext(matched, new Limits(Map.of("ADJ-504.roof", 80.0)), TOLERANCE);
    assertThat(CheckRun.of(c).findings()).noneMatch(f -> f.code().equals("ADJ-504"));
  }

  @Test
  void severalAreMadeTogetherOrNotAtAll() throws Exception {
    Several two =
        new Several(
            "Types",
            List.of(
                new RetypeSurface("a-west", SurfaceType.UNDERGROUND_WALL),
                new RetypeSurface("b-east", SurfaceType.UNDERGROUND_WALL)));
    assertThat(of(two.apply(rooms(), RULES), "b-east").type())
        .isEqualTo(SurfaceType.UNDERGROUND_WALL);
    Several bad = new Several("Types", List.of(two.repairs().get(0), new DeleteSurface("none")));
    assertThatThrownBy(() -> bad.apply(rooms(), RULES)).isInstanceOf(NotApplicableException.class);
    assertThatThrownBy(() -> new Several("", List.of(two)).apply(rooms(), RULES))
        .hasMessageContaining("cannot be part");
  }
}
