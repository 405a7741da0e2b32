package yentra.server.envelope;

import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Work that somebody is waiting for, under the name that whoever began it chose. */
@RestController
@RequestMapping("/api/attempts/{run}")
class AttemptController {
  private final Attempts attempts;

  AttemptController(Attempts attempts) {
    this.attempts = attempts;
  }

  /** How far it has come, 0 to 1. */
  @GetMapping
  BoundaryViews.ShareView share(@PathVariable UUID run) {
    return new BoundaryViews.ShareView(attempts.share(run));
  }

  /** Gives it up. */
  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void cancel(@PathVariable UUID run) {
    attempts.cancel(run);
  }
}
