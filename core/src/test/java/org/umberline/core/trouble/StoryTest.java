package org.umberline.core.trouble;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;

class StoryTest {
  private static final String HAIR = "hair-algae";

  private static LogEntry saw(double day, int severity) {
    return new LogEntry.Observation(TankBuilder.at(day), HAIR, severity, "");
  }

  private static Instant noon(int day) {
    return TankBuilder.at(day + 0.5).toInstant();
  }

  @Test
  void whatWentBeforeAndWhatWasTriedSince() {
    TankModel tank =
        new TankBuilder()
            .startedOn(TankBuilder.START)
            .ration(0.3)
            .change(5, 20)
            .change(30, 20)
            .log(saw(31, 3))
            .change(33, 30)
            .log(saw(34, 1))
            .log(saw(40, 2))
            .build();
    Story story = Story.of(tank, HAIR, noon(41));
    assertThat(story.since()).contains(TankBuilder.START.plusDays(31));
    assertThat(story.before())
        .extracting(Story.Happened::on)
        .containsExactly(TankBuilder.START.plusDays(30));
    assertThat(story.tried()).extracting(Story.Looked::severity).containsExactly(3, 1, 2);
    assertThat(story.tried()).extracting(looked -> looked.done().size()).containsExactly(0, 1, 0);
    assertThat(story.lookAgain()).contains(TankBuilder.START.plusDays(43));
    assertThat(story.muddle()).isEmpty();
    assertThat(Story.standing(tank, TankBuilder.START.plusDays(41))).containsExactly(HAIR);
  }

  @Test
  void twoChangesWithinThreeDaysCannotBeToldApart() {
    ExportMethod skimmer =
        new ExportMethod.Skimmer(
            "skimmer", 0.2, new Span(TankBuilder.START.plusDays(20), Optional.empty()));
    TankModel tank =
        new TankBuilder()
            .startedOn(TankBuilder.START)
            .export(skimmer)
            .log(new LogEntry.Clean(TankBuilder.at(22), "skimmer", ""))
            .log(saw(30, 2))
            .build();
    Story.Muddle muddle = Story.of(tank, HAIR, noon(30)).muddle().orElseThrow();
    assertThat(List.of(muddle.one().kind(), muddle.other().kind()))
        .containsExactly(Story.Kind.GEAR_IN, Story.Kind.LOGGED);
  }

  @Test
  void whatIsGoneIsNotLookedAtAgainAndWhatComesBackIsNew() {
    TankBuilder tank = new TankBuilder().log(saw(10, 2)).log(saw(13, 0));
    Story gone = Story.of(tank.build(), HAIR, noon(14));
    assertThat(gone.lookAgain()).isEmpty();
    assertThat(gone.tried()).extracting(Story.Looked::severity).containsExactly(2, 0);
    assertThat(Story.standing(tank.build(), TankBuilder.START.plusDays(14))).isEmpty();
    tank.log(saw(50, 1));
    assertThat(Story.of(tank.build(), HAIR, noon(51)).since())
        .contains(TankBuilder.START.plusDays(50));
    assertThat(Story.standing(tank.build(), TankBuilder.START.plusDays(120)))
        .as("never looked at again")
        .isEmpty();
  }

  @Test
  void itsKeeperIsAskedToLookAgainForTwoWeeks() {
    Story story = Story.of(new TankBuilder().log(saw(10, 2)).build(), HAIR, noon(11));
    assertThat(story.isAsked(TankBuilder.START.plusDays(12))).isFalse();
    assertThat(story.isAsked(TankBuilder.START.plusDays(13))).isTrue();
    assertThat(story.isAsked(TankBuilder.START.plusDays(27))).isTrue();
    assertThat(story.isAsked(TankBuilder.START.plusDays(28))).isFalse();
    LogEntry film = new LogEntry.Observation(TankBuilder.at(10), Sign.GLASS_FILM, 1, "");
    assertThat(
            Story.of(new TankBuilder().log(film).build(), Sign.GLASS_FILM, noon(11))
                .isAsked(TankBuilder.START.plusDays(13)))
        .isFalse();
  }

  @Test
  void gaspingIsLookedAtTheNextDay() {
    TankModel tank =
        new TankBuilder()
            .log(new LogEntry.Observation(TankBuilder.at(8), Sign.GASPING, 2, ""))
            .build();
    assertThat(Story.of(tank, Sign.GASPING, noon(8)).lookAgain())
        .contains(TankBuilder.START.plusDays(9));
  }

  @Test
  void aSignThatWasNeverSeenHasOnlyWhatWentBefore() {
    TankModel tank = new TankBuilder().change(5, 20).build();
    Story story = Story.of(tank, HAIR, noon(6));
    assertThat(story.since()).isEmpty();
    assertThat(story.before()).hasSize(1);
    assertThat(story.tried()).isEmpty();
  }
}
