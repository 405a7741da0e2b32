package yentra.core.estimate.hourly;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;

/**
 * The hours of zones in little room, to be looked at later: temperatures to a hundredth of a
 * kelvin, heat flows with the square root's steps, to about 1 W at 100 W and 10 W at 10 kW.
 */
public final class HourSeries implements HourRows {
  private static final double DEGREES = 100;
  private static final double ROOTS = 10;

  /** Of one zone. */
  public enum Kind {
    AIR,
    OPERATIVE,
    HEATING,
    COOLING,
    SUN,
    INTERNAL
  }

  private static final int KINDS = Kind.values().length;

  private final short[][] zones;
  private final int hours;

  public HourSeries(int zones, int hours) {
    this.zones = new short[zones][KINDS * hours];
    this.hours = hours;
  }

  @Override
  public void row(
      int hour,
      int zone,
      double air,
      double operative,
      double heating,
      double cooling,
      double sun,
      double internal) {
    short[] z = zones[zone];
    z[hour] = degrees(air);
    z[hours + hour] = degrees(operative);
    z[2 * hours + hour] = root(heating);
    z[3 * hours + hour] = root(cooling);
    z[4 * hours + hour] = root(sun);
    z[5 * hours + hour] = root(internal);
  }

  private static short degrees(double t) {
    return (short) Math.max(-32_768, Math.min(32_767, Math.round(t * DEGREES)));
  }

  private static short root(double w) {
    return (short) Math.min(32_767, Math.round(Math.sqrt(Math.max(0, w)) * ROOTS));
  }

  /** A zone's hours as bytes. */
  public byte[] bytes(int zone) {
    ByteBuffer out = ByteBuffer.allocate(2 * KINDS * hours);
    out.asShortBuffer().put(zones[zone]);
    return out.array();
  }

  /**
   * Some hours of a zone, from its bytes: °C, W.
   *
   * @param from first hour, from 0
   * @param to the hour behind the last
   * @throws IllegalArgumentException when the bytes do not hold these hours
   */
  public static List<Double> read(byte[] bytes, Kind kind, int from, int to) {
    int hours = bytes.length / 2 / KINDS;
    if (from < 0 || to > hours || from > to) {
      throw new IllegalArgumentException("no hours " + from + " to " + to + " of " + hours);
    }
    ByteBuffer in = ByteBuffer.wrap(bytes);
    List<Double> out = new ArrayList<>(to - from);
    boolean degrees = kind == Kind.AIR || kind == Kind.OPERATIVE;
    for (int h = from; h < to; h++) {
      double v = in.getShort(2 * (kind.ordinal() * hours + h));
      out.add(degrees ? v / DEGREES : v / ROOTS * (v / ROOTS));
    }
    return out;
  }
}
