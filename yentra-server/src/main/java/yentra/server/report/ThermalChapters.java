package yentra.server.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.Conditions;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.units.Quantity;
import yentra.core.variant.VariantFigures;
import yentra.server.estimate.EstimateViews;
import yentra.server.thermal.ThermalViews;
import yentra.server.web.Markup;

/** Chapters about constructions, uses, directions and thermal bridges. */
final class ThermalChapters {
  private static final int MILLIMETRES = 1000;

  private final ReportData data;
  private final Shown shown;

  ThermalChapters(ReportData data, Shown shown) {
    this.data = data;
    this.shown = shown;
  }

  void constructions(Markup out) {
    ThermalViews.ThermalView t = data.thermal();
    List<List<String>> rows = new ArrayList<>();
    for (ThermalViews.ConstructionRow c : t.constructions()) {
      rows.add(
          List.of(
              c.name(),
              String.join(", ", c.types()),
              c.stated() == null ? "its layers (ISO 6946)" : "stated",
              shown.figure(Quantity.U_VALUE, c.stated() == null ? c.uValue() : c.stated(), 3),
              shown.figure(Quantity.AREA, c.area(), 1)));
    }
    out.table(
        List.of(
            "Construction",
            "Used for",
            "U-value from",
            "U, " + shown.unit(Quantity.U_VALUE),
            "Area, " + shown.unit(Quantity.AREA)),
        rows,
        3);
    for (ThermalViews.ConstructionRow c : t.constructions()) {
      if (!c.layers().isEmpty()) {
        out.h3(c.name());
        out.table(
            List.of(
                "Layer, from outside",
                "Thickness, " + shown.unit(Quantity.THICKNESS),
                "λ, " + shown.unit(Quantity.CONDUCTIVITY),
                "Density, " + shown.unit(Quantity.DENSITY),
                "Heat, " + shown.unit(Quantity.SPECIFIC_HEAT)),
            c.layers().stream().map(this::layer).toList(),
            1);
      }
    }
    if (!t.glazings().isEmpty()) {
      out.h3("Window types");
      out.table(
          List.of(
              "Window type",
              "U, " + shown.unit(Quantity.U_VALUE),
              "Solar heat gain",
              "Light",
              "Area, " + shown.unit(Quantity.AREA)),
          t.glazings().stream()
              .map(
                  g ->
                      List.of(
                          g.name(),
                          shown.figure(Quantity.U_VALUE, g.uValue(), 2),
                          shown.figure(Quantity.SHARE, g.solarHeatGain(), 2),
                          shown.figure(Quantity.SHARE, g.visibleTransmittance(), 2),
                          shown.figure(Quantity.AREA, g.area(), 1)))
              .toList(),
          1);
    }
    List<String> open = new ArrayList<>();
    if (!t.without().isEmpty()) {
      open.add(Shown.count(t.without().size(), "surface or opening") + " without a construction.");
    }
    if (!t.unglazed().isEmpty()) {
      open.add(Shown.count(t.unglazed().size(), "window") + " without a window type.");
    }
    out.list(open);
  }

  private List<String> layer(ThermalViews.LayerRow l) {
    return List.of(
        l.name() + (l.share() < 1 ? ", " + Shown.percent(l.share(), 0) + " of the layer" : ""),
        shown.figure(
            Quantity.THICKNESS, l.thickness() == null ? null : l.thickness() * MILLIMETRES, 0),
        shown.figure(Quantity.CONDUCTIVITY, l.conductivity(), 3),
        shown.figure(Quantity.DENSITY, l.density(), 0),
        shown.figure(Quantity.SPECIFIC_HEAT, l.specificHeat(), 0));
  }

  void uses(Markup out) {
    Envelope e = data.state().envelope();
    List<List<String>> rows = new ArrayList<>();
    for (Space s : e.spaces()) {
      InternalGains g = s.gains();
      rows.add(
          List.of(
              s.label(),
              e.storey(s.storey()).map(x -> x.name()).orElse(""),
              words(s.use()),
              Conditions.of(s.condition()).label(),
              e.zone(s.zone()).map(Zone::label).orElse("–"),
              shown.figure(Quantity.AREA, s.statedFloorArea(), 1),
              shown.figure(Quantity.POWER_DENSITY, g.lighting(), 1),
              shown.figure(Quantity.POWER_DENSITY, g.equipment(), 1)));
    }
    String density = shown.unit(Quantity.POWER_DENSITY);
    out.table(
        List.of(
            "Space",
            "Storey",
            "Use",
            "Conditioned",
            "Zone",
            "Stated floor, " + shown.unit(Quantity.AREA),
            "Light, " + density,
            "Equipment, " + density),
        rows,
        5);
    if (!e.zones().isEmpty()) {
      out.h3("Zones");
      out.table(
          List.of(
              "Zone",
              "Spaces",
              "Heated to, " + shown.unit(Quantity.TEMPERATURE),
              "Cooled to, " + shown.unit(Quantity.TEMPERATURE)),
          e.zones().stream()
              .map(
                  z ->
                      List.of(
                          z.label(),
                          Shown.count(
                              e.spaces().stream().filter(s -> z.key().equals(s.zone())).count()),
                          shown.figure(Quantity.TEMPERATURE, z.heatingSetPoint(), 1),
                          shown.figure(Quantity.TEMPERATURE, z.coolingSetPoint(), 1)))
              .toList(),
          1);
    }
  }

  /** "Office open plan" for OfficeOpenPlan; a dash for none. */
  private static String words(String use) {
    if (use.isBlank()) {
      return "–";
    }
    String s = use.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(Locale.ROOT);
    return s.substring(0, 1).toUpperCase(Locale.ROOT) + s.substring(1);
  }

  void areas(Markup out) {
    List<List<String>> rows = new ArrayList<>();
    for (VariantFigures.OfSide x : VariantFigures.sides(data.state().context())) {
      if (x.gross() > 0) {
        String label = x.facing().label();
        rows.add(
            List.of(
                label.substring(0, 1).toUpperCase(Locale.ROOT) + label.substring(1),
                shown.figure(Quantity.AREA, x.gross(), 1),
                shown.figure(Quantity.AREA, x.glazed(), 1),
                Shown.percent(x.share(), 1)));
      }
    }
    out.p("Outdoor walls with their openings, by where they face from true north.");
    out.table(
        List.of(
            "Direction",
            "Wall, " + shown.unit(Quantity.AREA),
            "Glass, " + shown.unit(Quantity.AREA),
            "Share of glass"),
        rows,
        1);
    ThermalViews.LossRow b = data.thermal().losses().building();
    out.h3("What loses heat");
    out.table(
        List.of(
            "",
            "Area, " + shown.unit(Quantity.AREA),
            "Heat loss, " + shown.unit(Quantity.HEAT_LOSS)),
        List.of(
            List.of(
                "To outdoor air",
                shown.figure(Quantity.AREA, b.outdoorArea(), 1),
                shown.figure(Quantity.HEAT_LOSS, b.outdoorLoss(), 1)),
            List.of(
                "To the ground",
                shown.figure(Quantity.AREA, b.groundArea(), 1),
                shown.figure(Quantity.HEAT_LOSS, b.groundLoss(), 1)),
            List.of(
                "To unconditioned spaces",
                shown.figure(Quantity.AREA, b.unconditionedArea(), 1),
                shown.figure(Quantity.HEAT_LOSS, b.unconditionedLoss(), 1))),
        1);
    out.p(
        "Mean U-value "
            + shown.text(Quantity.U_VALUE, b.meanUValue(), 3)
            + (b.unknownArea() > 0
                ? ", without "
                    + shown.text(Quantity.AREA, b.unknownArea(), 1)
                    + " of which no U-value is known."
                : "."));
    out.list(data.thermal().losses().assumptions().stream().map(shown::said).toList());
  }

  void junctions(Markup out) {
    EstimateViews.JunctionsView j = data.junctions();
    out.p("Lengths in " + j.dimensions() + " dimensions; ψ of ISO 14683 where none is stated.");
    out.table(
        List.of(
            "Type",
            "Runs",
            "Length, " + shown.unit(Quantity.LENGTH),
            "Mean ψ, " + shown.unit(Quantity.LINEAR_TRANSMITTANCE),
            "Heat loss, " + shown.unit(Quantity.HEAT_LOSS)),
        j.totals().stream()
            .map(
                t ->
                    List.of(
                        t.label(),
                        Shown.count(t.count()),
                        shown.figure(Quantity.LENGTH, t.length(), 1),
                        shown.figure(
                            Quantity.LINEAR_TRANSMITTANCE,
                            t.length() > 0 ? t.heatLoss() / t.length() : null,
                            3),
                        shown.figure(Quantity.HEAT_LOSS, t.heatLoss(), 1)))
            .toList(),
        1);
  }
}
