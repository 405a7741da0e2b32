package yentra.core.gbxml;

import java.util.Map;
import yentra.core.envelope.Member;

/** What the attributes of gbXML 6.01 say that notes speak of. */
final class GbxmlMember {
  private static final Map<String, Member> KNOWN =
      Map.ofEntries(
          Map.entry("surfaceType", Member.SURFACE_TYPE),
          Map.entry("openingType", Member.OPENING_TYPE),
          Map.entry("constructionIdRef", Member.CONSTRUCTION),
          Map.entry("windowTypeIdRef", Member.GLAZING),
          Map.entry("spaceIdRef", Member.SPACE),
          Map.entry("zoneIdRef", Member.ZONE),
          Map.entry("buildingStoreyIdRef", Member.STOREY),
          Map.entry("peopleScheduleIdRef", Member.PEOPLE_SCHEDULE),
          Map.entry("lightScheduleIdRef", Member.LIGHTING_SCHEDULE),
          Map.entry("equipmentScheduleIdRef", Member.EQUIPMENT_SCHEDULE),
          Map.entry("heatSchedIdRef", Member.HEATING_SCHEDULE),
          Map.entry("coolSchedIdRef", Member.COOLING_SCHEDULE),
          Map.entry("outsideAirSchedIdRef", Member.AIR_SCHEDULE),
          Map.entry("weekScheduleIdRef", Member.WEEK),
          Map.entry("dayScheduleIdRef", Member.DAY),
          Map.entry("Thickness", Member.THICKNESS),
          Map.entry("Conductivity", Member.CONDUCTIVITY),
          Map.entry("Density", Member.DENSITY),
          Map.entry("SpecificHeat", Member.SPECIFIC_HEAT),
          Map.entry("R-value", Member.RESISTANCE),
          Map.entry("U-value", Member.U_VALUE),
          Map.entry("Area", Member.FLOOR_AREA),
          Map.entry("Volume", Member.VOLUME));

  private GbxmlMember() {}

  static Member of(String attribute) {
    return KNOWN.getOrDefault(attribute, Member.OTHER);
  }
}
