package yentra.core.check;

import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/** LOC-802: north missing. The bearing of the model's y axis as delivered. */
final class NorthMissing implements Check {
  private static final Limit DIFFERENCE = new Limit("difference", "deg", 0.1, 0, 180);
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "LOC-802",
          Severity.WARNING,
          "north missing, or the sources disagree",
          "The bearing of the model's y axis as delivered; of several deliveries, each against the first.",
          "Solar gains depend on which way each wall faces.",
          List.of(DIFFERENCE));

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
}
