package yentra.core.thermal;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;

/**
 * U of a component with what its layers do not say (ISO 6946:2017, 6.9, annexes D, E and F; from
 * memory): the air layer's openings to the outside, bright or close faces; a taper on top; gaps in
 * the insulation, fasteners through it, rain under it. The insulation is the layer with the
 * greatest resistance; the air layer is the outermost one that is called so.
 *
 * @param layers U by the layers alone, W/(m²K)
 * @param airLayer U with the air layer as it is
 * @param tapered U with the taper too
 * @param gaps ΔU for gaps in the insulation, W/(m²K)
 * @param fasteners ΔU for fasteners, W/(m²K)
 * @param rain ΔU for rain under the insulation, W/(m²K)
 */
public record CorrectedUValue(
    double layers, double airLayer, double tapered, double gaps, double fasteners, double rain) {
  /** Mean temperature of air layers that the table of ISO 6946 holds for, °C. */
  private static final double MEAN = 10;

  /**
   * What is corrected for; null for none.
   *
   * @param openings of the air layer, mm² per m of length of upright layers, per m² of level ones
   * @param faces of the air layer
   * @param taper a layer of varying thickness that the construction does not list
   * @param gaps in the insulation
   * @param fasteners through the insulation
   * @param rain between insulation and waterproofing of an inverted roof
   */
  public record Causes(
      Double openings,
      AirFaces faces,
      Taper taper,
      UValueCorrection.AirGaps gaps,
      Fasteners fasteners,
      Rain rain) {
    public static final Causes NONE = new Causes(null, null, null, null, null, null);

    public boolean nothing() {
      return openings == null
          && faces == null
          && taper == null
          && (gaps == null || gaps == UValueCorrection.AirGaps.NONE)
          && (fasteners == null || fasteners.number == 0)
          && (rain == null || rain.rain == 0);
    }
  }

  /**
   * Faces of an air layer that is not an ordinary one.
   *
   * @param outer emissivity, 0 to 1
   * @param inner emissivity
   * @param width between battens that divide it, m; null for one that is not divided
   */
  public record AirFaces(double outer, double inner, Double width) {}

  /**
   * A tapered layer.
   *
   * @param thickness at its thickest, m; it begins at nothing
   * @param conductivity W/(mK)
   */
  public record Taper(TaperedLayer shape, double thickness, double conductivity) {}

  /**
   * Metal fasteners through the insulation.
   *
   * @param number 1/m²
   * @param area of the section of one, m²
   * @param conductivity W/(mK)
   * @param depth how far they go into the insulation, m; null for all through
   */
  public record Fasteners(double number, double area, double conductivity, Double depth) {}

  /**
   * Rain that runs between insulation and waterproofing.
   *
   * @param rain mean in the heating season, mm/day
   * @param drained product of drainage factor and loss factor, W·day/(m²K·mm); 0.04 for
   *     butt-jointed boards in one layer under gravel
   */
  public record Rain(double rain, double drained) {}

  /** U with all corrections. */
  public double uValue() {
    return tapered + added();
  }

  /** Gaps, fasteners and rain together, W/(m²K). */
  public double added() {
    return gaps + fasteners + rain;
  }

  /** Whether gaps, fasteners and rain together may be left out: below 3 % of U. */
  public boolean negligible() {
    return added() / tapered < UValueCorrection.NEGLIGIBLE;
  }

  /** Why the causes cannot be reckoned with on these layers, as a sentence; null when they can. */
  public static String problem(BuildUp b, Causes c) {
    if (b.resistance().isEmpty() && b.materials().stream().noneMatch(UValueBreakdown::isAirLayer)) {
      return "The layers do not say its resistance.";
    }
    if (c.openings != null && !(c.openings >= 0 && c.openings <= 1e6)) {
      return "Openings lie between 0 and 1,000,000 mm².";
    }
    String faces = c.faces == null ? null : faces(b, c.faces);
    if (faces != null) {
      return faces;
    }
    if ((c.openings != null || c.faces != null) && airLayer(b) < 0) {
      return "None of its layers is an air layer.";
    }
    Taper t = c.taper;
    if (t != null
        && !(t.shape != null && within(t.thickness, 0, 2) && within(t.conductivity, 0.005, 400))) {
      return "A taper is up to 2 m thick and conducts 0.005 to 400 W/mK.";
    }
    if (c.rain != null && !(within(c.rain.rain, 0, 50) && within(c.rain.drained, 0, 0.1))) {
      return "Rain lies between 0 and 50 mm/day, the product of the factors between 0 and 0.1.";
    }
    return c.fasteners == null ? null : fasteners(b, c.fasteners);
  }

  private static String faces(BuildUp b, AirFaces f) {
    boolean odd =
        !within(f.outer, 0.01, 1)
            || !within(f.inner, 0.01, 1)
            || f.width != null && !within(f.width, 0.005, 100);
    if (odd) {
      return "Emissivities lie between 0.01 and 1, the width between battens between 5 mm and 100 m.";
    }
    int i = airLayer(b);
    Double thickness = i < 0 ? null : b.layers().get(i).get(0).material().thickness();
    return i >= 0 && (thickness == null || thickness <= 0)
        ? "The thickness of its air layer is not stated."
        : null;
  }

  private static String fasteners(BuildUp b, Fasteners f) {
    boolean odd =
        !within(f.number, 0, 1000)
            || !(f.area > 0 && f.area <= 0.01)
            || !(f.conductivity > 0 && f.conductivity <= 1000);
    if (odd) {
      return "There are up to 1000 fasteners per m², each up to 100 cm², with up to 1000 W/mK.";
    }
    Double thickness = insulation(b).thickness();
    if (thickness == null) {
      return "The thickness of its insulation is not stated.";
    }
    return f.depth != null && !(f.depth > 0 && f.depth <= thickness)
        ? "Fasteners go into the insulation, at most through all of it."
        : null;
  }

  private static boolean within(double v, double least, double most) {
    return v >= least && v <= most;
  }

  private static int airLayer(BuildUp b) {
    for (int i = 0; i < b.layers().size(); i++) {
      List<BuildUp.Constituent> l = b.layers().get(i);
      Material m = l.get(0).material();
      if (l.size() == 1 && AirLayer.isCalledSo(m.name())) {
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
    SurfaceResistances air = at.air();
    double plain = known(UValueBreakdown.withAirLayers(b, at).uValue(air));
    BuildUp layers =
        UValueBreakdown.withAirLayers(c.faces == null ? b : withFaces(b, at, c.faces), at);
    double airLayer = known(layers.uValue(air));
    if (c.openings != null) {
      int i = airLayer(b);
      BuildUp inner = new BuildUp(layers.layers().subList(i + 1, layers.layers().size()), true);
      OptionalDouble open = inner.uValue(new SurfaceResistances(air.inside(), air.inside()));
      double r = open.isEmpty() ? 2 * air.inside() : 1 / open.getAsDouble();
      airLayer = 1 / AirLayer.ventilated(c.openings, 1 / airLayer, r);
    }
    double tapered =
        c.taper == null
            ? airLayer
            : c.taper.shape.uValue(1 / airLayer, c.taper.thickness / c.taper.conductivity);
    Material insulation = insulation(layers);
    double r = BuildUp.resistance(insulation).orElse(0);
    double total = 1 / tapered;
    return new CorrectedUValue(
        plain,
        airLayer,
        tapered,
        c.gaps == null ? 0 : UValueCorrection.airGaps(c.gaps, r, total),
        c.fasteners == null ? 0 : through(c.fasteners, insulation, r, total),
        c.rain == null ? 0 : UValueCorrection.invertedRoof(c.rain.rain, c.rain.drained, r, total));
  }

  private static double through(Fasteners f, Material insulation, double r, double total) {
    double thickness = insulation.thickness();
    double depth = f.depth == null ? thickness : f.depth;
    return UValueCorrection.fasteners(
        f.conductivity, f.area, f.number, thickness, depth, r * depth / thickness, total);
  }

  private static double known(OptionalDouble u) {
    if (u.isEmpty()) {
      throw new IllegalArgumentException("The layers do not say its resistance.");
    }
    return u.getAsDouble();
  }

  private static BuildUp withFaces(BuildUp b, UValueBreakdown.Position at, AirFaces f) {
    int i = airLayer(b);
    Material m = b.layers().get(i).get(0).material();
    double r =
        f.width == null
            ? AirLayer.of(m.thickness(), at.flow(), f.outer, f.inner, MEAN)
            : AirLayer.divided(m.thickness(), f.width, at.flow(), f.outer, f.inner, MEAN);
    List<List<BuildUp.Constituent>> layers = new ArrayList<>(b.layers());
    Material made =
        new Material(
            m.key(), m.name(), m.thickness(), null, null, null, r, SourceRef.REPAIR, Extras.NONE);
    layers.set(i, List.of(new BuildUp.Constituent(made, 1)));
    return new BuildUp(layers, b.complete());
  }
}
