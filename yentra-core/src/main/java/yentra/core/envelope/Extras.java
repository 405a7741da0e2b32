package yentra.core.envelope;

import java.util.List;
import java.util.function.Predicate;

/**
 * What a delivered XML element held that the envelope has no field for. It is written back
 * unchanged.
 *
 * @param attributes attributes in the order of the file
 * @param fragments child elements, comments and processing instructions as well-formed XML text, in
 *     the order of the file
 */
public record Extras(List<Attribute> attributes, List<String> fragments) {
  public static final Extras NONE = new Extras(List.of(), List.of());

  public Extras {
    attributes = List.copyOf(attributes);
    fragments = List.copyOf(fragments);
  }

  /** An attribute; {@code prefix} and {@code namespace} are empty for one without. */
  public record Attribute(String prefix, String namespace, String name, String value) {}

  public boolean isEmpty() {
    return attributes.isEmpty() && fragments.isEmpty();
  }

  public Extras withoutAttribute(String name) {
    Predicate<Attribute> other = a -> !(a.prefix().isEmpty() && a.name().equals(name));
    return new Extras(attributes.stream().filter(other).toList(), fragments);
  }
}
