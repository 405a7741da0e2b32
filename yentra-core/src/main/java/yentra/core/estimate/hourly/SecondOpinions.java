package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yentra.core.estimate.simple.MonthlyMethod;
import yentra.core.estimate.simple.SimpleHourly;

/**
 * The monthly and the simple hourly method on the same network, zone by zone: zones that are heated
 * or cooled alike do not exchange heat, those that are neither take the share of it that their
 * steady state lets through.
 */
final class SecondOpinions {
  private static final double WH_OF_KWH = 1000;
  private static final double JOULES_OF_WH = 3600;

  /** Hours of the end of the year that run ahead of it. */
  private static final int AHEAD = 744;

  private final Network network;
  private final Outdoors outdoors;
  private final double[] factors;
  private final float[][] temperatures;
  private final float[][] sun;

  /**
   * @param factors of each zone that is not conditioned: how far its steady state is outdoors, 0 to
   *     1
   */
  SecondOpinions(Network network, Outdoors outdoors, Sunshine sunshine, double[] factors) {
    this.network = network;
    this.outdoors = outdoors;
    this.factors = factors.clone();
    int zones = network.zones().size();
    temperatures = new float[zones][outdoors.hours()];
    sun = new float[zones][outdoors.hours()];
    double[] all = new double[zones];
    for (int i = 0; i < network.components().size(); i++) {
      Component c = network.components().get(i);
      all[c.inside()] += isOuter(c) ? transfer(c, c.insideFilm()) : 0;
    }
    Outside outside = new Outside(network, outdoors, sunshine);
    double[] now = new double[zones];
    for (int h = 0; h < outdoors.hours(); h++) {
      outside.hour(h);
      Arrays.fill(now, 0);
      for (int i = 0; i < network.components().size(); i++) {
        Component c = network.components().get(i);
        if (isOuter(c)) {
          now[c.inside()] += outside.temperature[i] * transfer(c, c.insideFilm()) / all[c.inside()];
        }
      }
      for (int z = 0; z < zones; z++) {
        sun[z][h] = (float) outside.sun[z];
        temperatures[z][h] = (float) now[z];
      }
    }
    for (int z = 0; z < zones; z++) {
      if (!(all[z] > 0)) {
        for (int h = 0; h < outdoors.hours(); h++) {
          temperatures[z][h] = (float) outdoors.dryBulb()[h];
        }
      }
    }
  }

  private static boolean isOuter(Component c) {
    return c.face() >= 0 || c.ground() != null;
  }

  /** W/K from the zone's air and surfaces to the outer end. */
  private static double transfer(Component c, double film) {
    return c.area() / (1 / c.dynamics().conductance + 1 / (film + Network.RADIANT_INSIDE));
  }

  /** One zone as the simple methods see it; null when it is not heated or cooled. */
  private record Lumped(
      Zone zone, int number, double windows, double opaque, double capacity, double massArea) {}

  private Lumped lumped(int z, List<Component> own) {
    double windows = 0;
    double opaque = network.bridges()[z];
    double capacity = 0;
    double squares = 0;
    for (Component c : own) {
      boolean inner = c.inside() == z;
      if (c.kind() == Component.Kind.WINDOW) {
        windows += transfer(c, c.insideFilm());
      } else if (isOuter(c)) {
        opaque += transfer(c, c.insideFilm());
      } else if (c.outside() >= 0) {
        int other = inner ? c.outside() : c.inside();
        opaque += transfer(c, c.insideFilm()) * (isConditioned(other) ? 0 : factors[other]);
      }
      double kappa = c.dynamics().capacity;
      capacity += c.area() * kappa;
      squares += c.area() * kappa * kappa;
    }
    Zone zone = network.zones().get(z);
    double floor = Math.max(1, zone.floorArea());
    capacity += Network.FURNITURE * floor;
    double mass = squares > 0 ? capacity * capacity / squares : 2.5 * floor;
    // the method needs its mass to take up more than goes through what is opaque
    mass = Math.max(Math.min(mass, 4 * floor), 1.2 * opaque / 9.1);
    return new Lumped(zone, z, windows, Math.max(opaque, 1e-6), capacity, mass);
  }

  private boolean isConditioned(int z) {
    return network.zones().get(z).heated() || network.zones().get(z).cooled();
  }

  private List<Lumped> conditioned() {
    List<List<Component>> own = new ArrayList<>();
    network.zones().forEach(z -> own.add(new ArrayList<>()));
    for (Component c : network.components()) {
      own.get(c.inside()).add(c);
      if (c.outside() >= 0) {
        own.get(c.outside()).add(c);
      }
    }
    List<Lumped> out = new ArrayList<>();
    for (int z = 0; z < own.size(); z++) {
      if (isConditioned(z)) {
        out.add(lumped(z, own.get(z)));
      }
    }
    return out;
  }

  private static double ventilation(Zone z, int h) {
    return Network.AIR * (z.infiltration().at(h) + z.supply().at(h) * (1 - z.recovery()));
  }

  private static double internal(Zone z, int h) {
    return z.people().at(h) + z.lighting().at(h) + z.equipment().at(h);
  }

  SecondOpinion monthly() {
    SecondOpinion sum = new SecondOpinion(0, 0);
    for (Lumped l : conditioned()) {
      sum = sum.plus(monthly(l));
    }
    return sum;
  }

  private SecondOpinion monthly(Lumped l) {
    double heating = 0;
    double cooling = 0;
    int from = 0;
    int n = outdoors.hours();
    while (from < n) {
      int to = from;
      double toHeat = 0;
      double toCool = 0;
      double gains = 0;
      double air = 0;
      while (to < n && outdoors.month()[to] == outdoors.month()[from]) {
        double heat = l.zone.heatingSetPoint().at(to);
        double cool = l.zone.coolingSetPoint().at(to);
        double through = l.windows + l.opaque;
        double ve = ventilation(l.zone, to);
        double outer = temperatures[l.number][to];
        double dry = outdoors.dryBulb()[to];
        toHeat += through * (heat - outer) + ve * (heat - dry);
        toCool += through * (cool - outer) + ve * (cool - dry);
        gains += sun[l.number][to] + internal(l.zone, to);
        air += ve;
        to++;
      }
      double time = l.capacity / JOULES_OF_WH / (l.windows + l.opaque + air / (to - from));
      double a = MonthlyMethod.exponent(time);
      heating += Double.isNaN(toHeat) ? 0 : MonthlyMethod.heating(toHeat, gains, a);
      cooling += Double.isNaN(toCool) ? 0 : MonthlyMethod.cooling(toCool, gains, a);
      from = to;
    }
    return new SecondOpinion(heating / WH_OF_KWH, cooling / WH_OF_KWH);
  }

  SecondOpinion simpleHourly() {
    SecondOpinion sum = new SecondOpinion(0, 0);
    for (Lumped l : conditioned()) {
      sum = sum.plus(simpleHourly(l));
    }
    return sum;
  }

  private SecondOpinion simpleHourly(Lumped l) {
    double heating = 0;
    double cooling = 0;
    double mass = 20;
    int n = outdoors.hours();
    for (int i = -AHEAD; i < n; i++) {
      int h = i < 0 ? n + i : i;
      SimpleHourly s =
          new SimpleHourly(
              Math.max(1, l.zone.floorArea()),
              l.massArea,
              l.capacity,
              l.windows,
              l.opaque,
              ventilation(l.zone, h));
      SimpleHourly.State now =
          s.held(
              mass,
              new SimpleHourly.Hour(
                  temperatures[l.number][h],
                  outdoors.dryBulb()[h],
                  internal(l.zone, h),
                  sun[l.number][h]),
              l.zone.heatingSetPoint().at(h),
              l.zone.coolingSetPoint().at(h),
              l.zone.mostHeating(),
              l.zone.mostCooling());
      mass = now.mass();
      if (i >= 0) {
        heating += Math.max(0, now.power());
        cooling += Math.max(0, -now.power());
      }
    }
    return new SecondOpinion(heating / WH_OF_KWH, cooling / WH_OF_KWH);
  }
}
