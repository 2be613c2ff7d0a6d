package org.umberline.core.calibration;

import java.util.List;
import org.apache.commons.numbers.gamma.Erfc;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;

/**
 * How likely one reading is for a given true concentration: an interval between the neighbouring
 * steps' midpoints for a colour card, one-sided for below and above range, normal on the reading
 * otherwise. Concentrations are in the analyte's standard unit.
 */
public final class TestLikelihood {
  /** How a reading was used. */
  public enum Use {
    EXACT,
    BETWEEN,
    BELOW,
    ABOVE
  }

  /**
   * Chance that a reading tells nothing: the wrong vial, a stale reagent, a slip of the pen. It
   * keeps one contradictory test from swinging everything. From memory, to be confirmed.
   */
  private static final double BLUNDER = 0.03;

  /** The same of a reading that agrees with all others. Chosen. */
  private static final double BLUNDER_OF_AGREEING = 1e-5;

  /** From memory. */
  private static final double CARD_BLUR = 0.15;

  private static final double SMALLEST = 1e-280;

  /** The table goes from 0.0001 to 2000 of the standard unit, in logarithms. */
  private static final double TABLE_FROM = -9.2;

  private static final double TABLE_STEP = 0.04;
  private static final int TABLE_SIZE = 421;
  private static final double ROOT_HALF = Math.sqrt(0.5);

  private final Use use;
  private final double perStandard;
  private final double low;
  private final double high;
  private final double lowBlur;
  private final double highBlur;
  private final double blunder;
  private final double blunderDensity;
  private final double[] table;

  /** The likelihood of {@code test} as read with {@code kit}. */
  public static TestLikelihood of(LogEntry.Test test, Kit kit) {
    return of(test.standardValue(), test.qualifier(), kit);
  }

  /**
   * The likelihood of a reading.
   *
   * @param standardValue in the analyte's standard unit
   */
  public static TestLikelihood of(double standardValue, Qualifier qualifier, Kit kit) {
    // A test's own unit wins over its kit's; the kit's steps and errors are in the kit's unit.
    double kitPerStandard = 1 / kit.unit().standardPerUnit();
    double value = standardValue * kitPerStandard;
    double blunderRange = blunderRange(kit.analyte()) * kitPerStandard;
    if (qualifier != Qualifier.EQUAL) {
      double blur = error(kit, value);
      boolean below = qualifier == Qualifier.BELOW;
      return new TestLikelihood(
          below ? Use.BELOW : Use.ABOVE,
          kitPerStandard,
          below ? Double.NEGATIVE_INFINITY : value,
          below ? value : Double.POSITIVE_INFINITY,
          blur,
          blur,
          BLUNDER,
          0.5);
    }
    if (kit.method() == KitMethod.COLOUR_CARD && kit.steps().size() > 1) {
      List<Double> steps = kit.steps();
      int step = nearest(steps, value);
      double low =
          step == 0 ? Double.NEGATIVE_INFINITY : (steps.get(step - 1) + steps.get(step)) / 2;
      double high =
          step == steps.size() - 1
              ? Double.POSITIVE_INFINITY
              : (steps.get(step) + steps.get(step + 1)) / 2;
      return new TestLikelihood(
          Use.BETWEEN,
          kitPerStandard,
          low,
          high,
          edgeError(kit, low),
          edgeError(kit, high),
          BLUNDER,
          1.0 / steps.size());
    }
    double blur = error(kit, value);
    return new TestLikelihood(
        Use.EXACT, kitPerStandard, value, value, blur, blur, BLUNDER, 1 / blunderRange);
  }

  private TestLikelihood(
      Use use,
      double perStandard,
      double low,
      double high,
      double lowBlur,
      double highBlur,
      double blunder,
      double blunderDensity) {
    this.use = use;
    this.perStandard = perStandard;
    this.low = low;
    this.high = high;
    this.lowBlur = lowBlur;
    this.highBlur = highBlur;
    this.blunder = blunder;
    this.blunderDensity = blunderDensity;
    table = tabulate();
  }

  /** The same reading with a scatter beside its kit's error, in the standard unit. */
  TestLikelihood scattered(double sd) {
    double inKitUnit = sd * perStandard;
    return new TestLikelihood(
        use,
        perStandard,
        low,
        high,
        Math.hypot(lowBlur, inKitUnit),
        Math.hypot(highBlur, inKitUnit),
        blunder,
        blunderDensity);
  }

  /** The same reading where it agrees with all others: hardly a blunder. */
  TestLikelihood agreeing() {
    return new TestLikelihood(
        use, perStandard, low, high, lowBlur, highBlur, BLUNDER_OF_AGREEING, blunderDensity);
  }

  private static int nearest(List<Double> steps, double value) {
    int nearest = 0;
    for (int i = 1; i < steps.size(); i++) {
      if (Math.abs(steps.get(i) - value) < Math.abs(steps.get(nearest) - value)) {
        nearest = i;
      }
    }
    return nearest;
  }

  /** One standard deviation of a reading of {@code value}, in the kit's unit. */
  static double error(Kit kit, double value) {
    double relative = kit.relativeError() * value;
    double rounding = kit.resolution().orElse(0) / Math.sqrt(12);
    double least = leastError(kit.analyte()) / kit.unit().standardPerUnit();
    return Math.max(
        least,
        Math.sqrt(
            kit.absoluteError() * kit.absoluteError() + relative * relative + rounding * rounding));
  }

  private static double edgeError(Kit kit, double edge) {
    if (Double.isInfinite(edge)) {
      return 1;
    }
    // No edge of a card is sharper than this share of its first step.
    double leastBlur = CARD_BLUR * (kit.steps().get(1) - kit.steps().get(0));
    return Math.max(error(kit, edge), leastBlur);
  }

  /** No reading is better than this, in the analyte's standard unit. From memory. */
  private static double leastError(Analyte analyte) {
    return switch (analyte) {
      case PHOSPHATE -> 0.005;
      case AMMONIA, NITRITE -> 0.02;
      default -> 0.1;
    };
  }

  /** A blunder may show anything up to this, in the analyte's standard unit. From memory. */
  private static double blunderRange(Analyte analyte) {
    return switch (analyte) {
      case PHOSPHATE -> 3;
      case AMMONIA, NITRITE -> 8;
      default -> 100;
    };
  }

  public Use use() {
    return use;
  }

  /** Lower end of what the reading means, in the standard unit; 0 when open. */
  public double lowest() {
    double end = use == Use.EXACT ? low - lowBlur : low;
    return Double.isInfinite(end) || end < 0 ? 0 : end / perStandard;
  }

  /** Upper end of what the reading means, in the standard unit; infinite when open. */
  public double highest() {
    return (use == Use.EXACT ? high + highBlur : high) / perStandard;
  }

  /** One standard deviation of the reading itself, in the standard unit. */
  public double error() {
    double blur = use == Use.BELOW ? highBlur : lowBlur;
    return (use == Use.BETWEEN ? Math.max(lowBlur, highBlur) : blur) / perStandard;
  }

  /** Whether the reading is rather a blunder if the truth times the kit's bias is {@code shown}. */
  boolean isBlunder(double shown) {
    return Math.exp(logLikelihood(shown)) < 2 * blunder * blunderDensity;
  }

  /**
   * How far {@code shown} lies outside what the reading may mean, as a logarithm; differences of
   * less than the reading's own error count for little.
   */
  double logDistance(double shown) {
    double error = error();
    double away = Math.max(0, lowest() - shown) - Math.max(0, shown - highest());
    double nearest = shown + away;
    return Math.log((nearest + error) / (shown + error));
  }

  /** Deviations of {@code modelled} from what the reading may mean, its own sd added in squares. */
  double standardised(double modelled, double modelledSd) {
    double away;
    if (use == Use.EXACT) {
      away = low / perStandard - modelled;
    } else {
      away = Math.max(0, lowest() - modelled) - Math.max(0, modelled - highest());
    }
    return away / Math.hypot(error(), modelledSd);
  }

  /**
   * Logarithm of the likelihood at {@code shown}, the true concentration times the kit's bias, in
   * the standard unit.
   */
  public double logLikelihood(double shown) {
    double reading = shown * perStandard;
    double likelihood;
    if (use == Use.EXACT) {
      double z = (reading - low) / lowBlur;
      likelihood = Math.exp(-0.5 * z * z) / (lowBlur * Math.sqrt(2 * Math.PI));
    } else {
      likelihood = cumulative((high - reading) / highBlur) - cumulative((low - reading) / lowBlur);
    }
    return Math.log(Math.max(SMALLEST, (1 - blunder) * likelihood + blunder * blunderDensity));
  }

  /**
   * A parabola in place of the log-likelihood, with the same centre and width: it has a slope
   * everywhere, and so leads a search that starts far away.
   */
  double roughLogLikelihood(double shown) {
    double reading = shown * perStandard;
    if (use == Use.EXACT) {
      return square((reading - low) / lowBlur);
    }
    if (Double.isInfinite(low)) {
      return reading > high ? square((reading - high) / highBlur) : 0;
    }
    if (Double.isInfinite(high)) {
      return reading < low ? square((reading - low) / lowBlur) : 0;
    }
    double width = high - low;
    double variance = width * width / 12 + lowBlur * highBlur;
    return square((reading - (low + high) / 2) / Math.sqrt(variance));
  }

  /**
   * Much the same as {@link #logLikelihood} at {@code exp(logShown)}, read off a table where the
   * reading is an interval: for searches that put it right afterwards.
   */
  double quickLogLikelihood(double logShown) {
    if (use == Use.EXACT) {
      return logLikelihood(Math.exp(logShown));
    }
    double place = (logShown - TABLE_FROM) / TABLE_STEP;
    int below = (int) Math.max(0, Math.min(TABLE_SIZE - 2, place));
    double share = Math.max(0, Math.min(1, place - below));
    return table[below] + share * (table[below + 1] - table[below]);
  }

  /**
   * The same, with its slope.
   *
   * @param slope the first element is filled
   */
  double quickLogLikelihood(double logShown, double[] slope) {
    if (use == Use.EXACT) {
      double reading = Math.exp(logShown) * perStandard;
      double z = (reading - low) / lowBlur;
      double likelihood =
          (1 - blunder) * Math.exp(-0.5 * z * z) / (lowBlur * Math.sqrt(2 * Math.PI));
      double both = Math.max(SMALLEST, likelihood + blunder * blunderDensity);
      slope[0] = -z / lowBlur * reading * likelihood / both;
      return Math.log(both);
    }
    double place = (logShown - TABLE_FROM) / TABLE_STEP;
    if (place < 0 || place > TABLE_SIZE - 1) {
      slope[0] = 0;
      return table[place < 0 ? 0 : TABLE_SIZE - 1];
    }
    int below = (int) Math.min(TABLE_SIZE - 2, place);
    double rise = table[below + 1] - table[below];
    slope[0] = rise / TABLE_STEP;
    return table[below] + (place - below) * rise;
  }

  private double[] tabulate() {
    double[] values = new double[use == Use.EXACT ? 0 : TABLE_SIZE];
    for (int i = 0; i < values.length; i++) {
      values[i] = logLikelihood(Math.exp(TABLE_FROM + i * TABLE_STEP));
    }
    return values;
  }

  private static double square(double z) {
    return -0.5 * z * z;
  }

  /** The standard normal distribution, open ends included. */
  static double cumulative(double z) {
    if (Double.isInfinite(z)) {
      return z > 0 ? 1 : 0;
    }
    return 0.5 * Erfc.value(-z * ROOT_HALF);
  }
}
