package yentra.core.check.measure;

import java.util.List;
import java.util.Set;
import yentra.core.boundary.SpaceVolume;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;

/**
 * An envelope in figures. Spaces that only group others are not counted into areas and volumes.
 *
 * @param floorArea m²
 * @param volume m³
 * @param outdoorArea m² of surfaces towards outdoor air, gross
 * @param groundArea m² of surfaces towards the ground
 * @param interiorArea m² of surfaces between spaces, each pair once
 * @param glazedArea m² of openings that let light through
 */
public record Figures(
    int spaces,
    int surfaces,
    int openings,
    double floorArea,
    double volume,
    double outdoorArea,
    double groundArea,
    double interiorArea,
    double glazedArea) {

  public static Figures of(CheckContext context) {
    Envelope e = context.envelope();
    Set<String> grouping = context.groupings().keySet();
    double floor = 0;
    double volume = 0;
    for (SpaceVolume v : context.volumes().all()) {
      if (!grouping.contains(v.space().key())) {
        floor += v.floorArea();
        volume += v.volume();
      }
    }
    double outdoor = 0;
    double ground = 0;
    double interior = 0;
    double glazed = 0;
    SurfaceMeasures measures = context.measures();
    List<Surface> surfaces = e.surfaces();
    for (int i = 0; i < surfaces.size(); i++) {
      double area = measures.gross(i);
      Exposure x = surfaces.get(i).exposure();
      outdoor += x == Exposure.OUTDOOR ? area : 0;
      ground += x == Exposure.GROUND ? area : 0;
      interior += x == Exposure.SPACE ? area : 0;
      glazed += measures.glazed(i);
    }
    return new Figures(
        e.spaces().size(),
        e.surfaces().size(),
        e.openingCount(),
        floor,
        volume,
        outdoor,
        ground,
        interior,
        glazed);
  }
}
