package yentra.core.check.run;

import java.util.Comparator;
import java.util.List;
import java.util.ServiceLoader;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;

/** All checks there are: those whose classes say so themselves. */
public final class CheckCatalogue {
  /** By number; what is told of a source comes after what is told of its envelope. */
  private static final List<Check> CHECKS =
      ServiceLoader.load(Check.class, Check.class.getClassLoader()).stream()
          .map(ServiceLoader.Provider::get)
          .sorted(
              Comparator.comparing((Check c) -> c.descriptor().code().startsWith("SRC"))
                  .thenComparing(c -> c.descriptor().code().substring(4)))
          .toList();

  private CheckCatalogue() {}

  static List<Check> checks() {
    return CHECKS;
  }

  /** What the checks are. */
  public static List<Descriptor> descriptors() {
    return CHECKS.stream().map(Check::descriptor).toList();
  }

  /**
   * Runs every check, in parallel where that pays.
   *
   * @return the findings in a fixed order: by code, then in the envelope's order
   */
  public static List<Finding> run(CheckContext context) {
    return CheckRun.of(context).findings();
  }
}
