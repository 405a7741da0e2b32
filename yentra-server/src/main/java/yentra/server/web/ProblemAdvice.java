package yentra.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.sql.SQLTransientException;
import java.util.Set;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.jooq.exception.DataAccessException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** Errors as problem+json: what was wrong and what to do, never a stack trace. */
@RestControllerAdvice
public class ProblemAdvice extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

  /** Seconds after which asking again makes sense. */
  private static final String LATER = "5";

  /**
   * Classes of SQL states of what will be otherwise in a moment: a connection that broke or was not
   * to be had (08), an operator's intervention (57), a lock that somebody else holds (55).
   */
  private static final Set<String> BROKEN = Set.of("08", "55", "57");

  @ExceptionHandler(Problem.class)
  ResponseEntity<ProblemDetail> problem(Problem p) {
    ProblemDetail d = ProblemDetail.forStatusAndDetail(p.status(), p.getMessage());
    d.setType(URI.create("urn:yentra:" + p.type()));
    p.details().forEach(d::setProperty);
    return ResponseEntity.status(p.status()).body(d);
  }

  /** The database does not answer, or is asked more than it can. */
  @ExceptionHandler({
    DataAccessException.class,
    DataAccessResourceFailureException.class,
    TransactionException.class
  })
  ResponseEntity<ProblemDetail> database(Exception e) {
    if (!isUnavailable(e)) {
      return unexpected(e);
    }
    LOG.warn("the database is not available: {}", e.getMessage());
    return answer(
        HttpStatus.SERVICE_UNAVAILABLE,
        "unavailable",
        "The database does not answer at the moment. Nothing was changed; try again shortly."
            + " If it stays so, ./yentra start brings it back.");
  }

  private static boolean isUnavailable(Throwable e) {
    for (Throwable c = e; c != null; c = c.getCause()) {
      if (c instanceof SQLTransientException) {
        return true;
      }
      // a transaction that cannot even be rolled back: the pool says so without a state
      if (e instanceof TransactionException
          && c instanceof SQLException s
          && s.getSQLState() == null) {
        return true;
      }
      if (c instanceof SQLException s
          && s.getSQLState() != null
          && s.getSQLState().length() == 5
          && BROKEN.contains(s.getSQLState().substring(0, 2))) {
        return true;
      }
    }
    return false;
  }

  @ExceptionHandler(InvalidParameterException.class)
  ResponseEntity<ProblemDetail> parameters(InvalidParameterException e) {
    return answer(
        HttpStatus.BAD_REQUEST, "bad-request", "The address is not encoded as it should be.");
  }

  @ExceptionHandler(BodyGuard.TooSlowException.class)
  ResponseEntity<ProblemDetail> slow(BodyGuard.TooSlowException e) {
    return answer(HttpStatus.REQUEST_TIMEOUT, "too-slow", tooSlow());
  }

  private static String tooSlow() {
    return "What you send comes in too slowly, so it was given up. Nothing was changed.";
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    for (Throwable c = e; c != null; c = c.getCause()) {
      if (c instanceof BodyGuard.TooSlowException) {
        return handleExceptionInternal(
            e,
            detail(HttpStatus.REQUEST_TIMEOUT, "too-slow", tooSlow()),
            headers,
            HttpStatus.REQUEST_TIMEOUT,
            request);
      }
    }
    return handleExceptionInternal(
        e, detail(HttpStatus.BAD_REQUEST, "bad-request", said(e)), headers, status, request);
  }

  private static String said(Exception e) {
    if (e.getCause() instanceof UnrecognizedPropertyException u) {
      return "There is no member \u201c" + u.getPropertyName() + "\u201d in such a request.";
    }
    if (e.getCause() instanceof JacksonException j) {
      return "The body is not as it should be"
          + (j.getLocation() == null
              ? "."
              : ", at line "
                  + j.getLocation().getLineNr()
                  + ", column "
                  + j.getLocation().getColumnNr()
                  + ".");
    }
    return "The body is missing or cannot be read.";
  }

  @ExceptionHandler(Exception.class)
  ResponseEntity<ProblemDetail> unexpected(Exception e) {
    LOG.error("unexpected", e);
    return answer(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "unexpected",
        "Something went wrong on the server. Nothing was changed; the server's log says more.");
  }

  private static ProblemDetail detail(HttpStatus status, String type, String message) {
    ProblemDetail d = ProblemDetail.forStatusAndDetail(status, message);
    d.setType(URI.create("urn:yentra:" + type));
    return d;
  }

  private static ResponseEntity<ProblemDetail> answer(
      HttpStatus status, String type, String message) {
    ResponseEntity.BodyBuilder b = ResponseEntity.status(status);
    if (status == HttpStatus.SERVICE_UNAVAILABLE) {
      b.header(HttpHeaders.RETRY_AFTER, LATER);
    }
    return b.body(detail(status, type, message));
  }

  /**
   * Writes a problem where no controller is concerned.
   *
   * @param message without characters that JSON escapes
   */
  static void write(HttpServletResponse response, int status, String type, String message)
      throws IOException {
    response.setStatus(status);
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.setCharacterEncoding(StandardCharsets.UTF_8.name());
    if (status == HttpServletResponse.SC_SERVICE_UNAVAILABLE) {
      response.setHeader(HttpHeaders.RETRY_AFTER, LATER);
    }
    response
        .getWriter()
        .write(
            "{\"type\":\"urn:yentra:"
                + type
                + "\",\"status\":"
                + status
                + ",\"detail\":\""
                + message
                + "\"}");
    response.flushBuffer();
  }
}
