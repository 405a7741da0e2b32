package yentra.core.check.use;

import java.util.List;
import yentra.core.check.proposal.ZoneProposal;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Space;

/** A zone of different uses becomes one for each. */
final class MixedZoneRemedies {
  private MixedZoneRemedies() {}

  static void of(Offer o) {
    List<Space> spaces = ZoneRemedies.spaces(o);
    ZoneRemedies.zone(o)
        .filter(z -> spaces.size() > 1)
        .ifPresent(
            z ->
                o.add(
                    "Split it by use and condition", ZoneProposal.split(o.envelope(), z, spaces)));
  }
}
