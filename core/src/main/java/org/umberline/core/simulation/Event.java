package org.umberline.core.simulation;

/**
 * Something that happens at one moment of a run.
 *
 * @param time days from the scenario's start
 * @param index of the blend, the plant, the feed or the adsorber
 * @param amount share changed; g of dry mass cut or put in; share of the caught solids cleaned out;
 *     g of new medium; unused by the others
 * @param siphoned share of the bed, changes only
 */
record Event(double time, Kind kind, int index, double amount, double siphoned) {
  enum Kind {
    CHANGE,
    FEED,
    HARVEST,
    PLANT_IN,
    PLANT_OUT,
    CLEAN,
    RENEW
  }
}
