package yentra.core.envelope;

import io.soabase.recordbuilder.core.RecordBuilder;
import yentra.core.geometry.Polygon;

/**
 * A window, door or hole in a surface.
 *
 * @param polygon its outline in model coordinates, in the direction of its surface
 * @param construction key of its construction, or null
 * @param glazing key of its window type, or null
 * @param element the building element it came from, or null
 */
@RecordBuilder
public record Opening(
    String key,
    String name,
    OpeningType type,
    Polygon polygon,
    String construction,
    String glazing,
    SourceRef source,
    SourceRef element,
    Extras extras)
    implements OpeningBuilder.With {
  /** An opening of which nothing else is known. */
  public static Opening of(String key, OpeningType type, Polygon polygon) {
    return new Opening(key, "", type, polygon, null, null, SourceRef.REPAIR, null, Extras.NONE);
  }

  /** Glazing data stay with what lets light through only. */
  @Override
  public Opening withType(OpeningType t) {
    return with()
        .type(t)
        .glazing(t.isGlazed() ? glazing : null)
        .extras(extras.withoutAttribute("openingType"))
        .build();
  }
}
