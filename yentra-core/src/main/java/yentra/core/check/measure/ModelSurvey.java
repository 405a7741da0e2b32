package yentra.core.check.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidOverlay;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Element;
import yentra.core.work.Once;

/**
 * What the checks of the architectural model share: every element's box, which elements stand in
 * each other's place, which bounding elements touch no space. Worked out once, when first asked
 * for; bodies are read one at a time and not kept.
 */
public final class ModelSurvey {
  private static final int MOST_FACES = 2000;

  /** Faces this far apart across construction still belong together, in metres. */
  private static final double REACH = 0.6;

  private static final double BEHIND = 0.05;
  private static final double CONTACT = 0.01;

  /** Facets of a curved wall and of the space beside it need not be parallel. */
  private static final double ALIGNED = Math.cos(Math.toRadians(20));

  private final ArchitecturalModel model;
  private final Tolerance tolerance;
  private final Once<List<Measured>> measured;
  private final Once<List<Twin>> twins;
  private final Once<List<Element>> boundNothing;

  public ModelSurvey(ArchitecturalModel model, Tolerance tolerance) {
    this.model = model;
    this.tolerance = tolerance;
    this.measured = new Once<>(this::measureAll);
    this.twins = new Once<>(this::findTwins);
    this.boundNothing = new Once<>(this::findBoundNothing);
  }

  private ModelSurvey(ModelSurvey of, ArchitecturalModel part) {
    this.model = part;
    this.tolerance = of.tolerance;
    this.measured = Once.of(in(part, of.measured(), Measured::element));
    List<Twin> both = in(part, of.twins(), Twin::a);
    this.twins = Once.of(in(part, both, Twin::b));
    this.boundNothing =
        spaces(of.model).equals(spaces(part))
            ? Once.of(in(part, of.boundNothing(), e -> e))
            : new Once<>(this::findBoundNothing);
  }

  private static <T> List<T> in(
      ArchitecturalModel part, List<T> all, Function<T, Element> element) {
    return all.stream().filter(t -> part.element(element.apply(t).key()).isPresent()).toList();
  }

  /**
   * The survey of a part of this model. What has been measured is not measured again; which
   * elements bound nothing is asked anew only when other spaces are in.
   *
   * @param part a model with some of this one's elements and the same bodies
   */
  public ModelSurvey of(ArchitecturalModel part) {
    return part == model ? this : new ModelSurvey(this, part);
  }

  public Tolerance tolerance() {
    return tolerance;
  }

  private List<String> spaces(ArchitecturalModel of) {
    return of.elements().stream().filter(e -> is(e, "IfcSpace")).map(Element::key).toList();
  }

  /** An element with what is known of its body without keeping its faces. */
  public record Measured(
      Element element,
      Box box,
      double volume,
      int faces,
      double chordError,
      List<String> simplified,
      String problem) {}

  /** Two elements in one place; {@code share} is the common part of the larger one, 0 to 1. */
  public record Twin(Element a, Element b, double share) {}

  public ArchitecturalModel model() {
    return model;
  }

  /** All elements that can have a body, in the model's order. */
  public List<Measured> measured() {
    return measured.get();
  }

  private List<Measured> measureAll() {
    return model.elements().parallelStream().map(this::measure).toList();
  }

  private Measured measure(Element e) {
    Body body = model.body(e);
    Shell shell = Shell.of(body.faces());
    return new Measured(
        e,
        shell.box(),
        Math.abs(shell.signedVolume()),
        body.faces().size(),
        body.chordError(),
        body.approximations(),
        body.problem());
  }

  public boolean is(Element e, String... kinds) {
    for (String k : kinds) {
      if (model.isKind(e.entity(), k)) {
        return true;
      }
    }
    return false;
  }

  /** Whether an element is of a kind that separates spaces from each other or from outside. */
  public boolean isBounding(Element e) {
    return is(e, "IfcWall", "IfcCurtainWall", "IfcSlab", "IfcRoof");
  }

  /** Elements of one class that fill the same place, each pair once. */
  public List<Twin> twins() {
    return twins.get();
  }

  private List<Twin> findTwins() {
    Map<String, List<Measured>> byClass = new LinkedHashMap<>();
    for (Measured m : measured()) {
      if (m.faces > 0
          && is(m.element, "IfcElement")
          && !is(m.element, "IfcFeatureElement", "IfcVirtualElement")) {
        byClass.computeIfAbsent(plainClass(m.element), k -> new ArrayList<>()).add(m);
      }
    }
    return byClass.values().parallelStream().flatMap(l -> twins(l).stream()).toList();
  }

  /** IfcWallStandardCase is a wall like any other. */
  private static String plainClass(Element e) {
    return e.entity().replaceAll("(StandardCase|ElementedCase)$", "");
  }

  private List<Twin> twins(List<Measured> alike) {
    BoxIndex index = new BoxIndex(alike.stream().map(Measured::box).toList());
    List<int[]> pairs = new ArrayList<>();
    for (int i = 0; i < alike.size(); i++) {
      for (int j : index.meeting(alike.get(i).box)) {
        if (j > i && sameBox(alike.get(i).box, alike.get(j).box)) {
          pairs.add(new int[] {i, j});
        }
      }
    }
    pairs.sort(Comparator.<int[]>comparingInt(p -> p[0]).thenComparingInt(p -> p[1]));
    List<Twin> out = new ArrayList<>();
    for (int[] p : pairs) {
      Element a = alike.get(p[0]).element;
      Element b = alike.get(p[1]).element;
      if (!a.parent().equals(b.key()) && !b.parent().equals(a.key())) {
        double share = share(alike.get(p[0]), alike.get(p[1]));
        if (share > 0) {
          out.add(new Twin(a, b, share));
        }
      }
    }
    return out;
  }

  /** Whether nine tenths of the larger box are common in every direction. */
  private boolean sameBox(Box a, Box b) {
    return same(a.min().x(), a.max().x(), b.min().x(), b.max().x())
        && same(a.min().y(), a.max().y(), b.min().y(), b.max().y())
        && same(a.min().z(), a.max().z(), b.min().z(), b.max().z());
  }

  private boolean same(double a0, double a1, double b0, double b1) {
    double common = Math.min(a1, b1) - Math.max(a0, b0);
    double longer = Math.max(a1 - a0, b1 - b0);
    return common >= 0.9 * longer - tolerance.length();
  }

  private double share(Measured a, Measured b) {
    List<Polygon> fa = model.body(a.element).faces();
    List<Polygon> fb = model.body(b.element).faces();
    if (sameFaces(fa, fb)) {
      return 1;
    }
    double larger = Math.max(a.volume, b.volume);
    if (larger <= 0 || fa.size() + fb.size() > MOST_FACES) {
      return 0;
    }
    List<Polygon> common = SolidOverlay.intersection(outward(fa), outward(fb), tolerance);
    return Math.min(1, Math.max(0, Shell.of(common).signedVolume()) / larger);
  }

  private static List<Polygon> outward(List<Polygon> faces) {
    return Shell.of(faces).signedVolume() < 0
        ? faces.stream().map(Polygon::reversed).toList()
        : faces;
  }

  private boolean sameFaces(List<Polygon> a, List<Polygon> b) {
    if (a.size() != b.size()) {
      return false;
    }
    List<Vec3> left = a.stream().map(Polygon::mean).sorted(BY_PLACE).toList();
    List<Vec3> right = b.stream().map(Polygon::mean).sorted(BY_PLACE).toList();
    for (int i = 0; i < left.size(); i++) {
      if (left.get(i).distance(right.get(i)) > tolerance.length()) {
        return false;
      }
    }
    return true;
  }

  private static final Comparator<Vec3> BY_PLACE =
      Comparator.comparingLong((Vec3 v) -> Math.round(v.x() * 100))
          .thenComparingLong(v -> Math.round(v.y() * 100))
          .thenComparingLong(v -> Math.round(v.z() * 100))
          .thenComparingDouble(Vec3::x)
          .thenComparingDouble(Vec3::y)
          .thenComparingDouble(Vec3::z);

  private record SpaceFace(Polygon polygon, Plane plane, Box reach) {}

  /**
   * Bounding elements none of whose parts has a face opposite a space's, at most {@link #REACH}
   * outside of it. Empty when the model has no space with a body.
   */
  public List<Element> boundNothing() {
    return boundNothing.get();
  }

  private List<Element> findBoundNothing() {
    List<SpaceFace> faces = new ArrayList<>();
    for (Element e : model.elements()) {
      if (is(e, "IfcSpace")) {
        for (Polygon p : outward(model.body(e).faces())) {
          faces.add(new SpaceFace(p, p.plane(), p.box().grown(REACH)));
        }
      }
    }
    if (faces.isEmpty()) {
      return List.of();
    }
    BoxIndex index = new BoxIndex(faces.stream().map(SpaceFace::reach).toList());
    Map<String, List<Element>> parts = new HashMap<>();
    for (Element e : model.elements()) {
      if (!e.parent().isEmpty() && is(e, "IfcElement")) {
        parts.computeIfAbsent(e.parent(), k -> new ArrayList<>()).add(e);
      }
    }
    return model.elements().parallelStream()
        .filter(this::isBounding)
        .filter(e -> model.element(e.parent()).filter(this::isBounding).isEmpty())
        .filter(e -> !isStairPart(e))
        .filter(e -> hasBody(e, parts) && !touches(e, parts, faces, index, 0))
        .toList();
  }

  private boolean isStairPart(Element e) {
    return model.element(e.parent()).filter(p -> is(p, "IfcStair", "IfcRamp")).isPresent();
  }

  private boolean hasBody(Element e, Map<String, List<Element>> parts) {
    return !model.body(e).isEmpty()
        || parts.getOrDefault(e.key(), List.of()).stream().anyMatch(p -> !model.body(p).isEmpty());
  }

  private boolean touches(
      Element e,
      Map<String, List<Element>> parts,
      List<SpaceFace> faces,
      BoxIndex index,
      int depth) {
    for (Polygon p : model.body(e).faces()) {
      for (int f : index.meeting(p.box())) {
        if (touches(p, faces.get(f))) {
          return true;
        }
      }
    }
    return depth < 4
        && parts.getOrDefault(e.key(), List.of()).stream()
            .anyMatch(part -> touches(part, parts, faces, index, depth + 1));
  }

  private boolean touches(Polygon p, SpaceFace f) {
    if (Math.abs(p.normal().dot(f.plane.normal())) < ALIGNED) {
      return false;
    }
    double d = f.plane.distance(p.mean());
    return d >= -BEHIND && d <= REACH && PlanarOverlay.commonArea(f.polygon, p) > CONTACT;
  }
}
