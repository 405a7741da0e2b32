package yentra.core.repair;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.geometry.Tolerance;

/**
 * One change to an envelope: a pure function, serialisable as JSON by its kind and fields, so that
 * it can be logged and replayed. Objects are named by their keys.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = ReverseSurface.class, name = "reverse-surface"),
  @JsonSubTypes.Type(value = ReverseShell.class, name = "reverse-shell"),
  @JsonSubTypes.Type(value = RetypeSurface.class, name = "retype-surface"),
  @JsonSubTypes.Type(value = CutOpening.class, name = "cut-opening"),
  @JsonSubTypes.Type(value = MatchSurfaces.class, name = "match-surfaces"),
  @JsonSubTypes.Type(value = CloseHole.class, name = "close-hole"),
  @JsonSubTypes.Type(value = DeleteSurface.class, name = "delete-surface"),
  @JsonSubTypes.Type(value = DeleteOpening.class, name = "delete-opening"),
  @JsonSubTypes.Type(value = AssignConstruction.class, name = "assign-construction")
})
public sealed interface Repair
    permits ReverseSurface,
        ReverseShell,
        RetypeSurface,
        CutOpening,
        MatchSurfaces,
        CloseHole,
        DeleteSurface,
        DeleteOpening,
        AssignConstruction {
  /**
   * The envelope with this change.
   *
   * @throws NotApplicableException when an object is gone, or the change makes no sense there
   */
  Envelope apply(Envelope envelope, Tolerance tolerance) throws NotApplicableException;

  /** What it does, in a sentence for a person, in terms of the envelope before it. */
  String describe(Envelope before, Naming naming);
}
