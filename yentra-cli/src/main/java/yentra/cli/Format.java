package yentra.cli;

import tools.jackson.databind.json.JsonMapper;

/** How a result is printed. */
enum Format {
  TEXT,
  JSON;

  private static final JsonMapper MAPPER = JsonMapper.builder().build();

  /** A value as JSON with a line end. */
  static String json(Object value) {
    return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(value) + "\n";
  }
}
