package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.umberline.server.Browser;
import org.umberline.server.PrivateDatabase;

/** Two processes on one database are one application. */
class TwoProcessesTest {

  @Test
  void eitherKnowsWhatWasWrittenThroughTheOtherAndOneAloneGoesOn() throws Exception {
    try (PrivateDatabase database = new PrivateDatabase("two").start();
        Application one =
            new Application("two-first", Application.on(database), Application.SHORT_LIVED);
        Application other =
            new Application("two-second", Application.on(database), Application.SHORT_LIVED);
        Balancer balancer = new Balancer(List.of(one.port(), other.port()));
        Page page = new Page(balancer.address())) {
      nothingStale(new Browser(one.address()), new Browser(other.address()));

      page.enterDemo().openTank("Stillwater");
      page.note("no3 31");
      page.awaitText("toast", "31");
      one.kill();
      page.note("no3 33");
      page.awaitText("toast", "33");
      page.open("/").openTank("Stillwater");
      page.awaitText("sentence", "hange");
      Browser wren = new Browser(other.address()).asWren();
      String file = wren.get("/api/tanks/" + page.idOf("Stillwater") + "/file").raw().body();
      assertThat(file).containsOnlyOnce("\"value\" : 31").containsOnlyOnce("\"value\" : 33");
    }
  }

  private static void nothingStale(Browser here, Browser there) {
    here.asNewKeeper();
    String tank = here.newTank();
    assertThat(there.signIn(here.name(), Browser.PASSWORD).status()).isEqualTo(204);
    String balance = "/api/tanks/" + tank + "/balance";
    String before = here.get(balance).raw().body();
    assertThat(there.get(balance).raw().body()).isEqualTo(before);
    Browser writer = here;
    Browser reader = there;
    for (String line : List.of("no3 35", "change 30%", "po4 0.4", "no3 22")) {
      writer.note(tank, line);
      String after = reader.get(balance).raw().body();
      assertThat(after).as(line).isNotEqualTo(before);
      assertThat(writer.get(balance).raw().body()).as(line).isEqualTo(after);
      assertThat(reader.get("/api/rounds").raw().body())
          .as(line)
          .isEqualTo(writer.get("/api/rounds").raw().body());
      before = after;
      Browser next = reader;
      reader = writer;
      writer = next;
    }
  }
}
