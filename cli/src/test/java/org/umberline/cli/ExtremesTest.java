package org.umberline.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Files at the edge of sense: a clear error or an answer, never a hang or a stack trace. */
@Tag("long")
class ExtremesTest {
  private static final Duration LONGEST = Duration.ofSeconds(60);
  private static final String[] VERBS = {"check", "forecast", "plan", "ledger", "calibrate"};

  @TempDir Path folder;

  private static final String FILE =
      """
      {"format": "umberline-tank", "version": 1,
       "tank": {"name": "Edge", "water": "freshwater", "netVolumeL": 100,
                "startedOn": "2025-01-01", "timeZone": "Europe/Lisbon"},
       "lines": {"nitrate": {"ceilingMgL": 40}, "phosphate": {"ceilingMgL": 2}},
       "waters": [{"id": "tap", "nitrateMgL": 5, "phosphateMgL": 0.1}],
       "changeWater": [{"water": "tap", "share": 1}],
       "foods": [{"id": "flake", "form": "dry"}],
       "feeding": [{"food": "flake", "gramsPerFeed": 0.5}],
       "livestock": [{"name": "Fish", "count": 5, "massG": 4}],
       "plants": [{"id": "fern", "kind": "floating", "wetMassG": 40}],
       "exports": [{"id": "pad", "kind": "mechanical"}],
       "kits": [{"id": "card", "analyte": "nitrate", "method": "colour-card",
                 "steps": [0, 3, 8, 15, 30, 60, 100]}],
       "routine": {"waterChange": {"fraction": 0.2, "everyDays": 7, "nextOn": "2026-03-07"}},
       "log": [
         {"at": "2026-02-01T10:00:00+00:00", "type": "test", "analyte": "nitrate", "value": 20,
          "kit": "card"},
         {"at": "2026-02-10T10:00:00+00:00", "type": "water-change", "litres": 20},
         {"at": "2026-02-11T10:00:00+00:00", "type": "harvest", "plant": "fern", "wetMassG": 10},
         {"at": "2026-02-12T10:00:00+00:00", "type": "clean", "export": "pad"},
         {"at": "2026-02-13T10:00:00+00:00", "type": "death", "massG": 4},
         {"at": "2026-02-14T10:00:00+00:00", "type": "fast", "days": 3},
         {"at": "2026-03-01T10:00:00+00:00", "type": "test", "analyte": "nitrate", "value": 40,
          "kit": "card"}]}
      """;

  private record Ran(int status, String out, String err) {}

  private Ran run(String verb, String text) throws Exception {
    Path file = folder.resolve("edge.umberline.json");
    Files.writeString(file, text);
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    int status =
        assertTimeoutPreemptively(
            LONGEST,
            () ->
                Umberline.run(
                    new PrintWriter(out), new PrintWriter(err, true), verb, file.toString()));
    return new Ran(status, out.toString(), err.toString());
  }

  private void answers(String text) throws Exception {
    for (String verb : VERBS) {
      Ran ran = run(verb, text);
      assertThat(ran.status).as("%s: %s %s", verb, ran.out, ran.err).isZero();
      assertThat(ran.out).doesNotContain("NaN").doesNotContain("Infinity");
    }
  }

  private void refuses(String text) throws Exception {
    for (String verb : VERBS) {
      Ran ran = run(verb, text);
      assertThat(ran.status).isEqualTo(1);
      JsonNode json = new JsonMapper().readTree(ran.out);
      assertThat(json.path("problems")).isNotEmpty();
      assertThat(ran.err).doesNotContain("Exception");
    }
  }

  private static String withLog(String entries) {
    return FILE.replace("\"log\": [", "\"log\": [" + entries + ",");
  }

  @ParameterizedTest
  @ValueSource(strings = {"1", "100000"})
  void aTankOfOneLitreAndOneOfAHundredThousand(String litres) throws Exception {
    answers(
        FILE.replace("\"netVolumeL\": 100", "\"netVolumeL\": " + litres)
            .replace("\"litres\": 20", "\"litres\": 0.3"));
  }

  @Test
  void twoChangesInOneMinuteAndOneOfAllTheWater() throws Exception {
    String twice =
        "{\"at\": \"2026-02-20T10:00:00+00:00\", \"type\": \"water-change\", \"litres\": %s}";
    answers(withLog(twice.formatted(30) + "," + twice.formatted(30)));
    answers(withLog(twice.formatted(100)));
    refuses(withLog(twice.formatted(101)));
  }

  @Test
  void entriesOutOfOrderAndOneFromBeforeTheTank() throws Exception {
    answers(
        withLog(
            "{\"at\": \"2026-02-28T10:00:00+00:00\", \"type\": \"feed\", \"food\": \"flake\","
                + " \"grams\": 1}"));
    String early =
        withLog(
            "{\"at\": \"2024-06-01T10:00:00+00:00\", \"type\": \"test\", \"analyte\": \"nitrate\","
                + " \"value\": 10}");
    Ran ran = run("forecast", early);
    assertThat(ran.status).isIn(0, 1);
    assertThat(ran.err).doesNotContain("Exception");
  }

  @Test
  void tenYearsOfLog() throws Exception {
    StringBuilder log = new StringBuilder();
    for (int week = 0; week < 520; week++) {
      LocalDate day = LocalDate.of(2016, 2, 1).plusWeeks(week);
      log.append(
          "{\"at\": \"%sT10:00:00Z\", \"type\": \"test\", \"analyte\": \"nitrate\", \"value\": 20},"
              .formatted(day));
      log.append(
          "{\"at\": \"%sT11:00:00Z\", \"type\": \"water-change\", \"litres\": 20},".formatted(day));
    }
    log.setLength(log.length() - 1);
    answers(withLog(log.toString()).replace("2025-01-01", "2016-01-01"));
  }

  @Test
  void allTestsBelowRangeAndTestsThatContradictEachOther() throws Exception {
    StringBuilder below = new StringBuilder();
    StringBuilder apart = new StringBuilder();
    for (int day = 2; day < 28; day += 3) {
      String test =
          "{\"at\": \"2026-02-%02dT12:00:00Z\", \"type\": \"test\", \"analyte\": \"nitrate\","
              + " \"value\": %s, \"qualifier\": \"%s\"},";
      below.append(test.formatted(day, 1, "<"));
      apart.append(test.formatted(day, day % 2 == 0 ? 5 : 80, "="));
    }
    answers(withLog(below.substring(0, below.length() - 1)));
    answers(withLog(apart.substring(0, apart.length() - 1)));
  }

  @Test
  void nestingWithoutEndAndNumbersThatAreNone() throws Exception {
    refuses("[".repeat(5_000_000) + "]".repeat(5_000_000));
    refuses(FILE.replace("\"gramsPerFeed\": 0.5", "\"gramsPerFeed\": NaN"));
    refuses(FILE.replace("\"gramsPerFeed\": 0.5", "\"gramsPerFeed\": 1e999"));
    refuses(FILE.replace("\"massG\": 4}]", "\"massG\": -4}]"));
  }

  /** Seeded mutations of a good file, bounded in number and time. */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void mutatedFilesAreAnsweredOrRefused(long seed) throws Exception {
    Random random = new Random(seed);
    String[] wild = {
      "0", "-1", "1e9", "1e-9", "1e308", "null", "\"\"", "[]", "{}", "true", "2026-02-30", "0.5"
    };
    for (int round = 0; round < 25; round++) {
      StringBuilder text = new StringBuilder(FILE);
      for (int m = 0; m < 1 + random.nextInt(3); m++) {
        int at = random.nextInt(text.length() - 12);
        switch (random.nextInt(4)) {
          case 0 -> text.deleteCharAt(at);
          case 1 -> text.insert(at, wild[random.nextInt(wild.length)]);
          case 2 -> {
            int colon = text.indexOf(": ", at);
            if (colon > 0) {
              int end = colon + 2;
              while (end < text.length() && ",}]\n".indexOf(text.charAt(end)) < 0) {
                end++;
              }
              text.replace(colon + 2, end, wild[random.nextInt(wild.length)]);
            }
          }
          default -> text.insert(at, text.substring(at, at + random.nextInt(12)));
        }
      }
      Ran ran = run("forecast", text.toString());
      assertThat(ran.status).as(text.toString()).isIn(0, 1);
      assertThat(ran.err).as(text.toString()).isEmpty();
    }
  }
}
