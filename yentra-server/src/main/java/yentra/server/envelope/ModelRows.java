package yentra.server.envelope;

import java.io.IOException;
import java.io.OutputStream;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.IntStream;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/**
 * A whole model as lines of JSON that are taken one by one, so that whoever reads them is never
 * held up for long. The first line is the model without what there is very much of, and the names
 * of the members of its rows; each line after it holds some rows of spaces, surfaces or openings
 * without a surface, as lists of their members' values, or some findings.
 */
final class ModelRows {
  /** Rows in a line. */
  private static final int ROWS = 1000;

  /** What comes as rows, by the name of it. */
  private static final Map<String, Class<? extends Record>> KINDS = new LinkedHashMap<>();

  static {
    KINDS.put("space", EnvelopeViews.SpaceView.class);
    KINDS.put("surface", EnvelopeViews.SurfaceView.class);
    KINDS.put("opening", EnvelopeViews.OpeningView.class);
    KINDS.put("source", EnvelopeViews.SourceView.class);
  }

  private final JsonMapper json;
  private final JsonMapper rows;

  ModelRows(JsonMapper json) {
    this.json = json;
    SimpleModule module = new SimpleModule();
    KINDS.values().forEach(k -> module.addSerializer(k, new Row(k)));
    this.rows = json.rebuild().addModule(module).build();
  }

  /**
   * @param tag of the state that it is
   * @param members names of the members of each kind of row, in their order
   */
  record Head(String tag, Map<String, List<String>> members, EnvelopeViews.ModelView model) {}

  void write(String tag, EnvelopeViews.ModelView m, OutputStream out) throws IOException {
    Map<String, List<String>> members = new LinkedHashMap<>();
    KINDS.forEach(
        (name, kind) ->
            members.put(
                name,
                Arrays.stream(kind.getRecordComponents()).map(RecordComponent::getName).toList()));
    out.write(json.writeValueAsBytes(new Head(tag, members, m.withoutLists())));
    out.write('\n');
    List<byte[]> lines = new ArrayList<>();
    lines.addAll(lines("spaces", m.spaces(), rows::writeValueAsBytes));
    lines.addAll(lines("surfaces", m.surfaces(), rows::writeValueAsBytes));
    lines.addAll(lines("orphans", m.orphans(), rows::writeValueAsBytes));
    lines.addAll(lines("findings", m.findings(), json::writeValueAsBytes));
    for (byte[] line : lines) {
      out.write(line);
      out.write('\n');
    }
  }

  private static <T> List<byte[]> lines(
      String name, List<T> all, Function<Map<String, List<T>>, byte[]> written) {
    return IntStream.range(0, (all.size() + ROWS - 1) / ROWS)
        .parallel()
        .mapToObj(i -> all.subList(i * ROWS, Math.min(all.size(), (i + 1) * ROWS)))
        .map(part -> written.apply(Map.of(name, part)))
        .toList();
  }

  /** A record as the list of its members' values. */
  private static final class Row extends ValueSerializer<Record> {
    private final RecordComponent[] members;

    Row(Class<? extends Record> kind) {
      members = kind.getRecordComponents();
    }

    @Override
    public void serialize(Record value, JsonGenerator out, SerializationContext context) {
      out.writeStartArray();
      for (RecordComponent c : members) {
        try {
          out.writePOJO(c.getAccessor().invoke(value));
        } catch (ReflectiveOperationException e) {
          throw new IllegalStateException(e);
        }
      }
      out.writeEndArray();
    }
  }
}
