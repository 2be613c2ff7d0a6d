package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

/** Recurring work, the run sheet of a change, being away, and the calendar. */
@ExtendWith(RunningServer.class)
class UpkeepTest {
  private static final LocalDate TODAY = LocalDate.parse("2026-11-25");
  private static final String TANK =
      Browser.SMALL_TANK
          .replace(
              "\"kits\":",
              """
              "exports": [{"id": "sponge", "kind": "mechanical", "captureFractionPerDay": 0.3}],
              "routine": {"waterChange": {"fraction": 0.25, "everyDays": 7,
                "nextOn": "2026-11-28"}},
              "kits":""")
          .replace("\"netVolumeL\"", "\"stance\": \"fixed-routine\", \"netVolumeL\"")
          .replace("\"gramsPerFeed\": 0.3", "\"gramsPerFeed\": 0.05");
  private Running server;
  private Browser keeper;
  private String tank;
  private String path;

  @BeforeEach
  void take(Running running) {
    server = running;
    keeper = running.browser().asNewKeeper();
    tank = UUID.randomUUID().toString();
    assertThat(keeper.takeIn(tank, TANK).status()).isEqualTo(201);
    path = "/api/tanks/" + tank;
  }

  private JsonNode upkeep() {
    Browser.Answer answer = keeper.get("/api/upkeep");
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    return answer.json().path("tanks").get(0);
  }

  private List<LocalDate> days(String work) {
    List<LocalDate> days = new ArrayList<>();
    for (JsonNode one : upkeep().path("occurrences")) {
      if (one.path("work").asString().equals(work)) {
        days.add(LocalDate.parse(one.path("on").asString()));
      }
    }
    return days;
  }

  @Test
  void workIsLaidOutAndNotedAsDone() {
    assertThat(days("change")).startsWith(LocalDate.parse("2026-11-28"));
    assertThat(days("clean:sponge"))
        .as("a month after the log begins")
        .first()
        .isEqualTo(LocalDate.parse("2026-12-01"));
    keeper.note(tank, "cleaned \"sponge\"");
    assertThat(days("clean:sponge").get(0)).isAfter(TODAY.plusDays(25));
    assertThat(keeper.get("/api/rounds").json().get(0).path("due").toString())
        .doesNotContain("sponge");
  }

  @Test
  void aMoveTooNearAChangeIsRefusedWithTheNearestDayAndAnotherIsKept() {
    String work = path + "/upkeep/clean:sponge";
    int version = upkeep().path("careVersion").asInt();
    Browser.Answer refused =
        keeper.put(work, "{\"version\": %d, \"nextOn\": \"2026-11-29\"}".formatted(version));
    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.json().at("/fields/0/allowed").asString()).contains("2026-12-01");
    assertThat(
            keeper
                .put(work, "{\"version\": %d, \"nextOn\": \"2026-12-01\"}".formatted(version))
                .status())
        .isEqualTo(204);
    assertThat(days("clean:sponge")).startsWith(LocalDate.parse("2026-12-01"));
    assertThat(keeper.put(work, "{\"version\": %d, \"everyDays\": 9}".formatted(version)).status())
        .as("the version is old")
        .isEqualTo(409);
  }

  @Test
  void movingTheChangeMovesTheRoutine() {
    Browser.Answer moved =
        keeper.put(path + "/upkeep/change", "{\"version\": 0, \"nextOn\": \"2026-11-27\"}");
    assertThat(moved.status()).isEqualTo(204);
    assertThat(days("change"))
        .startsWith(LocalDate.parse("2026-11-27"), LocalDate.parse("2026-12-04"));
  }

  @Test
  void whoChangesByNeedHasTheDaysOfTheAdvice() {
    String other = UUID.randomUUID().toString();
    assertThat(keeper.takeIn(other, TANK.replace("fixed-routine", "by-need")).status())
        .isEqualTo(201);
    Browser.Answer moved =
        keeper.put(
            "/api/tanks/" + other + "/upkeep/change",
            "{\"version\": 0, \"nextOn\": \"2026-11-27\"}");
    assertThat(moved.status()).isIn(400, 404);
    for (JsonNode one : keeper.get("/api/upkeep").json().path("tanks")) {
      boolean fixed = one.path("id").asString().equals(tank);
      assertThat(one.path("works"))
          .filteredOn(work -> work.path("kind").asString().equals("CHANGE"))
          .allMatch(work -> work.path("movable").asBoolean() == fixed);
      assertThat(one.path("works"))
          .filteredOn(work -> !work.path("kind").asString().equals("CHANGE"))
          .isNotEmpty()
          .allMatch(work -> work.path("movable").asBoolean());
    }
  }

  @Test
  void aLevelIsReachedByOneChangeOrAFew() {
    JsonNode once = keeper.get(path + "/one-off?nutrient=nitrate&to=5").json();
    assertThat(once.path("nowMgL").asDouble()).isPositive();
    assertThat(once.has("bestReachableMgL")).isTrue();
    assertThat(keeper.get(path + "/one-off?nutrient=salt&to=5").status()).isEqualTo(400);
    assertThat(keeper.get(path + "/one-off?nutrient=nitrate&to=-1").status()).isEqualTo(400);
  }

  private static final String CARE =
      """
      {"version": 0, "bucketLitres": 10, "conditionerMlPer100L": 20, "chloramineMgL": 1,
       "hotC": 60, "coldC": 10, "devices": ["heater", "filter"], "filterDaysFromChange": 3,
       "tasks": ["floss"], "ownTasks": [], "shelf": [{"kit": "card", "expiresOn": "2027-03-01", "testsLeft": 12}]}
      """;

  @Test
  void theRunSheetFollowsHowTheTankIsCaredFor() {
    assertThat(keeper.put(path + "/care", CARE).status()).isEqualTo(200);
    JsonNode sheet = keeper.get(path + "/run-sheet?fraction=0.25").json();
    String steps = sheet.path("steps").toString();
    assertThat(steps)
        .contains("2 full buckets and one of ")
        .contains("of conditioner, by the strength")
        .contains("hot with")
        .contains("Unplug the heater")
        .contains("Change the floss tomorrow");
    assertThat(sheet.path("cautions").toString()).contains("by mouth");
    assertThat(sheet.at("/after/0/after").asDouble())
        .isLessThan(sheet.at("/after/0/before").asDouble());
    assertThat(keeper.get(path + "/run-sheet?fraction=0.8").json().path("warnings").toString())
        .contains("largest single change");
    assertThat(keeper.get(path + "/run-sheet?fraction=2").status()).isEqualTo(400);
    assertThat(keeper.note(tank, "change 2 buckets").json().path("understood").get(0).asString())
        .startsWith("Change of 20 L");
  }

  @Test
  void workOfAKeepersOwnIsNotedByItsName() {
    String own =
        CARE.replace("\"ownTasks\": []", "\"ownTasks\": [{\"name\": \"%s\", \"everyDays\": 30}]");
    assertThat(keeper.put(path + "/care", own.formatted("floss")).raw().body())
        .contains("ownTasks", "floss", "a name of its own");
    assertThat(keeper.put(path + "/care", own.formatted("new lamp/tube")).status()).isEqualTo(400);
    assertThat(keeper.put(path + "/care", own.formatted("new lamp")).status()).isEqualTo(200);
    assertThat(keeper.note(tank, "did \"new lamp\"").json().path("understood").toString())
        .contains("Done: new lamp");
    assertThat(days("did:new lamp")).startsWith(TODAY.plusDays(30));
    assertThat(keeper.get(path + "/log").raw().body()).contains("did \\\"new lamp\\\"");
  }

  @Test
  void saltIsWorkedOutFromWhatIsMeasured() {
    String marine = UUID.randomUUID().toString();
    keeper.takeIn(marine, Browser.SMALL_TANK.replace("freshwater", "marine"));
    JsonNode salt =
        keeper
            .post(
                "/api/tanks/" + marine + "/run-sheet/salt", "{\"litres\": 20, \"measuredPpt\": 30}")
            .json();
    // 5 ppt short in 20 L of water that weighs a little over a kilogram a litre
    assertThat(salt.path("saltG").asDouble()).isBetween(100.0, 112.0);
    assertThat(salt.path("pureL").asDouble()).isZero();
  }

  @Test
  void waterThatIsMixedWithSaltAlreadyIsNotThinnedFromTheTap() {
    String marine = UUID.randomUUID().toString();
    keeper.takeIn(
        marine,
        Browser.SMALL_TANK
            .replace("freshwater", "marine")
            .replace("\"phosphateMgL\": 0.1}", "\"phosphateMgL\": 0.1, \"salinityPpt\": 35}"));
    assertThat(keeper.put("/api/tanks/" + marine + "/care", CARE).status()).isEqualTo(200);
    String steps =
        keeper
            .get("/api/tanks/" + marine + "/run-sheet?fraction=0.2")
            .json()
            .path("steps")
            .toString();
    assertThat(steps)
        .contains("never colder")
        .doesNotContain("hot with")
        .doesNotContain("conditioner");
  }

  @Test
  void beingAwayIsWorkedOut() {
    String body = "{\"from\": \"2026-12-01\", \"to\": \"2026-12-14\", \"gramsPerDay\": %s}";
    JsonNode hungry = keeper.post(path + "/absence", body.formatted(0)).json();
    JsonNode stuffed = keeper.post(path + "/absence", body.formatted(0.5)).json();
    assertThat(hungry.path("days").asInt()).isEqualTo(14);
    assertThat(stuffed.at("/without/nitratePeakMgL").asDouble())
        .isGreaterThan(hungry.at("/without/nitratePeakMgL").asDouble());
    assertThat(stuffed.path("shareOfRation").asDouble()).isEqualTo(10);
    assertThat(stuffed.path("testOn").asString()).isEqualTo("2026-12-15");
    JsonNode usual =
        keeper.post(path + "/absence", "{\"from\": \"2026-12-01\", \"to\": \"2026-12-14\"}").json();
    assertThat(usual.path("why").asString()).isEqualTo("LONG");
    assertThat(usual.path("shareOfRation").asDouble()).isBetween(0.3, 0.35);
    assertThat(hungry.path("why").isMissingNode() || hungry.path("why").isNull()).isTrue();
    assertThat(
            keeper
                .post(
                    path + "/absence",
                    "{\"from\": \"2026-11-20\", \"to\": \"2026-12-14\", \"gramsPerDay\": 0}")
                .status())
        .isEqualTo(400);
  }

  @Test
  void theCalendarIsReadAtAPrivateAddressUntilItIsRevoked() {
    String file = keeper.get("/api/upkeep.ics").raw().body();
    assertThat(file)
        .startsWith("BEGIN:VCALENDAR")
        .contains("SUMMARY:Small: Change 25 % (25 L)")
        .contains("DTSTART;VALUE=DATE:20261128");
    String first = keeper.post("/api/calendar", "{}").json().path("address").asString();
    Browser program = server.browser();
    assertThat(program.get(first).raw().body()).startsWith("BEGIN:VCALENDAR");
    String second = keeper.post("/api/calendar", "{}").json().path("address").asString();
    assertThat(program.get(first).status()).isEqualTo(404);
    assertThat(program.get(second).status()).isEqualTo(200);
    assertThat(keeper.delete("/api/calendar").status()).isEqualTo(204);
    assertThat(program.get(second).status()).isEqualTo(404);
    assertThat(keeper.get("/api/calendar").json().has("address")).isFalse();
  }
}
