package yentra.core.model;

import java.util.List;
import java.util.Locale;
import yentra.core.envelope.SourceRef;

/**
 * An object of the architectural model.
 *
 * @param key unique in the delivery and stable from one delivery to the next: the GlobalId, or
 *     {@code #12} where that is missing or taken
 * @param number the instance number in the file, 0 when there is none
 * @param entity the class in its proper capitals, such as {@code IfcWall}
 * @param predefinedType such as {@code ROOF}, the own before the type's, or empty
 * @param objectType the user's own type word, or empty
 * @param longName the long name of spaces and storeys, or empty
 * @param typeName the name of its type object, or empty
 * @param storey the name of its storey, or empty
 * @param parent key of what it is part of or contained in, or empty
 * @param layer the presentation layer, or empty
 */
public record Element(
    String key,
    int number,
    String entity,
    String predefinedType,
    String name,
    String longName,
    String description,
    String objectType,
    String tag,
    String typeName,
    String storey,
    String parent,
    String layer,
    SourceRef source) {
  /**
   * The name with the long name, the long name alone where it says the name too, or the class and
   * key when there is neither.
   */
  public String label() {
    String own = name.strip();
    String more = longName.strip();
    if (own.isEmpty() && more.isEmpty()) {
      return entity + " " + key;
    }
    return more.isEmpty() ? own : own.isEmpty() || says(more, own) ? more : own + " " + more;
  }

  /** Whether a name has another in it as a whole word or words, such as "Boat hall" has "hall". */
  private static boolean says(String name, String other) {
    return (" " + name.toLowerCase(Locale.ROOT) + " ")
        .contains(" " + other.toLowerCase(Locale.ROOT) + " ");
  }

  /**
   * Materials of an element.
   *
   * @param names of the materials
   * @param aliases what else they go by: categories, names of sets, layers, profiles, constituents
   */
  public record Materials(List<Layer> layers, List<String> names, List<String> aliases) {
    public static final Materials NONE = new Materials(List.of(), List.of(), List.of());

    public Materials {
      layers = List.copyOf(layers);
      names = List.copyOf(names);
      aliases = List.copyOf(aliases);
    }

    public boolean isEmpty() {
      return names.isEmpty();
    }
  }

  /** One layer with its thickness in metres. */
  public record Layer(String material, double thickness) {}
}
