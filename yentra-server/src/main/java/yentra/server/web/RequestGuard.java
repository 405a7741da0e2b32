package yentra.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Keeps other web pages from using a server that runs on the same machine: only loopback names are
 * answered, and a request that changes something needs the header {@value #PERSON}, which a foreign
 * page cannot send without being asked first. Also sets the security headers.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
public class RequestGuard extends OncePerRequestFilter {
  /** Who makes the request, URL-encoded. */
  public static final String PERSON = "X-Yentra-Person";

  private static final Set<String> LOCAL = Set.of("127.0.0.1", "localhost", "[::1]");
  private static final String CONTENT_POLICY =
      "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self';"
          + " worker-src 'self' blob:; object-src 'none'; base-uri 'self'; frame-ancestors 'none'";

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    response.setHeader("Content-Security-Policy", CONTENT_POLICY);
    response.setHeader("X-Content-Type-Options", "nosniff");
    response.setHeader("Referrer-Policy", "no-referrer");
    if (!LOCAL.contains(request.getServerName())) {
      refuse(response, "This server answers on 127.0.0.1 and localhost only.");
      return;
    }
    String query = request.getQueryString();
    if (query != null && query.contains("%00")) {
      ProblemAdvice.write(
          response,
          HttpServletResponse.SC_BAD_REQUEST,
          "bad-request",
          "The address has a NUL character in it.");
      return;
    }
    boolean reads = Set.of("GET", "HEAD", "OPTIONS").contains(request.getMethod());
    if (!reads && request.getHeader(PERSON) == null) {
      refuse(response, "Requests that change something need the header " + PERSON + ".");
      return;
    }
    chain.doFilter(request, response);
  }

  private static void refuse(HttpServletResponse response, String message) throws IOException {
    ProblemAdvice.write(response, HttpServletResponse.SC_FORBIDDEN, "forbidden", message);
  }

  /**
   * The person's name out of the header, at most 80 characters.
   *
   * @throws Problem when it is not URL-encoded
   */
  public static String person(String header) {
    String name;
    try {
      name = header == null ? "" : URLDecoder.decode(header, StandardCharsets.UTF_8).strip();
    } catch (IllegalArgumentException e) {
      throw Problem.bad("The header " + PERSON + " must hold a name, URL-encoded.");
    }
    name = name.replaceAll("\\p{Cntrl}", " ").strip();
    return name.isEmpty() ? "someone" : name.length() > 80 ? name.substring(0, 80) : name;
  }
}
