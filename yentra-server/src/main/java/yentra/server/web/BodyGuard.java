package yentra.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.Semaphore;
import java.util.function.LongSupplier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Bounds how many bodies are received at once, and how slowly: each holds a thread for as long as
 * it comes in, and whoever sends byte by byte would keep everybody else waiting. What a refused
 * request still sends is read for a moment, so that its sender gets to see the answer.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class BodyGuard extends OncePerRequestFilter {
  /** Files that come in at once. */
  static final int FILES = 16;

  /** Other bodies that come in at once; they are small. */
  static final int OTHERS = 100;

  /** Refused requests that are listened to at once. */
  private static final int REFUSED = 32;

  private static final long SECOND = 1_000_000_000L;

  /** How long a body may take before its pace is looked at. */
  private static final long START = 10 * SECOND;

  /** A file comes in at this pace or faster, bytes a second. */
  private static final double PACE = 4096;

  /** The longest that another body may take. */
  private static final long LONGEST = 15 * SECOND;

  private static final long LISTEN = 2 * SECOND;

  private final Semaphore files = new Semaphore(FILES);
  private final Semaphore others = new Semaphore(OTHERS);
  private final Semaphore refused = new Semaphore(REFUSED);
  private final LongSupplier nanos;

  BodyGuard() {
    this(System::nanoTime);
  }

  /**
   * @param nanos a clock that only runs forwards
   */
  BodyGuard(LongSupplier nanos) {
    this.nanos = nanos;
  }

  /** A body that comes in too slowly. */
  static final class TooSlowException extends IOException {
    private static final long serialVersionUID = 1L;

    TooSlowException() {
      super("The request came in too slowly.");
    }
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    boolean body =
        request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
    if (!body) {
      chain.doFilter(request, response);
      return;
    }
    String type = request.getContentType();
    boolean file = type != null && type.startsWith("application/octet-stream");
    Semaphore room = file ? files : others;
    Body in = new Body(request, file, room);
    if (!room.tryAcquire()) {
      in.ended = true;
      ProblemAdvice.write(
          response,
          HttpServletResponse.SC_SERVICE_UNAVAILABLE,
          "busy",
          "The server is taking in as many files as it can at once. Try again in a moment.");
      listen(in);
      return;
    }
    try {
      chain.doFilter(new Guarded(request, in), response);
    } finally {
      in.release();
    }
    if (!in.all && !in.slow) {
      listen(in);
    }
  }

  /** Reads what is still sent after the answer is known. */
  private void listen(Body in) {
    if (!refused.tryAcquire()) {
      return;
    }
    try {
      long until = nanos.getAsLong() + LISTEN;
      byte[] buffer = new byte[1 << 16];
      while (in.raw().read(buffer) >= 0 && nanos.getAsLong() < until) {
        // nothing is wanted of it
      }
    } catch (IOException | IllegalStateException e) {
      // the sender has gone, which is what this waits for
      logger.trace("a refused body ended early", e);
    } finally {
      refused.release();
    }
  }

  private static final class Guarded extends HttpServletRequestWrapper {
    private final Body body;

    Guarded(HttpServletRequest request, Body body) {
      super(request);
      this.body = body;
    }

    @Override
    public ServletInputStream getInputStream() {
      return body;
    }

    @Override
    public BufferedReader getReader() {
      return new BufferedReader(new InputStreamReader(body, StandardCharsets.UTF_8));
    }
  }

  private final class Body extends ServletInputStream {
    private final HttpServletRequest request;
    private final boolean file;
    private final Semaphore room;
    private final long start = nanos.getAsLong();
    private long bytes;
    private boolean all;
    private boolean slow;
    private boolean ended;

    Body(HttpServletRequest request, boolean file, Semaphore room) {
      this.request = request;
      this.file = file;
      this.room = room;
    }

    ServletInputStream raw() throws IOException {
      return request.getInputStream();
    }

    void release() {
      if (!ended) {
        ended = true;
        room.release();
      }
    }

    private int counted(int n) throws TooSlowException {
      if (n < 0) {
        all = true;
        release();
        return n;
      }
      bytes += n;
      long took = nanos.getAsLong() - start;
      slow = file ? took > START && bytes * (double) SECOND / took < PACE : took > LONGEST;
      if (slow) {
        throw new TooSlowException();
      }
      return n;
    }

    @Override
    public int read() throws IOException {
      int b = raw().read();
      counted(b < 0 ? -1 : 1);
      return b;
    }

    @Override
    public int read(byte[] to, int from, int most) throws IOException {
      return counted(raw().read(to, from, most));
    }

    @Override
    public boolean isFinished() {
      return all;
    }

    @Override
    public boolean isReady() {
      return true;
    }

    @Override
    public void setReadListener(ReadListener listener) {
      throw new UnsupportedOperationException("bodies are read by the thread of their request");
    }
  }
}
