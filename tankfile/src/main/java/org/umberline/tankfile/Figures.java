package org.umberline.tankfile;

import java.math.BigDecimal;
import java.math.MathContext;

/** Numbers as they are told: to four significant digits, since more is not known. */
public final class Figures {
  private static final MathContext TOLD = new MathContext(4);
  private static final MathContext SUMMED = new MathContext(8);

  private Figures() {}

  /** {@code value} as it is sent on; what is not finite stays as it is. */
  public static double rounded(double value) {
    return Double.isFinite(value) ? new BigDecimal(value).round(TOLD).doubleValue() : value;
  }

  /** {@code value} to eight digits: sums of such figures still agree. */
  public static double exact(double value) {
    return Double.isFinite(value) ? new BigDecimal(value).round(SUMMED).doubleValue() : value;
  }

  /**
   * {@code value} as it is written, without an exponent and without trailing zeros.
   *
   * @throws NumberFormatException when it is not finite
   */
  public static String plain(double value) {
    return new BigDecimal(value).round(TOLD).stripTrailingZeros().toPlainString();
  }
}
