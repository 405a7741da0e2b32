package yentra.core.envelope;

/** What of an object a note or a repair speaks of: its type, or the key of another object. */
public enum Member {
  SURFACE_TYPE,
  OPENING_TYPE,
  /** Of a surface or an opening. */
  CONSTRUCTION,
  /** The window type of an opening. */
  GLAZING,
  /** A space that a surface bounds. */
  SPACE,
  /** The zone of a space. */
  ZONE,
  /** The storey of a space. */
  STOREY,
  PEOPLE_SCHEDULE,
  LIGHTING_SCHEDULE,
  EQUIPMENT_SCHEDULE,
  HEATING_SCHEDULE,
  COOLING_SCHEDULE,
  AIR_SCHEDULE,
  /** A week of a year. */
  WEEK,
  /** A day of a week. */
  DAY,
  THICKNESS,
  CONDUCTIVITY,
  DENSITY,
  SPECIFIC_HEAT,
  RESISTANCE,
  U_VALUE,
  /** The floor area that a space states. */
  FLOOR_AREA,
  /** The volume that a space states. */
  VOLUME,
  /** What is carried along without being understood. */
  OTHER
}
