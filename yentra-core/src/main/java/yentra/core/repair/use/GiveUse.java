package yentra.core.repair.use;

import java.util.List;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Space;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Says what spaces are used for, and whether they are conditioned; what is null stays as it is.
 *
 * @param spaces keys
 * @param use as the delivery names uses, or null
 * @param condition gbXML's conditionType, or null
 * @param gains people, light and equipment; values that are null stay; null for none. Schedules are
 *     not among them: keys of one delivery mean nothing in the next
 * @param times when people are there, light and equipment are on; null for none
 */
public record GiveUse(
    List<String> spaces, String use, String condition, InternalGains gains, UseSchedules times)
    implements Repair {
  /** Schedules by what they are of, each null to stay as it is. */
  public record UseSchedules(
      ScheduleProfile people, ScheduleProfile lighting, ScheduleProfile equipment) {}

  /** Without schedules. */
  public GiveUse(List<String> spaces, String use, String condition, InternalGains gains) {
    this(spaces, use, condition, gains, null);
  }

  /** What the gbXML schema knows (6.01, from memory). */
  public static final Set<String> CONDITIONS =
      Set.of(
          "Heated", "Cooled", "HeatedAndCooled", "Unconditioned", "Vented", "NaturallyVentedOnly");

  private static final int LONGEST = 100;

  public GiveUse {
    spaces = spaces == null ? List.of() : List.copyOf(spaces);
    use = use == null || use.isBlank() ? null : use.strip();
    condition = condition == null || condition.isBlank() ? null : condition;
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (spaces.isEmpty() || use == null && condition == null && gains == null && times == null) {
      throw new NotApplicableException(
          "Choose spaces, and a use how they are conditioned, or their gains.");
    }
    if (use != null && use.length() > LONGEST) {
      throw new NotApplicableException("A use has at most 100 characters.");
    }
    if (condition != null && !CONDITIONS.contains(condition)) {
      throw new NotApplicableException(
          "Spaces are conditioned as one of "
              + String.join(", ", CONDITIONS.stream().sorted().toList())
              + ".");
    }
    if (gains != null) {
      check(gains);
    }
    Envelope out = e;
    for (String key : spaces) {
      Space s = Target.space(e, key);
      Space made =
          s.withUse(use == null ? s.use() : use, condition == null ? s.condition() : condition)
              .withGains(gains == null ? s.gains() : gains.over(s.gains()));
      if (!made.equals(s)) {
        out = Reshape.replacedSpace(out, key, x -> made);
      }
    }
    if (times != null) {
      out = scheduled(out, GiveSchedule.Purpose.PEOPLE, times.people);
      out = scheduled(out, GiveSchedule.Purpose.LIGHT, times.lighting);
      out = scheduled(out, GiveSchedule.Purpose.EQUIPMENT, times.equipment);
    }
    if (out == e) {
      throw new NotApplicableException("They have this use already.");
    }
    return out;
  }

  /** Fails when a value is none, or when people are said twice. */
  private static void check(InternalGains g) throws NotApplicableException {
    within("The number of people", g.people(), 0, 100_000, "");
    within("The floor for each person", g.areaPerPerson(), 0.1, 100_000, " m²");
    within("Sensible heat of a person", g.sensiblePerPerson(), 0, 2000, " W");
    within("Latent heat of a person", g.latentPerPerson(), 0, 2000, " W");
    within("Light", g.lighting(), 0, 10_000, " W/m²");
    within("Equipment", g.equipment(), 0, 100_000, " W/m²");
    if (g.people() != null && g.areaPerPerson() != null) {
      throw new NotApplicableException("State people or the floor for each of them, not both.");
    }
  }

  private static void within(String what, Double v, double least, double most, String unit)
      throws NotApplicableException {
    if (v != null && !(v >= least && v <= most)) {
      throw new NotApplicableException(
          String.format(
              java.util.Locale.ROOT,
              "%s lies between %s and %s%s.",
              what,
              AmendZone.plain(least),
              AmendZone.plain(most),
              unit));
    }
  }

  private Envelope scheduled(Envelope e, GiveSchedule.Purpose purpose, ScheduleProfile profile)
      throws NotApplicableException {
    if (profile == null) {
      return e;
    }
    GiveSchedule.Given made = GiveSchedule.made(e, profile);
    Envelope out = made.envelope();
    for (String s : spaces) {
      out = GiveSchedule.withSpace(out, s, purpose, made.key());
    }
    return out;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new GiveUse(keys.of(spaces), use, condition, gains, times);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String what = spaces.size() == 1 ? naming.object(spaces.get(0)) : spaces.size() + " spaces";
    if (use == null && condition == null) {
      return "Sets people, light and equipment of " + what + ".";
    }
    return (use == null ? "Takes " + what + " as" : "Gives " + what + " the use " + use)
        + (condition == null ? "" : (use == null ? " " : ", ") + said(condition))
        + (gains == null ? "." : ", with typical people, light and equipment.");
  }

  /** "heated and cooled" for HeatedAndCooled. */
  public static String said(String condition) {
    return condition.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(java.util.Locale.ROOT);
  }
}
