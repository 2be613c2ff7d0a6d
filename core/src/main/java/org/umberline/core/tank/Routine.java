package org.umberline.core.tank;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * What the keeper means to do from now on: this share of the net volume, this often; a share of 0
 * means that no changes are made.
 */
public record Routine(double fraction, double everyDays, LocalDate nextOn) {
  public Routine {
    if (!(fraction >= 0 && fraction <= 1)) {
      throw new IllegalArgumentException("fraction is " + fraction + "; allowed: 0 to 1");
    }
    if (!(everyDays >= 0.5 && everyDays <= 365)) {
      throw new IllegalArgumentException("everyDays is " + everyDays + "; allowed: 0.5 to 365");
    }
  }

  /**
   * The days of the rhythm after {@code day}, up to {@code last}. A rhythm of half days alternates,
   * 3.5 days being 3 and 4 by turns.
   */
  public List<LocalDate> daysAfter(LocalDate day, LocalDate last) {
    List<LocalDate> days = new ArrayList<>();
    if (fraction == 0) {
      return days;
    }
    for (int k = 0; ; k++) {
      LocalDate next = nextOn.plusDays((long) Math.floor(k * everyDays));
      if (next.isAfter(last)) {
        return days;
      }
      if (next.isAfter(day)) {
        days.add(next);
      }
    }
  }

  /**
   * This routine with its next day moved past what was done: the first day of its rhythm that lies
   * more than half an interval after the last change, which may be in the past when one was missed.
   */
  public Routine after(LocalDate lastChange) {
    LocalDate earliest = lastChange.plusDays((long) Math.floor(everyDays / 2));
    LocalDate next = nextOn;
    for (int k = 1; !next.isAfter(earliest); k++) {
      next = nextOn.plusDays((long) Math.floor(k * everyDays));
    }
    return startingOn(next);
  }

  /** The same rhythm with another first day. */
  public Routine startingOn(LocalDate day) {
    return new Routine(fraction, everyDays, day);
  }
}
