package yentra.core.solar;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import net.e175.klaus.solarpositioning.DeltaT;
import net.e175.klaus.solarpositioning.SPA;
import net.e175.klaus.solarpositioning.SolarPosition;
import yentra.core.geometry.Vec3;

/**
 * Where the sun stands, by the algorithm of Reda and Andreas (Solar Position Algorithm for Solar
 * Radiation Applications, NREL/TP-560-34302, 2003, revised 2008), without refraction.
 *
 * @param zenith degrees from straight up; more than 90 below the horizon
 * @param azimuth degrees clockwise from true north
 */
public record SunPosition(double zenith, double azimuth) {
  private static final int SECONDS_OF_HOUR = 3600;

  /**
   * @param day in local standard time
   * @param hours since midnight, with fractions
   * @param timeZone hours ahead of UTC
   */
  public static SunPosition of(
      LocalDate day, double hours, double timeZone, double latitude, double longitude) {
    long seconds = Math.round((hours - timeZone) * SECONDS_OF_HOUR);
    ZonedDateTime t = day.atStartOfDay(ZoneOffset.UTC).plusSeconds(seconds);
    SolarPosition p =
        SPA.calculateSolarPosition(t, latitude, longitude, 0, DeltaT.estimate(t.toLocalDate()));
    return new SunPosition(p.zenithAngle(), p.azimuth());
  }

  public double altitude() {
    return 90 - zenith;
  }

  public boolean isUp() {
    return zenith < 90;
  }

  /** Cosine of the zenith angle: what a level surface gets; below 0 at night. */
  public double cosine() {
    return Math.cos(Math.toRadians(zenith));
  }

  /** Towards the sun: x east, y north, z up. */
  public Vec3 direction() {
    double z = Math.toRadians(zenith);
    double a = Math.toRadians(azimuth);
    return new Vec3(Math.sin(z) * Math.sin(a), Math.sin(z) * Math.cos(a), Math.cos(z));
  }

  /**
   * Cosine of the angle of incidence on a face; below 0 from behind.
   *
   * @param tilt of the face, degrees; 0 looks up
   * @param facing azimuth of the face, degrees clockwise from true north
   */
  public double incidence(double tilt, double facing) {
    double z = Math.toRadians(zenith);
    double b = Math.toRadians(tilt);
    return Math.cos(z) * Math.cos(b)
        + Math.sin(z) * Math.sin(b) * Math.cos(Math.toRadians(azimuth - facing));
  }
}
