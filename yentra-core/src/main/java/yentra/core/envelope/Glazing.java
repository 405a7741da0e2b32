package yentra.core.envelope;

/**
 * A window type. Values are null when not stated.
 *
 * @param uValue W/(m²K)
 * @param solarHeatGain share of the sun's heat that comes in at normal incidence (SHGC, g), 0 to 1
 * @param visibleTransmittance share of visible light that comes in, 0 to 1
 * @param extras everything else of the delivered window type, and the elements these two come from
 */
public record Glazing(
    String key,
    String name,
    Double uValue,
    Double solarHeatGain,
    Double visibleTransmittance,
    SourceRef source,
    Extras extras) {
  /** Its name, or its key where it has none. */
  public String label() {
    return name.isBlank() ? key : name;
  }
}
