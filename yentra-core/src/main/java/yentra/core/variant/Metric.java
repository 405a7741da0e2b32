package yentra.core.variant;

import java.util.function.ToDoubleFunction;
import yentra.core.units.Quantity;

/** What variants are judged by; less is better of each. */
public enum Metric {
  HEATING("Heating demand", Quantity.HEAT_BY_AREA, "", f -> f.byArea(f.heating())),
  COOLING("Cooling demand", Quantity.HEAT_BY_AREA, "", f -> f.byArea(f.cooling())),
  DEMAND("Demand for all uses", Quantity.HEAT_BY_AREA, "", f -> f.byArea(f.demand())),
  PRIMARY("Primary energy", Quantity.HEAT_BY_AREA, "", f -> f.byArea(f.primary())),
  CARBON("Carbon", null, "kg/m²", f -> f.byArea(f.carbon())),
  COST("Energy cost", null, "per m²", f -> f.byArea(f.cost())),
  MEAN_U("Mean U-value", Quantity.U_VALUE, "", VariantFigures::meanU),
  HEATING_LOAD("Heating load", Quantity.POWER, "", VariantFigures::heatingLoad),
  COOLING_LOAD("Cooling load", Quantity.POWER, "", VariantFigures::coolingLoad),
  WARM_HOURS("Hours above 26 °C", null, "h", VariantFigures::warmHours);

  private final String label;
  private final Quantity quantity;
  private final String unit;
  private final ToDoubleFunction<VariantFigures> of;

  Metric(String label, Quantity quantity, String unit, ToDoubleFunction<VariantFigures> of) {
    this.label = label;
    this.quantity = quantity;
    this.unit = unit;
    this.of = of;
  }

  public String label() {
    return label;
  }

  /** Its kind; null for what has the same unit everywhere. */
  public Quantity quantity() {
    return quantity;
  }

  /** What it is counted in: the SI unit of its quantity, or a unit of its own. */
  public String unit() {
    return quantity == null ? unit : quantity.si().symbol();
  }

  /** In {@link #unit}; NaN where it is not known. */
  public double of(VariantFigures f) {
    return of.applyAsDouble(f);
  }
}
