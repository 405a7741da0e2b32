package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Hour after hour of a network: sets what each hour brings, solves its balance, and lets the
 * components remember.
 */
final class March {
  private static final double JOULES_OF_WH = 3600;

  /** Told of each hour that is done. */
  interface Sink {
    void hour(int hour, March at);
  }

  private final Network network;
  private final Outdoors outdoors;
  private final Outside outside;
  private final List<Component> components;
  private final List<Zone> zones;
  private final Balance balance;
  private final boolean conditioned;
  private final double[] state;
  private final int[] at;
  private final double[] heldInside;
  private final double[] heldOutside;
  private final double[] capacity;
  private final double[] before;
  private final double[] fresh;
  private final double[] leaks;

  /** Flows into the zones in the hour, W: by zone and {@link Flow}. */
  final double[][] flows;

  private double imbalance;
  private boolean settled = true;

  /**
   * @param conditioned whether zones are heated and cooled; else all float
   */
  March(Network network, Outdoors outdoors, Sunshine sunshine, boolean conditioned) {
    this.network = network;
    this.outdoors = outdoors;
    this.outside = new Outside(network, outdoors, sunshine);
    this.conditioned = conditioned;
    components = network.components();
    zones = network.zones();
    balance = new Balance(network, conductances(network, false));
    int n = components.size();
    at = new int[n];
    int all = 0;
    for (int i = 0; i < n; i++) {
      at[i] = all;
      all += components.get(i).dynamics().modes();
    }
    state = new double[all];
    heldInside = new double[n];
    heldOutside = new double[n];
    int z = zones.size();
    capacity = new double[z];
    for (int i = 0; i < z; i++) {
      capacity[i] = Network.FURNITURE * zones.get(i).floorArea() / JOULES_OF_WH;
    }
    before = new double[z];
    fresh = new double[z];
    leaks = new double[z];
    flows = new double[z][Flow.values().length];
  }

  private static List<Balance.Conductances> conductances(Network network, boolean steady) {
    List<Balance.Conductances> out = new ArrayList<>();
    for (Component c : network.components()) {
      WallDynamics d = c.dynamics();
      boolean closed = c.kind() == Component.Kind.ADIABATIC;
      if (steady) {
        double u = closed ? 0 : d.conductance;
        out.add(new Balance.Conductances(u, u, u));
      } else {
        double in = closed ? d.inner - d.across * d.across / d.outer : d.inner;
        out.add(new Balance.Conductances(in, d.outer, d.across));
      }
    }
    return out;
  }

  Outdoors outdoors() {
    return outdoors;
  }

  double air(int zone) {
    return balance.air[zone];
  }

  /** Mean of air and surfaces, whatever the set-points hold. */
  double operative(int zone) {
    return (balance.air[zone] + balance.mean[zone]) / 2;
  }

  double surface(int zone) {
    return balance.mean[zone];
  }

  /** W; above 0 heating, below 0 cooling. */
  double power(int zone) {
    return balance.power[zone];
  }

  double sun(int zone) {
    return outside.sun[zone];
  }

  double internal(int zone) {
    double[] f = flows[zone];
    return f[Flow.PEOPLE.ordinal()] + f[Flow.LIGHTING.ordinal()] + f[Flow.EQUIPMENT.ordinal()];
  }

  /** The hour's imbalance as a share of its heat flows. */
  double imbalance() {
    return imbalance;
  }

  /** Whether every hour's temperatures settled. */
  boolean settled() {
    return settled;
  }

  /** Begins in the steady state of the mean of some hours. */
  void begin(int from, int to) {
    Balance steady = new Balance(network, conductances(network, true));
    double dry = mean(outdoors.dryBulb(), from, to);
    double sky = mean(outdoors.sky(), from, to);
    double[] out = new double[components.size()];
    for (int i = 0; i < out.length; i++) {
      Component c = components.get(i);
      out[i] =
          c.ground() != null
              ? c.ground()[outdoors.month()[from] - 1]
              : dry - (c.face() < 0 ? 0 : outside.longWave(c.face(), dry, sky));
      boolean zoneBehind = c.kind() == Component.Kind.INTERIOR;
      boolean closed = c.kind() == Component.Kind.ADIABATIC;
      steady.given[steady.innerSide(i)] =
          zoneBehind || closed ? 0 : c.dynamics().conductance * out[i];
    }
    Arrays.fill(steady.air, dry);
    Arrays.fill(steady.face, dry);
    for (int z = 0; z < zones.size(); z++) {
      Zone zone = zones.get(z);
      double leak = Network.AIR * zone.infiltration().at(from);
      double supply = Network.AIR * zone.supply().at(from) * (1 - zone.recovery());
      steady.exchange[z] = leak + supply + network.bridges()[z] + 1e-9;
      steady.held[z] = steady.exchange[z] * dry;
      double gains = 0;
      for (int h = from; h < to; h++) {
        gains +=
            (zone.people().at(h) + zone.lighting().at(h) + zone.equipment().at(h)) / (to - from);
      }
      double share = network.options().shares().gains();
      steady.toAir[z] = share * gains;
      steady.toSurfaces[z] = (1 - share) * gains;
      limits(steady, z, from);
    }
    steady.solve();
    for (int i = 0; i < out.length; i++) {
      Component c = components.get(i);
      double in = steady.face[steady.innerSide(i)];
      double behind = steady.outerSide(i) >= 0 ? steady.face[steady.outerSide(i)] : out[i];
      c.dynamics().settle(state, at[i], in, c.kind() == Component.Kind.ADIABATIC ? in : behind);
    }
    System.arraycopy(steady.air, 0, balance.air, 0, zones.size());
    System.arraycopy(steady.mean, 0, balance.mean, 0, zones.size());
    System.arraycopy(steady.face, 0, balance.face, 0, balance.face.length);
  }

  /** All that the next hour depends on: what components remember, and the air of the zones. */
  double[] memory() {
    double[] out = Arrays.copyOf(state, state.length + balance.air.length);
    System.arraycopy(balance.air, 0, out, state.length, balance.air.length);
    return out;
  }

  /** Goes on from a {@link #memory}. */
  void recall(double[] memory) {
    System.arraycopy(memory, 0, state, 0, state.length);
    System.arraycopy(memory, state.length, balance.air, 0, balance.air.length);
  }

  private static double mean(double[] v, int from, int to) {
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += v[i] / (to - from);
    }
    return sum;
  }

  private void limits(Balance b, int z, int hour) {
    double heat = conditioned ? zones.get(z).heatingSetPoint().at(hour) : Double.NaN;
    double cool = conditioned ? zones.get(z).coolingSetPoint().at(hour) : Double.NaN;
    b.heatTo[z] = heat;
    // set-points that cross are held at the warmer one
    b.coolTo[z] = cool < heat ? heat : cool;
  }

  /**
   * Goes through hours.
   *
   * @param course the hours of the zones' courses that they are, one for each
   */
  void run(int from, int to, int[] course, Sink sink) {
    for (int h = from; h < to; h++) {
      hour(h, course == null ? h : course[h]);
      sink.hour(h, this);
    }
  }

  private void hour(int h, int course) {
    System.arraycopy(balance.air, 0, before, 0, before.length);
    outside.hour(h);
    remember();
    for (int z = 0; z < zones.size(); z++) {
      zone(z, h, course);
    }
    settled &= balance.solve();
    finish(h);
  }

  private void remember() {
    for (int i = 0; i < components.size(); i++) {
      Component c = components.get(i);
      WallDynamics d = c.dynamics();
      heldInside[i] = d.remembersInside(state, at[i]);
      heldOutside[i] = d.remembersOutside(state, at[i]);
      int inner = balance.innerSide(i);
      switch (c.kind()) {
        case INTERIOR -> {
          balance.given[inner] = heldInside[i];
          balance.given[balance.outerSide(i)] = heldOutside[i];
        }
        case ADIABATIC ->
            balance.given[inner] = heldInside[i] + d.across * heldOutside[i] / d.outer;
        default -> balance.given[inner] = heldInside[i] + d.across * outside.temperature[i];
      }
    }
  }

  private void zone(int z, int h, int course) {
    Zone zone = zones.get(z);
    double dry = outdoors.dryBulb()[h];
    leaks[z] = Network.AIR * zone.infiltration().at(course);
    fresh[z] = Network.AIR * zone.supply().at(course) * (1 - zone.recovery());
    double out = leaks[z] + fresh[z] + network.bridges()[z];
    balance.exchange[z] = capacity[z] + out;
    balance.held[z] = capacity[z] * before[z] + out * dry;
    double[] f = flows[z];
    f[Flow.PEOPLE.ordinal()] = zone.people().at(course);
    f[Flow.LIGHTING.ordinal()] = zone.lighting().at(course);
    f[Flow.EQUIPMENT.ordinal()] = zone.equipment().at(course);
    double gains = internal(z);
    double ofGains = network.options().shares().gains();
    double ofSun = network.options().shares().sun();
    balance.toAir[z] = ofGains * gains + ofSun * outside.sun[z];
    balance.toSurfaces[z] = (1 - ofGains) * gains + (1 - ofSun) * outside.sun[z];
    limits(balance, z, course);
  }

  private void finish(int h) {
    double dry = outdoors.dryBulb()[h];
    double in = 0;
    double sizes = 0;
    for (int z = 0; z < zones.size(); z++) {
      double[] f = flows[z];
      double w = balance.power[z];
      f[Flow.HEATING.ordinal()] = Math.max(0, w);
      f[Flow.COOLING.ordinal()] = Math.min(0, w);
      f[Flow.SUN.ordinal()] = outside.sun[z];
      double down = dry - balance.air[z];
      f[Flow.LEAKS.ordinal()] = leaks[z] * down;
      f[Flow.FRESH_AIR.ordinal()] = fresh[z] * down;
      f[Flow.BRIDGES.ordinal()] = network.bridges()[z] * down;
      f[Flow.OPAQUE.ordinal()] = 0;
      f[Flow.WINDOWS.ordinal()] = 0;
      f[Flow.GROUND.ordinal()] = 0;
      f[Flow.NEIGHBOURS.ordinal()] =
          balance.fromOthers(z) - capacity[z] * (balance.air[z] - before[z]);
      double stored = capacity[z] * (balance.air[z] - before[z]);
      double brought =
          w + outside.sun[z] + internal(z) + (leaks[z] + fresh[z] + network.bridges()[z]) * down;
      in += brought - stored;
      sizes += Math.abs(w) + outside.sun[z] + internal(z) + Math.abs((leaks[z] + fresh[z]) * down);
    }
    for (int i = 0; i < components.size(); i++) {
      double[] sums = component(i);
      in += sums[0];
      sizes += sums[1];
    }
    imbalance = sizes > 1e-6 ? Math.abs(in) / sizes : 0;
  }

  /** What comes from outside through a component less what it stores, and its size, W. */
  private double[] component(int i) {
    Component c = components.get(i);
    WallDynamics d = c.dynamics();
    double inside = balance.face[balance.innerSide(i)];
    double behind =
        switch (c.kind()) {
          case INTERIOR -> balance.face[balance.outerSide(i)];
          case ADIABATIC -> (d.across * inside + heldOutside[i]) / d.outer;
          default -> outside.temperature[i];
        };
    double intoInside = c.area() * (d.inner * inside - d.across * behind - heldInside[i]);
    double intoOutside = c.area() * (d.outer * behind - d.across * inside - heldOutside[i]);
    double taken = c.area() * d.advance(state, at[i], inside, behind) / JOULES_OF_WH;
    double[] f = flows[c.inside()];
    switch (c.kind()) {
      case OPAQUE -> f[Flow.OPAQUE.ordinal()] -= intoInside;
      case WINDOW -> f[Flow.WINDOWS.ordinal()] -= intoInside;
      case GROUND -> f[Flow.GROUND.ordinal()] -= intoInside;
      case INTERIOR -> {
        f[Flow.NEIGHBOURS.ordinal()] -= intoInside;
        flows[c.outside()][Flow.NEIGHBOURS.ordinal()] -= intoOutside;
        return new double[] {-taken, 0};
      }
      default -> {
        f[Flow.NEIGHBOURS.ordinal()] -= intoInside;
        return new double[] {-taken, 0};
      }
    }
    return new double[] {intoOutside - taken, Math.abs(intoInside)};
  }
}
