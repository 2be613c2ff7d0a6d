package org.umberline.core.tank;

import java.util.List;

/** A mixture of the keeper's waters; with no part named it is pure water. */
public record Blend(List<Part> parts) {
  public static final Blend PURE = new Blend(List.of());

  /** One water's share of a blend, 0..1. */
  public record Part(String water, double share) {}

  public Blend {
    parts = List.copyOf(parts);
  }
}
