package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntFunction;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.Browser.Answer;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

/** Several at once in one tank: each write is kept once, and of rivals one stands. */
@ExtendWith(RunningServer.class)
class WritersTest {
  private Browser keeper;
  private String path;
  private String tank;

  @BeforeEach
  void take(Running running) {
    keeper = running.browser().asNewKeeper();
    tank = keeper.newTank();
    path = "/api/tanks/" + tank;
  }

  private static <T> List<T> atOnce(int many, IntFunction<Callable<T>> work) throws Exception {
    ExecutorService threads = Executors.newFixedThreadPool(many);
    try {
      List<Future<T>> running = new ArrayList<>();
      for (int i = 0; i < many; i++) {
        running.add(threads.submit(work.apply(i)));
      }
      List<T> done = new ArrayList<>();
      for (Future<T> one : running) {
        done.add(one.get());
      }
      return done;
    } finally {
      threads.shutdownNow();
    }
  }

  @Test
  void eightWritersOfAHundredLinesEachAreAllKeptOnce() throws Exception {
    List<List<Integer>> statuses =
        atOnce(
            8,
            writer ->
                () -> {
                  List<Integer> own = new ArrayList<>();
                  for (int line = 0; line < 100; line++) {
                    own.add(keeper.note(tank, "note writer " + writer + " line " + line).status());
                  }
                  return own;
                });
    assertThat(statuses.stream().flatMap(List::stream)).hasSize(800).containsOnly(200);
    String file = keeper.get(path + "/file").raw().body();
    for (int writer = 0; writer < 8; writer++) {
      for (int line = 0; line < 100; line++) {
        assertThat(file.split("\"writer " + writer + " line " + line + "\"", -1)).hasSize(2);
      }
    }
  }

  @Test
  void theSameLinePhotoAndVisitSentAtOnceAreKeptOnce() throws Exception {
    String line = UUID.randomUUID().toString();
    List<Answer> answers =
        atOnce(6, i -> () -> keeper.note(tank, line, "no3 30", RunningServer.NOW.toString()));
    assertThat(answers).extracting(Answer::status).containsOnly(200);
    assertThat(answers.stream().filter(a -> !a.json().path("repeated").asBoolean())).hasSize(1);
    String visit = "{\"id\": \"" + UUID.randomUUID() + "\", \"seen\": \"\"}";
    assertThat(atOnce(4, i -> () -> keeper.post(path + "/visits", visit).status()))
        .containsOnly(201);
    assertThat(keeper.get(path + "/visits").json()).hasSize(1);
  }

  @Test
  void threeWhatIfsAreKeptHoweverManyComeAtOnce() throws Exception {
    String tried = "{\"name\": \"one\", \"tried\": {\"solve\": \"NOTHING\"}}";
    List<Integer> statuses =
        atOnce(5, i -> () -> keeper.put(path + "/what-ifs/" + UUID.randomUUID(), tried).status());
    assertThat(statuses.stream().filter(status -> status == 200)).hasSize(3);
    assertThat(statuses.stream().filter(status -> status == 409)).hasSize(2);
    assertThat(keeper.get(path + "/what-ifs").json().path("saved")).hasSize(3);
  }

  @Test
  void careSavedTwiceFromOneVersionIsTold() throws Exception {
    String care =
        """
        {"version": 0, "devices": ["pump %d"], "filterDaysFromChange": 3, "tasks": [], "shelf": []}""";
    List<Integer> statuses =
        atOnce(4, i -> () -> keeper.put(path + "/care", care.formatted(i)).status());
    assertThat(statuses.stream().filter(status -> status == 200)).hasSize(1);
    assertThat(statuses.stream().filter(status -> status == 409)).hasSize(3);
  }

  private String correction(String id, String text) {
    return "{\"id\": \"%s\", \"text\": \"%s\", \"at\": \"%s\"}"
        .formatted(id, text, RunningServer.NOW);
  }

  private String noted(String text) {
    JsonNode line = keeper.note(tank, text).json();
    for (JsonNode entry : keeper.get(path + "/log").json().path("entries")) {
      if (entry.path("line").asString("").equals(line.path("id").asString())) {
        return path + "/log/entries/" + entry.path("id").asString();
      }
    }
    throw new IllegalStateException(text);
  }

  private List<Double> nitrateOfToday() {
    List<Double> values = new ArrayList<>();
    for (JsonNode entry : keeper.get(path + "/file").json().path("log")) {
      if (entry.path("at").asString().startsWith("2026-11-25")) {
        values.add(entry.path("value").asDouble());
      }
    }
    return values;
  }

  @Test
  void ofFourCorrectionsAtOnceOneStandsAndTheOthersAreToldWhich() throws Exception {
    String entry = noted("no3 40");
    List<Answer> answers =
        atOnce(
            4,
            i ->
                () ->
                    keeper.post(
                        entry + "/correction",
                        correction(UUID.randomUUID().toString(), "no3 " + 5 * (i + 1))));
    assertThat(answers.stream().filter(a -> a.status() == 200)).hasSize(1);
    assertThat(nitrateOfToday()).hasSize(1);
    assertThat(answers.stream().filter(a -> a.status() == 409))
        .hasSize(3)
        .allSatisfy(
            a ->
                assertThat(a.json().path("detail").asString())
                    .contains("What stands now: Nitrate")
                    .doesNotContain("Nitrate 40"));
  }

  @Test
  void aCorrectionThatWasTakenBackDoesNotComeBackByItself() {
    String entry = noted("no3 40");
    String id = UUID.randomUUID().toString();
    keeper.post(entry + "/correction", correction(id, "no3 15"));
    assertThat(nitrateOfToday()).containsExactly(15.0);
    keeper.put(path + "/log/" + id + "/withdrawn", "{\"withdrawn\": true}");
    assertThat(nitrateOfToday()).containsExactly(40.0);
    Answer again = keeper.post(entry + "/correction", correction(id, "no3 15"));
    assertThat(again.status()).isEqualTo(409);
    assertThat(again.json().path("detail").asString()).contains("What stands now: Nitrate 40");
    assertThat(nitrateOfToday()).containsExactly(40.0);

    String second = UUID.randomUUID().toString();
    keeper.post(entry + "/correction", correction(second, "no3 20"));
    Answer back = keeper.put(path + "/log/" + id + "/withdrawn", "{\"withdrawn\": false}");
    assertThat(back.status()).as("the other correction stands").isEqualTo(409);
    assertThat(nitrateOfToday()).containsExactly(20.0);
    keeper.put(path + "/log/" + second + "/withdrawn", "{\"withdrawn\": true}");
    assertThat(keeper.put(path + "/log/" + id + "/withdrawn", "{\"withdrawn\": false}").status())
        .isEqualTo(204);
    assertThat(nitrateOfToday()).containsExactly(15.0);
  }
}
