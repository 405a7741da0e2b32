package yentra.core.plan;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.UnreadableException;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Tolerance;

/** Plan documents as text, and what is measured of the envelopes made of them. */
public final class PlanFixtures {
  /** The document that the format's description shows. */
  public static final String STORE =
      """
      {
        "yentraPlan": 1,
        "name": "Upper slip store",
        "place": {"latitude": 54.1, "longitude": -3.3, "north_deg": 12},
        "ground_m": 0.0,
        "storeys": [{"name": "Ground", "level_m": 0.0, "height_m": 3.4}, {"name": "First", "level_m": 3.4, "height_m": 3.0}],
        "floors": [
          {"storey": "Ground",
           "outlines": [{"corners": [[0,0],[24,0],[24,12],[0,12]], "holes": [[[10,5],[14,5],[14,8],[10,8]]]}],
           "lines": [[[8,0],[8,12]], [[8,6],[24,6]]],
           "bands": {"depth_m": 4.5},
           "spaces": [{"at": [2,2], "name": "Workshop", "use": "WorkshopWorkshop"}],
           "copies": ["First"]}],
        "roofs": [{"storey": "First", "kind": "gable", "pitch_deg": 30, "ridge_deg": 90, "space": "own"}],
        "glazing": [{"where": {"storeys": ["*"], "facing_deg": [135, 225]}, "ratio": 0.40, "sill_m": 0.9, "head_m": 2.7, "form": "band"},
                    {"where": {"roofs": true}, "ratio": 0.03}],
        "shading": [{"where": {"facing_deg": [135, 225]}, "overhang_m": 0.8}],
        "underlay": [{"storey": "Ground", "file": "plan.png", "scale_m_per_px": 0.0125, "origin_px": [120, 944], "turn_deg": 0.4}]
      }
      """;

  private PlanFixtures() {}

  static PlanDocument read(String json) {
    try {
      return PlanReader.read(json.getBytes(StandardCharsets.UTF_8));
    } catch (UnreadableException e) {
      throw new AssertionError(e);
    }
  }

  public static Envelope envelope(String json) {
    try {
      return PlanEnvelope.of(read(json), Rules.standard());
    } catch (UnreadableException e) {
      throw new AssertionError(e);
    }
  }

  /**
   * A document of one or more storeys 3 m high from the ground, with the same floor.
   *
   * @param floor members of the floor
   * @param more members of the document, each followed by a comma, or empty
   */
  static String storeys(int n, String floor, String more) {
    StringBuilder levels = new StringBuilder();
    StringBuilder copies = new StringBuilder();
    for (int i = 0; i < n; i++) {
      levels.append(i == 0 ? "" : ", ");
      levels.append("{\"name\": \"S" + i + "\", \"level_m\": " + 3 * i + ", \"height_m\": 3}");
      if (i > 0) {
        copies.append(i == 1 ? "" : ", ").append("\"S" + i + "\"");
      }
    }
    return "{\"yentraPlan\": 1, \"ground_m\": 0, "
        + more
        + "\"storeys\": ["
        + levels
        + "], \"floors\": [{\"storey\": \"S0\", \"copies\": ["
        + copies
        + "], "
        + floor
        + "}]}";
  }

  static double volume(Envelope e, String name) {
    CheckContext c = new CheckContext(e, Limits.STANDARD, Tolerance.standard());
    Space s = e.spaces().stream().filter(x -> x.name().equals(name)).findFirst().orElseThrow();
    return c.volumes().of(s.key()).volume();
  }

  static double volume(Envelope e) {
    CheckContext c = new CheckContext(e, Limits.STANDARD, Tolerance.standard());
    return e.spaces().stream().mapToDouble(s -> c.volumes().of(s.key()).volume()).sum();
  }

  static double floorArea(Envelope e) {
    CheckContext c = new CheckContext(e, Limits.STANDARD, Tolerance.standard());
    return e.spaces().stream().mapToDouble(s -> c.volumes().of(s.key()).floorArea()).sum();
  }

  static double area(Envelope e, Exposure exposure) {
    return of(e, exposure).mapToDouble(s -> s.polygon().area()).sum();
  }

  static Stream<Surface> of(Envelope e, Exposure exposure) {
    return e.surfaces().stream().filter(s -> s.exposure() == exposure);
  }

  static double openings(Envelope e) {
    return e.surfaces().stream()
        .flatMap(s -> s.openings().stream())
        .mapToDouble(o -> o.polygon().area())
        .sum();
  }

  /** Findings about geometry, spaces, neighbours and openings. */
  static List<String> faults(Envelope e) {
    CheckContext c = new CheckContext(e, Limits.STANDARD, Tolerance.standard());
    return CheckRun.of(c).findings().stream()
        .filter(f -> f.code().matches("(GEO|SPC|ADJ|OPN)-.*"))
        .map(PlanFixtures::say)
        .toList();
  }

  private static String say(Finding f) {
    return f.code() + " " + f.message();
  }
}
