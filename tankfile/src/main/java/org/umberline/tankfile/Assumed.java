package org.umberline.tankfile;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Which figures of a tank file are the usual ones. A tank that is kept no longer tells what was
 * said and what was assumed when it was read; what equals its default is shown as assumed.
 */
public final class Assumed {
  /** Keys that have a default which somebody may want to look at. */
  private static final Set<String> KEYS =
      Set.of(
          "temperatureC",
          "pH",
          "salinityPpt",
          "uneatenFraction",
          "stage",
          "proteinPercent",
          "phosphorusPercent",
          "moisturePercent",
          "doublingDays",
          "maxWetMassG",
          "dryMatterPercent",
          "nitrogenPercentDry",
          "phosphorusPercentDry",
          "captureFractionPerDay",
          "removalFractionPerDay",
          "capacityMgPPerG",
          "placement",
          "relativeError",
          "maxChangeFraction",
          "confidence",
          "maxSalinityStepPpt",
          "maxAlkalinityStepDkh",
          "minutesPerChange",
          "minutesPerLitre",
          "bucketL");

  private Assumed() {}

  /**
   * JSON pointers of the figures that are as they would be had nobody said them.
   *
   * @param file a whole tank file, as {@link TankFileWriter#tree} writes it
   */
  public static List<String> in(ObjectNode file) {
    ObjectNode unsaid = file.deepCopy();
    forget(unsaid);
    List<String> same = new ArrayList<>();
    try {
      compare(file, TankFileWriter.tree(TankFileReader.read(unsaid.toString()).tank()), "", same);
    } catch (TankFileException impossible) {
      throw new IllegalStateException("without its defaults: " + impossible, impossible);
    }
    return same;
  }

  private static void forget(JsonNode node) {
    if (node instanceof ObjectNode object) {
      object.remove(KEYS);
    }
    node.forEach(Assumed::forget);
  }

  private static void compare(JsonNode said, JsonNode usual, String pointer, List<String> same) {
    if (said.isObject()) {
      said.propertyNames()
          .forEach(
              key -> {
                String at = pointer + Json.step(key);
                if (KEYS.contains(key) && said.path(key).equals(usual.path(key))) {
                  same.add(at);
                } else {
                  compare(said.path(key), usual.path(key), at, same);
                }
              });
    } else if (said.isArray()) {
      for (int i = 0; i < said.size(); i++) {
        compare(said.path(i), usual.path(i), pointer + "/" + i, same);
      }
    }
  }
}
