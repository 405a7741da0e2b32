package yentra.server.estimate;

import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import yentra.core.envelope.Site;
import yentra.core.estimate.hourly.Sunlight;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;
import yentra.core.solar.SunPosition;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.web.Problem;

/** What is said of a delivery's place and edges: climate, sun, linear thermal bridges. */
@Service
public class SiteAnswers {
  private final DeliveryStore store;
  private final DeliveryStates states;
  private final WeatherFiles weather;

  SiteAnswers(DeliveryStore store, DeliveryStates states, WeatherFiles weather) {
    this.store = store;
    this.states = states;
    this.weather = weather;
  }

  /** The climate that a delivery is estimated with, if one is chosen. */
  public Optional<ClimateViews.ClimateView> climate(UUID delivery) {
    return weather
        .of(store.get(delivery).getProjectId())
        .map(
            w ->
                ClimateViews.climate(w, weather.year(w), states.state(delivery).envelope().site()));
  }

  /**
   * Sun on the openings of a delivery.
   *
   * @param hour of the day that begins then, 0 to 23
   */
  EstimateViews.SunlightView sunlight(UUID delivery, LocalDate day, int hour) {
    DeliveryStates.State s = states.state(delivery);
    Site site = s.envelope().site();
    if (site.latitude() == null || site.longitude() == null) {
      throw Problem.notApplicable("The site has no latitude or longitude. Say where it is.");
    }
    Double zone =
        weather
            .of(store.get(delivery).getProjectId())
            .map(w -> weather.year(w).station().timeZone())
            .orElse(null);
    Sunlight l = Sunlight.of(s.context(), day, zone);
    SunPosition sun = l.suns().get(hour);
    return new EstimateViews.SunlightView(
        sun.altitude(),
        sun.azimuth(),
        l.openings().stream()
            .map(o -> new EstimateViews.SunView(o.key(), o.hours(), o.shares().get(hour)))
            .toList());
  }

  /** Linear thermal bridges of the newest state, with ψ for how the envelope is drawn. */
  public EstimateViews.JunctionsView junctions(UUID delivery) {
    DeliveryStates.State s = states.state(delivery);
    RunSettings settings = weather.settings(store.get(delivery).getProjectId());
    return EstimateAnswers.junctions(
        s.context(), new PsiValues(Junctions.dimensions(s.envelope()), settings.stated()));
  }
}
