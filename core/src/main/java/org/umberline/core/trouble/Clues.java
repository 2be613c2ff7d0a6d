package org.umberline.core.trouble;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoublePredicate;
import java.util.function.Predicate;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.ledger.Ledger;
import org.umberline.core.planning.Levels;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.upkeep.Work;

/**
 * What is known of a tank that may tell where a sign comes from. The limits are common practice, no
 * source, unless one is named.
 */
public final class Clues {
  private static final double NITRATE_LOW_MG_L = 2;
  private static final double NITRATE_HIGH_MG_L = 40;
  private static final double MARINE_NITRATE_HIGH_MG_L = 20;
  private static final double PHOSPHATE_LOW_MG_L = 0.05;
  private static final double MARINE_PHOSPHATE_LOW_MG_L = 0.03;
  private static final double PHOSPHATE_HIGH_MG_L = 1;
  private static final double MARINE_PHOSPHATE_HIGH_MG_L = 0.1;

  /** Total ammonia and nitrite that a grown filter never lets stand, mg/L. */
  private static final double AMMONIA_SEEN_MG_L = 0.2;

  private static final double NITRITE_SEEN_MG_L = 0.2;

  /** Source silicate that feeds diatoms, mg/L. */
  private static final double SILICATE_MG_L = 1;

  private static final double SALINITY_OFF_PPT = 1.5;
  private static final double LOW_ALKALINITY_DKH = 6.4;
  private static final double HIGH_ALKALINITY_DKH = 11;

  /** Diatoms of a new tank fade within six months. */
  private static final int YOUNG_DAYS = 180;

  private static final double WARM_C = 28;

  /** Older readings say too little of today. */
  private static final int READING_DAYS = 14;

  /** What was done so long ago is no cause any more. */
  private static final int LATELY_DAYS = 10;

  private static final int NEW_DAYS = 30;

  /** A change or work counts as missed this much past its interval. Chosen. */
  private static final double MISSED = 1.5;

  /** Extra food of a week that counts, by days of the ration. Chosen. */
  private static final double EXTRA_RATIONS = 2;

  /** Where something may sit. */
  static final List<Look> PLACES =
      List.of(Look.ON_LEAVES, Look.ON_WOOD, Look.ON_ROCK, Look.ON_SAND, Look.ON_GLASS);

  private final TankModel tank;
  private final Posterior posterior;
  private final LocalDate today;
  private final List<Found> found = new ArrayList<>();

  private Clues(TankModel tank, Posterior posterior, LocalDate today) {
    this.tank = tank;
    this.posterior = posterior;
    this.today = today;
  }

  /**
   * All that is known of a tank as of {@code today}; what isn't known is missing.
   *
   * @param work its recurring work
   * @param looks what the keeper sees of the sign
   */
  public static List<Found> of(
      TankModel tank, Posterior posterior, List<Work> work, LocalDate today, Set<Look> looks) {
    Clues clues = new Clues(tank, posterior, today);
    clues.nutrients();
    clues.readings();
    clues.age();
    clues.work(work);
    clues.lately();
    clues.looks(looks);
    return List.copyOf(clues.found);
  }

  /** Under this a nutrient is as good as nothing, mg/L of the ion. */
  static double low(TankModel tank, Nutrient nutrient) {
    return nutrient == Nutrient.NITRATE
        ? NITRATE_LOW_MG_L
        : tank.water() == WaterKind.MARINE ? MARINE_PHOSPHATE_LOW_MG_L : PHOSPHATE_LOW_MG_L;
  }

  /** Over this a nutrient is high, mg/L of the ion: the keeper's own limit where there is one. */
  static double high(TankModel tank, Nutrient nutrient) {
    boolean salted = tank.water() == WaterKind.MARINE;
    double usual =
        nutrient == Nutrient.NITRATE
            ? salted ? MARINE_NITRATE_HIGH_MG_L : NITRATE_HIGH_MG_L
            : salted ? MARINE_PHOSPHATE_HIGH_MG_L : PHOSPHATE_HIGH_MG_L;
    return nutrient.line(tank.lines()).ceilingMgL().orElse(usual);
  }

  private void nutrients() {
    Levels levels = new Levels(tank, posterior);
    for (Nutrient nutrient : Nutrient.values()) {
      boolean nitrate = nutrient == Nutrient.NITRATE;
      double low = low(tank, nutrient);
      double high = high(tank, nutrient);
      level(
          levels, nitrate ? Clue.NITRATE_LOW : Clue.PHOSPHATE_LOW, nutrient, level -> level < low);
      level(
          levels,
          nitrate ? Clue.NITRATE_HIGH : Clue.PHOSPHATE_HIGH,
          nutrient,
          level -> level > high);
    }
    Ledger.Amount net =
        Ledger.of(posterior, Ledger.DEFAULT_DAYS).stream()
            .map(Ledger::netMgLPerWeek)
            .toList()
            .get(Nutrient.NITRATE.ordinal());
    double sd = (net.high() - net.low()) / (2 * Quantiles.NORMAL_90);
    found.add(
        new Found(
            Clue.GAINS,
            sd > 0 ? share(net.mean() / sd) : net.mean() > 0 ? 1 : 0,
            OptionalDouble.of(net.mean())));
  }

  /** Share of a standard normal below {@code z}, by the logistic curve: to 0.01. */
  private static double share(double z) {
    return 1 / (1 + Math.exp(-1.702 * z));
  }

  private void level(Levels levels, Clue clue, Nutrient nutrient, DoublePredicate is) {
    found.add(
        new Found(clue, levels.chance(nutrient, is), OptionalDouble.of(levels.now(nutrient))));
  }

  private Optional<LogEntry.Test> latest(Analyte analyte) {
    return tank.lastTest(analyte).filter(test -> daysSince(test) <= READING_DAYS);
  }

  private long daysSince(LogEntry entry) {
    return ChronoUnit.DAYS.between(tank.dayOf(entry.at().toInstant()), today);
  }

  private void readings() {
    reading(Clue.AMMONIA, Analyte.AMMONIA, level -> level >= AMMONIA_SEEN_MG_L);
    reading(Clue.NITRITE, Analyte.NITRITE, level -> level >= NITRITE_SEEN_MG_L);
    reading(
        Clue.SALINITY_OFF,
        Analyte.SALINITY,
        level -> Math.abs(level - tank.salinityPpt()) > SALINITY_OFF_PPT);
    reading(
        Clue.ALKALINITY_OFF,
        Analyte.ALKALINITY,
        level -> level < LOW_ALKALINITY_DKH || level > HIGH_ALKALINITY_DKH);
    OptionalDouble source =
        tank.changeWater().parts().stream()
            .map(part -> tank.waterById(part.water()))
            .map(SourceWater::silicateMgL)
            .filter(OptionalDouble::isPresent)
            .mapToDouble(OptionalDouble::getAsDouble)
            .max();
    latest(Analyte.SILICATE)
        .map(test -> OptionalDouble.of(test.standardValue()))
        .orElse(source)
        .ifPresent(level -> found.add(Found.of(Clue.SILICATE, level >= SILICATE_MG_L, level)));
    found.add(Found.of(Clue.WARM, tank.temperatureC() >= WARM_C, tank.temperatureC()));
  }

  private void reading(Clue clue, Analyte analyte, DoublePredicate is) {
    latest(analyte)
        .ifPresent(
            test -> {
              double level = test.qualifier() == Qualifier.BELOW ? 0 : test.standardValue();
              found.add(Found.of(clue, is.test(level), level));
            });
  }

  private void age() {
    tank.startedOn()
        .ifPresent(
            start -> {
              long days = ChronoUnit.DAYS.between(start, today);
              found.add(Found.of(Clue.YOUNG, days < YOUNG_DAYS, (double) days));
            });
    boolean newOnes =
        tank.livestock().stream()
            .map(animals -> ChronoUnit.DAYS.between(animals.span().from(), today))
            .anyMatch(days -> days >= 0 && days <= NEW_DAYS);
    found.add(Found.of(Clue.NEW_ANIMALS, newOnes));
  }

  private void work(List<Work> work) {
    work.stream()
        .filter(one -> one.kind() == Work.Kind.CHANGE)
        .findFirst()
        .ifPresent(
            change ->
                found.add(
                    Found.of(
                        Clue.CHANGES_MISSED,
                        change
                            .lastDone()
                            .filter(last -> isMissed(change, ChronoUnit.DAYS.between(last, today)))
                            .isPresent())));
    List<Work> cleaning =
        work.stream()
            .filter(one -> one.kind() == Work.Kind.CLEAN || one.kind() == Work.Kind.RENEW)
            .toList();
    if (!cleaning.isEmpty()) {
      found.add(
          Found.of(
              Clue.WORK_MISSED,
              cleaning.stream()
                  .anyMatch(one -> isMissed(one, one.lateDays(today) + one.everyDays()))));
    }
  }

  private static boolean isMissed(Work work, long days) {
    return days > MISSED * work.everyDays();
  }

  private void lately() {
    found.add(Found.of(Clue.FILTER_CLEANED, isLately(LogEntry.Clean.class::isInstance)));
    found.add(Found.of(Clue.DEATH, isLately(LogEntry.Death.class::isInstance)));
    found.add(Found.of(Clue.CARBON, dosesCarbon(tank, today)));
    double ration =
        tank.feeding().stream()
            .filter(feeding -> feeding.span().contains(today))
            .mapToDouble(Feeding::gramsPerDay)
            .sum();
    double extra =
        tank.log().stream()
            .filter(LogEntry.Feed.class::isInstance)
            .filter(entry -> daysSince(entry) <= LATELY_DAYS)
            .mapToDouble(entry -> ((LogEntry.Feed) entry).grams())
            .sum();
    if (ration > 0) {
      found.add(Found.of(Clue.FED_MORE, extra > EXTRA_RATIONS * ration));
    }
    if (tank.standing(Sign.WEAK_FLOW).isPresent()) {
      found.add(Found.of(Clue.WEAK_FLOW, true));
    }
  }

  static boolean dosesCarbon(TankModel tank, LocalDate day) {
    return tank.exports().stream()
        .anyMatch(
            export ->
                export instanceof ExportMethod.CarbonDose dose
                    && dose.amountPerDay() > 0
                    && dose.span().contains(day));
  }

  private boolean isLately(Predicate<LogEntry> kind) {
    return tank.log().stream()
        .anyMatch(entry -> kind.test(entry) && daysSince(entry) <= LATELY_DAYS);
  }

  private void looks(Set<Look> looks) {
    for (Clue clue : Clue.values()) {
      boolean yes = clue.yes().filter(looks::contains).isPresent();
      boolean no = clue.no().filter(looks::contains).isPresent();
      if (yes != no) {
        found.add(Found.of(clue, yes));
      }
    }
    List<Look> places = looks.stream().filter(PLACES::contains).toList();
    if (!places.isEmpty()) {
      found.add(Found.of(Clue.ON_GLASS_ONLY, isOnGlassOnly(looks)));
    }
  }

  /** What sits on the glass alone is normal: it is wiped off and doesn't count. */
  public static boolean isOnGlassOnly(Set<Look> looks) {
    return looks.contains(Look.ON_GLASS) && looks.stream().filter(PLACES::contains).count() == 1;
  }
}
