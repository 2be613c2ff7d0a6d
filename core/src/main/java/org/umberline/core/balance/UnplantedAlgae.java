package org.umberline.core.balance;

import java.util.Locale;
import java.util.Set;

/**
 * Algae that nobody planted. They take up nutrients too: a test that reads zero beside growing
 * algae is not an empty balance but a full one. How much there may be comes from the keeper's
 * observations; all figures chosen, no source, calibrated together with plants.
 */
public final class UnplantedAlgae {
  /** Days in which algae double. */
  public static final double DOUBLING_DAYS = 4;

  /** Share that dies off a day. */
  public static final double DECAY_PER_DAY = 0.03;

  /** mg N a g of dry mass. */
  public static final double NITROGEN_MG_PER_G = 40;

  /** mg P a g of dry mass. */
  public static final double PHOSPHORUS_MG_PER_G = 4;

  /** An observation tells of the days around it, this many to each side. */
  public static final int SEEN_DAYS = 21;

  /** Greatest dry mass by severity 0 to 3, g a litre of tank. */
  private static final double[] GREATEST_G_PER_L = {0.002, 0.01, 0.04, 0.12};

  private static final Set<String> WORDS =
      Set.of("alga", "cyano", "diatom", "dinoflagellate", "slime", "mat", "tuft", "brown-dust");

  private UnplantedAlgae() {}

  /** Whether an observation's sign is about algae. */
  public static boolean isAlgae(String sign) {
    String lower = sign.toLowerCase(Locale.ROOT);
    return WORDS.stream().anyMatch(lower::contains);
  }

  /** Greatest dry mass in a tank of {@code volumeL} at a severity of 0 to 3, g. */
  public static double greatestDryG(int severity, double volumeL) {
    return GREATEST_G_PER_L[Math.max(0, Math.min(3, severity))] * volumeL;
  }
}
