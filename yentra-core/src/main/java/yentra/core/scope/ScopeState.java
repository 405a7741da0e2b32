package yentra.core.scope;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yentra.core.envelope.SpaceSeed;
import yentra.core.model.ArchitecturalModel;

/** What the steps of a log come to: the sheet applied last, decisions by hand, values set. */
public final class ScopeState {
  private static final ScopeSheet EVERYTHING =
      new ScopeSheet("", "", true, true, List.of(), List.of());

  /** Everything is in, nothing is changed. */
  public static final ScopeState AS_DELIVERED = of(List.of());

  private final ScopeSheet sheet;
  private final Map<String, HandDecision> byHand;
  private final Map<String, List<ValueEdit>> edits;
  private final Map<String, ScopeStep.BoundarySource> boundaries;
  private final List<SpaceSeed> seeds;
  private final String drawn;

  private ScopeState(
      ScopeSheet sheet,
      Map<String, HandDecision> byHand,
      Map<String, List<ValueEdit>> edits,
      Map<String, ScopeStep.BoundarySource> boundaries,
      List<SpaceSeed> seeds,
      String drawn) {
    this.sheet = sheet;
    this.byHand = byHand;
    this.edits = edits;
    this.boundaries = boundaries;
    this.seeds = seeds;
    this.drawn = drawn;
  }

  /** What the steps come to, in their order. */
  public static ScopeState of(List<ScopeStep> steps) {
    ScopeSheet sheet = EVERYTHING;
    Map<String, HandDecision> byHand = new LinkedHashMap<>();
    Map<String, List<ValueEdit>> edits = new HashMap<>();
    Map<String, ScopeStep.BoundarySource> boundaries = new HashMap<>();
    List<SpaceSeed> seeds = new ArrayList<>();
    String drawn = null;
    for (ScopeStep s : steps) {
      if (s instanceof ScopeStep.ApplySheet a) {
        sheet = a.sheet();
      } else if (s instanceof ScopeStep.PlaceElements p) {
        HandDecision d = new HandDecision(p.in(), p.reason());
        p.keys().forEach(k -> byHand.put(k, d));
      } else if (s instanceof ScopeStep.ReleaseElements r) {
        byHand.keySet().removeAll(new HashSet<>(r.keys()));
      } else if (s instanceof ScopeStep.SetValues v) {
        for (ScopeStep.Change c : v.changes()) {
          ValueEdit edit = new ValueEdit(v.set(), v.property(), c.value(), v.type());
          c.keys().forEach(k -> edits.computeIfAbsent(k, x -> new ArrayList<>()).add(edit));
        }
      } else if (s instanceof ScopeStep.ChooseBoundaries b) {
        b.spaces().forEach(k -> boundaries.put(k, b.source()));
      } else if (s instanceof ScopeStep.AddSpaces a) {
        seeds.addAll(a.seeds());
      } else if (s instanceof ScopeStep.Draw d) {
        drawn = d.document();
      }
    }
    boundaries.values().removeIf(b -> b == ScopeStep.BoundarySource.PROJECT);
    return new ScopeState(sheet, byHand, edits, Map.copyOf(boundaries), List.copyOf(seeds), drawn);
  }

  /** The sheet that was applied; empty before the first. */
  public Optional<ScopeSheet> sheet() {
    return sheet == EVERYTHING ? Optional.empty() : Optional.of(sheet);
  }

  /** The sheet, or one that has everything in. */
  public ScopeSheet rules() {
    return sheet;
  }

  public Map<String, HandDecision> byHand() {
    return Map.copyOf(byHand);
  }

  /** Values set, by element key, in the order they were made. */
  public Map<String, List<ValueEdit>> edits() {
    return Map.copyOf(edits);
  }

  /** The same decisions and values under another sheet. */
  public ScopeState with(ScopeSheet other) {
    return new ScopeState(other, byHand, edits, boundaries, seeds, drawn);
  }

  /** Where the boundaries of spaces come from, by key, if not from where the project says. */
  public Map<String, ScopeStep.BoundarySource> boundaries() {
    return boundaries;
  }

  /** Enclosed volumes that were made spaces. */
  public List<SpaceSeed> seeds() {
    return seeds;
  }

  /** The plan document that was drawn last, as JSON; empty when it is as it was delivered. */
  public Optional<String> drawn() {
    return Optional.ofNullable(drawn);
  }

  /** How many elements are decided on or given values that a model does not have. */
  public int gone(ArchitecturalModel whole) {
    Set<String> keys = new HashSet<>(byHand.keySet());
    keys.addAll(edits.keySet());
    return (int) keys.stream().filter(k -> whole.element(k).isEmpty()).count();
  }

  /** Whether it leaves a model as it was delivered. */
  public boolean isAsDelivered() {
    return sheet == EVERYTHING
        && byHand.isEmpty()
        && edits.isEmpty()
        && boundaries.isEmpty()
        && seeds.isEmpty()
        && drawn == null;
  }

  /** The whole model with the values that were set. */
  public ArchitecturalModel values(ArchitecturalModel whole) {
    return edits.isEmpty() ? whole : new ScopedModel(whole, Set.of(), edits);
  }

  /** What is in and why, and which requirements are met. */
  public ScopeResult run(ArchitecturalModel whole) {
    return ScopeRun.of(sheet, values(whole), byHand);
  }

  /** The model that goes on to the next step of the work. */
  public ScopedModel scoped(ArchitecturalModel whole, ScopeResult result) {
    Set<String> out = new HashSet<>();
    result.decisions().stream().filter(d -> !d.in()).forEach(d -> out.add(d.element().key()));
    return new ScopedModel(whole, out, edits);
  }
}
