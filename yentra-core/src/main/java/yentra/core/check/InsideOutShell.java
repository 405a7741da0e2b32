package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.boundary.SpaceVolume;

/**
 * SPC-409: the shell is inside out or its faces disagree in direction. Places just before and
 * behind each shell face are tested for being inside, by the parity of rays in many directions.
 */
final class InsideOutShell implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SPC-409",
          Severity.ERROR,
          "the shell is inside out or its faces disagree in direction",
          "Places just before and behind each shell face are tested for being inside, by the parity of rays in many directions.",
          "Volume and normals come out negative or wrong.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
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
