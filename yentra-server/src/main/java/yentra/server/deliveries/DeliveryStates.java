package yentra.server.deliveries;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.intake.ProjectSettings;
import yentra.core.model.ArchitecturalModel;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.Stage;
import yentra.core.pipeline.StageOptions;
import yentra.core.plan.PlanDocument;
import yentra.core.plan.PlanWriter;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Replay;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeState;
import yentra.core.scope.ScopeStep;
import yentra.core.work.LastUsed;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Problem;

/**
 * The state of deliveries: computed from the delivered bytes and the repair log, which are the
 * truth, and cached. After a repair only what it can have changed is checked again.
 */
@Service
public class DeliveryStates {
  private final DeliveryStore store;
  private final ProjectStore projects;
  private final Tolerance tolerance;
  private final ReadLimits limits;
  private final LastUsed<UUID, Delivery> delivered =
      new LastUsed<>(MOST_ELEMENTS, d -> Math.max(1000, d.whole().elements().size()));
  private final LastUsed<ScopeKey, Scoped> scopes =
      new LastUsed<>(MOST_SURFACES, s -> weight(s.stage.context()));
  private final LastUsed<RunKey, CheckRun> runs =
      new LastUsed<>(MOST_SURFACES, DeliveryStates::weight);

  /** Weak, so that a lock lives as long as somebody has it. */
  private final Cache<UUID, Object> locks = Caffeine.newBuilder().weakValues().build();

  /** Surfaces of all states of one kind that are kept; a surface is some 5 kB with its checks. */
  private static final long MOST_SURFACES = 250_000;

  /** A state in which little differs from the one before shares most of what it is made of. */
  private static final int SHARED = 6;

  /** Elements of all files that are kept as they were read; one is some kB with its instances. */
  private static final long MOST_ELEMENTS = 1_000_000;

  private static int weight(CheckContext c) {
    return Math.max(500, c.envelope().surfaces().size());
  }

  /** A state that differs from the one before in everything shares nothing with it. */
  private static int weight(CheckRun run) {
    CheckContext c = run.context();
    boolean shares = c.changes() != null && !c.changes().everything();
    return shares ? Math.max(500, weight(c) / SHARED) : weight(c);
  }

  DeliveryStates(
      DeliveryStore store, ProjectStore projects, Tolerance tolerance, ReadLimits limits) {
    this.store = store;
    this.projects = projects;
    this.tolerance = tolerance;
    this.limits = limits;
  }

  /**
   * A delivery at one version of its log, checked.
   *
   * @param whole the architectural model as delivered
   * @param before the envelope before any repair
   * @param findings of the run, worst first
   */
  public record State(
      long version,
      ProjectSettings settings,
      ArchitecturalModel whole,
      ScopeState scope,
      ScopeResult result,
      CheckContext before,
      CheckRun run,
      List<Finding> findings) {
    public CheckContext context() {
      return run.context();
    }

    public Envelope envelope() {
      return context().envelope();
    }
  }

  /** What a delivery's state before any repair depends on. */
  private record ScopeKey(UUID delivery, List<UUID> steps, ProjectSettings settings) {}

  /** What a state depends on: the repairs in force, after all that comes before them. */
  private record RunKey(ScopeKey before, Map<String, Double> limits, List<UUID> repairs) {}

  /**
   * What the scope steps in force make of a delivery, before any repair.
   *
   * @param read the envelope as the delivery says it, without the project's place and uses
   */
  private record Scoped(Stage stage, Envelope read) {}

  /** The newest state. */
  public State state(UUID id) {
    DeliveryStore.Loaded l = store.loaded(id);
    return state(l.delivery(), l.inForce());
  }

  public State state(DeliveryRecord d) {
    return state(d, store.log(d.getId()).stream().limit(d.getLogPosition()).toList());
  }

  /**
   * The state after a repair that has just been made and logged.
   *
   * @param before the state that it was made on
   * @param now the delivery with the repair as the last entry in force
   * @param run what it gave
   */
  public State after(State before, DeliveryStore.Loaded now, CheckRun run) {
    List<UUID> ids =
        now.inForce().stream()
            .filter(e -> !DeliveryStore.isScope(e))
            .map(RepairEntryRecord::getId)
            .toList();
    runs.put(
        new RunKey(
            key(now.delivery(), before.settings, now.inForce()), before.settings.limits(), ids),
        run);
    return state(now.delivery(), now.inForce());
  }

  /** The state that entries of the log give; those about scope come before all repairs. */
  public State state(DeliveryRecord d, List<RepairEntryRecord> log) {
    return state(d, projects.settings(d.getProjectId()), log);
  }

  /**
   * The state that entries of the log give with settings, which may be others than the project's.
   */
  public State state(DeliveryRecord d, ProjectSettings settings, List<RepairEntryRecord> log) {
    List<RepairEntryRecord> repairs = log.stream().filter(e -> !DeliveryStore.isScope(e)).toList();
    ScopeKey before = key(d, settings, log);
    RunKey wanted =
        new RunKey(
            before, settings.limits(), repairs.stream().map(RepairEntryRecord::getId).toList());
    Scoped scoped = scopes.get(before);
    CheckRun run = runs.get(wanted);
    if (scoped == null || run == null) {
      // what many ask for at once is worked out once; the others wait for it
      synchronized (locks.get(d.getId(), k -> new Object())) {
        scoped = scoped(d, settings, log, Watch.NONE);
        run = run(before, scoped, settings, repairs);
      }
    }
    List<Finding> worstFirst = new ArrayList<>(run.findings());
    worstFirst.sort(Comparator.comparing(Finding::severity));
    return new State(
        d.getVersion(),
        settings,
        scoped.stage.whole(),
        scoped.stage.scope(),
        scoped.stage.result(),
        scoped.stage.context(),
        run,
        List.copyOf(worstFirst));
  }

  /** From the longest part of the log that is known, the rest made on top. */
  private CheckRun run(
      ScopeKey before, Scoped scoped, ProjectSettings settings, List<RepairEntryRecord> repairs) {
    List<UUID> ids = repairs.stream().map(RepairEntryRecord::getId).toList();
    Map<String, Double> set = settings.limits();
    int known = ids.size();
    CheckRun run = null;
    for (; known >= 0; known--) {
      run = runs.get(new RunKey(before, set, ids.subList(0, known)));
      if (run != null) {
        break;
      }
    }
    if (run == null) {
      known = 0;
      run = CheckRun.of(scoped.stage.context().with(new Limits(set)));
      runs.put(new RunKey(before, set, List.of()), run);
    }
    if (known == ids.size()) {
      return run;
    }
    List<Repair> rest = repairs.subList(known, repairs.size()).stream().map(store::repair).toList();
    CheckRun made =
        run.after(Replay.of(run.context().envelope(), rest, run.context().rules()).envelope());
    runs.put(new RunKey(before, set, List.copyOf(ids)), made);
    return made;
  }

  /** The state before any repair, with the scope as it is decided. */
  public State beforeRepairs(UUID id) {
    DeliveryStore.Loaded l = store.loaded(id);
    return state(l.delivery(), l.inForce().stream().filter(DeliveryStore::isScope).toList());
  }

  /** The state before any repair, with other limits. */
  public CheckRun with(State s, Map<String, Double> others) {
    return CheckRun.of(s.context().with(new Limits(others)));
  }

  private ScopeKey key(DeliveryRecord d, ProjectSettings settings, List<RepairEntryRecord> log) {
    return new ScopeKey(
        d.getId(),
        log.stream().filter(DeliveryStore::isScope).map(RepairEntryRecord::getId).toList(),
        settings.withLimits(null).withConstructions(null));
  }

  private Scoped scoped(
      DeliveryRecord d, ProjectSettings settings, List<RepairEntryRecord> log, Watch watch) {
    List<RepairEntryRecord> entries = log.stream().filter(DeliveryStore::isScope).toList();
    ScopeKey key = key(d, settings, log);
    Scoped known = scopes.get(key);
    if (known != null) {
      return known;
    }
    ScopeState scope = ScopeState.of(steps(entries));
    Stage stage = delivery(d).stage(options(settings, scope), watch);
    Envelope read = stage.envelope();
    CheckContext context = stage.context().with(settings.applyTo(read));
    DeliveryRecord first = store.first(d).orElse(null);
    if (first != null) {
      context =
          context.beside(
              "the project’s first delivery (" + first.getFileName() + ")",
              settings.applyTo(asDelivered(first, settings)));
    }
    Scoped made = new Scoped(stage.with(context), read);
    scopes.put(key, made);
    return made;
  }

  /** The plan document that was drawn last; null for a delivery that is no drawn building. */
  public PlanDocument plan(UUID id) {
    DeliveryStore.Loaded l = store.loaded(id);
    return plan(l.delivery(), ScopeState.of(steps(l.inForce())));
  }

  /** The plan document that was drawn last in a scope; null where nothing was drawn. */
  public PlanDocument plan(DeliveryRecord d, ScopeState scope) {
    try {
      return delivery(d).plan(scope);
    } catch (UnreadableException e) {
      throw new IllegalStateException("a plan that was drawn cannot be read", e);
    }
  }

  private List<ScopeStep> steps(List<RepairEntryRecord> log) {
    return log.stream().filter(DeliveryStore::isScope).map(store::scopeStep).toList();
  }

  /**
   * The envelope that another plan document would give, with the log's repairs made on it.
   *
   * @throws NotApplicableException when a repair no longer applies
   */
  public CheckContext drawn(
      DeliveryRecord d, ProjectSettings settings, List<RepairEntryRecord> log, PlanDocument plan)
      throws NotApplicableException {
    List<ScopeStep> steps = new ArrayList<>(steps(log));
    steps.add(new ScopeStep.Draw(new String(PlanWriter.write(plan), StandardCharsets.UTF_8), ""));
    Stage stage = delivery(d).stage(options(settings, ScopeState.of(steps)), Watch.NONE);
    CheckContext context =
        stage
            .context()
            .with(settings.applyTo(stage.envelope()))
            .with(new Limits(settings.limits()));
    List<Repair> repairs =
        log.stream().filter(e -> !DeliveryStore.isScope(e)).map(store::repair).toList();
    Replay replay = Replay.of(context.envelope(), repairs, context.rules());
    if (!replay.failed().isEmpty()) {
      throw new NotApplicableException(
          "A repair no longer applies: " + replay.failed().get(0).reason());
    }
    return context.with(replay.envelope());
  }

  /** What a project decides before an envelope is made. */
  public static StageOptions options(ProjectSettings settings, ScopeState scope) {
    return new StageOptions(
        scope, settings.boundaryOptions(), settings.groundLevel(), Limits.STANDARD);
  }

  /** The state that other choices about boundaries would give, before any repair. */
  public CheckContext attempt(UUID id, ProjectSettings.Boundaries choices, Watch watch) {
    DeliveryStore.Loaded l = store.loaded(id);
    ProjectSettings tried = projects.settings(l.delivery().getProjectId()).with(choices).checked();
    Scoped scoped = scoped(l.delivery(), tried, l.inForce(), watch);
    return scoped.stage.context().with(new Limits(tried.limits()));
  }

  /** Volumes that are enclosed in the newest state and that no space covers. */
  public EnclosedVolumes enclosed(UUID id) {
    DeliveryStore.Loaded l = store.loaded(id);
    State s = state(l.delivery(), l.inForce());
    Stage stage = new Stage(s.whole, s.scope, s.result, s.context());
    return delivery(l.delivery()).enclosed(stage, s.envelope(), s.context().rules());
  }

  /** What a job has read, with its checks where no other delivery is needed for them. */
  public record Checked(Delivery read, ProjectSettings settings, Stage stage, CheckRun run) {}

  /** Checks what a job has read, before it is kept. */
  public Checked check(UUID project, Delivery read, ProjectSettings settings, Stage stage) {
    Stage placed = stage.with(stage.context().with(settings.applyTo(stage.envelope())));
    boolean alone = store.ofProject(project).isEmpty();
    CheckRun run = alone ? CheckRun.of(placed.context().with(new Limits(settings.limits()))) : null;
    return new Checked(read, settings, placed, run);
  }

  /** Keeps what a job has just read, so that opening it does not read and check it again. */
  public void remember(UUID id, Checked c, Envelope asRead) {
    delivered.put(id, c.read);
    if (store.first(store.get(id)).isEmpty()) {
      ScopeKey key =
          new ScopeKey(id, List.of(), c.settings.withLimits(null).withConstructions(null));
      scopes.put(key, new Scoped(c.stage, asRead));
      if (c.run != null) {
        runs.put(new RunKey(key, c.settings.limits(), List.of()), c.run);
      }
    }
  }

  /** The file, read. */
  private Delivery delivery(DeliveryRecord d) {
    return delivered.get(d.getId(), id -> read(store.content(d.getSha256())));
  }

  /** The envelope as the delivery says it, nothing put out of scope. */
  public Envelope asDelivered(DeliveryRecord d) {
    return asDelivered(d, projects.settings(d.getProjectId()));
  }

  private Envelope asDelivered(DeliveryRecord d, ProjectSettings settings) {
    return scoped(d, settings, List.of(), Watch.NONE).read;
  }

  private Delivery read(byte[] bytes) {
    try {
      return Delivery.read(
          DeliveryReader.Source.of(bytes), limits, tolerance, DeliveryReader.Progress.NONE);
    } catch (UnreadableException e) {
      throw Problem.unreadable(e.getMessage(), e.line(), e.column());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
