package org.umberline.core.balance;

import org.umberline.core.tank.ExportMethod;

/** Nitrate to gas where water goes without oxygen. All from memory, wide, calibrated. */
public final class Denitrification {
  /** Nitrate nitrogen at which denitrification runs at half of its most, mg N/L. */
  public static final double HALF_SATURATION_MG_L = 1;

  /**
   * Share of the nitrate that films, sand and the insides of stones of any tank turn to gas a day,
   * at low nitrate. Chosen, no source; calibrated.
   */
  public static final double UNSEEN_PER_DAY = 0.004;

  /** What a deep bed takes at most, mg N a m² and day. From memory. */
  public static final double BED_MG_N_PER_M2_DAY = 60;

  private static final double BED_STARTS_CM = 5;
  private static final double BED_FULL_CM = 10;
  private static final double FILTER_MG_N_PER_L_DAY = 5;

  /** Above this many media volumes an hour a slow filter stays aerobic. Chosen, no source. */
  private static final double AEROBIC_VOLUMES_PER_HOUR = 6;

  private static final double ROCK_MG_N_PER_KG_DAY = 0.2;
  private static final double CM2_PER_M2 = 10_000;

  private Denitrification() {}

  /** The most that gear takes, mg N a day; none for gear that does not denitrify. */
  public static double greatestMgPerDay(ExportMethod export) {
    if (export instanceof ExportMethod.DeepBed bed) {
      double depth = (bed.depthCm() - BED_STARTS_CM) / (BED_FULL_CM - BED_STARTS_CM);
      return BED_MG_N_PER_M2_DAY * bed.areaCm2() / CM2_PER_M2 * Math.max(0, Math.min(1, depth));
    }
    if (export instanceof ExportMethod.SlowFilter filter) {
      boolean aerobic = filter.flowLPerHour() > AEROBIC_VOLUMES_PER_HOUR * filter.mediaL();
      return aerobic ? 0 : FILTER_MG_N_PER_L_DAY * filter.mediaL();
    }
    if (export instanceof ExportMethod.PorousRock rock) {
      return ROCK_MG_N_PER_KG_DAY * rock.massKg();
    }
    return 0;
  }

  /**
   * The most water that brings nitrate to slow filters, L a day; infinite for gear that the water
   * reaches by itself.
   */
  public static double flowLPerDay(ExportMethod export) {
    return export instanceof ExportMethod.SlowFilter filter
        ? 24 * filter.flowLPerHour()
        : Double.POSITIVE_INFINITY;
  }
}
