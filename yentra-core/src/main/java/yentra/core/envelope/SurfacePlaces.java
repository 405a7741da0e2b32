package yentra.core.envelope;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Where surfaces stand in an envelope's list, and which openings are in them. Envelopes that differ
 * in what one surface is, or lack some, share what was made of the first list.
 */
final class SurfacePlaces {
  private final List<Surface> list;

  /** Where they stood in the first list. */
  private final Map<String, Integer> places;

  /** Places in the first list of those that are gone since, ascending. */
  private final int[] gone;

  /**
   * Keys of surfaces by those of their openings. Made when first asked for; two threads may both do
   * so, and find the same.
   */
  private volatile Map<String, String> parents;

  private SurfacePlaces(List<Surface> list, Map<String, Integer> places, int[] gone) {
    this.list = list;
    this.places = places;
    this.gone = gone;
  }

  /**
   * Of a list.
   *
   * @throws IllegalArgumentException when a key is used twice
   */
  static SurfacePlaces of(List<Surface> list) {
    Map<String, Integer> places = new HashMap<>(list.size() * 2);
    for (Surface s : list) {
      if (places.put(s.key(), places.size()) != null) {
        throw new IllegalArgumentException("key used twice: " + s.key());
      }
    }
    return new SurfacePlaces(list, places, new int[0]);
  }

  Optional<Surface> surface(String key) {
    int at = placeOf(key);
    return at < 0 ? Optional.empty() : Optional.of(list.get(at));
  }

  /** Where a surface stands in the list; −1 when it is not there. */
  private int placeOf(String key) {
    Integer first = places.get(key);
    if (first == null) {
      return -1;
    }
    int before = Arrays.binarySearch(gone, first);
    return before >= 0 ? -1 : first + before + 1;
  }

  /** The surface that an opening lies in. */
  Optional<Surface> parentOf(String opening) {
    Map<String, String> made = parents;
    if (made == null) {
      made = new HashMap<>();
      for (Surface s : list) {
        for (Opening o : s.openings()) {
          made.put(o.key(), s.key());
        }
      }
      parents = made;
    }
    String key = made.get(opening);
    return key == null ? Optional.empty() : surface(key);
  }

  /** The list with a surface in another one's place. */
  List<Surface> replaced(Surface old, Surface now) {
    List<Surface> out = new ArrayList<>(list);
    out.set(placeOf(old.key()), now);
    return out;
  }

  /** Of the list that {@link #replaced} made. */
  SurfacePlaces after(List<Surface> changed, Surface old, Surface now) {
    if (!old.key().equals(now.key())) {
      return of(changed);
    }
    SurfacePlaces out = new SurfacePlaces(changed, places, gone);
    out.parents = keys(old).equals(keys(now)) ? parents : null;
    return out;
  }

  /** The list without one of its surfaces. */
  List<Surface> listWithout(Surface s) {
    List<Surface> out = new ArrayList<>(list);
    out.remove(placeOf(s.key()));
    return out;
  }

  /** Of the list that {@link #listWithout} made. */
  SurfacePlaces without(List<Surface> changed, Surface s) {
    int first = places.get(s.key());
    int at = -Arrays.binarySearch(gone, first) - 1;
    int[] more = new int[gone.length + 1];
    System.arraycopy(gone, 0, more, 0, at);
    more[at] = first;
    System.arraycopy(gone, at, more, at + 1, gone.length - at);
    SurfacePlaces out = new SurfacePlaces(changed, places, more);
    // what it tells of openings of the one that is gone leads nowhere
    out.parents = parents;
    return out;
  }

  private static List<String> keys(Surface s) {
    return s.openings().stream().map(Opening::key).toList();
  }
}
