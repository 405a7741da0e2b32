package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.changed;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;
import static yentra.core.Fixtures.with;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import yentra.core.Recorded;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.FindingGroups;
import yentra.core.check.run.Remedies;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcReader;
import yentra.core.ifc.IfcSample;
import yentra.core.repair.FaultyRooms;

/** All that is found in models with a fault each: every figure, limit, word and mark. */
class RecordedFindingsTest {
  private static Polygon south(double x0, double x1, double z0, double z1) {
    return Polygon.of(v(x0, 0, z0), v(x1, 0, z0), v(x1, 0, z1), v(x0, 0, z1));
  }

  private static Polygon moved(Polygon p, double x, double y, double z) {
    return Polygon.of(p.outer().stream().map(q -> q.plus(v(x, y, z))).toList());
  }

  private static Envelope at(Double latitude, Double longitude, Double elevation, Double north) {
    Site s = rooms().site();
    return rooms().withSite(new Site(s.name(), latitude, longitude, elevation, north, s.extras()));
  }

  /** What the rooms with remedies do not show. */
  private static Map<String, Envelope> more() {
    Map<String, Envelope> f = new LinkedHashMap<>();
    f.put("sound", rooms());
    f.put("without a place", at(null, null, null, null));
    f.put("where nothing was set", at(52 + 31 / 60.0, 13.4, 0.0, 0.0));
    f.put("beyond the pole", at(95.0, 200.0, null, 400.0));
    f.put("at nought", at(0.0, 0.0, 0.0, null));
    f.put(
        "a thread",
        rooms()
            .plus(
                surface(
                    "x", SurfaceType.SHADE, Polygon.of(v(0, 0, 3), v(2, 0, 3), v(4, 0, 3)), null)));
    f.put(
        "twice",
        rooms().plus(surface("x", SurfaceType.EXTERIOR_WALL, south(0, 4, 0, 3), "con-1", "a")));
    f.put(
        "partly twice",
        rooms().plus(surface("x", SurfaceType.EXTERIOR_WALL, south(0, 0.5, 0, 1), "con-1", "a")));
    f.put(
        "nothing known behind",
        changed(
            "a-south", s -> surface("a-south", SurfaceType.UNRESOLVED, s.polygon(), null, "a")));
    f.put(
        "sides differ",
        changed(
            "between",
            s ->
                s.withSides(
                    List.of(
                        Side.of("a", s.polygon()), Side.of("b", box(4, 0, 0, 5, 5, 2.5).get(5))))));
    f.put(
        "an opening without a wall",
        rooms()
            .withOrphans(List.of(window("lost", Polygon.of(v(0, 9, 0), v(1, 9, 0), v(1, 9, 1))))));
    f.put(
        "a door of glass and a window of brick",
        changed(
            "a-south",
            s ->
                s.withOpenings(
                    List.of(
                        Opening.of("d", OpeningType.NON_SLIDING_DOOR, south(1, 2, 0, 2))
                            .with()
                            .glazing("glass-1")
                            .source(s.source())
                            .build(),
                        Opening.of("w", OpeningType.FIXED_WINDOW, south(2.5, 3, 1, 2))
                            .with()
                            .construction("con-1")
                            .source(s.source())
                            .build()))));
    f.put(
        "a window in the ground",
        changed(
            "a-floor",
            s ->
                s.withOpenings(
                    List.of(
                        window("w", Polygon.of(v(1, 1, 0), v(1, 2, 0), v(2, 2, 0), v(2, 1, 0)))))));
    f.put(
        "a window beside",
        changed(
            "a-south",
            s -> s.withOpenings(List.of(window("w", moved(south(1, 3, 1, 2), 9, 0, 0))))));
    for (double tilt : new double[] {30, 59, 61, 119, 121, 170}) {
      double a = Math.toRadians(tilt);
      Polygon leaning =
          Polygon.of(
              v(20, 0, 0),
              v(22, 0, 0),
              v(22, 2 * Math.cos(a), 2 * Math.sin(a)),
              v(20, 2 * Math.cos(a), 2 * Math.sin(a)));
      for (SurfaceType t :
          List.of(SurfaceType.UNDERGROUND_WALL, SurfaceType.ROOF, SurfaceType.RAISED_FLOOR)) {
        f.put(t + " at " + tilt, rooms().plus(surface("x", t, leaning, "con-1", "a")));
      }
    }
    for (SurfaceType t : SurfaceType.values()) {
      f.put("between as " + t, changed("between", s -> s.withType(t)));
      f.put("east wall as " + t, changed("b-east", s -> s.withType(t)));
      f.put("roof as " + t, changed("b-roof", s -> s.withType(t)));
      f.put("floor as " + t, changed("b-floor", s -> s.withType(t)));
    }
    Envelope lid = rooms();
    List<Polygon> over = box(0, 0, 3, 8, 5, 5.8);
    for (int i = 1; i < 6; i++) {
      lid = lid.plus(surface("lid-" + i, SurfaceType.SHADE, over.get(i), null));
    }
    f.put("a lid", lid);
    for (double d : new double[] {0.003, 0.02, 0.05, 0.3, 0.8}) {
      f.put("east wall out by " + d, changed("b-east", s -> with(s, moved(s.polygon(), d, 0, 0))));
      f.put("roof up by " + d, changed("b-roof", s -> with(s, moved(s.polygon(), 0, 0, d))));
      f.put(
          "east wall along by " + d, changed("b-east", s -> with(s, moved(s.polygon(), 0, d, 0))));
      f.put(
          "window out by " + d,
          changed(
              "a-south",
              s -> s.withOpenings(List.of(window("w", moved(south(1, 3, 1, 2.2), 0, -d, 0))))));
      f.put(
          "no shell, roof up by " + d,
          changed("b-roof", s -> with(s, moved(s.polygon(), 0, 0, d)))
              .withSpaces(rooms().spaces().stream().map(s -> s.withShell(List.of())).toList()));
    }
    for (Surface s : rooms().surfaces()) {
      f.put("without " + s.key(), rooms().withoutSurface(s.key()));
    }
    return f;
  }

  private static void told(String title, List<Finding> all, List<String> out) {
    out.add(title);
    for (Finding f : all) {
      out.add("  " + f.id() + " " + Recorded.told(f));
    }
  }

  /** A share in a message is the one that was measured. */
  @Test
  void sharesInMessagesAreThoseMeasured() throws Exception {
    Map<String, Envelope> all = new LinkedHashMap<>(FaultyRooms.all());
    all.putAll(more());
    Set<String> told = new TreeSet<>();
    for (Envelope e : all.values()) {
      for (Finding f : CheckRun.of(new CheckContext(e, Limits.STANDARD, TOLERANCE)).findings()) {
        if ("%".equals(f.unit()) && f.message().contains("%")) {
          told.add(f.code());
          assertThat(f.message()).contains(String.format(Locale.ROOT, "%.1f %%", f.measured()));
        }
      }
    }
    assertThat(told).contains("OPN-604", "ADJ-508", "SPC-403", "THM-705");
  }

  /** What the catalogue says to be safe is offered so, and nothing else is. */
  @Test
  void theCatalogueSaysWhichRemediesAreSafe() throws Exception {
    Map<String, Envelope> all = new LinkedHashMap<>(FaultyRooms.all());
    all.putAll(more());
    Set<String> offered = new TreeSet<>();
    for (Envelope e : all.values()) {
      CheckContext c = new CheckContext(e, Limits.STANDARD, TOLERANCE);
      Remedies remedies = new Remedies(c);
      for (Finding f : CheckRun.of(c).findings()) {
        if (remedies.of(f).stream().anyMatch(Remedy::safe)) {
          offered.add(f.code());
        }
      }
    }
    Set<String> said = new TreeSet<>();
    CheckCatalogue.descriptors().stream()
        .filter(d -> !d.safe().isEmpty())
        .forEach(d -> said.add(d.code()));
    assertThat(said).containsAll(offered);
    said.removeAll(offered);
    // these need another model than rooms side by side: the published cases and PlannerTest have it
    assertThat(said)
        .isSubsetOf("ADJ-508", "ADJ-509", "FMT-105", "FMT-106", "GEO-303", "OPN-607", "SPC-411");
  }

  @Test
  void inRoomsWithAFaultEach() throws Exception {
    List<String> out = new ArrayList<>();
    Map<String, Envelope> all = new LinkedHashMap<>(FaultyRooms.all());
    all.putAll(more());
    for (Map.Entry<String, Envelope> e : all.entrySet()) {
      CheckContext c = new CheckContext(e.getValue(), Limits.STANDARD, TOLERANCE);
      CheckRun run = CheckRun.of(c);
      told(e.getKey(), run.findings(), out);
      Remedies remedies = new Remedies(c);
      for (Finding f : run.findings()) {
        for (Remedy r : remedies.of(f)) {
          out.add(
              "    "
                  + f.id()
                  + " > "
                  + r.label()
                  + (r.safe() ? " (safe)" : "")
                  + ": "
                  + r.repair());
        }
      }
      FindingGroups.of(e.getValue(), run.findings()).forEach(g -> out.add("  " + Recorded.told(g)));
    }
    Recorded.same("findings", out);
  }

  private static String[] block(
      int n, String entity, double x, double y, double z, double a, double b, double c) {
    return new String[] {
      "#" + n + "=" + String.format(entity, String.format("%022d", n), n + 1) + ";",
      "#" + (n + 1) + "=IFCPRODUCTDEFINITIONSHAPE($,$,(#" + (n + 2) + "));",
      "#" + (n + 2) + "=IFCSHAPEREPRESENTATION(#3,'Body','CSG',(#" + (n + 3) + "));",
      "#" + (n + 3) + "=IFCBLOCK(#" + (n + 4) + "," + a + "," + b + "," + c + ");",
      "#" + (n + 4) + "=IFCAXIS2PLACEMENT3D(#" + (n + 5) + ",$,$);",
      "#" + (n + 5) + "=IFCCARTESIANPOINT((" + x + "," + y + "," + z + "));"
    };
  }

  private static String[] space(int n, String name, double x, double y, double... d) {
    return block(
        n,
        "IFCSPACE('%s',$," + name + ",$,$,#10,#%d,$,.ELEMENT.,.INTERNAL.,$)",
        x,
        y,
        0,
        d[0],
        d[1],
        d[2]);
  }

  private static String[] element(
      int n, String type, double x, double y, double z, double a, double b, double c) {
    return block(n, type + "('%s',$,'E" + n + "',$,$,#10,#%d,$,$)", x, y, z, a, b, c);
  }

  @Test
  void inAnArchitectsModel() throws Exception {
    IfcModel m =
        IfcSample.of("IFC4")
            .with(space(100, "'1'", 0, 0, 4, 5, 3))
            .with(space(200, "'2'", 3.8, 1, 4, 5, 3))
            .with(space(300, "'All'", -0.3, -0.3, 9, 7, 3))
            .with(space(400, "$", 30, 0, 4, 5, 3))
            .with(space(500, "'narrow'", 40, 0, 0.15, 5, 3))
            .with(element(600, "IFCWALL", 4, 0, 0, 0.3, 5, 3))
            .with(element(700, "IFCWALL", 4, 0, 0, 0.3, 4.9, 3))
            .with(element(800, "IFCWALL", 60, 0, 0, 0.3, 5, 3))
            .with(element(900, "IFCCOLUMN", 1, 1, 0, 0.3, 0.3, 3))
            .with(
                "#950=IFCSPACE('0000000000000000000950',$,'no body',$,$,#10,$,$,.ELEMENT.,.INTERNAL.,$);",
                "#951=IFCRELVOIDSELEMENT('0000000000000000000951',$,$,$,#600,$);",
                "#952=IFCWALLX('0000000000000000000952',$,'W');",
                "#953=IFCMATERIALLAYER(#954,'thick',$,$,$,$,$);",
                "#954=IFCMATERIAL('Brick',$,$);",
                "#955=IFCRELAGGREGATES('0000000000000000000955',$,$,$,#17,(#100,#200,#300,#400,#500,#950));",
                "#956=IFCDOOR('0000000000000000000600',$,'D',$,$,#10,$,$,$,$,$,$,$);")
            .model();
    List<String> out = new ArrayList<>();
    told(
        "model",
        CheckCatalogue.run(
            new CheckContext(IfcReader.envelope(m, TOLERANCE), m, Limits.STANDARD, TOLERANCE)),
        out);
    Recorded.same("model-findings", out);
  }
}
