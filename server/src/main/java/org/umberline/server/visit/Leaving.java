package org.umberline.server.visit;

import java.time.LocalDate;
import java.util.List;

/**
 * How a tank stood when a visit ended, as it is kept: the page that was left stays what it was.
 *
 * @param verdict what led then, as the tank file's terms say it
 * @param stands the leading reason, in words
 */
record Leaving(
    double nitrateMgL, double phosphateMgL, String verdict, String stands, List<Next> next) {
  /** Work of the days after the visit. */
  record Next(LocalDate on, String words) {}
}
