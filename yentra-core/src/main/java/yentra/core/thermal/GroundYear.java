package yentra.core.thermal;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Envelope;

/**
 * Heat loss through slabs on the ground, month by month (ISO 13370:2017, annex on monthly flows;
 * from memory).
 *
 * @param months W, January first
 * @param area of the slabs, m²
 * @param leftOut floors that are no slabs at the level of the ground, or whose resistance is not
 *     known: the method is not offered for them
 */
public record GroundYear(List<Double> months, double area, int leftOut) {
  public GroundYear {
    months = List.copyOf(months);
  }

  public static GroundYear of(Envelope e, HeatLossOptions options, GroundFloor.Climate climate) {
    double[] sum = new double[12];
    double area = 0;
    int leftOut = 0;
    GroundContact contact = GroundContact.of(e, new UValueBreakdown.Table(e), options);
    for (GroundContact.Floor f : contact.floors()) {
      if (!f.isSlab() || f.resistance().isEmpty()) {
        leftOut++;
        continue;
      }
      area += f.shape().area();
      double depth = f.shape().penetration(options.ground().heatCapacity());
      for (int m = 1; m <= 12; m++) {
        sum[m - 1] += f.shape().loss(f.resistance().getAsDouble(), depth, climate, m);
      }
    }
    List<Double> months = new ArrayList<>();
    for (double w : sum) {
      months.add(w);
    }
    return new GroundYear(months, area, leftOut);
  }
}
