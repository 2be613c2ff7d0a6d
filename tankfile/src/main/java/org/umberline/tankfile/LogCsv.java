package org.umberline.tankfile;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A tank's log as comma-separated values (RFC 4180), and tests taken in from such a table. */
public final class LogCsv {
  /** The columns of a log that is written, in order. */
  public static final List<String> COLUMNS =
      List.of(
          "at",
          "type",
          "analyte",
          "qualifier",
          "value",
          "unit",
          "kit",
          "litres",
          "water",
          "siphonedShareOfBed",
          "export",
          "caughtG",
          "massG",
          "plant",
          "wetMassG",
          "fertiliser",
          "ml",
          "additive",
          "removedAfterHours",
          "food",
          "grams",
          "days",
          "name",
          "who",
          "what",
          "expected",
          "sign",
          "severity",
          "looks",
          "note");

  /** The columns a table of tests may have; the first three it must. */
  private static final List<String> TEST_COLUMNS =
      List.of("at", "analyte", "value", "unit", "kit", "qualifier", "note");

  private static final int NEEDED = 3;

  private LogCsv() {}

  /**
   * The whole log, one entry a row, the heading first; a blend is written {@code tap:0.7;ro:0.3}.
   */
  public static String write(TankModel tank) {
    StringWriter text = new StringWriter();
    CSVFormat format = CSVFormat.RFC4180.builder().setHeader(COLUMNS.toArray(String[]::new)).get();
    try (CSVPrinter printer = new CSVPrinter(text, format)) {
      for (LogEntry entry : tank.log()) {
        ObjectNode node = TankFileWriter.entry(entry);
        printer.printRecord(COLUMNS.stream().map(column -> cell(node.path(column))).toList());
      }
    } catch (IOException e) {
      throw new IllegalStateException("a string could not be written to", e);
    }
    return text.toString();
  }

  private static String cell(JsonNode value) {
    if (value.isArray()) {
      return value
          .valueStream()
          .map(
              part ->
                  part.isString()
                      ? part.asString()
                      : part.path("water").asString() + ":" + part.path("share").asString())
          .collect(Collectors.joining(";"));
    }
    if (value.isMissingNode() || value.isNull()) {
      return "";
    }
    return value.isString() ? harmless(value.asString()) : value.asString();
  }

  /** A spreadsheet would compute a cell that begins so; an apostrophe makes it text. */
  private static boolean computes(String cell) {
    return !cell.isEmpty() && "=+-@\t\r".indexOf(cell.charAt(0)) >= 0;
  }

  private static String harmless(String text) {
    return computes(text) ? "'" + text : text;
  }

  private static String asWritten(String cell) {
    return cell.startsWith("'") && computes(cell.substring(1)) ? cell.substring(1) : cell;
  }

  /**
   * The tank with the tests of a table added to its log. The table's heading names its columns:
   * {@code at}, {@code analyte} and {@code value} are needed, {@code unit}, {@code kit}, {@code
   * qualifier} and {@code note} may stand; a value may carry its {@code <} or {@code >}. A day
   * without a time means noon, a time without an offset the tank's zone.
   *
   * @throws TankFileException with every problem of the table, pointers being {@code
   *     /rows/<number>/<column>}, the first row under the heading being 1
   */
  public static TankFile addTests(TankModel tank, String csv) throws TankFileException {
    List<Problem> problems = new ArrayList<>();
    ObjectNode tree = TankFileWriter.tree(tank);
    ArrayNode log = tree.withArray("log");
    int before = log.size();
    for (CSVRecord row : rows(csv)) {
      log.add(test(row, tank.timeZone(), problems));
    }
    if (!problems.isEmpty()) {
      throw new TankFileException(problems);
    }
    try {
      return TankFileReader.read(Json.compact(tree));
    } catch (TankFileException refused) {
      throw new TankFileException(
          refused.problems().stream().map(problem -> ofRow(problem, before)).toList());
    }
  }

  private static List<CSVRecord> rows(String csv) throws TankFileException {
    CSVFormat format =
        CSVFormat.RFC4180
            .builder()
            .setHeader()
            .setSkipHeaderRecord(true)
            .setTrim(true)
            .setIgnoreEmptyLines(true)
            .get();
    try (CSVParser parser = CSVParser.parse(new StringReader(csv), format)) {
      List<String> names = parser.getHeaderNames();
      List<Problem> problems = new ArrayList<>();
      for (String needed : TEST_COLUMNS.subList(0, NEEDED)) {
        if (!names.contains(needed)) {
          problems.add(new Problem("/heading", String.join(",", names), "a column " + needed));
        }
      }
      for (String name : names) {
        if (!TEST_COLUMNS.contains(name)) {
          problems.add(
              new Problem("/heading/" + name, name, "one of " + String.join(", ", TEST_COLUMNS)));
        }
      }
      if (!problems.isEmpty()) {
        throw new TankFileException(problems);
      }
      return parser.getRecords();
    } catch (IOException | java.io.UncheckedIOException | IllegalArgumentException e) {
      throw new TankFileException(
          List.of(new Problem("", String.valueOf(e.getMessage()), "a table with a heading")));
    }
  }

  private static ObjectNode test(CSVRecord row, ZoneId zone, List<Problem> problems) {
    ObjectNode test = JsonNodeFactory.instance.objectNode();
    String pointer = "/rows/" + row.getRecordNumber() + "/";
    test.put("at", instant(cell(row, "at"), zone, pointer + "at", problems));
    test.put("type", "test");
    test.put("analyte", cell(row, "analyte"));
    String value = cell(row, "value");
    String qualifier = cell(row, "qualifier");
    if (value.startsWith("<") || value.startsWith(">")) {
      qualifier = value.substring(0, 1);
      value = value.substring(1).trim();
    }
    try {
      test.put("value", Double.parseDouble(value));
    } catch (NumberFormatException e) {
      problems.add(new Problem(pointer + "value", value, "a number, with < or > before it if so"));
    }
    for (String column : Set.of("unit", "kit", "note")) {
      if (!cell(row, column).isEmpty()) {
        test.put(column, cell(row, column));
      }
    }
    if (!qualifier.isEmpty()) {
      test.put("qualifier", qualifier);
    }
    return test;
  }

  private static String cell(CSVRecord row, String column) {
    return row.isMapped(column) && row.isSet(column) ? asWritten(row.get(column)) : "";
  }

  private static String instant(
      String written, ZoneId zone, String pointer, List<Problem> problems) {
    try {
      if (written.length() == "2026-11-25".length()) {
        return at(LocalDate.parse(written).atTime(LocalTime.NOON), zone);
      }
      String text = written.replace(' ', 'T');
      boolean offset = text.endsWith("Z") || text.matches(".*T.*[+-]\\d\\d:\\d\\d");
      return offset ? OffsetDateTime.parse(text).toString() : at(LocalDateTime.parse(text), zone);
    } catch (DateTimeException e) {
      problems.add(
          new Problem(pointer, written, "a day such as 2026-11-25, with a time if it is known"));
      return "";
    }
  }

  private static String at(LocalDateTime local, ZoneId zone) {
    return local.atZone(zone).toOffsetDateTime().toString();
  }

  /** A problem of the log's entries told as one of the table's rows. */
  private static Problem ofRow(Problem problem, int before) {
    String[] steps = problem.pointer().split("/", 4);
    if (steps.length > 2 && steps[1].equals("log")) {
      int row = Integer.parseInt(steps[2]) - before + 1;
      String rest = steps.length > 3 ? "/" + steps[3] : "";
      return new Problem("/rows/" + row + rest, problem.found(), problem.allowed());
    }
    return problem;
  }
}
