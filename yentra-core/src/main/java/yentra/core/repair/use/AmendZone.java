package yentra.core.repair.use;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Zone;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/**
 * Names a zone and sets its set-points; what is null stays as it is.
 *
 * @param heating set-point, °C
 * @param cooling set-point, °C
 * @param air fresh air and humidity; values that are null stay; null for none
 */
public record AmendZone(String zone, String name, Double heating, Double cooling, Zone.ZoneAir air)
    implements Repair {
  private static final double COLDEST = -50;
  private static final double HOTTEST = 100;
  private static final double MOST_AIR = 1e6;

  /** Without air. */
  public AmendZone(String zone, String name, Double heating, Double cooling) {
    this(zone, name, heating, cooling, null);
  }

  public AmendZone {
    name = name == null || name.isBlank() ? null : name.strip();
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Zone z = Target.zone(e, zone);
    for (Double t : new Double[] {heating, cooling}) {
      if (t != null && !(t >= COLDEST && t <= HOTTEST)) {
        throw new NotApplicableException("A set-point lies between -50 and 100 °C.");
      }
    }
    check(air);
    Zone made =
        z.withName(name == null ? z.name() : name)
            .withSetPoints(
                heating == null ? z.heatingSetPoint() : heating,
                cooling == null ? z.coolingSetPoint() : cooling)
            .withAir(air == null ? z.air() : air.over(z.air()));
    if (made.equals(z)) {
      throw new NotApplicableException("The zone is this already.");
    }
    return e.withZones(e.zones().stream().map(x -> x == z ? made : x).toList());
  }

  /** Fails when a flow or humidity is none. */
  static void check(Zone.ZoneAir air) throws NotApplicableException {
    if (air == null) {
      return;
    }
    for (Double flow : new Double[] {air.perPerson(), air.perArea(), air.total()}) {
      if (flow != null && !(flow >= 0 && flow <= MOST_AIR)) {
        throw new NotApplicableException("Outdoor air lies between 0 and 1,000,000 l/s.");
      }
    }
    for (Double h : new Double[] {air.leastHumidity(), air.mostHumidity()}) {
      if (h != null && !(h >= 0 && h <= 100)) {
        throw new NotApplicableException("Relative humidity lies between 0 and 100 %.");
      }
    }
    if (air.leastHumidity() != null
        && air.mostHumidity() != null
        && air.leastHumidity() > air.mostHumidity()) {
      throw new NotApplicableException("The least humidity is above the greatest.");
    }
  }

  private static void said(List<String> set, Zone.ZoneAir a) {
    List<String> flows = new ArrayList<>();
    if (a.perPerson() != null) {
      flows.add(plain(a.perPerson()) + " l/s per person");
    }
    if (a.perArea() != null) {
      flows.add(plain(a.perArea()) + " l/(s·m²)");
    }
    if (a.total() != null) {
      flows.add(plain(a.total()) + " l/s in all");
    }
    if (!flows.isEmpty()) {
      set.add("outdoor air " + String.join(" and ", flows));
    }
    if (a.leastHumidity() != null) {
      set.add("humidity not below " + plain(a.leastHumidity()) + " %");
    }
    if (a.mostHumidity() != null) {
      set.add("humidity not above " + plain(a.mostHumidity()) + " %");
    }
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new AmendZone(keys.of(zone), name, heating, cooling, air);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String label = before.zone(zone).map(Zone::label).orElse(zone);
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
    if (air != null) {
      said(set, air);
    }
    return "Sets of the zone " + label + ": " + String.join(", ", set) + ".";
  }

  static String plain(double v) {
    return java.math.BigDecimal.valueOf(v).stripTrailingZeros().toPlainString();
  }
}
