package org.umberline.core.simulation;

/**
 * What is in the tank at one moment, and what has flowed since the state was made. Amounts are mg
 * of N or P; plants are g of dry mass; oxidisers are what they could oxidise, mg N a day. Mutable:
 * one is reused for many runs.
 */
public final class TankState {
  double ammonia;
  double nitrite;
  double nitrate;
  double phosphorus;
  double wasteNitrogen;
  double wastePhosphorus;
  double boundPhosphorus;
  double caughtNitrogen;
  double caughtPhosphorus;
  double ammoniaOxidisers;
  double nitriteOxidisers;
  final double[] plantDryG;
  final double[] adsorbedPhosphorus;
  final double[] mediumG;
  final double[] nitrogenFlow = new double[Flow.values().length];
  final double[] phosphorusFlow = new double[Flow.values().length];

  /** A state with room for what {@code scenario} holds. */
  public TankState(Scenario scenario) {
    this(scenario.stands.length, scenario.adsorbers.length);
  }

  private TankState(int plants, int adsorbers) {
    plantDryG = new double[plants];
    adsorbedPhosphorus = new double[adsorbers];
    mediumG = new double[adsorbers];
  }

  /** Books what passed, mg N and mg P. */
  void add(Flow flow, double nitrogen, double phosphorus) {
    nitrogenFlow[flow.ordinal()] += nitrogen;
    phosphorusFlow[flow.ordinal()] += phosphorus;
  }

  /** Takes over {@code other}, flows included. */
  public void set(TankState other) {
    setPools(other);
    System.arraycopy(other.mediumG, 0, mediumG, 0, other.mediumG.length);
    System.arraycopy(other.nitrogenFlow, 0, nitrogenFlow, 0, nitrogenFlow.length);
    System.arraycopy(other.phosphorusFlow, 0, phosphorusFlow, 0, phosphorusFlow.length);
  }

  /** Takes over the pools of {@code other}; media and what has flowed stay. */
  void setPools(TankState other) {
    ammonia = other.ammonia;
    nitrite = other.nitrite;
    nitrate = other.nitrate;
    phosphorus = other.phosphorus;
    wasteNitrogen = other.wasteNitrogen;
    wastePhosphorus = other.wastePhosphorus;
    boundPhosphorus = other.boundPhosphorus;
    caughtNitrogen = other.caughtNitrogen;
    caughtPhosphorus = other.caughtPhosphorus;
    ammoniaOxidisers = other.ammoniaOxidisers;
    nitriteOxidisers = other.nitriteOxidisers;
    setMasses(other);
  }

  /** Takes over what plants weigh and adsorbers hold. */
  void setMasses(TankState other) {
    // one or two each: a copy of arrays would cost more than all else of a step's end
    for (int a = 0; a < other.adsorbedPhosphorus.length; a++) {
      adsorbedPhosphorus[a] = other.adsorbedPhosphorus[a];
    }
    for (int j = 0; j < other.plantDryG.length; j++) {
      plantDryG[j] = other.plantDryG[j];
    }
  }

  /** This state in a scenario that holds the same plants and at least the same adsorbers. */
  public TankState in(Scenario scenario) {
    TankState state = new TankState(scenario);
    state.set(this);
    for (int a = mediumG.length; a < scenario.adsorbers.length; a++) {
      state.mediumG[a] = scenario.adsorbers[a].massG();
    }
    return state;
  }

  /**
   * Moves nitrate, and phosphate with what is bound of it, by something nobody wrote down.
   *
   * @param nitrate logarithm of the factor; the other likewise
   */
  public void jump(double nitrate, double phosphorus) {
    if (nitrate != 0) {
      double moved = this.nitrate * (Math.exp(nitrate) - 1);
      this.nitrate += moved;
      Flow flow = moved > 0 ? Flow.UNEXPLAINED_IN : Flow.UNEXPLAINED_OUT;
      nitrogenFlow[flow.ordinal()] += Math.abs(moved);
    }
    if (phosphorus != 0) {
      double factor = Math.exp(phosphorus) - 1;
      double water = this.phosphorus * factor;
      double bound = boundPhosphorus * factor;
      this.phosphorus += water;
      boundPhosphorus += bound;
      Flow flow = factor > 0 ? Flow.UNEXPLAINED_IN : Flow.UNEXPLAINED_OUT;
      phosphorusFlow[flow.ordinal()] += Math.abs(water + bound);
    }
  }

  public TankState copy() {
    TankState copy = new TankState(plantDryG.length, adsorbedPhosphorus.length);
    copy.set(this);
    return copy;
  }

  /** Dissolved ammonia, mg N. */
  public double ammoniaMg() {
    return ammonia;
  }

  /** Dissolved nitrite, mg N. */
  public double nitriteMg() {
    return nitrite;
  }

  /** Dissolved nitrate, mg N. */
  public double nitrateMg() {
    return nitrate;
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

  /** Phosphorus bound to rock, sand and soil, mg P. */
  public double boundPhosphorusMg() {
    return boundPhosphorus;
  }

  /** Nitrogen in solids caught in filter media, mg N. */
  public double caughtNitrogenMg() {
    return caughtNitrogen;
  }

  /** Phosphorus in solids caught in filter media, mg P. */
  public double caughtPhosphorusMg() {
    return caughtPhosphorus;
  }

  /** What the ammonia oxidisers could oxidise, mg N a day. */
  public double ammoniaOxidisersMgPerDay() {
    return ammoniaOxidisers;
  }

  /** What the nitrite oxidisers could oxidise, mg N a day. */
  public double nitriteOxidisersMgPerDay() {
    return nitriteOxidisers;
  }

  /** Phosphorus on adsorbers in use, mg P. */
  public double adsorbedPhosphorusMg() {
    double sum = 0;
    for (double mg : adsorbedPhosphorus) {
      sum += mg;
    }
    return sum;
  }

  /**
   * Share of what the adsorber at {@code index} can hold that it has taken, 0..1.
   *
   * @param capacityMgPPerG of its medium
   */
  public double adsorberUsed(int index, double capacityMgPPerG) {
    double holds = mediumG[index] * capacityMgPPerG;
    return holds > 0 ? Math.min(1, adsorbedPhosphorus[index] / holds) : 1;
  }

  /** Dry mass of the plant stand at {@code index}, g; the one past the last plant is algae. */
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
