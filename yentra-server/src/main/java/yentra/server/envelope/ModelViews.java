package yentra.server.envelope;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckRun;
import yentra.core.check.run.FindingGroups;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Severity;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Triangulation;
import yentra.core.geometry.Vec3;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.LogViews;

/** Turns a delivery's state into what the interface shows. */
public final class ModelViews {
  private final CheckContext context;
  private final Envelope envelope;
  private final Naming naming;
  private final Decisions.Known decisions;
  private final Map<String, String> zones = new HashMap<>();

  ModelViews(CheckContext context, Decisions.Known decisions) {
    this.decisions = decisions;
    this.context = context;
    this.envelope = context.envelope();
    this.naming = context.naming();
    envelope.zones().forEach(z -> zones.putIfAbsent(z.key(), z.label()));
  }

  EnvelopeViews.ModelView model(
      EnvelopeViews.DeliveryView delivery,
      LogViews.ReportView report,
      EnvelopeViews.ScopeSummary scope,
      EnvelopeViews.PlaceView delivered,
      List<Finding> findings,
      List<LogViews.LogView> log,
      List<LogViews.SettingsEntry> settingsLog,
      List<Finding> findingsBefore,
      CheckRun.Touched touched,
      boolean drawn) {
    Map<String, Integer> severities = new LinkedHashMap<>();
    for (Severity s : Severity.values()) {
      severities.put(s.label(), decisions.open(findings, s));
    }
    return new EnvelopeViews.ModelView(
        delivery,
        report,
        scope,
        delivered,
        envelope.site().northAzimuth(),
        storeys(),
        envelope.spaces().stream()
            .filter(s -> touched == null || touched.spaces().contains(s.key()))
            .map(this::space)
            .toList(),
        envelope.surfaces().parallelStream()
            .filter(s -> touched == null || touched.surfaces().contains(s.key()))
            .map(s -> surface(s, drawn && touched != null))
            .toList(),
        envelope.orphans().stream().map(o -> opening(o, drawn && touched != null)).toList(),
        constructions(),
        glazing(),
        envelope.notes().stream()
            .filter(ModelViews::isAssumption)
            .map(n -> (n.object().isEmpty() ? "" : naming.object(n.object()) + ": ") + n.message())
            .map(ModelViews::upper)
            .toList(),
        (touched == null ? findings : differing(findings, findingsBefore, touched))
            .stream().map(this::finding).toList(),
        groups(findings),
        severities,
        new PathMarks(findings, decisions).all(context, scope, delivery.revision()),
        log,
        settingsLog,
        touched == null
            ? null
            : new EnvelopeViews.SinceView(
                touched.goneSpaces(),
                touched.goneSurfaces(),
                findings.stream().map(f -> f.id().toString()).toList()));
  }

  /** Findings that are new or told otherwise, or whose remedies may be others. */
  private static List<Finding> differing(
      List<Finding> now, List<Finding> before, CheckRun.Touched touched) {
    Map<FindingId, Finding> old = new HashMap<>();
    before.forEach(f -> old.put(f.id(), f));
    return now.stream()
        .filter(
            f ->
                !f.equals(old.get(f.id()))
                    || f.objects().stream()
                        .anyMatch(
                            k -> touched.surfaces().contains(k) || touched.spaces().contains(k)))
        .toList();
  }

  private List<EnvelopeViews.StoreyView> storeys() {
    Map<String, Integer> counts = new HashMap<>();
    envelope.spaces().forEach(x -> counts.merge(String.valueOf(x.storey()), 1, Integer::sum));
    return envelope.storeys().stream()
        .map(
            s ->
                new EnvelopeViews.StoreyView(
                    s.key(), s.name(), s.level(), counts.getOrDefault(s.key(), 0)))
        .toList();
  }

  private EnvelopeViews.SpaceView space(Space s) {
    SpaceVolume v = context.volumes().of(s.key());
    return new EnvelopeViews.SpaceView(
        s.key(),
        envelope.fileId(s.key()),
        s.label(),
        s.storey(),
        zones.getOrDefault(s.zone(), s.zone()),
        s.use(),
        s.condition(),
        v.floorArea(),
        v.volume(),
        s.statedFloorArea(),
        s.statedVolume(),
        v.enclosed(),
        context.groupings().containsKey(s.key()),
        v.openPieces().size(),
        context.volumes().surfacesOf(s.key()).size(),
        source(s.source()));
  }

  /**
   * @param drawn with its outline and faces; those of a whole model come apart
   */
  EnvelopeViews.SurfaceView surface(Surface s, boolean drawn) {
    Polygon p = context.direction(s) < 0 ? s.polygon().reversed() : s.polygon();
    List<String> spaces = s.sides().stream().map(side -> side.space()).toList();
    String storey =
        spaces.isEmpty() ? null : envelope.space(spaces.get(0)).map(Space::storey).orElse(null);
    return new EnvelopeViews.SurfaceView(
        s.key(),
        envelope.fileId(s.key()),
        upper(naming.surface(s)),
        naming.behind(s),
        s.type().gbxml(),
        s.exposure().label(),
        spaces,
        storey,
        s.construction(),
        p.area(),
        s.netArea(),
        p.tilt(),
        context.types().orientation(p.tilt()).label(),
        p.isLevel(context.tolerance().angle()) ? null : envelope.site().fromTrueNorth(p.azimuth()),
        s.thickness(),
        s.kind().label(),
        source(s.source()),
        s.element() == null ? null : source(s.element()),
        s.openings().stream().map(o -> opening(o, drawn)).toList(),
        drawn ? rings(s.polygon()) : null,
        drawn ? triangles(EnvelopeShapes.faces(s)) : null);
  }

  EnvelopeViews.OpeningView opening(Opening o, boolean drawn) {
    return new EnvelopeViews.OpeningView(
        o.key(),
        envelope.fileId(o.key()),
        upper(naming.opening(o)),
        o.type().gbxml(),
        o.type().isGlazed(),
        o.polygon().area(),
        envelope.parentOf(o.key()).map(Surface::key).orElse(null),
        o.construction(),
        o.glazing(),
        source(o.source()),
        o.element() == null ? null : source(o.element()),
        drawn ? rings(o.polygon()) : null,
        drawn ? triangles(List.of(o.polygon())) : null);
  }

  /** Wall and glazed area by orientation, for outdoor walls. */
  private List<EnvelopeViews.PetalView> glazing() {
    double[] walls = context.measures().walls();
    double[] glass = context.measures().glazing();
    List<EnvelopeViews.PetalView> out = new ArrayList<>();
    for (int i = 0; i < walls.length; i++) {
      out.add(new EnvelopeViews.PetalView(i * 360 / walls.length, walls[i], glass[i]));
    }
    return out;
  }

  private List<EnvelopeViews.ConstructionView> constructions() {
    Map<String, yentra.core.envelope.Material> materials = new HashMap<>();
    envelope.materials().forEach(m -> materials.put(m.key(), m));
    Map<String, List<String>> layers = new HashMap<>();
    envelope.layers().forEach(l -> layers.put(l.key(), l.materials()));
    List<EnvelopeViews.ConstructionView> out = new ArrayList<>();
    for (Construction c : envelope.constructions()) {
      List<EnvelopeViews.LayerView> build = new ArrayList<>();
      for (String l : c.layers()) {
        for (String m : layers.getOrDefault(l, List.of())) {
          yentra.core.envelope.Material x = materials.get(m);
          build.add(
              x == null
                  ? new EnvelopeViews.LayerView(m, null, null)
                  : new EnvelopeViews.LayerView(x.name(), x.thickness(), x.conductivity()));
        }
      }
      out.add(
          new EnvelopeViews.ConstructionView(
              c.key(),
              c.name().isBlank() ? c.key() : c.name(),
              c.uValue(),
              build,
              context.thermal().uses(c.key())));
    }
    return out;
  }

  EnvelopeViews.FindingView finding(Finding f) {
    return new EnvelopeViews.FindingView(
        f.id().toString(),
        f.code(),
        f.severity().label(),
        f.message(),
        f.objects().stream().map(this::object).toList(),
        f.measured(),
        f.stated(),
        f.limit(),
        f.unit(),
        f.limitUnit(),
        f.line(),
        new EnvelopeViews.EvidenceView(
            f.evidence().areas().stream()
                .flatMap(p -> p.rings().stream())
                .map(ModelViews::flat)
                .toList(),
            f.evidence().lines().stream().map(ModelViews::flat).toList(),
            f.evidence().points().stream().map(p -> flat(List.of(p))).toList()),
        decisions.accepted().get(f.id()),
        decisions.answers().getOrDefault(f.id(), List.of()));
  }

  private List<EnvelopeViews.GroupView> groups(List<Finding> findings) {
    return FindingGroups.of(envelope, findings).stream()
        .map(
            g ->
                new EnvelopeViews.GroupView(
                    g.key(),
                    g.severity().label(),
                    g.code(),
                    g.title(),
                    g.cause() == null ? null : g.cause().toString(),
                    g.members().stream().map(FindingId::toString).toList()))
        .toList();
  }

  private EnvelopeViews.ObjectView object(String key) {
    String kind =
        envelope.space(key).isPresent()
            ? "space"
            : envelope.surface(key).isPresent()
                ? "surface"
                : envelope.opening(key).isPresent()
                    ? "opening"
                    : envelope.construction(key).isPresent() ? "construction" : "file";
    return new EnvelopeViews.ObjectView(key, upper(naming.object(key)), kind);
  }

  static EnvelopeViews.PlaceView place(Envelope e) {
    return new EnvelopeViews.PlaceView(
        e.site().latitude(),
        e.site().longitude(),
        e.site().elevation(),
        e.site().northAzimuth(),
        e.buildings().isEmpty() ? "" : e.buildings().get(0).use());
  }

  public static LogViews.ReportView report(
      Envelope e, SurfaceTypes types, List<ReadNote> bodies, long millis) {
    List<LogViews.CountView> read = new ArrayList<>();
    read.add(new LogViews.CountView("storeys", e.storeys().size()));
    read.add(new LogViews.CountView("spaces", e.spaces().size()));
    read.add(new LogViews.CountView("zones", e.zones().size()));
    read.add(new LogViews.CountView("surfaces", e.surfaces().size()));
    read.add(
        new LogViews.CountView(
            "shading surfaces",
            (int) e.surfaces().stream().filter(s -> s.type().isShading()).count()));
    read.add(new LogViews.CountView("openings", e.openingCount()));
    read.add(new LogViews.CountView("constructions", e.constructions().size()));
    read.add(new LogViews.CountView("materials", e.materials().size()));
    read.add(new LogViews.CountView("window types", e.glazings().size()));
    Naming naming = new Naming(e, types);
    List<LogViews.NoteView> notes =
        Stream.concat(e.notes().stream(), bodies.stream())
            .map(n -> new LogViews.NoteView(kind(n.kind()), said(n, naming), n.line()))
            .toList();
    return new LogViews.ReportView(read, notes, e.delivered().length().plural(), millis);
  }

  /** A reference is told from the object that makes it; all notes end with a point. */
  private static String said(ReadNote n, Naming naming) {
    boolean reference = n.kind() == ReadNote.Kind.DANGLING_REFERENCE;
    String text = upper(reference ? naming.object(n.object()) + " " + n.message() : n.message());
    return text.endsWith(".") ? text : text + ".";
  }

  private static String kind(ReadNote.Kind kind) {
    return kind.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private static boolean isAssumption(ReadNote n) {
    return n.kind() == ReadNote.Kind.ASSUMED
        || n.kind() == ReadNote.Kind.GROUND_ASSUMED
        || n.kind() == ReadNote.Kind.GROUPING;
  }

  private static EnvelopeViews.SourceView source(SourceRef s) {
    return new EnvelopeViews.SourceView(s.elementClass(), s.id(), s.name(), s.line(), s.column());
  }

  static List<List<Double>> rings(Polygon p) {
    return p.rings().stream().map(ModelViews::flat).toList();
  }

  private static List<Double> triangles(List<Polygon> parts) {
    List<Vec3> points = new ArrayList<>();
    for (Polygon p : parts) {
      Triangulation.of(p).forEach(t -> points.addAll(List.of(t)));
    }
    return flat(points);
  }

  /** Coordinates rounded to a tenth of a millimetre: this is for drawing. */
  static List<Double> flat(List<Vec3> points) {
    List<Double> out = new ArrayList<>(points.size() * 3);
    for (Vec3 p : points) {
      out.add(rounded(p.x()));
      out.add(rounded(p.y()));
      out.add(rounded(p.z()));
    }
    return out;
  }

  static double rounded(double metres) {
    return Math.round(metres * 1e4) / 1e4;
  }

  private static String upper(String s) {
    return s.isEmpty() ? s : Character.toUpperCase(s.charAt(0)) + s.substring(1);
  }
}
