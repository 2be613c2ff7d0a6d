package org.umberline.server.minerals;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;

/** What the API takes of the balances besides the two nutrients. */
public final class MineralsRequests {
  private static final String LEVEL = "0 to 500 mg/L NO3";
  private static final String FLOW = "0.1 to 5000 L an hour";

  private MineralsRequests() {}

  public record FlowAsked(
      @NotNull(message = "the nitrate of the water that goes in")
          @DecimalMin(value = "0", message = LEVEL)
          @DecimalMax(value = "500", message = LEVEL)
          Double nitrateIn,
      @NotNull(message = "the nitrate of the water that comes out")
          @DecimalMin(value = "0", message = LEVEL)
          @DecimalMax(value = "500", message = LEVEL)
          Double nitrateOut,
      @NotNull(message = "the flow you measured")
          @DecimalMin(value = "0.1", message = FLOW)
          @DecimalMax(value = "5000", message = FLOW)
          Double litresPerHour) {}
}
