package org.umberline.tankfile;

import java.util.ArrayList;
import java.util.List;
import org.umberline.core.balance.UnplantedAlgae;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Additive;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.Term;
import tools.jackson.databind.JsonNode;

/**
 * Names what stands in a file and is not part of the computation yet, so that nothing is ignored in
 * silence.
 */
public final class NotCounted {
  private NotCounted() {}

  /** What of a tank's make-up is not counted, as JSON pointers each followed by what it is. */
  public static List<String> ofMakeUp(TankModel tank) {
    List<String> notCounted = new ArrayList<>();
    if (tank.substrate().kind() == SubstrateKind.SOIL && tank.startedOn().isEmpty()) {
      notCounted.add(
          "/tank/substrate: ammonia given off by soil, as the tank's start is not known");
    }
    return notCounted;
  }

  /** JSON pointers into {@code file}, each followed by what is not counted. */
  static List<String> of(JsonNode file, TankModel tank) {
    List<String> notCounted = new ArrayList<>(ofMakeUp(tank));
    JsonNode log = file.path("log");
    for (int i = 0; i < log.size(); i++) {
      JsonNode entry = log.get(i);
      String type = entry.path("type").asString();
      String analyte = entry.path("analyte").asString("");
      boolean counted =
          switch (type) {
            case "observation" -> UnplantedAlgae.isAlgae(entry.path("sign").asString(""));
            case "test" -> counted(analyte);
            case "addition" -> movesNutrients(entry.path("additive").asString(""));
            default -> true;
          };
      if (!counted) {
        notCounted.add("/log/" + i + ": " + (type.equals("test") ? analyte + " test" : type));
      }
    }
    return notCounted;
  }

  private static boolean movesNutrients(String additive) {
    return Additive.find(additive).filter(Additive::movesNutrients).isPresent();
  }

  private static boolean counted(String analyte) {
    return Term.find(Analyte.class, analyte)
        .map(a -> a == Analyte.TEMPERATURE || Scenario.isProbed(a))
        .orElse(false);
  }
}
