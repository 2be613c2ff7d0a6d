package org.umberline.core.minerals;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;

/** Against mass balances worked out by hand. */
class MineralTest {
  private static final OptionalDouble NOBODY_SAYS = OptionalDouble.empty();

  private static Instant day(double days) {
    return TankBuilder.at(days).toInstant();
  }

  private static TankBuilder tank() {
    return new TankBuilder()
        .water("tap", Optional.of(0.0), Optional.of(0.0), OptionalDouble.of(10))
        .changeWater("tap")
        .alkalinity(8)
        .card("drops", Analyte.ALKALINITY);
  }

  private static Mineral alkalinity(TankModel tank, double asOfDay) {
    return Mineral.of(tank, Analyte.ALKALINITY, NOBODY_SAYS, NOBODY_SAYS, day(asOfDay));
  }

  @Test
  void twoReadingsGiveTheUseBetweenThem() {
    TankModel tank =
        tank()
            .test(10, Analyte.ALKALINITY, 8, "drops")
            .test(20, Analyte.ALKALINITY, 6, "drops")
            .build();
    Course course = alkalinity(tank, 21).course().orElseThrow();
    assertThat(course.lostPerDay().getAsDouble()).isCloseTo(0.2, within(1e-9));
    assertThat(course.latest()).isEqualTo(6);
  }

  /** 8, less 5 days of 0.1, is 7.5; a quarter of 10 makes it 8.125; five days later 7.625. */
  @Test
  void aChangeInBetweenIsCountedByItsWater() {
    TankModel tank =
        tank()
            .test(10, Analyte.ALKALINITY, 8, "drops")
            .change(15, 25)
            .test(20, Analyte.ALKALINITY, 7.625, "drops")
            .build();
    assertThat(alkalinity(tank, 21).course().orElseThrow().lostPerDay().getAsDouble())
        .isCloseTo(0.1, within(1e-9));
  }

  /**
   * A g of bicarbonate brings 33.38 dKH litres: 12 g in 100 L are 4.006 dKH. From 8 to 6 in ten
   * days with that given between, 6.006 dKH were used.
   */
  @Test
  void whatWasNotedAsGivenIsNoLessUsed() {
    TankModel tank =
        tank()
            .test(10, Analyte.ALKALINITY, 8, "drops")
            .added(13, Salt.SODIUM_BICARBONATE, 6)
            .added(17, Salt.SODIUM_BICARBONATE, 6)
            .added(17, Salt.POTASSIUM_NITRATE, 5)
            .test(20, Analyte.ALKALINITY, 6, "drops")
            .build();
    Course course = alkalinity(tank, 23).course().orElseThrow();
    assertThat(course.lostPerDay().getAsDouble()).isCloseTo(0.6006, within(1e-3));
    assertThat(course.givenPerDay()).isCloseTo(0.4006, within(1e-3));
    assertThat(course.stands()).isEqualTo(6);
    TankModel since =
        tank()
            .added(20, Salt.SODIUM_BICARBONATE, 6)
            .test(20, Analyte.ALKALINITY, 6, "drops")
            .build();
    assertThat(Course.stands(since, Analyte.ALKALINITY, day(22)).getAsDouble())
        .as("in one line, a g brings 33.38 dKH litres")
        .isCloseTo(8.003, within(1e-3));
  }

  /**
   * 10 dKH and 0 mixed to 6 are three fifths; with 0.1 dKH lost a day and a quarter changed every
   * ten days the tank swings from 4 under its change water to 3 under it, so the water has to hold
   * 3.5 more (mass balance).
   */
  @Test
  void changeWaterIsMixedForWhatTheTankShallHold() {
    TankBuilder waters =
        new TankBuilder()
            .water("ro", Optional.empty(), Optional.empty(), OptionalDouble.of(0))
            .water("tap", Optional.empty(), Optional.empty(), OptionalDouble.of(10))
            .changeWater("tap");
    Mix still = Mix.of(waters.build(), wanted(waters.build(), 6)).orElseThrow();
    assertThat(still.share()).isCloseTo(0.6, within(1e-9));
    assertThat(still.most().id()).isEqualTo("tap");
    assertThat(still.settles()).isEmpty();
    TankModel used =
        waters
            .photometer("drops", Analyte.ALKALINITY, 0.01, 0)
            .routine(new Routine(0.25, 10, TankBuilder.START.plusDays(30)))
            .test(10, Analyte.ALKALINITY, 8, "drops")
            .test(20, Analyte.ALKALINITY, 7, "drops")
            .build();
    Mix mix = Mix.of(used, wanted(used, 5)).orElseThrow();
    assertThat(mix.holds()).isCloseTo(8.5, within(1e-9));
    assertThat(mix.settles().getAsDouble()).isCloseTo(5, within(1e-9));
    assertThat(Mix.of(used, wanted(used, 7))).as("the tap holds too little").isEmpty();
    assertThat(Mix.of(tank().build(), wanted(tank().build(), 6))).as("one water").isEmpty();
  }

  private static Mineral wanted(TankModel tank, double dkh) {
    return Mineral.of(
        tank, Analyte.ALKALINITY, OptionalDouble.of(dkh), OptionalDouble.empty(), day(21));
  }

  /** 1 L a day of 10 dKH into 100 L adds 0.1 dKH a day; where 0.02 are used, it gains 0.08. */
  @Test
  void topOffIsWhatItGainsUntilTestsTellBetter() {
    TankModel untested = tank().topOff("tap", 1).build();
    Mineral mineral =
        Mineral.of(untested, Analyte.ALKALINITY, NOBODY_SAYS, OptionalDouble.of(0.02), day(21));
    assertThat(mineral.topOffPerDay()).isCloseTo(0.1, within(1e-9));
    assertThat(mineral.gainPerDay().getAsDouble()).isCloseTo(0.08, within(1e-9));
    TankModel tested =
        tank()
            .topOff("tap", 1)
            .test(10, Analyte.ALKALINITY, 6, "drops")
            .test(50, Analyte.ALKALINITY, 14, "drops")
            .build();
    assertThat(alkalinity(tested, 51).gainPerDay().getAsDouble()).isCloseTo(0.2, within(1e-9));
  }

  @Test
  void oneReadingOrTooFewDaysShowNoRate() {
    TankBuilder one = tank().test(10, Analyte.ALKALINITY, 8, "drops");
    assertThat(alkalinity(one.build(), 21).course().orElseThrow().lostPerDay()).isEmpty();
    TankModel two = one.test(12, Analyte.ALKALINITY, 7, "drops").build();
    assertThat(alkalinity(two, 21).course().orElseThrow().lostPerDay()).isEmpty();
    assertThat(alkalinity(two, 200).course()).isEmpty();
  }

  /** Nothing of the water that was read first is left when it is read again. */
  @Test
  void aChangeOfAllTheWaterJustBeforeTheSecondReadingHidesTheUse() {
    TankModel tank =
        tank()
            .test(10, Analyte.ALKALINITY, 8, "drops")
            .change(20, 100)
            .test(20, Analyte.ALKALINITY, 10, "drops")
            .build();
    assertThat(alkalinity(tank, 21).course().orElseThrow().lostPerDay()).isEmpty();
  }

  /** A card's 15 % of 8 is 1.2 dKH: half a dKH in ten days isn't told by two readings. */
  @Test
  void aCoarseKitTellsNoSmallUse() {
    TankModel tank =
        tank()
            .test(10, Analyte.ALKALINITY, 8, "drops")
            .test(20, Analyte.ALKALINITY, 7.5, "drops")
            .build();
    assertThat(alkalinity(tank, 21).course().orElseThrow().isTold()).isFalse();
  }

  @Test
  void aChangeOfUnknownWaterHidesTheUseAndAnEndOfRangeIsNoReading() {
    TankModel tank =
        new TankBuilder()
            .water("well", Optional.of(0.0), Optional.of(0.0), OptionalDouble.empty())
            .changeWater("well")
            .card("drops", Analyte.ALKALINITY)
            .test(10, Analyte.ALKALINITY, 8, "drops")
            .change(15, 25)
            .test(20, Analyte.ALKALINITY, 6, "drops")
            .test(25, Analyte.ALKALINITY, 20, "drops", Qualifier.ABOVE)
            .build();
    Course course = alkalinity(tank, 26).course().orElseThrow();
    assertThat(course.lostPerDay()).isEmpty();
    assertThat(course.latest()).isEqualTo(6);
  }

  /** Simulated for three years by hand: a weekly quarter of 10 dKH against 0.2 a day. */
  @Test
  void aRoutineSettlesWhereAStepByStepSumDoes() {
    double level = 8;
    double before = 0;
    for (int week = 0; week < 150; week++) {
      level -= 7 * 0.2;
      before = level;
      level += 0.25 * (10 - level);
    }
    Mineral.Settled settled = Mineral.Settled.of(10, -0.2, new Routine(0.25, 7, TankBuilder.START));
    assertThat(settled.before()).isCloseTo(before, within(1e-9));
    assertThat(settled.after()).isCloseTo(level, within(1e-9));
  }

  /** Told by tests 40 days long: 0.2 a day; to stay over 8 a week's changes of 10 must be 70 %. */
  @Test
  void theShareThatHoldsAndTheShareThatRepairs() {
    TankModel tank =
        tank()
            .routine(new Routine(0.25, 7, TankBuilder.START))
            .test(10, Analyte.ALKALINITY, 14, "drops")
            .test(50, Analyte.ALKALINITY, 6, "drops")
            .build();
    Mineral mineral = alkalinity(tank, 51);
    assertThat(mineral.course().orElseThrow().isTold()).isTrue();
    assertThat(mineral.shareToHold().getAsDouble()).isCloseTo(0.2 * 7 / (10 - 8), within(1e-9));
    // from 6 to 8 with water of 10
    assertThat(mineral.shareNow().getAsDouble()).isCloseTo(0.5, within(1e-9));
    assertThat(mineral.isAsWanted()).isFalse();
    AlkalinityUse use = AlkalinityUse.of(tank, mineral, 0);
    // a quarter of 2 dKH a week comes with the changes
    assertThat(use.doseToHoldPerDay().getAsDouble()).isCloseTo(0.2 - 0.5 / 7, within(1e-9));
    // a gram of NaHCO3 in 100 L: 11.90 meq, 2.804 dKH a meq (atomic weights IUPAC 2007)
    assertThat(use.bicarbonateGPerDay().getAsDouble())
        .isCloseTo((0.2 - 0.5 / 7) * 100 / (11.904 * 2.804), within(1e-3));
    assertThat(use.tooMuch()).isFalse();
  }

  @Test
  void purerWaterCantRaiseIt() {
    TankModel tank =
        new TankBuilder()
            .alkalinity(8)
            .card("drops", Analyte.ALKALINITY)
            .test(10, Analyte.ALKALINITY, 6, "drops")
            .build();
    Mineral mineral = alkalinity(tank, 11);
    assertThat(mineral.source()).hasValue(0);
    assertThat(mineral.shareNow()).isEmpty();
    assertThat(mineral.shareToHold()).isEmpty();
  }

  /** The sea's 420 mg/L at 35 ppt (reference composition, Millero et al. 2008, from memory). */
  @Test
  void aChangeBringsCalciumAsTheSaltOfItsWaterDoes() {
    TankModel tank =
        new TankBuilder()
            .volumeL(200)
            .saltWater("mix", 35)
            .changeWater("mix")
            .photometer("ca", Analyte.CALCIUM, 1, 0.01)
            .test(10, Analyte.CALCIUM, 400, "ca")
            .change(15, 100)
            // 400 - 5 * 4 = 380; half of 420 makes it 400; five days later 380
            .test(20, Analyte.CALCIUM, 380, "ca")
            .routine(new Routine(0.1, 10, TankBuilder.START))
            .build();
    Mineral calcium =
        Mineral.of(tank, Analyte.CALCIUM, OptionalDouble.of(400), NOBODY_SAYS, day(21));
    assertThat(calcium.course().orElseThrow().lostPerDay().getAsDouble())
        .isCloseTo(4, within(1e-9));
    // a tenth of 20 mg/L each ten days is 0.2 a day
    assertThat(calcium.doseToHoldPerDay(tank, 0.1).getAsDouble()).isCloseTo(3.8, within(1e-9));
    assertThat(calcium.doseToHoldPerDay(tank, 5)).isEmpty();
  }
}
