package yentra.core.model;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * A gbXML delivery seen as an architectural model: its spaces, surfaces and openings are the
 * elements ({@code Space}, {@code Surface}, {@code Opening}), the gbXML types their predefined
 * types, constructions and window types their types, attributes and measures their properties.
 */
public final class EnvelopeModel implements ArchitecturalModel {
  public static final String SPACE = "Space";
  public static final String SURFACE = "Surface";
  public static final String OPENING = "Opening";

  private final Envelope envelope;
  private final Map<String, String> storeys = new LinkedHashMap<>();
  private final Map<String, Element> elements = new LinkedHashMap<>();

  public EnvelopeModel(Envelope envelope) {
    this.envelope = envelope;
    for (Storey s : envelope.storeys()) {
      storeys.put(s.key(), s.name());
    }
    envelope.spaces().forEach(s -> add(space(s)));
    for (Surface s : envelope.surfaces()) {
      add(surface(s));
      s.openings().forEach(o -> add(opening(o, s)));
    }
    envelope.orphans().forEach(o -> add(opening(o, null)));
  }

  private void add(Element e) {
    elements.put(e.key(), e);
  }

  private Element space(Space s) {
    return new Element(
        s.key(),
        0,
        SPACE,
        s.use(),
        s.label(),
        "",
        "",
        "",
        "",
        s.condition(),
        storey(s.storey()),
        "",
        "",
        s.source());
  }

  private Element surface(Surface s) {
    return new Element(
        s.key(),
        0,
        SURFACE,
        s.type().gbxml(),
        s.name(),
        "",
        "",
        s.exposure().label(),
        s.element() == null ? "" : s.element().id(),
        construction(s.construction()),
        storeyOf(s),
        s.sides().isEmpty() ? "" : s.sides().get(0).space(),
        "",
        s.source());
  }

  private Element opening(Opening o, Surface in) {
    String type = o.glazing() != null ? o.glazing() : construction(o.construction());
    return new Element(
        o.key(),
        0,
        OPENING,
        o.type().gbxml(),
        o.name(),
        "",
        "",
        "",
        o.element() == null ? "" : o.element().id(),
        type,
        in == null ? "" : storeyOf(in),
        in == null ? "" : in.key(),
        "",
        o.source());
  }

  private String storeyOf(Surface s) {
    return s.sides().isEmpty()
        ? ""
        : envelope.space(s.sides().get(0).space()).map(x -> storey(x.storey())).orElse("");
  }

  private String storey(String key) {
    return key == null ? "" : storeys.getOrDefault(key, key);
  }

  private String construction(String key) {
    return key == null
        ? ""
        : envelope.construction(key).map(Construction::name).filter(n -> !n.isBlank()).orElse(key);
  }

  @Override
  public String schema() {
    return envelope.delivered().schema();
  }

  @Override
  public List<Element> elements() {
    return List.copyOf(elements.values());
  }

  @Override
  public Optional<Element> element(String key) {
    return Optional.ofNullable(elements.get(key));
  }

  @Override
  public List<Element> definitions() {
    return List.of();
  }

  @Override
  public Optional<PropertyValue> attribute(Element element, String name) {
    return name.equals("Name") && !element.name().isBlank()
        ? Optional.of(new PropertyValue.Text(element.name()))
        : Optional.empty();
  }

  @Override
  public List<PropertySet> properties(Element e) {
    List<Property> out = new ArrayList<>();
    envelope
        .space(e.key())
        .ifPresent(
            s -> {
              text(out, "use", s.use());
              text(out, "condition", s.condition());
              text(out, "zone", zone(s.zone()));
              number(out, "stated floor area", s.statedFloorArea(), "m²");
              number(out, "stated volume", s.statedVolume(), "m³");
            });
    envelope
        .surface(e.key())
        .ifPresent(
            s -> {
              text(out, "surface type", s.type().gbxml());
              text(out, "construction", construction(s.construction()));
              number(out, "area", s.polygon().area(), "m²");
              number(out, "tilt", s.polygon().tilt(), "°");
              number(out, "openings", (double) s.openings().size(), "");
            });
    envelope
        .opening(e.key())
        .ifPresent(
            o -> {
              text(out, "opening type", o.type().gbxml());
              text(out, "window type", o.glazing());
              text(out, "construction", construction(o.construction()));
              number(out, "area", o.polygon().area(), "m²");
            });
    return List.of(new PropertySet("Attributes", true, false, 0, out));
  }

  private String zone(String key) {
    return envelope.zone(key).map(Zone::name).orElse(key);
  }

  private static void text(List<Property> out, String name, String value) {
    if (value != null && !value.isBlank()) {
      out.add(new Property(name, new PropertyValue.Text(value), "", 0));
    }
  }

  private static void number(List<Property> out, String name, Double value, String unit) {
    if (value != null) {
      out.add(new Property(name, new PropertyValue.Number(value, unit, ""), "", 0));
    }
  }

  @Override
  public Element.Materials materials(Element element) {
    return Element.Materials.NONE;
  }

  @Override
  public List<Classification> classifications(Element element) {
    return List.of();
  }

  @Override
  public List<Whole> wholes(Element e) {
    List<Whole> out = new ArrayList<>();
    envelope
        .parentOf(e.key())
        .flatMap(s -> element(s.key()))
        .ifPresent(s -> out.add(new Whole("Opening", s)));
    envelope
        .surface(e.key())
        .ifPresent(
            s ->
                s.sides()
                    .forEach(
                        side ->
                            element(side.space())
                                .ifPresent(x -> out.add(new Whole("AdjacentSpaceId", x)))));
    return out;
  }

  @Override
  public Body body(Element e) {
    Optional<Surface> surface = envelope.surface(e.key());
    if (surface.isPresent()) {
      return flat(List.of(surface.get().polygon()));
    }
    Optional<Opening> opening = envelope.opening(e.key());
    if (opening.isPresent()) {
      return flat(List.of(opening.get().polygon()));
    }
    return flat(envelope.space(e.key()).map(Space::shell).orElse(List.of()));
  }

  private static Body flat(List<Polygon> faces) {
    return new Body(
        faces.stream().filter(p -> !p.normal().equals(Vec3.ZERO)).toList(), 0, List.of(), null);
  }

  @Override
  public Body netBody(Element e) {
    Optional<Surface> surface = envelope.surface(e.key());
    if (surface.isEmpty()) {
      return body(e);
    }
    return flat(surface.get().withoutOpenings());
  }

  @Override
  public boolean isKind(String entity, String of) {
    return entity.equalsIgnoreCase(of);
  }
}
