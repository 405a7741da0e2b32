package yentra.core.check.space;

import java.util.List;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.repair.space.SnapVertices;
import yentra.core.repair.surface.CloseHole;

/** Closes each hole by a surface, or brings corners together. */
final class NotEnclosedRemedies {
  /** Corners so many times the gap tolerance apart may be meant to be one. */
  private static final double WIDER = 3;

  private NotEnclosedRemedies() {}

  static void of(Offer o) {
    o.finding().evidence().areas().forEach(hole -> close(o, hole));
    o.addIfItWorks(
        "Bring close corners together",
        new SnapVertices(List.of(o.first()), WIDER * o.context().tolerance().gap()));
    ShellRemedies.without(o);
  }

  private static void close(Offer o, Polygon hole) {
    // which way the closing face will look decides its type: try it, and read the result
    CloseHole trial = new CloseHole(o.first(), hole.outer(), SurfaceType.EXTERIOR_WALL, null);
    // not flat, or no area: there is no remedy by one surface
    o.attempt(trial)
        .ifPresent(
            closed -> {
              Polygon face = closed.surfaces().get(closed.surfaces().size() - 1).polygon();
              SurfaceType type = o.types().exterior(face, o.ground());
              o.add(
                  "Close the hole with " + article(type.label()),
                  new CloseHole(
                      o.first(),
                      hole.outer(),
                      type,
                      ConstructionChoice.usual(o.envelope(), type).orElse(null)));
            });
  }

  private static String article(String noun) {
    return ("aeiou".indexOf(noun.charAt(0)) >= 0 ? "an " : "a ") + noun;
  }
}
