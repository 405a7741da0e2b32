package yentra.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import yentra.core.envelope.UnreadableException;
import yentra.core.json.JsonValue;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.Label;
import yentra.core.plan.PlanDocument.Line;
import yentra.core.plan.PlanDocument.Outline;
import yentra.core.plan.PlanDocument.StoreyPlan;

/** Reads storeys and floors of one plan document, and names and points that the rest refers to. */
final class FloorReader {
  static final int MOST_STOREYS = 300;
  static final int MOST_ITEMS = 5_000;

  /** Farthest coordinate, m. */
  static final double FAR = 100_000;

  private static final int MOST_CORNERS = 500;

  /** Points of all outlines and lines of a document. */
  private static final int MOST_POINTS = 200_000;

  private static final Pattern KEY = Pattern.compile("[A-Za-z_][\\w.-]*");

  private final Set<String> storeys = new LinkedHashSet<>();
  private final Set<String> ids = new HashSet<>();
  private int points;

  private static PlanDocument.Origin place(JsonValue v) throws UnreadableException {
    JsonValue id = v.isObject() ? v.member("id") : null;
    return new PlanDocument.Origin(
        id == null ? null : id.word(100), v.path(), v.line(), v.column());
  }

  /** The place of something; ids are given once. */
  PlanDocument.Origin origin(JsonValue v) throws UnreadableException {
    PlanDocument.Origin o = place(v);
    if (o.id() != null && !ids.add(o.id())) {
      throw v.wrong("the id " + o.id() + " is given twice. Give each its own.");
    }
    return o;
  }

  StoreyPlan storey(JsonValue v) throws UnreadableException {
    v.with(Set.of("id", "name", "level_m", "height_m"));
    String name = v.required("name").word(200);
    if (name.isEmpty() || !storeys.add(name)) {
      throw v.wrong(
          name.isEmpty()
              ? "a storey needs a name."
              : "there are two storeys named " + name + ". Give each its own name.");
    }
    return new StoreyPlan(
        origin(v),
        name,
        v.required("level_m").number(-FAR, FAR),
        v.required("height_m").number(0.1, 200));
  }

  FloorPlan floor(JsonValue v) throws UnreadableException {
    v.with(Set.of("id", "storey", "outlines", "lines", "bands", "spaces", "copies"));
    List<Outline> outlines = new ArrayList<>();
    for (JsonValue o : v.required("outlines").items(1, MOST_ITEMS)) {
      o.with(Set.of("id", "corners", "holes"));
      List<List<PlanPoint>> holes = new ArrayList<>();
      for (JsonValue h : o.list("holes", MOST_CORNERS)) {
        holes.add(points(h, 3));
      }
      outlines.add(new Outline(origin(o), points(o.required("corners"), 3), holes));
    }
    List<Line> lines = new ArrayList<>();
    for (JsonValue l : v.list("lines", MOST_ITEMS)) {
      lines.add(
          l.isObject()
              ? new Line(
                  origin(l.with(Set.of("id", "points", "air"))),
                  points(l.required("points"), 2),
                  l.truth("air"))
              : new Line(place(l), points(l, 2), false));
    }
    List<Label> labels = new ArrayList<>();
    for (JsonValue s : v.list("spaces", MOST_ITEMS)) {
      s.with(Set.of("id", "at", "name", "use", "rises", "keys"));
      labels.add(
          new Label(
              origin(s),
              point(s.required("at")),
              s.word("name", 200),
              s.word("use", 100),
              storeyNames(s, "rises"),
              keys(s)));
    }
    JsonValue bands = v.member("bands");
    return new FloorPlan(
        origin(v),
        storeyName(v.required("storey")),
        outlines,
        lines,
        bands == null ? null : bands.with(Set.of("depth_m")).required("depth_m").number(0.2, 1000),
        labels,
        storeyNames(v, "copies"));
  }

  private Map<String, String> keys(JsonValue label) throws UnreadableException {
    Map<String, String> out = new LinkedHashMap<>();
    JsonValue keys = label.member("keys");
    for (String storey : keys == null ? Set.<String>of() : keys.with(storeys).names()) {
      JsonValue key = keys.required(storey);
      if (!KEY.matcher(key.word(100)).matches()) {
        throw key.wrong("a key is expected: a letter, then letters, digits, dots and dashes.");
      }
      out.put(storey, key.word(100));
    }
    return out;
  }

  List<PlanPoint> points(JsonValue v, int least) throws UnreadableException {
    List<PlanPoint> out = new ArrayList<>();
    for (JsonValue p : v.items(least, MOST_CORNERS)) {
      out.add(point(p));
    }
    return out;
  }

  PlanPoint point(JsonValue v) throws UnreadableException {
    if (++points > MOST_POINTS) {
      throw v.wrong("the document has more than " + MOST_POINTS + " points.");
    }
    List<JsonValue> xy = v.items(2, 2);
    return new PlanPoint(xy.get(0).number(-FAR, FAR), xy.get(1).number(-FAR, FAR));
  }

  String storeyName(JsonValue v) throws UnreadableException {
    String name = v.word(200);
    if (!storeys.contains(name)) {
      throw v.wrong(
          "there is no storey named " + name + ". There are " + String.join(", ", storeys) + ".");
    }
    return name;
  }

  List<String> storeyNames(JsonValue v, String member) throws UnreadableException {
    List<String> names = new ArrayList<>();
    for (JsonValue n : v.list(member, MOST_STOREYS)) {
      String name = storeyName(n);
      if (names.contains(name)) {
        throw n.wrong("the storey " + name + " is named twice.");
      }
      names.add(name);
    }
    return names;
  }
}
