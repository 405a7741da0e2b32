package yentra.server.variants;

import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yentra.core.repair.Repair;
import yentra.server.web.RequestGuard;

/** Variants, targets, sweeps. */
@RestController
@RequestMapping("/api")
class VariantController {
  private final VariantStore store;
  private final VariantAnswers answers;
  private final Sweeps sweeps;
  private final Adoption adoption;
  private final ChangeChoices choices;
  private final VariantEvents events;

  VariantController(
      VariantStore store,
      VariantAnswers answers,
      Sweeps sweeps,
      Adoption adoption,
      ChangeChoices choices,
      VariantEvents events) {
    this.store = store;
    this.answers = answers;
    this.sweeps = sweeps;
    this.adoption = adoption;
    this.choices = choices;
    this.events = events;
  }

  /** A name of what was made. */
  record VariantMade(UUID id) {}

  /** A variant's repairs as one. */
  record VariantRepair(Repair repair) {}

  /** All variants of the project on this delivery. */
  @GetMapping("/deliveries/{id}/variants")
  VariantViews.VariantsView variants(
      @PathVariable UUID id, @RequestParam(defaultValue = "false") boolean assumeMissing) {
    return answers.of(id, assumeMissing);
  }

  /** What the changes of this delivery can be made of. */
  @GetMapping("/deliveries/{id}/change-choices")
  ChangeChoices.ChoicesView choices(@PathVariable UUID id) {
    return choices.of(id);
  }

  @PostMapping("/projects/{id}/variants")
  @ResponseStatus(HttpStatus.CREATED)
  VariantMade add(
      @PathVariable UUID id,
      @RequestBody VariantViews.VariantSpec spec,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return new VariantMade(store.add(id, spec, RequestGuard.person(person)));
  }

  @PutMapping("/variants/{variant}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(
      @PathVariable UUID variant,
      @RequestBody VariantViews.VariantSpec spec,
      @RequestHeader(RequestGuard.PERSON) String person) {
    store.change(variant, spec, RequestGuard.person(person));
  }

  @DeleteMapping("/variants/{variant}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void delete(@PathVariable UUID variant) {
    store.delete(variant);
  }

  @PutMapping("/projects/{id}/targets")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void targets(
      @PathVariable UUID id,
      @RequestBody VariantViews.TargetsSpec targets,
      @RequestHeader(RequestGuard.PERSON) String person) {
    store.targets(id, targets, RequestGuard.person(person));
  }

  /** Runs the baseline, variants, and each of their changes by itself. */
  @PostMapping("/deliveries/{id}/variants/runs")
  @ResponseStatus(HttpStatus.ACCEPTED)
  VariantViews.VariantsView run(
      @PathVariable UUID id,
      @RequestBody VariantViews.RunsRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    answers.run(id, asked, RequestGuard.person(person));
    return answers.of(id, asked.assumeMissing());
  }

  /** Stops the runs of the variants. */
  @DeleteMapping("/deliveries/{id}/variants/runs")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void cancel(@PathVariable UUID id) {
    answers.cancel(id);
  }

  /** The repairs that a variant comes to on the newest state, to be looked at. */
  @GetMapping("/deliveries/{id}/variants/{variant}/repair")
  VariantRepair repair(@PathVariable UUID id, @PathVariable UUID variant) {
    return new VariantRepair(adoption.repair(id, variant));
  }

  /** Makes a variant the baseline. */
  @PostMapping("/deliveries/{id}/variants/{variant}/baseline")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void adopt(
      @PathVariable UUID id,
      @PathVariable UUID variant,
      @RequestBody VariantViews.AdoptRequest asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    adoption.adopt(id, variant, asked.basedOn(), RequestGuard.person(person));
  }

  @PostMapping("/deliveries/{id}/sweeps")
  @ResponseStatus(HttpStatus.ACCEPTED)
  VariantMade sweep(
      @PathVariable UUID id,
      @RequestBody VariantViews.SweepWish asked,
      @RequestHeader(RequestGuard.PERSON) String person) {
    return new VariantMade(sweeps.ask(id, asked, RequestGuard.person(person)));
  }

  @GetMapping("/sweeps/{sweep}")
  VariantViews.SweptView sweep(@PathVariable UUID sweep) {
    return sweeps.sweep(sweep);
  }

  /** Stops what has not been run of a sweep. */
  @PostMapping("/sweeps/{sweep}/stop")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void stop(@PathVariable UUID sweep) {
    sweeps.cancel(sweep);
  }

  /** Goes on with a sweep. */
  @PostMapping("/sweeps/{sweep}/go-on")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void goOn(@PathVariable UUID sweep, @RequestHeader(RequestGuard.PERSON) String person) {
    sweeps.resume(sweep, RequestGuard.person(person));
  }

  @DeleteMapping("/sweeps/{sweep}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void deleteSweep(@PathVariable UUID sweep) {
    sweeps.delete(sweep);
  }

  @GetMapping(path = "/deliveries/{id}/variants/events", produces = "text/event-stream")
  SseEmitter events(@PathVariable UUID id) {
    return events.listen(id);
  }
}
