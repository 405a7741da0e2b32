package yentra.core.check.use;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yentra.core.check.proposal.ZoneProposal;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.core.repair.use.GiveZone;

/** Spaces and zones of findings, and zones for spaces without one. */
final class ZoneRemedies {
  /**
   * Spaces used and conditioned alike weigh more than those of the storey, and both than others.
   */
  private static final double ALIKE = 10;

  private static final double ANY = 0.001;

  private ZoneRemedies() {}

  static List<Space> spaces(Offer o) {
    return o.finding().objects().stream().flatMap(k -> o.envelope().space(k).stream()).toList();
  }

  static Optional<Zone> zone(Offer o) {
    return o.envelope().zones().stream()
        .filter(z -> o.finding().objects().contains(z.key()))
        .findFirst();
  }

  static void give(Offer o) {
    List<Space> spaces = spaces(o);
    if (spaces.size() > 1) {
      o.add("Zones by use and condition", ZoneProposal.byUse(o.envelope(), spaces));
    }
    if (spaces.size() == 1) {
      likeliest(o, spaces.get(0));
    }
    List<Repair> own =
        spaces.stream()
            .<Repair>map(
                s ->
                    new GiveZone(
                        List.of(s.key()),
                        null,
                        s.label(),
                        ZoneProposal.HEATING,
                        ZoneProposal.COOLING))
            .toList();
    o.add(
        spaces.size() == 1 ? "Give it a zone of its own" : "One zone for each of them",
        own.size() == 1 ? own.get(0) : new Several("Gives spaces zones", own));
  }

  /** The zone of most spaces that are used and conditioned alike, then of its storey. */
  private static void likeliest(Offer o, Space s) {
    Map<String, Double> score = new TreeMap<>();
    for (Space x : o.envelope().spaces()) {
      if (x.zone() != null
          && o.envelope().zones().stream().anyMatch(z -> z.key().equals(x.zone()))) {
        boolean alike = x.use().equals(s.use()) && x.condition().equals(s.condition());
        boolean near = s.storey() != null && s.storey().equals(x.storey());
        score.merge(x.zone(), (alike ? ALIKE : 0) + (near ? 1 : 0) + ANY, Double::sum);
      }
    }
    score.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .ifPresent(
            z ->
                o.add(
                    "Put it into the zone " + o.context().naming().object(z.getKey()),
                    new GiveZone(List.of(s.key()), z.getKey(), null, null, null)));
  }
}
