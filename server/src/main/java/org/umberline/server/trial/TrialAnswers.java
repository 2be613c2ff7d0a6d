package org.umberline.server.trial;

import static org.umberline.server.balance.AdviceMapper.said;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Try;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;
import org.umberline.core.trial.TrialBeside;
import org.umberline.core.trial.TrialOutcome;
import org.umberline.core.trial.TrialPlan;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.http.Refused;
import org.umberline.server.http.Terms;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.AnswerCache;
import org.umberline.server.learning.AnswerShelf;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.tankfile.shorthand.ShorthandWriter;
import org.umberline.wording.TrialWords;
import org.umberline.wording.TroubleWords;

/** One change at a time: what is on offer, what it should show, what it did. */
@Service
public class TrialAnswers {
  private static final int MOST_KEPT = 100;
  private static final double LESS_FOOD = 0.8;
  private static final double MORE_FOOD = 1.2;
  private static final double RENEWED_DAYS = 28;
  private static final double SIPHONED = 0.25;

  /** What is expected is kept to a thousandth. */
  private static final int DIGITS = 1000;

  private final Advices advices;
  private final Workers workers;
  private final Clock clock;
  private final AnswerCache<TrialViews.Trials> kept;

  TrialAnswers(
      Advices advices, Workers workers, Clock clock, Computations computations, AnswerShelf shelf) {
    this.advices = advices;
    this.workers = workers;
    this.clock = clock;
    kept = AnswerCache.kept(computations, MOST_KEPT, shelf, "trials", TrialViews.Trials.class);
  }

  public TrialViews.Trials trials(Stored stored) {
    return kept.get(stored, stored.tank().dayOf(clock.instant()), "", () -> worked(stored));
  }

  private TrialViews.Trials worked(Stored stored) {
    LearnedTank now = advices.learned(stored);
    TankModel tank = now.tank();
    TrialWords words = new TrialWords(tank);
    TroubleWords happened = new TroubleWords(tank, advices.of(stored));
    List<Try> options = options(tank, now.today());
    List<TrialViews.TrialOption> offered = new ArrayList<>();
    for (int i = 0; i < options.size(); i++) {
      offered.add(new TrialViews.TrialOption(i, words.what(options.get(i))));
    }
    return new TrialViews.Trials(
        offered,
        TrialOutcome.all(tank, now.now(), workers).stream()
            .map(
                outcome -> {
                  boolean over = outcome.ends().isBefore(now.today());
                  return new TrialViews.TrialDone(
                      outcome.trial().what(),
                      tank.dayOf(outcome.trial().at().toInstant()),
                      outcome.ends(),
                      over,
                      said(words.verdict(outcome, over)),
                      outcome.others().stream()
                          .map(
                              one ->
                                  new TrialViews.TrialEvent(one.on(), said(happened.happened(one))))
                          .toList());
                })
            .toList(),
        TrialWords.rules().stream().map(AdviceMapper::said).toList());
  }

  /** What the balance can foresee of this tank, one thing at a time. */
  private static List<Try> options(TankModel tank, LocalDate today) {
    List<Try> options = new ArrayList<>();
    tank.feeding().stream()
        .filter(feeding -> feeding.span().contains(today))
        .map(Feeding::food)
        .distinct()
        .forEach(
            food -> {
              options.add(new Try(Try.Kind.FEED, food, LESS_FOOD));
              options.add(new Try(Try.Kind.FEED, food, MORE_FOOD));
            });
    for (ExportMethod export : tank.exports()) {
      if (export.span().contains(today) && export instanceof ExportMethod.Mechanical) {
        options.add(new Try(Try.Kind.CLEAN, export.id(), 1));
      }
      if (export.span().contains(today) && export instanceof ExportMethod.PhosphateAdsorber) {
        options.add(new Try(Try.Kind.RENEW, export.id(), RENEWED_DAYS));
      }
    }
    tank.plants().stream()
        .filter(plant -> plant.span().contains(today))
        .forEach(plant -> options.add(new Try(Try.Kind.ROOM, plant.id(), 2)));
    for (SourceWater water : tank.waters()) {
      boolean used =
          tank.changeWater().parts().stream().anyMatch(p -> p.water().equals(water.id()));
      if (!used && water.salinityPpt().orElse(0) == 0 && tank.salinityPpt() == 0) {
        options.add(new Try(Try.Kind.CHANGE_WATER, water.id(), 1));
      }
    }
    if (tank.substrate().kind() != SubstrateKind.BARE) {
      options.add(new Try(Try.Kind.SIPHON, "", SIPHONED));
    }
    return List.copyOf(options);
  }

  /**
   * A trial beside another tank.
   *
   * @throws Refused naming a trial there isn't, or the tank itself
   */
  public TrialViews.TrialBesideAnother beside(
      Stored stored, Stored other, TrialRequests.TrialComparison asked) {
    Instant now = clock.instant();
    TankModel tank = stored.tank().knownAt(now);
    if (asked.tank().equals(stored.id())) {
      throw Refused.field("tank", tank.name(), "another tank than this");
    }
    LogEntry.Trial trial =
        tank.log().stream()
            .filter(LogEntry.Trial.class::isInstance)
            .map(LogEntry.Trial.class::cast)
            .filter(one -> tank.dayOf(one.at().toInstant()).equals(asked.begun()))
            .filter(one -> one.what().equals(asked.what()))
            .filter(one -> Nutrient.of(one.analyte()).isPresent())
            .findFirst()
            .orElseThrow(
                () -> Refused.field("what", asked.what(), "a trial that began on that day"));
    TankModel beside = other.tank().knownAt(now);
    return new TrialViews.TrialBesideAnother(
        said(
            new TrialWords(tank)
                .beside(
                    TrialBeside.of(tank, trial, beside, now, workers),
                    Nutrient.of(trial.analyte()).orElseThrow(),
                    beside.name())));
  }

  /**
   * What a trial should show.
   *
   * @throws Refused naming an option or analyte there isn't
   */
  public TrialViews.TrialPlanned plan(Stored stored, TrialRequests.TrialAsked asked) {
    LearnedTank now = advices.learned(stored);
    TankModel tank = now.tank();
    Nutrient nutrient = Terms.of(Nutrient.class, "analyte", asked.analyte());
    List<Try> options = options(tank, now.today());
    TrialWords words = new TrialWords(tank);
    List<Try> tried = new ArrayList<>();
    String what = asked.what();
    if (asked.option() != null) {
      if (asked.option() < 0 || asked.option() >= options.size()) {
        throw Refused.field(
            "option", String.valueOf(asked.option()), "0 to " + (options.size() - 1));
      }
      tried.add(options.get(asked.option()));
      String said = words.what(tried.get(0));
      what = Character.toUpperCase(said.charAt(0)) + said.substring(1);
    }
    if (what == null || what.isBlank()) {
      throw Refused.field("what", "nothing", "what is done otherwise, in 1 to 100 characters");
    }
    TrialPlan plan =
        TrialPlan.of(
            tank.withRoutine(now.standing()),
            now.posterior(),
            nutrient,
            tried,
            now.today(),
            asked.days());
    LogEntry.Trial trial =
        new LogEntry.Trial(
            now.now().atZone(tank.timeZone()).toOffsetDateTime(),
            what.strip(),
            nutrient.analyte(),
            asked.days(),
            plan.expected()
                .map(effect -> OptionalDouble.of(Math.rint(effect.p50() * DIGITS) / DIGITS))
                .orElse(OptionalDouble.empty()),
            "");
    return new TrialViews.TrialPlanned(
        said(words.expected(plan)),
        said(words.power(plan)),
        plan.occasions(),
        plan.readings(),
        plan.power() != TrialPlan.Power.CANNOT,
        ShorthandWriter.withoutTime(trial));
  }
}
