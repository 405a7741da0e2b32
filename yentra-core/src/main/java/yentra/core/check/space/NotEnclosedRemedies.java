package yentra.core.check.space;

import java.util.List;
import yentra.core.check.rule.Offer;
import yentra.core.repair.space.SnapVertices;

/** Closes each hole by a surface, or brings corners together. */
final class NotEnclosedRemedies {
  /** Corners so many times the gap tolerance apart may be meant to be one. */
  private static final double WIDER = 3;

  private NotEnclosedRemedies() {}

  static void of(Offer o) {
    o.finding().evidence().areas().forEach(hole -> HoleRemedies.close(o, hole));
    o.addIfItWorks(
        "Bring close corners together",
        new SnapVertices(List.of(o.first()), WIDER * o.context().tolerance().gap()));
    ShellRemedies.without(o);
  }
}
