package yentra.core.envelope;

/**
 * A material with its thickness in a layer. Values are null when not stated.
 *
 * @param thickness m
 * @param conductivity W/(mK)
 * @param density kg/m³
 * @param specificHeat J/(kgK)
 * @param resistance m²K/W
 */
public record Material(
    String key,
    String name,
    Double thickness,
    Double conductivity,
    Double density,
    Double specificHeat,
    Double resistance,
    SourceRef source,
    Extras extras) {
  /** Its name, or its key where it has none. */
  public String label() {
    return name.isBlank() ? key : name;
  }
}
