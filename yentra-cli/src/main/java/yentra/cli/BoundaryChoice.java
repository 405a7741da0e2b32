package yentra.cli;

import java.util.Map;
import picocli.CommandLine.Option;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Convention;
import yentra.core.boundary.DerivationOptions;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.junction.JunctionType;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;

/** The options that say where the boundaries of an IFC file come from and how they are drawn. */
final class BoundaryChoice {
  /** What becomes of strips with only construction behind them. */
  enum Slivers {
    ABSORB,
    KEEP
  }

  /** Names of the conventions on the command line. */
  enum Drawn {
    INNER(Convention.INNER, PsiValues.Dimensions.INTERNAL),
    MIXED(Convention.INNER_AND_CENTRE, PsiValues.Dimensions.OVERALL_INTERNAL),
    CENTRE(Convention.CENTRE, PsiValues.Dimensions.CENTRE),
    OUTER(Convention.OUTER, PsiValues.Dimensions.EXTERNAL);

    private final Convention of;
    private final PsiValues.Dimensions dimensions;

    Drawn(Convention of, PsiValues.Dimensions dimensions) {
      this.of = of;
      this.dimensions = dimensions;
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
      description =
          "inner: surfaces on inner faces; mixed: inner faces, the middle between spaces; centre: the middle; outer: outer faces, the middle between spaces (default: inner)")
  private Drawn convention;

  @Option(
      names = "--find-spaces",
      description =
          "volumes that construction, or the surfaces of gbXML, enclose and no space covers become spaces")
  private boolean findSpaces;

  private Drawn convention() {
    return convention == null ? Drawn.INNER : convention;
  }

  /**
   * ψ for how the surfaces are drawn: of gbXML, which does not say it, as the envelope shows.
   *
   * @param stated W/(mK) by type, in place of the defaults
   */
  PsiValues psi(Envelope e, Map<JunctionType, Double> stated) {
    boolean told = convention != null || e.delivered().format().equals(Delivered.IFC);
    return new PsiValues(told ? convention().dimensions : Junctions.dimensions(e), stated);
  }

  BoundaryOptions options() {
    return new BoundaryOptions(
            mode, DerivationOptions.STANDARD.absorbing(slivers == Slivers.ABSORB), convention().of)
        .findingSpaces(findSpaces);
  }
}
