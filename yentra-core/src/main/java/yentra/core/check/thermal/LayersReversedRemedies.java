package yentra.core.check.thermal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Material;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.repair.construction.ReverseLayers;
import yentra.core.thermal.BuildUp;

/** Its layers are turned, or its surfaces get the twin whose layers are right. */
final class LayersReversedRemedies {
  private LayersReversedRemedies() {}

  static void of(Offer o) {
    String construction = o.first();
    o.add("List its layers the other way round", new ReverseLayers(construction));
    // the twin is what the message compares it with: the same materials in the right order
    Map<String, BuildUp> all = BuildUp.all(o.envelope());
    BuildUp b = all.get(construction);
    List<Material> turned = new ArrayList<>(b == null ? List.of() : b.materials());
    Collections.reverse(turned);
    for (Construction c : o.envelope().constructions()) {
      if (!c.key().equals(construction)
          && !turned.isEmpty()
          && all.get(c.key()).materials().equals(turned)) {
        o.add(
            "Give them " + c.label(),
            new GiveConstruction(Users.of(o), ConstructionSpec.existing(c.key())));
      }
    }
  }
}
