package org.umberline.wording;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;

/**
 * A worked dose in words.
 *
 * @param sentence what to give, or why nothing is worked out
 * @param refused whether it is the latter
 * @param unit of the steps' amounts
 * @param reachesUnit of what the steps reach
 * @param notes what else to know
 * @param line the entry line that notes a step, with {@code #} for its amount; empty where the log
 *     has none for it
 */
public record DoseSheet(
    Phrase sentence,
    boolean refused,
    List<Step> steps,
    String unit,
    String reachesUnit,
    List<Phrase> notes,
    List<String> cautions,
    String line) {

  /**
   * One step.
   *
   * @param until its last day; the same day where it is one dose
   * @param reaches what the water holds after it; empty where that isn't known
   */
  public record Step(LocalDate on, LocalDate until, double amount, OptionalDouble reaches) {}

  public DoseSheet {
    steps = List.copyOf(steps);
    notes = List.copyOf(notes);
    cautions = List.copyOf(cautions);
  }

  static DoseSheet refused(Phrase why) {
    return new DoseSheet(why, true, List.of(), "", "", List.of(), List.of(), "");
  }
}
