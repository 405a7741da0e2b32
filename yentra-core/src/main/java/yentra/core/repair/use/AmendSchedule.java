package yentra.core.repair.use;

import java.util.Locale;
import java.util.OptionalDouble;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Schedules;
import yentra.core.envelope.YearSchedule;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Changes a schedule for all that has it: its name, its parts of the year and the values of its
 * days. Days and weeks that other schedules have too stay as they are for those.
 *
 * @param schedule key
 * @param profile the whole of it as it is from now on
 */
public record AmendSchedule(String schedule, ScheduleProfile profile) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Schedules all = e.schedules();
    ScheduleProfile old =
        all.profile(schedule)
            .orElseThrow(
                () ->
                    new NotApplicableException(
                        "The schedule " + schedule + " is no longer there."));
    if (profile == null) {
      throw new NotApplicableException("Say how the schedule shall be.");
    }
    String wrong = profile.problem();
    if (wrong != null) {
      throw new NotApplicableException(wrong);
    }
    if (old.equals(profile)) {
      throw new NotApplicableException("The schedule is this already.");
    }
    return e.withSchedules(all.with(schedule, profile, GiveSchedule.keys(e)));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new AmendSchedule(keys.of(schedule), profile);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String label = before.schedules().year(schedule).map(YearSchedule::label).orElse(schedule);
    if (profile == null) {
      return "Changes the schedule " + label + ".";
    }
    String now = profile.name().equals(label) ? "" : ", now " + profile.name();
    OptionalDouble was =
        before.schedules().profile(schedule).stream()
            .map(p -> p.hours(ScheduleProfile.COMMON_YEAR))
            .findFirst()
            .orElse(OptionalDouble.empty());
    OptionalDouble hours = profile.hours(ScheduleProfile.COMMON_YEAR);
    boolean fractions = profile.type().equals(ScheduleProfile.FRACTION);
    return "Changes the schedule "
        + label
        + now
        + (fractions && was.isPresent() && hours.isPresent()
            ? String.format(
                Locale.ROOT,
                ": %.0f hours at full load a year instead of %.0f.",
                hours.getAsDouble(),
                was.getAsDouble())
            : ".");
  }
}
