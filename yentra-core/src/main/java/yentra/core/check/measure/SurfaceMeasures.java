package yentra.core.check.measure;

import java.util.List;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Site;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;

/**
 * Areas of all surfaces and where outdoor walls face, in the envelope's order; after a change only
 * what changed is measured again.
 */
public final class SurfaceMeasures {
  /** Compass directions that outdoor walls are counted by: north, north-east, … */
  public static final int OCTANTS = 8;

  private final List<Surface> surfaces;
  private final double[] gross;
  private final double[] net;
  private final double[] glazed;
  private final byte[] octant;

  private SurfaceMeasures(List<Surface> surfaces) {
    int n = surfaces.size();
    this.surfaces = surfaces;
    gross = new double[n];
    net = new double[n];
    glazed = new double[n];
    octant = new byte[n];
  }

  static SurfaceMeasures of(CheckContext context) {
    SurfaceMeasures m = new SurfaceMeasures(context.envelope().surfaces());
    for (int i = 0; i < m.gross.length; i++) {
      m.measure(context, i);
    }
    return m;
  }

  /** The same after a change to less than everything. */
  SurfaceMeasures after(CheckContext context, Changes changes) {
    SurfaceMeasures m = new SurfaceMeasures(context.envelope().surfaces());
    boolean[] known = new boolean[m.gross.length];
    for (int i = 0; i < gross.length; i++) {
      int now = changes.now(i);
      if (now >= 0) {
        m.gross[now] = gross[i];
        m.net[now] = net[i];
        m.glazed[now] = glazed[i];
        m.octant[now] = octant[i];
        known[now] = true;
      }
    }
    // a wall that is what it was may face the other way when its space is another
    for (int i : changes.local().surfaces()) {
      known[i] = false;
    }
    for (int i = 0; i < known.length; i++) {
      if (!known[i]) {
        m.measure(context, i);
      }
    }
    return m;
  }

  private void measure(CheckContext context, int i) {
    Surface s = surfaces.get(i);
    gross[i] = s.polygon().area();
    net[i] = s.netArea();
    double glass = 0;
    for (Opening o : s.openings()) {
      glass += o.type().isGlazed() ? o.polygon().area() : 0;
    }
    glazed[i] = glass;
    octant[i] = (byte) octant(context, s);
  }

  /** Which way an outdoor wall faces, 0 for true north, clockwise; −1 for all else. */
  static int octant(CheckContext context, Surface s) {
    Polygon p = s.polygon();
    if (s.exposure() != Exposure.OUTDOOR || !context.types().isUpright(p.tilt())) {
      return -1;
    }
    Site site = context.envelope().site();
    double azimuth = site.fromTrueNorth(context.outward(s).azimuth());
    return (int) Math.round(azimuth / (360.0 / OCTANTS)) % OCTANTS;
  }

  /** Area of a surface by its number, with its openings, m². */
  double gross(int i) {
    return gross[i];
  }

  /** Area of a surface without its openings, m². */
  public double net(int i) {
    return net[i];
  }

  /** Area of the openings of a surface that let light through, m². */
  double glazed(int i) {
    return glazed[i];
  }

  /** Area of outdoor walls by where they face, with openings, m². */
  public double[] walls() {
    return sum(gross);
  }

  /** Glazed area of outdoor walls by where they face, m². */
  public double[] glazing() {
    return sum(glazed);
  }

  private double[] sum(double[] areas) {
    double[] out = new double[OCTANTS];
    for (int i = 0; i < areas.length; i++) {
      if (octant[i] >= 0) {
        out[octant[i]] += areas[i];
      }
    }
    return out;
  }
}
