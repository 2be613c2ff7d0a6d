package org.umberline.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.umberline.core.judging.CaughtOut;
import org.umberline.core.judging.Range;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.Schedule;

class WorkWordsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 29);

  @ParameterizedTest
  @EnumSource
  void whatMovesWorkIsSaidInASentence(Schedule.Moved moved) {
    assertThat(WorkWords.moved(moved, Care.NONE).plain()).matches("[A-Z].*[.]");
  }

  @Test
  void whatACupGaveIsSaidBesideTheBalance() {
    CaughtOut cup =
        new CaughtOut(CaughtOut.Gear.SKIMMER, 600, 10, new Range(3, 24), new Range(0.6, 6));
    assertThat(GearWords.caught(cup, new Range(20, 60)).plain())
        .startsWith("The cup gave 600 mL in 10 days: by its amount 3 to 24 mg of nitrogen")
        .endsWith("they agree.");
    assertThat(GearWords.caught(cup, new Range(40, 60)).plain())
        .endsWith("The share the skimmer takes in Make-up is likely too high.");
    assertThat(GearWords.caught(cup, new Range(0, 1)).plain()).endsWith("likely too low.");
  }

  @Test
  void anObjectionNamesTheNearestDay() {
    assertThat(
            WorkWords.objection(
                    new Schedule.Objection(DAY, false, Optional.of(DAY.plusDays(2))), Care.NONE)
                .plain())
        .isEqualTo(
            "A filter is cleaned at least 3 days from a change; the nearest such day is"
                + " 2026-12-01.");
  }

  @Test
  void anObjectionWithoutADayNearSaysSo() {
    assertThat(
            WorkWords.objection(new Schedule.Objection(DAY, false, Optional.empty()), Care.NONE)
                .plain())
        .isEqualTo("No day near 2026-11-29 is 3 days from every change.");
    assertThat(
            WorkWords.objection(new Schedule.Objection(DAY, true, Optional.empty()), Care.NONE)
                .plain())
        .isEqualTo("2026-11-29 is past.");
  }
}
