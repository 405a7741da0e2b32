package yentra.core.check.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToIntFunction;
import yentra.core.check.increment.ChangeFinder;
import yentra.core.check.measure.Changes;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.finding.Finding;

/**
 * All findings of one state of an envelope, from which those of the next can be told without
 * looking at everything again.
 *
 * @param findings by code, then in the envelope's order of their objects
 */
public record CheckRun(CheckContext context, List<Finding> findings) {
  public CheckRun {
    findings = List.copyOf(findings);
  }

  /** Runs every check, in parallel where that pays. */
  public static CheckRun of(CheckContext context) {
    List<Finding> found =
        CheckCatalogue.checks().parallelStream()
            .flatMap(check -> run(check, context).stream())
            .toList();
    return new CheckRun(context, sorted(context.envelope(), found));
  }

  private static List<Finding> run(Check check, CheckContext context) {
    List<Finding> found = new ArrayList<>();
    check.run(context, found::add);
    return found;
  }

  /**
   * The findings after a change, which are those that a full run would give.
   *
   * @param changed another state of the same envelope
   */
  public CheckRun after(Envelope changed) {
    CheckContext next = context.after(changed, ChangeFinder::between);
    Changes changes = next.changes();
    if (changes.everything()) {
      return of(context.with(changed));
    }
    Map<String, List<Finding>> before = new HashMap<>();
    for (Finding f : findings) {
      before.computeIfAbsent(f.code(), k -> new ArrayList<>()).add(f);
    }
    List<Finding> found =
        CheckCatalogue.checks().parallelStream()
            .flatMap(
                check ->
                    (check instanceof LocalCheck c
                            ? again(c, next, before.getOrDefault(code(c), List.of()))
                            : run(check, next))
                        .stream())
            .toList();
    return new CheckRun(next, sorted(changed, found));
  }

  /**
   * What of an envelope differs from another state, itself or in what surrounds it.
   *
   * @param surfaces keys of those that changed, or whose spaces or near neighbours did
   * @param spaces keys of those that changed, or one of whose surfaces did
   * @param goneSurfaces keys of those that are no longer there
   */
  public record Touched(
      Set<String> surfaces,
      Set<String> spaces,
      List<String> goneSurfaces,
      List<String> goneSpaces) {}

  /** What differs from a state before; empty when so much does that it is not told in detail. */
  public Optional<Touched> since(CheckRun before) {
    Envelope old = before.context.envelope();
    Changes changes = context.changes();
    if (changes == null || !changes.isSince(old)) {
      changes = ChangeFinder.between(before.context, context);
    }
    if (changes.everything()) {
      return Optional.empty();
    }
    Envelope now = context.envelope();
    Set<String> surfaces = new HashSet<>();
    changes.within(farthest(context)).focus().list().forEach(s -> surfaces.add(s.key()));
    Set<String> spaces = new HashSet<>();
    changes.local().spaces().forEach(s -> spaces.add(s.key()));
    return Optional.of(
        new Touched(
            surfaces,
            spaces,
            changes.gone().stream()
                .map(Surface::key)
                .filter(k -> now.surface(k).isEmpty())
                .toList(),
            old.spaces().stream().map(Space::key).filter(k -> now.space(k).isEmpty()).toList()));
  }

  /** The reach of the check that looks farthest, in metres. */
  private static double farthest(CheckContext context) {
    double most = 0;
    for (Check c : CheckCatalogue.checks()) {
      most = c instanceof LocalCheck local ? Math.max(most, local.reach(context)) : most;
    }
    return most;
  }

  private static String code(Check check) {
    return check.descriptor().code();
  }

  private static List<Finding> again(LocalCheck check, CheckContext next, List<Finding> before) {
    Changes changes = next.changes();
    Changes.Reach reach = changes.within(check.reach(next));
    List<Finding> out = new ArrayList<>();
    for (Finding f : before) {
      if (f.objects().stream().noneMatch(reach.keys()::contains)) {
        out.add(f);
      }
    }
    check.run(next, reach.focus(), out::add);
    return out;
  }

  /** By code in the catalogue's order, then by the places of the objects, then by subject. */
  private static List<Finding> sorted(Envelope e, List<Finding> found) {
    Map<String, Integer> codes = new HashMap<>();
    CheckCatalogue.descriptors().forEach(d -> codes.put(d.code(), codes.size()));
    Set<String> asked = new HashSet<>();
    found.forEach(f -> asked.addAll(f.objects()));
    Map<String, Integer> places = new HashMap<>();
    int n = 0;
    for (Space s : e.spaces()) {
      n = place(s.key(), n, asked, places);
    }
    for (Surface s : e.surfaces()) {
      n = place(s.key(), n, asked, places);
      for (Opening o : s.openings()) {
        n = place(o.key(), n, asked, places);
      }
    }
    for (Opening o : e.orphans()) {
      n = place(o.key(), n, asked, places);
    }
    int none = n;
    ToIntFunction<String> at = k -> places.getOrDefault(k, none);
    List<Finding> out = new ArrayList<>(found);
    out.sort(
        Comparator.comparingInt((Finding f) -> codes.getOrDefault(f.code(), 0))
            .thenComparing((a, b) -> compare(a.objects(), b.objects(), at)));
    return out;
  }

  private static int place(String key, int n, Set<String> asked, Map<String, Integer> places) {
    if (asked.contains(key)) {
      places.put(key, n);
    }
    return n + 1;
  }

  private static int compare(List<String> a, List<String> b, ToIntFunction<String> at) {
    for (int i = 0; i < Math.min(a.size(), b.size()); i++) {
      int c = Integer.compare(at.applyAsInt(a.get(i)), at.applyAsInt(b.get(i)));
      if (c != 0) {
        return c;
      }
    }
    return 0;
  }
}
