package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;

import jakarta.servlet.FilterChain;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.umberline.server.http.FailureFilter;
import org.umberline.server.http.ProblemWriter;
import org.umberline.server.http.Refused;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(MockitoExtension.class)
class FailureFilterTest {
  @Mock private FilterChain chain;

  private final FailureFilter filter = new FailureFilter(new ProblemWriter(new JsonMapper()));
  private final MockHttpServletResponse response = new MockHttpServletResponse();

  private static MockHttpServletRequest post(String path, int bytes) {
    MockHttpServletRequest request = new MockHttpServletRequest("POST", path);
    request.setServletPath(path);
    request.setContent(new byte[bytes]);
    return request;
  }

  @Test
  void aDatabaseThatIsAwayIsSaidAndIsToBeAskedAgain() throws Exception {
    SQLException away = new SQLTransientConnectionException("no connection within 2 s");
    doThrow(new DataAccessResourceFailureException("session", away))
        .when(chain)
        .doFilter(any(), any());
    filter.doFilter(new MockHttpServletRequest("GET", "/api/rounds"), response, chain);
    assertThat(response.getStatus()).isEqualTo(503);
    assertThat(response.getHeader("Retry-After")).isEqualTo("2");
    assertThat(response.getContentAsString()).contains("The database is away");
  }

  @Test
  void whatAFilterRefusesIsToldAsWhatItIs() throws Exception {
    doThrow(Refused.busy("Too many are signing in at once.")).when(chain).doFilter(any(), any());
    filter.doFilter(new MockHttpServletRequest("POST", "/api/sign-in"), response, chain);
    assertThat(response.getStatus()).isEqualTo(503);
    assertThat(response.getHeader("Retry-After")).isEqualTo("2");
    assertThat(response.getContentAsString()).contains("Too many are signing in at once.");
  }

  @Test
  void anotherFailureIsNotMistakenForIt() throws Exception {
    SQLException duplicate = new SQLException("duplicate", "23000");
    doThrow(new DataAccessResourceFailureException("key", duplicate))
        .when(chain)
        .doFilter(any(), any());
    assertThatThrownBy(
            () ->
                filter.doFilter(new MockHttpServletRequest("GET", "/api/rounds"), response, chain))
        .isInstanceOf(DataAccessResourceFailureException.class);
  }

  @Test
  void aBodyThatIsTooLargeNeverReachesTheApplication() throws Exception {
    filter.doFilter(post("/api/tanks/1/log", 70_000), response, chain);
    assertThat(response.getStatus()).isEqualTo(413);
    assertThat(response.getContentAsString()).contains("70000 bytes; at most 65536");
    verify(chain, never()).doFilter(any(), any());
  }

  @Test
  void aFullDiskIsToldAsWhatItIs() throws Exception {
    SQLException full = new SQLException("The table 'log_line' is full", "HY000", 1114);
    doThrow(new DataAccessResourceFailureException("insert", full))
        .when(chain)
        .doFilter(any(), any());
    filter.doFilter(new MockHttpServletRequest("POST", "/api/tanks/1/log"), response, chain);
    assertThat(response.getStatus()).isEqualTo(507);
    assertThat(response.getContentAsString()).contains("disk of the database is full");
  }

  @Test
  void aQueryThatCannotBeDecodedIsRefused() throws Exception {
    MockHttpServletRequest request = new MockHttpServletRequest("GET", "/api/upkeep");
    request.setQueryString("days=%zz");
    filter.doFilter(request, response, chain);
    assertThat(response.getStatus()).isEqualTo(400);
    verify(chain, never()).doFilter(any(), any());
  }

  @Test
  void aTankFileMayBeLarger() throws Exception {
    filter.doFilter(post("/api/tanks", 70_000), response, chain);
    verify(chain).doFilter(any(), any());
  }
}
