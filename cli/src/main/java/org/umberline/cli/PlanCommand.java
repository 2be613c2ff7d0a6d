package org.umberline.cli;

import java.util.Optional;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.OneOff;
import org.umberline.core.tank.Term;
import org.umberline.tankfile.TankFile;
import org.umberline.wording.AdviceWords;
import tools.jackson.databind.node.ObjectNode;

/** The verb {@code plan}. */
final class PlanCommand extends ModelCommand {
  private static final String TO = "to";

  private Optional<Target> target = Optional.empty();

  PlanCommand() {
    super("What to do with the tank: today, and which routine after it.");
    addOption(
        TO, "NUTRIENT=MG/L", "also the change, or changes, that bring it to a level: nitrate=15");
  }

  @Override
  void readOptions() {
    super.readOptions();
    target = value(TO).map(Target::of);
  }

  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    Advisor advisor =
        new Advisor(
            known.tank(), calibrate(known, Advisor.daysAhead(known.tank())), known.instant());
    Advice advice = advisor.advise();
    AdviceWords words = new AdviceWords(known.tank());
    Optional<OneOff> once = target.map(to -> advisor.oneOff(to.nutrient, to.mgL));
    return answer(name, known, file, PlanAnswer.of(advice, words, once));
  }

  /** The level that is asked for, mg/L of the ion. */
  private record Target(Nutrient nutrient, double mgL) {
    static Target of(String to) {
      String[] parts = to.split("=", 2);
      Optional<Nutrient> nutrient = Term.find(Nutrient.class, parts[0]);
      double mgL;
      try {
        mgL = parts.length == 2 ? Double.parseDouble(parts[1]) : Double.NaN;
      } catch (NumberFormatException e) {
        mgL = Double.NaN;
      }
      if (nutrient.isEmpty() || !(mgL >= 0 && mgL <= 1000)) {
        throw new UsageException("--to is " + to + "; allowed: nitrate=MG/L or phosphate=MG/L");
      }
      return new Target(nutrient.get(), mgL);
    }
  }
}
