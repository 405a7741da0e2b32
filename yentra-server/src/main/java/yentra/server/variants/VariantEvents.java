package yentra.server.variants;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.web.Listeners;

/** Tells pages that runs of a delivery's variants have come on, or that variants are others. */
@Component
class VariantEvents {
  private final VariantRuns runs;
  private final VariantStore store;
  private final DeliveryStore deliveries;
  private final Listeners<VariantViews.VariantPulse> listeners;

  VariantEvents(VariantRuns runs, VariantStore store, DeliveryStore deliveries) {
    this.runs = runs;
    this.store = store;
    this.deliveries = deliveries;
    listeners =
        new Listeners<>("variants", id -> pulses(List.of(id)).get(id), this::pulses, p -> false);
  }

  private Map<UUID, VariantViews.VariantPulse> pulses(List<UUID> ids) {
    Map<UUID, int[]> counts = runs.counts(ids);
    Map<UUID, VariantViews.VariantPulse> out = new HashMap<>();
    for (UUID id : ids) {
      int[] c = counts.getOrDefault(id, new int[2]);
      out.put(
          id,
          new VariantViews.VariantPulse(
              id, c[0], c[1], store.version(deliveries.get(id).getProjectId())));
    }
    return out;
  }

  SseEmitter listen(UUID delivery) {
    return listeners.listen(delivery);
  }

  @Scheduled(fixedDelay = 700)
  void tell() {
    listeners.tell();
  }
}
