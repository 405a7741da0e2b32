package yentra.core.repair.opening;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.finding.Text;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Straightening;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Puts an opening into its surface's plane and cuts off what reaches outside the surface. */
public record CutOpening(String opening) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Opening o = Target.opening(e, opening);
    Surface s =
        e.parentOf(opening)
            .orElseThrow(
                () ->
                    new NotApplicableException(
                        "The opening " + opening + " lies in no surface to be cut to."));
    Polygon cut = Straightening.of(cut(o, s), rules.tolerance());
    if (cut.outer().equals(o.polygon().outer())) {
      throw new NotApplicableException(
          "The opening " + opening + " lies within its surface already.");
    }
    return e.replacing(
        s.key(),
        x ->
            x.withOpenings(
                x.openings().stream()
                    .map(y -> y.key().equals(opening) ? y.withPolygon(cut) : y)
                    .toList()));
  }

  private static Polygon cut(Opening o, Surface s) throws NotApplicableException {
    List<Polygon> parts = PlanarOverlay.intersection(s.polygon(), o.polygon());
    return parts.stream()
        .max(Comparator.comparingDouble(Polygon::area))
        .filter(p -> p.area() > 1e-4)
        .orElseThrow(
            () ->
                new NotApplicableException(
                    "No part of the opening "
                        + o.key()
                        + " lies in front of its surface. Delete it instead."));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new CutOpening(keys.of(opening));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    Opening o = before.opening(opening).orElse(null);
    Surface s = before.parentOf(opening).orElse(null);
    if (o == null || s == null) {
      return "Cuts the opening " + opening + " to its surface.";
    }
    double was = o.polygon().area();
    double is;
    try {
      is = cut(o, s).area();
    } catch (NotApplicableException e) {
      return e.getMessage();
    }
    return String.format(
        Locale.ROOT,
        "Fits the %s to its surface: %s.",
        naming.opening(o),
        Text.areaChange(was, is));
  }
}
