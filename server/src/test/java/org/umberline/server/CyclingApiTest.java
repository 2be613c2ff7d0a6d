package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class CyclingApiTest {
  private static String newTank(Browser keeper, int daysOld) {
    String id = UUID.randomUUID().toString();
    Browser.Answer taken =
        keeper.takeIn(
            id,
            """
            {"format": "umberline-tank", "version": 1,
             "tank": {"name": "Fresh start", "water": "freshwater", "netVolumeL": 100,
               "startedOn": "%s", "timeZone": "UTC"},
             "foods": [{"id": "flake", "name": "Flake", "form": "dry"}]}"""
                .formatted(LocalDate.now().minusDays(daysOld)));
    assertThat(taken.status()).isEqualTo(201);
    return id;
  }

  @Test
  void theGuideFollowsTheTests(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    String tank = newTank(keeper, 12);
    String path = "/api/tanks/" + tank + "/cycling";
    JsonNode untested = keeper.get(path).json();
    assertThat(untested.path("step").asInt()).isZero();
    assertThat(untested.toString())
        .contains("never tested", "Change no water", "pure ammonium chloride", "of Flake rot");
    assertThat(untested.path("stocking")).isEmpty();

    keeper.note(tank, "ammonia 2 nitrite 0");
    JsonNode risen = keeper.get(path + "?massG=0.5").json();
    assertThat(risen.path("step").asInt()).isEqualTo(1);
    assertThat(risen.path("massG").asDouble()).isEqualTo(0.5);
    assertThat(risen.at("/readings/0/ammonia").asDouble()).isEqualTo(2);
    assertThat(risen.toString()).doesNotContain("pure ammonium chloride");
    assertThat(keeper.get(path + "?massG=0").status()).isEqualTo(400);
  }

  @Test
  void anOldTankHasNone(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    assertThat(keeper.get("/api/tanks/" + newTank(keeper, 200) + "/cycling").status())
        .isEqualTo(404);
  }
}
