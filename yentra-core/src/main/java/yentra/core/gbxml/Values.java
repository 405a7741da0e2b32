package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import yentra.core.envelope.ReadNote;
import yentra.core.units.LengthUnit;
import yentra.core.units.Quantity;
import yentra.core.units.Unit;

/** Reads numbers with their units, and notes what could not be read or had to be assumed. */
final class Values {
  /** Larger numbers overflow when they are converted, and mean nothing. */
  private static final double LARGEST = 1e100;

  private final List<ReadNote> notes = new ArrayList<>();
  private final Map<String, ReadNote> lost = new LinkedHashMap<>();
  LengthUnit length = LengthUnit.METRE;
  LengthUnit area = LengthUnit.METRE;
  LengthUnit volume = LengthUnit.METRE;
  String temperature = "C";

  List<ReadNote> notes() {
    List<ReadNote> all = new ArrayList<>(notes);
    all.addAll(lost.values());
    if (!notReckoned.isEmpty()) {
      all.add(
          ReadNote.of(
                  ReadNote.Kind.ASSUMED,
                  "kept as delivered and written back, but nothing is reckoned from: "
                      + notReckoned.entrySet().stream()
                          .map(e -> e.getValue() + " " + e.getKey())
                          .collect(Collectors.joining(", ")))
              .times(notReckoned.values().stream().mapToInt(i -> i).sum()));
    }
    return all;
  }

  /**
   * Elements that say something of loads, systems or climate that the envelope has no place for.
   */
  private static final Set<String> NOT_RECKONED =
      Set.of(
          "AirLoop",
          "ExtEquip",
          "HydronicLoop",
          "IntEquip",
          "Lighting",
          "LightingControl",
          "LightingSystem",
          "Meter",
          "Weather");

  private final Map<String, Integer> notReckoned = new TreeMap<>();

  /** Hears of an element that is kept as it is. */
  void kept(String element) {
    if (NOT_RECKONED.contains(element)) {
      notReckoned.merge(element, 1, Integer::sum);
    }
  }

  /** Notes what cannot be written back; the same kind of thing once, with its number. */
  void lost(String object, String where, String what, String message, int line, int column) {
    lost.merge(
        where + " " + what,
        ReadNote.of(ReadNote.Kind.LOST, message).about(object).on(where, what).at(line, column),
        (a, b) -> a.times(a.count() + 1));
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
    notes.add(
        ReadNote.of(kind, message)
            .about(object)
            .on(subject, shown)
            .withMember(GbxmlMember.of(subject))
            .at(line, column));
  }

  /**
   * The number of a text with one comma that can only be its decimal sign: "1,234" may as well be a
   * thousand.
   *
   * @return no number when there is no such comma
   */
  private static double decimalComma(String text) {
    int at = text.indexOf(',');
    boolean one = at > 0 && at == text.lastIndexOf(',') && text.indexOf('.') < 0;
    boolean thousands = one && text.length() - at - 1 == 3 && !text.startsWith("0,");
    return one && !thousands ? parse(text.replace(',', '.')).orElse(Double.NaN) : Double.NaN;
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

  private static final Set<String> NOTHING = Set.of();
  private static final Set<String> UNIT = Set.of("unit");

  /** The text of a leaf; what else it says is kept. */
  static String text(Leaf leaf, Kept kept) {
    kept.child(leaf.name(), leaf.attributes(), NOTHING);
    return leaf.text();
  }

  /**
   * The leaf's number, or empty with a note; what could not be read is kept as it stands, as are
   * attributes of what could.
   */
  Optional<Double> number(Leaf leaf, String owner, Kept kept) {
    return number(leaf, owner, kept, NOTHING);
  }

  /**
   * @param understood names of attributes that the caller looks at
   */
  Optional<Double> number(Leaf leaf, String owner, Kept kept, Set<String> understood) {
    Optional<Double> d = parsed(leaf, owner, kept);
    if (d.isPresent()) {
      kept.child(leaf.name(), leaf.attributes(), understood);
    }
    return d;
  }

  private Optional<Double> parsed(Leaf leaf, String owner, Kept kept) {
    return parsed(leaf, owner, kept, 1.0);
  }

  /**
   * @param factor to SI, of what a comma is the decimal sign of
   */
  private Optional<Double> parsed(Leaf leaf, String owner, Kept kept, double factor) {
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
      double meant = decimalComma(leaf.text()) * factor;
      if (Double.isFinite(meant)) {
        notes.set(notes.size() - 1, notes.get(notes.size() - 1).withFigure(meant));
      }
    }
    return d;
  }

  Optional<Double> lengthOf(Leaf leaf, String owner, Kept kept) {
    String unit = leaf.attribute("unit");
    return converted(
        leaf,
        owner,
        kept,
        GbxmlUnits.length(length),
        length.plural(),
        unit == null
            ? Optional.of(length.metres())
            : GbxmlUnits.length(unit).map(LengthUnit::metres),
        UNIT);
  }

  Optional<Double> thermal(Leaf leaf, String owner, Quantity quantity, Kept kept) {
    return thermal(leaf, owner, quantity, kept, UNIT);
  }

  /**
   * @param understood names of attributes that the caller looks at, the unit among them
   */
  Optional<Double> thermal(
      Leaf leaf, String owner, Quantity quantity, Kept kept, Set<String> understood) {
    String unit = leaf.attribute("unit");
    return converted(
        leaf,
        owner,
        kept,
        GbxmlUnits.si(quantity),
        quantity.si().symbol(),
        unit == null ? Optional.of(1.0) : GbxmlUnits.unit(quantity, unit).map(Unit::factor),
        understood);
  }

  private Optional<Double> converted(
      Leaf leaf,
      String owner,
      Kept kept,
      String fallback,
      String said,
      Optional<Double> factor,
      Set<String> understood) {
    Optional<Double> d = parsed(leaf, owner, kept, factor.orElse(Double.NaN));
    if (d.isEmpty()) {
      return d;
    }
    if (factor.isEmpty()) {
      unknownUnit(leaf, owner, kept);
      return factor;
    }
    if (leaf.attribute("unit") == null) {
      assumed(leaf, owner, fallback, said);
    }
    kept.child(leaf.name(), leaf.attributes(), understood);
    return Optional.of(d.get() * factor.get());
  }

  Optional<Double> celsius(Leaf leaf, String owner, Kept kept) {
    Optional<Double> d = parsed(leaf, owner, kept);
    if (d.isEmpty()) {
      return d;
    }
    String unit = leaf.attribute("unit");
    Optional<Double> c =
        GbxmlUnits.unit(Quantity.TEMPERATURE, unit == null ? temperature : unit)
            .map(u -> u.toSi(d.get()));
    if (c.isEmpty()) {
      unknownUnit(leaf, owner, kept);
    } else {
      kept.child(leaf.name(), leaf.attributes(), UNIT);
    }
    return c;
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

  private void assumed(Leaf leaf, String owner, String unit, String said) {
    note(
        ReadNote.Kind.UNIT_ASSUMED,
        owner,
        leaf.name(),
        unit,
        leaf.name() + " has no unit: " + said + " assumed.",
        leaf.line(),
        leaf.column());
  }

  static String clip(String s) {
    return s.length() > 40 ? s.substring(0, 40) + "…" : s;
  }
}
