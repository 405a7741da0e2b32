package yentra.core.library;

import java.util.List;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Zone;

/**
 * A use of spaces with what is typical of it: defaults to begin with, not proof of compliance.
 * Values that are null are not said.
 *
 * @param name as gbXML writes uses (spaceTypeEnum, from memory)
 * @param words that spaces of this use have in their names
 * @param areaPerPerson m²
 * @param sensiblePerPerson heat of a person, W
 * @param latentPerPerson W
 * @param lighting W/m²
 * @param equipment W/m²
 * @param airPerPerson outdoor air, l/s
 * @param airPerArea outdoor air, l/(s·m²)
 * @param heating set-point, °C
 * @param cooling set-point, °C
 * @param times names of schedules in the library
 */
public record SpaceUse(
    String name,
    List<String> words,
    Double areaPerPerson,
    Double sensiblePerPerson,
    Double latentPerPerson,
    Double lighting,
    Double equipment,
    Double airPerPerson,
    Double airPerArea,
    Double heating,
    Double cooling,
    InternalGains.GainSchedules times,
    String source)
    implements Library.Item {
  public SpaceUse {
    words = words == null ? List.of() : List.copyOf(words);
    times = times == null ? InternalGains.GainSchedules.NONE : times;
  }

  SpaceUse withWords(List<String> w) {
    return new SpaceUse(
        name,
        w,
        areaPerPerson,
        sensiblePerPerson,
        latentPerPerson,
        lighting,
        equipment,
        airPerPerson,
        airPerArea,
        heating,
        cooling,
        times,
        source);
  }

  /** People, light and equipment typical of it, without schedules. */
  public InternalGains gains() {
    return new InternalGains(
        null, areaPerPerson, sensiblePerPerson, latentPerPerson, lighting, equipment);
  }

  /** Outdoor air typical of it. */
  public Zone.ZoneAir air() {
    return new Zone.ZoneAir(airPerPerson, airPerArea, null, null, null);
  }
}
