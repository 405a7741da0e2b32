package yentra.core.repair.use;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;
import yentra.core.repair.construction.ThermalParts;

/**
 * Puts spaces into a zone: one that is there by its key, or a new one by its name. Zones that no
 * space is in any more go, when a repair made them.
 *
 * @param spaces keys
 * @param zone key of one that is there, or null
 * @param name of a new one; one of this name is used again
 * @param heating set-point of a new one, °C, or null
 * @param cooling set-point of a new one, °C, or null
 * @param air fresh air and humidity of a new one, or null
 */
public record GiveZone(
    List<String> spaces, String zone, String name, Double heating, Double cooling, Zone.ZoneAir air)
    implements Repair {
  /** Of whose air nothing is said. */
  public GiveZone(List<String> spaces, String zone, String name, Double heating, Double cooling) {
    this(spaces, zone, name, heating, cooling, null);
  }

  public GiveZone {
    spaces = spaces == null ? List.of() : List.copyOf(spaces);
    zone = zone == null || zone.isBlank() ? null : zone;
    name = name == null || name.isBlank() ? null : name.strip();
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (spaces.isEmpty() || zone == null && name == null) {
      throw new NotApplicableException("Choose spaces, and a zone or a name for a new one.");
    }
    Envelope out = e;
    String key = zone;
    if (zone == null) {
      Optional<Zone> known = e.zones().stream().filter(z -> z.name().equals(name)).findFirst();
      key = known.map(Zone::key).orElseGet(() -> free(e, "zone_" + ThermalParts.slug(name)));
      if (known.isEmpty()) {
        List<Zone> zones = new ArrayList<>(e.zones());
        AmendZone.check(air);
        Zone made =
            Zone.of(key)
                .with()
                .name(name)
                .heatingSetPoint(heating)
                .coolingSetPoint(cooling)
                .build();
        zones.add(air == null ? made : made.withAir(air));
        out = e.withZones(zones);
      }
    } else if (e.zones().stream().noneMatch(z -> z.key().equals(zone))) {
      throw new NotApplicableException("There is no zone " + zone + ".");
    }
    boolean changed = false;
    for (String space : spaces) {
      Space s = Target.space(e, space);
      if (!key.equals(s.zone())) {
        String to = key;
        out = Reshape.replacedSpace(out, space, x -> x.withZone(to));
        changed = true;
      }
    }
    if (!changed) {
      throw new NotApplicableException("They are in this zone already.");
    }
    Envelope then = out;
    List<Zone> used =
        then.zones().stream()
            .filter(
                z ->
                    !z.source().equals(SourceRef.REPAIR)
                        || then.spaces().stream().anyMatch(s -> z.key().equals(s.zone())))
            .toList();
    return used.size() == then.zones().size() ? then : then.withZones(used);
  }

  private static String free(Envelope e, String base) {
    String key = base;
    for (int i = 2; isTaken(e, key); i++) {
      key = base + "-" + i;
    }
    return key;
  }

  private static boolean isTaken(Envelope e, String key) {
    return e.zones().stream().anyMatch(z -> z.key().equals(key)) || e.space(key).isPresent();
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new GiveZone(keys.of(spaces), keys.of(zone), name, heating, cooling, air);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String what = spaces.size() == 1 ? naming.object(spaces.get(0)) : spaces.size() + " spaces";
    String to = zone == null ? name : before.zone(zone).map(Zone::label).orElse(zone);
    return "Puts " + what + " into the zone " + to + ".";
  }
}
