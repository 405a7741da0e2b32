package yentra.core.geometry;

import java.util.List;

/**
 * The least-squares plane through a set of points: the plane through their mean whose normal is the
 * eigenvector of the smallest eigenvalue of their covariance matrix, found with cyclic Jacobi
 * rotations.
 *
 * <p>Source: K. Pearson, "On lines and planes of closest fit to systems of points in space",
 * Philosophical Magazine 2 (1901); Jacobi's method as in G. H. Golub and C. F. Van Loan, Matrix
 * Computations. Robust for any number of points; for fewer than three or collinear ones the normal
 * is one of the many that fit.
 */
public final class PlaneFit {
  private PlaneFit() {}

  public static Plane of(List<Vec3> points) {
    Vec3 mean = Polygon.of(points).mean();
    double[][] a = new double[3][3];
    for (Vec3 p : points) {
      Vec3 d = p.minus(mean);
      double[] c = {d.x(), d.y(), d.z()};
      for (int i = 0; i < 3; i++) {
        for (int j = 0; j < 3; j++) {
          a[i][j] += c[i] * c[j];
        }
      }
    }
    return new Plane(mean, smallestEigenvector(a));
  }

  /** The largest distance in metres of the points from their least-squares plane. */
  public static double deviation(List<Vec3> points) {
    Plane plane = of(points);
    return points.stream().mapToDouble(p -> Math.abs(plane.distance(p))).max().orElse(0);
  }

  private static Vec3 smallestEigenvector(double[][] a) {
    double[][] v = {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}};
    for (int sweep = 0; sweep < 32; sweep++) {
      double off = a[0][1] * a[0][1] + a[0][2] * a[0][2] + a[1][2] * a[1][2];
      double diagonal = a[0][0] * a[0][0] + a[1][1] * a[1][1] + a[2][2] * a[2][2];
      if (off <= 1e-32 * diagonal || off == 0) {
        break;
      }
      rotate(a, v, 0, 1);
      rotate(a, v, 0, 2);
      rotate(a, v, 1, 2);
    }
    int k = a[0][0] <= a[1][1] ? (a[0][0] <= a[2][2] ? 0 : 2) : (a[1][1] <= a[2][2] ? 1 : 2);
    return new Vec3(v[0][k], v[1][k], v[2][k]).unit();
  }

  private static void rotate(double[][] a, double[][] v, int p, int q) {
    if (a[p][q] == 0) {
      return;
    }
    double theta = (a[q][q] - a[p][p]) / (2 * a[p][q]);
    double t = Math.copySign(1, theta) / (Math.abs(theta) + Math.hypot(theta, 1));
    double c = 1 / Math.hypot(t, 1);
    double s = t * c;
    for (int k = 0; k < 3; k++) {
      double kp = a[k][p], kq = a[k][q];
      a[k][p] = c * kp - s * kq;
      a[k][q] = s * kp + c * kq;
    }
    for (int k = 0; k < 3; k++) {
      double pk = a[p][k], qk = a[q][k];
      a[p][k] = c * pk - s * qk;
      a[q][k] = s * pk + c * qk;
    }
    for (int k = 0; k < 3; k++) {
      double kp = v[k][p], kq = v[k][q];
      v[k][p] = c * kp - s * kq;
      v[k][q] = s * kp + c * kq;
    }
  }
}
