package org.umberline.server.balance;

import static org.umberline.server.http.Absent.orNull;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.umberline.core.cycling.Cycling;
import org.umberline.core.forecast.AmmoniaCourse;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.BindingLimit;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.server.tank.TankViews;

/** Puts what the core found into what the API sends. */
public final class BalanceMapper {
  /** Ammonia and nitrite are not looked at further ahead: a filter has grown in by then. */
  private static final int YOUNG_DAYS_AHEAD = 28;

  private BalanceMapper() {}

  static BalanceViews.Outlook outlook(
      LearnedTank now,
      RoutineOutlook outlook,
      List<Advice.Step> catchUp,
      Optional<Routine> routine,
      Optional<BindingLimit> binding) {
    PlannedChanges changes = outlook.changes(routine);
    Projection projection = outlook.projection(changes, now.horizon());
    Scenario scenario = now.posterior().scenario();
    return new BalanceViews.Outlook(
        routine.map(r -> routine(now.tank(), r)).orElse(null),
        Arrays.stream(changes.time())
            .mapToObj(time -> scenario.date((int) time))
            .filter(day -> !day.isAfter(now.today().plusDays(now.horizon())))
            .toList(),
        outlook.probability(routine),
        outlook.holds(routine),
        outlook
            .later(routine)
            .map(later -> new BalanceViews.Later(later.from(), later.probability()))
            .orElse(null),
        binding.orElse(null),
        now.today().plusDays(now.horizon()),
        catchUp.stream().map(AdviceMapper::step).toList(),
        outlook.keptFrom(routine).orElse(null),
        measures(outlook.measures(routine)),
        nutrient(Forecast.of(projection, Nutrient.NITRATE, now.tank().lines())),
        nutrient(Forecast.of(projection, Nutrient.PHOSPHATE, now.tank().lines())),
        young(now, changes));
  }

  /** Ammonia and nitrite, where the filter grows in. */
  private static BalanceViews.YoungTank young(LearnedTank now, PlannedChanges changes) {
    if (!now.posterior().scenario().isNew() || !Cycling.isWatched(now.tank(), now.today())) {
      return null;
    }
    AmmoniaCourse course =
        AmmoniaCourse.of(now.posterior(), Math.min(YOUNG_DAYS_AHEAD, now.horizon()), changes);
    return new BalanceViews.YoungTank(days(course.ammonia()), days(course.nitrite()));
  }

  private static List<BalanceViews.FitDay> days(List<AmmoniaCourse.Day> course) {
    return course.stream()
        .map(day -> new BalanceViews.FitDay(day.on(), day.p10(), day.p50(), day.p90()))
        .toList();
  }

  public static BalanceViews.Measures measures(RoutineOutlook.Measures measures) {
    return new BalanceViews.Measures(
        measures.probabilityWithinLines(),
        measures.nitratePeakMgL(),
        measures.nitrateTroughMgL(),
        measures.nitratePeakMgL() - measures.nitrateTroughMgL(),
        measures.phosphatePeakMgL(),
        measures.phosphateTroughMgL(),
        measures.litresPer28Days(),
        measures.minutesPer28Days(),
        measures.saltGramsPer28Days());
  }

  public static TankViews.Tank tank(Stored stored, LearnedTank now) {
    return new TankViews.Tank(
        stored.id(),
        stored.version(),
        now.tank().name(),
        now.tank().water().term(),
        now.tank().netVolumeL(),
        now.tank().timeZone().getId(),
        now.today(),
        now.tank().temperatureC(),
        now.tank().salinityPpt(),
        now.tank().startedOn().orElse(null));
  }

  public static BalanceViews.Routine routine(TankModel tank, Routine routine) {
    return new BalanceViews.Routine(
        routine.fraction(),
        routine.fraction() * tank.netVolumeL(),
        routine.everyDays(),
        routine.nextOn());
  }

  public static TankViews.Lines lines(Lines lines) {
    return new TankViews.Lines(line(lines.nitrate()), line(lines.phosphate()));
  }

  public static TankViews.Line line(Line line) {
    return new TankViews.Line(orNull(line.floorMgL()), orNull(line.ceilingMgL()));
  }

  public static BalanceViews.NutrientOutlook nutrient(Forecast forecast) {
    return new BalanceViews.NutrientOutlook(
        forecast.nutrient().unit(), now(forecast), bands(forecast), crossing(forecast));
  }

  public static List<BalanceViews.Band> bands(Forecast forecast) {
    return forecast.days().stream()
        .map(
            day ->
                new BalanceViews.Band(
                    day.on(), day.p10(), day.p25(), day.p50(), day.p75(), day.p90()))
        .toList();
  }

  public static BalanceViews.Now now(Forecast forecast) {
    return new BalanceViews.Now(
        forecast.now().p10(),
        forecast.now().p25(),
        forecast.now().p50(),
        forecast.now().p75(),
        forecast.now().p90());
  }

  public static BalanceViews.Crossing crossing(Forecast forecast) {
    Optional<Forecast.Ceiling> ceiling = forecast.ceiling();
    return new BalanceViews.Crossing(
        ceiling.flatMap(Forecast.Ceiling::early).orElse(null),
        ceiling.flatMap(Forecast.Ceiling::likely).orElse(null),
        ceiling.flatMap(Forecast.Ceiling::late).orElse(null));
  }
}
