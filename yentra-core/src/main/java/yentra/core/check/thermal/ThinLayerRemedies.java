package yentra.core.check.thermal;

import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Offer;
import yentra.core.repair.construction.MakeMassless;
import yentra.core.repair.construction.MergeThinLayer;
import yentra.core.thermal.BuildUp;

/** A thin layer goes into its neighbour, or all layers into one without mass. */
final class ThinLayerRemedies {
  private ThinLayerRemedies() {}

  static void of(Offer o) {
    String key = o.first();
    if (o.envelope().material(key).isPresent()) {
      o.add("Merge it into its neighbour, keeping resistance", new MergeThinLayer(key));
      return;
    }
    BuildUp b = BuildUp.all(o.envelope()).get(key);
    if (b != null && b.resistance().isPresent()) {
      o.add(
          "Replace its layers by one without mass, of the same resistance", new MakeMassless(key));
    }
    ConstructionChoice.replace(o, key);
  }
}
