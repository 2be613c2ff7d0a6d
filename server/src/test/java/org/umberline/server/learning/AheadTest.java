package org.umberline.server.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.after;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import org.umberline.core.simulation.Workers;
import org.umberline.server.Browser;
import org.umberline.server.RunningServer;
import org.umberline.server.RunningServer.Running;
import org.umberline.server.keeper.Keepers;
import org.umberline.server.keeper.Sessions;
import org.umberline.server.tank.TankChanged;
import org.umberline.server.tank.TankRecords;
import tools.jackson.databind.JsonNode;

/** What is known is shown at once, and what isn't is worked out before it is asked for. */
@ExtendWith(RunningServer.class)
class AheadTest {
  private static final int SOON_MS = 20_000;

  private Running running;
  private Browser browser;
  private UUID tank;
  private UUID keeper;
  private final WorkedAhead answer = mock();
  private Ahead ahead;

  @BeforeEach
  void aTank(Running running) {
    this.running = running;
    browser = running.browser().asNewKeeper();
    tank = UUID.fromString(browser.newTank());
    keeper =
        UUID.fromString(
            bean(JdbcTemplate.class)
                .queryForObject(
                    "SELECT owner_id FROM tank WHERE id = ?", String.class, tank.toString()));
    ahead = ahead(true);
  }

  @AfterEach
  void stop() {
    ahead.stop();
  }

  private Ahead ahead(boolean wanted) {
    return new Ahead(
        bean(TankRecords.class),
        bean(Keepers.class),
        bean(Sessions.class),
        List.of(answer),
        bean(Workers.class),
        bean(Computations.class),
        bean(Clock.class),
        wanted);
  }

  private <T> T bean(Class<T> type) {
    return running.beans().getBean(type);
  }

  private JsonNode known() {
    return browser.get("/api/rounds/known").json();
  }

  @Test
  void whatWasKnownIsShownAtOnceWithItsTimeUntilItIsWorkedOutAnew() {
    JsonNode first = known();
    assertThat(first.path("renewed")).isEmpty();
    browser.note(tank.toString(), "no3 35");
    JsonNode old = known();
    assertThat(old.path("lines")).isEqualTo(first.path("lines"));
    assertThat(old.at("/renewed/0/tank").asString()).isEqualTo(tank.toString());
    // the clock of the tests stands at noon, in the tank's winter
    assertThat(old.at("/renewed/0/from").asString()).startsWith("2026-11-25T1");

    // it is being worked out; whoever asks for no less waits for that
    JsonNode fresh = browser.get("/api/rounds").json();
    assertThat(known().path("lines")).isEqualTo(fresh).isNotEqualTo(old.path("lines"));
    assertThat(known().path("renewed")).isEmpty();
  }

  @Test
  void tanksThatNothingIsKnownOfYetAreNamedUntilTheyAreWorkedOut() throws InterruptedException {
    browser.newTank();
    JsonNode all = known();
    for (int asked = 0; all.path("lines").size() < 2 && asked < 100; asked++) {
      assertThat(all.path("lines").size() + all.path("coming").size()).isEqualTo(2);
      TimeUnit.MILLISECONDS.sleep(200);
      all = known();
    }
    assertThat(all.path("lines")).hasSize(2);
    assertThat(all.path("coming")).isEmpty();
  }

  @Test
  void anotherBuildsAnswerIsNotShown() {
    known();
    browser.note(tank.toString(), "no3 35");
    bean(JdbcTemplate.class)
        .update("UPDATE kept_answer SET build = 'older' WHERE tank_id = ?", tank.toString());
    assertThat(known().path("renewed")).isEmpty();
  }

  @Test
  void severalLinesInARowAreWorkedOutOnce() {
    for (int i = 0; i < 5; i++) {
      ahead.changed(new TankChanged(tank, keeper));
    }
    verify(answer, after(SOON_MS / 10).times(1)).workOut(any());
  }

  @Test
  void everyTankOfWhoLookedInIsWorkedOutAndAFailureStopsNoOther() {
    ahead.soon(UUID.randomUUID(), keeper);
    ahead.everyTank();
    verify(answer, timeout(SOON_MS)).workOut(argThat(stored -> stored.id().equals(tank)));
  }

  @Test
  void nothingIsWorkedOutWhereItIsNotWanted() {
    Ahead unwanted = ahead(false);
    unwanted.changed(new TankChanged(tank, keeper));
    unwanted.everyTank();
    verify(answer, after(SOON_MS / 10).never()).workOut(any());
    unwanted.stop();
  }
}
