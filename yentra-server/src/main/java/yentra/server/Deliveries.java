package yentra.server;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.boundary.Watch;
import yentra.core.check.CheckCatalogue;
import yentra.core.check.CheckContext;
import yentra.core.check.Finding;
import yentra.core.check.Limits;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcReader;
import yentra.core.intake.DeliveryReader;
import yentra.core.intake.ProjectSettings;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.EnvelopeModel;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Remedies;
import yentra.core.repair.Repair;
import yentra.core.repair.RepairPreview;
import yentra.core.repair.Replay;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeState;
import yentra.core.scope.ScopeStep;
import yentra.core.scope.ScopedModel;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;

/**
 * The state of deliveries: computed from the delivered bytes and the repair log, which are the
 * truth, and cached by version. Every change is durable before it is answered.
 */
@Service
class Deliveries {
  private final DeliveryStore store;
  private final ProjectStore projects;
  private final Tolerance tolerance;
  private final ReadLimits limits;
  private final Cache<UUID, CheckContext> delivered = Caffeine.newBuilder().maximumSize(8).build();
  private final Cache<ScopeKey, Scoped> scopes = Caffeine.newBuilder().maximumSize(8).build();
  private final Cache<UUID, State> states = Caffeine.newBuilder().maximumSize(8).build();

  Deliveries(DeliveryStore store, ProjectStore projects, Tolerance tolerance, ReadLimits limits) {
    this.store = store;
    this.projects = projects;
    this.tolerance = tolerance;
    this.limits = limits;
  }

  /**
   * A delivery at one version of its log, checked.
   *
   * @param whole the architectural model as delivered
   */
  record State(
      long version,
      ProjectSettings settings,
      ArchitecturalModel whole,
      ScopeState scope,
      ScopeResult result,
      CheckContext context,
      List<Finding> findings) {
    Envelope envelope() {
      return context.envelope();
    }

    int blockers() {
      return (int)
          findings.stream().filter(f -> f.severity() == yentra.core.check.Severity.BLOCKER).count();
    }
  }

  /** What a delivery's state before any repair depends on. */
  private record ScopeKey(UUID delivery, List<UUID> steps, ProjectSettings settings) {}

  /** What the scope steps in force make of a delivery, before any repair. */
  private record Scoped(
      ArchitecturalModel whole, ScopeState scope, ScopeResult result, CheckContext context) {}

  State state(DeliveryRecord d) {
    State known = states.getIfPresent(d.getId());
    ProjectSettings settings = projects.settings(d.getProjectId());
    if (known != null && known.version == d.getVersion() && known.settings.equals(settings)) {
      return known;
    }
    List<RepairEntryRecord> log = store.log(d.getId()).stream().limit(d.getLogPosition()).toList();
    Scoped scoped = scoped(d, settings, log, Watch.NONE);
    List<Repair> repairs =
        log.stream().filter(e -> !DeliveryStore.isScope(e)).map(store::repair).toList();
    CheckContext context = scoped.context;
    if (!repairs.isEmpty()) {
      context = context.with(Replay.of(context.envelope(), repairs, tolerance).envelope());
    }
    List<Finding> worstFirst = new ArrayList<>(CheckCatalogue.run(context));
    worstFirst.sort(Comparator.comparing(Finding::severity));
    State made =
        new State(
            d.getVersion(),
            settings,
            scoped.whole,
            scoped.scope,
            scoped.result,
            context,
            List.copyOf(worstFirst));
    states.put(d.getId(), made);
    return made;
  }

  private Scoped scoped(
      DeliveryRecord d, ProjectSettings settings, List<RepairEntryRecord> log, Watch watch) {
    List<RepairEntryRecord> entries = log.stream().filter(DeliveryStore::isScope).toList();
    ScopeKey key =
        new ScopeKey(d.getId(), entries.stream().map(RepairEntryRecord::getId).toList(), settings);
    Scoped known = scopes.getIfPresent(key);
    if (known != null) {
      return known;
    }
    CheckContext base = base(d);
    ScopeState scope = ScopeState.of(entries.stream().map(store::scopeStep).toList());
    ArchitecturalModel whole = whole(base);
    ScopeResult result = scope.run(whole);
    CheckContext context = scoped(base, scope, result, settings, watch);
    context =
        context.with(settings.applyTo(context.envelope())).with(new Limits(settings.limits()));
    DeliveryRecord first = store.first(d).orElse(null);
    if (first != null) {
      context =
          context.beside(
              "the project’s first delivery (" + first.getFileName() + ")",
              settings.applyTo(base(first).envelope()));
    }
    Scoped made = new Scoped(whole, scope, result, context);
    scopes.put(key, made);
    return made;
  }

  /** Of gbXML the envelope itself is what there is to choose from. */
  private static ArchitecturalModel whole(CheckContext base) {
    return whole(base.model(), base.envelope());
  }

  static ArchitecturalModel whole(DeliveryReader.Reading r) {
    return whole(r.model(), r.envelope());
  }

  private static ArchitecturalModel whole(ArchitecturalModel model, Envelope envelope) {
    return model instanceof IfcModel m ? m : new EnvelopeModel(envelope);
  }

  private CheckContext scoped(
      CheckContext base,
      ScopeState scope,
      ScopeResult result,
      ProjectSettings settings,
      Watch watch) {
    BoundaryOptions boundaries = boundaries(settings, scope);
    if (scope.isAsDelivered()
        && settings.groundLevel() == null
        && boundaries.equals(BoundaryOptions.STANDARD)) {
      return base;
    }
    if (!(base.model() instanceof IfcModel model)) {
      Set<String> out = new HashSet<>();
      result.decisions().stream().filter(x -> !x.in()).forEach(x -> out.add(x.element().key()));
      return base.with(base.envelope().within(k -> !out.contains(k)));
    }
    ScopedModel part = scope.scoped(model, result);
    return base.scoped(
        IfcReader.envelope(model, part, settings.groundLevel(), boundaries, watch, tolerance),
        part,
        result);
  }

  /** The state that other choices about boundaries would give, before any repair. */
  CheckContext attempt(UUID id, ProjectSettings.Boundaries choices, Watch watch) {
    DeliveryRecord d = store.get(id);
    ProjectSettings tried = projects.settings(d.getProjectId()).with(choices).checked();
    return scoped(d, tried, store.log(id).stream().limit(d.getLogPosition()).toList(), watch)
        .context;
  }

  /** Volumes that are enclosed in the newest state and that no space covers. */
  EnclosedVolumes enclosed(UUID id) {
    State s = state(store.get(id));
    return s.whole instanceof IfcModel model
        ? IfcReader.enclosed(model, s.scope.scoped(model, s.result), s.envelope(), tolerance)
        : EnclosedVolumes.of(s.envelope(), tolerance);
  }

  /** What the project says of boundaries, and what was decided for single spaces. */
  private static BoundaryOptions boundaries(ProjectSettings settings, ScopeState scope) {
    Map<String, BoundaryOptions.Mode> spaces = new HashMap<>();
    scope
        .boundaries()
        .forEach(
            (space, source) ->
                spaces.put(
                    space,
                    source == ScopeStep.BoundarySource.DERIVED
                        ? BoundaryOptions.Mode.DERIVE
                        : BoundaryOptions.Mode.KEEP));
    return settings.boundaryOptions().with(spaces, scope.seeds());
  }

  /** Keeps what a job has just read, so that opening it does not read it again. */
  void remember(UUID id, DeliveryReader.Reading reading) {
    delivered.put(id, context(reading));
  }

  private CheckContext context(DeliveryReader.Reading r) {
    return new CheckContext(r.envelope(), r.model(), Limits.STANDARD, tolerance);
  }

  /** The envelope as delivered, with the architectural model behind it. */
  private CheckContext base(DeliveryRecord d) {
    return delivered.get(d.getId(), id -> context(read(store.content(d.getSha256()))));
  }

  private DeliveryReader.Reading read(byte[] bytes) {
    try {
      return new DeliveryReader(limits, tolerance)
          .read(new Bytes(bytes), DeliveryReader.Progress.NONE);
    } catch (UnreadableException e) {
      throw Problem.unreadable(e.getMessage(), e.line(), e.column());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Bytes in memory as a source to read. */
  record Bytes(byte[] bytes) implements DeliveryReader.Source {
    @Override
    public InputStream open() {
      return new ByteArrayInputStream(bytes);
    }

    @Override
    public long length() {
      return bytes.length;
    }
  }

  @Transactional(readOnly = true)
  public Views.ModelView model(UUID id) {
    return view(store.get(id));
  }

  private Views.ModelView view(DeliveryRecord d) {
    State s = state(d);
    List<RepairEntryRecord> log = store.log(d.getId());
    int position = d.getLogPosition();
    Views.DeliveryView v =
        new Views.DeliveryView(
            d.getId(),
            d.getProjectId(),
            projects.get(d.getProjectId()).name(),
            d.getPart(),
            d.getRevision(),
            d.getPlaced(),
            d.getFileName(),
            d.getFormat(),
            s.envelope().delivered().schema(),
            d.getSize(),
            d.getSha256(),
            d.getReceivedAt(),
            d.getReceivedBy(),
            d.getVersion(),
            position,
            position > 0,
            position < log.size());
    List<Views.LogView> entries =
        log.stream()
            .map(
                e ->
                    new Views.LogView(
                        e.getLogIndex(),
                        e.getSummary(),
                        e.getFinding(),
                        e.getMadeBy(),
                        e.getMadeAt(),
                        e.getLogIndex() < position,
                        e.getArea()))
            .toList();
    return new ModelViews(s.context())
        .model(
            v,
            store.report(d),
            ScopeViews.summary(s),
            ModelViews.place(base(d).envelope()),
            s.findings(),
            entries);
  }

  @Transactional(readOnly = true)
  public Views.PreviewView preview(UUID id, Repair repair) {
    State s = state(store.get(id));
    try {
      RepairPreview p = RepairPreview.of(s.context(), s.findings(), repair);
      Envelope then = repair.apply(s.envelope(), tolerance);
      ModelViews now = new ModelViews(s.context());
      CheckContext after = s.context().with(then);
      ModelViews later = new ModelViews(after);
      return new Views.PreviewView(
          p.summary(),
          p.resolved().stream().map(f -> now.finding(f, new Remedies(s.context()))).toList(),
          p.added().stream().map(f -> later.finding(f, new Remedies(after))).toList(),
          p.removedSurfaces(),
          p.changedSurfaces().stream().map(later::surface).toList());
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
  }

  @Transactional
  public Views.ModelView repair(
      UUID id, long basedOn, Repair repair, Optional<String> finding, String by) {
    DeliveryRecord d = current(id, basedOn);
    State s = state(d);
    try {
      repair.apply(s.envelope(), tolerance);
    } catch (NotApplicableException e) {
      throw Problem.notApplicable(e.getMessage());
    }
    store.append(
        d,
        repair,
        repair.describe(s.envelope(), new Naming(s.envelope(), s.context()::direction)),
        finding,
        by);
    return view(store.get(id));
  }

  /** Makes a scope step that is worked out from the newest state. */
  @Transactional
  public Views.ModelView scope(UUID id, long basedOn, Function<State, ScopeStep> step, String by) {
    DeliveryRecord d = current(id, basedOn);
    State s = state(d);
    ScopeStep made = step.apply(s);
    store.append(d, made, made.describe(s.whole()), by);
    return view(store.get(id));
  }

  /** The newest state. */
  @Transactional(readOnly = true)
  public State state(UUID id) {
    return state(store.get(id));
  }

  /** Makes a delivery the newest revision of a part; null for a part of its own. */
  @Transactional
  public Views.ModelView place(UUID id, long basedOn, Integer part, String by) {
    store.place(current(id, basedOn), part, by);
    return view(store.get(id));
  }

  @Transactional
  public Views.ModelView undo(UUID id, long basedOn) {
    DeliveryRecord d = current(id, basedOn);
    if (d.getLogPosition() == 0) {
      throw Problem.notApplicable("There is nothing to undo.");
    }
    store.move(d, d.getLogPosition() - 1);
    return view(store.get(id));
  }

  @Transactional
  public Views.ModelView redo(UUID id, long basedOn) {
    DeliveryRecord d = current(id, basedOn);
    if (d.getLogPosition() >= store.log(id).size()) {
      throw Problem.notApplicable("There is nothing to redo.");
    }
    store.move(d, d.getLogPosition() + 1);
    return view(store.get(id));
  }

  /** The delivery, locked, if the edit was based on its newest version. */
  private DeliveryRecord current(UUID id, long basedOn) {
    DeliveryRecord d = store.lock(id);
    if (d.getVersion() != basedOn) {
      throw Problem.stale(d.getVersion());
    }
    return d;
  }
}
