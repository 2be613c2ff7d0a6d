package org.umberline.tankfile;

import java.util.List;
import java.util.stream.Collectors;

/** A tank file that cannot be taken, with every problem it has. */
public final class TankFileException extends Exception {
  private static final long serialVersionUID = 1L;

  private final transient List<Problem> problems;

  public TankFileException(List<Problem> problems) {
    super(problems.stream().map(Problem::toString).collect(Collectors.joining("\n")));
    this.problems = List.copyOf(problems);
  }

  public List<Problem> problems() {
    return problems;
  }
}
