package org.umberline.server.balance;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.server.learning.Present;
import org.umberline.tankfile.Figures;

/** What was done and measured, beside what the balance makes of it. */
final class Pasts {
  private Pasts() {}

  static BalanceViews.Past of(Present now) {
    Posterior.Fit fit = now.posterior().fit();
    List<BalanceViews.ChangeMark> changes = new ArrayList<>();
    List<BalanceViews.LaneMark> lanes = new ArrayList<>();
    for (LogEntry entry : now.tank().log()) {
      if (entry instanceof LogEntry.WaterChange change) {
        changes.add(
            new BalanceViews.ChangeMark(
                change.at(), change.litres() / now.tank().netVolumeL(), change.litres()));
      } else {
        lane(now.tank(), entry)
            .ifPresent(
                lane -> lanes.add(new BalanceViews.LaneMark(entry.at(), lane.name(), lane.text())));
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

  private record Lane(String name, String text) {}

  private static Optional<Lane> lane(TankModel tank, LogEntry entry) {
    if (entry instanceof LogEntry.Feed feed) {
      return Optional.of(
          new Lane("fed", Figures.plain(feed.grams()) + " g " + tank.foodById(feed.food()).name()));
    } else if (entry instanceof LogEntry.Fast fast) {
      return Optional.of(new Lane("fed", "no food for " + fast.days() + " days"));
    } else if (entry instanceof LogEntry.Harvest harvest) {
      return Optional.of(
          new Lane("cut", Figures.plain(harvest.wetMassG()) + " g " + harvest.plant()));
    } else if (entry instanceof LogEntry.Clean clean) {
      return Optional.of(new Lane("cleaned", clean.export()));
    } else if (entry instanceof LogEntry.Renew renew) {
      return Optional.of(new Lane("cleaned", "renewed " + renew.export()));
    } else if (entry instanceof LogEntry.Dose dose) {
      return Optional.of(new Lane("dosed", Figures.plain(dose.ml()) + " mL " + dose.fertiliser()));
    } else if (entry instanceof LogEntry.Death death) {
      return Optional.of(new Lane("died", Figures.plain(death.massG()) + " g"));
    } else if (entry instanceof LogEntry.Observation observation) {
      return Optional.of(
          new Lane(
              "noted", observation.note().isEmpty() ? observation.sign() : observation.note()));
    }
    return Optional.empty();
  }

  private static List<BalanceViews.FitDay> fitDays(
      Present now, Nutrient nutrient, double[] p10, double[] p50, double[] p90) {
    List<BalanceViews.FitDay> days = new ArrayList<>();
    for (int day = 0; day < p50.length; day++) {
      days.add(
          new BalanceViews.FitDay(
              now.posterior().scenario().date(day),
              Figures.rounded(nutrient.ion(p10[day])),
              Figures.rounded(nutrient.ion(p50[day])),
              Figures.rounded(nutrient.ion(p90[day]))));
    }
    return days;
  }

  private static List<BalanceViews.TestMark> tests(Present now, Analyte analyte) {
    List<BalanceViews.TestMark> marks = new ArrayList<>();
    for (Posterior.Reading reading : now.posterior().readings()) {
      LogEntry.Test test = now.posterior().scenario().probes().get(reading.test());
      if (test.analyte() != analyte) {
        continue;
      }
      TestLikelihood likelihood = reading.likelihood();
      marks.add(
          new BalanceViews.TestMark(
              test.at(),
              test.value(),
              test.unit().label(),
              likelihood.use().name().toLowerCase(Locale.ROOT),
              Figures.rounded(test.standardValue()),
              Figures.rounded(likelihood.lowest()),
              Double.isInfinite(likelihood.highest())
                  ? null
                  : Figures.rounded(likelihood.highest()),
              Figures.rounded(reading.modelled()),
              reading.contradicts()));
    }
    return marks;
  }
}
