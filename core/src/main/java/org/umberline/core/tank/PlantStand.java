package org.umberline.core.tank;

/** A stand of plants or algae; {@code wetMassG} is its mass on the first day of its span. */
public record PlantStand(
    String id,
    String name,
    PlantKind kind,
    double wetMassG,
    double doublingDays,
    double maxWetMassG,
    double dryMatterPercent,
    double nitrogenPercentDry,
    double phosphorusPercentDry,
    Span span) {}
