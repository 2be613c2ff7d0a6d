package org.umberline.core.tank;

/** Water added for what evaporates: the net volume stays, what is dissolved in it comes in. */
public record TopOff(Blend water, double litresPerDay) {
  public static final TopOff NONE = new TopOff(Blend.PURE, 0);
}
