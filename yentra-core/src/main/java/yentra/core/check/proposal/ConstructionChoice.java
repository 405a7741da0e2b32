package yentra.core.check.proposal;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yentra.core.check.rule.Offer;
import yentra.core.check.rule.Remedy;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Material;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.library.Library;
import yentra.core.library.Library.LibraryConstruction;
import yentra.core.library.Library.LibraryGlazing;
import yentra.core.repair.construction.AmendMaterial;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.repair.construction.ReplaceConstruction;

/** Which construction or window type is the likeliest: of those in use, else of the library. */
public final class ConstructionChoice {
  private static final Library LIBRARY = Library.shipped();

  /** U-value of a usual double glazing, W/(m²K): what is taken for glass that states none. */
  private static final double USUAL_GLASS = 1.4;

  private ConstructionChoice() {}

  /** What the library calls a construction of a type. */
  public static String kind(SurfaceType type) {
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

  /** The first of the library for a purpose. */
  public static Optional<LibraryConstruction> shipped(String kind) {
    return LIBRARY.constructions().stream().filter(c -> c.use().equals(kind)).findFirst();
  }

  private static Optional<String> largest(Map<String, Double> areas) {
    return areas.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
  }

  /**
   * The construction that covers the largest area among surfaces of a type; where none has one, of
   * the same exposure.
   */
  public static Optional<String> usual(Envelope e, SurfaceType type) {
    Map<String, Double> same = new TreeMap<>();
    Map<String, Double> alike = new TreeMap<>();
    for (Surface s : e.surfaces()) {
      if (e.construction(s.construction()).isPresent()) {
        if (s.type() == type) {
          same.merge(s.construction(), s.polygon().area(), Double::sum);
        }
        if (s.type().isInterior() == type.isInterior() && s.type().isGround() == type.isGround()) {
          alike.merge(s.construction(), s.polygon().area(), Double::sum);
        }
      }
    }
    return largest(same.isEmpty() ? alike : same);
  }

  /** The construction that has most of the area of a type and says what it is made of. */
  public static Optional<String> usualBesides(Envelope e, SurfaceType type, String other) {
    Map<String, Double> areas = new TreeMap<>();
    for (Surface s : e.surfaces()) {
      Optional<Construction> c = e.construction(s.construction());
      boolean says = c.isPresent() && (!c.get().layers().isEmpty() || c.get().uValue() != null);
      if (says && s.type() == type && !other.equals(s.construction())) {
        areas.merge(s.construction(), s.polygon().area(), Double::sum);
      }
    }
    return largest(areas);
  }

  /** The type of most of the area that has a construction. */
  public static Optional<SurfaceType> typeOf(Envelope e, String construction) {
    Map<SurfaceType, Double> areas = new TreeMap<>();
    for (Surface s : e.surfaces()) {
      if (construction.equals(s.construction())) {
        areas.merge(s.type(), s.polygon().area(), Double::sum);
      }
    }
    return areas.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
  }

  /** Offers a construction for the surface or opening that the finding is about. */
  public static void assign(Offer o) {
    Envelope e = o.envelope();
    String key = o.first();
    Optional<Surface> s = e.surface(key);
    SurfaceType type =
        s.map(Surface::type)
            .or(() -> e.parentOf(key).map(Surface::type))
            .orElse(SurfaceType.EXTERIOR_WALL);
    if (s.isPresent()) {
      usual(e, type)
          .ifPresent(
              c ->
                  o.add(
                      "Assign " + o.context().naming().object(c),
                      new GiveConstruction(List.of(key), ConstructionSpec.existing(c))));
    }
    shipped(s.isPresent() ? kind(type) : "Door")
        .ifPresent(
            c ->
                o.add(
                    "Assign from the library: " + c.name(),
                    new GiveConstruction(List.of(key), ConstructionSpec.of(LIBRARY, c))));
  }

  /** Offers others in place of a construction. */
  public static void replace(Offer o, String construction) {
    Envelope e = o.envelope();
    Optional<SurfaceType> type = typeOf(e, construction);
    String name = e.construction(construction).map(Construction::label).orElse("");
    type.flatMap(t -> usualBesides(e, t, construction))
        .ifPresent(
            c ->
                o.add(
                    "Use " + o.context().naming().object(c) + " instead",
                    new ReplaceConstruction(construction, ConstructionSpec.existing(c))));
    nearestOf(name, kind(type.orElse(SurfaceType.EXTERIOR_WALL)))
        .ifPresent(
            c ->
                o.add(
                    "Use from the library: " + c.name(),
                    new ReplaceConstruction(construction, ConstructionSpec.of(LIBRARY, c))));
  }

  /** Of those for a purpose the one whose name shares most words. */
  private static Optional<LibraryConstruction> nearestOf(String name, String kind) {
    List<LibraryConstruction> list =
        LIBRARY.constructions().stream().filter(c -> c.use().equals(kind)).toList();
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

  /** Values of the library's material of the nearest name, where it states a conductivity. */
  public static Optional<Remedy> likeLibrary(Material m) {
    return LIBRARY
        .nearest(m.label())
        .filter(x -> x.conductivity() != null)
        .map(
            x ->
                new Remedy(
                    "Take the values of " + x.name(),
                    new AmendMaterial(
                        m.key(),
                        null,
                        x.conductivity(),
                        x.density(),
                        x.specificHeat(),
                        null,
                        x.name())));
  }

  /** Of the library the window type with the nearest U-value; without one a double glazing. */
  public static LibraryGlazing nearest(Glazing g) {
    double u = g.uValue() == null ? USUAL_GLASS : g.uValue();
    return LIBRARY.glazings().stream()
        .min(Comparator.comparingDouble(x -> Math.abs(x.uValue() - u)))
        .orElseThrow();
  }
}
