package yentra.core.variant.change;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** How changes are told. */
final class Words {
  private static final int DIGITS = 3;

  private Words() {}

  /** "30", "0.5", never an exponent. */
  static String number(double v) {
    BigDecimal d = BigDecimal.valueOf(v).setScale(DIGITS, RoundingMode.HALF_EVEN);
    return d.signum() == 0 ? "0" : d.stripTrailingZeros().toPlainString();
  }

  static String percent(double share) {
    return number(100 * share) + " %";
  }

  /** " facing south and west"; empty for all. */
  static String facing(Set<Facing> facing) {
    List<String> names = new TreeSet<>(facing).stream().map(Facing::label).toList();
    return names.isEmpty()
        ? ""
        : " facing "
            + (names.size() == 1
                ? names.get(0)
                : names.stream().limit(names.size() - 1).collect(Collectors.joining(", "))
                    + " and "
                    + names.get(names.size() - 1));
  }
}
