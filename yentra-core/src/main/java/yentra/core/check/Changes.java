package yentra.core.check;

import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Box;

/**
 * What differs between two states of an envelope, and what a check of single objects or of near
 * ones must therefore look at again. Objects are compared by identity: states share what a repair
 * left alone.
 */
final class Changes {
  /** No check holds surfaces against each other that are farther apart, in metres. */
  private static final double NEAR = 2.1;

  private final Envelope base;
  private final int[] now;
  private final boolean everything;
  private final List<Surface> gone;
  private final List<Surface> come;
  private final Focus local;
  private final Focus near;
  private final Set<String> localKeys = new HashSet<>();
  private final Set<String> nearKeys = new HashSet<>();

  private Changes(
      Envelope base,
      int[] now,
      boolean everything,
      List<Surface> gone,
      List<Surface> come,
      Focus local,
      Focus near) {
    this.base = base;
    this.now = now;
    this.everything = everything;
    this.gone = gone;
    this.come = come;
    this.local = local;
    this.near = near;
  }

  /** Whether these are the changes since that state. */
  boolean isSince(Envelope state) {
    return base == state;
  }

  /** Where a surface, by its number before, stands unchanged; −1 when it does not. */
  int now(int before) {
    return now[before];
  }

  /** Whether so much differs that everything is looked at again. */
  boolean everything() {
    return everything;
  }

  /** Surfaces as they were that are gone or changed. */
  List<Surface> gone() {
    return gone;
  }

  /** Surfaces as they are that are new or changed. */
  List<Surface> come() {
    return come;
  }

  /** What changed itself, or has a space that did. */
  Focus local() {
    return local;
  }

  /** The same, and what lies near it. */
  Focus near() {
    return near;
  }

  /** Keys, before or after, of what {@link #local} looks at. */
  Set<String> localKeys() {
    return localKeys;
  }

  Set<String> nearKeys() {
    return nearKeys;
  }

  static Changes between(CheckContext a, CheckContext b) {
    List<Surface> old = a.envelope().surfaces();
    List<Surface> list = b.envelope().surfaces();
    int[] now = places(old, list);
    BitSet kept = new BitSet();
    List<Surface> gone = new java.util.ArrayList<>();
    for (int i = 0; i < now.length; i++) {
      if (now[i] < 0) {
        gone.add(old.get(i));
      } else {
        kept.set(now[i]);
      }
    }
    List<Surface> come = new java.util.ArrayList<>();
    BitSet changed = new BitSet();
    for (int i = kept.nextClearBit(0); i < list.size(); i = kept.nextClearBit(i + 1)) {
      come.add(list.get(i));
      changed.set(i);
    }
    Set<String> touched = touched(a.envelope(), b.envelope(), gone, come);
    boolean everything =
        !sameLists(a.envelope().parts(), b.envelope().parts())
            || come.size() + gone.size() > list.size() / 4 + 50;
    BitSet local = (BitSet) changed.clone();
    Map<Surface, Integer> places = new java.util.IdentityHashMap<>();
    for (String space : touched) {
      for (Surface s : b.volumes().surfacesOf(space)) {
        places.put(s, -1);
      }
    }
    if (!places.isEmpty()) {
      for (int i = 0; i < list.size(); i++) {
        if (places.containsKey(list.get(i))) {
          local.set(i);
        }
      }
    }
    BitSet near = (BitSet) local.clone();
    Changes c =
        new Changes(
            a.envelope(),
            now,
            everything,
            gone,
            come,
            new Focus(b, local, touched),
            new Focus(b, near, touched));
    if (!everything) {
      c.widen(a, b, near);
      c.collect(c.local, c.localKeys);
      c.collect(c.near, c.nearKeys);
    }
    return c;
  }

  /** Takes in what lies near to what was or is there. */
  private void widen(CheckContext a, CheckContext b, BitSet near) {
    // the numbers of the index before are translated, since the new index is made of these changes
    SurfaceIndex index = a.index();
    Set<Surface> seeds = java.util.Collections.newSetFromMap(new java.util.IdentityHashMap<>());
    seeds.addAll(gone);
    local.list().forEach(seeds::add);
    for (Surface s : seeds) {
      Box box = s.polygon().box();
      if (box.isEmpty()) {
        continue;
      }
      for (int i : index.near(box.grown(NEAR))) {
        if (now[i] >= 0) {
          near.set(now[i]);
        }
      }
    }
  }

  private void collect(Focus focus, Set<String> into) {
    into.addAll(focus.keys());
    for (Surface s : gone) {
      into.add(s.key());
      s.openings().forEach(o -> into.add(o.key()));
    }
  }

  private static int[] places(List<Surface> old, List<Surface> list) {
    int[] now = new int[old.size()];
    Map<String, Integer> byKey = null;
    for (int i = 0; i < now.length; i++) {
      Surface s = old.get(i);
      if (byKey == null && i < list.size() && list.get(i) == s) {
        now[i] = i;
        continue;
      }
      if (byKey == null && i < list.size() && list.get(i).key().equals(s.key())) {
        now[i] = list.get(i).equals(s) ? i : -1;
        continue;
      }
      if (byKey == null) {
        byKey = new HashMap<>(list.size() * 2);
        for (int j = 0; j < list.size(); j++) {
          byKey.put(list.get(j).key(), j);
        }
      }
      int at = byKey.getOrDefault(s.key(), -1);
      now[i] = at >= 0 && (list.get(at) == s || list.get(at).equals(s)) ? at : -1;
    }
    return now;
  }

  private static Set<String> touched(
      Envelope a, Envelope b, List<Surface> gone, List<Surface> come) {
    Set<String> out = new HashSet<>();
    for (List<Surface> list : List.of(gone, come)) {
      for (Surface s : list) {
        s.sides().stream().map(Side::space).forEach(out::add);
      }
    }
    if (a.spaces() != b.spaces()) {
      Map<String, Space> old = new HashMap<>();
      a.spaces().forEach(s -> old.put(s.key(), s));
      for (Space s : b.spaces()) {
        if (old.remove(s.key()) != s) {
          out.add(s.key());
        }
      }
      out.addAll(old.keySet());
    }
    return out;
  }

  /** What all objects may refer to. */
  private static boolean sameLists(Envelope.Parts a, Envelope.Parts b) {
    List<Opening> none = List.of();
    return a.site().equals(b.site())
        && a.buildings().equals(b.buildings())
        && a.storeys().equals(b.storeys())
        && a.zones().equals(b.zones())
        && a.constructions().equals(b.constructions())
        && a.layers().equals(b.layers())
        && a.materials().equals(b.materials())
        && a.glazings().equals(b.glazings())
        && (a.orphans().equals(b.orphans()) || none.equals(b.orphans()));
  }
}
