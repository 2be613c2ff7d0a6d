package org.umberline.tankfile;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** The problems of a file as they are found, each place once, up to as many as anybody reads. */
final class Problems {
  /** As many as are shown. */
  static final int MOST = 100;

  private final List<Problem> found = new ArrayList<>();
  private final Set<Problem> known = new HashSet<>();
  private final Set<String> places = new HashSet<>();
  private boolean more;

  void add(Problem problem) {
    if (known.contains(problem)) {
      return;
    }
    if (full()) {
      more = true;
      return;
    }
    known.add(problem);
    places.add(problem.pointer());
    found.add(problem);
  }

  /** Adds what nothing was said about yet: the schema's word on a place comes first. */
  void addIfFirst(Problem problem) {
    if (!places.contains(problem.pointer())) {
      add(problem);
    }
  }

  /** Whether as many were found as are shown; there may be more. */
  boolean full() {
    return found.size() >= MOST;
  }

  boolean none() {
    return found.isEmpty();
  }

  TankFileException refusal() {
    return new TankFileException(found, more || full());
  }
}
