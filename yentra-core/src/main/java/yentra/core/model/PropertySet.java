package yentra.core.model;

import java.util.List;
import java.util.Optional;

/**
 * A set of properties or quantities.
 *
 * @param quantities whether it is a quantity set
 * @param inherited whether it comes from the element's type
 * @param number the instance number in the file, 0 when there is none
 */
public record PropertySet(
    String name, boolean quantities, boolean inherited, int number, List<Property> properties) {
  public PropertySet {
    properties = List.copyOf(properties);
  }

  public Optional<Property> property(String named) {
    return properties.stream().filter(p -> p.name().equals(named)).findFirst();
  }
}
