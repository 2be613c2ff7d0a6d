package org.umberline.server.keeper;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;
import org.umberline.server.http.Refused;
import org.umberline.server.store.Hashes;

/** Where a keeper is signed in. */
@Component
public class Sessions {
  private static final String ADDRESS = "umberline.address";
  private static final String BROWSER = "umberline.browser";
  private static final int LONGEST_BROWSER = 300;

  private final FindByIndexNameSessionRepository<? extends Session> repository;
  private final JdbcTemplate rows;

  Sessions(FindByIndexNameSessionRepository<? extends Session> repository, JdbcTemplate rows) {
    this.repository = repository;
    this.rows = rows;
  }

  /** The sign-in names of those who looked in since a moment. */
  public List<String> namesUsedSince(Instant moment) {
    return rows.queryForList(
        "SELECT DISTINCT principal_name FROM SPRING_SESSION"
            + " WHERE principal_name IS NOT NULL AND last_access_time >= ?",
        String.class,
        moment.toEpochMilli());
  }

  /**
   * One sign-in.
   *
   * @param id tells it from the others; its own secret is told to nobody
   * @param browser what the browser says of itself
   */
  @Schema(description = "where the keeper is signed in")
  public record OpenSession(
      String id,
      Instant since,
      Instant lastUsed,
      String address,
      String browser,
      boolean present) {}

  /** Notes from where a session was opened. */
  public static void opened(HttpServletRequest request) {
    HttpSession session = request.getSession();
    String browser = request.getHeader("User-Agent");
    session.setAttribute(ADDRESS, request.getRemoteAddr());
    session.setAttribute(
        BROWSER,
        browser == null ? "" : browser.substring(0, Math.min(LONGEST_BROWSER, browser.length())));
  }

  /** All sessions of a keeper, the latest used first. */
  public List<OpenSession> of(String name, String present) {
    return repository.findByPrincipalName(name).values().stream()
        .filter(session -> !session.isExpired())
        .map(
            session ->
                new OpenSession(
                    told(session.getId()),
                    session.getCreationTime(),
                    session.getLastAccessedTime(),
                    session.getAttributeOrDefault(ADDRESS, ""),
                    session.getAttributeOrDefault(BROWSER, ""),
                    session.getId().equals(present)))
        .sorted(Comparator.comparing(OpenSession::lastUsed).reversed())
        .toList();
  }

  /**
   * Ends one session of a keeper.
   *
   * @throws Refused when there is none of that id
   */
  public void end(String name, String id) {
    String secret =
        repository.findByPrincipalName(name).keySet().stream()
            .filter(one -> told(one).equals(id))
            .findFirst()
            .orElseThrow(() -> Refused.notFound("session"));
    repository.deleteById(secret);
  }

  /** Ends all sessions of a keeper but one. */
  public void endAll(String name, String except) {
    repository.findByPrincipalName(name).keySet().stream()
        .filter(id -> !id.equals(except))
        .forEach(repository::deleteById);
  }

  private static String told(String secret) {
    return Hashes.sha256(secret);
  }
}
