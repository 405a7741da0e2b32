package yentra.core.repair.construction;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;
import yentra.core.thermal.BuildUp;
import yentra.core.thermal.CorrectedUValue;
import yentra.core.thermal.UValueBreakdown;
import yentra.core.thermal.UValueCorrection;

/**
 * States the U-value of a construction with corrections to what its layers say: its air layer, a
 * taper, gaps in the insulation, fasteners, rain. It is reckoned for the place where most of the
 * construction is. Each cause is null for none.
 *
 * @param construction key
 * @param openings of the air layer to the outside, mm²/m
 * @param gaps in the insulation
 * @param fasteners through the insulation
 * @param faces of the air layer
 * @param taper on top of the layers
 * @param rain under the insulation
 */
public record CorrectUValue(
    String construction,
    Double openings,
    UValueCorrection.AirGaps gaps,
    CorrectedUValue.Fasteners fasteners,
    CorrectedUValue.AirFaces faces,
    CorrectedUValue.Taper taper,
    CorrectedUValue.Rain rain)
    implements Repair {
  /** For an air layer's openings, gaps and fasteners alone. */
  public CorrectUValue(
      String construction,
      Double openings,
      UValueCorrection.AirGaps gaps,
      CorrectedUValue.Fasteners fasteners) {
    this(construction, openings, gaps, fasteners, null, null, null);
  }

  private CorrectedUValue corrected(Envelope e) throws NotApplicableException {
    Construction c = Target.construction(e, construction);
    CorrectedUValue.Causes causes =
        new CorrectedUValue.Causes(openings, faces, taper, gaps, fasteners, rain);
    if (causes.nothing()) {
      throw new NotApplicableException("Say what the U-value is corrected for.");
    }
    Map<String, BuildUp> all = BuildUp.all(e);
    BuildUp b = all.get(construction);
    if (c.layers().isEmpty() || !b.complete() || b.layers().isEmpty()) {
      throw new NotApplicableException(c.label() + " has no layers to begin with.");
    }
    String wrong = CorrectedUValue.problem(b, causes);
    if (wrong != null) {
      throw new NotApplicableException(c.label() + ": " + wrong);
    }
    try {
      return CorrectedUValue.of(b, place(e), causes);
    } catch (IllegalArgumentException x) {
      throw new NotApplicableException(c.label() + ": " + x.getMessage());
    }
  }

  /** Where the largest of its surfaces lies. */
  private UValueBreakdown.Position place(Envelope e) {
    Surface largest = null;
    for (Surface s : e.surfaces()) {
      boolean larger = largest == null || s.netArea() > largest.netArea();
      if (construction.equals(s.construction()) && larger) {
        largest = s;
      }
    }
    return largest == null
        ? UValueBreakdown.Position.WALL
        : UValueBreakdown.Position.of(e, largest, largest.polygon().tilt());
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    CorrectedUValue u = corrected(e);
    if (openings == null && faces == null && taper == null && u.negligible()) {
      throw new NotApplicableException(
          String.format(
              Locale.ROOT,
              "The corrections are %.1f %% of the U-value; below 3 %% ISO 6946 leaves them out.",
              100 * u.added() / u.tapered()));
    }
    return new StateUValue(construction, u.uValue()).apply(e, rules);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new CorrectUValue(keys.of(construction), openings, gaps, fasteners, faces, taper, rain);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String name = before.construction(construction).map(Construction::label).orElse(construction);
    List<String> parts = new ArrayList<>();
    try {
      CorrectedUValue u = corrected(before);
      part(parts, "air layer", u.airLayer() - u.layers());
      part(parts, "taper", u.tapered() - u.airLayer());
      part(parts, "gaps in the insulation", u.gaps());
      part(parts, "fasteners", u.fasteners());
      part(parts, "rain", u.rain());
      return String.format(
          Locale.ROOT,
          "Corrects the U-value of %s from %.3f W/m²K to %.3f W/m²K (ISO 6946): %s.",
          name,
          u.layers(),
          u.uValue(),
          String.join(", ", parts));
    } catch (NotApplicableException x) {
      return "Corrects the U-value of " + name + ".";
    }
  }

  private static void part(List<String> parts, String what, double change) {
    if (change != 0) {
      parts.add(String.format(Locale.ROOT, "%s %+.4f W/m²K", what, change));
    }
  }
}
