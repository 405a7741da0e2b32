package yentra.core.thermal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;

/**
 * Transmission heat loss of conditioned spaces (ISO 13789:2017, from memory): to outdoor air,
 * through the ground (ISO 13370), and through spaces that are not conditioned, by their adjustment
 * factors, which follow from the network of all such spaces. Areas are those of the surfaces;
 * linear thermal bridges are not counted.
 */
public final class HeatLoss {
  /** Shares of an area that differ by less are one. */
  private static final double SAME = 1e-9;

  private final List<Share> parts = new ArrayList<>();
  private final Map<String, Double> uValues = new HashMap<>();
  private final List<String> assumptions = new ArrayList<>();

  /** What lies on the other side of a part. */
  public enum Beyond {
    OUTDOOR,
    GROUND,
    UNCONDITIONED,
    CONDITIONED
  }

  /**
   * A surface without its openings, or an opening, seen from one space.
   *
   * @param key of the surface or opening
   * @param glazed whether light comes in
   * @param area m²
   * @param uValue W/(m²K), or null when not known
   * @param factor adjustment for what lies beyond, 0 to 1
   */
  public record Share(
      String key,
      Surface surface,
      String space,
      Beyond beyond,
      boolean glazed,
      double area,
      Double uValue,
      double factor) {
    /** W/K; 0 when the U-value is not known. */
    public double heatLoss() {
      return uValue == null ? 0 : area * uValue * factor;
    }
  }

  /**
   * Sums of parts.
   *
   * @param area m² by what lies beyond
   * @param heatLoss W/K by what lies beyond
   * @param wallArea m² of upright outdoor surfaces with their openings
   * @param glazedArea m² of glass in them
   * @param unknownArea m² without a U-value
   */
  public record Sum(
      Map<Beyond, Double> area,
      Map<Beyond, Double> heatLoss,
      double wallArea,
      double glazedArea,
      double unknownArea) {
    /** W/K. */
    public double total() {
      return heatLoss.values().stream().mapToDouble(v -> v).sum();
    }

    /** Mean U-value of what loses heat, W/(m²K); NaN for nothing. */
    public double meanUValue() {
      double all =
          area.entrySet().stream()
              .filter(a -> a.getKey() != Beyond.CONDITIONED)
              .mapToDouble(Map.Entry::getValue)
              .sum();
      double known = all - unknownArea;
      // sums of the same areas in another order differ in the last digits
      return known > SAME * all ? total() / known : Double.NaN;
    }
  }

  private HeatLoss() {}

  public List<Share> parts() {
    return List.copyOf(parts);
  }

  public List<String> assumptions() {
    return List.copyOf(assumptions);
  }

  /** The U-value that counts for a surface or opening, W/(m²K); empty when it is not known. */
  public OptionalDouble uValue(String key) {
    Double u = uValues.get(key);
    return u == null ? OptionalDouble.empty() : OptionalDouble.of(u);
  }

  /**
   * @param options what no model says
   * @param tilt of a surface's face turned out of its first space, degrees
   * @param volume of a space, m³
   * @param conditioned whether a space is heated or cooled
   * @param counts whether a space counts at all: those that only group others do not
   */
  public static HeatLoss of(
      Envelope e,
      HeatLossOptions options,
      ToDoubleFunction<Surface> tilt,
      ToDoubleFunction<Space> volume,
      Predicate<Space> conditioned,
      Predicate<Space> counts) {
    HeatLoss h = new HeatLoss();
    UValueBreakdown.Table table = new UValueBreakdown.Table(e);
    GroundContact ground = GroundContact.of(e, table, options);
    Map<String, Glazing> glazings = new HashMap<>();
    e.glazings().forEach(g -> glazings.put(g.key(), g));
    Map<String, Space> spaces = new HashMap<>();
    e.spaces().stream().filter(counts).forEach(s -> spaces.put(s.key(), s));
    boolean sloped = false;
    for (Surface s : e.surfaces()) {
      UValueBreakdown.Position at = UValueBreakdown.Position.of(e, s, tilt.applyAsDouble(s));
      OptionalDouble u = s.exposure() == Exposure.GROUND ? ground.uValue(s) : ground.suspended(s);
      if (u.isEmpty() && s.exposure() != Exposure.GROUND) {
        u = table.uValue(s.construction(), at);
      }
      u.ifPresent(v -> h.uValues.put(s.key(), v));
      for (Opening o : s.openings()) {
        Glazing g = glazings.get(o.glazing());
        OptionalDouble ou =
            g != null && g.uValue() != null
                ? OptionalDouble.of(g.uValue())
                : table.uValue(o.construction(), at);
        ou.ifPresent(v -> h.uValues.put(o.key(), v));
        sloped |= g != null && g.uValue() != null && at.flow() == HeatFlow.UP;
      }
    }
    UnconditionedSpaces cool = h.unconditioned(e, spaces, volume, conditioned, options);
    Map<String, Double> factors = cool.adjustments();
    for (Surface s : e.surfaces()) {
      h.add(s, spaces, conditioned, factors);
    }
    h.assumptions.addAll(ground.assumptions());
    if (!factors.isEmpty()) {
      h.assumptions.add(
          String.format(
              Locale.ROOT,
              "Spaces that are not conditioned exchange air with outdoors, %s times an hour, and heat with each other (ISO 13789).",
              plain(options.airChanges())));
    }
    if (e.surfaces().stream().anyMatch(s -> s.exposure() == Exposure.GROUND)) {
      h.assumptions.add(
          String.format(
              Locale.ROOT,
              "The ground is %s: %.1f W/mK (ISO 13370).",
              options.ground().label(),
              options.ground().conductivity()));
    }
    if (sloped) {
      h.assumptions.add(
          "Windows in roofs count with the U-value of their window type, which is commonly that of upright glass.");
    }
    return h;
  }

  private static String plain(double v) {
    return v == Math.rint(v) ? Long.toString((long) v) : Double.toString(v);
  }

  private UnconditionedSpaces unconditioned(
      Envelope e,
      Map<String, Space> spaces,
      ToDoubleFunction<Space> volume,
      Predicate<Space> conditioned,
      HeatLossOptions options) {
    UnconditionedSpaces cool = new UnconditionedSpaces();
    for (Space s : e.spaces()) {
      if (spaces.containsKey(s.key()) && !conditioned.test(s)) {
        cool.add(s.key());
        cool.outside(
            s.key(),
            UnconditionedSpaces.ventilation(options.airChanges(), volume.applyAsDouble(s)));
      }
    }
    for (Surface s : e.surfaces()) {
      double ua = s.netArea() * uValues.getOrDefault(s.key(), 0.0);
      for (Opening o : s.openings()) {
        ua += o.polygon().area() * uValues.getOrDefault(o.key(), 0.0);
      }
      boolean out = s.exposure() == Exposure.OUTDOOR || s.exposure() == Exposure.GROUND;
      String a = s.sides().isEmpty() ? "" : s.sides().get(0).space();
      String b = s.sides().size() == 2 && !out ? s.sides().get(1).space() : "";
      if (cool.contains(a) && cool.contains(b)) {
        cool.between(a, b, ua);
      } else if (cool.contains(a) && spaces.containsKey(b)) {
        cool.inside(a, ua);
      } else if (cool.contains(b) && spaces.containsKey(a)) {
        cool.inside(b, ua);
      } else if (cool.contains(a) && out) {
        cool.outside(a, ua);
      }
    }
    return cool;
  }

  private void add(
      Surface s,
      Map<String, Space> spaces,
      Predicate<Space> conditioned,
      Map<String, Double> factors) {
    for (int i = 0; i < s.sides().size(); i++) {
      Space own = spaces.get(s.sides().get(i).space());
      if (own == null || !conditioned.test(own)) {
        continue;
      }
      Beyond beyond;
      double factor = 1;
      switch (s.exposure()) {
        case OUTDOOR -> beyond = Beyond.OUTDOOR;
        case GROUND -> beyond = Beyond.GROUND;
        case SPACE -> {
          String other = s.sides().size() == 2 ? s.sides().get(1 - i).space() : "";
          Double b = factors.get(other);
          beyond = b == null ? Beyond.CONDITIONED : Beyond.UNCONDITIONED;
          factor = b == null ? 0 : b;
        }
        default -> {
          continue;
        }
      }
      parts.add(
          new Share(
              s.key(), s, own.key(), beyond, false, s.netArea(), uValues.get(s.key()), factor));
      for (Opening o : s.openings()) {
        parts.add(
            new Share(
                o.key(),
                s,
                own.key(),
                beyond,
                o.type().isGlazed(),
                o.polygon().area(),
                uValues.get(o.key()),
                factor));
      }
    }
  }

  /**
   * Sums by a group of the parts, in the order of its first part.
   *
   * @param group null leaves a part out
   * @param upright whether a surface counts as a wall
   */
  public Map<String, Sum> by(Function<Share, String> group, Predicate<Surface> upright) {
    Map<String, List<Share>> lists = new LinkedHashMap<>();
    for (Share p : parts) {
      String g = group.apply(p);
      if (g != null) {
        lists.computeIfAbsent(g, k -> new ArrayList<>()).add(p);
      }
    }
    Map<String, Sum> out = new LinkedHashMap<>();
    lists.forEach((k, list) -> out.put(k, sum(list, upright)));
    return out;
  }

  /** Of everything. */
  public Sum total(Predicate<Surface> upright) {
    return sum(parts, upright);
  }

  private static Sum sum(List<Share> list, Predicate<Surface> upright) {
    Map<Beyond, Double> area = new java.util.EnumMap<>(Beyond.class);
    Map<Beyond, Double> loss = new java.util.EnumMap<>(Beyond.class);
    double wall = 0;
    double glass = 0;
    double unknown = 0;
    for (Share p : list) {
      area.merge(p.beyond, p.area, Double::sum);
      loss.merge(p.beyond, p.heatLoss(), Double::sum);
      boolean outdoorWall = p.beyond == Beyond.OUTDOOR && upright.test(p.surface);
      wall += outdoorWall ? p.area : 0;
      glass += outdoorWall && p.glazed ? p.area : 0;
      unknown += p.uValue == null && p.beyond != Beyond.CONDITIONED ? p.area : 0;
    }
    return new Sum(area, loss, wall, glass, unknown);
  }
}
