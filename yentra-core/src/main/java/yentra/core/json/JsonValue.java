package yentra.core.json;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.json.JsonFactory;
import yentra.core.envelope.UnreadableException;

/**
 * A value of a JSON document that knows its path and place, so that whatever is wrong with it can
 * be said with both.
 */
public final class JsonValue {
  private static final int DEEPEST = 40;

  private final String path;
  private final int line;
  private final int column;

  /** A map, list, string, number, boolean, or null. */
  private final Object value;

  private JsonValue(String path, int line, int column, Object value) {
    this.path = path;
    this.line = line;
    this.column = column;
    this.value = value;
  }

  /**
   * Reads a document.
   *
   * @param document what it is, to begin a sentence with: "The plan document"
   * @throws UnreadableException when it is not JSON, nested too deeply, or says a member twice
   */
  public static JsonValue read(byte[] bytes, String document) throws UnreadableException {
    JsonFactory factory =
        JsonFactory.builder()
            .streamReadConstraints(
                StreamReadConstraints.builder()
                    .maxNestingDepth(DEEPEST)
                    .maxStringLength(100_000)
                    .maxNumberLength(100)
                    .build())
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();
    try (JsonParser in = factory.createParser(ObjectReadContext.empty(), bytes)) {
      in.nextToken();
      JsonValue all = value(in, "", document);
      if (in.nextToken() != null) {
        throw at(in, "Something follows the end of the document. Remove it.");
      }
      return all;
    } catch (JacksonException e) {
      TokenStreamLocation at = e.getLocation();
      String what = e.getOriginalMessage().replaceAll("\\s+", " ").strip();
      throw new UnreadableException(
          document + " is not valid JSON: " + what + ".",
          at == null ? 1 : Math.max(1, at.getLineNr()),
          at == null ? 1 : Math.max(1, at.getColumnNr()));
    }
  }

  private static UnreadableException at(JsonParser in, String message) {
    TokenStreamLocation at = in.currentTokenLocation();
    return new UnreadableException(message, at.getLineNr(), at.getColumnNr());
  }

  private static JsonValue value(JsonParser in, String path, String document)
      throws UnreadableException {
    JsonToken token = in.currentToken();
    if (token == null) {
      throw new UnreadableException(document + " is empty.", 1, 1);
    }
    TokenStreamLocation at = in.currentTokenLocation();
    Object v =
        switch (token) {
          case START_OBJECT -> {
            Map<String, JsonValue> members = new LinkedHashMap<>();
            while (in.nextToken() != JsonToken.END_OBJECT) {
              String name = in.currentName();
              in.nextToken();
              members.put(name, value(in, path.isEmpty() ? name : path + "." + name, document));
            }
            yield members;
          }
          case START_ARRAY -> {
            List<JsonValue> items = new ArrayList<>();
            while (in.nextToken() != JsonToken.END_ARRAY) {
              items.add(value(in, path + "[" + items.size() + "]", document));
            }
            yield items;
          }
          case VALUE_STRING -> in.getString();
          case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT -> in.getDoubleValue();
          case VALUE_TRUE -> true;
          case VALUE_FALSE -> false;
          case VALUE_NULL -> null;
          default -> throw at(in, document + " breaks off here.");
        };
    return new JsonValue(path, at.getLineNr(), at.getColumnNr(), v);
  }

  public String path() {
    return path;
  }

  public boolean isObject() {
    return value instanceof Map;
  }

  public UnreadableException wrong(String what) {
    return new UnreadableException((path.isEmpty() ? "" : path + ": ") + what, line, column);
  }

  /** Counted from 1. */
  public int line() {
    return line;
  }

  /** Counted from 1. */
  public int column() {
    return column;
  }

  /** The same, of which only these members may be there. */
  public JsonValue with(Set<String> known) throws UnreadableException {
    for (Map.Entry<String, JsonValue> m : members().entrySet()) {
      if (!known.contains(m.getKey())) {
        throw m.getValue()
            .wrong(
                "the member "
                    + m.getKey()
                    + " is not known here. Known are "
                    + String.join(", ", new TreeSet<>(known))
                    + ".");
      }
    }
    return this;
  }

  @SuppressWarnings("unchecked")
  private Map<String, JsonValue> members() throws UnreadableException {
    if (!(value instanceof Map)) {
      throw wrong("an object { … } is expected here.");
    }
    return (Map<String, JsonValue>) value;
  }

  /** The names of its members. */
  public Set<String> names() throws UnreadableException {
    return members().keySet();
  }

  /** A member, or null when it is not there or is null. */
  public JsonValue member(String name) throws UnreadableException {
    JsonValue m = members().get(name);
    return m == null || m.value == null ? null : m;
  }

  public JsonValue required(String name) throws UnreadableException {
    JsonValue m = member(name);
    if (m == null) {
      throw wrong("the member " + name + " is missing.");
    }
    return m;
  }

  /** Its items. */
  @SuppressWarnings("unchecked")
  public List<JsonValue> items(int least, int most) throws UnreadableException {
    if (!(value instanceof List)) {
      throw wrong("a list [ … ] is expected here.");
    }
    List<JsonValue> items = (List<JsonValue>) value;
    if (items.size() < least || items.size() > most) {
      throw wrong(
          items.size() < least
              ? "has " + items.size() + " of at least " + least + "."
              : "has " + items.size() + "; at most " + most + " are read.");
    }
    return items;
  }

  /** The items of a member; none when it is not there. */
  public List<JsonValue> list(String name, int most) throws UnreadableException {
    JsonValue m = member(name);
    return m == null ? List.of() : m.items(0, most);
  }

  public double number(double least, double most) throws UnreadableException {
    if (!(value instanceof Double d)) {
      throw wrong("a number is expected here.");
    }
    if (!(d >= least && d <= most)) {
      throw wrong(say(d) + " is outside " + say(least) + " to " + say(most) + ".");
    }
    return d;
  }

  /** A member's number, or null when it is not there. */
  public Double number(String name, double least, double most) throws UnreadableException {
    JsonValue m = member(name);
    return m == null ? null : (Double) m.number(least, most);
  }

  public double number(String name, double least, double most, double otherwise)
      throws UnreadableException {
    Double d = number(name, least, most);
    return d == null ? otherwise : d;
  }

  /** A member that is true or false; null when it is not there. */
  public Boolean said(String name) throws UnreadableException {
    return member(name) == null ? null : (Boolean) truth(name);
  }

  /** Whether it has a member, be it null. */
  public boolean has(String name) throws UnreadableException {
    return members().containsKey(name);
  }

  /** Whether it is a number. */
  public boolean isNumber() {
    return value instanceof Double;
  }

  public boolean truth(String name) throws UnreadableException {
    JsonValue m = member(name);
    if (m != null && !(m.value instanceof Boolean)) {
      throw m.wrong("true or false is expected here.");
    }
    return m != null && (Boolean) m.value;
  }

  /** Text of one line. */
  public String word(int longest) throws UnreadableException {
    if (!(value instanceof String s)) {
      throw wrong("a text in quotes is expected here.");
    }
    if (s.length() > longest) {
      throw wrong("has " + s.length() + " characters; at most " + longest + " are read.");
    }
    if (s.chars().anyMatch(Character::isISOControl)) {
      throw wrong("holds a character that is not text.");
    }
    return s.strip();
  }

  public String word(String name, int longest) throws UnreadableException {
    JsonValue m = member(name);
    return m == null ? "" : m.word(longest);
  }

  /** One of the names of an enumeration, in lower case. */
  public <E extends Enum<E>> E one(String name, Class<E> of, E otherwise)
      throws UnreadableException {
    JsonValue m = member(name);
    if (m == null) {
      return otherwise;
    }
    String word = m.word(50);
    List<String> names = new ArrayList<>();
    for (E e : of.getEnumConstants()) {
      String n = named(e);
      if (n.equals(word)) {
        return e;
      }
      names.add(n);
    }
    throw m.wrong('"' + word + "\" is not one of " + String.join(", ", names) + ".");
  }

  public static String named(Enum<?> e) {
    return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private static String say(double d) {
    return d == Math.rint(d) && Math.abs(d) < 1e9
        ? String.valueOf((long) d)
        : String.valueOf((float) d);
  }
}
