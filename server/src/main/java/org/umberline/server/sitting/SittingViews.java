package org.umberline.server.sitting;

import java.time.LocalDate;
import java.util.UUID;

/** What the API sends of sitters. */
public final class SittingViews {
  private SittingViews() {}

  public record SitterLink(UUID id, LocalDate from, LocalDate to) {}

  /** The address is told once, when it is made. */
  public record NewSitterLink(String address) {}

  /** All that a sitter sees. */
  public record Sitting(
      String tank, LocalDate from, LocalDate to, LocalDate today, double gramsPerDay) {}
}
