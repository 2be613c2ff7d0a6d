package org.umberline.server.security;

import jakarta.servlet.DispatcherType;
import java.util.List;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.web.servlet.AbstractFilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.umberline.server.http.ProblemWriter;
import org.umberline.server.keeper.Passwords;
import org.umberline.server.keeper.Sessions;
import org.umberline.server.keeper.Throttle;

/** Form sign-in with a session in the database and a CSRF token; everything else is refused. */
@Configuration
public class SecurityConfiguration {
  /** What the browser may do with the page: nothing from elsewhere. */
  private static final String CONTENT_POLICY = ContentPolicy.ofThePage();

  /** Where the sign-in form is sent. */
  static final String SIGN_IN = "/api/sign-in";

  /** The page's own files need no session, and get none. */
  @Bean
  @Order(1)
  SecurityFilterChain page(HttpSecurity http) throws Exception {
    return http.securityMatcher(request -> !request.getServletPath().startsWith("/api/"))
        .authorizeHttpRequests(
            all ->
                all.requestMatchers("/actuator/health", "/actuator/health/**")
                    .permitAll()
                    .requestMatchers("/actuator", "/actuator/**")
                    .denyAll()
                    .requestMatchers(HttpMethod.GET)
                    .permitAll()
                    .requestMatchers(HttpMethod.HEAD)
                    .permitAll()
                    .anyRequest()
                    .denyAll())
        .headers(
            headers ->
                headers
                    .cacheControl(cache -> cache.disable())
                    .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                    .contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY)))
        .csrf(csrf -> csrf.disable())
        .requestCache(cache -> cache.disable())
        .securityContext(context -> context.disable())
        .sessionManagement(session -> session.disable())
        .build();
  }

  @Bean
  @Order(2)
  SecurityFilterChain api(
      HttpSecurity http,
      ProblemWriter problems,
      Throttle throttle,
      SecurityContextRepository contexts)
      throws Exception {
    return http.authorizeHttpRequests(
            all ->
                all.dispatcherTypeMatchers(DispatcherType.ERROR, DispatcherType.FORWARD)
                    .permitAll()
                    .requestMatchers(HttpMethod.GET, "/api/session", "/api/start")
                    .permitAll()
                    .requestMatchers(HttpMethod.POST, "/api/demo-sign-in", "/api/keepers")
                    .permitAll()
                    // whoever knows a sitter's link; the link is what opens it
                    .requestMatchers("/api/sitting/**")
                    .permitAll()
                    .anyRequest()
                    .authenticated())
        .formLogin(
            form ->
                form.loginProcessingUrl(SIGN_IN)
                    .usernameParameter("name")
                    .passwordParameter("password")
                    .successHandler(
                        (request, response, who) -> {
                          Sessions.opened(request);
                          response.setStatus(204);
                        })
                    .failureHandler(
                        (request, response, failure) ->
                            problems.write(
                                request,
                                response,
                                HttpStatus.UNAUTHORIZED,
                                "Name and password do not go together.")))
        .logout(
            out ->
                out.logoutUrl("/api/sign-out")
                    .logoutSuccessHandler((request, response, who) -> response.setStatus(204)))
        .exceptionHandling(
            handling ->
                handling
                    .authenticationEntryPoint(
                        (request, response, failure) ->
                            problems.write(
                                request, response, HttpStatus.UNAUTHORIZED, "Sign in first."))
                    .accessDeniedHandler(
                        (request, response, failure) ->
                            problems.write(
                                request,
                                response,
                                HttpStatus.FORBIDDEN,
                                "The page is out of date; load it again.")))
        .securityContext(context -> context.securityContextRepository(contexts))
        .csrf(csrf -> csrf.spa())
        .requestCache(cache -> cache.disable())
        .addFilterBefore(
            new SignInThrottleFilter(throttle, problems),
            UsernamePasswordAuthenticationFilter.class)
        .headers(
            headers ->
                headers
                    .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                    .contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY)))
        .build();
  }

  /**
   * Keeps the session, which lives in the database, away from everything but the API: the page's
   * own files are served also while the database is away.
   */
  @Bean
  static BeanPostProcessor sessionsForTheApiAlone() {
    return new BeanPostProcessor() {
      @Override
      public Object postProcessBeforeInitialization(Object bean, String name) {
        if (bean instanceof AbstractFilterRegistrationBean<?> registration
            && name.equals("sessionRepositoryFilterRegistration")) {
          registration.setUrlPatterns(List.of("/api/*"));
        }
        return bean;
      }
    };
  }

  @Bean
  SecurityContextRepository contexts() {
    return new HttpSessionSecurityContextRepository();
  }

  @Bean
  PasswordEncoder passwordEncoder() {
    return Passwords.encoder();
  }
}
