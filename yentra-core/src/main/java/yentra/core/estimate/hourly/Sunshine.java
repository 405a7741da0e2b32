package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.solar.SkyDome;
import yentra.core.solar.SunPosition;
import yentra.core.solar.SunlitShares;
import yentra.core.solar.Transposition;

/**
 * The sun on each face outdoors, shaded by everything that stands outdoors: sunlit shares for each
 * hour of one day a month, and how much of the sky each face sees.
 */
final class Sunshine {
  private final int[] orientation;
  private final List<double[]> orientations = new ArrayList<>();
  private final SunlitShares lit;
  private final int[] direction;
  private final double[] open;

  private Sunshine(List<Face> faces, SunlitShares lit, int[] direction, double[] open) {
    this.lit = lit;
    this.direction = direction;
    this.open = open;
    orientation = new int[faces.size()];
    Map<List<Double>, Integer> known = new HashMap<>();
    for (int i = 0; i < orientation.length; i++) {
      Face f = faces.get(i);
      orientation[i] =
          known.computeIfAbsent(
              List.of(f.tilt(), f.azimuth()),
              k -> {
                orientations.add(new double[] {f.tilt(), f.azimuth()});
                return orientations.size() - 1;
              });
    }
  }

  /** With shadows of the whole envelope. */
  static Sunshine of(List<Face> faces, Envelope e, WeatherYear w, Tolerance tolerance) {
    double north = e.site().northAzimuth() == null ? 0 : e.site().northAzimuth();
    SunPosition[] suns = Outdoors.shades(w);
    List<Vec3> towards = new ArrayList<>();
    int[] direction = new int[suns.length];
    for (int i = 0; i < suns.length; i++) {
      direction[i] = suns[i].isUp() ? towards.size() : -1;
      if (suns[i].isUp()) {
        // in the model's frame, whose y axis looks to this azimuth
        towards.add(new SunPosition(suns[i].zenith(), suns[i].azimuth() - north).direction());
      }
    }
    int n = towards.size();
    List<Vec3> dome = SkyDome.directions();
    towards.addAll(dome);
    List<Polygon> polygons = faces.stream().map(Face::polygon).toList();
    SunlitShares lit = SunlitShares.of(polygons, casters(e), towards, tolerance);
    double[] open = new double[faces.size()];
    double[] shares = new double[dome.size()];
    for (int i = 0; i < open.length; i++) {
      for (int k = 0; k < shares.length; k++) {
        shares[k] = lit.share(i, n + k);
      }
      open[i] = SkyDome.openShare(polygons.get(i).normal(), dome, shares);
    }
    return new Sunshine(faces, lit, direction, open);
  }

  /** All that casts shadows: surfaces outdoors and what shades. */
  static List<Polygon> casters(Envelope e) {
    List<Polygon> out = new ArrayList<>();
    for (Surface s : e.surfaces()) {
      if (s.exposure() == Exposure.OUTDOOR || s.type().isShading()) {
        out.add(s.polygon());
      }
    }
    return out;
  }

  /** Sunlit share of a face in an hour of a month's day; 0 at night. */
  double lit(int face, int shade) {
    return direction[shade] < 0 ? 0 : lit.share(face, direction[shade]);
  }

  /** Share of the sky before it that a face sees. */
  double open(int face) {
    return open[face];
  }

  /** What falls on the orientations in an hour. */
  Transposition[] on(Transposition.Hour sun, Transposition.Sky sky) {
    Transposition[] out = new Transposition[orientations.size()];
    for (int i = 0; i < out.length; i++) {
      double[] o = orientations.get(i);
      out[i] = Transposition.of(sun, sky, o[0], o[1]);
    }
    return out;
  }

  int orientation(int face) {
    return orientation[face];
  }

  double incidence(SunPosition sun, int face) {
    double[] o = orientations.get(orientation[face]);
    return sun.incidence(o[0], o[1]);
  }
}
