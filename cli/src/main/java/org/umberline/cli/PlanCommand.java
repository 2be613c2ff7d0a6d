package org.umberline.cli;

import java.util.OptionalDouble;
import org.umberline.core.planning.Plan;
import org.umberline.core.planning.Planner;
import org.umberline.core.planning.WaterAge;
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
      l.put("effectPhosphateMgLPerWeek", Figures.rounded(lever.effectPhosphateMgLPerWeek()));
    }
    plan.testFirst()
        .ifPresentOrElse(
            t -> result.set("testFirst", testFirst(t, result)), () -> result.putNull("testFirst"));
    ArrayNode blends = result.putArray("blends");
    for (Plan.BlendAdvice blend : plan.blends()) {
      ObjectNode b = blends.addObject();
      b.put("water", blend.water());
      b.put("share", blend.share());
      b.put("fraction", blend.fraction());
      b.put("everyDays", blend.everyDays());
    }
    plan.drip()
        .ifPresentOrElse(
            d -> {
              ObjectNode drip = result.putObject("drip");
              drip.put("litresPerDay", Figures.rounded(d.litresPerDay()));
              drip.put("renewedPerWeek", Figures.rounded(d.renewedPerWeek()));
            },
            () -> result.putNull("drip"));
    ObjectNode noChange = result.putObject("noChange");
    noChange.put("feasible", plan.noChange().feasible());
    noChange.put("netNitrogenMgPerDay", Figures.rounded(plan.noChange().netNitrogenMgPerDay()));
    noChange.put(
        "floatingPlantsGPerWeek", Figures.rounded(plan.noChange().floatingPlantsGPerWeek()));
    noChange.put("deepBedM2", Figures.rounded(plan.noChange().deepBedM2()));
    ObjectNode oldWater = result.putObject("waterOlderThan");
    age(oldWater.putObject("now"), plan.upkeep().now());
    plan.upkeep().recommended().ifPresent(a -> age(oldWater.putObject("recommended"), a));
    ObjectNode alkalinity = result.putObject("alkalinity");
    alkalinity.put("usedDkhPerWeek", Figures.rounded(plan.upkeep().alkalinityUsedDkhPerWeek()));
    put(alkalinity, "broughtDkhPerWeek", plan.upkeep().alkalinityBroughtDkhPerWeek());
    list(result, "notes", plan.notes());
    return result;
  }

  private static ObjectNode testFirst(Plan.TestFirst test, ObjectNode parent) {
    ObjectNode t = parent.objectNode();
    t.put("analyte", test.analyte());
    t.put("chance", Figures.rounded(test.chance()));
    t.put("value", Figures.rounded(test.value()));
    t.put("settles", Figures.rounded(test.settles()));
    return t;
  }

  private static void age(ObjectNode node, WaterAge age) {
    node.put("days30", Figures.rounded(age.over30Days()));
    node.put("days90", Figures.rounded(age.over90Days()));
    node.put("days180", Figures.rounded(age.over180Days()));
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
