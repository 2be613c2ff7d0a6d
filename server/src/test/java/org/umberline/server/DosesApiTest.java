package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class DosesApiTest {
  private Browser keeper;
  private String doses;
  private String tank;

  @BeforeEach
  void aTank(Running server) {
    keeper = server.browser().asNewKeeper();
    tank = keeper.newTank();
    doses = "/api/tanks/" + tank + "/doses";
  }

  private JsonNode raise(String what, double from, double to, String with) {
    return keeper
        .post(
            doses + "/raise",
            """
            {"what": "%s", "from": %s, "to": %s, "with": "%s"}"""
                .formatted(what, from, to, with))
        .json();
  }

  private static String words(JsonNode said) {
    StringBuilder text = new StringBuilder();
    for (JsonNode part : said) {
      text.append(
          part.path("text").isString()
              ? part.path("text").asString()
              : part.path("value").asDouble() + " " + part.path("unit").asString());
    }
    return text.toString();
  }

  @Test
  void whatTheWaterHoldsIsKnownBeforeItIsAsked() {
    keeper.note(tank, "kh 5");
    JsonNode known = keeper.get(doses).json();
    JsonNode nitrate = known.at("/raise/0");
    assertThat(nitrate.path("what").asString()).isEqualTo("nitrate");
    assertThat(nitrate.path("now").asDouble()).isBetween(5.0, 60.0);
    assertThat(nitrate.path("stepADay").asDouble()).isEqualTo(5);
    assertThat(known.at("/raise/2/now").asDouble()).isEqualTo(5);
    assertThat(known.at("/raise/2/unit").asString()).isEqualTo("dKH");
  }

  @Test
  void phosphateIsTakenOutAloneAndTapWaterIsConditioned() {
    JsonNode adsorber =
        keeper
            .post(
                doses + "/adsorber",
                """
                {"from": 1, "to": 0.3, "placement": "bag"}""")
            .json();
    assertThat(words(adsorber.path("sentence"))).startsWith("Put in").contains("for a week, then");
    assertThat(adsorber.path("notes").toString()).contains("A bag works a third as fast");
    JsonNode precipitant =
        keeper
            .post(
                doses + "/precipitant",
                """
                {"from": 1.5, "to": 0.3, "mgPerMl": 20}""")
            .json();
    assertThat(words(precipitant.path("sentence"))).isEqualTo("Give 2.0 mL a day for 3 days.");
    JsonNode conditioner =
        keeper
            .post(
                doses + "/conditioner",
                """
                {"litres": 25, "mlPer100L": 30}""")
            .json();
    assertThat(words(conditioner.path("sentence"))).isEqualTo("Stir in 7.5 mL of conditioner.");
    JsonNode low =
        keeper
            .post(
                doses + "/adsorber",
                """
                {"from": 1, "to": 0, "placement": "reactor"}""")
            .json();
    assertThat(low.path("refused").asBoolean()).isTrue();
    assertThat(
            keeper
                .post(
                    doses + "/adsorber",
                    """
                    {"from": 1, "to": 0.3, "placement": "bucket"}""")
                .json()
                .at("/fields/0/field")
                .asString())
        .isEqualTo("placement");
  }

  @Test
  void aDoseADayIsWorkedOutForThisTanksWater() {
    JsonNode dose = raise("alkalinity", 5, 7, "sodium-bicarbonate");
    assertThat(dose.path("refused").asBoolean()).isFalse();
    // 100 L by 1 dKH: 100 / 33.38 g
    assertThat(words(dose.path("sentence")))
        .isEqualTo("Give 3.0 g of sodium bicarbonate a day for 2 days.");
    assertThat(dose.path("steps")).hasSize(2);
    assertThat(dose.at("/steps/1/reaches").asDouble()).isEqualTo(7);
    assertThat(dose.path("cautions")).isNotEmpty();
  }

  /** A salt that was noted is in the water: the next day's dose is worked out from there. */
  @Test
  void aDoseIsNotedFromWhereItStandsAndCounted() {
    keeper.note(tank, "kh 5");
    JsonNode dose = raise("alkalinity", 5, 7, "sodium-bicarbonate");
    assertThat(dose.path("line").asString()).isEqualTo("added sodium-bicarbonate # g");
    keeper.note(tank, dose.path("line").asString().replace("#", "3"));
    assertThat(keeper.get(doses).json().at("/raise/2/now").asDouble())
        .as("3 g bring 100.1 dKH litres to 100 L")
        .isEqualTo(6, within(0.01));
    assertThat(keeper.get("/api/tanks/" + tank + "/minerals").json().toString())
        .contains("Salts you noted since bring it to about");
  }

  @Test
  void hardnessIsRaisedByBothItsIons() {
    assertThat(keeper.get(doses).json().at("/raise/3/what").asString()).isEqualTo("hardness");
    JsonNode dose = raise("hardness", 3, 4, "calcium-chloride");
    assertThat(words(dose.path("sentence")))
        .isEqualTo("Give 2.6 g of calcium chloride (2 H2O) once.");
    assertThat(dose.path("notes").toString()).contains("magnesium sulfate");
  }

  @Test
  void aCarbonLadderThatIsNotedGoesOn() {
    String spirit = "{\"source\": \"ethanol-40\"}";
    JsonNode first = keeper.post(doses + "/carbon", spirit).json();
    keeper.note(tank, first.path("line").asString().replace("#", "0.1"));
    assertThat(words(keeper.post(doses + "/carbon", spirit).json().path("sentence")))
        .startsWith("Begun on");
  }

  @Test
  void whatGoesTooFarIsRefusedWithItsReasonAndWhatIsUnknownAtItsField() {
    JsonNode dose = raise("nitrate", 5, 60, "potassium-nitrate");
    assertThat(dose.path("refused").asBoolean()).isTrue();
    assertThat(words(dose.path("sentence"))).contains("your own upper limit, 40.0 mg/L NO3");
    assertThat(dose.path("steps")).isEmpty();
    assertThat(raise("nitrate", 5, 10, "sodium-bicarbonate").at("/fields/0/field").asString())
        .isEqualTo("with");
    assertThat(raise("pH", 5, 10, "potassium-nitrate").at("/fields/0/field").asString())
        .isEqualTo("what");
  }

  @Test
  void noCarbonWhileAnimalsGasp() {
    String carbon = doses + "/carbon";
    String ethanol = "{\"source\": \"ethanol-40\"}";
    assertThat(keeper.post(carbon, ethanol).json().path("steps")).isNotEmpty();
    keeper.note(tank, "saw gasping 2");
    JsonNode refused = keeper.post(carbon, ethanol).json();
    assertThat(refused.path("refused").asBoolean()).isTrue();
    assertThat(words(refused.path("sentence"))).contains("gasp");
  }
}
