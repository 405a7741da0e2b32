package yentra.core.ifc;

import yentra.core.boundary.DeliveredBoundary.Role;
import yentra.core.model.Element;
import yentra.core.model.PropertyValue;

/** What a window or door lets through. */
final class IfcFilling {
  /** A door with more glass than this share lets light through: common practice, no source. */
  private static final double GLAZED = 0.5;

  private IfcFilling() {}

  /** Light passes through windows, and through doors that are mostly glass. */
  static Role role(IfcModel model, Element filling) {
    return model.isKind(filling.entity(), "IfcDoor") && !isGlazed(model, filling)
        ? Role.DOOR
        : Role.WINDOW;
  }

  private static boolean isGlazed(IfcModel model, Element door) {
    return model
        .property(door, "", "GlazingAreaFraction")
        .map(p -> p.value())
        .filter(PropertyValue.Number.class::isInstance)
        .map(v -> ((PropertyValue.Number) v).value() > GLAZED)
        .orElse(false);
  }
}
