package yentra.core.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yentra.core.check.CheckContext;
import yentra.core.check.Finding;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.FrameDifference;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Orientation;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Box;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * The repairs that would answer a finding, the likeliest first. Each can be applied as it stands.
 */
public final class Remedies {
  private final CheckContext context;
  private final Envelope envelope;
  private Double ground;
  private final SurfaceTypes types;

  /** What is left around an opening that fills its surface, in metres. */
  private static final double FRAME = 0.05;

  /** Further up than any building stands above another of its project, in metres. */
  private static final double FAR_UP = 1000;

  /** Repairs that were tried, and whether they can be made. */
  private final Map<Repair, Boolean> tried = new HashMap<>();

  /** The envelope with slivers joined, itself where there are none to join; null till tried. */
  private Envelope joined;

  public Remedies(CheckContext context) {
    this.context = context;
    this.envelope = context.envelope();
    this.types = context.types();
  }

  public List<Remedy> of(Finding f) {
    List<Remedy> out = new ArrayList<>();
    String first = f.objects().isEmpty() ? "" : f.objects().get(0);
    Optional<Surface> surface = envelope.surface(first);
    boolean opening = envelope.opening(first).isPresent();
    if (f.code().startsWith("THM-")) {
      return new ThermalRemedies(context, this).of(f);
    }
    if (f.code().startsWith("USE-")) {
      return new ConditionRemedies(context).of(f);
    }
    switch (f.code()) {
      case "FMT-103" -> {
        if (envelope.delivered().format().equals(Delivered.GBXML)) {
          duplicate(first, out);
        }
      }
      case "FMT-104" -> dangling(f, first, surface, out);
      case "FMT-105", "FMT-106" -> {
        surface
            .filter(s -> s.type() == SurfaceType.UNRESOLVED)
            .ifPresent(s -> retype(s, likelyType(s), out));
        envelope
            .opening(first)
            .filter(o -> o.type() == OpeningType.UNRESOLVED)
            .ifPresent(o -> retypeOpening(o, likelyType(o), out));
      }
      case "UNI-202" -> reread(f, out);
      case "UNI-203" -> nearOrigin(out);
      case "UNI-204" -> context.frames().ifPresent(d -> align(f.subject(), d, out));
      case "GEO-301" -> delete(first, surface, opening, out);
      case "GEO-302", "GEO-303", "GEO-304" -> {
        out.add(
            new Remedy(
                switch (f.code()) {
                  case "GEO-302" -> "Put its corners into one plane";
                  case "GEO-303" -> "Keep the largest part";
                  default -> "Make close corners one";
                },
                new CleanOutline(first, context.limit("GEO-304", "edge"))));
        if (!f.code().equals("GEO-304")) {
          delete(first, surface, opening, out);
        }
      }
      case "GEO-305" -> absorb(first, out);
      case "GEO-308" -> deleteSecond(f.objects(), f.code(), out);
      case "SPC-401" -> {
        f.evidence().areas().forEach(hole -> closeHole(first, hole, out));
        offer(
            new Remedy(
                "Bring close corners together",
                new SnapVertices(List.of(first), 3 * context.tolerance().gap())),
            out);
        shell(first, out);
      }
      case "SPC-402" -> out.add(new Remedy("Delete the space", new DeleteSpace(first)));
      case "SPC-403" ->
          out.add(
              new Remedy(
                  "Let the computed figures count", new AmendSpace(first, null, true, false)));
      case "SPC-404" -> deleteSmaller(f.objects(), out);
      case "SPC-405" -> storey(first, out);
      case "SPC-406" -> names(f.objects(), out);
      case "SPC-407" -> mergeWithNeighbour(first, out);
      case "SPC-409" -> {
        out.add(new Remedy("Turn the shell outwards", new ReverseShell(first)));
        shell(first, out);
      }
      case "SPC-410" -> shell(first, out);
      case "ADJ-501" -> surface.ifPresent(s -> withoutPair(s, out));
      case "ADJ-502" ->
          surface.ifPresent(
              s -> {
                retype(s, types.betweenSpaces(outward(s).tilt()), out);
                if (s.sides().size() == 2) {
                  out.add(
                      new Remedy(
                          "Clear " + context.naming().space(s.sides().get(1).space()),
                          new SetNeighbours(first, List.of(s.sides().get(0).space()), null)));
                }
              });
      case "ADJ-503", "GEO-307" -> {
        match(f.objects(), out);
        offer(
            new Remedy(
                "Match all that face each other, split where outlines differ",
                new MatchFacing(context.limit("ADJ-503", "distance"))),
            out);
        deleteSecond(f.objects(), f.code(), out);
      }
      case "ADJ-504", "ADJ-505" -> surface.ifPresent(s -> retype(s, typeFrom(s), out));
      case "ADJ-506" -> out.add(new Remedy("Turn it to face out", new ReverseSurface(first)));
      case "ADJ-507" -> {
        surface.ifPresent(
            s ->
                out.add(
                    new Remedy(
                        "Clear the second",
                        new SetNeighbours(
                            first,
                            List.of(s.sides().get(0).space()),
                            types.exterior(outward(s), ground())))));
        delete(first, surface, opening, out);
      }
      case "SPC-408" -> VoidRemedies.around(context, f.objects()).ifPresent(r -> offer(r, out));
      case "ADJ-508" -> {
        surface.flatMap(s -> VoidRemedies.before(context, s)).ifPresent(r -> offer(r, out));
        surface.ifPresent(s -> matchPartner(s, out));
        surface.ifPresent(s -> adiabatic(s, out));
      }
      case "ADJ-512" -> {
        surface.ifPresent(s -> matchPartner(s, out));
        surface.ifPresent(s -> retype(s, likelyType(s), out));
        surface.ifPresent(s -> adiabatic(s, out));
      }
      case "ADJ-509" -> {
        delete(first, surface, opening, out);
        surface.ifPresent(s -> retype(s, SurfaceType.SHADE, out));
        surface.ifPresent(s -> neighbour(s, out));
      }
      case "ADJ-510" -> out.add(new Remedy("Delete the shading surface", new DeleteSurface(first)));
      case "OPN-601" -> {
        out.add(new Remedy("Put it into its surface's plane", new CutOpening(first)));
        out.add(new Remedy("Delete the opening", new DeleteOpening(first)));
      }
      case "OPN-602" -> {
        out.add(new Remedy("Cut it to its surface", new CutOpening(first)));
        out.add(new Remedy("Delete the opening", new DeleteOpening(first)));
      }
      case "OPN-603" -> {
        cutBySecond(f.objects(), out);
        out.add(new Remedy("Delete the second opening", new DeleteOpening(f.objects().get(1))));
      }
      case "OPN-604" -> shrink(first, out);
      case "OPN-605", "OPN-606" -> {
        envelope
            .opening(first)
            .ifPresent(
                o -> {
                  OpeningType likely = likelyType(o);
                  boolean drawnAsGlass =
                      f.code().equals("OPN-606") && !o.type().isGlazed() && o.glazing() == null;
                  if (drawnAsGlass) {
                    retypeOpening(o, OpeningType.SLIDING_DOOR, out);
                  } else if (likely != o.type()) {
                    retypeOpening(o, likely, out);
                  } else if (f.code().equals("OPN-605") || o.type().isGlazed()) {
                    retypeOpening(o, OpeningType.NON_SLIDING_DOOR, out);
                  }
                });
        if (f.code().equals("OPN-605")) {
          out.add(new Remedy("Delete the opening", new DeleteOpening(first)));
        }
      }
      case "OPN-607" -> out.add(new Remedy("Delete the opening", new DeleteOpening(first)));
      default -> {}
    }
    return out;
  }

  private void dangling(Finding f, String first, Optional<Surface> surface, List<Remedy> out) {
    int at = f.subject().indexOf('=');
    if (at < 0) {
      return;
    }
    String attribute = f.subject().substring(0, at);
    String from = f.subject().substring(at + 1);
    if (attribute.equals("constructionIdRef")) {
      new ThermalRemedies(context, this).assign(first, out);
    }
    PointReference drop = new PointReference(first, attribute, from, null);
    try {
      drop.apply(envelope, context.rules());
      out.add(new Remedy("Drop the reference", drop));
    } catch (NotApplicableException e) {
      // of what is only carried over a reference cannot be dropped by itself
      return;
    }
  }

  /** The unit that makes the mean height of spaces one of rooms. */
  private void reread(Finding f, List<Remedy> out) {
    double height = f.measured() == null ? 0 : f.measured();
    Map<String, Double> units = new TreeMap<>();
    units.put("millimetres", 0.001);
    units.put("centimetres", 0.01);
    units.put("metres", 1.0);
    units.put("feet", 0.3048);
    units.put("inches", 0.0254);
    double now = envelope.delivered().length().metres();
    units.forEach(
        (name, metres) -> {
          double factor = metres / now;
          if (Math.abs(factor - 1) > 1e-9 && height * factor > 2 && height * factor < 10) {
            out.add(new Remedy("Take lengths in " + name, new RereadUnit(factor, name)));
          }
        });
  }

  private void nearOrigin(List<Remedy> out) {
    Box box = Box.EMPTY;
    for (Surface s : envelope.surfaces()) {
      box = box.union(s.polygon().box());
    }
    boolean far = !box.isEmpty() && box.diagonal() < 10_000;
    Vec3 o = envelope.delivered().origin();
    if (far) {
      Vec3 c = box.min().plus(o);
      out.add(
          new Remedy(
              "Move it to the origin",
              new AlignDelivery(0, -Math.floor(c.x()), -Math.floor(c.y()), 0, null)));
    }
  }

  /** When only the delivered shell is at fault, or only it closes, the surfaces can do without. */
  private void shell(String space, List<Remedy> out) {
    envelope
        .space(space)
        .filter(s -> !s.shell().isEmpty() && !context.volumes().surfacesOf(space).isEmpty())
        .ifPresent(
            s ->
                out.add(
                    new Remedy(
                        "Take what bounds it from its surfaces alone",
                        new AmendSpace(space, null, false, true))));
  }

  private void storey(String space, List<Remedy> out) {
    Box box = context.volumes().of(space).faces().box();
    if (box.isEmpty()) {
      return;
    }
    double floor = box.min().z();
    envelope.storeys().stream()
        .filter(s -> s.level() != null && s.level() <= floor + 0.5)
        .max(Comparator.comparingDouble(Storey::level))
        .ifPresent(
            s ->
                out.add(
                    new Remedy(
                        "Put it on " + (s.name().isBlank() ? s.key() : s.name()),
                        new AmendSpace(space, s.key(), false, false))));
  }

  private void names(List<String> spaces, List<Remedy> out) {
    out.add(new Remedy("Name by storey and number", new NameSpaces("{storey} {number}", spaces)));
    boolean named =
        spaces.stream()
            .allMatch(k -> envelope.space(k).map(s -> !s.name().isBlank()).orElse(false));
    if (named) {
      out.add(0, new Remedy("Number those of one name", new NameSpaces("{name} {number}", spaces)));
    }
  }

  /** With the neighbour that shares the largest surface. */
  private void mergeWithNeighbour(String space, List<Remedy> out) {
    context.volumes().surfacesOf(space).stream()
        .filter(s -> s.sides().size() == 2)
        .max(
            Comparator.comparingDouble((Surface s) -> s.polygon().area())
                .thenComparing(Surface::key))
        .ifPresent(
            s -> {
              String other = s.sides().get(s.sides().get(0).space().equals(space) ? 1 : 0).space();
              out.add(
                  new Remedy(
                      "Merge it into " + context.naming().space(other),
                      new MergeSpaces(List.of(other, space))));
            });
  }

  /** The space whose faces leave out this one's place. */
  private void neighbour(Surface s, List<Remedy> out) {
    for (yentra.core.boundary.SpaceVolume v : context.volumes().all()) {
      boolean fills =
          v.holes().stream()
              .map(h -> Polygon.of(h.outline()))
              .anyMatch(
                  h ->
                      h.box().grown(context.tolerance().gap()).intersects(s.polygon().box())
                          && PlanarOverlay.commonArea(s.polygon(), h) > 0.9 * h.area()
                          && Math.abs(s.polygon().plane().distance(h.mean()))
                              < context.tolerance().gap());
      if (fills) {
        out.add(
            0,
            new Remedy(
                "Let it bound " + v.space().label(),
                new SetNeighbours(s.key(), List.of(v.space().key()), null)));
        return;
      }
    }
  }

  private void cutBySecond(List<String> pair, List<Remedy> out) {
    Optional<Opening> a = envelope.opening(pair.get(0));
    Optional<Opening> b = envelope.opening(pair.get(1));
    if (a.isPresent() && b.isPresent()) {
      Polygon larger = a.get().polygon();
      Polygon smaller = b.get().polygon();
      boolean first = larger.area() >= smaller.area();
      List<Polygon> rest =
          first
              ? PlanarOverlay.difference(larger, smaller)
              : PlanarOverlay.difference(smaller, larger);
      if (rest.size() == 1 && rest.get(0).holes().isEmpty() && rest.get(0).area() > 0.01) {
        out.add(
            new Remedy(
                "Cut the " + (first ? "first" : "second") + " by the other",
                new ReshapeOpening(pair.get(first ? 0 : 1), rest.get(0).outer())));
      }
    }
  }

  /** To a frame's width inside its surface. */
  private void shrink(String opening, List<Remedy> out) {
    envelope
        .parentOf(opening)
        .ifPresent(
            s -> {
              PlaneFrame frame = PlaneFrame.of(s.polygon().plane());
              List<Polygon> inner = frame.lift(frame.project(s.polygon()).buffer(-FRAME, 1));
              if (inner.size() == 1 && inner.get(0).area() > 0.01) {
                out.add(
                    new Remedy(
                        "Leave 5 cm of the surface around it",
                        new ReshapeOpening(opening, inner.get(0).outer())));
              }
            });
  }

  private void retypeOpening(Opening o, OpeningType type, List<Remedy> out) {
    if (type != o.type()) {
      out.add(new Remedy("Type it " + type.gbxml(), new RetypeOpening(o.key(), type)));
    }
  }

  /** What its glazing data, its construction and its place say of an opening. */
  private OpeningType likelyType(Opening o) {
    Optional<Surface> parent = envelope.parentOf(o.key());
    if (o.glazing() != null && parent.map(s -> !s.type().isGround()).orElse(true)) {
      boolean lying =
          parent.map(s -> types.orientation(outward(s).tilt()) == Orientation.UP).orElse(false);
      return lying ? OpeningType.FIXED_SKYLIGHT : OpeningType.FIXED_WINDOW;
    }
    return OpeningType.NON_SLIDING_DOOR;
  }

  /** Back to where the other delivery stands; a wrong unit is not mended by moving. */
  private void align(String subject, FrameDifference d, List<Remedy> out) {
    if (subject.equals("north")) {
      out.add(
          new Remedy(
              "Take over the other’s north",
              new AlignDelivery(0, 0, 0, 0, envelope.site().northAzimuth() - d.north())));
    } else if (subject.equals("apart")) {
      out.add(
          new Remedy(
              "Move it by whole metres to where the other stands",
              new AlignDelivery(
                  0,
                  -Math.rint(d.apart().x()),
                  -Math.rint(d.apart().y()),
                  Math.abs(d.apart().z()) > FAR_UP ? -Math.rint(d.apart().z()) : 0,
                  null)));
    } else if (!subject.equals("scale")) {
      double turn = rounded(-d.turn(), 1e8);
      double a = Math.toRadians(turn);
      Vec3 s = d.shift().times(-1);
      out.add(
          new Remedy(
              "Move it to where the other stands",
              new AlignDelivery(
                  turn,
                  rounded(Math.cos(a) * s.x() - Math.sin(a) * s.y(), 1e6),
                  rounded(Math.sin(a) * s.x() + Math.cos(a) * s.y(), 1e6),
                  rounded(s.z(), 1e6),
                  null)));
    }
  }

  /** Without the noise of floating point, which a person would read in the log. */
  private static double rounded(double d, double parts) {
    return Math.round(d * parts) / parts + 0.0;
  }

  private double ground() {
    if (ground == null) {
      // the highest of them may be the one that is typed wrongly
      boolean touched = envelope.surfaces().stream().anyMatch(s -> s.type().isGround());
      ground = touched ? context.groundLevel() : ground(envelope);
    }
    return ground;
  }

  /**
   * Ground level: the highest top of the surfaces in contact with the ground, else the lowest
   * storey, else 0.
   */
  static double ground(Envelope e) {
    return e.surfaces().stream()
        .filter(s -> s.type().isGround() && !s.polygon().outer().isEmpty())
        .mapToDouble(s -> s.polygon().box().max().z())
        .max()
        .orElseGet(
            () ->
                e.storeys().stream()
                    .map(Storey::level)
                    .filter(l -> l != null)
                    .mapToDouble(l -> l)
                    .min()
                    .orElse(0));
  }

  private Polygon outward(Surface s) {
    return context.direction(s) < 0 ? s.polygon().reversed() : s.polygon();
  }

  private void closeHole(String space, Polygon hole, List<Remedy> out) {
    // which way the closing face will look decides its type: try it, and read the result
    CloseHole trial = new CloseHole(space, hole.outer(), SurfaceType.EXTERIOR_WALL, null);
    try {
      Envelope closed = trial.apply(envelope, context.rules());
      Polygon face = closed.surfaces().get(closed.surfaces().size() - 1).polygon();
      SurfaceType type = types.exterior(face, ground());
      out.add(
          new Remedy(
              "Close the hole with " + article(type.label()),
              new CloseHole(space, hole.outer(), type, usualConstruction(type).orElse(null))));
    } catch (NotApplicableException e) {
      // not flat, or no area: there is no remedy by one surface
      return;
    }
  }

  /** What works is offered; whether it does can only be told by trying. */
  private void offer(Remedy r, List<Remedy> out) {
    if (tried.computeIfAbsent(r.repair(), this::works)) {
      out.add(r);
    }
  }

  private boolean works(Repair r) {
    try {
      r.apply(envelope, context.rules());
      return true;
    } catch (NotApplicableException e) {
      // there is nothing to offer then
      return false;
    }
  }

  /** Joins all slivers that lie beside something; offered for those that are gone then. */
  private void absorb(String key, List<Remedy> out) {
    AbsorbSlivers repair =
        new AbsorbSlivers(context.limit("GEO-305", "area"), context.limit("GEO-305", "width"));
    if (joined == null) {
      try {
        joined = repair.apply(envelope, context.rules());
      } catch (NotApplicableException e) {
        joined = envelope;
      }
    }
    if (!joined.surface(key).equals(envelope.surface(key))) {
      out.add(new Remedy("Join slivers to what lies beside them", repair));
    }
  }

  private void matchPartner(Surface s, List<Remedy> out) {
    partner(s)
        .ifPresent(
            p ->
                out.add(
                    new Remedy(
                        "Match it with the face of "
                            + context.naming().space(p.sides().get(0).space()),
                        new MatchSurfaces(s.key(), p.key()))));
  }

  private void withoutPair(Surface s, List<Remedy> out) {
    matchPartner(s, out);
    // where the delivery itself says that the inside of the building lies behind, outdoor air would
    // be a wrong answer
    if (!envelope.delivered().format().equals(Delivered.IFC)) {
      retype(s, types.exterior(outward(s), ground()), out);
    }
  }

  private void adiabatic(Surface s, List<Remedy> out) {
    offer(
        new Remedy(
            "Make it adiabatic: only construction lies behind it",
            new MakeAdiabatic(s.key(), types.betweenSpaces(outward(s).tilt()))),
        out);
  }

  /** Of two spaces that share air the one with less of it. */
  private void deleteSmaller(List<String> pair, List<Remedy> out) {
    pair.stream()
        .min(Comparator.comparingDouble(k -> context.volumes().of(k).volume()))
        .ifPresent(
            k ->
                out.add(
                    new Remedy(
                        "Delete the smaller one, " + context.naming().space(k),
                        new DeleteSpace(k))));
  }

  private void match(List<String> pair, List<Remedy> out) {
    Optional<Surface> a = envelope.surface(pair.get(0));
    Optional<Surface> b = envelope.surface(pair.get(1));
    if (a.isPresent()
        && b.isPresent()
        && a.get().sides().size() == 1
        && b.get().sides().size() == 1
        && MatchSurfaces.problem(a.get(), b.get(), context.tolerance()) == null) {
      out.add(new Remedy("Match the two", new MatchSurfaces(pair.get(0), pair.get(1))));
    }
  }

  /** Of two surfaces in one place the one that nothing else needs: that with fewer openings. */
  private void deleteSecond(List<String> pair, String code, List<Remedy> out) {
    Optional<Surface> a = envelope.surface(pair.get(0));
    Optional<Surface> b = envelope.surface(pair.get(1));
    if (code.equals("ADJ-503") || a.isEmpty() || b.isEmpty()) {
      return;
    }
    boolean one = a.get().sides().stream().anyMatch(s -> b.get().isAdjacentTo(s.space()));
    if (one) {
      boolean first =
          b.get().openings().size() > a.get().openings().size()
              || code.equals("GEO-308") && a.get().polygon().area() < b.get().polygon().area();
      out.add(
          new Remedy(
              "Delete the " + (first ? "first" : "second") + " surface",
              new DeleteSurface(pair.get(first ? 0 : 1))));
    }
  }

  /** What the tilt and the height say of a surface. */
  private SurfaceType typeFrom(Surface s) {
    return s.sides().size() > 1
        ? types.betweenSpaces(outward(s).tilt())
        : types.exterior(outward(s), ground());
  }

  /** The surface of another space that faces this one and covers it best. */
  private Optional<Surface> partner(Surface s) {
    return context.near(s.polygon().box().grown(MatchSurfaces.FARTHEST)).stream()
        .filter(o -> o.sides().size() == 1 && !o.key().equals(s.key()) && !o.type().isShading())
        .filter(o -> MatchSurfaces.problem(s, o, context.tolerance()) == null)
        .max(
            Comparator.comparingDouble(
                    (Surface o) -> PlanarOverlay.commonArea(s.polygon(), o.polygon()))
                .thenComparing(Surface::key));
  }

  private void retype(Surface s, SurfaceType type, List<Remedy> out) {
    if (s.type() != type) {
      out.add(new Remedy("Type it " + type.gbxml(), new RetypeSurface(s.key(), type)));
    }
  }

  private SurfaceType likelyType(Surface s) {
    if (s.sides().isEmpty()) {
      return SurfaceType.SHADE;
    }
    return s.sides().size() > 1
        ? types.betweenSpaces(outward(s).tilt())
        : types.exterior(outward(s), ground());
  }

  private static void delete(
      String key, Optional<Surface> surface, boolean opening, List<Remedy> out) {
    if (surface.isPresent()) {
      out.add(new Remedy("Delete the surface", new DeleteSurface(key)));
    } else if (opening) {
      out.add(new Remedy("Delete the opening", new DeleteOpening(key)));
    }
  }

  /** The object that was read under a new id because its own was taken. */
  private void duplicate(String id, List<Remedy> out) {
    out.add(new Remedy("Let the second keep a new id", new MakeIdUnique(id)));
    for (Surface s : envelope.surfaces()) {
      if (s.source().id().equals(id) && !s.key().equals(id)) {
        out.add(new Remedy("Delete the second surface", new DeleteSurface(s.key())));
      }
    }
  }

  /**
   * The construction that covers the largest area among surfaces of a type; where none has one, of
   * the same exposure.
   */
  Optional<String> usualConstruction(SurfaceType type) {
    Map<String, Double> same = new TreeMap<>();
    Map<String, Double> alike = new TreeMap<>();
    for (Surface s : envelope.surfaces()) {
      if (envelope.construction(s.construction()).isPresent()) {
        if (s.type() == type) {
          same.merge(s.construction(), s.polygon().area(), Double::sum);
        }
        if (s.type().isInterior() == type.isInterior() && s.type().isGround() == type.isGround()) {
          alike.merge(s.construction(), s.polygon().area(), Double::sum);
        }
      }
    }
    Map<String, Double> areas = same.isEmpty() ? alike : same;
    return areas.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
  }

  private static String article(String noun) {
    return ("aeiou".indexOf(noun.charAt(0)) >= 0 ? "an " : "a ") + noun;
  }
}
