package yentra.core.envelope;

/**
 * A storey.
 *
 * @param level height of its floor in metres in model coordinates, or null when not stated
 * @param building key of its building
 */
public record Storey(
    String key, String name, Double level, String building, SourceRef source, Extras extras) {
  public Storey withLevel(Double l) {
    return new Storey(key, name, l, building, source, extras);
  }
}
