package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.envelope.ReadNote;
import yentra.core.model.Body;
import yentra.core.model.Element;

/**
 * What the bodies of a model's elements had to be simplified to, and which could not be read: a
 * note for each class and manner, for the intake report. Spaces are left to {@link IfcReader},
 * which names each of them.
 */
public final class BodyReport {
  private static final String FACETTED = "with curved faces that became flat ones";

  private BodyReport() {}

  private record Manner(String entity, ReadNote.Kind kind, String text)
      implements Comparable<Manner> {
    @Override
    public int compareTo(Manner o) {
      int c = entity.compareTo(o.entity);
      c = c != 0 ? c : kind.compareTo(o.kind);
      return c != 0 ? c : text.compareTo(o.text);
    }
  }

  private record Tally(int count, double chordError, Element first) {
    Tally and(Tally o) {
      return new Tally(
          count + o.count,
          Math.max(chordError, o.chordError),
          first.number() <= o.first.number() ? first : o.first);
    }
  }

  /** The notes, by class; reads all bodies. */
  public static List<ReadNote> of(IfcModel model) {
    List<Element> elements =
        model.elements().stream().filter(e -> !model.isKind(e.entity(), "IfcSpace")).toList();
    List<Body> bodies = elements.parallelStream().map(model::body).toList();
    Map<Manner, Tally> tallies = new TreeMap<>();
    for (int i = 0; i < elements.size(); i++) {
      Element e = elements.get(i);
      Body b = bodies.get(i);
      if (b.problem() != null) {
        tallies.merge(
            new Manner(e.entity(), ReadNote.Kind.LEFT_OUT, "cannot be read"),
            new Tally(1, 0, e),
            Tally::and);
        continue;
      }
      List<String> manners = new ArrayList<>();
      b.approximations().forEach(a -> manners.add("simplified: " + a));
      if (b.chordError() > 0) {
        manners.add(FACETTED);
      }
      for (String m : manners) {
        tallies.merge(
            new Manner(e.entity(), ReadNote.Kind.APPROXIMATED, m),
            new Tally(1, m.equals(FACETTED) ? b.chordError() : 0, e),
            Tally::and);
      }
    }
    List<ReadNote> out = new ArrayList<>();
    tallies.forEach(
        (m, t) ->
            out.add(
                ReadNote.of(
                        m.kind,
                        String.format(
                            Locale.ROOT,
                            "%,d %s of %s %s%s",
                            t.count,
                            t.count == 1 ? "body" : "bodies",
                            m.entity,
                            m.text,
                            more(model, m, t)))
                    .on(m.entity, "")
                    .times(t.count)
                    .at(t.first.source().line(), 0)));
    return out;
  }

  private static String more(IfcModel model, Manner m, Tally t) {
    if (m.kind == ReadNote.Kind.LEFT_OUT) {
      return (t.count > 1 ? "; the first because " : " because ") + model.body(t.first).problem();
    }
    return t.chordError > 0
        ? String.format(Locale.ROOT, ", at most %.1f mm from the curve", t.chordError * 1000)
        : "";
  }
}
