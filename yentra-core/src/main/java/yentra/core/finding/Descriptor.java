package yentra.core.finding;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * What a check is, and all that anybody else needs to know of it.
 *
 * @param code stable code of the catalogue
 * @param finds what it finds, a phrase
 * @param method how it measures, a sentence or two
 * @param why why it matters to a simulation, one sentence
 * @param limits what a project can set
 * @param follows what can be the cause of its findings
 * @param makes what its findings are the cause of, or null
 * @param together which of its findings are told as one
 * @param elsewhere where its findings are answered when no repair answers them, or null
 * @param compared how the limit stands to what was measured, for a sentence: "limit"
 * @param safe which of its remedies are safe, since the delivery itself determines their result, a
 *     phrase; empty when all that it offers needs a judgement
 */
public record Descriptor(
    String code,
    Severity severity,
    String finds,
    String method,
    String why,
    List<Limit> limits,
    Set<Cause> follows,
    Cause makes,
    Together together,
    Elsewhere elsewhere,
    String compared,
    String safe) {
  public Descriptor {
    limits = List.copyOf(limits);
    follows = Set.copyOf(follows);
  }

  /** One without ties to others; of spaces, places and units each finding stands for itself. */
  public Descriptor(
      String code, Severity severity, String finds, String method, String why, List<Limit> limits) {
    this(
        code,
        severity,
        finds,
        method,
        why,
        limits,
        Set.of(),
        null,
        List.of("SPC", "LOC", "UNI").contains(family(code)) ? Together.NONE : Together.ALL,
        null,
        "limit",
        "");
  }

  private static String family(String code) {
    return code.substring(0, Math.min(3, code.length()));
  }

  /**
   * The step of the job that its findings belong to, by the family of the code.
   *
   * @throws IllegalArgumentException when it is of no family of the catalogue
   */
  public Workspace workspace() {
    return Workspace.of(code);
  }

  public Descriptor following(Cause... causes) {
    Set<Cause> all = EnumSet.noneOf(Cause.class);
    all.addAll(Arrays.asList(causes));
    return with(all, makes, together, elsewhere, compared, safe);
  }

  public Descriptor making(Cause cause) {
    return with(follows, cause, together, elsewhere, compared, safe);
  }

  public Descriptor told(Together t) {
    return with(follows, makes, t, elsewhere, compared, safe);
  }

  public Descriptor answered(String label, Workspace workspace) {
    return answered(label, workspace, null);
  }

  public Descriptor answered(String label, Workspace workspace, String table) {
    return with(follows, makes, together, new Elsewhere(label, workspace, table), compared, safe);
  }

  public Descriptor comparing(String words) {
    return with(follows, makes, together, elsewhere, words, safe);
  }

  /** Which of its remedies are safe. */
  public Descriptor safely(String phrase) {
    return with(follows, makes, together, elsewhere, compared, phrase);
  }

  private Descriptor with(Set<Cause> f, Cause m, Together t, Elsewhere e, String c, String safely) {
    return new Descriptor(code, severity, finds, method, why, limits, f, m, t, e, c, safely);
  }

  /**
   * A limit by its name.
   *
   * @throws IllegalArgumentException when there is none
   */
  public Limit limit(String name) {
    return limits.stream()
        .filter(l -> l.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException(code + " has no limit " + name));
  }
}
