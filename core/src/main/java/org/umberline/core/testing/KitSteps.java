package org.umberline.core.testing;

import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;

/**
 * How a kind of kit is worked. A kit's own leaflet comes first; waiting times are common practice,
 * no source.
 */
public final class KitSteps {
  private static final double NITRATE_CARD_MINUTES = 5;
  private static final double PRECISE_NITRATE_MINUTES = 15;
  private static final double PHOSPHATE_MINUTES = 5;
  private static final double OTHER_MINUTES = 3;
  private static final Pattern WAIT = Pattern.compile("\\((\\d{1,3}(?:\\.\\d)?) min\\)");

  /**
   * @param minutes to wait with it, where it is a wait
   */
  public record Step(String text, OptionalDouble minutes) {}

  private KitSteps() {}

  /**
   * The steps of a kit.
   *
   * @param ownSteps what its leaflet says, a line a step, a wait written {@code (5 min)}; empty for
   *     what is usual
   * @param ownMinutes the kit's own waiting time, where the keeper gave it
   */
  public static List<Step> of(Kit kit, String ownSteps, OptionalDouble ownMinutes) {
    List<Step> own =
        ownSteps
            .lines()
            .map(String::strip)
            .filter(line -> !line.isEmpty())
            .map(KitSteps::own)
            .toList();
    return own.isEmpty() ? usual(kit, ownMinutes) : own;
  }

  private static Step own(String line) {
    Matcher wait = WAIT.matcher(line);
    return wait.find() ? waiting(line, Double.parseDouble(wait.group(1))) : step(line);
  }

  private static List<Step> usual(Kit kit, OptionalDouble ownMinutes) {
    double minutes = ownMinutes.orElse(usualMinutes(kit));
    return switch (kit.method()) {
      case COLOUR_CARD ->
          List.of(
              step("Rinse the vial with tank water and fill it to the mark."),
              step("Add the reagents in their order; shake each bottle as its leaflet says."),
              waiting("Wait for the colour.", minutes),
              step("Hold it against the card in daylight and take the nearest step."));
      case PHOTOMETER ->
          List.of(
              step("Rinse the cuvette, fill it, wipe it dry and set the zero."),
              step("Add the reagent and dissolve it without bubbles."),
              waiting("Wait.", minutes),
              step("Wipe again and read; the same way round each time."));
      case TITRATION ->
          List.of(
              step("Measure the sample to the line."),
              step("Add drop by drop, swirling, and count."),
              step("Stop at the first lasting change of colour, read against white."));
    };
  }

  /** What a test with it takes to wait, where its leaflet says nothing. */
  static double usualMinutes(Kit kit) {
    if (kit.analyte() == Analyte.NITRATE) {
      return kit.method() == KitMethod.PHOTOMETER ? PRECISE_NITRATE_MINUTES : NITRATE_CARD_MINUTES;
    }
    return kit.analyte() == Analyte.PHOSPHATE ? PHOSPHATE_MINUTES : OTHER_MINUTES;
  }

  private static Step step(String text) {
    return new Step(text, OptionalDouble.empty());
  }

  private static Step waiting(String text, double minutes) {
    return new Step(text, OptionalDouble.of(minutes));
  }
}
