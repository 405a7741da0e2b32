package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadNote;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.gbxml.GbxmlWriter;

/** FMT-108: a value in the file that would be lost on writing it back. */
@AutoService(Check.class)
public final class LostOnWriting implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "FMT-108",
          Severity.WARNING,
          "a value in the file that would be lost on writing it back",
          "What stands where the format has no place for it: attributes, comments and elements inside polygons and shells, space boundaries of no surface; and characters in names that XML cannot hold. One finding for each kind of thing. All else is written back.",
          "The file that is handed over says less than the one that was delivered.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    Envelope e = context.envelope();
    for (ReadNote n : e.notes()) {
      if (n.kind() == ReadNote.Kind.LOST) {
        report.accept(
            context
                .finding(
                    DESCRIPTOR, n.object().isEmpty() ? new String[0] : new String[] {n.object()})
                .measured(n.count(), 0.0, "count")
                .subject(n.subject() + "=" + n.value())
                .at(n.line(), n.column())
                .says(
                    n.message() + (n.count() > 1 ? " The file has " + n.count() + " such." : "")));
      }
    }
    List<String> unwritable = new ArrayList<>();
    e.spaces().forEach(s -> add(unwritable, s.key(), s.name()));
    e.surfaces()
        .forEach(
            s -> {
              add(unwritable, s.key(), s.name());
              s.openings().forEach(o -> add(unwritable, o.key(), o.name()));
            });
    e.storeys().forEach(s -> add(unwritable, s.key(), s.name()));
    e.zones().forEach(z -> add(unwritable, z.key(), z.name()));
    e.constructions().forEach(c -> add(unwritable, c.key(), c.name()));
    e.materials().forEach(m -> add(unwritable, m.key(), m.name()));
    e.glazings().forEach(g -> add(unwritable, g.key(), g.name()));
    if (!unwritable.isEmpty()) {
      report.accept(
          context
              .finding(DESCRIPTOR, unwritable.toArray(String[]::new))
              .measured(unwritable.size(), 0.0, "count")
              .subject("name")
              .says(
                  (unwritable.size() == 1
                          ? "A name holds a character"
                          : unwritable.size() + " names hold characters")
                      + " that gbXML has no place for; a mark is written instead."));
    }
  }

  private static void add(List<String> unwritable, String key, String name) {
    if (!GbxmlWriter.canHold(name)) {
      unwritable.add(key);
    }
  }
}
