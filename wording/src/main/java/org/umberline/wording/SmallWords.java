package org.umberline.wording;

import java.util.Locale;

/** Shares, chances, days and amounts as one says them. */
final class SmallWords {
  private SmallWords() {}

  static String capital(String word) {
    return word.isEmpty() ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1);
  }

  static String times(double factor) {
    return factor < 3
        ? String.valueOf(Math.round(10 * factor) / 10.0)
        : String.valueOf(Math.round(factor));
  }

  /** A number without a point where it needs none. */
  static String trimmed(double number) {
    return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
  }

  static String percent(double share) {
    return Math.round(100 * share) + " %";
  }

  static String days(double everyDays) {
    String number =
        everyDays == Math.rint(everyDays)
            ? String.valueOf((long) everyDays)
            : String.format(Locale.ROOT, "%.1f", everyDays);
    return number + (everyDays == 1 ? " day" : " days");
  }

  /** A quantity with as many figures as a good kit shows. */
  static Phrase.Amount level(double value, String unit) {
    double size = Math.abs(value);
    // under a tenth two digits: a small dose is not nothing
    double unitOf =
        size >= 10 ? 1 : size >= 1 ? 0.1 : size >= 0.1 || size == 0 ? 0.01 : digit(size) / 10;
    return Phrase.amount(Math.round(value / unitOf) * unitOf, unit);
  }

  /** The power of ten of the first digit. */
  static double digit(double value) {
    return Math.pow(10, Math.floor(Math.log10(value)));
  }

  static double tens(double grams) {
    return grams < 20 ? Math.rint(grams) : Math.rint(grams / 5) * 5;
  }

  static String inTen(double chance) {
    return Math.max(1, Math.round(10 * chance)) + " in 10";
  }

  /** “in nearly 9 of 10 cases” for 0.87 to 0.90, fairly rounded otherwise. */
  static String chances(double chance) {
    if (chance >= 0.995) {
      return "in 99 of 100 cases";
    }
    if (chance >= 0.95) {
      return "in 19 of 20 cases";
    }
    long tenths = Math.round(10 * chance);
    boolean nearly = tenths > 0 && 10 * chance < tenths && 10 * chance >= tenths - 0.3;
    return "in " + (nearly ? "nearly " : "") + tenths + " of 10 cases";
  }

  static String ofGoingOver(double chance) {
    if (chance >= 0.75) {
      return "it most likely goes over";
    }
    double in = 1 / Math.max(chance, 0.01);
    return chance < 0.05
        ? "hardly any chance of going over"
        : "1 chance in " + Math.max(2, Math.round(in)) + " of going over";
  }
}
