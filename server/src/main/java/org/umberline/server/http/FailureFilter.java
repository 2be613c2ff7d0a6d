package org.umberline.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
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
  private final ProblemWriter problems;

  public FailureFilter(ProblemWriter problems) {
    this.problems = problems;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (!isReadable(request.getQueryString())) {
      problems.write(
          request,
          response,
          HttpStatus.BAD_REQUEST,
          "The address holds a % that is not followed by two hexadecimal digits.");
      return;
    }
    if (String.valueOf(request.getContentType()).contains("*")) {
      problems.write(
          request,
          response,
          HttpStatus.BAD_REQUEST,
          "Content-Type is " + request.getContentType() + "; allowed: one kind of content.");
      return;
    }
    long largest = BodyLimit.of(request.getMethod(), request.getServletPath()).bytes();
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
    } catch (Refused refused) {
      // by a filter: what the API itself refuses never gets here
      if (response.isCommitted()) {
        throw refused;
      }
      askAgain(response, refused.retryAfterSeconds());
      problems.write(request, response, refused.status(), refused.getMessage());
    } catch (RuntimeException | ServletException failure) {
      Optional<DatabaseTrouble> trouble = DatabaseTrouble.of(failure);
      if (trouble.isEmpty() || response.isCommitted()) {
        throw failure;
      }
      askAgain(response, trouble.get().retryAfterSeconds());
      problems.write(request, response, trouble.get().status(), trouble.get().detail());
    }
  }

  private static void askAgain(HttpServletResponse response, long afterSeconds) {
    if (afterSeconds > 0) {
      response.setHeader("Retry-After", String.valueOf(afterSeconds));
    }
  }

  /** Whether every % of a query stands for a character. */
  private static boolean isReadable(String query) {
    try {
      if (query != null) {
        URLDecoder.decode(query, StandardCharsets.UTF_8);
      }
      return true;
    } catch (IllegalArgumentException broken) {
      return false;
    }
  }
}
