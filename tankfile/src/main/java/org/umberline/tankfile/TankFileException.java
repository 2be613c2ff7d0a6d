package org.umberline.tankfile;

import java.util.List;
import java.util.stream.Collectors;

/** A tank file that cannot be taken, with every problem it has. */
public final class TankFileException extends Exception {
  private static final long serialVersionUID = 1L;

  private final transient List<Problem> problems;

  private final boolean moreNotShown;

  public TankFileException(List<Problem> problems) {
    this(problems, false);
  }

  TankFileException(List<Problem> problems, boolean moreNotShown) {
    super(problems.stream().map(Problem::toString).collect(Collectors.joining("\n")));
    this.problems = List.copyOf(problems);
    this.moreNotShown = moreNotShown;
  }

  /** Whether looking stopped at the first problems; there may be more. */
  public boolean moreNotShown() {
    return moreNotShown;
  }

  public List<Problem> problems() {
    return problems;
  }
}
