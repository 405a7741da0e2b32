package yentra.core.check.use;

import yentra.core.check.proposal.ZoneProposal;
import yentra.core.check.rule.Offer;
import yentra.core.repair.use.AmendZone;

/** The two set-points change places, or are the usual ones. */
final class SetPointsCrossedRemedies {
  private SetPointsCrossedRemedies() {}

  static void of(Offer o) {
    ZoneRemedies.zone(o)
        .ifPresent(
            z -> {
              if (z.heatingSetPoint() > z.coolingSetPoint()) {
                o.add(
                    "Exchange the two",
                    new AmendZone(z.key(), null, z.coolingSetPoint(), z.heatingSetPoint()));
              }
              o.add(
                  "Set 20 and 26 °C",
                  new AmendZone(z.key(), null, ZoneProposal.HEATING, ZoneProposal.COOLING));
            });
  }
}
