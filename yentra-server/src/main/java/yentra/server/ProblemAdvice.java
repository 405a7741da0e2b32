package yentra.server;

import java.net.URI;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Errors as problem+json: what was wrong and what to do, never a stack trace. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

  @ExceptionHandler(Problem.class)
  ResponseEntity<ProblemDetail> problem(Problem p) {
    ProblemDetail d = ProblemDetail.forStatusAndDetail(p.status(), p.getMessage());
    d.setType(URI.create("urn:yentra:" + p.type()));
    p.details().forEach(d::setProperty);
    return ResponseEntity.status(p.status()).body(d);
  }

  @ExceptionHandler(Exception.class)
  ResponseEntity<ProblemDetail> unexpected(Exception e) {
    LOG.error("unexpected", e);
    ProblemDetail d =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.INTERNAL_SERVER_ERROR,
            "Something went wrong on the server. Nothing was changed; the server's log says more.");
    d.setType(URI.create("urn:yentra:unexpected"));
    return ResponseEntity.internalServerError().body(d);
  }
}
