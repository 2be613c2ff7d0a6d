package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class TrialApiTest {
  @Test
  void aTrialIsPlannedBegunAndWaitsForItsTests(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    String tank = keeper.newTank();
    String trials = "/api/tanks/" + tank + "/trials";
    JsonNode before = keeper.get(trials).json();
    assertThat(before.path("trials")).isEmpty();
    assertThat(before.at("/options/0/words").asString()).startsWith("feed 20 % less");

    JsonNode plan =
        keeper
            .post(trials + "/plan", "{\"option\": 0, \"analyte\": \"nitrate\", \"days\": 28}")
            .json();
    assertThat(plan.path("line").asString())
        .startsWith("trial \"Feed 20 % less")
        .contains("no3 28 days expecting")
        .endsWith("less");
    assertThat(plan.path("occasions")).hasSize(6);

    keeper.note(tank, plan.path("line").asString());
    JsonNode begun = keeper.get(trials).json().at("/trials/0");
    assertThat(begun.path("over").asBoolean()).isFalse();
    assertThat(begun.path("verdict").toString()).contains("No test that tells yet.");
  }

  @Test
  void whatIsTriedHasToBeSaid(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    String plan = "/api/tanks/" + keeper.newTank() + "/trials/plan";
    assertThat(keeper.post(plan, "{\"analyte\": \"nitrate\", \"days\": 28}").status())
        .isEqualTo(400);
    assertThat(
            keeper
                .post(plan, "{\"option\": 99, \"analyte\": \"nitrate\", \"days\": 28}")
                .raw()
                .body())
        .contains("option");
    assertThat(
            keeper
                .post(plan, "{\"what\": \"less light\", \"analyte\": \"ph\", \"days\": 28}")
                .status())
        .isEqualTo(400);
    JsonNode own =
        keeper
            .post(plan, "{\"what\": \"less light\", \"analyte\": \"nitrate\", \"days\": 14}")
            .json();
    assertThat(own.path("line").asString()).isEqualTo("trial \"less light\" no3 14 days");
    assertThat(own.path("expected").toString()).contains("the balance doesn't know");
  }
}
