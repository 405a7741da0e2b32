package yentra.core.check.place;

import yentra.core.check.rule.Offer;
import yentra.core.envelope.FrameDifference;
import yentra.core.geometry.Vec3;
import yentra.core.repair.delivery.AlignDelivery;

/** Back to where the other delivery stands; a wrong unit is not mended by moving. */
final class SourcesDisagreeRemedies {
  /** Further up than any building stands above another of its project, in metres. */
  private static final double FAR_UP = 1000;

  private SourcesDisagreeRemedies() {}

  static void of(Offer o) {
    o.context().frames().ifPresent(d -> align(o, d));
  }

  private static void align(Offer o, FrameDifference d) {
    switch (o.finding().subject()) {
      case "north" ->
          o.add(
              "Take over the other’s north",
              new AlignDelivery(0, 0, 0, 0, o.envelope().site().northAzimuth() - d.north()));
      case "apart" ->
          o.add(
              "Move it by whole metres to where the other stands",
              new AlignDelivery(
                  0,
                  -Math.rint(d.apart().x()),
                  -Math.rint(d.apart().y()),
                  Math.abs(d.apart().z()) > FAR_UP ? -Math.rint(d.apart().z()) : 0,
                  null));
      case "scale" -> {}
      default -> {
        double turn = rounded(-d.turn(), 1e8);
        double a = Math.toRadians(turn);
        Vec3 s = d.shift().times(-1);
        o.add(
            "Move it to where the other stands",
            new AlignDelivery(
                turn,
                rounded(Math.cos(a) * s.x() - Math.sin(a) * s.y(), 1e6),
                rounded(Math.sin(a) * s.x() + Math.cos(a) * s.y(), 1e6),
                rounded(s.z(), 1e6),
                null));
      }
    }
  }

  /** Without the noise of floating point, which a person would read in the log. */
  private static double rounded(double d, double parts) {
    return Math.round(d * parts) / parts + 0.0;
  }
}
