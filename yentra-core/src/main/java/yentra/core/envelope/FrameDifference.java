package yentra.core.envelope;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Triangulation;
import yentra.core.geometry.Vec3;

/**
 * How the frame of one delivery stands to that of another of the same project: found from spaces
 * that both have (by id, else by a name that occurs once), and from what both state.
 *
 * <p>Method: the turn is the median change of bearing between pairs of common points, the scale the
 * median ratio of their distances, the shift the median displacement that is left; medians, so that
 * rooms that were moved on purpose do not count.
 *
 * @param common how many spaces both have
 * @param scale lengths of this delivery over those of the other; 1 where that cannot be told
 * @param turn by how many degrees, anticlockwise from above, this delivery is turned against the
 *     other; 0 where that cannot be told
 * @param shift what is added to the other's coordinates, after turning, to get this one's, in
 *     metres; zero where that cannot be told
 * @param north stated azimuth of the y axis less that of the other, −180 to 180 degrees; null when
 *     one of them states none
 * @param apart from the middle of the other's surfaces to the middle of these, in metres, in the
 *     files' coordinates; null where one has no surfaces
 * @param gap between the boxes around both, in metres; 0 where they touch
 */
public record FrameDifference(
    int common, double scale, double turn, Vec3 shift, Double north, Vec3 apart, double gap) {
  private static final int MOST_PAIRS = 4000;

  /** Points nearer than this tell no bearing, in metres. */
  private static final double APART = 0.5;

  private record Pair(Vec3 other, Vec3 own) {}

  /** Compares a delivery with another one that came before it. */
  public static FrameDifference of(Envelope own, Envelope other) {
    List<Pair> pairs = pairs(own, other);
    Double a = own.site().northAzimuth();
    Double b = other.site().northAzimuth();
    Double north = a == null || b == null ? null : wrapped(a - b);
    Box mine = box(own);
    Box theirs = box(other);
    boolean both = !mine.isEmpty() && !theirs.isEmpty();
    Vec3 apart = both ? mine.centre().minus(theirs.centre()) : null;
    double gap = both ? gap(mine, theirs) : 0;
    if (pairs.isEmpty()) {
      return new FrameDifference(0, 1, 0, Vec3.ZERO, north, apart, gap);
    }
    double scale = pairs.size() < 2 ? 1 : scale(pairs);
    double turn = pairs.size() < 2 ? 0 : turn(pairs);
    double[][] shifts = new double[3][pairs.size()];
    for (int i = 0; i < pairs.size(); i++) {
      Vec3 d = pairs.get(i).own.minus(turned(pairs.get(i).other.times(scale), turn));
      shifts[0][i] = d.x();
      shifts[1][i] = d.y();
      shifts[2][i] = d.z();
    }
    Vec3 shift = new Vec3(median(shifts[0]), median(shifts[1]), median(shifts[2]));
    return new FrameDifference(pairs.size(), scale, turn, shift, north, apart, gap);
  }

  private static Box box(Envelope e) {
    Box box = Box.EMPTY;
    for (Surface s : e.surfaces()) {
      box = box.union(s.polygon().box());
    }
    Vec3 origin = e.delivered().origin();
    return box.isEmpty() ? box : new Box(box.min().plus(origin), box.max().plus(origin));
  }

  private static double gap(Box a, Box b) {
    double x = Math.max(0, Math.max(a.min().x() - b.max().x(), b.min().x() - a.max().x()));
    double y = Math.max(0, Math.max(a.min().y() - b.max().y(), b.min().y() - a.max().y()));
    double z = Math.max(0, Math.max(a.min().z() - b.max().z(), b.min().z() - a.max().z()));
    return new Vec3(x, y, z).length();
  }

  private static List<Pair> pairs(Envelope own, Envelope other) {
    Map<String, Vec3> byId = new HashMap<>();
    Map<String, Vec3> byName = new HashMap<>();
    for (Space s : other.spaces()) {
      Vec3 p = middle(s, other);
      if (p != null) {
        byId.put(other.fileId(s.key()), p);
        byName.merge(s.label(), p, (x, y) -> Vec3.ZERO);
      }
    }
    Map<String, Integer> names = new HashMap<>();
    other.spaces().forEach(s -> names.merge(s.label(), 1, Integer::sum));
    own.spaces().forEach(s -> names.merge(s.label(), 1, Integer::sum));
    List<Pair> ids = new ArrayList<>();
    List<Pair> named = new ArrayList<>();
    for (Space s : own.spaces()) {
      Vec3 p = middle(s, own);
      Vec3 q = byId.get(own.fileId(s.key()));
      if (p != null && q != null) {
        ids.add(new Pair(q, p));
      } else if (p != null && names.get(s.label()) == 2 && byName.containsKey(s.label())) {
        named.add(new Pair(byName.get(s.label()), p));
      }
    }
    return ids.isEmpty() ? named : ids;
  }

  /**
   * The centroid of a space's faces in the file's own coordinates, which does not depend on how
   * they are split; null when it has none.
   */
  private static Vec3 middle(Space s, Envelope e) {
    List<Polygon> faces = s.shell();
    if (faces.isEmpty()) {
      faces =
          e.surfaces().stream()
              .filter(x -> x.isAdjacentTo(s.key()))
              .map(Surface::polygon)
              .filter(p -> !p.outer().isEmpty())
              .toList();
    }
    if (faces.isEmpty()) {
      return null;
    }
    Vec3 sum = Vec3.ZERO;
    double area = 0;
    for (Polygon f : faces) {
      for (Vec3[] t : Triangulation.of(f)) {
        double size = t[1].minus(t[0]).cross(t[2].minus(t[0])).length() / 2;
        sum = sum.plus(t[0].plus(t[1]).plus(t[2]).times(size / 3));
        area += size;
      }
    }
    return area == 0 ? null : sum.times(1 / area).plus(e.delivered().origin());
  }

  private static double scale(List<Pair> pairs) {
    List<Double> ratios = new ArrayList<>();
    eachTwo(
        pairs,
        (p, q) -> {
          double d = q.other.minus(p.other).length();
          double e = q.own.minus(p.own).length();
          if (d > 1e-3 && e > 1e-3) {
            ratios.add(e / d);
          }
        });
    double m = ratios.isEmpty() ? 1 : median(ratios);
    // a revision may stretch a room; another unit changes everything a lot
    return Math.abs(m - 1) < 0.02 ? 1 : m;
  }

  private static double turn(List<Pair> pairs) {
    List<Double> turns = new ArrayList<>();
    eachTwo(
        pairs,
        (p, q) -> {
          Vec3 d = q.other.minus(p.other);
          Vec3 e = q.own.minus(p.own);
          if (Math.hypot(d.x(), d.y()) > APART && Math.hypot(e.x(), e.y()) > 1e-3) {
            turns.add(wrapped(Math.toDegrees(Math.atan2(e.y(), e.x()) - Math.atan2(d.y(), d.x()))));
          }
        });
    return turns.isEmpty() ? 0 : median(turns);
  }

  private static void eachTwo(List<Pair> pairs, java.util.function.BiConsumer<Pair, Pair> visit) {
    int left = MOST_PAIRS;
    for (int step = 1; step < pairs.size() && left > 0; step++) {
      for (int i = 0; i + step < pairs.size() && left > 0; i++, left--) {
        visit.accept(pairs.get(i), pairs.get(i + step));
      }
    }
  }

  private static double median(List<Double> list) {
    return median(list.stream().mapToDouble(Double::doubleValue).toArray());
  }

  private static double median(double[] list) {
    double[] sorted = list.clone();
    Arrays.sort(sorted);
    int n = sorted.length;
    return n % 2 == 1 ? sorted[n / 2] : (sorted[n / 2 - 1] + sorted[n / 2]) / 2;
  }

  private static double wrapped(double degrees) {
    double d = degrees % 360;
    return d > 180 ? d - 360 : d <= -180 ? d + 360 : d;
  }

  private static Vec3 turned(Vec3 p, double degrees) {
    double c = Math.cos(Math.toRadians(degrees));
    double s = Math.sin(Math.toRadians(degrees));
    return new Vec3(c * p.x() - s * p.y(), s * p.x() + c * p.y(), p.z());
  }
}
