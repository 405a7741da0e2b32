package yentra.core.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yentra.core.check.CheckContext;
import yentra.core.check.Finding;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.FrameDifference;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * The repairs that would answer a finding, the likeliest first. Each can be applied as it stands.
 */
public final class Remedies {
  private final CheckContext context;
  private final Envelope envelope;
  private final double ground;
  private final SurfaceTypes types;

  /** The joining of slivers, empty where it has nothing to join; null when not tried yet. */
  private Optional<Remedy> slivers;

  public Remedies(CheckContext context) {
    this.context = context;
    this.envelope = context.envelope();
    this.ground = ground(envelope);
    this.types = context.types();
  }

  public List<Remedy> of(Finding f) {
    List<Remedy> out = new ArrayList<>();
    String first = f.objects().isEmpty() ? "" : f.objects().get(0);
    Optional<Surface> surface = envelope.surface(first);
    boolean opening = envelope.opening(first).isPresent();
    switch (f.code()) {
      case "SPC-401" -> f.evidence().areas().forEach(hole -> closeHole(first, hole, out));
      case "SPC-409" -> out.add(new Remedy("Turn the shell outwards", new ReverseShell(first)));
      case "ADJ-501" -> surface.ifPresent(s -> withoutPair(s, out));
      case "ADJ-502" ->
          surface.ifPresent(s -> retype(s, types.betweenSpaces(outward(s).tilt()), out));
      case "ADJ-503", "GEO-307" -> {
        match(f.objects(), out);
        deleteSecond(f.objects(), f.code(), out);
      }
      case "GEO-305" -> absorb(out);
      case "GEO-308" -> deleteSecond(f.objects(), f.code(), out);
      case "ADJ-504", "ADJ-505" -> surface.ifPresent(s -> retype(s, typeFrom(s), out));
      case "ADJ-510" -> out.add(new Remedy("Delete the shading surface", new DeleteSurface(first)));
      case "OPN-603" ->
          out.add(new Remedy("Delete the second opening", new DeleteOpening(f.objects().get(1))));
      case "OPN-605" -> out.add(new Remedy("Delete the opening", new DeleteOpening(first)));
      case "ADJ-506" -> out.add(new Remedy("Turn it to face out", new ReverseSurface(first)));
      case "ADJ-509" -> {
        delete(first, surface, opening, out);
        surface.ifPresent(s -> retype(s, SurfaceType.SHADE, out));
      }
      case "OPN-601" -> {
        out.add(new Remedy("Put it into its surface's plane", new CutOpening(first)));
        out.add(new Remedy("Delete the opening", new DeleteOpening(first)));
      }
      case "OPN-602" -> {
        out.add(new Remedy("Cut it to its surface", new CutOpening(first)));
        out.add(new Remedy("Delete the opening", new DeleteOpening(first)));
      }
      case "OPN-607" -> out.add(new Remedy("Delete the opening", new DeleteOpening(first)));
      case "GEO-301", "GEO-303" -> delete(first, surface, opening, out);
      case "FMT-103" -> duplicate(first, out);
      case "FMT-105", "FMT-106" ->
          surface
              .filter(s -> s.type() == SurfaceType.UNRESOLVED)
              .ifPresent(s -> retype(s, likelyType(s), out));
      case "FMT-104" -> {
        if (f.subject().startsWith("constructionIdRef")) {
          surface.ifPresent(s -> assign(s, out));
        }
      }
      case "UNI-204" -> context.frames().ifPresent(d -> align(f.subject(), d, out));
      case "THM-701" -> surface.ifPresent(s -> assign(s, out));
      default -> {}
    }
    return out;
  }

  /** Back to where the other delivery stands; a wrong unit is not mended by moving. */
  private void align(String subject, FrameDifference d, List<Remedy> out) {
    if (subject.equals("north")) {
      out.add(
          new Remedy(
              "Take over the other’s north",
              new AlignDelivery(0, 0, 0, 0, envelope.site().northAzimuth() - d.north())));
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
      Envelope closed = trial.apply(envelope, context.tolerance());
      Polygon face = closed.surfaces().get(closed.surfaces().size() - 1).polygon();
      SurfaceType type = types.exterior(face, ground);
      out.add(
          new Remedy(
              "Close the hole with " + article(type.label()),
              new CloseHole(space, hole.outer(), type, usualConstruction(type).orElse(null))));
    } catch (NotApplicableException e) {
      // not flat, or no area: there is no remedy by one surface
      return;
    }
  }

  private void absorb(List<Remedy> out) {
    if (slivers == null) {
      AbsorbSlivers repair =
          new AbsorbSlivers(context.limit("GEO-305", "area"), context.limit("GEO-305", "width"));
      try {
        repair.apply(envelope, context.tolerance());
        slivers = Optional.of(new Remedy("Join slivers to what lies beside them", repair));
      } catch (NotApplicableException e) {
        slivers = Optional.empty();
      }
    }
    slivers.ifPresent(out::add);
  }

  private void withoutPair(Surface s, List<Remedy> out) {
    partner(s)
        .ifPresent(
            p ->
                out.add(
                    new Remedy(
                        "Match it with the face of "
                            + context.naming().space(p.sides().get(0).space()),
                        new MatchSurfaces(s.key(), p.key()))));
    // where the delivery itself says that the inside of the building lies behind, outdoor air would
    // be a wrong answer
    if (!envelope.delivered().format().equals(Delivered.IFC)) {
      retype(s, types.exterior(outward(s), ground), out);
    }
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
        : types.exterior(outward(s), ground);
  }

  /** The surface of another space that faces this one and covers it best. */
  private Optional<Surface> partner(Surface s) {
    return envelope.surfaces().stream()
        .filter(o -> o.sides().size() == 1 && !o.key().equals(s.key()) && !o.type().isShading())
        .filter(o -> s.polygon().box().grown(MatchSurfaces.FARTHEST).intersects(o.polygon().box()))
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
        : types.exterior(outward(s), ground);
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
    for (Surface s : envelope.surfaces()) {
      if (s.source().id().equals(id) && !s.key().equals(id)) {
        out.add(new Remedy("Delete the second surface", new DeleteSurface(s.key())));
      }
    }
  }

  private void assign(Surface s, List<Remedy> out) {
    usualConstruction(s.type())
        .ifPresent(
            c ->
                out.add(
                    new Remedy(
                        "Assign " + context.naming().object(c),
                        new AssignConstruction(s.key(), c))));
  }

  /**
   * The construction that covers the largest area among surfaces of a type; where none has one, of
   * the same exposure.
   */
  private Optional<String> usualConstruction(SurfaceType type) {
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
