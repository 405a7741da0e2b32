package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.UnreadableException;
import yentra.core.thermal.GlassUnit;
import yentra.core.units.LengthUnit;

/**
 * Panes and gaps of a window type, from outside to inside as they stand in the file, for a U-value
 * that the file does not state (EN 673). The elements themselves are kept as they stand.
 */
final class PaneReader {
  private static final Pattern GAS = Pattern.compile("\\bgas=\"([^\"]*)\"");

  private final Cursor cursor;
  private final Values values;
  private final List<Glaze> glazes = new ArrayList<>();
  private final List<Gap> gaps = new ArrayList<>();
  private boolean whole = true;

  /** Emissivities to long waves: of the outer and the inner face. */
  private record Glaze(double thickness, double outside, double inside) {}

  private record Gap(double width, GlassUnit.Gas gas) {}

  PaneReader(Cursor cursor, Values values) {
    this.cursor = cursor;
    this.values = values;
  }

  /** Reads the Glaze just entered; its text. */
  String glaze() throws UnreadableException {
    String xml = cursor.fragment();
    Optional<Double> thickness = length(xml);
    whole &= thickness.isPresent();
    glazes.add(new Glaze(thickness.orElse(0.0), emittance(xml, "ExtIR"), emittance(xml, "IntIR")));
    return xml;
  }

  /** Reads the Gap just entered; its text. */
  String gap() throws UnreadableException {
    String xml = cursor.fragment();
    Optional<Double> width = length(xml);
    Matcher gas = GAS.matcher(xml.substring(0, xml.indexOf('>') + 1));
    GlassUnit.Gas known = GlassUnit.Gas.AIR;
    boolean named = gas.find();
    if (named) {
      String name = gas.group(1).toUpperCase(Locale.ROOT);
      known = null;
      for (GlassUnit.Gas g : GlassUnit.Gas.values()) {
        known = g.name().equals(name) ? g : known;
      }
    }
    whole &= width.isPresent() && width.get() > 0 && known != null;
    gaps.add(new Gap(width.orElse(0.0), known));
    return xml;
  }

  private static Pattern element(String name) {
    return Pattern.compile("<" + name + "\\b([^>]*)>([^<]*)</" + name + ">");
  }

  private static final Pattern THICKNESS = element("Thickness");
  private static final Pattern EMITTANCE = element("Emittance");
  private static final Pattern UNIT = Pattern.compile("\\bunit=\"([^\"]*)\"");

  private Optional<Double> length(String xml) {
    Matcher m = THICKNESS.matcher(xml);
    if (!m.find()) {
      return Optional.empty();
    }
    Matcher unit = UNIT.matcher(m.group(1));
    Optional<LengthUnit> u =
        unit.find() ? GbxmlUnits.length(unit.group(1)) : Optional.of(values.length);
    return Values.parse(m.group(2).strip()).flatMap(v -> u.map(x -> v * x.metres()));
  }

  /** Glass without a stated emissivity is not coated. */
  private static double emittance(String xml, String type) {
    Matcher m = EMITTANCE.matcher(xml);
    while (m.find()) {
      if (m.group(1).contains("type=\"" + type + "\"")) {
        Double v = Values.parse(m.group(2).strip()).orElse(null);
        boolean percent = m.group(1).contains("unit=\"Percent\"");
        double e = v == null ? GlassUnit.UNCOATED : percent ? v / 100 : v;
        return e > 0 && e <= 1 ? e : GlassUnit.UNCOATED;
      }
    }
    return GlassUnit.UNCOATED;
  }

  /** U of the glass, W/(m²K), and says so; null when the panes do not tell. */
  Double uValue(Header h) {
    if (!whole || glazes.isEmpty() || gaps.size() != glazes.size() - 1) {
      return null;
    }
    double glass = 0;
    List<GlassUnit.Gap> between = new ArrayList<>();
    for (int i = 0; i < glazes.size(); i++) {
      glass += glazes.get(i).thickness;
      if (i > 0) {
        Gap g = gaps.get(i - 1);
        between.add(
            new GlassUnit.Gap(g.width, g.gas, 1, glazes.get(i - 1).inside, glazes.get(i).outside));
      }
    }
    double u = new GlassUnit(glass, between).uValue();
    values.note(
        ReadNote.Kind.ASSUMED,
        h.key(),
        "U-value",
        "",
        String.format(
            Locale.ROOT,
            "window type %s states no U-value: %.2f W/m²K follows from its panes and gaps (EN 673), without its frame",
            h.key(),
            u),
        h.line(),
        h.column());
    return u;
  }
}
