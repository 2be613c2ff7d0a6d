package org.umberline.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Try;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.trial.TrialOutcome.Verdict;
import org.umberline.core.trial.TrialPlan.Power;

class TrialTest {
  private static final int BEGUN = 100;
  private static final LocalDate DAY = TankBuilder.START.plusDays(BEGUN);
  private static final Try LESS_FOOD = new Try(Try.Kind.FEED, "dry", 0.5);

  /** Nitrate rises by 2 mg/L a week on a steady ration, read well, until the trial begins. */
  private static TankBuilder rising() {
    TankBuilder tank =
        new TankBuilder()
            .startedOn(TankBuilder.START.minusDays(400))
            .ration(0.3)
            .photometer("n", Analyte.NITRATE, 0.3, 0.03);
    for (int day = 2; day <= BEGUN; day += 7) {
      tank.test(day, Analyte.NITRATE, 5 + day * 2 / 7.0, "n");
    }
    return tank;
  }

  private static LogEntry.Trial trial(OptionalDouble expected) {
    return new LogEntry.Trial(
        TankBuilder.at(BEGUN + 0.5), "Half the food", Analyte.NITRATE, 28, expected, "");
  }

  private static TrialOutcome outcome(TankBuilder tank) {
    Instant later = TankBuilder.at(BEGUN + 35).toInstant();
    List<TrialOutcome> all = TrialOutcome.all(tank.build(), later, TankBuilder.WORKERS);
    assertThat(all).hasSize(1);
    return all.get(0);
  }

  @Test
  void isExpectedByTheBalanceAndWeighedAgainstTheKit() {
    TankModel tank = rising().build();
    TrialPlan plan =
        TrialPlan.of(
            tank,
            Calibration.calibrate(tank, DAY, 90, 100, 1, TankBuilder.WORKERS),
            Nutrient.NITRATE,
            List.of(LESS_FOOD),
            DAY,
            28);
    // half of what comes in four weeks, which is about 8 mg/L
    assertThat(plan.expected().orElseThrow().p50()).isBetween(-6.0, -2.0);
    assertThat(plan.power()).isIn(Power.SHOWS, Power.SHOWS_WITH_REPEATS);
    assertThat(plan.showsOn().orElseThrow()).isBetween(DAY.plusDays(2), DAY.plusDays(28));
    assertThat(plan.occasions().get(0)).isEqualTo(DAY);
    assertThat(plan.occasions().get(plan.occasions().size() - 1)).isEqualTo(DAY.plusDays(28));
  }

  @Test
  void aCoarseCardCantShowASmallThing() {
    TankModel tank = rising().card("c", Analyte.PHOSPHATE, 0.0, 0.5, 1.0, 2.0).build();
    TrialPlan plan =
        TrialPlan.of(
            tank,
            Calibration.calibrate(tank, DAY, 90, 60, 1, TankBuilder.WORKERS),
            Nutrient.PHOSPHATE,
            List.of(new Try(Try.Kind.FEED, "dry", 0.99)),
            DAY,
            14);
    assertThat(plan.power()).isEqualTo(Power.CANNOT);
    assertThat(plan.showsOn()).isEmpty();
    assertThat(plan.smallest()).isGreaterThanOrEqualTo(0.5);
  }

  @Test
  void aLevelThatFallsBehindWasHelped() {
    TankBuilder tank = rising().log(trial(OptionalDouble.of(-7)));
    for (int day = BEGUN + 12; day <= BEGUN + 28; day += 4) {
      tank.test(day, Analyte.NITRATE, 31, "n");
    }
    TrialOutcome outcome = outcome(tank);
    assertThat(outcome.readings()).isEqualTo(5);
    assertThat(outcome.seen()).isCloseTo(31, within(1e-9));
    assertThat(outcome.verdict()).isEqualTo(Verdict.HELPED);
    assertThat(outcome.others()).isEmpty();
  }

  @Test
  void aLevelThatGoesOnAsBeforeWasNot() {
    TankBuilder tank = rising().log(trial(OptionalDouble.of(-25)));
    for (int day = BEGUN + 12; day <= BEGUN + 28; day += 4) {
      tank.test(day, Analyte.NITRATE, 5 + day * 2 / 7.0, "n");
    }
    tank.log(new LogEntry.Death(TankBuilder.at(BEGUN + 9), 3, 5, ""));
    TrialOutcome outcome = outcome(tank);
    assertThat(outcome.without()).isCloseTo(outcome.seen(), within(3.0));
    assertThat(outcome.verdict()).isEqualTo(Verdict.DID_NOT);
    // a death in between may have changed it too
    assertThat(outcome.others()).hasSize(1);
  }

  @Test
  void withoutTestsItWaits() {
    assertThat(outcome(rising().log(trial(OptionalDouble.empty()))).verdict())
        .isEqualTo(Verdict.WAITING);
  }

  /** A kit that grows old reads low in both tanks: what both show is no one's trial. */
  @Test
  void whatAnotherTankShowsTooIsNotTheTrials() {
    TankBuilder tried = rising().log(trial(OptionalDouble.of(-7)));
    TankBuilder asBefore = rising();
    TankBuilder lowAsWell = rising();
    for (int day = BEGUN + 12; day <= BEGUN + 28; day += 4) {
      double foreseen = 5 + day * 2 / 7.0;
      tried.test(day, Analyte.NITRATE, foreseen - 10, "n");
      asBefore.test(day, Analyte.NITRATE, foreseen, "n");
      lowAsWell.test(day, Analyte.NITRATE, foreseen - 10, "n");
    }
    TrialBeside apart = beside(tried, asBefore);
    assertThat(apart.verdict()).isEqualTo(TrialBeside.Verdict.DIFFER);
    assertThat(apart.low()).isLessThan(-10);
    assertThat(apart.high()).isBetween(-10.0, 0.0);
    TrialBeside alike = beside(tried, lowAsWell);
    assertThat(alike.verdict()).isEqualTo(TrialBeside.Verdict.ALIKE);
    assertThat(alike.other()).isCloseTo(alike.own(), within(0.5));
    assertThat(alike.otherChanged()).isFalse();
    assertThat(beside(tried, rising()).verdict()).isEqualTo(TrialBeside.Verdict.OTHER_NOT_TESTED);
    asBefore.log(new LogEntry.Death(TankBuilder.at(BEGUN + 9), 3, 5, ""));
    assertThat(beside(tried, asBefore).otherChanged()).isTrue();
  }

  private static TrialBeside beside(TankBuilder tried, TankBuilder other) {
    return TrialBeside.of(
        tried.build(),
        trial(OptionalDouble.of(-7)),
        other.build(),
        TankBuilder.at(BEGUN + 35).toInstant(),
        TankBuilder.WORKERS);
  }

  /** Without it 20 (18.7 to 21.3 eight times in ten): one deviation is about 1. */
  @Test
  void theVerdictIsThatOfTheBand() {
    OptionalDouble less = OptionalDouble.of(-4);
    assertThat(verdict(18, less)).isEqualTo(Verdict.HELPED);
    assertThat(verdict(19.5, less)).isEqualTo(Verdict.DID_NOT);
    assertThat(verdict(19.5, OptionalDouble.of(-1.5))).isEqualTo(Verdict.CANT_TELL);
    assertThat(verdict(18, OptionalDouble.empty())).isEqualTo(Verdict.LOWER);
    assertThat(verdict(22, OptionalDouble.empty())).isEqualTo(Verdict.HIGHER);
    assertThat(verdict(20.5, OptionalDouble.empty())).isEqualTo(Verdict.CANT_TELL);
  }

  private static Verdict verdict(double seen, OptionalDouble expected) {
    return TrialOutcome.verdict(seen, 20, 18.7184, 21.2816, expected);
  }

  @Test
  void testsOfATrialFallDueOnItsDaysUntilTheyAreRead() {
    TankModel begun = rising().log(trial(OptionalDouble.empty())).build();
    assertThat(TestDue.of(begun, DAY)).as("read that morning").isEmpty();
    assertThat(TestDue.of(begun, DAY.plusDays(6))).isEmpty();
    assertThat(TestDue.of(begun, DAY.plusDays(9)))
        .extracting(TestDue::on)
        .containsExactly(DAY.plusDays(7));
    assertThat(TestDue.of(begun, DAY.plusDays(29))).as("it is over").isEmpty();
    TankModel two =
        rising().log(trial(OptionalDouble.empty())).log(trial(OptionalDouble.of(-7))).build();
    assertThat(TestDue.of(two, DAY.plusDays(9))).as("one test is enough for both").hasSize(1);
    TankModel read =
        rising()
            .log(trial(OptionalDouble.empty()))
            .test(BEGUN + 8, Analyte.NITRATE, 30, "n")
            .build();
    assertThat(TestDue.of(read, DAY.plusDays(9))).isEmpty();
    assertThat(TestDue.of(read, DAY.plusDays(14))).hasSize(1);
  }
}
