package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.ref;

import java.util.LinkedHashSet;
import java.util.Set;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.step.StepWriter;

/** Second-level space boundaries with their connection geometry, parents and counterparts. */
final class BoundaryWriter {
  private final IfcModelWriter.IfcFrame frame;
  private final StepWriter step;
  private final SpaceWriter spaces;
  private final BoundaryWords words;
  private final Set<String> notes = new LinkedHashSet<>();

  BoundaryWriter(IfcModelWriter.IfcFrame frame, SpaceWriter spaces, BoundaryWords words) {
    this.words = words;
    this.frame = frame;
    this.step = frame.step();
    this.spaces = spaces;
  }

  Set<String> notes() {
    return notes;
  }

  /**
   * The boundaries of an element towards each space of its surface.
   *
   * @param opening what is written, or null for the surface itself
   * @param parents those of the surface that an opening lies in, or null
   * @return their instances, in the order of the sides
   */
  int[] write(Surface s, Opening opening, int element, int[] parents) {
    String key = opening == null ? s.key() : opening.key();
    int n = Math.min(2, s.sides().size());
    int[] ids = new int[n];
    for (int i = 0; i < n; i++) {
      boolean there = spaces.number(s.sides().get(i).space()) != null;
      ids[i] = there ? step.reserve() : 0;
      if (!there) {
        notes.add("Sides towards spaces that do not exist are left out: " + key);
      }
    }
    for (int i = 0; i < n; i++) {
      if (ids[i] == 0) {
        continue;
      }
      Polygon face = opening == null ? s.face(i) : s.outlineOn(opening, i);
      String[] shared = {
        frame.id(i == 0 ? key : "other-" + key),
        frame.owner(),
        "'2ndLevel'",
        words.kind(s),
        ref(spaces.number(s.sides().get(i).space())),
        ref(element),
        ref(frame.shapes().connection(face)),
        s.type() == SurfaceType.AIR ? ".VIRTUAL." : ".PHYSICAL.",
        words.side(s)
      };
      step.put(
          ids[i],
          frame.isOld() ? "IFCRELSPACEBOUNDARY" : "IFCRELSPACEBOUNDARY2NDLEVEL",
          frame.and(
              shared,
              parents == null ? "$" : optional(parents[i]),
              n < 2 ? "$" : optional(ids[1 - i])));
    }
    return ids;
  }

  private static String optional(int id) {
    return id == 0 ? "$" : ref(id);
  }
}
