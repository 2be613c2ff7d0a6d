package org.umberline.server.log;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.Term;
import org.umberline.server.http.Refused;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TestTable;
import org.umberline.tankfile.TestTable.Column;
import org.umberline.tankfile.TestTable.Meaning;
import org.umberline.tankfile.TestTable.Row;
import org.umberline.tankfile.shorthand.Shorthand;

/** Takes in the tables of tests keepers have kept elsewhere. */
@Service
public class TestTables {
  private final LogRecords log;
  private final Clock clock;

  public TestTables(LogRecords log, Clock clock) {
    this.log = log;
    this.clock = clock;
  }

  private record Read(List<Column> columns, List<Row> rows) {}

  /** What a table holds under its mapping, or under a guessed one where none is given. */
  public TableViews.TableRead read(TankModel tank, TableRequests.Table request) {
    Read read = rows(tank, request);
    Set<String> known = known(tank);
    return new TableViews.TableRead(
        read.columns.stream().map(TestTables::view).toList(),
        Stream.of(Meaning.values()).map(Meaning::term).toList(),
        Stream.of(Analyte.values()).map(Analyte::term).toList(),
        read.rows.stream().map(row -> view(row, tank, known)).toList(),
        (int) read.rows.stream().flatMap(row -> fresh(row, known)).count());
  }

  /**
   * Keeps the tests of the rows that can be read and are not in the log yet.
   *
   * @return how many tests were kept
   */
  public int keep(Stored stored, UUID keeper, UUID id, TableRequests.Table request) {
    Set<String> known = known(stored.tank());
    List<Row> rows = rows(stored.tank(), request).rows;
    return log.keepEntries(
        stored.id(),
        keeper,
        id,
        rows.stream().flatMap(row -> row.tests().stream()).map(LogEntry.class::cast).toList(),
        rows.stream().flatMap(row -> fresh(row, known)).map(LogEntry.class::cast).toList());
  }

  private Read rows(TankModel tank, TableRequests.Table request) {
    try {
      TestTable table = TestTable.parse(request.csv());
      List<Column> columns =
          request.columns() == null || request.columns().isEmpty()
              ? table.guess()
              : request.columns().stream().map(TestTables::column).toList();
      OffsetDateTime now = clock.instant().atZone(tank.timeZone()).toOffsetDateTime();
      boolean monthFirst = Boolean.TRUE.equals(request.monthFirst());
      return new Read(
          columns,
          table.rows(
              columns,
              monthFirst ? TestTable.DayOrder.MONTH_FIRST : TestTable.DayOrder.DAY_FIRST,
              tank,
              now));
    } catch (TankFileException refused) {
      throw Refused.field(
          "csv", refused.problems().get(0).found(), refused.problems().get(0).allowed());
    }
  }

  private static Column column(TableRequests.TableColumnMeant column) {
    Meaning meaning =
        Term.find(Meaning.class, column.meaning())
            .orElseThrow(
                () -> Refused.field("meaning", column.meaning(), "one of the meanings offered"));
    Optional<Analyte> analyte =
        Optional.ofNullable(column.analyte()).flatMap(term -> Term.find(Analyte.class, term));
    if (meaning == Meaning.READING && analyte.isEmpty()) {
      throw Refused.field("analyte", String.valueOf(column.analyte()), "the analyte that was read");
    }
    return new Column(
        column.name(),
        meaning,
        analyte,
        Optional.ofNullable(column.unit()).filter(unit -> !unit.isBlank()));
  }

  private static Set<String> known(TankModel tank) {
    Set<String> known = new HashSet<>();
    tank.log().stream()
        .filter(LogEntry.Test.class::isInstance)
        .forEach(entry -> known.add(key((LogEntry.Test) entry)));
    return known;
  }

  private static String key(LogEntry.Test test) {
    return test.at().toInstant() + " " + test.analyte() + " " + test.standardValue();
  }

  private static Stream<LogEntry.Test> fresh(Row row, Set<String> known) {
    return row.tests().stream().filter(test -> !known.contains(key(test)));
  }

  private static TableViews.TableColumn view(Column column) {
    return new TableViews.TableColumn(
        column.name(),
        column.meaning().term(),
        column.analyte().map(Analyte::term).orElse(null),
        column.unit().orElse(null));
  }

  private static TableViews.TableRow view(Row row, TankModel tank, Set<String> known) {
    return new TableViews.TableRow(
        row.number(),
        row.tests().isEmpty() ? null : row.tests().get(0).at(),
        row.tests().stream().map(test -> Shorthand.words(test, tank)).toList(),
        row.problems(),
        !row.tests().isEmpty() && fresh(row, known).findAny().isEmpty());
  }
}
