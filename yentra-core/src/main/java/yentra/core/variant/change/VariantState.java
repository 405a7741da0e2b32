package yentra.core.variant.change;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Conditions;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.plan.PlanDocument;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * What a variant is estimated from.
 *
 * @param context the envelope
 * @param settings of the estimate
 * @param climate names the weather; what it is called is the caller's
 * @param plan what was drawn; null where the building was not drawn
 */
public record VariantState(
    CheckContext context, EstimateSettings settings, String climate, PlanDocument plan) {
  public Envelope envelope() {
    return context.envelope();
  }

  /** The state with what a change comes to; of what is drawn only the document. */
  public VariantState with(Effect e) throws NotApplicableException {
    return new VariantState(
        e.repairs().isEmpty() ? context : context.with(made(e.repairs())),
        e.settings() == null ? settings : e.settings(),
        e.climate() == null ? climate : e.climate(),
        e.plan() == null ? plan : e.plan());
  }

  /** The envelope with repairs made. */
  private Envelope made(List<Repair> repairs) throws NotApplicableException {
    Envelope e = envelope();
    for (Repair r : repairs) {
      e = r.apply(e, context.rules());
    }
    return e;
  }

  /** Repairs, as far as they change anything. */
  Effect unlessSo(List<Repair> repairs, String... notes) throws NotApplicableException {
    return made(repairs).parts().equals(envelope().parts())
        ? Effect.NONE
        : Effect.of(repairs, notes);
  }

  /** Spaces that are heated or cooled, or do not say; the settings may say it for all. */
  List<Space> used() {
    return envelope().spaces().stream().filter(this::isUsed).toList();
  }

  private boolean isUsed(Space s) {
    Boolean laidDown = settings.of(s.key()).conditioned();
    Conditions c = Conditions.of(s.condition());
    return laidDown != null ? laidDown : c == Conditions.UNKNOWN || c.conditioned();
  }

  /** Upright surfaces between outdoor air and a used space that face one of the directions. */
  public List<Surface> wallsFacing(Set<Facing> facing) {
    Set<String> used = new HashSet<>();
    used().forEach(s -> used.add(s.key()));
    List<Surface> out = new ArrayList<>();
    for (Surface s : envelope().surfaces()) {
      int octant = context.octant(s);
      boolean faces = octant >= 0 && (facing.isEmpty() || facing.contains(Facing.values()[octant]));
      if (faces && s.sides().stream().map(Side::space).anyMatch(used::contains)) {
        out.add(s);
      }
    }
    return out;
  }

  /** Openings in those walls that let light through. */
  public List<Opening> windowsFacing(Set<Facing> facing) {
    return wallsFacing(facing).stream()
        .flatMap(s -> s.openings().stream())
        .filter(o -> o.type().isGlazed())
        .toList();
  }
}
