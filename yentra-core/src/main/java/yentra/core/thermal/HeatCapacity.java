package yentra.core.thermal;

import java.util.List;
import java.util.OptionalDouble;
import yentra.core.envelope.Material;

/**
 * Effective heat capacity of a component by its area, J/(m²K) (ISO 13786:2017, annex C, simplified;
 * from memory): Σ ρ·c·d from the inside to the first of an insulating layer, half of the thickness,
 * and 100 mm.
 */
public final class HeatCapacity {
  /** So deep the day's swing reaches, metres. */
  public static final double DEEPEST = 0.1;

  /** What conducts less than this insulates, W/(mK). */
  private static final double INSULATING = 0.08;

  private HeatCapacity() {}

  /** The class of a building (EN ISO 13790:2008, table 12; from memory). */
  public enum Mass {
    VERY_LIGHT(80_000),
    LIGHT(110_000),
    MEDIUM(165_000),
    HEAVY(260_000),
    VERY_HEAVY(370_000);

    private final double capacity;

    Mass(double capacity) {
      this.capacity = capacity;
    }

    /** J/K per m² of floor. */
    public double capacity() {
      return capacity;
    }

    /** The class nearest to a capacity in J/K per m² of floor. */
    public static Mass of(double capacity) {
      Mass best = VERY_LIGHT;
      for (Mass m : values()) {
        best = Math.abs(m.capacity - capacity) < Math.abs(best.capacity - capacity) ? m : best;
      }
      return best;
    }
  }

  /** Of the whole thickness; empty when a value is not stated. */
  public static OptionalDouble whole(BuildUp b) {
    return sum(b, false);
  }

  /** Of what is effective on the inner side; empty when a value of it is not stated. */
  public static OptionalDouble inside(BuildUp b) {
    return sum(b, true);
  }

  private static OptionalDouble sum(BuildUp b, boolean effective) {
    OptionalDouble thick = b.thickness();
    if (effective && thick.isEmpty()) {
      return OptionalDouble.empty();
    }
    double left = effective ? Math.min(DEEPEST, thick.getAsDouble() / 2) : Double.POSITIVE_INFINITY;
    double sum = 0;
    for (int i = b.layers().size() - 1; i >= 0 && left > 0; i--) {
      List<BuildUp.Constituent> layer = b.layers().get(i);
      double deep = 0;
      for (BuildUp.Constituent p : layer) {
        Material m = p.material();
        if (effective
            && m.conductivity() != null
            && m.conductivity() < INSULATING
            && p.share() > 0.5) {
          return OptionalDouble.of(sum);
        }
        boolean air = m.density() == null && AirLayer.isCalledSo(m.name());
        if (m.thickness() == null || !air && (m.density() == null || m.specificHeat() == null)) {
          return OptionalDouble.empty();
        }
        // air weighs a thousandth of what is solid
        sum += air ? 0 : p.share() * m.density() * m.specificHeat() * Math.min(left, m.thickness());
        deep = Math.max(deep, m.thickness());
      }
      left -= deep;
    }
    return OptionalDouble.of(sum);
  }
}
