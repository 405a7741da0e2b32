package yentra.core.envelope;

/**
 * A building.
 *
 * @param use gbXML's buildingType, or empty
 * @param statedArea the stated floor area in m², or null
 */
public record Building(
    String key, String name, String use, Double statedArea, SourceRef source, Extras extras) {}
