package org.umberline.standins;

import java.io.IOException;

/**
 * Starts simulated devices, each with an HTTP interface on 127.0.0.1: {@code photometer PORT} or
 * {@code feeder PORT}. They stand in for hardware that nobody needs to have for a demo or a test.
 */
public final class StandIns {
  private StandIns() {}

  public static void main(String[] arguments) throws IOException {
    if (arguments.length != 2 || !arguments[1].matches("\\d{1,5}")) {
      System.err.println("usage: photometer PORT | feeder PORT");
      System.exit(2);
    }
    int port = Integer.parseInt(arguments[1]);
    switch (arguments[0]) {
      case "photometer" -> new Photometer(port, 5).start();
      case "feeder" -> new Feeder(port).start();
      default -> {
        System.err.println("no device is called " + arguments[0]);
        System.exit(2);
      }
    }
  }
}
