package yentra.core.repair.delivery;

import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Moves a delivery to where another of the project stands: everything is turned about the origin
 * and shifted.
 *
 * @param turn degrees, anticlockwise from above
 * @param x shift after turning, metres
 * @param north the azimuth of the y axis that is stated from now on, or null to leave it
 */
public record AlignDelivery(double turn, double x, double y, double z, Double north)
    implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (turn == 0 && x == 0 && y == 0 && z == 0 && north == null) {
      throw new NotApplicableException("Nothing would move.");
    }
    double c = Math.cos(Math.toRadians(turn));
    double s = Math.sin(Math.toRadians(turn));
    // the shift is told in the file's own coordinates, the envelope is near a local origin
    Vec3 o = e.delivered().origin();
    Vec3 turned = new Vec3(c * o.x() - s * o.y(), s * o.x() + c * o.y(), o.z());
    Transform t =
        new Transform(
            new Vec3(c, s, 0), new Vec3(-s, c, 0), Vec3.Z, turned.minus(o).plus(new Vec3(x, y, z)));
    return e.moved(t, north == null ? e.site().northAzimuth() : north);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return this;
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    StringBuilder b = new StringBuilder();
    if (turn != 0) {
      b.append(String.format(Locale.ROOT, "Turns the delivery by %.2f°. ", turn));
    }
    if (x != 0 || y != 0 || z != 0) {
      b.append(
          String.format(
              Locale.ROOT,
              "Moves the delivery by x %.3f m, y %.3f m, z %.3f m. ",
              // no minus before nought
              x + 0.0,
              y + 0.0,
              z + 0.0));
    }
    if (north != null) {
      b.append(String.format(Locale.ROOT, "States the y axis %.2f° from true north. ", north));
    }
    return b.toString().strip();
  }
}
