package yentra.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import picocli.CommandLine.Option;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.finding.Limits;
import yentra.core.scope.ScopeSheet;

/** The options that say what a file is checked against, and what of it. */
final class CheckChoice {
  @Option(
      names = "--limits",
      description = "JSON file with limits, such as {\"GEO-302.deviation\": 0.008}")
  private Path limits;

  @Option(
      names = "--sheet",
      description =
          "a scope sheet to apply to IFC files first: an XLSX or IDS file, or geometry, thermal, programme")
  private String sheet;

  /** The scope sheet, or null. */
  ScopeSheet sheet() throws IOException {
    return sheet == null ? null : Sheets.read(sheet);
  }

  /** The limits of the file; the standard ones without one. */
  Limits limits() throws IOException {
    return limits == null ? Limits.STANDARD : read(limits);
  }

  /**
   * @throws IOException when it is no JSON object of numbers by code and name
   */
  private static Limits read(Path file) throws IOException {
    JsonMapper json = JsonMapper.builder().build();
    Map<String, Double> values = new HashMap<>();
    try {
      JsonNode root = json.readTree(Files.readString(file));
      for (Map.Entry<String, JsonNode> e : root.properties()) {
        if (!e.getValue().isNumber()) {
          throw new IOException(file + ": the limit " + e.getKey() + " is no number.");
        }
        values.put(e.getKey(), e.getValue().doubleValue());
      }
    } catch (JacksonException e) {
      throw new IOException(file + " is no JSON: " + e.getOriginalMessage());
    }
    return new Limits(values);
  }
}
