package yentra.core.repair.space;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Brings corners together that are nearly in one place: each goes to the place within the distance
 * where most corners are, the first of these in the order of the surfaces. Corners of surfaces that
 * only other spaces have stay, and are gone to before all others.
 *
 * @param spaces keys; empty for all
 * @param distance metres
 */
public record SnapVertices(List<String> spaces, double distance) implements Repair {
  private static final double FARTHEST = 0.5;

  public SnapVertices {
    spaces = spaces == null ? List.of() : List.copyOf(spaces);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (!(distance > 0 && distance <= FARTHEST)) {
      throw new NotApplicableException("The distance must lie between 0 and 0.5 m.");
    }
    for (String s : spaces) {
      Target.space(e, s);
    }
    Set<String> own = new HashSet<>(spaces);
    Grid grid = new Grid(distance);
    // what stays comes first, so that what may move goes there; then what most corners share
    Map<Vec3, Integer> counts = new LinkedHashMap<>();
    for (Surface s : e.surfaces()) {
      if (moves(s, own)) {
        each(s, v -> counts.merge(v, 1, Integer::sum));
      } else {
        each(s, grid::at);
      }
    }
    counts.entrySet().stream()
        .sorted(Map.Entry.<Vec3, Integer>comparingByValue().reversed())
        .forEach(v -> grid.at(v.getKey()));
    List<Surface> out = new ArrayList<>();
    boolean any = false;
    for (Surface s : e.surfaces()) {
      Surface moved = moves(s, own) ? snapped(s, grid) : s;
      any |= !moved.equals(s);
      out.add(moved);
    }
    if (!any) {
      throw new NotApplicableException("No corners lie so close together without being one.");
    }
    List<Space> shells =
        e.spaces().stream()
            .map(
                s ->
                    s.shell().isEmpty() || !own.isEmpty() && !own.contains(s.key())
                        ? s
                        : s.withShell(
                            s.shell().stream().map(p -> Reshape.mapped(p, grid::at)).toList()))
            .toList();
    return e.withSurfaces(out).withSpaces(shells);
  }

  private static boolean moves(Surface s, Set<String> own) {
    return !s.sides().isEmpty()
        && (own.isEmpty() || s.sides().stream().anyMatch(x -> own.contains(x.space())));
  }

  private static void each(Surface s, java.util.function.Consumer<Vec3> to) {
    s.polygon().rings().forEach(r -> r.forEach(to));
    for (Side side : s.sides()) {
      if (side.face() != null) {
        side.face().rings().forEach(r -> r.forEach(to));
      }
    }
  }

  private static Surface snapped(Surface s, Grid grid) {
    return s.withPolygon(
        Reshape.mapped(s.polygon(), grid::at),
        s.sides().stream()
            .map(x -> x.face() == null ? x : x.withFace(Reshape.mapped(x.face(), grid::at)))
            .toList());
  }

  /** Corners by cubes as wide as the distance. */
  private static final class Grid {
    private final double size;
    private final Map<List<Long>, List<Vec3>> cells = new HashMap<>();

    Grid(double size) {
      this.size = size;
    }

    /** The first corner within the distance; the point itself, from now on, when there is none. */
    Vec3 at(Vec3 p) {
      long x = cell(p.x());
      long y = cell(p.y());
      long z = cell(p.z());
      Vec3 best = null;
      for (long i = x - 1; i <= x + 1; i++) {
        for (long j = y - 1; j <= y + 1; j++) {
          for (long k = z - 1; k <= z + 1; k++) {
            for (Vec3 q : cells.getOrDefault(List.of(i, j, k), List.of())) {
              if (q.distance(p) <= size && (best == null || q.distance(p) < best.distance(p))) {
                best = q;
              }
            }
          }
        }
      }
      if (best != null) {
        return best;
      }
      cells.computeIfAbsent(List.of(x, y, z), c -> new ArrayList<>()).add(p);
      return p;
    }

    private long cell(double v) {
      return (long) Math.floor(v / size);
    }
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new SnapVertices(keys.of(spaces), distance);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Brings together corners %s that are at most %.0f mm apart.",
        spaces.isEmpty()
            ? "of all spaces"
            : spaces.size() == 1
                ? "of " + naming.space(spaces.get(0))
                : "of " + spaces.size() + " spaces",
        distance * 1000);
  }
}
