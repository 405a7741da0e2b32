package yentra.cli;

import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.finding.Descriptor;

/** Prints the check catalogue as Markdown; {@code docs/checks.md} is this output. */
@Command(
    name = "catalogue",
    description = "Prints the check catalogue as Markdown.",
    mixinStandardHelpOptions = true)
final class CatalogueCommand implements Callable<Integer> {
  @Override
  public Integer call() {
    System.out.print(markdown(CheckCatalogue.descriptors()));
    return 0;
  }

  static String markdown(List<Descriptor> checks) {
    StringBuilder b = new StringBuilder();
    b.append("# Checks\n\nMade from the code by `./yentra catalogue`; do not edit.\n\n");
    b.append(
        "Safe remedies are those whose result the delivery itself determines; `./yentra repair --safe` and the repair plan take them. All else that is offered needs a judgement.\n\n"
            + "| code | severity | finds | how it measures | why it matters | limits | safe remedies |\n|---|---|---|---|---|---|---|\n");
    for (Descriptor d : checks) {
      String limits =
          d.limits().stream()
              .map(
                  l ->
                      String.format(
                          Locale.ROOT,
                          "%s %s %s (%s–%s)",
                          l.name(),
                          plain(l.standard()),
                          l.unit(),
                          plain(l.least()),
                          plain(l.most())))
              .collect(Collectors.joining(", "));
      b.append(
          String.format(
              "| %s | %s | %s | %s | %s | %s | %s |%n",
              d.code(),
              d.severity().label(),
              d.finds(),
              d.method(),
              d.why(),
              limits.isEmpty() ? "–" : limits,
              d.safe().isEmpty() ? "–" : d.safe()));
    }
    return b.toString();
  }

  private static String plain(double d) {
    return java.math.BigDecimal.valueOf(d).stripTrailingZeros().toPlainString();
  }
}
