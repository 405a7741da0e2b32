package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Adds up a year as it goes by. */
final class YearSums implements March.Sink {
  private static final double WARM = 26;

  /** A set-point missed by less than this is held, K. */
  private static final double HELD = 0.1;

  private static final double WH_OF_KWH = 1000;

  private final Network network;
  private final HourRows rows;
  private final double[][][] flows;
  final double[] heating;
  final double[] cooling;
  private final double[] peakHeating;
  private final double[] peakCooling;
  private final int[] peakHeatingHour;
  private final int[] peakCoolingHour;
  private final int[] warm;
  private final int[] unmet;
  final double[] coldest;
  final double[] warmest;
  double worst;
  boolean settled = true;

  YearSums(Network network, int hours, HourRows rows) {
    this.network = network;
    this.rows = rows;
    int n = network.zones().size();
    flows = new double[n][Flow.values().length][12];
    heating = new double[hours];
    cooling = new double[hours];
    peakHeating = new double[n];
    peakCooling = new double[n];
    peakHeatingHour = new int[n];
    peakCoolingHour = new int[n];
    warm = new int[n];
    unmet = new int[n];
    coldest = new double[n];
    warmest = new double[n];
    Arrays.fill(coldest, Double.POSITIVE_INFINITY);
    Arrays.fill(warmest, Double.NEGATIVE_INFINITY);
  }

  @Override
  public void hour(int h, March at) {
    int month = at.outdoors().month()[h] - 1;
    worst = Math.max(worst, at.imbalance());
    for (int z = 0; z < flows.length; z++) {
      double[] f = at.flows[z];
      for (int k = 0; k < f.length; k++) {
        flows[z][k][month] += f[k] / WH_OF_KWH;
      }
      double heat = f[Flow.HEATING.ordinal()];
      double cold = -f[Flow.COOLING.ordinal()];
      heating[h] += heat;
      cooling[h] += cold;
      if (heat > peakHeating[z]) {
        peakHeating[z] = heat;
        peakHeatingHour[z] = h;
      }
      if (cold > peakCooling[z]) {
        peakCooling[z] = cold;
        peakCoolingHour[z] = h;
      }
      double operative = at.operative(z);
      warm[z] += operative > WARM + 1e-9 ? 1 : 0;
      coldest[z] = Math.min(coldest[z], operative);
      warmest[z] = Math.max(warmest[z], operative);
      unmet[z] += missed(network.zones().get(z), h, at, z) ? 1 : 0;
      rows.row(h, z, at.air(z), operative, heat, cold, at.sun(z), at.internal(z));
    }
  }

  private boolean missed(Zone zone, int h, March at, int z) {
    double t = network.options().ofAir() ? at.air(z) : at.operative(z);
    return t < zone.heatingSetPoint().at(h) - HELD || t > zone.coolingSetPoint().at(h) + HELD;
  }

  /**
   * @param free the year without heating and cooling, or null
   */
  List<YearResult.ZoneYear> zones(YearSums free) {
    List<YearResult.ZoneYear> out = new ArrayList<>();
    for (int z = 0; z < flows.length; z++) {
      Zone zone = network.zones().get(z);
      out.add(
          new YearResult.ZoneYear(
              zone.key(),
              zone.label(),
              zone.floorArea(),
              zone.volume(),
              zone.heated(),
              zone.cooled(),
              peakHeating[z],
              peakHeatingHour[z],
              peakCooling[z],
              peakCoolingHour[z],
              warm[z],
              unmet[z],
              coldest[z],
              warmest[z],
              free == null ? Double.NaN : free.coldest[z],
              free == null ? Double.NaN : free.warmest[z],
              flows[z]));
    }
    return out;
  }
}
