package yentra.core.check.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import yentra.core.check.rule.FileNotes;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Member;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Severity;

/**
 * Findings by their cause: one cause is one group, with its symptoms in it; and faults of one kind
 * with one object behind them are one group as well. Which check is the cause of which, and what is
 * told together, its descriptor says. Every finding is in exactly one group.
 */
public final class FindingGroups {
  private final Envelope envelope;
  private final Map<FindingId, Finding> byId = new LinkedHashMap<>();
  private final Map<String, Descriptor> checks = new HashMap<>();

  /**
   * A group.
   *
   * @param key the same in every run
   * @param code of the first member
   * @param severity of the worst finding in it
   * @param title the cause, or what its members have in common
   * @param cause the finding that the others follow from, or null when they are alike
   * @param members all findings in it, the cause first
   */
  public record Group(
      String key,
      String code,
      Severity severity,
      String title,
      FindingId cause,
      List<FindingId> members) {
    public Group {
      members = List.copyOf(members);
    }
  }

  private FindingGroups(Envelope envelope, List<Finding> findings) {
    this.envelope = envelope;
    findings.forEach(f -> byId.putIfAbsent(f.id(), f));
    CheckCatalogue.descriptors().forEach(d -> checks.put(d.code(), d));
  }

  /** The groups, worst first, each where its first member stands in the list. */
  public static List<Group> of(Envelope e, List<Finding> findings) {
    return new FindingGroups(e, findings).groups();
  }

  private List<Group> groups() {
    Map<FindingId, FindingId> causes = causes();
    Set<FindingId> makers = new HashSet<>(causes.values());
    Map<String, List<Finding>> members = new LinkedHashMap<>();
    for (Map.Entry<FindingId, Finding> f : byId.entrySet()) {
      FindingId cause = causes.get(f.getKey());
      boolean isCause = makers.contains(f.getKey());
      String key =
          cause != null ? cause.toString() : isCause ? f.getKey().toString() : alike(f.getValue());
      List<Finding> list = members.computeIfAbsent(key, k -> new ArrayList<>());
      list.add(isCause && cause == null ? 0 : list.size(), f.getValue());
    }
    List<Group> out = new ArrayList<>();
    members.forEach((key, list) -> out.add(group(key, list, makers)));
    out.sort(Comparator.comparing(Group::severity));
    return out;
  }

  private Group group(String key, List<Finding> list, Set<FindingId> makers) {
    Finding first = list.get(0);
    boolean one = list.size() == 1;
    boolean caused = !one && makers.contains(first.id());
    Severity worst =
        list.stream().map(Finding::severity).min(Comparator.naturalOrder()).orElseThrow();
    return new Group(
        key,
        first.code(),
        worst,
        caused || one ? first.message() : list.size() + " times: " + finds(first.code()),
        caused ? first.id() : null,
        list.stream().map(Finding::id).toList());
  }

  private String finds(String code) {
    return checks.containsKey(code) ? checks.get(code).finds() : code;
  }

  /** What a finding is told together with, where it follows from none. */
  private String alike(Finding f) {
    Descriptor d = checks.get(f.code());
    return d == null
        ? f.code()
        : switch (d.together()) {
          case ALL -> f.code();
          case NONE -> f.id().toString();
          case SUBJECT -> f.code() + "|" + f.subject();
          case SHARED_OBJECT -> f.code() + (f.objects().isEmpty() ? "" : "|" + shared(f));
        };
  }

  /** The last object that is no surface or opening: the construction, layer or zone. */
  private String shared(Finding f) {
    return f.objects().stream()
        .filter(k -> envelope.surface(k).isEmpty() && envelope.opening(k).isEmpty())
        .reduce((a, b) -> b)
        .orElse("");
  }

  /** Which finding follows from which other one. */
  private Map<FindingId, FindingId> causes() {
    Map<Cause, Map<String, Finding>> made = made();
    Map<FindingId, FindingId> out = new HashMap<>();
    byId.forEach(
        (id, f) -> {
          Finding cause = cause(f, made);
          if (cause != null && !out.containsKey(cause.id())) {
            out.put(id, cause.id());
          }
        });
    return out;
  }

  private Finding cause(Finding f, Map<Cause, Map<String, Finding>> made) {
    Descriptor d = checks.get(f.code());
    for (Cause c : Cause.values()) {
      if (d == null || !d.follows().contains(c) || !made.containsKey(c)) {
        continue;
      }
      for (String place : places(f, c)) {
        Finding found = made.get(c).get(place);
        if (found != null && found != f) {
          return found;
        }
      }
    }
    return null;
  }

  /** The first finding that makes each cause, by where it holds. */
  private Map<Cause, Map<String, Finding>> made() {
    Map<Cause, Map<String, Finding>> out = new EnumMap<>(Cause.class);
    Map<String, Finding> subjects = new HashMap<>();
    Set<String> neighbours = new HashSet<>();
    for (ReadNote n : envelope.notes()) {
      if (n.member() == Member.SPACE) {
        neighbours.add(FileNotes.subject(n));
      }
    }
    for (Finding f : byId.values()) {
      Cause c = checks.containsKey(f.code()) ? checks.get(f.code()).makes() : null;
      if (c == null || c == Cause.MISSING_SPACE && !neighbours.contains(f.subject())) {
        continue;
      }
      // all that look for the same neighbour follow from the first that does
      Finding first = c == Cause.MISSING_SPACE ? subjects.computeIfAbsent(f.subject(), k -> f) : f;
      Map<String, Finding> at = out.computeIfAbsent(c, k -> new HashMap<>());
      places(f, c).forEach(p -> at.putIfAbsent(p, first));
    }
    return out;
  }

  /** Where a finding is, as far as a cause is concerned. */
  private Set<String> places(Finding f, Cause c) {
    return switch (c.reach()) {
      case BUILDING -> Set.of("");
      case SURFACE -> f.objects().isEmpty() ? Set.of() : Set.of(f.objects().get(0));
      case SPACES -> spaces(f);
    };
  }

  private Set<String> spaces(Finding f) {
    Set<String> out = new TreeSet<>();
    for (String key : f.objects()) {
      if (envelope.space(key).isPresent()) {
        out.add(key);
      }
      envelope
          .surface(key)
          .or(() -> envelope.parentOf(key))
          .map(Surface::sides)
          .ifPresent(sides -> sides.stream().map(Side::space).forEach(out::add));
    }
    return out;
  }
}
