package org.umberline.tankfile.table;

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
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.DuplicateHeaderMode;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.Term;
import org.umberline.tankfile.LogWords;
import org.umberline.tankfile.Problem;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.Years;
import org.umberline.tankfile.shorthand.Reading;
import org.umberline.tankfile.shorthand.Shorthand;

/**
 * A keeper's own table of what was measured and done, whose columns are told what they mean: one
 * column for each analyte, or one for its name and one for its value; a column may also say what
 * was done, each cell as in the entry line. Separators are found in the heading; a decimal comma is
 * read. Each cell is read as the entry line reads it.
 */
public final class LogTable {
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
    READING("reading"),
    DONE("what was done");

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
   * @param cells as they stand in the table, a column each
   * @param timed whether it names a time of the day
   * @param entries none when anything in it can't be read
   * @param problems what can't be read
   */
  public record Row(
      int number,
      List<String> cells,
      boolean timed,
      List<LogEntry> entries,
      List<String> problems) {}

  private static final Pattern YEAR_LAST =
      Pattern.compile("(\\d{1,2})[./-](\\d{1,2})[./-](\\d{4})");

  private static final int MONTHS = 12;

  /** About: what a keeper guessed is what was read. */
  private static final Pattern ABOUT = Pattern.compile("^(~|≈|ca\\.?|about)\\s*");

  /** A heading such as “fed worms (g)”: what it says of every cell, and the unit of its numbers. */
  private static final Pattern WITH_UNIT =
      Pattern.compile("(?<words>.*?)[\\s,]*[\\[(]?(?<unit>%|g|ml|mL|l|L|litres)[\\])]?$");

  private static final Set<String> YES = Set.of("x", "✓", "yes", "y", "true", "1", "done");

  private static final Pattern YEAR_FIRST =
      Pattern.compile("(\\d{4})[./-](\\d{1,2})[./-](\\d{1,2})");

  private final List<String> headings;
  private final List<List<String>> rows;

  private LogTable(List<String> headings, List<List<String>> rows) {
    this.headings = headings;
    this.rows = rows;
  }

  /**
   * Reads the table's cells.
   *
   * @throws TankFileException when it is no table, or has too many rows
   */
  public static LogTable parse(String csv) throws TankFileException {
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
      List<String> headings = List.copyOf(parser.getHeaderNames());
      List<List<String>> rows = new ArrayList<>();
      for (CSVRecord row : records) {
        rows.add(
            IntStream.range(0, headings.size())
                .mapToObj(column -> column < row.size() ? row.get(column) : "")
                .toList());
      }
      return new LogTable(headings, rows);
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
              : doing(name).isPresent()
                  ? Meaning.DONE
                  : switch (word) {
                    case "date", "day", "at", "when" -> Meaning.DAY;
                    case "time", "hour" -> Meaning.TIME;
                    case "analyte", "test", "parameter" -> Meaning.ANALYTE;
                    case "value", "result", "reading" -> Meaning.VALUE;
                    case "unit", "units" -> Meaning.UNIT;
                    case "kit" -> Meaning.KIT;
                    case "done", "what", "entry", "work" -> Meaning.DONE;
                    case "note", "notes", "comment", "remark" -> Meaning.NOTE;
                    default -> Meaning.NOTHING;
                  };
      columns.add(new Column(name, meaning, analyte, Optional.empty()));
    }
    return columns;
  }

  /**
   * Every row under what the columns mean. Rows before the tank began can't be read.
   *
   * @param mended cells of rows that the keeper set right, by the rows' numbers
   */
  public List<Row> rows(
      List<Column> columns,
      DayOrder order,
      Map<Integer, List<String>> mended,
      TankModel tank,
      OffsetDateTime now) {
    List<Row> read = new ArrayList<>();
    for (int i = 0; i < rows.size(); i++) {
      List<String> cells = mended.getOrDefault(i + 1, rows.get(i));
      Row row = new Cells(columns, cells).read(i + 1, order, tank, now);
      if (!row.entries().isEmpty() || !row.problems().isEmpty()) {
        read.add(row);
      }
    }
    return read;
  }

  /** What the heading of a column of things done says of each of its cells. */
  private static Optional<String> doing(String heading) {
    String words = heading.strip().toLowerCase(Locale.ROOT);
    String first = words.replaceFirst("^water (?=change)", "").split("[^a-z]+", 2)[0];
    return Shorthand.verbs().contains(first) && !first.equals("note")
        ? Optional.of(words)
        : Optional.empty();
  }

  /** The cells of one row under what their columns mean. */
  private record Cells(List<Column> columns, List<String> cells) {
    private Row read(int number, DayOrder order, TankModel tank, OffsetDateTime now) {
      List<String> problems = new ArrayList<>();
      List<LogEntry> entries = new ArrayList<>();
      at(order, tank, now, problems)
          .ifPresent(
              time -> {
                ZonedDateTime at = time.atZoneSameInstant(tank.timeZone());
                for (String line : lines()) {
                  Reading reading = Shorthand.read(line + remark(), tank, at);
                  problems.addAll(reading.problems());
                  entries.addAll(reading.entries());
                }
              });
      boolean timed =
          first(Meaning.TIME).isPresent() || first(Meaning.DAY).orElse("").contains(":");
      return new Row(
          number,
          cells,
          timed,
          problems.isEmpty() ? List.copyOf(entries) : List.of(),
          List.copyOf(problems));
    }

    /** What the row says, in lines as they are typed. */
    private List<String> lines() {
      List<String> lines = new ArrayList<>();
      for (int i = 0; i < columns.size(); i++) {
        Column column = columns.get(i);
        String cell = cell(i);
        if (cell.isEmpty()) {
          continue;
        }
        if (column.meaning() == Meaning.READING && column.analyte().isPresent()) {
          lines.add(test(LogWords.wordFor(column.analyte().get()), cell, column.unit()));
        } else if (column.meaning() == Meaning.DONE) {
          lines.add(done(column.name(), cell));
        }
      }
      first(Meaning.ANALYTE)
          .ifPresent(
              name -> lines.add(test(name, first(Meaning.VALUE).orElse(""), first(Meaning.UNIT))));
      return lines;
    }

    private String test(String word, String cell, Optional<String> unit) {
      String value = ABOUT.matcher(cell).replaceFirst("");
      boolean named = value.chars().anyMatch(Character::isLetter);
      return word
          + " "
          + value
          + (named ? "" : unit.map(label -> " " + label).orElse(""))
          + first(Meaning.KIT).map(kit -> " \"" + kit + "\"").orElse("");
    }

    private static String done(String heading, String cell) {
      Optional<String> doing = doing(heading);
      if (doing.isEmpty()) {
        return cell;
      }
      Matcher unit = WITH_UNIT.matcher(doing.get());
      String words = unit.matches() ? unit.group("words") : doing.get();
      if (YES.contains(cell.toLowerCase(Locale.ROOT))) {
        return words;
      }
      boolean bare = cell.matches("[\\d.,]+");
      return words + " " + cell + (bare && unit.matches() ? " " + unit.group("unit") : "");
    }

    private String remark() {
      return first(Meaning.NOTE).map(note -> " # " + note).orElse("");
    }

    private Optional<OffsetDateTime> at(
        DayOrder order, TankModel tank, OffsetDateTime now, List<String> problems) {
      String written = first(Meaning.DAY).orElse("");
      String time = first(Meaning.TIME).orElse("");
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

    private Optional<String> first(Meaning meaning) {
      return IntStream.range(0, columns.size())
          .filter(i -> columns.get(i).meaning() == meaning)
          .mapToObj(this::cell)
          .filter(text -> !text.isEmpty())
          .findFirst();
    }

    private String cell(int column) {
      return column < cells.size() ? cells.get(column).strip() : "";
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
      // with points the day leads; a number over twelve is no month
      boolean told = written.contains(".") || number(last, 1) > MONTHS || number(last, 2) > MONTHS;
      boolean dayLeads = told ? number(last, 2) <= MONTHS : order == DayOrder.DAY_FIRST;
      int day = dayLeads ? 1 : 2;
      return LocalDate.of(number(last, 3), number(last, 3 - day), number(last, day));
    }
    throw new DateTimeException(written);
  }

  private static int number(Matcher matcher, int group) {
    return Integer.parseInt(matcher.group(group));
  }
}
