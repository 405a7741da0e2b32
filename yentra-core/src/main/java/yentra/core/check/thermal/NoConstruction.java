package yentra.core.check.thermal;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.LocalCheck;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/**
 * THM-701: a surface without a construction. Surfaces that name no construction; air boundaries,
 * shading and faces that are not resolved yet are not asked, and one that names a missing
 * construction is FMT-104.
 */
@AutoService(Check.class)
public final class NoConstruction implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "THM-701",
          Severity.ERROR,
          "a surface without a construction",
          "Surfaces that name no construction; air boundaries, shading, strips with only construction behind them and faces that are not resolved yet are not asked, and one that names a missing construction is FMT-104.",
          "Heat flow through it cannot be computed.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    ConstructionChoice.assign(o);
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      boolean asked =
          !s.type().isShading()
              && s.exposure() != Exposure.ADIABATIC
              && s.type() != SurfaceType.AIR
              && s.kind() != BoundaryKind.FACE
              && !(s.type() == SurfaceType.UNRESOLVED && s.kind() == BoundaryKind.DERIVED_2A);
      if (asked && (s.construction() == null || s.construction().isBlank())) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .evidence(Evidence.area(s.polygon()))
                .says("The " + context.naming().surface(s) + " has no construction."));
      }
    }
  }
}
