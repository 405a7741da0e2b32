package yentra.core.check.thermal;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.library.Library;
import yentra.core.library.Library.LibraryGlazing;
import yentra.core.repair.construction.AmendGlazing;
import yentra.core.repair.construction.GiveGlazing;
import yentra.core.repair.construction.GlazingSpec;

/** What a window type lacks, or a window type for an opening without one. */
final class GlazingMissingRemedies {
  private static final String USUAL = "Double low-e, argon 16 mm, wood or PVC frame";

  private GlazingMissingRemedies() {}

  static void of(Offer o) {
    Optional<Glazing> g = o.envelope().glazing(o.first());
    if (g.isPresent()) {
      complete(o, g.get());
    } else {
      give(o);
    }
  }

  private static void complete(Offer o, Glazing g) {
    LibraryGlazing x = ConstructionChoice.nearest(g);
    o.add(
        "Take what it lacks from " + x.name(),
        new AmendGlazing(
            g.key(),
            g.uValue() == null ? x.uValue() : null,
            g.solarHeatGain() == null ? x.solarHeatGain() : null,
            g.visibleTransmittance() == null ? x.visibleTransmittance() : null,
            x.name()));
  }

  private static void give(Offer o) {
    Envelope e = o.envelope();
    Map<String, Double> areas = new TreeMap<>();
    for (Surface s : e.surfaces()) {
      for (Opening x : s.openings()) {
        if (x.glazing() != null && e.glazing(x.glazing()).isPresent()) {
          areas.merge(x.glazing(), x.polygon().area(), Double::sum);
        }
      }
    }
    areas.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(a -> GlazingSpec.existing(a.getKey()))
        .ifPresent(
            spec ->
                o.add(
                    "Give it the window type " + spec.label(e),
                    new GiveGlazing(List.of(o.first()), spec)));
    LibraryGlazing usual = Library.shipped().glazing(USUAL).orElseThrow();
    o.add(
        "Give it from the library: " + usual.name(),
        new GiveGlazing(List.of(o.first()), GlazingSpec.of(usual)));
  }
}
