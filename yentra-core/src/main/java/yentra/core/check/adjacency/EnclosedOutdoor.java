package yentra.core.check.adjacency;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.EnclosedSurfaces;
import yentra.core.check.proposal.Voids;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.MatchRemedies;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;

/** ADJ-508: marked exposed to outdoor air but enclosed by the building. */
@AutoService(Check.class)
public final class EnclosedOutdoor implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "ADJ-508",
              Severity.WARNING,
              "marked exposed to outdoor air but enclosed by the building",
              "From points before the outer side, 128 lines are followed over the half sphere; those that meet no surface, or the ground, see sky or ground.",
              "It is probably interior: heat is lost to air that is not there.",
              List.of(new Limit("view", "%", 2, 0, 50)))
          .safely("the neighbour's face in its place")
          .following(Cause.WRONG_UNIT, Cause.HOLE);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.surface()
        .ifPresent(
            s -> {
              Voids.before(o, s);
              MatchRemedies.partner(o, s);
              o.makeAdiabatic(s);
            });
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "view");
    for (EnclosedSurfaces.Seen e : context.enclosed().all()) {
      if (e.share() * 100 < limit) {
        Surface s = e.surface();
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(100 * e.share(), limit, "%")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is said to face outdoor air, but sees "
                        + Text.percent(e.share() * 100)
                        + " of sky and ground."));
      }
    }
  }
}
