package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class PracticeApiTest {
  private static final String WEEK =
      """
      {"checks": ["nitrate"], "litres": 25, "filling": "pure", "feeding": 1,
       "adsorber": false, "testedAfter": true}""";

  private static String kept(List<String> weeks, String looked) {
    return "{\"seed\": 4, \"weeks\": [%s], \"looked\": [%s]}"
        .formatted(String.join(",", weeks), looked);
  }

  @Test
  void aTankIsKeptWeekByWeekAndToldOfAfterwards(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    JsonNode offers = keeper.get("/api/practice").json();
    assertThat(offers).hasSize(5);
    assertThat(offers.path(0).toString()).contains("Hallway", "14 tetras").doesNotContain("rich");

    JsonNode first =
        keeper.post("/api/practice/hallway", kept(List.of(), "\"change-water\"")).json();
    assertThat(first.path("found").toString()).contains("The change water: nitrate");
    assertThat(first.has("outcome")).isFalse();

    JsonNode second = keeper.post("/api/practice/hallway", kept(List.of(WEEK), "")).json();
    assertThat(second.path("weeks")).hasSize(1);
    assertThat(second.path("weeks").toString()).contains("After the change", "pure water");
    assertThat(second.toString()).as("nothing is told before the end").doesNotContain("carries");

    JsonNode end =
        keeper.post("/api/practice/hallway", kept(Collections.nCopies(8, WEEK), "")).json();
    assertThat(end.path("outcome").toString())
        .contains("The change water carries", "As good as can be known", "in week 1.");
    assertThat(end.at("/outcome/yourCourse")).hasSize(56);
    assertThat(end.at("/outcome/readings")).hasSize(8);
  }

  @Test
  void whatCannotBeDoneIsRefusedByItsField(Running server) {
    Browser keeper = server.browser().asNewKeeper();
    String big = WEEK.replace("25", "51");
    assertThat(keeper.post("/api/practice/hallway", kept(List.of(WEEK, big), "")).raw().body())
        .contains("weeks[1].litres", "51", "0 to 50 litres");
    assertThat(keeper.post("/api/practice/old-rock", kept(List.of(WEEK), "")).raw().body())
        .contains("weeks[0].filling", "usual");
    assertThat(keeper.post("/api/practice/hallway", kept(List.of(), "\"taste\"")).raw().body())
        .contains("looked", "taste", "nitrate, phosphate");
    assertThat(keeper.post("/api/practice/pond", kept(List.of(), "")).status()).isEqualTo(400);
    assertThat(
            keeper
                .post("/api/practice/hallway", kept(Collections.nCopies(9, WEEK), ""))
                .raw()
                .body())
        .contains("at most 8 weeks");
  }
}
