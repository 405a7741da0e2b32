package yentra.core.check.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Orientation;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.finding.Finding;
import yentra.core.geometry.Polygon;
import yentra.core.repair.Repair;
import yentra.core.repair.opening.DeleteOpening;
import yentra.core.repair.opening.RetypeOpening;
import yentra.core.repair.surface.DeleteSurface;
import yentra.core.repair.surface.MakeAdiabatic;
import yentra.core.repair.surface.RetypeSurface;

/**
 * The repairs that would answer one finding, collected by its check: the likeliest first, each as
 * it could be made at once.
 */
public final class Offer {
  private final RemedyContext shared;
  private final Finding finding;
  private final List<Remedy> list = new ArrayList<>();

  public Offer(RemedyContext shared, Finding finding) {
    this.shared = shared;
    this.finding = finding;
  }

  public List<Remedy> list() {
    return List.copyOf(list);
  }

  public boolean isEmpty() {
    return list.isEmpty();
  }

  public Finding finding() {
    return finding;
  }

  public CheckContext context() {
    return shared.checks();
  }

  public Envelope envelope() {
    return context().envelope();
  }

  public SurfaceTypes types() {
    return context().types();
  }

  /** Key of the object that the finding is about first, or empty. */
  public String first() {
    return finding.objects().isEmpty() ? "" : finding.objects().get(0);
  }

  /** Key of the second object. */
  public String second() {
    return finding.objects().get(1);
  }

  public Optional<Surface> surface() {
    return envelope().surface(first());
  }

  public Optional<Opening> opening() {
    return envelope().opening(first());
  }

  /** Height of the ground in model coordinates, m. */
  public double ground() {
    return shared.ground();
  }

  /** What a repair makes of the state; empty when it cannot be made. */
  public Optional<Envelope> attempt(Repair repair) {
    return shared.attempt(repair);
  }

  /** The same of a repair that many findings share: made once. */
  public Optional<Envelope> made(Repair repair) {
    return shared.made(repair);
  }

  /** A remedy that needs a judgement. */
  public void add(String label, Repair repair) {
    add(label, repair, false);
  }

  /** A remedy whose result the delivery itself determines. */
  public void safe(String label, Repair repair) {
    add(label, repair, true);
  }

  public void add(String label, Repair repair, boolean safe) {
    list.add(new Remedy(label, repair, safe));
  }

  /** Before all that has been added. */
  public void addFirst(String label, Repair repair) {
    list.add(0, new Remedy(label, repair));
  }

  /** Adds what can only be known by trying, if it works. */
  public void addIfItWorks(String label, Repair repair) {
    if (shared.works(repair)) {
      add(label, repair);
    }
  }

  /** A surface's polygon, turned out of its first space. */
  public Polygon outward(Surface s) {
    return context().outward(s);
  }

  /** What tilt, height and sides say of a surface. */
  public SurfaceType likelyType(Surface s) {
    if (s.sides().isEmpty()) {
      return SurfaceType.SHADE;
    }
    return s.sides().size() > 1
        ? types().betweenSpaces(outward(s).tilt())
        : types().exterior(outward(s), ground());
  }

  /** What its glazing data, its construction and its place say of an opening. */
  public OpeningType likelyType(Opening o) {
    Optional<Surface> parent = envelope().parentOf(o.key());
    if (o.glazing() != null && parent.map(s -> !s.type().isGround()).orElse(true)) {
      boolean lying =
          parent.map(s -> types().orientation(outward(s).tilt()) == Orientation.UP).orElse(false);
      return lying ? OpeningType.FIXED_SKYLIGHT : OpeningType.FIXED_WINDOW;
    }
    return OpeningType.NON_SLIDING_DOOR;
  }

  public void retype(Surface s, SurfaceType type) {
    retype(s, type, false);
  }

  public void retype(Surface s, SurfaceType type, boolean safe) {
    if (s.type() != type) {
      add("Type it " + type.label(), new RetypeSurface(s.key(), type), safe);
    }
  }

  /**
   * The type that tilt, height and sides say; safe where the model proves what the sides are: two
   * spaces, or nothing of the building behind the one.
   */
  public void retypeAsItLies(Surface s) {
    boolean two = s.sides().size() > 1 && !s.isWithinOneSpace();
    boolean free =
        s.sides().size() == 1 && Beyond.isFree(context(), outward(s), s.sides().get(0).space());
    retype(s, likelyType(s), two || free);
  }

  public void retype(Opening o, OpeningType type) {
    if (type != o.type()) {
      add("Type it " + type.words(), new RetypeOpening(o.key(), type));
    }
  }

  /** Types for what the delivery leaves untyped. */
  public void likelyTypes() {
    surface().filter(s -> s.type() == SurfaceType.UNRESOLVED).ifPresent(this::retypeAsItLies);
    opening()
        .filter(o -> o.type() == OpeningType.UNRESOLVED)
        .ifPresent(o -> retype(o, likelyType(o)));
  }

  /** Deletes the surface or opening that the finding is about. */
  public void delete() {
    delete(false);
  }

  public void delete(boolean safe) {
    if (surface().isPresent()) {
      add("Delete the surface", new DeleteSurface(first()), safe);
    } else if (opening().isPresent()) {
      add("Delete the opening", new DeleteOpening(first()), safe);
    }
  }

  public void makeAdiabatic(Surface s) {
    addIfItWorks(
        "Make it adiabatic: only construction lies behind it",
        new MakeAdiabatic(s.key(), types().betweenSpaces(outward(s).tilt())));
  }
}
