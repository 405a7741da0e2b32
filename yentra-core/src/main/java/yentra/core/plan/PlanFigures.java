package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Site;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;

/**
 * What a drawn building comes to, to be seen while it is drawn.
 *
 * @param spaces how many
 * @param floorArea of all spaces, m²
 * @param volume of all spaces, m³
 * @param facades outer walls by where they face, from north clockwise
 * @param roofArea outdoors, m²
 * @param glazedRoof share of the roof that is glazed, 0 to 1
 */
public record PlanFigures(
    int spaces,
    double floorArea,
    double volume,
    List<Facade> facades,
    double roofArea,
    double glazedRoof) {
  private static final List<String> QUARTERS = List.of("north", "east", "south", "west");

  public PlanFigures {
    facades = List.copyOf(facades);
  }

  /**
   * Outer walls that face one way.
   *
   * @param facing north, east, south or west
   * @param area gross, m²
   * @param glazed share of it, 0 to 1
   */
  public record Facade(String facing, double area, double glazed) {}

  /** Measures an envelope that was drawn, which is closed and turned outwards by construction. */
  public static PlanFigures of(Envelope e, Rules rules) {
    Map<String, List<Polygon>> faces = new TreeMap<>();
    double[] wall = new double[4];
    double[] glass = new double[4];
    double roof = 0;
    double rooflights = 0;
    double floors = 0;
    for (Surface s : e.surfaces()) {
      for (int i = 0; i < s.sides().size(); i++) {
        Polygon face = s.face(i);
        faces.computeIfAbsent(s.sides().get(i).space(), k -> new ArrayList<>()).add(face);
        floors += rules.types().isFloor(face.tilt()) ? face.area() : 0;
      }
      if (s.exposure() == Exposure.OUTDOOR) {
        double glazed =
            s.openings().stream()
                .filter(o -> o.type().isGlazed())
                .map(Opening::polygon)
                .mapToDouble(Polygon::area)
                .sum();
        switch (rules.types().orientation(s.polygon().tilt())) {
          case SIDE -> {
            int q = quarter(e.site(), s.polygon());
            wall[q] += s.polygon().area();
            glass[q] += glazed;
          }
          case UP -> {
            roof += s.polygon().area();
            rooflights += glazed;
          }
          case DOWN -> {}
        }
      }
    }
    double volume = faces.values().stream().mapToDouble(f -> Shell.of(f).signedVolume()).sum();
    List<Facade> facades = new ArrayList<>();
    for (int q = 0; q < 4; q++) {
      facades.add(new Facade(QUARTERS.get(q), wall[q], wall[q] == 0 ? 0 : glass[q] / wall[q]));
    }
    return new PlanFigures(
        e.spaces().size(), floors, volume, facades, roof, roof == 0 ? 0 : rooflights / roof);
  }

  private static int quarter(Site site, Polygon p) {
    return (int) Math.round(site.fromTrueNorth(p.azimuth()) / 90) % 4;
  }
}
