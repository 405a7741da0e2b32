package yentra.core.check;

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

  double of(Descriptor check, String name) {
    Double set = values.get(check.code() + "." + name);
    if (set != null) {
      return set;
    }
    return check.limits().stream()
        .filter(l -> l.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException(check.code() + " has no limit " + name))
        .standard();
  }
}
