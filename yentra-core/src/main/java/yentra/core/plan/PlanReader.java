package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.UnreadableException;
import yentra.core.json.JsonValue;
import yentra.core.plan.PlanDocument.Block;
import yentra.core.plan.PlanDocument.FloorPlan;
import yentra.core.plan.PlanDocument.GlazingRule;
import yentra.core.plan.PlanDocument.HandOpening;
import yentra.core.plan.PlanDocument.HandType;
import yentra.core.plan.PlanDocument.Place;
import yentra.core.plan.PlanDocument.RoofKind;
import yentra.core.plan.PlanDocument.RoofRule;
import yentra.core.plan.PlanDocument.ShadingRule;
import yentra.core.plan.PlanDocument.StoreyPlan;
import yentra.core.plan.PlanDocument.Underlay;
import yentra.core.plan.PlanDocument.Where;
import yentra.core.plan.PlanDocument.WindowForm;

/**
 * Reads plan documents (JSON, {@code "yentraPlan": 1}). What is wrong is said with its JSON path,
 * line and column; unknown members are refused by name.
 */
public final class PlanReader {
  /** Largest document in bytes. */
  public static final int MOST_BYTES = 20_000_000;

  private final FloorReader floors = new FloorReader();

  private PlanReader() {}

  /**
   * Reads a document.
   *
   * @throws UnreadableException when it is none, with path, line, column and what to do
   */
  public static PlanDocument read(byte[] bytes) throws UnreadableException {
    if (bytes.length > MOST_BYTES) {
      throw new UnreadableException(
          "The plan document has "
              + bytes.length / 1_000_000
              + " MB; at most "
              + MOST_BYTES / 1_000_000
              + " MB are read.",
          1,
          1);
    }
    return new PlanReader().document(JsonValue.read(bytes, "The plan document"));
  }

  private PlanDocument document(JsonValue v) throws UnreadableException {
    v.with(
        Set.of(
            "yentraPlan",
            "name",
            "place",
            "ground_m",
            "tolerance_m",
            "storeys",
            "floors",
            "roofs",
            "glazing",
            "shading",
            "underlay"));
    JsonValue version = v.required("yentraPlan");
    if (version.number(0, 1e6) != 1) {
      throw version.wrong("this version of the plan document is not known; 1 is.");
    }
    List<StoreyPlan> levels = new ArrayList<>();
    for (JsonValue s : v.required("storeys").items(1, FloorReader.MOST_STOREYS)) {
      levels.add(floors.storey(s));
    }
    List<FloorPlan> plans = new ArrayList<>();
    for (JsonValue f : v.required("floors").items(1, FloorReader.MOST_STOREYS)) {
      plans.add(floors.floor(f));
    }
    List<RoofRule> roofs = new ArrayList<>();
    for (JsonValue r : v.list("roofs", FloorReader.MOST_STOREYS)) {
      roofs.add(roof(r));
    }
    List<HandOpening> openings = new ArrayList<>();
    List<GlazingRule> glazing = glazing(v, openings);
    List<Block> blocks = new ArrayList<>();
    List<ShadingRule> shading = shading(v, blocks);
    List<Underlay> underlays = new ArrayList<>();
    for (JsonValue u : v.list("underlay", FloorReader.MOST_STOREYS)) {
      underlays.add(underlay(u));
    }
    JsonValue place = v.member("place");
    return new PlanDocument(
        v.word("name", 200),
        place == null ? Place.UNKNOWN : place(place),
        v.number("ground_m", -FloorReader.FAR, FloorReader.FAR),
        v.number("tolerance_m", 0.001, 0.2, PlanDocument.TOLERANCE),
        levels,
        plans,
        roofs,
        glazing,
        openings,
        shading,
        blocks,
        underlays);
  }

  private List<GlazingRule> glazing(JsonValue v, List<HandOpening> openings)
      throws UnreadableException {
    List<GlazingRule> out = new ArrayList<>();
    for (JsonValue g : v.list("glazing", FloorReader.MOST_ITEMS)) {
      if (g.word("by", 20).equals("hand")) {
        openings.add(hand(g));
      } else {
        out.add(glazing(g));
      }
    }
    return out;
  }

  private List<ShadingRule> shading(JsonValue v, List<Block> blocks) throws UnreadableException {
    List<ShadingRule> out = new ArrayList<>();
    for (JsonValue s : v.list("shading", FloorReader.MOST_ITEMS)) {
      if (s.member("block") != null) {
        blocks.add(block(s.with(Set.of("id", "block"))));
      } else {
        out.add(shading(s));
      }
    }
    return out;
  }

  private static Place place(JsonValue v) throws UnreadableException {
    v.with(Set.of("name", "latitude", "longitude", "elevation_m", "north_deg"));
    return new Place(
        v.word("name", 200),
        v.number("latitude", -90, 90),
        v.number("longitude", -180, 180),
        v.number("elevation_m", -1000, 9000),
        v.number("north_deg", -360, 360));
  }

  private RoofRule roof(JsonValue v) throws UnreadableException {
    v.with(Set.of("id", "storey", "kind", "pitch_deg", "ridge_deg", "space"));
    RoofKind kind = v.one("kind", RoofKind.class, RoofKind.FLAT);
    String space = v.word("space", 20);
    if (!Set.of("", "own", "joined").contains(space)) {
      throw v.required("space").wrong('"' + space + "\" is not one of own, joined.");
    }
    Double ridge = v.number("ridge_deg", -360, 360);
    if (ridge == null && (kind == RoofKind.GABLE || kind == RoofKind.SHED)) {
      throw v.wrong("the member ridge_deg is missing: which way the ridge of the roof runs.");
    }
    return new RoofRule(
        floors.origin(v),
        floors.storeyName(v.required("storey")),
        kind,
        kind == RoofKind.FLAT ? 0 : v.required("pitch_deg").number(1, 80),
        ridge,
        kind != RoofKind.FLAT && !space.equals("joined"));
  }

  private Where where(JsonValue v) throws UnreadableException {
    JsonValue w = v.member("where");
    if (w == null) {
      return Where.WALLS;
    }
    w.with(Set.of("storeys", "facing_deg", "spaces", "roofs"));
    List<String> names = new ArrayList<>();
    for (JsonValue s : w.list("storeys", FloorReader.MOST_STOREYS)) {
      names.add(s.word(200).equals("*") ? "*" : floors.storeyName(s));
    }
    List<String> spaces = new ArrayList<>();
    for (JsonValue s : w.list("spaces", FloorReader.MOST_ITEMS)) {
      spaces.add(s.word(200));
    }
    JsonValue facing = w.member("facing_deg");
    List<JsonValue> ends = facing == null ? List.of() : facing.items(2, 2);
    return new Where(
        names,
        ends.isEmpty() ? null : (Double) ends.get(0).number(-360, 720),
        ends.isEmpty() ? null : (Double) ends.get(1).number(-360, 720),
        spaces,
        w.truth("roofs"));
  }

  private GlazingRule glazing(JsonValue v) throws UnreadableException {
    v.with(Set.of("id", "by", "where", "ratio", "sill_m", "head_m", "form", "bay_m"));
    if (!Set.of("", "rule").contains(v.word("by", 20))) {
      throw v.required("by").wrong("rule or hand is expected here.");
    }
    Where where = where(v);
    double sill = v.number("sill_m", 0, 200, 0.9);
    double head = v.number("head_m", 0, 200, sill + 1.2);
    if (head <= sill) {
      throw v.wrong("head_m must be above sill_m.");
    }
    WindowForm form = v.one("form", WindowForm.class, WindowForm.BAND);
    if (form == WindowForm.EACH && v.member("bay_m") == null) {
      throw v.wrong("the member bay_m is missing: how wide a bay with one window is.");
    }
    return new GlazingRule(
        floors.origin(v),
        where,
        v.required("ratio").number(0, 1),
        sill,
        head,
        form,
        v.number("bay_m", 0.2, 1000, 3));
  }

  private HandOpening hand(JsonValue v) throws UnreadableException {
    v.with(Set.of("id", "by", "storey", "at", "type", "width_m", "sill_m", "head_m"));
    HandType type = v.one("type", HandType.class, HandType.WINDOW);
    double sill = v.number("sill_m", 0, 200, type == HandType.WINDOW ? 0.9 : 0);
    double head = v.number("head_m", 0, 200, 2.1);
    if (head <= sill) {
      throw v.wrong("head_m must be above sill_m.");
    }
    return new HandOpening(
        floors.origin(v),
        floors.storeyName(v.required("storey")),
        floors.point(v.required("at")),
        type,
        v.required("width_m").number(0.05, 1000),
        sill,
        head);
  }

  private ShadingRule shading(JsonValue v) throws UnreadableException {
    v.with(Set.of("id", "where", "overhang_m", "fin_m"));
    double overhang = v.number("overhang_m", 0, 50, 0);
    double fin = v.number("fin_m", 0, 50, 0);
    if (overhang == 0 && fin == 0) {
      throw v.wrong("says neither overhang_m nor fin_m nor block, so nothing would cast shade.");
    }
    return new ShadingRule(floors.origin(v), where(v), overhang, fin);
  }

  private Block block(JsonValue v) throws UnreadableException {
    JsonValue b = v.required("block").with(Set.of("id", "name", "corners", "level_m", "height_m"));
    return new Block(
        floors.origin(v),
        b.word("name", 200),
        floors.points(b.required("corners"), 3),
        b.number("level_m", -FloorReader.FAR, FloorReader.FAR, 0),
        b.required("height_m").number(0.1, 1000));
  }

  private Underlay underlay(JsonValue v) throws UnreadableException {
    v.with(Set.of("id", "storey", "file", "scale_m_per_px", "origin_px", "turn_deg", "fade"));
    String file = v.required("file").word(200);
    if (file.isEmpty() || file.contains("/") || file.contains("\\") || file.startsWith(".")) {
      throw v.required("file").wrong("the name of a picture is expected, without a folder.");
    }
    JsonValue origin = v.member("origin_px");
    List<JsonValue> xy = origin == null ? List.of() : origin.items(2, 2);
    return new Underlay(
        floors.origin(v),
        floors.storeyName(v.required("storey")),
        file,
        v.required("scale_m_per_px").number(1e-6, 100),
        xy.isEmpty() ? 0 : xy.get(0).number(-1e6, 1e6),
        xy.isEmpty() ? 0 : xy.get(1).number(-1e6, 1e6),
        v.number("turn_deg", -360, 360, 0),
        v.number("fade", 0, 1, 0));
  }
}
