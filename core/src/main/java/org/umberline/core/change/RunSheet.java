package org.umberline.core.change;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.tank.Blend;

/**
 * One water change, step by step. A quantity in a text stands in braces with its unit, such as
 * {@code {46 L}}, so that it can be told in the keeper's.
 *
 * @param fraction of the net volume
 * @param litres to change
 * @param water what is poured in
 * @param bed which half of the bed is siphoned this time
 * @param after what the change comes to
 * @param testOn the test that would show what it did, and when
 */
public record RunSheet(
    double fraction,
    double litres,
    Blend water,
    Optional<BedHalf> bed,
    List<Step> steps,
    After after,
    List<String> warnings,
    List<String> cautions,
    Optional<TestAsked> testOn) {
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
  public record Step(String key, Phase phase, String text, OptionalDouble minutes) {}

  /**
   * Before and after: nitrate and phosphate in mg/L of the ion, salinity in ppt, alkalinity in dKH
   * where tank and water state it, ammonia in mg/L NH3 that the water brings.
   */
  public record After(
      double nitrateBefore,
      double nitrate,
      double phosphateBefore,
      double phosphate,
      double salinityBefore,
      double salinity,
      OptionalDouble alkalinityBefore,
      OptionalDouble alkalinity,
      double ammonia,
      double freeAmmonia) {}

  /**
   * @param daysFrom days after the change on which a reading tells
   * @param why what it would show
   */
  public record TestAsked(String analyte, int daysFrom, String why) {}

  public RunSheet {
    steps = List.copyOf(steps);
    warnings = List.copyOf(warnings);
    cautions = List.copyOf(cautions);
  }
}
