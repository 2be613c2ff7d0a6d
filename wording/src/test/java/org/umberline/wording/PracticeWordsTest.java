package org.umberline.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.umberline.core.practice.BetterPlan;
import org.umberline.core.practice.Check;
import org.umberline.core.practice.Filling;
import org.umberline.core.practice.PracticeCase;
import org.umberline.core.practice.PracticeRun;
import org.umberline.core.practice.PracticeWeek;

class PracticeWordsTest {
  private static final long SEED = 11;

  private static List<PracticeWeek> weeks(double litres, Filling filling, double feeding) {
    return Collections.nCopies(
        PracticeRun.WEEKS,
        new PracticeWeek(List.of(Check.NITRATE), litres, filling, feeding, false, false));
  }

  private static String verdict(PracticeCase which, List<PracticeWeek> weeks) {
    PracticeRun run = new PracticeRun(which, SEED, weeks);
    return new PracticeWords(which, run.stated())
        .verdict(run, weeks, BetterPlan.of(which, SEED))
        .plain();
  }

  @ParameterizedTest
  @EnumSource
  void theBriefGivesNothingAwayAndTheEndTellsIt(PracticeCase which) {
    PracticeRun run = new PracticeRun(which, SEED, List.of());
    PracticeWords words = new PracticeWords(which, run.stated());
    String before = words.brief().plain() + words.task(run).plain();
    String figure = String.valueOf(Math.round(run.hiddenFigure()));
    assertThat(before).contains("fed 0.").doesNotContain(" " + figure + " L");
    assertThat(words.hidden(run).plain()).contains(figure);
    assertThat(words.known(run).plain()).contains("you never").endsWith(".");
    assertThat(words.better(BetterPlan.of(which, SEED)).plain()).contains("over on", "of work.");
  }

  @Test
  void theVerdictIsHonest() {
    assertThat(verdict(PracticeCase.RICH_TAP, weeks(0, Filling.USUAL, 1)))
        .isEqualTo("Over the limit for longer than it had to be.");
    assertThat(verdict(PracticeCase.RICH_TAP, weeks(20, Filling.PURE, 1)))
        .isEqualTo("As good as can be known afterwards.");
    assertThat(verdict(PracticeCase.RICH_TAP, weeks(50, Filling.PURE, 1)))
        .isEqualTo("Held, with more water than it took.");
    assertThat(verdict(PracticeCase.RICH_TAP, weeks(10, Filling.PURE, 0.25)))
        .isEqualTo(
            "Better than every plain plan that was tried afterwards. You fed 75 % less than usual;"
                + " the plan beside it fed as usual.");
    assertThat(verdict(PracticeCase.WRONG_VOLUME, weeks(90, Filling.USUAL, 1)))
        .contains("8 changes took more than half of the true volume");
  }

  @Test
  void aWeekIsToldInOneLine() {
    PracticeRun run = new PracticeRun(PracticeCase.FULL_ROCK, SEED, List.of());
    PracticeWords words = new PracticeWords(PracticeCase.FULL_ROCK, run.stated());
    assertThat(
            words
                .done(new PracticeWeek(List.of(), 25, Filling.HALF_PURE, 0.5, true, false))
                .plain())
        .isEqualTo(
            "Changed 25 L with half of it pure water, fed 50 % of the usual, fresh adsorber.");
    assertThat(words.done(PracticeWeek.looking(List.of())).plain()).isEqualTo("No change.");
    assertThat(words.found(new PracticeRun.Finding(0, Check.STANDARD, false, 1)).plain())
        .isEqualTo(
            "The kit reads 1 mg/L NO3 where 20 is in it: it is no good. A new one is bought.");
    assertThat(words.found(new PracticeRun.Finding(0, Check.NITRATE, true, 12)).plain())
        .isEqualTo("After the change: nitrate 12 mg/L NO3");
  }
}
