package yentra.demo;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.gbxml.GbxmlVersion;
import yentra.core.gbxml.GbxmlWriter;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * Plants the faults into the sound building that a translation from an architect's model typically
 * leaves.
 */
final class Faults {
  private Envelope e;

  private Faults(Envelope sound) {
    e = sound;
  }

  /** The gbXML file with faults. */
  static byte[] gbxml(Envelope sound) {
    Faults f = new Faults(sound);
    f.plant();
    String xml = new String(write(f.e), StandardCharsets.UTF_8);
    // an id given twice, and a thickness that lost its unit, as hand-edited exports have them
    xml = xml.replace("id=\"su-copied\"", "id=\"" + f.wall("sp-workshop", 0, -1).key() + "\"");
    xml = xml.replaceFirst("<Thickness unit=\"Meters\">0.022", "<Thickness>0.022");
    return xml.getBytes(StandardCharsets.UTF_8);
  }

  static byte[] write(Envelope e) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      GbxmlWriter.write(e, SurfaceTypes.STANDARD, GbxmlVersion.V6_01, out);
    } catch (IOException x) {
      throw new UncheckedIOException(x);
    }
    return out.toByteArray();
  }

  /** Revision B with the faults that are still in it: some are mended, the wing hides others. */
  static byte[] revisionB(Envelope withWing) {
    Faults f = new Faults(withWing);
    f.plantOften();
    // the slab is there now, but a wall of the same room got lost
    f.missing(f.wall("sp-store", 0, 1));
    String xml = new String(write(f.e), StandardCharsets.UTF_8);
    xml = xml.replace("id=\"su-copied\"", "id=\"" + f.wall("sp-workshop", 0, -1).key() + "\"");
    return xml.getBytes(StandardCharsets.UTF_8);
  }

  private void plant() {
    reverse(wall("sp-hall", 0, -1));
    plantOften();
    missing(
        e.surfaces().stream()
            .filter(s -> s.type() == SurfaceType.UNDERGROUND_SLAB)
            .findFirst()
            .orElseThrow());
    stretch("sp-crew");
    change(wall("sp-changing", 0, 1), s -> s.withConstruction("con-cladding-b"));
    foil();
  }

  /** The roof has a foil that is a layer of its own. */
  private void foil() {
    String key = "mat-foil";
    List<Material> materials = new ArrayList<>(e.materials());
    materials.add(
        new Material(
            key,
            "Vapour barrier",
            0.0002,
            0.33,
            920.0,
            2200.0,
            null,
            new SourceRef("Material", key, "Vapour barrier", 0, 0),
            Extras.NONE));
    String roof = e.construction("con-roof").orElseThrow().layers().get(0);
    List<Layer> layers = new ArrayList<>();
    for (Layer l : e.layers()) {
      List<String> keys = new ArrayList<>(l.materials());
      if (l.key().equals(roof)) {
        keys.add(keys.size() - 1, key);
      }
      layers.add(new Layer(l.key(), l.name(), keys, l.source(), l.extras()));
    }
    e = e.withConstructions(e.constructions(), layers, materials);
  }

  /** What every export of this model has. */
  private void plantOften() {
    reverse(
        e.surfaces().stream()
            .filter(s -> s.type() == SurfaceType.ROOF && s.isAdjacentTo("sp-gallery"))
            .findFirst()
            .orElseThrow());
    change(between("sp-hall", "sp-workshop"), s -> s.withType(SurfaceType.EXTERIOR_WALL));
    change(wall("sp-kitchen", 0, -1), s -> s.withType(SurfaceType.INTERIOR_WALL));
    splitPair(between("sp-gallery", "sp-crew"));
    missing(wall("sp-plant", 1, 0));
    pushOut(wall("sp-gallery", 0, 1));
    change(wall("sp-gallery", 1, 0), s -> s.withConstruction(null));
    change(wall("sp-changing", 1, 0), s -> s.withType(SurfaceType.UNRESOLVED));
    strays();
    e = e.withSpaces(e.spaces().stream().map(Faults::restated).toList());
  }

  /** The exterior wall of a space that faces (x, y). */
  private Surface wall(String space, double x, double y) {
    return e.surfaces().stream()
        .filter(
            s ->
                s.isAdjacentTo(space)
                    && s.sides().size() == 1
                    && s.polygon().normal().distance(new Vec3(x, y, 0)) < 1e-6)
        .findFirst()
        .orElseThrow();
  }

  private Surface between(String a, String b) {
    return e.surfaces().stream()
        .filter(s -> s.isAdjacentTo(a) && s.isAdjacentTo(b))
        .findFirst()
        .orElseThrow();
  }

  private void change(Surface s, java.util.function.UnaryOperator<Surface> change) {
    e = e.replacing(s.key(), change);
  }

  private void reverse(Surface s) {
    change(s, x -> x.withPolygon(x.polygon().reversed(), x.sides()));
  }

  /** One slab delivered as two surfaces that know nothing of each other. */
  private void splitPair(Surface s) {
    Side upper = s.sides().get(0);
    Side lower = s.sides().get(1);
    change(s, x -> x.withSides(List.of(upper)));
    e =
        e.plus(
            stray(
                "su-ceiling",
                SurfaceType.CEILING,
                s.polygon().reversed(),
                List.of(Side.of(lower.space())),
                s.construction()));
  }

  /** A face that is missing in the surfaces and in the shell. */
  private void missing(Surface s) {
    String space = s.sides().get(0).space();
    e = e.withoutSurface(s.key());
    Vec3 place = s.polygon().mean();
    e =
        e.withSpaces(
            e.spaces().stream()
                .map(x -> x.key().equals(space) ? x.withShell(without(x.shell(), place)) : x)
                .toList());
  }

  private static List<Polygon> without(List<Polygon> shell, Vec3 place) {
    return shell.stream().filter(f -> f.mean().distance(place) > 1e-6).toList();
  }

  /** A window that reaches over the end of its wall. */
  private void stretch(String space) {
    change(
        wall(space, 0, 1),
        s ->
            s.withOpenings(s.openings().stream().map(o -> moved(o, new Vec3(2.1, 0, 0))).toList()));
  }

  /** A window that stands in front of its wall. */
  private void pushOut(Surface s) {
    List<Opening> openings = new ArrayList<>(s.openings());
    openings.set(0, moved(openings.get(0), s.polygon().normal().times(0.08)));
    change(s, x -> x.withOpenings(openings));
  }

  private static Opening moved(Opening o, Vec3 by) {
    return o.withPolygon(o.polygon().transformed(Transform.translation(by)));
  }

  private void strays() {
    e =
        e.plus(
            stray(
                "su-fragment",
                SurfaceType.EXTERIOR_WALL,
                rectangle(new Vec3(10, -3, 0), new Vec3(1.2, 0, 0), new Vec3(0, 0, 2.1)),
                List.of(),
                MarramPoint.OUTER_WALL));
    e =
        e.plus(
            stray(
                "su-thread",
                SurfaceType.EXTERIOR_WALL,
                Polygon.of(new Vec3(26, 0, 3.4), new Vec3(28, 0, 3.4), new Vec3(30, 0, 3.4)),
                List.of(Side.of("sp-kitchen")),
                MarramPoint.OUTER_WALL));
    e =
        e.plus(
            stray(
                "su-twisted",
                SurfaceType.SHADE,
                Polygon.of(
                    new Vec3(36, 14, 0),
                    new Vec3(40, 14, 0),
                    new Vec3(36.5, 14, 3),
                    new Vec3(39, 14, 4)),
                List.of(),
                null));
    Surface copied = wall("sp-workshop", 0, -1);
    e =
        e.plus(
            stray(
                "su-copied",
                SurfaceType.SHADE,
                copied.polygon().transformed(Transform.translation(new Vec3(0, -6, 0))),
                List.of(),
                null));
    Polygon lost = rectangle(new Vec3(40, 2, 1), new Vec3(0, 1.5, 0), new Vec3(0, 0, 1.2));
    e =
        e.withOrphans(
            List.of(
                Opening.of("op-lost", OpeningType.FIXED_WINDOW, lost)
                    .with()
                    .glazing("win-double")
                    .source(new SourceRef("Opening", "op-lost", "", 0, 0))
                    .build()));
  }

  private static Polygon rectangle(Vec3 corner, Vec3 u, Vec3 v) {
    return Polygon.of(corner, corner.plus(u), corner.plus(u).plus(v), corner.plus(v));
  }

  private static Surface stray(
      String key, SurfaceType type, Polygon p, List<Side> sides, String construction) {
    return Surface.of(key, type, p, BoundaryKind.READ)
        .with()
        .sides(sides)
        .construction(construction)
        .source(new SourceRef("Surface", key, "", 0, 0))
        .build();
  }

  /**
   * The workshop states a volume from an earlier design; the changing room's shell is inside out.
   */
  private static Space restated(Space s) {
    if (s.key().equals("sp-workshop")) {
      return s.withStated(s.statedFloorArea(), s.statedVolume() * 1.15);
    }
    return s.key().equals("sp-changing")
        ? s.withShell(s.shell().stream().map(Polygon::reversed).toList())
        : s;
  }
}
