package yentra.core.check.proposal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.Zone;
import yentra.core.library.Library;
import yentra.core.library.SpaceUse;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.core.repair.use.GiveUse;
import yentra.core.repair.use.GiveZone;

/** Zones for spaces that are alike. */
public final class ZoneProposal {
  /** Set-points of new zones (EN 16798-1:2019, category II offices; from memory), °C. */
  public static final double HEATING = 20;

  public static final double COOLING = 26;

  /** What spaces of one zone have in common, apart from being conditioned alike. */
  public enum By {
    USE,
    STOREY,
    /** Where most of their outdoor walls face; those without are inner ones. */
    FACING,
    /** Perimeter: with an outdoor wall, roof or exposed floor; core: without. */
    EXPOSURE
  }

  private static final String[] SIDES = {"North", "East", "South", "West"};

  private ZoneProposal() {}

  private static String condition(Space s) {
    return s.condition().isBlank() ? "" : ", " + GiveUse.said(s.condition());
  }

  private static String use(Space s) {
    return s.use().isBlank() ? "Other" : s.use();
  }

  /** One zone for each use and condition. */
  public static Repair byUse(Envelope e, List<Space> spaces) {
    return of(e, spaces, Library.shipped(), s -> use(s) + condition(s));
  }

  /**
   * One zone for each combination of what is asked for, and of conditions.
   *
   * @param keys of spaces; all when empty
   * @param uses what is typical of uses: set-points and outdoor air of zones of one use
   */
  public static Repair of(CheckContext context, List<String> keys, Set<By> by, Library uses) {
    Envelope e = context.envelope();
    Map<String, String> storeys = new HashMap<>();
    for (Storey s : e.storeys()) {
      storeys.put(s.key(), s.name().isBlank() ? s.key() : s.name());
    }
    Set<String> outer = by.contains(By.EXPOSURE) ? outer(e) : Set.of();
    Map<String, Integer> facing = by.contains(By.FACING) ? facing(context) : Map.of();
    List<Space> spaces =
        e.spaces().stream().filter(s -> keys.isEmpty() || keys.contains(s.key())).toList();
    return of(
        e,
        spaces,
        uses,
        s -> {
          List<String> name = new ArrayList<>();
          if (by.contains(By.STOREY)) {
            name.add(storeys.getOrDefault(String.valueOf(s.storey()), "No storey"));
          }
          if (by.contains(By.FACING)) {
            name.add(facing.containsKey(s.key()) ? SIDES[facing.get(s.key())] : "Inner");
          }
          if (by.contains(By.EXPOSURE)) {
            name.add(outer.contains(s.key()) ? "Perimeter" : "Core");
          }
          if (by.contains(By.USE) || by.isEmpty()) {
            name.add(use(s));
          }
          return String.join(", ", name) + condition(s);
        });
  }

  /** Keys of spaces that border on outdoor air. */
  private static Set<String> outer(Envelope e) {
    Set<String> out = new HashSet<>();
    for (Surface s : e.surfaces()) {
      if (s.type().isExterior() && !s.type().isGround()) {
        s.sides().forEach(x -> out.add(x.space()));
      }
    }
    return out;
  }

  /** The quarter of the compass that most outdoor wall of each space faces. */
  private static Map<String, Integer> facing(CheckContext context) {
    Map<String, double[]> areas = new HashMap<>();
    for (Surface s : context.envelope().surfaces()) {
      int octant = context.octant(s);
      if (octant >= 0 && !s.sides().isEmpty()) {
        areas
                .computeIfAbsent(s.sides().get(0).space(), k -> new double[SIDES.length])[
                (octant + 1) / 2 % SIDES.length] +=
            s.polygon().area();
      }
    }
    Map<String, Integer> out = new HashMap<>();
    areas.forEach(
        (space, a) -> {
          int best = 0;
          for (int i = 1; i < a.length; i++) {
            best = a[i] > a[best] ? i : best;
          }
          out.put(space, best);
        });
    return out;
  }

  /** The zone keeps its largest part; the others get zones of their own, with its set-points. */
  public static Repair split(Envelope e, Zone z, List<Space> spaces) {
    Map<String, List<String>> groups = groups(spaces, s -> use(s) + condition(s));
    String largest = null;
    for (Map.Entry<String, List<String>> g : groups.entrySet()) {
      if (largest == null || g.getValue().size() > groups.get(largest).size()) {
        largest = g.getKey();
      }
    }
    List<Repair> all = new ArrayList<>();
    for (Map.Entry<String, List<String>> g : groups.entrySet()) {
      if (!g.getKey().equals(largest)) {
        all.add(
            new GiveZone(
                g.getValue(),
                null,
                z.label() + ": " + g.getKey(),
                z.heatingSetPoint(),
                z.coolingSetPoint(),
                z.air()));
      }
    }
    return all.size() == 1 ? all.get(0) : new Several("Splits the zone " + z.label(), all);
  }

  private static Repair of(
      Envelope e, List<Space> spaces, Library uses, Function<Space, String> name) {
    List<Repair> all = new ArrayList<>();
    groups(spaces, name)
        .forEach(
            (n, keys) -> {
              String condition = e.space(keys.get(0)).map(Space::condition).orElse("");
              boolean none =
                  condition.equals("Unconditioned")
                      || condition.equals("Vented")
                      || condition.equals("NaturallyVentedOnly");
              SpaceUse use = use(e, keys, uses);
              double heating = use == null || use.heating() == null ? HEATING : use.heating();
              double cooling = use == null || use.cooling() == null ? COOLING : use.cooling();
              all.add(
                  new GiveZone(
                      keys,
                      null,
                      n,
                      none || condition.equals("Cooled") ? null : (Double) heating,
                      none || condition.equals("Heated") ? null : (Double) cooling,
                      use == null ? null : use.air()));
            });
    return all.size() == 1
        ? all.get(0)
        : new Several(
            "Puts "
                + spaces.size()
                + " spaces into "
                + all.size()
                + " zones (there are "
                + e.zones().size()
                + ")",
            all);
  }

  /** The use that all of these spaces have, when it is known; else null. */
  private static SpaceUse use(Envelope e, List<String> keys, Library uses) {
    Set<String> names = new HashSet<>();
    keys.forEach(k -> e.space(k).ifPresent(s -> names.add(s.use())));
    return names.size() == 1 ? uses.use(names.iterator().next()).orElse(null) : null;
  }

  private static Map<String, List<String>> groups(
      List<Space> spaces, Function<Space, String> name) {
    Map<String, List<String>> out = new LinkedHashMap<>();
    spaces.forEach(s -> out.computeIfAbsent(name.apply(s), k -> new ArrayList<>()).add(s.key()));
    return out;
  }
}
