package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.real;
import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.refs;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.ifc.MadeGlobalId;
import yentra.core.model.Element;
import yentra.core.step.StepWriter;

/** Layer sets for elements of a delivered file that have another construction than they had. */
final class DeliveredConstructions {
  private final DeliveredFile file;
  private final Envelope delivered;
  private final Envelope now;
  private final Consumer<String> note;

  /** Constructions by the number of the element that has it now. */
  private final Map<Integer, String> rebuilt = new LinkedHashMap<>();

  private final List<Layered> layered = new ArrayList<>();

  /**
   * An element that gets a layer set.
   *
   * @param place of the element in the model
   * @param out normal of its surface
   */
  private record Layered(int element, String construction, Transform place, Vec3 out) {}

  DeliveredConstructions(
      DeliveredFile file, Envelope delivered, Envelope now, Consumer<String> note) {
    this.file = file;
    this.delivered = delivered;
    this.now = now;
    this.note = note;
    now.surfaces().forEach(this::remember);
  }

  /** Elements whose materials are said anew. */
  Set<Integer> rebuilt() {
    return rebuilt.keySet();
  }

  /** An element that was made for a surface. */
  void made(int element, Surface s) {
    if (s.construction() != null) {
      layered.add(new Layered(element, s.construction(), Transform.IDENTITY, s.polygon().normal()));
    }
  }

  /** Remembers an element whose surface has another construction than it was read with. */
  private void remember(Surface s) {
    Element e = file.element(s.element());
    Surface before = delivered.surface(s.key()).orElse(null);
    if (e == null || s.construction() == null || before == null) {
      return;
    }
    boolean same =
        Objects.equals(before.construction(), s.construction()) && sameLayers(s.construction());
    if (!same) {
      String other = rebuilt.putIfAbsent(e.number(), s.construction());
      if (other != null && !other.equals(s.construction())) {
        note.accept(
            "An element has one construction in IFC: surfaces of "
                + e.label()
                + " that have another are written with the first");
      }
    }
  }

  private boolean sameLayers(String construction) {
    Construction a = delivered.construction(construction).orElse(null);
    Construction b = now.construction(construction).orElse(null);
    return a != null
        && b != null
        && Objects.equals(a.uValue(), b.uValue())
        && materials(delivered, a).equals(materials(now, b));
  }

  private static List<Object> materials(Envelope e, Construction c) {
    List<Object> out = new ArrayList<>();
    for (String key : c.layers()) {
      e.layers().stream()
          .filter(l -> l.key().equals(key))
          .findFirst()
          .ifPresent(
              l -> {
                out.add(l.shares());
                l.materials().forEach(m -> e.material(m).ifPresent(out::add));
              });
    }
    return out;
  }

  /** Writes layer sets, from outside to inside. */
  void write(StepWriter step) {
    rebuilt.forEach((element, construction) -> layered.add(layered(element, construction)));
    LayerSets sets = new LayerSets(now, file.dialect, step, file.model.lengthUnit());
    Map<Integer, List<Integer>> made = new LinkedHashMap<>();
    for (Layered l : layered) {
      Integer set = sets.set(l.construction());
      if (set == null) {
        note.accept("Constructions without layers have no place in the file");
      } else {
        made.computeIfAbsent(usage(step, l, set), k -> new ArrayList<>()).add(l.element());
      }
    }
    sets.notes().forEach(note);
    made.forEach(
        (usage, list) ->
            step.add(
                "IFCRELASSOCIATESMATERIAL",
                "'" + MadeGlobalId.of(file.seed() + "layers-" + usage) + "'",
                file.owner,
                "$",
                "$",
                refs(list),
                ref(usage)));
  }

  private Layered layered(int element, String construction) {
    Element e = file.model.element(element).orElseThrow();
    Vec3 out =
        now.surfaces().stream()
            .filter(s -> s.element() != null && s.element().id().equals(e.key()))
            .findFirst()
            .map(s -> s.polygon().normal())
            .orElse(Vec3.Z);
    Transform place = file.model.placement(e).orElse(Transform.IDENTITY);
    return new Layered(element, construction, place, out);
  }

  /** A layer set along the axis of an element's placement that is nearest across its surface. */
  private int usage(StepWriter step, Layered l, int set) {
    Transform t = l.place();
    double[] along = {l.out().dot(t.x()), l.out().dot(t.y()), l.out().dot(t.z())};
    int axis = 0;
    for (int i = 1; i < 3; i++) {
      axis = Math.abs(along[i]) > Math.abs(along[axis]) ? i : axis;
    }
    List<String> all =
        new ArrayList<>(
            List.of(
                ref(set),
                ".AXIS" + (axis + 1) + ".",
                along[axis] < 0 ? ".POSITIVE." : ".NEGATIVE.",
                real(0.0)));
    if (!file.dialect.isOld()) {
      all.add("$");
    }
    return step.shared("IFCMATERIALLAYERSETUSAGE", all.toArray(String[]::new));
  }
}
