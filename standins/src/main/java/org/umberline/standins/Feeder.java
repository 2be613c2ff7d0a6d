package org.umberline.standins;

import java.io.IOException;
import java.time.LocalTime;
import java.time.ZoneId;

/**
 * A simulated feeder with a top-off unit. {@code GET /status} tells today's portions and litres,
 * what is left in the hopper, and its state. Faults of its own: {@code stuck-open} (the top-off
 * valve does not close) and {@code empty} (the hopper).
 */
final class Feeder extends Device {
  private static final double GRAMS_A_PORTION = 0.4;
  private static final double HOPPER_G = 42;
  private static final double LITRES_A_DAY = 1.1;
  private static final double STUCK_LITRES_A_DAY = 48;
  private static final double HOURS = 24;

  /**
   * @param port 0 for any free one
   */
  Feeder(int port) throws IOException {
    super(port);
  }

  @Override
  String answer(String method, String path, String body) {
    if (!path.equals("/status")) {
      return null;
    }
    double day = LocalTime.now(ZoneId.systemDefault()).toSecondOfDay() / 3600.0 / HOURS;
    boolean empty = fault().equals("empty");
    boolean stuck = fault().equals("stuck-open");
    int portions = empty ? 0 : day > 0.75 ? 2 : day > 0.35 ? 1 : 0;
    double litres = day * (stuck ? STUCK_LITRES_A_DAY : LITRES_A_DAY);
    return "{\"device\":\"feeder and top-off unit\",\"portionsToday\":"
        + portions
        + ",\"gramsAPortion\":"
        + number(GRAMS_A_PORTION)
        + ",\"hopperG\":"
        + number(empty ? 0 : HOPPER_G - portions * GRAMS_A_PORTION)
        + ",\"litresToday\":"
        + number(litres)
        + ",\"usualLitresADay\":"
        + number(LITRES_A_DAY)
        + ",\"valveOpen\":"
        + stuck
        + "}";
  }
}
