package org.umberline.core.simulation;

/** What a run leaves behind, in mg of the element per litre. Reused from run to run. */
public final class Trace {
  /** At the end of each day, after that day's changes. */
  public final double[] nitrogen;

  public final double[] phosphorus;

  /** The most within each day, just before a change included. */
  public final double[] nitrogenHigh;

  public final double[] phosphorusHigh;

  /** The least within each day, just after a change included. */
  public final double[] nitrogenLow;

  public final double[] phosphorusLow;

  /** At the instant of each of the scenario's probes. */
  public final double[] probeNitrogen;

  public final double[] probePhosphorus;

  public Trace(Scenario scenario) {
    int days = scenario.days();
    nitrogen = new double[days];
    phosphorus = new double[days];
    nitrogenHigh = new double[days];
    phosphorusHigh = new double[days];
    nitrogenLow = new double[days];
    phosphorusLow = new double[days];
    probeNitrogen = new double[scenario.probes().size()];
    probePhosphorus = new double[scenario.probes().size()];
  }

  void startDay(int day, double nitrogenMgL, double phosphorusMgL) {
    nitrogenHigh[day] = nitrogenMgL;
    nitrogenLow[day] = nitrogenMgL;
    phosphorusHigh[day] = phosphorusMgL;
    phosphorusLow[day] = phosphorusMgL;
  }

  void see(int day, double nitrogenMgL, double phosphorusMgL) {
    if (nitrogenMgL > nitrogenHigh[day]) {
      nitrogenHigh[day] = nitrogenMgL;
    } else if (nitrogenMgL < nitrogenLow[day]) {
      nitrogenLow[day] = nitrogenMgL;
    }
    if (phosphorusMgL > phosphorusHigh[day]) {
      phosphorusHigh[day] = phosphorusMgL;
    } else if (phosphorusMgL < phosphorusLow[day]) {
      phosphorusLow[day] = phosphorusMgL;
    }
  }

  void endDay(int day, double nitrogenMgL, double phosphorusMgL) {
    nitrogen[day] = nitrogenMgL;
    phosphorus[day] = phosphorusMgL;
  }
}
