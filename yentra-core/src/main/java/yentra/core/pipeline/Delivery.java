package yentra.core.pipeline;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ModelSurvey;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcReader;
import yentra.core.intake.DeliveryFormat;
import yentra.core.intake.DeliveryReader;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.EnvelopeModel;
import yentra.core.plan.PlanDocument;
import yentra.core.plan.PlanEnvelope;
import yentra.core.plan.PlanReader;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.space.AddSpaces;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeState;

/**
 * A delivered file, read: of IFC a model without an envelope yet, of gbXML the envelope itself, of
 * a plan document what was drawn.
 */
public final class Delivery {
  private final DeliveryReader.Parsed parsed;
  private final Tolerance tolerance;
  private final ArchitecturalModel whole;
  private final ModelSurvey survey;

  private Delivery(DeliveryReader.Parsed parsed, Tolerance tolerance) {
    this.parsed = parsed;
    this.tolerance = tolerance;
    this.whole = parsed.model() instanceof IfcModel m ? m : new EnvelopeModel(parsed.envelope());
    this.survey = new ModelSurvey(parsed.model(), tolerance);
  }

  /**
   * Reads a file.
   *
   * @throws UnreadableException when it cannot be read, with the place and what to do
   * @throws IOException when the source fails
   */
  public static Delivery read(
      DeliveryReader.Source source,
      ReadLimits limits,
      Tolerance tolerance,
      DeliveryReader.Progress progress)
      throws UnreadableException, IOException {
    return new Delivery(new DeliveryReader(limits, tolerance).read(source, progress), tolerance);
  }

  public DeliveryFormat format() {
    return parsed.format();
  }

  /** What there is to choose from: of gbXML the envelope itself. */
  public ArchitecturalModel whole() {
    return whole;
  }

  /** The architectural model; one without elements of gbXML. */
  public ArchitecturalModel model() {
    return parsed.model();
  }

  /** Makes the envelope. */
  public Stage stage(StageOptions options, Watch watch) {
    ScopeState scope = options.scope();
    if (parsed.plan() != null) {
      return planned(options);
    }
    ScopeResult result = scope.run(whole);
    boolean all = scope.isAsDelivered();
    if (parsed.model() instanceof IfcModel model) {
      ArchitecturalModel part = all ? model : scope.scoped(model, result);
      Envelope e =
          IfcReader.envelope(
              model, part, options.groundLevel(), options.allBoundaries(), watch, tolerance);
      return new Stage(
          whole, scope, result, new CheckContext(e, survey.of(part), result, options.limits()));
    }
    Envelope e = all ? parsed.envelope() : within(parsed.envelope(), result);
    if (options.boundaries().findSpaces()) {
      e = withFoundSpaces(e, new Rules(tolerance, options.boundaries().derivation().types()));
    }
    return new Stage(whole, scope, result, new CheckContext(e, survey, result, options.limits()));
  }

  /** What was drawn last, by the project's limits of walls, and its ground where it says one. */
  private Stage planned(StageOptions options) {
    ScopeState scope = options.scope();
    Envelope drawn = drawn(options);
    ArchitecturalModel model = new EnvelopeModel(drawn);
    ScopeResult result = scope.run(model);
    Envelope e = scope.isAsDelivered() ? drawn : within(drawn, result);
    return new Stage(model, scope, result, new CheckContext(e, survey, result, options.limits()));
  }

  private Envelope drawn(StageOptions options) {
    SurfaceTypes types = options.boundaries().derivation().types();
    try {
      PlanDocument plan = plan(options.scope());
      Double ground = options.groundLevel() == null ? plan.ground() : options.groundLevel();
      boolean asRead =
          plan == parsed.plan()
              && types.equals(SurfaceTypes.STANDARD)
              && Objects.equals(ground, plan.ground());
      return asRead
          ? parsed.envelope()
          : PlanEnvelope.of(plan, new Rules(tolerance, types), ground);
    } catch (UnreadableException e) {
      throw new IllegalStateException("a plan was read, but not again", e);
    }
  }

  /**
   * The plan document that was drawn last; of other formats null.
   *
   * @throws UnreadableException when the log holds one that cannot be read
   */
  public PlanDocument plan(ScopeState scope) throws UnreadableException {
    return parsed.plan() == null || scope.drawn().isEmpty()
        ? parsed.plan()
        : PlanReader.read(scope.drawn().get().getBytes(StandardCharsets.UTF_8));
  }

  /**
   * Volumes that are enclosed in a stage and that no space covers.
   *
   * @param now its envelope, with the repairs made since
   */
  public EnclosedVolumes enclosed(Stage stage, Envelope now, Rules rules) {
    return parsed.model() instanceof IfcModel model
        ? IfcReader.enclosed(model, stage.scope().scoped(model, stage.result()), now, rules)
        : EnclosedVolumes.of(now, rules);
  }

  private static Envelope within(Envelope e, ScopeResult result) {
    Set<String> out = new HashSet<>();
    result.decisions().stream().filter(x -> !x.in()).forEach(x -> out.add(x.element().key()));
    return e.within(k -> !out.contains(k));
  }

  /** Of gbXML the surfaces are what encloses a volume. */
  private static Envelope withFoundSpaces(Envelope e, Rules rules) {
    List<SpaceSeed> seeds =
        EnclosedVolumes.of(e, rules).volumes().stream().map(EnclosedVolumes.Volume::seed).toList();
    try {
      return seeds.isEmpty() ? e : new AddSpaces(seeds).apply(e, rules);
    } catch (NotApplicableException x) {
      throw new IllegalStateException("a volume was found, but not again", x);
    }
  }
}
