package org.umberline.standins;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * A device with an HTTP interface that answers plain JSON, and can be told to misbehave: {@code PUT
 * /fault/NAME} with the device's own names, and {@code timeout} (answers after a minute), {@code
 * garbage} (answers what is no JSON), {@code drop} (hangs up), {@code none}.
 */
abstract class Device implements AutoCloseable {
  private static final long TIMEOUT_MS = 60_000;

  private final HttpServer server;
  private final ExecutorService hands = Executors.newCachedThreadPool();
  private volatile String fault = "none";

  Device(int port) throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
    server.setExecutor(hands);
    server.createContext("/", this::handle);
  }

  /** Begins to answer. */
  Device start() {
    server.start();
    return this;
  }

  /** The port it answers on, also where any free one was asked for. */
  int port() {
    return server.getAddress().getPort();
  }

  String fault() {
    return fault;
  }

  /**
   * Answers a request.
   *
   * @return the body, or null for what is not there
   */
  abstract String answer(String method, String path, String body);

  private void handle(HttpExchange exchange) throws IOException {
    String path = exchange.getRequestURI().getPath();
    String method = exchange.getRequestMethod();
    String body = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
    if (method.equals("PUT") && path.startsWith("/fault/")) {
      fault = path.substring("/fault/".length());
      send(exchange, 200, "{\"fault\":\"" + fault + "\"}");
      return;
    }
    switch (fault) {
      case "drop" -> {
        exchange.close();
        return;
      }
      case "timeout" -> pause();
      case "garbage" -> {
        send(exchange, 200, "\u0007 %%% {{ 0.3? \u0000");
        return;
      }
      default -> {}
    }
    String answer = answer(method, path, body);
    if (answer == null) {
      send(exchange, 404, "{}");
    } else {
      send(exchange, 200, answer);
    }
  }

  private static void pause() {
    try {
      Thread.sleep(TIMEOUT_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static void send(HttpExchange exchange, int status, String body) throws IOException {
    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().set("Content-Type", "application/json");
    exchange.sendResponseHeaders(status, bytes.length);
    exchange.getResponseBody().write(bytes);
    exchange.close();
  }

  static String number(double value) {
    return String.format(Locale.ROOT, "%.3f", value);
  }

  @Override
  public void close() {
    server.stop(0);
    hands.shutdownNow();
  }
}
