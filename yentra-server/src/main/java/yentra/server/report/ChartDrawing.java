package yentra.server.report;

import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import yentra.server.web.Markup;

/** Charts as SVG: bars by category, flows to both sides, curves, maps of two numbers. */
final class ChartDrawing {
  /** Of series, one after the other; told apart in grey as well. */
  static final List<String> COLOURS =
      List.of("#7d8c7c", "#b4532a", "#2f6f8f", "#e0a458", "#6a4c8c", "#0e7c66", "#c9b458");

  private static final List<String> COLD_TO_WARM =
      List.of("#3e8dae", "#dde6dc", "#e0a458", "#b4532a");

  private static final String INK = "#1d2b30";
  private static final String MUTED = "#5b6b73";
  private static final String LINE = "#cfd8d8";
  private static final double WIDTH = 640;
  private static final double LEFT = 58;
  private static final double BOTTOM = 34;
  private static final double TOP = 26;
  private static final int TICKS = 5;

  private final StringBuilder out = new StringBuilder();

  private ChartDrawing() {}

  /** One row of bars or points. */
  record Series(String name, List<Double> values) {}

  private static String n(double v) {
    return String.format(Locale.ROOT, "%.1f", v + 0.0);
  }

  private ChartDrawing open(double height, String says) {
    String size = String.format(Locale.ROOT, "%.0f %.0f", WIDTH, Math.ceil(height));
    String w = size.substring(0, size.indexOf(' '));
    String h = size.substring(size.indexOf(' ') + 1);
    // the printer takes its room from the style, a browser from either
    out.append("<svg xmlns=\"http://www.w3.org/2000/svg\" role=\"img\" width=\"" + w)
        .append("\" height=\"" + h + "\" viewBox=\"0 0 " + size)
        .append("\" style=\"width:" + w + "px;height:" + h + "px\" aria-label=\"")
        .append(Markup.text(says))
        .append("\" alt=\"")
        .append(Markup.text(says))
        .append("\" font-family=\"")
        .append(Pdf.FAMILIES)
        .append("\" font-size=\"11\">");
    return this;
  }

  private String close() {
    return out.append("</svg>").toString();
  }

  private void rect(double x, double y, double w, double h, String fill) {
    out.append("<rect x=\"")
        .append(n(x))
        .append("\" y=\"")
        .append(n(y))
        .append("\" width=\"")
        .append(n(Math.max(0, w)))
        .append("\" height=\"")
        .append(n(Math.max(0, h)))
        .append("\" fill=\"")
        .append(fill)
        .append("\"/>");
  }

  private void line(double x1, double y1, double x2, double y2, String stroke, String dash) {
    out.append("<line x1=\"")
        .append(n(x1))
        .append("\" y1=\"")
        .append(n(y1))
        .append("\" x2=\"")
        .append(n(x2))
        .append("\" y2=\"")
        .append(n(y2))
        .append("\" stroke=\"")
        .append(stroke)
        .append("\" stroke-width=\"1\"");
    if (!dash.isEmpty()) {
      out.append(" stroke-dasharray=\"").append(dash).append('"');
    }
    out.append("/>");
  }

  private void text(double x, double y, String anchor, String fill, String s) {
    out.append("<text x=\"")
        .append(n(x))
        .append("\" y=\"")
        .append(n(y))
        .append("\" text-anchor=\"")
        .append(anchor)
        .append("\" fill=\"")
        .append(fill)
        .append("\">")
        .append(Markup.text(s))
        .append("</text>");
  }

  private void legend(List<Series> series) {
    double x = LEFT;
    for (int i = 0; i < series.size(); i++) {
      rect(x, 6, 11, 9, colour(i));
      text(x + 16, 14, "start", INK, series.get(i).name());
      x += 34 + 6.0 * series.get(i).name().length();
    }
  }

  private static String colour(int i) {
    return COLOURS.get(i % COLOURS.size());
  }

  /** Steps of 1, 2 or 5 times a power of ten, some five of them. */
  private static double step(double span) {
    if (!(span > 0)) {
      return 1;
    }
    double raw = span / TICKS;
    double power = Math.pow(10, Math.floor(Math.log10(raw)));
    double m = raw / power;
    return (m <= 1 ? 1 : m <= 2 ? 2 : m <= 5 ? 5 : 10) * power;
  }

  private static String tick(double v, double step) {
    int decimals = (int) Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));
    return String.format(Locale.ROOT, "%,." + decimals + "f", v + 0.0);
  }

  private static DoubleStream all(List<Series> series) {
    return series.stream().flatMap(s -> s.values().stream()).mapToDouble(v -> v);
  }

  /** Bars of several series beside each other by category. */
  static String bars(String says, List<String> categories, List<Series> series) {
    double height = 230;
    ChartDrawing c = new ChartDrawing().open(height, says);
    c.legend(series);
    double most = Math.max(1e-9, all(series).max().orElse(1));
    double step = step(most);
    double top = Math.ceil(most / step) * step;
    double plot = height - TOP - BOTTOM;
    double wide = WIDTH - LEFT - 8;
    for (double v = 0; v <= top + step / 2; v += step) {
      double y = TOP + plot * (1 - v / top);
      c.line(LEFT, y, LEFT + wide, y, LINE, "");
      c.text(LEFT - 6, y + 4, "end", MUTED, tick(v, step));
    }
    double slot = wide / categories.size();
    double bar = 0.8 * slot / series.size();
    for (int k = 0; k < categories.size(); k++) {
      double x = LEFT + slot * k + 0.1 * slot;
      for (int i = 0; i < series.size(); i++) {
        double h = plot * Math.max(0, series.get(i).values().get(k)) / top;
        c.rect(x + i * bar, TOP + plot - h, bar * 0.94, h, colour(i));
      }
      c.text(LEFT + slot * (k + 0.5), height - BOTTOM + 16, "middle", MUTED, categories.get(k));
    }
    return c.close();
  }

  /** Bars to both sides of nought, a row for each category. */
  static String flows(String says, List<String> categories, List<Series> series) {
    double row = 8 + 11.0 * series.size();
    double height = TOP + row * categories.size() + BOTTOM;
    double left = 270;
    ChartDrawing c = new ChartDrawing().open(height, says);
    c.legend(series);
    double least = Math.min(0, all(series).min().orElse(0));
    double most = Math.max(0, all(series).max().orElse(0));
    double step = step(most - least);
    least = Math.floor(least / step) * step;
    most = Math.max(least + step, Math.ceil(most / step) * step);
    double wide = WIDTH - left - 30;
    double scale = wide / (most - least);
    double bottom = TOP + row * categories.size();
    for (double v = least; v <= most + step / 2; v += step) {
      double x = left + (v - least) * scale;
      c.line(x, TOP, x, bottom, Math.abs(v) < step / 1000 ? MUTED : LINE, "");
      c.text(x, bottom + 15, "middle", MUTED, tick(v, step));
    }
    double zero = left - least * scale;
    for (int k = 0; k < categories.size(); k++) {
      c.text(left - 8, TOP + row * (k + 0.5) + 4, "end", INK, shortened(categories.get(k)));
      for (int i = 0; i < series.size(); i++) {
        double v = series.get(i).values().get(k);
        double w = Math.abs(v) * scale;
        c.rect(v < 0 ? zero - w : zero, TOP + row * k + 4 + 11.0 * i, w, 10, colour(i));
      }
    }
    return c.close();
  }

  private static String shortened(String s) {
    return s.length() <= 44 ? s : s.substring(0, 42).strip() + " …";
  }

  /**
   * A curve through points.
   *
   * @param limit drawn as a line; null for none
   */
  static String curve(
      String says, String x, String y, List<Double> xs, List<Double> ys, Double limit) {
    double height = 260;
    ChartDrawing c = new ChartDrawing().open(height, says);
    double x0 = xs.stream().mapToDouble(v -> v).min().orElse(0);
    double x1 = xs.stream().mapToDouble(v -> v).max().orElse(1);
    DoubleStream shown =
        limit == null
            ? ys.stream().mapToDouble(v -> v)
            : Stream.concat(ys.stream(), Stream.of(limit)).mapToDouble(v -> v);
    double[] values = shown.toArray();
    double y0 = DoubleStream.of(values).min().orElse(0);
    double y1 = DoubleStream.of(values).max().orElse(1);
    double step = step(Math.max(1e-9, y1 - y0));
    double low = Math.floor(y0 / step) * step;
    double high = Math.max(low + step, Math.ceil(y1 / step) * step);
    double plot = height - TOP - BOTTOM - 12;
    double wide = WIDTH - LEFT - 16;
    ToDoubleFunction<Double> px = v -> LEFT + wide * (x1 > x0 ? (v - x0) / (x1 - x0) : 0.5);
    ToDoubleFunction<Double> py = v -> TOP + plot * (1 - (v - low) / (high - low));
    c.text(LEFT - 6, 14, "start", MUTED, y);
    for (double v = low; v <= high + step / 2; v += step) {
      double at = py.applyAsDouble(v);
      c.line(LEFT, at, LEFT + wide, at, LINE, "");
      c.text(LEFT - 6, at + 4, "end", MUTED, tick(v, step));
    }
    StringBuilder path = new StringBuilder();
    for (int i = 0; i < xs.size(); i++) {
      path.append(n(px.applyAsDouble(xs.get(i))))
          .append(',')
          .append(n(py.applyAsDouble(ys.get(i))))
          .append(' ');
      c.text(px.applyAsDouble(xs.get(i)), TOP + plot + 16, "middle", MUTED, trimmed(xs.get(i)));
    }
    c.out
        .append("<polyline points=\"")
        .append(path.toString().strip())
        .append("\" fill=\"none\" stroke=\"")
        .append(COLOURS.get(1))
        .append("\" stroke-width=\"1.6\"/>");
    for (int i = 0; i < xs.size(); i++) {
      c.out
          .append("<circle cx=\"")
          .append(n(px.applyAsDouble(xs.get(i))))
          .append("\" cy=\"")
          .append(n(py.applyAsDouble(ys.get(i))))
          .append("\" r=\"3\" fill=\"")
          .append(COLOURS.get(1))
          .append("\"/>");
    }
    if (limit != null) {
      double at = py.applyAsDouble(limit);
      c.line(LEFT, at, LEFT + wide, at, INK, "5 4");
      c.text(LEFT + wide, at - 5, "end", INK, "target");
    }
    c.text(LEFT + wide / 2, height - 4, "middle", MUTED, x);
    return c.close();
  }

  private static String trimmed(double v) {
    return java.math.BigDecimal.valueOf(v)
        .round(new java.math.MathContext(4))
        .stripTrailingZeros()
        .toPlainString();
  }

  /**
   * A map of two numbers.
   *
   * @param values by the first number, then the second; null where not known
   * @param limit values at or below it are outlined; null for none
   */
  static String map(
      String says,
      String x,
      String y,
      List<Double> xs,
      List<Double> ys,
      List<List<Double>> values,
      Double limit) {
    double row = 26;
    double height = 14 + row * ys.size() + BOTTOM + 14;
    ChartDrawing c = new ChartDrawing().open(height, says);
    double[] known =
        values.stream().flatMap(List::stream).filter(v -> v != null).mapToDouble(v -> v).toArray();
    double least = DoubleStream.of(known).min().orElse(0);
    double most = DoubleStream.of(known).max().orElse(1);
    double wide = (WIDTH - LEFT - 10) / xs.size();
    c.text(LEFT - 6, 10, "start", MUTED, y);
    for (int j = 0; j < ys.size(); j++) {
      double top = 14 + row * (ys.size() - 1 - j);
      c.text(LEFT - 6, top + row / 2 + 4, "end", MUTED, trimmed(ys.get(j)));
      for (int i = 0; i < xs.size(); i++) {
        Double v = values.get(i).get(j);
        if (v == null) {
          continue;
        }
        double share = most > least ? (v - least) / (most - least) : 0.5;
        c.rect(LEFT + wide * i + 1, top + 1, wide - 2, row - 2, mixed(share));
        if (limit != null && v <= limit * (1 + 1e-9)) {
          c.out
              .append("<rect x=\"")
              .append(n(LEFT + wide * i + 2))
              .append("\" y=\"")
              .append(n(top + 2))
              .append("\" width=\"")
              .append(n(wide - 4))
              .append("\" height=\"")
              .append(n(row - 4))
              .append("\" fill=\"none\" stroke=\"")
              .append(INK)
              .append("\" stroke-width=\"2\"/>");
        }
        c.text(
            LEFT + wide * (i + 0.5),
            top + row / 2 + 4,
            "middle",
            share > 0.8 || share < 0.06 ? "#ffffff" : INK,
            trimmed(Math.abs(v) >= 1000 ? Math.rint(v) : v));
      }
    }
    for (int i = 0; i < xs.size(); i++) {
      c.text(
          LEFT + wide * (i + 0.5), 14 + row * ys.size() + 15, "middle", MUTED, trimmed(xs.get(i)));
    }
    c.text(LEFT + wide * xs.size() / 2, height - 3, "middle", MUTED, x);
    return c.close();
  }

  private static String mixed(double share) {
    double at = Math.min(1, Math.max(0, share)) * (COLD_TO_WARM.size() - 1);
    int i = Math.min(COLD_TO_WARM.size() - 2, (int) at);
    double part = at - i;
    StringBuilder out = new StringBuilder("#");
    for (int k = 0; k < 3; k++) {
      int a = Integer.parseInt(COLD_TO_WARM.get(i).substring(1 + 2 * k, 3 + 2 * k), 16);
      int b = Integer.parseInt(COLD_TO_WARM.get(i + 1).substring(1 + 2 * k, 3 + 2 * k), 16);
      out.append(String.format(Locale.ROOT, "%02x", Math.round(a + (b - a) * part)));
    }
    return out.toString();
  }
}
