package org.umberline.core.quantity;

/**
 * Atomic masses in g/mol (IUPAC standard atomic weights, 2007 values) and the mass ratios that turn
 * a concentration of an ion into one of its element.
 */
final class AtomicMass {
  private static final double HYDROGEN = 1.00794;
  private static final double NITROGEN = 14.0067;
  private static final double OXYGEN = 15.9994;
  private static final double PHOSPHORUS = 30.973762;

  /** g of NO3 per g of N. */
  static final double NITRATE_PER_NITROGEN = (NITROGEN + 3 * OXYGEN) / NITROGEN;

  /** g of NO2 per g of N. */
  static final double NITRITE_PER_NITROGEN = (NITROGEN + 2 * OXYGEN) / NITROGEN;

  /** g of NH3 per g of N. */
  static final double AMMONIA_PER_NITROGEN = (NITROGEN + 3 * HYDROGEN) / NITROGEN;

  /** g of PO4 per g of P. */
  static final double PHOSPHATE_PER_PHOSPHORUS = (PHOSPHORUS + 4 * OXYGEN) / PHOSPHORUS;

  private AtomicMass() {}
}
