package org.umberline.cli;

import java.util.OptionalDouble;
import org.umberline.core.planning.Plan;
import org.umberline.core.planning.Planner;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.TankFile;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

@Command(
    name = "plan",
    description =
        "The least water that keeps the tank within its lines, or what stands against it.",
    mixinStandardHelpOptions = true)
final class PlanCommand extends ModelCommand {
  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    int horizon = known.tank().limits().horizonDays();
    Plan plan = new Planner(known.tank(), calibrate(known, horizon)).plan();
    ObjectNode result = begin(name, known, file);
    ObjectNode today = result.putObject("today");
    today.put("verdict", plan.today().verdict().term());
    put(today, "fraction", plan.today().fraction());
    put(today, "litres", plan.today().litres());
    list(today, "why", plan.today().why());
    plan.recommended()
        .ifPresentOrElse(
            r -> result.set("recommended", recommended(r, result)),
            () -> result.putNull("recommended"));
    ArrayNode options = result.putArray("options");
    for (Plan.Option option : plan.options()) {
      ObjectNode o = options.addObject();
      o.put("everyDays", option.everyDays());
      put(o, "fraction", option.fraction());
      o.put("feasible", option.feasible());
      o.put("bindingLimit", option.bindingLimit().term());
      put(o, "litresPer28Days", option.litresPer28Days());
      put(o, "turnoverPer28Days", option.turnoverPer28Days());
      o.put("probabilityWithinLines", Figures.rounded(option.probabilityWithinLines()));
    }
    ArrayNode recovery = result.putArray("recovery");
    for (Plan.RecoveryStep step : plan.recovery()) {
      ObjectNode s = recovery.addObject();
      s.put("on", step.on().toString());
      s.put("fraction", step.fraction());
      s.put("nitrateAfterMgL", Figures.rounded(step.nitrateAfterMgL()));
      s.put("phosphateAfterMgL", Figures.rounded(step.phosphateAfterMgL()));
    }
    ArrayNode levers = result.putArray("otherLevers");
    for (Plan.Lever lever : plan.otherLevers()) {
      ObjectNode l = levers.addObject();
      l.put("lever", lever.lever());
      l.put("change", lever.change());
      l.put("effectNitrateMgLPerWeek", Figures.rounded(lever.effectNitrateMgLPerWeek()));
    }
    return result;
  }

  private static ObjectNode recommended(Plan.Recommended recommended, ObjectNode parent) {
    ObjectNode r = parent.objectNode();
    r.put("fraction", recommended.fraction());
    r.put("everyDays", recommended.everyDays());
    r.put("litres", Figures.rounded(recommended.litres()));
    r.put("nextOn", recommended.nextOn().toString());
    r.put("probabilityWithinLines", Figures.rounded(recommended.probabilityWithinLines()));
    r.put("nitratePeakMgL", Figures.rounded(recommended.nitratePeakMgL()));
    r.put("nitrateTroughMgL", Figures.rounded(recommended.nitrateTroughMgL()));
    r.put("phosphatePeakMgL", Figures.rounded(recommended.phosphatePeakMgL()));
    r.put("phosphateTroughMgL", Figures.rounded(recommended.phosphateTroughMgL()));
    return r;
  }

  private static void put(ObjectNode node, String key, OptionalDouble value) {
    if (value.isPresent()) {
      node.put(key, Figures.rounded(value.getAsDouble()));
    } else {
      node.putNull(key);
    }
  }
}
