package yentra.core.check.place;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.envelope.ReadNote;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Workspace;

/** LOC-802: north missing. The bearing of the model's y axis as delivered. */
@AutoService(Check.class)
public final class NorthMissing implements Check {
  private static final Limit DIFFERENCE = new Limit("difference", "deg", 0.1, 0, 180);

  /** Within a zone of the Universal Transverse Mercator grid north is less than this off. */
  private static final Limit CONVERGENCE = new Limit("convergence", "deg", 3, 0, 45);

  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "LOC-802",
              Severity.WARNING,
              "north missing, or the sources disagree",
              "The bearing of the model's y axis as delivered; of several deliveries, each against the first. Within one file, true north against the turn of its map conversion, which may differ by the convergence of the map's grid.",
              "Solar gains depend on which way each wall faces.",
              List.of(DIFFERENCE, CONVERGENCE))
          .answered("Give the north", Workspace.INTAKE);

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    if (context.envelope().site().northAzimuth() == null) {
      report.accept(
          context
              .finding(DESCRIPTOR)
              .says("The delivery does not say where north is; the y axis is taken for north."));
      return;
    }
    twice(context, report);
    double most = context.limit(DESCRIPTOR, DIFFERENCE.name());
    context
        .frames()
        .filter(d -> d.north() != null && Math.abs(d.north()) > most)
        // turned as a whole, with north turned along: the walls face where they faced
        .filter(d -> Math.abs(d.north() + d.turn()) > most)
        .ifPresent(
            d ->
                report.accept(
                    context
                        .finding(DESCRIPTOR)
                        .subject("north")
                        .measured(Math.abs(d.north()), most, "deg")
                        .says(
                            String.format(
                                Locale.ROOT,
                                "The y axis is stated %.2f° from true north, in %s it is %.2f°.",
                                context.envelope().site().northAzimuth(),
                                context.beside(),
                                context.envelope().site().northAzimuth() - d.north()))));
  }

  private static void twice(CheckContext context, Consumer<Finding> report) {
    double most = context.limit(DESCRIPTOR, CONVERGENCE.name());
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.NORTH_TWICE && n.figure() > most) {
        report.accept(
            context
                .finding(DESCRIPTOR, n.names().toArray(String[]::new))
                .subject("stated twice")
                .measured(n.figure(), most, "deg")
                .at(n.line(), n.column())
                .says(n.message() + "."));
      }
    }
  }
}
