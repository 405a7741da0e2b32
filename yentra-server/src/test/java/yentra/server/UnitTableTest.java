package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.units.Quantity;
import yentra.core.units.Unit;

/** The page's units are ui/src/model/units.json, which must be what the core says. */
class UnitTableTest {
  @Test
  void theCommittedTableIsTheCores() throws IOException {
    List<Map<String, Object>> rows = new ArrayList<>();
    for (Quantity q : Quantity.values()) {
      Map<String, Object> row = new LinkedHashMap<>();
      row.put("quantity", q.name());
      row.put("si", shown(q.si()));
      row.put("imperial", shown(q.imperial()));
      rows.add(row);
    }
    JsonMapper json = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    String now = json.writeValueAsString(rows) + "\n";
    Path file = Path.of("..", "ui", "src", "model", "units.json");
    if (Boolean.getBoolean("yentra.api.write")) {
      Files.writeString(file, now);
    }
    assertThat(json.readTree(Files.readString(file)))
        .as("run ./yentra api")
        .isEqualTo(json.readTree(now));
  }

  private static Map<String, Object> shown(Unit u) {
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("symbol", u.symbol());
    out.put("spellings", u.spellings());
    out.put("factor", u.factor());
    out.put("shift", u.shift());
    return out;
  }
}
