package org.umberline.server.api;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.time.Clock;
import java.util.Locale;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.UmberlineSettings;
import org.umberline.server.exchange.Requests;
import org.umberline.server.exchange.Views;
import org.umberline.server.failure.Refused;
import org.umberline.server.persistence.KeeperEntity;
import org.umberline.server.persistence.Keepers;
import org.umberline.server.security.SignedIn;

/**
 * Who is signed in, new accounts, and the demo's button. Sign-in and -out are Spring Security's.
 */
@RestController
@RequestMapping("/api")
class SessionApi {
  private final UmberlineSettings settings;
  private final Keepers keepers;
  private final PasswordEncoder passwords;
  private final UserDetailsService byName;
  private final SecurityContextRepository contexts;
  private final Clock clock;

  SessionApi(
      UmberlineSettings settings,
      Keepers keepers,
      PasswordEncoder passwords,
      UserDetailsService byName,
      SecurityContextRepository contexts,
      Clock clock) {
    this.settings = settings;
    this.keepers = keepers;
    this.passwords = passwords;
    this.byName = byName;
    this.contexts = contexts;
    this.clock = clock;
  }

  /** Also renews the token cookie, which changes at sign-in. */
  @GetMapping("/session")
  Views.SessionView session(
      @SignedIn.Keeper SignedIn keeper,
      @io.swagger.v3.oas.annotations.Parameter(hidden = true) CsrfToken token) {
    token.getToken();
    return new Views.SessionView(
        keeper != null,
        keeper == null ? null : keeper.getUsername(),
        settings.demo(),
        settings.signUp());
  }

  @PostMapping("/keepers")
  @ResponseStatus(HttpStatus.CREATED)
  void signUp(@Valid @RequestBody Requests.SignUp request) {
    if (!settings.signUp()) {
      throw new Refused(
          HttpStatus.FORBIDDEN, "New accounts are switched off here.", java.util.List.of());
    }
    String name = request.name().strip().toLowerCase(Locale.ROOT);
    if (keepers.findBySignInName(name).isPresent()) {
      throw Refused.field("name", request.name(), "a name nobody has yet");
    }
    try {
      keepers.saveAndFlush(
          new KeeperEntity(
              request.id(), name, passwords.encode(request.password()), clock.instant()));
    } catch (DataIntegrityViolationException raced) {
      throw Refused.field("name", request.name(), "a name nobody has yet");
    }
  }

  @PostMapping("/demo-sign-in")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void demoSignIn(
      @RequestParam(defaultValue = UmberlineSettings.DEMO_KEEPER) String name,
      HttpServletRequest request,
      HttpServletResponse response) {
    boolean ofDemo =
        name.equals(UmberlineSettings.DEMO_KEEPER) || name.equals(UmberlineSettings.DEMO_CO_KEEPER);
    if (!settings.demo() || !ofDemo) {
      throw Refused.notFound("demo");
    }
    var keeper = byName.loadUserByUsername(name);
    request.getSession();
    request.changeSessionId();
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(keeper, null, keeper.getAuthorities()));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
  }
}
