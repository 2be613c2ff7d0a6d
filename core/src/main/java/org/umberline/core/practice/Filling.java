package org.umberline.core.practice;

import org.umberline.core.tank.Term;

/** What a change is filled up with. */
public enum Filling implements Term {
  USUAL("usual", 1),
  HALF_PURE("half-pure", 0.5),
  PURE("pure", 0);

  private final String term;
  private final double usualShare;

  Filling(String term, double usualShare) {
    this.term = term;
    this.usualShare = usualShare;
  }

  @Override
  public String term() {
    return term;
  }

  /** Share of the tank's usual water; the rest is pure water. */
  double usualShare() {
    return usualShare;
  }
}
