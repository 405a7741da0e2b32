package yentra.core.ifc;

import java.util.Locale;
import yentra.core.model.Measures;
import yentra.core.model.PropertyValue;
import yentra.core.scope.ValueEdit;
import yentra.core.step.StepLiteral;

/** Property values as an IFC file writes them, in the project's units. */
final class IfcValueText {
  private final IfcUnits units;

  IfcValueText(IfcUnits units) {
    this.units = units;
  }

  String of(ValueEdit edit) {
    return of(edit.value(), edit.type());
  }

  private String of(PropertyValue value, String type) {
    String upper = type.toUpperCase(Locale.ROOT);
    if (value instanceof PropertyValue.Number n) {
      String measure = upper.isEmpty() ? "IFCREAL" : upper;
      if (measure.equals("IFCINTEGER")) {
        return "IFCINTEGER(" + Math.round(n.value()) + ")";
      }
      double d = Measures.si(measure).isEmpty() ? n.value() : units.fromSi(measure, n.value());
      return measure + "(" + StepLiteral.real(d) + ")";
    }
    if (value instanceof PropertyValue.Logical l) {
      return (upper.equals("IFCLOGICAL") ? upper : "IFCBOOLEAN") + (l.value() ? "(.T.)" : "(.F.)");
    }
    boolean words = upper.equals("IFCTEXT") || upper.equals("IFCIDENTIFIER");
    return (words ? upper : "IFCLABEL") + "(" + StepLiteral.text(value.text()) + ")";
  }
}
