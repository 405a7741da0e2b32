package yentra.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.UnreadableException;
import yentra.core.estimate.Estimate;
import yentra.core.estimate.MissingAssumed;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.estimate.setting.SettingsReader;

/** The options of what is reckoned with a model and its weather. */
final class EstimateChoice {
  @Parameters(paramLabel = "IN", description = "an IFC or gbXML file")
  private Path in;

  @Option(
      names = "--weather",
      required = true,
      paramLabel = "FILE.epw",
      description = "an EPW weather file")
  private Path weather;

  @Option(
      names = "--settings",
      paramLabel = "FILE.json",
      description =
          "what is laid down over what the model says: airChange_1_h, setPoints, gains_W_m2, conditioned, groundTemperature_C, solar, thermalBridges, systems, spaces …")
  private Path settings;

  @Option(
      names = "--assume-missing",
      description =
          "surfaces and openings without a U-value take the library's usual construction of their type")
  private boolean assumeMissing;

  @Mixin private BoundaryChoice boundaries;

  /** Everything read and ready. */
  record Ready(
      CheckContext context,
      WeatherYear weather,
      EstimateSettings settings,
      Estimate estimate,
      List<String> assumptions) {
    /** The id of a space in the file. */
    String id(String key) {
      return context.envelope().fileId(key);
    }
  }

  /**
   * Reads everything.
   *
   * @throws HourlyYear.IncompleteException when U-values are missing and none are to be assumed;
   *     what is missing has been printed
   */
  Ready ready() throws IOException, UnreadableException, HourlyYear.IncompleteException {
    WeatherYear w = Weather.read(weather);
    CheckContext context = Staged.of(in, boundaries.options());
    Envelope e = context.envelope();
    EstimateSettings s = EstimateSettings.STANDARD;
    if (settings != null) {
      try {
        s = SettingsReader.read(Files.readAllBytes(settings), keys(e));
      } catch (UnreadableException x) {
        throw new UnreadableException(settings + ": " + x.getMessage(), x.line(), x.column());
      }
    }
    List<String> assumed = new ArrayList<>();
    try {
      return ready(context, s, w, assumed);
    } catch (HourlyYear.IncompleteException x) {
      if (!assumeMissing) {
        for (String key : x.keys()) {
          System.err.println(
              "no U-value: " + context.naming().object(key) + " (" + e.fileId(key) + ")");
        }
        System.err.println(
            "yentra: "
                + x.getMessage()
                + " Give them constructions or window types, or call again with --assume-missing.");
        throw x;
      }
      MissingAssumed taken = MissingAssumed.of(context, x.keys());
      assumed.addAll(taken.assumptions());
      return ready(taken.context(), s, w, assumed);
    }
  }

  private Ready ready(CheckContext context, EstimateSettings s, WeatherYear w, List<String> assumed)
      throws HourlyYear.IncompleteException {
    Estimate estimate = Estimate.of(context, s, boundaries.psi(context.envelope(), s.psi()), w);
    return new Ready(context, w, s, estimate, assumed);
  }

  /** Keys of spaces by their ids in the file. */
  private static Function<String, String> keys(Envelope e) {
    Map<String, String> keys = new HashMap<>();
    e.spaces().forEach(s -> keys.put(s.key(), s.key()));
    e.spaces().forEach(s -> keys.put(e.fileId(s.key()), s.key()));
    return keys::get;
  }
}
