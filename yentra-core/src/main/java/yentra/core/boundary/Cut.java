package yentra.core.boundary;

import java.util.List;
import yentra.core.envelope.SourceRef;
import yentra.core.geometry.Polygon;

/**
 * An opening through an element, or a window or door that no opening was cut for.
 *
 * @param host key of the element it was cut into; empty where the delivery does not say
 * @param element key of what fills it, or of the opening itself
 * @param source that in the file
 * @param role what it lets through
 * @param body its faces, metres
 */
public record Cut(
    String host,
    String element,
    SourceRef source,
    DeliveredBoundary.Role role,
    List<Polygon> body) {
  public Cut {
    body = List.copyOf(body);
  }
}
