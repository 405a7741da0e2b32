package yentra.core.repair;

import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Schedules;
import yentra.core.envelope.YearSchedule;
import yentra.core.geometry.Tolerance;

/**
 * Changes a schedule for all that has it: its name, its parts of the year and the values of its
 * days. Days and weeks that other schedules have too stay as they are for those.
 *
 * @param schedule key
 * @param profile the whole of it as it is from now on
 */
public record AmendSchedule(String schedule, ScheduleProfile profile) implements Repair {
  @Override
  public Envelope apply(Envelope e, Tolerance tolerance) throws NotApplicableException {
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
  public String describe(Envelope before, Naming naming) {
    String label = before.schedules().year(schedule).map(YearSchedule::label).orElse(schedule);
    boolean named = profile != null && !profile.name().equals(label);
    return "Changes the schedule " + label + (named ? ", now " + profile.name() + "." : ".");
  }
}
