package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.repair.space.AmendSpace;
import yentra.core.repair.space.StateFigures;

/**
 * SPC-403: the stated area or volume differs from the computed one. Computed from the closed faces:
 * area of those facing down, volume by the divergence theorem. Not asked of spaces that are not
 * enclosed.
 */
@AutoService(Check.class)
public final class StatedDiffers implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SPC-403",
              Severity.WARNING,
              "the stated area or volume differs from the computed one",
              "Computed from the closed faces: area of those facing down, volume by the divergence theorem. Not asked of spaces that are not enclosed. Measured is the difference in %; of IFC quantities the computed one.",
              "Loads per area, occupancy and air change are then taken from the wrong figure.",
              List.of(new Limit("difference", "%", 2, 0.1, 50)))
          .safely("what the faces of an enclosed space give is stated")
          .following(Cause.WRONG_UNIT, Cause.INSIDE_OUT, Cause.HOLE, Cause.NO_SURFACES);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    if (o.context().volumes().of(o.first()).enclosed()) {
      o.safe("State what its faces give", new StateFigures(o.first()));
    }
    o.add("Let the computed figures count", new AmendSpace(o.first(), null, true, false));
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "difference");
    for (SpaceVolume v : context.volumes().all()) {
      if (v.enclosed()) {
        compare(
            context,
            report,
            v,
            "floor area",
            v.space().statedFloorArea(),
            v.floorArea(),
            "m²",
            limit);
        compare(context, report, v, "volume", v.space().statedVolume(), v.volume(), "m³", limit);
      }
    }
  }

  private static void compare(
      CheckContext context,
      Consumer<Finding> report,
      SpaceVolume v,
      String what,
      Double stated,
      double computed,
      String unit,
      double limit) {
    if (stated == null || computed <= 0) {
      return;
    }
    boolean ifc = context.isIfc();
    double off = Math.abs(stated - computed) / computed * 100;
    if (off > limit) {
      FindingBuilder f = context.finding(DESCRIPTOR, v.space().key());
      // architectural models state quantities with their unit, so that is what is measured
      report.accept(
          (ifc
                  ? f.measured(computed, null, unit.replace("²", "2").replace("³", "3"))
                      .stated(stated)
                      .limited(limit, "%")
                  : f.measured(off, limit, "%"))
              .subject(what)
              .evidence(Evidence.areas(v.faces().faces()))
              .says(
                  String.format(
                      Locale.ROOT,
                      "The stated %s of %s is %.2f %s; its faces give %.2f %s, which differs by %s.",
                      what,
                      v.space().label(),
                      stated,
                      unit,
                      computed,
                      unit,
                      Text.percent(off))));
    }
  }
}
