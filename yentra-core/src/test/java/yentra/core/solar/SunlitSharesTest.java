package yentra.core.solar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/** A window of 2 m by 1.5 m that looks south (−y); what shades it has closed forms. */
class SunlitSharesTest {
  private static final double W = 2;
  private static final double H = 1.5;
  private static final Polygon WINDOW =
      Polygon.of(
          new Vec3(0, 0, 1), new Vec3(W, 0, 1), new Vec3(W, 0, 1 + H), new Vec3(0, 0, 1 + H));

  private static double share(List<Polygon> shading, double altitude, double azimuth) {
    Vec3 s = new SunPosition(90 - altitude, azimuth).direction();
    return SunlitShares.of(List.of(WINDOW), shading, List.of(s), Tolerance.standard()).share(0, 0);
  }

  /** A level overhang that runs far past the window on both sides. */
  private static Polygon overhang(double above, double depth) {
    double z = 1 + H + above;
    return Polygon.of(
        new Vec3(-1000, 0, z),
        new Vec3(1000, 0, z),
        new Vec3(1000, -depth, z),
        new Vec3(-1000, -depth, z));
  }

  /** An upright fin west of the window, far higher and lower. */
  private static Polygon fin(double beside, double depth) {
    double x = -beside;
    return Polygon.of(
        new Vec3(x, 0, -1000),
        new Vec3(x, -depth, -1000),
        new Vec3(x, -depth, 1000),
        new Vec3(x, 0, 1000));
  }

  /** The shadow reaches depth · tan(altitude) / cos(azimuth off the face) down. */
  @Property(tries = 200)
  void anOverhang(
      @ForAll @DoubleRange(min = 1, max = 80) double altitude,
      @ForAll @DoubleRange(min = 105, max = 255) double azimuth,
      @ForAll @DoubleRange(min = 0.05, max = 3) double depth,
      @ForAll @DoubleRange(min = 0.01, max = 1) double above) {
    double off = Math.toRadians(azimuth - 180);
    double down = depth * Math.tan(Math.toRadians(altitude)) / Math.cos(off);
    double lit = 1 - Math.max(0, Math.min(1, (down - above) / H));
    assertThat(share(List.of(overhang(above, depth)), altitude, azimuth))
        .isCloseTo(lit, within(1e-4));
  }

  /** The shadow reaches depth · tan(azimuth off the face) across. */
  @Property(tries = 200)
  void aFin(
      @ForAll @DoubleRange(min = 1, max = 60) double altitude,
      @ForAll @DoubleRange(min = 110, max = 250) double azimuth,
      @ForAll @DoubleRange(min = 0.05, max = 2) double depth,
      @ForAll @DoubleRange(min = 0.01, max = 1) double beside) {
    double across = depth * Math.tan(Math.toRadians(azimuth - 180));
    double lit = 1 - Math.max(0, Math.min(1, (across - beside) / W));
    assertThat(share(List.of(fin(beside, depth)), altitude, azimuth)).isCloseTo(lit, within(1e-4));
  }

  /**
   * Overhang and fin together leave the rectangle that neither takes; shadows are not counted
   * twice.
   */
  @Test
  void shadowsOverlap() {
    double down = 1 * Math.tan(Math.toRadians(40)) / Math.cos(Math.toRadians(40));
    double across = 1 * Math.tan(Math.toRadians(40));
    double lit = (1 - (down - 0.2) / H) * (1 - (across - 0.1) / W);
    assertThat(share(List.of(overhang(0.2, 1), fin(0.1, 1)), 40, 220)).isCloseTo(lit, within(1e-6));
    assertThat(share(List.of(overhang(0.2, 1), overhang(0.2, 1), fin(0.1, 1)), 40, 220))
        .as("what stands there twice shades once")
        .isCloseTo(lit, within(1e-6));
  }

  @Test
  void whatLiesBehindOrInThePlaneShadesNothing() {
    Polygon wall =
        Polygon.of(
            new Vec3(-5, 0.002, 0),
            new Vec3(5, 0.002, 0),
            new Vec3(5, 0.002, 5),
            new Vec3(-5, 0.002, 5));
    Polygon behind =
        Polygon.of(new Vec3(-5, 3, 0), new Vec3(5, 3, 0), new Vec3(5, 3, 9), new Vec3(-5, 3, 9));
    assertThat(share(List.of(WINDOW, wall, behind), 30, 180)).isEqualTo(1);
    assertThat(share(List.of(), 30, 10)).as("sun from behind").isZero();
  }

  /** A frame with a hole in it before the window: light comes through the hole only. */
  @Test
  void aHoleLetsLightThrough() {
    Polygon frame =
        new Polygon(
            List.of(
                new Vec3(-9, -1, -9), new Vec3(9, -1, -9), new Vec3(9, -1, 9), new Vec3(-9, -1, 9)),
            List.of(
                List.of(
                    new Vec3(0.5, -1, 1.5),
                    new Vec3(0.5, -1, 2),
                    new Vec3(1.5, -1, 2),
                    new Vec3(1.5, -1, 1.5))));
    assertThat(share(List.of(frame), 1e-9, 180)).isCloseTo(1 * 0.5 / (W * H), within(1e-6));
  }

  /** A face with a hole: the shadow on the hole takes nothing away. */
  @Test
  void aFaceWithAHole() {
    Polygon ring =
        new Polygon(
            WINDOW.outer(),
            List.of(
                List.of(
                    new Vec3(0.5, 0, 1.5),
                    new Vec3(0.5, 0, 2),
                    new Vec3(1.5, 0, 2),
                    new Vec3(1.5, 0, 1.5))));
    Polygon upper =
        Polygon.of(
            new Vec3(-9, -1, 1.75), new Vec3(9, -1, 1.75), new Vec3(9, -1, 9), new Vec3(-9, -1, 9));
    Vec3 s = new SunPosition(90, 180).direction();
    double lit =
        SunlitShares.of(List.of(ring), List.of(upper), List.of(s), Tolerance.standard())
            .share(0, 0);
    assertThat(lit).isCloseTo(0.5, within(1e-6));
  }

  /** A tall wall before the face takes the lower half of the sky away from it, or nearly. */
  @Test
  void theOpenShareOfTheSky() {
    List<Vec3> dome = SkyDome.directions();
    double[] open = new double[dome.size()];
    java.util.Arrays.fill(open, 1);
    assertThat(SkyDome.openShare(Vec3.Z, dome, open)).isEqualTo(1);
    // upright, the sky half hidden up to an altitude of 30°: 1 − (30° + sin 30° cos 30°)/90° of an
    // equal sky
    for (int i = 0; i < open.length; i++) {
      open[i] = dome.get(i).z() > 0.5 ? 1 : 0;
    }
    double a = Math.PI / 6;
    assertThat(SkyDome.openShare(new Vec3(0, -1, 0), dome, open))
        .isCloseTo(1 - (a + Math.sin(a) * Math.cos(a)) / (Math.PI / 2), within(0.03));
    assertThat(dome.stream().mapToDouble(Vec3::z).sum() / dome.size())
        .as("parts are equal: half of the sky's solid angle by projection")
        .isCloseTo(0.5, within(1e-12));
  }
}
