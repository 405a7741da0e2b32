package yentra.server.plans;

import java.util.List;
import yentra.core.plan.PlanFigures;

/** What is said of drawn buildings. */
final class PlanViews {
  private PlanViews() {}

  /**
   * A plan document as it is now.
   *
   * @param version of the delivery
   * @param document JSON
   */
  record PlanView(long version, String document) {}

  /**
   * A building drawn anew.
   *
   * @param basedOn version that it was drawn from
   * @param says what was done, in a sentence
   */
  record DrawRequest(long basedOn, String document, String says) {}

  /** A document that is tried. */
  record TryPlanRequest(String document) {}

  /**
   * What a document comes to.
   *
   * @param notes what was assumed, or does not fit
   */
  record TriedView(PlanFigures figures, List<String> notes) {}
}
