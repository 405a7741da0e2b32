package yentra.core.check.adjacency;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.GroundFit;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;

/** ADJ-505: the type contradicts the ground. */
@AutoService(Check.class)
public final class TypeAgainstGround implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              GroundFit.CODE,
              Severity.WARNING,
              "the type contradicts the ground",
              "The share of the surface's height that lies below the ground though outdoor air is said to be there, or above it though ground is. Where no ground level is known, it is the one that contradicts the fewest surfaces. Walls with openings to outdoor air are not asked.",
              "The surface loses heat to the wrong temperature.",
              List.of(new Limit("share", "%", 50, 1, 100), GroundFit.HEIGHT))
          .safely("the type that height and sides give, where the model proves the sides")
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.surface().ifPresent(o::retypeAsItLies);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double share = context.limit(DESCRIPTOR, "share");
    List<Surface> surfaces = context.envelope().surfaces();
    GroundFit ground = context.ground();
    for (int i = 0; i < surfaces.size(); i++) {
      double off = 100 * ground.contradicting(i);
      if (off > share) {
        Surface s = surfaces.get(i);
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(off, share, "%")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is of the type "
                        + s.type().words()
                        + ", but lies "
                        + (s.type().isGround() ? "above" : "below")
                        + " the ground at "
                        + Text.length(ground.level())
                        + "."));
      }
    }
  }
}
