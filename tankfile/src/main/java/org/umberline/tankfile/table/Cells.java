package org.umberline.tankfile.table;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.LogWords;
import org.umberline.tankfile.Years;
import org.umberline.tankfile.shorthand.Reading;
import org.umberline.tankfile.shorthand.Shorthand;
import org.umberline.tankfile.table.LogTable.Column;
import org.umberline.tankfile.table.LogTable.DayOrder;
import org.umberline.tankfile.table.LogTable.Meaning;
import org.umberline.tankfile.table.LogTable.Row;

/** The cells of one row under what their columns mean. */
record Cells(List<Column> columns, List<String> cells) {
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

  Row read(int number, DayOrder order, TankModel tank, OffsetDateTime now) {
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
    boolean timed = first(Meaning.TIME).isPresent() || first(Meaning.DAY).orElse("").contains(":");
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

  /** What the heading of a column of things done says of each of its cells. */
  static Optional<String> doing(String heading) {
    String words = heading.strip().toLowerCase(Locale.ROOT);
    String first = words.replaceFirst("^water (?=change)", "").split("[^a-z]+", 2)[0];
    return Shorthand.verbs().contains(first) && !first.equals("note")
        ? Optional.of(words)
        : Optional.empty();
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
