package yentra.server.envelope;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import yentra.core.check.measure.Figures;
import yentra.core.repair.Repair;

/** What the page and others are told of a repair plan. */
final class RepairPlanViews {
  private RepairPlanViews() {}

  /**
   * A plan of what the delivery itself determines.
   *
   * @param version of the state that it is for
   * @param steps in the order in which they work
   * @param refused what was tried and is not taken
   * @param open what is left and can be answered by a judgement
   * @param more how many open ones are not listed
   */
  record RepairPlanView(
      long version,
      List<MendStepView> steps,
      List<MendRefusedView> refused,
      List<MendOpenView> open,
      int more) {}

  /**
   * One step.
   *
   * @param finding id of the finding that it is for
   * @param code of its check
   * @param message what is wrong
   * @param says what is done about it
   * @param resolves how many findings are gone after it
   * @param area of the surfaces that its finding is about, else of those that it changes, m²
   * @param objects keys of what it is about and what it changes
   * @param repairs the repairs that it is made of
   */
  record MendStepView(
      String finding,
      String code,
      String message,
      String says,
      int resolves,
      double area,
      List<String> objects,
      List<Repair> repairs) {}

  /** What is not taken, and why. */
  record MendRefusedView(String finding, String code, String label, String reason) {}

  /**
   * What a person decides.
   *
   * @param finding id of the finding
   * @param objects keys of what it is about
   * @param choices the remedies, the likeliest first
   */
  record MendOpenView(
      String finding,
      String code,
      String severity,
      String message,
      List<String> objects,
      List<EnvelopeViews.RemedyView> choices) {}

  /**
   * Asks what becomes of a plan.
   *
   * @param basedOn version of the state that the plan is for
   * @param without numbers of the steps that are not taken, from 0; null for none
   * @param answers to what it leaves open; null for none
   */
  record OutcomeRequest(
      long basedOn,
      @Schema(nullable = true) List<Integer> without,
      @Schema(nullable = true) List<AnswerRequest> answers) {}

  /** Which of the choices of an open finding is to be made. */
  record AnswerRequest(String finding, String label) {}

  /**
   * What becomes of a plan.
   *
   * @param gone steps that build on those which are not taken
   * @param unanswered answers that are not sound
   */
  record OutcomeView(
      List<GoneView> gone, List<UnansweredView> unanswered, SideView before, SideView after) {}

  /** A step, by its number from 0, and why it cannot be taken. */
  record GoneView(int step, String reason) {}

  /** A finding, and why its answer cannot be taken. */
  record UnansweredView(String finding, String reason) {}

  /**
   * A state in figures.
   *
   * @param blockers findings that are open, not accepted
   * @param errors findings that are open, not accepted
   * @param warnings findings that are open, not accepted
   * @param heatLoss by transmission, of what has a U-value, W/K
   * @param unknownArea that loses heat and has no U-value, m²
   */
  record SideView(
      int blockers,
      int errors,
      int warnings,
      Figures figures,
      double heatLoss,
      double unknownArea) {}
}
