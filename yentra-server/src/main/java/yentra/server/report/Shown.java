package yentra.server.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import yentra.core.exchange.UnitSystem;
import yentra.core.units.Quantity;
import yentra.core.units.Unit;

/** Figures and sentences in the units of a report. */
final class Shown {
  private static final Locale PLAIN = Locale.ROOT;
  private static final int MOST_DIGITS = 6;

  private final UnitSystem units;

  Shown(UnitSystem units) {
    this.units = units;
  }

  UnitSystem units() {
    return units;
  }

  String unit(Quantity q) {
    return units.of(q).symbol();
  }

  double of(Quantity q, double si) {
    return units.from(q, si);
  }

  /** A figure alone; a dash for what is not known. */
  String figure(Quantity q, Double si, int decimals) {
    return si == null || !Double.isFinite(si)
        ? "–"
        : String.format(PLAIN, "%,." + decimals + "f", units.from(q, si) + 0.0);
  }

  /** A figure with its unit. */
  String text(Quantity q, Double si, int decimals) {
    String f = figure(q, si, decimals);
    return f.equals("–") ? f : (f + " " + unit(q)).strip();
  }

  static String count(double n) {
    return String.format(PLAIN, "%,.0f", n);
  }

  /** "1 finding", "3 findings". */
  static String count(int n, String what) {
    return n == 1 ? "1 " + what : count(n) + " " + what + "s";
  }

  static String percent(Double share, int decimals) {
    return share == null || !Double.isFinite(share)
        ? "–"
        : String.format(PLAIN, "%." + decimals + "f %%", 100 * share);
  }

  /** Quantities that are said otherwise in inches and pounds, by how sentences write their unit. */
  private static final Map<String, Quantity> SPOKEN = spoken();

  private static final Pattern SAID =
      Pattern.compile(
          "(?<![\\w.,#-])([-+−]?\\d+(?:,\\d{3})*(?:\\.\\d+)?)([ \u00a0])("
              + SPOKEN.keySet().stream()
                  .sorted(Comparator.comparingInt(String::length).reversed())
                  .map(Pattern::quote)
                  .collect(Collectors.joining("|"))
              + ")(?![\\w²³/·])");

  private static Map<String, Quantity> spoken() {
    Map<String, Quantity> out = new LinkedHashMap<>();
    for (Quantity q : Quantity.values()) {
      Unit si = q.si();
      if (!si.symbol().equals(q.imperial().symbol())) {
        List<String> written = new ArrayList<>(si.spellings());
        written.add(si.symbol());
        written.stream().filter(u -> !u.isEmpty()).forEach(u -> out.putIfAbsent(u, q));
      }
    }
    return out;
  }

  /** A sentence with its quantities in these units. */
  String said(String sentence) {
    if (units == UnitSystem.SI) {
      return sentence;
    }
    Matcher m = SAID.matcher(sentence);
    StringBuilder out = new StringBuilder();
    while (m.find()) {
      Quantity q = SPOKEN.get(m.group(3));
      double si = Double.parseDouble(m.group(1).replace(",", "").replace('−', '-'));
      int digits =
          Math.max(3, m.group(1).replaceAll("^[-+−]?0*\\.?0*", "").replaceAll("\\D", "").length());
      String v =
          java.math.BigDecimal.valueOf(units.from(q, si))
              .round(new java.math.MathContext(Math.min(digits, MOST_DIGITS)))
              .stripTrailingZeros()
              .toPlainString();
      m.appendReplacement(out, Matcher.quoteReplacement(v + m.group(2) + units.of(q).symbol()));
    }
    return m.appendTail(out).toString();
  }
}
