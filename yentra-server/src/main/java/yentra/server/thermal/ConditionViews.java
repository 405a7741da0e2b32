package yentra.server.thermal;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.proposal.ZoneProposal;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Space;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;
import yentra.core.library.Library;
import yentra.core.library.LibrarySchedule;
import yentra.core.library.SpaceUse;
import yentra.core.repair.Repair;
import yentra.core.repair.use.GiveSchedule;
import yentra.core.repair.use.GiveUse;

/** Uses, zones and schedules of a delivery's state, as the interface shows them. */
public final class ConditionViews {
  private ConditionViews() {}

  /**
   * Uses that can be given, what names of spaces say, and the zones.
   *
   * @param typical of uses, by name
   * @param byName the use that its name says, by key of a space
   * @param gains people, light and equipment by key of a space
   * @param missing what is typical of the use of a space and not said of it, by its key
   */
  record ConditionsView(
      List<SpaceUse> uses,
      Map<String, TypicalUse> typical,
      Map<String, String> byName,
      Map<String, InternalGains> gains,
      Map<String, TypicalUse> missing,
      List<ZoneRow> zones,
      List<ScheduleRow> schedules) {}

  /** What a use brings with it, with its schedules; parts that are null are not needed. */
  record TypicalUse(InternalGains gains, GiveUse.UseSchedules times, Zone.ZoneAir air) {}

  /**
   * A schedule and what has it.
   *
   * @param hours sum over a common year of values times hours, or null where a day has none
   * @param problem why it cannot be changed here as it is, or null
   * @param users by purpose, keys of spaces or zones
   */
  record ScheduleRow(
      String key,
      ScheduleProfile profile,
      Double hours,
      String problem,
      Map<GiveSchedule.Purpose, List<String>> users) {}

  /**
   * @param heating set-point, °C, or null
   * @param airFlow outdoor air in all, l/s, or null where none is stated
   * @param spaces keys
   */
  record ZoneRow(
      String key,
      String name,
      Double heating,
      Double cooling,
      Zone.ZoneAir air,
      Zone.ZoneSchedules schedules,
      Double airFlow,
      List<String> spaces) {}

  /**
   * @param spaces keys; all when empty
   */
  record ProposeRequest(List<ZoneProposal.By> by, List<String> spaces) {}

  record ZonesView(Repair repair) {}

  static ConditionsView conditions(CheckContext context, Library library) {
    Envelope e = context.envelope();
    Map<String, String> byName = new LinkedHashMap<>();
    Map<String, TypicalUse> typical = new LinkedHashMap<>();
    library.uses().forEach(u -> typical.put(u.name(), typical(u, library)));
    Map<String, InternalGains> gains = new LinkedHashMap<>();
    Map<String, TypicalUse> missing = new LinkedHashMap<>();
    Map<String, List<String>> members = new HashMap<>();
    for (Space s : e.spaces()) {
      gains.put(s.key(), s.gains());
      TypicalUse typicalOf = typical.get(s.use());
      if (typicalOf != null) {
        InternalGains own = s.gains().withSchedules(InternalGains.GainSchedules.NONE);
        boolean bare = own.equals(InternalGains.NONE);
        boolean anytime = s.gains().schedules().equals(InternalGains.GainSchedules.NONE);
        if (bare || anytime) {
          missing.put(
              s.key(),
              new TypicalUse(
                  bare ? typicalOf.gains() : null, anytime ? typicalOf.times() : null, null));
        }
      }
      library.useByName(s.label()).ifPresent(u -> byName.put(s.key(), u.name()));
      if (s.zone() != null) {
        members.computeIfAbsent(s.zone(), k -> new ArrayList<>()).add(s.key());
      }
    }
    return new ConditionsView(
        library.uses(),
        typical,
        byName,
        gains,
        missing,
        e.zones().stream()
            .map(
                z ->
                    new ZoneRow(
                        z.key(),
                        z.label(),
                        z.heatingSetPoint(),
                        z.coolingSetPoint(),
                        z.air(),
                        z.schedules(),
                        airFlow(context, z, members.getOrDefault(z.key(), List.of())),
                        members.getOrDefault(z.key(), List.of())))
            .toList(),
        schedules(e));
  }

  private static TypicalUse typical(SpaceUse u, Library library) {
    return new TypicalUse(
        u.gains(),
        new GiveUse.UseSchedules(
            profile(library, u.times().people()),
            profile(library, u.times().lighting()),
            profile(library, u.times().equipment())),
        u.air());
  }

  private static ScheduleProfile profile(Library library, String name) {
    return name == null ? null : library.schedule(name).map(LibrarySchedule::profile).orElse(null);
  }

  private static Double airFlow(CheckContext context, Zone z, List<String> spaces) {
    Zone.ZoneAir a = z.air();
    if (a.perPerson() == null && a.perArea() == null && a.total() == null) {
      return null;
    }
    double people = 0;
    double area = 0;
    for (String key : spaces) {
      double floor = context.volumes().of(key).floorArea();
      area += floor;
      people += context.envelope().space(key).map(s -> s.gains().people(floor)).orElse(0.0);
    }
    return a.flow(people, area);
  }

  private static List<ScheduleRow> schedules(Envelope e) {
    Map<String, Map<GiveSchedule.Purpose, List<String>>> users = new HashMap<>();
    for (Space s : e.spaces()) {
      InternalGains.GainSchedules t = s.gains().schedules();
      use(users, t.people(), GiveSchedule.Purpose.PEOPLE, s.key());
      use(users, t.lighting(), GiveSchedule.Purpose.LIGHT, s.key());
      use(users, t.equipment(), GiveSchedule.Purpose.EQUIPMENT, s.key());
    }
    for (Zone z : e.zones()) {
      use(users, z.schedules().heating(), GiveSchedule.Purpose.HEATING, z.key());
      use(users, z.schedules().cooling(), GiveSchedule.Purpose.COOLING, z.key());
      use(users, z.schedules().air(), GiveSchedule.Purpose.AIR, z.key());
    }
    List<ScheduleRow> out = new ArrayList<>();
    for (YearSchedule y : e.schedules().years()) {
      ScheduleProfile p = e.schedules().profile(y.key()).orElseThrow();
      out.add(
          new ScheduleRow(
              y.key(),
              p,
              ThermalViews.boxed(p.hours(ScheduleProfile.COMMON_YEAR)),
              p.problem(),
              users.getOrDefault(y.key(), Map.of())));
    }
    return out;
  }

  private static void use(
      Map<String, Map<GiveSchedule.Purpose, List<String>>> users,
      String schedule,
      GiveSchedule.Purpose purpose,
      String key) {
    if (schedule != null) {
      users
          .computeIfAbsent(schedule, k -> new EnumMap<>(GiveSchedule.Purpose.class))
          .computeIfAbsent(purpose, k -> new ArrayList<>())
          .add(key);
    }
  }
}
