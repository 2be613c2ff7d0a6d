package org.umberline.core.simulation;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;

/**
 * The days on which a tank is laid out, and what is known of it at the end of the as-of day. Spans
 * that begin or end later are as hidden as the log.
 */
final class Days {
  final TankModel tank;
  final LocalDate first;

  /** So many gaps between what was done tell the usual one. Chosen. */
  private static final int USUAL_OF = 4;

  /** Index of the as-of day. */
  final int asOf;

  /** How many days there are, the days ahead included. */
  final int count;

  Days(TankModel tank, LocalDate first, LocalDate asOf, int daysAhead) {
    this.tank = tank;
    this.first = first;
    this.asOf = day(asOf);
    count = this.asOf + 1 + daysAhead;
  }

  LocalDate date(int day) {
    return first.plusDays(day);
  }

  /** Index of {@code date}, which may lie outside. */
  int day(LocalDate date) {
    return (int) ChronoUnit.DAYS.between(first, date);
  }

  /**
   * {@code instant} in days from the start, by the tank's clock: a day is one day long also when
   * the clocks change.
   */
  double timeOf(Instant instant) {
    ZonedDateTime local = instant.atZone(tank.timeZone());
    double ofDay = local.toLocalTime().toNanoOfDay() / (double) LocalTime.MAX.toNanoOfDay();
    return ChronoUnit.DAYS.between(first, local.toLocalDate()) + Math.min(ofDay, 1 - 1e-9);
  }

  double timeOf(LogEntry entry) {
    return timeOf(entry.at().toInstant());
  }

  private LocalDate dayOf(LogEntry entry) {
    return tank.dayOf(entry.at().toInstant());
  }

  /** The entries of the log that fall on these days. */
  List<LogEntry> entries() {
    return tank.log().stream()
        .filter(entry -> day(dayOf(entry)) >= 0)
        .filter(entry -> day(dayOf(entry)) < count)
        .toList();
  }

  /** Whether {@code span} has begun by the as-of day. */
  boolean known(Span span) {
    return !span.from().isAfter(date(asOf));
  }

  /** Whether {@code span} holds on {@code day}; an end after the as-of day is not known yet. */
  boolean covers(Span span, int day) {
    LocalDate date = date(day);
    boolean endKnown = span.to().map(to -> !to.isAfter(date(asOf))).orElse(false);
    return known(span)
        && !date.isBefore(span.from())
        && (!endKnown || !date.isAfter(span.to().get()));
  }

  // ---------------------------------------------------------------- habits

  /** The entries from which habits are read. */
  List<LogEntry> habitEntries() {
    LocalDate since = date(asOf).minusDays(Scenario.HABIT_DAYS);
    Predicate<LogEntry> recent = entry -> dayOf(entry).isAfter(since);
    return tank.log().stream()
        .filter(recent.and(entry -> !dayOf(entry).isAfter(date(asOf))))
        .toList();
  }

  /** The days over which habits are averaged: fewer where the log is younger. */
  int habitDays() {
    if (tank.log().isEmpty()) {
      return Scenario.HABIT_DAYS;
    }
    long known = ChronoUnit.DAYS.between(dayOf(tank.log().get(0)), date(asOf)) + 1;
    return (int) Math.max(1, Math.min(Scenario.HABIT_DAYS, known));
  }

  /** Days between two times that something is {@code done} lately; none where it isn't. */
  OptionalDouble rhythm(List<Double> done) {
    int since = habitDays();
    long recent = done.stream().filter(time -> time > asOf - since && time < asOf + 1).count();
    return recent == 0 ? OptionalDouble.empty() : OptionalDouble.of(since / (double) recent);
  }

  /**
   * Times after the as-of day in which something {@code done} is done again: as often as lately,
   * the first time when as long has passed as usually does, tomorrow if it has.
   */
  List<Double> habitTimes(List<Double> done) {
    List<Double> times = new ArrayList<>();
    OptionalDouble every = rhythm(done);
    if (every.isEmpty()) {
      return times;
    }
    List<Double> past = done.stream().filter(time -> time < asOf + 1).toList();
    int last = past.size() - 1;
    int back = Math.min(last, USUAL_OF);
    double usual = back > 0 ? (past.get(last) - past.get(last - back)) / back : every.getAsDouble();
    double due = past.get(last) + Math.min(usual, Scenario.HABIT_DAYS);
    double time = Math.max(due, asOf + 1 + PlannedChanges.NOON);
    for (; time < count; time += every.getAsDouble()) {
      times.add(time);
    }
    return times;
  }
}
