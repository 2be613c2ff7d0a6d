package org.umberline.tankfile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import org.junit.jupiter.api.Test;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;

class LogCsvTest {
  private static TankModel tank() throws TankFileException {
    return TankFileReader.read(
            """
            {"format": "umberline-tank", "version": 1,
             "tank": {"name": "Small", "water": "freshwater", "netVolumeL": 100,
                      "startedOn": "2026-01-01", "timeZone": "Europe/Lisbon"},
             "waters": [{"id": "tap"}, {"id": "ro"}],
             "kits": [{"id": "card", "analyte": "nitrate", "method": "colour-card",
                       "steps": [0, 5, 10, 20]}],
             "log": [{"at": "2026-07-10T10:00:00+01:00", "type": "water-change", "litres": 20,
                      "water": [{"water": "tap", "share": 0.7}, {"water": "ro", "share": 0.3}],
                      "note": "slow, \\"careful\\""}]}
            """)
        .tank();
  }

  @Test
  void theLogIsWrittenOneEntryARow() throws Exception {
    String csv = LogCsv.write(tank());
    assertThat(csv.lines().findFirst().orElseThrow()).isEqualTo(String.join(",", LogCsv.COLUMNS));
    assertThat(csv).contains("water-change").contains("tap:0.7;ro:0.3").contains("\"\"careful\"\"");
  }

  @Test
  void testsOfATableJoinTheLogInTheTanksZone() throws Exception {
    TankModel tank =
        LogCsv.addTests(
                tank(),
                """
                at,analyte,value,kit,note
                2026-07-01,nitrate,10,card,first
                2026-07-20 18:30,phosphate,>0.9,,
                2026-07-21T18:30:00Z,nitrate,5,,
                """)
            .tank();
    assertThat(tank.log()).hasSize(4);
    LogEntry.Test first = (LogEntry.Test) tank.log().get(0);
    assertThat(first.at().toString()).isEqualTo("2026-07-01T12:00+01:00");
    assertThat(first.note()).isEqualTo("first");
    LogEntry.Test above = (LogEntry.Test) tank.log().get(2);
    assertThat(above.qualifier()).isEqualTo(Qualifier.ABOVE);
    assertThat(above.value()).isEqualTo(0.9);
    assertThat(above.at().toString()).isEqualTo("2026-07-20T18:30+01:00");
  }

  @Test
  void everyBadRowIsNamedAndNothingIsTaken() {
    TankFileException refused =
        catchThrowableOfType(
            TankFileException.class,
            () ->
                LogCsv.addTests(
                    tank(), "at,analyte,value\nyesterday,nitrate,10\n2026-07-01,nitrate,much\n"));
    assertThat(refused.problems())
        .extracting(Problem::pointer)
        .containsExactly("/rows/1/at", "/rows/2/value");
  }

  @Test
  void whatTheTankDoesNotKnowIsNamedByItsRow() {
    TankFileException refused =
        catchThrowableOfType(
            TankFileException.class,
            () ->
                LogCsv.addTests(
                    tank(),
                    "at,analyte,value,kit\n2026-07-01,nitrate,5,card\n2026-07-02,nitrate,5,meter\n"
                        + "2026-07-03,soup,5,\n2026-07-04,nitrate,-5,\n"));
    assertThat(refused.problems())
        .extracting(Problem::pointer)
        .contains("/rows/3/analyte", "/rows/4/value");
  }

  @Test
  void aHeadingWithoutWhatIsNeededIsRefused() {
    TankFileException refused =
        catchThrowableOfType(
            TankFileException.class, () -> LogCsv.addTests(tank(), "when,analyte\n1,2\n"));
    assertThat(refused.problems())
        .extracting(Problem::pointer)
        .contains("/heading", "/heading/when");
  }
}
