package org.umberline.server.visit;

/**
 * How a tank stood when a visit began, as it is kept.
 *
 * @param verdict what led then, as the tank file's terms say it
 */
record Baseline(double nitrateMgL, double phosphateMgL, String verdict) {}
