package yentra.server.report;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import yentra.core.units.Quantity;
import yentra.core.variant.Metric;
import yentra.server.variants.VariantViews;
import yentra.server.web.Markup;

/** Blocks about variants and sweeps, as they are on the state as it is. */
final class VariantBlocks {
  private static final int MOST = 6;
  private static final int DIGITS = 3;
  private static final double LITTLE = 0.5;

  private final VariantViews.VariantsView all;
  private final Shown shown;

  VariantBlocks(VariantViews.VariantsView all, Shown shown) {
    this.all = all;
    this.shown = shown;
  }

  private record Column(String name, VariantViews.FiguresView figures) {}

  void measure(Markup out, UUID variant, String text) {
    VariantViews.VariantView v = one(variant);
    if (v == null) {
      out.p("note", "The variant that stood here was taken away.");
      return;
    }
    out.paragraphs(text);
    out.list(
        v.changes().stream()
            .map(
                c ->
                    sentence(shown.said(c.label()))
                        + (c.refused() == null
                            ? ""
                            : ": does not apply. " + shown.said(c.refused())))
            .toList());
    VariantViews.FiguresView f = v.run().figures();
    if (f == null) {
      out.p("note", missing(v.run()));
      return;
    }
    out.table(List.of("", "Baseline", v.name(), "Difference"), metricRows(List.of(f), true), 1);
    targets(out, f, v.name());
  }

  String title(UUID variant) {
    VariantViews.VariantView v = one(variant);
    return v == null ? "A variant" : v.name();
  }

  private VariantViews.VariantView one(UUID variant) {
    return all.variants().stream().filter(v -> v.id().equals(variant)).findFirst().orElse(null);
  }

  private static String missing(VariantViews.RunView run) {
    return switch (run.state()) {
      case "refused" -> "It does not apply: " + run.message();
      case "failed" -> "It could not be run: " + run.message();
      default -> "It was not run on the building as it is now: its figures are not known.";
    };
  }

  private void targets(Markup out, VariantViews.FiguresView f, String name) {
    List<String> lines = new ArrayList<>();
    for (VariantViews.TargetState t : f.targets()) {
      VariantViews.TargetSpec spec = all.targets().get(t.target());
      Metric m = spec.metric();
      if (t.met() != null) {
        lines.add(
            name
                + (t.met() ? " meets" : " misses")
                + " the target for "
                + m.label().toLowerCase(Locale.ROOT)
                + " ("
                + figure(m, t.limit())
                + " "
                + unit(m)
                + ") by "
                + figure(m, Math.abs(t.by()))
                + ".");
      }
    }
    out.list(lines);
  }

  private String unit(Metric m) {
    return m.quantity() == null ? m.unit() : shown.unit(m.quantity());
  }

  private String figure(Metric m, Double v) {
    if (v == null) {
      return "–";
    }
    double x = m.quantity() == null ? v : shown.of(m.quantity(), v);
    if (Math.abs(x) >= 1000 || m == Metric.WARM_HOURS) {
      return Shown.count(x);
    }
    return BigDecimal.valueOf(x).round(new MathContext(DIGITS)).toPlainString();
  }

  private List<List<String>> metricRows(
      List<VariantViews.FiguresView> columns, boolean difference) {
    List<List<String>> rows = new ArrayList<>();
    VariantViews.FiguresView base = all.baseline().figures();
    for (Metric m : Metric.values()) {
      List<String> row = new ArrayList<>();
      row.add(m.label() + ", " + unit(m));
      row.add(base == null ? "–" : figure(m, base.metrics().get(m.ordinal()).value()));
      for (VariantViews.FiguresView f : columns) {
        VariantViews.MetricView x = f.metrics().get(m.ordinal());
        String share =
            x.share() == null || x.difference() == 0
                ? ""
                : String.format(Locale.ROOT, "%+.1f %%", 100 * x.share());
        row.add(figure(m, x.value()) + (difference || share.isEmpty() ? "" : " (" + share + ")"));
        if (difference) {
          row.add(share);
        }
      }
      rows.add(row);
    }
    return rows;
  }

  void comparison(Markup out, List<UUID> wanted) {
    List<Column> columns = new ArrayList<>();
    List<String> without = new ArrayList<>();
    for (VariantViews.VariantView v : all.variants()) {
      if (!wanted.isEmpty() && !wanted.contains(v.id())) {
        continue;
      }
      if (v.run().figures() == null) {
        without.add(v.name() + ": " + missing(v.run()));
      } else if (columns.size() < MOST) {
        columns.add(new Column(v.name(), v.run().figures()));
      }
    }
    if (all.baseline().figures() == null) {
      out.p("note", "The baseline was not run as it is now: there is nothing to compare with.");
    }
    if (columns.isEmpty()) {
      out.p("note", "No variant has figures on the building as it is now.");
      out.list(without);
      return;
    }
    List<String> head = new ArrayList<>(List.of("", "Baseline"));
    columns.forEach(c -> head.add(c.name()));
    out.table(head, metricRows(columns.stream().map(Column::figures).toList(), false), 1);
    columns.forEach(c -> targets(out, c.figures(), c.name()));
    out.list(without);
    List<Column> charted = new ArrayList<>();
    if (all.baseline().figures() != null) {
      charted.add(new Column("Baseline", all.baseline().figures()));
    }
    charted.addAll(columns);
    String heat = shown.unit(Quantity.HEAT);
    months(out, charted, "HEATING", 1, "Heating by month, " + heat);
    months(out, charted, "COOLING", -1, "Cooling by month, " + heat);
    flows(out, charted, heat);
    sides(out, charted);
  }

  private void months(Markup out, List<Column> columns, String flow, int sign, String caption) {
    List<ChartDrawing.Series> series =
        columns.stream()
            .map(
                c ->
                    new ChartDrawing.Series(
                        c.name(),
                        c.figures().flows().stream()
                            .filter(f -> f.flow().equals(flow))
                            .flatMap(f -> f.months().stream())
                            .map(v -> shown.of(Quantity.HEAT, sign * v))
                            .toList()))
            .toList();
    boolean any = series.stream().flatMap(s -> s.values().stream()).anyMatch(v -> v > LITTLE);
    if (any) {
      out.figure(ChartDrawing.bars(caption, Reports.MONTHS, series), caption);
    }
  }

  private void flows(Markup out, List<Column> columns, String heat) {
    List<VariantViews.HeatFlowView> flows = columns.get(0).figures().flows();
    List<Integer> told = new ArrayList<>();
    for (int i = 0; i < flows.size(); i++) {
      int at = i;
      if (columns.stream()
          .anyMatch(c -> Math.abs(sum(c.figures().flows().get(at).months())) > LITTLE)) {
        told.add(i);
      }
    }
    out.figure(
        ChartDrawing.flows(
            "Where heat comes from and goes to",
            told.stream().map(i -> flows.get(i).label()).toList(),
            columns.stream()
                .map(
                    c ->
                        new ChartDrawing.Series(
                            c.name(),
                            told.stream()
                                .map(
                                    i ->
                                        shown.of(
                                            Quantity.HEAT,
                                            sum(c.figures().flows().get(i).months())))
                                .toList()))
                .toList()),
        "Where heat comes from and goes to in the year, " + heat + "; losses to the left");
  }

  private void sides(Markup out, List<Column> columns) {
    List<String> head = new ArrayList<>(List.of("Share of glass in outdoor walls"));
    columns.forEach(c -> head.add(c.name()));
    List<List<String>> rows = new ArrayList<>();
    for (int i = 0; i < columns.get(0).figures().sides().size(); i++) {
      int at = i;
      if (columns.stream().noneMatch(c -> c.figures().sides().get(at).gross() > 0)) {
        continue;
      }
      List<String> row =
          new ArrayList<>(List.of(sentence(columns.get(0).figures().sides().get(i).facing())));
      for (Column c : columns) {
        VariantViews.GlazedSideView s = c.figures().sides().get(i);
        row.add(s.gross() > 0 ? Shown.percent(s.glazed() / s.gross(), 1) : "–");
      }
      rows.add(row);
    }
    out.table(head, rows, 1);
  }

  void sweep(Markup out, VariantViews.SweptView s, Metric asked) {
    Metric m = asked == null ? all.judgedBy() : asked;
    out.p(
        "From "
            + (s.from().equals("Baseline") ? "the baseline" : s.from())
            + ": "
            + String.join("; ", s.axes().stream().map(VariantViews.AxisView::label).toList())
            + ", "
            + s.done()
            + " of "
            + Shown.count(s.total(), "run")
            + ".");
    if (s.stale()) {
      out.p("note", "The building has changed since: these runs are of the baseline as it was.");
    }
    Double limit = null;
    for (int i = 0; i < all.targets().size(); i++) {
      if (all.targets().get(i).metric() == m && s.baseline().figures() != null) {
        limit = s.baseline().figures().targets().get(i).limit();
      }
    }
    Double shownLimit = limit == null ? null : of(m, limit);
    if (s.grid() && s.axes().size() == 2) {
      VariantViews.AxisView a = s.axes().get(0);
      VariantViews.AxisView b = s.axes().get(1);
      List<List<Double>> values = new ArrayList<>();
      for (int i = 0; i < a.values().size(); i++) {
        List<Double> column = new ArrayList<>();
        for (int j = 0; j < b.values().size(); j++) {
          column.add(value(s.points().get(i * b.values().size() + j), m));
        }
        values.add(column);
      }
      String caption =
          m.label() + ", " + unit(m) + (limit == null ? "" : "; outlined: at or below the target");
      out.figure(
          ChartDrawing.map(
              caption,
              axis(a),
              axis(b),
              a.values().stream().map(v -> axisOf(a, v)).toList(),
              b.values().stream().map(v -> axisOf(b, v)).toList(),
              values,
              shownLimit),
          caption);
      return;
    }
    for (int k = 0; k < s.axes().size(); k++) {
      VariantViews.AxisView a = s.axes().get(k);
      List<Double> xs = new ArrayList<>();
      List<Double> ys = new ArrayList<>();
      for (VariantViews.PointView p : s.points()) {
        Double v = value(p, m);
        if (p.values().get(k) != null && v != null) {
          xs.add(axisOf(a, p.values().get(k)));
          ys.add(v);
        }
      }
      if (!xs.isEmpty()) {
        String caption = m.label() + " by " + a.label() + ", " + unit(m);
        out.figure(ChartDrawing.curve(caption, axis(a), unit(m), xs, ys, shownLimit), caption);
      }
    }
    for (VariantViews.MeetView x : s.meets()) {
      VariantViews.AxisView a = s.axes().get(x.axis());
      out.p(
          all.targets().get(x.target()).metric().label()
              + " meets its target at "
              + String.format(Locale.ROOT, "%.3g", axisOf(a, x.value()))
              + " "
              + axisUnit(a)
              + " of "
              + a.label()
              + ", by straight lines between the runs.");
    }
  }

  private Double value(VariantViews.PointView p, Metric m) {
    Double v = p.figures().isEmpty() ? null : p.figures().get(m.ordinal());
    return v == null ? null : (Double) of(m, v);
  }

  private double of(Metric m, double v) {
    return m.quantity() == null ? v : shown.of(m.quantity(), v);
  }

  private static boolean isShare(VariantViews.AxisView a) {
    return a.quantity().equals(Quantity.SHARE.name());
  }

  private double axisOf(VariantViews.AxisView a, double v) {
    if (isShare(a)) {
      return 100 * v;
    }
    if (a.quantity().equals(Quantity.LENGTH.name()) && a.label().equals("thickness")) {
      return shown.of(Quantity.THICKNESS, 1000 * v);
    }
    return a.quantity().isEmpty() ? v : shown.of(Quantity.valueOf(a.quantity()), v);
  }

  private String axisUnit(VariantViews.AxisView a) {
    if (isShare(a)) {
      return "%";
    }
    if (a.quantity().equals(Quantity.LENGTH.name()) && a.label().equals("thickness")) {
      return shown.unit(Quantity.THICKNESS);
    }
    return a.quantity().isEmpty() ? a.unit() : shown.unit(Quantity.valueOf(a.quantity()));
  }

  private String axis(VariantViews.AxisView a) {
    String unit = axisUnit(a);
    return unit.isEmpty() ? a.label() : a.label() + ", " + unit;
  }

  private static double sum(List<Double> v) {
    return v.stream().mapToDouble(x -> x).sum();
  }

  private static String sentence(String s) {
    return s.isEmpty() ? s : s.substring(0, 1).toUpperCase(Locale.ROOT) + s.substring(1);
  }
}
