package yentra.core.repair.construction;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Sets values of a window type; what is null stays as it is.
 *
 * @param uValue W/(m²K)
 * @param solarHeatGain 0 to 1
 * @param visibleTransmittance above 0, up to 1
 * @param from where the values come from, or null
 */
public record AmendGlazing(
    String glazing, Double uValue, Double solarHeatGain, Double visibleTransmittance, String from)
    implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Glazing g =
        e.glazing(glazing)
            .orElseThrow(
                () ->
                    new NotApplicableException(
                        "The window type " + glazing + " is no longer there."));
    ThermalValues.ofGlazing(uValue, solarHeatGain, visibleTransmittance);
    // what the delivery wrote of these values is no longer written back
    Extras extras = g.extras();
    if (solarHeatGain != null) {
      extras = without(extras, f -> f.startsWith("<SolarHeatGainCoeff"));
    }
    if (visibleTransmittance != null) {
      extras =
          without(
              extras,
              f ->
                  f.startsWith("<Transmittance")
                      && (f.contains("\"Visible\"") || !f.contains("type=")));
    }
    Glazing made =
        new Glazing(
            g.key(),
            g.name(),
            uValue == null ? g.uValue() : uValue,
            solarHeatGain == null ? g.solarHeatGain() : solarHeatGain,
            visibleTransmittance == null ? g.visibleTransmittance() : visibleTransmittance,
            g.source(),
            extras);
    if (made.equals(g)) {
      throw new NotApplicableException("The window type has these values already.");
    }
    return e.withGlazings(
        e.glazings().stream().map(x -> x.key().equals(glazing) ? made : x).toList());
  }

  private static Extras without(Extras x, Predicate<String> gone) {
    return new Extras(x.attributes(), x.fragments().stream().filter(gone.negate()).toList());
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new AmendGlazing(keys.of(glazing), uValue, solarHeatGain, visibleTransmittance, from);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    List<String> set = new ArrayList<>();
    if (uValue != null) {
      set.add("U-value " + plain(uValue) + " W/m²K");
    }
    if (solarHeatGain != null) {
      set.add("solar heat gain coefficient " + plain(solarHeatGain));
    }
    if (visibleTransmittance != null) {
      set.add("visible transmittance " + plain(visibleTransmittance));
    }
    return "Sets of the window type "
        + GlazingSpec.existing(glazing).label(before)
        + ": "
        + String.join(", ", set)
        + (from == null || from.isBlank() ? "." : " (" + from + ").");
  }

  private static String plain(double v) {
    return java.math.BigDecimal.valueOf(v).stripTrailingZeros().toPlainString();
  }
}
