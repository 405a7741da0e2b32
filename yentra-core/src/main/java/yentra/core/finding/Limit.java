package yentra.core.finding;

/**
 * A limit of a check, a project setting.
 *
 * @param name unique within its check
 * @param unit of the value, or empty
 * @param standard the default
 * @param least the least value that makes sense
 * @param most the greatest
 */
public record Limit(String name, String unit, double standard, double least, double most) {}
