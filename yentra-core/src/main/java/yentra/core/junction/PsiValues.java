package yentra.core.junction;

import java.util.List;
import java.util.Map;
import yentra.core.envelope.Material;
import yentra.core.thermal.BuildUp;

/**
 * ψ by type, by how lengths are measured and by where the insulation lies in the wall: the default
 * values of ISO 14683:2017, annex C (types R9 to R12, C1 to C8, IF1 to IF4, IW1 to IW4, GF5 to GF8,
 * W10; from memory, unsure in the second decimal). They are meant to be on the safe side.
 *
 * @param stated W/(mK) by type, in place of the defaults
 */
public record PsiValues(Dimensions dimensions, Map<JunctionType, Double> stated) {
  /** How lengths and areas are measured. */
  public enum Dimensions {
    /** Inner faces of every room. */
    INTERNAL("internal"),
    /** Inner faces, with the partitions in between. */
    OVERALL_INTERNAL("overall internal"),
    /** The middle of walls: no case of the standard; the mean of overall internal and external. */
    CENTRE("the middle of walls"),
    /** Outer faces. */
    EXTERNAL("external");

    private final String label;

    Dimensions(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /** Where the insulation of a wall lies. */
  public enum Insulation {
    OUTSIDE,
    MIDDLE,
    INSIDE,
    ALL_THROUGH
  }

  /** External, overall internal, internal, each for the four places of the insulation. */
  private static final Map<JunctionType, double[][]> DEFAULTS =
      Map.of(
          JunctionType.R,
              new double[][] {
                {-0.05, 0.00, 0.05, 0.15}, {0.15, 0.20, 0.25, 0.40}, {0.15, 0.20, 0.25, 0.40}
              },
          JunctionType.C,
              new double[][] {
                {-0.05, -0.10, -0.20, -0.15}, {0.15, 0.10, 0.05, 0.10}, {0.15, 0.10, 0.05, 0.10}
              },
          JunctionType.IC,
              new double[][] {
                {0.05, 0.15, 0.20, 0.15}, {-0.15, -0.10, -0.05, -0.10}, {-0.15, -0.10, -0.05, -0.10}
              },
          JunctionType.GF,
              new double[][] {
                {0.60, 0.45, 0.45, 0.50}, {0.75, 0.60, 0.60, 0.65}, {0.75, 0.60, 0.60, 0.65}
              },
          JunctionType.IF,
              new double[][] {
                {0.00, 0.95, 0.90, 0.70}, {0.00, 0.95, 0.90, 0.70}, {0.10, 1.05, 1.00, 0.80}
              },
          JunctionType.IW,
              new double[][] {
                {0.00, 0.95, 0.90, 0.70}, {0.00, 0.95, 0.90, 0.70}, {0.10, 1.05, 1.00, 0.80}
              },
          JunctionType.W,
              new double[][] {
                {0.10, 0.10, 0.10, 0.10}, {0.10, 0.10, 0.10, 0.10}, {0.10, 0.10, 0.10, 0.10}
              });

  public PsiValues {
    stated = Map.copyOf(stated);
  }

  /** The defaults for lengths that are measured so. */
  public static PsiValues of(Dimensions dimensions) {
    return new PsiValues(dimensions, Map.of());
  }

  public boolean isStated(JunctionType type) {
    return stated.containsKey(type);
  }

  /** W/(mK). */
  public double psi(JunctionType type, Insulation place) {
    Double own = stated.get(type);
    if (own != null) {
      return own;
    }
    double[][] rows = DEFAULTS.get(type);
    int i = place.ordinal();
    return switch (dimensions) {
      case EXTERNAL -> rows[0][i];
      case OVERALL_INTERNAL -> rows[1][i];
      case INTERNAL -> rows[2][i];
      case CENTRE -> (rows[0][i] + rows[1][i]) / 2;
    };
  }

  /**
   * Where the insulation lies: the layer that resists most, if it is half of all; else all through.
   *
   * @param build from outside to inside, or null
   */
  static Insulation insulation(BuildUp build) {
    if (build == null || build.resistance().isEmpty()) {
      return Insulation.ALL_THROUGH;
    }
    List<List<BuildUp.Constituent>> layers = build.layers();
    int best = -1;
    double most = 0;
    boolean heavyOutside = false;
    for (int i = 0; i < layers.size(); i++) {
      double r = 0;
      for (BuildUp.Constituent p : layers.get(i)) {
        r += p.share() * BuildUp.resistance(p.material()).orElse(0);
      }
      if (r > most) {
        most = r;
        best = i;
      }
    }
    if (most < 0.5 * build.resistance().getAsDouble()) {
      return Insulation.ALL_THROUGH;
    }
    boolean heavyInside = false;
    for (int i = 0; i < layers.size(); i++) {
      heavyOutside |= i < best && isSolid(layers.get(i));
      heavyInside |= i > best && isSolid(layers.get(i));
    }
    return heavyOutside && heavyInside
        ? Insulation.MIDDLE
        : heavyInside
            ? Insulation.OUTSIDE
            : heavyOutside ? Insulation.INSIDE : Insulation.ALL_THROUGH;
  }

  /** Brick, block, concrete or timber of some thickness rather than a render, board or sheet. */
  private static boolean isSolid(List<BuildUp.Constituent> layer) {
    Material m = layer.get(0).material();
    return m.thickness() != null && m.thickness() > 0.06;
  }
}
