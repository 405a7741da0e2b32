package yentra.core.revision;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Vec3;
import yentra.core.library.DeliveredLibrary;
import yentra.core.library.Library;
import yentra.core.repair.Repair;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.repair.construction.GiveGlazing;
import yentra.core.repair.construction.GlazingSpec;
import yentra.core.repair.use.TakeRoomData;
import yentra.core.revision.Footprints.Footprint;

/**
 * What was said of one building, such as a drawing, offered to another of the same one, such as the
 * architect's model that comes later: uses and gains, zones with their set-points, and
 * constructions by the type of the surface. A space of the later one belongs to the one of the
 * former that it shares most of its air with, at least half of the smaller of both, by plan and
 * level.
 *
 * @param moved how far the former was moved to lie on the later, m; zero where both lie in one
 *     place as delivered
 * @param pairs the spaces of the later one that were recognised, in their order
 * @param left names of spaces of the former that nothing was recognised as
 * @param come names of spaces of the later that were not recognised
 * @param types what each type of surface would get
 * @param uses uses, conditions and gains of the spaces, or null when there is nothing to take
 * @param zones zones with their set-points, or null
 * @param constructions constructions and window types, or empty
 */
public record TakeOver(
    Vec3 moved,
    List<Pair> pairs,
    List<String> left,
    List<String> come,
    List<TypeChoice> types,
    TakeRoomData uses,
    TakeRoomData zones,
    List<Repair> constructions) {
  /** Sharing this much of the smaller volume, two spaces are one. */
  static final double SHARED = 0.5;

  /** Where this much of the smaller building is recognised, both lie in one place. */
  private static final double IN_PLACE = 0.5;

  public TakeOver {
    pairs = List.copyOf(pairs);
    left = List.copyOf(left);
    come = List.copyOf(come);
    types = List.copyOf(types);
    constructions = List.copyOf(constructions);
  }

  /**
   * A space that was recognised.
   *
   * @param space its key in the later building
   * @param from name in the former
   * @param share of the smaller volume that both have in common, 0 to 1
   */
  public record Pair(String space, String name, String from, double share) {}

  /**
   * What surfaces of one type get.
   *
   * @param type in words; empty for windows
   * @param construction its name
   * @param surfaces how many that have none
   */
  public record TypeChoice(String type, String construction, int surfaces) {}

  private record Found(Vec3 moved, Map<Footprint, Footprint> pairs, double common) {}

  /**
   * Holds one building against another.
   *
   * @param from what was said first, with the repairs in force
   * @param to what is to get it
   * @param source what to say of where constructions come from
   */
  public static TakeOver of(Envelope from, Envelope to, String source) {
    Footprints a = Footprints.of(from);
    Footprints b = Footprints.of(to);
    Found found = found(a, b, Vec3.ZERO);
    if (found.common < IN_PLACE * Math.min(a.volume(), b.volume())) {
      Found laid = found(a, b, b.corner().minus(a.corner()));
      found = laid.common > found.common ? laid : found;
    }
    List<Pair> pairs = new ArrayList<>();
    List<String> come = new ArrayList<>();
    Set<String> known = new HashSet<>();
    Map<String, Space> spaces = new HashMap<>();
    Map<String, Pair> of = new HashMap<>();
    found.pairs.forEach(
        (is, was) -> {
          known.add(was.space().key());
          spaces.put(is.space().key(), was.space());
          double share = is.common(was) / Math.min(is.volume(), was.volume());
          of.put(
              is.space().key(),
              new Pair(is.space().key(), is.space().name(), was.space().name(), share));
        });
    for (Space s : to.spaces()) {
      if (of.containsKey(s.key())) {
        pairs.add(of.get(s.key()));
      } else {
        come.add(s.name());
      }
    }
    List<String> left =
        from.spaces().stream().filter(s -> !known.contains(s.key())).map(Space::name).toList();
    List<TypeChoice> types = new ArrayList<>();
    List<Repair> constructions = constructions(from, to, source, types);
    return new TakeOver(
        found.moved,
        pairs,
        left,
        come,
        types,
        uses(to, spaces),
        zones(from, to, spaces),
        constructions);
  }

  private static Found found(Footprints a, Footprints b, Vec3 moved) {
    List<Footprint> former = a.moved(moved).all();
    Map<Footprint, Footprint> pairs = new HashMap<>();
    double all = 0;
    for (Footprint is : b.all()) {
      Footprint best = null;
      double most = 0;
      for (Footprint was : former) {
        double common = is.common(was);
        if (common > most && common >= SHARED * Math.min(is.volume(), was.volume())) {
          best = was;
          most = common;
        }
      }
      if (best != null) {
        pairs.put(is, best);
        all += most;
      }
    }
    return new Found(moved, pairs, all);
  }

  private static TakeRoomData uses(Envelope to, Map<String, Space> spaces) {
    List<TakeRoomData.Room> rooms = new ArrayList<>();
    for (Space s : to.spaces()) {
      Space was = spaces.get(s.key());
      if (was == null) {
        continue;
      }
      String use = other(was.use(), s.use());
      String condition = other(was.condition(), s.condition());
      // schedules are keys of one delivery, which mean nothing in another
      InternalGains gains = plain(was.gains());
      InternalGains differing = gains == null ? null : plain(gains.without(s.gains()));
      if (use != null || condition != null || differing != null) {
        rooms.add(
            new TakeRoomData.Room(
                s.key(), null, use, condition, null, null, null, null, differing));
      }
    }
    return rooms.isEmpty() ? null : new TakeRoomData(rooms);
  }

  /** Without schedules; null when nothing is said. */
  private static InternalGains plain(InternalGains g) {
    InternalGains plain =
        new InternalGains(
            g.people(),
            g.areaPerPerson(),
            g.sensiblePerPerson(),
            g.latentPerPerson(),
            g.lighting(),
            g.equipment());
    return plain.equals(InternalGains.NONE) ? null : plain;
  }

  private static String other(String said, String now) {
    return said == null || said.isEmpty() || said.equals(now) ? null : said;
  }

  private static TakeRoomData zones(Envelope from, Envelope to, Map<String, Space> spaces) {
    List<TakeRoomData.Room> rooms = new ArrayList<>();
    for (Space s : to.spaces()) {
      Space was = spaces.get(s.key());
      Optional<Zone> zone = was == null ? Optional.empty() : from.zone(was.zone());
      if (zone.isEmpty()) {
        continue;
      }
      Zone z = zone.get();
      Zone now = to.zone(s.zone()).orElse(null);
      boolean same =
          now != null
              && now.label().equals(z.label())
              && (z.heatingSetPoint() == null
                  || Objects.equals(z.heatingSetPoint(), now.heatingSetPoint()))
              && (z.coolingSetPoint() == null
                  || Objects.equals(z.coolingSetPoint(), now.coolingSetPoint()))
              && z.air().over(now.air()).equals(now.air());
      if (!same) {
        rooms.add(
            new TakeRoomData.Room(
                s.key(),
                null,
                null,
                null,
                z.label(),
                z.heatingSetPoint(),
                z.coolingSetPoint(),
                Zone.ZoneAir.NONE.equals(z.air()) ? null : z.air(),
                null));
      }
    }
    return rooms.isEmpty() ? null : new TakeRoomData(rooms);
  }

  /** By type the construction that most of its area has, for surfaces that have none. */
  private static List<Repair> constructions(
      Envelope from, Envelope to, String source, List<TypeChoice> types) {
    Library library = DeliveredLibrary.of(from, source);
    Map<SurfaceType, Map<String, Double>> areas = new TreeMap<>();
    Map<String, Double> panes = new TreeMap<>();
    for (Surface s : from.surfaces()) {
      from.construction(s.construction())
          .ifPresent(
              c ->
                  areas
                      .computeIfAbsent(s.type(), k -> new TreeMap<>())
                      .merge(c.label(), s.netArea(), Double::sum));
      s.openings()
          .forEach(
              o ->
                  from.glazing(o.glazing())
                      .ifPresent(g -> panes.merge(g.label(), o.polygon().area(), Double::sum)));
    }
    List<Repair> out = new ArrayList<>();
    areas.forEach(
        (type, named) ->
            library
                .construction(most(named))
                .ifPresent(
                    c -> {
                      List<String> without =
                          to.surfaces().stream()
                              .filter(s -> s.type() == type)
                              .filter(s -> to.construction(s.construction()).isEmpty())
                              .map(Surface::key)
                              .toList();
                      if (!without.isEmpty()) {
                        types.add(new TypeChoice(type.label(), c.name(), without.size()));
                        out.add(new GiveConstruction(without, ConstructionSpec.of(library, c)));
                      }
                    }));
    if (!panes.isEmpty()) {
      String name = most(panes);
      List<String> without = new ArrayList<>();
      to.surfaces()
          .forEach(
              s ->
                  s.openings().stream()
                      .filter(o -> o.type().isGlazed() && to.glazing(o.glazing()).isEmpty())
                      .forEach(o -> without.add(o.key())));
      library.glazings().stream()
          .filter(g -> g.name().equals(name) && !without.isEmpty())
          .findFirst()
          .ifPresent(
              g -> {
                types.add(new TypeChoice("", g.name(), without.size()));
                out.add(new GiveGlazing(without, GlazingSpec.of(g)));
              });
    }
    return out;
  }

  private static String most(Map<String, Double> areas) {
    return areas.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElseThrow();
  }
}
