package org.umberline.server.trouble;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import org.umberline.server.balance.AdviceViews;

/** What the API sends of trouble. */
public final class TroubleViews {
  private TroubleViews() {}

  @Schema(
      description =
          "signs that can be seen; standing are those that are there, by their term; first is the"
              + " first of them examined, where the day's advice is known already")
  public record Trouble(
      List<SeenSign> signs,
      List<StandingSign> standing,
      NutrientPair pair,
      @Schema(nullable = true) Examined first) {}

  @Schema(
      description =
          "nitrate and phosphate read together; steps raise or lower one without the other;"
              + " perPhosphate is mg NO3 for a mg PO4, redfield what plants and algae take about")
  public record NutrientPair(
      List<AdviceViews.Said> sentence,
      List<List<AdviceViews.Said>> steps,
      @Schema(nullable = true) Double perPhosphate,
      double redfield) {}

  @Schema(description = "algae may sit on glass, where they don't count")
  public record SeenSign(String sign, String words, List<SignLook> looks) {}

  @Schema(description = "something to look at, by its term and in words")
  public record SignLook(String look, String words) {}

  @Schema(description = "severity 1 to 3 as it was last seen; lookAgain may be past")
  public record StandingSign(
      String sign, LocalDate since, int severity, List<String> looks, LocalDate lookAgain) {}

  @Schema(
      description =
          "urgent is what to do at once, before anything is found out; harmless that the sign is"
              + " normal where it is; candidates the likeliest first; remarks what else to know")
  public record Examined(
      String sign,
      List<AdviceViews.Said> urgent,
      boolean harmless,
      List<SignCandidate> candidates,
      List<SignAsk> asks,
      List<SignEvent> before,
      List<List<AdviceViews.Said>> remarks,
      List<SignCourse> course,
      List<String> cautions) {}

  @Schema(description = "chance that it is this one, 0..1")
  public record SignCandidate(
      String cause,
      String words,
      double chance,
      List<List<AdviceViews.Said>> speaksFor,
      List<List<AdviceViews.Said>> against,
      List<SignStep> steps,
      List<List<AdviceViews.Said>> leave) {}

  @Schema(description = "place where it is worked out, such as balance or doses; empty for none")
  public record SignStep(List<AdviceViews.Said> text, String place) {}

  @Schema(description = "analyte where a test is asked for, empty where it is a look")
  public record SignAsk(List<AdviceViews.Said> text, String analyte) {}

  public record SignEvent(LocalDate on, List<AdviceViews.Said> text) {}

  @Schema(description = "a look at the sign, severity 0 to 3, and what was done before it")
  public record SignCourse(LocalDate on, int severity, List<SignEvent> done) {}
}
