package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.refs;
import static yentra.core.step.StepWriter.text;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.model.Element;
import yentra.core.step.StepWriter;

/** Spaces and zones in a delivered file: its own, and new ones for what it did not have. */
final class DeliveredSpaces {
  private final DeliveredFile file;
  private final Envelope now;
  private final StepWriter step;
  private final IfcShapes shapes;
  private final Map<String, Integer> numbers = new HashMap<>();
  private final Map<String, Transform> places = new HashMap<>();

  DeliveredSpaces(DeliveredFile file, Envelope now, StepWriter step, IfcShapes shapes) {
    this.file = file;
    this.now = now;
    this.step = step;
    this.shapes = shapes;
    now.spaces().forEach(this::space);
  }

  /** Zones with their names and the ids of their spaces. */
  static Map<String, List<String>> members(Envelope e) {
    Map<String, List<String>> out = new LinkedHashMap<>();
    for (Zone z : e.zones()) {
      out.put(z.key() + "/" + z.name(), new ArrayList<>());
    }
    for (Space s : e.spaces()) {
      if (s.zone() != null) {
        e.zone(s.zone()).ifPresent(z -> out.get(z.key() + "/" + z.name()).add(s.key()));
      }
    }
    return out;
  }

  boolean has(String space) {
    return numbers.containsKey(space);
  }

  int number(String space) {
    return numbers.get(space);
  }

  /** A face in the placement of a space: the transpose of its axes undoes a turn. */
  Polygon local(Polygon face, String space) {
    Transform place = places.get(space);
    Transform turned =
        new Transform(
            new Vec3(place.x().x(), place.y().x(), place.z().x()),
            new Vec3(place.x().y(), place.y().y(), place.z().y()),
            new Vec3(place.x().z(), place.y().z(), place.z().z()),
            Vec3.ZERO);
    return face.transformed(Transform.translation(place.origin().negated())).transformed(turned);
  }

  /** The space's own instance, or a new one with a body of its faces. */
  private void space(Space s) {
    Element e = file.element(s.source());
    Transform place = e == null ? null : file.model.placement(e).orElse(null);
    if (place != null && !place.mirrors()) {
      numbers.put(s.key(), e.number());
      places.put(s.key(), place);
      return;
    }
    places.put(s.key(), Transform.translation(file.model.localOrigin().negated()));
    int axes = step.add("IFCAXIS2PLACEMENT3D", ref(shapes.point(Vec3.ZERO)), "$", "$");
    List<Polygon> faces = faces(s);
    int number =
        step.add(
            "IFCSPACE",
            file.id(s.key()),
            file.owner,
            text(s.label()),
            "$",
            "$",
            ref(step.add("IFCLOCALPLACEMENT", "$", ref(axes))),
            faces.isEmpty() ? "$" : ref(shapes.body(faces)),
            "$",
            ".ELEMENT.",
            file.dialect.isOld() ? ".INTERNAL." : ".SPACE.",
            "$");
    numbers.put(s.key(), number);
    int whole = whole(s);
    if (whole != 0) {
      step.add(
          "IFCRELAGGREGATES",
          file.id("in-" + s.key()),
          file.owner,
          "$",
          "$",
          ref(whole),
          refs(List.of(number)));
    }
  }

  /** The storey of a new space, else the first building; 0 where there is neither. */
  private int whole(Space s) {
    Element storey =
        s.storey() == null
            ? null
            : now.storey(s.storey()).map(x -> file.element(x.source())).orElse(null);
    if (storey != null) {
      return storey.number();
    }
    int[] buildings = file.model.file().ofType("IFCBUILDING");
    return buildings.length > 0 ? buildings[0] : 0;
  }

  private List<Polygon> faces(Space s) {
    List<Polygon> out = new ArrayList<>();
    if (s.shell().isEmpty()) {
      now.surfaces().forEach(x -> x.faceTo(s.key()).ifPresent(out::add));
    } else {
      out.addAll(s.shell());
    }
    return out.stream()
        .map(p -> p.transformed(Transform.translation(file.model.localOrigin())))
        .toList();
  }

  /** All zones anew. */
  void zones() {
    new ZoneWriter(step, file.dialect, file::id, file.owner).write(now, numbers);
  }
}
