package org.umberline.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
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
