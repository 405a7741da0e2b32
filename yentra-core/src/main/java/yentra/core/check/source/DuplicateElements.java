package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ModelSurvey;
import yentra.core.check.rule.Check;
import yentra.core.envelope.Surface;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.finding.Workspace;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;

/**
 * SRC-101: duplicate elements. Elements of one class whose bodies fill the same place: the common
 * volume as a share of the larger one.
 */
@AutoService(Check.class)
public final class DuplicateElements implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SRC-101",
              Severity.ERROR,
              "duplicate elements: same class, same place",
              "Elements of one class whose bodies fill the same place: the common volume as a share of the larger one.",
              "Boundaries are made twice, and areas and layers are counted twice.",
              List.of(new Limit("share", "ratio", 0.95, 0.5, 1)))
          .answered("Put one of them out of scope", Workspace.SCOPE, "elements");

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "share");
    List<ModelSurvey.Twin> twins =
        context.survey().twins().stream().filter(t -> t.share() >= limit).toList();
    if (twins.isEmpty()) {
      return;
    }
    Merits merits = new Merits(context);
    for (ModelSurvey.Twin t : twins) {
      boolean second = merits.of(t.b()).worth() > merits.of(t.a()).worth();
      Element better = second ? t.b() : t.a();
      Element other = second ? t.a() : t.b();
      report.accept(
          context
              .finding(DESCRIPTOR, better.key(), other.key())
              .at(other.source())
              .measured(t.share(), limit, "ratio")
              .evidence(Evidence.areas(context.survey().model().body(other).faces()))
              .says(
                  better.entity()
                      + " "
                      + better.label()
                      + merits.of(better).words()
                      + " and "
                      + other.label()
                      + merits.of(other).words()
                      + " fill the same place ("
                      + Text.percent(t.share() * 100)
                      + " in common)."));
    }
  }

  /** What speaks for keeping an element: boundaries and openings, then materials. */
  private record Merit(int boundaries, int openings, boolean materials) {
    int worth() {
      return 4 * boundaries + 2 * openings + (materials ? 1 : 0);
    }

    String words() {
      List<String> has = new ArrayList<>();
      if (boundaries > 0) {
        has.add(boundaries + (boundaries == 1 ? " boundary" : " boundaries"));
      }
      if (openings > 0) {
        has.add(openings + (openings == 1 ? " opening" : " openings"));
      }
      if (materials) {
        has.add("materials");
      }
      return has.isEmpty() ? " (with nothing on it)" : " (with " + String.join(", ", has) + ")";
    }
  }

  private static final class Merits {
    private final ArchitecturalModel model;
    private final Map<String, Integer> boundaries = new HashMap<>();
    private final Map<String, Integer> openings = new HashMap<>();

    Merits(CheckContext context) {
      model = context.survey().model();
      for (Surface s : context.envelope().surfaces()) {
        if (s.element() != null) {
          boundaries.merge(s.element().id(), 1, Integer::sum);
        }
      }
      for (Element e : model.elements()) {
        if (model.isKind(e.entity(), "IfcFeatureElementSubtraction")) {
          model.wholes(e).stream()
              .filter(w -> w.relation().equals("IfcRelVoidsElement"))
              .forEach(w -> openings.merge(w.whole().key(), 1, Integer::sum));
        }
      }
    }

    Merit of(Element e) {
      return new Merit(
          boundaries.getOrDefault(e.key(), 0),
          openings.getOrDefault(e.key(), 0),
          !model.materials(e).isEmpty());
    }
  }
}
