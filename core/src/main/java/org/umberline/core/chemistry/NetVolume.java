package org.umberline.core.chemistry;

/** The water that is really in a tank, L, by three roads. Inside measures are in cm. */
public final class NetVolume {
  private static final double CM3_PER_L = 1000;

  private NetVolume() {}

  /**
   * By the tape measure.
   *
   * @param waterHeightCm from the bottom pane to the water line
   * @param displacedShare of that room which sand, stones and gear take, 0..1
   * @param sumpL water in the sump while everything runs
   * @throws IllegalArgumentException when a measure is not positive or a share is out of range
   */
  public static double ofBox(
      double lengthCm, double widthCm, double waterHeightCm, double displacedShare, double sumpL) {
    positive("length", lengthCm);
    positive("width", widthCm);
    positive("water height", waterHeightCm);
    if (!(displacedShare >= 0 && displacedShare < 1)) {
      throw new IllegalArgumentException("displaced share " + displacedShare + "; allowed: 0 to 1");
    }
    if (!(sumpL >= 0)) {
      throw new IllegalArgumentException("sump " + sumpL + " L; allowed: 0 or more");
    }
    return lengthCm * widthCm * waterHeightCm / CM3_PER_L * (1 - displacedShare) + sumpL;
  }

  /**
   * By a weighed addition of salt: what it raised the salinity by tells how much water it went
   * into. The mass of salt in a litre is salinity times density (EOS-80).
   *
   * @param saltG dry salt added
   * @throws IllegalArgumentException when the salinity did not rise
   */
  public static double ofSalt(
      double saltG, double beforePpt, double afterPpt, double temperatureC) {
    positive("salt", saltG);
    if (!(afterPpt > beforePpt && beforePpt >= 0)) {
      throw new IllegalArgumentException(
          "salinity after " + afterPpt + " ppt; allowed: over what it was, " + beforePpt + " ppt");
    }
    return saltG
        / (SeaWater.saltGramsPerLitre(afterPpt, temperatureC)
            - SeaWater.saltGramsPerLitre(beforePpt, temperatureC));
  }

  /**
   * By a marker, a dye or anything else that stays dissolved: mg added over the rise in mg/L.
   *
   * @throws IllegalArgumentException when the concentration did not rise
   */
  public static double ofMarker(double mg, double beforeMgL, double afterMgL) {
    positive("amount", mg);
    if (!(afterMgL > beforeMgL && beforeMgL >= 0)) {
      throw new IllegalArgumentException(
          "after " + afterMgL + " mg/L; allowed: over what it was, " + beforeMgL + " mg/L");
    }
    return mg / (afterMgL - beforeMgL);
  }

  private static void positive(String name, double value) {
    if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(name + " " + value + "; allowed: over 0");
    }
  }
}
