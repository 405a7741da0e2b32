package yentra.core.repair.use;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/** Takes what a room data sheet says of spaces; all of it or nothing. */
public record TakeRoomData(List<Room> rooms) implements Repair {
  public TakeRoomData {
    rooms = rooms == null ? List.of() : List.copyOf(rooms);
  }

  /**
   * What is said of a space; what is null stays as it is.
   *
   * @param space its key
   * @param zone name of its zone; one of this name is made when there is none
   * @param heating set-point of its zone, °C
   * @param cooling set-point of its zone, °C
   * @param air fresh air and humidity of its zone, or null
   */
  public record Room(
      String space,
      String name,
      String use,
      String condition,
      String zone,
      Double heating,
      Double cooling,
      Zone.ZoneAir air,
      InternalGains gains) {
    Room renamed(KeyChange keys) {
      return new Room(keys.of(space), name, use, condition, zone, heating, cooling, air, gains);
    }
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Envelope out = e;
    for (Room r : rooms) {
      Space s = Target.space(out, r.space);
      if (r.name != null && !r.name.equals(s.name())) {
        out = Reshape.replacedSpace(out, r.space, x -> x.withName(r.name));
      }
      if (r.use != null || r.condition != null || r.gains != null) {
        Space now = Target.space(out, r.space);
        Space made =
            now.withUse(
                    r.use == null ? now.use() : r.use,
                    r.condition == null ? now.condition() : r.condition)
                .withGains(r.gains == null ? now.gains() : r.gains.over(now.gains()));
        if (r.condition != null
            && !r.condition.isEmpty()
            && !GiveUse.CONDITIONS.contains(r.condition)) {
          throw new NotApplicableException(
              s.label() + " cannot be conditioned as " + r.condition + ".");
        }
        out = Reshape.replacedSpace(out, r.space, x -> made);
      }
      if (r.zone != null && !r.zone.isBlank()) {
        Optional<Zone> was = zone(out, Target.space(out, r.space).zone());
        if (was.isEmpty() || !was.get().label().equals(r.zone)) {
          out =
              new GiveZone(List.of(r.space), key(out, r.zone), r.zone, r.heating, r.cooling, r.air)
                  .apply(out, rules);
        }
      }
    }
    for (Room r : rooms) {
      Optional<Zone> z = zone(out, Target.space(out, r.space).zone());
      boolean other =
          z.isPresent()
              && (r.heating != null && !r.heating.equals(z.get().heatingSetPoint())
                  || r.cooling != null && !r.cooling.equals(z.get().coolingSetPoint())
                  || r.air != null && !r.air.over(z.get().air()).equals(z.get().air()));
      if (other) {
        out = new AmendZone(z.get().key(), null, r.heating, r.cooling, r.air).apply(out, rules);
      }
    }
    if (out == e || out.parts().equals(e.parts())) {
      throw new NotApplicableException("The sheet says nothing that is not so already.");
    }
    return out;
  }

  /** Only what differs from the spaces as they are: all else is not what the sheet was about. */
  @Override
  public TakeRoomData effective(Envelope e) {
    List<Room> out = new ArrayList<>();
    for (Room r : rooms) {
      Space s = e.space(r.space).orElse(null);
      Zone z = s == null ? null : zone(e, s.zone()).orElse(null);
      Zone to = r.zone == null ? z : zone(e, key(e, r.zone)).orElse(null);
      if (s != null) {
        out.add(
            new Room(
                r.space,
                unless(s.name(), r.name),
                unless(s.use(), r.use),
                unless(s.condition(), r.condition),
                unless(z == null ? null : z.label(), r.zone),
                to == null ? r.heating : unless(to.heatingSetPoint(), r.heating),
                to == null ? r.cooling : unless(to.coolingSetPoint(), r.cooling),
                r.air == null || to == null ? r.air : r.air.without(to.air()),
                r.gains == null ? null : r.gains.without(s.gains())));
      } else {
        out.add(r);
      }
    }
    return new TakeRoomData(out);
  }

  private static <T> T unless(T now, T said) {
    return said == null || said.equals(now) ? null : said;
  }

  private static Optional<Zone> zone(Envelope e, String key) {
    return e.zone(key);
  }

  private static String key(Envelope e, String label) {
    return e.zones().stream()
        .filter(z -> z.label().equals(label))
        .map(Zone::key)
        .findFirst()
        .orElse(null);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new TakeRoomData(rooms.stream().map(r -> r.renamed(keys)).toList());
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    List<String> names = new ArrayList<>();
    rooms.stream().limit(3).forEach(r -> names.add(naming.object(r.space)));
    return "Takes room data of "
        + rooms.size()
        + (rooms.size() == 1 ? " space: " : " spaces: ")
        + String.join(", ", names)
        + (rooms.size() > 3 ? " …" : ".");
  }
}
