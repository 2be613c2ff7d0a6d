package org.umberline.server.log;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.Term;
import org.umberline.server.http.Refused;
import org.umberline.server.http.Terms;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.shorthand.Shorthand;
import org.umberline.tankfile.table.LogTable;
import org.umberline.tankfile.table.LogTable.Column;
import org.umberline.tankfile.table.LogTable.Meaning;
import org.umberline.tankfile.table.LogTable.Row;

/** Takes in the tables that keepers have kept elsewhere. */
@Service
public class LogTables {
  private final LogRecords log;
  private final Clock clock;

  public LogTables(LogRecords log, Clock clock) {
    this.log = log;
    this.clock = clock;
  }

  private record Read(List<Column> columns, List<Row> rows) {}

  /** What a table holds under its mapping, or under a guessed one where none is given. */
  public TableViews.TableRead read(TankModel tank, TableRequests.Table request) {
    Read read = rows(tank, request);
    Set<String> known = known(tank);
    return new TableViews.TableRead(
        read.columns.stream().map(LogTables::view).toList(),
        Stream.of(Meaning.values()).map(Meaning::term).toList(),
        Stream.of(Analyte.values()).map(Analyte::term).toList(),
        read.rows.stream().map(row -> view(row, tank, known)).toList(),
        (int) read.rows.stream().flatMap(row -> fresh(row, tank, known)).count());
  }

  /**
   * Keeps what the rows say that can be read, where it is not in the log yet.
   *
   * @return how many entries were kept
   */
  public int keep(Stored stored, UUID keeper, UUID id, TableRequests.Table request) {
    TankModel tank = stored.tank();
    Set<String> known = known(tank);
    List<Row> rows = rows(tank, request).rows;
    return log.keepEntries(
        stored.id(),
        keeper,
        id,
        rows.stream().flatMap(row -> row.entries().stream()).toList(),
        rows.stream().flatMap(row -> fresh(row, tank, known)).toList());
  }

  private Read rows(TankModel tank, TableRequests.Table request) {
    try {
      LogTable table = LogTable.parse(request.csv());
      List<Column> columns =
          request.columns() == null || request.columns().isEmpty()
              ? table.guess()
              : request.columns().stream().map(LogTables::column).toList();
      OffsetDateTime now = clock.instant().atZone(tank.timeZone()).toOffsetDateTime();
      boolean monthFirst = Boolean.TRUE.equals(request.monthFirst());
      return new Read(
          columns,
          table.rows(
              columns,
              monthFirst ? LogTable.DayOrder.MONTH_FIRST : LogTable.DayOrder.DAY_FIRST,
              mended(request),
              tank,
              now));
    } catch (TankFileException refused) {
      throw Refused.field(
          "csv", refused.problems().get(0).found(), refused.problems().get(0).allowed());
    }
  }

  private static Map<Integer, List<String>> mended(TableRequests.Table request) {
    return request.mended() == null
        ? Map.of()
        : request.mended().stream()
            .collect(
                Collectors.toMap(
                    TableRequests.MendedRow::row, TableRequests.MendedRow::cells, (a, b) -> b));
  }

  private static Column column(TableRequests.TableColumnMeant column) {
    Meaning meaning = Terms.of(Meaning.class, "meaning", column.meaning());
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

  /** What the log holds, each entry by its moment and by its day. */
  private static Set<String> known(TankModel tank) {
    Set<String> known = new HashSet<>();
    for (LogEntry entry : tank.log()) {
      String what = what(entry, tank);
      known.add(when(entry, tank, true) + what);
      known.add(when(entry, tank, false) + what);
    }
    return known;
  }

  private static String when(LogEntry entry, TankModel tank, boolean timed) {
    return timed
        ? entry.at().toInstant().toString()
        : tank.dayOf(entry.at().toInstant()).toString();
  }

  private static String what(LogEntry entry, TankModel tank) {
    return entry instanceof LogEntry.Test test
        ? " " + test.analyte() + " " + test.standardValue()
        : " " + Shorthand.words(entry, tank);
  }

  /** Entries of a row that the log doesn't hold; one without a time of day is looked for by day. */
  private static Stream<LogEntry> fresh(Row row, TankModel tank, Set<String> known) {
    return row.entries().stream()
        .filter(entry -> !known.contains(when(entry, tank, row.timed()) + what(entry, tank)));
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
        row.cells(),
        row.entries().isEmpty() ? null : row.entries().get(0).at(),
        row.entries().stream().map(entry -> Shorthand.words(entry, tank)).toList(),
        row.problems(),
        !row.entries().isEmpty() && fresh(row, tank, known).findAny().isEmpty());
  }
}
