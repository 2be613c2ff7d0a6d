package org.umberline.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.planning.Advice.Verdict;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.tank.WayOfKeeping;

/** What each school takes for granted is common practice, no source. */
class StanceTest {
  private static final LocalDate DAY = TankBuilder.START.plusDays(120);

  private static TankBuilder tank(double nitrate) {
    TankBuilder tank =
        new TankBuilder()
            .water("tap", 5, 0.1)
            .changeWater("tap")
            .lines(40, 2)
            .startedOn(TankBuilder.START.minusDays(300))
            .ration(0.3)
            .photometer("n", Analyte.NITRATE, 0.5, 0.05)
            .photometer("p", Analyte.PHOSPHATE, 0.02, 0.05);
    for (int day = 60; day <= 116; day += 14) {
      tank.test(day, Analyte.NITRATE, nitrate, "n").test(day, Analyte.PHOSPHATE, 0.2, "p");
    }
    return tank;
  }

  private static LogEntry algae(double day, Look where) {
    return new LogEntry.Observation(TankBuilder.at(day), "hair-algae", 2, List.of(where), "");
  }

  private static Posterior learned(TankModel tank) {
    return Calibration.calibrate(tank, DAY, 90, 100, 1, TankBuilder.WORKERS);
  }

  private static Advice advice(TankModel tank) {
    return new Advisor(tank, learned(tank), DAY.atTime(12, 0).atZone(tank.timeZone()).toInstant())
        .advise();
  }

  @Test
  void whoeverChangesNoneIsToldWhatElseToDo() {
    Advice over = advice(tank(55).build().withStance(Stance.NO_CHANGE));
    assertThat(over.today().verdict()).isEqualTo(Verdict.STUCK);
    assertThat(over.today().fraction()).isEmpty();
    assertThat(over.today().why()).anyMatch(r -> r.kind() == Reason.Kind.NO_CHANGE_WANTED);
    assertThat(over.recommended()).isEmpty();
    assertThat(over.helps()).allMatch(help -> help.fraction().orElse(1) == 0);
    assertThat(advice(tank(55).build()).today().verdict()).isEqualTo(Verdict.CHANGE);
  }

  @Test
  void ammoniaAsksEvenThemForAChange() {
    TankModel tank =
        tank(20)
            .photometer("a", Analyte.AMMONIA, 0.1, 0.1)
            .test(119.9, Analyte.AMMONIA, 8, "a")
            .build()
            .withStance(Stance.NO_CHANGE);
    Advice.Today today = advice(tank).today();
    assertThat(today.verdict()).isEqualTo(Verdict.ACT_NOW);
    assertThat(today.fraction().orElse(0)).isPositive();
  }

  @Test
  void whoeverGoesByLookChangesForAlgaeThatAreSeenTwice() {
    TankModel calm = tank(20).build().withStance(Stance.BY_LOOK);
    assertThat(advice(calm).today().verdict()).isEqualTo(Verdict.SKIP);
    TankModel seen = tank(20).log(algae(118, Look.ON_LEAVES)).build().withStance(Stance.BY_LOOK);
    assertThat(advice(seen).today().verdict()).isEqualTo(Verdict.CHANGE);
    assertThat(advice(seen).today().fraction()).hasValue(0.25);
    TankModel glass = tank(20).log(algae(118, Look.ON_GLASS)).build().withStance(Stance.BY_LOOK);
    assertThat(advice(glass).today().verdict()).isEqualTo(Verdict.SKIP);
    TankModel once =
        tank(20).log(algae(116, Look.ON_WOOD)).change(119.5, 25).build().withStance(Stance.BY_LOOK);
    assertThat(SignSeen.asksForChange(once, DAY)).isEmpty();
    assertThat(SignSeen.asksForChange(once, DAY.plusDays(2))).isPresent();
  }

  @Test
  void neverZeroSetsAFloorWhereNoneIsAndLowTakesItAway() {
    Lines open =
        new Lines(
            new Line(OptionalDouble.of(0), OptionalDouble.of(40)),
            new Line(OptionalDouble.of(0.2), OptionalDouble.of(2)));
    Lines meant = Stance.NEVER_ZERO.meant(open, WaterKind.FRESHWATER);
    assertThat(meant.nitrate().floorMgL()).hasValue(2);
    assertThat(meant.phosphate().floorMgL()).hasValue(0.2);
    assertThat(Stance.AS_LOW_AS_POSSIBLE.meant(open, WaterKind.FRESHWATER).phosphate().floorMgL())
        .isEmpty();
    assertThat(Stance.BY_NEED.meant(open, WaterKind.MARINE)).isEqualTo(open);
    assertThat(Stance.NEVER_ZERO.meant(Lines.NONE, WaterKind.MARINE)).isEqualTo(Lines.NONE);
  }

  @Test
  void theOtherViewsAreThoseOfAllOthers() {
    TankModel tank = tank(55).build();
    List<OtherView> views =
        OtherView.of(tank, learned(tank), DAY.atTime(12, 0).atZone(tank.timeZone()).toInstant());
    assertThat(views).extracting(OtherView::stance).doesNotContain(Stance.BY_NEED).hasSize(5);
    assertThat(views.get(0).usual()).contains(new WayOfKeeping.UsualChange(0.25, 14));
    assertThat(WayOfKeeping.usualChange(Optional.of(WayOfKeeping.NO_CHANGE), WaterKind.FRESHWATER))
        .isEmpty();
  }
}
