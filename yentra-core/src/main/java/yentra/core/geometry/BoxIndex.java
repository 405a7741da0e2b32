package yentra.core.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Finds the boxes that meet a box: an R-tree in plan (JTS, STR packing) for each slab of height.
 * Buildings are many alike storeys on top of each other, which a tree in plan alone could not tell
 * apart. All boxes are put in before the first search; searching is safe for several threads.
 */
public final class BoxIndex {
  /** Height of a slab in metres: about a storey. */
  private static final double SLAB = 3;

  /** What reaches through more slabs than this is kept apart, and looked at in every search. */
  private static final int TALL = 64;

  /** So is what lies farther from zero than this, in metres: no building does. */
  private static final double FAR = 1e6;

  private final List<Box> boxes = new ArrayList<>();
  private final Map<Integer, STRtree> slabs = new HashMap<>();
  private final List<Integer> tall = new ArrayList<>();

  public BoxIndex(List<Box> boxes) {
    for (Box b : boxes) {
      add(b);
    }
    slabs.values().forEach(STRtree::build);
  }

  private void add(Box b) {
    int number = boxes.size();
    boxes.add(b);
    if (b.isEmpty()) {
      return;
    }
    if (isApart(b)) {
      tall.add(number);
      return;
    }
    for (int s = slab(b.min().z()); s <= slab(b.max().z()); s++) {
      slabs.computeIfAbsent(s, k -> new STRtree()).insert(plan(b), number);
    }
  }

  private static boolean isApart(Box b) {
    return !(b.max().z() - b.min().z() <= TALL * SLAB && b.min().z() >= -FAR && b.max().z() <= FAR);
  }

  private static int slab(double z) {
    return (int) Math.floor(z / SLAB);
  }

  private static Envelope plan(Box b) {
    return new Envelope(b.min().x(), b.max().x(), b.min().y(), b.max().y());
  }

  /** Numbers of the boxes that meet a box, each once, in ascending order. */
  public int[] meeting(Box b) {
    if (b.isEmpty()) {
      return new int[0];
    }
    TreeSet<Integer> out = new TreeSet<>();
    for (int t : tall) {
      if (boxes.get(t).intersects(b)) {
        out.add(t);
      }
    }
    if (isApart(b)) {
      for (int i = 0; i < boxes.size(); i++) {
        if (!boxes.get(i).isEmpty() && boxes.get(i).intersects(b)) {
          out.add(i);
        }
      }
    } else {
      for (int s = slab(b.min().z()); s <= slab(b.max().z()); s++) {
        STRtree tree = slabs.get(s);
        if (tree != null) {
          for (Object o : tree.query(plan(b))) {
            if (boxes.get((Integer) o).intersects(b)) {
              out.add((Integer) o);
            }
          }
        }
      }
    }
    return out.stream().mapToInt(i -> i).toArray();
  }
}
