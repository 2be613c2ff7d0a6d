package org.umberline.server.makeup;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.judging.ChangeExperiment;
import org.umberline.core.judging.ImpliedVolume;
import org.umberline.core.ledger.PaperBalance;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.balance.BalanceMapper;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.learning.Posteriors;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.wording.AdviceWords;

/** Answers for Make-up. */
@Service
public class MakeUpAnswers {
  private final Posteriors posteriors;
  private final Advices advices;

  MakeUpAnswers(Posteriors posteriors, Advices advices) {
    this.posteriors = posteriors;
    this.advices = advices;
  }

  /**
   * What a make-up would be answered with; nothing is kept of it. What is not edited is answered as
   * everywhere, to the digit; what is edited is learned anew from fewer draws.
   */
  public MakeUpViews.MakeUpEffect effect(Stored stored, TankModel tried) {
    boolean unedited = tried.equals(stored.tank());
    LearnedTank now = unedited ? advices.learned(stored) : posteriors.learnedBriefly(tried);
    Advisor advisor = now.advisor();
    Advice advice = unedited ? advices.of(stored) : advisor.advise();
    RoutineOutlook outlook = advisor.outlook(advice);
    Optional<Routine> routine = AdviceMapper.routine(advice);
    Projection alone = outlook.projection(PlannedChanges.NONE, now.horizon());
    Forecast nitrate = Forecast.of(alone, Nutrient.NITRATE, now.tank().lines());
    Forecast phosphate = Forecast.of(alone, Nutrient.PHOSPHATE, now.tank().lines());
    return new MakeUpViews.MakeUpEffect(
        PaperBalance.of(now.tank(), now.today()).stream()
            .map(
                entry ->
                    new MakeUpViews.PaperEntry(
                        entry.kind(),
                        entry.id(),
                        entry.nitrogenMgPerDay(),
                        entry.phosphorusMgPerDay()))
            .toList(),
        BalanceMapper.now(nitrate),
        BalanceMapper.now(phosphate),
        advice.today().verdict(),
        AdviceMapper.warnings(advice, new AdviceWords(now.tank())),
        advice.catchUp().stream().map(AdviceMapper::step).toList(),
        routine.map(r -> BalanceMapper.routine(now.tank(), r)).orElse(null),
        BalanceMapper.crossing(nitrate),
        BalanceMapper.crossing(phosphate),
        outlook.probability(routine));
  }

  /** What a tank that is not kept yet would come to, under the routine its file names. */
  public MakeUpViews.Preview preview(TankModel tank) {
    LearnedTank now = posteriors.learnedBriefly(tank);
    RoutineOutlook outlook = now.advisor().outlook(List.of());
    Projection ahead = outlook.projection(outlook.changes(now.standing()), now.horizon());
    return new MakeUpViews.Preview(
        BalanceMapper.lines(now.tank().lines()),
        BalanceMapper.nutrient(Forecast.of(ahead, Nutrient.NITRATE, now.tank().lines())),
        BalanceMapper.nutrient(Forecast.of(ahead, Nutrient.PHOSPHATE, now.tank().lines())),
        outlook.probability(now.standing()));
  }

  /** The net volume that past changes speak for. */
  public MakeUpViews.ImpliedVolume impliedVolume(Stored stored) {
    LearnedTank now = posteriors.learned(stored, stored.tank().lines());
    return ImpliedVolume.of(ChangeExperiment.of(now.posterior()))
        .map(
            implied ->
                new MakeUpViews.ImpliedVolume(
                    implied.changes(),
                    implied.agreeing(),
                    implied.range().low(),
                    Double.isInfinite(implied.range().high()) ? null : implied.range().high()))
        .orElse(new MakeUpViews.ImpliedVolume(0, 0, null, null));
  }
}
