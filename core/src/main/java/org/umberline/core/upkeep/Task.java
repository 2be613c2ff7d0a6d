package org.umberline.core.upkeep;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Recurring work that changes nothing the balance reckons with, or nothing it can see, and so has
 * no log entry of its own: it is noted as an observation. Intervals are common practice, no source.
 */
public enum Task {
  FLOSS("floss", "Change the floss", "floss or sock changed", 7),
  CARTRIDGE("cartridge", "Change the cartridge", "cartridge changed", 30),
  ACTIVATED_CARBON("carbon", "Renew the carbon", "activated carbon renewed", 14),
  IMPELLER("impeller", "Clean the impeller", "impeller cleaned", 30),
  CALIBRATION("calibration", "Calibrate the meters", "meters calibrated", 30),
  BYPASS("bypass", "Look whether water goes past the filter's media", "media looked at", 30),
  GLASS("glass", "Wipe the glass", "glass wiped", 7),
  PARTS_SOAKED("soak", "Soak pump and skimmer parts", "pump and skimmer parts soaked", 182);

  private static final String SIGN = "did-";

  private final String term;
  private final String toDo;
  private final String words;
  private final int everyDays;

  Task(String term, String toDo, String words, int everyDays) {
    this.term = term;
    this.toDo = toDo;
    this.words = words;
    this.everyDays = everyDays;
  }

  /** The one word for it. */
  public String term() {
    return term;
  }

  /** What is to be done. */
  public String toDo() {
    return toDo;
  }

  /** What was done. */
  public String words() {
    return words;
  }

  /** How often it is usual. */
  public int everyDays() {
    return everyDays;
  }

  /** The sign of the observation that notes it. */
  public String sign() {
    return signOf(term);
  }

  /** The sign of the observation that notes work of a keeper's own, by its name. */
  public static String signOf(String work) {
    return SIGN + work;
  }

  /** The work that an observation's sign notes: a term, or the name of work of a keeper's own. */
  public static Optional<String> noted(String sign) {
    return sign.startsWith(SIGN) && sign.length() > SIGN.length()
        ? Optional.of(sign.substring(SIGN.length()))
        : Optional.empty();
  }

  public static List<String> terms() {
    return Arrays.stream(values()).map(Task::term).toList();
  }

  public static Optional<Task> find(String term) {
    return Arrays.stream(values()).filter(task -> task.term.equals(term)).findFirst();
  }
}
