package org.umberline.core.simulation;

/** What a run leaves behind, in mg of the element per litre. Reused from run to run. */
public final class Trace {
  /** At the end of each day, after that day's changes. */
  public final double[] nitrate;

  public final double[] ammonia;

  public final double[] nitrite;

  public final double[] phosphorus;

  /** The most within each day, just before a change included. */
  public final double[] nitrateHigh;

  public final double[] phosphorusHigh;

  /** The least within each day, just after a change included. */
  public final double[] nitrateLow;

  public final double[] phosphorusLow;

  /** At the instant of each of the scenario's probes. */
  public final double[] probeNitrate;

  public final double[] probePhosphorus;

  public final double[] probeAmmonia;

  public final double[] probeNitrite;

  private final double perLitre;

  public Trace(Scenario scenario) {
    perLitre = 1 / scenario.volumeL;
    int days = scenario.days();
    nitrate = new double[days];
    ammonia = new double[days];
    nitrite = new double[days];
    phosphorus = new double[days];
    nitrateHigh = new double[days];
    phosphorusHigh = new double[days];
    nitrateLow = new double[days];
    phosphorusLow = new double[days];
    probeNitrate = new double[scenario.probes().size()];
    probePhosphorus = new double[scenario.probes().size()];
    probeAmmonia = new double[scenario.probes().size()];
    probeNitrite = new double[scenario.probes().size()];
  }

  void startDay(int day, TankState state) {
    startDay(day, state.nitrate * perLitre, state.phosphorus * perLitre);
  }

  private void startDay(int day, double nitrateMgL, double phosphorusMgL) {
    nitrateHigh[day] = nitrateMgL;
    nitrateLow[day] = nitrateMgL;
    phosphorusHigh[day] = phosphorusMgL;
    phosphorusLow[day] = phosphorusMgL;
  }

  void see(int day, TankState state) {
    see(day, state.nitrate * perLitre, state.phosphorus * perLitre);
  }

  private void see(int day, double nitrateMgL, double phosphorusMgL) {
    if (nitrateMgL > nitrateHigh[day]) {
      nitrateHigh[day] = nitrateMgL;
    } else if (nitrateMgL < nitrateLow[day]) {
      nitrateLow[day] = nitrateMgL;
    }
    if (phosphorusMgL > phosphorusHigh[day]) {
      phosphorusHigh[day] = phosphorusMgL;
    } else if (phosphorusMgL < phosphorusLow[day]) {
      phosphorusLow[day] = phosphorusMgL;
    }
  }

  void endDay(int day, TankState state) {
    nitrate[day] = state.nitrate * perLitre;
    phosphorus[day] = state.phosphorus * perLitre;
    ammonia[day] = state.ammonia * perLitre;
    nitrite[day] = state.nitrite * perLitre;
  }

  /**
   * A day ends and the next begins within a step.
   *
   * @param share of the step that has passed
   * @param bend see {@link Step#bend}
   */
  void passMidnight(int day, TankState from, TankState to, double share, double bend) {
    nitrate[day] = between(from.nitrate, to.nitrate, share) * perLitre;
    phosphorus[day] = bent(from.phosphorus, to.phosphorus, share, bend) * perLitre;
    ammonia[day] = between(from.ammonia, to.ammonia, share) * perLitre;
    nitrite[day] = between(from.nitrite, to.nitrite, share) * perLitre;
    see(day, nitrate[day], phosphorus[day]);
    startDay(day + 1, nitrate[day], phosphorus[day]);
  }

  /**
   * Reads a probe within a step.
   *
   * @param share of the step that has passed
   * @param bend see {@link Step#bend}
   */
  void probe(int probe, TankState from, TankState to, double share, double bend) {
    probeNitrate[probe] = between(from.nitrate, to.nitrate, share) * perLitre;
    probePhosphorus[probe] = bent(from.phosphorus, to.phosphorus, share, bend) * perLitre;
    probeAmmonia[probe] = between(from.ammonia, to.ammonia, share) * perLitre;
    probeNitrite[probe] = between(from.nitrite, to.nitrite, share) * perLitre;
  }

  /** Never below nothing, however the curve is drawn. */
  private static double bent(double from, double to, double share, double bend) {
    return Compared.larger(0, between(from, to, share) + bend);
  }

  private static double between(double from, double to, double share) {
    return from + share * (to - from);
  }
}
