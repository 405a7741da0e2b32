package yentra.core.check.adjacency;

import yentra.core.check.rule.Beyond;
import yentra.core.check.rule.MatchRemedies;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Delivered;

/** A partner for a surface that has none, or what it is without one. */
final class InteriorWithoutPairRemedies {
  private InteriorWithoutPairRemedies() {}

  static void of(Offer o) {
    o.surface()
        .ifPresent(
            s -> {
              MatchRemedies.partner(o, s);
              // where the delivery itself says that the inside of the building lies behind, outdoor
              // air would be a wrong answer
              if (!o.envelope().delivered().format().equals(Delivered.IFC)) {
                o.retype(
                    s,
                    o.types().exterior(o.outward(s), o.ground()),
                    Beyond.isFree(o.context(), o.outward(s), s.sides().get(0).space()));
              }
              o.makeAdiabatic(s);
            });
  }
}
