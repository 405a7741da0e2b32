package yentra.core.library;

import yentra.core.envelope.ScheduleProfile;

/**
 * A schedule with the source of its values.
 *
 * @param profile has the same name
 */
public record LibrarySchedule(ScheduleProfile profile, String source) implements Library.Item {
  @Override
  public String name() {
    return profile.name();
  }
}
