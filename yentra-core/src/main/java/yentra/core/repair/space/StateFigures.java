package yentra.core.repair.space;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.boundary.SpaceVolume;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/** States of a space the floor area and volume that its faces give, where it states other ones. */
public record StateFigures(String space) implements Repair {
  /** Digits after the point of what is stated. */
  private static final double PARTS = 1e4;

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Space s = Target.space(e, space);
    if (s.statedFloorArea() == null && s.statedVolume() == null) {
      throw new NotApplicableException(s.label() + " states no figures.");
    }
    SpaceVolume v = SpaceVolumes.ofOne(e, s, rules);
    if (!v.enclosed()) {
      throw new NotApplicableException(s.label() + " is not enclosed, so it has no volume.");
    }
    Space made =
        s.withStated(
            s.statedFloorArea() == null ? null : (Double) rounded(v.floorArea()),
            s.statedVolume() == null ? null : (Double) rounded(v.volume()));
    if (made.equals(s)) {
      throw new NotApplicableException(s.label() + " states this already.");
    }
    return Reshape.replacedSpace(e, space, x -> made);
  }

  private static double rounded(double d) {
    return Math.round(d * PARTS) / PARTS;
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new StateFigures(keys.of(space));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    Space was = before.space(space).orElse(null);
    Space is = after.space(space).orElse(null);
    if (was == null || is == null) {
      return "States the figures of the space " + space + ".";
    }
    List<String> said = new ArrayList<>();
    said(said, was.statedFloorArea(), is.statedFloorArea(), "m²");
    said(said, was.statedVolume(), is.statedVolume(), "m³");
    return "States of " + naming.space(space) + " " + String.join(" and ", said) + ".";
  }

  private static void said(List<String> out, Double was, Double is, String unit) {
    if (was != null && is != null && !was.equals(is)) {
      out.add(String.format(Locale.ROOT, "%.2f instead of %.2f %s", is, was, unit));
    }
  }
}
