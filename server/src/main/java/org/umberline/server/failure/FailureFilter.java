package org.umberline.server.failure;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Stands before the session, which lives in the database too: refuses bodies that are too large and
 * says when the database is away.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class FailureFilter extends OncePerRequestFilter {
  /** Largest body of a request, bytes, other than a tank file to be taken in. */
  static final long LARGEST_BODY = 64 * 1024;

  /** Largest tank file, bytes. */
  static final long LARGEST_FILE = 20L * 1024 * 1024;

  private final ProblemWriter problems;

  public FailureFilter(ProblemWriter problems) {
    this.problems = problems;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    boolean import_ =
        request.getMethod().equals("POST") && request.getRequestURI().equals("/api/tanks");
    long largest = import_ ? LARGEST_FILE : LARGEST_BODY;
    boolean writes = !request.getMethod().equals("GET") && !request.getMethod().equals("HEAD");
    if (writes && request.getContentLengthLong() > largest) {
      problems.write(
          request,
          response,
          HttpStatus.CONTENT_TOO_LARGE,
          "The request has "
              + request.getContentLengthLong()
              + " bytes; at most "
              + largest
              + " are taken. Nothing was saved.");
      return;
    }
    if (writes
        && request.getContentLengthLong() < 0
        && request.getHeader("Transfer-Encoding") != null) {
      problems.write(
          request, response, HttpStatus.LENGTH_REQUIRED, "The request must state its length.");
      return;
    }
    try {
      chain.doFilter(request, response);
    } catch (RuntimeException | ServletException failure) {
      if (!DatabaseAway.causes(failure) || response.isCommitted()) {
        throw failure;
      }
      response.setHeader("Retry-After", "2");
      problems.write(request, response, HttpStatus.SERVICE_UNAVAILABLE, DatabaseAway.DETAIL);
    }
  }
}
