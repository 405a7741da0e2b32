package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The interface's types are made from ui/openapi.json, which must be what the code says. */
@ExtendWith(RunningServer.class)
class ApiDescriptionTest {
  @Test
  void theCommittedDescriptionIsTheCodes(RunningServer.Yentra yentra) throws IOException {
    JsonMapper json = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    String now = json.writeValueAsString(json.readTree(yentra.get("/v3/api-docs").body())) + "\n";
    Path file = Path.of("..", "ui", "openapi.json");
    if (Boolean.getBoolean("yentra.api.write")) {
      Files.writeString(file, now);
    }
    assertThat(json.readTree(Files.readString(file)))
        .as("run ./yentra api")
        .isEqualTo(json.readTree(now));
  }
}
