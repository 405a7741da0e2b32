package yentra.core.plan;

import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.function.Consumer;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;
import yentra.core.json.JsonValue;
import yentra.core.plan.PlanDocument.Block;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.GlazingRule;
import yentra.core.plan.PlanDocument.HandOpening;
import yentra.core.plan.PlanDocument.Label;
import yentra.core.plan.PlanDocument.Line;
import yentra.core.plan.PlanDocument.Origin;
import yentra.core.plan.PlanDocument.Outline;
import yentra.core.plan.PlanDocument.Place;
import yentra.core.plan.PlanDocument.RoofKind;
import yentra.core.plan.PlanDocument.RoofRule;
import yentra.core.plan.PlanDocument.ShadingRule;
import yentra.core.plan.PlanDocument.StoreyPlan;
import yentra.core.plan.PlanDocument.Underlay;
import yentra.core.plan.PlanDocument.Where;

/** Writes plan documents: {@link PlanReader} reads the same again. */
public final class PlanWriter {
  private final JsonGenerator out;

  private PlanWriter(JsonGenerator out) {
    this.out = out;
  }

  /** The document as JSON in UTF-8; the same document gives the same bytes. */
  public static byte[] write(PlanDocument d) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (JsonGenerator g = new JsonFactory().createGenerator(ObjectWriteContext.empty(), bytes)) {
      new PlanWriter(g).document(d);
    }
    return bytes.toByteArray();
  }

  private void document(PlanDocument d) {
    out.writeStartObject();
    out.writeName("yentraPlan").writeNumber(1);
    text("name", d.name());
    place(d.place());
    number("ground_m", d.ground());
    number("tolerance_m", d.tolerance());
    list("storeys", d.storeys(), this::storey);
    list("floors", d.floors(), this::floor);
    if (!d.roofs().isEmpty()) {
      list("roofs", d.roofs(), this::roof);
    }
    if (!d.glazing().isEmpty() || !d.openings().isEmpty()) {
      out.writeArrayPropertyStart("glazing");
      d.glazing().forEach(this::glazing);
      d.openings().forEach(this::hand);
      out.writeEndArray();
    }
    if (!d.shading().isEmpty() || !d.blocks().isEmpty()) {
      out.writeArrayPropertyStart("shading");
      d.shading().forEach(this::shading);
      d.blocks().forEach(this::block);
      out.writeEndArray();
    }
    if (!d.underlays().isEmpty()) {
      list("underlay", d.underlays(), this::underlay);
    }
    out.writeEndObject();
  }

  private <T> void list(String name, List<T> items, Consumer<T> each) {
    out.writeArrayPropertyStart(name);
    items.forEach(each);
    out.writeEndArray();
  }

  private void text(String name, String value) {
    if (value != null && !value.isEmpty()) {
      out.writeName(name).writeString(value);
    }
  }

  private void number(String name, Double value) {
    if (value != null) {
      out.writeName(name).writeNumber(value);
    }
  }

  private void words(String name, List<String> values) {
    if (!values.isEmpty()) {
      list(name, values, out::writeString);
    }
  }

  private void begin(Origin o) {
    out.writeStartObject();
    text("id", o.id());
  }

  private void place(Place p) {
    if (!p.equals(Place.UNKNOWN)) {
      out.writeObjectPropertyStart("place");
      text("name", p.name());
      number("latitude", p.latitude());
      number("longitude", p.longitude());
      number("elevation_m", p.elevation());
      number("north_deg", p.north());
      out.writeEndObject();
    }
  }

  private void storey(StoreyPlan s) {
    begin(s.origin());
    text("name", s.name());
    number("level_m", s.level());
    number("height_m", s.height());
    out.writeEndObject();
  }

  private void floor(FloorPlan f) {
    begin(f.origin());
    text("storey", f.storey());
    list("outlines", f.outlines(), this::outline);
    if (!f.lines().isEmpty()) {
      list("lines", f.lines(), this::line);
    }
    if (f.bandDepth() != null) {
      out.writeObjectPropertyStart("bands");
      number("depth_m", f.bandDepth());
      out.writeEndObject();
    }
    if (!f.labels().isEmpty()) {
      list("spaces", f.labels(), this::label);
    }
    words("copies", f.copies());
    out.writeEndObject();
  }

  private void outline(Outline o) {
    begin(o.origin());
    list("corners", o.corners(), this::point);
    if (!o.holes().isEmpty()) {
      list("holes", o.holes(), this::points);
    }
    out.writeEndObject();
  }

  private void line(Line l) {
    if (l.origin().id() == null && !l.air()) {
      points(l.points());
      return;
    }
    begin(l.origin());
    list("points", l.points(), this::point);
    if (l.air()) {
      out.writeName("air").writeBoolean(true);
    }
    out.writeEndObject();
  }

  private void label(Label l) {
    begin(l.origin());
    out.writeName("at");
    point(l.at());
    text("name", l.name());
    text("use", l.use());
    words("rises", l.rises());
    if (!l.keys().isEmpty()) {
      out.writeObjectPropertyStart("keys");
      l.keys().forEach(this::text);
      out.writeEndObject();
    }
    out.writeEndObject();
  }

  private void points(List<PlanPoint> points) {
    out.writeStartArray();
    points.forEach(this::point);
    out.writeEndArray();
  }

  private void point(PlanPoint p) {
    out.writeStartArray().writeNumber(p.x()).writeNumber(p.y()).writeEndArray();
  }

  private void roof(RoofRule r) {
    begin(r.origin());
    text("storey", r.storey());
    text("kind", JsonValue.named(r.kind()));
    if (r.kind() != RoofKind.FLAT) {
      number("pitch_deg", r.pitch());
      text("space", r.own() ? "own" : "joined");
    }
    number("ridge_deg", r.ridge());
    out.writeEndObject();
  }

  private void where(Where w) {
    if (!w.equals(Where.WALLS)) {
      out.writeObjectPropertyStart("where");
      words("storeys", w.storeys());
      if (w.from() != null) {
        out.writeArrayPropertyStart("facing_deg");
        out.writeNumber(w.from()).writeNumber(w.to()).writeEndArray();
      }
      words("spaces", w.spaces());
      if (w.roofs()) {
        out.writeName("roofs").writeBoolean(true);
      }
      out.writeEndObject();
    }
  }

  private void glazing(GlazingRule r) {
    begin(r.origin());
    where(r.where());
    number("ratio", r.ratio());
    number("sill_m", r.sill());
    number("head_m", r.head());
    text("form", JsonValue.named(r.form()));
    number("bay_m", r.bay());
    out.writeEndObject();
  }

  private void hand(HandOpening o) {
    begin(o.origin());
    text("by", "hand");
    text("storey", o.storey());
    out.writeName("at");
    point(o.at());
    text("type", JsonValue.named(o.type()));
    number("width_m", o.width());
    number("sill_m", o.sill());
    number("head_m", o.head());
    out.writeEndObject();
  }

  private void shading(ShadingRule r) {
    begin(r.origin());
    where(r.where());
    number("overhang_m", r.overhang());
    number("fin_m", r.fin());
    out.writeEndObject();
  }

  private void block(Block b) {
    begin(b.origin());
    out.writeObjectPropertyStart("block");
    text("name", b.name());
    list("corners", b.corners(), this::point);
    number("level_m", b.level());
    number("height_m", b.height());
    out.writeEndObject();
    out.writeEndObject();
  }

  private void underlay(Underlay u) {
    begin(u.origin());
    text("storey", u.storey());
    text("file", u.file());
    number("scale_m_per_px", u.scale());
    out.writeName("origin_px");
    point(new PlanPoint(u.originX(), u.originY()));
    number("turn_deg", u.turn());
    number("fade", u.fade());
    out.writeEndObject();
  }
}
