package org.umberline.tankfile.table;

import java.io.IOException;
import java.io.StringReader;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
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
              : Cells.doing(name).isPresent()
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
}
