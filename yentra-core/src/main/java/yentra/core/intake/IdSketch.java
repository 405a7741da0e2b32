package yentra.core.intake;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Stream;
import yentra.core.model.ArchitecturalModel;

/**
 * A small sketch of the ids in a file, from which it can be told without the file how many ids two
 * files share: the {@value #SIZE} smallest hash values of the ids (bottom-k sketch; E. Cohen and H.
 * Kaplan, "Summarizing data using bottom-k sketches", PODC 2007). The share is estimated with a
 * standard error of about 1 / √{@value #SIZE}, 6 %.
 *
 * @param hashes ascending, at most {@value #SIZE}
 */
public record IdSketch(List<Long> hashes) {
  public static final int SIZE = 256;

  public IdSketch {
    hashes = List.copyOf(hashes);
  }

  /** Sketch of the elements' ids; empty where the model has no elements. */
  public static IdSketch of(ArchitecturalModel model) {
    return of(model.elements().stream().map(e -> e.key()));
  }

  public static IdSketch of(Stream<String> ids) {
    TreeSet<Long> least = new TreeSet<>();
    ids.forEach(
        id -> {
          least.add(hash(id));
          if (least.size() > SIZE) {
            least.pollLast();
          }
        });
    return new IdSketch(new ArrayList<>(least));
  }

  /**
   * Estimated share of the ids that both files have among all that either has, 0 to 1; 0 where
   * either has none.
   */
  public double shared(IdSketch other) {
    TreeSet<Long> union = new TreeSet<>(hashes);
    union.addAll(other.hashes);
    if (hashes.isEmpty() || other.hashes.isEmpty()) {
      return 0;
    }
    List<Long> least = union.stream().limit(SIZE).toList();
    return least.stream().filter(h -> hashes.contains(h) && other.hashes.contains(h)).count()
        / (double) least.size();
  }

  /** FNV-1a of 64 bits, its bits mixed so that the smallest values are spread evenly. */
  private static long hash(String id) {
    long h = 0xcbf29ce484222325L;
    for (byte b : id.getBytes(StandardCharsets.UTF_8)) {
      h = (h ^ (b & 0xff)) * 0x100000001b3L;
    }
    h = (h ^ (h >>> 33)) * 0xff51afd7ed558ccdL;
    h = (h ^ (h >>> 33)) * 0xc4ceb9fe1a85ec53L;
    return h ^ (h >>> 33);
  }
}
