package org.umberline.core.judging;

/** From {@code low} to {@code high}, both included; {@code high} may be infinite. */
public record Range(double low, double high) {
  public boolean contains(double value) {
    return value >= low && value <= high;
  }

  /** Whether the two have a value in common. */
  public boolean meets(Range other) {
    return low <= other.high && other.low <= high;
  }
}
