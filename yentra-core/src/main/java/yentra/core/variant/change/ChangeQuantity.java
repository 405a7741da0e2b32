package yentra.core.variant.change;

import yentra.core.units.Quantity;

/**
 * A number of a change, which can be set and swept.
 *
 * @param member by which the change knows it
 * @param label in words
 * @param quantity its kind; null for a plain number
 * @param unit what it is counted in where {@code quantity} is null; else null
 * @param value in the quantity's SI unit; null where the change leaves it as it is
 * @param least that it may be
 * @param most that it may be
 */
public record ChangeQuantity(
    String member,
    String label,
    Quantity quantity,
    String unit,
    Double value,
    double least,
    double most) {
  /** What it is counted in: the SI unit of its quantity, or a unit of its own. */
  public String shownUnit() {
    return quantity == null ? unit : quantity.si().symbol();
  }

  static ChangeQuantity of(
      String member, String label, Quantity quantity, Double value, double least, double most) {
    return new ChangeQuantity(member, label, quantity, null, value, least, most);
  }

  static ChangeQuantity counted(
      String member, String label, String unit, Double value, double least, double most) {
    return new ChangeQuantity(member, label, null, unit, value, least, most);
  }
}
