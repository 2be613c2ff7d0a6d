package org.umberline.server.http;

import io.github.resilience4j.bulkhead.Bulkhead;
import io.github.resilience4j.bulkhead.BulkheadConfig;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Large JSON bodies are read one after the other: each takes many times its size of memory until it
 * is a tank. Only who is signed in gets this far.
 */
@Configuration
class LargeBodies implements WebMvcConfigurer, HandlerInterceptor {
  /** What counts as large, bytes. Chosen. */
  private static final int LARGE = 1_000_000;

  private static final String HELD = LargeBodies.class.getName();

  private final Bulkhead one =
      Bulkhead.of(
          "large bodies",
          BulkheadConfig.custom()
              .maxConcurrentCalls(1)
              .maxWaitDuration(Duration.ofSeconds(15))
              .build());

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(this);
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    String type = String.valueOf(request.getContentType());
    if (request.getContentLengthLong() > LARGE && type.contains("json")) {
      if (!one.tryAcquirePermission()) {
        throw Refused.busy("Other large files are being read.");
      }
      request.setAttribute(HELD, true);
    }
    return true;
  }

  @Override
  public void afterCompletion(
      HttpServletRequest request, HttpServletResponse response, Object handler, Exception failure) {
    if (request.getAttribute(HELD) != null) {
      request.removeAttribute(HELD);
      one.onComplete();
    }
  }
}
