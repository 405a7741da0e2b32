package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Side;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/** Reads surfaces and their openings. */
final class SurfaceReader {
  private static final Set<String> SURFACE = Set.of("id", "surfaceType", "constructionIdRef");
  private static final Set<String> OPENING =
      Set.of("id", "openingType", "constructionIdRef", "windowTypeIdRef");
  private final Cursor cursor;
  private final Values values;
  private final References references;
  private static final Set<String> ONCE =
      Set.of("Name", "RectangularGeometry", "PlanarGeometry", "CADObjectId");

  /**
   * What Description says of a surface that only construction lies behind; see {@link GbxmlWriter}.
   */
  static final String ADIABATIC = "Adiabatic";

  /** The same of one of which nobody knows what lies behind it. */
  static final String NOT_RESOLVED = "Not resolved";

  private final PolygonReader polygons;

  /** RectangularGeometry of surfaces and openings that have no other geometry, by key. */
  private final Map<String, PolygonReader.Stated> rectangles = new HashMap<>();

  final List<Surface> surfaces = new ArrayList<>();
  final List<Opening> orphans = new ArrayList<>();

  SurfaceReader(Cursor cursor, Values values, References references, PolygonReader polygons) {
    this.cursor = cursor;
    this.values = values;
    this.references = references;
    this.polygons = polygons;
  }

  void surface(Header h) throws UnreadableException {
    Kept kept = Kept.except(cursor.attributes(), SURFACE);
    SurfaceType type = surfaceType(h, kept);
    String construction = cursor.attribute("constructionIdRef");
    String name = "";
    String cad = "";
    Polygon polygon = null;
    PolygonReader.Stated rectangle = null;
    boolean adiabatic = false;
    boolean unresolved = false;
    List<Side> sides = new ArrayList<>(2);
    List<Opening> openings = new ArrayList<>(0);
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, ONCE, seen); c != null; c = cursor.child(kept, ONCE, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "Description" -> {
          String word = ownWord(kept);
          adiabatic |= word.equals(ADIABATIC);
          unresolved |= word.equals(NOT_RESOLVED);
        }
        case "AdjacentSpaceId" -> adjacent(h, sides);
        case "RectangularGeometry" -> rectangle = polygons.rectangle(values.length, kept);
        case "PlanarGeometry" ->
            polygon = polygons.planarGeometry(values.length, kept, "PlanarGeometry");
        case "Opening" -> openings.add(opening(Header.of("Opening", cursor, values, references)));
        case "CADObjectId" -> cad = keptLeaf(kept);
        default -> kept.fragment(cursor.fragment());
      }
    }
    BoundaryKind kind = BoundaryKind.READ;
    boolean one = type.isInterior() && sides.size() == 1;
    if (adiabatic && one) {
      kind = BoundaryKind.READ_2B;
    } else if (unresolved && one) {
      kind = BoundaryKind.FACE;
      type = SurfaceType.UNRESOLVED;
    } else if (adiabatic || unresolved) {
      kept.fragment("<Description>" + (adiabatic ? ADIABATIC : NOT_RESOLVED) + "</Description>");
    }
    surfaces.add(
        Surface.of(h.key(), type, outline(h, polygon, rectangle), kind)
            .with()
            .name(name)
            .sides(sides)
            .construction(construction)
            .source(h.source(name))
            .element(
                cad.isEmpty()
                    ? null
                    : new SourceRef("CADObjectId", cad, name, h.line(), h.column()))
            .openings(openings)
            .extras(kept.extras())
            .build());
  }

  /** One of our own words, or nothing; what others describe is kept. */
  private String ownWord(Kept kept) throws UnreadableException {
    Leaf leaf = cursor.leaf(kept);
    if (leaf.attributes().isEmpty()
        && (leaf.text().equals(ADIABATIC) || leaf.text().equals(NOT_RESOLVED))) {
      return leaf.text();
    }
    kept.fragment(leaf.xml());
    return "";
  }

  private String keptLeaf(Kept kept) throws UnreadableException {
    Leaf leaf = cursor.leaf(kept);
    kept.fragment(leaf.xml());
    return leaf.text();
  }

  private Polygon outline(Header h, Polygon polygon, PolygonReader.Stated rectangle) {
    if (polygon != null) {
      return polygon;
    }
    if (rectangle != null) {
      rectangles.put(h.key(), rectangle);
      values.note(
          ReadNote.Kind.ASSUMED,
          h.key(),
          "RectangularGeometry",
          "",
          h.element()
              + " "
              + h.key()
              + " has no PlanarGeometry: its outline is the rectangle of its RectangularGeometry",
          h.line(),
          h.column());
    } else {
      values.note(
          ReadNote.Kind.MISSING_REQUIRED,
          h.key(),
          "PlanarGeometry",
          "",
          h.element() + " " + h.key() + " has no PlanarGeometry.",
          h.line(),
          h.column());
    }
    return Polygon.of(List.of());
  }

  private SurfaceType surfaceType(Header h, Kept kept) {
    String stated = cursor.attribute("surfaceType");
    if (stated == null) {
      values.note(
          ReadNote.Kind.MISSING_REQUIRED,
          h.key(),
          "surfaceType",
          "",
          "Surface " + h.key() + " has no surfaceType.",
          h.line(),
          h.column());
      return SurfaceType.UNRESOLVED;
    }
    return SurfaceType.fromGbxml(stated)
        .orElseGet(
            () -> {
              kept.attribute("surfaceType", stated);
              values.note(
                  ReadNote.Kind.BAD_VALUE,
                  h.key(),
                  "surfaceType",
                  stated,
                  "surfaceType \"" + Values.clip(stated) + "\" is not one of the standard's.",
                  h.line(),
                  h.column());
              return SurfaceType.UNRESOLVED;
            });
  }

  private void adjacent(Header h, List<Side> sides) throws UnreadableException {
    String space = cursor.attribute("spaceIdRef");
    int line = cursor.line();
    int column = cursor.column();
    Kept kept = Kept.except(cursor.attributes(), Set.of("spaceIdRef"));
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      kept.fragment(cursor.fragment());
    }
    if (space == null) {
      values.note(
          ReadNote.Kind.MISSING_REQUIRED,
          h.key(),
          "spaceIdRef",
          "",
          "An AdjacentSpaceId of " + h.key() + " has no spaceIdRef.",
          line,
          column);
      return;
    }
    sides.add(new Side(space, null, Extras.NONE, kept.extras()));
  }

  /**
   * The surfaces read, each side with the polygon that its space's boundary gives it, and
   * rectangles as polygons. Call it when all spaces and the site are read.
   *
   * @param north azimuth of the model's +y axis, degrees
   */
  List<Surface> finished(Map<String, Map<String, Side>> boundaries, double north) {
    Map<String, Set<String>> left = new TreeMap<>();
    boundaries.forEach((k, v) -> left.put(k, new TreeSet<>(v.keySet())));
    List<Surface> out = new ArrayList<>(surfaces.size());
    for (Surface s : surfaces) {
      Map<String, Side> given = boundaries.get(s.source().id());
      Surface made =
          given == null
              ? s
              : s.withSides(
                  s.sides().stream().map(side -> merged(side, given.get(side.space()))).toList());
      if (given != null) {
        s.sides().forEach(side -> left.get(s.source().id()).remove(side.space()));
      }
      out.add(rectangles.isEmpty() ? made : withRectangles(made, north));
    }
    left.forEach((surface, spaces) -> spaces.forEach(space -> lost(space, surface)));
    return out;
  }

  private void lost(String space, String surface) {
    values.lost(
        space,
        "SpaceBoundary",
        surface,
        "A SpaceBoundary of "
            + space
            + " names "
            + surface
            + ", which is no surface of this space: it is not written back.",
        0,
        0);
  }

  private Surface withRectangles(Surface s, double north) {
    PolygonReader.Stated own = rectangles.get(s.key());
    Surface made = own == null ? s : s.withPolygon(rectangle(own, north).polygon(), s.sides());
    return made.withOpenings(
        made.openings().stream().map(o -> withRectangle(o, made.polygon(), north)).toList());
  }

  private static Rectangle rectangle(PolygonReader.Stated r, double north) {
    return Rectangle.of(r.corner(), r.azimuth() - north, r.tilt(), r.width(), r.height());
  }

  /**
   * The corner of an opening is measured from that of its parent; in the parent's plane it may have
   * been given as a point of the model instead, when only that lies in the parent.
   */
  private Opening withRectangle(Opening o, Polygon parent, double north) {
    PolygonReader.Stated own = rectangles.get(o.key());
    Rectangle base = parent.outer().size() < 3 ? null : Rectangle.of(parent);
    if (own == null || base == null) {
      return own == null ? o : o.withPolygon(rectangle(own, north).polygon());
    }
    Rectangle inModel = rectangle(own, north);
    Rectangle inParent =
        new Rectangle(base.frame(), base.global(own.corner()), own.width(), own.height());
    boolean model = !lies(inParent, parent) && lies(inModel, parent);
    return o.withPolygon((model ? inModel : inParent).polygon());
  }

  /** Whether all corners lie over the parent's outline and within its plane, both by 10 mm. */
  private static boolean lies(Rectangle r, Polygon parent) {
    Rectangle base = Rectangle.of(parent);
    org.locationtech.jts.geom.Envelope round = base.frame().project(parent).getEnvelopeInternal();
    round.expandBy(NEAR);
    for (Vec3 v : r.polygon().outer()) {
      if (Math.abs(base.local(v).z()) > NEAR || !round.contains(base.frame().to2d(v))) {
        return false;
      }
    }
    return true;
  }

  private static final double NEAR = 0.01;

  private static Side merged(Side side, Side given) {
    return given == null
        ? side
        : new Side(side.space(), given.face(), given.boundary(), side.adjacency());
  }

  Opening opening(Header h) throws UnreadableException {
    List<Extras.Attribute> attributes = cursor.attributes();
    Kept kept = Kept.except(attributes, OPENING);
    OpeningType type = openingType(h, kept);
    String construction = cursor.attribute("constructionIdRef");
    String glazing = cursor.attribute("windowTypeIdRef");
    String name = "";
    String cad = "";
    Polygon polygon = null;
    PolygonReader.Stated rectangle = null;
    Set<String> seen = new HashSet<>();
    for (String c = cursor.child(kept, ONCE, seen); c != null; c = cursor.child(kept, ONCE, seen)) {
      switch (c) {
        case "Name" -> name = Values.text(cursor.leaf(kept), kept);
        case "RectangularGeometry" -> rectangle = polygons.rectangle(values.length, kept);
        case "PlanarGeometry" ->
            polygon = polygons.planarGeometry(values.length, kept, "PlanarGeometry");
        case "CADObjectId" -> cad = keptLeaf(kept);
        default -> kept.fragment(cursor.fragment());
      }
    }
    return Opening.of(h.key(), type, outline(h, polygon, rectangle))
        .with()
        .name(name)
        .construction(construction)
        .glazing(glazing)
        .source(h.source(name))
        .element(
            cad.isEmpty() ? null : new SourceRef("CADObjectId", cad, name, h.line(), h.column()))
        .extras(kept.extras())
        .build();
  }

  private OpeningType openingType(Header h, Kept kept) {
    String stated = cursor.attribute("openingType");
    if (stated == null) {
      values.note(
          ReadNote.Kind.MISSING_REQUIRED,
          h.key(),
          "openingType",
          "",
          "Opening " + h.key() + " has no openingType.",
          h.line(),
          h.column());
      return OpeningType.UNRESOLVED;
    }
    return OpeningType.fromGbxml(stated)
        .orElseGet(
            () -> {
              kept.attribute("openingType", stated);
              values.note(
                  ReadNote.Kind.BAD_VALUE,
                  h.key(),
                  "openingType",
                  stated,
                  "openingType \"" + Values.clip(stated) + "\" is not one of the standard's.",
                  h.line(),
                  h.column());
              return OpeningType.UNRESOLVED;
            });
  }
}
