package yentra.core.envelope;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import yentra.core.geometry.Transform;

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
  private final SurfacePlaces surfaces;
  private final Map<String, Construction> constructions;
  private final KeyIndex<Storey> storeys;
  private final KeyIndex<Zone> zones;
  private final KeyIndex<Material> materials;
  private final KeyIndex<Glazing> glazings;

  /**
   * The lists an envelope is made of. {@code orphans} are openings that lie in no surface, {@code
   * uncovered} enclosed volumes that no space covers.
   */
  @RecordBuilder
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
      Schedules schedules)
      implements EnvelopePartsBuilder.With {
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

    /** Nothing but where it comes from and where it stands. */
    public static Parts of(Delivered delivered, Site site) {
      return new Parts(
          delivered,
          site,
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          Schedules.NONE);
    }
  }

  private Envelope(Parts parts, Envelope like) {
    this(
        parts,
        like,
        like != null && like.parts.surfaces == parts.surfaces
            ? like.surfaces
            : SurfacePlaces.of(parts.surfaces));
  }

  private Envelope(Parts parts, Envelope like, SurfacePlaces surfaces) {
    this.parts = parts;
    this.spaces =
        like != null && like.parts.spaces == parts.spaces
            ? like.spaces
            : index(parts.spaces, Space::key);
    this.surfaces = surfaces;
    this.constructions =
        like != null && like.parts.constructions == parts.constructions
            ? like.constructions
            : index(parts.constructions, Construction::key);
    this.storeys = KeyIndex.of(parts.storeys, Storey::key, like == null ? null : like.storeys);
    this.zones = KeyIndex.of(parts.zones, Zone::key, like == null ? null : like.zones);
    this.materials =
        KeyIndex.of(parts.materials, Material::key, like == null ? null : like.materials);
    this.glazings = KeyIndex.of(parts.glazings, Glazing::key, like == null ? null : like.glazings);
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
    return surfaces.surface(key);
  }

  public Optional<Construction> construction(String key) {
    return key == null ? Optional.empty() : Optional.ofNullable(constructions.get(key));
  }

  public Optional<Storey> storey(String key) {
    return storeys.get(key);
  }

  public Optional<Zone> zone(String key) {
    return zones.get(key);
  }

  public Optional<Material> material(String key) {
    return materials.get(key);
  }

  public Optional<Glazing> glazing(String key) {
    return glazings.get(key);
  }

  /** The surface that an opening lies in. */
  public Optional<Surface> parentOf(String opening) {
    return surfaces.parentOf(opening);
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

  private Envelope with(Parts changed) {
    return new Envelope(changed, this);
  }

  public Envelope withSurfaces(List<Surface> list) {
    return with(parts.withSurfaces(list));
  }

  public Envelope withSpaces(List<Space> list) {
    return with(parts.withSpaces(list));
  }

  public Envelope withNotes(List<ReadNote> list) {
    return with(parts.withNotes(list));
  }

  public Envelope withOrphans(List<Opening> list) {
    return with(parts.withOrphans(list));
  }

  public Envelope withSite(Site site) {
    return with(parts.withSite(site));
  }

  public Envelope withBuildings(List<Building> buildings) {
    return with(parts.withBuildings(buildings));
  }

  /** With other constructions, layers and materials. */
  public Envelope withConstructions(
      List<Construction> constructions, List<Layer> layers, List<Material> materials) {
    return with(
        parts.with().constructions(constructions).layers(layers).materials(materials).build());
  }

  public Envelope withGlazings(List<Glazing> list) {
    return with(parts.withGlazings(list));
  }

  public Envelope withZones(List<Zone> list) {
    return with(parts.withZones(list));
  }

  public Envelope withSchedules(Schedules schedules) {
    return with(parts.withSchedules(schedules));
  }

  /**
   * This envelope with everything moved.
   *
   * @param t a turn about a vertical axis and a shift
   * @param northAzimuth of the y axis from now on
   */
  public Envelope moved(Transform t, Double northAzimuth) {
    return with(EnvelopeShift.moved(parts, t, northAzimuth));
  }

  /** This envelope with all lengths multiplied, and stated areas and volumes with them. */
  public Envelope scaled(double factor) {
    return with(EnvelopeShift.scaled(parts, factor));
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
    Surface old = surface(key).orElse(null);
    if (old == null) {
      return this;
    }
    Surface now = change.apply(old);
    Parts changed = parts.withSurfaces(surfaces.replaced(old, now));
    return new Envelope(changed, this, surfaces.after(changed.surfaces, old, now));
  }

  /**
   * This envelope without a surface and its openings, and without what the reader noted about them.
   */
  public Envelope withoutSurface(String key) {
    Surface gone = surface(key).orElse(null);
    if (gone == null) {
      return this;
    }
    Parts changed = parts.withSurfaces(surfaces.listWithout(gone));
    Envelope e = new Envelope(changed, this, surfaces.without(changed.surfaces, gone));
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
    return left.size() == parts.notes.size() ? this : withNotes(left);
  }

  public Envelope plus(Surface surface) {
    List<Surface> list = new ArrayList<>(parts.surfaces);
    list.add(surface);
    return withSurfaces(list);
  }
}
