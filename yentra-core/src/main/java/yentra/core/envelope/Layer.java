package yentra.core.envelope;

import java.util.List;

/**
 * A layer of a construction: materials one behind the other from outside to inside, or side by
 * side.
 *
 * @param materials keys
 * @param shares of the area that each material takes where they lie side by side; empty where they
 *     lie one behind the other
 */
public record Layer(
    String key,
    String name,
    List<String> materials,
    List<Double> shares,
    SourceRef source,
    Extras extras) {
  public Layer {
    materials = List.copyOf(materials);
    shares = List.copyOf(shares);
  }

  /** Of materials one behind the other. */
  public Layer(String key, String name, List<String> materials, SourceRef source, Extras extras) {
    this(key, name, materials, List.of(), source, extras);
  }

  /** The share of a material by its place, 0 to 1. */
  public double share(int i) {
    return i < shares.size() ? shares.get(i) : 1;
  }
}
