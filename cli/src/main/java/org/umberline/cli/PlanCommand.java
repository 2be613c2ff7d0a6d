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

  PlanCommand() {
    super("What to do with the tank: today, and which routine after it.");
    addOption(
        TO, "NUTRIENT=MG/L", "also the change, or changes, that bring it to a level: nitrate=15");
  }

  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    Advisor advisor =
        new Advisor(
            known.tank(), calibrate(known, Advisor.daysAhead(known.tank())), known.instant());
    Advice advice = advisor.advise();
    AdviceWords words = new AdviceWords(known.tank());
    return answer(
        name, known, file, PlanAnswer.of(advice, words, value(TO).map(to -> once(advisor, to))));
  }

  private static OneOff once(Advisor advisor, String to) {
    String[] parts = to.split("=", 2);
    Optional<Nutrient> nutrient = Term.find(Nutrient.class, parts[0]);
    double target;
    try {
      target = parts.length == 2 ? Double.parseDouble(parts[1]) : Double.NaN;
    } catch (NumberFormatException e) {
      target = Double.NaN;
    }
    if (nutrient.isEmpty() || !(target >= 0 && target <= 1000)) {
      throw new UsageException("--to is " + to + "; allowed: nitrate=MG/L or phosphate=MG/L");
    }
    return advisor.oneOff(nutrient.get(), target);
  }
}
