package org.umberline.core.trouble;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;

/**
 * A sign in the course of its tank: what went before it, and what was tried since.
 *
 * @param since the day it was first seen, this time; empty where it was never noted
 * @param before what was done or happened in the weeks before, in order
 * @param muddle two things that were changed within days of one another before it: which of them
 *     did it can't be told
 * @param tried each look at it since, with what was done before that look
 * @param lookAgain when to look again; empty where it isn't there
 */
public record Story(
    String sign,
    Optional<LocalDate> since,
    List<Happened> before,
    Optional<Muddle> muddle,
    List<Looked> tried,
    Optional<LocalDate> lookAgain) {
  /** What happened so long before is told. Chosen. */
  private static final int DAYS_BEFORE = 21;

  /** Two changes this near to one another can't be told apart. Common practice, no source. */
  private static final int APART_DAYS = 3;

  /** Wait so long after something was done before judging. Common practice, no source. */
  public static final int LOOK_AGAIN_DAYS = 3;

  /** Who did not look again for so long after it was time is not asked any more. Chosen. */
  private static final int ASKED_DAYS = 14;

  /** A sign that was not looked at for so long is forgotten; where it comes again it is new. */
  public static final int FORGOTTEN_DAYS = 60;

  /** What can happen besides log entries. */
  public enum Kind {
    FOOD_BEGUN,
    FOOD_ENDED,
    ANIMALS_IN,
    PLANTS_IN,
    GEAR_IN,
    GEAR_OUT,
    DOSING_BEGUN,
    DOSING_ENDED,
    LOGGED
  }

  /**
   * @param what the name of what began or ended; empty for a log entry
   * @param entry of the log, where it is one
   */
  public record Happened(LocalDate on, Kind kind, String what, Optional<LogEntry> entry) {
    /** Whether it may have changed the water's course, beyond what is done every week. */
    boolean isChange() {
      return entry
          .map(
              e ->
                  e instanceof LogEntry.Clean
                      || e instanceof LogEntry.Renew
                      || e instanceof LogEntry.Death
                      || e instanceof LogEntry.Fast
                      || e instanceof LogEntry.Medicine)
          .orElse(true);
    }
  }

  /** Two things at about the same time. */
  public record Muddle(Happened one, Happened other) {}

  /**
   * @param severity 0, gone, to 3, severe
   * @param done since the look before
   */
  public record Looked(LocalDate on, int severity, List<Happened> done) {}

  /** The story of {@code sign}, as of {@code now}. */
  public static Story of(TankModel tank, String sign, Instant now) {
    List<LogEntry.Observation> seen = episode(tank, sign, tank.dayOf(now));
    Instant first = seen.isEmpty() ? now : seen.get(0).at().toInstant();
    List<Happened> before = between(tank, first.minus(DAYS_BEFORE, ChronoUnit.DAYS), first);
    List<Looked> tried = new ArrayList<>();
    Instant from = first;
    for (LogEntry.Observation look : seen) {
      Instant at = look.at().toInstant();
      tried.add(new Looked(day(tank, look), look.severity(), between(tank, from, at)));
      from = at;
    }
    boolean there = !seen.isEmpty() && seen.get(seen.size() - 1).severity() > 0;
    return new Story(
        sign,
        seen.stream().findFirst().map(look -> day(tank, look)),
        before,
        muddle(before),
        List.copyOf(tried),
        there ? Optional.of(tank.dayOf(from).plusDays(days(sign))) : Optional.empty());
  }

  /** Days after which a sign is looked at again. */
  private static int days(String sign) {
    return sign.equals(Sign.GASPING) ? 1 : LOOK_AGAIN_DAYS;
  }

  /** Signs that are there, and were looked at not too long ago. */
  public static List<String> standing(TankModel tank, LocalDate today) {
    return Sign.TERMS.stream()
        .filter(sign -> !episode(tank, sign, today).isEmpty() && tank.standing(sign).isPresent())
        .toList();
  }

  /** Whether its keeper is asked on {@code today} to look again; not for the film on the glass. */
  public boolean isAsked(LocalDate today) {
    return !sign.equals(Sign.GLASS_FILM)
        && lookAgain
            .filter(day -> !day.isAfter(today) && !day.plusDays(ASKED_DAYS).isBefore(today))
            .isPresent();
  }

  /** The looks since it was last gone, or forgotten; the last may say that it is gone. */
  private static List<LogEntry.Observation> episode(TankModel tank, String sign, LocalDate today) {
    List<LogEntry.Observation> episode = new ArrayList<>();
    boolean gone = false;
    LocalDate last = LocalDate.MIN;
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.Observation seen && seen.sign().equals(sign)) {
        LocalDate on = day(tank, seen);
        if (gone || last.isBefore(on.minusDays(FORGOTTEN_DAYS))) {
          episode.clear();
        }
        gone = seen.severity() == 0;
        if (!gone || !episode.isEmpty()) {
          episode.add(seen);
        }
        last = on;
      }
    }
    return last.isBefore(today.minusDays(FORGOTTEN_DAYS)) ? List.of() : episode;
  }

  private static LocalDate day(TankModel tank, LogEntry entry) {
    return tank.dayOf(entry.at().toInstant());
  }

  /** What happened after {@code from}, up to {@code to}. */
  public static List<Happened> between(TankModel tank, Instant from, Instant to) {
    List<Happened> happened = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      Instant at = entry.at().toInstant();
      boolean told = !(entry instanceof LogEntry.Test) && !(entry instanceof LogEntry.Observation);
      if (told && at.isAfter(from) && !at.isAfter(to)) {
        happened.add(new Happened(day(tank, entry), Kind.LOGGED, "", Optional.of(entry)));
      }
    }
    LocalDate after = tank.dayOf(from);
    LocalDate last = tank.dayOf(to);
    for (Feeding feeding : tank.feeding()) {
      String food = tank.foodById(feeding.food()).name();
      span(happened, feeding.span(), Kind.FOOD_BEGUN, Optional.of(Kind.FOOD_ENDED), food);
    }
    for (Livestock animals : tank.livestock()) {
      span(happened, animals.span(), Kind.ANIMALS_IN, Optional.empty(), animals.name());
    }
    for (PlantStand plant : tank.plants()) {
      span(happened, plant.span(), Kind.PLANTS_IN, Optional.empty(), plant.name());
    }
    for (ExportMethod export : tank.exports()) {
      span(happened, export.span(), Kind.GEAR_IN, Optional.of(Kind.GEAR_OUT), export.id());
    }
    for (Dosing dosing : tank.dosing()) {
      String with = tank.fertiliserById(dosing.fertiliser()).name();
      span(happened, dosing.span(), Kind.DOSING_BEGUN, Optional.of(Kind.DOSING_ENDED), with);
    }
    // what is there from the tank's start on is no news
    LocalDate start = tank.startedOn().orElse(LocalDate.MIN);
    return happened.stream()
        .filter(
            one ->
                one.kind == Kind.LOGGED
                    || one.on.isAfter(after) && !one.on.isAfter(last) && one.on.isAfter(start))
        .sorted((a, b) -> a.on.compareTo(b.on))
        .toList();
  }

  private static void span(
      List<Happened> all, Span span, Kind begun, Optional<Kind> ended, String what) {
    all.add(new Happened(span.from(), begun, what, Optional.empty()));
    ended.ifPresent(
        kind -> span.to().ifPresent(to -> all.add(new Happened(to, kind, what, Optional.empty()))));
  }

  /** Two cleanings are one piece of work. */
  private static boolean areAlike(Happened one, Happened other) {
    return one.entry.isPresent()
        && other.entry.isPresent()
        && one.entry.get().getClass() == other.entry.get().getClass();
  }

  /** The last two changes near one another that are not alike. */
  private static Optional<Muddle> muddle(List<Happened> before) {
    List<Happened> changes = before.stream().filter(Happened::isChange).toList();
    return Stream.iterate(changes.size() - 1, i -> i > 0, i -> i - 1)
        .filter(
            i ->
                ChronoUnit.DAYS.between(changes.get(i - 1).on, changes.get(i).on) <= APART_DAYS
                    && !areAlike(changes.get(i - 1), changes.get(i)))
        .map(i -> new Muddle(changes.get(i - 1), changes.get(i)))
        .findFirst();
  }
}
