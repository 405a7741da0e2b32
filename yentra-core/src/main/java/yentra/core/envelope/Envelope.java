package yentra.core.envelope;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * The analytical model: spaces, the surfaces that bound them, openings, constructions. Immutable;
 * every change gives a new envelope. All lengths are metres in model coordinates (z up),
 * temperatures °C, thermal values SI.
 *
 * <p>Keys are unique over all objects of an envelope, stable from one reading of a file to the
 * next, and valid as XML ids. The lists keep the order of the delivery.
 */
public final class Envelope {
  private final Parts parts;
  private final Map<String, Space> spaces;
  private final Map<String, Surface> surfaces;
  private final Map<String, Construction> constructions;

  /** Made when first asked for; two threads may both do so, and find the same. */
  private volatile Map<String, Surface> parents;

  /**
   * The lists an envelope is made of. {@code orphans} are openings that lie in no surface, {@code
   * uncovered} enclosed volumes that no space covers.
   */
  public record Parts(
      Delivered delivered,
      Site site,
      List<Building> buildings,
      List<Storey> storeys,
      List<Zone> zones,
      List<Space> spaces,
      List<Surface> surfaces,
      List<Opening> orphans,
      List<Construction> constructions,
      List<Layer> layers,
      List<Material> materials,
      List<Glazing> glazings,
      List<ReadNote> notes,
      List<Uncovered> uncovered,
      Schedules schedules) {
    public Parts {
      buildings = List.copyOf(buildings);
      storeys = List.copyOf(storeys);
      zones = List.copyOf(zones);
      spaces = List.copyOf(spaces);
      surfaces = List.copyOf(surfaces);
      orphans = List.copyOf(orphans);
      constructions = List.copyOf(constructions);
      layers = List.copyOf(layers);
      materials = List.copyOf(materials);
      glazings = List.copyOf(glazings);
      notes = List.copyOf(notes);
      uncovered = List.copyOf(uncovered);
    }

    /** Without schedules. */
    public Parts(
        Delivered delivered,
        Site site,
        List<Building> buildings,
        List<Storey> storeys,
        List<Zone> zones,
        List<Space> spaces,
        List<Surface> surfaces,
        List<Opening> orphans,
        List<Construction> constructions,
        List<Layer> layers,
        List<Material> materials,
        List<Glazing> glazings,
        List<ReadNote> notes,
        List<Uncovered> uncovered) {
      this(
          delivered,
          site,
          buildings,
          storeys,
          zones,
          spaces,
          surfaces,
          orphans,
          constructions,
          layers,
          materials,
          glazings,
          notes,
          uncovered,
          Schedules.NONE);
    }

    /** Without schedules and volumes that no space covers. */
    public Parts(
        Delivered delivered,
        Site site,
        List<Building> buildings,
        List<Storey> storeys,
        List<Zone> zones,
        List<Space> spaces,
        List<Surface> surfaces,
        List<Opening> orphans,
        List<Construction> constructions,
        List<Layer> layers,
        List<Material> materials,
        List<Glazing> glazings,
        List<ReadNote> notes) {
      this(
          delivered,
          site,
          buildings,
          storeys,
          zones,
          spaces,
          surfaces,
          orphans,
          constructions,
          layers,
          materials,
          glazings,
          notes,
          List.of());
    }
  }

  private Envelope(Parts parts, Envelope like) {
    this.parts = parts;
    this.spaces =
        like != null && like.parts.spaces == parts.spaces
            ? like.spaces
            : index(parts.spaces, Space::key);
    this.surfaces = index(parts.surfaces, Surface::key);
    this.constructions =
        like != null && like.parts.constructions == parts.constructions
            ? like.constructions
            : index(parts.constructions, Construction::key);
  }

  private Map<String, Surface> parents() {
    Map<String, Surface> made = parents;
    if (made == null) {
      made = new HashMap<>();
      for (Surface s : parts.surfaces) {
        for (Opening o : s.openings()) {
          made.put(o.key(), s);
        }
      }
      parents = made;
    }
    return made;
  }

  public static Envelope of(Parts parts) {
    return new Envelope(parts, null);
  }

  private static <T> Map<String, T> index(List<T> list, Function<T, String> key) {
    Map<String, T> map = new HashMap<>(list.size() * 2);
    for (T t : list) {
      if (map.put(key.apply(t), t) != null) {
        throw new IllegalArgumentException("key used twice: " + key.apply(t));
      }
    }
    return map;
  }

  public Parts parts() {
    return parts;
  }

  public Delivered delivered() {
    return parts.delivered;
  }

  public Site site() {
    return parts.site;
  }

  public List<Building> buildings() {
    return parts.buildings;
  }

  public List<Storey> storeys() {
    return parts.storeys;
  }

  public List<Zone> zones() {
    return parts.zones;
  }

  public List<Space> spaces() {
    return parts.spaces;
  }

  public List<Surface> surfaces() {
    return parts.surfaces;
  }

  public List<Opening> orphans() {
    return parts.orphans;
  }

  public List<Construction> constructions() {
    return parts.constructions;
  }

  public List<Layer> layers() {
    return parts.layers;
  }

  public List<Material> materials() {
    return parts.materials;
  }

  public List<Glazing> glazings() {
    return parts.glazings;
  }

  public Schedules schedules() {
    return parts.schedules;
  }

  public List<Uncovered> uncovered() {
    return parts.uncovered;
  }

  public List<ReadNote> notes() {
    return parts.notes;
  }

  public Optional<Space> space(String key) {
    return Optional.ofNullable(spaces.get(key));
  }

  public Optional<Surface> surface(String key) {
    return Optional.ofNullable(surfaces.get(key));
  }

  public Optional<Construction> construction(String key) {
    return key == null ? Optional.empty() : Optional.ofNullable(constructions.get(key));
  }

  public Optional<Material> material(String key) {
    return find(parts.materials, Material::key, key);
  }

  public Optional<Glazing> glazing(String key) {
    return find(parts.glazings, Glazing::key, key);
  }

  /** Of what there are few, and which are asked for seldom: no index is kept of them. */
  private static <T> Optional<T> find(List<T> list, Function<T, String> keyOf, String key) {
    return list.stream().filter(t -> keyOf.apply(t).equals(key)).findFirst();
  }

  /** The surface that an opening lies in. */
  public Optional<Surface> parentOf(String opening) {
    return Optional.ofNullable(parents().get(opening));
  }

  public Optional<Opening> opening(String key) {
    Optional<Opening> inSurface =
        parentOf(key)
            .flatMap(s -> s.openings().stream().filter(o -> o.key().equals(key)).findFirst());
    return inSurface.isPresent()
        ? inSurface
        : parts.orphans.stream().filter(o -> o.key().equals(key)).findFirst();
  }

  public int openingCount() {
    int n = parts.orphans.size();
    for (Surface s : parts.surfaces) {
      n += s.openings().size();
    }
    return n;
  }

  /**
   * The id that a person finds in the delivered file for this key: the GlobalId for IFC, the id
   * itself for gbXML.
   */
  public String fileId(String key) {
    if (!parts.delivered.format().equals(Delivered.IFC)) {
      return key;
    }
    SourceRef source =
        space(key)
            .map(Space::source)
            .or(() -> surface(key).filter(s -> s.kind() != BoundaryKind.FACE).map(Surface::source))
            .or(() -> opening(key).map(Opening::source))
            .orElse(null);
    return source == null || source.id().isEmpty() ? key : source.id();
  }

  public Envelope withSurfaces(List<Surface> list) {
    return with(parts.spaces, list, parts.orphans, parts.notes);
  }

  public Envelope withSpaces(List<Space> list) {
    return with(list, parts.surfaces, parts.orphans, parts.notes);
  }

  public Envelope withNotes(List<ReadNote> list) {
    return with(parts.spaces, parts.surfaces, parts.orphans, list);
  }

  public Envelope withOrphans(List<Opening> list) {
    return with(parts.spaces, parts.surfaces, list, parts.notes);
  }

  public Envelope withSite(Site site) {
    return placed(site, parts.buildings);
  }

  public Envelope withBuildings(List<Building> buildings) {
    return placed(parts.site, buildings);
  }

  /** With other constructions, layers and materials. */
  public Envelope withConstructions(
      List<Construction> constructions, List<Layer> layers, List<Material> materials) {
    return thermal(parts.zones, constructions, layers, materials, parts.glazings);
  }

  public Envelope withGlazings(List<Glazing> list) {
    return thermal(parts.zones, parts.constructions, parts.layers, parts.materials, list);
  }

  public Envelope withZones(List<Zone> list) {
    return thermal(list, parts.constructions, parts.layers, parts.materials, parts.glazings);
  }

  public Envelope withSchedules(Schedules schedules) {
    return new Envelope(
        new Parts(
            parts.delivered,
            parts.site,
            parts.buildings,
            parts.storeys,
            parts.zones,
            parts.spaces,
            parts.surfaces,
            parts.orphans,
            parts.constructions,
            parts.layers,
            parts.materials,
            parts.glazings,
            parts.notes,
            parts.uncovered,
            schedules),
        this);
  }

  private Envelope thermal(
      List<Zone> zones,
      List<Construction> constructions,
      List<Layer> layers,
      List<Material> materials,
      List<Glazing> glazings) {
    return new Envelope(
        new Parts(
            parts.delivered,
            parts.site,
            parts.buildings,
            parts.storeys,
            zones,
            parts.spaces,
            parts.surfaces,
            parts.orphans,
            constructions,
            layers,
            materials,
            glazings,
            parts.notes,
            parts.uncovered,
            parts.schedules),
        this);
  }

  private Envelope placed(Site site, List<Building> buildings) {
    return new Envelope(
        new Parts(
            parts.delivered,
            site,
            buildings,
            parts.storeys,
            parts.zones,
            parts.spaces,
            parts.surfaces,
            parts.orphans,
            parts.constructions,
            parts.layers,
            parts.materials,
            parts.glazings,
            parts.notes,
            parts.uncovered,
            parts.schedules),
        this);
  }

  private Envelope with(List<Space> s, List<Surface> f, List<Opening> o, List<ReadNote> n) {
    return new Envelope(
        new Parts(
            parts.delivered,
            parts.site,
            parts.buildings,
            parts.storeys,
            parts.zones,
            s,
            f,
            o,
            parts.constructions,
            parts.layers,
            parts.materials,
            parts.glazings,
            n,
            parts.uncovered,
            parts.schedules),
        this);
  }

  /**
   * This envelope with everything moved.
   *
   * @param t a turn about a vertical axis and a shift
   * @param northAzimuth of the y axis from now on
   */
  public Envelope moved(Transform t, Double northAzimuth) {
    Site s = parts.site;
    Envelope e = mapped(p -> p.transformed(t), l -> l + t.origin().z(), x -> x, u -> u.moved(t));
    return e.withSite(
        new Site(s.name(), s.latitude(), s.longitude(), s.elevation(), northAzimuth, s.extras()));
  }

  /** This envelope with all lengths multiplied, and stated areas and volumes with them. */
  public Envelope scaled(double factor) {
    UnaryOperator<Vec3> grow = v -> v.times(factor);
    return mapped(
        p ->
            new Polygon(
                p.outer().stream().map(grow).toList(),
                p.holes().stream().map(h -> h.stream().map(grow).toList()).toList()),
        l -> l * factor,
        x ->
            x.withStated(
                x.statedFloorArea() == null ? null : x.statedFloorArea() * factor * factor,
                x.statedVolume() == null ? null : x.statedVolume() * factor * factor * factor),
        u -> u.scaled(factor));
  }

  private Envelope mapped(
      UnaryOperator<Polygon> change,
      UnaryOperator<Double> level,
      UnaryOperator<Space> stated,
      UnaryOperator<Uncovered> volumes) {
    UnaryOperator<Polygon> move = p -> p.outer().isEmpty() ? p : change.apply(p);
    UnaryOperator<Opening> opening = o -> o.withPolygon(move.apply(o.polygon()));
    return new Envelope(
        new Parts(
            parts.delivered,
            parts.site,
            parts.buildings,
            parts.storeys.stream()
                .map(x -> x.withLevel(x.level() == null ? null : level.apply(x.level())))
                .toList(),
            parts.zones,
            parts.spaces.stream()
                .map(x -> stated.apply(x.withShell(x.shell().stream().map(move).toList())))
                .toList(),
            parts.surfaces.stream()
                .map(
                    x ->
                        x.withPolygon(
                                move.apply(x.polygon()),
                                x.sides().stream()
                                    .map(
                                        side ->
                                            side.withFace(
                                                side.face() == null
                                                    ? null
                                                    : move.apply(side.face())))
                                    .toList())
                            .withOpenings(x.openings().stream().map(opening).toList()))
                .toList(),
            parts.orphans.stream().map(opening).toList(),
            parts.constructions,
            parts.layers,
            parts.materials,
            parts.glazings,
            parts.notes,
            parts.uncovered.stream().map(volumes).toList(),
            parts.schedules),
        this);
  }

  /**
   * This envelope without what is out: spaces are no longer anybody's neighbour, a surface whose
   * spaces are all out goes with them, and openings go with their surface.
   *
   * @param in says of a key whether it is in
   */
  public Envelope within(Predicate<String> in) {
    List<Surface> surfaces = new ArrayList<>();
    for (Surface s : parts.surfaces) {
      List<Side> sides = s.sides().stream().filter(x -> in.test(x.space())).toList();
      boolean bounded = s.sides().isEmpty() || !sides.isEmpty();
      if (in.test(s.key()) && bounded) {
        Surface kept = s.withOpenings(s.openings().stream().filter(o -> in.test(o.key())).toList());
        boolean turned = sides.size() < s.sides().size() && !sides.get(0).equals(s.sides().get(0));
        // what is left is drawn from the side of the space that is left
        surfaces.add(
            sides.size() == s.sides().size()
                ? kept
                : kept.withPolygon(turned ? s.face(1) : s.polygon(), sides));
      }
    }
    return withSpaces(parts.spaces.stream().filter(s -> in.test(s.key())).toList())
        .withSurfaces(surfaces)
        .withOrphans(parts.orphans.stream().filter(o -> in.test(o.key())).toList());
  }

  /** This envelope with one surface replaced in place. */
  public Envelope replacing(String key, UnaryOperator<Surface> change) {
    return withSurfaces(
        parts.surfaces.stream().map(s -> s.key().equals(key) ? change.apply(s) : s).toList());
  }

  /**
   * This envelope without a surface and its openings, and without what the reader noted about them.
   */
  public Envelope withoutSurface(String key) {
    Surface gone = surfaces.get(key);
    if (gone == null) {
      return this;
    }
    Envelope e = withSurfaces(parts.surfaces.stream().filter(s -> s != gone).toList());
    for (Opening o : gone.openings()) {
      e = e.withoutNotesOn(o.key(), o.source().id());
    }
    return e.withoutNotesOn(key, gone.source().id());
  }

  /** Drops notes on an object that is gone; an id used twice is then used once less. */
  public Envelope withoutNotesOn(String key, String id) {
    List<ReadNote> left =
        parts.notes.stream()
            .filter(n -> !n.object().equals(key))
            .filter(
                n ->
                    n.kind() != ReadNote.Kind.DUPLICATE_ID
                        || n.count() > 2
                        || !n.value().equals(id))
            .toList();
    return left.size() == parts.notes.size()
        ? this
        : with(parts.spaces, parts.surfaces, parts.orphans, left);
  }

  public Envelope plus(Surface surface) {
    List<Surface> list = new ArrayList<>(parts.surfaces);
    list.add(surface);
    return withSurfaces(list);
  }
}
