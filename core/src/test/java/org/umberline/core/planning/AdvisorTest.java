package org.umberline.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Learned;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Unknowns;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.Verdict;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankState;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;

/** Checks against closed forms of a periodic mass balance, with a posterior that knows all. */
class AdvisorTest {
  private static final LocalDate AS_OF = TankBuilder.START.plusDays(30);

  /** mg/L of NO3 that the dosing brings a day. */
  private static final double RISE = 2;

  private static final Lines NITRATE_100 =
      new Lines(new Line(OptionalDouble.empty(), OptionalDouble.of(100)), Line.NONE);

  private static TankBuilder tank(double sourceNitrate, double largest, List<Double> intervals) {
    return new TankBuilder()
        .water("tap", sourceNitrate, 0)
        .changeWater("tap")
        .dosing(20)
        .startedOn(AS_OF.minusDays(400))
        .lines(new Lines(new Line(OptionalDouble.empty(), OptionalDouble.of(40)), Line.NONE))
        .photometer("n", Analyte.NITRATE, 1, 0.05)
        .test(30, Analyte.NITRATE, 30, "n")
        .limits(
            new Limits(
                largest,
                intervals,
                0.9,
                90,
                OptionalDouble.empty(),
                OptionalDouble.of(1),
                OptionalDouble.of(3),
                OptionalDouble.empty(),
                Limits.DEFAULT_LEAST_CHANGE_DAYS));
  }

  private static Advice advice(TankModel tank, double nitrateMgL) {
    return advice(tank, nitrateMgL, 0.01);
  }

  private static Advice advice(TankModel tank, double nitrateMgL, double phosphorusMgL) {
    return new Advisor(
            tank,
            certain(tank, nitrateMgL, phosphorusMgL),
            AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC))
        .advise();
  }

  private static Posterior certain(TankModel tank, double nitrateMgL, double phosphorusMgL) {
    return drawn(tank, nitrateMgL, phosphorusMgL, 0);
  }

  /**
   * @param unlisted for each draw what comes in that no entry explains, mg/L N a day
   */
  private static Posterior drawn(
      TankModel tank, double nitrateMgL, double phosphorusMgL, double... unlisted) {
    Scenario scenario = Scenario.of(tank, AS_OF, AS_OF, Advisor.daysAhead(tank));
    List<Posterior.Draw> draws = new ArrayList<>();
    for (double nitrogen : unlisted) {
      Multipliers multipliers = scenario.multipliers();
      multipliers.unseenDenitrification = 0;
      multipliers.unlistedNitrogen = nitrogen;
      TankState state = new TankState(scenario);
      scenario.start(state, multipliers, nitrateMgL / 4.4268, phosphorusMgL);
      draws.add(new Posterior.Draw(state, state, multipliers, new double[0]));
    }
    return new Posterior(
        scenario,
        TankBuilder.WORKERS,
        draws,
        new Posterior.Fit(
            new double[1],
            new double[1],
            new double[1],
            new double[1],
            new double[1],
            new double[1]),
        List.of(),
        Unknowns.NONE,
        new Learned(new double[0][], draws.size(), Set.of(), 0));
  }

  /** peak = c + r T / f, so f = r T / (ceiling - c); above a tenth in steps of a twentieth. */
  @ParameterizedTest
  @CsvSource({"0, 7", "8, 7", "0, 14", "20, 7", "8, 10"})
  void theShareAgreesWithTheClosedForm(double source, double every) {
    Advice.Option option = advice(tank(source, 0.9, List.of(every)).build(), 25).options().get(0);
    double exact = RISE * every / (40 - source);
    assertThat(option.feasible()).isTrue();
    assertThat(option.fraction().getAsDouble())
        .isBetween(exact - 0.005, Math.ceil(exact * 20) / 20 + 0.05 + 1e-9);
    assertThat(option.fraction().getAsDouble() * 20)
        .isCloseTo(Math.rint(option.fraction().getAsDouble() * 20), within(1e-9));
    assertThat(option.bindingLimit()).isEqualTo(BindingLimit.NITRATE_CEILING);
  }

  /** From 25 the line at 40 is reached after (40 - 25) / r days: the day before is the last. */
  @Test
  void theLatestSafeDayIsTheLastBeforeTheLineIsReached() {
    Advice advice = advice(tank(0, 0.5, List.of(7.0, 14.0)).build(), 25);
    long days = (long) Math.floor(15 / RISE);
    assertThat(advice.today().verdict()).isEqualTo(Verdict.SKIP);
    assertThat(advice.today().latestSafeDay().orElseThrow())
        .isBetween(AS_OF.plusDays(days - 1), AS_OF.plusDays(days + 1));
    assertThat(advice.today().skipUntil()).isEqualTo(advice.today().latestSafeDay());
    assertThat(advice.recommended().orElseThrow().nextOn())
        .isEqualTo(advice.today().latestSafeDay().get());
    assertThat(advice.today().fraction()).isEmpty();
  }

  /** What it takes in a month moves with each test until then. */
  @ParameterizedTest
  @CsvSource({"36, false", "54, true"})
  void aChangeThatIsFarOffIsNamedByItsDayAlone(double nitrate, boolean told) {
    Advice advice = advice(tank(0, 0.5, List.of()).lines(NITRATE_100).build(), nitrate);
    assertThat(advice.today().verdict()).isEqualTo(Verdict.SKIP);
    assertThat(advice.today().skipUntil().orElseThrow())
        .isEqualTo(advice.today().latestSafeDay().orElseThrow())
        .isBetween(
            AS_OF.plusDays((long) ((100 - nitrate) / RISE) - 1),
            AS_OF.plusDays((long) ((100 - nitrate) / RISE) + 1));
    assertThat(advice.recommended().isPresent()).isEqualTo(told);
    assertThat(advice.options().isEmpty()).isEqualTo(!told);
    assertThat(advice.today().why().contains(Reason.of(Reason.Kind.ROUTINE_LATER)))
        .isEqualTo(!told);
  }

  /** Half the water of 100 mg/L every three weeks holds, a tenth doesn't. */
  @ParameterizedTest
  @CsvSource({"0.5, HABIT_HOLDS, true", "0.1, HABIT_FAILS, false"})
  void anOwnRoutineThatHoldsGoesOnHoweverFarOff(double share, Reason.Kind said, boolean goesOn) {
    Routine own = new Routine(share, 21, AS_OF.plusDays(2));
    Advice advice = advice(tank(0, 0.5, List.of()).lines(NITRATE_100).routine(own).build(), 36);
    assertThat(advice.recommended().map(Advice.Recommended::fraction))
        .isEqualTo(goesOn ? Optional.of(share) : Optional.empty());
    List<Reason> all = new ArrayList<>(advice.today().why());
    all.addAll(advice.remarks());
    assertThat(all).extracting(Reason::kind).contains(said);
  }

  @Test
  void overTheLineOneChangeCatchesUpAndTheRoutineIsNotInflatedByIt() {
    Advice over = advice(tank(0, 0.5, List.of(7.0, 14.0)).build(), 46);
    Advice under = advice(tank(0, 0.5, List.of(7.0, 14.0)).build(), 30);
    assertThat(over.today().verdict()).isEqualTo(Verdict.CHANGE);
    assertThat(over.today().latestSafeDay()).contains(AS_OF);
    assertThat(over.recommended().orElseThrow().everyDays())
        .isEqualTo(under.recommended().orElseThrow().everyDays());
    assertThat(over.recommended().get().fraction())
        .isLessThanOrEqualTo(under.recommended().get().fraction() + 0.05 + 1e-9);
    assertThat(over.today().ifWaiting()).isPresent();
    assertThat(over.today().ifWaiting().get().chance()).isEqualTo(1);
    // what is over already isn't told to be going over
    assertThat(over.today().why().stream().map(Reason::kind))
        .contains(Reason.Kind.OVER_NOW)
        .doesNotContain(Reason.Kind.IF_WAITING);
  }

  /** 92 against 40 is brought down by two changes of a half, not on two days running. */
  @Test
  void largeChangesAreThreeDaysApart() {
    Advice advice = advice(tank(0, 0.5, List.of(7.0)).build(), 92);
    assertThat(advice.catchUp().stream().map(Advice.Step::on))
        .containsExactly(AS_OF, AS_OF.plusDays(3));
    assertThat(advice.recommended().orElseThrow().nextOn()).isAfter(AS_OF.plusDays(3));
  }

  @ParameterizedTest
  @CsvSource({"29, 2", "28, 1", "27, 0"})
  void afterALargeChangeTheNextIsNotSooner(int changedOn, int waits) {
    Advice advice = advice(tank(0, 0.5, List.of(7.0)).change(changedOn, 50).build(), 46);
    assertThat(advice.catchUp().get(0).on()).isEqualTo(AS_OF.plusDays(waits));
    assertThat(advice.today().verdict()).isEqualTo(waits > 0 ? Verdict.SKIP : Verdict.CHANGE);
    assertThat(advice.today().why().stream().map(Reason::kind))
        .contains(waits > 0 ? Reason.Kind.CHANGE_HELPS_AGAIN : Reason.Kind.OVER_NOW)
        .doesNotContain(Reason.Kind.HOLDS_UNTIL, Reason.Kind.IF_WAITING);
  }

  @Test
  void theOwnRoutineWaitsAfterALargeChangeToo() {
    TankModel tank =
        tank(0, 0.5, List.of()).routine(new Routine(0.5, 7, AS_OF)).change(29, 50).build();
    Advice advice = advice(tank, 40.5);
    assertThat(advice.recommended().orElseThrow().fraction()).isEqualTo(0.5);
    assertThat(advice.today().fraction()).isEmpty();
    assertThat(advice.today().skipUntil()).contains(AS_OF.plusDays(2));
  }

  /** 0.4 mg/L a week against 40 could do with one percent; nobody carries so little. */
  @ParameterizedTest
  @CsvSource({
    "7, 0, 0.05",
    "7, 0.5, 0.05",
    "7, 2, 0.02",
    "28, 0, 0.1",
    "28, 0.5, 0.1",
    "28, 5, 0.05"
  })
  void nobodyIsToldToChangeATrifle(double everyDays, double ownPercent, double least) {
    TankBuilder habit = tank(0, 0.5, List.of(everyDays));
    if (ownPercent > 0) {
      habit.routine(new Routine(ownPercent / 100, everyDays, AS_OF.plusDays(3)));
    }
    Dosing little = new Dosing("mix", 0.6, 7, TankBuilder.always());
    TankModel tank = habit.build().withDosing(List.of(little));
    Advice.Option option = advice(tank, 39).options().get(0);
    assertThat(option.fraction().getAsDouble()).isEqualTo(least);
  }

  /**
   * Of the draws a search looks at a tenth and one are over the line on the fourth day, of all
   * draws a twentieth: the fifth, on which the others reach it, stays the last safe day.
   */
  @Test
  void theLatestSafeDayIsTheSameForASearch() {
    double[] unlisted = new double[500];
    Arrays.fill(unlisted, 0, 21, (3 - RISE) / 4.4268);
    TankModel tank = tank(0, 0.9, List.of(7.0)).build();
    Instant evening = AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC);
    Advice alike = new Advisor(tank, certain(tank, 30, 0.01), evening).advise();
    Advice advice = new Advisor(tank, drawn(tank, 30, 0.01, unlisted), evening).advise();
    assertThat(advice.today().latestSafeDay()).isEqualTo(alike.today().latestSafeDay());
    assertThat(advice.recommended().orElseThrow().fraction())
        .as("3 mg/L a day against 40")
        .isBetween(0.5, 0.6);
  }

  @ParameterizedTest
  @CsvSource({"40", "41", "80"})
  void aSourceAtOrOverTheCeilingHoldsAtNoSize(double source) {
    Advice advice = advice(tank(source, 0.5, List.of(7.0, 14.0)).build(), 35);
    assertThat(advice.recommended()).isEmpty();
    assertThat(advice.options())
        .isNotEmpty()
        .allMatch(o -> !o.feasible() && o.bindingLimit() == BindingLimit.SOURCE);
    assertThat(advice.today().verdict()).isEqualTo(Verdict.STUCK);
    assertThat(advice.today().latestSafeDay()).contains(AS_OF.plusDays(2));
  }

  @Test
  void whereTheLargestChangeIsTooSmallThatIsNamed() {
    Advice advice = advice(tank(30, 0.1, List.of(14.0, 28.0)).build(), 39);
    assertThat(advice.options())
        .anyMatch(o -> o.bindingLimit() == BindingLimit.MAX_CHANGE_FRACTION);
    assertThat(advice.today().why().stream().map(Reason::kind))
        .contains(Reason.Kind.LARGEST_NOT_ENOUGH);
  }

  /** What can't be held for long is no reason to change before the latest safe day. */
  @Test
  void whereNoRoutineLastsTheLargestChangeWaitsForItsDay() {
    Advice advice = advice(tank(0, 0.3, List.of(7.0, 14.0)).build(), 15);
    assertThat(advice.options()).noneMatch(Advice.Option::feasible);
    assertThat(advice.today().verdict()).isEqualTo(Verdict.SKIP);
    assertThat(advice.recommended().orElseThrow().fraction()).isEqualTo(0.3);
    assertThat(advice.recommended().orElseThrow().nextOn())
        .isAfterOrEqualTo(AS_OF.plusDays((long) (25 / RISE) - 1));
    assertThat(advice.today().why().stream().map(Reason::kind))
        .containsExactly(Reason.Kind.HOLDS_UNTIL, Reason.Kind.NOT_SURE);
  }

  /**
   * Two fifths of the water a week take 16 of 40 mg/L, enough against 14 a week and not against 21:
   * worth doing while at least a quarter of the draws say 14.
   */
  @ParameterizedTest
  @CsvSource({"2, STUCK, false", "3, STUCK, true", "6, CHANGE, true"})
  void theLargestChangeIsWorthWhileWithAFairChanceOfHolding(
      int light, Verdict verdict, boolean worthWhile) {
    double heavy = (3 - RISE) / 4.4268;
    double[] unlisted = new double[10];
    Arrays.fill(unlisted, light, unlisted.length, heavy);
    TankModel tank = tank(0, 0.4, List.of(7.0)).build();
    Advice advice =
        new Advisor(
                tank,
                drawn(tank, 39, 0.01, unlisted),
                AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC))
            .advise();
    assertThat(advice.today().verdict()).isEqualTo(verdict);
    assertThat(advice.today().fraction().isPresent()).isEqualTo(worthWhile);
    assertThat(advice.recommended().isPresent()).isEqualTo(verdict == Verdict.CHANGE);
    assertThat(advice.today().why())
        .filteredOn(reason -> reason.kind() == Reason.Kind.MAY_GO_OVER)
        .hasSize(verdict == Verdict.STUCK ? 1 : 0);
    assertThat(advice.today().why())
        .filteredOn(reason -> reason.kind() == Reason.Kind.NOT_SURE)
        .hasSize(verdict == Verdict.CHANGE ? 1 : 0)
        .allSatisfy(reason -> assertThat(reason.chance()).hasValue(light / 10.0));
  }

  /**
   * Thirty percent a week hold 47 mg/L at best against 14 a week, and without them it climbs: a
   * week after the last it is time again, three days after it is not.
   */
  @ParameterizedTest
  @CsvSource({"45, 22, true", "65, 22, true", "45, 28, false"})
  void theLargestChangeIsWorthWhileEveryWeekForNitrate(double nitrate, int last, boolean again) {
    TankModel tank = tank(0, 0.3, List.of(7.0)).change(last, 30).build();
    Advice advice = advice(tank, nitrate);
    assertThat(advice.today().verdict()).isEqualTo(Verdict.STUCK);
    assertThat(advice.today().fraction().isPresent()).isEqualTo(again);
    assertThat(advice.today().why())
        .filteredOn(reason -> reason.kind() == Reason.Kind.BEST_REACHABLE)
        .singleElement()
        .satisfies(
            reason -> assertThat(reason.value().getAsDouble()).isCloseTo(14 / 0.3, within(3.0)));
    assertThat(advice.today().why())
        .filteredOn(reason -> reason.kind() == Reason.Kind.CHANGE_HELPS_AGAIN)
        .hasSize(again ? 0 : 1)
        .allSatisfy(reason -> assertThat(reason.day()).contains(AS_OF.plusDays(4)));
  }

  /** A small change, made as ever, is no reason to put a large one off. */
  @Test
  void aSmallChangeLatelyPutsNoLargeOneOff() {
    TankModel tank = tank(0, 0.3, List.of(7.0)).change(22, 10).build();
    assertThat(advice(tank, 45).today().fraction()).hasValue(0.3);
  }

  /**
   * Rock holds four times what the water does: of half the water's phosphate a tenth of all is
   * gone, and what comes in makes up for that. Nitrate, which would be over its line within the
   * week, is another matter: against 1 mg/L a day three tenths are enough for two weeks.
   */
  @ParameterizedTest
  @CsvSource({"10, 0", "35, 0.3"})
  void whatComesBackFromRockIsNoReasonForAChange(double nitrate, double share) {
    boolean change = share > 0;
    TankModel tank =
        tank(0, 0.5, List.of(7.0))
            .substrate(SubstrateKind.MARINE_ROCK_AND_SAND)
            .photometer("p", Analyte.PHOSPHATE, 0.02, 0.05)
            .test(30, Analyte.PHOSPHATE, 0.45, "p")
            .lines(
                new Lines(
                    new Line(OptionalDouble.empty(), OptionalDouble.of(40)),
                    new Line(OptionalDouble.empty(), OptionalDouble.of(0.1))))
            .build()
            .withDosing(List.of(new Dosing("mix", 10, 7, TankBuilder.always())));
    Advice advice = advice(tank, nitrate, 0.15);
    assertThat(advice.today().verdict()).isEqualTo(Verdict.STUCK);
    assertThat(advice.today().fraction().orElse(0)).as("%s", advice.today()).isEqualTo(share);
    assertThat(advice.today().latestSafeDay().isPresent()).isEqualTo(change);
    assertThat(advice.today().why())
        .filteredOn(reason -> reason.kind() == Reason.Kind.COMES_BACK)
        .hasSize(change ? 0 : 1);
    assertThat(advice.today().why())
        .filteredOn(reason -> reason.kind() == Reason.Kind.CHANGE_HELPS)
        .hasSize(change ? 1 : 0)
        .allSatisfy(reason -> assertThat(reason.nutrient()).contains(Nutrient.NITRATE));
  }

  /**
   * Two fifths every week stand against 2 mg/L a day for ever, and against 3 from 10 mg/L on for
   * two weeks: 31, 40, 45 before the changes.
   */
  @Test
  void aRoutineSaysFromWhenOnItIsLessSure() {
    double[] unlisted = new double[10];
    Arrays.fill(unlisted, 8, unlisted.length, (3 - RISE) / 4.4268);
    TankModel tank = tank(0, 0.5, List.of(7.0)).build();
    RoutineOutlook outlook =
        new Advisor(
                tank,
                drawn(tank, 10, 0.01, unlisted),
                AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC))
            .outlook(List.of());
    Optional<Routine> weekly = Optional.of(new Routine(0.4, 7, AS_OF.plusDays(7)));
    RoutineOutlook.Later later = outlook.later(weekly).orElseThrow();
    assertThat(later.from()).isBetween(AS_OF.plusDays(15), AS_OF.plusDays(22));
    assertThat(later.probability()).isEqualTo(0.8);
    assertThat(outlook.probability(weekly)).isGreaterThanOrEqualTo(0.9);
    Optional<Routine> more = Optional.of(new Routine(0.6, 7, AS_OF.plusDays(7)));
    assertThat(outlook.later(more)).as("three fifths of 35 mg/L are 3 a day").isEmpty();
  }

  @Test
  void twoOfAQuarterRenewFortyFourPercent() {
    Advice.Option option = advice(tank(0, 0.9, List.of(14.0)).build(), 10).options().get(0);
    double f = option.fraction().getAsDouble();
    assertThat(option.turnoverPer28Days().getAsDouble())
        .isCloseTo(1 - (1 - f) * (1 - f), within(1e-12));
    assertThat(option.litresPer28Days().getAsDouble()).isCloseTo(2 * f * 100, within(1e-9));
    assertThat(option.minutesPer28Days().getAsDouble())
        .isCloseTo(2 * (12 + 0.4 * f * 100), within(1e-9));
  }

  @Test
  void theAdviceIsTheLeastEffortAndStandsBesideTheOtherWays() {
    Advice advice = advice(tank(0, 0.5, List.of()).build(), 30);
    double least =
        advice.options().stream()
            .filter(Advice.Option::feasible)
            .mapToDouble(o -> o.minutesPer28Days().getAsDouble())
            .min()
            .orElseThrow();
    assertThat(advice.recommended().orElseThrow().minutesPer28Days())
        .isLessThanOrEqualTo(1.1 * least + 1e-9);
    assertThat(advice.ways().stream().map(Advice.Way::kind))
        .containsExactly(Advice.WayKind.values());
    assertThat(advice.ways().get(0).holds()).as("no routine").isFalse();
  }

  /** Every 7 and every 14 days take the same water; nobody comes twice as often for nothing. */
  @Test
  void theLeastWaterIsNoMoreOftenThanItMustBe() {
    Advice advice = advice(tank(0, 0.5, List.of(3.5, 7.0, 14.0)).build(), 35);
    Advice.Way least =
        advice.ways().stream()
            .filter(way -> way.kind() == Advice.WayKind.LEAST_WATER)
            .findFirst()
            .orElseThrow();
    double fewestLitres =
        advice.options().stream()
            .filter(Advice.Option::feasible)
            .mapToDouble(o -> o.litresPer28Days().getAsDouble())
            .min()
            .orElseThrow();
    assertThat(least.everyDays()).isGreaterThanOrEqualTo(7);
    assertThat(least.litresPer28Days()).isLessThanOrEqualTo(1.15 * fewestLitres + 1e-9);
  }

  @Test
  void everyLeverSaysTheRoutineThatItLeaves() {
    Advice advice = advice(tank(0, 0.9, List.of(7.0)).ration(0.4).build(), 30);
    assertThat(advice.helps()).isNotEmpty();
    double without = advice.recommended().orElseThrow().fraction();
    assertThat(advice.helps())
        .allSatisfy(h -> assertThat(h.fraction().getAsDouble()).isLessThan(without));
    assertThat(advice.helps().stream().filter(h -> h.first().lever() == Advice.Lever.FEED))
        .isNotEmpty();
  }

  /** Where the next change falls on another day with it, a lever still leaves less to change. */
  @ParameterizedTest
  @CsvSource({"20", "30", "36", "39", "44"})
  void lessFoodAlwaysHelpsAgainstFood(double nitrate) {
    TankModel tank = tank(0, 0.5, List.of(10.0)).ration(0.6).build().withDosing(List.of());
    Advice advice = advice(tank, nitrate);
    double without = advice.recommended().orElseThrow().fraction();
    assertThat(advice.helps())
        .filteredOn(help -> help.first().lever() == Advice.Lever.FEED && help.and().isEmpty())
        .isNotEmpty()
        .allSatisfy(help -> assertThat(help.fraction().getAsDouble()).isLessThan(without));
  }

  /** Phosphate near its ceiling, and change water that brings the nitrate the tank may lack. */
  @ParameterizedTest
  @CsvSource({"5, false", "25, true"})
  void whereNitrateIsTooLowNothingIsPulledThatTakesIt(double nitrate, boolean lessFood) {
    TankModel tank =
        tank(12, 0.5, List.of(7.0))
            .ration(0.6)
            .lines(
                new Lines(
                    new Line(OptionalDouble.of(10), OptionalDouble.of(60)),
                    new Line(OptionalDouble.empty(), OptionalDouble.of(1))))
            .photometer("p", Analyte.PHOSPHATE, 0.02, 0.05)
            .test(30, Analyte.PHOSPHATE, 0.8, "p")
            .build()
            .withDosing(List.of());
    List<Advice.Help> helps = advice(tank, nitrate, 0.26).helps();
    assertThat(helps.stream().anyMatch(help -> help.first().lever() == Advice.Lever.FEED))
        .isEqualTo(lessFood);
    assertThat(helps)
        .filteredOn(help -> help.first().lever() == Advice.Lever.DOSE)
        .hasSize(lessFood ? 0 : 1)
        .allSatisfy(help -> assertThat(help.first().amount()).isPositive());
    assertThat(helps).extracting(help -> help.first().lever()).contains(Advice.Lever.ADSORBER_MASS);
  }

  @Test
  void aLeverIsWhatCanBeTriedAndComesToTheSame() {
    TankModel tank = tank(0, 0.5, List.of(7.0)).ration(0.4).build();
    Advice advice = advice(tank, 30);
    Advice.Help less =
        advice.helps().stream()
            .filter(h -> h.first().lever() == Advice.Lever.FEED && h.and().isEmpty())
            .findFirst()
            .orElseThrow();
    TankModel fedLess = Try.apply(tank, AS_OF, Advisor.DAYS_JUDGED, less.tries());
    Posterior ahead = certain(tank, 30, 0.01).goingOnAs(fedLess);
    Advice tried =
        new Advisor(fedLess, ahead, AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC)).advise();
    assertThat(tried.recommended().orElseThrow().fraction())
        .isEqualTo(less.fraction().getAsDouble());
  }

  /** Ten litres a change of a hundred are a tenth, whatever lever is pulled. */
  @Test
  void whatIsCarriedAtOnceBindsTheLeversToo() {
    Effort tenLitres = new Effort(12, 0.4, 10, OptionalDouble.of(10), OptionalDouble.empty(), 0, 0);
    TankModel tank =
        tank(0, 0.9, List.of(3.0)).ration(1.5).build().withDosing(List.of()).withEffort(tenLitres);
    Advice advice = advice(tank, 30);
    assertThat(advice.helps()).isNotEmpty();
    assertThat(advice.helps())
        .allSatisfy(help -> assertThat(help.fraction().orElse(0)).isLessThanOrEqualTo(0.1 + 1e-9));
  }

  @Test
  void noLeverLeavesAsMuchAsAGentlerPullOfIt() {
    List<Advice.Help> helps = advice(tank(0, 0.5, List.of()).ration(0.6).build(), 30).helps();
    for (Advice.Help one : helps) {
      assertThat(helps)
          .filteredOn(h -> h.and().isEmpty() && one.and().isEmpty())
          .filteredOn(h -> h.first().lever() == one.first().lever())
          .filteredOn(h -> h.first().of().equals(one.first().of()))
          .filteredOn(h -> Math.abs(h.first().amount()) < Math.abs(one.first().amount()))
          .allSatisfy(
              gentler ->
                  assertThat(gentler.fraction().getAsDouble())
                      .isGreaterThan(one.fraction().getAsDouble()));
    }
  }

  /** A fed tank whose phosphate an adsorber takes, lines and meter included. */
  private static TankBuilder adsorbing() {
    return new TankBuilder()
        .water("tap", 0, 0)
        .changeWater("tap")
        .ration(0.6)
        .startedOn(AS_OF.minusDays(400))
        .lines(new Lines(Line.NONE, new Line(OptionalDouble.empty(), OptionalDouble.of(0.5))))
        .photometer("p", Analyte.PHOSPHATE, 0.02, 0.05)
        .export(
            new ExportMethod.PhosphateAdsorber(
                "ads",
                20,
                1.5,
                AdsorberPlacement.REACTOR,
                new Span(AS_OF.minusDays(60), Optional.empty())));
  }

  /** An adsorber that has taken more than 80 % is renewed before any water is asked for. */
  @Test
  void aSpentAdsorberIsRenewedByThePlan() {
    TankModel tank =
        adsorbing()
            .test(1, Analyte.PHOSPHATE, 0.1, "p")
            .test(30, Analyte.PHOSPHATE, 0.4, "p")
            .build();
    Posterior full =
        Calibration.calibrate(tank, AS_OF, Advisor.daysAhead(tank), Calibration.DRAWS, 1, WORKERS);
    Advice advice = new Advisor(tank, full, AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC)).advise();
    assertThat(advice.work()).isNotEmpty();
    assertThat(advice.work().get(0).on()).isEqualTo(AS_OF);
    assertThat(advice.work()).allMatch(Advice.DueWork::added);
    assertThat(advice.today().why().stream().map(Reason::kind))
        .contains(Reason.Kind.ADSORBER_SPENT, Reason.Kind.WATER_ALONE);
    assertThat(advice.ways().get(0).holds()).as("as now, the work undone").isFalse();
  }

  /** What the plan asks for and what habit brings about the same day are one renewal. */
  @Test
  void aSpentAdsorberThatIsRenewedMonthlyIsNotRenewedTwice() {
    TankBuilder builder = adsorbing();
    double day = 30;
    for (double ago : new double[] {80, 55, 30}) {
      builder.log(new LogEntry.Renew(TankBuilder.at(day - ago), "ads", 20, ""));
      builder.test(day - ago, Analyte.PHOSPHATE, 0.3, "p");
    }
    builder.test(day - 1, Analyte.PHOSPHATE, 0.4, "p");
    TankModel tank = builder.build();
    Posterior full = Calibration.calibrate(tank, AS_OF, Advisor.daysAhead(tank), 100, 1, WORKERS);
    Advice advice = new Advisor(tank, full, AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC)).advise();
    assertThat(advice.work()).hasSizeGreaterThan(1);
    for (int i = 1; i < advice.work().size(); i++) {
      assertThat(advice.work().get(i - 1).on())
          .as("%s", advice.work())
          .isBefore(advice.work().get(i).on().minusDays(7));
    }
  }

  @Test
  void aFixedRoutineIsKeptOnItsDaysThoughNoneIsNeeded() {
    TankModel tank =
        tank(0, 0.5, List.of())
            .routine(new Routine(0.2, 7, AS_OF))
            .build()
            .withStance(Stance.FIXED_ROUTINE)
            .withDosing(List.of());
    Advice due = advice(tank, 10);
    assertThat(due.today().verdict()).isEqualTo(Verdict.CHANGE);
    assertThat(due.today().fraction()).hasValue(0.2);
    assertThat(due.today().why().get(0).kind()).isEqualTo(Reason.Kind.FIXED_DAY);
    Advice later =
        advice(tank.withRoutine(Optional.of(new Routine(0.2, 7, AS_OF.plusDays(3)))), 10);
    assertThat(later.today().verdict()).isEqualTo(Verdict.SKIP);
    assertThat(later.today().skipUntil()).contains(AS_OF.plusDays(3));
    Advice byNeed = advice(tank.withStance(Stance.BY_NEED), 10);
    assertThat(byNeed.today().verdict()).isEqualTo(Verdict.SKIP);
    assertThat(byNeed.recommended()).isEmpty();
  }

  /** A tank of three weeks with food: the filter grows in, and is tested every three days. */
  @Test
  void aNewTankIsToldToWaitAndWhenToTest() {
    TankModel tank =
        tank(0, 0.5, List.of())
            .ration(0.3)
            .startedOn(AS_OF.minusDays(5))
            .test(29, Analyte.AMMONIA, 0.5, "n")
            .test(29, Analyte.NITRITE, 0.1, "n")
            .build();
    Advice advice = advice(tank, 5);
    assertThat(advice.today().why())
        .anySatisfy(
            why -> {
              assertThat(why.kind()).isEqualTo(Reason.Kind.CYCLE_TEST);
              assertThat(why.day()).contains(AS_OF.plusDays(2));
            })
        .anyMatch(why -> why.kind() == Reason.Kind.CYCLE_KEEP_SOURCE);
    assertThat(advice(tank.withLivestock(animals()), 5).today().why())
        .anyMatch(why -> why.kind() == Reason.Kind.CYCLE_FEED_LITTLE);
  }

  /** What rose in its first weeks is no reason to test a tank of three months. */
  @Test
  void aFilterThatGrewInIsNotDoubted() {
    LocalDate asOf = TankBuilder.START.plusDays(89);
    TankModel tank =
        tank(5, 0.5, List.of())
            .ration(0.3)
            .startedOn(TankBuilder.START)
            .test(89, Analyte.NITRATE, 20, "n")
            .build();
    Posterior posterior =
        Calibration.calibrate(tank, asOf, 90, Calibration.DRAWS, 1, TankBuilder.WORKERS);
    Advice advice =
        new Advisor(tank, posterior, asOf.atTime(20, 0).toInstant(ZoneOffset.UTC)).advise();
    assertThat(advice.today().why()).noneMatch(why -> why.kind() == Reason.Kind.SAFETY_BY_MODEL);
    assertThat(advice.today().verdict()).isNotEqualTo(Verdict.TEST_FIRST);
  }

  private static List<Livestock> animals() {
    return List.of(
        new Livestock("fish", 6, 2, Stage.ADULT, new Span(AS_OF.minusDays(5), Optional.empty())));
  }

  /**
   * (40 - 15) / (40 - 5) of the water, by hand; 20 cannot be had from tap of 25 but with a blend.
   */
  @Test
  void aLevelIsReachedAtOnceInStepsOrWithPurerWater() {
    TankModel tank = tank(5, 0.9, List.of()).build();
    OneOff once =
        new Advisor(tank, certain(tank, 40, 0.01), AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC))
            .oneOff(Nutrient.NITRATE, 15);
    assertThat(once.fraction().getAsDouble()).isCloseTo(25 / 35.0, within(0.01));
    TankModel rich = tank(25, 0.5, List.of()).water("pure", 0, 0).build();
    OneOff blended =
        new Advisor(rich, certain(rich, 40, 0.01), AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC))
            .oneOff(Nutrient.NITRATE, 20);
    assertThat(blended.fraction()).isEmpty();
    assertThat(blended.bestReachableMgL()).isCloseTo(25, within(0.1));
    assertThat(blended.with().orElseThrow().water()).isEqualTo("pure");
    assertThat(25 * (1 - blended.with().get().share())).isLessThan(20);
  }
}
