package yentra.core.solar;

import java.util.ArrayList;
import java.util.List;
import yentra.core.geometry.Vec3;

/** Directions into the sky that stand for equal parts of it. */
public final class SkyDome {
  private static final int BANDS = 4;
  private static final int AROUND = 8;

  private SkyDome() {}

  /** Unit vectors up from the horizon: bands of equal solid angle, each cut into equal parts. */
  public static List<Vec3> directions() {
    List<Vec3> out = new ArrayList<>();
    for (int b = 0; b < BANDS; b++) {
      double z = (b + 0.5) / BANDS;
      double r = Math.sqrt(1 - z * z);
      for (int i = 0; i < AROUND; i++) {
        double a = 2 * Math.PI * (i + 0.5 * (b % 2)) / AROUND;
        out.add(new Vec3(r * Math.sin(a), r * Math.cos(a), z));
      }
    }
    return out;
  }

  /**
   * The share of the sky's light on a face that nothing in front of it takes away.
   *
   * @param open share of the face that each direction reaches
   */
  public static double openShare(Vec3 normal, List<Vec3> directions, double[] open) {
    double all = 0;
    double left = 0;
    for (int i = 0; i < directions.size(); i++) {
      double cosine = Math.max(0, normal.dot(directions.get(i)));
      all += cosine;
      left += cosine * open[i];
    }
    return all > 0 ? left / all : 1;
  }
}
