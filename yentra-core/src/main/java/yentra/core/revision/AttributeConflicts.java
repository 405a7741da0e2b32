package yentra.core.revision;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.UnaryOperator;
import yentra.core.envelope.Envelope;

/**
 * Attributes that a repair changed on one revision and that the architect has changed, too, in the
 * next: which of the two counts is for a person to say. Shapes are not among them; a repair of a
 * shape either fits the new one or fails.
 */
final class AttributeConflicts {
  /** What an object is, rather than what is said of it. */
  private static final Set<String> NO_ATTRIBUTES = Set.of("key", "kind", "source", "element");

  private final Map<String, Map<String, Object>> delivered;
  private final Map<String, Map<String, Object>> next;
  private final UnaryOperator<String> keys;

  /**
   * @param delivered the revision that the repairs were made on, before all of them
   * @param next the other revision, before all of them
   * @param keys gives the key that an object has in the other revision
   */
  AttributeConflicts(Envelope delivered, Envelope next, UnaryOperator<String> keys) {
    this.delivered = attributes(delivered);
    this.next = attributes(next);
    this.keys = keys;
  }

  /**
   * One sentence for each attribute that both have changed, and not to the same.
   *
   * @param before the state that the repair was made on
   * @param after what it made
   */
  List<String> of(Envelope before, Envelope after) {
    Map<String, Map<String, Object>> was = attributes(before);
    List<String> out = new ArrayList<>();
    attributes(after)
        .forEach(
            (key, made) -> {
              Map<String, Object> then = was.get(key);
              Map<String, Object> old = delivered.get(key);
              Map<String, Object> now = next.get(keys.apply(key));
              if (then == null || old == null || now == null) {
                return;
              }
              made.forEach(
                  (field, value) -> {
                    boolean ours = !Objects.equals(then.get(field), value);
                    boolean theirs = !same(old.get(field), now.get(field));
                    if (ours && theirs && !same(value, now.get(field))) {
                      out.add(
                          "The architect has changed "
                              + field
                              + " of "
                              + called(now, key)
                              + " from "
                              + shown(old.get(field))
                              + " to "
                              + shown(now.get(field))
                              + "; the repair says "
                              + shown(value)
                              + ".");
                    }
                  });
            });
    return out;
  }

  /** The same value, or the key of the same object. */
  private boolean same(Object old, Object now) {
    return Objects.equals(old, now) || old instanceof String s && keys.apply(s).equals(now);
  }

  private static Object called(Map<String, Object> object, String key) {
    Object name = object.get("name");
    return name == null || name.equals("") ? key : name;
  }

  private static String shown(Object v) {
    return v == null || v.equals("") ? "nothing" : String.valueOf(v);
  }

  /** Values by what they are called, for each object by its key. */
  private static Map<String, Map<String, Object>> attributes(Envelope e) {
    Map<String, Map<String, Object>> out = new HashMap<>();
    for (List<? extends Record> list :
        List.of(
            e.spaces(),
            e.zones(),
            e.storeys(),
            e.surfaces(),
            e.constructions(),
            e.layers(),
            e.materials(),
            e.glazings())) {
      for (Record r : list) {
        add(r, out);
      }
    }
    e.surfaces().forEach(s -> s.openings().forEach(o -> add(o, out)));
    e.orphans().forEach(o -> add(o, out));
    return out;
  }

  private static void add(Record r, Map<String, Map<String, Object>> out) {
    Map<String, Object> values = new LinkedHashMap<>();
    flatten(r, "", values);
    out.put(String.valueOf(value(r, r.getClass().getRecordComponents()[0])), values);
  }

  /**
   * @param of what stands before the names, since schedules are called as what they are for
   */
  private static void flatten(Record r, String of, Map<String, Object> values) {
    for (RecordComponent c : r.getClass().getRecordComponents()) {
      Class<?> type = c.getType();
      if (NO_ATTRIBUTES.contains(c.getName())) {
        continue;
      }
      if (type == String.class || type == Double.class || type == Boolean.class || type.isEnum()) {
        values.put(of + words(c.getName()), value(r, c));
      } else if (type.isRecord()
          && type.getSimpleName().matches("InternalGains|AirExchange|Zone.*|.*Schedules")) {
        Record inner = (Record) value(r, c);
        if (inner != null) {
          boolean schedules = type.getSimpleName().endsWith("Schedules");
          flatten(inner, schedules ? "schedule of " : of, values);
        }
      }
    }
  }

  private static Object value(Record r, RecordComponent c) {
    try {
      return c.getAccessor().invoke(r);
    } catch (IllegalAccessException | InvocationTargetException e) {
      throw new IllegalStateException("a record tells its components", e);
    }
  }

  /** "heating set point" of heatingSetPoint. */
  private static String words(String name) {
    return name.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(Locale.ROOT);
  }
}
