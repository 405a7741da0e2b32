package yentra.core.envelope;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Where surfaces stand in an envelope's list, and which openings are in them. Envelopes that differ
 * in what one surface is, and not in where it stands, share what was made of it.
 */
final class SurfacePlaces {
  private final List<Surface> list;
  private final Map<String, Integer> places;

  /**
   * Keys of surfaces by those of their openings. Made when first asked for; two threads may both do
   * so, and find the same.
   */
  private volatile Map<String, String> parents;

  private SurfacePlaces(List<Surface> list, Map<String, Integer> places) {
    this.list = list;
    this.places = places;
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
    return new SurfacePlaces(list, places);
  }

  Optional<Surface> surface(String key) {
    Integer at = places.get(key);
    return at == null ? Optional.empty() : Optional.of(list.get(at));
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
    out.set(places.get(old.key()), now);
    return out;
  }

  /** Of the list that {@link #replaced} made. */
  SurfacePlaces after(List<Surface> changed, Surface old, Surface now) {
    if (!old.key().equals(now.key())) {
      return of(changed);
    }
    SurfacePlaces out = new SurfacePlaces(changed, places);
    out.parents = keys(old).equals(keys(now)) ? parents : null;
    return out;
  }

  private static List<String> keys(Surface s) {
    return s.openings().stream().map(Opening::key).toList();
  }
}
