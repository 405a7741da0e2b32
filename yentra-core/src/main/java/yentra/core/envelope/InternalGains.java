package yentra.core.envelope;

/**
 * People, light and equipment of a space. Values are null when not stated.
 *
 * @param people number of people, or null where it is told by area
 * @param areaPerPerson m²
 * @param sensiblePerPerson W
 * @param latentPerPerson W
 * @param lighting W/m² of floor
 * @param equipment W/m² of floor
 */
public record InternalGains(
    Double people,
    Double areaPerPerson,
    Double sensiblePerPerson,
    Double latentPerPerson,
    Double lighting,
    Double equipment) {
  public static final InternalGains NONE = new InternalGains(null, null, null, null, null, null);

  /** These where they are stated, else the others. */
  public InternalGains over(InternalGains other) {
    boolean told = people != null || areaPerPerson != null;
    return new InternalGains(
        told ? people : other.people,
        told ? areaPerPerson : other.areaPerPerson,
        sensiblePerPerson == null ? other.sensiblePerPerson : sensiblePerPerson,
        latentPerPerson == null ? other.latentPerPerson : latentPerPerson,
        lighting == null ? other.lighting : lighting,
        equipment == null ? other.equipment : equipment);
  }
}
