package yentra.core.envelope;

import yentra.core.geometry.Polygon;

/**
 * A window, door or hole in a surface.
 *
 * @param polygon its outline in model coordinates, in the direction of its surface
 * @param construction key of its construction, or null
 * @param glazing key of its window type, or null
 * @param element the building element it came from, or null
 */
public record Opening(
    String key,
    String name,
    OpeningType type,
    Polygon polygon,
    String construction,
    String glazing,
    SourceRef source,
    SourceRef element,
    Extras extras) {
  public Opening withPolygon(Polygon p) {
    return new Opening(key, name, type, p, construction, glazing, source, element, extras);
  }

  public Opening withKey(String k) {
    return new Opening(k, name, type, polygon, construction, glazing, source, element, extras);
  }

  /** Glazing data stay with what lets light through only. */
  public Opening withType(OpeningType t) {
    return new Opening(
        key,
        name,
        t,
        polygon,
        construction,
        t.isGlazed() ? glazing : null,
        source,
        element,
        extras.withoutAttribute("openingType"));
  }

  public Opening withConstruction(String c) {
    return new Opening(key, name, type, polygon, c, glazing, source, element, extras);
  }

  public Opening withGlazing(String g) {
    return new Opening(key, name, type, polygon, construction, g, source, element, extras);
  }
}
