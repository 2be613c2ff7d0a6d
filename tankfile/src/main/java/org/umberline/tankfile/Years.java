package org.umberline.tankfile;

import java.time.LocalDate;

/** The years that any date may be of; others are slips of the finger. */
public final class Years {
  public static final int FIRST = 1970;
  public static final int LAST = 2200;

  /** What is allowed, in words. */
  public static final String ALLOWED = "a date in the years " + FIRST + " to " + LAST;

  private Years() {}

  public static boolean holds(LocalDate day) {
    return day.getYear() >= FIRST && day.getYear() <= LAST;
  }
}
