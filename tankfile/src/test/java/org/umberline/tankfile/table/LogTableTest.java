package org.umberline.tankfile.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;
import org.umberline.tankfile.shorthand.Shorthand;
import org.umberline.tankfile.table.LogTable.Column;
import org.umberline.tankfile.table.LogTable.DayOrder;
import org.umberline.tankfile.table.LogTable.Meaning;
import org.umberline.tankfile.table.LogTable.Row;

/** Tables as keepers keep them. */
class LogTableTest {
  private static final OffsetDateTime NOW = OffsetDateTime.parse("2026-11-25T10:00:00Z");
  private static TankModel tank;

  @BeforeAll
  static void stillwater() throws Exception {
    try (InputStream in =
        TankFileReader.class.getResourceAsStream("stillwater-example.umberline.json")) {
      tank = TankFileReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8)).tank();
    }
  }

  private static List<Row> rows(String csv) throws TankFileException {
    LogTable table = LogTable.parse(csv);
    return table.rows(table.guess(), DayOrder.DAY_FIRST, Map.of(), tank, NOW);
  }

  private static LogEntry.Test one(String csv) throws TankFileException {
    List<Row> rows = rows(csv);
    assertThat(rows).hasSize(1);
    assertThat(rows.get(0).problems()).isEmpty();
    assertThat(rows.get(0).entries()).hasSize(1);
    return (LogEntry.Test) rows.get(0).entries().get(0);
  }

  private static String problem(String csv) throws TankFileException {
    List<Row> rows = rows(csv);
    assertThat(rows.get(0).entries()).as("a row with a fault is not taken in part").isEmpty();
    return String.join(" ", rows.get(0).problems());
  }

  @Test
  void aColumnForEachAnalyteIsReadAcross() throws Exception {
    List<Row> rows = rows("Date,NO3,PO4,pH\n2026-11-20,20,0.5,7.4\n2026-11-21,10,,\n");
    assertThat(rows).hasSize(2);
    assertThat(rows.get(0).entries())
        .extracting(entry -> ((LogEntry.Test) entry).analyte())
        .containsExactly(Analyte.NITRATE, Analyte.PHOSPHATE, Analyte.PH);
    assertThat(rows.get(1).entries()).hasSize(1);
    assertThat(rows.get(0).number()).isEqualTo(1);
  }

  @Test
  void oneColumnMayNameTheAnalyteOfEachRow() throws Exception {
    List<Row> rows =
        rows(
            """
            when;test;result;unit;note
            2026-11-20;nitrate;20;mg/L NO3;by lamplight
            2026-11-20;PO4;49;ug/L P;
            """);
    assertThat(rows.get(0).entries().get(0).note()).isEqualTo("by lamplight");
    assertThat(((LogEntry.Test) rows.get(1).entries().get(0)).unit())
        .isEqualTo(TestUnit.MICROGRAM_PHOSPHORUS);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2026-11-20 | 2026-11-20T12:00Z",
        "2026-11-20 18:30 | 2026-11-20T18:30Z",
        "2026-11-20T18:30 | 2026-11-20T18:30Z",
        "2026-11-20T18:30:00+01:00 | 2026-11-20T18:30+01:00",
        "20.11.2026 | 2026-11-20T12:00Z",
        "20/11/2026 9:05 | 2026-11-20T09:05Z",
        "2026/11/20 | 2026-11-20T12:00Z",
        // summer time of the tank's zone
        "1.7.2026 8:00 | 2026-07-01T08:00+01:00"
      })
  void daysAreReadAsTheyAreWritten(String written, String at) throws Exception {
    assertThat(one("date;no3\n" + written + ";20").at()).isEqualTo(OffsetDateTime.parse(at));
  }

  @Test
  void theKeeperSaysWhichOfTwoNumbersIsTheMonth() throws Exception {
    LogTable table = LogTable.parse("date,no3\n3/4/2026,20\n");
    assertThat(day(table, DayOrder.DAY_FIRST)).isEqualTo("2026-04-03");
    assertThat(day(table, DayOrder.MONTH_FIRST)).isEqualTo("2026-03-04");
    // where it can be one thing only, nobody is asked
    for (String written : List.of("20/3/2026", "3/20/2026", "20.3.2026")) {
      LogTable plain = LogTable.parse("date,no3\n" + written + ",20\n");
      assertThat(day(plain, DayOrder.MONTH_FIRST)).isEqualTo("2026-03-20");
      assertThat(day(plain, DayOrder.DAY_FIRST)).isEqualTo("2026-03-20");
    }
    LogTable points = LogTable.parse("date,no3\n3.4.2026,20\n");
    assertThat(day(points, DayOrder.MONTH_FIRST)).isEqualTo("2026-04-03");
  }

  private static String day(LogTable table, DayOrder order) {
    return table
        .rows(table.guess(), order, Map.of(), tank, NOW)
        .get(0)
        .entries()
        .get(0)
        .at()
        .toLocalDate()
        .toString();
  }

  @Test
  void marksDecimalCommasAndTheTanksKitAreRead() throws Exception {
    LogEntry.Test below = one("date;no3\n2026-11-20;<5");
    assertThat(below.qualifier()).isEqualTo(Qualifier.BELOW);
    assertThat(below.kit()).contains("card");
    assertThat(one("date;no3\n2026-11-20;12,5").value()).isEqualTo(12.5);
    assertThat(one("date;no3\n2026-11-20;> 80").qualifier()).isEqualTo(Qualifier.ABOVE);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2026-02-30;20 | no day",
        "tomorrow;20 | no day",
        "2026-11-26;20 | still to come",
        "2020-01-01;20 | before the tank began",
        "2026-11-20;lots | needs a number",
        "2026-11-20;5000000 | can't be right",
        "2026-11-20;-4 | can't be right"
      })
  void whatCannotBeReadIsSaid(String row, String said) throws Exception {
    assertThat(problem("date;no3\n" + row)).contains(said);
  }

  @Test
  void unknownKitsUnitsAndAnalytesAreNamed() throws Exception {
    assertThat(problem("date;no3;kit\n2026-11-20;20;strip")).contains("strip");
    assertThat(problem("date;test;value;unit\n2026-11-20;no3;20;grains")).contains("grains");
    assertThat(problem("date;test;value\n2026-11-20;boron;20")).contains("boron");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "12 ppm | Nitrate 12 mg/L NO3",
        "~15 | Nitrate 15 mg/L NO3",
        "ca. 15 | Nitrate 15 mg/L NO3",
        "<5 | Nitrate below 5 mg/L NO3",
        "3 mg/L NO3-N | Nitrate 3 mg/L NO3-N"
      })
  void cellsAreReadAsPeopleFillThem(String cell, String read) throws Exception {
    assertThat(Shorthand.words(one("date;no3\n2026-11-20;" + cell), tank)).startsWith(read);
  }

  @Test
  void microgramsOfPhosphorusAreRead() throws Exception {
    assertThat(one("date;po4\n2026-11-20;320 ppb").unit()).isEqualTo(TestUnit.MICROGRAM_PHOSPHORUS);
  }

  @Test
  void whatWasDoneIsReadBesideWhatWasMeasured() throws Exception {
    List<Row> rows =
        rows(
            """
            date;no3;water change %;fed worms (g);cleaned sponge;done
            2026-11-18;20;25;;x;
            2026-11-19;;;3;;cut moss 20 g
            2026-11-20;;40 L;;;
            2026-11-21;;;;;
            """);
    assertThat(rows).hasSize(3).allSatisfy(row -> assertThat(row.problems()).isEmpty());
    assertThat(rows.get(0).entries())
        .hasExactlyElementsOfTypes(
            LogEntry.Test.class, LogEntry.WaterChange.class, LogEntry.Clean.class);
    assertThat(((LogEntry.WaterChange) rows.get(0).entries().get(1)).litres()).isEqualTo(47.5);
    assertThat(((LogEntry.Feed) rows.get(1).entries().get(0)).grams()).isEqualTo(3);
    assertThat(rows.get(1).entries().get(1)).isInstanceOf(LogEntry.Harvest.class);
    assertThat(((LogEntry.WaterChange) rows.get(2).entries().get(0)).litres()).isEqualTo(40);
  }

  @Test
  void aRowIsMendedInItsPlace() throws Exception {
    LogTable table = LogTable.parse("date;no3\n2026-11-20;2o\n2026-11-21;10\n");
    assertThat(table.rows(table.guess(), DayOrder.DAY_FIRST, Map.of(), tank, NOW).get(0).problems())
        .hasSize(1);
    Map<Integer, List<String>> mended = Map.of(1, List.of("2026-11-20", "20"));
    List<Row> rows = table.rows(table.guess(), DayOrder.DAY_FIRST, mended, tank, NOW);
    assertThat(rows).hasSize(2).allSatisfy(row -> assertThat(row.problems()).isEmpty());
    assertThat(((LogEntry.Test) rows.get(0).entries().get(0)).value()).isEqualTo(20);
  }

  @Test
  void columnsMayMeanOtherThanTheirNames() throws Exception {
    LogTable table = LogTable.parse("A,B,C\n2026-11-20,20,0.5\n");
    assertThat(table.guess()).allMatch(column -> column.meaning() == Meaning.NOTHING);
    List<Column> meant =
        List.of(
            new Column("A", Meaning.DAY, Optional.empty(), Optional.empty()),
            new Column(
                "B", Meaning.READING, Optional.of(Analyte.NITRATE), Optional.of("mg/L NO3-N")),
            new Column("C", Meaning.NOTHING, Optional.empty(), Optional.empty()));
    LogEntry.Test test =
        (LogEntry.Test)
            table.rows(meant, DayOrder.DAY_FIRST, Map.of(), tank, NOW).get(0).entries().get(0);
    assertThat(test.unit()).isEqualTo(TestUnit.NITRATE_NITROGEN);
  }

  @Test
  void tabsByteOrderMarksAndQuotesAreRead() throws Exception {
    assertThat(one("\ufeffdate\tno3\n2026-11-20\t20").value()).isEqualTo(20);
    assertThat(one("date,no3,note\n2026-11-20,20,\"clear, cold\"").note()).isEqualTo("clear, cold");
  }

  @Test
  void whatIsNoTableIsRefused() {
    assertThatThrownBy(() -> LogTable.parse("")).isInstanceOf(TankFileException.class);
    assertThatThrownBy(() -> LogTable.parse("a,a\n1,2"))
        .as("two columns of one name")
        .isInstanceOf(TankFileException.class);
    String long_ = "date,no3\n" + "2026-11-20,20\n".repeat(LogTable.MOST_ROWS + 1);
    assertThatThrownBy(() -> LogTable.parse(long_)).isInstanceOf(TankFileException.class);
  }

  /** Whatever a file holds, it is read or refused, never anything else. */
  @Test
  void noTableThrowsAnythingElse() {
    Random random = new Random(7);
    String letters = "date,no3;po4\t\"<>=.-:/ 0123456789\nabc\r|é";
    for (int i = 0; i < 4000; i++) {
      StringBuilder csv = new StringBuilder(random.nextBoolean() ? "date,no3\n" : "");
      for (int n = random.nextInt(60); n > 0; n--) {
        csv.append(letters.charAt(random.nextInt(letters.length())));
      }
      try {
        for (Row row : rows(csv.toString())) {
          assertThat(row.entries().isEmpty() || row.problems().isEmpty())
              .as(csv.toString())
              .isTrue();
        }
      } catch (TankFileException refused) {
        assertThat(refused.problems()).isNotEmpty();
      }
    }
  }
}
