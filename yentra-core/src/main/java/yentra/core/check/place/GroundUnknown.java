package yentra.core.check.place;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.envelope.ReadNote;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.finding.Workspace;

/** LOC-803: no ground level, so ground contact is a guess. */
@AutoService(Check.class)
public final class GroundUnknown implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "LOC-803",
              Severity.WARNING,
              "no ground level, so ground contact is a guess",
              "Neither the file nor the project says where the ground is.",
              "Walls and floors may lose heat to the wrong temperature.",
              List.of())
          .answered("Give the ground level", Workspace.INTAKE);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.GROUND_ASSUMED) {
        report.accept(
            context
                .finding(DESCRIPTOR)
                .says(
                    Character.toUpperCase(n.message().charAt(0)) + n.message().substring(1) + "."));
      }
    }
  }
}
