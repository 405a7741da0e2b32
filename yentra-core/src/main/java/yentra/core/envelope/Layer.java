package yentra.core.envelope;

import java.util.List;

/** A layer of a construction: one or more materials, from outside to inside. */
public record Layer(
    String key, String name, List<String> materials, SourceRef source, Extras extras) {
  public Layer {
    materials = List.copyOf(materials);
  }
}
