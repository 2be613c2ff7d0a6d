package org.umberline.core.calibration;

import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.TankState;

/**
 * What one run of the past left behind.
 *
 * @param z the coordinates it was run at
 * @param nitrate at each day's end, mg N/L
 * @param phosphorus at each day's end, mg P/L
 * @param atTests concentrations at the tests, in each analyte's standard unit
 */
record Outcome(
    double[] z,
    TankState start,
    TankState end,
    Multipliers multipliers,
    double[] nitrate,
    double[] phosphorus,
    double[] atTests) {}
