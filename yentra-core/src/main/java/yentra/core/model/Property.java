package yentra.core.model;

/**
 * A property or quantity.
 *
 * @param value null when the file names the property but gives no value
 * @param number the instance number in the file, 0 when there is none
 */
public record Property(String name, PropertyValue value, int number) {}
