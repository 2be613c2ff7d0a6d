package org.umberline.tankfile;

import java.io.IOException;
import java.io.StringReader;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.DuplicateHeaderMode;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.Term;
import org.umberline.core.tank.TestUnit;

/**
 * Tests in a keeper's own table, whose columns are told what they mean: one column for each
 * analyte, or one for its name and one for its value. Separators are found in the heading; a
 * decimal comma is read.
 */
public final class TestTable {
  /** Most rows that are read. */
  public static final int MOST_ROWS = 20_000;

  /** Order of day and month where a date is not written year first. */
  public enum DayOrder {
    DAY_FIRST,
    MONTH_FIRST
  }

  /** What a column means; a {@code READING} column holds one analyte's readings. */
  public enum Meaning implements Term {
    NOTHING("nothing"),
    DAY("day"),
    TIME("time"),
    ANALYTE("analyte"),
    VALUE("value"),
    UNIT("unit"),
    KIT("kit"),
    NOTE("note"),
    READING("reading");

    private final String term;

    Meaning(String term) {
      this.term = term;
    }

    @Override
    public String term() {
      return term;
    }
  }

  /**
   * A column of the table.
   *
   * @param analyte of a column of readings
   * @param unit of its readings, or of all values; empty for the kit's or the usual one
   */
  public record Column(
      String name, Meaning meaning, Optional<Analyte> analyte, Optional<String> unit) {}

  /**
   * A row as it was read.
   *
   * @param number the first row under the heading is 1
   * @param tests none when anything in it can't be read
   * @param problems what can't be read
   */
  public record Row(int number, List<LogEntry.Test> tests, List<String> problems) {}

  private static final Pattern YEAR_LAST =
      Pattern.compile("(\\d{1,2})[./-](\\d{1,2})[./-](\\d{4})");
  private static final Pattern YEAR_FIRST =
      Pattern.compile("(\\d{4})[./-](\\d{1,2})[./-](\\d{1,2})");

  private final List<String> headings;
  private final List<CSVRecord> records;

  private TestTable(List<String> headings, List<CSVRecord> records) {
    this.headings = headings;
    this.records = records;
  }

  /**
   * Reads the table's cells.
   *
   * @throws TankFileException when it is no table, or has too many rows
   */
  public static TestTable parse(String csv) throws TankFileException {
    String heading = csv.lines().findFirst().orElse("");
    char separator = ',';
    for (char candidate : new char[] {';', '\t'}) {
      if (count(heading, candidate) > count(heading, separator)) {
        separator = candidate;
      }
    }
    CSVFormat format =
        CSVFormat.RFC4180
            .builder()
            .setDelimiter(separator)
            .setHeader()
            .setSkipHeaderRecord(true)
            .setAllowMissingColumnNames(true)
            .setDuplicateHeaderMode(DuplicateHeaderMode.ALLOW_EMPTY)
            .setTrim(true)
            .setIgnoreEmptyLines(true)
            .get();
    String text = csv.startsWith("\ufeff") ? csv.substring(1) : csv;
    try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
      List<CSVRecord> records = parser.getRecords();
      if (parser.getHeaderNames().isEmpty() || records.size() > MOST_ROWS) {
        throw refused(
            records.size() + " rows", "a heading and at most " + MOST_ROWS + " rows under it");
      }
      return new TestTable(List.copyOf(parser.getHeaderNames()), records);
    } catch (IOException | java.io.UncheckedIOException | IllegalArgumentException e) {
      throw refused(String.valueOf(e.getMessage()), "a table with a heading");
    }
  }

  private static TankFileException refused(String found, String allowed) {
    return new TankFileException(List.of(new Problem("", found, allowed)));
  }

  private static long count(String text, char wanted) {
    return text.chars().filter(c -> c == wanted).count();
  }

  /** What the columns seem to mean by their names; the keeper has the last word. */
  public List<Column> guess() {
    List<Column> columns = new ArrayList<>();
    for (String name : headings) {
      String word = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", " ").trim();
      Optional<Analyte> analyte = LogWords.analyte(word);
      Meaning meaning =
          analyte.isPresent()
              ? Meaning.READING
              : switch (word) {
                case "date", "day", "at", "when" -> Meaning.DAY;
                case "time", "hour" -> Meaning.TIME;
                case "analyte", "test", "parameter" -> Meaning.ANALYTE;
                case "value", "result", "reading" -> Meaning.VALUE;
                case "unit", "units" -> Meaning.UNIT;
                case "kit" -> Meaning.KIT;
                case "note", "notes", "comment", "remark" -> Meaning.NOTE;
                default -> Meaning.NOTHING;
              };
      columns.add(new Column(name, meaning, analyte, Optional.empty()));
    }
    return columns;
  }

  /** Every row under what the columns mean. Rows before the tank began can't be read. */
  public List<Row> rows(List<Column> columns, DayOrder order, TankModel tank, OffsetDateTime now) {
    List<Row> rows = new ArrayList<>();
    for (CSVRecord record : records) {
      List<String> problems = new ArrayList<>();
      List<LogEntry.Test> tests = new ArrayList<>();
      Optional<OffsetDateTime> at = at(record, columns, order, tank, now, problems);
      Optional<String> kit = cell(record, columns, Meaning.KIT);
      String note = cell(record, columns, Meaning.NOTE).orElse("");
      at.ifPresent(
          instant -> {
            for (Column column : columns) {
              if (column.meaning() == Meaning.READING && column.analyte().isPresent()) {
                String value = cell(record, column.name());
                if (!value.isEmpty()) {
                  add(
                      tests,
                      instant,
                      column.analyte().get(),
                      value,
                      column.unit(),
                      kit,
                      note,
                      tank,
                      problems);
                }
              }
            }
            cell(record, columns, Meaning.ANALYTE)
                .ifPresent(
                    name ->
                        named(record, columns, name, instant, kit, note, tank, tests, problems));
          });
      if (tests.isEmpty() && problems.isEmpty()) {
        continue;
      }
      rows.add(
          new Row(
              (int) record.getRecordNumber(),
              problems.isEmpty() ? tests : List.of(),
              List.copyOf(problems)));
    }
    return rows;
  }

  private static void named(
      CSVRecord record,
      List<Column> columns,
      String name,
      OffsetDateTime at,
      Optional<String> kit,
      String note,
      TankModel tank,
      List<LogEntry.Test> tests,
      List<String> problems) {
    Optional<Analyte> analyte = LogWords.analyte(name.toLowerCase(Locale.ROOT));
    if (analyte.isEmpty()) {
      problems.add("“" + name + "” is no analyte that is read.");
      return;
    }
    String value = cell(record, columns, Meaning.VALUE).orElse("");
    add(
        tests,
        at,
        analyte.get(),
        value,
        cell(record, columns, Meaning.UNIT),
        kit,
        note,
        tank,
        problems);
  }

  private static void add(
      List<LogEntry.Test> tests,
      OffsetDateTime at,
      Analyte analyte,
      String written,
      Optional<String> unitName,
      Optional<String> kitName,
      String note,
      TankModel tank,
      List<String> problems) {
    Qualifier qualifier =
        written.startsWith("<")
            ? Qualifier.BELOW
            : written.startsWith(">") ? Qualifier.ABOVE : Qualifier.EQUAL;
    String digits =
        (qualifier == Qualifier.EQUAL ? written : written.substring(1)).trim().replace(',', '.');
    if (!digits.matches("-?\\d{1,12}(\\.\\d{1,12})?")) {
      problems.add(analyte.term() + ": “" + written + "” is no number.");
      return;
    }
    Optional<Kit> kit = tank.kits().stream().filter(k -> k.analyte() == analyte).findFirst();
    if (kitName.isPresent()) {
      kit =
          tank.kits().stream()
              .filter(k -> k.analyte() == analyte && k.id().equalsIgnoreCase(kitName.get()))
              .findFirst();
      if (kit.isEmpty()) {
        problems.add("No kit for " + analyte.term() + " is called “" + kitName.get() + "”.");
        return;
      }
    }
    Optional<TestUnit> named = unitName.flatMap(label -> TestUnit.find(analyte, label));
    if (unitName.isPresent() && named.isEmpty()) {
      problems.add("“" + unitName.get() + "” is no unit of " + analyte.term() + ".");
      return;
    }
    TestUnit unit = named.orElse(kit.map(Kit::unit).orElse(analyte.standardUnit()));
    double read = Double.parseDouble(digits);
    double value = named.isPresent() ? read : Meant.standard(analyte, read, tank.water());
    double most = analyte.greatest() / unit.standardPerUnit();
    double least = analyte.least();
    if (!(value >= least && value <= most)) {
      problems.add(
          "%s %s can’t be right; %s to %s %s is read."
              .formatted(
                  analyte.term(),
                  written,
                  Figures.plain(least),
                  Figures.plain(most),
                  unit.label()));
      return;
    }
    tests.add(new LogEntry.Test(at, analyte, value, unit, kit.map(Kit::id), qualifier, note));
  }

  private static Optional<OffsetDateTime> at(
      CSVRecord record,
      List<Column> columns,
      DayOrder order,
      TankModel tank,
      OffsetDateTime now,
      List<String> problems) {
    String written = cell(record, columns, Meaning.DAY).orElse("");
    String time = cell(record, columns, Meaning.TIME).orElse("");
    try {
      OffsetDateTime at;
      if (written.matches("\\d{4}-\\d\\d-\\d\\dT.*([zZ]|[+-]\\d\\d:\\d\\d)")) {
        at = OffsetDateTime.parse(written);
      } else {
        String[] parts = written.split("[T ]+", 2);
        LocalDate day = day(parts[0], order);
        String clock = time.isEmpty() && parts.length > 1 ? parts[1] : time;
        ZonedDateTime local = day.atTime(clock(clock)).atZone(tank.timeZone());
        at = local.toOffsetDateTime();
      }
      if (at.isAfter(now)) {
        problems.add("“" + written + "” is still to come.");
        return Optional.empty();
      }
      LocalDate day = tank.dayOf(at.toInstant());
      if (!Years.holds(day)) {
        problems.add("“" + written + "” is not " + Years.ALLOWED + ".");
        return Optional.empty();
      }
      if (tank.startedOn().isPresent() && day.isBefore(tank.startedOn().get())) {
        problems.add(day + " is before the tank began, " + tank.startedOn().get() + ".");
        return Optional.empty();
      }
      return Optional.of(at);
    } catch (DateTimeException e) {
      problems.add("“" + (written + " " + time).trim() + "” is no day that can be read.");
      return Optional.empty();
    }
  }

  private static LocalTime clock(String written) {
    if (written.isEmpty()) {
      return LocalTime.NOON;
    }
    return LocalTime.parse(written.indexOf(':') == 1 ? "0" + written : written);
  }

  private static LocalDate day(String written, DayOrder order) {
    Matcher first = YEAR_FIRST.matcher(written);
    if (first.matches()) {
      return LocalDate.of(number(first, 1), number(first, 2), number(first, 3));
    }
    Matcher last = YEAR_LAST.matcher(written);
    if (last.matches()) {
      int day = order == DayOrder.DAY_FIRST ? 1 : 2;
      return LocalDate.of(number(last, 3), number(last, 3 - day), number(last, day));
    }
    throw new DateTimeException(written);
  }

  private static int number(Matcher matcher, int group) {
    return Integer.parseInt(matcher.group(group));
  }

  private static Optional<String> cell(CSVRecord record, List<Column> columns, Meaning meaning) {
    return columns.stream()
        .filter(column -> column.meaning() == meaning)
        .map(column -> cell(record, column.name()))
        .filter(text -> !text.isEmpty())
        .findFirst();
  }

  private static String cell(CSVRecord record, String column) {
    return record.isMapped(column) && record.isSet(column) ? record.get(column) : "";
  }
}
