package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.SpaceOverlaps;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;

/**
 * SPC-404: two spaces overlap. The volume of their common solid; spaces that are groupings
 * (SPC-411) are left out, since they overlap with all they contain.
 */
@AutoService(Check.class)
public final class OverlappingSpaces implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SPC-404",
              Severity.ERROR,
              "two spaces overlap",
              "The volume of their common solid; spaces that are groupings (SPC-411) are left out, since they overlap with all they contain.",
              "Air is counted twice, and surfaces between the two do not match.",
              List.of(new Limit("volume", "m³", 0.01, 0.0001, 10)))
          .following(Cause.WRONG_UNIT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    OverlappingSpacesRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "volume");
    Set<String> groupings = context.groupings().keySet();
    for (SpaceOverlaps.Overlap o : context.overlaps().all()) {
      String a = o.a().space().key();
      String b = o.b().space().key();
      if (o.volume() > limit && !groupings.contains(a) && !groupings.contains(b)) {
        report.accept(
            context
                .finding(DESCRIPTOR, a, b)
                .measured(o.volume(), limit, "m³")
                .evidence(Evidence.areas(o.solid()))
                .says(
                    String.format(
                        Locale.ROOT,
                        "%s and %s share %.2f m³.",
                        o.a().space().label(),
                        o.b().space().label(),
                        o.volume())));
      }
    }
  }
}
