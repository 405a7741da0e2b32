package yentra.core.boundary;

import java.util.List;
import yentra.core.envelope.SourceRef;
import yentra.core.geometry.Polygon;

/**
 * Something solid that can lie between spaces.
 *
 * @param element key of the element that it is, or is a part of: parts of one curtain wall count as
 *     one
 * @param source that element in the file
 * @param rank which of several elements in a line names the surface
 * @param body its faces without the holes of openings, metres
 * @param known whether it is known what it is made of: of two in one place that one counts
 */
public record Barrier(
    String element, SourceRef source, Rank rank, List<Polygon> body, boolean known) {
  public Barrier {
    body = List.copyOf(body);
  }

  public Barrier(String element, SourceRef source, Rank rank, List<Polygon> body) {
    this(element, source, rank, body, true);
  }

  /** From what separates spaces by itself to what only stands in the way. */
  public enum Rank {
    /** Walls, slabs, roofs, curtain walls. */
    SEPARATING,
    /** Coverings, plates, proxies: they separate where nothing of the first rank does. */
    LINING,
    /** Columns, beams, members, footings: part of the wall or slab that they stand in. */
    FRAME
  }
}
