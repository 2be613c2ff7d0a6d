package org.umberline.server;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody at the API: keeps cookies, sends the token back, speaks JSON. */
public final class Browser {
  private static final JsonMapper JSON = new JsonMapper();

  /** An answer; a body that is no JSON is missing. */
  public record Answer(int status, JsonNode json, HttpResponse<String> raw) {}

  /** The password of every keeper a test makes. */
  public static final String PASSWORD = "a long enough one";

  private final String address;
  private String name = "";
  private final CookieManager cookies = new CookieManager();
  private final Map<String, String> headers = new ConcurrentHashMap<>();
  private final HttpClient client = HttpClient.newBuilder().cookieHandler(cookies).build();

  public Browser(String address) {
    this.address = address;
    get("/api/session");
  }

  /** Sends a header with everything from now on. */
  public Browser with(String header, String value) {
    headers.put(header, value);
    return this;
  }

  public Answer get(String path) {
    return send(HttpRequest.newBuilder(URI.create(address + path)).GET());
  }

  public Answer post(String path, String json) {
    return write("POST", path, json, "application/json");
  }

  public Answer put(String path, String json) {
    return write("PUT", path, json, "application/json");
  }

  /** Sends a picture as it is. */
  public Answer putPicture(String path, byte[] picture, String type) {
    return write("PUT", path, HttpRequest.BodyPublishers.ofByteArray(picture), type);
  }

  /** The bytes of what is there. */
  public byte[] picture(String path) throws Exception {
    HttpRequest request = HttpRequest.newBuilder(URI.create(address + path)).build();
    return client.send(request, HttpResponse.BodyHandlers.ofByteArray()).body();
  }

  public Answer delete(String path) {
    return write("DELETE", path, "", "application/json");
  }

  public Answer form(String path, String... pairs) {
    StringBuilder form = new StringBuilder();
    for (int i = 0; i < pairs.length; i += 2) {
      form.append(i > 0 ? "&" : "")
          .append(pairs[i])
          .append('=')
          .append(URLEncoder.encode(pairs[i + 1], StandardCharsets.UTF_8));
    }
    return write("POST", path, form.toString(), "application/x-www-form-urlencoded");
  }

  /** Signs the demo's keeper in. */
  public Browser asWren() {
    form("/api/demo-sign-in");
    get("/api/session");
    return this;
  }

  /** Makes an account and signs in with it. */
  public Browser asNewKeeper() {
    name = "keeper-" + UUID.randomUUID().toString().substring(0, 8);
    signUp(UUID.randomUUID().toString(), name, PASSWORD);
    signIn(name, PASSWORD);
    return this;
  }

  /** The name that the new keeper signs in with. */
  public String name() {
    return name;
  }

  public Answer signUp(String id, String name, String password) {
    return post(
        "/api/keepers",
        JSON.writeValueAsString(Map.of("id", id, "name", name, "password", password)));
  }

  public Answer signIn(String name, String password) {
    Answer answer = form("/api/sign-in", "name", name, "password", password);
    get("/api/session");
    return answer;
  }

  /** Takes in a small tank and returns its id. */
  public String newTank() {
    String id = UUID.randomUUID().toString();
    Answer answer = takeIn(id, SMALL_TANK);
    if (answer.status != 201) {
      throw new IllegalStateException(answer.raw.body());
    }
    return id;
  }

  public Answer takeIn(String id, String file) {
    return post("/api/tanks", JSON.writeValueAsString(Map.of("id", id, "file", file)));
  }

  /** Records a line under a new id. */
  public Answer note(String tank, String text) {
    return note(tank, UUID.randomUUID().toString(), text, RunningServer.NOW.toString());
  }

  public Answer note(String tank, String id, String text, String at) {
    return post(
        "/api/tanks/" + tank + "/log",
        JSON.writeValueAsString(Map.of("id", id, "text", text, "at", at)));
  }

  public static final String SMALL_TANK =
      """
      {"format": "umberline-tank", "version": 1,
       "tank": {"name": "Small", "water": "freshwater", "netVolumeL": 100,
                "startedOn": "2026-09-01", "timeZone": "Europe/Lisbon"},
       "lines": {"nitrate": {"ceilingMgL": 40}},
       "waters": [{"id": "tap", "nitrateMgL": 5, "phosphateMgL": 0.1}],
       "changeWater": [{"water": "tap", "share": 1}],
       "foods": [{"id": "flake", "form": "dry"}],
       "feeding": [{"food": "flake", "gramsPerFeed": 0.3}],
       "kits": [{"id": "card", "analyte": "nitrate", "method": "colour-card",
                 "steps": [0, 3, 8, 15, 30, 60, 100]}],
       "log": [{"at": "2026-11-01T10:00:00Z", "type": "test", "analyte": "nitrate",
                "value": 20, "kit": "card"}]}
      """;

  public Answer write(String method, String path, String body, String type) {
    return write(method, path, HttpRequest.BodyPublishers.ofString(body), type);
  }

  private Answer write(String method, String path, HttpRequest.BodyPublisher body, String type) {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(address + path))
            .header("Content-Type", type)
            .method(method, body);
    cookies.getCookieStore().getCookies().stream()
        .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
        .map(HttpCookie::getValue)
        .forEach(token -> request.header("X-XSRF-TOKEN", token));
    return send(request);
  }

  /** The same request without the token. */
  public Answer postWithoutToken(String path, String json) {
    return send(
        HttpRequest.newBuilder(URI.create(address + path))
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(json)));
  }

  private Answer send(HttpRequest.Builder request) {
    headers.forEach(request::header);
    try {
      HttpResponse<String> response =
          client.send(request.build(), HttpResponse.BodyHandlers.ofString());
      boolean json =
          response.headers().firstValue("Content-Type").orElse("").contains("json")
              && !response.body().isEmpty();
      return new Answer(
          response.statusCode(),
          json ? JSON.readTree(response.body()) : JSON.missingNode(),
          response);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
