package org.umberline.core.tank;

/** Gear or a practice that takes nutrients out, besides changes and plants. */
public sealed interface ExportMethod {
  String id();

  Span span();

  /** The word the trade and the tank file use for the kind. */
  String kind();

  record Mechanical(String id, double captureFractionPerDay, Span span) implements ExportMethod {
    @Override
    public String kind() {
      return "mechanical";
    }
  }

  record Skimmer(String id, double removalFractionPerDay, Span span) implements ExportMethod {
    @Override
    public String kind() {
      return "skimmer";
    }
  }

  record PhosphateAdsorber(
      String id, double massG, double capacityMgPPerG, AdsorberPlacement placement, Span span)
      implements ExportMethod {
    @Override
    public String kind() {
      return "phosphate-adsorber";
    }
  }

  record DeepBed(String id, double areaCm2, double depthCm, Span span) implements ExportMethod {
    @Override
    public String kind() {
      return "deep-bed";
    }
  }

  record SlowFilter(String id, double mediaL, double flowLPerHour, Span span)
      implements ExportMethod {
    @Override
    public String kind() {
      return "slow-filter";
    }
  }

  record PorousRock(String id, double massKg, Span span) implements ExportMethod {
    @Override
    public String kind() {
      return "porous-rock";
    }
  }

  /** {@code amountPerDay} is in mL for ethanol and vinegar, in g for sugar. */
  record CarbonDose(String id, CarbonSource source, double amountPerDay, Span span)
      implements ExportMethod {
    @Override
    public String kind() {
      return "carbon-dose";
    }
  }
}
