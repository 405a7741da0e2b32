package yentra.core.thermal;

import java.util.Locale;
import java.util.Set;

/**
 * Thermal resistance of air layers in m²K/W (ISO 6946:2017, 6.9, table 8 and annex D; from memory).
 * Thicknesses are metres.
 */
public final class AirLayer {
  private static final double[] THICKNESS = {0, 5, 7, 10, 15, 25, 50, 100, 300};
  private static final double[] UP = {0, 0.11, 0.13, 0.15, 0.16, 0.16, 0.16, 0.16, 0.16};
  private static final double[] LEVEL = {0, 0.11, 0.13, 0.15, 0.17, 0.18, 0.18, 0.18, 0.18};
  private static final double[] DOWN = {0, 0.11, 0.13, 0.15, 0.17, 0.19, 0.21, 0.22, 0.23};

  /** Openings up to which a layer counts as unventilated, mm² per m of length or per m². */
  private static final double UNVENTILATED = 500;

  /** Openings from which on it counts as well ventilated. */
  private static final double WELL_VENTILATED = 1500;

  private AirLayer() {}

  /** The thickest layer that the table holds for, metres. */
  public static final double THICKEST = 0.3;

  /**
   * Of an unventilated layer with faces of high emissivity: the table, interpolated.
   *
   * @throws IllegalArgumentException for a thickness below 0 or above 0.3 m
   */
  public static double unventilated(double thickness, HeatFlow flow) {
    if (!(thickness >= 0 && thickness <= THICKEST)) {
      throw new IllegalArgumentException(
          "ISO 6946 gives no resistance for an air layer of " + thickness + " m");
    }
    double[] r =
        switch (flow) {
          case UP -> UP;
          case HORIZONTAL -> LEVEL;
          case DOWN -> DOWN;
        };
    double mm = thickness * 1000;
    int i = 1;
    while (i < THICKNESS.length - 1 && mm > THICKNESS[i]) {
      i++;
    }
    double share = (mm - THICKNESS[i - 1]) / (THICKNESS[i] - THICKNESS[i - 1]);
    return r[i - 1] + share * (r[i] - r[i - 1]);
  }

  /**
   * The formula behind the table, for any emissivities and a difference of up to 5 K across.
   *
   * @param celsius mean temperature, °C; the table holds for 10 °C
   */
  public static double of(
      double thickness, HeatFlow flow, double emissivity1, double emissivity2, double celsius) {
    return 1
        / (convection(thickness, flow)
            + between(emissivity1, emissivity2) * AirFilm.black(celsius));
  }

  /**
   * Of a small or divided air space, as wide as it is given, e.g. between battens.
   *
   * @param width across the heat flow, metres
   */
  public static double divided(
      double thickness,
      double width,
      HeatFlow flow,
      double emissivity1,
      double emissivity2,
      double celsius) {
    double ratio = thickness / width;
    double radiation =
        0.5
            * between(emissivity1, emissivity2)
            * AirFilm.black(celsius)
            * (1 + Math.sqrt(1 + ratio * ratio) - ratio);
    return 1 / (convection(thickness, flow) + radiation);
  }

  private static double between(double emissivity1, double emissivity2) {
    return 1 / (1 / emissivity1 + 1 / emissivity2 - 1);
  }

  private static double convection(double d, HeatFlow flow) {
    double still = 0.025 / d;
    return switch (flow) {
      case UP -> Math.max(1.95, still);
      case HORIZONTAL -> Math.max(1.25, still);
      case DOWN -> Math.max(0.12 * Math.pow(d, -0.44), still);
    };
  }

  /**
   * Total resistance of a component with a ventilated layer (ISO 6946:2017, 6.9.3 and 6.9.4).
   *
   * @param openings to the outside, mm² per m of length for upright layers, per m² for level ones
   * @param unventilated total resistance with the layer as if it were not ventilated
   * @param ventilated total resistance without the layer and all outside it, with Rsi on both faces
   */
  public static double ventilated(double openings, double unventilated, double ventilated) {
    if (openings <= UNVENTILATED) {
      return unventilated;
    }
    if (openings >= WELL_VENTILATED) {
      return ventilated;
    }
    double span = WELL_VENTILATED - UNVENTILATED;
    return (WELL_VENTILATED - openings) / span * unventilated
        + (openings - UNVENTILATED) / span * ventilated;
  }

  /** What a layer of nothing but air is called, and what else may stand in such a name. */
  private static final Set<String> AIR =
      Set.of(
          "air",
          "airgap",
          "airspace",
          "airlayer",
          "cavity",
          "void",
          "luft",
          "luftschicht",
          "luftspalt",
          "luftraum",
          "lame",
          "vide",
          "aria",
          "intercapedine",
          "aire",
          "camara",
          "cámara",
          "lucht",
          "luchtlaag",
          "spouw",
          "luchtspouw",
          "luftspalte",
          "luftlag",
          "hålrum",
          "hulrum",
          "luftlager");

  private static final Set<String> BESIDE =
      Set.of(
          "layer",
          "gap",
          "space",
          "clear",
          "still",
          "unventilated",
          "ventilated",
          "unvented",
          "vented",
          "weakly",
          "slightly",
          "well",
          "wall",
          "mm",
          "cm",
          "m",
          "in",
          "inch",
          "thick",
          "horizontal",
          "vertical",
          "ruhende",
          "ruhend",
          "stehende",
          "schwach",
          "stark",
          "belüftet",
          "unbelüftet",
          "belüftete",
          "unbelüftete",
          "d",
          "de",
          "da",
          "non",
          "ventilée",
          "ventilee",
          "ventilata",
          "lamina",
          "camera",
          "no",
          "ventilada",
          "van",
          "zwak",
          "sterk",
          "geventileerd",
          "ikke",
          "ventileret",
          "ventilert",
          "ej",
          "ventilerad");

  /**
   * Whether a name says nothing but that this is air: every word of it is one for air, or one that
   * goes with it, such as "Air layer, 50 mm" or "Cavity". A brick with an air in its name is none.
   */
  public static boolean isCalledSo(String name) {
    boolean air = false;
    for (String word : name.toLowerCase(Locale.ROOT).split("[^\\p{L}]+")) {
      if (AIR.contains(word)) {
        air = true;
      } else if (!word.isEmpty() && !BESIDE.contains(word)) {
        return false;
      }
    }
    return air;
  }
}
