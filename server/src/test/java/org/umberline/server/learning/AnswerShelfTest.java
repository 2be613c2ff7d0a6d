package org.umberline.server.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verifyNoInteractions;

import java.time.Clock;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import org.umberline.core.planning.Advice;
import org.umberline.server.Browser;
import org.umberline.server.RunningServer;
import org.umberline.server.RunningServer.Running;
import org.umberline.server.balance.BalanceAnswers;
import org.umberline.server.balance.BalanceRequests;
import org.umberline.server.balance.BalanceViews;
import org.umberline.server.balance.PastAnswers;
import org.umberline.server.bench.BenchAnswers;
import org.umberline.server.bench.BenchViews;
import org.umberline.server.devices.PhotometerLine;
import org.umberline.server.rounds.RoundsAnswers;
import org.umberline.server.rounds.RoundsViews;
import org.umberline.server.tank.TankRecords;
import tools.jackson.databind.json.JsonMapper;

/** Answers outlive the process that worked them out, and nothing else. */
@ExtendWith(RunningServer.class)
class AnswerShelfTest {
  private Running running;
  private Browser browser;
  private UUID keeper;
  private UUID tank;

  @BeforeEach
  void answerOnce(Running running) {
    this.running = running;
    browser = running.browser().asNewKeeper();
    tank = UUID.fromString(browser.newTank());
    keeper =
        UUID.fromString(
            jdbc()
                .queryForObject(
                    "SELECT owner_id FROM tank WHERE id = ?", String.class, tank.toString()));
  }

  private JdbcTemplate jdbc() {
    return bean(JdbcTemplate.class);
  }

  private AnswerShelf shelf() {
    return bean(AnswerShelf.class);
  }

  private <T> T bean(Class<T> type) {
    return running.beans().getBean(type);
  }

  private TankRecords.Stored stored() {
    return bean(TankRecords.class).one(tank, keeper);
  }

  /** As another process, which has nothing in its memory, would make it. */
  private <T> T afresh(Class<T> type) {
    return running.beans().getAutowireCapableBeanFactory().createBean(type);
  }

  /** What the page is sent of an answer. */
  private String sent(Object answer) {
    return bean(JsonMapper.class).writeValueAsString(answer);
  }

  private long computed() {
    return bean(Posteriors.class).computed();
  }

  @Test
  void anotherProcessAnswersTheSameWithoutLearningAgain() {
    // by summer time: kept answers tell the tank's clock as well
    browser.note(tank.toString(), "change 10 L 2 oct 12:00");
    RoundsViews.RoundsLine line = afresh(RoundsAnswers.class).line(stored());
    BalanceViews.Balance balance = afresh(BalanceAnswers.class).balance(stored());
    BalanceViews.Past past = afresh(PastAnswers.class).past(stored());
    BenchViews.Bench bench = afresh(BenchAnswers.class).bench(keeper);

    Posteriors posteriors = mock();
    Advices advices = mock();
    BalanceAnswers balances =
        new BalanceAnswers(
            posteriors, advices, bean(Clock.class), bean(Computations.class), shelf());
    assertThat(
            sent(
                new RoundsAnswers(advices, bean(Clock.class), bean(Computations.class), shelf())
                    .line(stored())))
        .isEqualTo(sent(line));
    PastAnswers pasts =
        new PastAnswers(advices, bean(Clock.class), bean(Computations.class), shelf());
    assertThat(sent(balances.balance(stored()))).isEqualTo(sent(balance));
    assertThat(sent(pasts.past(stored()))).isEqualTo(sent(past)).contains("+01:00");
    assertThat(
            sent(
                new BenchAnswers(
                        bean(TankRecords.class),
                        posteriors,
                        bean(PhotometerLine.class),
                        bean(Clock.class),
                        bean(Computations.class),
                        advices,
                        shelf())
                    .bench(keeper)))
        .isEqualTo(sent(bench));
    verifyNoInteractions(posteriors, advices);
    assertThat(
            jdbc()
                .queryForList(
                    "SELECT kind FROM kept_answer WHERE tank_id = ? ORDER BY kind",
                    String.class,
                    tank.toString()))
        .containsExactly("advice", "balance", "bench", "learned", "past", "rounds");
  }

  @Test
  void anotherProcessTriesOnWhatWasLearnedFigureForFigure() {
    BalanceRequests.Try tried =
        new BalanceRequests.Try(
            BalanceRequests.Solve.NOTHING,
            0.2,
            7.0,
            stored().tank().dayOf(bean(Clock.class).instant()).plusDays(2),
            null,
            null,
            null);
    // unlike any other test's tank: two that are alike are learned once
    browser.note(tank.toString(), "no3 17.3");
    BalanceViews.Outlook here = afresh(BalanceAnswers.class).whatIf(stored(), tried);
    Advice advice = bean(Advices.class).of(stored());
    Posteriors posteriors = afresh(Posteriors.class);
    Advices advices = new Advices(posteriors, bean(Computations.class), shelf(), bean(Clock.class));
    BalanceAnswers elsewhere =
        new BalanceAnswers(
            posteriors, advices, bean(Clock.class), bean(Computations.class), shelf());
    assertThat(sent(elsewhere.whatIf(stored(), tried))).isEqualTo(sent(here));
    assertThat(posteriors.computed()).as("learned there").isZero();
    assertThat(advices.of(stored())).isEqualTo(advice);
  }

  @Test
  void aPlainNoteChangesNothingOfTheAdvice() {
    browser.note(tank.toString(), "no3 17.9");
    Advice before = bean(Advices.class).of(stored());
    browser.note(tank.toString(), "note all well");
    assertThat(bean(Advices.class).of(stored())).isSameAs(before);
    browser.note(tank.toString(), "saw gasping 2");
    assertThat(bean(Advices.class).of(stored())).isNotEqualTo(before);
  }

  @Test
  void aNewLineMakesANewAnswer() {
    RoundsViews.RoundsLine before = afresh(RoundsAnswers.class).line(stored());
    browser.note(tank.toString(), "no3 80");
    long learned = computed();
    RoundsViews.RoundsLine after = afresh(RoundsAnswers.class).line(stored());
    assertThat(after).isNotEqualTo(before);
    assertThat(computed()).isEqualTo(learned + 1);
  }

  @Test
  void anAnswerThatCannotBeReadIsWorkedOutAnew() {
    RoundsViews.RoundsLine line = afresh(RoundsAnswers.class).line(stored());
    jdbc()
        .update(
            "UPDATE kept_answer SET answer = '{\"tank\": 7' WHERE tank_id = ?", tank.toString());
    assertThat(sent(afresh(RoundsAnswers.class).line(stored()))).isEqualTo(sent(line));
    assertThat(
            jdbc()
                .queryForObject(
                    "SELECT answer FROM kept_answer WHERE tank_id = ? AND kind = 'rounds'",
                    String.class,
                    tank.toString()))
        .isNotEqualTo("{\"tank\": 7");
  }

  @Test
  void anAnswerOfAnotherStateIsNone() {
    afresh(RoundsAnswers.class).line(stored());
    jdbc()
        .update(
            "UPDATE kept_answer SET stamp = REPEAT('0', 64), answer = 'null' WHERE tank_id = ?",
            tank.toString());
    assertThat(afresh(RoundsAnswers.class).line(stored())).isNotNull();
  }
}
