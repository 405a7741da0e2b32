package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import yentra.core.boundary.DeliveredBoundary;
import yentra.core.boundary.DeliveredJudgement;
import yentra.core.envelope.ReadNote;
import yentra.core.geometry.Vec3;
import yentra.core.model.Element;
import yentra.core.step.StepFile;

/** What the reader has to say, in the order in which it found it. */
final class IfcNotes {
  private final IfcModel model;
  private final StepFile file;
  private final List<ReadNote> notes = new ArrayList<>();

  IfcNotes(IfcModel model) {
    this.model = model;
    this.file = model.file();
  }

  List<ReadNote> all() {
    return notes;
  }

  void add(ReadNote note) {
    notes.add(note);
  }

  void addAll(List<ReadNote> more) {
    notes.addAll(more);
  }

  void add(ReadNote.Kind kind, String message) {
    notes.add(ReadNote.of(kind, message));
  }

  void assumed(String what) {
    add(ReadNote.Kind.ASSUMED, what);
  }

  /** A note of an object, at the place of an instance. */
  void at(int instance, ReadNote.Kind kind, String object, String message) {
    notes.add(ReadNote.of(kind, message).about(object).at(file.place(instance)));
  }

  /** "3 windows are …": a sentence that says how many, when there are any. */
  void counted(int n, String one, String many, String rest) {
    if (n > 0) {
      assumed(n + " " + (n == 1 ? one : many) + rest);
    }
  }

  /** Says what is to be known of the file as a whole. */
  void ofFile() {
    String schema = model.schema();
    if (!IfcSchema.isKnown(schema)) {
      notes.add(
          ReadNote.of(
                  ReadNote.Kind.UNKNOWN_SCHEMA,
                  (schema.isEmpty()
                          ? "The header states no schema"
                          : "The schema " + schema + " is not known")
                      + "; the file is read as IFC4.")
              .on("FILE_SCHEMA", schema)
              .at(1, 1)
              .naming(schema.isEmpty() ? List.of() : List.of(schema)));
    }
    for (String a : model.units().assumed()) {
      notes.add(ReadNote.of(ReadNote.Kind.UNIT_ASSUMED, a).on(a.split(" not")[0], ""));
    }
    Vec3 o = model.localOrigin();
    if (!o.equals(Vec3.ZERO)) {
      assumed(
          String.format(
              java.util.Locale.ROOT,
              "the model stands far from its origin: it is worked on relative to (%.0f, %.0f, %.0f) m, which is added again on export",
              o.x(),
              o.y(),
              o.z()));
    }
    FarPlacement.of(model).ifPresent(notes::add);
    norths();
  }

  /** Says what states north otherwise than what counts. */
  private void norths() {
    List<IfcSite.North> all = IfcSite.norths(file);
    for (int i = 1; i < all.size(); i++) {
      IfcSite.North first = all.get(0);
      IfcSite.North other = all.get(i);
      double apart = IfcSite.apart(first, other);
      if (apart > 1e-6) {
        notes.add(
            ReadNote.of(
                    ReadNote.Kind.NORTH_TWICE,
                    String.format(
                        java.util.Locale.ROOT,
                        "The y axis is stated %.2f° from true north by %s, and %.2f° by %s, %.2f° apart; the first counts",
                        first.azimuth(),
                        first.by(),
                        other.azimuth(),
                        other.by(),
                        apart))
                .on("north", "")
                .measured(apart)
                .at(file.place(other.instance())[0], file.place(other.instance())[1])
                .naming(List.of("#" + first.instance(), "#" + other.instance())));
      }
    }
  }

  /** Says which delivered boundaries do not count, and why. */
  void ofBoundaries(
      IfcBoundaries reader,
      List<DeliveredBoundary> boundaries,
      List<DeliveredJudgement.Astray> astray) {
    for (IfcBoundaries.Problem p : reader.problems()) {
      notes.add(
          ReadNote.of(
                  ReadNote.Kind.SPACE_BOUNDARY, "The space boundary is left out: " + p.why() + ".")
              .about(p.space())
              .at(p.source().line(), p.source().column())
              .naming(List.of(p.source().id())));
    }
    for (DeliveredJudgement.Astray a : astray) {
      notes.add(
          ReadNote.of(
                  ReadNote.Kind.SPACE_BOUNDARY,
                  String.format(
                      java.util.Locale.ROOT,
                      a.off()
                          ? "The space boundary lies %.3f m off the face of its space"
                          : "The space boundary reaches %.3f m over the edge of its space's face",
                      a.by()))
              .about(a.boundary().space())
              .measured(a.by())
              .at(a.boundary().source().line(), a.boundary().source().column())
              .naming(List.of(a.boundary().source().id())));
    }
    if (reader.firstLevel() > 0 && boundaries.isEmpty() && reader.problems().isEmpty()) {
      notes.add(
          ReadNote.of(
                  ReadNote.Kind.FIRST_LEVEL_ONLY,
                  "All "
                      + reader.firstLevel()
                      + " space boundaries of the delivery are of the first level, and do not say what lies on the other side")
              .times(reader.firstLevel()));
    }
  }

  /** Says which elements bound spaces although they are out of scope. */
  void outOfScope(List<DeliveredBoundary> boundaries, Predicate<Element> inScope) {
    Map<String, Integer> byClass = new java.util.TreeMap<>();
    Set<String> seen = new HashSet<>();
    for (DeliveredBoundary b : boundaries) {
      if (b.element() != null && seen.add(b.elementKey())) {
        model
            .element(b.elementKey())
            .filter(inScope.negate())
            .ifPresent(e -> byClass.merge(e.entity(), 1, Integer::sum));
      }
    }
    byClass.forEach(
        (entity, n) ->
            assumed(n + " " + entity + " out of scope bound spaces: their boundaries stay"));
  }
}
