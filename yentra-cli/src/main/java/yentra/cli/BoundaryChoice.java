package yentra.cli;

import picocli.CommandLine.Option;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Convention;
import yentra.core.boundary.DerivationOptions;

/** The options that say where the boundaries of an IFC file come from and how they are drawn. */
final class BoundaryChoice {
  /** What becomes of strips with only construction behind them. */
  enum Slivers {
    ABSORB,
    KEEP
  }

  /** Names of the conventions on the command line. */
  enum Drawn {
    INNER(Convention.INNER),
    MIXED(Convention.INNER_AND_CENTRE),
    CENTRE(Convention.CENTRE),
    OUTER(Convention.OUTER);

    private final Convention of;

    Drawn(Convention of) {
      this.of = of;
    }
  }

  @Option(
      names = "--boundaries",
      defaultValue = "AUTO",
      description =
          "auto: the delivery's second-level boundaries where they are sound, else derived; keep: as delivered; derive: all derived (default: auto)")
  private BoundaryOptions.Mode mode;

  @Option(
      names = "--slivers",
      defaultValue = "ABSORB",
      description =
          "absorb: strips with only construction behind them go to the outdoor or ground surface beside them; keep: they stay (default: absorb)")
  private Slivers slivers;

  @Option(
      names = "--convention",
      defaultValue = "INNER",
      description =
          "inner: surfaces on inner faces; mixed: inner faces, the middle between spaces; centre: the middle; outer: outer faces, the middle between spaces (default: inner)")
  private Drawn convention;

  @Option(
      names = "--find-spaces",
      description =
          "volumes that construction, or the surfaces of gbXML, enclose and no space covers become spaces")
  private boolean findSpaces;

  BoundaryOptions options() {
    return new BoundaryOptions(
            mode, DerivationOptions.STANDARD.absorbing(slivers == Slivers.ABSORB), convention.of)
        .findingSpaces(findSpaces);
  }
}
