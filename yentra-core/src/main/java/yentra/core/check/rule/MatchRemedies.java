package yentra.core.check.rule;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.finding.Limit;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;
import yentra.core.repair.surface.DeleteSurface;
import yentra.core.repair.surface.MatchFacing;
import yentra.core.repair.surface.MatchSurfaces;
import yentra.core.repair.surface.ReshapeSurface;

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
      o.add(
          "Match the two",
          new MatchSurfaces(o.first(), o.second()),
          isOne(a.get(), b.get(), tolerance(o)));
    }
    o.addIfItWorks(
        "Match all that face each other, split where outlines differ",
        new MatchFacing(o.context().limits().of(CODE, DISTANCE)));
  }

  /** Faces that lie in one place are one; of those apart a joint or air may be between. */
  private static boolean isOne(Surface a, Surface b, Tolerance tolerance) {
    return Beyond.isSame(a.polygon(), b.polygon(), tolerance.gap());
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
                    new MatchSurfaces(s.key(), p.key()),
                    isOne(s, p, tolerance(o))));
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
      Surface goes = first ? a.get() : b.get();
      o.add(
          "Delete the " + (first ? "first" : "second") + " surface",
          new DeleteSurface(goes.key()),
          isWholeWithout(goes, first ? b.get() : a.get()));
    }
  }

  /**
   * Whether all of a surface is in the other one too: its spaces, its place; it has no openings.
   */
  private static boolean isWholeWithout(Surface goes, Surface stays) {
    return goes.openings().isEmpty()
        && stays.sides().stream().map(Side::space).toList().containsAll(spaces(goes))
        && (goes.construction() == null || goes.construction().equals(stays.construction()))
        && PlanarOverlay.commonArea(goes.polygon(), stays.polygon())
            >= COVERED * goes.polygon().area();
  }

  private static List<String> spaces(Surface s) {
    return s.sides().stream().map(Side::space).toList();
  }

  /** A surface is covered from this share of its area on. */
  private static final double COVERED = 0.95;

  /**
   * Of two surfaces of one kind that overlap in part the larger gives up the common part, which
   * then counts once; where openings or other construction lie in it, which of both is right is not
   * said.
   */
  public static void cutOne(Offer o) {
    Optional<Surface> a = o.envelope().surface(o.first());
    Optional<Surface> b = o.envelope().surface(o.second());
    if (a.isEmpty() || b.isEmpty() || !spaces(a.get()).equals(spaces(b.get()))) {
      return;
    }
    boolean first = a.get().polygon().area() >= b.get().polygon().area();
    Surface cut = first ? a.get() : b.get();
    Surface stays = first ? b.get() : a.get();
    List<Polygon> rest = PlanarOverlay.difference(cut.polygon(), stays.polygon());
    if (rest.size() != 1 || !rest.get(0).holes().isEmpty()) {
      return;
    }
    boolean alike =
        cut.type() == stays.type() && Objects.equals(cut.construction(), stays.construction());
    boolean open =
        cut.openings().stream()
            .anyMatch(x -> PlanarOverlay.commonArea(x.polygon(), stays.polygon()) > 0);
    Polygon left = Straightening.of(rest.get(0), tolerance(o));
    o.add(
        "Take the common part off the " + (first ? "first" : "second"),
        new ReshapeSurface(cut.key(), left.outer(), true),
        alike && !open);
  }
}
