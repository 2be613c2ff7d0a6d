package org.umberline.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.DefaultApplicationArguments;
import org.umberline.server.Browser;
import org.umberline.server.RunningServer;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

/** A demo that was loaded before, whole or in part, and used since, loads again without a fault. */
@ExtendWith(RunningServer.class)
class DemoDataTest {
  @Test
  void whatIsThereAlreadyStaysAsItIs(Running server) {
    Browser wren = server.browser().asWren();
    JsonNode quarry = null;
    for (JsonNode tank : wren.get("/api/tanks").json()) {
      quarry = tank.path("name").asString().equals("Quarry") ? tank : quarry;
    }
    String care = "/api/tanks/" + quarry.path("id").asString() + "/care";
    int version = wren.get(care).json().path("version").asInt();
    assertThat(
            wren.put(
                    care,
                    "{\"version\": %d, \"devices\": [\"lamp\"], \"filterDaysFromChange\": 3,"
                            .formatted(version)
                        + " \"tasks\": [], \"shelf\": []}")
                .status())
        .isEqualTo(200);
    server.beans().getBean(DemoData.class).run(new DefaultApplicationArguments());
    assertThat(wren.get("/api/tanks").json()).hasSize(5);
    assertThat(wren.get(care).json().path("devices").get(0).asString()).isEqualTo("lamp");
  }
}
