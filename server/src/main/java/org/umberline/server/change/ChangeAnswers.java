package org.umberline.server.change;

import static org.umberline.server.http.Absent.orNull;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.umberline.core.change.ChangeEffect;
import org.umberline.core.change.ChangeWater;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Levels;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.http.Refused;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.wording.RunSheet;
import org.umberline.wording.RunSheets;

/** Run sheets of water changes. */
@Service
public class ChangeAnswers {
  private final Advices advices;

  public ChangeAnswers(Advices advices) {
    this.advices = advices;
  }

  /**
   * The sheet of a change.
   *
   * @param fraction of the net volume; empty for what the plan says
   */
  public ChangeViews.RunSheet sheet(Stored stored, Optional<Double> fraction) {
    LearnedTank now = advices.learned(stored);
    Advice advice = advices.of(stored);
    Levels known = now.advisor().levels();
    double share = fraction.orElseGet(() -> planned(now, advice));
    if (!(share > 0 && share <= 1)) {
      throw Refused.field("fraction", String.valueOf(share), "over 0 to 1");
    }
    TankModel tank = stored.tank();
    Blend blend = tank.changeWater();
    ChangeEffect.Levels levels =
        new ChangeEffect.Levels(
            known.now(Nutrient.NITRATE),
            known.now(Nutrient.PHOSPHATE),
            known.ofChangeWater(Nutrient.NITRATE),
            known.ofChangeWater(Nutrient.PHOSPHATE));
    return view(stored, now, RunSheets.of(tank, stored.care(), share, blend, levels, now.today()));
  }

  /** What is advised today, else what comes next, else what the routine takes, else a quarter. */
  private static double planned(LearnedTank now, Advice advice) {
    return AdviceMapper.nextFraction(advice)
        .orElseGet(() -> now.standing().map(Routine::fraction).orElse(0.25));
  }

  private static ChangeViews.RunSheet view(Stored stored, LearnedTank now, RunSheet sheet) {
    ChangeEffect after = sheet.effect();
    return new ChangeViews.RunSheet(
        stored.id(),
        now.today(),
        sheet.fraction(),
        sheet.litres(),
        stored.tank().netVolumeL(),
        sheet.water().parts().stream()
            .map(
                part ->
                    new ChangeViews.BlendPart(
                        part.water(), stored.tank().waterById(part.water()).name(), part.share()))
            .toList(),
        sheet.bed().map(half -> half.name().toLowerCase(Locale.ROOT)).orElse(null),
        sheet.steps().stream()
            .map(
                step ->
                    new ChangeViews.Step(
                        step.key(),
                        step.phase().name(),
                        AdviceMapper.said(step.text()),
                        orNull(step.minutes())))
            .toList(),
        List.of(
            moved("nitrate", after.nitrateBefore(), after.nitrate(), "mg/L NO3"),
            moved("phosphate", after.phosphateBefore(), after.phosphate(), "mg/L PO4"),
            moved("salinity", after.salinityBefore(), after.salinity(), "ppt"),
            new ChangeViews.Moved(
                "alkalinity", orNull(after.alkalinityBefore()), orNull(after.alkalinity()), "dKH"),
            new ChangeViews.Moved("ammonia from the tap", null, after.ammonia(), "mg/L NH3")),
        sheet.warnings().stream().map(AdviceMapper::said).toList(),
        sheet.cautions(),
        after
            .told()
            .map(
                told ->
                    new ChangeViews.TestAsked(
                        told.nutrient().term(), told.daysFrom(), AdviceMapper.said(sheet.test())))
            .orElse(null),
        stored.tank().salinityPpt() > 0);
  }

  private static ChangeViews.Moved moved(String what, double before, double after, String unit) {
    return new ChangeViews.Moved(what, before, after, unit);
  }

  /** What mixed water still lacks by its measured salinity. */
  public ChangeViews.Salt salt(TankModel tank, ChangeRequests.Mixed request) {
    ChangeWater water = new ChangeWater(tank, tank.changeWater());
    return new ChangeViews.Salt(
        water.saltG(request.litres(), request.measuredPpt()),
        water.dilutionL(request.litres(), request.measuredPpt()));
  }
}
