package yentra.server.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import yentra.core.units.Quantity;
import yentra.server.estimate.EstimateViews;
import yentra.server.web.Markup;

/** Chapters about loads and the year, of the newest run on the state as it is. */
final class EstimateChapters {
  private static final double LITTLE = 0.5;

  private final ReportData data;
  private final Shown shown;

  EstimateChapters(ReportData data, Shown shown) {
    this.data = data;
    this.shown = shown;
  }

  /** Says that there is nothing, rather than what was so once. */
  private boolean missing(Markup out) {
    if (data.estimate().isEmpty()) {
      out.p("note", data.estimateMissing());
    }
    return data.estimate().isEmpty();
  }

  void loads(Markup out) {
    if (missing(out)) {
      return;
    }
    EstimateViews.EstimateView r = data.estimate().get();
    out.facts(
        List.of(
            List.of(
                "Heating load (EN 12831-1) at " + shown.text(Quantity.TEMPERATURE, r.outdoor(), 1),
                shown.text(Quantity.POWER, r.heatingLoad(), 0)),
            List.of(
                "Cooling load"
                    + (r.coolingLoad() > 0
                        ? ", "
                            + Reports.MONTHS.get(r.coolingMonth() - 1)
                            + ", hour "
                            + r.coolingHour()
                        : ""),
                shown.text(Quantity.POWER, r.coolingLoad(), 0))));
    String watts = shown.unit(Quantity.POWER);
    List<List<String>> rows = new ArrayList<>();
    for (EstimateViews.SpaceEstimateView s : r.spaces()) {
      rows.add(
          List.of(
              s.label(),
              s.zone(),
              shown.figure(Quantity.AREA, s.floorArea(), 1),
              shown.figure(
                  Quantity.POWER, s.heatingLoad() == null ? null : s.heatingLoad().total(), 0),
              shown.figure(
                  Quantity.POWER_DENSITY,
                  s.heatingLoad() == null ? null : s.heatingLoad().density(),
                  0),
              shown.figure(
                  Quantity.POWER, s.coolingLoad() == null ? null : s.coolingLoad().peak(), 0),
              shown.figure(
                  Quantity.POWER_DENSITY,
                  s.coolingLoad() == null ? null : s.coolingLoad().density(),
                  0)));
    }
    String density = shown.unit(Quantity.POWER_DENSITY);
    out.table(
        List.of(
            "Space",
            "Zone",
            "Floor, " + shown.unit(Quantity.AREA),
            "Heating, " + watts,
            density,
            "Cooling, " + watts,
            density),
        rows,
        2);
  }

  void year(Markup out) {
    if (missing(out)) {
      return;
    }
    EstimateViews.EstimateView r = data.estimate().get();
    String heat = shown.unit(Quantity.HEAT);
    List<Double> heating = months(r, "HEATING", 1);
    List<Double> cooling = months(r, "COOLING", -1);
    out.facts(
        List.of(
            List.of("Demand for all uses", shown.text(Quantity.HEAT_BY_AREA, r.perArea(), 1)),
            List.of("Heated or cooled floor", shown.text(Quantity.AREA, r.floorArea(), 1)),
            List.of("Heating", Shown.count(sum(heating)) + " " + heat),
            List.of("Cooling", Shown.count(sum(cooling)) + " " + heat),
            List.of("Hot water", shown.text(Quantity.HEAT, r.hotWater(), 0)),
            List.of("Fans", shown.text(Quantity.HEAT, r.fans(), 0)),
            List.of("Carbon", Shown.count(r.carbon()) + " kg"),
            List.of("Cost", Shown.count(r.cost()))));
    out.figure(
        ChartDrawing.bars(
            "Heating and cooling by month",
            Reports.MONTHS,
            List.of(
                new ChartDrawing.Series("Heating", heating),
                new ChartDrawing.Series("Cooling", cooling))),
        "Heating and cooling by month, " + heat);
    List<String> names = new ArrayList<>();
    List<Double> totals = new ArrayList<>();
    for (EstimateViews.FlowView f : r.flows()) {
      double v = shown.of(Quantity.HEAT, sum(f.months()));
      if (Math.abs(v) > LITTLE) {
        names.add(f.label());
        totals.add(v);
      }
    }
    out.figure(
        ChartDrawing.flows(
            "Where heat comes from and goes to",
            names,
            List.of(new ChartDrawing.Series(heat, totals))),
        "Where heat comes from and goes to in the year, " + heat + "; losses to the left");
    out.table(
        List.of("Bought", heat, "Cost", "Carbon, kg"),
        r.carriers().stream()
            .filter(c -> c.bought() > LITTLE)
            .map(
                c ->
                    List.of(
                        c.label(),
                        shown.figure(Quantity.HEAT, c.bought(), 0),
                        Shown.count(c.cost()),
                        Shown.count(c.carbon())))
            .toList(),
        1);
    out.table(
        List.of("Method", "Heating, " + heat, "Cooling, " + heat),
        r.opinions().stream()
            .map(
                o ->
                    List.of(
                        o.method(),
                        shown.figure(Quantity.HEAT, o.heating(), 0),
                        shown.figure(Quantity.HEAT, o.cooling(), 0)))
            .toList(),
        1);
    if (r.disagreement() != null) {
      out.p("note", shown.said(r.disagreement()));
    }
    List<EstimateViews.SpaceEstimateView> warm =
        r.spaces().stream()
            .filter(s -> s.warm() > 0)
            .sorted(Comparator.comparing(EstimateViews.SpaceEstimateView::warm).reversed())
            .toList();
    if (!warm.isEmpty()) {
      out.h3("Hours above 26 °C");
      out.table(
          List.of("Space", "Hours"),
          warm.stream().map(s -> List.of(s.label(), Shown.count(s.warm()))).toList(),
          1);
    }
  }

  private List<Double> months(EstimateViews.EstimateView r, String flow, int sign) {
    return r.flows().stream()
        .filter(f -> f.flow().equals(flow))
        .flatMap(f -> f.months().stream())
        .map(v -> shown.of(Quantity.HEAT, sign * v))
        .toList();
  }

  private static double sum(List<Double> v) {
    return v.stream().mapToDouble(x -> x).sum();
  }

  void assumptions(Markup out) {
    List<String> all = new ArrayList<>();
    data.estimate().ifPresent(r -> all.addAll(r.assumptions()));
    data.thermal().losses().assumptions().stream().filter(a -> !all.contains(a)).forEach(all::add);
    if (data.estimate().isEmpty()) {
      out.p("note", data.estimateMissing());
    }
    out.list(all.stream().map(shown::said).toList());
  }
}
