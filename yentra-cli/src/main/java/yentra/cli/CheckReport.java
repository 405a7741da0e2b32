package yentra.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.finding.Finding;
import yentra.core.geometry.Polygon;
import yentra.core.thermal.HeatLoss;
import yentra.core.thermal.HeatLossOptions;

/**
 * The machine-readable answer of {@code check} for one file. Field names are a published interface:
 * add, never rename.
 */
final class CheckReport {
  private final Checked checked;
  private final Envelope envelope;
  private final HeatLoss losses;

  private CheckReport(Checked checked) {
    this.checked = checked;
    this.envelope = checked.envelope();
    this.losses = checked.context().thermal().heatLoss(HeatLossOptions.STANDARD);
  }

  static Map<String, Object> of(Checked checked) {
    return new CheckReport(checked).report();
  }

  private Map<String, Object> report() {
    Map<String, Object> r = new LinkedHashMap<>();
    r.put("file", checked.file().toString());
    r.put("format", checked.format().name().toLowerCase(Locale.ROOT));
    r.put("schema", envelope.delivered().schema());
    r.put("totals", totals());
    Site s = envelope.site();
    r.put(
        "site",
        map(
            "latitude",
            s.latitude(),
            "longitude",
            s.longitude(),
            "elevation_m",
            s.elevation(),
            "trueNorth_deg",
            s.northAzimuth()));
    r.put("spaces", envelope.spaces().stream().map(this::space).toList());
    r.put("surfaces", envelope.surfaces().stream().map(this::surface).toList());
    r.put("findings", checked.findings().stream().map(f -> finding(envelope, f)).toList());
    r.put("assumptions", assumptions());
    r.put(
        "timings_ms",
        map("read", checked.readMs(), "derive", checked.deriveMs(), "check", checked.checkMs()));
    return r;
  }

  /** Floor area in m² and volume in m³ of all spaces that are rooms. */
  static Map<String, Object> size(CheckContext context) {
    double floor = 0;
    double volume = 0;
    var groupings = context.groupings().keySet();
    for (SpaceVolume v : context.volumes().all()) {
      if (!groupings.contains(v.space().key())) {
        floor += v.floorArea();
        volume += v.volume();
      }
    }
    return map("floorArea_m2", floor, "volume_m3", volume);
  }

  private Map<String, Object> totals() {
    Map<String, Object> out =
        map(
            "storeys", envelope.storeys().size(),
            "spaces", envelope.spaces().size(),
            "surfaces", envelope.surfaces().size(),
            "openings", envelope.openingCount(),
            "shades", envelope.surfaces().stream().filter(s -> s.type().isShading()).count(),
            "zones", envelope.zones().size(),
            "constructions", envelope.constructions().size(),
            "materials", envelope.materials().size(),
            "window_types", envelope.glazings().size());
    out.putAll(size(checked.context()));
    return out;
  }

  private Map<String, Object> space(Space s) {
    SpaceVolume v = checked.context().volumes().of(s.key());
    return map(
        "id", envelope.fileId(s.key()),
        "name", s.name(),
        "storey", s.storey() == null ? "" : s.storey(),
        "floorArea_m2", v.floorArea(),
        "volume_m3", v.volume(),
        "statedFloorArea_m2", s.statedFloorArea(),
        "statedVolume_m3", s.statedVolume(),
        "enclosed", v.enclosed(),
        "openEdges", v.openPieces().size());
  }

  private Map<String, Object> surface(Surface s) {
    Polygon p = checked.context().direction(s) < 0 ? s.polygon().reversed() : s.polygon();
    return map(
        "id", envelope.fileId(s.key()),
        "name", s.name(),
        "type", s.type().gbxml(),
        "exposure", s.exposure().label(),
        "grossArea_m2", p.area(),
        "netArea_m2", s.netArea(),
        "tilt_deg", p.tilt(),
        "azimuth_deg", envelope.site().fromTrueNorth(p.azimuth()),
        "spaces", s.sides().stream().map(Side::space).map(envelope::fileId).toList(),
        "construction", s.construction(),
        "uValue", uValue(s.key()),
        "uValueSource", uValueSource(s.key(), s.construction(), s.exposure() == Exposure.GROUND),
        "boundaryKind", s.kind().label(),
        "thickness_m", s.thickness(),
        "source", source(s.element() != null ? s.element() : s.source()),
        "openings", s.openings().stream().map(this::opening).toList());
  }

  /** The U-value that counts in the heat loss, W/(m²K), or null. */
  private Double uValue(String key) {
    OptionalDouble u = losses.uValue(key);
    return u.isPresent() ? (Double) u.getAsDouble() : null;
  }

  /** Where it comes from: what the construction states, or its layers; with the ground or not. */
  private String uValueSource(String key, String construction, boolean ground) {
    if (uValue(key) == null) {
      return null;
    }
    boolean stated = envelope.construction(construction).map(c -> c.uValue() != null).orElse(false);
    return (stated ? "stated" : "layers") + (ground ? " and ground" : "");
  }

  /** Of glass what its window type states, or what followed from its panes when it was read. */
  private String uValueSource(Opening o) {
    if (o.glazing() == null) {
      return uValueSource(o.key(), o.construction(), false);
    }
    boolean panes =
        envelope.notes().stream()
            .anyMatch(
                n ->
                    n.kind() == ReadNote.Kind.ASSUMED
                        && n.object().equals(o.glazing())
                        && n.subject().equals("U-value"));
    return uValue(o.key()) == null ? null : panes ? "panes" : "stated";
  }

  private Map<String, Object> opening(Opening o) {
    return map(
        "id",
        envelope.fileId(o.key()),
        "type",
        o.type().gbxml(),
        "area_m2",
        o.polygon().area(),
        "uValue",
        uValue(o.key()),
        "uValueSource",
        uValueSource(o),
        "source",
        source(o.element() != null ? o.element() : o.source()));
  }

  private static Map<String, Object> source(SourceRef s) {
    return map("class", s.elementClass(), "id", s.id(), "name", s.name());
  }

  /** A finding as the answer has it. */
  static Map<String, Object> finding(Envelope envelope, Finding f) {
    Map<String, Object> m =
        map(
            "code",
            f.code(),
            "severity",
            f.severity().label(),
            "objects",
            f.objects().stream().map(envelope::fileId).toList(),
            "measured",
            f.measured(),
            "limit",
            f.limit(),
            "unit",
            f.unit(),
            "message",
            f.message());
    if (f.stated() != null) {
      m.put("stated", f.stated());
    }
    if (!f.limitUnit().equals(f.unit())) {
      m.put("limitUnit", f.limitUnit());
    }
    if (f.line() > 0) {
      m.put("where", map("line", f.line(), "column", f.column()));
    }
    return m;
  }

  private List<String> assumptions() {
    List<String> out = new ArrayList<>();
    for (ReadNote n : envelope.notes()) {
      if (n.kind() == ReadNote.Kind.ASSUMED
          || n.kind() == ReadNote.Kind.GROUND_ASSUMED
          || n.kind() == ReadNote.Kind.LEFT_OUT
          || n.kind() == ReadNote.Kind.UNIT_ASSUMED) {
        out.add(n.message());
      }
    }
    return out;
  }

  /** A map in the order given; values may be null. */
  static Map<String, Object> map(Object... pairs) {
    Map<String, Object> m = new LinkedHashMap<>();
    for (int i = 0; i < pairs.length; i += 2) {
      m.put((String) pairs[i], pairs[i + 1]);
    }
    return m;
  }
}
