package yentra.core.boundary;

import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yentra.core.Recorded;
import yentra.core.boundary.DeliveredBoundary.OtherSide;
import yentra.core.boundary.DeliveredBoundary.Role;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/** All that is derived of buildings that a person can draw on paper, figure by figure. */
class RecordedBoundariesTest {
  private static SourceRef ref(String type, String key) {
    return new SourceRef(type, key, key, 0, 0);
  }

  private static Barrier barrier(String key, Barrier.Rank rank, List<Polygon> body) {
    return new Barrier(key, ref("IfcWall", key), rank, body);
  }

  private static Barrier wall(
      String key, double x0, double y0, double z0, double x1, double y1, double z1) {
    return barrier(key, Barrier.Rank.SEPARATING, box(x0, y0, z0, x1, y1, z1));
  }

  private static Room room(String key, List<Polygon> body) {
    return new Room(key, ref("IfcSpace", key), body);
  }

  /** A profile in x and z, counter-clockwise seen from the south, drawn out from y0 to y1. */
  private static List<Polygon> prism(double y0, double y1, double... xz) {
    List<Vec3> front = new ArrayList<>();
    for (int i = 0; i < xz.length; i += 2) {
      front.add(v(xz[i], y0, xz[i + 1]));
    }
    List<Polygon> out = new ArrayList<>();
    out.add(Polygon.of(front));
    Vec3 deep = v(0, y1 - y0, 0);
    out.add(Polygon.of(front.stream().map(p -> p.plus(deep)).toList()).reversed());
    for (int i = 0; i < front.size(); i++) {
      Vec3 a = front.get(i);
      Vec3 b = front.get((i + 1) % front.size());
      out.add(Polygon.of(b, a, a.plus(deep), b.plus(deep)));
    }
    return out;
  }

  private static Cut cut(String host, String key, Role role, List<Polygon> body) {
    return new Cut(host, key, ref("IfcOpeningElement", key), role, body);
  }

  /**
   * Two rooms of 5 × 4 × 2.6 m side by side under an attic with a gable roof; a lobby without a
   * wall to the second room; a shaft that no space covers; a column in a wall; lining before one; a
   * wall against a slope of the terrain.
   */
  private static final class House {
    final List<Room> rooms = new ArrayList<>();
    final List<Barrier> barriers = new ArrayList<>();
    final List<Cut> cuts = new ArrayList<>();

    House() {
      rooms.add(room("west", box(0, 0, 0, 5, 4, 2.6)));
      rooms.add(room("east", box(5.15, 0, 0, 9, 4, 2.6)));
      rooms.add(room("lobby", box(9, 0, 0, 11, 4, 2.6)));
      rooms.add(room("attic", prism(0, 4, 0, 2.85, 11, 2.85, 5.5, 5.6)));
      barriers.add(wall("slab", -0.3, -0.3, -0.25, 12.3, 4.3, 0));
      barriers.add(wall("ceiling", -0.3, -0.3, 2.6, 12.3, 4.3, 2.85));
      barriers.add(wall("south", -0.3, -0.3, 0, 12.3, 0, 2.6));
      barriers.add(wall("north", -0.3, 4, 0, 12.3, 4.3, 2.6));
      barriers.add(wall("west-wall", -0.3, 0, 0, 0, 4, 2.6));
      barriers.add(wall("east-wall", 12, 0, 0, 12.3, 4, 2.6));
      barriers.add(wall("partition", 5, 0, 0, 5.15, 4, 2.6));
      barriers.add(wall("shaft-wall", 11, 0, 0, 11.1, 4, 2.6));
      barriers.add(barrier("column", Barrier.Rank.FRAME, box(4.9, 3.6, 0, 5.3, 4, 2.6)));
      barriers.add(barrier("lining", Barrier.Rank.LINING, box(-0.32, 0, 0, -0.3, 4, 2.6)));
      barriers.add(barrier("gable-south", Barrier.Rank.SEPARATING, gable(-0.3, 0)));
      barriers.add(barrier("gable-north", Barrier.Rank.SEPARATING, gable(4, 4.3)));
      barriers.add(
          barrier(
              "roof-west",
              Barrier.Rank.SEPARATING,
              prism(-0.8, 4.8, -1, 2.35, 0, 2.85, 5.5, 5.6, 5.5, 5.9, -1, 2.65)));
      barriers.add(
          barrier(
              "roof-east",
              Barrier.Rank.SEPARATING,
              prism(-0.8, 4.8, 11, 2.85, 12, 2.35, 12, 2.65, 5.5, 5.9, 5.5, 5.6)));
      barriers.add(wall("garage", 16, 0, 0, 20, 6, 3));
      barriers.add(wall("canopy", 5.5, -1.8, 2.3, 8.5, -0.3, 2.4));
      cuts.add(cut("south", "window-west", Role.WINDOW, box(1, -0.35, 0.9, 3, 0.05, 2.1)));
      cuts.add(cut("south", "door-lobby", Role.DOOR, box(9.5, -0.35, 0, 10.5, 0.05, 2.1)));
      cuts.add(cut("south", "strip", Role.WINDOW, box(6, -0.35, 1, 9.3, 0.05, 1.6)));
      cuts.add(cut("partition", "door", Role.DOOR, box(4.95, 0.5, 0, 5.2, 1.4, 2)));
      cuts.add(
          cut(
              "gable-south",
              "arch",
              Role.WINDOW,
              prism(-0.35, 0.05, 4.5, 3.4, 6.5, 3.4, 6.5, 4.2, 5.5, 4.8, 4.5, 4.2)));
      cuts.add(
          cut(
              "roof-east",
              "skylight",
              Role.WINDOW,
              prism(1.5, 2.5, 7.5, 4.4, 8.5, 3.9, 8.7, 4.5, 7.7, 5.0)));
      cuts.add(cut("north", "passage", Role.HOLE, box(6, 3.9, 0, 7, 4.4, 2)));
      cuts.add(cut("", "unhosted", Role.WINDOW, box(-0.3, 1, 1, 0, 2, 2)));
      cuts.add(cut("garage", "gate", Role.DOOR, box(15.9, 1, 0, 16.1, 4, 2.2)));
      cuts.add(cut("south", "beside", Role.WINDOW, box(20, -0.35, 1, 21, 0.05, 2)));
    }

    private static List<Polygon> gable(double y0, double y1) {
      return prism(y0, y1, -0.3, 2.85, 11.3, 2.85, 5.5, 5.75);
    }

    BoundaryDerivation.Derived derive(Ground ground, DerivationOptions options) {
      return new BoundaryDerivation(rooms, barriers, cuts, ground, options, TOLERANCE)
          .derive(BoundaryMatchingTest.NAMED);
    }

    Envelope envelope(BoundaryDerivation.Derived r) {
      return ConventionShiftTest.envelope(rooms, r);
    }
  }

  private static void told(String title, BoundaryDerivation.Derived r, List<String> out) {
    out.add(title);
    r.surfaces().forEach(s -> out.add("  " + Recorded.told(s)));
    r.shades().forEach(s -> out.add("  " + Recorded.told(s)));
    r.orphans().forEach(s -> out.add("  orphan " + Recorded.told(s)));
    r.uncovered().forEach(s -> out.add("  uncovered " + Recorded.told(s)));
    r.unpaired().forEach(s -> out.add("  unpaired " + s));
  }

  /** Level ground in the west, a bank of 1.5 m against the east wall. */
  private static Ground slope() {
    return Ground.terrain(
        List.of(
            Polygon.of(v(-50, -50, -0.1), v(8, -50, -0.1), v(8, 50, -0.1), v(-50, 50, -0.1)),
            Polygon.of(v(8, -50, -0.1), v(16, -50, 1.5), v(16, 50, 1.5), v(8, 50, -0.1))),
        -0.1);
  }

  @Test
  void aHouseWithAGableRoof() throws Exception {
    List<String> out = new ArrayList<>();
    House h = new House();
    told("On level ground", h.derive(Ground.level(-0.1), DerivationOptions.STANDARD), out);
    told("Against a bank", h.derive(slope(), DerivationOptions.STANDARD), out);
    told(
        "Strips left where they are",
        h.derive(Ground.level(1), DerivationOptions.STANDARD.absorbing(false)),
        out);
    told(
        "Across 0.2 m",
        h.derive(Ground.level(-3), new DerivationOptions(0.2, 0.2, 0.05, true, RULES.types())),
        out);
    Recorded.same("house", out);
  }

  @Test
  void buildingsOfBoxes() throws Exception {
    List<String> out = new ArrayList<>();
    for (long seed = 1; seed <= 4; seed++) {
      RandomBuilding b =
          new RandomBuilding(
              seed, new Transform(v(0.6, 0.8, 0), v(-0.8, 0.6, 0), Vec3.Z, v(20, -7, 1)), 1);
      told(
          "Building " + seed,
          new BoundaryDerivation(
                  b.rooms,
                  b.barriers,
                  b.cuts,
                  Ground.level(1),
                  DerivationOptions.STANDARD,
                  TOLERANCE)
              .derive(BoundaryMatchingTest.NAMED),
          out);
    }
    Recorded.same("buildings-of-boxes", out);
  }

  @Test
  void surfacesDrawnElsewhere() throws Exception {
    List<String> out = new ArrayList<>();
    House h = new House();
    Envelope e = h.envelope(h.derive(Ground.level(-0.1), DerivationOptions.STANDARD));
    volumes(e, out);
    for (Convention c : Convention.values()) {
      ConventionShift.Shifted s = ConventionShift.apply(e, c, RULES);
      out.add(c.label());
      s.notes().forEach(n -> out.add("  " + n));
      out.addAll(Recorded.change(e, s.envelope()));
      volumes(s.envelope(), out);
    }
    Recorded.same("conventions", out);
  }

  private static void volumes(Envelope e, List<String> out) {
    SpaceVolumes all = SpaceVolumes.of(e, RULES);
    for (SpaceVolume x : all.all()) {
      out.add(
          "  %s volume %s enclosed %s surfaces %s"
              .formatted(
                  x.space().key(),
                  Recorded.told(x.volume()),
                  x.enclosed(),
                  all.surfacesOf(x.space().key()).stream()
                      .map(s -> s.key() + " " + all.direction(s))
                      .toList()));
    }
    for (Surface s : e.surfaces().subList(0, 3)) {
      Envelope without = e.withoutSurface(s.key());
      SpaceVolumes then = SpaceVolumes.of(without, RULES, all);
      for (SpaceVolume x : then.all()) {
        out.add(
            "  without %s: %s %s %s same %s"
                .formatted(
                    s.key(),
                    x.space().key(),
                    Recorded.told(x.volume()),
                    x.enclosed(),
                    x == all.of(x.space().key())));
      }
    }
  }

  private static void found(String title, SpaceFinder finder, List<String> out) {
    SpaceFinder.FoundSpaces f = finder.find();
    out.add(title + ": " + Recorded.told(f));
    EnclosedVolumes named =
        EnclosedVolumes.of(
            f,
            List.of(
                new Storey("st-0", "Ground floor", 0.0, "b", SourceRef.REPAIR, Extras.NONE),
                new Storey("st-1", "Upper floor", 2.85, "b", SourceRef.REPAIR, Extras.NONE),
                new Storey("st-2", "", 9.0, "b", SourceRef.REPAIR, Extras.NONE),
                new Storey("st-3", "Nowhere", null, "b", SourceRef.REPAIR, Extras.NONE)),
            Set.of("Ground floor 02"));
    named
        .volumes()
        .forEach(
            x ->
                out.add(
                    "  %s on %s, key %s, second %s"
                        .formatted(
                            Recorded.told(x.seed()),
                            x.storey(),
                            EnclosedVolumes.key(x.found(), Set.of()),
                            EnclosedVolumes.key(
                                x.found(),
                                Set.of(
                                    EnclosedVolumes.key(x.found(), Set.of()),
                                    EnclosedVolumes.key(x.found(), Set.of()) + "-2")))));
  }

  @Test
  void roomsAreFoundSo() throws Exception {
    List<String> out = new ArrayList<>();
    found("The house", new SpaceFinder(new House().barriers, 0.05, 3, RULES), out);
    found("All of its air", new SpaceFinder(new House().barriers, 0.05, 0.01, RULES), out);
    found("Closed", new SpaceFinder(SpaceFinderTest.room(0, 0), 0.05, 1, RULES), out);
    found("A slit", new SpaceFinder(SpaceFinderTest.room(0.03, 0), 0.05, 1, RULES), out);
    found("Two slits", new SpaceFinder(SpaceFinderTest.room(0.03, 0.02), 0.05, 1, RULES), out);
    found("A slit too wide", new SpaceFinder(SpaceFinderTest.room(0.07, 0), 0.05, 1, RULES), out);
    found("A doorway", new SpaceFinder(SpaceFinderTest.room(0.9, 0), 0.05, 1, RULES), out);
    found("Too small", new SpaceFinder(SpaceFinderTest.room(0, 0), 0.05, 61, RULES), out);
    List<Polygon> sheets = new ArrayList<>(box(0, 0, 0, 5, 4, 3));
    found("Sheets", SpaceFinder.ofSheets(sheets, 0.05, 1, RULES), out);
    found("Five sheets", SpaceFinder.ofSheets(sheets.subList(0, 5), 0.05, 1, RULES), out);
    House h = new House();
    Envelope e = h.envelope(h.derive(Ground.level(-0.1), DerivationOptions.STANDARD));
    out.add(Recorded.told(EnclosedVolumes.of(e, RULES)));
    Envelope fewer =
        e.withSpaces(e.spaces().stream().filter(s -> !s.key().equals("lobby")).toList());
    out.add(Recorded.told(EnclosedVolumes.of(fewer, RULES)));
    Recorded.same("found-rooms", out);
  }

  private static DeliveredBoundary delivered(String key, Polygon face, Role role) {
    return new DeliveredBoundary(
        key,
        "room",
        face,
        ref("IfcWall", "w"),
        "w",
        "",
        role,
        false,
        OtherSide.EXTERNAL,
        "",
        null,
        ref("IfcRelSpaceBoundary", key));
  }

  @Test
  void deliveredBoundariesAreJudgedSo() throws Exception {
    List<String> out = new ArrayList<>();
    List<Polygon> body = box(0, 0, 0, 5, 4, 3);
    List<DeliveredBoundary> sound = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      sound.add(delivered("b-" + i, body.get(i), Role.SURFACE));
    }
    judged("Sound", sound, out);
    judged("One missing", sound.subList(0, 5), out);
    judged("None", List.of(), out);
    for (Vec3 by :
        List.of(
            v(0, -0.5, 0),
            v(0, -0.0005, 0),
            v(0, -0.02, 0),
            v(0.03, 0, 0),
            v(0.8, 0, 0),
            v(0, 0, 4))) {
      List<DeliveredBoundary> moved = new ArrayList<>(sound);
      moved.set(
          2,
          delivered(
              "moved",
              Polygon.of(body.get(2).outer().stream().map(p -> p.plus(by)).toList()),
              Role.SURFACE));
      judged("South moved by " + Recorded.told(by), moved, out);
    }
    List<DeliveredBoundary> more = new ArrayList<>(sound);
    more.add(delivered("skew", Polygon.of(v(0, 0, 0), v(5, 0, 1), v(5, 4, 1)), Role.SURFACE));
    judged("A slanting one", more, out);
    more.set(6, delivered("far", box(9, 9, 9, 10, 10, 10).get(2), Role.WINDOW));
    judged("A window elsewhere", more, out);
    more.set(2, delivered("turned", body.get(2).reversed(), Role.SURFACE));
    judged("Turned round", more, out);
    more.set(
        2,
        delivered(
            "half",
            Polygon.of(v(0, 0, 0), v(4.96, 0, 0), v(4.96, 0, 3), v(0, 0, 3)),
            Role.SURFACE));
    judged("99.2 %", more, out);
    more.set(
        2,
        delivered(
            "half", Polygon.of(v(0, 0, 0), v(4.9, 0, 0), v(4.9, 0, 3), v(0, 0, 3)), Role.SURFACE));
    judged("98 %", more, out);
    Recorded.same("judged", out);
  }

  private static void judged(String title, List<DeliveredBoundary> all, List<String> out) {
    DeliveredJudgement j =
        DeliveredJudgement.of(
            List.of(room("room", box(0, 0, 0, 5, 4, 3)), room("other", box(5, 0, 0, 6, 1, 1))),
            all,
            TOLERANCE);
    out.add(title + ": " + j.faults());
    j.astray().forEach(a -> out.add("  " + Recorded.told(a)));
  }

  @Test
  void deliveredBoundariesMatchSo() throws Exception {
    List<String> out = new ArrayList<>();
    House h = new House();
    BoundaryDerivation.Derived r = h.derive(Ground.level(-0.1), DerivationOptions.STANDARD);
    List<DeliveredBoundary> all = new ArrayList<>();
    for (Surface s : r.surfaces()) {
      for (int i = 0; i < s.sides().size(); i++) {
        String key = s.key() + "/" + i;
        String element = s.element() == null ? "" : s.element().id();
        String space = s.sides().get(i).space();
        OtherSide side =
            s.sides().size() == 2
                ? OtherSide.INTERNAL
                : s.type() == SurfaceType.SLAB_ON_GRADE ? OtherSide.EARTH : OtherSide.EXTERNAL;
        all.add(
            new DeliveredBoundary(
                key,
                space,
                s.face(i),
                element.isEmpty() ? null : ref("IfcWall", element),
                element,
                "",
                Role.SURFACE,
                element.isEmpty(),
                side,
                "",
                null,
                ref("IfcRelSpaceBoundary", key)));
        for (var o : s.openings()) {
          Polygon p = i == 0 ? o.polygon() : o.polygon().reversed();
          all.add(
              new DeliveredBoundary(
                  o.key() + "/" + i,
                  space,
                  p,
                  ref("IfcWindow", o.key()),
                  o.key(),
                  i == 0 ? element : "",
                  o.type().isGlazed() ? Role.WINDOW : Role.DOOR,
                  false,
                  side,
                  "",
                  null,
                  ref("IfcRelSpaceBoundary", o.key())));
        }
      }
    }
    for (Ground g : List.of(Ground.level(-0.1), slope(), Ground.level(4))) {
      BoundaryMatching.Matched m =
          new BoundaryMatching(g, RULES.types(), TOLERANCE).match(all, BoundaryMatchingTest.NAMED);
      out.add(Recorded.told(g.at(v(12, 2, 0))));
      m.surfaces().forEach(s -> out.add("  " + Recorded.told(s)));
      m.orphans().forEach(s -> out.add("  orphan " + Recorded.told(s)));
    }
    Recorded.same("matched", out);
  }

  @Test
  void theSkyIsSeenSo() throws Exception {
    List<String> out = new ArrayList<>();
    List<SolidProbe> solids =
        new House().barriers.stream().map(b -> new SolidProbe(b.body())).toList();
    SkyView view = new SkyView(new yentra.core.geometry.ProbeScene(solids), Ground.level(-0.1));
    for (Vec3 eye :
        List.of(
            v(2, 2, 1),
            v(2, -2, 1),
            v(7, -1, 1),
            v(7, 3, 1),
            v(11.5, 2, 1),
            v(-0.9, 2, 2),
            v(14, 3, 1))) {
      for (Vec3 n : List.of(Vec3.X, Vec3.Y, Vec3.Z, Vec3.Y.negated())) {
        int[] w = view.witnesses(eye, n);
        out.add(
            "%s towards %s: share %s, enclosed %s, %s, from beside %s"
                .formatted(
                    Recorded.told(eye),
                    Recorded.told(n),
                    Recorded.told(view.share(eye, n)),
                    view.enclosed(eye, n),
                    w == null ? "no witness" : w.length + " witnesses",
                    w == null ? "-" : view.holds(w, eye.plus(v(0.1, 0.1, 0)), n)));
      }
    }
    for (double height : new double[] {1, 3, 12}) {
      TerrainSkyline.of(
              List.of(
                  Polygon.of(v(-60, -60, 0), v(20, -60, 0), v(20, 60, 0), v(-60, 60, 0)),
                  Polygon.of(v(20, -60, 0), v(60, -60, height), v(60, 60, height), v(20, 60, 0)),
                  Polygon.of(v(-60, 40, 0), v(0, 40, 0), v(0, 70, height), v(-60, 70, height))),
              new yentra.core.geometry.Box(v(-5, -5, 0), v(5, 5, 6)),
              null)
          .forEach(s -> out.add("  " + Recorded.told(s)));
    }
    Recorded.same("sky", out);
  }
}
