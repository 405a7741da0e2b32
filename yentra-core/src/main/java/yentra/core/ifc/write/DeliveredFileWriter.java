package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.reals;
import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.text;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcTrimmer;
import yentra.core.model.Element;
import yentra.core.scope.ValueEdit;
import yentra.core.step.StepWriter;

/**
 * Writes a delivered IFC file, or its part in scope, with the envelope as second-level space
 * boundaries in place of its own: the file's instances byte for byte under their GlobalIds, a
 * boundary for each side of each surface and opening, what a person has changed of uses, gains,
 * conditions, zones and constructions, and spaces that the file did not have.
 *
 * <p>Boundaries have curve-bounded planes in the placement of their space and in the units of the
 * file, with holes. Air boundaries have an IfcVirtualElement (IFC4) or none (IFC2X3); surfaces that
 * no element bounds get a proxy without a body, since the standard asks for an element.
 */
public final class DeliveredFileWriter implements IfcTrimmer.Appendix {
  private final DeliveredFile file;
  private final Envelope now;
  private final IfcDialect dialect;
  private final BoundaryWords words;
  private final Set<String> notes = new LinkedHashSet<>();
  private final DeliveredConstructions constructions;
  private final boolean zonesChanged;
  private DeliveredSpaces spaces;
  private StepWriter step;
  private IfcShapes shapes;

  private DeliveredFileWriter(IfcModel model, Envelope delivered, Envelope now, Set<String> typed) {
    this.file = new DeliveredFile(model, dialect(model));
    this.now = now;
    this.dialect = file.dialect;
    this.words = new BoundaryWords(dialect, typed);
    this.constructions = new DeliveredConstructions(file, delivered, now, notes::add);
    this.zonesChanged = !DeliveredSpaces.members(delivered).equals(DeliveredSpaces.members(now));
  }

  /** The dialect that a delivered file is written in. */
  public static IfcDialect dialect(IfcModel model) {
    return model.schema().startsWith("IFC2") ? IfcDialect.IFC2X3 : IfcDialect.IFC4;
  }

  /** What of the delivered file is in. */
  public record FileScope(
      Predicate<Element> inScope,
      BiPredicate<String, String> keepsProperty,
      Map<String, List<ValueEdit>> edits) {
    /** All of it. */
    public static final FileScope WHOLE = new FileScope(e -> true, (s, p) -> true, Map.of());
  }

  /**
   * Writes the file.
   *
   * @param delivered the envelope as it was read with the same scope, before any repair
   * @param now the envelope to be written
   * @param typed keys of surfaces whose type is said in words, since nothing else would give it
   * @throws IOException when the stream fails
   */
  public static IfcModelWriter.Written write(
      IfcModel model,
      FileScope scope,
      Envelope delivered,
      Envelope now,
      Set<String> typed,
      OutputStream out)
      throws IOException {
    DeliveredFileWriter w = new DeliveredFileWriter(model, delivered, now, typed);
    Map<String, List<ValueEdit>> edits = new HashMap<>(scope.edits);
    new SpaceEdits(delivered, now)
        .all()
        .forEach(
            (key, list) ->
                edits.merge(
                    key,
                    list,
                    (a, b) -> {
                      List<ValueEdit> both = new ArrayList<>(a);
                      both.addAll(b);
                      return both;
                    }));
    Set<String> there = new LinkedHashSet<>();
    now.spaces().forEach(s -> there.add(s.source().id()));
    Set<String> gone = new LinkedHashSet<>();
    delivered.spaces().stream()
        .map(s -> s.source().id())
        .filter(id -> !there.contains(id))
        .forEach(gone::add);
    Predicate<Element> in =
        e ->
            scope.inScope.test(e)
                && !gone.contains(e.key())
                && !(w.zonesChanged && e.entity().equals("IfcZone"));
    IfcTrimmer.write(model, in, scope.keepsProperty, edits, w, out);
    return new IfcModelWriter.Written(List.copyOf(w.notes), w.file.globalIds());
  }

  @Override
  public Set<Integer> elements() {
    Set<Integer> out = new LinkedHashSet<>();
    for (Surface s : now.surfaces()) {
      add(out, s.element());
      s.openings().forEach(o -> add(out, o.element()));
    }
    return out;
  }

  private void add(Set<Integer> out, SourceRef from) {
    Element e = file.element(from);
    if (e != null) {
      out.add(e.number());
    }
  }

  @Override
  public Set<Integer> instances() {
    return file.ownerNumber == 0 ? Set.of() : Set.of(file.ownerNumber);
  }

  @Override
  public Set<Integer> remade() {
    return constructions.rebuilt();
  }

  @Override
  public void write(StepWriter s) {
    step = s;
    shapes = new IfcShapes(step, context(), file.model.lengthUnit());
    spaces = new DeliveredSpaces(file, now, step, shapes);
    if (zonesChanged) {
      spaces.zones();
    }
    now.surfaces().stream().filter(x -> !x.sides().isEmpty()).forEach(this::surface);
    constructions.write(step);
  }

  /** The file's first context of shapes; a new one where it has none. */
  private int context() {
    int[] all = file.model.file().ofType("IFCGEOMETRICREPRESENTATIONCONTEXT");
    if (all.length > 0) {
      return all[0];
    }
    int zero = step.add("IFCCARTESIANPOINT", reals(0, 0, 0));
    int axes = step.add("IFCAXIS2PLACEMENT3D", ref(zero), "$", "$");
    return step.add("IFCGEOMETRICREPRESENTATIONCONTEXT", "$", "'Model'", "3", "$", ref(axes), "$");
  }

  private void surface(Surface s) {
    if (s.polygon().area() == 0) {
      notes.add("Surfaces without area are left out: " + s.key());
      return;
    }
    if (s.type() == SurfaceType.AIR && s.construction() != null) {
      notes.add("Constructions of air boundaries have no place in IFC");
    }
    if (s.sides().size() > 2) {
      notes.add("Of surfaces with more than two spaces the first two are written: " + s.key());
    }
    boolean air = s.type() == SurfaceType.AIR;
    int element = bounding(s, air);
    int[] faces = boundaries(s, null, element, air, null);
    for (Opening o : s.openings()) {
      if (o.polygon().area() > 0) {
        boundaries(s, o, filling(o), false, faces);
      } else {
        notes.add("Openings without area are left out: " + o.key());
      }
    }
  }

  private int bounding(Surface s, boolean air) {
    Element e = file.element(s.element());
    boolean virtual = e != null && e.entity().equals("IfcVirtualElement");
    if (e != null && air == virtual) {
      return e.number();
    }
    if (air) {
      return dialect.isOld()
          ? 0
          : step.add(
              "IFCVIRTUALELEMENT",
              file.id("air-" + s.key()),
              file.owner,
              "$",
              "$",
              "$",
              "$",
              "$",
              "$");
    }
    notes.add("Surfaces that no element of the file bounds get one without a body");
    String name = text(s.name().isBlank() ? s.key() : s.name());
    int proxy =
        step.add(
            "IFCBUILDINGELEMENTPROXY",
            file.id("element-" + s.key()),
            file.owner,
            name,
            "$",
            "$",
            "$",
            "$",
            "$",
            "$");
    constructions.made(proxy, s);
    return proxy;
  }

  private int filling(Opening o) {
    Element e = file.element(o.element());
    if (e != null) {
      return e.number();
    }
    String name = text(o.name().isBlank() ? o.key() : o.name());
    List<String> all =
        new ArrayList<>(
            List.of(file.id("element-" + o.key()), file.owner, name, "$", "$", "$", "$", "$"));
    if (o.type().isHole()) {
      if (!dialect.isOld()) {
        all.add(".OPENING.");
      }
      return step.add("IFCOPENINGELEMENT", all.toArray(String[]::new));
    }
    all.addAll(List.of("$", "$"));
    if (!dialect.isOld()) {
      all.addAll(List.of("$", "$", "$"));
    }
    return step.add(o.type().isGlazed() ? "IFCWINDOW" : "IFCDOOR", all.toArray(String[]::new));
  }

  private int[] boundaries(Surface s, Opening opening, int element, boolean air, int[] parents) {
    String key = opening == null ? s.key() : opening.key();
    int n = Math.min(2, s.sides().size());
    int[] ids = new int[n];
    for (int i = 0; i < n; i++) {
      ids[i] = spaces.has(s.sides().get(i).space()) ? step.reserve() : 0;
    }
    for (int i = 0; i < n; i++) {
      if (ids[i] == 0) {
        notes.add("Sides towards spaces that do not exist are left out: " + key);
        continue;
      }
      Side side = s.sides().get(i);
      Polygon face = opening == null ? s.face(i) : s.outlineOn(opening, i);
      List<String> all =
          new ArrayList<>(
              List.of(
                  file.id(i == 0 ? key : "other-" + key),
                  file.owner,
                  "'2ndLevel'",
                  words.kind(s),
                  ref(spaces.number(side.space())),
                  element == 0 ? "$" : ref(element),
                  ref(shapes.connection(spaces.local(face, side.space()))),
                  air ? ".VIRTUAL." : ".PHYSICAL.",
                  words.side(s)));
      if (!dialect.isOld()) {
        all.add(parents == null || parents[i] == 0 ? "$" : ref(parents[i]));
        all.add(n < 2 || ids[1 - i] == 0 ? "$" : ref(ids[1 - i]));
      }
      step.put(
          ids[i],
          dialect.isOld() ? "IFCRELSPACEBOUNDARY" : "IFCRELSPACEBOUNDARY2NDLEVEL",
          all.toArray(String[]::new));
    }
    return ids;
  }

  /** A face in the placement of a space: the transpose of its axes undoes a turn. */
  private static Polygon local(Polygon face, Transform place) {
    Transform turned =
        new Transform(
            new Vec3(place.x().x(), place.y().x(), place.z().x()),
            new Vec3(place.x().y(), place.y().y(), place.z().y()),
            new Vec3(place.x().z(), place.y().z(), place.z().z()),
            Vec3.ZERO);
    return face.transformed(Transform.translation(place.origin().negated())).transformed(turned);
  }
}
