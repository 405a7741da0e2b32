package yentra.core.thermal;

import java.util.ArrayList;
import java.util.List;

/**
 * A component with layers of several materials side by side, e.g. studs and insulation: upper and
 * lower limit of its resistance and their mean (ISO 6946:2017, 6.7.2; from memory). Patterns of
 * several bridged layers are taken as independent of each other.
 *
 * @param upper by heat flow through each section on its own, m²K/W
 * @param lower by layers of one temperature, m²K/W
 */
public record BridgedComponent(double upper, double lower) {
  /** Above this ratio of upper to lower the method does not hold. */
  public static final double MOST_APART = 1.5;

  /**
   * One of the materials of a layer.
   *
   * @param share of the area, 0 to 1
   * @param resistance m²K/W
   */
  public record Section(double share, double resistance) {}

  /** A path through the component and its resistance, air at the faces included. */
  public record Path(double share, double resistance) {}

  /**
   * @param layers from outside to inside; the shares of each add up to 1
   */
  public static BridgedComponent of(List<List<Section>> layers, SurfaceResistances air) {
    double lower = air.sum();
    for (List<Section> layer : layers) {
      double conductance = 0;
      for (Section p : layer) {
        conductance += p.share / p.resistance;
      }
      lower += 1 / conductance;
    }
    double conductance = 0;
    for (Path p : paths(layers, air)) {
      conductance += p.share / p.resistance;
    }
    return new BridgedComponent(1 / conductance, lower);
  }

  /** All paths, those of the first layer's parts first. */
  public static List<Path> paths(List<List<Section>> layers, SurfaceResistances air) {
    List<Path> paths = List.of(new Path(1, air.sum()));
    for (List<Section> layer : layers) {
      List<Path> next = new ArrayList<>();
      for (Path path : paths) {
        for (Section p : layer) {
          next.add(new Path(path.share * p.share, path.resistance + p.resistance));
        }
      }
      paths = next;
    }
    return paths;
  }

  /** Total resistance, m²K/W. */
  public double resistance() {
    return (upper + lower) / 2;
  }

  public double uValue() {
    return 1 / resistance();
  }

  /** The most that the resistance may be wrong by, as a share. */
  public double error() {
    return (upper - lower) / (2 * resistance());
  }

  /** Whether the method holds: the limits are not too far apart. */
  public boolean holds() {
    return upper / lower <= MOST_APART;
  }
}
