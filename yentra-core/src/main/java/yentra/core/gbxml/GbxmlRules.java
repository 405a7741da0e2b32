package yentra.core.gbxml;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The structure of gbXML documents, kept as data ({@code rules.txt}): which attributes an element
 * must have, of what type they are, and its children with their order and number.
 */
final class GbxmlRules {
  /** The one set of rules; versions differ by when an attribute came in. */
  static final GbxmlRules STANDARD = load();

  /**
   * An attribute.
   *
   * @param type {@code id}, {@code ref:…}, {@code text}, {@code number}, {@code boolean} or the
   *     name of an enumeration
   * @param since the version that brought it, or empty
   */
  record Attribute(String name, String type, boolean required, String since) {}

  /** How often a child stands in its element. */
  record Child(int rank, int least, boolean many) {}

  /**
   * An element.
   *
   * @param ordered whether its children have one order
   * @param text the type of its text; null for one with children
   */
  record Rule(
      String name,
      Map<String, Attribute> attributes,
      Map<String, Child> children,
      boolean ordered,
      String text) {
    /** The place of a child; what is not known stands behind what is. */
    int rank(String child) {
      Child c = children.get(child);
      return c == null ? Integer.MAX_VALUE : c.rank;
    }
  }

  private final Map<String, Rule> rules = new HashMap<>();
  private final Map<String, Set<String>> enumerations = new HashMap<>();

  private GbxmlRules() {}

  /** The rule of an element; null for one that is not known. */
  Rule of(String element) {
    return rules.get(element);
  }

  /** The literals of an enumeration; null for another type. */
  Set<String> literals(String type) {
    return enumerations.get(type);
  }

  private static GbxmlRules load() {
    GbxmlRules r = new GbxmlRules();
    try (InputStream in = GbxmlRules.class.getResourceAsStream("rules.txt");
        BufferedReader lines =
            new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
      lines
          .lines()
          .map(String::strip)
          .filter(l -> !l.isEmpty() && !l.startsWith("#"))
          .forEach(r::line);
    } catch (IOException e) {
      throw new UncheckedIOException("rules.txt is part of the product", e);
    }
    return r;
  }

  private void line(String line) {
    if (line.startsWith("enum ")) {
      List<String> words = Arrays.asList(line.split(" +"));
      enumerations.put(words.get(1), new LinkedHashSet<>(words.subList(2, words.size())));
      return;
    }
    String[] parts = line.split("\\|", -1);
    String name = parts[0].strip();
    Map<String, Attribute> attributes = new LinkedHashMap<>();
    for (String a : words(parts[1])) {
      attributes.put(a.substring(0, a.indexOf('=')), attribute(a));
    }
    String content = parts[2].strip();
    Map<String, Child> children = new LinkedHashMap<>();
    boolean leaf = content.startsWith("#");
    if (!leaf) {
      for (String c : words(content.replace("~", ""))) {
        char last = c.charAt(c.length() - 1);
        boolean plain = "?*+".indexOf(last) < 0;
        children.put(
            plain ? c : c.substring(0, c.length() - 1),
            new Child(children.size(), plain || last == '+' ? 1 : 0, last == '*' || last == '+'));
      }
    }
    rules.put(
        name,
        new Rule(
            name,
            attributes,
            children,
            !content.startsWith("~"),
            leaf ? content.substring(1) : null));
  }

  private static List<String> words(String text) {
    List<String> out = new ArrayList<>(Arrays.asList(text.strip().split(" +")));
    out.removeIf(String::isEmpty);
    return out;
  }

  private static Attribute attribute(String text) {
    int at = text.indexOf('=');
    String type = text.substring(at + 1);
    int since = type.indexOf('@');
    String from = since < 0 ? "" : type.substring(since + 1);
    type = since < 0 ? type : type.substring(0, since);
    boolean required = type.endsWith("!");
    return new Attribute(
        text.substring(0, at),
        required ? type.substring(0, type.length() - 1) : type,
        required,
        from);
  }
}
