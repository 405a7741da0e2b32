package yentra.core.check.measure;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import yentra.core.boundary.SpaceVolume;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;

/** The surfaces and spaces of an envelope that are looked at: all, or those that changed. */
public final class Focus {
  private final CheckContext context;
  private final BitSet surfaces;
  private final Set<String> spaces;

  /**
   * @param surfaces numbers in the envelope's order; null for all
   * @param spaces keys; not looked at when all are in focus
   */
  Focus(CheckContext context, BitSet surfaces, Set<String> spaces) {
    this.context = context;
    this.surfaces = surfaces;
    this.spaces = spaces;
  }

  public static Focus all(CheckContext context) {
    return new Focus(context, null, Set.of());
  }

  boolean isAll() {
    return surfaces == null;
  }

  /** Numbers of the surfaces, ascending. */
  public int[] surfaces() {
    return surfaces == null
        ? IntStream.range(0, context.envelope().surfaces().size()).toArray()
        : surfaces.stream().toArray();
  }

  public List<Surface> list() {
    List<Surface> all = context.envelope().surfaces();
    return surfaces == null ? all : surfaces.stream().mapToObj(all::get).toList();
  }

  /** Whether a surface and another that it is held against are looked at from this one's side. */
  public boolean isFirst(int i, int j) {
    return i != j && (j > i || surfaces != null && !surfaces.get(j));
  }

  public List<Space> spaces() {
    List<Space> all = context.envelope().spaces();
    return surfaces == null ? all : all.stream().filter(s -> spaces.contains(s.key())).toList();
  }

  public List<SpaceVolume> volumes() {
    List<SpaceVolume> out = new ArrayList<>();
    spaces().forEach(s -> out.add(context.volumes().of(s.key())));
    return out;
  }

  /** Keys of what is in focus, with the openings in it. */
  Set<String> keys() {
    Set<String> out = new TreeSet<>(spaces);
    for (Surface s : list()) {
      out.add(s.key());
      s.openings().forEach(o -> out.add(o.key()));
    }
    // loose openings are few, and always looked at
    Envelope e = context.envelope();
    e.orphans().forEach(o -> out.add(o.key()));
    return out;
  }
}
