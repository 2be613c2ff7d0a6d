package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class TroubleApiTest {
  private Browser keeper;
  private String trouble;
  private String tank;

  @BeforeEach
  void aTank(Running server) {
    keeper = server.browser().asNewKeeper();
    tank = keeper.newTank();
    trouble = "/api/tanks/" + tank + "/trouble";
  }

  private JsonNode examined(String sign, String looks) {
    return keeper.get(trouble + "/" + sign + "?looks=" + looks).json();
  }

  private static JsonNode candidate(JsonNode examined, String cause) {
    return examined
        .path("candidates")
        .valueStream()
        .filter(one -> one.path("cause").asString().equals(cause))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aSignThatIsNotedStandsUntilItIsGone() {
    assertThat(keeper.get(trouble).json().path("standing")).isEmpty();
    keeper.note(tank, "saw hair-algae 2 on-wood on-leaves yesterday");
    JsonNode standing = keeper.get(trouble).json().at("/standing/0");
    assertThat(standing.path("sign").asString()).isEqualTo("hair-algae");
    assertThat(standing.path("severity").asInt()).isEqualTo(2);
    assertThat(standing.path("looks").valueStream().map(JsonNode::asString))
        .containsExactly("on-leaves", "on-wood");
    keeper.note(tank, "saw hair-algae 0");
    assertThat(keeper.get(trouble).json().path("standing")).isEmpty();
    assertThat(examined("hair-algae", "").path("course")).hasSize(2);
  }

  @Test
  void looksMoveTheChancesAndWaterIsWhatTheAdviceSays() {
    double before =
        candidate(examined("slimy-mat", ""), "dinoflagellates").path("chance").asDouble();
    JsonNode seen = examined("slimy-mat", "many-bubbles");
    assertThat(candidate(seen, "dinoflagellates").path("chance").asDouble()).isGreaterThan(before);
    assertThat(
            seen.path("candidates")
                .valueStream()
                .mapToDouble(c -> c.path("chance").asDouble())
                .sum())
        .isBetween(0.99, 1.01);
    JsonNode load = candidate(examined("hair-algae", ""), "load");
    assertThat(load.path("steps").valueStream().map(step -> step.path("place").asString()))
        .contains("balance");
    assertThat(examined("film-algae", "on-glass").path("harmless").asBoolean()).isTrue();
    assertThat(examined("gasping", "").path("urgent")).isNotEmpty();
  }

  @Test
  void theFirstSignComesExaminedOnceTheAdviceIsKnown() {
    keeper.note(tank, "saw hair-algae 2 on-leaves yesterday");
    JsonNode asked = examined("hair-algae", "on-leaves");
    assertThat(keeper.get(trouble).json().path("first")).isEqualTo(asked);
    keeper.note(tank, "saw hair-algae 0");
    assertThat(keeper.get(trouble).json().has("first")).isFalse();
  }

  @Test
  void aSignIsLookedAtAgainAfterThreeDays() {
    keeper.note(tank, "saw brown-dust 1 4 days ago");
    JsonNode due = keeper.get("/api/rounds").json().at("/0/due/0");
    assertThat(due.path("work").asString()).isEqualTo("look:brown-dust");
    keeper.note(tank, "saw brown-dust 1 wipes-off");
    keeper.note(tank, "saw film-algae 1 4 days ago");
    keeper.note(tank, "saw yellow-water 1 25 days ago");
    assertThat(
            keeper
                .get("/api/rounds")
                .json()
                .at("/0/due")
                .valueStream()
                .map(one -> one.path("work").asString()))
        .noneMatch(work -> work.startsWith("look:"));
  }

  @Test
  void whatIsNoSignIsRefusedAtItsField() {
    assertThat(keeper.get(trouble + "/sneezing").status()).isEqualTo(400);
    Browser.Answer look = keeper.get(trouble + "/hair-algae?looks=upside-down");
    assertThat(look.status()).isEqualTo(400);
    assertThat(look.json().at("/fields/0/field").asString()).isEqualTo("looks");
  }
}
