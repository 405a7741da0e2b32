package yentra.core.check.space;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Beyond;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.repair.Several;
import yentra.core.repair.surface.CloseHole;
import yentra.core.repair.surface.SetNeighbours;

/**
 * A face that is missing from a space: the surface of the neighbour that lies in its place, one
 * surface for two spaces that both have a hole there, or one towards what is proven to lie outside.
 */
final class HoleRemedies {
  private HoleRemedies() {}

  /**
   * Offers what closes a hole.
   *
   * @param hole flat, in either direction; one that is not is passed over
   */
  static void close(Offer o, Polygon hole) {
    String space = o.first();
    // which way the closing face will look decides its type: try it, and read the result
    CloseHole trial = new CloseHole(space, hole.outer(), SurfaceType.EXTERIOR_WALL, null);
    Optional<Envelope> closed = o.attempt(trial);
    if (closed.isEmpty()) {
      return; // not flat, or no area: there is no remedy by one surface
    }
    Surface made = closed.get().surfaces().get(closed.get().surfaces().size() - 1);
    Polygon face = made.polygon();
    SurfaceType between = o.types().betweenSpaces(face.tilt());
    Optional<Surface> partner = Beyond.partner(o.context(), face, space);
    if (partner.isPresent()) {
      String other = Beyond.spaceOf(o.context(), partner.get());
      SurfaceType type = o.types().betweenSpaces(o.outward(partner.get()).tilt());
      o.safe(
          "Let the " + o.context().naming().surface(partner.get()) + " bound it too",
          new SetNeighbours(partner.get().key(), List.of(other, space), type));
      return;
    }
    Optional<String> open = Beyond.openTo(o.context(), face, space);
    if (open.isPresent()) {
      String construction = sole(o.envelope(), between).orElse(null);
      o.safe(
          "Close both holes with " + article(between.label()),
          new Several(
              "Closes one hole of two spaces",
              List.of(
                  new CloseHole(space, hole.outer(), between, construction),
                  new SetNeighbours(made.key(), List.of(space, open.get()), between))));
      return;
    }
    outwards(o, hole, face);
  }

  private static void outwards(Offer o, Polygon hole, Polygon face) {
    SurfaceType type = o.types().exterior(face, o.ground());
    boolean free = Beyond.isFree(o.context(), face, o.first());
    Optional<String> sole = sole(o.envelope(), type);
    String label = "Close the hole with " + article(type.label());
    if (free && sole.isPresent()) {
      o.safe(label, new CloseHole(o.first(), hole.outer(), type, sole.get()));
      return;
    }
    Optional<String> usual = ConstructionChoice.usual(o.envelope(), type);
    o.add(label, new CloseHole(o.first(), hole.outer(), type, usual.orElse(null)));
    if (free) {
      o.safe(
          label + (usual.isPresent() ? ", its construction left open" : ""),
          new CloseHole(o.first(), hole.outer(), type, null));
    }
  }

  /** The one construction that all surfaces of a type have. */
  private static Optional<String> sole(Envelope e, SurfaceType type) {
    List<String> all =
        e.surfaces().stream()
            .filter(s -> s.type() == type)
            .map(Surface::construction)
            .filter(Objects::nonNull)
            .distinct()
            .limit(2)
            .toList();
    return all.size() == 1 ? Optional.of(all.get(0)) : Optional.empty();
  }

  private static String article(String noun) {
    return ("aeiou".indexOf(noun.charAt(0)) >= 0 ? "an " : "a ") + noun;
  }
}
