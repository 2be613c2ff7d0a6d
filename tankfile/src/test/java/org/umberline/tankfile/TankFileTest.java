package org.umberline.tankfile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;

class TankFileTest {
  private static final String MINIMAL =
      """
      {"format": "umberline-tank", "version": 1,
       "tank": {"name": "Bare", "water": "freshwater", "netVolumeL": 60}}
      """;

  private static String example() throws IOException {
    try (InputStream in =
        TankFileTest.class.getResourceAsStream("stillwater-example.umberline.json")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static List<Problem> problems(String text) {
    TankFileException refused =
        catchThrowableOfType(TankFileException.class, () -> TankFileReader.read(text));
    assertThat(refused).as("the file is refused").isNotNull();
    return refused.problems();
  }

  @Test
  void everyKindOfEntryOfTheFormatIsRead() throws Exception {
    TankModel tank = TankFileReader.read(example()).tank();
    assertThat(tank.name()).isEqualTo("Stillwater");
    assertThat(tank.log()).hasSize(10);
    assertThat(tank.exports()).hasSize(6).hasOnlyElementsOfType(ExportMethod.class);
    assertThat(tank.log().get(0)).isInstanceOf(LogEntry.Test.class);
    assertThat(tank.routine().orElseThrow().everyDays()).isEqualTo(7);
    assertThat(tank.limits().maxNitrateStepMgL()).isEmpty();
  }

  @Test
  void whatIsWrittenIsReadAsTheSameTank() throws Exception {
    TankModel tank = TankFileReader.read(example()).tank();
    String written = TankFileWriter.write(tank);
    assertThat(TankFileReader.read(written).tank()).isEqualTo(tank);
    assertThat(TankFileWriter.write(TankFileReader.read(written).tank())).isEqualTo(written);
  }

  /** A salt is weighed, a liquid measured: the file says which, and no other. */
  @Test
  void whatIsGivenByItselfSaysItsMeasure() throws Exception {
    String entry =
        "{\"at\": \"2026-05-01T12:00:00Z\", \"type\": \"addition\", \"additive\": \"%s\"}";
    String file = MINIMAL.replaceFirst("\\}\\s*$", ", \"log\": [" + entry + "]}");
    String salt = file.formatted("sodium-bicarbonate\", \"grams\": 3, \"note\": \"by scale");
    TankModel tank = TankFileReader.read(salt).tank();
    assertThat(tank.log())
        .containsExactly(
            new LogEntry.Addition(
                OffsetDateTime.parse("2026-05-01T12:00:00Z"),
                Salt.SODIUM_BICARBONATE,
                3,
                "by scale"));
    assertThat(TankFileReader.read(TankFileWriter.write(tank)).tank()).isEqualTo(tank);
    assertThat(TankFileReader.read(salt).notCounted()).containsExactly("/log/0: addition");
    for (String wrong :
        List.of(
            "sodium-bicarbonate\", \"ml\": 3, \"note\": \"",
            "vinegar\", \"grams\": 3, \"note\": \"",
            "vinegar\", \"grams\": 3, \"ml\": 3, \"note\": \"",
            "table-salt\", \"grams\": 3, \"note\": \"",
            "vinegar")) {
      assertThat(problems(file.formatted(wrong)))
          .extracting(Problem::pointer)
          .allMatch(pointer -> pointer.startsWith("/log/0"));
    }
  }

  @Test
  void aCleaningMaySayWhatCameOut() throws Exception {
    String weighed =
        example().replace("\"export\": \"sponge\"", "\"export\": \"sponge\", \"caughtG\": 60");
    TankModel tank = TankFileReader.read(weighed).tank();
    assertThat(((LogEntry.Clean) tank.log().get(3)).caughtG()).hasValue(60);
    assertThat(TankFileReader.read(TankFileWriter.write(tank)).tank()).isEqualTo(tank);
  }

  @Test
  void fiveThingsAreEnoughAndTheDefaultsTakenAreNamed() throws Exception {
    TankFile file = TankFileReader.read(MINIMAL);
    assertThat(file.tank().temperatureC()).isEqualTo(25);
    assertThat(file.tank().pH()).isEqualTo(7.5);
    assertThat(file.defaultsUsed())
        .contains("/tank/surfaceAreaCm2", "/tank/temperatureC", "/lines", "/limits", "/topOff");
  }

  /** Tests noted later than they were made must find the food there. */
  @Test
  void aTankWhoseStartIsNotToldRanBeforeItsFirstTest() throws Exception {
    String told =
        MINIMAL.replaceFirst(
            "\\}\\s*$",
            ", "
                + """
        "foods": [{"id": "flake", "name": "Flake", "form": "dry"}],
        "feeding": [{"food": "flake", "gramsPerFeed": 1, "feedsPerWeek": 7}],
        "log": [{"at": "2026-05-01T12:00:00Z", "type": "test", "analyte": "nitrate",
          "value": 10, "unit": "mg/L NO3"}]}
        """);
    assertThat(TankFileReader.read(told).tank().feeding().get(0).span().from())
        .isEqualTo("2025-05-01");
  }

  @Test
  void whoKeepsAFixedRoutineSaysSoAndNobodyElseHasTo() throws Exception {
    TankModel tank = TankFileReader.read(MINIMAL).tank();
    assertThat(tank.stance()).isEqualTo(Stance.BY_NEED);
    assertThat(TankFileWriter.write(tank)).doesNotContain("stance");
    String fixed = TankFileWriter.write(tank.withStance(Stance.FIXED_ROUTINE));
    assertThat(TankFileReader.read(fixed).tank().stance()).isEqualTo(Stance.FIXED_ROUTINE);
    assertThat(problems(fixed.replace("fixed-routine", "whenever")))
        .extracting(Problem::pointer)
        .contains("/tank/stance");
  }

  @Test
  void whatIsNotCountedYetIsNamed() throws Exception {
    assertThat(TankFileReader.read(example().replace("film-algae", "power-cut")).notCounted())
        .contains("/log/9: observation");
    assertThat(TankFileReader.read(example()).notCounted())
        .noneMatch(line -> line.startsWith("/log/9"))
        .noneMatch(line -> line.contains("carbon"))
        .noneMatch(line -> line.contains("skimmer") || line.contains("clean"));
  }

  @ParameterizedTest(name = "{0} -> {2}")
  @CsvSource(
      delimiter = '|',
      value = {
        "\"netVolumeL\": 190.0 | \"netVolumeL\": -1 | /tank/netVolumeL",
        "\"netVolumeL\": 190.0 | \"netVolume\": 190 | /tank/netVolume",
        "\"water\": \"freshwater\" | \"water\": \"soup\" | /tank/water",
        "\"startedOn\": \"2025-09-06\" | \"startedOn\": \"2025-02-30\" | /tank/startedOn",
        "\"timeZone\": \"Europe/Lisbon\" | \"timeZone\": \"Mars/Rim\" | /tank/timeZone",
        "\"floorMgL\": 0,    \"ceilingMgL\": 40 | \"floorMgL\": 50, \"ceilingMgL\": 40 | /lines/nitrate/floorMgL",
        "\"changeWater\": [ { \"water\": \"tap\", \"share\": 1.0 } ] | \"changeWater\": [ { \"water\": \"tap\", \"share\": 0.5 } ] | /changeWater",
        "\"changeWater\": [ { \"water\": \"tap\" | \"changeWater\": [ { \"water\": \"well\" | /changeWater/0/water",
        "\"gramsPerFeed\": 4.0 | \"gramsPerFeed\": \"four\" | /feeding/0/gramsPerFeed",
        "\"uneatenFraction\": 0.03 | \"uneatenFraction\": 3 | /feeding/0/uneatenFraction",
        "\"uneatenFraction\": 0.03,~      \"from\": \"2025-10-01\", \"to\": null | \"from\": \"2025-10-01\", \"to\": \"2025-09-01\" | /feeding/0/to",
        "\"id\": \"ro\" | \"id\": \"tap\" | /waters/1/id",
        "\"kind\": \"deep-bed\", \"areaCm2\": 2400 | \"kind\": \"deep-bed\", \"massG\": 2 | /exports/3/massG",
        "\"value\": 15,~      \"unit\": \"mg/L NO3\" | \"value\": 20, \"unit\": \"mg/L PO4\" | /log/0/unit",
        "\"value\": 15 | \"value\": 5000 | /log/0/value",
        "\"value\": 15 | \"value\": -3 | /log/0/value",
        "\"value\": 15 | \"value\": 1e999 | /log/0/value",
        "\"kit\": \"card\" | \"kit\": \"meter\" | /log/0/kit",
        "\"litres\": 45 | \"litres\": 450 | /log/2/litres",
        "\"export\": \"sponge\" | \"export\": \"floss\" | /log/3/export",
        "\"at\": \"2026-10-05T09:00:00+01:00\" | \"at\": \"2026-10-05\" | /log/3/at",
        "\"at\": \"2026-10-05T09:00:00+01:00\" | \"at\": \"2026-10-35T09:00:00+01:00\" | /log/3/at",
        "\"severity\": 1 | \"severity\": 9 | /log/9/severity",
        "\"type\": \"observation\" | \"type\": \"hunch\" | /log/9/type"
      })
  void aFaultIsNamedByItsPointer(String good, String bad, String pointer) throws Exception {
    String text = example();
    // line ends within the cells are written ~
    String from = good.replace("~", "\n");
    assertThat(text).contains(from);
    List<Problem> problems =
        problems(
            text.replaceFirst(
                java.util.regex.Pattern.quote(from),
                java.util.regex.Matcher.quoteReplacement(bad.replace("~", "\n"))));
    assertThat(problems).extracting(Problem::pointer).contains(pointer);
    assertThat(problems).allMatch(p -> !p.found().isBlank() && !p.allowed().isBlank());
  }

  @Test
  void allProblemsComeAtOnce() {
    List<Problem> problems =
        problems(
            """
            {"format": "umberline-tank", "version": 2, "colour": "green",
             "tank": {"name": "", "netVolumeL": 60, "timeZone": "Nowhere"},
             "waters": [{"id": "a"}, {"id": "a"}],
             "topOff": {"water": "b", "litresPerDay": -1}}
            """);
    assertThat(problems)
        .extracting(Problem::pointer)
        .contains(
            "/version",
            "/colour",
            "/tank/name",
            "/tank/water",
            "/tank/timeZone",
            "/waters/1/id",
            "/topOff/water",
            "/topOff/litresPerDay");
    assertThat(problems)
        .filteredOn(p -> p.pointer().equals("/tank/water"))
        .extracting(Problem::found)
        .containsExactly("nothing");
    assertThat(problems)
        .filteredOn(p -> p.pointer().equals("/colour"))
        .extracting(Problem::allowed)
        .allMatch(allowed -> allowed.contains("changeWater"));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "   ",
        "{",
        "[]",
        "null",
        "{\"format\": \"umberline-tank\", \"format\": \"umberline-tank\"}",
        "{\"a\": NaN}",
        "not json at all",
        "{} {}"
      })
  void whatIsNoTankFileIsRefusedWithoutAStackTrace(String text) {
    assertThat(problems(text)).isNotEmpty();
  }

  @Test
  void nestingWithoutEndIsOneProblemOfTheWholeFile() {
    assertThat(problems("[".repeat(5_000_000)))
        .singleElement()
        .extracting(Problem::pointer)
        .isEqualTo("");
  }

  /**
   * Seeded mutations of a good file: it is read, or refused with pointers; nothing else happens.
   */
  @Test
  void mutilatedFilesAreReadOrRefused() throws Exception {
    String good = example();
    Random random = new Random(20261125);
    String alphabet = "{}[]\",:0123456789.-eE truefalsnN\\u\n";
    for (int i = 0; i < 1500; i++) {
      StringBuilder text = new StringBuilder(good);
      for (int change = 0; change <= random.nextInt(3); change++) {
        int at = random.nextInt(text.length());
        switch (random.nextInt(4)) {
          case 0 -> text.deleteCharAt(at);
          case 1 -> text.insert(at, alphabet.charAt(random.nextInt(alphabet.length())));
          case 2 -> text.setCharAt(at, alphabet.charAt(random.nextInt(alphabet.length())));
          default -> text.setLength(Math.max(1, at));
        }
      }
      try {
        TankFileReader.read(text.toString());
      } catch (TankFileException refused) {
        assertThat(refused.problems()).isNotEmpty();
      }
    }
  }
}
