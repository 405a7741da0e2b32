package yentra.core.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.junction.Junction;
import yentra.core.table.TypedSheets;
import yentra.core.thermal.BuildUp;
import yentra.core.thermal.HeatLoss;
import yentra.core.thermal.HeatLossOptions;
import yentra.core.units.Quantity;

/**
 * Schedules of a building as a spreadsheet (XLSX): spaces, surfaces, openings, constructions,
 * zones, junctions and the balance sheet, a sheet each, units in the heads. Ids are those of the
 * delivered file; figures are those of the checks.
 */
public final class BuildingSchedules {
  private static final List<Integer> WIDTHS = List.of(26, 26, 18, 18, 16);

  private final CheckContext context;
  private final Envelope envelope;
  private final UnitSystem units;
  private final HeatLoss losses;
  private final Map<String, String> storeys = new HashMap<>();

  private BuildingSchedules(CheckContext context, HeatLossOptions options, UnitSystem units) {
    this.context = context;
    this.envelope = context.envelope();
    this.units = units;
    this.losses = context.thermal().heatLoss(options);
    for (Storey s : envelope.storeys()) {
      storeys.put(s.key(), s.name().isBlank() ? s.key() : s.name());
    }
  }

  /** A workbook and how many rows its sheets hold. */
  public record Made(byte[] bytes, Map<String, Integer> rows) {}

  /**
   * Writes the workbook; the same state gives the same bytes.
   *
   * @param junctions linear thermal bridges
   * @param balance lines of the balance sheet
   */
  public static Made of(
      CheckContext context,
      HeatLossOptions options,
      List<Junction> junctions,
      List<BalanceLine> balance,
      UnitSystem units) {
    BuildingSchedules b = new BuildingSchedules(context, options, units);
    List<TypedSheets.Sheet> sheets =
        List.of(
            b.spaces(),
            b.surfaces(),
            b.openings(),
            b.constructions(),
            b.zones(),
            b.junctions(junctions),
            b.balance(balance));
    return new Made(
        TypedSheets.write(sheets),
        sheets.stream()
            .collect(
                Collectors.toMap(
                    TypedSheets.Sheet::name,
                    s -> s.rows().size(),
                    (x, y) -> x,
                    java.util.LinkedHashMap::new)));
  }

  private static List<Object> row(Object... cells) {
    return new ArrayList<>(java.util.Arrays.asList(cells));
  }

  private Double in(Quantity q, Double si) {
    return units.from(q, si);
  }

  private String storey(String key) {
    return key == null ? "" : storeys.getOrDefault(key, "");
  }

  private String space(String key) {
    return key == null ? "" : envelope.space(key).map(Space::label).orElse(key);
  }

  private String zone(String key) {
    return key == null ? "" : envelope.zone(key).map(Zone::label).orElse(key);
  }

  private String construction(String key) {
    return envelope.construction(key).map(Construction::label).orElse(key == null ? "" : key);
  }

  private TypedSheets.Sheet spaces() {
    List<List<Object>> rows = new ArrayList<>();
    for (Space s : envelope.spaces()) {
      SpaceVolume v = context.volumes().of(s.key());
      rows.add(
          row(
              envelope.fileId(s.key()),
              s.name(),
              storey(s.storey()),
              zone(s.zone()),
              s.use(),
              s.condition(),
              in(Quantity.AREA, v.floorArea()),
              // what is not enclosed has no volume of its own
              v.enclosed() ? in(Quantity.VOLUME, v.volume()) : null,
              v.enclosed(),
              in(Quantity.AREA, s.statedFloorArea()),
              in(Quantity.VOLUME, s.statedVolume()),
              s.gains().people(),
              in(Quantity.POWER_DENSITY, s.gains().lighting()),
              in(Quantity.POWER_DENSITY, s.gains().equipment()),
              s.air().changes()));
    }
    return new TypedSheets.Sheet(
        "Spaces",
        List.of(
            "Id",
            "Name",
            "Storey",
            "Zone",
            "Use",
            "Conditioned",
            units.head("Floor area", Quantity.AREA),
            units.head("Volume", Quantity.VOLUME),
            "Enclosed",
            units.head("Stated floor area", Quantity.AREA),
            units.head("Stated volume", Quantity.VOLUME),
            "People",
            units.head("Light", Quantity.POWER_DENSITY),
            units.head("Equipment", Quantity.POWER_DENSITY),
            "Air changes (1/h)"),
        rows,
        WIDTHS);
  }

  private Double uValue(String key) {
    OptionalDouble u = losses.uValue(key);
    return u.isPresent() ? in(Quantity.U_VALUE, u.getAsDouble()) : null;
  }

  private TypedSheets.Sheet surfaces() {
    List<List<Object>> rows = new ArrayList<>();
    Site site = envelope.site();
    for (Surface s : envelope.surfaces()) {
      Polygon p = context.outward(s);
      List<String> sides = s.sides().stream().map(Side::space).toList();
      SourceRef from = s.element() != null ? s.element() : s.source();
      rows.add(
          row(
              envelope.fileId(s.key()),
              s.name(),
              s.type().gbxml(),
              s.exposure().label(),
              sides.isEmpty() ? "" : space(sides.get(0)),
              sides.size() < 2 ? "" : space(sides.get(1)),
              sides.isEmpty()
                  ? ""
                  : envelope.space(sides.get(0)).map(x -> storey(x.storey())).orElse(""),
              in(Quantity.AREA, p.area()),
              in(Quantity.AREA, s.netArea()),
              p.tilt(),
              p.isLevel(1) ? null : site.fromTrueNorth(p.azimuth()),
              construction(s.construction()),
              uValue(s.key()),
              s.openings().size(),
              from.elementClass(),
              from.id()));
    }
    return new TypedSheets.Sheet(
        "Surfaces",
        List.of(
            "Id",
            "Name",
            "Type",
            "Exposure",
            "Space",
            "Neighbour",
            "Storey",
            units.head("Gross area", Quantity.AREA),
            units.head("Net area", Quantity.AREA),
            "Tilt (°)",
            "Azimuth (°)",
            "Construction",
            units.head("U-value", Quantity.U_VALUE),
            "Openings",
            "Source",
            "Source id"),
        rows,
        WIDTHS);
  }

  private TypedSheets.Sheet openings() {
    List<List<Object>> rows = new ArrayList<>();
    envelope.surfaces().forEach(s -> s.openings().forEach(o -> rows.add(opening(s, o))));
    envelope.orphans().forEach(o -> rows.add(opening(null, o)));
    return new TypedSheets.Sheet(
        "Openings",
        List.of(
            "Id",
            "Name",
            "Type",
            "Surface",
            "Space",
            "Exposure",
            units.head("Area", Quantity.AREA),
            "Azimuth (°)",
            "Window type or construction",
            units.head("U-value", Quantity.U_VALUE),
            "Solar heat gain coefficient",
            "Visible transmittance",
            "Source",
            "Source id"),
        rows,
        WIDTHS);
  }

  private List<Object> opening(Surface s, Opening o) {
    Glazing g = o.glazing() == null ? null : envelope.glazing(o.glazing()).orElse(null);
    Polygon p = s != null && context.direction(s) < 0 ? o.polygon().reversed() : o.polygon();
    SourceRef from = o.element() != null ? o.element() : o.source();
    return row(
        envelope.fileId(o.key()),
        o.name(),
        o.type().gbxml(),
        s == null ? "" : envelope.fileId(s.key()),
        s == null || s.sides().isEmpty() ? "" : space(s.sides().get(0).space()),
        s == null ? "" : s.exposure().label(),
        in(Quantity.AREA, p.area()),
        p.isLevel(1) ? null : envelope.site().fromTrueNorth(p.azimuth()),
        g != null ? g.label() : construction(o.construction()),
        uValue(o.key()),
        g == null ? null : g.solarHeatGain(),
        g == null ? null : g.visibleTransmittance(),
        from.elementClass(),
        from.id());
  }

  private TypedSheets.Sheet constructions() {
    List<List<Object>> rows = new ArrayList<>();
    for (Construction c : envelope.constructions()) {
      BuildUp b = context.thermal().buildUp(c);
      List<Surface> users = context.thermal().users(c);
      double area = users.stream().mapToDouble(Surface::netArea).sum();
      OptionalDouble u =
          users.isEmpty() ? OptionalDouble.empty() : context.thermal().uValue(users.get(0));
      OptionalDouble thick = b == null ? OptionalDouble.empty() : b.thickness();
      rows.add(
          row(
              c.key(),
              c.name(),
              b == null
                  ? ""
                  : b.materials().stream().map(Material::label).collect(Collectors.joining(" | ")),
              thick.isPresent() ? in(Quantity.THICKNESS, thick.getAsDouble() * 1000) : null,
              in(Quantity.U_VALUE, c.uValue()),
              u.isPresent() ? in(Quantity.U_VALUE, u.getAsDouble()) : null,
              users.size(),
              in(Quantity.AREA, area)));
    }
    return new TypedSheets.Sheet(
        "Constructions",
        List.of(
            "Id",
            "Name",
            "Layers from outside to inside",
            units.head("Thickness", Quantity.THICKNESS),
            units.head("Stated U-value", Quantity.U_VALUE),
            units.head("U-value", Quantity.U_VALUE),
            "Surfaces",
            units.head("Net area", Quantity.AREA)),
        rows,
        List.of(26, 30, 58, 16));
  }

  private TypedSheets.Sheet zones() {
    List<List<Object>> rows = new ArrayList<>();
    for (Zone z : envelope.zones()) {
      List<Space> in = envelope.spaces().stream().filter(s -> z.key().equals(s.zone())).toList();
      double area = in.stream().mapToDouble(s -> context.volumes().of(s.key()).floorArea()).sum();
      rows.add(
          row(
              z.key(),
              z.name(),
              in.size(),
              in(Quantity.AREA, area),
              in(Quantity.TEMPERATURE, z.heatingSetPoint()),
              in(Quantity.TEMPERATURE, z.coolingSetPoint()),
              in(Quantity.AIR_FLOW, z.air().perPerson()),
              in(Quantity.AIR_FLOW_BY_AREA, z.air().perArea()),
              in(Quantity.AIR_FLOW, z.air().total()),
              z.air().changes()));
    }
    return new TypedSheets.Sheet(
        "Zones",
        List.of(
            "Id",
            "Name",
            "Spaces",
            units.head("Floor area", Quantity.AREA),
            units.head("Heated to", Quantity.TEMPERATURE),
            units.head("Cooled to", Quantity.TEMPERATURE),
            units.head("Outdoor air per person", Quantity.AIR_FLOW),
            units.head("Outdoor air per area", Quantity.AIR_FLOW_BY_AREA),
            units.head("Outdoor air of the zone", Quantity.AIR_FLOW),
            "Air changes (1/h)"),
        rows,
        WIDTHS);
  }

  private TypedSheets.Sheet junctions(List<Junction> all) {
    List<List<Object>> rows = new ArrayList<>();
    for (Junction j : all) {
      rows.add(
          row(
              j.type().name(),
              j.type().label(),
              in(Quantity.LENGTH, j.length()),
              in(Quantity.LINEAR_TRANSMITTANCE, j.psi()),
              j.stated() ? "stated" : "default",
              in(Quantity.HEAT_LOSS, j.heatLoss()),
              j.spaces().stream().map(this::space).collect(Collectors.joining("; ")),
              j.elements().stream().map(envelope::fileId).collect(Collectors.joining("; "))));
    }
    return new TypedSheets.Sheet(
        "Junctions",
        List.of(
            "Type",
            "Where",
            units.head("Length", Quantity.LENGTH),
            units.head("ψ", Quantity.LINEAR_TRANSMITTANCE),
            "ψ is",
            units.head("Heat loss", Quantity.HEAT_LOSS),
            "Spaces",
            "Surfaces and openings"),
        rows,
        List.of(8, 30, 14, 14, 12, 16, 30, 40));
  }

  private TypedSheets.Sheet balance(List<BalanceLine> lines) {
    List<List<Object>> rows = new ArrayList<>();
    for (BalanceLine l : lines) {
      Quantity q = l.measure().quantity();
      rows.add(
          row(
              l.what(),
              q == null ? "" : units.of(q).symbol(),
              q == null ? l.source() : in(q, l.source()),
              q == null ? l.before() : in(q, l.before()),
              q == null ? l.now() : in(q, l.now()),
              q == null ? l.readBack() : in(q, l.readBack()),
              l.causes().stream().map(c -> c.said(units)).collect(Collectors.joining("; "))));
    }
    return new TypedSheets.Sheet(
        "Balance",
        List.of(
            "What",
            "Unit",
            "Source",
            "As delivered",
            "Now",
            "Read back",
            "What makes the difference"),
        rows,
        List.of(40, 10, 16, 16, 16, 16, 80));
  }
}
