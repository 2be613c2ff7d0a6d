package org.umberline.server.trial;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import org.umberline.server.balance.AdviceViews;

/** What the API sends of trials. */
public final class TrialViews {
  private TrialViews() {}

  @Schema(description = "trials of a tank, the last first, and what the balance can foresee")
  public record Trials(
      List<TrialOption> options, List<TrialDone> trials, List<List<AdviceViews.Said>> rules) {}

  @Schema(description = "something to try, by its number")
  public record TrialOption(int option, String words) {}

  @Schema(
      description =
          "what a trial is expected to show, whether the kit can (shows: as far as is known), the"
              + " days to test on, and the line that begins it")
  public record TrialPlanned(
      List<AdviceViews.Said> expected,
      List<AdviceViews.Said> power,
      List<LocalDate> occasions,
      int readings,
      boolean shows,
      String line) {}

  @Schema(description = "a trial: over when its days are; others what else happened meanwhile")
  public record TrialDone(
      String what,
      LocalDate begun,
      LocalDate ends,
      boolean over,
      List<AdviceViews.Said> verdict,
      List<TrialEvent> others) {}

  @Schema(description = "what another tank says of a trial")
  public record TrialBesideAnother(List<AdviceViews.Said> words) {}

  public record TrialEvent(LocalDate on, List<AdviceViews.Said> text) {}
}
