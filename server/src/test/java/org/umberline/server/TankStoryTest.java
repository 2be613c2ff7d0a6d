package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.server.RunningServer.Running;
import org.umberline.server.learning.Posteriors;
import org.umberline.tankfile.TankFileReader;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class TankStoryTest {
  private Running server;
  private Browser keeper;
  private String tank;

  @BeforeEach
  void take(Running running) {
    server = running;
    keeper = running.browser().asNewKeeper();
    tank = keeper.newTank();
  }

  private JsonNode balance() {
    return keeper.get("/api/tanks/" + tank + "/balance").json();
  }

  private JsonNode past() {
    return keeper.get("/api/tanks/" + tank + "/past").json();
  }

  private int nitrateTests() {
    return past().at("/nitrate/tests").size();
  }

  private static JsonNode tankOf(Browser keeper, String name) {
    for (JsonNode line : keeper.get("/api/rounds").json()) {
      if (line.at("/tank/name").asString().equals(name)) {
        return line;
      }
    }
    throw new AssertionError("no " + name);
  }

  @Test
  void theDemosTankWantsMoreThanItGets() {
    Browser wren = server.browser().asWren();
    JsonNode line = tankOf(wren, "Stillwater");
    String path = "/api/tanks/" + line.at("/tank/id").asString();
    JsonNode stillwater = wren.get(path + "/balance").json();
    assertThat(stillwater.at("/standing/fraction").asDouble()).isEqualTo(0.2);
    assertThat(stillwater.at("/otherWays/ways/0/probabilityWithinLines").asDouble())
        .isLessThan(0.9);
    assertThat(stillwater.at("/shown/holds").asBoolean()).isTrue();
    // Alone the routine is too little: more water, the same oftener, or a larger change first.
    double everyDays = stillwater.at("/shown/routine/everyDays").asDouble();
    double day = stillwater.at("/shown/routine/fraction").asDouble() / everyDays;
    assertThat(day).isGreaterThan(0.2 / 14 - 1e-9);
    assertThat(everyDays != 14 || day > 0.2 / 14 || !stillwater.at("/shown/recovery").isEmpty())
        .isTrue();
    assertThat(stillwater.at("/leftAloneNitrate/likely").asString()).startsWith("2026-1");
    assertThat(wren.get(path + "/past").json().at("/nitrate/tests").size()).isGreaterThan(20);
  }

  @Test
  void aTestAndAChangeAreRecordedAndComeBack() {
    Browser.Answer answer = keeper.note(tank, "no3 40 yesterday 18:00 change 30%");
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    assertThat(answer.json().path("understood")).hasSize(2);
    assertThat(nitrateTests()).isEqualTo(2);
    JsonNode change = past().at("/changes/0");
    assertThat(change.path("fraction").asDouble()).isEqualTo(0.3, within(1e-9));
  }

  @Test
  void theSameLineSentTwiceIsRecordedOnce() {
    String id = UUID.randomUUID().toString();
    String at = RunningServer.NOW.toString();
    assertThat(keeper.note(tank, id, "no3 40", at).json().path("repeated").asBoolean()).isFalse();
    assertThat(keeper.note(tank, id, "no3 40", at).json().path("repeated").asBoolean()).isTrue();
    assertThat(nitrateTests()).isEqualTo(2);
    assertThat(keeper.note(tank, id, "no3 10", at).status()).as("another line").isEqualTo(409);
    assertThat(nitrateTests()).isEqualTo(2);
  }

  @Test
  void aLineIsWithdrawnAndPutBack() {
    String line = keeper.note(tank, "no3 40").json().path("id").asString();
    String path = "/api/tanks/" + tank + "/log/" + line + "/withdrawn";
    assertThat(keeper.put(path, "{\"withdrawn\": true}").status()).isEqualTo(204);
    assertThat(keeper.put(path, "{\"withdrawn\": true}").status()).as("again").isEqualTo(204);
    assertThat(nitrateTests()).isEqualTo(1);
    keeper.put(path, "{\"withdrawn\": false}");
    assertThat(nitrateTests()).isEqualTo(2);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "no3 5000 | can't be right",
        "no3 -3 | can't be right",
        "no3 twenty | needs a number",
        "no3 20 ppb | is no unit of nitrate",
        "no3 20 2027-01-01 | still to come",
        "no3 40 po4 nonsense | needs a number",
        "flub 3 | don't understand"
      })
  void whatCannotBeReadIsRefusedAndNothingIsHalfSaved(String line, String said) {
    Browser.Answer answer = keeper.note(tank, line);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().at("/fields/0/field").asString()).isEqualTo("text");
    assertThat(answer.json().path("detail").asString())
        .contains(said)
        .contains("Nothing was saved");
    assertThat(nitrateTests()).isEqualTo(1);
  }

  @Test
  void twoMegabytesOfTextAreRefusedInASentence() {
    Browser.Answer answer = keeper.note(tank, "x".repeat(2_000_000));
    assertThat(answer.status()).isEqualTo(413);
    assertThat(answer.json().path("detail").asString()).contains("at most 65536");
    Browser.Answer shorter = keeper.note(tank, "x".repeat(600));
    assertThat(shorter.status()).isEqualTo(400);
    assertThat(shorter.json().path("detail").asString()).contains("at most 500 characters");
    assertThat(nitrateTests()).isEqualTo(1);
  }

  @Test
  void anEntryOfTheFutureIsRefusedEvenWhenTheClientSaysSo() {
    Instant later = RunningServer.NOW.plusSeconds(3600);
    Browser.Answer answer =
        keeper.note(tank, UUID.randomUUID().toString(), "no3 20", later.toString());
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().at("/fields/0/field").asString()).isEqualTo("at");
  }

  @Test
  void aRoutineIsAdoptedAndAStaleWriterIsTold() {
    String routine =
        "{\"version\": %d, \"fraction\": 0.3, \"everyDays\": 7, \"nextOn\": \"2026-11-28\"}";
    Browser.Answer adopted = keeper.put("/api/tanks/" + tank + "/routine", routine.formatted(0));
    assertThat(adopted.status()).as(adopted.raw().body()).isEqualTo(200);
    assertThat(adopted.json().at("/tank/version").asInt()).isEqualTo(1);
    assertThat(balance().at("/standing/fraction").asDouble()).isEqualTo(0.3);
    Browser.Answer stale = keeper.put("/api/tanks/" + tank + "/routine", routine.formatted(0));
    assertThat(stale.status()).isEqualTo(409);
    assertThat(stale.json().path("detail").asString())
        .contains("you have version 0, stored is version 1");
  }

  @Test
  void aBadRoutineNamesItsField() {
    Browser.Answer answer =
        keeper.put(
            "/api/tanks/" + tank + "/routine",
            "{\"version\": 0, \"fraction\": 1.5, \"everyDays\": 7, \"nextOn\": \"2026-11-28\"}");
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().at("/fields/0/field").asString()).isEqualTo("fraction");
    assertThat(answer.json().at("/fields/0/found").asString()).isEqualTo("1.5");
    assertThat(answer.json().at("/fields/0/allowed").asString()).isEqualTo("over 0 to 1");
    Browser.Answer unknown =
        keeper.put("/api/tanks/" + tank + "/routine", "{\"version\": 0, \"colour\": 1}");
    assertThat(unknown.json().at("/fields/0/field").asString()).isEqualTo("colour");
    Browser.Answer wrong =
        keeper.put("/api/tanks/" + tank + "/routine", "{\"version\": \"first\"}");
    assertThat(wrong.json().at("/fields/0/field").asString()).isEqualTo("version");
  }

  @Test
  void whatIfFindsTheOtherPartAndSavesNothing() {
    JsonNode before = balance();
    JsonNode daily = whatIf("FRACTION", 0.2, 1);
    JsonNode monthly = whatIf("FRACTION", 0.2, 28);
    assertThat(daily.at("/routine/fraction").asDouble())
        .isLessThan(monthly.at("/routine/fraction").asDouble());
    JsonNode big = whatIf("INTERVAL", 0.5, 7);
    JsonNode small = whatIf("INTERVAL", 0.1, 7);
    assertThat(big.at("/routine/everyDays").asDouble())
        .isGreaterThanOrEqualTo(small.at("/routine/everyDays").asDouble());
    JsonNode pinned = whatIf("NOTHING", 0.01, 28);
    assertThat(pinned.at("/routine/fraction").asDouble()).isEqualTo(0.01);
    assertThat(balance()).isEqualTo(before);
  }

  private JsonNode whatIf(String solve, double fraction, double everyDays) {
    Browser.Answer answer =
        keeper.post(
            "/api/tanks/" + tank + "/what-if",
            "{\"solve\": \"%s\", \"fraction\": %s, \"everyDays\": %s, \"nextOn\": \"2026-11-28\"}"
                .formatted(solve, fraction, everyDays));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    return answer.json();
  }

  /** Volumes in four weeks: what is caught up, and eight changes of a routine of 3.5 days. */
  private static double asked(JsonNode outlook) {
    double sum = 8 * outlook.at("/routine/fraction").asDouble();
    for (JsonNode step : outlook.path("recovery")) {
      sum += step.path("fraction").asDouble();
    }
    return sum;
  }

  @Test
  void aHigherLineAsksForLessWater() {
    String path = "/api/tanks/" + tank + "/lines";
    double before = asked(whatIf("FRACTION", 0.2, 3.5));
    Browser.Answer moved =
        keeper.put(path, "{\"version\": 0, \"nitrate\": {\"ceilingMgL\": 60}, \"phosphate\": {}}");
    assertThat(moved.json().at("/lines/nitrate/ceilingMgL").asDouble()).isEqualTo(60);
    assertThat(asked(whatIf("FRACTION", 0.2, 3.5))).isLessThanOrEqualTo(before);
    assertThat(moved.json().at("/shown/recovery")).as("nothing to catch up any more").isEmpty();
    Browser.Answer crossed =
        keeper.put(
            path,
            "{\"version\": 1, \"nitrate\": {\"floorMgL\": 30, \"ceilingMgL\": 25},"
                + " \"phosphate\": {}}");
    assertThat(crossed.status()).isEqualTo(400);
    assertThat(crossed.json().path("detail").asString()).contains("a floor below the ceiling");
  }

  @Test
  void thePosteriorIsKeptForWhatIfsAndRoutinesAndDroppedForEntries() {
    Posteriors posteriors = server.beans().getBean(Posteriors.class);
    balance();
    long before = posteriors.computed();
    whatIf("FRACTION", 0.2, 7);
    keeper.put(
        "/api/tanks/" + tank + "/routine",
        "{\"version\": 0, \"fraction\": 0.3, \"everyDays\": 7, \"nextOn\": \"2026-11-28\"}");
    balance();
    assertThat(posteriors.computed()).as("a routine is no reason").isEqualTo(before);
    keeper.note(tank, "no3 80 6 h ago");
    balance();
    assertThat(posteriors.computed()).as("a test is one").isEqualTo(before + 1);
  }

  @Test
  void aTankLeavesAsAFileAndComesBackTheSame() throws Exception {
    keeper.note(tank, "no3 40 change 30%");
    String file = keeper.get("/api/tanks/" + tank + "/file").raw().body();
    String copy = UUID.randomUUID().toString();
    assertThat(keeper.takeIn(copy, file).status()).isEqualTo(201);
    assertThat(keeper.takeIn(copy, file).status()).as("again").isEqualTo(201);
    assertThat(keeper.get("/api/rounds").json()).hasSize(2);
    String again = keeper.get("/api/tanks/" + copy + "/file").raw().body();
    assertThat(TankFileReader.read(again).tank()).isEqualTo(TankFileReader.read(file).tank());
  }

  @Test
  void aBrokenFileNamesEveryFaultAndLeavesNothing() {
    String broken =
        Browser.SMALL_TANK
            .replace("\"netVolumeL\": 100", "\"netVolumeL\": -1")
            .replace("\"value\": 20", "\"value\": 5000");
    Browser.Answer answer = keeper.takeIn(UUID.randomUUID().toString(), broken);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().path("fields").toString())
        .contains("/tank/netVolumeL")
        .contains("/log/0/value");
    assertThat(keeper.get("/api/rounds").json()).hasSize(1);
  }
}
