package yentra.core.envelope;

/**
 * A group of spaces with the same conditions.
 *
 * @param heatingSetPoint °C, or null
 * @param coolingSetPoint °C, or null
 */
public record Zone(
    String key,
    String name,
    Double heatingSetPoint,
    Double coolingSetPoint,
    SourceRef source,
    Extras extras) {
  /** Its name, or its key where it has none. */
  public String label() {
    return name.isBlank() ? key : name;
  }
}
