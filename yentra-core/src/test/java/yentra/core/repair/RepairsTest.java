package yentra.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.changed;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.codes;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;
import static yentra.core.Fixtures.with;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.Fixtures;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.Remedies;
import yentra.core.check.run.RepairPreview;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Member;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Side;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.construction.AmendGlazing;
import yentra.core.repair.construction.AmendMaterial;
import yentra.core.repair.construction.AssignConstruction;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.CorrectUValue;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.repair.construction.GiveGlazing;
import yentra.core.repair.construction.GlazingSpec;
import yentra.core.repair.construction.MakeMassless;
import yentra.core.repair.construction.MergeThinLayer;
import yentra.core.repair.construction.ReplaceConstruction;
import yentra.core.repair.construction.ReverseLayers;
import yentra.core.repair.construction.StateUValue;
import yentra.core.repair.delivery.AlignDelivery;
import yentra.core.repair.delivery.MakeIdUnique;
import yentra.core.repair.delivery.PointReference;
import yentra.core.repair.delivery.ReadDecimal;
import yentra.core.repair.delivery.RereadUnit;
import yentra.core.repair.kinds.RepairKinds;
import yentra.core.repair.opening.AddOpening;
import yentra.core.repair.opening.CutOpening;
import yentra.core.repair.opening.DeleteOpening;
import yentra.core.repair.opening.GlazeWalls;
import yentra.core.repair.opening.PlaceOpening;
import yentra.core.repair.opening.ReshapeOpening;
import yentra.core.repair.opening.RetypeOpening;
import yentra.core.repair.opening.ShadeOpenings;
import yentra.core.repair.space.AddSpace;
import yentra.core.repair.space.AddSpaces;
import yentra.core.repair.space.AmendSpace;
import yentra.core.repair.space.DeleteSpace;
import yentra.core.repair.space.MergeSpaces;
import yentra.core.repair.space.NameSpaces;
import yentra.core.repair.space.ReverseShell;
import yentra.core.repair.space.SnapVertices;
import yentra.core.repair.space.SplitSpace;
import yentra.core.repair.space.StateFigures;
import yentra.core.repair.space.StateLeakage;
import yentra.core.repair.surface.AbsorbSlivers;
import yentra.core.repair.surface.CleanOutline;
import yentra.core.repair.surface.CloseHole;
import yentra.core.repair.surface.DeleteSurface;
import yentra.core.repair.surface.ExtendSurface;
import yentra.core.repair.surface.MakeAdiabatic;
import yentra.core.repair.surface.MatchFacing;
import yentra.core.repair.surface.MatchSurfaces;
import yentra.core.repair.surface.MergeCoplanar;
import yentra.core.repair.surface.ReshapeSurface;
import yentra.core.repair.surface.RetypeSurface;
import yentra.core.repair.surface.ReverseSurface;
import yentra.core.repair.surface.SetNeighbours;
import yentra.core.repair.surface.SplitSurface;
import yentra.core.repair.surface.StraightenFacets;
import yentra.core.repair.use.AmendSchedule;
import yentra.core.repair.use.AmendZone;
import yentra.core.repair.use.GiveSchedule;
import yentra.core.repair.use.GiveUse;
import yentra.core.repair.use.GiveZone;
import yentra.core.repair.use.TakeRoomData;
import yentra.core.thermal.CorrectedUValue;
import yentra.core.thermal.UValueCorrection;

/** Every repair mends what it is for, and refuses where it makes no sense. */
class RepairsTest {
  private static List<Remedy> remedies(Envelope e, String code) {
    CheckContext c = new CheckContext(e, Limits.STANDARD, TOLERANCE);
    return new Remedies(c)
        .of(check(e).stream().filter(f -> f.code().equals(code)).findFirst().orElseThrow());
  }

  /** Applies the first remedy of the first finding with this code. */
  private static Envelope mended(Envelope e, String code) throws NotApplicableException {
    return remedies(e, code).get(0).repair().apply(e, RULES);
  }

  @Test
  void aReversedWallIsTurnedAndItsWindowWithIt() throws Exception {
    Envelope broken = new ReverseSurface("a-south").apply(rooms(), RULES);
    assertThat(codes(broken)).containsExactly("ADJ-506");
    Envelope e = mended(broken, "ADJ-506");
    assertThat(codes(e)).isEmpty();
    assertThat(e.surface("a-south").orElseThrow().openings().get(0).polygon().normal().y())
        .isCloseTo(-1, within(1e-9));
    assertThat(new ReverseSurface("a-south").apply(broken, RULES).surface("a-south"))
        .isEqualTo(rooms().surface("a-south"));
  }

  @Test
  void wrongTypesAreSetRight() throws Exception {
    assertThat(codes(mended(changed("between", s -> s.withType(SurfaceType.ROOF)), "ADJ-502")))
        .isEmpty();
    Envelope e = mended(changed("b-east", s -> s.withType(SurfaceType.INTERIOR_WALL)), "ADJ-501");
    assertThat(e.surface("b-east").orElseThrow().type()).isEqualTo(SurfaceType.EXTERIOR_WALL);
    assertThatThrownBy(() -> new RetypeSurface("b-east", SurfaceType.EXTERIOR_WALL).apply(e, RULES))
        .isInstanceOf(NotApplicableException.class);
  }

  @Test
  void aWindowIsCutToItsWall() throws Exception {
    Polygon wide = Polygon.of(v(-0.5, 0, 1), v(3, 0, 1), v(3, 0, 2), v(-0.5, 0, 2));
    Envelope e =
        mended(changed("a-south", s -> s.withOpenings(List.of(window("win", wide)))), "OPN-602");
    assertThat(e.opening("win").orElseThrow().polygon().area()).isCloseTo(3, within(1e-9));
    assertThat(codes(e)).isEmpty();
    Polygon elsewhere = Polygon.of(v(20, 0, 1), v(22, 0, 1), v(22, 0, 2), v(20, 0, 2));
    Envelope gone = changed("a-south", s -> s.withOpenings(List.of(window("win", elsewhere))));
    assertThatThrownBy(() -> new CutOpening("win").apply(gone, RULES))
        .hasMessageContaining("Delete it instead");
  }

  @Test
  void aWindowInFrontOfItsWallIsPutIntoItsPlane() throws Exception {
    Polygon before = Polygon.of(v(1, -0.08, 1), v(3, -0.08, 1), v(3, -0.08, 2), v(1, -0.08, 2));
    Envelope e =
        mended(changed("a-south", s -> s.withOpenings(List.of(window("win", before)))), "OPN-601");
    assertThat(codes(e)).isEmpty();
  }

  /**
   * The wall between the rooms as two surfaces that know nothing of each other, {@code apart}
   * metres apart.
   */
  private static Envelope unmatched(double apart) {
    Envelope e = rooms();
    Surface wall = e.surface("between").orElseThrow();
    Polygon far =
        Polygon.of(
            wall.polygon().reversed().outer().stream().map(p -> p.plus(v(apart, 0, 0))).toList());
    return e.replacing("between", s -> s.withSides(List.of(Side.of("a"))))
        .plus(surface("other", SurfaceType.INTERIOR_WALL, far, "con-1", "b"));
  }

  @Test
  void twoFacingWallsBecomeOne() throws Exception {
    assertThat(codes(unmatched(0))).containsExactlyInAnyOrder("ADJ-501", "GEO-307");
    Envelope e = mended(unmatched(0), "ADJ-501");
    assertThat(codes(e)).isEmpty();
    assertThat(e.surfaces()).hasSize(rooms().surfaces().size());
    Surface wall = e.surface("between").orElseThrow();
    assertThat(wall.sides()).extracting(Side::space).containsExactly("a", "b");
    Surface thick = mended(unmatched(0.2), "ADJ-501").surface("between").orElseThrow();
    assertThat(thick.thickness()).isCloseTo(0.2, within(1e-9));
    assertThat(thick.sides().get(1).face().mean().x()).isCloseTo(4.2, within(1e-9));
  }

  @Test
  void surfacesThatDoNotFaceEachOtherAreNotMatched() {
    assertThatThrownBy(() -> new MatchSurfaces("a-south", "b-east").apply(rooms(), RULES))
        .hasMessageContaining("not parallel");
    assertThatThrownBy(() -> new MatchSurfaces("a-west", "b-east").apply(rooms(), RULES))
        .hasMessageContaining("apart");
    assertThatThrownBy(() -> new MatchSurfaces("a-south", "b-south").apply(rooms(), RULES))
        .hasMessageContaining("cover each other");
    assertThatThrownBy(() -> new MatchSurfaces("a-south", "a-north").apply(rooms(), RULES))
        .hasMessageContaining("same space");
  }

  @Test
  void aHoleIsClosedInSurfacesAndShell() throws Exception {
    Envelope open = rooms().withoutSurface("a-roof");
    Envelope broken =
        open.withSpaces(
            open.spaces().stream()
                .map(
                    s ->
                        s.key().equals("a")
                            ? s.withShell(s.shell().stream().filter(f -> f.tilt() > 1).toList())
                            : s)
                .toList());
    assertThat(codes(broken)).containsExactly("SPC-401");
    Remedy r = remedies(broken, "SPC-401").get(0);
    assertThat(r.label()).isEqualTo("Close the hole with a roof");
    Envelope e = r.repair().apply(broken, RULES);
    assertThat(codes(e)).isEmpty();
    Surface made = e.surfaces().get(e.surfaces().size() - 1);
    assertThat(made.type()).isEqualTo(SurfaceType.ROOF);
    assertThat(made.construction()).isEqualTo("con-1");
    assertThat(e.space("a").orElseThrow().shell()).hasSize(6);
    assertThatThrownBy(() -> r.repair().apply(e, RULES)).hasMessageContaining("no longer a hole");
  }

  @Test
  void aStrayIsDeletedWithWhatTheReaderNotedAboutIt() throws Exception {
    Polygon p = Polygon.of(v(0, 9, 0), v(2, 9, 0), v(2, 9, 2), v(0, 9, 2));
    assertThat(codes(mended(rooms().plus(surface("x", SurfaceType.ROOF, p, "con-1")), "ADJ-509")))
        .isEmpty();
    assertThatThrownBy(() -> new DeleteSurface("x").apply(rooms(), RULES))
        .hasMessageContaining("no longer there");
  }

  @Test
  void aConstructionIsAssignedFromItsLikes() throws Exception {
    Envelope e = mended(changed("a-roof", s -> s.withConstruction(null)), "THM-701");
    assertThat(e.surface("a-roof").orElseThrow().construction()).isEqualTo("con-1");
    assertThatThrownBy(() -> new AssignConstruction("a-roof", "none").apply(e, RULES))
        .isInstanceOf(NotApplicableException.class);
  }

  @Test
  void aPreviewTellsWhatGoesAndWhatComes() throws Exception {
    Envelope e = changed("b-east", s -> s.withType(SurfaceType.INTERIOR_WALL));
    CheckContext c = new CheckContext(e, Limits.STANDARD, TOLERANCE);
    RepairPreview good =
        RepairPreview.of(CheckRun.of(c), new RetypeSurface("b-east", SurfaceType.EXTERIOR_WALL));
    assertThat(good.resolved()).extracting(f -> f.code()).containsExactly("ADJ-501");
    assertThat(good.added()).isEmpty();
    assertThat(good.changedSurfaces()).extracting(Surface::key).containsExactly("b-east");
    RepairPreview bad = RepairPreview.of(CheckRun.of(c), new DeleteSurface("b-south"));
    assertThat(bad.removedSurfaces()).containsExactly("b-south");
  }

  @Test
  void repairsSurviveAsJson() {
    JsonMapper json = JsonMapper.builder().addMixIn(Repair.class, RepairKinds.class).build();
    List<Repair> all =
        List.of(
            new GiveConstruction(List.of("s"), ConstructionSpec.existing("con-1")),
            new ReplaceConstruction(
                "con-1",
                new ConstructionSpec(
                    null,
                    "Wall",
                    List.of(
                        new ConstructionSpec.LayerSpec(
                            "Wool", 0.1, 0.035, 30.0, 1030.0, null, null)),
                    null,
                    "by hand")),
            new AmendMaterial("mat-1", null, 0.5, null, null, null, "by hand"),
            new MergeThinLayer("mat-1"),
            new MakeMassless("con-1"),
            new ReverseLayers("con-1"),
            new StateUValue("con-1", null),
            new GiveGlazing(
                List.of("o"), new GlazingSpec(null, "Double", 1.3, 0.6, 0.7, "by hand")),
            new AmendGlazing("glass-1", null, 0.5, null, null),
            new GiveUse(List.of("a"), "OfficeEnclosed", "Heated", null),
            new CorrectUValue(
                "con-1",
                500.0,
                UValueCorrection.AirGaps.BRIDGING,
                new CorrectedUValue.Fasteners(4, 2e-5, 50, null)),
            new GiveSchedule(
                GiveSchedule.Purpose.PEOPLE,
                List.of("a"),
                null,
                ScheduleProfile.always("Always", ScheduleProfile.FRACTION, List.of(1.0))),
            new AmendSchedule(
                "s", ScheduleProfile.always("Never", ScheduleProfile.FRACTION, List.of(0.0))),
            new GiveZone(List.of("a"), null, "North", 20.0, 26.0),
            new AmendZone("z-1", null, 19.0, null),
            new TakeRoomData(
                List.of(
                    new TakeRoomData.Room(
                        "a", "Room", "OfficeEnclosed", null, "North", 20.0, 26.0, null, null))),
            new ReverseSurface("s"),
            new ReverseShell("a"),
            new RetypeSurface("s", SurfaceType.ROOF),
            new MakeAdiabatic("s", SurfaceType.INTERIOR_WALL),
            new CutOpening("o"),
            new MatchSurfaces("s", "t"),
            new CloseHole(
                "a", List.of(v(0, 0, 0), v(1, 0, 0), v(1, 1, 0.1)), SurfaceType.ROOF, null),
            new DeleteSurface("s"),
            new DeleteOpening("o"),
            new AssignConstruction("s", "c"),
            new AlignDelivery(12.5, 1, -2, 0.25, null),
            new AlignDelivery(0, 0, 0, 0, 3.5),
            new MergeCoplanar(),
            new MergeSpaces(List.of("a", "b")),
            new AddSpaces(List.of(new SpaceSeed("Store 01", new Vec3(1, 2, 3)))),
            new AbsorbSlivers(0.05, 0.02),
            new StraightenFacets(0.05),
            new ReshapeSurface("s", List.of(v(0, 0, 0)), true),
            new SplitSurface("s", v(0, 0, 0), v(1, 0, 0)),
            new ExtendSurface("s", "t"),
            new SetNeighbours("s", List.of("a"), null),
            new SnapVertices(List.of("a"), 0.02),
            new SplitSpace("a", v(0, 0, 0), v(1, 0, 0), "n"),
            new AddSpace("n", List.of(v(0, 0, 0)), 0, 3, null),
            new DeleteSpace("a"),
            new AddOpening("s", List.of(v(0, 0, 0)), OpeningType.AIR),
            new ReshapeOpening("o", List.of(v(0, 0, 0))),
            new RetypeOpening("o", OpeningType.FIXED_WINDOW),
            new GlazeWalls(List.of("s"), 0.3, 0.9),
            new ShadeOpenings(List.of("o"), 0.5, 0.1),
            new StateLeakage(List.of("a"), 0.1),
            new NameSpaces("{storey} {number}", List.of()),
            new MatchFacing(0.6),
            new CleanOutline("s", 0.001),
            new RereadUnit(0.001, "millimetres"),
            new PointReference("s", Member.CONSTRUCTION, null, "x", null),
            new MakeIdUnique("s"),
            new AmendSpace("a", "st-1", true, false),
            new PlaceOpening("o", "s"),
            new StateFigures("a"),
            new ReadDecimal("m", "Thickness"),
            new Several("Types", List.of(new DeleteSpace("a"), new DeleteSurface("s"))));
    for (Repair r : all) {
      String text = json.writerFor(Repair.class).writeValueAsString(r);
      assertThat(json.readValue(text, Repair.class)).as(text).isEqualTo(r);
    }
    assertThat(all.stream().map(Object::getClass).distinct())
        .hasSize(RepairKinds.class.getAnnotation(JsonSubTypes.class).value().length);
    KeyChange primed = new KeyChange(k -> k + "'");
    for (Repair r : all) {
      Repair there = r.renamed(primed);
      assertThat(there.objects()).isEqualTo(primed.of(r.objects()));
      assertThat(there.renamed(new KeyChange(k -> k.substring(0, k.length() - 1)))).isEqualTo(r);
    }
  }

  @Test
  void aReplayPassesOverWhatNoLongerApplies() {
    List<Repair> log =
        List.of(
            new DeleteSurface("gone"), new RetypeSurface("b-east", SurfaceType.UNDERGROUND_WALL));
    Replay r = Replay.of(rooms(), log, RULES);
    assertThat(r.failed()).singleElement().satisfies(f -> assertThat(f.index()).isZero());
    assertThat(r.envelope().surface("b-east").orElseThrow().type())
        .isEqualTo(SurfaceType.UNDERGROUND_WALL);
  }

  @Test
  void aBentRoofIsPutIntoOnePlane() throws Exception {
    Envelope bent =
        changed(
            "b-roof", s -> with(s, Polygon.of(v(4, 0, 3), v(8, 0, 3), v(8, 5, 3.024), v(4, 5, 3))));
    assertThat(codes(bent)).contains("GEO-302");
    assertThat(codes(mended(bent, "GEO-302"))).isEmpty();
  }

  @Test
  void withoutARemedyThereIsNone() {
    Envelope e = rooms();
    Envelope nowhere =
        e.withSite(new yentra.core.envelope.Site("", null, null, null, null, e.site().extras()));
    assertThat(remedies(nowhere, "LOC-801")).isEmpty();
  }

  /** A plane that is not one is refused before anything is cut. */
  @Test
  void aSplitNeedsAPointAndADirection() {
    for (Vec3 normal : new Vec3[] {null, Vec3.ZERO, new Vec3(1e-12, 0, 0)}) {
      assertThatThrownBy(
              () ->
                  new SplitSpace("a", new Vec3(2, 2, 1), normal, "x")
                      .apply(Fixtures.rooms(), Fixtures.RULES))
          .isInstanceOf(NotApplicableException.class)
          .hasMessageContaining("a point and a direction");
    }
    assertThatThrownBy(
            () -> new SplitSpace("a", null, Vec3.X, "x").apply(Fixtures.rooms(), Fixtures.RULES))
        .hasMessageContaining("a point and a direction");
  }
}
