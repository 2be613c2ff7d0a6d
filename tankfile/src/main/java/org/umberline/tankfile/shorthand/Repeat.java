package org.umberline.tankfile.shorthand;

import java.time.DayOfWeek;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberline.tankfile.Figures;

/** What was done again and again: every thursday since october, every 10 days since 1 oct. */
record Repeat(int everyDays, Optional<DayOfWeek> weekday) {
  /** Entries that one line may make. */
  private static final int MOST = 200;

  private static final int LONGEST_DAYS = 365;
  private static final int WEEK = 7;
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);

  /** Reads what follows the word every; the day since when it was done is left in {@code time}. */
  static Repeat read(Words words, When time) throws Unreadable {
    Optional<DayOfWeek> weekday = time.takeWeekday();
    double days = WEEK;
    if (weekday.isEmpty()) {
      double count = words.takeIf("other") ? 2 : words.takeNumber().orElse(1.0);
      String unit = words.take();
      days =
          count
              * switch (unit) {
                case "day", "days", "d" -> 1;
                case "week", "weeks" -> WEEK;
                default ->
                    throw new Unreadable(
                        "Every what? Write every thursday, every 10 days or every 2 weeks.");
              };
      if (!(days >= 1 && days <= LONGEST_DAYS)) {
        throw new Unreadable("Every " + Figures.plain(days) + " days is not read; 1 to 365 are.");
      }
    }
    if (!words.takeIf("since") && !words.takeIf("from") || !time.takeDayOrMonth()) {
      throw new Unreadable("Since when? Write every thursday since 1 oct.");
    }
    return new Repeat((int) Math.round(days), weekday);
  }

  /** The times from {@code since} to {@code now}, the first first. */
  List<ZonedDateTime> times(ZonedDateTime since, ZonedDateTime now) throws Unreadable {
    ZonedDateTime first =
        weekday.map(day -> since.with(TemporalAdjusters.nextOrSame(day))).orElse(since);
    List<ZonedDateTime> times =
        Stream.iterate(first, time -> !time.isAfter(now), time -> time.plusDays(everyDays))
            .limit(MOST + 1L)
            .toList();
    if (times.isEmpty()) {
      throw new Unreadable("Nothing falls between " + DAY.format(since) + " and now.");
    }
    if (times.size() > MOST) {
      throw new Unreadable("That would be more than " + MOST + " entries; begin later.");
    }
    return times;
  }

  /** How often, and from when to when. */
  static String words(List<ZonedDateTime> times) {
    return times.size() == 1
        ? ", once, " + DAY.format(times.get(0))
        : ", "
            + times.size()
            + " times, from "
            + DAY.format(times.get(0))
            + " to "
            + DAY.format(times.get(times.size() - 1));
  }
}
