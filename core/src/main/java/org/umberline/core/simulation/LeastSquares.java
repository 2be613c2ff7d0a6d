package org.umberline.core.simulation;

import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;

/** Linear regression. */
final class LeastSquares {
  private LeastSquares() {}

  /** Coefficients of the columns of {@code rows} that come nearest to {@code values}. */
  static double[] fit(double[][] rows, double[] values) {
    return new QRDecomposition(new Array2DRowRealMatrix(rows, false))
        .getSolver()
        .solve(new ArrayRealVector(values))
        .toArray();
  }
}
