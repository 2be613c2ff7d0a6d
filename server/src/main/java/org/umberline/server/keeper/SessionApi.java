package org.umberline.server.keeper;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.http.Refused;

/**
 * Who is signed in, new accounts, and the demo's button. Sign-in and -out are Spring Security's.
 */
@RestController
@RequestMapping("/api")
class SessionApi {
  private final UmberlineSettings settings;
  private final Accounts accounts;
  private final UserDetailsService byName;
  private final SecurityContextRepository contexts;

  SessionApi(
      UmberlineSettings settings,
      Accounts accounts,
      UserDetailsService byName,
      SecurityContextRepository contexts) {
    this.settings = settings;
    this.accounts = accounts;
    this.byName = byName;
    this.contexts = contexts;
  }

  /** Also renews the token cookie, which changes at sign-in. */
  @GetMapping("/session")
  KeeperViews.Session session(
      @SignedIn.Keeper SignedIn keeper,
      @io.swagger.v3.oas.annotations.Parameter(hidden = true) CsrfToken token) {
    token.getToken();
    return accounts.session(keeper);
  }

  @PostMapping("/keepers")
  @ResponseStatus(HttpStatus.CREATED)
  void signUp(@Valid @RequestBody KeeperRequests.SignUp request, HttpServletRequest from) {
    if (!settings.signUp()) {
      throw new Refused(
          HttpStatus.FORBIDDEN, "New accounts are switched off here.", java.util.List.of());
    }
    accounts.signUp(request.id(), request.name(), request.password(), from.getRemoteAddr());
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
    Sessions.opened(request);
  }
}
