package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.ReadNote;

/** All ids of a document and all references to ids, wherever they stand. */
final class References {
  private record Definition(String element, int line, int column) {}

  private record Use(String owner, String attribute, String id, int line, int column) {}

  private final Map<String, Definition> defined = new java.util.LinkedHashMap<>();
  private final Map<String, List<Definition>> again = new LinkedHashMap<>();
  private final List<Use> uses = new ArrayList<>();
  private final Set<String> taken = new HashSet<>();
  private final List<ReadNote> repeated = new ArrayList<>();

  void defined(String element, String id, int line, int column) {
    Definition d = new Definition(element, line, column);
    if (defined.putIfAbsent(id, d) != null) {
      again.computeIfAbsent(id, k -> new ArrayList<>()).add(d);
    }
  }

  void used(String owner, String attribute, String id, int line, int column) {
    uses.add(new Use(owner, attribute, id, line, column));
  }

  /**
   * A key for an object: its id, or, when an earlier object has that, the id with the first free
   * number behind it.
   */
  String key(String id) {
    if (taken.add(id)) {
      return id;
    }
    for (int i = 2; ; i++) {
      String candidate = id + "-" + i;
      if (!defined.containsKey(candidate) && taken.add(candidate)) {
        return candidate;
      }
    }
  }

  /** An element that counts once stands again: the first counts, this one is kept as it stands. */
  void repeated(String owner, String element, int line, int column) {
    repeated.add(
        ReadNote.of(
                ReadNote.Kind.ASSUMED,
                element
                    + " stands more than once in "
                    + (owner.isEmpty() ? "an element" : owner)
                    + ": the first counts, the others are kept as they stand (line "
                    + line
                    + ")")
            .about(owner)
            .on(element, "")
            .at(line, column));
  }

  List<ReadNote> notes() {
    List<ReadNote> notes = new ArrayList<>(repeated);
    again.forEach(
        (id, more) -> {
          Definition first = defined.get(id);
          Definition second = more.get(0);
          notes.add(
              ReadNote.of(
                      ReadNote.Kind.DUPLICATE_ID,
                      "The id "
                          + id
                          + " is used "
                          + (more.size() + 1)
                          + " times: first for a "
                          + first.element()
                          + " in line "
                          + first.line()
                          + ", again for a "
                          + second.element()
                          + " in line "
                          + second.line()
                          + ". References go to the first; the other is read under a new id.")
                  .about(id)
                  .on("id", id)
                  .times(more.size() + 1)
                  .at(second.line(), second.column()));
        });
    for (Use u : uses) {
      if (!defined.containsKey(u.id)) {
        notes.add(
            ReadNote.of(
                    ReadNote.Kind.DANGLING_REFERENCE,
                    "refers to the "
                        + what(u.attribute)
                        + " "
                        + u.id
                        + ", which the file does not define")
                .about(u.owner)
                .on(u.attribute, u.id)
                .withMember(GbxmlMember.of(u.attribute))
                .at(u.line, u.column));
      }
    }
    unused(notes);
    return notes;
  }

  /** Definitions that only make sense when something refers to them. */
  private static final Set<String> DEFINITIONS =
      Set.of(
          "Construction",
          "Layer",
          "Material",
          "WindowType",
          "Schedule",
          "WeekSchedule",
          "DaySchedule");

  private void unused(List<ReadNote> notes) {
    Set<String> referred = new HashSet<>();
    uses.forEach(u -> referred.add(u.id));
    defined.forEach(
        (id, d) -> {
          if (DEFINITIONS.contains(d.element()) && !referred.contains(id)) {
            notes.add(
                ReadNote.of(
                        ReadNote.Kind.UNUSED,
                        d.element() + " " + id + " is referred to by nothing.")
                    .on("definition", id)
                    .at(d.line(), d.column())
                    .naming(List.of(id)));
          }
        });
  }

  private static String what(String attribute) {
    return switch (attribute) {
      case "spaceIdRef" -> "space";
      case "constructionIdRef" -> "construction";
      case "layerIdRef" -> "layer";
      case "materialIdRef" -> "material";
      case "windowTypeIdRef" -> "window type";
      case "buildingStoreyIdRef" -> "storey";
      case "zoneIdRef" -> "zone";
      case "surfaceIdRef" -> "surface";
      default ->
          attribute.toLowerCase(java.util.Locale.ROOT).contains("schedule") ? "schedule" : "object";
    };
  }
}
