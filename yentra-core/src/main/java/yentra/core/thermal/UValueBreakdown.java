package yentra.core.thermal;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yentra.core.envelope.Conditions;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
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

  /**
   * Where a component stands, as far as that decides the resistances of the air at its faces.
   *
   * @param exposure what is outside
   * @param tilt of the outer face, degrees
   * @param eitherWay whether the heat may flow either way, as between spaces that are both heated:
   *     the values of horizontal flow hold (ISO 6946:2017, 6.8)
   */
  public record Position(Exposure exposure, double tilt, boolean eitherWay) {
    public Position(Exposure exposure, double tilt) {
      this(exposure, tilt, false);
    }

    /**
     * Of a surface. Between two spaces heat flows from the conditioned one to the other; between
     * two of a kind it may flow either way. So it does not matter which side the polygon is drawn
     * on.
     *
     * @param e whose spaces say whether they are conditioned; those that do not say count as such
     * @param tilt of the face turned out of its first space, degrees
     */
    public static Position of(Envelope e, Surface s, double tilt) {
      boolean two = s.sides().size() == 2 && !s.isWithinOneSpace();
      if (!two || s.exposure() == Exposure.OUTDOOR || s.exposure() == Exposure.GROUND) {
        return new Position(s.exposure(), tilt);
      }
      boolean first = isConditioned(e, s.sides().get(0).space());
      boolean second = isConditioned(e, s.sides().get(1).space());
      return first == second
          ? new Position(s.exposure(), tilt, HeatFlow.out(tilt) != HeatFlow.HORIZONTAL)
          : new Position(s.exposure(), first ? tilt : 180 - tilt);
    }

    private static boolean isConditioned(Envelope e, String space) {
      return e.space(space).map(x -> Conditions.of(x.condition()) != Conditions.NONE).orElse(false);
    }

    /** "A wall to outdoor air" stands for a construction that nothing uses. */
    public static final Position WALL = new Position(Exposure.OUTDOOR, 90);

    /** Resistances of the air at both faces. */
    public SurfaceResistances air() {
      return switch (exposure) {
        case OUTDOOR, SHADE -> SurfaceResistances.outdoor(tilt);
        case GROUND -> SurfaceResistances.ground(tilt);
        default -> SurfaceResistances.indoor(eitherWay ? 90 : tilt);
      };
    }

    HeatFlow flow() {
      return eitherWay ? HeatFlow.HORIZONTAL : HeatFlow.out(tilt);
    }

    private String direction() {
      return eitherWay ? "either way" : flow().label();
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
      List<BuildUp.Constituent> layer = known.layers().get(i);
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
            "Air inside (Rsi), heat flows " + at.direction(), null, null, 1, air.inside(), FILM));
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
    return uValue(b, at);
  }

  /** By the layers, air layers filled in; empty where one is not known. */
  public static OptionalDouble uValue(BuildUp b, Position at) {
    return b == null ? OptionalDouble.empty() : withAirLayers(b, at).uValue(at.air());
  }

  /** The layers with resistances for those of air that state none. */
  public static BuildUp withAirLayers(BuildUp b, Position at) {
    return withAirLayers(b, at.flow(), new ArrayList<>());
  }

  /** U-values by construction of an envelope, each worked out once for each place. */
  public static final class Table {
    private final Map<String, BuildUp> buildUps;
    private final Map<String, Construction> constructions = new java.util.HashMap<>();
    private final Map<String, OptionalDouble> known = new java.util.HashMap<>();

    public Table(Envelope e) {
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
                        .map(
                            p ->
                                new BuildUp.Constituent(
                                    filled(p.material(), flow, assumed), p.share()))
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

  /** Whether a material is called an air layer and has neither conductivity nor resistance. */
  public static boolean isAirLayer(Material m) {
    return m.conductivity() == null
        && m.resistance() == null
        && m.thickness() != null
        && m.thickness() > 0
        && m.thickness() <= AirLayer.THICKEST
        && AirLayer.isCalledSo(m.name());
  }
}
