package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Surface;

/** OPN-606: the opening's type contradicts its properties. */
final class OpeningContradicts implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "OPN-606",
          Severity.ERROR,
          "the opening's type contradicts its properties",
          "Opaque doors that name a window type, and windows that name an opaque construction and no window type.",
          "Light passes a door, or none passes a window.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      for (Opening o : s.openings()) {
        boolean door = o.type() == OpeningType.NON_SLIDING_DOOR && named(o.glazing());
        boolean window = o.type().isGlazed() && named(o.construction()) && !named(o.glazing());
        if (door || window) {
          report.accept(
              context
                  .finding(DESCRIPTOR, o.key(), s.key())
                  .evidence(Evidence.area(o.polygon()))
                  .says(
                      "The "
                          + context.naming().opening(o)
                          + (door
                              ? " is an opaque door but has a window type."
                              : " is a window but has an opaque construction.")));
        }
      }
    }
  }

  private static boolean named(String key) {
    return key != null && !key.isBlank();
  }
}
