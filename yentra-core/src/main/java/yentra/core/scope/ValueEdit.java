package yentra.core.scope;

import java.util.ArrayList;
import java.util.List;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;

/**
 * A value that a person has set on an element.
 *
 * @param value the new value, or null to take the property away
 * @param type the value's type as IFC names it, such as {@code IfcLabel}
 */
public record ValueEdit(String set, String property, PropertyValue value, String type) {
  /** The sets with this value in place of the old one; a set that is not there is added. */
  List<PropertySet> apply(List<PropertySet> sets) {
    List<PropertySet> outSets = new ArrayList<>();
    boolean found = false;
    for (PropertySet s : sets) {
      if (!s.name().equals(set)) {
        outSets.add(s);
        continue;
      }
      found = true;
      List<Property> properties = new ArrayList<>();
      boolean placed = false;
      for (Property p : s.properties()) {
        if (!p.name().equals(property)) {
          properties.add(p);
        } else if (value != null) {
          placed = true;
          properties.add(new Property(property, value, type, p.number()));
        }
      }
      if (!placed && value != null) {
        properties.add(new Property(property, value, type, 0));
      }
      outSets.add(new PropertySet(s.name(), s.quantities(), s.inherited(), s.number(), properties));
    }
    if (!found && value != null) {
      outSets.add(
          new PropertySet(set, false, false, 0, List.of(new Property(property, value, type, 0))));
    }
    return outSets;
  }
}
