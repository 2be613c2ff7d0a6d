package org.umberline.core.trouble;

import java.util.Map;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.WaterKind;

/**
 * How often a sign comes from a cause before anything is known of the tank, and how often each clue
 * is found with a cause. What the causes go with is common practice, no source; the figures are
 * chosen to say it: .9 hardly ever without, .1 hardly ever with.
 */
final class Likelihoods {
  /** Something else, among causes whose weights add up to about one. */
  private static final double OTHER = 0.1;

  private static final double UNUSUAL = 0.2;

  private static final Map<String, Map<Cause, Double>> BY_SIGN =
      Map.ofEntries(
          Map.entry(
              "slimy-mat",
              Map.of(Cause.CYANOBACTERIA, 0.8, Cause.DINOFLAGELLATES, 0.1, Cause.DIATOMS, 0.1)),
          Map.entry(
              "brown-strings",
              Map.of(Cause.DINOFLAGELLATES, 0.55, Cause.DIATOMS, 0.25, Cause.CYANOBACTERIA, 0.2)),
          Map.entry(
              "brown-dust",
              Map.of(Cause.DIATOMS, 0.7, Cause.DINOFLAGELLATES, 0.15, Cause.CYANOBACTERIA, 0.05)),
          Map.entry(
              "hair-algae", Map.of(Cause.LOAD, 0.5, Cause.LIGHT, 0.25, Cause.CARBON_DIOXIDE, 0.15)),
          Map.entry(
              "black-tufts",
              Map.of(Cause.CARBON_DIOXIDE, 0.55, Cause.LOAD, 0.25, Cause.LIGHT, 0.1)),
          Map.entry(
              "film-algae", Map.of(Cause.GLASS_FILM, 0.6, Cause.LOAD, 0.2, Cause.LIGHT, 0.15)),
          Map.entry(
              "surface-film",
              Map.of(Cause.STILL_SURFACE, 0.55, Cause.DISSOLVED_ORGANICS, 0.3, Cause.LOAD, 0.1)),
          Map.entry("yellow-water", Map.of(Cause.DISSOLVED_ORGANICS, 0.85)),
          Map.entry(
              "cloudy-water",
              Map.of(
                  Cause.BACTERIAL_BLOOM,
                  0.6,
                  Cause.STIRRED_DUST,
                  0.25,
                  Cause.SUSPENDED_ALGAE,
                  0.1,
                  Cause.AMMONIA,
                  0.1)),
          Map.entry("green-water", Map.of(Cause.SUSPENDED_ALGAE, 0.9)),
          Map.entry(
              "pale-leaves",
              Map.of(Cause.NITROGEN_LACKING, 0.45, Cause.IRON_LACKING, 0.4, Cause.LIGHT, 0.05)),
          Map.entry(
              "corals-closed",
              Map.of(
                  Cause.SALINITY,
                  0.25,
                  Cause.ALKALINITY,
                  0.25,
                  Cause.NUTRIENTS_LOW,
                  0.15,
                  Cause.NUTRIENTS_HIGH,
                  0.15,
                  Cause.DISEASE,
                  0.1,
                  Cause.AMMONIA,
                  0.05)),
          Map.entry(
              Sign.GASPING, Map.of(Cause.OXYGEN, 0.4, Cause.AMMONIA, 0.35, Cause.DISEASE, 0.2)),
          Map.entry(Sign.WEAK_FLOW, Map.of(Cause.CHOKED_FILTER, 0.7, Cause.WORN_PUMP, 0.25)));

  /** How often a clue is found where nothing is said of it. */
  private static final Map<Clue, Double> USUALLY =
      Map.ofEntries(
          Map.entry(Clue.NITRATE_LOW, 0.2),
          Map.entry(Clue.NITRATE_HIGH, 0.25),
          Map.entry(Clue.PHOSPHATE_LOW, 0.15),
          Map.entry(Clue.PHOSPHATE_HIGH, 0.3),
          Map.entry(Clue.AMMONIA, 0.08),
          Map.entry(Clue.NITRITE, 0.08),
          Map.entry(Clue.SILICATE, 0.3),
          Map.entry(Clue.SALINITY_OFF, 0.15),
          Map.entry(Clue.ALKALINITY_OFF, 0.15),
          Map.entry(Clue.GAINS, 0.5),
          Map.entry(Clue.YOUNG, 0.25),
          Map.entry(Clue.CHANGES_MISSED, 0.25),
          Map.entry(Clue.WORK_MISSED, 0.3),
          Map.entry(Clue.FILTER_CLEANED, 0.15),
          Map.entry(Clue.CARBON, 0.1),
          Map.entry(Clue.FED_MORE, 0.2),
          Map.entry(Clue.DEATH, 0.08),
          Map.entry(Clue.NEW_ANIMALS, 0.15),
          Map.entry(Clue.WARM, 0.15),
          Map.entry(Clue.WEAK_FLOW, 0.2),
          Map.entry(Clue.ON_GLASS_ONLY, 0.15),
          Map.entry(Clue.MANY_BUBBLES, 0.3),
          Map.entry(Clue.WIPES_OFF, 0.5),
          Map.entry(Clue.OLD_LEAVES, 0.5),
          Map.entry(Clue.STILL_SURFACE, 0.35),
          Map.entry(Clue.LONG_LIGHT, 0.4),
          Map.entry(Clue.ALL_ANIMALS, 0.6),
          Map.entry(Clue.GOES_AROUND, 0.3));

  private static final Map<Cause, Map<Clue, Double>> WITH =
      Map.ofEntries(
          Map.entry(
              Cause.CYANOBACTERIA,
              Map.of(
                  Clue.ON_GLASS_ONLY,
                  0.05,
                  Clue.NITRATE_LOW,
                  0.6,
                  Clue.PHOSPHATE_HIGH,
                  0.55,
                  Clue.PHOSPHATE_LOW,
                  0.1,
                  Clue.WEAK_FLOW,
                  0.5,
                  Clue.WORK_MISSED,
                  0.45,
                  Clue.MANY_BUBBLES,
                  0.15,
                  Clue.WIPES_OFF,
                  0.9)),
          Map.entry(
              Cause.DINOFLAGELLATES,
              Map.of(
                  Clue.ON_GLASS_ONLY,
                  0.05,
                  Clue.NITRATE_LOW,
                  0.85,
                  Clue.PHOSPHATE_LOW,
                  0.8,
                  Clue.NITRATE_HIGH,
                  0.05,
                  Clue.PHOSPHATE_HIGH,
                  0.05,
                  Clue.MANY_BUBBLES,
                  0.9,
                  Clue.WIPES_OFF,
                  0.8)),
          Map.entry(
              Cause.DIATOMS,
              Map.of(
                  Clue.ON_GLASS_ONLY,
                  0.3,
                  Clue.YOUNG,
                  0.75,
                  Clue.SILICATE,
                  0.8,
                  Clue.WIPES_OFF,
                  0.9,
                  Clue.MANY_BUBBLES,
                  0.2)),
          Map.entry(
              Cause.LOAD,
              Map.of(
                  Clue.GAINS,
                  0.8,
                  Clue.NITRATE_HIGH,
                  0.5,
                  Clue.PHOSPHATE_HIGH,
                  0.5,
                  Clue.CHANGES_MISSED,
                  0.5,
                  Clue.WORK_MISSED,
                  0.45,
                  Clue.FED_MORE,
                  0.4,
                  Clue.ON_GLASS_ONLY,
                  0.05)),
          Map.entry(
              Cause.LIGHT,
              Map.of(
                  Clue.LONG_LIGHT,
                  0.9,
                  Clue.GAINS,
                  0.4,
                  Clue.NITRATE_HIGH,
                  0.2,
                  Clue.PHOSPHATE_HIGH,
                  0.25)),
          Map.entry(
              Cause.CARBON_DIOXIDE,
              Map.of(
                  Clue.WEAK_FLOW,
                  0.45,
                  Clue.WORK_MISSED,
                  0.4,
                  Clue.GAINS,
                  0.45,
                  Clue.WIPES_OFF,
                  0.1,
                  Clue.ON_GLASS_ONLY,
                  0.02)),
          Map.entry(Cause.GLASS_FILM, Map.of(Clue.ON_GLASS_ONLY, 0.9, Clue.WIPES_OFF, 0.85)),
          Map.entry(
              Cause.BACTERIAL_BLOOM,
              Map.of(
                  Clue.CARBON,
                  0.5,
                  Clue.FED_MORE,
                  0.4,
                  Clue.YOUNG,
                  0.45,
                  Clue.FILTER_CLEANED,
                  0.35,
                  Clue.DEATH,
                  0.2)),
          Map.entry(Cause.STIRRED_DUST, Map.of(Clue.FILTER_CLEANED, 0.6)),
          Map.entry(
              Cause.SUSPENDED_ALGAE,
              Map.of(Clue.LONG_LIGHT, 0.75, Clue.NITRATE_HIGH, 0.4, Clue.PHOSPHATE_HIGH, 0.5)),
          Map.entry(Cause.STILL_SURFACE, Map.of(Clue.STILL_SURFACE, 0.9, Clue.WEAK_FLOW, 0.55)),
          Map.entry(
              Cause.DISSOLVED_ORGANICS,
              Map.of(
                  Clue.STILL_SURFACE,
                  0.35,
                  Clue.CHANGES_MISSED,
                  0.5,
                  Clue.FED_MORE,
                  0.4,
                  Clue.WORK_MISSED,
                  0.45)),
          Map.entry(
              Cause.NITROGEN_LACKING,
              Map.of(Clue.NITRATE_LOW, 0.9, Clue.NITRATE_HIGH, 0.02, Clue.OLD_LEAVES, 0.9)),
          Map.entry(Cause.IRON_LACKING, Map.of(Clue.OLD_LEAVES, 0.1)),
          Map.entry(Cause.SALINITY, Map.of(Clue.SALINITY_OFF, 0.9)),
          Map.entry(Cause.ALKALINITY, Map.of(Clue.ALKALINITY_OFF, 0.9)),
          Map.entry(Cause.NUTRIENTS_HIGH, Map.of(Clue.NITRATE_HIGH, 0.8, Clue.PHOSPHATE_HIGH, 0.8)),
          Map.entry(Cause.NUTRIENTS_LOW, Map.of(Clue.NITRATE_LOW, 0.8, Clue.PHOSPHATE_LOW, 0.7)),
          Map.entry(
              Cause.AMMONIA,
              Map.of(
                  Clue.AMMONIA,
                  0.8,
                  Clue.NITRITE,
                  0.6,
                  Clue.YOUNG,
                  0.5,
                  Clue.FILTER_CLEANED,
                  0.3,
                  Clue.DEATH,
                  0.3,
                  Clue.FED_MORE,
                  0.4,
                  Clue.ALL_ANIMALS,
                  0.9)),
          Map.entry(
              Cause.OXYGEN,
              Map.of(
                  Clue.STILL_SURFACE,
                  0.6,
                  Clue.WARM,
                  0.45,
                  Clue.CARBON,
                  0.3,
                  Clue.WEAK_FLOW,
                  0.45,
                  Clue.ALL_ANIMALS,
                  0.9)),
          Map.entry(Cause.DISEASE, Map.of(Clue.NEW_ANIMALS, 0.45, Clue.ALL_ANIMALS, 0.25)),
          Map.entry(
              Cause.CHOKED_FILTER,
              Map.of(Clue.WORK_MISSED, 0.75, Clue.FILTER_CLEANED, 0.03, Clue.GOES_AROUND, 0.8)),
          Map.entry(Cause.WORN_PUMP, Map.of(Clue.FILTER_CLEANED, 0.3, Clue.GOES_AROUND, 0.1)));

  private Likelihoods() {}

  /** Causes of a sign with how often each is it, unnormalised; only OTHER of an unknown sign. */
  static Map<Cause, Double> ofSign(String sign) {
    return BY_SIGN.getOrDefault(sign, Map.of());
  }

  /** Dinoflagellates bloom in salt water, and hardly anybody gives CO2 there. Chosen. */
  static double in(WaterKind water, Cause cause) {
    boolean marine = water == WaterKind.MARINE;
    boolean unusual =
        cause == Cause.DINOFLAGELLATES && !marine || cause == Cause.CARBON_DIOXIDE && marine;
    return unusual ? UNUSUAL : 1;
  }

  static double other() {
    return OTHER;
  }

  /** How often {@code clue} is found where {@code cause} is at work. */
  static double chance(Clue clue, Cause cause) {
    return WITH.getOrDefault(cause, Map.<Clue, Double>of()).getOrDefault(clue, USUALLY.get(clue));
  }
}
