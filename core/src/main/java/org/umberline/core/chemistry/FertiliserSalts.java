package org.umberline.core.chemistry;

/** What a gram of a fertiliser's salt holds, by IUPAC molar masses. */
public final class FertiliserSalts {
  /** g of NO3 in a g of potassium nitrate. */
  public static final double NITRATE_IN_POTASSIUM_NITRATE = 0.613;

  /** g of PO4 in a g of monopotassium phosphate. */
  public static final double PHOSPHATE_IN_POTASSIUM_PHOSPHATE = 0.698;

  private FertiliserSalts() {}
}
