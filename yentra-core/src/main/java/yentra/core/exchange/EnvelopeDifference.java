package yentra.core.exchange;

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
import java.util.function.BiConsumer;
import java.util.function.Function;
import yentra.core.envelope.Building;
import yentra.core.envelope.Construction;
import yentra.core.envelope.DaySchedule;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.WeekSchedule;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * What differs between two envelopes, object by object, matched by key: used to check a written
 * file by reading it back. Every member of every object is compared, by walking the records, so
 * that a new one cannot be forgotten; the few that are not are named in {@link #NOT_COMPARED}.
 */
public final class EnvelopeDifference {
  /**
   * Where an object stood in its file, how a surface came to be (its exposure is compared), the
   * thickness of elements, which gbXML has no place for, and the building that all spaces are in.
   */
  private static final Set<String> NOT_COMPARED =
      Set.of("key", "source", "kind", "building", "Surface.thickness");

  /** Numbers are written to the last digit; what is left is the change of units. */
  private static final double ROUNDING = 1e-12;

  private final List<String> differences = new ArrayList<>();
  private final Tolerance tolerance;

  /** From the second envelope's coordinates to the first's, where their origins differ. */
  private final Vec3 shift;

  private EnvelopeDifference(Tolerance tolerance, Vec3 shift) {
    this.tolerance = tolerance;
    this.shift = shift;
  }

  /**
   * Compares all that the two say. Of what is carried along without being understood, everything
   * that the first has must be in the second.
   *
   * @param tolerance of outlines
   * @return one sentence a difference; empty when the two say the same within the tolerance
   */
  public static List<String> between(Envelope a, Envelope b, Tolerance tolerance) {
    EnvelopeDifference d =
        new EnvelopeDifference(tolerance, b.delivered().origin().minus(a.delivered().origin()));
    d.lists("space", a.spaces(), b.spaces(), Space::key, d::spaces);
    d.lists("surface", a.surfaces(), b.surfaces(), Surface::key, d::surfaces);
    d.lists("opening without surface", a.orphans(), b.orphans(), Opening::key, d::openings);
    d.tables(a, b);
    d.frame(a, b);
    return List.copyOf(d.differences);
  }

  private void tables(Envelope a, Envelope b) {
    lists(
        "construction",
        a.constructions(),
        b.constructions(),
        Construction::key,
        each("construction", Construction::key));
    lists("layer", a.layers(), b.layers(), Layer::key, each("layer", Layer::key));
    lists("material", a.materials(), b.materials(), Material::key, each("material", Material::key));
    lists(
        "window type", a.glazings(), b.glazings(), Glazing::key, each("window type", Glazing::key));
    lists("storey", a.storeys(), b.storeys(), Storey::key, each("storey", Storey::key));
    if (!a.buildings().isEmpty()) {
      lists(
          "building", a.buildings(), b.buildings(), Building::key, each("building", Building::key));
    }
    lists("zone", a.zones(), b.zones(), Zone::key, each("zone", Zone::key));
    lists(
        "schedule",
        a.schedules().years(),
        b.schedules().years(),
        YearSchedule::key,
        each("schedule", YearSchedule::key));
    lists(
        "week schedule",
        a.schedules().weeks(),
        b.schedules().weeks(),
        WeekSchedule::key,
        each("week schedule", WeekSchedule::key));
    lists(
        "day schedule",
        a.schedules().days(),
        b.schedules().days(),
        DaySchedule::key,
        each("day schedule", DaySchedule::key));
  }

  private void frame(Envelope a, Envelope b) {
    members("site", a.site(), b.site());
    if (a.delivered().format().equals(b.delivered().format())) {
      carried("the file", a.delivered().root(), b.delivered().root());
      carried("the campus", a.delivered().campusExtras(), b.delivered().campusExtras());
      if (a.delivered().format().equals(Delivered.GBXML)) {
        same(
            "the file",
            "comments before the root",
            a.delivered().prologue(),
            b.delivered().prologue());
      }
    }
  }

  private <T> void lists(
      String what, List<T> a, List<T> b, Function<T, String> key, BiConsumer<T, T> compare) {
    Map<String, T> second = new HashMap<>();
    b.forEach(t -> second.put(key.apply(t), t));
    Map<String, T> left = new LinkedHashMap<>();
    b.forEach(t -> left.put(key.apply(t), t));
    for (T t : a) {
      T other = second.get(key.apply(t));
      if (other == null) {
        differences.add("The " + what + " " + key.apply(t) + " is missing.");
      } else {
        left.remove(key.apply(t));
        compare.accept(t, other);
      }
    }
    left.keySet().forEach(k -> differences.add("The " + what + " " + k + " was not there before."));
  }

  private <T extends Record> BiConsumer<T, T> each(String what, Function<T, String> key) {
    return (x, y) -> members(what + " " + key.apply(x), x, y);
  }

  private void spaces(Space a, Space b) {
    members("space " + a.key(), a, b);
  }

  private void surfaces(Surface a, Surface b) {
    String what = "surface " + a.key();
    members(what, a, b);
    same(what, "exposure", a.exposure(), b.exposure());
    lists("opening of " + what, a.openings(), b.openings(), Opening::key, this::openings);
  }

  private void openings(Opening a, Opening b) {
    members("opening " + a.key(), a, b);
  }

  /** All members of two records of one class. */
  private void members(String what, Record a, Record b) {
    for (RecordComponent c : a.getClass().getRecordComponents()) {
      String inClass = a.getClass().getSimpleName() + "." + c.getName();
      if (!NOT_COMPARED.contains(c.getName()) && !NOT_COMPARED.contains(inClass)) {
        member(what, words(c.getName()), value(c, a), value(c, b));
      }
    }
  }

  private static Object value(RecordComponent c, Record r) {
    try {
      c.getAccessor().setAccessible(true);
      return c.getAccessor().invoke(r);
    } catch (IllegalAccessException | InvocationTargetException e) {
      throw new IllegalStateException("the accessor of a record of ours failed: " + c, e);
    }
  }

  private static String words(String member) {
    return switch (member) {
      case "northAzimuth" -> "north";
      case "sides" -> "adjacent spaces";
      case "uValue" -> "U-value";
      case "polygon" -> "outline";
      default -> member.replaceAll("([A-Z])", " $1").toLowerCase(Locale.ROOT);
    };
  }

  private void member(String what, String field, Object a, Object b) {
    if (a instanceof Extras x && b instanceof Extras y) {
      carried(what, x, y);
    } else if (a instanceof Polygon x && b instanceof Polygon y) {
      outline(what, field, x, y);
    } else if (a instanceof Double x && b instanceof Double y) {
      number(what, field, x, y);
    } else if (a instanceof SourceRef || b instanceof SourceRef) {
      // an element is written as its id
      if (a instanceof SourceRef x) {
        same(what, field, x.id(), b instanceof SourceRef y ? y.id() : null);
      }
    } else if (a instanceof List<?> x && b instanceof List<?> y) {
      list(what, field, x, y);
    } else if (a instanceof Record x && b instanceof Record y && a.getClass() == b.getClass()) {
      members(what, x, y);
    } else {
      same(what, field, a, b);
    }
  }

  private void list(String what, String field, List<?> a, List<?> b) {
    Object first = a.isEmpty() ? b.isEmpty() ? null : b.get(0) : a.get(0);
    if (first instanceof Opening) {
      return;
    }
    if (first instanceof Side) {
      same(what, field, spaces(a), spaces(b));
    }
    if (!(first instanceof Record || first instanceof Polygon || first instanceof Double)) {
      same(what, field, a, b);
      return;
    }
    String of = field.equals("shell") ? "shell faces" : "number of " + field;
    if (!(first instanceof Side) || a.size() != b.size()) {
      same(what, of, a.size(), b.size());
    }
    for (int i = 0; i < Math.min(a.size(), b.size()); i++) {
      if (a.get(i) instanceof Side x
          && b.get(i) instanceof Side y
          && !x.space().equals(y.space())) {
        continue;
      }
      member(what, field + " " + (i + 1), a.get(i), b.get(i));
    }
  }

  private static List<String> spaces(List<?> sides) {
    return sides.stream().map(s -> ((Side) s).space()).toList();
  }

  /** Everything that is carried along must still be there. */
  private void carried(String what, Extras a, Extras b) {
    for (Extras.Attribute x : a.attributes()) {
      if (!b.attributes().contains(x)) {
        differences.add("The attribute " + x.name() + " of " + what + " is lost.");
      }
    }
    for (String f : a.fragments()) {
      if (!b.fragments().contains(f)) {
        differences.add("An element of " + what + " is lost: " + clip(f) + ".");
      }
    }
    for (Extras.Child c : a.children()) {
      if (!b.of(c.element()).containsAll(c.attributes())) {
        differences.add("An attribute of " + c.element() + " of " + what + " is lost.");
      }
    }
  }

  private static String clip(String s) {
    return s.length() > 60 ? s.substring(0, 60) + "…" : s;
  }

  private void outline(String what, String field, Polygon a, Polygon b) {
    if (a.outer().size() != b.outer().size() || a.holes().size() != b.holes().size()) {
      differences.add("The " + field + " of " + what + " has another number of vertices or holes.");
      return;
    }
    double far = OutlinesApart.of(a, b, shift, tolerance);
    if (far > tolerance.length()) {
      differences.add(
          String.format(Locale.ROOT, "The %s of %s differs by up to %.6f m.", field, what, far));
    }
  }

  private void same(String what, String field, Object a, Object b) {
    if (!Objects.equals(a, b)) {
      differences.add("The " + field + " of " + what + " was " + a + " and is " + b + ".");
    }
  }

  private void number(String what, String field, double a, double b) {
    if (!(Math.abs(a - b) <= ROUNDING * Math.max(Math.abs(a), Math.abs(b)))) {
      same(what, field, a, b);
    }
  }
}
