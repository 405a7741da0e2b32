package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.UnreadableException;
import yentra.core.estimate.Estimate;
import yentra.core.junction.Junction;
import yentra.core.junction.JunctionType;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;

/** The linear thermal bridges of a file. Exit 0; 2: not readable. */
@Command(
    name = "junctions",
    description =
        "Finds the linear thermal bridges of an envelope: corners, roofs, floors, partitions, openings, with their lengths and ψ.",
    mixinStandardHelpOptions = true)
final class JunctionsCommand implements Callable<Integer> {
  @Parameters(paramLabel = "IN", description = "an IFC or gbXML file")
  private Path in;

  @Option(names = "--format", description = "text or json", defaultValue = "text")
  private Format format;

  @Option(
      names = "--psi",
      paramLabel = "TYPE=W/mK",
      description = "ψ of a type in place of the default, such as C=0.05; may be said again")
  private Map<JunctionType, Double> psi = new EnumMap<>(JunctionType.class);

  @Mixin private BoundaryChoice boundaries;

  @Override
  public Integer call() throws IOException, UnreadableException {
    CheckContext context = Staged.of(in, boundaries.options());
    PsiValues values = boundaries.psi(context.envelope(), psi);
    List<Junction> list = Estimate.junctions(context, values);
    System.out.print(
        format == Format.JSON
            ? Format.json(json(context.envelope(), list, values))
            : text(list, values));
    return 0;
  }

  private static Map<String, Object> json(Envelope e, List<Junction> list, PsiValues values) {
    List<Map<String, Object>> out = new ArrayList<>();
    for (Junction j : list) {
      Map<String, Object> m = new LinkedHashMap<>();
      m.put("type", j.type().name());
      m.put("length_m", j.length());
      m.put("psi_W_mK", j.psi());
      m.put("psiSource", j.stated() ? "stated" : "default");
      m.put("elements", j.elements().stream().map(e::fileId).toList());
      m.put("spaces", j.spaces().stream().map(e::fileId).toList());
      out.add(m);
    }
    List<Map<String, Object>> totals = new ArrayList<>();
    Junctions.totals(list)
        .forEach(
            (t, sum) -> {
              Map<String, Object> m = new LinkedHashMap<>();
              m.put("type", t.name());
              m.put("length_m", sum.length());
              m.put("H_W_K", sum.heatLoss());
              totals.add(m);
            });
    Map<String, Object> all = new LinkedHashMap<>();
    all.put("dimensions", values.dimensions().label());
    all.put("junctions", out);
    all.put("totals", totals);
    return all;
  }

  private static String text(List<Junction> list, PsiValues values) {
    StringBuilder out = new StringBuilder();
    double sum = 0;
    for (Map.Entry<JunctionType, Junctions.Total> t : Junctions.totals(list).entrySet()) {
      out.append(
          String.format(
              Locale.ROOT,
              "%-2s  %-24s %9.2f m  %8.2f W/K%n",
              t.getKey(),
              t.getKey().label(),
              t.getValue().length(),
              t.getValue().heatLoss()));
      sum += t.getValue().heatLoss();
    }
    return out
        + String.format(
            Locale.ROOT,
            "%d linear thermal bridges, %.2f W/K, by %s dimensions%n",
            list.size(),
            sum,
            values.dimensions().label());
  }
}
