package org.umberline.core.judging;

import java.util.List;
import java.util.Optional;

/**
 * The net volume that past water changes speak for: each allows a range of it, and the range is
 * taken that the most of them allow.
 *
 * @param range litres; open above where no change bounds it
 * @param agreeing how many changes allow all of it
 * @param changes how many were looked at
 */
public record ImpliedVolume(Range range, int agreeing, int changes) {
  /** Empty when no change has a test near it on either side. */
  public static Optional<ImpliedVolume> of(List<ChangeExperiment> experiments) {
    List<Range> ranges =
        experiments.stream()
            .map(ChangeExperiment::impliedVolumeL)
            .filter(range -> range.low() < range.high())
            .toList();
    Optional<ImpliedVolume> best = Optional.empty();
    // the range that most allow begins where one of them begins
    for (Range first : ranges) {
      List<Range> with = ranges.stream().filter(range -> range.contains(first.low())).toList();
      double high = with.stream().mapToDouble(Range::high).min().orElse(first.high());
      if (best.isEmpty() || with.size() > best.get().agreeing) {
        best =
            Optional.of(
                new ImpliedVolume(new Range(first.low(), high), with.size(), ranges.size()));
      }
    }
    return best;
  }
}
