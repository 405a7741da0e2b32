package yentra.core.check.measure;

import java.util.BitSet;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Box;

/**
 * What differs between two states of an envelope, and what a check of single objects or of near
 * ones must therefore look at again.
 */
public final class Changes {
  private final CheckContext before;
  private final CheckContext after;
  private final int[] now;
  private final boolean everything;
  private final List<Surface> gone;
  private final List<Surface> come;
  private final BitSet local;
  private final Set<String> spaces;
  private final Map<Double, Reach> reaches = new ConcurrentHashMap<>();

  /**
   * @param focus what is looked at
   * @param keys the keys of it, before or after
   */
  public record Reach(Focus focus, Set<String> keys) {}

  /**
   * @param now where each surface before stands unchanged; −1 where it does not
   * @param everything whether so much differs that everything is looked at again
   * @param gone surfaces as they were that are gone or changed
   * @param come surfaces as they are that are new or changed
   * @param local numbers of those that changed, or have a space that did
   * @param spaces keys of spaces that changed, or one of whose surfaces did
   */
  public Changes(
      CheckContext before,
      CheckContext after,
      int[] now,
      boolean everything,
      List<Surface> gone,
      List<Surface> come,
      BitSet local,
      Set<String> spaces) {
    this.before = before;
    this.after = after;
    this.now = now;
    this.everything = everything;
    this.gone = gone;
    this.come = come;
    this.local = local;
    this.spaces = spaces;
  }

  /** Whether these are the changes since that state. */
  public boolean isSince(Envelope state) {
    return before.envelope() == state;
  }

  /** Where a surface, by its number before, stands unchanged; −1 when it does not. */
  int now(int number) {
    return now[number];
  }

  public boolean everything() {
    return everything;
  }

  public List<Surface> gone() {
    return gone;
  }

  List<Surface> come() {
    return come;
  }

  /** What changed itself, or has a space that did. */
  public Focus local() {
    return within(0).focus;
  }

  /**
   * What changed, and what lies within a distance of what was or is there.
   *
   * @param reach between boxes, in metres
   */
  public Reach within(double reach) {
    return reaches.computeIfAbsent(reach, this::reached);
  }

  private Reach reached(double reach) {
    BitSet numbers = (BitSet) local.clone();
    if (reach > 0) {
      widen(reach + after.tolerance().gap(), numbers);
    }
    Focus focus = new Focus(after, numbers, spaces);
    Set<String> keys = new HashSet<>(focus.keys());
    for (Surface s : gone) {
      keys.add(s.key());
      s.openings().forEach(o -> keys.add(o.key()));
    }
    return new Reach(focus, keys);
  }

  private void widen(double reach, BitSet numbers) {
    // the numbers of the index before are translated, since the new index is made of these changes
    SurfaceIndex index = before.index();
    List<Surface> surfaces = after.envelope().surfaces();
    Set<Surface> seeds = Collections.newSetFromMap(new IdentityHashMap<>());
    seeds.addAll(gone);
    local.stream().mapToObj(surfaces::get).forEach(seeds::add);
    for (Surface s : seeds) {
      Box box = s.polygon().box();
      if (box.isEmpty()) {
        continue;
      }
      for (int i : index.near(box.grown(reach))) {
        if (now[i] >= 0) {
          numbers.set(now[i]);
        }
      }
    }
  }
}
