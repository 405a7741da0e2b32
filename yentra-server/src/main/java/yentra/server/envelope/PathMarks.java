package yentra.server.envelope;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Workspace;
import yentra.server.decisions.Decisions;

/**
 * The figure and the mark of each workspace of the path. One rule for all: a tick says that nothing
 * is open there, that is no blocker, error or warning that nobody has accepted.
 */
public final class PathMarks {
  private final List<Finding> open;
  private final Map<Workspace, List<Finding>> byWorkspace = new EnumMap<>(Workspace.class);

  /**
   * @param findings all of them
   * @param known what people decided about them
   */
  PathMarks(List<Finding> findings, Decisions.Known known) {
    this.open =
        findings.stream().filter(f -> f.severity() != Severity.NOTE && known.isOpen(f)).toList();
    for (Workspace w : Workspace.values()) {
      byWorkspace.put(w, open.stream().filter(f -> Workspace.of(f.code()) == w).toList());
    }
  }

  List<EnvelopeViews.PathView> all(
      CheckContext context, EnvelopeViews.ScopeSummary scope, int revision) {
    List<Finding> intake = byWorkspace.get(Workspace.INTAKE);
    List<Finding> envelope = byWorkspace.get(Workspace.ENVELOPE);
    List<Finding> thermal = byWorkspace.get(Workspace.THERMAL);
    int loose = 0;
    for (SpaceVolume v : context.volumes().all()) {
      loose += v.enclosed() || context.groupings().containsKey(v.space().key()) ? 0 : 1;
    }
    boolean none = context.envelope().spaces().isEmpty();
    return List.of(
        mark(
            "intake",
            "Revision " + revision + (intake.isEmpty() ? "" : ", " + said(intake)),
            intake),
        scope(scope),
        mark(
            "envelope",
            none
                ? "No spaces"
                : loose > 0
                    ? loose + " not enclosed"
                    : envelope.isEmpty() ? "All enclosed" : said(envelope),
            envelope,
            none || loose > 0),
        mark("findings", open.isEmpty() ? "Nothing open" : said(open), open),
        context.envelope().surfaces().isEmpty()
            ? new EnvelopeViews.PathView("thermal", "No surfaces", "nothing")
            : mark("thermal", thermal(context, thermal), thermal),
        mark(
            "handover",
            none ? "No spaces" : open.isEmpty() ? "Ready" : said(open) + " open",
            open,
            none));
  }

  private EnvelopeViews.PathView scope(EnvelopeViews.ScopeSummary s) {
    List<Finding> found = byWorkspace.get(Workspace.SCOPE);
    if (s.faults() > 0) {
      return new EnvelopeViews.PathView(
          "scope", s.in() + " in, " + s.faults() + " not met", "open");
    }
    String text = s.elements() == 0 ? "Everything" : s.in() + " of " + s.elements() + " in";
    if (!found.isEmpty()) {
      return new EnvelopeViews.PathView("scope", text + ", " + said(found), "open");
    }
    return new EnvelopeViews.PathView(
        "scope", text, s.elements() == 0 || s.sheet() != null ? "clear" : "nothing");
  }

  private static String thermal(CheckContext context, List<Finding> found) {
    long without = found.stream().filter(f -> f.code().equals("THM-701")).count();
    if (without > 0) {
      return without + " unassigned";
    }
    if (found.stream().anyMatch(f -> f.code().equals("THM-711"))) {
      return "U-values not known";
    }
    if (!found.isEmpty()) {
      return said(found);
    }
    return "Constructions set";
  }

  /** The worst of them, counted: "3 blockers", "1 error". */
  private static String said(List<Finding> found) {
    for (Severity s : Severity.values()) {
      long n = found.stream().filter(f -> f.severity() == s).count();
      if (n > 0) {
        return n + " " + s.label() + (n == 1 ? "" : "s");
      }
    }
    return "nothing";
  }

  private static EnvelopeViews.PathView mark(String workspace, String text, List<Finding> found) {
    return mark(workspace, text, found, false);
  }

  private static EnvelopeViews.PathView mark(
      String workspace, String text, List<Finding> found, boolean also) {
    return new EnvelopeViews.PathView(workspace, text, found.isEmpty() && !also ? "clear" : "open");
  }
}
