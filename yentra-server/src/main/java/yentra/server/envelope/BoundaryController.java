package yentra.server.envelope;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yentra.core.envelope.SpaceSeed;
import yentra.core.geometry.Vec3;
import yentra.core.ifc.IfcModel;
import yentra.core.repair.space.AddSpaces;
import yentra.core.scope.ScopeStep;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.projects.ProjectViews;
import yentra.server.web.Problem;
import yentra.server.web.RequestGuard;

/** How the boundaries of a delivery's spaces are made, and spaces for what none covers. */
@RestController
@RequestMapping("/api/deliveries/{id}")
public class BoundaryController {
  private static final int LONGEST = 200;
  private final Deliveries deliveries;
  private final Attempts attempts;

  BoundaryController(Deliveries deliveries, Attempts attempts) {
    this.deliveries = deliveries;
    this.attempts = attempts;
  }

  @GetMapping("/boundaries")
  BoundaryViews.SumsView boundaries(@PathVariable UUID id) {
    DeliveryStates.State s = deliveries.state(id);
    return BoundaryViews.sums(s.context(), s.findings(), s.scope().boundaries());
  }

  /**
   * What other choices would give; nothing is changed.
   *
   * @param run a name for the work, under which it can be followed and given up: {@link
   *     AttemptController}
   */
  @PostMapping("/boundaries/try/{run}")
  BoundaryViews.SumsView attempt(
      @PathVariable UUID id,
      @PathVariable UUID run,
      @RequestBody ProjectViews.BoundariesView asked) {
    try {
      return attempts.run(
          run,
          watch ->
              BoundaryViews.sums(
                  deliveries.attempt(id, asked.boundaries(), watch),
                  deliveries.state(id).scope().boundaries()));
    } catch (IllegalArgumentException e) {
      throw Problem.bad(e.getMessage());
    } catch (CancellationException e) {
      throw Problem.notApplicable("The derivation was cancelled.");
    }
  }

  @PostMapping("/boundaries/choice")
  EnvelopeViews.ModelView choose(
      @PathVariable UUID id,
      @RequestBody BoundaryViews.ChooseRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    if (asked.spaces() == null || asked.spaces().isEmpty() || asked.source() == null) {
      throw Problem.bad("Name the spaces, and where their boundaries come from.");
    }
    return deliveries.scope(
        id,
        asked.basedOn(),
        s -> {
          if (!(s.whole() instanceof IfcModel)) {
            throw Problem.notApplicable("gbXML has its surfaces as they are.");
          }
          Set<String> known = new HashSet<>();
          s.envelope().spaces().forEach(x -> known.add(x.key()));
          asked
              .spaces()
              .forEach(
                  k -> {
                    if (!known.contains(k)) {
                      throw Problem.notFound("The space " + k);
                    }
                  });
          return new ScopeStep.ChooseBoundaries(asked.spaces(), asked.source());
        },
        RequestGuard.person(person));
  }

  @GetMapping("/enclosed")
  BoundaryViews.EnclosedView enclosed(@PathVariable UUID id) {
    return BoundaryViews.EnclosedView.of(deliveries.enclosed(id));
  }

  /** Makes spaces of enclosed volumes: of an IFC model before its boundaries are made. */
  @PostMapping("/enclosed")
  EnvelopeViews.ModelView add(
      @PathVariable UUID id,
      @RequestBody BoundaryViews.AddRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    List<SpaceSeed> seeds = seeds(asked.volumes());
    String by = RequestGuard.person(person);
    return deliveries.state(id).whole() instanceof IfcModel
        ? deliveries.scope(id, asked.basedOn(), s -> new ScopeStep.AddSpaces(seeds), by)
        : deliveries.repair(id, asked.basedOn(), new AddSpaces(seeds), Optional.empty(), false, by);
  }

  private static List<SpaceSeed> seeds(List<BoundaryViews.SeedView> volumes) {
    if (volumes == null || volumes.isEmpty()) {
      throw Problem.bad("No volume is named.");
    }
    return volumes.stream()
        .map(
            v -> {
              boolean named =
                  v.name() != null && !v.name().isBlank() && v.name().length() <= LONGEST;
              boolean placed =
                  v.inside() != null
                      && v.inside().size() == 3
                      && v.inside().stream().allMatch(x -> x != null && Double.isFinite(x));
              if (!named || !placed) {
                throw Problem.bad("A volume needs a name and a place in it.");
              }
              return new SpaceSeed(
                  v.name().strip(),
                  new Vec3(v.inside().get(0), v.inside().get(1), v.inside().get(2)));
            })
        .toList();
  }
}
