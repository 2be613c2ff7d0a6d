package org.umberline.server.practice;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

/** What the API takes of practice. */
public final class PracticeRequests {
  private static final String SEED = "a whole number from 0 to 1000000000";
  private static final String WEEKS = "at most 8 weeks";
  private static final String CHECKS = "at most 12 checks a week";
  private static final String LITRES = "0 to 1000 litres";
  private static final String FEEDING = "0 to 2 times the usual ration";

  private PracticeRequests() {}

  /**
   * @param seed of the tank's hidden figures
   * @param weeks that were kept, in their order
   * @param looked checks of the week that is still open
   */
  public record PracticeKept(
      @NotNull(message = SEED)
          @Min(value = 0, message = SEED)
          @Max(value = 1_000_000_000, message = SEED)
          Long seed,
      @NotNull(message = WEEKS) @Size(max = 8, message = WEEKS) List<@Valid PracticeWeekKept> weeks,
      @NotNull(message = CHECKS) @Size(max = 12, message = CHECKS) List<@NotNull String> looked) {}

  /**
   * @param litres changed; 0 for none
   * @param feeding factor on the usual ration
   * @param adsorber whether fresh phosphate adsorber was put in
   * @param testedAfter whether the nutrient with the line was read after the change
   */
  public record PracticeWeekKept(
      @NotNull(message = CHECKS) @Size(max = 12, message = CHECKS) List<@NotNull String> checks,
      @NotNull(message = LITRES)
          @DecimalMin(value = "0", message = LITRES)
          @DecimalMax(value = "1000", message = LITRES)
          Double litres,
      @NotNull(message = "usual, half-pure or pure") String filling,
      @NotNull(message = FEEDING)
          @DecimalMin(value = "0", message = FEEDING)
          @DecimalMax(value = "2", message = FEEDING)
          Double feeding,
      boolean adsorber,
      boolean testedAfter) {}
}
