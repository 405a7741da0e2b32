package yentra.core.revision;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.finding.Finding;

/**
 * Finds the objects that a simulation's messages speak of. Ids and names of spaces, surfaces,
 * openings, constructions, layers, materials, window types, storeys and zones are looked for in any
 * text, in any case, with any signs between their parts, cut off behind at least ten signs when
 * only one can be meant; ids of the source elements count as well, and those that the last handed
 * over file had. "Layer 2" behind a construction is its second layer.
 */
public final class MessageTrace {
  private static final Pattern TOKEN = Pattern.compile("[\\p{L}\\p{N}$]+");
  private static final Pattern LAYER =
      Pattern.compile("(?i)\\blayer\\W{0,3}(?:no\\.?|number|#)?\\W{0,3}(\\d{1,2})\\b");
  private static final int LONGEST = 2_000_000;
  private static final int MOST = 2_000;
  private static final int CUT = 10;

  private final Envelope envelope;
  private final Naming naming;
  private final Map<String, List<Finding>> findings = new HashMap<>();
  private final Map<String, List<Name>> byFirst = new HashMap<>();
  private final TreeMap<String, Name> longer = new TreeMap<>();
  private final Map<String, Layer> layers = new HashMap<>();
  private final Map<String, Material> materials = new HashMap<>();

  /**
   * @param kind "space", "surface", "opening", "construction", "layer", "material", "window type",
   *     "storey" or "zone"
   * @param former the handed over file had it, the envelope has it no more
   */
  private record Name(List<String> tokens, String kind, String key, boolean id, boolean former) {}

  /**
   * An object that a line speaks of.
   *
   * @param line number from 1
   * @param text what in the line names it
   * @param kind what it is
   * @param key its key; of a layer or material that of the construction that has it
   * @param select keys of spaces, surfaces or openings to show
   * @param title in words
   * @param facts what it is, where it lies, of what it is made, where it comes from
   * @param findings ids of findings about it
   */
  public record Hit(
      int line,
      String text,
      String kind,
      String key,
      List<String> select,
      String title,
      List<String> facts,
      List<String> findings) {
    public Hit {
      select = List.copyOf(select);
      facts = List.copyOf(facts);
      findings = List.copyOf(findings);
    }
  }

  /**
   * @param lines of the text, those without a hit as well
   * @param more more was found than is told
   */
  public record Result(List<String> lines, List<Hit> hits, boolean more) {}

  /**
   * @param naming what people call its objects
   * @param handedOver what the last handed over file holds, or null
   */
  public MessageTrace(Envelope envelope, Naming naming, List<Finding> all, Envelope handedOver) {
    this.envelope = envelope;
    this.naming = naming;
    for (Finding f : all) {
      for (String o : f.objects()) {
        findings.computeIfAbsent(o, k -> new ArrayList<>()).add(f);
      }
    }
    envelope.layers().forEach(l -> layers.put(l.key(), l));
    envelope.materials().forEach(m -> materials.put(m.key(), m));
    names(envelope, false);
    if (handedOver != null) {
      names(handedOver, true);
    }
    byFirst
        .values()
        .forEach(
            l ->
                l.sort(
                    (a, b) -> {
                      int longer = Integer.compare(b.tokens.size(), a.tokens.size());
                      return longer != 0
                          ? longer
                          : a.former != b.former
                              ? Boolean.compare(a.former, b.former)
                              : Boolean.compare(b.id, a.id);
                    }));
  }

  private void names(Envelope e, boolean former) {
    for (Space s : e.spaces()) {
      if (!former || envelope.space(s.key()).isEmpty()) {
        id(s.key(), "space", s.key(), former);
        source(s.source(), "space", s.key(), former);
        name(s.name(), "space", s.key(), former);
      }
    }
    for (Surface s : e.surfaces()) {
      if (!former || envelope.surface(s.key()).isEmpty()) {
        id(s.key(), "surface", s.key(), former);
        source(s.source(), "surface", s.key(), former);
        source(s.element(), "surface", s.key(), former);
        name(s.name(), "surface", s.key(), former);
      }
      for (Opening o : s.openings()) {
        opening(o, former);
      }
    }
    e.orphans().forEach(o -> opening(o, former));
    e.constructions()
        .forEach(
            c -> {
              id(c.key(), "construction", c.key(), former);
              name(c.name(), "construction", c.key(), former);
            });
    e.layers().forEach(l -> id(l.key(), "layer", l.key(), former));
    e.layers().forEach(l -> name(l.name(), "layer", l.key(), former));
    e.materials()
        .forEach(
            m -> {
              id(m.key(), "material", m.key(), former);
              name(m.name(), "material", m.key(), former);
            });
    e.glazings()
        .forEach(
            g -> {
              id(g.key(), "window type", g.key(), former);
              name(g.name(), "window type", g.key(), former);
            });
    e.storeys().forEach(s -> name(s.name(), "storey", s.key(), former));
    e.zones()
        .forEach(
            z -> {
              id(z.key(), "zone", z.key(), former);
              name(z.name(), "zone", z.key(), former);
            });
  }

  private void opening(Opening o, boolean former) {
    if (!former || envelope.opening(o.key()).isEmpty()) {
      id(o.key(), "opening", o.key(), former);
      source(o.source(), "opening", o.key(), former);
      source(o.element(), "opening", o.key(), former);
      name(o.name(), "opening", o.key(), former);
    }
  }

  private void source(SourceRef s, String kind, String key, boolean former) {
    if (s != null) {
      id(s.id(), kind, key, former);
      name(s.name(), kind, key, former);
    }
  }

  private void id(String id, String kind, String key, boolean former) {
    add(id, kind, key, true, former);
  }

  /** Short names and bare numbers would be found everywhere. */
  private void name(String name, String kind, String key, boolean former) {
    if (name != null && name.strip().length() >= 3 && !name.matches("[\\d\\s.,-]*")) {
      add(name, kind, key, false, former);
    }
  }

  private void add(String text, String kind, String key, boolean id, boolean former) {
    List<String> tokens = tokens(text);
    if (tokens.isEmpty() || tokens.size() > 12 || text.length() < 2) {
      return;
    }
    Name n = new Name(tokens, kind, key, id, former);
    List<Name> list = byFirst.computeIfAbsent(tokens.get(0), k -> new ArrayList<>());
    boolean known =
        list.stream().anyMatch(o -> o.tokens.equals(tokens) && (o.former == former || former));
    if (!known) {
      list.add(n);
      String whole = String.join("", tokens);
      if (id && whole.length() > CUT) {
        longer.putIfAbsent(whole, n);
      }
    }
  }

  private static List<String> tokens(String text) {
    List<String> out = new ArrayList<>();
    Matcher m = TOKEN.matcher(text);
    while (m.find()) {
      out.add(m.group().toUpperCase(Locale.ROOT));
    }
    return out;
  }

  /** Goes through a text; no longer one than two million signs is looked at. */
  public Result of(String text) {
    List<String> lines =
        List.of(text.substring(0, Math.min(text.length(), LONGEST)).split("\r\n|\r|\n", -1));
    List<Hit> hits = new ArrayList<>();
    boolean more = text.length() > LONGEST;
    for (int i = 0; i < lines.size(); i++) {
      if (hits.size() >= MOST) {
        more = true;
        break;
      }
      line(i + 1, lines.get(i), hits);
    }
    return new Result(lines, hits, more);
  }

  private record Token(String text, int from, int to) {}

  private void line(int number, String line, List<Hit> hits) {
    List<Token> tokens = new ArrayList<>();
    Matcher m = TOKEN.matcher(line);
    while (m.find()) {
      tokens.add(new Token(m.group().toUpperCase(Locale.ROOT), m.start(), m.end()));
    }
    Map<String, Hit> here = new LinkedHashMap<>();
    int told = 0;
    for (int i = 0; i < tokens.size(); i++) {
      Name n = longest(tokens, i);
      int used = n == null ? 0 : n.tokens.size();
      if (n == null) {
        Cut cut = cutOff(tokens, i);
        if (cut != null) {
          n = cut.name;
          used = cut.tokens;
        }
      }
      // two names may share a word, as "Zone 3" and "3 Bath" in "Zone 3 Bath"; one in another is
      // not
      // meant
      if (n != null && i + used > told) {
        told = i + used;
        String said = line.substring(tokens.get(i).from, tokens.get(i + used - 1).to);
        here.putIfAbsent(n.kind + n.key, hit(number, said, n));
        if (n.kind.equals("construction")) {
          Matcher l = LAYER.matcher(line);
          if (l.find()) {
            layerOf(number, l.group(), n.key, Integer.parseInt(l.group(1)))
                .ifPresent(h -> here.putIfAbsent("layer" + h.key() + l.group(1), h));
          }
        }
      }
    }
    hits.addAll(here.values());
  }

  private Name longest(List<Token> tokens, int at) {
    for (Name n : byFirst.getOrDefault(tokens.get(at).text, List.of())) {
      boolean fits = at + n.tokens.size() <= tokens.size();
      for (int k = 1; fits && k < n.tokens.size(); k++) {
        fits = tokens.get(at + k).text.equals(n.tokens.get(k));
      }
      if (fits) {
        return n;
      }
    }
    return null;
  }

  private record Cut(Name name, int tokens) {}

  /** An id that a program has cut off, when only one begins so; the most signs that fit. */
  private Cut cutOff(List<Token> tokens, int at) {
    StringBuilder b = new StringBuilder();
    Cut best = null;
    for (int i = at; i < Math.min(at + 12, tokens.size()); i++) {
      b.append(tokens.get(i).text);
      String start = b.toString();
      var it = longer.tailMap(start, true).entrySet().iterator();
      if (!it.hasNext()) {
        break;
      }
      var first = it.next();
      if (!first.getKey().startsWith(start)) {
        break;
      }
      boolean only = !it.hasNext() || !it.next().getKey().startsWith(start);
      if (only && start.length() >= CUT && start.chars().anyMatch(Character::isDigit)) {
        best = new Cut(first.getValue(), i - at + 1);
      }
    }
    return best;
  }

  private Hit hit(int line, String said, Name n) {
    List<String> facts = new ArrayList<>();
    List<String> select = new ArrayList<>();
    String title = n.key;
    if (n.former) {
      facts.add("It was in the file that was handed over last; the envelope no longer has it.");
      return new Hit(
          line, said, n.kind, n.key, List.of(), upper(n.kind) + " " + n.key, facts, List.of());
    }
    switch (n.kind) {
      case "space" -> {
        Space s = envelope.space(n.key).orElseThrow();
        title = s.label();
        select.add(n.key);
        facts.add("Space" + storey(s) + ".");
        long bounds = envelope.surfaces().stream().filter(x -> x.isAdjacentTo(n.key)).count();
        facts.add(bounds + (bounds == 1 ? " surface bounds it." : " surfaces bound it."));
      }
      case "surface" -> {
        Surface s = envelope.surface(n.key).orElseThrow();
        title = upper(naming.surface(s));
        select.add(n.key);
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
        made(s.construction(), facts);
        from(s.element() == null ? s.source() : s.element(), facts);
      }
      case "opening" -> {
        Opening o = envelope.opening(n.key).orElseThrow();
        title = upper(naming.opening(o));
        select.add(n.key);
        facts.add(
            String.format(
                Locale.ROOT, "%s of %.2f m².", upper(o.type().label()), o.polygon().area()));
        if (o.glazing() != null) {
          facts.add("Window type " + o.glazing() + ".");
        }
        from(o.element() == null ? o.source() : o.element(), facts);
      }
      case "construction" -> {
        title = envelope.construction(n.key).map(Construction::label).orElse(n.key);
        made(n.key, facts);
        users(n.key, select, facts);
      }
      case "layer", "material" -> {
        String material = n.kind.equals("material") ? n.key : null;
        title = n.kind.equals("material") ? materialLabel(n.key) : layerLabel(n.key);
        for (Construction c : envelope.constructions()) {
          int place = placeOf(c, n.kind.equals("layer") ? n.key : null, material);
          if (place > 0) {
            facts.add("Layer " + place + " of " + c.label() + ", counted from outside.");
            users(c.key(), select, facts);
          }
        }
        String m = material != null ? material : firstMaterial(n.key);
        if (m != null) {
          facts.add(properties(m));
        }
      }
      case "window type" -> {
        title =
            envelope.glazings().stream()
                .filter(g -> g.key().equals(n.key))
                .findFirst()
                .map(g -> g.label())
                .orElse(n.key);
        envelope
            .surfaces()
            .forEach(
                s ->
                    s.openings().stream()
                        .filter(o -> n.key.equals(o.glazing()))
                        .forEach(o -> select.add(o.key())));
        facts.add(select.size() + (select.size() == 1 ? " opening has it." : " openings have it."));
      }
      default -> {
        title =
            n.kind.equals("zone")
                ? envelope.zones().stream()
                    .filter(z -> z.key().equals(n.key))
                    .findFirst()
                    .map(z -> z.label())
                    .orElse(n.key)
                : envelope.storeys().stream()
                    .filter(s -> s.key().equals(n.key))
                    .findFirst()
                    .map(s -> s.name())
                    .orElse(n.key);
        envelope.spaces().stream()
            .filter(s -> n.key.equals(n.kind.equals("zone") ? s.zone() : s.storey()))
            .forEach(s -> select.add(s.key()));
        facts.add(
            upper(n.kind) + " of " + select.size() + (select.size() == 1 ? " space." : " spaces."));
      }
    }
    return new Hit(line, said, n.kind, n.key, select, title, facts, ids(n.key));
  }

  private List<String> ids(String key) {
    return findings.getOrDefault(key, List.of()).stream()
        .map(f -> f.id().toString())
        .distinct()
        .toList();
  }

  private java.util.Optional<Hit> layerOf(int line, String said, String construction, int place) {
    List<String> list = materialsOf(construction);
    if (place < 1 || place > list.size()) {
      return java.util.Optional.empty();
    }
    String m = list.get(place - 1);
    List<String> facts = new ArrayList<>();
    List<String> select = new ArrayList<>();
    facts.add(
        "Layer "
            + place
            + " of "
            + envelope.construction(construction).map(Construction::label).orElse(construction)
            + ", counted from outside.");
    facts.add(properties(m));
    users(construction, select, facts);
    List<String> covered = new ArrayList<>(ids(m));
    covered.addAll(ids(construction));
    return java.util.Optional.of(
        new Hit(
            line,
            said,
            "layer",
            m,
            select,
            materialLabel(m),
            facts,
            covered.stream().distinct().toList()));
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

  private void made(String construction, List<String> facts) {
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

  private void users(String construction, List<String> select, List<String> facts) {
    int n = 0;
    for (Surface s : envelope.surfaces()) {
      if (construction.equals(s.construction())) {
        select.add(s.key());
        n++;
      }
    }
    facts.add(n + (n == 1 ? " surface has it." : " surfaces have it."));
  }

  private static void from(SourceRef s, List<String> facts) {
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
    return envelope.storeys().stream()
        .filter(x -> x.key().equals(s.storey()))
        .map(x -> ", " + x.name())
        .findFirst()
        .orElse("");
  }

  private static String upper(String s) {
    return s.isEmpty() ? s : Character.toUpperCase(s.charAt(0)) + s.substring(1);
  }
}
