package yentra.server.plans;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import yentra.core.plan.PlanFigures;
import yentra.core.plan.PlanSheet;

/** What is said of drawn buildings. */
final class PlanViews {
  private PlanViews() {}

  /**
   * A plan document as it is now.
   *
   * @param version of the delivery
   * @param document JSON
   * @param sheet rooms and openings of each storey in plan
   */
  record PlanView(long version, String document, PlanSheet sheet) {}

  /**
   * A picture that can lie under a drawing.
   *
   * @param width pixels
   * @param height pixels
   */
  record UnderlayView(String name, int width, int height) {}

  /**
   * A building drawn anew.
   *
   * @param basedOn version that it was drawn from
   * @param says what was done, in a sentence
   */
  record DrawRequest(long basedOn, String document, String says) {}

  /**
   * Floors of a delivery that brings a body and no rooms.
   *
   * @param document JSON; null when it brings no closed body
   * @param storeys names, from the bottom
   * @param floorArea m²
   * @param volume of the floors, m³
   * @param bodyVolume of the bodies that they are cut from, m³
   * @param notes what was assumed or left out
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record MassView(
      @Schema(nullable = true) String document,
      List<String> storeys,
      double floorArea,
      double volume,
      double bodyVolume,
      List<String> notes) {}

  /** A document that is tried. */
  record TryPlanRequest(String document) {}

  /**
   * What a document comes to.
   *
   * @param notes what was assumed, or does not fit
   */
  record TriedView(PlanFigures figures, List<String> notes) {}
}
