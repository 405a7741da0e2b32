package yentra.core.estimate.hourly;

import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.Surface;
import yentra.core.thermal.GroundContact;

/** The year outdoors as the ground passes it on to what touches it (ISO 13370). */
final class GroundMonths {
  private final GroundContact contact;
  private final double mean;
  private final double amplitude;
  private final int coldest;

  GroundMonths(GroundContact contact, WeatherYear weather) {
    this.contact = contact;
    double[] air = weather.monthly(WeatherQuantity.DRY_BULB);
    int cold = 0;
    double least = air[0];
    double most = air[0];
    for (int m = 1; m < 12; m++) {
      cold = air[m] < air[cold] ? m : cold;
      least = Math.min(least, air[m]);
      most = Math.max(most, air[m]);
    }
    mean = weather.mean(WeatherQuantity.DRY_BULB);
    amplitude = (most - least) / 2;
    coldest = cold;
  }

  /** °C by month at the outer end of a surface's ground. */
  double[] of(Surface s) {
    GroundContact.Swing swing = contact.swing(s);
    double[] out = new double[12];
    for (int m = 0; m < 12; m++) {
      double turn = 2 * Math.PI * (m - coldest - swing.lag()) / 12;
      out[m] = mean - amplitude * swing.share() * Math.cos(turn);
    }
    return out;
  }
}
