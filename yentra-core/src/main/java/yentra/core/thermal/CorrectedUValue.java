package yentra.core.thermal;

import java.util.List;
import java.util.OptionalDouble;
import yentra.core.envelope.Material;

/**
 * U of a component with what its layers do not say: openings of its air layer to the outside, gaps
 * in its insulation, fasteners through it (ISO 6946:2017, 6.9 and annex F; from memory). The
 * insulation is the layer with the greatest resistance; the air layer is the outermost one that is
 * called so.
 *
 * @param layers U by the layers alone, W/(m²K)
 * @param ventilated U with the air layer's openings
 * @param gaps ΔU for gaps in the insulation, W/(m²K)
 * @param fasteners ΔU for fasteners, W/(m²K)
 */
public record CorrectedUValue(double layers, double ventilated, double gaps, double fasteners) {
  /**
   * What is corrected for.
   *
   * @param openings of the air layer, mm² per m of length of upright layers, per m² of level ones;
   *     null when it is not ventilated
   * @param gaps in the insulation; null for none
   * @param fasteners through the insulation; null for none
   */
  public record Causes(Double openings, UValueCorrection.AirGaps gaps, Fasteners fasteners) {}

  /**
   * Metal fasteners that go all through the insulation.
   *
   * @param number 1/m²
   * @param area of the section of one, m²
   * @param conductivity W/(mK)
   */
  public record Fasteners(double number, double area, double conductivity) {}

  /** U with all corrections. */
  public double uValue() {
    return ventilated + gaps + fasteners;
  }

  /** Whether gaps and fasteners together may be left out: below 3 % of U. */
  public boolean negligible() {
    return (gaps + fasteners) / ventilated < UValueCorrection.NEGLIGIBLE;
  }

  /** Why the causes cannot be reckoned with on these layers, as a sentence; null when they can. */
  public static String problem(BuildUp b, Causes c) {
    if (b.resistance().isEmpty() && b.materials().stream().noneMatch(UValueBreakdown::isAirLayer)) {
      return "The layers do not say its resistance.";
    }
    if (c.openings != null && !(c.openings >= 0 && c.openings <= 1e6)) {
      return "Openings lie between 0 and 1,000,000 mm².";
    }
    if (c.openings != null && airLayer(b) < 0) {
      return "None of its layers is an air layer.";
    }
    Fasteners f = c.fasteners;
    boolean odd =
        f != null
            && !(f.number >= 0
                && f.number <= 1000
                && f.area > 0
                && f.area <= 0.01
                && f.conductivity > 0
                && f.conductivity <= 1000);
    if (odd) {
      return "There are up to 1000 fasteners per m², each up to 100 cm², with up to 1000 W/(mK).";
    }
    return f != null && insulation(b).thickness() == null
        ? "The thickness of its insulation is not stated."
        : null;
  }

  private static int airLayer(BuildUp b) {
    for (int i = 0; i < b.layers().size(); i++) {
      List<BuildUp.Part> l = b.layers().get(i);
      boolean named = l.get(0).material().name().toLowerCase(java.util.Locale.ROOT).contains("air");
      if (l.size() == 1 && (named || UValueBreakdown.isAirLayer(l.get(0).material()))) {
        return i;
      }
    }
    return -1;
  }

  /** The material of the greatest resistance. */
  private static Material insulation(BuildUp b) {
    Material best = b.materials().get(0);
    for (Material m : b.materials()) {
      if (BuildUp.resistance(m).orElse(0) > BuildUp.resistance(best).orElse(0)) {
        best = m;
      }
    }
    return best;
  }

  /**
   * Of layers in a place.
   *
   * @throws IllegalArgumentException with {@link #problem}, or when no U-value follows from the
   *     layers
   */
  public static CorrectedUValue of(BuildUp b, UValueBreakdown.Position at, Causes c) {
    String wrong = problem(b, c);
    if (wrong != null) {
      throw new IllegalArgumentException(wrong);
    }
    BuildUp known = UValueBreakdown.withAirLayers(b, at.flow(), new java.util.ArrayList<>());
    SurfaceResistances air = at.air();
    OptionalDouble u = known.uValue(air);
    if (u.isEmpty()) {
      throw new IllegalArgumentException("The layers do not say its resistance.");
    }
    double ventilated = u.getAsDouble();
    if (c.openings != null) {
      int i = airLayer(b);
      BuildUp inner = new BuildUp(known.layers().subList(i + 1, known.layers().size()), true);
      OptionalDouble open = inner.uValue(new SurfaceResistances(air.inside(), air.inside()));
      double r = open.isEmpty() ? 2 * air.inside() : 1 / open.getAsDouble();
      ventilated = 1 / AirLayer.ventilated(c.openings, 1 / u.getAsDouble(), r);
    }
    Material insulation = insulation(known);
    double r = BuildUp.resistance(insulation).orElse(0);
    double total = 1 / ventilated;
    Fasteners f = c.fasteners;
    return new CorrectedUValue(
        u.getAsDouble(),
        ventilated,
        c.gaps == null ? 0 : UValueCorrection.airGaps(c.gaps, r, total),
        f == null
            ? 0
            : UValueCorrection.fasteners(
                f.conductivity,
                f.area,
                f.number,
                insulation.thickness(),
                insulation.thickness(),
                r,
                total));
  }
}
