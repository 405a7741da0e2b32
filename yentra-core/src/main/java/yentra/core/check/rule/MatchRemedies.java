package yentra.core.check.rule;

import java.util.Comparator;
import java.util.Optional;
import yentra.core.envelope.Surface;
import yentra.core.finding.Limit;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Tolerance;
import yentra.core.repair.surface.DeleteSurface;
import yentra.core.repair.surface.MatchFacing;
import yentra.core.repair.surface.MatchSurfaces;

/** Making one surface of two that lie in one place or face each other. */
public final class MatchRemedies {
  /** The check whose limit says how far apart faces of one wall may lie. */
  public static final String CODE = "ADJ-503";

  public static final Limit DISTANCE = new Limit("distance", "m", 0.6, 0.01, 2);

  private MatchRemedies() {}

  /** The two objects of the finding, or all that face each other. */
  public static void pair(Offer o) {
    Optional<Surface> a = o.envelope().surface(o.first());
    Optional<Surface> b = o.envelope().surface(o.second());
    if (a.isPresent() && b.isPresent() && MatchSurfaces.canMatch(a.get(), b.get(), tolerance(o))) {
      o.add("Match the two", new MatchSurfaces(o.first(), o.second()));
    }
    o.addIfItWorks(
        "Match all that face each other, split where outlines differ",
        new MatchFacing(o.context().limits().of(CODE, DISTANCE)));
  }

  /** A surface with the face of another space that covers it best. */
  public static void partner(Offer o, Surface s) {
    o.context().near(s.polygon().box().grown(MatchSurfaces.FARTHEST)).stream()
        .filter(x -> !x.key().equals(s.key()) && !x.type().isShading())
        .filter(x -> MatchSurfaces.canMatch(s, x, tolerance(o)))
        .max(
            Comparator.comparingDouble(
                    (Surface x) -> PlanarOverlay.commonArea(s.polygon(), x.polygon()))
                .thenComparing(Surface::key))
        .ifPresent(
            p ->
                o.add(
                    "Match it with the face of "
                        + o.context().naming().space(p.sides().get(0).space()),
                    new MatchSurfaces(s.key(), p.key())));
  }

  private static Tolerance tolerance(Offer o) {
    return o.context().tolerance();
  }

  /**
   * Of two surfaces of one space in one place the one that nothing else needs: that with fewer
   * openings.
   *
   * @param smaller whether of two without a difference in openings the smaller goes
   */
  public static void deleteOne(Offer o, boolean smaller) {
    Optional<Surface> a = o.envelope().surface(o.first());
    Optional<Surface> b = o.envelope().surface(o.second());
    if (a.isEmpty() || b.isEmpty()) {
      return;
    }
    boolean one = a.get().sides().stream().anyMatch(s -> b.get().isAdjacentTo(s.space()));
    if (one) {
      boolean first =
          b.get().openings().size() > a.get().openings().size()
              || smaller && a.get().polygon().area() < b.get().polygon().area();
      o.add(
          "Delete the " + (first ? "first" : "second") + " surface",
          new DeleteSurface(first ? o.first() : o.second()));
    }
  }
}
