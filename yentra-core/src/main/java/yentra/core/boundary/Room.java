package yentra.core.boundary;

import java.util.List;
import yentra.core.envelope.SourceRef;
import yentra.core.geometry.Polygon;

/**
 * A space whose boundaries are to be derived.
 *
 * @param key key of the space
 * @param source the space in the file
 * @param body its faces, pointing outwards, metres
 */
public record Room(String key, SourceRef source, List<Polygon> body) {
  public Room {
    body = List.copyOf(body);
  }
}
