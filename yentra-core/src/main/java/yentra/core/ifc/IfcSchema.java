package yentra.core.ifc;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * The entities of one IFC schema: supertypes, attributes in order, literals of enumerations.
 *
 * <p>Source: the EXPRESS schemas of IFC2X3 TC1, IFC4 ADD2 TC1 and IFC4X3 ADD2 (ISO 16739), through
 * the tables that {@code bin/ifc-schema.py} writes.
 */
public final class IfcSchema {
  private final String name;
  private final Map<String, Entity> entities = new HashMap<>();

  /** What kind of value an attribute takes. */
  public enum Kind {
    NUMBER,
    TEXT,
    LOGICAL,
    REFERENCE,
    LIST,
    ENUMERATION,
    ANY
  }

  /**
   * An explicit attribute.
   *
   * @param literals of an enumeration, in upper case; else empty
   */
  public record Attribute(String name, Kind kind, boolean optional, Set<String> literals) {}

  /**
   * An entity.
   *
   * @param name in its proper capitals
   * @param parent its supertype, or null
   * @param attributes those of its supertypes first
   */
  public record Entity(String name, Entity parent, List<Attribute> attributes) {
    /** Whether it is this entity or a subtype of it; capitals do not matter. */
    public boolean is(String other) {
      for (Entity e = this; e != null; e = e.parent) {
        if (e.name.equalsIgnoreCase(other)) {
          return true;
        }
      }
      return false;
    }

    /** The place of an attribute, or -1. */
    public int index(String attribute) {
      for (int i = 0; i < attributes.size(); i++) {
        if (attributes.get(i).name.equalsIgnoreCase(attribute)) {
          return i;
        }
      }
      return -1;
    }
  }

  /** Holds each table once it is asked for. */
  private enum Known {
    IFC2X3,
    IFC4,
    IFC4X3;

    private final IfcSchema schema = new IfcSchema(name());
  }

  private static final Known[] NONE = {};
  private static final Known[] OTHERS = {Known.IFC4X3, Known.IFC4, Known.IFC2X3};

  private IfcSchema(String name) {
    this.name = name;
    read("/yentra/core/ifc/" + name.toLowerCase(Locale.ROOT) + ".txt");
  }

  /** The schema that FILE_SCHEMA names; IFC4 where it is not known. */
  public static IfcSchema of(String stated) {
    String s = stated.toUpperCase(Locale.ROOT);
    return s.startsWith("IFC2X3")
        ? Known.IFC2X3.schema
        : s.startsWith("IFC4X") && !s.startsWith("IFC4X1") && !s.startsWith("IFC4X2")
            ? Known.IFC4X3.schema
            : Known.IFC4.schema;
  }

  /** Whether FILE_SCHEMA names a schema that these tables are for. */
  public static boolean isKnown(String stated) {
    return stated.matches("IFC2X3.*|IFC4(X\\d.*|_ADD\\d.*)?");
  }

  public String name() {
    return name;
  }

  /**
   * The entity of this name, in any capitals: of this schema, or of another, since exporters mix
   * them; null when no schema has it.
   */
  public Entity entity(String of) {
    String key = of.toUpperCase(Locale.ROOT);
    Entity own = entities.get(key);
    for (Known k : own == null ? OTHERS : NONE) {
      own = own == null ? k.schema.entities.get(key) : own;
    }
    return own;
  }

  /** Whether a type is one of some entities or a subtype of one. */
  public boolean is(String type, String... of) {
    Entity e = entity(type);
    if (e == null) {
      return Arrays.stream(of).anyMatch(type::equalsIgnoreCase);
    }
    return Arrays.stream(of).anyMatch(e::is);
  }

  /** The name of a type in its proper capitals; of an unknown one as it stands in the file. */
  public String proper(String type) {
    Entity e = entity(type);
    return e == null ? type : e.name;
  }

  /** The entities that are this one or a subtype of it, by name. */
  public List<Entity> family(String of) {
    return new TreeMap<>(entities).values().stream().filter(e -> e.is(of)).toList();
  }

  /** The place of an attribute of a type, or -1. */
  public int index(String type, String attribute) {
    Entity e = entity(type);
    return e == null ? -1 : e.index(attribute);
  }

  private void read(String resource) {
    Map<String, Set<String>> enumerations = new HashMap<>();
    Map<String, String[]> lines = new HashMap<>();
    try (InputStream in = IfcSchema.class.getResourceAsStream(resource);
        BufferedReader r =
            new BufferedReader(new InputStreamReader(in, StandardCharsets.US_ASCII))) {
      for (String line = r.readLine(); line != null; line = r.readLine()) {
        String[] words = line.split(" ");
        if (line.startsWith("#")) {
          enumerations.put(
              words[0].substring(1), Set.copyOf(Arrays.asList(words).subList(1, words.length)));
        } else {
          lines.put(words[0], words);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    lines.keySet().forEach(n -> add(n, lines, enumerations));
  }

  private Entity add(
      String of, Map<String, String[]> lines, Map<String, Set<String>> enumerations) {
    String key = of.toUpperCase(Locale.ROOT);
    Entity known = entities.get(key);
    if (known != null) {
      return known;
    }
    String[] words = lines.get(of);
    Entity parent = words[1].equals("-") ? null : add(words[1], lines, enumerations);
    List<Attribute> attributes = new ArrayList<>(parent == null ? List.of() : parent.attributes);
    for (String w : Arrays.asList(words).subList(2, words.length)) {
      String[] parts = w.split(":");
      boolean optional = parts[1].startsWith("?");
      String kind = parts[1].substring(optional ? 1 : 0);
      attributes.add(
          new Attribute(
              parts[0],
              kind(kind.charAt(0)),
              optional,
              kind.charAt(0) == 'e' ? enumerations.get(kind.substring(1)) : Set.of()));
    }
    Entity e = new Entity(of, parent, List.copyOf(attributes));
    entities.put(key, e);
    return e;
  }

  private static Kind kind(char c) {
    return switch (c) {
      case 'n' -> Kind.NUMBER;
      case 's' -> Kind.TEXT;
      case 'b' -> Kind.LOGICAL;
      case 'r' -> Kind.REFERENCE;
      case 'l' -> Kind.LIST;
      case 'e' -> Kind.ENUMERATION;
      default -> Kind.ANY;
    };
  }
}
