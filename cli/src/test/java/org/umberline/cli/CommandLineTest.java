package org.umberline.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class CommandLineTest {
  private static final JsonMapper JSON = new JsonMapper();

  @TempDir Path folder;
  private Path good;
  private Path bad;

  private record Ran(int status, String out, String err) {
    JsonNode json() {
      return JSON.readTree(out);
    }
  }

  private static Ran run(String... arguments) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    int status = Umberline.run(new PrintWriter(out), new PrintWriter(err, true), arguments);
    return new Ran(status, out.toString(), err.toString());
  }

  @BeforeEach
  void files() throws Exception {
    good = folder.resolve("good.umberline.json");
    Files.writeString(
        good,
        """
        {"format": "umberline-tank", "version": 1,
         "tank": {"name": "Small", "water": "freshwater", "netVolumeL": 100,
                  "startedOn": "2026-01-01", "timeZone": "Europe/Lisbon"},
         "lines": {"nitrate": {"ceilingMgL": 40}},
         "waters": [{"id": "tap", "nitrateMgL": 5, "phosphateMgL": 0}],
         "changeWater": [{"water": "tap", "share": 1}],
         "foods": [{"id": "flake", "form": "dry"}],
         "feeding": [{"food": "flake", "gramsPerFeed": 0.5}],
         "kits": [{"id": "card", "analyte": "nitrate", "method": "colour-card",
                   "steps": [0, 3, 8, 15, 30, 60, 100]}],
         "routine": {"waterChange": {"fraction": 0.2, "everyDays": 7, "nextOn": "2026-03-07"}},
         "log": [
           {"at": "2026-02-01T10:00:00+00:00", "type": "test", "analyte": "nitrate", "value": 20,
            "kit": "card"},
           {"at": "2026-02-10T10:00:00+00:00", "type": "water-change", "litres": 20},
           {"at": "2026-03-01T10:00:00+00:00", "type": "test", "analyte": "nitrate", "value": 40,
            "kit": "card"}]}
        """);
    bad = folder.resolve("bad.umberline.json");
    Files.writeString(bad, "{\"format\": \"umberline-tank\", \"version\": 1}");
  }

  @Test
  void checkSaysAFileIsGood() {
    Ran ran = run("check", good.toString());
    assertThat(ran.status).isZero();
    assertThat(ran.json().path("problems")).isEmpty();
    assertThat(ran.json().path("notCounted")).isEmpty();
  }

  @Test
  void checkListsTheProblemsOfABadFileAndLeavesWithOne() {
    Ran ran = run("check", bad.toString());
    assertThat(ran.status).isEqualTo(1);
    assertThat(ran.json().at("/problems/0/pointer").asString()).isEqualTo("/tank");
  }

  @Test
  void severalFilesAnswerOneALineAndABadOneDoesNotStopTheRun() {
    Ran ran = run("forecast", good.toString(), bad.toString(), good.toString());
    assertThat(ran.status).isEqualTo(1);
    String[] lines = ran.out.split("\n");
    assertThat(lines).hasSize(3);
    assertThat(JSON.readTree(lines[1]).path("problems")).isNotEmpty();
    assertThat(lines[2]).isEqualTo(lines[0]);
  }

  @Test
  void forecastBeginsTheDayAfterTheLastEntryAndIsTheSameEachTime() {
    Ran ran = run("forecast", good.toString(), "--days", "30");
    assertThat(ran.status).isZero();
    JsonNode nitrate = ran.json().path("nitrate");
    assertThat(ran.json().path("asOf").asString()).isEqualTo("2026-03-01");
    assertThat(nitrate.path("days")).hasSize(30);
    assertThat(nitrate.at("/days/0/on").asString()).isEqualTo("2026-03-02");
    JsonNode day = nitrate.at("/days/10");
    assertThat(day.path("p05").asDouble()).isLessThan(day.path("p50").asDouble());
    assertThat(day.path("p50").asDouble()).isLessThan(day.path("p95").asDouble());
    assertThat(run("forecast", good.toString(), "--days", "30").out).isEqualTo(ran.out);
    assertThat(run("forecast", good.toString(), "--days", "30", "--seed", "2").out)
        .isNotEqualTo(ran.out);
  }

  @Test
  void asOfHidesWhatCameLater() {
    Ran ran = run("forecast", good.toString(), "--as-of", "2026-02-05", "--days", "5");
    assertThat(ran.json().at("/nitrate/days/0/on").asString()).isEqualTo("2026-02-06");
    Ran wrong = run("forecast", good.toString(), "--as-of", "yesterday");
    assertThat(wrong.status).isEqualTo(2);
    assertThat(wrong.err).contains("--as-of is yesterday; allowed");
  }

  @Test
  void withoutFurtherChangesNitrateEndsHigher() {
    double with = lastNitrate(run("forecast", good.toString()));
    double without = lastNitrate(run("forecast", good.toString(), "--no-changes"));
    assertThat(without).isGreaterThan(with + 5);
  }

  private static double lastNitrate(Ran ran) {
    return ran.json().at("/nitrate/days/89/p50").asDouble();
  }

  @Test
  void planRecommendsAFractionThatKeepsTheLine() {
    Ran ran = run("plan", good.toString());
    assertThat(ran.status).isZero();
    JsonNode recommended = ran.json().path("recommended");
    assertThat(recommended.path("probabilityWithinLines").asDouble()).isGreaterThan(0.85);
    assertThat(recommended.path("nitratePeakMgL").asDouble()).isLessThan(40);
    assertThat(ran.json().path("options").size()).isGreaterThanOrEqualTo(5);
    for (String key : new String[] {"today", "catchUp", "binding", "helps", "asks", "remarks"}) {
      assertThat(ran.json().has(key)).as(key).isTrue();
    }
    assertThat(ran.json().path("today").propertyNames())
        .containsExactly(
            "verdict", "fraction", "litres", "latestSafeDay", "chanceIfWaiting", "why");
    assertThat(
            run("plan", good.toString(), "--to", "nitrate=12").json().path("oneOff").has("series"))
        .isTrue();
    assertThat(run("plan", good.toString(), "--to", "salt=12").status).isEqualTo(2);
    assertThat(ran.json().at("/today/verdict").asString())
        .isIn("act-now", "test-first", "change", "skip", "stuck");
  }

  @Test
  void badUsageLeavesWithTwoAndAMissingFileIsSaid() {
    assertThat(run("forecast").status).isEqualTo(2);
    assertThat(run("bake", good.toString()).status).isEqualTo(2);
    assertThat(run("forecast", good.toString(), "--days", "0").status).isEqualTo(2);
    Ran missing = run("check", folder.resolve("none.json").toString());
    assertThat(missing.status).isEqualTo(1);
    assertThat(missing.out).contains("no such file");
  }

  @Test
  void badUsageIsSaidByWhatWasFoundAndWhatIsAllowed() {
    assertThat(run().err).contains("no verb is given; allowed: check, ledger");
    assertThat(run("bake", "x").err).contains("bake is no verb; allowed: check, ledger");
    assertThat(run("check").err).contains("no FILE is given");
    assertThat(run("check", "--seed", "3", "x").err).contains("--seed");
    assertThat(run("plan", "--seed", "3", "--seed", "4", "x").err)
        .contains("--seed is given more than once");
    assertThat(run("plan", "--see", "3", "x").status).isEqualTo(2);
    assertThat(run("plan", "--seed").status).isEqualTo(2);
    assertThat(run("ledger", "--days=x", good.toString()).err)
        .contains("--days is x; allowed: 1 to 400");
    assertThat(run("plan", "no-such-file", "--seed", "x").status).isEqualTo(2);
    assertThat(run("plan", "no-such-file", "--to", "nitrate").status).isEqualTo(2);
    assertThat(run("forecast", "no-such-file", "--days", "0").status).isEqualTo(2);
    assertThat(run("convert", "x").err).contains("neither --to nor --tests is given");
    assertThat(run("convert", "x", "--to", "csv", "--tests", "y").status).isEqualTo(2);
    assertThat(run("convert", "x", "y", "--to", "csv").err).contains("2 FILEs are given");
    assertThat(run("convert", "x", "--to", "xml").err).contains("--to is xml; allowed: csv");
  }

  @Test
  void helpIsAnAnswer() {
    Ran all = run("--help");
    assertThat(all.status).isZero();
    assertThat(all.out).contains("convert", "hindcast").contains("which routine after it");
    Ran one = run("forecast", "--days", "0", "-h");
    assertThat(one.status).isZero();
    assertThat(one.out).contains("--no-changes", "--as-of DAY", "--seed N");
    assertThat(one.err).isEmpty();
  }

  @Test
  void theLedgerClosesAndItsShapeIsTheContracts() {
    Ran ran = run("ledger", good.toString());
    assertThat(ran.status).isZero();
    for (String element : new String[] {"nitrogen", "phosphorus"}) {
      JsonNode account = ran.json().path(element);
      double in = perDay(account.path("in"));
      double out = perDay(account.path("out"));
      double held = perDay(account.path("held"));
      double unexplained = account.at("/unexplained/perDay").asDouble();
      assertThat(in - out + unexplained).isEqualTo(held, within(1e-5 * (in + out)));
      assertThat(account.path("netMgLPerWeek").isNumber()).isTrue();
      assertThat(account.at("/in/0").propertyNames())
          .containsExactly("name", "source", "perDay", "low", "high");
    }
  }

  private static double perDay(JsonNode lines) {
    return lines.valueStream().mapToDouble(line -> line.path("perDay").asDouble()).sum();
  }

  @Test
  void calibrateTellsPriorsPosteriorsAndResiduals() {
    JsonNode json = run("calibrate", good.toString()).json();
    assertThat(json.at("/parameters/0/name").asString()).isEqualTo("nitrogen load");
    assertThat(json.at("/parameters/0/prior/p50").asDouble()).isEqualTo(1);
    assertThat(json.at("/parameters/0/posterior/p10").asDouble())
        .isLessThan(json.at("/parameters/0/posterior/p90").asDouble());
    assertThat(json.at("/testsUsed/between").asInt()).isEqualTo(2);
    assertThat(json.path("residuals")).hasSize(2);
  }

  @Test
  void hindcastScoresEveryHorizonAndLeavesOpenWhatNoTestTells() {
    JsonNode json = run("hindcast", good.toString()).json();
    assertThat(json.at("/nitrate/14/tests").asInt()).isZero();
    assertThat(json.at("/nitrate/14/hold").isNull()).isTrue();
    assertThat(json.at("/phosphate/28").propertyNames())
        .containsExactly("tests", "inside80", "medianAbsoluteError", "hold", "line", "slope");
  }

  @Test
  void aLogLeavesAsCsvAndTestsComeInAsCsv() throws Exception {
    Ran csv = run("convert", "--to", "csv", good.toString());
    assertThat(csv.status).isZero();
    assertThat(csv.out.lines()).hasSize(4);
    Path tests = folder.resolve("tests.csv");
    Files.writeString(tests, "at,analyte,value\n2026-03-05,nitrate,30\n");
    Ran taken = run("convert", "--tests", tests.toString(), good.toString());
    assertThat(taken.status).isZero();
    assertThat(taken.json().path("log")).hasSize(4);
    Files.writeString(tests, "at,analyte,value\n2026-03-05,nitrate,much\n");
    Ran refused = run("convert", "--tests", tests.toString(), good.toString());
    assertThat(refused.status).isEqualTo(1);
    assertThat(refused.json().at("/problems/0/pointer").asString()).isEqualTo("/rows/1/value");
  }

  @Test
  void theSameSeedGivesTheSameBytes() {
    for (String verb : new String[] {"forecast", "plan", "ledger", "calibrate", "hindcast"}) {
      assertThat(run(verb, good.toString()).out).isEqualTo(run(verb, good.toString()).out);
    }
  }

  @Test
  @Tag("long")
  void twoHundredFilesInOneRunAnswerALineEachAndKeepNothing() throws Exception {
    Path settled = folder.resolve("settled.umberline.json");
    Files.writeString(
        settled,
        """
        {"format": "umberline-tank", "version": 1,
         "tank": {"name": "Settled", "water": "freshwater", "netVolumeL": 100},
         "foods": [{"id": "flake", "form": "dry"}],
         "feeding": [{"food": "flake", "gramsPerFeed": 0.5, "from": "2025-01-01"}],
         "log": [{"at": "2026-03-01T10:00:00Z", "type": "test", "analyte": "nitrate", "value": 20}]}
        """);
    String[] arguments = new String[201];
    java.util.Arrays.fill(arguments, settled.toString());
    arguments[0] = "forecast";
    Runtime runtime = Runtime.getRuntime();
    run(java.util.Arrays.copyOf(arguments, 11));
    System.gc();
    long before = runtime.totalMemory() - runtime.freeMemory();
    long answered = run(arguments).out.lines().count();
    assertThat(answered).isEqualTo(200);
    System.gc();
    long kept = runtime.totalMemory() - runtime.freeMemory() - before;
    assertThat(kept).as("bytes kept after 200 files").isLessThan(8_000_000);
  }
}
