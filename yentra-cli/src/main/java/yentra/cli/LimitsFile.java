package yentra.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.finding.Limits;

/** Limits of checks from a file. */
final class LimitsFile {
  private LimitsFile() {}

  /**
   * The limits of a file; the standard ones without one.
   *
   * @throws IOException when it is no JSON object of numbers by code and name
   */
  static Limits read(Path file) throws IOException {
    if (file == null) {
      return Limits.STANDARD;
    }
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
