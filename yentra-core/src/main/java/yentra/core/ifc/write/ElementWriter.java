package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.real;
import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.refs;
import static yentra.core.step.StepWriter.text;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.step.StepWriter;

/**
 * An element for each surface, its openings with what fills them, and the second-level boundaries
 * of its spaces. A surface with one space has its element outside of it, one with two has it on
 * both sides alike.
 */
final class ElementWriter {
  /** Of an element whose construction states no thickness, m: common practice, no source. */
  private static final double UNKNOWN_THICKNESS = 0.1;

  /** Of a shading surface, m: it has none, and a body needs one. */
  private static final double SHADE_THICKNESS = 0.01;

  /** How far an opening's body reaches out of its element on both sides, m. */
  private static final double BEYOND = 0.02;

  /** Of a window or door leaf, m: common practice, no source. */
  private static final double LEAF = 0.06;

  private final Envelope envelope;
  private final IfcModelWriter.IfcFrame frame;
  private final StepWriter step;
  private final BoundaryWriter bounds;
  private final LayerSets sets;
  private final SurfaceTypes types;
  private final Map<Integer, List<Integer>> made = new LinkedHashMap<>();
  private final Map<String, List<Integer>> contained = new LinkedHashMap<>();
  private final Set<String> notes = new LinkedHashSet<>();

  ElementWriter(
      Envelope envelope,
      IfcModelWriter.IfcFrame frame,
      SpaceWriter spaces,
      LayerSets sets,
      BoundaryWords words,
      SurfaceTypes types) {
    this.envelope = envelope;
    this.frame = frame;
    this.step = frame.step();
    this.bounds = new BoundaryWriter(frame, spaces, words);
    this.sets = sets;
    this.types = types;
  }

  List<String> notes() {
    List<String> all = new ArrayList<>(notes);
    all.addAll(bounds.notes());
    return all;
  }

  /** Where the element of a surface lies. */
  private record Plate(
      Surface surface, PlaneFrame frame, boolean upright, double from, double thickness) {
    /** Where layers begin along the product's own axis, and which way they run. */
    double offset() {
      return upright ? -(from + thickness) : from + thickness;
    }
  }

  private boolean isWall(Surface s) {
    return switch (s.type()) {
      case EXTERIOR_WALL, INTERIOR_WALL, UNDERGROUND_WALL -> true;
      case EMBEDDED_COLUMN, UNRESOLVED ->
          types.betweenSpaces(s.polygon().tilt()) == SurfaceType.INTERIOR_WALL;
      default -> false;
    };
  }

  void write(Surface s) {
    if (s.polygon().area() == 0) {
      notes.add("Surfaces without area are left out: " + s.key());
      return;
    }
    if (s.type() == SurfaceType.AIR && s.construction() != null) {
      notes.add("Constructions of air boundaries have no place in IFC");
    }
    if (s.sides().size() > 2) {
      notes.add("Of surfaces with more than two spaces the first two are written: " + s.key());
    }
    boolean shade = s.sides().isEmpty();
    Double stated = sets.thickness(s.construction());
    double thickness =
        shade ? SHADE_THICKNESS : stated == null ? UNKNOWN_THICKNESS : stated.doubleValue();
    if (!shade && stated == null && s.type() != SurfaceType.AIR) {
      notes.add(
          "Elements whose construction states no thickness are " + UNKNOWN_THICKNESS + " m thick");
    }
    double from = s.sides().size() > 1 ? -thickness / 2 : 0;
    Plate plate = new Plate(s, PlaneFrame.of(s.polygon().plane()), isWall(s), from, thickness);
    int element = element(plate);
    contain(s, element);
    if (shade) {
      return;
    }
    if (s.type() != SurfaceType.AIR) {
      layers(plate, element);
      common(s, element);
    }
    int[] faces = bounds.write(s, null, element, null);
    for (Opening o : s.openings()) {
      opening(plate, element, o, faces);
    }
  }

  private int element(Plate p) {
    Surface s = p.surface();
    boolean air = s.type() == SurfaceType.AIR;
    int shape =
        air
            ? 0
            : frame.shapes().plate(s.polygon(), p.frame(), p.upright(), p.from(), p.thickness());
    List<String> all = new ArrayList<>();
    all.add(frame.id("element-" + s.key()));
    all.add(frame.owner());
    all.add(text(s.name().isBlank() ? s.key() : s.name()));
    all.add("$");
    all.add("$");
    all.add(ref(placement(p)));
    all.add(air ? "$" : ref(shape));
    all.add(text(s.key()));
    String[] kind = frame.isOld() ? old(s, p.upright()) : kind(s, p.upright());
    if (kind.length > 1) {
      all.add(kind[1]);
    }
    return step.add(kind[0], all.toArray(String[]::new));
  }

  /** The class of a surface's element and its predefined type. */
  private static String[] kind(Surface s, boolean upright) {
    return switch (s.type()) {
      case AIR -> new String[] {"IFCVIRTUALELEMENT"};
      case SHADE, FREESTANDING_COLUMN -> new String[] {"IFCSHADINGDEVICE", ".NOTDEFINED."};
      case ROOF -> new String[] {"IFCSLAB", ".ROOF."};
      case SLAB_ON_GRADE, UNDERGROUND_SLAB -> new String[] {"IFCSLAB", ".BASESLAB."};
      default ->
          s.sides().isEmpty()
              ? new String[] {"IFCSHADINGDEVICE", ".NOTDEFINED."}
              : upright
                  ? new String[] {"IFCWALL", ".STANDARD."}
                  : new String[] {"IFCSLAB", ".FLOOR."};
    };
  }

  /** The same in IFC2X3, which has no shading devices, and no predefined types of walls. */
  private static String[] old(Surface s, boolean upright) {
    String[] now = kind(s, upright);
    return switch (now[0]) {
      case "IFCSHADINGDEVICE" -> new String[] {"IFCBUILDINGELEMENTPROXY", "$"};
      case "IFCWALL" -> new String[] {"IFCWALL"};
      default -> now;
    };
  }

  private int placement(Plate p) {
    PlaneFrame f = p.frame();
    int axes =
        p.upright()
            ? frame.shapes().axes(f.origin(), f.v(), f.u())
            : frame.shapes().axes(f.origin(), f.n(), f.u());
    return step.add("IFCLOCALPLACEMENT", ref(frame.placement()), ref(axes));
  }

  private void layers(Plate p, int element) {
    Integer set = sets.set(p.surface().construction());
    if (set == null) {
      return;
    }
    // listed from outside: along y of a wall, which points inward, and against z of a slab
    int usage =
        step.shared(
            "IFCMATERIALLAYERSETUSAGE",
            frame.and(
                new String[] {
                  ref(set),
                  p.upright() ? ".AXIS2." : ".AXIS3.",
                  p.upright() ? ".POSITIVE." : ".NEGATIVE.",
                  real(p.offset())
                },
                "$"));
    made.computeIfAbsent(usage, k -> new ArrayList<>()).add(element);
  }

  private void common(Surface s, int element) {
    List<Integer> all = new ArrayList<>();
    String set = s.type() != SurfaceType.ROOF && isWall(s) ? "Pset_WallCommon" : "Pset_SlabCommon";
    boolean outside = s.exposure() == Exposure.OUTDOOR || s.exposure() == Exposure.GROUND;
    all.add(frame.property("IsExternal", "IFCBOOLEAN", outside ? ".T." : ".F."));
    Double u =
        s.construction() == null
            ? null
            : envelope.construction(s.construction()).map(Construction::uValue).orElse(null);
    if (u != null) {
      all.add(frame.property("ThermalTransmittance", "IFCTHERMALTRANSMITTANCEMEASURE", real(u)));
    }
    frame.properties(set, s.key(), element, all);
  }

  private void contain(Surface s, int element) {
    String storey =
        s.sides().isEmpty()
            ? null
            : envelope.space(s.sides().get(0).space()).map(Space::storey).orElse(null);
    contained.computeIfAbsent(storey == null ? "" : storey, k -> new ArrayList<>()).add(element);
  }

  /** Says which elements are in which storey and made of what. */
  void relate(Map<String, Integer> storeys, int building) {
    made.forEach(
        (usage, elements) ->
            step.add(
                "IFCRELASSOCIATESMATERIAL",
                frame.id("layers-" + usage),
                frame.owner(),
                "$",
                "$",
                refs(elements),
                ref(usage)));
    contained.forEach(
        (storey, elements) ->
            step.add(
                "IFCRELCONTAINEDINSPATIALSTRUCTURE",
                frame.id("in-storey-" + storey),
                frame.owner(),
                "$",
                "$",
                refs(elements),
                ref(storeys.getOrDefault(storey, building))));
  }

  private void opening(Plate wall, int element, Opening o, int[] parents) {
    if (o.polygon().area() == 0) {
      notes.add("Openings without area are left out: " + o.key());
      return;
    }
    Plate hole =
        new Plate(
            wall.surface(),
            PlaneFrame.of(o.polygon().plane()),
            wall.upright(),
            wall.from() - BEYOND,
            wall.thickness() + 2 * BEYOND);
    int cut =
        step.add(
            "IFCOPENINGELEMENT",
            frame.and(
                new String[] {
                  frame.id("hole-" + o.key()),
                  frame.owner(),
                  "$",
                  "$",
                  "$",
                  ref(placement(hole)),
                  ref(plate(o, hole)),
                  "$"
                },
                ".OPENING."));
    step.add(
        "IFCRELVOIDSELEMENT",
        frame.id("cuts-" + o.key()),
        frame.owner(),
        "$",
        "$",
        ref(element),
        ref(cut));
    bounds.write(wall.surface(), o, o.type().isHole() ? cut : fill(wall, o, cut), parents);
  }

  private int plate(Opening o, Plate p) {
    return frame.shapes().plate(o.polygon(), p.frame(), p.upright(), p.from(), p.thickness());
  }

  private int fill(Plate wall, Opening o, int cut) {
    double leaf = Math.min(LEAF, wall.thickness());
    Plate p =
        new Plate(
            wall.surface(),
            PlaneFrame.of(o.polygon().plane()),
            wall.upright(),
            wall.from() + (wall.thickness() - leaf) / 2,
            leaf);
    boolean door = o.type() == OpeningType.SLIDING_DOOR || !o.type().isGlazed();
    boolean roof =
        o.type() == OpeningType.FIXED_SKYLIGHT || o.type() == OpeningType.OPERABLE_SKYLIGHT;
    double[] size = size(o.polygon(), p.frame());
    int id =
        step.add(
            door ? "IFCDOOR" : "IFCWINDOW",
            frame.and(
                new String[] {
                  frame.id("element-" + o.key()),
                  frame.owner(),
                  text(o.name().isBlank() ? o.key() : o.name()),
                  "$",
                  "$",
                  ref(placement(p)),
                  ref(plate(o, p)),
                  text(o.key()),
                  real(size[1]),
                  real(size[0])
                },
                door ? ".DOOR." : roof ? ".SKYLIGHT." : ".WINDOW.",
                "$",
                "$"));
    contain(wall.surface(), id);
    step.add(
        "IFCRELFILLSELEMENT",
        frame.id("fills-" + o.key()),
        frame.owner(),
        "$",
        "$",
        ref(cut),
        ref(id));
    values(o, id, door);
    return id;
  }

  /** Width and height of an outline on its plane, m. */
  private static double[] size(Polygon p, PlaneFrame f) {
    double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
    p.outer()
        .forEach(
            v -> {
              Coordinate c = f.to2d(v);
              box[0] = Math.min(box[0], c.x);
              box[1] = Math.min(box[1], c.y);
              box[2] = Math.max(box[2], c.x);
              box[3] = Math.max(box[3], c.y);
            });
    return new double[] {box[2] - box[0], box[3] - box[1]};
  }

  private void values(Opening o, int id, boolean door) {
    Glazing g = o.glazing() == null ? null : envelope.glazing(o.glazing()).orElse(null);
    Double u = g == null ? null : g.uValue();
    if (g == null && o.construction() != null) {
      u = envelope.construction(o.construction()).map(Construction::uValue).orElse(null);
      Integer set = sets.set(o.construction());
      if (set != null) {
        made.computeIfAbsent(set, k -> new ArrayList<>()).add(id);
      }
    }
    List<Integer> common = new ArrayList<>();
    if (u != null) {
      common.add(frame.property("ThermalTransmittance", "IFCTHERMALTRANSMITTANCEMEASURE", real(u)));
    }
    if (door && o.type().isGlazed()) {
      common.add(frame.property("GlazingAreaFraction", "IFCPOSITIVERATIOMEASURE", "1."));
    }
    frame.properties(door ? "Pset_DoorCommon" : "Pset_WindowCommon", o.key(), id, common);
    List<Integer> glass = new ArrayList<>();
    if (g != null && g.solarHeatGain() != null) {
      glass.add(
          frame.property(
              "SolarHeatGainTransmittance", "IFCPOSITIVERATIOMEASURE", real(g.solarHeatGain())));
    }
    if (g != null && g.visibleTransmittance() != null) {
      glass.add(
          frame.property(
              "VisibleLightTransmittance",
              "IFCPOSITIVERATIOMEASURE",
              real(g.visibleTransmittance())));
    }
    frame.properties("Pset_DoorWindowGlazingType", o.key(), id, glass);
  }
}
