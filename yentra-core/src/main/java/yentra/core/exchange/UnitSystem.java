package yentra.core.exchange;

import yentra.core.units.Quantity;
import yentra.core.units.Unit;

/** The units in which figures are handed over. */
public enum UnitSystem {
  SI,
  /** Inches and pounds. */
  IP;

  public Unit of(Quantity q) {
    return this == SI ? q.si() : q.imperial();
  }

  /** A value in SI units in these; null for null. */
  public Double from(Quantity q, Double si) {
    return si == null ? null : (Double) of(q).fromSi(si);
  }

  /** A heading with its unit in brackets. */
  public String head(String what, Quantity q) {
    String unit = of(q).symbol();
    return unit.isEmpty() ? what : what + " (" + unit + ")";
  }
}
