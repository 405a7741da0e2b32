package yentra.core.model;

/**
 * A property or quantity.
 *
 * @param value null when the file names the property but gives no value
 * @param type the value's type as IFC names it, such as {@code IfcLabel}; empty when it is not
 *     stated
 * @param number the instance number in the file, 0 when there is none
 */
public record Property(String name, PropertyValue value, String type, int number) {}
