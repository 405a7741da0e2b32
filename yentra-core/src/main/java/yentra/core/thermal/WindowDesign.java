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
 */
public record WindowDesign(
    double width,
    double height,
    double frame,
    double mullion,
    int lights,
    Glass glass,
    double frameUValue,
    double psi) {
  private static final int MOST_LIGHTS = 20;

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
   * @param solarHeatGain g of the glass, 0 to 1
   * @param visibleTransmittance of the glass, 0 to 1
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
      double visibleTransmittance) {
    double of() {
      if (uValue != null) {
        return uValue;
      }
      List<GlassUnit.Gap> gaps =
          new ArrayList<>(
              Collections.nCopies(
                  panes - 1, new GlassUnit.Gap(gap, gas, filled, emissivity, GlassUnit.UNCOATED)));
      return new GlassUnit(panes * thickness, gaps).uValue();
    }
  }

  /**
   * What comes of it.
   *
   * @param glassUValue Ug, W/(m²K)
   * @param frameShare of the window's area, 0 to 1
   * @param edge length of the edge between glass and frame, m
   * @param uValue Uw, W/(m²K)
   * @param solarHeatGain of the whole window at normal incidence; nothing comes through the frame
   * @param visibleTransmittance of the whole window
   */
  public record WindowValues(
      double glassUValue,
      double frameShare,
      double edge,
      double uValue,
      double solarHeatGain,
      double visibleTransmittance) {}

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
      return "A frame's U-value lies between 0.1 and 20 W/(m²K), its ψ between -0.1 and 1 W/(mK).";
    }
    return glass == null ? "Say what it is glazed with." : glassProblem();
  }

  private String glassProblem() {
    if (!within(glass.solarHeatGain, 0, 1) || !within(glass.visibleTransmittance, 0, 1)) {
      return "Solar heat gain and visible transmittance lie between 0 and 1.";
    }
    if (glass.uValue != null) {
      return within(glass.uValue, 0.1, 10)
          ? null
          : "A glass’s U-value lies between 0.1 and 10 W/(m²K).";
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
    double ug = glass.of();
    return new WindowValues(
        ug,
        r.frameShare(),
        r.joint(),
        r.uValue(ug, frameUValue, psi),
        SolarGain.window(glass.solarHeatGain, 0, r.frameShare()),
        glass.visibleTransmittance * (1 - r.frameShare()));
  }
}
