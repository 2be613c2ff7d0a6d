package org.umberline.tankfile.shorthand;

import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.LogWords;

/**
 * Reads one line of a keeper's shorthand, such as {@code no3 20 po4 0.15} or {@code change 40 L ro
 * 50 tap 50 yesterday 18:30}. It never guesses in silence: what it takes it says in words, and what
 * it cannot read it names with the nearest thing it can.
 */
public final class Shorthand {
  /** Longest line that is read, characters. */
  public static final int LONGEST_LINE = 500;

  private static final DateTimeFormatter SAID =
      DateTimeFormatter.ofPattern("EEE d MMM yyyy, HH:mm", Locale.ENGLISH);

  static final List<String> VERBS =
      List.of(
          "change",
          "fed",
          "cut",
          "cleaned",
          "renewed",
          "dosed",
          "added",
          "dead",
          "fast",
          "medicine",
          "quarantine",
          "trial",
          "saw",
          "did",
          "note");

  /** Words that a line about something done begins with. */
  public static List<String> verbs() {
    return VERBS;
  }

  private final EntryLine line;
  private final ChangePart changes;
  private final DonePart done;
  private Optional<Repeat> repeat = Optional.empty();
  private String remark = "";

  /**
   * Reads {@code line} for {@code tank} and a keeper whose measures are not known.
   *
   * @param now the present; entries carry it unless the line names another time
   */
  public static Reading read(String line, TankModel tank, ZonedDateTime now) {
    return read(line, tank, now, Household.UNKNOWN);
  }

  /**
   * Reads {@code line} for {@code tank}.
   *
   * @param now the present; entries carry it unless the line names another time
   * @param household what the keeper's own measures hold
   */
  public static Reading read(String line, TankModel tank, ZonedDateTime now, Household household) {
    if (line.length() > LONGEST_LINE) {
      return refused(
          "The line has "
              + line.length()
              + " characters; at most "
              + LONGEST_LINE
              + " are read. Nothing was taken.");
    }
    if (line.isBlank()) {
      return new Reading(List.of(), List.of(), List.of(), List.of());
    }
    try {
      return new Shorthand(new EntryLine(line, tank, now, household)).read();
    } catch (Unreadable problem) {
      return refused(problem.getMessage());
    }
  }

  /** What an entry says, in words, without its time. */
  public static String words(LogEntry entry, TankModel tank) {
    EntryLine line =
        new EntryLine(
            ShorthandWriter.write(entry, tank),
            tank,
            // the present has no fractions of a second, an entry may
            entry.at().toZonedDateTime().plusSeconds(1),
            Household.UNKNOWN);
    try {
      new Shorthand(line).read();
    } catch (Unreadable stale) {
      // it speaks of something that is no longer in the make-up
      return ShorthandWriter.write(entry, tank);
    }
    return line.understood.get(0);
  }

  private static Reading refused(String problem) {
    return new Reading(List.of(), List.of(), List.of(), List.of(problem));
  }

  private Shorthand(EntryLine line) {
    this.line = line;
    changes = new ChangePart(line);
    done = new DonePart(line);
  }

  private Reading read() throws Unreadable {
    while (line.words.hasNext()) {
      if (line.words.takeIf("#")) {
        remark = line.words.takeRest();
      } else if (line.words.takeIf("every")) {
        repeat = Optional.of(Repeat.read(line.words, line.time));
      } else if (!line.words.takeIf("and") && !line.time.take()) {
        entry();
      }
    }
    if (line.entries.isEmpty()) {
      throw new Unreadable("The line names a time and nothing done. Add what was done.");
    }
    ZonedDateTime when = line.time.at();
    if (when.isAfter(line.now)) {
      throw new Unreadable(SAID.format(when) + " is still to come; an entry is of now or earlier.");
    }
    if (line.tank.startedOn().isPresent()
        && when.toLocalDate().isBefore(line.tank.startedOn().get())) {
      throw new Unreadable(
          SAID.format(when) + " is before the tank began, " + line.tank.startedOn().get() + ".");
    }
    List<ZonedDateTime> times =
        repeat.isPresent() ? repeat.get().times(when, line.now) : List.of(when);
    String suffix =
        repeat.isPresent()
            ? Repeat.words(times)
            : when.equals(line.now) ? ", now" : ", " + SAID.format(when);
    List<LogEntry> made = new ArrayList<>();
    for (ZonedDateTime at : times) {
      line.entries.forEach(entry -> made.add(entry.of(at.toOffsetDateTime(), remark)));
    }
    String remarked = remark.isEmpty() ? suffix : " (" + remark + ")" + suffix;
    return new Reading(
        made,
        line.understood.stream().map(text -> text + remarked).toList(),
        line.remarks,
        List.of());
  }

  // ---------------------------------------------------------------- entries

  private void entry() throws Unreadable {
    String word = line.words.isQuoted() ? "\"" + line.words.take() + "\"" : line.words.take();
    Optional<Analyte> analyte = LogWords.analyte(word);
    if (!word.equals("note")) {
      line.time.takeUnmistakable();
    }
    if (analyte.isPresent()) {
      new TestPart(line).read(analyte.get());
      return;
    }
    if (changes.isAmount(word)) {
      changes.read(Double.parseDouble(word.replace(',', '.')), true);
      return;
    }
    switch (word) {
      case "change", "changed" -> changes.read(line.words.number("A change"), false);
      case "water" -> {
        if (!line.words.takeIf("change") && !line.words.takeIf("changed")) {
          throw new Unreadable("Water what? Write change 25% or water change 25%.");
        }
        line.time.takeUnmistakable();
        changes.read(line.words.number("A change"), false);
      }
      case "fed", "feed" -> done.fed();
      case "cut", "harvest", "harvested" -> done.cut();
      case "cleaned", "clean" -> done.cleaned();
      case "renewed", "renew" -> done.renewed();
      case "dosed", "dose" -> done.dosed();
      case "added" -> done.added();
      case "dead", "died" -> done.dead();
      case "fast", "fasting" -> done.fasted();
      case "medicine", "medicated" -> done.medicated();
      case "quarantine" -> done.quarantined();
      case "trial" -> done.trial();
      case "note" -> done.noted();
      case "saw" -> done.saw();
      case "did" -> done.did();
      default -> {
        List<String> known = new ArrayList<>(VERBS);
        known.addAll(LogWords.all());
        String near = Words.nearest(word, known);
        throw new Unreadable(
            "I don't understand “"
                + word
                + "”."
                + (near.isEmpty() ? " Try no3 20, change 25% or note and any words." : near));
      }
    }
  }
}
