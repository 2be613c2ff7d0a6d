package org.umberline.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class DevicesTest {
  private static final HttpClient CLIENT = HttpClient.newHttpClient();

  /** Far longer than an answer takes: a busy machine may stand still for seconds. */
  private static final Duration PATIENT = Duration.ofSeconds(30);

  private static HttpResponse<String> ask(Device device, String method, String path)
      throws Exception {
    return ask(device, method, path, PATIENT);
  }

  private static HttpResponse<String> ask(
      Device device, String method, String path, Duration patience) throws Exception {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + device.port() + path))
            .method(method, HttpRequest.BodyPublishers.noBody())
            .timeout(patience)
            .build();
    return CLIENT.send(request, HttpResponse.BodyHandlers.ofString());
  }

  private static String done(Device device, String id) throws Exception {
    String body = "";
    for (int i = 0; i < 60 && !body.contains("done"); i++) {
      Thread.sleep(100);
      body = ask(device, "GET", "/measurements/" + id).body();
    }
    return body;
  }

  private static double value(String body) {
    return Double.parseDouble(body.replaceAll(".*\"mgL\":([\\d.]+).*", "$1"));
  }

  @Test
  void readingsScatterAroundTheTruthAndOneIdIsOneReading() throws Exception {
    try (Device photometer = new Photometer(0, 1).start()) {
      ask(photometer, "PUT", "/cuvette/phosphate/0.50");
      assertThat(ask(photometer, "PUT", "/measurements/m0/phosphate").body()).contains("measuring");
      for (int i = 1; i < 40; i++) {
        ask(photometer, "PUT", "/measurements/m" + i + "/phosphate");
      }
      List<Double> values = new ArrayList<>();
      for (int i = 0; i < 40; i++) {
        values.add(value(done(photometer, "m" + i)));
      }
      double mean = values.stream().mapToDouble(v -> v).average().orElseThrow();
      assertThat(mean).isBetween(0.47, 0.53);
      assertThat(values).anyMatch(v -> Math.abs(v - 0.5) > 0.01);
      ask(photometer, "PUT", "/measurements/m0/phosphate");
      assertThat(value(done(photometer, "m0"))).isEqualTo(values.get(0));
    }
  }

  @Test
  void whatIsOverItsRangeIsSaid() throws Exception {
    try (Device photometer = new Photometer(0, 1).start()) {
      ask(photometer, "PUT", "/cuvette/phosphate/9");
      ask(photometer, "PUT", "/measurements/a/phosphate");
      assertThat(done(photometer, "a")).contains("\"range\":\"over\"").contains("2.500");
    }
  }

  @Test
  void itCanBeLostAndTalkNonsense() throws Exception {
    try (Device photometer = new Photometer(0, 1).start()) {
      ask(photometer, "PUT", "/fault/drop");
      assertThatThrownBy(() -> ask(photometer, "GET", "/status")).isInstanceOf(IOException.class);
      ask(photometer, "PUT", "/fault/garbage");
      assertThat(ask(photometer, "GET", "/status").body()).doesNotStartWith("{");
      ask(photometer, "PUT", "/fault/timeout");
      assertThatThrownBy(() -> ask(photometer, "GET", "/status", Duration.ofSeconds(2)))
          .isInstanceOf(IOException.class);
      ask(photometer, "PUT", "/fault/none");
      assertThat(ask(photometer, "GET", "/status").body()).contains("photometer");
    }
  }

  @Test
  void theFeederTellsItsFaults() throws Exception {
    try (Device feeder = new Feeder(0).start()) {
      assertThat(ask(feeder, "GET", "/status").body()).contains("\"valveOpen\":false");
      ask(feeder, "PUT", "/fault/stuck-open");
      assertThat(ask(feeder, "GET", "/status").body()).contains("\"valveOpen\":true");
      ask(feeder, "PUT", "/fault/empty");
      assertThat(ask(feeder, "GET", "/status").body()).contains("\"hopperG\":0.000");
    }
  }
}
