package yentra.core.envelope;

import java.util.Objects;

/** Where an envelope itself says that the ground lies. */
public final class GroundLevel {
  private GroundLevel() {}

  /**
   * The highest top of the surfaces in contact with the ground, else the lowest storey, else 0.
   *
   * @return m in model coordinates
   */
  public static double of(Envelope e) {
    return e.surfaces().stream()
        .filter(s -> s.type().isGround() && !s.polygon().outer().isEmpty())
        .mapToDouble(s -> s.polygon().box().max().z())
        .max()
        .orElseGet(
            () ->
                e.storeys().stream()
                    .map(Storey::level)
                    .filter(Objects::nonNull)
                    .mapToDouble(l -> l)
                    .min()
                    .orElse(0));
  }
}
