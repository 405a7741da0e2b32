package yentra.core.pipeline;

import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.model.ArchitecturalModel;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeState;

/**
 * A delivery with its envelope made, before any repair.
 *
 * @param whole the architectural model as delivered; of gbXML the envelope as one
 * @param result what is in, why, and which requirements are not met
 * @param context the envelope, ready to be checked
 */
public record Stage(
    ArchitecturalModel whole, ScopeState scope, ScopeResult result, CheckContext context) {
  public Envelope envelope() {
    return context.envelope();
  }

  /** The same with another context: of limits, of a project's settings, beside another delivery. */
  public Stage with(CheckContext other) {
    return new Stage(whole, scope, result, other);
  }
}
