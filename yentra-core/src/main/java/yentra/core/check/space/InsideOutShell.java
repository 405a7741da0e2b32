package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.finding.Cause;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.repair.space.ReverseShell;

/**
 * SPC-409: the shell is inside out or its faces disagree in direction. Places just before and
 * behind each shell face are tested for being inside, by the parity of rays in many directions.
 */
@AutoService(Check.class)
public final class InsideOutShell implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "SPC-409",
              Severity.ERROR,
              "the shell is inside out or its faces disagree in direction",
              "Places just before and behind each shell face are tested for being inside, by the parity of rays in many directions.",
              "Volume and normals come out negative or wrong.",
              List.of())
          .safely("the faces of the shell are turned")
          .making(Cause.INSIDE_OUT);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    o.safe("Turn the shell outwards", new ReverseShell(o.first()));
    ShellRemedies.without(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (SpaceVolume v : context.volumes().all()) {
      int inward = v.inwardShellFaces().size();
      if (inward == 0) {
        continue;
      }
      int all = v.space().shell().size();
      report.accept(
          context
              .finding(DESCRIPTOR, v.space().key())
              .measured(inward, 0.0, "count")
              .evidence(Evidence.areas(v.inwardShellFaces()))
              .says(
                  inward == all
                      ? "The shell of "
                          + v.space().label()
                          + " is inside out: all "
                          + all
                          + " faces point inwards."
                      : inward
                          + " of the "
                          + all
                          + " shell faces of "
                          + v.space().label()
                          + " point inwards."));
    }
  }
}
