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
 * @param children attributes of child elements whose content is understood
 */
public record Extras(List<Attribute> attributes, List<String> fragments, List<Child> children) {
  public static final Extras NONE = new Extras(List.of(), List.of());

  public Extras {
    attributes = List.copyOf(attributes);
    fragments = List.copyOf(fragments);
    children = List.copyOf(children);
  }

  public Extras(List<Attribute> attributes, List<String> fragments) {
    this(attributes, fragments, List.of());
  }

  /** An attribute; {@code prefix} and {@code namespace} are empty for one without. */
  public record Attribute(String prefix, String namespace, String name, String value) {}

  /**
   * What a child element says besides its content.
   *
   * @param element its name, with what tells it from others of that name behind it
   */
  public record Child(String element, List<Attribute> attributes) {
    public Child {
      attributes = List.copyOf(attributes);
    }
  }

  public boolean isEmpty() {
    return attributes.isEmpty() && fragments.isEmpty() && children.isEmpty();
  }

  /** The kept attributes of a child element. */
  public List<Attribute> of(String child) {
    for (Child c : children) {
      if (c.element.equals(child)) {
        return c.attributes;
      }
    }
    return List.of();
  }

  public Extras withoutAttribute(String name) {
    Predicate<Attribute> other = a -> !(a.prefix().isEmpty() && a.name().equals(name));
    return new Extras(attributes.stream().filter(other).toList(), fragments, children);
  }
}
