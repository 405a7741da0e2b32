package yentra.core.estimate.hourly;

import java.util.Arrays;
import java.util.List;

/**
 * The heat balance of all zones in an hour (ISO 52016-1:2017, 6.5.6; from memory): each zone has
 * air of one temperature and surfaces that exchange long-wave radiation with their mean. The
 * surfaces of a zone are eliminated, which leaves two equations for air and mean surface; zones
 * that share components or air are solved one after the other, again and again, until nothing
 * changes any more. Heating and cooling are what holds the set-point, within their limits.
 *
 * <p>All coefficients W/K, temperatures °C, heat W.
 */
final class Balance {
  /** Temperatures that change less than this are settled, K. */
  private static final double SETTLED = 1e-9;

  private static final int MOST_SWEEPS = 5000;

  /** Conductances of a component from its faces, W/(m²K). */
  record Conductances(double inner, double outer, double across) {}

  private final Network network;
  private final int zones;
  private final double radiant = Network.RADIANT_INSIDE;

  // sides of components that look into zones, ordered by zone
  private final int[] first;
  private final int[] component;
  private final int[] twin;
  private final double[] area;
  private final double[] film;
  private final double[] inverse;
  private final double[] across;
  private final int[] innerSide;
  private final int[] outerSide;

  // of each zone
  private final double[] surface;
  private final double[] p;
  private final double[] q;
  private final double[] r;
  private final double[] convection;
  private final double[] mixing;
  private final int[][] linked;
  private final double[][] linkedBy;
  private final boolean coupled;

  // the state
  final double[] air;
  final double[] mean;
  final double[] face;
  final double[] power;

  // what a caller sets before it solves
  /** W/m² that each side gets from its component besides what it conducts. */
  final double[] given;

  final double[] held;
  final double[] exchange;
  final double[] outdoorAir;
  final double[] toAir;
  final double[] toSurfaces;
  final double[] heatTo;
  final double[] coolTo;

  Balance(Network network, List<Conductances> conductances) {
    this.network = network;
    zones = network.zones().size();
    int sides = 0;
    for (Component c : network.components()) {
      sides += c.outside() >= 0 ? 2 : 1;
    }
    first = new int[zones + 1];
    component = new int[sides];
    twin = new int[sides];
    area = new double[sides];
    film = new double[sides];
    inverse = new double[sides];
    across = new double[sides];
    innerSide = new int[network.components().size()];
    outerSide = new int[network.components().size()];
    order(conductances);
    surface = new double[zones];
    p = new double[zones];
    q = new double[zones];
    r = new double[zones];
    convection = new double[zones];
    for (int z = 0; z < zones; z++) {
      for (int s = first[z]; s < first[z + 1]; s++) {
        surface[z] += area[s];
        p[z] += area[s] * film[s] * inverse[s];
        q[z] += area[s] * inverse[s];
        r[z] += area[s] * film[s] * film[s] * inverse[s];
        convection[z] += area[s] * film[s];
      }
    }
    mixing = new double[zones];
    linked = new int[zones][];
    linkedBy = new double[zones][];
    link();
    coupled = !network.links().isEmpty() || Arrays.stream(twin).anyMatch(t -> t >= 0);
    air = new double[zones];
    mean = new double[zones];
    face = new double[sides];
    power = new double[zones];
    given = new double[sides];
    held = new double[zones];
    exchange = new double[zones];
    outdoorAir = new double[zones];
    toAir = new double[zones];
    toSurfaces = new double[zones];
    heatTo = new double[zones];
    coolTo = new double[zones];
  }

  private void order(List<Conductances> conductances) {
    List<Component> list = network.components();
    for (Component c : list) {
      first[c.inside() + 1]++;
      if (c.outside() >= 0) {
        first[c.outside() + 1]++;
      }
    }
    for (int z = 0; z < zones; z++) {
      first[z + 1] += first[z];
    }
    int[] next = Arrays.copyOf(first, zones);
    for (int i = 0; i < list.size(); i++) {
      Component c = list.get(i);
      Conductances k = conductances.get(i);
      int a = next[c.inside()]++;
      put(a, i, c.area(), c.insideFilm(), k.inner);
      innerSide[i] = a;
      outerSide[i] = -1;
      twin[a] = -1;
      if (c.outside() >= 0) {
        int b = next[c.outside()]++;
        put(b, i, c.area(), c.outsideFilm(), k.outer);
        outerSide[i] = b;
        twin[a] = b;
        twin[b] = a;
        across[a] = k.across;
        across[b] = k.across;
      }
    }
  }

  private void put(int side, int i, double a, double convective, double conductance) {
    component[side] = i;
    area[side] = a;
    film[side] = convective;
    inverse[side] = 1 / (conductance + convective + radiant);
  }

  private void link() {
    for (int z = 0; z < zones; z++) {
      int zone = z;
      List<Network.Link> own =
          network.links().stream().filter(l -> l.a() == zone || l.b() == zone).toList();
      linked[z] = own.stream().mapToInt(l -> l.a() == zone ? l.b() : l.a()).toArray();
      linkedBy[z] = own.stream().mapToDouble(Network.Link::coefficient).toArray();
      mixing[z] = Arrays.stream(linkedBy[z]).sum();
    }
  }

  /** The side of a component that looks into its inner zone. */
  int innerSide(int i) {
    return innerSide[i];
  }

  /** The side that looks into the zone on its other side, or −1. */
  int outerSide(int i) {
    return outerSide[i];
  }

  double operative(int zone) {
    return network.options().ofAir() ? air[zone] : (air[zone] + mean[zone]) / 2;
  }

  /** Net heat that flows into a zone from the air of others, W. */
  double fromOthers(int zone) {
    double sum = 0;
    for (int k = 0; k < linked[zone].length; k++) {
      sum += linkedBy[zone][k] * (air[linked[zone][k]] - air[zone]);
    }
    return sum;
  }

  /**
   * Solves the hour.
   *
   * @return whether everything settled
   */
  boolean solve() {
    double[] fixed = new double[2 * zones];
    for (int z = 0; z < zones; z++) {
      for (int s = first[z]; s < first[z + 1]; s++) {
        double v = area[s] * given[s] * inverse[s];
        fixed[2 * z] += film[s] * v;
        fixed[2 * z + 1] += v;
      }
    }
    for (int sweep = 0; sweep < MOST_SWEEPS; sweep++) {
      double change = 0;
      for (int z = 0; z < zones; z++) {
        change = Math.max(change, zone(z, fixed[2 * z], fixed[2 * z + 1]));
      }
      if (!coupled || change < SETTLED) {
        finish();
        return true;
      }
    }
    finish();
    return false;
  }

  /** One zone with its neighbours as they are; returns how far its temperatures moved. */
  private double zone(int z, double fixedFilm, double fixedArea) {
    double s1 = fixedFilm;
    double s2 = fixedArea;
    for (int s = first[z]; s < first[z + 1]; s++) {
      if (twin[s] >= 0) {
        double v = area[s] * across[s] * face[twin[s]] * inverse[s];
        s1 += film[s] * v;
        s2 += v;
      }
    }
    double mixed = 0;
    for (int k = 0; k < linked[z].length; k++) {
      mixed += linkedBy[z][k] * air[linked[z][k]];
    }
    boolean bare = !(surface[z] > 0);
    double perArea = bare ? 0 : toSurfaces[z] / surface[z];
    double a11 = exchange[z] + mixing[z] + convection[z] - r[z];
    double a12 = -radiant * p[z];
    double a21 = -p[z];
    double a22 = bare ? 1 : surface[z] - radiant * q[z];
    double det = a11 * a22 - a12 * a21;
    double b1 = held[z] + mixed + s1 + perArea * p[z] + toAir[z] + (bare ? toSurfaces[z] : 0);
    double b2 = s2 + perArea * q[z];
    if (!(Math.abs(det) > 1e-300)) {
      return 0;
    }
    double a = (b1 * a22 - a12 * b2) / det;
    double m = bare ? a : (a11 * b2 - a21 * b1) / det;
    double w = 0;
    double reached = network.options().ofAir() || bare ? a : (a + m) / 2;
    boolean cold = reached < heatTo[z];
    if (cold || reached > coolTo[z]) {
      double share =
          cold ? network.options().shares().heating() : network.options().shares().cooling();
      double rise = bare ? 0 : (1 - share) / surface[z];
      double c1 = bare ? 1 : share + rise * p[z];
      double c2 = rise * q[z];
      double da = (c1 * a22 - a12 * c2) / det;
      double dm = bare ? da : (a11 * c2 - a21 * c1) / det;
      double gain = network.options().ofAir() || bare ? da : (da + dm) / 2;
      Zone zone = network.zones().get(z);
      double wanted = ((cold ? heatTo[z] : coolTo[z]) - reached) / gain;
      w = cold ? Math.min(wanted, zone.mostHeating()) : Math.max(wanted, -zone.mostCooling());
      a += w * da;
      m += w * dm;
    }
    double change = Math.max(Math.abs(a - air[z]), Math.abs(m - mean[z]));
    air[z] = a;
    mean[z] = m;
    power[z] = w;
    if (coupled) {
      faces(z, true);
    }
    return change;
  }

  private void finish() {
    for (int z = 0; z < zones; z++) {
      faces(z, false);
    }
  }

  private void faces(int z, boolean shared) {
    double share =
        power[z] > 0 ? network.options().shares().heating() : network.options().shares().cooling();
    double perArea = surface[z] > 0 ? (toSurfaces[z] + (1 - share) * power[z]) / surface[z] : 0;
    for (int s = first[z]; s < first[z + 1]; s++) {
      if (!shared || twin[s] >= 0) {
        double other = twin[s] >= 0 ? across[s] * face[twin[s]] : 0;
        face[s] = (film[s] * air[z] + radiant * mean[z] + given[s] + other + perArea) * inverse[s];
      }
    }
  }
}
