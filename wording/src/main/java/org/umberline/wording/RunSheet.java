package org.umberline.wording;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.change.ChangeEffect;
import org.umberline.core.tank.Blend;

/**
 * One water change, step by step.
 *
 * @param fraction of the net volume
 * @param litres to change
 * @param water what is poured in
 * @param bed which half of the bed is siphoned this time
 * @param effect what the change comes to
 * @param test what the test that would show it tells; empty where none would
 */
public record RunSheet(
    double fraction,
    double litres,
    Blend water,
    Optional<BedHalf> bed,
    List<Step> steps,
    ChangeEffect effect,
    List<Phrase> warnings,
    List<String> cautions,
    Phrase test) {
  /** Parts of a change, in order. */
  public enum Phase {
    PREPARE,
    SWITCH_OFF,
    OUT,
    IN,
    SWITCH_ON,
    AFTERWARDS
  }

  /** Which half of the bed. */
  public enum BedHalf {
    LEFT,
    RIGHT
  }

  /**
   * @param key stays the same for the same step of the same change
   * @param minutes to wait, where the step has a wait
   */
  public record Step(String key, Phase phase, Phrase text, OptionalDouble minutes) {}

  public RunSheet {
    steps = List.copyOf(steps);
    warnings = List.copyOf(warnings);
    cautions = List.copyOf(cautions);
  }
}
