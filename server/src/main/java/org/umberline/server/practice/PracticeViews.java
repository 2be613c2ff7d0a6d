package org.umberline.server.practice;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.umberline.server.balance.AdviceViews;

/** What the API sends of practice. */
public final class PracticeViews {
  private PracticeViews() {}

  @Schema(
      description =
          "a practice tank as its keeper is told of it, and what can be done in it; adsorber where some is at hand")
  public record PracticeOffer(
      String term,
      String name,
      List<AdviceViews.Said> brief,
      List<AdviceViews.Said> task,
      double largestChangeL,
      List<PracticeChoice> checks,
      List<PracticeChoice> fillings,
      int weeks,
      @Schema(nullable = true) Integer adsorberMinutes,
      PracticeChoice testAfter) {}

  @Schema(description = "a check or a water to choose; minutes that it takes, 0 for a water")
  public record PracticeChoice(String term, String words, int minutes) {}

  @Schema(
      description =
          "how a practice tank is kept: its weeks so far, what this week's checks found, and after"
              + " the last week what it came to")
  public record PracticeState(
      List<PracticePast> weeks,
      List<List<AdviceViews.Said>> found,
      @Schema(nullable = true) PracticeOutcome outcome) {}

  public record PracticePast(List<List<AdviceViews.Said>> found, List<AdviceViews.Said> done) {}

  @Schema(
      description =
          "what the weeks came to; courses are the most of each day in truth, in the unit of the"
              + " line")
  public record PracticeOutcome(
      List<AdviceViews.Said> verdict,
      List<AdviceViews.Said> hidden,
      List<AdviceViews.Said> known,
      List<AdviceViews.Said> yours,
      List<AdviceViews.Said> better,
      String unit,
      double line,
      double[] yourCourse,
      double[] betterCourse,
      List<PracticeReading> readings) {}

  @Schema(description = "what a test showed on a day, counted from 0")
  public record PracticeReading(int day, double value) {}
}
