package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class MineralsApiTest {
  @Test
  void alkalinityIsReadFromItsTestsAndBroughtToWhatIsWanted(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    String tank = keeper.newTank();
    String minerals = "/api/tanks/" + tank + "/minerals";
    JsonNode before = keeper.get(minerals).json().at("/panels/0");
    assertThat(before.path("term").asString()).isEqualTo("alkalinity");
    assertThat(before.toString()).contains("No test of it in three months");

    keeper.note(tank, "kh 3");
    JsonNode after = keeper.get(minerals + "?alkalinity=6").json().at("/panels/0");
    assertThat(after.path("wanted").asDouble()).isEqualTo(6);
    assertThat(after.toString())
        .contains("A second test, a week later, shows whether it moves.")
        .contains("Under 4 dKH the pH can drop");

    assertThat(keeper.get(minerals + "?alkalinity=600").status()).isEqualTo(400);
  }

  @Test
  void aFilterIsJudgedByWhatGoesInAndComesOut(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    String flow = "/api/tanks/" + keeper.newTank() + "/minerals/flow";
    assertThat(
            keeper
                .post(flow, "{\"nitrateIn\": 60, \"nitrateOut\": 10, \"litresPerHour\": 4}")
                .json()
                .path("sentence")
                .toString())
        .contains("It takes out about");
    assertThat(
            keeper
                .post(flow, "{\"nitrateIn\": 60, \"nitrateOut\": 10, \"litresPerHour\": 0}")
                .raw()
                .body())
        .contains("0.1 to 5000 L an hour");
  }
}
