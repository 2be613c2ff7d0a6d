package org.umberline.tankfile;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberline.core.tank.Analyte;

/** The words keepers use for what they test. */
public final class LogWords {
  private static final Map<String, Analyte> ANALYTES = new LinkedHashMap<>();

  static {
    alias(Analyte.NITRATE, "no3", "nitrate");
    alias(Analyte.PHOSPHATE, "po4", "phosphate");
    alias(Analyte.AMMONIA, "nh3", "nh4", "tan", "ammonia");
    alias(Analyte.NITRITE, "no2", "nitrite");
    alias(Analyte.PH, "ph");
    alias(Analyte.ALKALINITY, "kh", "alk", "alkalinity");
    alias(Analyte.HARDNESS, "gh", "hardness");
    alias(Analyte.CALCIUM, "ca", "calcium");
    alias(Analyte.MAGNESIUM, "mg", "magnesium");
    alias(Analyte.SALINITY, "sal", "salinity");
    alias(Analyte.TEMPERATURE, "temp", "temperature");
    alias(Analyte.SILICATE, "sio2", "silicate");
    alias(Analyte.DISSOLVED_SOLIDS, "tds", "dissolved-solids");
  }

  private LogWords() {}

  private static void alias(Analyte analyte, String... words) {
    for (String word : words) {
      ANALYTES.put(word, analyte);
    }
  }

  /** What {@code word}, in small letters, names. */
  public static Optional<Analyte> analyte(String word) {
    return Optional.ofNullable(ANALYTES.get(word));
  }

  /** The shortest word for an analyte. */
  public static String wordFor(Analyte analyte) {
    return ANALYTES.entrySet().stream()
        .filter(entry -> entry.getValue() == analyte)
        .map(Map.Entry::getKey)
        .findFirst()
        .orElseThrow();
  }

  /** Every word, those for one analyte together. */
  public static List<String> all() {
    return List.copyOf(ANALYTES.keySet());
  }
}
