package yentra.core.envelope;

import java.util.List;

/**
 * A build-up of layers from outside to inside.
 *
 * @param layers keys of its layer groups
 * @param uValue the stated U-value in W/(m²K), or null
 */
public record Construction(
    String key, String name, List<String> layers, Double uValue, SourceRef source, Extras extras) {
  public Construction {
    layers = List.copyOf(layers);
  }

  /** Its name, or its key where it has none. */
  public String label() {
    return name.isBlank() ? key : name;
  }
}
