package yentra.core.revision;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import yentra.core.boundary.SpaceVolume;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Two revisions of a delivery held against each other, object by object, with measures. Objects are
 * the same when they have the same id and touch each other's place; else they are recognised by
 * geometry: spaces that fill at least half of each other's box, surfaces in one plane that cover
 * each other to at least 80 %, openings likewise. What is left has its id to go by: it has moved.
 * Many programs number anew with every export, so an id alone is not trusted. Constructions and the
 * like are recognised by id or name.
 *
 * <p>Metres, m², m³; coordinates of both are taken from the common origin of the files.
 */
public final class RevisionComparison {
  private final Envelope before;
  private final Envelope after;
  private final Rules rules;
  private final Tolerance tolerance;
  private final SamePlace place;
  private final Recognition recognition;
  private final Naming namesBefore;
  private final Naming namesAfter;
  private final List<Entry> entries = new ArrayList<>();

  /** What has become of an object. */
  public enum Change {
    ADDED,
    REMOVED,
    MOVED,
    CHANGED
  }

  /**
   * One object that differs.
   *
   * @param kind "space", "surface", "opening" or "construction"
   * @param before its key in the first revision, or null
   * @param after its key in the second, or null
   * @param name in words
   * @param details what differs, with measures
   * @param byGeometry its id is another, it was recognised by where it lies or what it is called
   */
  public record Entry(
      Change change,
      String kind,
      String before,
      String after,
      String name,
      List<String> details,
      boolean byGeometry) {
    public Entry {
      details = List.copyOf(details);
    }
  }

  private RevisionComparison(Envelope before, Envelope after, Rules rules) {
    this.before = before;
    this.after = after;
    this.rules = rules;
    this.tolerance = rules.tolerance();
    this.place = new SamePlace(before, after, tolerance);
    this.recognition = new Recognition(before, after, place, tolerance);
    this.namesBefore = new Naming(before, rules.types());
    this.namesAfter = new Naming(after, rules.types());
  }

  /** Compares two revisions. */
  public static RevisionComparison of(Envelope before, Envelope after, Rules rules) {
    RevisionComparison c = new RevisionComparison(before, after, rules);
    c.spaces();
    c.surfaces();
    c.openings();
    c.constructions();
    return c;
  }

  /** What differs: spaces, surfaces, openings, constructions, each in the order of the files. */
  public List<Entry> entries() {
    return List.copyOf(entries);
  }

  /** The key that an object of the first revision has in the second; the same key when unknown. */
  public String now(String key) {
    return recognition.now(key);
  }

  /** Keys of the first revision whose objects the second has not. */
  public Set<String> removed() {
    Set<String> out = new HashSet<>();
    for (Entry e : entries) {
      if (e.change() == Change.REMOVED) {
        out.add(e.before());
      }
    }
    return out;
  }

  /** Keys of the first revision whose objects have another key in the second. */
  public Map<String, String> renamed() {
    Map<String, String> out = new LinkedHashMap<>();
    recognition
        .keys()
        .forEach(
            (a, b) -> {
              if (!a.equals(b)) {
                out.put(a, b);
              }
            });
    return out;
  }

  // --- spaces

  private void spaces() {
    SpaceVolumes a = SpaceVolumes.of(before, rules);
    SpaceVolumes b = SpaceVolumes.of(after, rules);
    Recognition.Match<Space> same = recognition.spaces(a, b);
    for (Space s : before.spaces()) {
      String now = same.pairs().get(s.key());
      if (now == null) {
        add(Change.REMOVED, "space", s.key(), null, s.label(), List.of(figures(a.of(s.key()))));
      } else {
        compare(s, after.space(now).orElseThrow(), a.of(s.key()), b.of(now));
      }
    }
    for (Space s : same.come()) {
      add(Change.ADDED, "space", null, s.key(), s.label(), List.of(figures(b.of(s.key()))));
    }
  }

  private static String figures(SpaceVolume v) {
    return String.format(Locale.ROOT, "%.2f m², %.2f m³", v.floorArea(), v.volume());
  }

  private void compare(Space s, Space t, SpaceVolume a, SpaceVolume b) {
    List<String> details = new ArrayList<>();
    text(details, "name", s.name(), t.name());
    text(details, "storey", storey(before, s), storey(after, t));
    text(details, "use", s.use(), t.use());
    boolean sized =
        number(details, "floor area", a.floorArea(), b.floorArea(), "m²")
            | number(details, "volume", a.volume(), b.volume(), "m³");
    double far = 0;
    if (!a.faces().box().isEmpty() && !b.faces().box().isEmpty()) {
      far = a.faces().box().centre().distance(place.back(b.faces().box().centre()));
    }
    boolean moved = !sized && far > tolerance.gap();
    if (moved) {
      details.add(String.format(Locale.ROOT, "moved by %.3f m", far));
    }
    differing(details, moved, "space", s.key(), t.key(), t.label());
  }

  private static String storey(Envelope e, Space s) {
    return e.storey(s.storey()).map(x -> x.name()).orElse(s.storey() == null ? "" : s.storey());
  }

  // --- surfaces

  private void surfaces() {
    Recognition.Match<Surface> same = recognition.surfaces();
    for (Surface s : before.surfaces()) {
      String now = same.pairs().get(s.key());
      if (now == null) {
        add(
            Change.REMOVED,
            "surface",
            s.key(),
            null,
            namesBefore.surface(s),
            List.of(area(s.polygon())));
      } else {
        compare(s, after.surface(now).orElseThrow());
      }
    }
    for (Surface s : same.come()) {
      add(
          Change.ADDED,
          "surface",
          null,
          s.key(),
          namesAfter.surface(s),
          List.of(area(s.polygon())));
    }
  }

  private static String area(Polygon p) {
    return String.format(Locale.ROOT, "%.2f m²", p.area());
  }

  private void compare(Surface s, Surface t) {
    List<String> details = new ArrayList<>();
    text(details, "type", s.type().gbxml(), t.type().gbxml());
    text(details, "exposure", s.exposure().label(), t.exposure().label());
    List<String> was = s.sides().stream().map(Side::space).map(recognition::now).toList();
    List<String> is = t.sides().stream().map(Side::space).toList();
    if (!was.equals(is)) {
      text(
          details,
          "adjacent spaces",
          String.join(", ", s.sides().stream().map(x -> namesBefore.space(x.space())).toList()),
          String.join(", ", is.stream().map(namesAfter::space).toList()));
    }
    text(details, "construction", made(before, s.construction()), made(after, t.construction()));
    boolean moved = outline(details, s.polygon(), t.polygon());
    if (s.polygon().normal().dot(t.polygon().normal()) < -0.5) {
      details.add("faces the other way");
    }
    differing(details, moved, "surface", s.key(), t.key(), namesAfter.surface(t));
  }

  private static String made(Envelope e, String key) {
    return e.construction(key).map(Construction::label).orElse(key == null ? "none" : key);
  }

  private static String plain(Double v) {
    return v == null ? "" : String.valueOf(v);
  }

  private static String glazed(Envelope e, String key) {
    return key == null ? "" : e.glazing(key).map(Glazing::label).orElse(key);
  }

  /** Says what differs between two outlines; true when one is the other, moved. */
  private boolean outline(List<String> details, Polygon a, Polygon b) {
    Polygon p = place.moved(a);
    if (number(details, "area", p.area(), b.area(), "m²")) {
      return false;
    }
    double far = 0;
    if (p.outer().size() == b.outer().size()) {
      for (Vec3 v : p.outer()) {
        far = Math.max(far, b.outer().stream().mapToDouble(v::distance).min().orElse(0));
      }
    } else {
      far = p.mean().distance(b.mean());
    }
    if (far > tolerance.length()) {
      details.add(String.format(Locale.ROOT, "moved by %.3f m", far));
      return true;
    }
    return false;
  }

  // --- openings and constructions

  private void openings() {
    Recognition.Match<Opening> same = recognition.openings();
    List<Opening> old = new ArrayList<>();
    Recognition.each(before, old::add);
    for (Opening o : old) {
      String now = same.pairs().get(o.key());
      if (now == null) {
        add(
            Change.REMOVED,
            "opening",
            o.key(),
            null,
            namesBefore.opening(o),
            List.of(area(o.polygon())));
        continue;
      }
      Opening t = after.opening(now).orElseThrow();
      List<String> details = new ArrayList<>();
      text(details, "type", o.type().gbxml(), t.type().gbxml());
      text(details, "window type", glazed(before, o.glazing()), glazed(after, t.glazing()));
      text(details, "construction", made(before, o.construction()), made(after, t.construction()));
      boolean moved = outline(details, o.polygon(), t.polygon());
      differing(details, moved, "opening", o.key(), t.key(), namesAfter.opening(t));
    }
    for (Opening o : same.come()) {
      add(
          Change.ADDED,
          "opening",
          null,
          o.key(),
          namesAfter.opening(o),
          List.of(area(o.polygon())));
    }
  }

  private void constructions() {
    Recognition.Match<Construction> same = recognition.constructions();
    for (Construction c : before.constructions()) {
      String now = same.pairs().get(c.key());
      if (now == null) {
        add(Change.REMOVED, "construction", c.key(), null, c.label(), List.of());
        continue;
      }
      Construction t = after.construction(now).orElseThrow();
      List<String> details = new ArrayList<>();
      text(details, "name", c.name(), t.name());
      text(details, "layers", layers(before, c), layers(after, t));
      text(details, "U-value", plain(c.uValue()), plain(t.uValue()));
      differing(details, false, "construction", c.key(), t.key(), t.label());
    }
    for (Construction c : same.come()) {
      add(Change.ADDED, "construction", null, c.key(), c.label(), List.of(layers(after, c)));
    }
  }

  private static String layers(Envelope e, Construction c) {
    Map<String, Layer> layers = new TreeMap<>();
    e.layers().forEach(l -> layers.put(l.key(), l));
    Map<String, Material> materials = new TreeMap<>();
    e.materials().forEach(m -> materials.put(m.key(), m));
    List<String> out = new ArrayList<>();
    for (String l : c.layers()) {
      for (String m : layers.containsKey(l) ? layers.get(l).materials() : List.<String>of()) {
        Material x = materials.get(m);
        out.add(
            x == null
                ? m
                : x.label()
                    + (x.thickness() == null
                        ? ""
                        : String.format(Locale.ROOT, " %.3f m", x.thickness())));
      }
    }
    return String.join(", ", out);
  }

  // --- what differs

  private static void text(List<String> details, String what, String a, String b) {
    String was = a == null || a.isBlank() ? "none" : a;
    String is = b == null || b.isBlank() ? "none" : b;
    if (!was.equals(is)) {
      details.add(what + " " + was + " → " + is);
    }
  }

  /** Figures that differ by more than a thousandth. */
  private boolean number(List<String> details, String what, double a, double b, String unit) {
    if (Math.abs(a - b) <= Math.max(1e-3 * Math.max(Math.abs(a), Math.abs(b)), 1e-4)) {
      return false;
    }
    details.add(String.format(Locale.ROOT, "%s %.2f → %.2f %s", what, a, b, unit));
    return true;
  }

  private void differing(
      List<String> details, boolean moved, String kind, String a, String b, String name) {
    if (!details.isEmpty()) {
      add(moved && details.size() == 1 ? Change.MOVED : Change.CHANGED, kind, a, b, name, details);
    }
  }

  private void add(
      Change change, String kind, String a, String b, String name, List<String> details) {
    boolean other = a != null && b != null && !a.equals(b);
    entries.add(new Entry(change, kind, a, b, name, details, other));
  }
}
