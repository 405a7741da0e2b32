package yentra.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;

/**
 * Findings by their cause: one cause is one group, with its symptoms in it. A wrong unit stands for
 * all sizes that it makes implausible, a reversed shell for its reversed surfaces, a missing
 * neighbour for the surfaces that look for it, a hole for what follows from it; and faults of one
 * kind with one object behind them are one group as well. Every finding is in exactly one group.
 */
public final class FindingGroups {
  /** What a wrong unit makes of a model: implausible sizes, and distances beyond every limit. */
  private static final Set<String> SIZES =
      Set.of(
          "GEO-301", "GEO-302", "GEO-304", "GEO-305", "GEO-307", "GEO-308", "SPC-401", "SPC-403",
          "SPC-404", "SPC-405", "SPC-407", "SPC-408", "SPC-410", "ADJ-503", "ADJ-505", "ADJ-508",
          "OPN-601", "OPN-602", "OPN-603", "OPN-608", "UNI-203");

  /** What follows from a shell that is inside out. */
  private static final Set<String> TURNED = Set.of("ADJ-504", "ADJ-506", "SPC-403", "SPC-410");

  /** What follows from a hole in a space. */
  private static final Set<String> OPEN = Set.of("SPC-403", "SPC-410", "ADJ-506", "ADJ-508");

  /** What follows from a material, layer or construction: told of it, not of each surface. */
  private static final Set<String> SHARED =
      Set.of(
          "THM-702", "THM-703", "THM-704", "THM-705", "THM-706", "THM-708", "THM-710", "USE-904");

  private FindingGroups() {}

  /**
   * A group.
   *
   * @param key the same in every run
   * @param severity of the worst finding in it
   * @param title the cause, or what its members have in common
   * @param cause id of the finding that the others follow from, or null when they are alike
   * @param members ids of all findings in it, the cause first
   */
  public record Group(
      String key, Severity severity, String title, String cause, List<String> members) {
    public Group {
      members = List.copyOf(members);
    }
  }

  /** The groups, worst first, each where its first member stands in the list. */
  public static List<Group> of(Envelope e, List<Finding> findings) {
    Map<String, Finding> byId = new LinkedHashMap<>();
    findings.forEach(f -> byId.putIfAbsent(f.id(), f));
    Map<String, String> causes = causes(e, byId);
    Map<String, List<Finding>> members = new LinkedHashMap<>();
    for (Finding f : byId.values()) {
      String cause = causes.get(f.id());
      boolean isCause = causes.containsValue(f.id());
      String key = cause != null ? cause : isCause ? f.id() : alike(e, f);
      List<Finding> list = members.computeIfAbsent(key, k -> new ArrayList<>());
      list.add(isCause && cause == null ? 0 : list.size(), f);
    }
    List<Group> out = new ArrayList<>();
    members.forEach((key, list) -> out.add(group(key, list, byId)));
    out.sort(Comparator.comparing(Group::severity));
    return out;
  }

  private static Group group(String key, List<Finding> list, Map<String, Finding> byId) {
    Finding cause = byId.get(key);
    Severity worst =
        list.stream().map(Finding::severity).min(Comparator.naturalOrder()).orElseThrow();
    boolean one = list.size() == 1;
    String title =
        cause != null || one
            ? list.get(0).message()
            : list.size() + " times: " + finds(list.get(0).code());
    return new Group(
        key,
        worst,
        title,
        cause == null || one ? null : key,
        list.stream().map(Finding::id).toList());
  }

  private static String finds(String code) {
    return CheckCatalogue.descriptors().stream()
        .filter(d -> d.code().equals(code))
        .findFirst()
        .map(Descriptor::finds)
        .orElse(code);
  }

  /** Faults of one kind; those that have an object in common by that object. */
  private static String alike(Envelope e, Finding f) {
    String what = f.code();
    if (SHARED.contains(what) && !f.objects().isEmpty()) {
      // told of the last object that is no surface or opening: the construction, layer or zone
      String shared =
          f.objects().stream()
              .filter(k -> e.surface(k).isEmpty() && e.opening(k).isEmpty())
              .reduce((a, b) -> b)
              .orElse("");
      return what + "|" + shared;
    }
    if (what.startsWith("FMT-104")) {
      return what + "|" + f.subject();
    }
    if (what.startsWith("SPC-4") || what.startsWith("LOC") || what.startsWith("UNI")) {
      // each space, place and unit is a matter of its own
      return f.id();
    }
    return what;
  }

  /** Which finding follows from which other one. */
  private static Map<String, String> causes(Envelope e, Map<String, Finding> byId) {
    Map<String, String> out = new HashMap<>();
    Finding unit = first(byId, "UNI-202");
    Map<String, Finding> turned = bySpace(byId, "SPC-409");
    Map<String, Finding> open = bySpace(byId, "SPC-401");
    Map<String, Finding> bare = bySpace(byId, "SPC-402");
    Map<String, Finding> missing = missingSpaces(byId);
    Map<String, Finding> uncovered = uncovered(byId);
    for (Finding f : byId.values()) {
      Set<String> spaces = spaces(e, f);
      Finding cause = null;
      if (unit != null && SIZES.contains(f.code())) {
        cause = unit;
      }
      if (cause == null && TURNED.contains(f.code())) {
        cause = any(turned, spaces, f);
      }
      if (cause == null && OPEN.contains(f.code())) {
        cause = any(open, spaces, f);
      }
      if (cause == null && f.code().equals("ADJ-501")) {
        cause = missing.get(f.objects().isEmpty() ? "" : f.objects().get(0));
        if (cause == null) {
          cause = any(uncovered, spaces, f);
        }
      }
      if (cause == null && (f.code().equals("SRC-107") || f.code().equals("SPC-403"))) {
        cause = any(bare, spaces, f);
      }
      if (cause != null && cause != f && !out.containsKey(cause.id())) {
        out.put(f.id(), cause.id());
      }
    }
    return out;
  }

  private static Finding first(Map<String, Finding> byId, String code) {
    return byId.values().stream().filter(f -> f.code().equals(code)).findFirst().orElse(null);
  }

  private static Finding any(Map<String, Finding> causes, Set<String> spaces, Finding of) {
    for (String s : spaces) {
      Finding c = causes.get(s);
      if (c != null && c != of) {
        return c;
      }
    }
    return null;
  }

  /** The first finding of a code about each space. */
  private static Map<String, Finding> bySpace(Map<String, Finding> byId, String code) {
    Map<String, Finding> out = new HashMap<>();
    for (Finding f : byId.values()) {
      if (f.code().equals(code) && !f.objects().isEmpty()) {
        out.putIfAbsent(f.objects().get(0), f);
      }
    }
    return out;
  }

  /** Surfaces whose neighbour the file does not define, with the first that names the same one. */
  private static Map<String, Finding> missingSpaces(Map<String, Finding> byId) {
    Map<String, Finding> first = new HashMap<>();
    Map<String, Finding> out = new HashMap<>();
    for (Finding f : byId.values()) {
      if (f.code().equals("FMT-104") && f.subject().startsWith("spaceIdRef=")) {
        Finding c = first.computeIfAbsent(f.subject(), k -> f);
        f.objects().stream().findFirst().ifPresent(s -> out.put(s, c));
      }
    }
    return out;
  }

  /** Spaces around an enclosed volume that none covers. */
  private static Map<String, Finding> uncovered(Map<String, Finding> byId) {
    Map<String, Finding> out = new HashMap<>();
    for (Finding f : byId.values()) {
      if (f.code().equals("SPC-408")) {
        f.objects().forEach(s -> out.putIfAbsent(s, f));
      }
    }
    return out;
  }

  private static Set<String> spaces(Envelope e, Finding f) {
    Set<String> out = new TreeSet<>();
    for (String key : f.objects()) {
      if (e.space(key).isPresent()) {
        out.add(key);
      }
      e.surface(key)
          .or(() -> e.parentOf(key))
          .map(Surface::sides)
          .ifPresent(sides -> sides.stream().map(Side::space).forEach(out::add));
    }
    return out;
  }
}
