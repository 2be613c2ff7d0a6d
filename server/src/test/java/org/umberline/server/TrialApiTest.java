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
  void aTrialIsSetBesideAnotherTank(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    String tank = keeper.newTank();
    String other = keeper.newTank();
    String beside = "/api/tanks/" + tank + "/trials/beside";
    keeper.note(tank, "trial \"less light\" no3 14 days 2 weeks ago");
    JsonNode trial = keeper.get("/api/tanks/" + tank + "/trials").json().at("/trials/0");
    String asked =
        "{\"begun\": \"%s\", \"what\": \"%s\", \"tank\": \"%s\"}"
            .formatted(trial.path("begun").asString(), trial.path("what").asString(), "%s");
    assertThat(keeper.post(beside, asked.formatted(other)).raw().body()).contains("tells yet");
    keeper.note(tank, "no3 20 yesterday");
    assertThat(keeper.post(beside, asked.formatted(other)).raw().body()).contains("Can't tell");
    keeper.note(other, "no3 20 yesterday");
    assertThat(keeper.post(beside, asked.formatted(other)).raw().body()).contains("foreseen");
    assertThat(keeper.post(beside, asked.formatted(tank)).json().at("/fields/0/field").asString())
        .isEqualTo("tank");
    assertThat(
            keeper
                .post(beside, asked.formatted(other).replace("less light", "more light"))
                .json()
                .at("/fields/0/field")
                .asString())
        .isEqualTo("what");
    String strangers = server.browser().asNewKeeper().newTank();
    assertThat(keeper.post(beside, asked.formatted(strangers)).status()).isEqualTo(404);
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
