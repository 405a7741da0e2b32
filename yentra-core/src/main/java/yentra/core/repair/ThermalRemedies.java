package yentra.core.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import yentra.core.check.CheckContext;
import yentra.core.check.Finding;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.library.Library;
import yentra.core.library.Library.LibraryConstruction;
import yentra.core.library.Library.LibraryGlazing;
import yentra.core.library.Library.LibraryMaterial;
import yentra.core.thermal.BuildUp;
import yentra.core.thermal.UValueBreakdown;

/** What answers findings about thermal properties, the best first. */
final class ThermalRemedies {
  /** A factor of 100 between them: a share in per cent was read as such. */
  private static final double PER_CENT = 100;

  /** W/(m²K) per Btu/(h·ft²·°F). */
  private static final double IMPERIAL = 5.678263341113488;

  private final CheckContext context;
  private final Envelope envelope;
  private final Remedies remedies;
  private final Library library = Library.shipped();

  ThermalRemedies(CheckContext context, Remedies remedies) {
    this.context = context;
    this.envelope = context.envelope();
    this.remedies = remedies;
  }

  List<Remedy> of(Finding f) {
    List<Remedy> out = new ArrayList<>();
    String first = f.objects().isEmpty() ? "" : f.objects().get(0);
    switch (f.code()) {
      case "THM-701" -> assign(first, out);
      case "THM-702" -> replace(first, out);
      case "THM-703" -> property(f, first, out);
      case "THM-704" -> thin(first, out);
      case "THM-705" -> statement(first, out);
      case "THM-706" -> implausible(f, first, out);
      case "THM-707" -> glazing(first, out);
      case "THM-708" -> range(f, first, out);
      case "THM-709" -> reversed(f, first, out);
      case "THM-710" -> misplaced(f, out);
      case "THM-711" -> nothingStated(f, out);
      default -> {}
    }
    return out;
  }

  /** For a surface or opening without a construction. */
  void assign(String key, List<Remedy> out) {
    Optional<Surface> s = envelope.surface(key);
    SurfaceType type =
        s.map(Surface::type)
            .or(() -> envelope.parentOf(key).map(Surface::type))
            .orElse(SurfaceType.EXTERIOR_WALL);
    if (s.isPresent()) {
      remedies
          .usualConstruction(type)
          .ifPresent(
              c ->
                  out.add(
                      new Remedy(
                          "Assign " + context.naming().object(c),
                          new GiveConstruction(List.of(key), ConstructionSpec.existing(c)))));
    }
    shipped(s.isPresent() ? kind(type) : "Door")
        .ifPresent(
            c ->
                out.add(
                    new Remedy(
                        "Assign from the library: " + c.name(),
                        new GiveConstruction(List.of(key), ConstructionSpec.of(library, c)))));
  }

  /** The usual construction for each type of surface, or values for materials of known names. */
  private void nothingStated(Finding f, List<Remedy> out) {
    Set<String> silentOnes = new HashSet<>(f.objects());
    Map<String, List<String>> kinds = new TreeMap<>();
    for (Surface s : envelope.surfaces()) {
      if (silentOnes.contains(s.construction()) && !s.type().isShading()) {
        kinds.computeIfAbsent(kind(s.type()), k -> new ArrayList<>()).add(s.key());
      }
      for (Opening o : s.openings()) {
        if (!o.type().isGlazed() && silentOnes.contains(o.construction())) {
          kinds.computeIfAbsent("Door", k -> new ArrayList<>()).add(o.key());
        }
      }
    }
    List<Repair> usual = new ArrayList<>();
    kinds.forEach(
        (kind, keys) ->
            shipped(kind)
                .ifPresent(
                    c -> usual.add(new GiveConstruction(keys, ConstructionSpec.of(library, c)))));
    if (!usual.isEmpty()) {
      String label = "Give the usual construction by type";
      out.add(new Remedy(label, new Several(label, usual)));
    }
    List<Material> silent =
        f.objects().stream().flatMap(c -> context.silentMaterials(c).stream()).distinct().toList();
    List<Repair> named = new ArrayList<>();
    for (Material m : silent) {
      library
          .nearest(m.label())
          .filter(x -> x.conductivity() != null)
          .ifPresent(x -> named.add(likeLibrary(m, x).repair()));
    }
    if (!named.isEmpty()) {
      String label = "Take library values for materials by their names";
      out.add(
          new Remedy(
              named.size() == silent.size()
                  ? label
                  : label + " (" + named.size() + " of " + silent.size() + ")",
              new Several(label, named)));
    }
  }

  /** What the library calls a construction of a type. */
  static String kind(SurfaceType type) {
    return switch (type) {
      case ROOF -> "Roof";
      case EXPOSED_FLOOR, RAISED_FLOOR -> "Exposed floor";
      case SLAB_ON_GRADE, UNDERGROUND_SLAB -> "Ground floor";
      case UNDERGROUND_WALL -> "Wall in the ground";
      case INTERIOR_WALL -> "Interior wall";
      case INTERIOR_FLOOR, CEILING, UNDERGROUND_CEILING -> "Interior floor";
      default -> "Exterior wall";
    };
  }

  private Optional<LibraryConstruction> shipped(String kind) {
    return library.constructions().stream().filter(c -> c.use().equals(kind)).findFirst();
  }

  /** The type of most of the area that has a construction. */
  private Optional<SurfaceType> typeOf(String construction) {
    Map<SurfaceType, Double> areas = new TreeMap<>();
    for (Surface s : envelope.surfaces()) {
      if (construction.equals(s.construction())) {
        areas.merge(s.type(), s.polygon().area(), Double::sum);
      }
    }
    return areas.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
  }

  private void replace(String construction, List<Remedy> out) {
    Optional<SurfaceType> type = typeOf(construction);
    String name = envelope.construction(construction).map(Construction::label).orElse("");
    type.flatMap(t -> usual(t, construction))
        .ifPresent(
            c ->
                out.add(
                    new Remedy(
                        "Use " + context.naming().object(c) + " instead",
                        new ReplaceConstruction(construction, ConstructionSpec.existing(c)))));
    nearestOf(name, kind(type.orElse(SurfaceType.EXTERIOR_WALL)))
        .ifPresent(
            c ->
                out.add(
                    new Remedy(
                        "Use from the library: " + c.name(),
                        new ReplaceConstruction(construction, ConstructionSpec.of(library, c)))));
  }

  /** The construction that has most of the area of a type and says what it is made of. */
  private Optional<String> usual(SurfaceType type, String other) {
    Map<String, Double> areas = new TreeMap<>();
    for (Surface s : envelope.surfaces()) {
      Optional<Construction> c = envelope.construction(s.construction());
      boolean says = c.isPresent() && (!c.get().layers().isEmpty() || c.get().uValue() != null);
      if (says && s.type() == type && !other.equals(s.construction())) {
        areas.merge(s.construction(), s.polygon().area(), Double::sum);
      }
    }
    return areas.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
  }

  /** Of those for a purpose the one whose name shares most words. */
  private Optional<LibraryConstruction> nearestOf(String name, String kind) {
    List<LibraryConstruction> list =
        library.constructions().stream().filter(c -> c.use().equals(kind)).toList();
    String[] words = name.toLowerCase(Locale.ROOT).split("[^\\p{L}]+");
    return list.stream()
        .max(
            Comparator.comparingLong(
                (LibraryConstruction c) -> {
                  String has = c.name().toLowerCase(Locale.ROOT);
                  long n = 0;
                  for (String w : words) {
                    n += w.length() >= 4 && has.contains(w) ? 1 : 0;
                  }
                  // of equals the first one
                  return n * 1000 - list.indexOf(c);
                }));
  }

  private Optional<Material> material(String key) {
    return envelope.materials().stream().filter(m -> m.key().equals(key)).findFirst();
  }

  private void property(Finding f, String key, List<Remedy> out) {
    Material m = material(key).orElse(null);
    if (m == null) {
      return;
    }
    boolean thickness = f.subject().equals("thickness");
    if (!thickness) {
      library
          .nearest(m.label())
          .filter(x -> x.conductivity() != null)
          .ifPresent(x -> out.add(likeLibrary(m, x)));
    }
    if (thickness && m.thickness() != null) {
      // a length that was read in another unit
      for (double factor : new double[] {0.001, 0.01, 0.0254, 0.3048}) {
        double t = m.thickness() * factor;
        if (m.thickness() > 2 && t >= 0.0001 && t <= 1) {
          out.add(
              new Remedy(
                  String.format(Locale.ROOT, "Set its thickness to %.4g m", t),
                  new AmendMaterial(
                      m.key(), t, null, null, null, null, "read in another unit of length")));
        }
      }
    }
    if (out.isEmpty() && f.objects().size() > 1) {
      replace(f.objects().get(1), out);
    }
  }

  private Remedy likeLibrary(Material m, LibraryMaterial x) {
    return new Remedy(
        "Take the values of " + x.name(),
        new AmendMaterial(
            m.key(), null, x.conductivity(), x.density(), x.specificHeat(), null, x.name()));
  }

  private void thin(String key, List<Remedy> out) {
    if (material(key).isPresent()) {
      out.add(
          new Remedy("Merge it into its neighbour, keeping resistance", new MergeThinLayer(key)));
      return;
    }
    BuildUp b = BuildUp.all(envelope).get(key);
    if (b != null && b.resistance().isPresent()) {
      out.add(
          new Remedy(
              "Replace its layers by one without mass, of the same resistance",
              new MakeMassless(key)));
    }
    replace(key, out);
  }

  /** U by the layers, as most of the area has it. */
  private OptionalDouble computed(String construction) {
    BuildUp b = BuildUp.all(envelope).get(construction);
    Surface most = null;
    for (Surface s : envelope.surfaces()) {
      if (construction.equals(s.construction())
          && (most == null || s.polygon().area() > most.polygon().area())) {
        most = s;
      }
    }
    if (b == null || most == null) {
      return OptionalDouble.empty();
    }
    return UValueBreakdown.uValue(b, context.position(most));
  }

  private void statement(String construction, List<Remedy> out) {
    OptionalDouble u = computed(construction);
    if (u.isPresent()) {
      double rounded = Math.round(u.getAsDouble() * 1000) / 1000.0;
      if (rounded > 0) {
        out.add(
            new Remedy(
                String.format(Locale.ROOT, "State what its layers give: %.3f W/m²K", rounded),
                new StateUValue(construction, rounded)));
      }
    }
    out.add(new Remedy("Take the stated U-value away", new StateUValue(construction, null)));
  }

  private void implausible(Finding f, String construction, List<Remedy> out) {
    Construction c = envelope.construction(construction).orElse(null);
    if (c == null || f.measured() == null) {
      return;
    }
    boolean roof =
        typeOf(construction).filter(t -> t == SurfaceType.ROOF).isPresent()
            && f.measured() >= context.limit("THM-706", "least")
            && f.measured() <= context.limit("THM-706", "most");
    if (roof) {
      betterRoof(construction, out);
      return;
    }
    if (!c.layers().isEmpty()) {
      out.add(new Remedy("Take the stated U-value away", new StateUValue(construction, null)));
    }
    double metric = f.measured() / IMPERIAL;
    if (f.measured() > context.limit("THM-706", "most")
        && metric >= context.limit("THM-706", "least")
        && metric <= context.limit("THM-706", "most")
        && c.uValue() != null
        && Math.abs(c.uValue() - f.measured()) < 1e-9) {
      out.add(
          new Remedy(
              String.format(Locale.ROOT, "It was converted twice: state %.3f W/m²K", metric),
              new StateUValue(construction, Math.round(metric * 1000) / 1000.0)));
    }
    replace(construction, out);
  }

  private void betterRoof(String construction, List<Remedy> out) {
    double best = Double.POSITIVE_INFINITY;
    LibraryConstruction chosen = null;
    for (LibraryConstruction c : library.constructions()) {
      double r = 0;
      for (Library.LibraryLayer l : c.layers()) {
        LibraryMaterial m = library.material(l.material()).orElseThrow();
        r += m.conductivity() == null ? m.resistance() : l.thickness() / m.conductivity();
      }
      if (c.use().equals("Roof") && r > 0 && 1 / r < best) {
        best = 1 / r;
        chosen = c;
      }
    }
    if (chosen != null) {
      out.add(
          new Remedy(
              "Use from the library: " + chosen.name(),
              new ReplaceConstruction(construction, ConstructionSpec.of(library, chosen))));
    }
  }

  private Optional<Glazing> glazingOf(String key) {
    return envelope.glazings().stream().filter(g -> g.key().equals(key)).findFirst();
  }

  private void glazing(String key, List<Remedy> out) {
    Optional<Glazing> g = glazingOf(key);
    if (g.isPresent()) {
      LibraryGlazing x = nearest(g.get());
      out.add(
          new Remedy(
              "Take what it lacks from " + x.name(),
              new AmendGlazing(
                  key,
                  g.get().uValue() == null ? x.uValue() : null,
                  g.get().solarHeatGain() == null ? x.solarHeatGain() : null,
                  g.get().visibleTransmittance() == null ? x.visibleTransmittance() : null,
                  x.name())));
      return;
    }
    Map<String, Double> areas = new TreeMap<>();
    for (Surface s : envelope.surfaces()) {
      for (Opening o : s.openings()) {
        if (o.glazing() != null && glazingOf(o.glazing()).isPresent()) {
          areas.merge(o.glazing(), o.polygon().area(), Double::sum);
        }
      }
    }
    areas.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .ifPresent(
            a ->
                out.add(
                    new Remedy(
                        "Give it the window type "
                            + GlazingSpec.existing(a.getKey()).label(envelope),
                        new GiveGlazing(List.of(key), GlazingSpec.existing(a.getKey())))));
    LibraryGlazing usual =
        library.glazing("Double low-e, argon 16 mm, wood or PVC frame").orElseThrow();
    out.add(
        new Remedy(
            "Give it from the library: " + usual.name(),
            new GiveGlazing(List.of(key), GlazingSpec.of(usual))));
  }

  /** Of the library the one with the nearest U-value; without one a double glazing. */
  private LibraryGlazing nearest(Glazing g) {
    double u = g.uValue() == null ? 1.4 : g.uValue();
    return library.glazings().stream()
        .min(Comparator.comparingDouble(x -> Math.abs(x.uValue() - u)))
        .orElseThrow();
  }

  private void range(Finding f, String key, List<Remedy> out) {
    Glazing g = glazingOf(key).orElse(null);
    if (g == null || f.measured() == null) {
      return;
    }
    double v = f.measured();
    boolean u = f.subject().equals("U-value");
    boolean sun = f.subject().startsWith("solar");
    if (u) {
      double metric = v / IMPERIAL;
      if (v > context.limit("THM-708", "most") && metric >= context.limit("THM-708", "least")) {
        out.add(
            new Remedy(
                String.format(Locale.ROOT, "It was converted twice: %.3f W/m²K", metric),
                new AmendGlazing(
                    key, Math.round(metric * 1000) / 1000.0, null, null, "was converted twice")));
      }
    } else if (v > 1 && v <= PER_CENT) {
      double share = v / PER_CENT;
      out.add(
          new Remedy(
              String.format(Locale.ROOT, "It is in per cent: %.4g", share),
              new AmendGlazing(
                  key, null, sun ? share : null, sun ? null : share, "was in per cent")));
    }
    LibraryGlazing x =
        nearest(u ? new Glazing(g.key(), g.name(), null, null, null, g.source(), g.extras()) : g);
    out.add(
        new Remedy(
            "Take the value of " + x.name(),
            new AmendGlazing(
                key,
                u ? x.uValue() : null,
                sun ? x.solarHeatGain() : null,
                u || sun ? null : x.visibleTransmittance(),
                x.name())));
  }

  private void reversed(Finding f, String construction, List<Remedy> out) {
    out.add(new Remedy("List its layers the other way round", new ReverseLayers(construction)));
    // the twin is what the message compares it with: the same materials in the right order
    BuildUp b = BuildUp.all(envelope).get(construction);
    Map<String, BuildUp> all = BuildUp.all(envelope);
    List<Material> turned = new ArrayList<>(b == null ? List.of() : b.materials());
    java.util.Collections.reverse(turned);
    for (Construction c : envelope.constructions()) {
      if (!c.key().equals(construction)
          && !turned.isEmpty()
          && all.get(c.key()).materials().equals(turned)) {
        List<String> users =
            f.objects().stream().filter(k -> envelope.surface(k).isPresent()).toList();
        out.add(
            new Remedy(
                "Give them " + c.label(),
                new GiveConstruction(users, ConstructionSpec.existing(c.key()))));
      }
    }
  }

  private void misplaced(Finding f, List<Remedy> out) {
    List<String> users = f.objects().stream().filter(k -> envelope.surface(k).isPresent()).toList();
    if (users.isEmpty()) {
      return;
    }
    Surface s = envelope.surface(users.get(0)).orElseThrow();
    usual(s.type(), f.objects().get(0))
        .ifPresent(
            c ->
                out.add(
                    new Remedy(
                        "Give "
                            + (users.size() == 1 ? "it " : "them ")
                            + context.naming().object(c),
                        new GiveConstruction(users, ConstructionSpec.existing(c)))));
    shipped(kind(s.type()))
        .ifPresent(
            c ->
                out.add(
                    new Remedy(
                        "Use from the library: " + c.name(),
                        new GiveConstruction(users, ConstructionSpec.of(library, c)))));
  }
}
