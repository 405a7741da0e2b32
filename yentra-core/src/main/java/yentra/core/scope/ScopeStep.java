package yentra.core.scope;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.envelope.SpaceSeed;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.model.PropertyValue;

/**
 * One change to what is in scope or to the values of the model, serialisable as JSON by its kind
 * and fields, so that it can be logged and replayed on the next delivery. Elements are named by
 * their keys; keys that a delivery does not have are passed over.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = ScopeStep.ApplySheet.class, name = "ApplySheet"),
  @JsonSubTypes.Type(value = ScopeStep.PlaceElements.class, name = "PlaceElements"),
  @JsonSubTypes.Type(value = ScopeStep.ReleaseElements.class, name = "ReleaseElements"),
  @JsonSubTypes.Type(value = ScopeStep.SetValues.class, name = "SetValues"),
  @JsonSubTypes.Type(value = ScopeStep.ChooseBoundaries.class, name = "ChooseBoundaries"),
  @JsonSubTypes.Type(value = ScopeStep.AddSpaces.class, name = "AddSpaces"),
  @JsonSubTypes.Type(value = ScopeStep.Draw.class, name = "Draw")
})
public sealed interface ScopeStep {
  /** What it does, in a sentence for a person. */
  String describe(ArchitecturalModel model);

  /** Sorts the whole model by a sheet, in place of the one before; decisions by hand stay. */
  record ApplySheet(ScopeSheet sheet) implements ScopeStep {
    @Override
    public String describe(ArchitecturalModel model) {
      return "Applies the scope sheet " + sheet.name() + ".";
    }
  }

  /** Puts elements in or out of scope by hand. */
  record PlaceElements(List<String> keys, boolean in, String reason) implements ScopeStep {
    public PlaceElements {
      keys = List.copyOf(keys);
    }

    @Override
    public String describe(ArchitecturalModel model) {
      return "Puts "
          + counted(model, keys)
          + (in ? " in scope" : " out of scope")
          + (reason.isBlank() ? "." : ": " + reason + ".");
    }
  }

  /** Takes back what was decided by hand about elements: the sheet decides again. */
  record ReleaseElements(List<String> keys) implements ScopeStep {
    public ReleaseElements {
      keys = List.copyOf(keys);
    }

    @Override
    public String describe(ArchitecturalModel model) {
      return "Leaves " + counted(model, keys) + " to the scope sheet again.";
    }
  }

  /**
   * Sets a property of elements.
   *
   * @param type the value's type as IFC names it, such as {@code IfcLabel}
   */
  record SetValues(String set, String property, String type, List<Change> changes)
      implements ScopeStep {
    public SetValues {
      changes = List.copyOf(changes);
    }

    @Override
    public String describe(ArchitecturalModel model) {
      List<String> keys = changes.stream().flatMap(c -> c.keys().stream()).toList();
      String what = set + "." + property;
      String of = counted(model, keys);
      if (changes.size() != 1) {
        return "Sets " + what + " of " + of + " to " + changes.size() + " different values.";
      }
      PropertyValue v = changes.get(0).value();
      return v == null
          ? "Takes " + what + " away from " + of + "."
          : "Sets " + what + " of " + of + " to " + shown(v) + ".";
    }
  }

  /** Where the boundaries of a space come from. */
  enum BoundarySource {
    DELIVERED,
    DERIVED,
    /** As the project has it. */
    PROJECT
  }

  /** Says of spaces where their boundaries come from, whatever the project says. */
  record ChooseBoundaries(List<String> spaces, BoundarySource source) implements ScopeStep {
    public ChooseBoundaries {
      spaces = List.copyOf(spaces);
    }

    @Override
    public String describe(ArchitecturalModel model) {
      String of = counted(model, spaces);
      return switch (source) {
        case DELIVERED -> "Takes the delivered boundaries of " + of + ".";
        case DERIVED -> "Derives the boundaries of " + of + ".";
        case PROJECT -> "Leaves the boundaries of " + of + " to the project’s choice.";
      };
    }
  }

  /** Makes spaces of volumes that construction encloses. */
  record AddSpaces(List<SpaceSeed> seeds) implements ScopeStep {
    public AddSpaces {
      seeds = List.copyOf(seeds);
    }

    @Override
    public String describe(ArchitecturalModel model) {
      return seeds.size() == 1
          ? "Makes a space of the enclosed volume " + seeds.get(0).name() + "."
          : "Makes spaces of " + seeds.size() + " enclosed volumes.";
    }
  }

  /**
   * Draws a building anew, in place of what was drawn before; for deliveries that are plan
   * documents only. The log holds whole documents: they are small, and undo and replay need nothing
   * else.
   *
   * @param document the plan document as JSON
   * @param says what the person did, in a sentence
   */
  record Draw(String document, String says) implements ScopeStep {
    @Override
    public String describe(ArchitecturalModel model) {
      return says;
    }
  }

  /** A value, null to take the property away, with the keys of the elements that get it. */
  record Change(PropertyValue value, List<String> keys) {
    public Change {
      keys = List.copyOf(keys);
    }
  }

  private static String shown(PropertyValue v) {
    if (v instanceof PropertyValue.Logical l) {
      return l.value() ? "yes" : "no";
    }
    return v.text()
        + (v instanceof PropertyValue.Number n && !n.unit().isEmpty() ? " " + n.unit() : "");
  }

  /** "wall North wall", "3 walls and 1 slab", "12 elements". */
  private static String counted(ArchitecturalModel model, List<String> keys) {
    if (keys.size() == 1) {
      return model
          .element(keys.get(0))
          .map(e -> plain(e.entity()) + " " + e.label())
          .orElse("1 element");
    }
    Map<String, Integer> classes = new TreeMap<>();
    for (String k : keys) {
      classes.merge(model.element(k).map(Element::entity).orElse(""), 1, Integer::sum);
    }
    if (classes.size() > 3 || classes.containsKey("")) {
      return keys.size() + " elements";
    }
    return String.join(
        " and ",
        classes.entrySet().stream()
            .map(e -> e.getValue() + " " + plain(e.getKey()) + (e.getValue() == 1 ? "" : "s"))
            .toList());
  }

  /** "curtain wall" of IfcCurtainWall. */
  private static String plain(String entity) {
    return entity
        .replaceFirst("^Ifc", "")
        .replaceFirst("(StandardCase|ElementedCase)$", "")
        .replaceAll("(?<=[a-z])(?=[A-Z])", " ")
        .toLowerCase(java.util.Locale.ROOT);
  }
}
