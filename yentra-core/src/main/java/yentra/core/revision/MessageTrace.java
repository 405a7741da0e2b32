package yentra.core.revision;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.finding.Finding;

/**
 * Finds the objects that a simulation's messages speak of. Ids and names of spaces, surfaces,
 * openings, constructions, layers, materials, window types, storeys and zones are looked for in any
 * text, in any case, with any signs between their parts, cut off behind at least ten signs when
 * only one can be meant; ids of the source elements count as well, and those that the last handed
 * over file had. "Layer 2" behind a construction is its second layer.
 */
public final class MessageTrace {
  private static final Pattern LAYER =
      Pattern.compile("(?i)\\blayer\\W{0,3}(?:no\\.?|number|#)?\\W{0,3}(\\d{1,2})\\b");
  private static final int LONGEST = 2_000_000;
  private static final int MOST = 2_000;

  private final Map<String, List<Finding>> findings = new HashMap<>();
  private final NameIndex names;
  private final TracedFacts.Parts parts;

  /**
   * An object that a line speaks of.
   *
   * @param line number from 1
   * @param text what in the line names it
   * @param kind what it is
   * @param key its key; of a layer or material that of the construction that has it
   * @param select keys of spaces, surfaces or openings to show
   * @param title in words
   * @param facts what it is, where it lies, of what it is made, where it comes from
   * @param findings ids of findings about it
   */
  public record Hit(
      int line,
      String text,
      String kind,
      String key,
      List<String> select,
      String title,
      List<String> facts,
      List<String> findings) {
    public Hit {
      select = List.copyOf(select);
      facts = List.copyOf(facts);
      findings = List.copyOf(findings);
    }
  }

  /**
   * @param lines of the text, those without a hit as well
   * @param more more was found than is told
   */
  public record Traced(List<String> lines, List<Hit> hits, boolean more) {}

  /**
   * @param naming what people call its objects
   * @param handedOver what the last handed over file holds, or null
   */
  public MessageTrace(Envelope envelope, Naming naming, List<Finding> all, Envelope handedOver) {
    for (Finding f : all) {
      for (String o : f.objects()) {
        findings.computeIfAbsent(o, k -> new ArrayList<>()).add(f);
      }
    }
    this.names = new NameIndex(envelope, handedOver);
    this.parts = TracedFacts.Parts.of(envelope, naming);
  }

  /** Goes through a text; no longer one than two million signs is looked at. */
  public Traced of(String text) {
    List<String> lines =
        List.of(text.substring(0, Math.min(text.length(), LONGEST)).split("\r\n|\r|\n", -1));
    List<Hit> hits = new ArrayList<>();
    boolean more = text.length() > LONGEST;
    for (int i = 0; i < lines.size(); i++) {
      if (hits.size() >= MOST) {
        more = true;
        break;
      }
      line(i + 1, lines.get(i), hits);
    }
    return new Traced(lines, hits, more);
  }

  private void line(int number, String line, List<Hit> hits) {
    List<NameIndex.Word> words = NameIndex.words(line);
    Map<String, Hit> here = new LinkedHashMap<>();
    int told = 0;
    for (int i = 0; i < words.size(); i++) {
      NameIndex.Found found = names.at(words, i);
      // two names may share a word, as "Zone 3" and "3 Bath" in "Zone 3 Bath"; one in another is
      // not meant
      if (found != null && i + found.words() > told) {
        told = i + found.words();
        NameIndex.Name n = found.name();
        String said = line.substring(words.get(i).from(), words.get(told - 1).to());
        TracedFacts f = TracedFacts.of(parts, n);
        List<String> covered = n.former() ? List.of() : ids(n.key());
        here.putIfAbsent(
            n.kind() + n.key(),
            new Hit(number, said, n.kind(), n.key(), f.select(), f.title(), f.facts(), covered));
        if (n.kind().equals("construction")) {
          layer(number, line, n.key(), here);
        }
      }
    }
    hits.addAll(here.values());
  }

  /** The layer of a construction that a line names by its place. */
  private void layer(int number, String line, String construction, Map<String, Hit> here) {
    Matcher l = LAYER.matcher(line);
    if (!l.find()) {
      return;
    }
    int place = Integer.parseInt(l.group(1));
    parts
        .material(construction, place)
        .ifPresent(
            m -> {
              TracedFacts f = TracedFacts.ofLayer(parts, construction, place, m);
              List<String> covered = new ArrayList<>(ids(m));
              covered.addAll(ids(construction));
              here.putIfAbsent(
                  "layer" + m + place,
                  new Hit(
                      number,
                      l.group(),
                      "layer",
                      m,
                      f.select(),
                      f.title(),
                      f.facts(),
                      covered.stream().distinct().toList()));
            });
  }

  private List<String> ids(String key) {
    return findings.getOrDefault(key, List.of()).stream()
        .map(f -> f.id().toString())
        .distinct()
        .toList();
  }
}
