package yentra.core.model;

import java.util.List;

/**
 * A reference into a classification system.
 *
 * @param system its name
 * @param codes identification of the reference, and of those above it
 */
public record Classification(String system, List<String> codes) {
  public Classification {
    codes = List.copyOf(codes);
  }
}
