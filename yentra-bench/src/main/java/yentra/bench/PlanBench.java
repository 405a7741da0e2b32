package yentra.bench;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Rules;
import yentra.core.envelope.UnreadableException;
import yentra.core.plan.PlanEnvelope;
import yentra.core.plan.PlanReader;

/** Times drawn buildings: 20 rooms a storey, every other storey with another plan. */
final class PlanBench {
  private static final int ROOMS = 20;

  private PlanBench() {}

  static void run() throws UnreadableException {
    System.out.println("\n## Drawn buildings\n");
    System.out.println("| spaces | storeys | surfaces | openings | ms |");
    System.out.println("|---|---|---|---|---|");
    double first = 0;
    double last = 0;
    for (int storeys : new int[] {50, 500}) {
      byte[] json = document(Math.min(storeys, 250), storeys / Math.min(storeys, 250));
      Envelope e = null;
      double best = Double.POSITIVE_INFINITY;
      for (int i = 0; i < 4; i++) {
        long t = System.nanoTime();
        e = PlanEnvelope.of(PlanReader.read(json), Rules.standard());
        best = Math.min(best, (System.nanoTime() - t) / 1e6);
      }
      System.out.printf(
          Locale.ROOT,
          "| %,d | %d | %,d | %,d | %.0f |%n",
          e.spaces().size(),
          storeys,
          e.surfaces().size(),
          e.openingCount(),
          best);
      first = first == 0 ? best : first;
      last = best;
    }
    System.out.printf(
        Locale.ROOT, "%nTen times as many spaces take %.1f times as long.%n", last / first);
  }

  /** Towers beside each other. */
  private static byte[] document(int storeys, int towers) {
    StringBuilder levels = new StringBuilder();
    StringBuilder even = new StringBuilder();
    StringBuilder odd = new StringBuilder();
    for (int s = 0; s < storeys; s++) {
      levels
          .append(s == 0 ? "" : ",")
          .append("{\"name\":\"S" + s + "\",\"level_m\":" + 3 * s + ",\"height_m\":3}");
      if (s > 1) {
        (s % 2 == 0 ? even : odd)
            .append((s % 2 == 0 ? even : odd).isEmpty() ? "" : ",")
            .append("\"S" + s + "\"");
      }
    }
    String json =
        "{\"yentraPlan\":1,\"ground_m\":0,\"storeys\":["
            + levels
            + "],\"floors\":["
            + floor(0, towers, 4, even.toString())
            + ","
            + floor(1, towers, 4.7, odd.toString())
            + "],\"glazing\":[{\"ratio\":0.4,\"form\":\"band\"}],\"shading\":[{\"where\":{\"facing_deg\":[135,225]},\"overhang_m\":0.6}]}";
    return json.getBytes(StandardCharsets.UTF_8);
  }

  private static String floor(int storey, int towers, double first, String copies) {
    StringBuilder outlines = new StringBuilder();
    StringBuilder lines = new StringBuilder();
    for (int t = 0; t < towers; t++) {
      double x = 60 * t;
      double right = x + 40;
      outlines
          .append(t == 0 ? "" : ",")
          .append(
              "{\"corners\":[[" + x + ",0],[" + right + ",0],[" + right + ",10],[" + x + ",10]]}");
      lines.append(t == 0 ? "" : ",").append("[[" + x + ",5],[" + right + ",5]]");
      for (int i = 0; i < ROOMS / 2 - 1; i++) {
        double at = x + first + 4 * i;
        lines.append(",[[" + at + ",0],[" + at + ",10]]");
      }
    }
    return "{\"storey\":\"S"
        + storey
        + "\",\"outlines\":["
        + outlines
        + "],\"lines\":["
        + lines
        + "],\"copies\":["
        + copies
        + "]}";
  }
}
