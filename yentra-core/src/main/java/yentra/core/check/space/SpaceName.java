package yentra.core.check.space;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Space;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;

/**
 * SPC-406: name missing, or shared with another space. Names are compared without regard to
 * capitals and outer blanks; of IFC spaces, Name together with LongName.
 */
@AutoService(Check.class)
public final class SpaceName implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SPC-406",
          Severity.WARNING,
          "name missing, or shared with another space",
          "Names are compared without regard to capitals and outer blanks; of IFC spaces, Name together with LongName.",
          "Results and schedules are matched by name; nobody can tell two rooms of one name apart.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void offer(Offer o) {
    SpaceNameRemedies.of(o);
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    Map<String, List<Space>> byName = new LinkedHashMap<>();
    for (Space s : context.envelope().spaces()) {
      if (s.name().isBlank()) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .evidence(Evidence.areas(context.volumes().of(s.key()).faces().faces()))
                .says("The space " + context.envelope().fileId(s.key()) + " has no name."));
      } else {
        String name = s.name().strip().toLowerCase(java.util.Locale.ROOT);
        byName.computeIfAbsent(name, k -> new ArrayList<>()).add(s);
      }
    }
    for (List<Space> same : byName.values()) {
      if (same.size() > 1) {
        report.accept(
            context
                .finding(DESCRIPTOR, same.stream().map(Space::key).toArray(String[]::new))
                .measured(same.size(), 1.0, "count")
                .evidence(
                    Evidence.areas(
                        same.stream()
                            .flatMap(s -> context.volumes().of(s.key()).faces().faces().stream())
                            .toList()))
                .says(same.size() + " spaces are named " + same.get(0).name().strip() + "."));
      }
    }
  }
}
