package yentra.core.envelope;

/**
 * The place of the project.
 *
 * @param name name of the place, or empty
 * @param latitude degrees north, or null when not stated
 * @param longitude degrees east, or null when not stated
 * @param elevation metres above sea level, or null when not stated
 * @param northAzimuth the azimuth of the model's +y axis in degrees clockwise from true north, or
 *     null when not stated; it is added to model azimuths, once
 * @param extras of gbXML's Location
 */
public record Site(
    String name,
    Double latitude,
    Double longitude,
    Double elevation,
    Double northAzimuth,
    Extras extras) {
  public static final Site UNKNOWN = new Site("", null, null, null, null, Extras.NONE);

  /** A model azimuth as an azimuth from true north, 0 to 360. */
  public double fromTrueNorth(double modelAzimuth) {
    double a = (modelAzimuth + (northAzimuth == null ? 0 : northAzimuth)) % 360;
    return a < 0 ? a + 360 : a;
  }
}
