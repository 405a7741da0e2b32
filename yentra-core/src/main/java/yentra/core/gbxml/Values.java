package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yentra.core.envelope.ReadNote;
import yentra.core.units.LengthUnit;
import yentra.core.units.ThermalUnit;

/** Reads numbers with their units, and notes what could not be read or had to be assumed. */
final class Values {
  /** Larger numbers overflow when they are converted, and mean nothing. */
  private static final double LARGEST = 1e100;

  private final List<ReadNote> notes = new ArrayList<>();
  LengthUnit length = LengthUnit.METRE;
  LengthUnit area = LengthUnit.METRE;
  LengthUnit volume = LengthUnit.METRE;
  String temperature = "C";

  List<ReadNote> notes() {
    return notes;
  }

  void note(
      ReadNote.Kind kind,
      String object,
      String subject,
      String value,
      String message,
      int line,
      int column) {
    String shown = value.length() > 80 ? value.substring(0, 80) + "…" : value;
    notes.add(new ReadNote(kind, object, subject, shown, 1, message, line, column));
  }

  /**
   * The number a text stands for by XML Schema's rules for decimals and doubles: a point, an
   * optional exponent, no thousands marks, no decimal comma.
   */
  static Optional<Double> parse(String text) {
    int n = text.length();
    if (n == 0 || n > 64) {
      return Optional.empty();
    }
    for (int i = 0; i < n; i++) {
      char c = text.charAt(i);
      if (!(c >= '0' && c <= '9' || c == '.' || c == '-' || c == '+' || c == 'e' || c == 'E')) {
        return Optional.empty();
      }
    }
    try {
      double d = Double.parseDouble(text);
      return Math.abs(d) <= LARGEST ? Optional.of(d) : Optional.empty();
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /** The leaf's number, or empty with a note; what could not be read is kept as it stands. */
  Optional<Double> number(Leaf leaf, String owner, Kept kept) {
    Optional<Double> d = parse(leaf.text());
    if (d.isEmpty()) {
      kept.fragment(leaf.xml());
      String hint = leaf.text().indexOf(',') >= 0 ? " Write the decimal sign as a point." : "";
      note(
          ReadNote.Kind.BAD_VALUE,
          owner,
          leaf.name(),
          leaf.text(),
          leaf.name()
              + " is "
              + (leaf.text().isEmpty() ? "empty" : "\"" + clip(leaf.text()) + "\"")
              + ", which is no number."
              + hint,
          leaf.line(),
          leaf.column());
    }
    return d;
  }

  Optional<Double> lengthOf(Leaf leaf, String owner, Kept kept) {
    return number(leaf, owner, kept)
        .flatMap(
            d -> {
              String unit = leaf.attribute("unit");
              if (unit == null) {
                assumed(leaf, owner, length.gbxml());
                return Optional.of(d * length.metres());
              }
              return converted(
                  d, LengthUnit.fromGbxml(unit).map(LengthUnit::metres), leaf, owner, kept);
            });
  }

  Optional<Double> thermal(Leaf leaf, String owner, ThermalUnit.Quantity quantity, Kept kept) {
    return number(leaf, owner, kept)
        .flatMap(
            d -> {
              String unit = leaf.attribute("unit");
              if (unit == null) {
                assumed(leaf, owner, quantity.si());
                return Optional.of(d);
              }
              return converted(d, quantity.factor(unit), leaf, owner, kept);
            });
  }

  Optional<Double> celsius(Leaf leaf, String owner, Kept kept) {
    return number(leaf, owner, kept)
        .flatMap(
            d -> {
              String unit = leaf.attribute("unit");
              Optional<Double> c = ThermalUnit.celsius(d, unit == null ? temperature : unit);
              if (c.isEmpty()) {
                unknownUnit(leaf, owner, kept);
              }
              return c;
            });
  }

  private Optional<Double> converted(
      double d, Optional<Double> factor, Leaf leaf, String owner, Kept kept) {
    if (factor.isEmpty()) {
      unknownUnit(leaf, owner, kept);
    }
    return factor.map(f -> d * f);
  }

  private void unknownUnit(Leaf leaf, String owner, Kept kept) {
    kept.fragment(leaf.xml());
    note(
        ReadNote.Kind.BAD_VALUE,
        owner,
        leaf.name(),
        leaf.attribute("unit"),
        "The unit \""
            + clip(leaf.attribute("unit"))
            + "\" of "
            + leaf.name()
            + " is not one of the standard's.",
        leaf.line(),
        leaf.column());
  }

  private void assumed(Leaf leaf, String owner, String unit) {
    note(
        ReadNote.Kind.UNIT_ASSUMED,
        owner,
        leaf.name(),
        unit,
        leaf.name() + " has no unit: " + unit + " assumed.",
        leaf.line(),
        leaf.column());
  }

  static String clip(String s) {
    return s.length() > 40 ? s.substring(0, 40) + "…" : s;
  }
}
