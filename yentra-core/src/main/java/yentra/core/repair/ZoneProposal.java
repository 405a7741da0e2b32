package yentra.core.repair;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Zone;

/** Zones for spaces that are alike. */
public final class ZoneProposal {
  private static final double HEATING = 20;
  private static final double COOLING = 26;

  /** What spaces of one zone have in common, apart from being conditioned alike. */
  public enum By {
    USE,
    STOREY
  }

  private ZoneProposal() {}

  private static String condition(Space s) {
    return s.condition().isBlank() ? "" : ", " + GiveUse.said(s.condition());
  }

  private static String use(Space s) {
    return s.use().isBlank() ? "Other" : s.use();
  }

  /** One zone for each use and condition. */
  static Repair byUse(Envelope e, List<Space> spaces) {
    return of(e, spaces, s -> use(s) + condition(s));
  }

  /**
   * One zone for each combination of what is asked for, and of conditions.
   *
   * @param keys of spaces; all when empty
   */
  public static Repair of(Envelope e, List<String> keys, java.util.Set<By> by) {
    Map<String, String> storeys = new java.util.HashMap<>();
    for (Storey s : e.storeys()) {
      storeys.put(s.key(), s.name().isBlank() ? s.key() : s.name());
    }
    List<Space> spaces =
        e.spaces().stream().filter(s -> keys.isEmpty() || keys.contains(s.key())).toList();
    return of(
        e,
        spaces,
        s -> {
          List<String> name = new ArrayList<>();
          if (by.contains(By.STOREY)) {
            name.add(storeys.getOrDefault(String.valueOf(s.storey()), "No storey"));
          }
          if (by.contains(By.USE) || by.isEmpty()) {
            name.add(use(s));
          }
          return String.join(", ", name) + condition(s);
        });
  }

  /** The zone keeps its largest part; the others get zones of their own, with its set-points. */
  static Repair split(Envelope e, Zone z, List<Space> spaces) {
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
                z.coolingSetPoint()));
      }
    }
    return all.size() == 1 ? all.get(0) : new Several("Splits the zone " + z.label(), all);
  }

  private static Repair of(Envelope e, List<Space> spaces, Function<Space, String> name) {
    List<Repair> all = new ArrayList<>();
    groups(spaces, name)
        .forEach((n, keys) -> all.add(new GiveZone(keys, null, n, HEATING, COOLING)));
    return all.size() == 1 ? all.get(0) : new Several("Proposes zones", all);
  }

  private static Map<String, List<String>> groups(
      List<Space> spaces, Function<Space, String> name) {
    Map<String, List<String>> out = new LinkedHashMap<>();
    spaces.forEach(s -> out.computeIfAbsent(name.apply(s), k -> new ArrayList<>()).add(s.key()));
    return out;
  }
}
