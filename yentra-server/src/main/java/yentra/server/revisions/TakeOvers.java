package yentra.server.revisions;

import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import yentra.core.geometry.Vec3;
import yentra.core.repair.Repair;
import yentra.core.revision.TakeOver;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;

/**
 * What was said of the building that a project drew, for the model that came after it. What is
 * taken is a repair like any other.
 */
@Service
public class TakeOvers {
  private final DeliveryStore store;
  private final DeliveryStates states;

  TakeOvers(DeliveryStore store, DeliveryStates states) {
    this.store = store;
    this.states = states;
  }

  RevisionViews.TakeOverView of(UUID id) {
    DeliveryRecord d = store.get(id);
    DeliveryRecord drawn = store.drawn(d).orElse(null);
    // a drawing is drawn on, not taken over
    if (drawn == null || d.getFormat().equals("plan")) {
      return RevisionViews.TakeOverView.NONE;
    }
    TakeOver t =
        TakeOver.of(
            states.state(drawn.getId()).envelope(),
            states.state(id).envelope(),
            drawn.getFileName());
    Vec3 m = t.moved();
    return new RevisionViews.TakeOverView(
        drawn.getFileName(),
        m.equals(Vec3.ZERO) ? null : List.of(m.x(), m.y(), m.z()),
        t.pairs(),
        t.left(),
        t.come(),
        t.types(),
        Stream.ofNullable(t.uses()).<Repair>map(r -> r).toList(),
        Stream.ofNullable(t.zones()).<Repair>map(r -> r).toList(),
        t.constructions());
  }
}
