package yentra.core.revision;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.changed;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.with;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.core.repair.space.AddSpace;
import yentra.core.repair.space.NameSpaces;
import yentra.core.repair.surface.CloseHole;
import yentra.core.repair.surface.DeleteSurface;
import yentra.core.repair.surface.RetypeSurface;
import yentra.core.repair.surface.ReverseSurface;
import yentra.core.repair.use.TakeRoomData;
import yentra.core.revision.LogReplay.Entry;
import yentra.core.revision.LogReplay.Outcome;
import yentra.core.revision.RevisionComparison.Change;

/** What changed from one revision to the next, and which repairs and decisions still hold. */
class RevisionTest {
  private static CheckRun run(Envelope e) {
    return CheckRun.of(new CheckContext(e, Limits.STANDARD, TOLERANCE));
  }

  private static RevisionComparison compare(Envelope a, Envelope b) {
    return RevisionComparison.of(a, b, RULES);
  }

  /** All keys of a file written anew, as by a program that does not keep ids. */
  private static Envelope renamed(Envelope e) {
    UnaryOperator<String> k = s -> "n" + s;
    return e.withSpaces(
            e.spaces().stream()
                .map(
                    s ->
                        Space.of(k.apply(s.key()))
                            .with()
                            .name(s.name())
                            .storey(s.storey())
                            .zone(s.zone())
                            .building(s.building())
                            .use(s.use())
                            .condition(s.condition())
                            .statedFloorArea(s.statedFloorArea())
                            .statedVolume(s.statedVolume())
                            .shell(s.shell())
                            .source(s.source())
                            .extras(s.extras())
                            .build())
                .toList())
        .withSurfaces(
            e.surfaces().stream()
                .map(
                    s ->
                        surface(k.apply(s.key()), s.type(), s.polygon(), s.construction())
                            .withSides(
                                s.sides().stream().map(x -> Side.of(k.apply(x.space()))).toList())
                            .withOpenings(
                                s.openings().stream()
                                    .map(o -> o.withKey(k.apply(o.key())))
                                    .toList()))
                .toList());
  }

  @Test
  void whatIsTheSameIsNotTold() {
    assertThat(compare(rooms(), rooms()).entries()).isEmpty();
    RevisionComparison c = compare(rooms(), renamed(rooms()));
    assertThat(c.entries()).isEmpty();
    assertThat(c.now("a")).isEqualTo("na");
    assertThat(c.now("between")).isEqualTo("nbetween");
    assertThat(c.now("win")).isEqualTo("nwin");
    assertThat(c.renamed()).hasSize(2 + 11 + 1);
  }

  @Test
  void addedRemovedMovedAndChangedAreToldWithMeasures() throws Exception {
    Envelope b =
        new AddSpace("Wing", List.of(v(8, 0, 0), v(12, 0, 0), v(12, 5, 0), v(8, 5, 0)), 0, 3, null)
            .apply(rooms(), RULES)
            .withoutSurface("a-north")
            .replacing("b-roof", s -> s.withType(SurfaceType.CEILING))
            .replacing(
                "b-south",
                s ->
                    with(
                        s,
                        Polygon.of(
                            s.polygon().outer().stream().map(p -> p.plus(v(0, 0.05, 0))).toList())))
            .replacing(
                "a-south",
                s ->
                    s.withOpenings(
                        s.openings().stream()
                            .map(
                                o ->
                                    o.withPolygon(
                                        Polygon.of(
                                            v(1, 0, 1),
                                            v(2.5, 0, 1),
                                            v(2.5, 0, 2.2),
                                            v(1, 0, 2.2))))
                            .toList()));
    List<RevisionComparison.Entry> e = compare(rooms(), b).entries();
    assertThat(e)
        .anySatisfy(
            x -> {
              assertThat(x.change()).isEqualTo(Change.ADDED);
              assertThat(x.kind() + " " + x.name()).isEqualTo("space Wing");
              assertThat(x.details()).containsExactly("20.00 m², 60.00 m³");
            })
        .anySatisfy(
            x -> {
              assertThat(x.change()).isEqualTo(Change.REMOVED);
              assertThat(x.before()).isEqualTo("a-north");
              assertThat(x.details()).containsExactly("12.00 m²");
            })
        .anySatisfy(
            x -> {
              assertThat(x.after()).isEqualTo("b-roof");
              assertThat(x.details())
                  .containsExactly("type Roof → Ceiling", "exposure outdoor → unresolved");
            })
        .anySatisfy(
            x -> {
              assertThat(x.change()).isEqualTo(Change.MOVED);
              assertThat(x.after()).isEqualTo("b-south");
              assertThat(x.details()).containsExactly("moved by 0.050 m");
            })
        .anySatisfy(
            x -> {
              assertThat(x.kind()).isEqualTo("opening");
              assertThat(x.details()).containsExactly("area 2.40 → 1.80 m²");
            });
  }

  @Test
  void repairsAreAppliedNoLongerNeededOrNoLongerPossible() {
    FindingId turned = FindingId.parse("ADJ-506:b-east");
    List<Entry> log =
        List.of(
            new Entry(new ReverseSurface("b-east"), turned),
            new Entry(
                new ReverseSurface("b-north"), new FindingId("ADJ-506", List.of("b-north"), "")),
            new Entry(new DeleteSurface("gone"), null),
            new Entry(new RetypeSurface("b-roof", SurfaceType.CEILING), null));
    Envelope b = changed("b-east", s -> with(s, s.polygon().reversed()));
    LogReplay.Replayed r =
        LogReplay.of(run(b), new LogReplay.Log(rooms(), log), UnaryOperator.identity());
    assertThat(r.steps())
        .extracting(LogReplay.Step::outcome)
        .containsExactly(
            Outcome.APPLIED, Outcome.NOT_NEEDED, Outcome.NOT_POSSIBLE, Outcome.APPLIED);
    assertThat(r.with(Outcome.NOT_POSSIBLE).get(0).reason()).contains("no longer there");
    assertThat(r.run().findings()).extracting(Finding::id).doesNotContain(turned);
    assertThat(r.run().findings()).isEqualTo(check(r.run().context().envelope()));
  }

  @Test
  void ofSeveralInOneOnlyWhatIsNeededIsMadeAgain() {
    Several both =
        new Several(
            "Turn it to face out",
            List.of(new ReverseSurface("b-east"), new ReverseSurface("b-north")),
            List.of("ADJ-506:b-east", "ADJ-506:b-north"));
    Envelope b = changed("b-north", s -> with(s, s.polygon().reversed()));
    LogReplay.Replayed r =
        LogReplay.of(
            run(b),
            new LogReplay.Log(rooms(), List.of(new Entry(both, null))),
            UnaryOperator.identity());
    assertThat(r.steps().get(0).outcome()).isEqualTo(Outcome.APPLIED);
    assertThat(r.steps().get(0).reason()).isEqualTo("1 of 2 are no longer needed.");
    assertThat(r.run().findings()).isEmpty();
    LogReplay.Replayed sound =
        LogReplay.of(
            run(rooms()),
            new LogReplay.Log(rooms(), List.of(new Entry(both, null))),
            UnaryOperator.identity());
    assertThat(sound.steps().get(0).outcome()).isEqualTo(Outcome.NOT_NEEDED);
  }

  private static Envelope named(Envelope e, String space, String name) {
    return e.withSpaces(
        e.spaces().stream().map(s -> s.key().equals(space) ? s.withName(name) : s).toList());
  }

  private static LogReplay.Replayed replayed(Envelope next, Repair repair) {
    return LogReplay.of(
        run(next),
        new LogReplay.Log(rooms(), List.of(new Entry(repair, null))),
        UnaryOperator.identity());
  }

  private static Outcome outcome(Envelope next, Repair repair) {
    return replayed(next, repair).steps().get(0).outcome();
  }

  /** A sheet as it is written out has every value; only the light is another. */
  private static TakeRoomData lightOfWest(double light) {
    Space a = rooms().space("a").orElseThrow();
    return new TakeRoomData(
        List.of(
            new TakeRoomData.Room(
                "a",
                a.name(),
                a.use(),
                a.condition(),
                "House",
                20.0,
                26.0,
                null,
                new InternalGains(null, null, null, null, light, null))));
  }

  @Test
  void aRepairChangesOnlyWhatItWasAbout() {
    LogReplay.Replayed r = replayed(named(rooms(), "a", "West, renamed"), lightOfWest(7));
    assertThat(r.steps().get(0).outcome()).isEqualTo(Outcome.APPLIED);
    Space a = r.run().context().envelope().space("a").orElseThrow();
    assertThat(a.name()).isEqualTo("West, renamed");
    assertThat(a.gains().lighting()).isEqualTo(7);
  }

  @Test
  void whatBothHaveChangedIsAConflict() {
    NameSpaces ours = new NameSpaces("Crew", List.of("a"));
    LogReplay.Step s = replayed(named(rooms(), "a", "Mess"), ours).steps().get(0);
    assertThat(s.outcome()).isEqualTo(Outcome.CONFLICT);
    assertThat(s.reason())
        .isEqualTo(
            "The architect has changed name of Mess from West to Mess; the repair says Crew.");
    assertThat(outcome(named(rooms(), "a", "Crew"), ours))
        .as("both to the same")
        .isNotEqualTo(Outcome.CONFLICT);
    assertThat(outcome(named(rooms(), "b", "Mess"), ours))
        .as("another space")
        .isEqualTo(Outcome.APPLIED);
    Envelope typed = changed("b-roof", x -> x.withType(SurfaceType.EXPOSED_FLOOR));
    assertThat(outcome(typed, new RetypeSurface("b-roof", SurfaceType.CEILING)))
        .isEqualTo(Outcome.CONFLICT);
  }

  /** The first finding of a state about an object that is not one of another state. */
  private static FindingId news(CheckRun run, CheckRun before, String object) {
    Set<FindingId> known = new HashSet<>();
    before.findings().forEach(f -> known.add(f.id()));
    return run.findings().stream()
        .filter(f -> f.objects().contains(object) && !known.contains(f.id()))
        .findFirst()
        .orElseThrow()
        .id();
  }

  /** As a repair plan has them: each for a finding, the second for one that the first brings up. */
  @Test
  void ofSeveralEachIsMadeWhereItsFaultIs() {
    Envelope typed = changed("b-roof", x -> x.withType(SurfaceType.CEILING));
    FindingId type = news(run(typed), run(rooms()), "b-roof");
    FindingId hole = news(run(typed.withoutSurface("b-roof")), run(typed), "b");
    Several plan =
        new Several(
            "Repair plan",
            List.of(
                new DeleteSurface("b-roof"),
                new CloseHole(
                    "b",
                    List.of(v(4, 0, 3), v(8, 0, 3), v(8, 5, 3), v(4, 5, 3)),
                    SurfaceType.ROOF,
                    null)),
            List.of(type.toString(), hole.toString()));
    LogReplay.Replayed r =
        LogReplay.of(run(typed), new LogReplay.Log(typed, List.of(new Entry(plan, null))), k -> k);
    assertThat(r.steps().get(0).outcome()).isEqualTo(Outcome.APPLIED);
    assertThat(r.steps().get(0).repair()).isEqualTo(plan);
    assertThat(r.run().findings()).extracting(Finding::id).doesNotContain(type, hole);
    // the architect has typed it right: that is no conflict, and nothing is left to be done
    LogReplay.Replayed mended =
        LogReplay.of(
            run(rooms()), new LogReplay.Log(typed, List.of(new Entry(plan, null))), k -> k);
    assertThat(mended.steps().get(0).outcome()).isEqualTo(Outcome.NOT_NEEDED);
    assertThat(mended.run().context().envelope().surfaces()).isEqualTo(rooms().surfaces());
  }

  @Test
  void whatDependsOnAnEntryIsSaid() {
    CloseHole close =
        new CloseHole(
            "b", List.of(v(4, 0, 3), v(8, 0, 3), v(8, 5, 3), v(4, 5, 3)), SurfaceType.ROOF, null);
    List<Entry> log =
        List.of(
            new Entry(new DeleteSurface("b-roof"), null),
            new Entry(close, null),
            new Entry(new RetypeSurface("closing-b-1", SurfaceType.CEILING), null),
            new Entry(new ReverseSurface("a-west"), null));
    assertThat(LogReplay.dependents(run(rooms()), log, Set.of(0)))
        .extracting(LogReplay.Step::index)
        .containsExactly(1, 2);
    assertThat(LogReplay.dependents(run(rooms()), log, Set.of(3))).isEmpty();
  }

  @Test
  void aDecisionHoldsUntilTheObjectChanges() {
    Envelope e = changed("b-east", s -> s.withConstruction(null));
    CheckRun run = run(e);
    Finding f =
        run.findings().stream().filter(x -> x.code().equals("THM-701")).findFirst().orElseThrow();
    String print = Fingerprint.of(run.context(), f);
    CheckRun elsewhere = run.after(e.replacing("a-west", s -> s.withType(SurfaceType.ROOF)));
    assertThat(Fingerprint.of(elsewhere.context(), f)).isEqualTo(print);
    CheckRun here =
        run.after(
            e.replacing(
                "b-east",
                s ->
                    with(
                        s,
                        Polygon.of(
                            s.polygon().outer().stream()
                                .map(p -> p.plus(v(0.01, 0, 0)))
                                .toList()))));
    assertThat(Fingerprint.of(here.context(), f)).isNotEqualTo(print);
  }

  private static Envelope shifted(Envelope e, Vec3 by) {
    return e.withSpaces(
            e.spaces().stream()
                .map(
                    s ->
                        s.withShell(
                            s.shell().stream()
                                .map(p -> p.transformed(Transform.translation(by)))
                                .toList()))
                .toList())
        .withSurfaces(
            e.surfaces().stream()
                .map(
                    s ->
                        with(s, s.polygon().transformed(Transform.translation(by)))
                            .withOpenings(
                                s.openings().stream()
                                    .map(
                                        o ->
                                            o.withPolygon(
                                                o.polygon().transformed(Transform.translation(by))))
                                    .toList()))
                .toList());
  }

  @Test
  void aBuildingThatWasMovedIsTheSameBuildingMoved() {
    RevisionComparison c = compare(rooms(), shifted(rooms(), v(0.4, 0, 0)));
    assertThat(c.removed()).isEmpty();
    assertThat(c.entries())
        .filteredOn(x -> x.kind().equals("space"))
        .hasSize(2)
        .allSatisfy(
            x -> {
              assertThat(x.change()).isEqualTo(Change.MOVED);
              assertThat(x.details()).containsExactly("moved by 0.400 m");
            });
  }

  @Test
  void aMoveWithinTheToleranceIsNone() {
    assertThat(compare(rooms(), shifted(rooms(), v(0.0005, 0, 0))).entries()).isEmpty();
  }

  @Test
  void spacesOfOtherKeysAreRecognisedByWhereTheyAre() {
    RevisionComparison c = compare(rooms(), renamed(rooms()));
    assertThat(c.renamed()).containsEntry("a", "na").containsEntry("b", "nb");
    assertThat(c.now("a")).isEqualTo("na");
    assertThat(c.now("unknown")).isEqualTo("unknown");
    // far from where they were they are others
    RevisionComparison far = compare(rooms(), renamed(shifted(rooms(), v(0, 40, 0))));
    assertThat(far.removed()).contains("a", "b");
    assertThat(far.entries())
        .filteredOn(x -> x.kind().equals("space"))
        .extracting(RevisionComparison.Entry::change)
        .containsExactlyInAnyOrder(Change.REMOVED, Change.REMOVED, Change.ADDED, Change.ADDED);
  }

  @Test
  void figuresOfASpaceAreToldBeforeAndAfter() {
    Envelope taller =
        rooms()
            .withSurfaces(
                rooms().surfaces().stream()
                    .map(
                        s ->
                            with(
                                s,
                                Polygon.of(
                                    s.polygon().outer().stream()
                                        .map(p -> v(p.x(), p.y(), p.z() > 2.9 ? 3.5 : p.z()))
                                        .toList())))
                    .toList())
            .withSpaces(rooms().spaces().stream().map(s -> s.withShell(List.of())).toList());
    assertThat(compare(rooms(), taller).entries())
        .filteredOn(x -> x.kind().equals("space") && "a".equals(x.after()))
        .singleElement()
        .satisfies(x -> assertThat(x.details()).contains("volume 60.00 → 70.00 m³"));
  }

  @Test
  void aSurfaceThatFacesTheOtherWayIsSaidTo() {
    Envelope turned = changed("b-east", s -> with(s, s.polygon().reversed()));
    assertThat(compare(rooms(), turned).entries())
        .singleElement()
        .satisfies(x -> assertThat(x.details()).containsExactly("faces the other way"));
  }

  @Test
  void anAcceptanceHoldsWhileNothingOfItsObjectsChanges() {
    Finding f = check(changed("b-east", s -> s.withType(SurfaceType.CEILING))).get(0);
    Envelope e = changed("b-east", s -> s.withType(SurfaceType.CEILING));
    String was = Fingerprint.of(new CheckContext(e, Limits.STANDARD, TOLERANCE), f);
    assertThat(Fingerprint.of(new CheckContext(e, Limits.STANDARD, TOLERANCE), f)).isEqualTo(was);
    for (Envelope other :
        List.of(
            changed("b-east", s -> s.withType(SurfaceType.ROOF)),
            e.replacing("b-east", s -> s.withConstruction("con-9")),
            e.replacing(
                "b-east",
                s -> with(s, s.polygon().transformed(Transform.translation(v(0.002, 0, 0))))),
            e.replacing(
                "b-east",
                s -> with(s, s.polygon().transformed(Transform.translation(v(0, 0.002, 0))))),
            e.replacing(
                "b-east",
                s -> with(s, s.polygon().transformed(Transform.translation(v(0, 0, 0.002))))))) {
      assertThat(Fingerprint.of(new CheckContext(other, Limits.STANDARD, TOLERANCE), f))
          .isNotEqualTo(was);
    }
  }
}
