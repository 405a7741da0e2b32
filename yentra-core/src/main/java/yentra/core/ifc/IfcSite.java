package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Site;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepValue;

/** The place of the project: latitude, longitude, elevation, north. */
final class IfcSite {
  private IfcSite() {}

  static Site of(IfcModel model) {
    StepFile file = model.file();
    int[] sites = file.ofType("IFCSITE");
    StepInstance s = sites.length == 0 ? null : file.get(sites[0]);
    Double north = north(file);
    if (s == null) {
      return new Site("", null, null, null, north, Extras.NONE);
    }
    return new Site(
        s.text(2),
        angle(s, 9),
        angle(s, 10),
        s.number(11).map(d -> d * model.units().length()).orElse(null),
        north,
        Extras.NONE);
  }

  /** One statement of where north is: the azimuth of the model's y axis, and what says it. */
  record North(double azimuth, String by, int instance) {}

  /**
   * The azimuth of the model's y axis: the bearing of TrueNorth taken back, or where that is not
   * stated, the turn of IfcMapConversion, which is from grid north; null when neither is there.
   */
  private static Double north(StepFile file) {
    List<North> all = norths(file);
    return all.isEmpty() ? null : (Double) all.get(0).azimuth;
  }

  /** Every statement of north in the file, the one that counts first. */
  static List<North> norths(StepFile file) {
    List<North> out = new ArrayList<>();
    for (int c : file.ofType("IFCGEOMETRICREPRESENTATIONCONTEXT")) {
      StepInstance context = file.get(c);
      StepInstance d = context == null ? null : file.get(context.ref(5));
      if (d != null && d.list(0).size() >= 2 && !context.text(1).equals("Plan")) {
        double x = StepInstance.number(d.list(0).get(0)).orElse(0.0);
        double y = StepInstance.number(d.list(0).get(1)).orElse(1.0);
        out.add(new North(turn(-Math.toDegrees(Math.atan2(x, y))), "its true north", c));
      }
    }
    for (int m : file.ofType("IFCMAPCONVERSION", "IFCMAPCONVERSIONSCALED")) {
      StepInstance map = file.get(m);
      if (map != null && map.number(5).isPresent() && map.number(6).isPresent()) {
        double a = turn(-Math.toDegrees(Math.atan2(map.number(6).get(), map.number(5).get())));
        out.add(new North(a, "the turn of its map conversion", m));
      }
    }
    return out;
  }

  /** By how much two azimuths differ, 0 to 180 degrees. */
  static double apart(North a, North b) {
    double d = Math.abs(a.azimuth - b.azimuth) % 360;
    return Math.min(d, 360 - d);
  }

  private static double turn(double degrees) {
    return degrees == 0 ? 0.0 : (degrees + 360) % 360;
  }

  /**
   * IfcCompoundPlaneAngleMeasure: degrees, minutes, seconds, millionths of a second, all with the
   * same sign.
   */
  private static Double angle(StepInstance s, int i) {
    List<StepValue> l = s.list(i);
    if (l.size() < 3) {
      return null;
    }
    double[] scale = {1, 60, 3600, 3.6e9};
    double sum = 0;
    for (int k = 0; k < Math.min(4, l.size()); k++) {
      sum += StepInstance.number(l.get(k)).orElse(0.0) / scale[k];
    }
    return sum;
  }
}
