package yentra.core.check.rule;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.GroundLevel;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/** What the remedies of one state share: the state, and what was tried on it. */
public final class RemedyContext {
  private final CheckContext context;
  private final Map<Repair, Boolean> works = new HashMap<>();
  private final Map<Repair, Optional<Envelope>> made = new HashMap<>();
  private Double ground;

  public RemedyContext(CheckContext context) {
    this.context = context;
  }

  public CheckContext checks() {
    return context;
  }

  /** Whether a repair can be made, which only trying tells; tried once. */
  boolean works(Repair repair) {
    return works.computeIfAbsent(repair, r -> attempt(r).isPresent());
  }

  /** What a repair that answers many findings makes of the state; made once. */
  Optional<Envelope> made(Repair repair) {
    return made.computeIfAbsent(repair, this::attempt);
  }

  Optional<Envelope> attempt(Repair repair) {
    try {
      return Optional.of(repair.apply(context.envelope(), context.rules()));
    } catch (NotApplicableException e) {
      // what cannot be made is not offered
      return Optional.empty();
    }
  }

  /** Height of the ground in model coordinates, m. */
  double ground() {
    if (ground == null) {
      Envelope e = context.envelope();
      // the highest of them may be the one that is typed wrongly
      boolean touched = e.surfaces().stream().anyMatch(s -> s.type().isGround());
      ground = touched ? context.groundLevel() : GroundLevel.of(e);
    }
    return ground;
  }
}
