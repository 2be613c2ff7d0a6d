package org.umberline.tankfile.shorthand;

import java.math.BigDecimal;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Task;
import org.umberline.tankfile.LogWords;

/**
 * Writes a log entry as a line of shorthand that {@link Shorthand} reads as the same entry again. A
 * note's line breaks become blanks, and quotation marks in a sign apostrophes: a line has neither.
 */
public final class ShorthandWriter implements LogEntry.Visitor<String> {
  private ShorthandWriter() {}

  /** The entry with its day and time in the tank's zone. */
  public static String write(LogEntry entry, TankModel tank) {
    String when = when(entry, tank);
    String note = entry.note().replaceAll("\\s+", " ").strip();
    boolean plainNote =
        entry instanceof LogEntry.Observation seen
            && seen.sign().equals(Sign.NOTE)
            && seen.severity() == 0
            && !note.isEmpty();
    if (plainNote) {
      return when + " note " + note;
    }
    return when + " " + withoutTime(entry) + (note.isEmpty() ? "" : " # " + note);
  }

  /** The entry alone, as it is typed when it happens. */
  public static String withoutTime(LogEntry entry) {
    return entry.accept(new ShorthandWriter());
  }

  private static String when(LogEntry entry, TankModel tank) {
    LocalDateTime local = entry.at().atZoneSameInstant(tank.timeZone()).toLocalDateTime();
    boolean twice = tank.timeZone().getRules().getValidOffsets(local).size() > 1;
    String offset =
        twice
            ? DateTimeFormatter.ofPattern("xxx")
                .format(entry.at().atZoneSameInstant(tank.timeZone()))
            : "";
    return local.toLocalDate() + " " + local.toLocalTime() + offset;
  }

  private static String bed(LogEntry.WaterChange change) {
    return change.siphonedShareOfBed() > 0 ? " siphon " + percent(change.siphonedShareOfBed()) : "";
  }

  @Override
  public String test(LogEntry.Test test) {
    String mark =
        switch (test.qualifier()) {
          case EQUAL -> "";
          case BELOW -> "<";
          case ABOVE -> ">";
        };
    String unit = test.analyte() == Analyte.PH ? "" : " " + test.unit().label();
    return LogWords.wordFor(test.analyte())
        + " "
        + mark
        + plain(test.value())
        + unit
        + test.kit().map(kit -> " \"" + kit + "\"").orElse(" nokit");
  }

  @Override
  public String waterChange(LogEntry.WaterChange change) {
    String water =
        change.water().parts().isEmpty()
            ? "pure"
            : change.water().parts().stream()
                .map(part -> "\"" + part.water() + "\" " + percent(part.share()))
                .collect(Collectors.joining(" "));
    return "change " + plain(change.litres()) + " L " + water + bed(change);
  }

  @Override
  public String clean(LogEntry.Clean clean) {
    return "cleaned \""
        + clean.export()
        + "\""
        + (clean.caughtG().isPresent() ? " " + plain(clean.caughtG().getAsDouble()) + " g" : "");
  }

  @Override
  public String renew(LogEntry.Renew renew) {
    return "renewed \"" + renew.export() + "\" " + plain(renew.massG()) + " g";
  }

  @Override
  public String harvest(LogEntry.Harvest harvest) {
    return "cut \"" + harvest.plant() + "\" " + plain(harvest.wetMassG()) + " g";
  }

  @Override
  public String dose(LogEntry.Dose dose) {
    return "dosed \"" + dose.fertiliser() + "\" " + plain(dose.ml()) + " ml";
  }

  @Override
  public String addition(LogEntry.Addition addition) {
    return "added "
        + addition.additive().term()
        + " "
        + plain(addition.amount())
        + " "
        + addition.additive().unit().toLowerCase(Locale.ROOT);
  }

  @Override
  public String death(LogEntry.Death death) {
    return "dead " + plain(death.massG()) + " g after " + plain(death.removedAfterHours()) + " h";
  }

  @Override
  public String feed(LogEntry.Feed feed) {
    return "fed \"" + feed.food() + "\" " + plain(feed.grams()) + " g";
  }

  @Override
  public String fast(LogEntry.Fast fast) {
    return "fast " + fast.days() + " days";
  }

  @Override
  public String medicine(LogEntry.Medicine medicine) {
    return "medicine \"" + medicine.name().replace('"', '\'') + "\" " + medicine.days() + " days";
  }

  @Override
  public String quarantine(LogEntry.Quarantine quarantine) {
    return "quarantine \""
        + quarantine.who().replace('"', '\'')
        + "\" "
        + quarantine.days()
        + " days";
  }

  @Override
  public String trial(LogEntry.Trial trial) {
    return "trial \""
        + trial.what().replace('"', '\'')
        + "\" "
        + LogWords.wordFor(trial.analyte())
        + " "
        + trial.days()
        + " days"
        + (trial.expected().isPresent()
            ? " expecting "
                + plain(Math.abs(trial.expected().getAsDouble()))
                + (trial.expected().getAsDouble() < 0 ? " less" : " more")
            : "");
  }

  @Override
  public String observation(LogEntry.Observation seen) {
    Optional<String> work = Task.noted(seen.sign()).filter(any -> seen.severity() == 0);
    if (work.isPresent()) {
      return Task.find(work.get()).isPresent()
          ? "did " + work.get()
          : "did \"" + work.get().replace('"', '\'') + "\"";
    }
    String sign = seen.sign().replace('"', '\'');
    StringBuilder text = new StringBuilder("saw ");
    text.append(Sign.TERMS.contains(sign) ? sign : "\"" + sign + "\"");
    text.append(' ').append(seen.severity());
    seen.looks().forEach(look -> text.append(' ').append(look.term()));
    return text.toString();
  }

  private static String percent(double share) {
    return BigDecimal.valueOf(share).movePointRight(2).stripTrailingZeros().toPlainString() + "%";
  }

  private static String plain(double value) {
    return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
  }
}
