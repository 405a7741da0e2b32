package yentra.core.finding;

import java.util.Map;

/**
 * The limits a project has set, by check code and limit name ({@code "GEO-302.deviation"}); those
 * it has not set have their default.
 */
public record Limits(Map<String, Double> values) {
  public static final Limits STANDARD = new Limits(Map.of());

  public Limits {
    values = Map.copyOf(values);
  }

  /**
   * A limit of a check.
   *
   * @throws IllegalArgumentException when the check has no such limit
   */
  public double of(Descriptor check, String name) {
    return of(check.code(), check.limit(name));
  }

  /**
   * @param code of the check whose limit it is
   */
  public double of(String code, Limit limit) {
    return values.getOrDefault(code + "." + limit.name(), limit.standard());
  }
}
