package yentra.core.estimate.hourly;

/**
 * A space with air of one temperature.
 *
 * @param key of the space
 * @param label its name
 * @param floorArea m²
 * @param volume m³
 * @param heated whether it may be heated
 * @param cooled whether it may be cooled
 * @param heatingSetPoint °C hour by hour; NaN where there is none
 * @param coolingSetPoint °C hour by hour; NaN where there is none
 * @param mostHeating W
 * @param mostCooling W
 * @param infiltration m³/h hour by hour
 * @param supply fresh air that is supplied, m³/h hour by hour
 * @param recovery share of the warmth of outgoing air that supplied air takes up
 * @param people W hour by hour
 * @param lighting W hour by hour
 * @param equipment W hour by hour
 */
record Zone(
    String key,
    String label,
    double floorArea,
    double volume,
    boolean heated,
    boolean cooled,
    Course heatingSetPoint,
    Course coolingSetPoint,
    double mostHeating,
    double mostCooling,
    Course infiltration,
    Course supply,
    double recovery,
    Course people,
    Course lighting,
    Course equipment) {}
