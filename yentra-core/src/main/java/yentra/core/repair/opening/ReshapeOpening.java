package yentra.core.repair.opening;

import java.util.List;
import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.finding.Text;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Moves or sizes an opening: gives it another outline in its surface's plane.
 *
 * @param outline corners in order, in either direction
 */
public record ReshapeOpening(String opening, List<Vec3> outline) implements Repair {
  public ReshapeOpening {
    outline = outline == null ? List.of() : List.copyOf(outline);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Opening o = Target.opening(e, opening);
    Surface s = e.parentOf(opening).orElse(null);
    Polygon p =
        s == null
            ? Reshape.outline(outline, rules.tolerance())
            : AddOpening.placed(s, outline, rules.tolerance());
    if (p.equals(o.polygon())) {
      throw new NotApplicableException("The outline is as it was.");
    }
    return Reshape.replacedOpening(e, opening, x -> x.withPolygon(p));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new ReshapeOpening(keys.of(opening), outline);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    Opening o = before.opening(opening).orElse(null);
    if (o == null || outline.size() < 3) {
      return "Gives the opening " + opening + " another outline.";
    }
    Polygon p = Polygon.of(outline);
    double by = p.mean().distance(o.polygon().mean());
    return String.format(
        Locale.ROOT,
        by < Text.LEAST_MOVE ? "Changes the outline of the %s; %s%s." : "Moves the %s by %s; %s.",
        naming.opening(o),
        by < Text.LEAST_MOVE ? "" : String.format(Locale.ROOT, "%.2f m", by),
        Text.areaChange(o.polygon().area(), p.area()));
  }
}
