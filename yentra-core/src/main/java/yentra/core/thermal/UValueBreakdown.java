package yentra.core.thermal;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Material;
import yentra.core.envelope.Surface;

/**
 * How a U-value comes about: every resistance with its clause, from outside to inside (ISO
 * 6946:2017; clauses from memory).
 *
 * @param steps from outside to inside
 * @param resistance total, m²K/W, or null when a layer's is not known
 * @param uValue by the layers, W/(m²K), or null
 * @param upper limit of the total resistance of a component with materials side by side, or null
 * @param lower limit, or null
 * @param assumptions what was taken because it is not stated
 */
public record UValueBreakdown(
    List<Step> steps,
    Double resistance,
    Double uValue,
    Double upper,
    Double lower,
    List<String> assumptions) {

  /**
   * One resistance.
   *
   * @param thickness m, or null
   * @param conductivity W/(mK), or null
   * @param share of the layer, 0 to 1
   * @param resistance m²K/W, or null when not known
   * @param clause of the standard
   */
  public record Step(
      String what,
      Double thickness,
      Double conductivity,
      double share,
      Double resistance,
      String clause) {}

  private static final String FILM = "ISO 6946, 6.8";
  private static final String LAYER = "ISO 6946, 6.7.1";
  private static final String BRIDGED = "ISO 6946, 6.7.2";
  private static final String AIR = "ISO 6946, 6.9.2";

  public UValueBreakdown {
    steps = List.copyOf(steps);
    assumptions = List.copyOf(assumptions);
  }

  /** Where a component stands: what is outside, and the tilt of its outer face in degrees. */
  public record Position(Exposure exposure, double tilt) {
    public static Position of(Surface s, double tilt) {
      return new Position(s.exposure(), tilt);
    }

    /** "A wall to outdoor air" stands for a construction that nothing uses. */
    public static final Position WALL = new Position(Exposure.OUTDOOR, 90);

    SurfaceResistances air() {
      return switch (exposure) {
        case OUTDOOR, SHADE -> SurfaceResistances.outdoor(tilt);
        case GROUND -> SurfaceResistances.ground(tilt);
        default -> SurfaceResistances.indoor(tilt);
      };
    }

    HeatFlow flow() {
      return HeatFlow.out(tilt);
    }
  }

  /** Of a construction's layers in a place. */
  public static UValueBreakdown of(BuildUp b, Position at) {
    SurfaceResistances air = at.air();
    List<String> assumed = new ArrayList<>();
    BuildUp known = withAirLayers(b, at.flow(), assumed);
    List<Step> steps = new ArrayList<>();
    if (at.exposure != Exposure.GROUND) {
      boolean out = at.exposure == Exposure.OUTDOOR;
      steps.add(
          new Step(
              out ? "Air outside (Rse)" : "Air on the other side (Rsi)",
              null,
              null,
              1,
              air.outside(),
              FILM));
    }
    for (int i = 0; i < known.layers().size(); i++) {
      List<BuildUp.Part> layer = known.layers().get(i);
      for (int k = 0; k < layer.size(); k++) {
        Material m = layer.get(k).material();
        boolean cavity = isAirLayer(b.layers().get(i).get(k).material());
        OptionalDouble r = BuildUp.resistance(m);
        steps.add(
            new Step(
                m.label(),
                m.thickness(),
                m.conductivity(),
                layer.get(k).share(),
                r.isPresent() ? (Double) r.getAsDouble() : null,
                cavity ? AIR : layer.size() > 1 ? BRIDGED : LAYER));
      }
    }
    steps.add(
        new Step(
            "Air inside (Rsi), heat flows " + at.flow().label(),
            null,
            null,
            1,
            air.inside(),
            FILM));
    Optional<BridgedComponent> bridged = known.isBridged() ? known.bridged(air) : Optional.empty();
    if (bridged.isPresent() && !bridged.get().holds()) {
      assumed.add(
          String.format(
              Locale.ROOT,
              "Upper and lower limit are more than %.1f apart: the method of ISO 6946 does not hold for this component.",
              BridgedComponent.MOST_APART));
    }
    if (at.exposure == Exposure.GROUND) {
      assumed.add("Of the component alone; the ground adds to it (ISO 13370).");
    }
    OptionalDouble u = known.uValue(air);
    return new UValueBreakdown(
        steps,
        u.isPresent() ? (Double) (1 / u.getAsDouble()) : null,
        u.isPresent() ? (Double) u.getAsDouble() : null,
        bridged.map(BridgedComponent::upper).orElse(null),
        bridged.map(BridgedComponent::lower).orElse(null),
        assumed);
  }

  /** The U-value that counts: the stated one, else that of the layers; empty where neither is. */
  public static OptionalDouble uValue(Construction c, BuildUp b, Position at) {
    if (c.uValue() != null) {
      return OptionalDouble.of(c.uValue());
    }
    return b == null
        ? OptionalDouble.empty()
        : withAirLayers(b, at.flow(), new ArrayList<>()).uValue(at.air());
  }

  /** U-values by construction of an envelope, each worked out once for each place. */
  public static final class Table {
    private final Map<String, BuildUp> buildUps;
    private final Map<String, Construction> constructions = new java.util.HashMap<>();
    private final Map<String, OptionalDouble> known = new java.util.HashMap<>();

    public Table(yentra.core.envelope.Envelope e) {
      buildUps = BuildUp.all(e);
      e.constructions().forEach(c -> constructions.put(c.key(), c));
    }

    /** W/(m²K); empty without a construction, or with one that is not complete. */
    public OptionalDouble uValue(String construction, Position at) {
      Construction c = constructions.get(construction);
      return c == null
          ? OptionalDouble.empty()
          : known.computeIfAbsent(
              construction + " " + at.exposure + " " + at.flow(),
              k -> UValueBreakdown.uValue(c, buildUps.get(construction), at));
    }

    public BuildUp buildUp(String construction) {
      return buildUps.get(construction);
    }
  }

  /** Air layers without a resistance get that of ISO 6946 for their thickness and direction. */
  static BuildUp withAirLayers(BuildUp b, HeatFlow flow, List<String> assumed) {
    return new BuildUp(
        b.layers().stream()
            .map(
                l ->
                    l.stream()
                        .map(p -> new BuildUp.Part(filled(p.material(), flow, assumed), p.share()))
                        .toList())
            .toList(),
        b.complete());
  }

  private static Material filled(Material m, HeatFlow flow, List<String> assumed) {
    if (!isAirLayer(m)) {
      return m;
    }
    assumed.add(m.label() + ": taken for an air layer that is not ventilated.");
    return new Material(
        m.key(),
        m.name(),
        m.thickness(),
        null,
        m.density(),
        m.specificHeat(),
        AirLayer.unventilated(m.thickness(), flow),
        m.source(),
        m.extras());
  }

  /** Whether a material is called air or a cavity and has neither conductivity nor resistance. */
  public static boolean isAirLayer(Material m) {
    return m.conductivity() == null
        && m.resistance() == null
        && m.thickness() != null
        && m.thickness() > 0
        && m.thickness() <= AirLayer.THICKEST
        && m.name().toLowerCase(Locale.ROOT).matches(".*\\b(air|cavity|air ?gap|void)\\b.*");
  }
}
