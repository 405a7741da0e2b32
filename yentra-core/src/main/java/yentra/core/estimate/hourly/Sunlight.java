package yentra.core.estimate.hourly;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Site;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.solar.SunPosition;
import yentra.core.solar.SunlitShares;

/**
 * Sun on the openings of an envelope over one day, in the middle of each hour of local standard
 * time, shaded by everything that stands outdoors; cloud is left out.
 *
 * @param suns where the sun stands in each hour
 * @param openings in the envelope's order
 */
public record Sunlight(List<SunPosition> suns, List<OfOpening> openings) {
  private static final int DAY = 24;
  private static final double DEGREES_OF_HOUR = 15;

  /**
   * Of an opening.
   *
   * @param shares sunlit in each hour, 0 to 1; 0 where the sun is behind it or down
   */
  public record OfOpening(String key, List<Double> shares) {
    /** Hours of sun, counted by the sunlit share. */
    public double hours() {
      return shares.stream().mapToDouble(s -> s).sum();
    }
  }

  public Sunlight {
    suns = List.copyOf(suns);
    openings = List.copyOf(openings);
  }

  /**
   * @param timeZone hours ahead of UTC; null for what the longitude is nearest to
   * @throws IllegalArgumentException when the envelope's site has no latitude or longitude
   */
  public static Sunlight of(CheckContext context, LocalDate day, Double timeZone) {
    Envelope e = context.envelope();
    Site site = e.site();
    if (site.latitude() == null || site.longitude() == null) {
      throw new IllegalArgumentException("the site has no latitude or longitude");
    }
    double zone = timeZone != null ? timeZone : Math.rint(site.longitude() / DEGREES_OF_HOUR);
    double north = site.northAzimuth() == null ? 0 : site.northAzimuth();
    List<SunPosition> suns = new ArrayList<>();
    List<Vec3> towards = new ArrayList<>();
    int[] direction = new int[DAY];
    for (int h = 0; h < DAY; h++) {
      SunPosition s = SunPosition.of(day, h + 0.5, zone, site.latitude(), site.longitude());
      suns.add(s);
      direction[h] = s.isUp() ? towards.size() : -1;
      if (s.isUp()) {
        towards.add(new SunPosition(s.zenith(), s.azimuth() - north).direction());
      }
    }
    List<String> keys = new ArrayList<>();
    List<Polygon> faces = new ArrayList<>();
    for (Surface s : e.surfaces()) {
      if (s.exposure() == Exposure.OUTDOOR) {
        Polygon out = context.outward(s);
        for (Opening o : s.openings()) {
          boolean turned = o.polygon().normal().dot(out.normal()) < 0;
          keys.add(o.key());
          faces.add(turned ? o.polygon().reversed() : o.polygon());
        }
      }
    }
    SunlitShares lit = SunlitShares.of(faces, Sunshine.casters(e), towards, context.tolerance());
    List<OfOpening> openings = new ArrayList<>();
    for (int i = 0; i < keys.size(); i++) {
      List<Double> shares = new ArrayList<>();
      for (int h = 0; h < DAY; h++) {
        shares.add(direction[h] < 0 ? 0.0 : lit.share(i, direction[h]));
      }
      openings.add(new OfOpening(keys.get(i), shares));
    }
    return new Sunlight(suns, openings);
  }
}
