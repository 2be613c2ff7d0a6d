package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.umberline.server.Browser;
import org.umberline.server.PrivateDatabase;

/** Two processes on one database are one application. */
class TwoProcessesTest {

  private static final String TANK =
      """
      {"format": "umberline-tank", "version": 1,
       "tank": {"name": "Both", "water": "freshwater", "netVolumeL": 100,
         "startedOn": "2025-01-01"},
       "lines": {"nitrate": {"ceilingMgL": 40}},
       "waters": [{"id": "tap", "name": "Tap", "nitrateMgL": 5}],
       "changeWater": [{"water": "tap", "share": 1}],
       "foods": [{"id": "flake", "name": "Flake"}],
       "feeding": [{"food": "flake", "gramsPerFeed": 0.4, "feedsPerWeek": 7}]}""";

  @Test
  void eitherKnowsWhatWasWrittenThroughTheOtherAndOneAloneGoesOn() throws Exception {
    try (PrivateDatabase database = new PrivateDatabase("two").start();
        Application one = process("two-first", database);
        Application other = process("two-second", database);
        Balancer balancer = new Balancer(List.of(one.port(), other.port()));
        Page page = new Page(balancer.address())) {
      nothingStale(new Browser(one.address()), new Browser(other.address()));

      String id = UUID.randomUUID().toString();
      page.enterAsNewKeeper().takeIn(id, TANK);
      page.open("/tank/" + id).see("tideline");
      page.note("no3 31");
      page.awaitText("toast", "31");
      one.kill();
      page.note("no3 33");
      page.awaitText("toast", "33");
      page.open("/tank/" + id);
      page.awaitText("sentence", "hange");
      String file =
          (String)
              page.scriptLater(
                  "const done = arguments[arguments.length - 1];"
                      + "fetch('/api/tanks/%s/file').then(r => r.text()).then(done)".formatted(id));
      assertThat(file).containsOnlyOnce("\"value\" : 31").containsOnlyOnce("\"value\" : 33");
    }
  }

  /** What the demo's tanks take to be learned has nothing to do with two processes. */
  private static Application process(String name, PrivateDatabase database) {
    Map<String, String> environment = new HashMap<>(Application.on(database));
    environment.put("UMBERLINE_DEMO", "false");
    return new Application(name, environment, Application.SHORT_LIVED);
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
