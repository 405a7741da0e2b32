package yentra.core.boundary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;

/**
 * What bounds a space, by what lies on the other side: gross areas in m².
 *
 * @param space key
 * @param origin how its boundaries came to be
 * @param construction ends of partitions and edges of slabs: nothing but construction behind
 * @param open without a barrier to another space
 * @param unresolved nothing is known of the other side
 * @param surfaces how many
 */
public record BoundaryBalance(
    String space,
    Origin origin,
    double outdoor,
    double ground,
    double spaces,
    double open,
    double construction,
    double unresolved,
    double sum,
    int surfaces) {
  /** How boundaries came to be. */
  public enum Origin {
    DERIVED,
    DELIVERED,
    BOTH,
    NONE
  }

  /** One for each space, in the envelope's order. */
  public static List<BoundaryBalance> of(Envelope e) {
    Map<String, List<Surface>> bySpace = new HashMap<>();
    for (Surface s : e.surfaces()) {
      new HashSet<>(s.sides().stream().map(x -> x.space()).toList())
          .forEach(k -> bySpace.computeIfAbsent(k, x -> new ArrayList<>()).add(s));
    }
    return e.spaces().stream().map(s -> of(s, bySpace.getOrDefault(s.key(), List.of()))).toList();
  }

  private static BoundaryBalance of(Space space, List<Surface> list) {
    return new BoundaryBalance(
        space.key(),
        origin(list),
        sum(list, Exposure.OUTDOOR),
        sum(list, Exposure.GROUND),
        sum(list, Exposure.SPACE),
        sum(list, Exposure.NONE),
        sum(list, Exposure.ADIABATIC),
        sum(list, Exposure.UNRESOLVED),
        list.stream().mapToDouble(s -> s.polygon().area()).sum(),
        list.size());
  }

  private static double sum(List<Surface> list, Exposure behind) {
    return list.stream()
        .filter(s -> s.exposure() == behind)
        .mapToDouble(s -> s.polygon().area())
        .sum();
  }

  private static Origin origin(List<Surface> list) {
    // what has no barrier is neither
    List<Surface> made = list.stream().filter(s -> s.kind() != BoundaryKind.VIRTUAL).toList();
    long derived = made.stream().filter(BoundaryBalance::isDerived).count();
    return made.isEmpty()
        ? Origin.NONE
        : derived == made.size() ? Origin.DERIVED : derived > 0 ? Origin.BOTH : Origin.DELIVERED;
  }

  private static boolean isDerived(Surface s) {
    return s.kind() == BoundaryKind.DERIVED_2A || s.kind() == BoundaryKind.DERIVED_2B;
  }
}
