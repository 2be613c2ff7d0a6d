package org.umberline.server.balance;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.server.learning.LearnedTank;

/** What was done and measured, beside what the balance makes of it. */
final class PastMapper {
  private PastMapper() {}

  static BalanceViews.Past of(LearnedTank now) {
    Posterior.Fit fit = now.posterior().fit();
    List<BalanceViews.ChangeMark> changes = new ArrayList<>();
    List<BalanceViews.LaneMark> lanes = new ArrayList<>();
    Lanes where = new Lanes(now.tank());
    for (LogEntry entry : now.tank().log()) {
      if (entry instanceof LogEntry.WaterChange change) {
        changes.add(
            new BalanceViews.ChangeMark(
                now.tank().timeOf(change),
                change.litres() / now.tank().netVolumeL(),
                change.litres()));
      } else {
        entry
            .accept(where)
            .ifPresent(
                lane ->
                    lanes.add(
                        new BalanceViews.LaneMark(
                            now.tank().timeOf(entry), lane.name(), lane.text())));
      }
    }
    return new BalanceViews.Past(
        new BalanceViews.NutrientPast(
            fitDays(now, Nutrient.NITRATE, fit.nitrogenP10(), fit.nitrogenP50(), fit.nitrogenP90()),
            tests(now, Analyte.NITRATE)),
        new BalanceViews.NutrientPast(
            fitDays(
                now,
                Nutrient.PHOSPHATE,
                fit.phosphorusP10(),
                fit.phosphorusP50(),
                fit.phosphorusP90()),
            tests(now, Analyte.PHOSPHATE)),
        tests(now, Analyte.AMMONIA),
        tests(now, Analyte.NITRITE),
        changes,
        lanes);
  }

  private static List<BalanceViews.FitDay> fitDays(
      LearnedTank now, Nutrient nutrient, double[] p10, double[] p50, double[] p90) {
    List<BalanceViews.FitDay> days = new ArrayList<>();
    for (int day = 0; day < p50.length; day++) {
      days.add(
          new BalanceViews.FitDay(
              now.posterior().scenario().date(day),
              nutrient.ion(p10[day]),
              nutrient.ion(p50[day]),
              nutrient.ion(p90[day])));
    }
    return days;
  }

  private static List<BalanceViews.TestMark> tests(LearnedTank now, Analyte analyte) {
    List<BalanceViews.TestMark> marks = new ArrayList<>();
    for (Posterior.Reading reading : now.posterior().readings()) {
      LogEntry.Test test = now.posterior().scenario().probes().get(reading.test());
      if (test.analyte() != analyte) {
        continue;
      }
      TestLikelihood likelihood = reading.likelihood();
      marks.add(
          new BalanceViews.TestMark(
              now.tank().timeOf(test),
              test.value(),
              test.unit().label(),
              likelihood.use().name().toLowerCase(Locale.ROOT),
              test.standardValue(),
              likelihood.lowest(),
              Double.isInfinite(likelihood.highest()) ? null : likelihood.highest(),
              reading.modelled(),
              reading.contradicts()));
    }
    return marks;
  }
}
