package org.umberline.core.judging;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * What was emptied out of skimmer cups, or rinsed out of socks and floss, by its amount. How much
 * nitrogen and phosphorus is in it differs several times over, by how wet it is skimmed and by what
 * is fed: the ranges are from memory and say no more than the order of magnitude.
 *
 * @param grams wet, of the days looked back on; a mL of skimmate is taken for a g
 * @param days over which it came together
 * @param nitrogen mg N a day
 * @param phosphorus mg P a day
 */
public record CaughtOut(Gear gear, double grams, double days, Range nitrogen, Range phosphorus) {
  private static final int LOOKED_BACK_DAYS = 28;

  /** Fewer say little of what is caught a day. Chosen. */
  private static final double LEAST_DAYS = 3;

  /** mg N in a mL of skimmate, thin as tea to thick and dark. From memory. */
  private static final Range SKIMMATE_NITROGEN = new Range(0.05, 0.4);

  /** mg P in the same. From memory. */
  private static final Range SKIMMATE_PHOSPHORUS = new Range(0.01, 0.1);

  /** mg N in a g of wet, squeezed solids: a tenth of it dry, 3 to 6 % N of that. From memory. */
  private static final Range SOLIDS_NITROGEN = new Range(3, 6);

  /** mg P in the same: 0.7 to 1.5 % of what is dry. From memory. */
  private static final Range SOLIDS_PHOSPHORUS = new Range(0.7, 1.5);

  /** What catches. */
  public enum Gear {
    SKIMMER,
    MEDIA;

    private Predicate<ExportMethod> catches() {
      return this == SKIMMER
          ? ExportMethod.Skimmer.class::isInstance
          : ExportMethod.Mechanical.class::isInstance;
    }
  }

  /**
   * What of {@code gear} was caught in the last four weeks; empty where no amount was noted twice:
   * from the first to the last emptying is how long it took.
   */
  public static Optional<CaughtOut> of(TankModel tank, Gear gear, Instant now) {
    List<String> ids =
        tank.exports().stream().filter(gear.catches()).map(ExportMethod::id).toList();
    List<LogEntry.Clean> emptied =
        tank.log().stream()
            .filter(LogEntry.Clean.class::isInstance)
            .map(LogEntry.Clean.class::cast)
            .filter(clean -> ids.contains(clean.export()) && clean.caughtG().isPresent())
            .filter(clean -> !clean.at().toInstant().isAfter(now))
            .filter(
                clean ->
                    clean.at().toInstant().isAfter(now.minus(LOOKED_BACK_DAYS, ChronoUnit.DAYS)))
            .toList();
    if (emptied.size() < 2) {
      return Optional.empty();
    }
    // what the first emptying held came together before it
    double days =
        ChronoUnit.MINUTES.between(emptied.get(0).at(), emptied.get(emptied.size() - 1).at())
            / (24.0 * 60);
    double grams = emptied.stream().skip(1).mapToDouble(c -> c.caughtG().getAsDouble()).sum();
    return days < LEAST_DAYS
        ? Optional.empty()
        : Optional.of(
            new CaughtOut(
                gear,
                grams,
                days,
                perDay(gear == Gear.SKIMMER ? SKIMMATE_NITROGEN : SOLIDS_NITROGEN, grams / days),
                perDay(
                    gear == Gear.SKIMMER ? SKIMMATE_PHOSPHORUS : SOLIDS_PHOSPHORUS, grams / days)));
  }

  private static Range perDay(Range mgPerG, double gramsPerDay) {
    return new Range(mgPerG.low() * gramsPerDay, mgPerG.high() * gramsPerDay);
  }
}
