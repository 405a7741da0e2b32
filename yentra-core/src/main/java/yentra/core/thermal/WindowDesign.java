package yentra.core.thermal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * A window put together of glass, frame and edge, as a person describes it (ISO 10077-1:2017, its
 * glass by EN 673 where it is described by its panes; both from memory).
 *
 * @param width of the whole window, m
 * @param height m
 * @param frame width of the frame, seen from the front, m
 * @param mullion width of each mullion, m
 * @param lights panes that stand side by side
 * @param glass what it is glazed with
 * @param frameUValue Uf, W/(m²K)
 * @param psi of the edge between glass and frame, W/(mK)
 * @param slope how it lies; null for upright. It counts for glass described by its panes
 * @param frameAbsorption of the sun by the frame, 0 to 1; null for a frame that lets nothing in
 * @param shutter added resistance of a closed shutter with the air behind it, m²K/W; null for none
 * @param second another window behind this one; null for none
 */
public record WindowDesign(
    double width,
    double height,
    double frame,
    double mullion,
    int lights,
    Glass glass,
    double frameUValue,
    double psi,
    GlassUnit.Slope slope,
    Double frameAbsorption,
    Double shutter,
    Second second) {
  private static final int MOST_LIGHTS = 20;
  private static final double OUTSIDE = 25;

  /** Upright, without anything before or behind it. */
  public WindowDesign(
      double width,
      double height,
      double frame,
      double mullion,
      int lights,
      Glass glass,
      double frameUValue,
      double psi) {
    this(width, height, frame, mullion, lights, glass, frameUValue, psi, null, null, null, null);
  }

  /**
   * The inner one of two windows.
   *
   * @param uValue W/(m²K)
   * @param space resistance of the air between the two, m²K/W
   */
  public record Second(double uValue, double space) {}

  /**
   * What the panes do with the sun at normal incidence, for g by EN 410.
   *
   * @param transmitted by all panes
   * @param outer absorbed by the outer pane
   * @param inner absorbed by the inner pane; not looked at for a single one
   */
  public record Sun(double transmitted, double outer, double inner) {}

  /**
   * Glass by its values or by its panes.
   *
   * @param uValue Ug, W/(m²K), or null when the panes say it
   * @param panes one behind the other, 1 to 4; not looked at when the U-value is stated
   * @param thickness of each pane, m
   * @param gap width of each gap, m
   * @param gas in the gaps
   * @param filled share of the gas in the gaps, the rest is air, 0 to 1
   * @param emissivity of the coated face in each gap; 0.837 without coating
   * @param solarHeatGain g of the glass, 0 to 1; not looked at when the panes say it
   * @param visibleTransmittance of the glass, 0 to 1
   * @param sun what one or two panes do with the sun; null when g is stated
   */
  public record Glass(
      Double uValue,
      int panes,
      double thickness,
      double gap,
      GlassUnit.Gas gas,
      double filled,
      double emissivity,
      double solarHeatGain,
      double visibleTransmittance,
      Sun sun) {
    double of(GlassUnit.Slope slope) {
      return uValue != null ? uValue : unit(slope).uValue();
    }

    private GlassUnit unit(GlassUnit.Slope slope) {
      List<GlassUnit.Gap> gaps =
          new ArrayList<>(
              Collections.nCopies(
                  panes - 1, new GlassUnit.Gap(gap, gas, filled, emissivity, GlassUnit.UNCOATED)));
      return new GlassUnit(panes * thickness, gaps, slope);
    }

    /** g, stated or by EN 410; the conductance between the panes is that of EN 673. */
    double gain() {
      if (sun == null) {
        return solarHeatGain;
      }
      return panes == 1
          ? SolarGain.single(sun.transmitted, sun.outer)
          : SolarGain.twofold(
              sun.transmitted, sun.outer, sun.inner, unit(GlassUnit.Slope.UPRIGHT).conductance());
    }
  }

  /**
   * What comes of it.
   *
   * @param glassUValue Ug, W/(m²K)
   * @param frameShare of the window's area, 0 to 1
   * @param edge length of the edge between glass and frame, m
   * @param uValue Uw, W/(m²K)
   * @param glassGain g of the glass
   * @param solarHeatGain of the whole window at normal incidence
   * @param visibleTransmittance of the whole window
   * @param shutteredUValue with the shutter closed, W/(m²K); null without one
   */
  public record WindowValues(
      double glassUValue,
      double frameShare,
      double edge,
      double uValue,
      double glassGain,
      double solarHeatGain,
      double visibleTransmittance,
      Double shutteredUValue) {}

  /** Why it cannot be built, as a sentence; null when it can. */
  public String problem() {
    if (!within(width, 0.1, 50) || !within(height, 0.1, 50)) {
      return "A window is 0.1 to 50 m wide and high.";
    }
    if (!within(frame, 0, 1) || !within(mullion, 0, 1) || lights < 1 || lights > MOST_LIGHTS) {
      return "Frames and mullions are up to 1 m wide, and 1 to 20 lights stand side by side.";
    }
    if (width - 2 * frame - (lights - 1) * mullion <= 0 || height - 2 * frame <= 0) {
      return "The frame leaves no room for glass.";
    }
    if (!within(frameUValue, 0.1, 20) || !within(psi, -0.1, 1)) {
      return "A frame's U-value lies between 0.1 and 20 W/m²K, its ψ between -0.1 and 1 W/mK.";
    }
    boolean odd =
        frameAbsorption != null && !within(frameAbsorption, 0, 1)
            || shutter != null && !within(shutter, 0, 5)
            || second != null && !(within(second.uValue, 0.1, 10) && within(second.space, 0, 1));
    if (odd) {
      return "A frame absorbs 0 to 1 of the sun, a shutter adds up to 5 m²K/W, a second window has 0.1 to 10 W/m²K and up to 1 m²K/W of air before it.";
    }
    return glass == null ? "Say what it is glazed with." : glassProblem();
  }

  private String sunProblem() {
    Sun s = glass.sun;
    if (glass.uValue != null || glass.panes > 2) {
      return "EN 410 is reckoned for one or two panes that are described.";
    }
    double all = s.transmitted + s.outer + (glass.panes == 1 ? 0 : s.inner);
    return within(s.transmitted, 0, 1) && within(s.outer, 0, 1) && within(s.inner, 0, 1) && all <= 1
        ? null
        : "What is let through and what the panes absorb lie between 0 and 1, together at most 1.";
  }

  private String glassProblem() {
    if (glass.sun != null && sunProblem() != null) {
      return sunProblem();
    }
    if (!within(glass.solarHeatGain, 0, 1) || !within(glass.visibleTransmittance, 0, 1)) {
      return "Solar heat gain and visible transmittance lie between 0 and 1.";
    }
    if (glass.uValue != null) {
      return within(glass.uValue, 0.1, 10)
          ? null
          : "A glass’s U-value lies between 0.1 and 10 W/m²K.";
    }
    if (glass.panes < 1 || glass.panes > 4 || !within(glass.thickness, 0.001, 0.1)) {
      return "There are 1 to 4 panes, each 1 to 100 mm thick.";
    }
    if (glass.panes > 1
        && (glass.gas == null
            || !within(glass.gap, 0.002, 0.1)
            || !within(glass.filled, 0, 1)
            || !within(glass.emissivity, 0.005, 1))) {
      return "Gaps are 2 to 100 mm wide and filled with 0 to 100 % of a gas; emissivities lie between 0.005 and 1.";
    }
    return null;
  }

  private static boolean within(double v, double least, double most) {
    return v >= least && v <= most;
  }

  /**
   * What comes of it.
   *
   * @throws IllegalArgumentException with {@link #problem}
   */
  public WindowValues result() {
    String wrong = problem();
    if (wrong != null) {
      throw new IllegalArgumentException(wrong);
    }
    WindowUValue.Rectangle r = new WindowUValue.Rectangle(width, height, frame, mullion, lights);
    double ug = glass.of(slope);
    double frameGain =
        frameAbsorption == null ? 0 : SolarGain.frame(frameAbsorption, frameUValue, OUTSIDE);
    double single = r.uValue(ug, frameUValue, psi);
    double u = second == null ? single : WindowUValue.coupled(single, second.uValue, second.space);
    return new WindowValues(
        ug,
        r.frameShare(),
        r.joint(),
        u,
        glass.gain(),
        SolarGain.window(glass.gain(), frameGain, r.frameShare()),
        glass.visibleTransmittance * (1 - r.frameShare()),
        shutter == null ? null : (Double) WindowUValue.shuttered(u, shutter));
  }
}
