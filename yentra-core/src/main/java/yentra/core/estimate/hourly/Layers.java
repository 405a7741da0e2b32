package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import yentra.core.envelope.Material;
import yentra.core.thermal.BuildUp;

/** The layers of a construction as resistances and capacities. */
final class Layers {
  /**
   * Of a construction that does not say its mass, J/(m²K): medium (ISO 52016-1, table B.14; from
   * memory).
   */
  private static final double MEDIUM = 110_000;

  private Layers() {}

  /**
   * From outside to inside. The resistances are stretched alike so that they come to what counts;
   * layers side by side are one of their mean conductance and their whole mass.
   *
   * @param build layers of the construction, or null
   * @param resistance of all of it, m²K/W
   */
  static List<WallDynamics.Slice> of(BuildUp build, double resistance, Assumed assumed) {
    List<WallDynamics.Slice> out = new ArrayList<>();
    double sum = 0;
    boolean known = build != null && !build.layers().isEmpty();
    for (int i = 0; known && i < build.layers().size(); i++) {
      List<BuildUp.Constituent> layer = build.layers().get(i);
      OptionalDouble r = resistance(layer);
      OptionalDouble c = capacity(layer);
      known = r.isPresent() && c.isPresent();
      if (known) {
        out.add(new WallDynamics.Slice(r.getAsDouble(), c.getAsDouble()));
        sum += r.getAsDouble();
      }
    }
    if (!known || sum <= 0) {
      assumed.add(
          "Constructions that do not say the density of all their layers weigh as medium ones: 110 kJ/(m²K) (%d).");
      return List.of(new WallDynamics.Slice(resistance, MEDIUM));
    }
    double stretch = resistance / sum;
    return out.stream()
        .map(s -> new WallDynamics.Slice(s.resistance() * stretch, s.capacity()))
        .toList();
  }

  private static OptionalDouble resistance(List<BuildUp.Constituent> layer) {
    double conductance = 0;
    double shares = 0;
    for (BuildUp.Constituent p : layer) {
      OptionalDouble r = BuildUp.resistance(p.material());
      // air without a resistance gets what the standard gives it; what is left is stretched
      double known =
          r.isPresent() ? r.getAsDouble() : p.material().thickness() != null ? 0.18 : Double.NaN;
      if (!(known >= 0)) {
        return OptionalDouble.empty();
      }
      conductance += p.share() / Math.max(1e-6, known);
      shares += p.share();
    }
    return conductance > 0 ? OptionalDouble.of(shares / conductance) : OptionalDouble.empty();
  }

  private static OptionalDouble capacity(List<BuildUp.Constituent> layer) {
    double sum = 0;
    for (BuildUp.Constituent p : layer) {
      Material m = p.material();
      boolean light = m.thickness() == null && m.resistance() != null;
      boolean air = m.density() == null && yentra.core.thermal.UValueBreakdown.isAirLayer(m);
      if (light || air) {
        continue;
      }
      if (m.thickness() == null || m.density() == null || m.specificHeat() == null) {
        // a resistance alone is a layer without mass, as films of air are stated
        if (m.resistance() != null) {
          continue;
        }
        return OptionalDouble.empty();
      }
      sum += p.share() * m.thickness() * m.density() * m.specificHeat();
    }
    return OptionalDouble.of(sum);
  }
}
