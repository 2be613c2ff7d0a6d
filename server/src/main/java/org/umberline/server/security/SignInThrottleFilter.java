package org.umberline.server.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.springframework.http.HttpStatus;
import org.springframework.web.filter.OncePerRequestFilter;
import org.umberline.server.http.ProblemWriter;
import org.umberline.server.keeper.Throttle;

/** Stands before the sign-in form: too many wrong passwords have to wait. */
final class SignInThrottleFilter extends OncePerRequestFilter {
  private final Throttle throttle;
  private final ProblemWriter problems;

  SignInThrottleFilter(Throttle throttle, ProblemWriter problems) {
    this.throttle = throttle;
    this.problems = problems;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !(request.getMethod().equals("POST")
        && request.getServletPath().equals(SecurityConfiguration.SIGN_IN));
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String name = request.getParameter("name");
    Throttle.Answer answer =
        throttle.ask("sign-in", name == null ? "" : name, request.getRemoteAddr());
    if (answer.attempt().isEmpty()) {
      refuse(request, response, problems, answer.delay());
      return;
    }
    chain.doFilter(request, response);
    if (response.getStatus() == HttpStatus.NO_CONTENT.value()) {
      answer.attempt().get().succeeded();
    }
  }

  private static void refuse(
      HttpServletRequest request,
      HttpServletResponse response,
      ProblemWriter problems,
      Duration delay)
      throws IOException {
    long seconds = delay.toSeconds() + 1;
    response.setHeader("Retry-After", String.valueOf(seconds));
    problems.write(
        request,
        response,
        HttpStatus.TOO_MANY_REQUESTS,
        "Too many wrong tries. Try again in " + seconds + " seconds.");
  }
}
