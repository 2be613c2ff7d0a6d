package org.umberline.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WayOfKeeping;

class DisagreementTest {
  private static final int WEEKS = 13;

  /** 100 L fed with {@code grams} a day and tested every week, without changes. */
  private static List<Reason> told(double grams, IntToDoubleFunction nitrateOfWeek) {
    return told(grams, nitrateOfWeek, builder -> {});
  }

  private static List<Reason> told(
      double grams, IntToDoubleFunction nitrateOfWeek, Consumer<TankBuilder> more) {
    TankBuilder builder =
        new TankBuilder()
            .water("tap", 5, 0)
            .changeWater("tap")
            .startedOn(TankBuilder.START.minusYears(1))
            .ration(grams)
            .lines(new Lines(new Line(OptionalDouble.empty(), OptionalDouble.of(40)), Line.NONE))
            .photometer("n", Analyte.NITRATE, 1, 0.05);
    for (int week = 0; week < WEEKS; week++) {
      builder.test(7 * week + 0.5, Analyte.NITRATE, nitrateOfWeek.applyAsDouble(week), "n");
    }
    more.accept(builder);
    TankModel tank = builder.build();
    LocalDate asOf = TankBuilder.START.plusDays(7 * (WEEKS - 1));
    return new Advisor(
            tank,
            Calibration.calibrate(tank, asOf, Advisor.daysAhead(tank), 120, 1, WORKERS),
            asOf.atTime(18, 0).toInstant(ZoneOffset.UTC))
        .advise()
        .remarks();
  }

  private static void assertTold(List<Reason> remarks, Kind kind) {
    assertThat(remarks)
        .filteredOn(reason -> reason.kind() == kind)
        .singleElement()
        .satisfies(reason -> assertThat(reason.nutrient()).contains(Nutrient.NITRATE));
  }

  @Test
  void aTankThatGainsMoreThanItIsFedIsSaidToDisagree() {
    assertTold(told(0.1, week -> 5 + 12 * week), Kind.MORE_COMES_IN);
  }

  @Test
  void aTankThatIsFedMuchAndGainsNothingIsSaidToDisagree() {
    // one small change long ago: it's noted when there are any
    assertThat(told(2, week -> 5, builder -> builder.change(3, 2)))
        .extracting(Reason::kind)
        .containsAnyOf(Kind.LESS_COMES_IN, Kind.MORE_IS_LOST)
        .doesNotContain(Kind.CHANGES_NOT_NOTED);
  }

  @Test
  void whereNoChangeIsNotedAndNitrateStaysTheKeeperIsAskedForThem() {
    List<Reason> remarks = told(0.5, week -> 20);
    assertTold(remarks, Kind.CHANGES_NOT_NOTED);
    assertThat(remarks)
        .filteredOn(reason -> reason.kind() == Kind.CHANGES_NOT_NOTED)
        .allSatisfy(reason -> assertThat(reason.day()).contains(TankBuilder.START));
    assertThat(told(0.5, week -> 20, builder -> builder.keeping(WayOfKeeping.NO_CHANGE)))
        .extracting(Reason::kind)
        .doesNotContain(Kind.CHANGES_NOT_NOTED);
  }

  @Test
  void readingsThatGoUpAndDownWithoutCauseAreSaidToScatter() {
    assertTold(told(0.5, week -> week % 2 == 0 ? 8 : 60), Kind.READINGS_SCATTER);
  }

  @Test
  void ordinaryReadingsAgree() {
    assertThat(told(0.5, week -> 10 + 6 * week + (week % 3 - 1)))
        .extracting(Reason::kind)
        .doesNotContain(
            Kind.MORE_COMES_IN,
            Kind.LESS_COMES_IN,
            Kind.MORE_IS_LOST,
            Kind.CHANGES_NOT_NOTED,
            Kind.READINGS_SCATTER);
  }
}
