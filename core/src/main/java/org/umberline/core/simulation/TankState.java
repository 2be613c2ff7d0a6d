package org.umberline.core.simulation;

/**
 * What is in the tank at one moment, and what has flowed since the state was made. Amounts are mg
 * of N or P; plants are g of dry mass. Mutable: one is reused for many runs.
 */
public final class TankState {
  double nitrogen;
  double phosphorus;
  double wasteNitrogen;
  double wastePhosphorus;
  final double[] plantDryG;
  final double[] nitrogenFlow = new double[Flow.values().length];
  final double[] phosphorusFlow = new double[Flow.values().length];

  public TankState(int plants) {
    plantDryG = new double[plants];
  }

  /** Takes over {@code other}, flows included. */
  public void set(TankState other) {
    nitrogen = other.nitrogen;
    phosphorus = other.phosphorus;
    wasteNitrogen = other.wasteNitrogen;
    wastePhosphorus = other.wastePhosphorus;
    System.arraycopy(other.plantDryG, 0, plantDryG, 0, plantDryG.length);
    System.arraycopy(other.nitrogenFlow, 0, nitrogenFlow, 0, nitrogenFlow.length);
    System.arraycopy(other.phosphorusFlow, 0, phosphorusFlow, 0, phosphorusFlow.length);
  }

  public TankState copy() {
    TankState copy = new TankState(plantDryG.length);
    copy.set(this);
    return copy;
  }

  /** Dissolved nitrogen, mg N. */
  public double nitrogenMg() {
    return nitrogen;
  }

  /** Dissolved phosphorus, mg P. */
  public double phosphorusMg() {
    return phosphorus;
  }

  /** Nitrogen in waste solids, mg N. */
  public double wasteNitrogenMg() {
    return wasteNitrogen;
  }

  /** Phosphorus in waste solids, mg P. */
  public double wastePhosphorusMg() {
    return wastePhosphorus;
  }

  /** Dry mass of the plant stand at {@code index}, g. */
  public double plantDryG(int index) {
    return plantDryG[index];
  }

  /** Nitrogen that went by {@code flow} since the state was made, mg N. */
  public double nitrogenMg(Flow flow) {
    return nitrogenFlow[flow.ordinal()];
  }

  /** Phosphorus that went by {@code flow} since the state was made, mg P. */
  public double phosphorusMg(Flow flow) {
    return phosphorusFlow[flow.ordinal()];
  }
}
