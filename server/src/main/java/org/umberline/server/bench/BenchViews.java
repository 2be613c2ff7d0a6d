package org.umberline.server.bench;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/**
 * What the API sends of the bench and its devices. Every number is in the unit its name or its
 * neighbour says.
 */
public final class BenchViews {
  private BenchViews() {}

  public record KitStep(String text, @Schema(nullable = true) Double minutes) {}

  @Schema(
      description = "why is empty where the test does not matter today; low and high are expected")
  public record BenchTest(
      String analyte,
      @Schema(nullable = true) String kit,
      String why,
      String unit,
      List<Double> card,
      boolean photometer,
      @Schema(nullable = true) Double low,
      @Schema(nullable = true) Double high,
      List<KitStep> steps,
      String shelf) {}

  public record BenchTank(
      UUID id,
      String name,
      String site,
      LocalDate today,
      int careVersion,
      List<BenchTest> tests,
      List<LocalDate> calibrated) {}

  public record Bench(boolean photometer, List<BenchTank> tanks) {}

  public record Figure(double value, String unit) {}

  @Schema(description = "line is the shorthand that notes it")
  public record BenchResult(
      double value,
      String unit,
      String words,
      String line,
      double spread,
      List<Figure> alsoIn,
      boolean surprising,
      @Schema(nullable = true) Double low,
      @Schema(nullable = true) Double high) {}

  @Schema(description = "state is measuring, done or trouble")
  public record Measurement(
      String state, @Schema(nullable = true) Double value, String qualifier, String trouble) {}

  public record FeederReport(
      int portions, double gramsAPortion, double hopperG, double litres, List<String> faults) {}

  public record Feeder(
      boolean known, String trouble, @Schema(nullable = true) FeederReport report) {}
}
