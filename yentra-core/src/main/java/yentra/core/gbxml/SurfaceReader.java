package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
import yentra.core.units.LengthUnit;

/** Reads surfaces and their openings. */
final class SurfaceReader {
  private static final Set<String> SURFACE = Set.of("id", "surfaceType", "constructionIdRef");
  private static final Set<String> OPENING =
      Set.of("id", "openingType", "constructionIdRef", "windowTypeIdRef");
  private final Cursor cursor;
  private final Values values;
  private final References references;
  private final PolygonReader polygons;
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
    List<Side> sides = new ArrayList<>(2);
    List<Opening> openings = new ArrayList<>(0);
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      switch (c) {
        case "Name" -> name = cursor.leaf(kept).text();
        case "AdjacentSpaceId" -> adjacent(h, sides);
        case "RectangularGeometry" -> cursor.fragment();
        case "PlanarGeometry" -> polygon = polygons.planarGeometry(values.length);
        case "Opening" -> openings.add(opening(Header.of("Opening", cursor, values, references)));
        case "CADObjectId" -> cad = keptLeaf(kept);
        default -> kept.fragment(cursor.fragment());
      }
    }
    surfaces.add(
        new Surface(
            h.key(),
            name,
            type,
            outline(h, polygon),
            sides,
            construction,
            null,
            BoundaryKind.READ,
            h.source(name),
            cad.isEmpty() ? null : new SourceRef("CADObjectId", cad, name, h.line(), h.column()),
            openings,
            kept.extras()));
  }

  private String keptLeaf(Kept kept) throws UnreadableException {
    Leaf leaf = cursor.leaf(kept);
    kept.fragment(leaf.xml());
    return leaf.text();
  }

  private Polygon outline(Header h, Polygon polygon) {
    if (polygon == null) {
      values.note(
          ReadNote.Kind.MISSING_REQUIRED,
          h.key(),
          "PlanarGeometry",
          "",
          h.element() + " " + h.key() + " has no PlanarGeometry.",
          h.line(),
          h.column());
      return Polygon.of(List.of());
    }
    return polygon;
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
   * The surfaces read, each side with the polygon that its space's boundary gives it. Call it when
   * all spaces are read.
   */
  List<Surface> withBoundaries(Map<String, Map<String, Side>> boundaries) {
    return surfaces.stream()
        .map(
            s -> {
              Map<String, Side> given = boundaries.get(s.source().id());
              return given == null
                  ? s
                  : s.withSides(
                      s.sides().stream()
                          .map(side -> merged(side, given.get(side.space())))
                          .toList());
            })
        .toList();
  }

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
    LengthUnit unit = values.length;
    for (String c = cursor.child(kept); c != null; c = cursor.child(kept)) {
      switch (c) {
        case "Name" -> name = cursor.leaf(kept).text();
        case "RectangularGeometry" -> cursor.fragment();
        case "PlanarGeometry" -> polygon = polygons.planarGeometry(unit);
        case "CADObjectId" -> cad = keptLeaf(kept);
        default -> kept.fragment(cursor.fragment());
      }
    }
    return new Opening(
        h.key(),
        name,
        type,
        outline(h, polygon),
        construction,
        glazing,
        h.source(name),
        cad.isEmpty() ? null : new SourceRef("CADObjectId", cad, name, h.line(), h.column()),
        kept.extras());
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
