package yentra.core.scope;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.scope.Requirement.Need;
import yentra.core.scope.ScopeResult.Decision;
import yentra.core.scope.ScopeResult.Fault;
import yentra.core.scope.ScopeResult.Tally;

/** Applies a scope sheet to a model: every element is in or out, and says why. */
public final class ScopeRun {
  private final ScopeSheet sheet;
  private final ArchitecturalModel model;
  private final Matching matching;
  private final Map<ScopeRule, String> reasons = new HashMap<>();

  private ScopeRun(ScopeSheet sheet, ArchitecturalModel model) {
    this.sheet = sheet;
    this.model = model;
    this.matching = new Matching(model);
    for (ScopeRule r : sheet.rules()) {
      reasons.put(
          r,
          "row "
              + r.row()
              + ": "
              + r.selection().words()
              + (r.note().isBlank() ? "" : " (" + r.note() + ")"));
    }
  }

  /**
   * Applies the sheet.
   *
   * @param byHand decisions of a person by element key; they go before the sheet's
   */
  public static ScopeResult of(
      ScopeSheet sheet, ArchitecturalModel model, Map<String, HandDecision> byHand) {
    ScopeRun run = new ScopeRun(sheet, model);
    List<Decision> decisions =
        model.elements().parallelStream().map(e -> run.decide(e, byHand.get(e.key()))).toList();
    return run.requirements(decisions);
  }

  private Decision decide(Element e, HandDecision hand) {
    if (hand != null) {
      return new Decision(
          e, hand.in(), "by hand" + (hand.reason().isBlank() ? "" : ": " + hand.reason()), 0, true);
    }
    ScopeRule decided = null;
    for (ScopeRule r : sheet.rules()) {
      if (matching.fits(r.selection(), e)) {
        decided = r;
      }
    }
    return decided == null
        ? new Decision(
            e,
            sheet.othersIn(),
            sheet.rules().isEmpty() && sheet.name().isEmpty()
                ? "no scope sheet is applied"
                : "no rule of the sheet names it; the rest is " + (sheet.othersIn() ? "in" : "out"),
            0,
            false)
        : new Decision(e, decided.in(), reasons.get(decided), decided.row(), false);
  }

  private record Asked(List<Fault> faults, int[] asked, int[] met) {}

  private ScopeResult requirements(List<Decision> decisions) {
    List<Requirement> all = sheet.requirements();
    List<Element> subjects = new ArrayList<>();
    decisions.stream().filter(Decision::in).forEach(d -> subjects.add(d.element()));
    subjects.addAll(model.definitions());
    List<Asked> answers = subjects.parallelStream().map(this::ask).toList();
    int[] asked = new int[all.size()];
    int[] met = new int[all.size()];
    List<Fault> faults = new ArrayList<>();
    for (Asked a : answers) {
      faults.addAll(a.faults);
      for (int i = 0; i < all.size(); i++) {
        asked[i] += a.asked[i];
        met[i] += a.met[i];
      }
    }
    Map<Integer, Tally> tallies = new TreeMap<>();
    for (int i = 0; i < all.size(); i++) {
      Requirement r = all.get(i);
      if (r.need() == Need.EXISTS && asked[i] == 0 && r.isFor(model.schema())) {
        faults.add(new Fault(null, r, true, "", "there is no element of " + r.selection().words()));
      }
      tallies.put(r.row(), new Tally(asked[i], met[i]));
    }
    return new ScopeResult(decisions, faults, tallies);
  }

  private Asked ask(Element e) {
    List<Requirement> all = sheet.requirements();
    int[] asked = new int[all.size()];
    int[] met = new int[all.size()];
    List<Fault> faults = new ArrayList<>(0);
    for (int i = 0; i < all.size(); i++) {
      Requirement r = all.get(i);
      if (r.need() != Need.KEPT && r.isFor(model.schema()) && matching.fits(r.selection(), e)) {
        asked[i] = 1;
        Fault f = fault(r, e);
        if (f == null) {
          met[i] = 1;
        } else {
          faults.add(f);
        }
      }
    }
    return new Asked(faults, asked, met);
  }

  private Fault fault(Requirement r, Element e) {
    if (r.need() == Need.EXISTS) {
      return null;
    }
    if (r.need() == Need.ABSENT) {
      return new Fault(e, r, false, "", "such an element must not exist");
    }
    Matching.Outcome o = matching.check(r.what(), e);
    return switch (r.need()) {
      case PROHIBITED ->
          o.met() && o.present()
              ? new Fault(e, r, false, o.value(), r.what().words() + ", which is not allowed")
              : null;
      case OPTIONAL ->
          o.met() || !o.present() ? null : new Fault(e, r, false, o.value(), o.reason());
      default -> o.met() ? null : new Fault(e, r, !o.present(), o.value(), o.reason());
    };
  }

  /** Whether a property stays in the file when the sheet's result is written. */
  public static boolean keeps(ScopeSheet sheet, String set, String property) {
    if (sheet.othersKept()) {
      return true;
    }
    return sheet.requirements().stream()
        .filter(r -> r.what() != null && r.what().subject() == Condition.Subject.PROPERTY)
        .filter(r -> r.need() != Need.PROHIBITED)
        .anyMatch(
            r ->
                (r.what().set() == null || r.what().set().accepts(set))
                    && (r.what().name() == null || r.what().name().accepts(property)));
  }
}
