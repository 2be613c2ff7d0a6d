package org.umberline.cli;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Routine;
import org.umberline.tankfile.FiguresModule.Exact;
import org.umberline.tankfile.TankFile;
import tools.jackson.databind.node.ObjectNode;

/** The verb {@code forecast}. */
final class ForecastCommand extends ModelCommand {
  private static final int MOST_DAYS = 730;
  private static final int USUAL_DAYS = 90;
  private static final String NO_CHANGES = "no-changes";

  ForecastCommand() {
    super("Nitrate and phosphate of the days ahead, and when they cross their lines.");
    addDays("days ahead", USUAL_DAYS, MOST_DAYS);
    addFlag(NO_CHANGES, "without any further water change");
  }

  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    Posterior posterior = calibrate(known, days());
    Optional<Routine> routine = has(NO_CHANGES) ? Optional.empty() : known.tank().routine();
    PlannedChanges planned =
        routine.map(r -> PlannedChanges.of(r, posterior.scenario())).orElse(PlannedChanges.NONE);
    Projection projection = Projection.of(posterior, days(), planned);
    Lines lines = known.tank().lines();
    return answer(
        name,
        known,
        file,
        new Answer(
            routine.map(r -> new Change(r.fraction(), r.everyDays())),
            Ahead.of(Forecast.of(projection, Nutrient.NITRATE, lines)),
            Ahead.of(Forecast.of(projection, Nutrient.PHOSPHATE, lines))));
  }

  private record Answer(Optional<Change> routine, Ahead nitrate, Ahead phosphate) {}

  private record Change(@Exact double fraction, @Exact double everyDays) {}

  private record Ahead(String unit, Now now, List<Forecast.Day> days, Optional<Ceiling> ceiling) {
    static Ahead of(Forecast forecast) {
      Forecast.Now now = forecast.now();
      return new Ahead(
          forecast.nutrient().unit(),
          new Now(now.p10(), now.p50(), now.p90()),
          forecast.days(),
          forecast
              .ceiling()
              .map(c -> new Ceiling(c.mgL(), new Crossing(c.early(), c.likely(), c.late()))));
    }
  }

  private record Now(double p10, double p50, double p90) {}

  private record Ceiling(@Exact double mgL, Crossing crossesOn) {}

  private record Crossing(
      Optional<LocalDate> early, Optional<LocalDate> likely, Optional<LocalDate> late) {}
}
