package org.umberline.core.tank;

import java.time.LocalDate;
import java.util.Optional;

/** Days from {@code from} to {@code to}, both included, or with no end. */
public record Span(LocalDate from, Optional<LocalDate> to) {
  public Span {
    if (to.isPresent() && to.get().isBefore(from)) {
      throw new IllegalArgumentException("to " + to.get() + " is before from " + from);
    }
  }

  public boolean contains(LocalDate day) {
    return !day.isBefore(from) && to.map(last -> !day.isAfter(last)).orElse(true);
  }
}
