package org.umberline.server.cycling;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import org.umberline.server.balance.AdviceViews;

/** What the API sends of a new tank. */
public final class CyclingViews {
  private CyclingViews() {}

  @Schema(
      description =
          "how far a new tank's filter has grown in: the steps of the way and the one it stands on,"
              + " from 0; arrivals of animals, massG each")
  public record NewTankGuide(
      List<String> steps,
      int step,
      List<AdviceViews.Said> sentence,
      List<List<AdviceViews.Said>> todo,
      List<String> cautions,
      List<CycleReading> readings,
      double massG,
      List<AdviceViews.Said> stocking,
      List<List<AdviceViews.Said>> arrivals) {}

  @Schema(description = "the last readings of a day, mg/L NH3, NO2 and NO3")
  public record CycleReading(
      LocalDate on,
      @Schema(nullable = true) Double ammonia,
      @Schema(nullable = true) Double nitrite,
      @Schema(nullable = true) Double nitrate) {}
}
