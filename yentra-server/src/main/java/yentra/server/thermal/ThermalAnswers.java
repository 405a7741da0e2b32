package yentra.server.thermal;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.UUID;
import org.springframework.stereotype.Service;
import yentra.core.check.measure.CheckContext;
import yentra.core.intake.ProjectSettings;
import yentra.core.library.Library;
import yentra.server.deliveries.DeliveryStates;

/** Thermal properties of states, worked out once for all who look at one. */
@Service
public class ThermalAnswers {
  private final DeliveryStates states;
  private final Libraries libraries;

  /** As long as its state is kept. */
  private final Cache<CheckContext, Known> known = Caffeine.newBuilder().weakKeys().build();

  ThermalAnswers(DeliveryStates states, Libraries libraries) {
    this.states = states;
    this.libraries = libraries;
  }

  private record Known(Library library, ProjectSettings settings, ThermalViews.ThermalView view) {}

  public ThermalViews.ThermalView of(UUID delivery) {
    DeliveryStates.State s = states.state(delivery);
    Library library = libraries.known(delivery);
    return known
        .asMap()
        .compute(
            s.context(),
            (c, k) ->
                k != null && k.library.equals(library) && k.settings.equals(s.settings())
                    ? k
                    : new Known(library, s.settings(), ThermalViews.of(c, library, s.settings())))
        .view;
  }
}
