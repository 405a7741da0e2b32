package yentra.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yentra.core.envelope.Envelope;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * Values told as text, a line each, and compared with a text that was read by a person and is kept
 * beside the tests. Such a text holds what no single test would name: every figure, key and word of
 * a whole answer. What is new stands in {@code target/recorded}; when it is meant, it is taken over
 * from there.
 */
public final class Recorded {
  private Recorded() {}

  /** Fails where a line differs from the text of this name, and leaves what is new to be read. */
  public static void same(String name, List<String> lines) throws IOException {
    String now = String.join("\n", lines) + "\n";
    Path file = Path.of("target", "recorded", name + ".txt");
    Files.createDirectories(file.getParent());
    Files.writeString(file, now);
    try (InputStream in = Recorded.class.getResourceAsStream("/recorded/" + name + ".txt")) {
      assertThat(in).as("there is no text " + name + " yet; what is new: " + file).isNotNull();
      assertThat(lines)
          .as("what is new: " + file)
          .isEqualTo(new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList());
    }
  }

  /** What an envelope lost, gained and has otherwise, in the order of its lists. */
  public static List<String> change(Envelope before, Envelope after) {
    Map<String, Object> old = parts(before);
    List<String> out = new ArrayList<>();
    parts(after)
        .forEach(
            (name, now) -> {
              Object was = old.remove(name);
              if (was == null) {
                out.add("    + " + told(now));
              } else if (!told(was).equals(told(now))) {
                out.add("    ~ " + name + ": " + differences(was, now));
              }
            });
    old.values().forEach(x -> out.add("    - " + told(x)));
    return out;
  }

  /** All that an envelope is made of, by kind and key, or by place where it has no key. */
  private static Map<String, Object> parts(Envelope e) {
    Map<String, Object> out = new LinkedHashMap<>();
    for (RecordComponent c : Envelope.Parts.class.getRecordComponents()) {
      Object value = value(c, e.parts());
      int n = 0;
      for (Object x : value instanceof Collection<?> all ? all : List.of(value)) {
        RecordComponent[] members = ((Record) x).getClass().getRecordComponents();
        boolean keyed = members[0].getName().equals("key");
        out.put(c.getName() + " " + (keyed ? value(members[0], x) : n++), x);
      }
    }
    return out;
  }

  /** Members that are told otherwise. */
  private static String differences(Object was, Object now) {
    List<String> out = new ArrayList<>();
    for (RecordComponent c : was.getClass().getRecordComponents()) {
      String a = told(value(c, was));
      String b = told(value(c, now));
      if (!a.equals(b)) {
        out.add(c.getName() + " " + (a.isEmpty() ? "nothing" : a) + " > " + b);
      }
    }
    return String.join("; ", out);
  }

  private static Object value(RecordComponent c, Object of) {
    try {
      c.getAccessor().setAccessible(true);
      return c.getAccessor().invoke(of);
    } catch (ReflectiveOperationException x) {
      throw new IllegalStateException(x);
    }
  }

  /** A value with all that it holds, without what is empty; numbers to a millionth. */
  public static String told(Object o) {
    if (o == null) {
      return "";
    }
    if (o instanceof Double d) {
      return Double.isFinite(d)
          ? new BigDecimal(d)
              .setScale(6, RoundingMode.HALF_EVEN)
              .stripTrailingZeros()
              .toPlainString()
          : d.toString();
    }
    if (o instanceof Optional<?> x) {
      return told(x.orElse(null));
    }
    if (o instanceof Vec3 p) {
      return told(p.x()) + " " + told(p.y()) + " " + told(p.z());
    }
    if (o instanceof Polygon p) {
      return told(p.rings());
    }
    if (o instanceof Map<?, ?> m) {
      return m.isEmpty() ? "" : told(List.copyOf(m.entrySet()));
    }
    if (o instanceof Map.Entry<?, ?> e) {
      return told(e.getKey()) + ": " + told(e.getValue());
    }
    if (o instanceof Collection<?> c) {
      return c.isEmpty()
          ? ""
          : "[" + String.join(", ", c.stream().map(Recorded::told).toList()) + "]";
    }
    if (o instanceof Record r) {
      List<String> parts = new ArrayList<>();
      for (RecordComponent c : r.getClass().getRecordComponents()) {
        Object value = value(c, r);
        String t = told(value);
        if (!t.isEmpty() && !Boolean.FALSE.equals(value)) {
          parts.add(c.getName() + " " + t);
        }
      }
      return parts.isEmpty()
          ? ""
          : r.getClass().getSimpleName() + "{" + String.join("; ", parts) + "}";
    }
    return o.toString();
  }
}
