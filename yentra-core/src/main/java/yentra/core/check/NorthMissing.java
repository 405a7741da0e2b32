package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;

/** LOC-802: north missing. The bearing of the model's y axis as delivered. */
final class NorthMissing implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "LOC-802",
          Severity.WARNING,
          "north missing, or the sources disagree",
          "The bearing of the model's y axis as delivered; of several deliveries, each against the first.",
          "Solar gains depend on which way each wall faces.",
          List.of());

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
    }
  }
}
