package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.TankModel;
import org.umberline.server.RunningServer.Running;
import org.umberline.tankfile.TankFileReader;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The same tank is judged the same in every place that shows the advice, to the digit. */
@ExtendWith(RunningServer.class)
class OneJudgementTest {
  private static final Workers WORKERS = Workers.ofAllProcessors();
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);

  private Browser keeper;

  @BeforeEach
  void take(Running running) {
    keeper = running.browser().asNewKeeper();
  }

  private static String test(int daysAgo, String analyte, double value) {
    return "{\"at\": \"%sT10:00:00Z\", \"type\": \"test\", \"analyte\": \"%s\", \"value\": %s}"
        .formatted(TODAY.minusDays(daysAgo), analyte, value);
  }

  private static String change(int daysAgo, double litres) {
    return "{\"at\": \"%sT11:00:00Z\", \"type\": \"water-change\", \"litres\": %s}"
        .formatted(TODAY.minusDays(daysAgo), litres);
  }

  private static final String NITRATE_40 = "\"nitrate\": {\"ceilingMgL\": 40}";
  private static final String BOTH =
      NITRATE_40 + ", \"phosphate\": {\"floorMgL\": 0.05, \"ceilingMgL\": 1}";

  private static String tank(String lines, double grams, double tap, String more, String... log) {
    return """
    {"format": "umberline-tank", "version": 1,
     "tank": {"name": "A tank", "water": "freshwater", "netVolumeL": 100,
              "startedOn": "2025-01-01", "timeZone": "Europe/Lisbon"},
     "lines": {%s},
     "waters": [{"id": "tap", "nitrateMgL": %s, "phosphateMgL": 0.1}],
     "changeWater": [{"water": "tap", "share": 1}],
     "foods": [{"id": "flake", "form": "dry"}],
     "feeding": [{"food": "flake", "gramsPerFeed": %s}],
     %s
     "log": [%s]}"""
        .formatted(lines, tap, grams, more, String.join(",", log));
  }

  private static String routine(double fraction, int every, String next) {
    return "\"routine\": {\"waterChange\": {\"fraction\": %s, \"everyDays\": %d, \"nextOn\": \"%s\"}},"
        .formatted(fraction, every, next);
  }

  static Stream<Arguments> tanks() {
    Map<String, String> tanks = new LinkedHashMap<>();
    tanks.put(
        "quiet", tank(NITRATE_40, 0.05, 5, "", test(20, "nitrate", 9), test(2, "nitrate", 9)));
    tanks.put("over", tank(NITRATE_40, 0.4, 5, "", test(9, "nitrate", 50), test(1, "nitrate", 55)));
    tanks.put(
        "due today",
        tank(
            NITRATE_40,
            0.4,
            5,
            routine(0.25, 7, "2026-11-25"),
            test(14, "nitrate", 30),
            change(14, 25),
            test(8, "nitrate", 31),
            change(7, 25),
            test(1, "nitrate", 32)));
    tanks.put(
        "changed today",
        tank(
            NITRATE_40,
            0.4,
            5,
            routine(0.25, 7, "2026-11-25"),
            test(8, "nitrate", 36),
            test(1, "nitrate", 38),
            change(0, 40)));
    tanks.put(
        "an old test hangs over it",
        tank(NITRATE_40, 0.4, 5, "", test(40, "nitrate", 20), test(22, "nitrate", 30)));
    tanks.put("never tested", tank(BOTH, 0.3, 5, ""));
    tanks.put(
        "one nutrient never tested",
        tank(BOTH, 0.3, 5, "", test(9, "nitrate", 20), test(2, "nitrate", 22)));
    tanks.put(
        "a floor binds",
        tank(
            "\"nitrate\": {\"floorMgL\": 5, \"ceilingMgL\": 25},"
                + "\"phosphate\": {\"ceilingMgL\": 0.4}",
            0.1,
            0,
            "",
            test(8, "nitrate", 1),
            test(8, "phosphate", 0.6),
            test(1, "nitrate", 1),
            test(1, "phosphate", 0.6)));
    tanks.put(
        "source too rich",
        tank(NITRATE_40, 0.3, 45, "", test(9, "nitrate", 90), test(1, "nitrate", 95)));
    tanks.put(
        "ammonia", tank(NITRATE_40, 0.3, 5, "", test(2, "nitrate", 15), test(0, "ammonia", 4)));
    tanks.put(
        "new and cycling",
        tank(NITRATE_40, 0.1, 5, "", test(5, "ammonia", 0.5), test(5, "nitrite", 0.2))
            .replace("2025-01-01", "2026-11-05"));
    tanks.put(
        "an adsorber",
        tank(
            "\"phosphate\": {\"ceilingMgL\": 0.4}",
            0.4,
            5,
            "\"exports\": [{\"id\": \"ads\", \"kind\": \"phosphate-adsorber\", \"massG\": 30,"
                + " \"from\": \"2026-08-01\"}],",
            test(16, "phosphate", 0.28),
            change(14, 20),
            test(9, "phosphate", 0.3),
            test(1, "phosphate", 0.36)));
    tanks.put(
        "a fixed routine",
        tank(
                NITRATE_40,
                0.05,
                5,
                routine(0.25, 7, "2026-11-25"),
                test(30, "nitrate", 8),
                test(3, "nitrate", 8))
            .replace("\"netVolumeL\"", "\"stance\": \"fixed-routine\", \"netVolumeL\""));
    tanks.put(
        "no change is made",
        tank(
            NITRATE_40,
            0.05,
            5,
            "\"routine\": {\"waterChange\": {\"fraction\": 0, \"everyDays\": 28}},",
            test(30, "nitrate", 8),
            test(3, "nitrate", 8)));
    return tanks.entrySet().stream().map(e -> Arguments.of(e.getKey(), e.getValue()));
  }

  private static Double number(JsonNode node) {
    return node.isNumber() ? node.asDouble() : null;
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("tanks")
  void everyPlaceSaysTheSame(String name, String file) throws Exception {
    String id = UUID.randomUUID().toString();
    assertThat(keeper.takeIn(id, file).status()).isEqualTo(201);
    String path = "/api/tanks/" + id;
    TankModel tank = TankFileReader.read(keeper.get(path + "/file").raw().body()).tank();
    Advice advice =
        new Advisor(
                tank,
                Calibration.calibrate(
                    tank, TODAY, Advisor.daysAhead(tank), Calibration.DRAWS, 1, WORKERS),
                RunningServer.NOW)
            .advise();
    Double share =
        advice.today().fraction().isPresent() ? advice.today().fraction().getAsDouble() : null;
    String verdict = advice.today().verdict().name();

    JsonNode balance = keeper.get(path + "/balance").json();
    assertThat(balance.at("/today/verdict").asString()).as("Balance").isEqualTo(verdict);
    assertThat(number(balance.at("/today/fraction"))).isEqualTo(share);
    assertThat(balance.at("/today/latestSafeDay").asString(""))
        .isEqualTo(advice.today().latestSafeDay().map(LocalDate::toString).orElse(""));
    advice
        .recommended()
        .ifPresentOrElse(
            r -> {
              assertThat(balance.at("/shown/routine/fraction").asDouble()).isEqualTo(r.fraction());
              assertThat(balance.at("/shown/routine/nextOn").asString())
                  .isEqualTo(r.nextOn().toString());
              assertThat(balance.at("/shown/probabilityWithinLines").asDouble())
                  .isCloseTo(r.probabilityWithinLines(), within(1e-3));
            },
            () -> assertThat(balance.at("/shown").has("routine")).isFalse());
    assertThat(balance.at("/shown/recovery").size()).isEqualTo(advice.catchUp().size());

    JsonNode rounds = keeper.get("/api/rounds").json().get(0);
    assertThat(rounds.path("verdict").asString()).as("Rounds").isEqualTo(verdict);
    if (share != null) {
      assertThat(rounds.path("fraction").asDouble()).isEqualTo(share);
      assertThat(rounds.path("on").asString()).isEqualTo(TODAY.toString());
    }

    String makeUp = keeper.get(path + "/make-up").json().path("file").asString();
    JsonNode effect =
        keeper
            .post(
                path + "/make-up/effect",
                JsonMapper.shared().writeValueAsString(Map.of("file", makeUp)))
            .json();
    assertThat(effect.path("verdict").asString()).as("Make-up").isEqualTo(verdict);
    assertThat(effect.path("routine")).isEqualTo(balance.at("/shown/routine"));
    assertThat(effect.path("recovery")).isEqualTo(balance.at("/shown/recovery"));
    assertThat(effect.path("leftAloneNitrate")).isEqualTo(balance.path("leftAloneNitrate"));
    assertThat(effect.path("probabilityWithinLines"))
        .isEqualTo(balance.at("/shown/probabilityWithinLines"));

    if (share != null) {
      assertThat(keeper.get(path + "/run-sheet").json().path("fraction").asDouble())
          .as("Change")
          .isEqualTo(share);
    }

    String visit = UUID.randomUUID().toString();
    keeper.post(path + "/visits", "{\"id\": \"" + visit + "\", \"seen\": \"\"}");
    JsonNode before = keeper.get(path + "/visits/" + visit).json().path("before");
    assertThat(before.path("verdict").asString())
        .as("Visit")
        .isEqualTo(advice.today().verdict().term());

    Optional<LocalDate> changeOn = share != null ? Optional.of(TODAY) : advice.today().skipUntil();
    JsonNode occurrences = keeper.get("/api/upkeep?days=28").json().at("/tanks/0/occurrences");
    assertThat(
            occurrences
                .valueStream()
                .filter(o -> o.path("kind").asString().equals("CHANGE"))
                .map(o -> LocalDate.parse(o.path("on").asString()))
                .findFirst())
        .as("Upkeep")
        .isEqualTo(changeOn.filter(day -> day.isBefore(TODAY.plusDays(28))));
    String calendar = keeper.get("/api/upkeep.ics").raw().body();
    // a change that is far off has no share yet, and stands in no calendar before it has
    boolean hasShare = share != null || advice.recommended().isPresent();
    assertThat(calendar.contains("Change "))
        .as("calendar")
        .isEqualTo(
            hasShare && changeOn.filter(day -> day.isBefore(TODAY.plusDays(56))).isPresent());

    JsonNode bench = keeper.get("/api/bench").json().at("/tanks/0/tests");
    for (Advice.Ask ask : advice.asks()) {
      assertThat(bench.toString()).as("Bench").contains(ask.analyte().term());
    }
  }
}
