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

  public Trace(Scenario scenario) {
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

  void startDay(int day, double nitrateMgL, double phosphorusMgL) {
    nitrateHigh[day] = nitrateMgL;
    nitrateLow[day] = nitrateMgL;
    phosphorusHigh[day] = phosphorusMgL;
    phosphorusLow[day] = phosphorusMgL;
  }

  void see(int day, double nitrateMgL, double phosphorusMgL) {
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

  void endDay(int day, TankState state, double volumeL) {
    nitrate[day] = state.nitrate / volumeL;
    phosphorus[day] = state.phosphorus / volumeL;
    ammonia[day] = state.ammonia / volumeL;
    nitrite[day] = state.nitrite / volumeL;
  }

  void probe(int probe, TankState state, double volumeL) {
    probeNitrate[probe] = state.nitrate / volumeL;
    probePhosphorus[probe] = state.phosphorus / volumeL;
    probeAmmonia[probe] = state.ammonia / volumeL;
    probeNitrite[probe] = state.nitrite / volumeL;
  }
}
