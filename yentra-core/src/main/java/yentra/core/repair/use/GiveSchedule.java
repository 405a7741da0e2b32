package yentra.core.repair.use;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Schedules;
import yentra.core.envelope.Space;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;
import yentra.core.repair.construction.ThermalParts;

/**
 * Says when something of spaces or zones holds: by a schedule that is there, by a new one, or by
 * none. A new one that is like one that is there in name and values is that one.
 *
 * @param purpose what the schedule is of
 * @param targets keys of spaces for people, light and equipment, else of zones
 * @param schedule key of one that is there, or null
 * @param profile of a new one, or null; when both are null the schedule is taken away
 */
public record GiveSchedule(
    Purpose purpose, List<String> targets, String schedule, ScheduleProfile profile)
    implements Repair {
  /** What a schedule is of. */
  public enum Purpose {
    PEOPLE,
    LIGHT,
    EQUIPMENT,
    HEATING,
    COOLING,
    AIR;

    /** Whether zones have it, rather than spaces. */
    public boolean ofZones() {
      return this == HEATING || this == COOLING || this == AIR;
    }

    String label() {
      return this == AIR ? "outdoor air" : name().toLowerCase(Locale.ROOT);
    }
  }

  public GiveSchedule {
    targets = targets == null ? List.of() : List.copyOf(targets);
    schedule = schedule == null || schedule.isBlank() ? null : schedule;
  }

  /** An envelope with a schedule in it, and the schedule's key. */
  record Given(Envelope envelope, String key) {}

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (purpose == null || targets.isEmpty()) {
      throw new NotApplicableException(
          "Choose what the schedule is of, and the spaces or zones that have it.");
    }
    Envelope out = e;
    String key = schedule;
    if (schedule != null && e.schedules().year(schedule).isEmpty()) {
      throw new NotApplicableException("There is no schedule " + schedule + ".");
    }
    if (schedule == null && profile != null) {
      Given made = made(e, profile);
      out = made.envelope();
      key = made.key();
    }
    String given = key;
    boolean changed = false;
    for (String t : targets) {
      Envelope then =
          purpose.ofZones() ? withZone(out, t, given) : withSpace(out, t, purpose, given);
      changed |= then != out;
      out = then;
    }
    if (!changed) {
      throw new NotApplicableException(
          key == null ? "They have no schedule for this." : "They have this schedule already.");
    }
    return out;
  }

  /** The schedule of this profile, made where there is none like it. */
  static Given made(Envelope e, ScheduleProfile profile) throws NotApplicableException {
    String wrong = profile.problem();
    if (wrong != null) {
      throw new NotApplicableException(wrong);
    }
    Schedules all = e.schedules();
    String known = all.like(profile).orElse(null);
    if (known != null) {
      return new Given(e, known);
    }
    Set<String> taken = keys(e);
    String base = "schedule_" + ThermalParts.slug(profile.name());
    String key = base;
    for (int i = 2; taken.contains(key); i++) {
      key = base + "-" + i;
    }
    taken.add(key);
    return new Given(e.withSchedules(all.plus(key, profile, taken)), key);
  }

  /** Keys that a schedule's parts must not have. */
  static Set<String> keys(Envelope e) {
    Set<String> out = new HashSet<>();
    e.spaces().forEach(s -> out.add(s.key()));
    e.surfaces().forEach(s -> out.add(s.key()));
    e.zones().forEach(z -> out.add(z.key()));
    e.constructions().forEach(c -> out.add(c.key()));
    for (YearSchedule y : e.schedules().years()) {
      out.add(y.key());
      y.periods().forEach(p -> out.add(p.key()));
    }
    e.schedules().weeks().forEach(w -> out.add(w.key()));
    e.schedules().days().forEach(d -> out.add(d.key()));
    return out;
  }

  static Envelope withSpace(Envelope e, String space, Purpose purpose, String key)
      throws NotApplicableException {
    Space s = Target.space(e, space);
    InternalGains.GainSchedules t = s.gains().schedules();
    InternalGains.GainSchedules now =
        new InternalGains.GainSchedules(
            purpose == Purpose.PEOPLE ? key : t.people(),
            purpose == Purpose.LIGHT ? key : t.lighting(),
            purpose == Purpose.EQUIPMENT ? key : t.equipment());
    return now.equals(t)
        ? e
        : Reshape.replacedSpace(e, space, x -> x.withGains(x.gains().withSchedules(now)));
  }

  private Envelope withZone(Envelope e, String zone, String key) throws NotApplicableException {
    Zone z = Target.zone(e, zone);
    Zone.ZoneSchedules t = z.schedules();
    Zone.ZoneSchedules now =
        new Zone.ZoneSchedules(
            purpose == Purpose.HEATING ? key : t.heating(),
            purpose == Purpose.COOLING ? key : t.cooling(),
            purpose == Purpose.AIR ? key : t.air());
    return now.equals(t)
        ? e
        : e.withZones(e.zones().stream().map(x -> x == z ? z.withSchedules(now) : x).toList());
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new GiveSchedule(purpose, keys.of(targets), keys.of(schedule), profile);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String what =
        targets.size() == 1
            ? naming.object(targets.get(0))
            : targets.size() + (purpose != null && purpose.ofZones() ? " zones" : " spaces");
    String of = purpose == null ? "" : purpose.label();
    if (schedule == null && profile == null) {
      return "Takes the schedule for " + of + " from " + what + ".";
    }
    String name =
        schedule == null
            ? profile.name()
            : before.schedules().year(schedule).map(YearSchedule::label).orElse(schedule);
    return "Gives " + what + " the schedule " + name + " for " + of + ".";
  }
}
