package yentra.core.check.increment;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.check.measure.Changes;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;

/**
 * Tells two states of an envelope apart. Objects are compared by identity: states share what a
 * repair left alone.
 */
public final class ChangeFinder {
  private ChangeFinder() {}

  public static Changes between(CheckContext a, CheckContext b) {
    List<Surface> old = a.envelope().surfaces();
    List<Surface> list = b.envelope().surfaces();
    int[] now = places(old, list);
    BitSet kept = new BitSet();
    List<Surface> gone = new ArrayList<>();
    for (int i = 0; i < now.length; i++) {
      if (now[i] < 0) {
        gone.add(old.get(i));
      } else {
        kept.set(now[i]);
      }
    }
    List<Surface> come = new ArrayList<>();
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
    Map<Surface, Integer> places = new IdentityHashMap<>();
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
    return new Changes(a, b, now, everything, gone, come, local, touched);
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
