package yentra.core.envelope;

import java.util.Objects;

/**
 * People, light and equipment of a space. Values are null when not stated.
 *
 * @param people number of people, or null where it is told by area
 * @param areaPerPerson m²
 * @param sensiblePerPerson W
 * @param latentPerPerson W
 * @param lighting W/m² of floor
 * @param equipment W/m² of floor
 * @param schedules when people are there, light and equipment are on
 */
public record InternalGains(
    Double people,
    Double areaPerPerson,
    Double sensiblePerPerson,
    Double latentPerPerson,
    Double lighting,
    Double equipment,
    GainSchedules schedules) {
  public static final InternalGains NONE = new InternalGains(null, null, null, null, null, null);

  public InternalGains {
    schedules = schedules == null ? GainSchedules.NONE : schedules;
  }

  /** Of which nothing is said about when. */
  public InternalGains(
      Double people,
      Double areaPerPerson,
      Double sensiblePerPerson,
      Double latentPerPerson,
      Double lighting,
      Double equipment) {
    this(
        people,
        areaPerPerson,
        sensiblePerPerson,
        latentPerPerson,
        lighting,
        equipment,
        GainSchedules.NONE);
  }

  /** Keys of schedules as the delivery states them, or null; they may name what does not exist. */
  public record GainSchedules(String people, String lighting, String equipment) {
    public static final GainSchedules NONE = new GainSchedules(null, null, null);
  }

  /**
   * Number of people on a floor: as stated, or by the area of each; 0 where neither is.
   *
   * @param floorArea m²
   */
  public double people(double floorArea) {
    return people != null
        ? people
        : areaPerPerson == null || areaPerPerson <= 0 ? 0 : floorArea / areaPerPerson;
  }

  public InternalGains withSchedules(GainSchedules t) {
    return new InternalGains(
        people, areaPerPerson, sensiblePerPerson, latentPerPerson, lighting, equipment, t);
  }

  /** These where they are stated, else the others. */
  public InternalGains over(InternalGains other) {
    boolean told = people != null || areaPerPerson != null;
    return new InternalGains(
        told ? people : other.people,
        told ? areaPerPerson : other.areaPerPerson,
        first(sensiblePerPerson, other.sensiblePerPerson),
        first(latentPerPerson, other.latentPerPerson),
        first(lighting, other.lighting),
        first(equipment, other.equipment),
        new GainSchedules(
            first(schedules.people, other.schedules.people),
            first(schedules.lighting, other.schedules.lighting),
            first(schedules.equipment, other.schedules.equipment)));
  }

  /** Only those values of these that the others do not say as well. */
  public InternalGains without(InternalGains other) {
    boolean same =
        Objects.equals(people, other.people) && Objects.equals(areaPerPerson, other.areaPerPerson);
    return new InternalGains(
        same ? null : people,
        same ? null : areaPerPerson,
        unless(sensiblePerPerson, other.sensiblePerPerson),
        unless(latentPerPerson, other.latentPerPerson),
        unless(lighting, other.lighting),
        unless(equipment, other.equipment),
        new GainSchedules(
            unless(schedules.people, other.schedules.people),
            unless(schedules.lighting, other.schedules.lighting),
            unless(schedules.equipment, other.schedules.equipment)));
  }

  private static <T> T unless(T a, T b) {
    return Objects.equals(a, b) ? null : a;
  }

  private static <T> T first(T a, T b) {
    return a == null ? b : a;
  }
}
