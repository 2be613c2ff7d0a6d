package org.umberline.tankfile.shorthand;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.Month;
import java.time.MonthDay;
import java.time.Year;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.format.TextStyle;
import java.time.temporal.TemporalAdjusters;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.Years;

/**
 * The time of a line as people write it: yesterday, last sunday, 1 Oct, 04 Oct 2026, 22.6.26,
 * 2026-10-04, 2 days ago, 18:30. A day without a year is the latest of that date.
 */
final class When {
  private static final Pattern ISO = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");
  private static final Pattern POINTS =
      Pattern.compile("(\\d{1,2})\\.(\\d{1,2})\\.(\\d{4}|\\d{2})");
  private static final Pattern SLASHES = Pattern.compile("(\\d{1,2})/(\\d{1,2})/(\\d{4}|\\d{2})");
  private static final Pattern CLOCK = Pattern.compile("\\d{1,2}:\\d{2}.*");
  private static final Pattern DAY = Pattern.compile("\\d{1,2}");
  private static final Pattern YEAR = Pattern.compile("\\d{4}");
  private static final Set<String> ORDINALS = Set.of("st", "nd", "rd", "th");
  private static final int CENTURY = 2000;
  private static final int MONTHS = 12;

  private final Words words;
  private final ZonedDateTime now;
  private ZonedDateTime at;

  When(Words words, ZonedDateTime now) {
    this.words = words;
    this.now = now;
    at = now;
  }

  /** The time that was read so far; the present where none was. */
  ZonedDateTime at() {
    return at;
  }

  /** Whether the number that comes next belongs to a time. */
  boolean begins() {
    return !words.isQuoted() && DAY.matcher(words.peek()).matches() && (isAgo() || isDayOfMonth());
  }

  private boolean isAgo() {
    return words.peek().matches("\\d+") && words.peek(2).equals("ago");
  }

  private boolean isDayOfMonth() {
    int month = ORDINALS.contains(words.peek(1)) ? 2 : 1;
    return DAY.matcher(words.peek()).matches() && month(words.peek(month)).isPresent();
  }

  private static Optional<DayOfWeek> weekday(String word) {
    return Arrays.stream(DayOfWeek.values())
        .filter(day -> isNamed(word, day.getDisplayName(TextStyle.FULL, Locale.ENGLISH)))
        .findFirst();
  }

  private static Optional<Month> month(String word) {
    return Arrays.stream(Month.values())
        .filter(month -> isNamed(word, month.getDisplayName(TextStyle.FULL, Locale.ENGLISH)))
        .findFirst();
  }

  /** The whole name, or its beginning from three letters on: tue, tues, sept. */
  private static boolean isNamed(String word, String name) {
    return word.length() >= 3 && name.toLowerCase(Locale.ROOT).startsWith(word);
  }

  /**
   * Takes a time where one comes next.
   *
   * @return whether one did
   */
  boolean take() throws Unreadable {
    if (words.isQuoted()) {
      return false;
    }
    words.takeIf("at");
    words.takeIf("on");
    if (words.peek().equals("last") && weekday(words.peek(1)).isPresent()) {
      words.take();
    }
    String word = words.peek();
    if (word.equals("yesterday") || word.equals("today") || word.equals("now")) {
      words.take();
      day(now.toLocalDate().minusDays(word.equals("yesterday") ? 1 : 0));
    } else if (ISO.matcher(word).matches()) {
      words.take();
      day(word, () -> LocalDate.parse(word));
    } else if (POINTS.matcher(word).matches() || SLASHES.matcher(word).matches()) {
      words.take();
      numbers(word);
    } else if (weekday(word).isPresent()) {
      words.take();
      day(now.toLocalDate().with(TemporalAdjusters.previous(weekday(word).get())));
    } else if (CLOCK.matcher(word).matches()) {
      words.take();
      clock(word);
    } else if (isAgo()) {
      ago();
    } else if (isDayOfMonth() || month(word).isPresent() && DAY.matcher(words.peek(1)).matches()) {
      dayOfMonth();
    } else {
      return false;
    }
    return true;
  }

  /** Takes the times that come next and cannot be anything else: 2 days ago, 4 Oct 2026. */
  void takeUnmistakable() throws Unreadable {
    while (isUnmistakable()) {
      take();
    }
  }

  private boolean isUnmistakable() {
    String word = words.peek();
    return !words.isQuoted()
        && (word.equals("yesterday")
            || word.equals("today")
            || word.equals("last") && weekday(words.peek(1)).isPresent()
            || ISO.matcher(word).matches()
            || POINTS.matcher(word).matches()
            || SLASHES.matcher(word).matches()
            || isAgo()
            || isDayOfMonth() && isYearAfter());
  }

  /** Without its year a day might be a value before a day: no3 20 oct 1. */
  private boolean isYearAfter() {
    return YEAR.matcher(words.peek(ORDINALS.contains(words.peek(1)) ? 3 : 2)).matches();
  }

  /** Takes a day of the week where one comes next. */
  Optional<DayOfWeek> takeWeekday() {
    Optional<DayOfWeek> day = words.isQuoted() ? Optional.empty() : weekday(words.peek());
    day.ifPresent(any -> words.take());
    return day;
  }

  /** Takes a day, or a month for its first day; whether one came next. */
  boolean takeDayOrMonth() throws Unreadable {
    if (!words.isQuoted()
        && month(words.peek()).isPresent()
        && !DAY.matcher(words.peek(1)).matches()) {
      Month month = month(words.take()).orElseThrow();
      boolean later = month.getValue() > now.getMonthValue();
      day(LocalDate.of(now.getYear() - (later ? 1 : 0), month, 1));
      return true;
    }
    return take();
  }

  private void day(LocalDate day) {
    at = day.atTime(now.toLocalTime()).atZone(now.getZone());
  }

  /** What makes a day of words, which may be none. */
  private interface Made {
    LocalDate day();
  }

  private void day(String word, Made made) throws Unreadable {
    try {
      day(made.day());
    } catch (DateTimeException e) {
      throw new Unreadable("There is no day " + word + ".");
    }
    if (!Years.holds(at.toLocalDate())) {
      throw new Unreadable(word + " is not " + Years.ALLOWED + ".");
    }
  }

  /** 1 oct, 1st october 2026, oct 1. */
  private void dayOfMonth() throws Unreadable {
    String written = words.peek() + " " + words.peek(1);
    boolean monthFirst = month(words.peek()).isPresent();
    Optional<Month> month = monthFirst ? month(words.take()) : Optional.empty();
    int day = Integer.parseInt(words.take());
    if (ORDINALS.contains(words.peek())) {
      words.take();
    }
    Month named = month.isPresent() ? month.get() : month(words.take()).orElseThrow();
    if (YEAR.matcher(words.peek()).matches()) {
      int year = Integer.parseInt(words.take());
      day(written + " " + year, () -> LocalDate.of(year, named, day));
      return;
    }
    boolean later = MonthDay.of(named, 1).isAfter(MonthDay.from(now));
    if (named == now.getMonth()) {
      later = day > now.getDayOfMonth();
    }
    int year = now.getYear() - (later ? 1 : 0);
    // 29 February was in the last leap year
    while (named == Month.FEBRUARY && day == 29 && !Year.isLeap(year)) {
      year--;
    }
    int latest = year;
    day(written, () -> LocalDate.of(latest, named, day));
  }

  /** 22.6.26, where the day is first; with slashes only where one number can be no month. */
  private void numbers(String word) throws Unreadable {
    Matcher points = POINTS.matcher(word);
    Matcher slashes = SLASHES.matcher(word);
    Matcher parts = points.matches() ? points : slashes;
    if (parts == slashes) {
      slashes.matches();
    }
    int first = Integer.parseInt(parts.group(1));
    int second = Integer.parseInt(parts.group(2));
    int year = Integer.parseInt(parts.group(3));
    int whole = year < 100 ? CENTURY + year : year;
    if (parts == slashes && first <= MONTHS && second <= MONTHS && first != second) {
      throw new Unreadable(
          "Which number of " + word + " is the month? Write it as a word, as in 3 Apr.");
    }
    boolean monthFirst = parts == slashes && second > MONTHS;
    day(
        word,
        () -> monthFirst ? LocalDate.of(whole, first, second) : LocalDate.of(whole, second, first));
  }

  /** A time of the day, with an offset where the clock goes back and one hour is there twice. */
  private void clock(String word) throws Unreadable {
    String padded = word.indexOf(':') == 1 ? "0" + word : word;
    int offset = Math.max(padded.indexOf('+'), padded.indexOf('-'));
    try {
      LocalTime clock = LocalTime.parse(offset < 0 ? padded : padded.substring(0, offset));
      LocalDateTime local = at.toLocalDate().atTime(clock);
      at =
          offset < 0
              ? local.atZone(now.getZone())
              : local
                  .atOffset(ZoneOffset.of(padded.substring(offset)))
                  .atZoneSameInstant(now.getZone());
    } catch (DateTimeException e) {
      throw new Unreadable("There is no time " + word + "; write it as 18:30.");
    }
  }

  private void ago() throws Unreadable {
    double count = words.number("“ago”");
    String unit = words.take();
    words.take();
    if (count > 36_500) {
      throw new Unreadable(Figures.plain(count) + " " + unit + " ago is longer than any log.");
    }
    switch (unit) {
      case "week", "weeks" -> at = at.minusWeeks((long) count);
      case "d", "day", "days" -> at = at.minusDays((long) count);
      case "h", "hour", "hours" -> at = at.minusHours((long) count);
      case "min", "minute", "minutes" -> at = at.minusMinutes((long) count);
      default ->
          throw new Unreadable(
              "“" + unit + " ago” is not read; weeks, days, hours and minutes are.");
    }
  }
}
