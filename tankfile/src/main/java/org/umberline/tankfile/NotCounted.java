package org.umberline.tankfile;

import java.util.ArrayList;
import java.util.List;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;
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
    if (tank.substrate().kind() == SubstrateKind.SOIL) {
      notCounted.add("/tank/substrate: ammonia given off by new soil");
    }
    for (int i = 0; i < tank.exports().size(); i++) {
      ExportMethod export = tank.exports().get(i);
      if (export instanceof ExportMethod.CarbonDose) {
        notCounted.add("/exports/" + i + ": " + export.kind() + " “" + export.id() + "”");
      }
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
            case "observation" -> false;
            case "test" ->
                analyte.equals(Analyte.NITRATE.term()) || analyte.equals(Analyte.PHOSPHATE.term());
            default -> true;
          };
      if (!counted) {
        notCounted.add("/log/" + i + ": " + (type.equals("test") ? analyte + " test" : type));
      }
    }
    return notCounted;
  }
}
