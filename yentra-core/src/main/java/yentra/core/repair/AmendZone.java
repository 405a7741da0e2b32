package yentra.core.repair;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Tolerance;

/**
 * Names a zone and sets its set-points; what is null stays as it is.
 *
 * @param heating set-point, °C
 * @param cooling set-point, °C
 */
public record AmendZone(String zone, String name, Double heating, Double cooling)
    implements Repair {
  private static final double COLDEST = -50;
  private static final double HOTTEST = 100;

  public AmendZone {
    name = name == null || name.isBlank() ? null : name.strip();
  }

  @Override
  public Envelope apply(Envelope e, Tolerance tolerance) throws NotApplicableException {
    Zone z =
        e.zones().stream()
            .filter(x -> x.key().equals(zone))
            .findFirst()
            .orElseThrow(
                () -> new NotApplicableException("The zone " + zone + " is no longer there."));
    for (Double t : new Double[] {heating, cooling}) {
      if (t != null && !(t >= COLDEST && t <= HOTTEST)) {
        throw new NotApplicableException("A set-point lies between -50 and 100 °C.");
      }
    }
    Zone made =
        new Zone(
            z.key(),
            name == null ? z.name() : name,
            heating == null ? z.heatingSetPoint() : heating,
            cooling == null ? z.coolingSetPoint() : cooling,
            z.source(),
            z.extras());
    if (made.equals(z)) {
      throw new NotApplicableException("The zone is this already.");
    }
    return e.withZones(e.zones().stream().map(x -> x == z ? made : x).toList());
  }

  @Override
  public String describe(Envelope before, Naming naming) {
    String label =
        before.zones().stream()
            .filter(z -> z.key().equals(zone))
            .map(Zone::label)
            .findFirst()
            .orElse(zone);
    List<String> set = new ArrayList<>();
    if (name != null) {
      set.add("its name " + name);
    }
    if (heating != null) {
      set.add("heated to " + plain(heating) + " °C");
    }
    if (cooling != null) {
      set.add("cooled to " + plain(cooling) + " °C");
    }
    return "Sets of the zone " + label + ": " + String.join(", ", set) + ".";
  }

  private static String plain(double v) {
    return java.math.BigDecimal.valueOf(v).stripTrailingZeros().toPlainString();
  }
}
