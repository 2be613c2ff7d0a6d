package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.Browser.Answer;
import org.umberline.server.RunningServer.Running;

/** Nonsense of every kind at every operation: told as such, and nothing is half-saved. */
@ExtendWith(RunningServer.class)
class BadRequestsTest {
  private static final int REQUESTS = Integer.getInteger("bad.requests", 1000);

  @Test
  void noneFailsAndNothingIsHalfSaved(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    String tank = keeper.newTank();
    BadRequests requests = new BadRequests(keeper.get("/api/openapi").json(), tank, 7);
    assertThat(requests.operations()).isGreaterThan(50);
    String file = "/api/tanks/" + tank + "/file";
    String before = keeper.get(file).raw().body();
    List<String> failed = new ArrayList<>();
    int refused = 0;
    for (int n = 0; n < REQUESTS; n++) {
      BadRequests.Request request = requests.next(n);
      Answer answer =
          keeper.write(request.method(), request.path(), request.body(), request.type());
      if (answer.status() >= 500) {
        failed.add(answer.status() + " " + request);
      }
      if (answer.status() >= 400) {
        refused++;
        if (n % 5 == 0) {
          assertThat(keeper.get(file).raw().body()).as(request.toString()).isEqualTo(before);
        }
      } else {
        before = keeper.get(file).raw().body();
      }
    }
    assertThat(failed).isEmpty();
    assertThat(refused).as("most are bad indeed").isGreaterThan(REQUESTS / 2);
  }
}
