package yentra.core.estimate.hourly;

import java.util.Arrays;
import java.util.List;
import yentra.core.solar.Transposition;

/**
 * What each component has at its outer end in an hour, and what the sun brings into each zone. The
 * temperature of a face outdoors is that of air which would exchange as much heat with it as air,
 * sun and sky do together.
 */
final class Outside {
  private final Network network;
  private final Outdoors outdoors;
  private final Sunshine sunshine;
  private final List<Component> components;

  /** °C at the outer end of each component; of those between zones it means nothing. */
  final double[] temperature;

  /** W into each zone. */
  final double[] sun;

  Outside(Network network, Outdoors outdoors, Sunshine sunshine) {
    this.network = network;
    this.outdoors = outdoors;
    this.sunshine = sunshine;
    components = network.components();
    temperature = new double[components.size()];
    sun = new double[network.zones().size()];
  }

  /** How much colder than the air long-wave radiation to the sky makes a face, K. */
  double longWave(int face, double dry, double sky) {
    double up = (1 + Math.cos(Math.toRadians(network.faces().get(face).tilt()))) / 2;
    return up * Network.RADIANT_OUTSIDE * (dry - sky) / Network.OUTSIDE;
  }

  void hour(int h) {
    Arrays.fill(sun, 0);
    Transposition.Hour down = outdoors.sun()[h];
    Transposition[] on = down == null ? null : sunshine.on(down, network.options().sky());
    double dry = outdoors.dryBulb()[h];
    double sky = outdoors.sky()[h];
    for (int i = 0; i < temperature.length; i++) {
      Component c = components.get(i);
      if (c.ground() != null) {
        temperature[i] = c.ground()[outdoors.month()[h] - 1];
      } else if (c.face() >= 0) {
        temperature[i] = dry - longWave(c.face(), dry, sky);
        if (on != null) {
          sunOn(c, i, h, on[sunshine.orientation(c.face())]);
        }
      }
    }
  }

  private void sunOn(Component c, int i, int h, Transposition t) {
    double lit = sunshine.lit(c.face(), outdoors.shade()[h]);
    double diffuse = t.sky() * sunshine.open(c.face()) + t.ground();
    if (c.glass() == null) {
      double falls = t.beam() * lit + diffuse;
      temperature[i] += network.options().absorptance() * falls / Network.OUTSIDE;
      return;
    }
    double cosine = sunshine.incidence(outdoors.sun()[h].sun(), c.face());
    sun[c.inside()] +=
        c.area()
            * c.glass().solarHeatGain()
            * (t.beam() * lit * c.glass().byAngle().beam(cosine)
                + diffuse * c.glass().byAngle().diffuse());
  }
}
