package yentra.core.thermal;

/**
 * Thermal transmittance of windows and doors in W/(m²K) (ISO 10077-1:2017; from memory). Areas m²,
 * lengths m, ψ W/(mK).
 */
public final class WindowUValue {
  private static final double INSIDE = 0.13;
  private static final double OUTSIDE = 0.04;

  private WindowUValue() {}

  /**
   * What a window consists of.
   *
   * @param uValue W/(m²K)
   */
  public record WindowPart(double area, double uValue) {}

  /** A joint and its linear transmittance. */
  public record Joint(double length, double psi) {}

  /** Of glass, frame and panels, each with its area, and the joints between them. */
  public static double of(java.util.List<WindowPart> parts, java.util.List<Joint> joints) {
    double area = 0;
    double sum = 0;
    for (WindowPart p : parts) {
      area += p.area;
      sum += p.area * p.uValue;
    }
    for (Joint j : joints) {
      sum += j.length * j.psi;
    }
    return sum / area;
  }

  /**
   * A rectangular window with a frame all round and mullions from top to bottom.
   *
   * @param frame width of the frame
   * @param mullion width of each mullion
   * @param panes how many stand side by side
   */
  public record Rectangle(double width, double height, double frame, double mullion, int panes) {
    public double area() {
      return width * height;
    }

    private double paneWidth() {
      return (width - 2 * frame - (panes - 1) * mullion) / panes;
    }

    private double paneHeight() {
      return height - 2 * frame;
    }

    public double glass() {
      return panes * paneWidth() * paneHeight();
    }

    public double frameArea() {
      return area() - glass();
    }

    /** Share of the frame in the window's area, 0 to 1. */
    public double frameShare() {
      return frameArea() / area();
    }

    /** Length of the joint between glass and frame. */
    public double joint() {
      return panes * 2 * (paneWidth() + paneHeight());
    }

    public double uValue(double glass, double frame, double psi) {
      return of(
          java.util.List.of(new WindowPart(glass(), glass), new WindowPart(frameArea(), frame)),
          java.util.List.of(new Joint(joint(), psi)));
    }
  }

  /** With a closed shutter whose resistance, with the air behind it, is ΔR in m²K/W. */
  public static double shuttered(double window, double added) {
    return 1 / (1 / window + added);
  }

  /** Two windows one behind the other with an air space of resistance Rs in m²K/W. */
  public static double coupled(double outer, double inner, double space) {
    return 1 / (1 / outer - INSIDE + space - OUTSIDE + 1 / inner);
  }
}
