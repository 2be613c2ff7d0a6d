package org.umberline.core.tank;

/** The lines of both nutrients: nitrate in mg/L NO3, phosphate in mg/L PO4. */
public record Lines(Line nitrate, Line phosphate) {
  public static final Lines NONE = new Lines(Line.NONE, Line.NONE);
}
