package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.ReadNote;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepParameters;
import yentra.core.step.StepParameters.Kind;

/**
 * Holds every instance of a file against its schema: required attributes, literals of enumerations,
 * numbers that are none, references to nothing, identifiers used twice, definitions that nothing
 * uses. Values are looked at where they stand; nothing is built.
 */
final class IfcConformance {
  /** Of one kind of fault in one class, this many are said one by one. */
  private static final int MOST_ALIKE = 100;

  /** Definitions that only make sense when something refers to them. */
  private static final String[] DEFINITIONS = {
    "IfcPropertySetDefinition",
    "IfcMaterialDefinition",
    "IfcMaterialUsageDefinition",
    "IfcMaterial",
    "IfcMaterialLayerSet",
    "IfcMaterialLayerSetUsage",
    "IfcMaterialList",
    "IfcTypeObject"
  };

  private final IfcModel model;
  private final StepFile file;
  private final IfcSchema schema;
  private final List<ReadNote> notes = new ArrayList<>();
  private final Map<String, Integer> alike = new HashMap<>();

  IfcConformance(IfcModel model) {
    this.model = model;
    this.file = model.file();
    this.schema = model.entities();
  }

  List<ReadNote> notes() {
    duplicates();
    file.dangling().forEach(this::dangling);
    instances();
    globalIds();
    unused();
    file.problems().forEach(this::malformed);
    summarise();
    return notes;
  }

  private void add(
      ReadNote.Kind kind, String alikeKey, String subject, String value, int id, String message) {
    if (alike.merge(kind + " " + alikeKey, 1, Integer::sum) > MOST_ALIKE) {
      return;
    }
    int[] place = file.place(id);
    notes.add(ReadNote.of(kind, message).on(subject, value).at(place).naming(names(id, value)));
  }

  /** GlobalId and number of an instance, and the number a reference names. */
  private List<String> names(int id, String value) {
    List<String> names = new ArrayList<>();
    String global = globalId(id);
    if (!global.isEmpty()) {
      names.add(global);
    }
    names.add("#" + id);
    if (value.startsWith("#")) {
      names.add(value);
    }
    return names;
  }

  private String globalId(int id) {
    if (!schema.is(file.type(id), "IfcRoot")) {
      return "";
    }
    StepInstance i = file.get(id);
    return i == null ? "" : i.text(0);
  }

  private String called(int id) {
    return schema.proper(file.type(id)) + " #" + id;
  }

  private void duplicates() {
    Map<Integer, Integer> times = new LinkedHashMap<>();
    file.duplicates().forEach(d -> times.merge(d, 2, (a, b) -> a + 1));
    times.forEach(
        (id, n) -> {
          int[] place = file.place(id);
          notes.add(
              ReadNote.of(
                      ReadNote.Kind.DUPLICATE_ID,
                      "The instance number #" + id + " is used " + n + " times; the first is read.")
                  .on("instance", "#" + id)
                  .times(n)
                  .at(place)
                  .naming(names(id, "")));
        });
  }

  private void dangling(StepFile.Dangling d) {
    add(
        ReadNote.Kind.DANGLING_REFERENCE,
        file.type(d.from()),
        "reference",
        "#" + d.to(),
        d.from(),
        called(d.from()) + " refers to #" + d.to() + ", which the file does not define");
  }

  private void malformed(StepFile.Problem p) {
    boolean number = p.message().contains("is no number") || p.message().contains("out of range");
    notes.add(
        ReadNote.of(
                number ? ReadNote.Kind.BAD_VALUE : ReadNote.Kind.MALFORMED,
                p.message() + " It was passed over.")
            .on("instance", "")
            .at(p.line(), p.column())
            .naming(p.instance() == 0 ? List.of() : names(p.instance(), "")));
  }

  private void summarise() {
    alike.entrySet().stream()
        .filter(e -> e.getValue() > MOST_ALIKE)
        .map(Map.Entry::getKey)
        .sorted()
        .forEach(
            k -> {
              ReadNote.Kind kind = ReadNote.Kind.valueOf(k.substring(0, k.indexOf(' ')));
              int more = alike.get(k) - MOST_ALIKE;
              notes.add(
                  ReadNote.of(
                          kind,
                          more + " more of this kind in " + k.substring(k.indexOf(' ') + 1) + ".")
                      .on(k.substring(k.indexOf(' ') + 1), "")
                      .times(more));
            });
  }

  private void instances() {
    Map<String, IfcSchema.Entity> known = new HashMap<>();
    for (String t : file.types()) {
      IfcSchema.Entity e = schema.entity(t);
      if (e != null) {
        known.put(t, e);
      }
    }
    List<Fault> faults =
        file.all()
            .parallel()
            .mapToObj(id -> faults(id, known.get(file.type(id))))
            .flatMap(List::stream)
            .toList();
    for (Fault f : faults) {
      String entity = schema.proper(file.type(f.id));
      add(f.kind, entity + "." + f.attribute, f.attribute, f.value, f.id, called(f.id) + f.message);
    }
  }

  private record Fault(
      ReadNote.Kind kind, int id, String attribute, String value, String message) {}

  private List<Fault> faults(int id, IfcSchema.Entity entity) {
    if (entity == null) {
      return List.of(
          new Fault(
              ReadNote.Kind.BAD_VALUE,
              id,
              "",
              file.type(id),
              " is of no kind that the standard knows; it was passed over."));
    }
    Visitor v = new Visitor(id, entity);
    if (!file.visit(id, v)) {
      return List.of();
    }
    for (int i = v.count; i < entity.attributes().size(); i++) {
      v.missing(entity.attributes().get(i));
    }
    return v.found;
  }

  /** Looks at the parameters of one instance. */
  private static final class Visitor implements StepParameters {
    private final int id;
    private final IfcSchema.Entity entity;
    private List<Fault> found = List.of();
    private int count;

    Visitor(int id, IfcSchema.Entity entity) {
      this.id = id;
      this.entity = entity;
    }

    @Override
    public void parameter(int index, Kind kind, StepFile.Slice slice) {
      count = index + 1;
      if (index >= entity.attributes().size()) {
        return;
      }
      IfcSchema.Attribute a = entity.attributes().get(index);
      switch (kind) {
        case UNSET -> missing(a);
        case DERIVED, TYPED -> {}
        default -> {
          if (!fits(a, kind)) {
            fault(ReadNote.Kind.BAD_VALUE, a.name(), shortened(slice), " is no " + wanted(a));
          } else if (kind == Kind.ENUMERATION && a.kind() == IfcSchema.Kind.ENUMERATION) {
            literal(a, slice);
          }
        }
      }
    }

    private static boolean fits(IfcSchema.Attribute a, Kind kind) {
      return switch (a.kind()) {
        case NUMBER -> kind == Kind.NUMBER;
        case ENUMERATION, LOGICAL -> kind == Kind.ENUMERATION;
        case REFERENCE -> kind == Kind.REFERENCE;
        case LIST -> kind == Kind.LIST;
        default -> true;
      };
    }

    private static String wanted(IfcSchema.Attribute a) {
      return switch (a.kind()) {
        case NUMBER -> "number";
        case ENUMERATION -> "literal of an enumeration";
        case LOGICAL -> "logical value";
        case REFERENCE -> "reference";
        default -> "list";
      };
    }

    private void literal(IfcSchema.Attribute a, StepFile.Slice slice) {
      String word = slice.toString().strip().replace(".", "").toUpperCase(Locale.ROOT);
      if (!a.literals().contains(word)) {
        fault(ReadNote.Kind.BAD_VALUE, a.name(), word, ", which is not in the standard's list");
      }
    }

    /** OwnerHistory says nothing about the building; that it is left out is common and harmless. */
    void missing(IfcSchema.Attribute a) {
      if (!a.optional() && !a.name().equals("OwnerHistory")) {
        if (found.isEmpty()) {
          found = new ArrayList<>();
        }
        found.add(
            new Fault(
                ReadNote.Kind.MISSING_REQUIRED,
                id,
                a.name(),
                "",
                " has no " + a.name() + ", which the standard requires."));
      }
    }

    private void fault(ReadNote.Kind kind, String attribute, String value, String message) {
      if (found.isEmpty()) {
        found = new ArrayList<>();
      }
      found.add(
          new Fault(kind, id, attribute, value, ": " + attribute + " is " + value + message + "."));
    }

    private static String shortened(StepFile.Slice slice) {
      String s = slice.length() > 40 ? slice.toString().substring(0, 40) + "…" : slice.toString();
      return s.strip();
    }
  }

  private void globalIds() {
    Map<String, Integer> first = new HashMap<>();
    Set<String> said = new HashSet<>();
    Map<String, Boolean> rooted = new HashMap<>();
    file.all()
        .filter(n -> rooted.computeIfAbsent(file.type(n), t -> schema.is(t, "IfcRoot")))
        .forEach(
            n -> {
              StepInstance i = file.get(n);
              String id = i == null ? "" : i.text(0);
              Integer before = id.isEmpty() ? null : first.putIfAbsent(id, n);
              if (before != null && said.add(id)) {
                int[] place = file.place(n);
                notes.add(
                    ReadNote.of(
                            ReadNote.Kind.DUPLICATE_ID,
                            "The GlobalId "
                                + id
                                + " is used by "
                                + called(before)
                                + " and "
                                + called(n)
                                + ".")
                        .on("GlobalId", id)
                        .times(2)
                        .at(place)
                        .naming(List.of(id, "#" + before, "#" + n)));
              }
            });
  }

  private void unused() {
    Map<String, Boolean> definition = new HashMap<>();
    file.all()
        .filter(n -> !file.isReferenced(n))
        .filter(n -> definition.computeIfAbsent(file.type(n), t -> schema.is(t, DEFINITIONS)))
        .forEach(
            n ->
                add(
                    ReadNote.Kind.UNUSED,
                    schema.proper(file.type(n)),
                    "definition",
                    "",
                    n,
                    called(n) + " is referred to by nothing."));
  }
}
