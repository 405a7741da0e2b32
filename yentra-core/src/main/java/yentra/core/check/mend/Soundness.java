package yentra.core.check.mend;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Severity;

/**
 * Whether a state is better than the one before it: what was to be answered is answered, nothing
 * that matters has come, no space fell open, no opening was lost, and no space that was sound has
 * another volume.
 */
final class Soundness {
  /** By how much the volume of a sound space may change, as a share. */
  private static final double VOLUME = 1e-3;

  /** No construction, no window type. */
  private static final Set<String> QUESTIONS = Set.of("THM-701", "THM-707");

  private static final Set<String> GEOMETRIC = Set.of("GEO", "SPC", "ADJ", "OPN");

  private Soundness() {}

  /**
   * Why a state is not to be taken; null when it is sound.
   *
   * @param answered the findings that what was done between the two was for
   */
  static String fault(CheckRun before, CheckRun after, List<Finding> answered) {
    Set<FindingId> left = new HashSet<>();
    after.findings().forEach(f -> left.add(f.id()));
    for (Finding f : answered) {
      if (left.contains(f.id())) {
        return "It does not answer the finding.";
      }
    }
    String added = added(before, after);
    if (added != null) {
      return added;
    }
    Set<String> about = new HashSet<>();
    answered.forEach(f -> about.addAll(f.objects()));
    String space = spaces(before, after, about);
    return space != null ? space : openings(before, after, about);
  }

  private static String added(CheckRun before, CheckRun after) {
    Set<FindingId> known = new HashSet<>();
    before.findings().forEach(f -> known.add(f.id()));
    Map<String, Long> were = openSpaces(before);
    Map<String, Long> are = openSpaces(after);
    for (Finding f : after.findings()) {
      if (known.contains(f.id())
          || !matters(f)
          || isAsked(before, f)
          || isLess(were, are, f)
          || isUncovered(before, after, f)) {
        continue;
      }
      return "It would bring " + f.code() + ": " + f.message();
    }
    return null;
  }

  /** Findings that a step must not bring. */
  private static boolean matters(Finding f) {
    boolean geometric = GEOMETRIC.contains(f.code().substring(0, 3));
    return f.severity() == Severity.BLOCKER
        || f.severity() == Severity.ERROR
        || geometric && f.severity() == Severity.WARNING;
  }

  /**
   * What a surface that was made, or an opening that was put into one, is built of is a question
   * that comes with it, no fault of what was done.
   */
  private static boolean isAsked(CheckRun before, Finding f) {
    Envelope e = before.context().envelope();
    String about = f.objects().isEmpty() ? "" : f.objects().get(0);
    return QUESTIONS.contains(f.code())
        && e.surface(about).isEmpty()
        && e.parentOf(about).isEmpty();
  }

  /**
   * A warning or an error about surfaces that were left as they were, of spaces that were open and
   * are closed now: which way they face, what they see and what stands before them could not be
   * told before. It is no fault of what was done, and answered after it.
   */
  private static boolean isUncovered(CheckRun before, CheckRun after, Finding f) {
    Envelope e = before.context().envelope();
    Envelope then = after.context().envelope();
    return f.severity() != Severity.BLOCKER
        && !f.objects().isEmpty()
        && f.objects().stream()
            .allMatch(
                k -> {
                  Surface s = e.surface(k).orElse(null);
                  return s != null
                      && then.surface(k).filter(x -> x == s).isPresent()
                      && s.sides().stream()
                          .anyMatch(x -> isOpen(before, x.space()) && !isOpen(after, x.space()));
                });
  }

  private static boolean isOpen(CheckRun run, String space) {
    SpaceVolume v = run.context().volumes().of(space);
    return v != null && !v.enclosed();
  }

  /** Of a space with several holes one less is no new hole. */
  private static boolean isLess(Map<String, Long> were, Map<String, Long> are, Finding f) {
    return f.code().equals("SPC-401")
        && f.objects().stream().anyMatch(were::containsKey)
        && f.objects().stream().allMatch(k -> are.getOrDefault(k, 0L) <= were.getOrDefault(k, 0L));
  }

  private static Map<String, Long> openSpaces(CheckRun run) {
    Map<String, Long> out = new HashMap<>();
    run.findings().stream()
        .filter(f -> f.code().equals("SPC-401"))
        .forEach(f -> f.objects().forEach(k -> out.merge(k, 1L, Long::sum)));
    return out;
  }

  private static String spaces(CheckRun before, CheckRun after, Set<String> about) {
    Map<String, SpaceVolume> now = new HashMap<>();
    after.context().volumes().all().forEach(v -> now.put(v.space().key(), v));
    Set<String> concerned = concerned(before.context().envelope(), about);
    for (SpaceVolume v : before.context().volumes().all()) {
      SpaceVolume w = now.get(v.space().key());
      if (w == null || w == v || !v.enclosed()) {
        continue;
      }
      if (!w.enclosed()) {
        return "It would open " + v.space().label() + ".";
      }
      boolean sound = !concerned.contains(v.space().key());
      if (sound && Math.abs(w.volume() - v.volume()) > VOLUME * v.volume()) {
        return "It would change the volume of " + v.space().label() + ".";
      }
    }
    return null;
  }

  /** Spaces that findings are about, or whose surfaces or openings they are about. */
  private static Set<String> concerned(Envelope e, Set<String> about) {
    Set<String> out = new HashSet<>(about);
    for (String k : about) {
      e.surface(k)
          .or(() -> e.parentOf(k))
          .ifPresent(s -> s.sides().forEach(x -> out.add(x.space())));
    }
    // a finding about the whole model, such as its unit, is about all of them
    if (about.isEmpty()) {
      e.spaces().forEach(s -> out.add(s.key()));
    }
    return out;
  }

  private static String openings(CheckRun before, CheckRun after, Set<String> about) {
    Envelope then = after.context().envelope();
    for (Surface s : before.context().envelope().surfaces()) {
      for (Opening o : s.openings()) {
        if (!about.contains(o.key()) && then.opening(o.key()).isEmpty()) {
          return "It would lose the opening " + o.key() + ".";
        }
      }
    }
    return null;
  }
}
