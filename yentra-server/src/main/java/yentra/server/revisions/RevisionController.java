package yentra.server.revisions;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yentra.server.envelope.Deliveries;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.web.RequestGuard;

/** The repair log as a whole, and how it carries over to the next revision. */
@RestController
@RequestMapping("/api/deliveries/{id}")
public class RevisionController {
  private final Deliveries deliveries;
  private final Revisions revisions;
  private final TakeOvers takeOvers;

  RevisionController(Deliveries deliveries, Revisions revisions, TakeOvers takeOvers) {
    this.deliveries = deliveries;
    this.revisions = revisions;
    this.takeOvers = takeOvers;
  }

  @PostMapping("/log/position")
  EnvelopeViews.ModelView position(
      @PathVariable UUID id,
      @RequestBody RevisionViews.PositionRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.position(id, asked.basedOn(), asked.position(), RequestGuard.person(person));
  }

  /** What depends on entries; nothing is changed. */
  @PostMapping("/log/dependents")
  List<EnvelopeViews.DependentView> dependents(
      @PathVariable UUID id, @RequestBody RevisionViews.EntriesRequest asked) {
    return deliveries.dependents(id, asked.entries());
  }

  @PostMapping("/log/without")
  EnvelopeViews.ModelView without(
      @PathVariable UUID id,
      @RequestBody RevisionViews.WithoutRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return deliveries.without(id, asked.basedOn(), asked.entries(), RequestGuard.person(person));
  }

  @GetMapping("/revision")
  RevisionViews.RevisionView revision(@PathVariable UUID id) {
    return revisions.of(id);
  }

  /** What could be taken over from a drawing; nothing is changed. */
  @GetMapping("/take-over")
  RevisionViews.TakeOverView takeOver(@PathVariable UUID id) {
    return takeOvers.of(id);
  }

  @PostMapping("/replay")
  EnvelopeViews.ModelView replay(
      @PathVariable UUID id,
      @RequestBody EnvelopeViews.MoveRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return revisions.replay(id, asked.basedOn(), RequestGuard.person(person));
  }
}
