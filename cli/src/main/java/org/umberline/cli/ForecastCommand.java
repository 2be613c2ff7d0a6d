package org.umberline.cli;

import java.time.LocalDate;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Routine;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.TankFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

@Command(
    name = "forecast",
    description = "Nitrate and phosphate of the days ahead, and when they cross their lines.",
    mixinStandardHelpOptions = true)
final class ForecastCommand extends ModelCommand {
  private static final int MOST_DAYS = 730;

  @Option(names = "--days", defaultValue = "90", description = "days ahead (default: 90)")
  int days;

  @Option(names = "--no-changes", description = "without any further water change")
  boolean noChanges;

  @Override
  ObjectNode answer(String name, TankFile file) {
    checkDays(days, MOST_DAYS);
    Known known = known(file.tank());
    Posterior posterior = calibrate(known, days);
    Optional<Routine> routine = noChanges ? Optional.empty() : known.tank().routine();
    PlannedChanges planned =
        routine.map(r -> PlannedChanges.of(r, posterior.scenario())).orElse(PlannedChanges.NONE);
    Projection projection = Projection.of(posterior, days, planned);
    ObjectNode result = begin(name, known, file);
    routine.ifPresentOrElse(
        r -> result.set("routine", routine(r)), () -> result.putNull("routine"));
    for (Nutrient nutrient : Nutrient.values()) {
      result.set(
          nutrient.term(),
          describe(Forecast.of(projection, nutrient, known.tank().lines()), result));
    }
    return result;
  }

  private static ObjectNode describe(Forecast forecast, ObjectNode parent) {
    ObjectNode node = parent.objectNode();
    node.put("unit", forecast.nutrient().unit());
    ObjectNode now = node.putObject("now");
    now.put("p10", Figures.rounded(forecast.now().p10()));
    now.put("p50", Figures.rounded(forecast.now().p50()));
    now.put("p90", Figures.rounded(forecast.now().p90()));
    ArrayNode list = node.putArray("days");
    for (Forecast.Day day : forecast.days()) {
      ObjectNode d = list.addObject();
      d.put("on", day.on().toString());
      d.put("p05", Figures.rounded(day.p05()));
      d.put("p10", Figures.rounded(day.p10()));
      d.put("p25", Figures.rounded(day.p25()));
      d.put("p50", Figures.rounded(day.p50()));
      d.put("p75", Figures.rounded(day.p75()));
      d.put("p90", Figures.rounded(day.p90()));
      d.put("p95", Figures.rounded(day.p95()));
    }
    if (forecast.ceiling().isEmpty()) {
      node.putNull("ceiling");
      return node;
    }
    Forecast.Ceiling ceiling = forecast.ceiling().get();
    ObjectNode c = node.putObject("ceiling");
    c.put("mgL", ceiling.mgL());
    ObjectNode crosses = c.putObject("crossesOn");
    putDay(crosses, "early", ceiling.early());
    putDay(crosses, "likely", ceiling.likely());
    putDay(crosses, "late", ceiling.late());
    return node;
  }

  private static void putDay(ObjectNode node, String key, Optional<LocalDate> day) {
    day.ifPresentOrElse(d -> node.put(key, d.toString()), () -> node.putNull(key));
  }
}
