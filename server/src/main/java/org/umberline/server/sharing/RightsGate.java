package org.umberline.server.sharing;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.UUID;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.umberline.server.http.Refused;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.tank.Role;
import org.umberline.server.tank.TankRecords;

/**
 * Stands before every operation of a tank: a keeper without a role in it finds nothing there, one
 * whose role is too small is told what he may do. Asked anew each time, so that a right that is
 * taken back is gone at once.
 */
@Configuration
class RightsGate implements WebMvcConfigurer, HandlerInterceptor {
  private final TankRecords tanks;

  RightsGate(TankRecords tanks) {
    this.tanks = tanks;
  }

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(this).addPathPatterns("/api/tanks/*", "/api/tanks/*/**");
  }

  @Override
  @SuppressWarnings("unchecked")
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    Object path = request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE);
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    if (path == null
        || !path.toString().startsWith(Rights.TANK)
        || who == null
        || !(who.getPrincipal() instanceof SignedIn keeper)) {
      return true;
    }
    var variables =
        (Map<String, String>) request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
    UUID tank;
    try {
      tank = UUID.fromString(variables.get("id"));
    } catch (IllegalArgumentException none) {
      return true; // what takes the request says that it is no id
    }
    Role role = tanks.role(tank, keeper.keeperId()).orElseThrow(() -> Refused.notFound("tank"));
    // HEAD is answered by what answers GET
    String method = request.getMethod().equals("HEAD") ? "GET" : request.getMethod();
    if (!Rights.leastFor(method, path.toString()).map(role::includes).orElse(false)) {
      throw Rights.refusal(role);
    }
    return true;
  }
}
