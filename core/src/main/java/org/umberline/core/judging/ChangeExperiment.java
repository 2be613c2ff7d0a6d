package org.umberline.core.judging;

import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * A water change taken as an experiment: nitrate before and after it, against what its fraction and
 * source let expect. All concentrations mg/L NO3. Little drop after a big change means nitrate in
 * the source, another volume than believed, or a kit that cannot tell the levels apart; the numbers
 * say which of them they allow.
 *
 * @param fraction share changed, by the litres and volume believed
 * @param expectedDrop by fraction and source, and by what came in between the two tests
 * @param measuredDrop between the two readings
 * @param impliedSource nitrate of the change water that would explain the readings
 * @param impliedFraction share changed that would
 * @param impliedVolumeL net volume that would, for the litres logged
 * @param asExpected whether the readings allow what was expected
 * @param explanations what else the readings allow, if they do not
 */
public record ChangeExperiment(
    OffsetDateTime at,
    double fraction,
    double expectedDrop,
    double measuredDrop,
    Range impliedSource,
    Range impliedFraction,
    Range impliedVolumeL,
    boolean asExpected,
    Set<Explanation> explanations) {
  /** What may lie behind a drop other than expected. */
  public enum Explanation {
    /** The change water holds other nitrate than believed. */
    SOURCE,
    /** Another share was changed: the net volume, or the litres, are not what was believed. */
    VOLUME,
    /** The drop is smaller than the kit can show. */
    KIT
  }

  /** A test counts as before or after a change when it is no further away than this, days. */
  private static final double NEAR_DAYS = 3;

  private static final double SECONDS_PER_DAY = 86_400;

  /** A source of more nitrate than this, mg/L NO3, is not drinking water twice over (WHO: 50). */
  private static final double MOST_SOURCE = 100;

  /** A volume further than this factor from the believed one is another tank. */
  private static final double FURTHEST_VOLUME = 2;

  /**
   * Every logged change with a nitrate test shortly before and one shortly after it. A test that
   * contradicts all else is no ground to doubt source or volume: it is left out.
   */
  public static List<ChangeExperiment> of(Posterior posterior) {
    Scenario scenario = posterior.scenario();
    Set<LogEntry> doubtful =
        posterior.readings().stream()
            .filter(Posterior.Reading::contradicts)
            .map(reading -> (LogEntry) scenario.probes().get(reading.test()))
            .collect(Collectors.toSet());
    TankModel tank =
        scenario
            .tank()
            .withLog(scenario.tank().log().stream().filter(e -> !doubtful.contains(e)).toList());
    double perDay = netPerDay(posterior);
    List<ChangeExperiment> experiments = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.WaterChange change
          && !scenario.firstDay().isAfter(tank.dayOf(change.at().toInstant()))) {
        of(tank, change, perDay).ifPresent(experiments::add);
      }
    }
    return List.copyOf(experiments);
  }

  /** mg/L NO3 a day that come in between changes, by the posterior's middle draws of late. */
  private static double netPerDay(Posterior posterior) {
    double[] fit = posterior.fit().nitrogenP50();
    List<Double> rises = new ArrayList<>();
    for (int day = 1; day < fit.length; day++) {
      if (fit[day] > fit[day - 1]) {
        rises.add(fit[day] - fit[day - 1]);
      }
    }
    rises.sort(Double::compare);
    return rises.isEmpty() ? 0 : Nutrient.NITRATE.ion(rises.get(rises.size() / 2));
  }

  /**
   * One change between two tests.
   *
   * @param netPerDay mg/L NO3 that come in a day
   */
  static Optional<ChangeExperiment> of(
      TankModel tank, LogEntry.WaterChange change, double netPerDay) {
    Optional<LogEntry.Test> before = Optional.empty();
    Optional<LogEntry.Test> after = Optional.empty();
    for (LogEntry entry : tank.log()) {
      double days = days(change, entry);
      if (entry instanceof LogEntry.WaterChange && entry != change && Math.abs(days) < NEAR_DAYS) {
        return Optional.empty();
      }
      if (entry instanceof LogEntry.Test test
          && test.analyte() == Analyte.NITRATE
          && Math.abs(days) <= NEAR_DAYS) {
        if (days <= 0) {
          before = Optional.of(test);
        } else if (after.isEmpty()) {
          after = Optional.of(test);
        }
      }
    }
    if (before.isEmpty() || after.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(judge(tank, change, before.get(), after.get(), netPerDay));
  }

  private static double days(LogEntry from, LogEntry to) {
    return Duration.between(from.at().toInstant(), to.at().toInstant()).toSeconds()
        / SECONDS_PER_DAY;
  }

  private static ChangeExperiment judge(
      TankModel tank,
      LogEntry.WaterChange change,
      LogEntry.Test testBefore,
      LogEntry.Test testAfter,
      double netPerDay) {
    Range before = KitPower.meaning(TestLikelihood.of(testBefore, tank.kitOf(testBefore)));
    Range after = KitPower.meaning(TestLikelihood.of(testAfter, tank.kitOf(testAfter)));
    double fraction = Math.min(1, change.litres() / tank.netVolumeL());
    double source = tank.nitrateMgL(change.water());
    double risen = netPerDay * days(testBefore, testAfter);
    double level = testBefore.standardValue();
    double expectedDrop = fraction * (level - source) - risen;
    // after = before (1 - f) + f c + risen, solved for c and for f at the readings' ends
    Range impliedSource =
        new Range(
            Math.max(0, (after.low() - risen - before.high() * (1 - fraction)) / fraction),
            (after.high() - risen - before.low() * (1 - fraction)) / fraction);
    Range impliedFraction =
        new Range(
            share(before.low() + risen - after.high(), before.low() - source),
            share(before.high() + risen - after.low(), before.high() - source));
    Range impliedVolume =
        new Range(
            impliedFraction.high() > 0 ? change.litres() / impliedFraction.high() : 0,
            impliedFraction.low() > 0
                ? change.litres() / impliedFraction.low()
                : Double.POSITIVE_INFINITY);
    Range expected =
        new Range(
            before.low() * (1 - fraction) + fraction * source + risen,
            before.high() * (1 - fraction) + fraction * source + risen);
    boolean asExpected = expected.meets(after);
    Set<Explanation> explanations = EnumSet.noneOf(Explanation.class);
    boolean invisible =
        Math.abs(expectedDrop)
            < KitPower.smallestDifference(tank.kitOf(testAfter), testAfter.standardValue());
    if (invisible) {
      explanations.add(Explanation.KIT);
    }
    if (!asExpected) {
      if (impliedSource.high() >= 0 && impliedSource.low() <= MOST_SOURCE) {
        explanations.add(Explanation.SOURCE);
      }
      double believed = tank.netVolumeL();
      if (impliedVolume.meets(new Range(believed / FURTHEST_VOLUME, believed * FURTHEST_VOLUME))) {
        explanations.add(Explanation.VOLUME);
      }
    }
    return new ChangeExperiment(
        change.at(),
        fraction,
        expectedDrop,
        level - testAfter.standardValue(),
        impliedSource,
        impliedFraction,
        impliedVolume,
        asExpected,
        Set.copyOf(explanations));
  }

  private static double share(double dropped, double room) {
    return room > 0 ? Math.max(0, Math.min(1, dropped / room)) : 0;
  }
}
