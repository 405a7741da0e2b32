package yentra.core.revision;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;

/**
 * Ids and names of objects by their first word, and ids by their beginning, so that what a text
 * says is found in any case and with any signs between the parts.
 */
final class NameIndex {
  private static final Pattern TOKEN = Pattern.compile("[\\p{L}\\p{N}$]+");

  /** Ids are recognised by so many signs of their beginning. */
  private static final int CUT = 10;

  private final Envelope now;
  private final Map<String, List<Name>> byFirst = new HashMap<>();
  private final TreeMap<String, Name> longer = new TreeMap<>();

  /**
   * @param kind "space", "surface", "opening", "construction", "layer", "material", "window type",
   *     "storey" or "zone"
   * @param former the handed over file had it, the envelope has it no more
   */
  record Name(List<String> tokens, String kind, String key, boolean id, boolean former) {}

  /** A word of a line, in capitals, and where it stands. */
  record Word(String text, int from, int to) {}

  /** A name that a line says, in so many words. */
  record Found(Name name, int words) {}

  /**
   * @param handedOver what the last handed over file holds, or null
   */
  NameIndex(Envelope now, Envelope handedOver) {
    this.now = now;
    add(now, false);
    if (handedOver != null) {
      add(handedOver, true);
    }
    byFirst
        .values()
        .forEach(
            l ->
                l.sort(
                    (a, b) -> {
                      int longest = Integer.compare(b.tokens.size(), a.tokens.size());
                      return longest != 0
                          ? longest
                          : a.former != b.former
                              ? Boolean.compare(a.former, b.former)
                              : Boolean.compare(b.id, a.id);
                    }));
  }

  static List<Word> words(String line) {
    List<Word> out = new ArrayList<>();
    Matcher m = TOKEN.matcher(line);
    while (m.find()) {
      out.add(new Word(m.group().toUpperCase(Locale.ROOT), m.start(), m.end()));
    }
    return out;
  }

  /**
   * The longest name that begins with a word, or an id that was cut off; null when there is none.
   */
  Found at(List<Word> words, int at) {
    Name n = longest(words, at);
    return n == null ? cutOff(words, at) : new Found(n, n.tokens.size());
  }

  void add(Envelope e, boolean former) {
    for (Space s : e.spaces()) {
      if (!former || now.space(s.key()).isEmpty()) {
        id(s.key(), "space", s.key(), former);
        source(s.source(), "space", s.key(), former);
        name(s.name(), "space", s.key(), former);
      }
    }
    for (Surface s : e.surfaces()) {
      if (!former || now.surface(s.key()).isEmpty()) {
        id(s.key(), "surface", s.key(), former);
        source(s.source(), "surface", s.key(), former);
        source(s.element(), "surface", s.key(), former);
        name(s.name(), "surface", s.key(), former);
      }
      for (Opening o : s.openings()) {
        opening(o, former);
      }
    }
    e.orphans().forEach(o -> opening(o, former));
    e.constructions()
        .forEach(
            c -> {
              id(c.key(), "construction", c.key(), former);
              name(c.name(), "construction", c.key(), former);
            });
    e.layers().forEach(l -> id(l.key(), "layer", l.key(), former));
    e.layers().forEach(l -> name(l.name(), "layer", l.key(), former));
    e.materials()
        .forEach(
            m -> {
              id(m.key(), "material", m.key(), former);
              name(m.name(), "material", m.key(), former);
            });
    e.glazings()
        .forEach(
            g -> {
              id(g.key(), "window type", g.key(), former);
              name(g.name(), "window type", g.key(), former);
            });
    e.storeys().forEach(s -> name(s.name(), "storey", s.key(), former));
    e.zones()
        .forEach(
            z -> {
              id(z.key(), "zone", z.key(), former);
              name(z.name(), "zone", z.key(), former);
            });
  }

  private void opening(Opening o, boolean former) {
    if (!former || now.opening(o.key()).isEmpty()) {
      id(o.key(), "opening", o.key(), former);
      source(o.source(), "opening", o.key(), former);
      source(o.element(), "opening", o.key(), former);
      name(o.name(), "opening", o.key(), former);
    }
  }

  private void source(SourceRef s, String kind, String key, boolean former) {
    if (s != null) {
      id(s.id(), kind, key, former);
      name(s.name(), kind, key, former);
    }
  }

  private void id(String id, String kind, String key, boolean former) {
    put(id, kind, key, true, former);
  }

  /** Short names and bare numbers would be found everywhere. */
  private void name(String name, String kind, String key, boolean former) {
    if (name != null && name.strip().length() >= 3 && !name.matches("[\\d\\s.,-]*")) {
      put(name, kind, key, false, former);
    }
  }

  private void put(String text, String kind, String key, boolean id, boolean former) {
    List<String> tokens = tokens(text);
    if (tokens.isEmpty() || tokens.size() > 12 || text.length() < 2) {
      return;
    }
    Name n = new Name(tokens, kind, key, id, former);
    List<Name> list = byFirst.computeIfAbsent(tokens.get(0), k -> new ArrayList<>());
    boolean known =
        list.stream().anyMatch(o -> o.tokens.equals(tokens) && (o.former == former || former));
    if (!known) {
      list.add(n);
      String whole = String.join("", tokens);
      if (id && whole.length() > CUT) {
        longer.putIfAbsent(whole, n);
      }
    }
  }

  private static List<String> tokens(String text) {
    List<String> out = new ArrayList<>();
    Matcher m = TOKEN.matcher(text);
    while (m.find()) {
      out.add(m.group().toUpperCase(Locale.ROOT));
    }
    return out;
  }

  private Name longest(List<Word> tokens, int at) {
    for (Name n : byFirst.getOrDefault(tokens.get(at).text, List.of())) {
      boolean fits = at + n.tokens.size() <= tokens.size();
      for (int k = 1; fits && k < n.tokens.size(); k++) {
        fits = tokens.get(at + k).text.equals(n.tokens.get(k));
      }
      if (fits) {
        return n;
      }
    }
    return null;
  }

  /** An id that a program has cut off, when only one begins so; the most signs that fit. */
  private Found cutOff(List<Word> tokens, int at) {
    StringBuilder b = new StringBuilder();
    Found best = null;
    for (int i = at; i < Math.min(at + 12, tokens.size()); i++) {
      b.append(tokens.get(i).text);
      String start = b.toString();
      var it = longer.tailMap(start, true).entrySet().iterator();
      if (!it.hasNext()) {
        break;
      }
      var first = it.next();
      if (!first.getKey().startsWith(start)) {
        break;
      }
      boolean only = !it.hasNext() || !it.next().getKey().startsWith(start);
      if (only && start.length() >= CUT && start.chars().anyMatch(Character::isDigit)) {
        best = new Found(first.getValue(), i - at + 1);
      }
    }
    return best;
  }
}
