package yentra.core.repair;

import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.Zone;

/** Finds the object a repair is about, or says that it is gone. */
public final class Target {
  private Target() {}

  public static Surface surface(Envelope e, String key) throws NotApplicableException {
    return e.surface(key)
        .orElseThrow(
            () -> new NotApplicableException("The surface " + key + " is no longer there."));
  }

  public static Space space(Envelope e, String key) throws NotApplicableException {
    return e.space(key)
        .orElseThrow(() -> new NotApplicableException("The space " + key + " is no longer there."));
  }

  public static Opening opening(Envelope e, String key) throws NotApplicableException {
    return e.opening(key)
        .orElseThrow(
            () -> new NotApplicableException("The opening " + key + " is no longer there."));
  }

  public static Construction construction(Envelope e, String key) throws NotApplicableException {
    return e.construction(key)
        .orElseThrow(
            () -> new NotApplicableException("The construction " + key + " is no longer there."));
  }

  public static Zone zone(Envelope e, String key) throws NotApplicableException {
    return e.zone(key)
        .orElseThrow(() -> new NotApplicableException("The zone " + key + " is no longer there."));
  }
}
