package yentra.core.plan;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.envelope.UnreadableException;

/**
 * A building as it is drawn. Lengths are metres, angles degrees; azimuths of rules are clockwise
 * from true north, those of ridges clockwise from the drawing's y axis.
 *
 * @param name of the building, or empty
 * @param ground height of the ground in m, or null when it is not said
 * @param tolerance ends and corners closer than this to another are taken to be on it, m
 * @param storeys from the bottom, as the person gave them
 * @param roofs later ones win
 * @param glazing later ones win
 * @param shading all of those that fit
 */
public record PlanDocument(
    String name,
    Place place,
    Double ground,
    double tolerance,
    List<StoreyPlan> storeys,
    List<FloorPlan> floors,
    List<RoofRule> roofs,
    List<GlazingRule> glazing,
    List<HandOpening> openings,
    List<ShadingRule> shading,
    List<Block> blocks,
    List<Underlay> underlays) {
  /** How near ends are joined when a document does not say: 20 mm. */
  public static final double TOLERANCE = 0.02;

  public PlanDocument {
    storeys = List.copyOf(storeys);
    floors = List.copyOf(floors);
    roofs = List.copyOf(roofs);
    glazing = List.copyOf(glazing);
    openings = List.copyOf(openings);
    shading = List.copyOf(shading);
    blocks = List.copyOf(blocks);
    underlays = List.copyOf(underlays);
  }

  /** With other storeys. */
  public PlanDocument withStoreys(List<StoreyPlan> others) {
    return new PlanDocument(
        name, place, ground, tolerance, others, floors, roofs, glazing, openings, shading, blocks,
        underlays);
  }

  PlanDocument with(List<FloorPlan> others) {
    return new PlanDocument(
        name, place, ground, tolerance, storeys, others, roofs, glazing, openings, shading, blocks,
        underlays);
  }

  /**
   * Where something stands in the document.
   *
   * @param id that the document gives it, or null
   * @param path JSON path, such as {@code floors[0].lines[2]}
   * @param line counted from 1; 0 when the document was not read from a file
   */
  public record Origin(String id, String path, int line, int column) {
    /** Of something that was not read. */
    public static Origin of(String path) {
      return new Origin(null, path, 0, 0);
    }

    UnreadableException refused(String what) {
      String named = id == null ? "" : " (" + id + ")";
      return new UnreadableException(path + named + ": " + what, line, column);
    }

    /** Its id, or its path when it has none. */
    public String label() {
      return id == null ? path : id;
    }
  }

  /**
   * Where the building stands. Members are null when they are not said.
   *
   * @param north azimuth of the drawing's y axis in degrees clockwise from true north
   * @param elevation m above sea level
   */
  public record Place(
      String name, Double latitude, Double longitude, Double elevation, Double north) {
    public static final Place UNKNOWN = new Place("", null, null, null, null);
  }

  /**
   * A storey.
   *
   * @param level of its floor, m
   * @param height from its floor to the next, m
   */
  public record StoreyPlan(Origin origin, String name, double level, double height) {
    double top() {
      return level + height;
    }
  }

  /**
   * What is drawn on a storey.
   *
   * @param copies names of other storeys that have the same plan
   * @param bandDepth depth of the perimeter band in m, or null when there is none
   */
  public record FloorPlan(
      Origin origin,
      String storey,
      List<Outline> outlines,
      List<Line> lines,
      Double bandDepth,
      List<Label> labels,
      List<String> copies) {
    public FloorPlan {
      outlines = List.copyOf(outlines);
      lines = List.copyOf(lines);
      labels = List.copyOf(labels);
      copies = List.copyOf(copies);
    }

    boolean isOn(StoreyPlan s) {
      return storey.equals(s.name()) || copies.contains(s.name());
    }

    FloorPlan with(List<Label> others) {
      return new FloorPlan(origin, storey, outlines, lines, bandDepth, others, copies);
    }
  }

  /** The outer edge of a floor; holes are outdoors. Rings are open and may run either way. */
  public record Outline(Origin origin, List<PlanPoint> corners, List<List<PlanPoint>> holes) {
    public Outline {
      corners = List.copyOf(corners);
      holes = holes.stream().map(List::copyOf).toList();
    }
  }

  /**
   * A line that parts spaces.
   *
   * @param points two or more
   * @param air true when nothing stands there
   */
  public record Line(Origin origin, List<PlanPoint> points, boolean air) {
    public Line {
      points = List.copyOf(points);
    }
  }

  /**
   * What is said of the space that holds a point.
   *
   * @param use gbXML's spaceType, or empty
   * @param rises names of storeys above that the space reaches through
   * @param keys by name of the storey the key that the space has there, where it does not follow
   *     from the drawing: see {@link KeptKeys}
   */
  public record Label(
      Origin origin,
      PlanPoint at,
      String name,
      String use,
      List<String> rises,
      Map<String, String> keys) {
    public Label {
      rises = List.copyOf(rises);
      keys = Collections.unmodifiableMap(new TreeMap<>(keys));
    }

    /** Says nothing but which keys the space has. */
    boolean isAnchor() {
      return origin.id() == null && name.isEmpty() && use.isEmpty() && rises.isEmpty();
    }

    Label with(Map<String, String> others) {
      return new Label(origin, at, name, use, rises, others);
    }
  }

  /** Forms of roofs. */
  public enum RoofKind {
    FLAT,
    SHED,
    GABLE,
    HIP
  }

  /**
   * The roof over what of a storey has nothing above it.
   *
   * @param pitch degrees
   * @param ridge azimuth of the ridge from the drawing's y axis; a shed is high on its left; null
   *     when not said
   * @param own true when the roof's volume is a space of its own, false when the rooms below rise
   *     to the roof
   */
  public record RoofRule(
      Origin origin, String storey, RoofKind kind, double pitch, Double ridge, boolean own) {}

  /**
   * Which surfaces a rule is for. Empty lists and nulls mean all.
   *
   * @param storeys names, or {@code *}
   * @param from azimuth of the outward normal at which it begins, clockwise from true north, or
   *     null
   * @param to azimuth at which it ends
   * @param spaces names of spaces, or {@code *}
   * @param roofs true for roofs, false for walls
   */
  public record Where(
      List<String> storeys, Double from, Double to, List<String> spaces, boolean roofs) {
    public static final Where WALLS = new Where(List.of(), null, null, List.of(), false);

    public Where {
      storeys = List.copyOf(storeys);
      spaces = List.copyOf(spaces);
    }

    boolean fits(String storey, String space, double azimuth) {
      return named(storeys, storey) && named(spaces, space) && faces(azimuth);
    }

    private static boolean named(List<String> names, String name) {
      return names.isEmpty() || names.contains("*") || names.contains(name);
    }

    private boolean faces(double azimuth) {
      if (from == null || to == null) {
        return true;
      }
      double a = (azimuth - from) % 360;
      double width = to < from ? to - from + 360 : to - from;
      double slack = 1e-6;
      return width >= 360
          || (a < 0 ? a + 360 : a) <= width + slack
          || Math.abs(a) < slack
          || a < 0 && a + 360 > 360 - slack;
    }
  }

  /** Arrangements of windows. */
  public enum WindowForm {
    BAND,
    SINGLE,
    EACH
  }

  /**
   * Windows by share of the wall.
   *
   * @param ratio of the windows' area to the gross area of the wall, 0 to 1
   * @param sill above the storey's floor, m
   * @param head above the storey's floor, m
   * @param bay of {@link WindowForm#EACH}, m
   */
  public record GlazingRule(
      Origin origin,
      Where where,
      double ratio,
      double sill,
      double head,
      WindowForm form,
      double bay) {}

  /** What is fitted by hand. */
  public enum HandType {
    WINDOW,
    DOOR,
    GLAZED_DOOR
  }

  /**
   * A window or door that a person placed: on the wall that is nearest.
   *
   * @param at its middle
   * @param sill above the storey's floor, m
   * @param head above the storey's floor, m
   */
  public record HandOpening(
      Origin origin,
      String storey,
      PlanPoint at,
      HandType type,
      double width,
      double sill,
      double head) {}

  /**
   * Shading surfaces at windows.
   *
   * @param overhang depth at the head, m; 0 for none
   * @param fin depth at both sides, m; 0 for none
   */
  public record ShadingRule(Origin origin, Where where, double overhang, double fin) {}

  /** A neighbouring building. */
  public record Block(
      Origin origin, String name, List<PlanPoint> corners, double level, double height) {
    public Block {
      corners = List.copyOf(corners);
    }
  }

  /**
   * A picture under the drawing. It changes nothing of the envelope.
   *
   * @param file name of the picture
   * @param scale metres a pixel
   * @param originX pixel column of the drawing's origin
   * @param originY pixel row of the drawing's origin
   * @param turn degrees, counter-clockwise
   * @param fade how far it is faded, 0 to 1
   */
  public record Underlay(
      Origin origin,
      String storey,
      String file,
      double scale,
      double originX,
      double originY,
      double turn,
      double fade) {}
}
