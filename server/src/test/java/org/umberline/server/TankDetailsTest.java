package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.awaitility.Awaitility.await;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.server.Browser.Answer;
import org.umberline.server.RunningServer.Running;
import org.umberline.server.learning.Posteriors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What stands behind a tank's answer, and what can be tried of it. */
@ExtendWith(RunningServer.class)
class TankDetailsTest {
  private Running server;
  private Browser keeper;
  private String tank;

  @BeforeEach
  void take(Running running) {
    server = running;
    keeper = running.browser().asNewKeeper();
    tank = keeper.newTank();
  }

  private JsonNode get(String path) {
    Browser.Answer answer = keeper.get("/api/tanks/" + tank + path);
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    return answer.json();
  }

  private static double sum(JsonNode lines) {
    double sum = 0;
    for (JsonNode line : lines) {
      sum += line.at("/perDay/mean").asDouble();
    }
    return sum;
  }

  @Test
  void theLedgerClosesAndItsFoodCanBeTried() {
    keeper.note(tank, "change 30% yesterday 12:00");
    JsonNode nitrogen = get("/ledger").path("nitrogen");
    double open =
        sum(nitrogen.path("in"))
            - sum(nitrogen.path("out"))
            + nitrogen.at("/unexplained/mean").asDouble()
            - sum(nitrogen.path("held"));
    // each line is rounded to four digits
    assertThat(open).isCloseTo(0, within(0.01 * sum(nitrogen.path("in"))));
    JsonNode food = nitrogen.path("in").get(0);
    assertThat(food.path("key").asString()).isEqualTo("food:flake");
    assertThat(food.at("/tries/0/kind").asString()).isEqualTo("FEED");
    assertThat(food.path("sum").size()).isGreaterThan(3);
  }

  private JsonNode whatIf(String tries) {
    Browser.Answer answer =
        keeper.post(
            "/api/tanks/" + tank + "/what-if",
            "{\"solve\": \"NOTHING\", \"tries\": [" + tries + "]}");
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    return answer.json();
  }

  @Test
  void halfTheRationClimbsLessAndSavesNothing() {
    long calibrated = server.beans().getBean(Posteriors.class).computed();
    JsonNode usual = whatIf("");
    JsonNode half = whatIf("{\"kind\": \"FEED\", \"id\": \"flake\", \"amount\": 0.5}");
    assertThat(half.at("/measures/nitratePeakMgL").asDouble())
        .isLessThan(usual.at("/measures/nitratePeakMgL").asDouble() * 0.9);
    assertThat(server.beans().getBean(Posteriors.class).computed())
        .isLessThanOrEqualTo(calibrated + 1);
    assertThat(get("/make-up").path("version").asInt()).isZero();
  }

  @ParameterizedTest
  @CsvSource({"FEED, krill, 1", "FEED, flake, 9", "HARVEST, moss, 5", "CHANGE_WATER, sea, 1"})
  void whatTheTankHasNotOrCannotBeIsRefused(String kind, String id, double amount) {
    Browser.Answer answer =
        keeper.post(
            "/api/tanks/" + tank + "/what-if",
            "{\"solve\": \"NOTHING\", \"tries\": [{\"kind\": \"%s\", \"id\": \"%s\", \"amount\": %s}]}"
                .formatted(kind, id, amount));
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().at("/fields/0/field").asString()).isEqualTo("tries");
  }

  @Test
  void aWhatIfIsKeptComparedAndDiscarded() {
    String id = UUID.randomUUID().toString();
    String body =
        """
        {"name": "Half the food", "tried": {"solve": "NOTHING", "fraction": 0.1, "everyDays": 7,
         "nextOn": "2026-11-26", "tries": [{"kind": "FEED", "id": "flake", "amount": 0.5}]}}""";
    String path = "/api/tanks/" + tank + "/what-ifs";
    JsonNode kept = keeper.put(path + "/" + id, body).json();
    assertThat(keeper.put(path + "/" + id, body).json().path("saved").size()).isEqualTo(1);
    assertThat(kept.at("/saved/0/name").asString()).isEqualTo("Half the food");
    assertThat(kept.at("/saved/0/measures/nitratePeakMgL").asDouble())
        .isLessThan(kept.at("/leftAlone/nitratePeakMgL").asDouble());
    assertThat(kept.at("/saved/0/measures/litresPer28Days").asDouble()).isEqualTo(40);
    for (int more = 0; more < 2; more++) {
      keeper.put(path + "/" + UUID.randomUUID(), body);
    }
    assertThat(keeper.put(path + "/" + UUID.randomUUID(), body).status()).isEqualTo(409);
    assertThat(keeper.delete(path + "/" + id).json().path("saved").size()).isEqualTo(2);
  }

  @Test
  void theWorkingOfLitresIsShareTimesVolume() {
    keeper.note(tank, "no3 40");
    JsonNode working = get("/working");
    JsonNode litres =
        working
            .path("numbers")
            .valueStream()
            .filter(number -> number.path("topic").asString().equals("litres"))
            .findFirst()
            .orElseThrow();
    double share = litres.at("/terms/0/value").asDouble() / 100;
    double volume = litres.at("/terms/1/value").asDouble();
    assertThat(litres.at("/result/value").asDouble()).isEqualTo(share * volume, within(0.05));
    assertThat(working.path("numbers").size()).isGreaterThan(3);
    assertThat(working.path("learned").size()).isGreaterThan(3);
    assertThat(working.at("/entries/0/count").asInt()).isEqualTo(2);
  }

  @Test
  void aTrackRecordTellsHowFarItIsAndCanBeGivenUp() throws InterruptedException {
    for (int daysAgo = 60; daysAgo > 3; daysAgo -= 8) {
      keeper.note(tank, "no3 %d 2026-%s 10:00".formatted(20, day(daysAgo)));
    }
    assertThat(get("/track-record").path("state").asString()).isEqualTo("working");
    assertThat(keeper.delete("/api/tanks/" + tank + "/track-record").status()).isEqualTo(204);
    JsonNode record =
        await()
            .atMost(Duration.ofSeconds(30))
            .until(
                () -> get("/track-record"),
                now -> {
                  assertThat(now.path("share").asDouble()).isBetween(0.0, 1.0);
                  return !now.path("state").asString().equals("working");
                });
    assertThat(record.path("state").asString()).isEqualTo("ready");
    assertThat(record.at("/scores/0/tests").asInt()).isGreaterThan(2);
    JsonNode forecast = record.at("/forecasts/0");
    assertThat(forecast.path("p10").asDouble())
        .isLessThanOrEqualTo(forecast.path("p90").asDouble());
  }

  private static String day(int daysAgo) {
    return java.time.LocalDate.of(2026, 11, 25).minusDays(daysAgo).toString().substring(5);
  }

  @Test
  void whatWasForecastThenIsAskedForADayOfTheLog() {
    JsonNode then = get("/then?asOf=2026-11-10");
    assertThat(then.path("nitrate").size()).isEqualTo(15);
    assertThat(then.at("/nitrate/14/on").asString()).isEqualTo("2026-11-25");
    assertThat(keeper.get("/api/tanks/" + tank + "/then?asOf=2026-12-24").status()).isEqualTo(400);
    assertThat(keeper.get("/api/tanks/" + tank + "/then?asOf=yesterday").status()).isEqualTo(400);
  }

  @Test
  void theMakeUpSaysAtOnceWhatAnEntryDoes() {
    JsonNode makeUp = get("/make-up");
    assertThat(makeUp.path("file").asString()).doesNotContain("\"log\"");
    JsonNode before = effect(makeUp.path("file").asString());
    JsonNode after =
        effect(
            makeUp.path("file").asString().replace("\"gramsPerFeed\":0.3", "\"gramsPerFeed\":0.9"));
    assertThat(paper(after)).isCloseTo(3 * paper(before), within(0.01));
    assertThat(get("/make-up").path("version").asInt()).as("nothing is kept").isZero();
  }

  private static double paper(JsonNode effect) {
    assertThat(effect.at("/paper/0/kind").asString()).isEqualTo("feeding");
    return effect.at("/paper/0/nitrogenMgPerDay").asDouble();
  }

  private JsonNode effect(String file) {
    Browser.Answer answer =
        keeper.post("/api/tanks/" + tank + "/make-up/effect", body("file", file));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    return answer.json();
  }

  private static String body(String name, Object value) {
    return JsonMapper.shared().writeValueAsString(java.util.Map.of(name, value));
  }

  @Test
  void aMakeUpIsKeptWholeOrNotAtAllAndTheLogStays() {
    String file = get("/make-up").path("file").asString();
    String path = "/api/tanks/" + tank + "/make-up";
    Browser.Answer bad =
        keeper.put(
            path, change(0, file.replaceFirst("\"netVolumeL\":100[.0]*", "\"netVolumeL\":-4")));
    assertThat(bad.status()).isEqualTo(400);
    assertThat(bad.json().at("/fields/0/field").asString()).isEqualTo("/tank/netVolumeL");
    Browser.Answer gone =
        keeper.put(path, change(0, file.replace("\"id\":\"card\"", "\"id\":\"c2\"")));
    assertThat(gone.status()).as("the log names the kit").isEqualTo(400);
    assertThat(gone.json().at("/fields/0/field").asString()).startsWith("/log/0");
    Browser.Answer good =
        keeper.put(
            path, change(0, file.replaceFirst("\"netVolumeL\":100[.0]*", "\"netVolumeL\":120")));
    assertThat(good.status()).as(good.raw().body()).isEqualTo(200);
    assertThat(get("/balance").at("/tank/netVolumeL").asDouble()).isEqualTo(120);
    assertThat(get("/past").at("/nitrate/tests").size()).isEqualTo(1);
    assertThat(keeper.put(path, change(0, file)).status()).as("stale").isEqualTo(409);
  }

  private static String change(int version, String file) {
    return JsonMapper.shared()
        .writeValueAsString(java.util.Map.of("version", version, "file", file));
  }

  @Test
  void thePosteriorIsDroppedExactlyWhenTheTankChanged() {
    Posteriors posteriors = server.beans().getBean(Posteriors.class);
    get("/balance");
    long computed = posteriors.computed();
    get("/balance");
    get("/ledger");
    whatIf("{\"kind\": \"FEED\", \"id\": \"flake\", \"amount\": 0.5}");
    keeper.put("/api/tanks/" + tank + "/site", "{\"site\": \"Attic\"}");
    get("/balance");
    assertThat(posteriors.computed()).as("read, tried, moved").isEqualTo(computed);
    String line = keeper.note(tank, "no3 20 today 9:07").json().path("id").asString();
    get("/balance");
    assertThat(posteriors.computed()).as("a test").isEqualTo(computed + 1);
    keeper.put("/api/tanks/" + tank + "/log/" + line + "/withdrawn", "{\"withdrawn\": true}");
    get("/balance");
    assertThat(posteriors.computed()).as("the tank of before").isEqualTo(computed + 1);
    assertThat(get("/past").at("/nitrate/tests").size()).isEqualTo(1);
  }

  @Test
  void roundsSayWhereATankStandsAndWhatIsDue() {
    keeper.put("/api/tanks/" + tank + "/site", "{\"site\": \"Attic\"}");
    JsonNode line = keeper.get("/api/rounds").json().get(0);
    assertThat(line.path("site").asString()).isEqualTo("Attic");
    assertThat(line.at("/due/0/work").asString()).isEqualTo("test:nitrate");
    assertThat(line.at("/due/0/lateDays").asInt()).isEqualTo(10);
  }

  @Test
  void unitsAreKeptWithTheKeeper() {
    assertThat(keeper.get("/api/start").json().at("/units/chosen").asString()).isEqualTo("{}");
    String chosen = "{\"volume\": \"US gal\"}";
    assertThat(keeper.put("/api/units", body("chosen", chosen)).status()).isEqualTo(204);
    JsonNode units = keeper.get("/api/start").json().path("units");
    assertThat(units.path("chosen").asString()).isEqualTo(chosen);
    assertThat(keeper.put("/api/units", body("chosen", "gallons")).status()).isEqualTo(400);
    // sea water of 35 ppt at 25 °C: 1023.34 over 997.05 kg/m³ (EOS-80)
    assertThat(units.at("/gravity/35/1").asDouble()).isCloseTo(1.02637, within(1e-4));
  }

  @Test
  void aTankIsLookedAtBeforeItIsKept() {
    String told =
        """
        {"name": "Thought of", "litres": 60, "keeping": "fish-only",
         "animals": [{"size": "small fish", "count": 8}], "portion": "a pinch of flakes",
         "helpings": 2, "feedsPerWeek": 7, "cleaners": ["a sponge filter"], "changedPercent": %s,
         "everyDays": 7, "changeWater": "%s", "timeZone": "Europe/London"}
        """;
    int before = keeper.get("/api/tanks").json().size();
    JsonNode never =
        keeper.post("/api/new-tank", told.formatted(0, "rain or filtered water")).json();
    JsonNode weekly =
        keeper.post("/api/new-tank", told.formatted(40, "rain or filtered water")).json();
    assertThat(last(never)).isGreaterThan(2 * last(weekly));
    assertThat(never.at("/preview/lines/nitrate/ceilingMgL").asDouble()).isEqualTo(40);
    assertThat(never.at("/preview/probabilityWithinLines").asDouble())
        .isLessThan(weekly.at("/preview/probabilityWithinLines").asDouble());
    assertThat(weekly.path("file").asString()).contains("\"fraction\":0.4");
    assertThat(keeper.get("/api/tanks").json().size()).isEqualTo(before);
    Answer refused = keeper.post("/api/new-tank", told.formatted(0, "lemonade"));
    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.json().path("detail").asString()).contains("lemonade").contains("tap water");
    Answer empty = keeper.post("/api/new-tank", told.formatted(0, "tap water").replace("60", "0"));
    assertThat(empty.status()).isEqualTo(400);
    assertThat(empty.json().at("/fields/0/field").asString()).isEqualTo("litres");
  }

  private static double last(JsonNode preview) {
    JsonNode days = preview.at("/preview/nitrate/days");
    return days.path(days.size() - 1).path("p50").asDouble();
  }

  @Test
  void smallSumsOfTheMakeUp() {
    assertThat(
            keeper
                .post(
                    "/api/volume/box",
                    "{\"lengthCm\": 100, \"widthCm\": 40, \"waterHeightCm\": 45,"
                        + " \"displacedShare\": 0.1, \"sumpL\": 20}")
                .json()
                .path("value")
                .asDouble())
        .isEqualTo(182);
    assertThat(
            keeper
                .post("/api/volume/marker", "{\"mg\": 1, \"beforeMgL\": 5, \"afterMgL\": 5}")
                .status())
        .isEqualTo(400);
    assertThat(
            keeper
                .post("/api/mass", "{\"shape\": \"usual\", \"lengthCm\": 10}")
                .json()
                .path("value")
                .asDouble())
        .isEqualTo(12);
    assertThat(keeper.post("/api/mass", "{\"shape\": \"cube\", \"lengthCm\": 10}").status())
        .isEqualTo(400);
    assertThat(keeper.get("/api/lists").json().path("ways").size()).isEqualTo(12);
  }

  @Test
  void aCoKeeperSeesAndWritesInOneTankOnly() {
    Browser tarn = server.browser();
    tarn.form("/api/demo-sign-in", "name", "tarn");
    tarn.get("/api/session");
    JsonNode rounds = tarn.get("/api/rounds").json();
    List<String> names = new ArrayList<>();
    rounds.forEach(line -> names.add(line.at("/tank/name").asString()));
    assertThat(names).containsExactly("Stillwater");
    String shared = rounds.get(0).at("/tank/id").asString();
    Browser.Answer noted = tarn.note(shared, "note seen by a second pair of eyes");
    assertThat(noted.status()).as(noted.raw().body()).isEqualTo(200);
    tarn.put(
        "/api/tanks/" + shared + "/log/" + noted.json().path("id").asString() + "/withdrawn",
        "{\"withdrawn\": true}");
    for (JsonNode line : server.browser().asWren().get("/api/rounds").json()) {
      if (!line.at("/tank/name").asString().equals("Stillwater")) {
        String other = line.at("/tank/id").asString();
        assertThat(tarn.get("/api/tanks/" + other + "/balance").status()).isEqualTo(404);
        assertThat(tarn.note(other, "note not mine").status()).isEqualTo(404);
      }
    }
  }

  @Test
  void tooMuchCarbonIsWarnedOfOnEveryPage() {
    String file =
        Browser.SMALL_TANK.replace(
            "\"kits\"",
            """
            "exports": [{"id": "spirit", "kind": "carbon-dose", "source": "ethanol-40",
              "mlPerDay": 20, "from": "2026-10-01"}], "kits\"""");
    JsonNode typed = effect(file).path("warnings");
    assertThat(typed).hasSize(1);
    tank = UUID.randomUUID().toString();
    assertThat(keeper.takeIn(tank, file).status()).isEqualTo(201);
    JsonNode balance = get("/balance").at("/today");
    assertThat(balance.path("warnings")).isEqualTo(typed);
    assertThat(balance.path("reasons").toString()).doesNotContain("CARBON");
    for (JsonNode line : keeper.get("/api/rounds").json()) {
      boolean own = line.at("/tank/id").asString().equals(tank);
      assertThat(line.path("warnings")).hasSize(own ? 1 : 0);
    }
  }
}
