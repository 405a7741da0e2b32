package yentra.core.revision;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;

/** What is to be known of an object that a message speaks of, and what of it is shown. */
final class TracedFacts {
  private final Envelope envelope;
  private final Naming naming;
  private final Map<String, Layer> layers;
  private final Map<String, Material> materials;
  private final List<String> facts = new ArrayList<>();
  private final List<String> select = new ArrayList<>();
  private String title;

  private TracedFacts(Parts of, String title) {
    this.envelope = of.envelope;
    this.naming = of.naming;
    this.layers = of.layers;
    this.materials = of.materials;
    this.title = title;
  }

  /** What is looked up again and again. */
  record Parts(
      Envelope envelope,
      Naming naming,
      Map<String, Layer> layers,
      Map<String, Material> materials) {
    static Parts of(Envelope e, Naming naming) {
      Map<String, Layer> layers = new HashMap<>();
      e.layers().forEach(l -> layers.put(l.key(), l));
      Map<String, Material> materials = new HashMap<>();
      e.materials().forEach(m -> materials.put(m.key(), m));
      return new Parts(e, naming, layers, materials);
    }

    /** The material of a layer of a construction, counted from outside from 1, if it is there. */
    Optional<String> material(String construction, int place) {
      List<String> list = new TracedFacts(this, "").materialsOf(construction);
      return place < 1 || place > list.size() ? Optional.empty() : Optional.of(list.get(place - 1));
    }
  }

  static TracedFacts of(Parts parts, NameIndex.Name n) {
    TracedFacts f = new TracedFacts(parts, n.key());
    if (n.former()) {
      f.title = upper(n.kind()) + " " + n.key();
      f.facts.add("It was in the file that was handed over last; the envelope no longer has it.");
      return f;
    }
    switch (n.kind()) {
      case "space" -> f.space(n.key());
      case "surface" -> f.surface(n.key());
      case "opening" -> f.opening(n.key());
      case "construction" -> f.construction(n.key());
      case "layer", "material" -> f.part(n.kind(), n.key());
      case "window type" -> f.windowType(n.key());
      default -> f.group(n.kind(), n.key());
    }
    return f;
  }

  /** The facts of a layer of a construction, by its place. */
  static TracedFacts ofLayer(Parts parts, String construction, int place, String material) {
    TracedFacts f = new TracedFacts(parts, "");
    f.title = f.materialLabel(material);
    f.facts.add(
        "Layer "
            + place
            + " of "
            + parts
                .envelope
                .construction(construction)
                .map(Construction::label)
                .orElse(construction)
            + ", counted from outside.");
    f.facts.add(f.properties(material));
    f.users(construction);
    return f;
  }

  String title() {
    return title;
  }

  List<String> facts() {
    return facts;
  }

  /** Keys of spaces, surfaces or openings to show. */
  List<String> select() {
    return select;
  }

  private void space(String key) {
    Space s = envelope.space(key).orElseThrow();
    title = s.label();
    select.add(key);
    facts.add("Space" + storey(s) + ".");
    long bounds = envelope.surfaces().stream().filter(x -> x.isAdjacentTo(key)).count();
    facts.add(bounds + (bounds == 1 ? " surface bounds it." : " surfaces bound it."));
  }

  private void surface(String key) {
    Surface s = envelope.surface(key).orElseThrow();
    title = upper(naming.surface(s));
    select.add(key);
    facts.add(
        String.format(
            Locale.ROOT,
            "%s of %.2f m²%s.",
            upper(s.type().label()),
            s.polygon().area(),
            s.sides().isEmpty()
                ? ""
                : envelope.space(s.sides().get(0).space()).map(this::storey).orElse("")));
    facts.add(naming.behind(s) + ".");
    made(s.construction());
    from(s.element() == null ? s.source() : s.element());
  }

  private void opening(String key) {
    Opening o = envelope.opening(key).orElseThrow();
    title = upper(naming.opening(o));
    select.add(key);
    facts.add(
        String.format(Locale.ROOT, "%s of %.2f m².", upper(o.type().label()), o.polygon().area()));
    if (o.glazing() != null) {
      facts.add("Window type " + o.glazing() + ".");
    }
    from(o.element() == null ? o.source() : o.element());
  }

  private void construction(String key) {
    title = envelope.construction(key).map(Construction::label).orElse(key);
    made(key);
    users(key);
  }

  private void part(String kind, String key) {
    String material = kind.equals("material") ? key : null;
    title = kind.equals("material") ? materialLabel(key) : layerLabel(key);
    for (Construction c : envelope.constructions()) {
      int place = placeOf(c, kind.equals("layer") ? key : null, material);
      if (place > 0) {
        facts.add("Layer " + place + " of " + c.label() + ", counted from outside.");
        users(c.key());
      }
    }
    String m = material != null ? material : firstMaterial(key);
    if (m != null) {
      facts.add(properties(m));
    }
  }

  private void windowType(String key) {
    title = envelope.glazing(key).map(g -> g.label()).orElse(key);
    envelope
        .surfaces()
        .forEach(
            s ->
                s.openings().stream()
                    .filter(o -> key.equals(o.glazing()))
                    .forEach(o -> select.add(o.key())));
    facts.add(select.size() + (select.size() == 1 ? " opening has it." : " openings have it."));
  }

  private void group(String kind, String key) {
    title =
        kind.equals("zone")
            ? envelope.zone(key).map(z -> z.label()).orElse(key)
            : envelope.storey(key).map(s -> s.name()).orElse(key);
    envelope.spaces().stream()
        .filter(s -> key.equals(kind.equals("zone") ? s.zone() : s.storey()))
        .forEach(s -> select.add(s.key()));
    facts.add(upper(kind) + " of " + select.size() + (select.size() == 1 ? " space." : " spaces."));
  }

  private List<String> materialsOf(String construction) {
    List<String> out = new ArrayList<>();
    envelope
        .construction(construction)
        .ifPresent(
            c ->
                c.layers()
                    .forEach(
                        l -> {
                          if (layers.containsKey(l)) {
                            out.addAll(layers.get(l).materials());
                          }
                        }));
    return out;
  }

  private int placeOf(Construction c, String layer, String material) {
    int n = 0;
    for (String l : c.layers()) {
      if (l.equals(layer)) {
        return n + 1;
      }
      for (String m : layers.containsKey(l) ? layers.get(l).materials() : List.<String>of()) {
        n++;
        if (m.equals(material)) {
          return n;
        }
      }
    }
    return 0;
  }

  private String firstMaterial(String layer) {
    Layer l = layers.get(layer);
    return l == null || l.materials().isEmpty() ? null : l.materials().get(0);
  }

  private String layerLabel(String layer) {
    Layer l = layers.get(layer);
    if (l != null && !l.name().isBlank()) {
      return l.name();
    }
    String m = firstMaterial(layer);
    return m == null ? layer : materialLabel(m);
  }

  private String materialLabel(String key) {
    Material m = materials.get(key);
    return m == null ? key : m.label();
  }

  private String properties(String material) {
    Material m = materials.get(material);
    if (m == null) {
      return "The material " + material + " is not defined.";
    }
    List<String> parts = new ArrayList<>();
    part(parts, "thickness %.4f m", m.thickness());
    part(parts, "conductivity %.3f W/mK", m.conductivity());
    part(parts, "density %.0f kg/m³", m.density());
    part(parts, "specific heat %.0f J/kgK", m.specificHeat());
    part(parts, "resistance %.4f m²K/W", m.resistance());
    return m.label() + ": " + (parts.isEmpty() ? "no properties." : String.join(", ", parts) + ".");
  }

  private static void part(List<String> parts, String format, Double value) {
    if (value != null) {
      parts.add(String.format(Locale.ROOT, format, value));
    }
  }

  private void made(String construction) {
    if (construction == null || envelope.construction(construction).isEmpty()) {
      facts.add("No construction.");
      return;
    }
    List<String> list = materialsOf(construction);
    double thick = 0;
    List<String> named = new ArrayList<>();
    for (String m : list) {
      Material x = materials.get(m);
      thick += x == null || x.thickness() == null ? 0 : x.thickness();
      named.add(
          materialLabel(m)
              + (x == null || x.thickness() == null
                  ? ""
                  : String.format(Locale.ROOT, " %.3f m", x.thickness())));
    }
    facts.add(
        envelope.construction(construction).map(Construction::label).orElse(construction)
            + (list.isEmpty()
                ? ", without layers."
                : String.format(
                    Locale.ROOT,
                    ", %d layer%s, %.3f m: %s.",
                    list.size(),
                    list.size() == 1 ? "" : "s",
                    thick,
                    String.join("; ", named))));
  }

  private void users(String construction) {
    int n = 0;
    for (Surface s : envelope.surfaces()) {
      if (construction.equals(s.construction())) {
        select.add(s.key());
        n++;
      }
    }
    facts.add(n + (n == 1 ? " surface has it." : " surfaces have it."));
  }

  private void from(SourceRef s) {
    if (s != null && !s.id().isEmpty()) {
      facts.add(
          "From "
              + s.elementClass()
              + (s.name().isBlank() ? "" : " “" + s.name() + "”")
              + " "
              + s.id()
              + (s.line() > 0 ? ", line " + s.line() : "")
              + ".");
    }
  }

  private String storey(Space s) {
    return envelope.storey(s.storey()).map(x -> ", " + x.name()).orElse("");
  }

  private static String upper(String s) {
    return s.isEmpty() ? s : Character.toUpperCase(s.charAt(0)) + s.substring(1);
  }
}
