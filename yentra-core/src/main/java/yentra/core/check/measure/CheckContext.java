package yentra.core.check.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiFunction;
import yentra.core.boundary.SpaceVolume;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.FrameDifference;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.finding.Descriptor;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limits;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.model.ArchitecturalModel;
import yentra.core.scope.ScopeResult;
import yentra.core.work.Once;

/**
 * What all checks of one run share: the envelope, the limits, and what has been measured once for
 * all.
 */
public final class CheckContext {
  private final Envelope envelope;
  private final Limits limits;
  private final Tolerance tolerance;
  private final SpaceVolumes volumes;
  private final Rules rules;
  private final Naming naming;
  private final ModelSurvey survey;
  private final ScopeResult scope;
  private final Other other;
  private final FrameDifference frames;
  private final Map<String, Direction> directions;
  private final CheckContext before;
  private final Once<SpaceOverlaps> overlaps;
  private final Once<SurfaceIndex> index;
  private final Once<EnclosedSurfaces> enclosed;
  private final Once<SurfaceMeasures> measures;
  private final Once<ThermalSurvey> thermal = new Once<>(() -> new ThermalSurvey(this));
  private final Once<Figures> figures = new Once<>(() -> Figures.of(this));
  private final Once<Map<String, List<String>>> groupings = new Once<>(() -> Groupings.of(this));
  private final Once<GroundFit> ground = new Once<>(this::fitGround);
  private Changes changes;

  /** Checks of an envelope that has no architectural model behind it, as from gbXML. */
  public CheckContext(Envelope envelope, Limits limits, Tolerance tolerance) {
    this(envelope, ArchitecturalModel.none(), limits, tolerance);
  }

  public CheckContext(
      Envelope envelope, ArchitecturalModel model, Limits limits, Tolerance tolerance) {
    this(envelope, new ModelSurvey(model, tolerance), NO_SCOPE, null, limits, tolerance);
  }

  /**
   * Checks of a part of a model.
   *
   * @param survey of what of the model is in scope
   * @param scope what is in, and which requirements are not met
   */
  public CheckContext(Envelope envelope, ModelSurvey survey, ScopeResult scope, Limits limits) {
    this(envelope, survey, scope, null, limits, survey.tolerance());
  }

  private static final ScopeResult NO_SCOPE = new ScopeResult(List.of(), List.of(), Map.of());

  private CheckContext(
      Envelope envelope,
      ModelSurvey survey,
      ScopeResult scope,
      Other other,
      Limits limits,
      Tolerance tolerance) {
    this(envelope, survey, scope, other, limits, tolerance, null);
  }

  /** Which way a surface faces, as long as it and its space are what they were. */
  private record Direction(Surface surface, SpaceVolume space, int value) {}

  /**
   * The same checks of an envelope that differs a little: what did not change is not measured
   * again, as long as this context is alive.
   */
  public CheckContext after(
      Envelope changed, BiFunction<CheckContext, CheckContext, Changes> differences) {
    CheckContext c = new CheckContext(changed, survey, scope, other, limits, tolerance, settled());
    c.changes = differences.apply(this, c);
    return c;
  }

  /** This context without the one that it came from, so that no chain of them is kept alive. */
  private CheckContext settled() {
    index();
    enclosed();
    overlaps();
    measures();
    return before == null ? this : new CheckContext(this);
  }

  private CheckContext(CheckContext of) {
    this.before = null;
    this.directions = of.directions;
    this.survey = of.survey;
    this.scope = of.scope;
    this.other = of.other;
    this.frames = of.frames;
    this.envelope = of.envelope;
    this.limits = of.limits;
    this.tolerance = of.tolerance;
    this.volumes = of.volumes;
    this.rules = of.rules;
    this.naming = of.naming;
    this.index = of.index;
    this.enclosed = of.enclosed;
    this.overlaps = of.overlaps;
    this.measures = of.measures;
  }

  /** What changed since the context that this one came from, or null. */
  public Changes changes() {
    return changes;
  }

  /** Another delivery of the project, that this one is held against. */
  private record Other(String name, Envelope envelope) {}

  private CheckContext(
      Envelope envelope,
      ModelSurvey survey,
      ScopeResult scope,
      Other other,
      Limits limits,
      Tolerance tolerance,
      CheckContext before) {
    this.before = before;
    this.survey = survey;
    this.scope = scope;
    this.other = other;
    this.frames = other == null ? null : FrameDifference.of(envelope, other.envelope);
    this.envelope = envelope;
    this.limits = limits;
    this.tolerance = tolerance;
    this.directions = before == null ? new ConcurrentHashMap<>() : before.directions;
    this.rules = new Rules(tolerance, Tilts.of(limits));
    this.volumes = SpaceVolumes.of(envelope, rules, before == null ? null : before.volumes);
    this.naming = new Naming(envelope, rules.types(), this::direction);
    this.overlaps = new Once<>(this::measureOverlaps);
    this.index = new Once<>(this::makeIndex);
    this.enclosed = new Once<>(this::findEnclosed);
    this.measures = new Once<>(this::measureSurfaces);
  }

  public Envelope envelope() {
    return envelope;
  }

  public Tolerance tolerance() {
    return tolerance;
  }

  /** Tolerance and types, as repairs need them. */
  public Rules rules() {
    return rules;
  }

  public SpaceVolumes volumes() {
    return volumes;
  }

  public Naming naming() {
    return naming;
  }

  /** The same checks of another state of the envelope; the model is not surveyed again. */
  public CheckContext with(Envelope changed) {
    return new CheckContext(changed, survey, scope, other, limits, tolerance);
  }

  /** The same checks, with the requirements of a scope sheet. */
  public CheckContext with(ScopeResult result) {
    return new CheckContext(envelope, survey, result, other, limits, tolerance);
  }

  /**
   * The same checks, and how this delivery stands to another of the project.
   *
   * @param name what people call the other one
   */
  public CheckContext beside(String name, Envelope first) {
    return new CheckContext(envelope, survey, scope, new Other(name, first), limits, tolerance);
  }

  /** How this delivery stands to the other one of the project, if there is one. */
  public Optional<FrameDifference> frames() {
    return Optional.ofNullable(frames);
  }

  /** What people call the other delivery, or empty. */
  public String beside() {
    return other == null ? "" : other.name;
  }

  /** The architectural model behind the envelope. */
  public ArchitecturalModel model() {
    return survey.model();
  }

  public ScopeResult scope() {
    return scope;
  }

  public ModelSurvey survey() {
    return survey;
  }

  /** Which spaces share volume; worked out when first asked for. */
  public SpaceOverlaps overlaps() {
    return overlaps.get();
  }

  private SpaceOverlaps measureOverlaps() {
    return before == null
        ? SpaceOverlaps.of(volumes, tolerance, null, null)
        : SpaceOverlaps.of(volumes, tolerance, before.overlaps(), before.volumes);
  }

  /** The envelope in figures; worked out when first asked for. */
  public Figures figures() {
    return figures.get();
  }

  /** Areas of the surfaces; measured when first asked for. */
  public SurfaceMeasures measures() {
    return measures.get();
  }

  private SurfaceMeasures measureSurfaces() {
    return changes == null || changes.everything()
        ? SurfaceMeasures.of(this)
        : before.measures().after(this, changes);
  }

  /** Surfaces whose boxes meet a box, in the envelope's order. */
  public List<Surface> near(Box box) {
    return Arrays.stream(index().near(box)).mapToObj(envelope.surfaces()::get).toList();
  }

  /** Surfaces by their place; made when first asked for. */
  public SurfaceIndex index() {
    return index.get();
  }

  private SurfaceIndex makeIndex() {
    return changes == null
        ? new SurfaceIndex(this)
        : new SurfaceIndex(this, before.index(), changes);
  }

  /** Surfaces that look into enclosed volumes; worked out when first asked for. */
  public EnclosedSurfaces enclosed() {
    return enclosed.get();
  }

  private EnclosedSurfaces findEnclosed() {
    return changes == null ? EnclosedSurfaces.of(this) : before.enclosed().after(this, changes);
  }

  /** Enclosed volumes that no space covers, as SPC-408 tells of them. */
  public List<yentra.core.envelope.Uncovered> uncovered() {
    return enclosed().uncovered();
  }

  /**
   * Spaces that only group others, with the keys of what each contains; their volume is that of the
   * rooms they hold.
   */
  public Map<String, List<String>> groupings() {
    return groupings.get();
  }

  /** The ground that the types of surfaces contradict least; found when first asked for. */
  public GroundFit ground() {
    return ground.get();
  }

  private GroundFit fitGround() {
    return GroundFit.of(envelope.surfaces(), limits.of(GroundFit.CODE, GroundFit.HEIGHT));
  }

  /** The same checks with other limits. */
  public CheckContext with(Limits others) {
    return new CheckContext(envelope, survey, scope, other, others, tolerance);
  }

  public Limits limits() {
    return limits;
  }

  /**
   * A limit of a check.
   *
   * @throws IllegalArgumentException when the check has no such limit
   */
  public double limit(Descriptor check, String name) {
    return limits.of(check, name);
  }

  /** Whether the delivery is an architectural model, which states quantities with their unit. */
  public boolean isIfc() {
    return envelope.delivered().format().equals(Delivered.IFC);
  }

  /** What constructions come to; worked out when first asked for. */
  public ThermalSurvey thermal() {
    return thermal.get();
  }

  /** Which way an outdoor wall faces, 0 for true north, clockwise in eighths; −1 for all else. */
  public int octant(Surface s) {
    return SurfaceMeasures.octant(this, s);
  }

  /** The ground level that the types of surfaces contradict least, m in model coordinates. */
  public double groundLevel() {
    return ground().level();
  }

  /** Spaces of which conditions are asked: those that only group others have none. */
  public List<Space> asked() {
    Set<String> grouping = groupings().keySet();
    return envelope.spaces().stream().filter(s -> !grouping.contains(s.key())).toList();
  }

  /** Types by the tilts that ADJ-504 takes for walls, roofs and floors. */
  public SurfaceTypes types() {
    return rules.types();
  }

  /** {@link SpaceVolumes#direction}, worked out once per surface. */
  public int direction(Surface s) {
    SpaceVolume space = s.sides().isEmpty() ? null : volumes.of(s.sides().get(0).space());
    Direction known = directions.get(s.key());
    if (known == null || known.surface != s || known.space != space) {
      known = new Direction(s, space, volumes.direction(s));
      directions.put(s.key(), known);
    }
    return known.value;
  }

  /** A surface's polygon, turned out of its first space where that can be told. */
  public Polygon outward(Surface s) {
    return direction(s) < 0 ? s.polygon().reversed() : s.polygon();
  }

  /** Starts a finding of a check about some objects; the place in the file is that of the first. */
  public FindingBuilder finding(Descriptor check, String... objects) {
    return new FindingBuilder(check, List.of(objects))
        .at(source(objects.length == 0 ? "" : objects[0]));
  }

  private SourceRef source(String key) {
    if (key.isEmpty()) {
      return SourceRef.REPAIR;
    }
    // openings last: where they lie is worked out for all of them at once
    return envelope
        .surface(key)
        .map(Surface::source)
        .or(() -> envelope.space(key).map(s -> s.source()))
        .or(() -> envelope.construction(key).map(c -> c.source()))
        .or(() -> envelope.opening(key).map(Opening::source))
        .orElse(SourceRef.REPAIR);
  }
}
