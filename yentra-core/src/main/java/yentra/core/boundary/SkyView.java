package yentra.core.boundary;

import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.Vec3;

/**
 * How much of sky and ground a place sees: 128 directions spread evenly over a half sphere
 * (Fibonacci lattice; R. Swinbank and R. J. Purser, "Fibonacci grids", Q. J. R. Meteorol. Soc.
 * 2006), each free when nothing is met before the ground or at all.
 */
public final class SkyView {
  /** A place that sees less than this share is enclosed. */
  public static final double LEAST = 0.02;

  private static final int RAYS = 128;

  /** How far a line is followed before it counts as free, in metres. */
  private static final double SIGHT = 1000;

  private static final Vec3[] SPHERE = sphere();

  private final ProbeScene scene;
  private final Ground ground;

  public SkyView(ProbeScene scene, Ground ground) {
    this.scene = scene;
    this.ground = ground;
  }

  /** Whether a place sees next to nothing; quick where it sees much. */
  public boolean enclosed(Vec3 eye, Vec3 towards) {
    return free(eye, towards, (int) Math.floor(LEAST * RAYS)) <= LEAST * RAYS;
  }

  /**
   * Numbers of the first lines that prove that a place sees enough, or null when it does not. As
   * long as nothing comes into their way, the place is not enclosed.
   */
  public int[] witnesses(Vec3 eye, Vec3 towards) {
    int enough = (int) Math.floor(LEAST * RAYS) + 1;
    int[] out = new int[enough];
    int n = 0;
    for (int i = 0; i < RAYS; i++) {
      if (free(i, eye, towards)) {
        out[n++] = i;
        if (n == enough) {
          return out;
        }
      }
    }
    return null;
  }

  /** Whether all of these lines are free. */
  public boolean holds(int[] witnesses, Vec3 eye, Vec3 towards) {
    for (int i : witnesses) {
      if (!free(i, eye, towards)) {
        return false;
      }
    }
    return true;
  }

  private boolean free(int line, Vec3 eye, Vec3 towards) {
    Vec3 ray = SPHERE[line];
    Vec3 d = ray.dot(towards) < 0 ? ray.negated() : ray;
    double floor = d.z() < 0 ? (ground.at(eye) - eye.z()) / d.z() : SIGHT;
    return !scene.blocked(eye, d, 1e-6, Math.max(0.1, Math.min(SIGHT, floor)));
  }

  /** The share that a place sees, 0 to 1. */
  public double share(Vec3 eye, Vec3 towards) {
    return free(eye, towards, RAYS) / (double) RAYS;
  }

  private int free(Vec3 eye, Vec3 towards, int enough) {
    int free = 0;
    for (int i = 0; i < RAYS; i++) {
      if (free(i, eye, towards)) {
        free++;
        if (free > enough) {
          return free;
        }
      }
    }
    return free;
  }

  /** In an order that spreads the first few over the whole sphere. */
  private static Vec3[] sphere() {
    Vec3[] out = new Vec3[RAYS];
    double golden = Math.PI * (3 - Math.sqrt(5));
    for (int i = 0; i < RAYS; i++) {
      int k = Integer.reverse(i) >>> 25;
      double z = 1 - (k + 0.37) * 2 / RAYS;
      double r = Math.sqrt(1 - z * z);
      out[i] = new Vec3(r * Math.cos(golden * k + 0.271), r * Math.sin(golden * k + 0.271), z);
    }
    return out;
  }
}
