package org.umberline.core.tank;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Something that runs from a day to a day, both included, and may do so several times. */
interface Lasting {
  LocalDate from();

  LocalDate to();

  /** The one that runs on {@code day}, of several the one that ends last. */
  static <T extends Lasting> Optional<T> running(List<T> all, LocalDate day) {
    return last(all, one -> !one.from().isAfter(day) && !one.to().isBefore(day));
  }

  /** The one that ended at most {@code days} before {@code day}, where none runs. */
  static <T extends Lasting> Optional<T> over(List<T> all, LocalDate day, int days) {
    return running(all, day).isPresent()
        ? Optional.empty()
        : last(all, one -> one.to().isBefore(day) && !one.to().isBefore(day.minusDays(days)));
  }

  private static <T extends Lasting> Optional<T> last(List<T> all, Predicate<T> which) {
    return all.stream().filter(which).max(Comparator.comparing(Lasting::to));
  }
}
