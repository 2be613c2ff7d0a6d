package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.forecast.Nutrient;

/** One reason of an advice; what it carries stands at its kind. */
public record Reason(
    Kind kind,
    Optional<Nutrient> nutrient,
    Optional<LocalDate> day,
    OptionalDouble chance,
    OptionalDouble value) {

  /** What a reason says. */
  public enum Kind {
    /** Free ammonia by the latest reading; value in mg/L NH3-N. */
    AMMONIA_HIGH,
    /** Nitrite by the latest reading; value in mg/L NO2. */
    NITRITE_HIGH,
    /** Animals were seen gasping. */
    GASPING,
    /** The pH that free ammonia was worked out with is the tank's stated one; value is that pH. */
    PH_ASSUMED,
    /** Ammonia or nitrite should be tested again; day is the last reading's. */
    TEST_SAFETY_AGAIN,
    /** The balance alone says that ammonia or nitrite may be high: test. */
    SAFETY_BY_MODEL,
    /** The filter grows in: no change while it does; day is when it is likely to be ready. */
    CYCLING,
    /** Ammonia and nitrite are to be tested on day, while the filter grows in. */
    CYCLE_TEST,
    /** Animals are in a tank whose filter grows in: feed little, add none. */
    CYCLE_FEED_LITTLE,
    /** No animals are in it: the filter wants ammonia to grow on. */
    CYCLE_KEEP_SOURCE,
    /** An adsorber is nearly full on day; value is the share it has taken now. */
    ADSORBER_SPENT,
    /** Without that work each change would have to be of value; no value: none were enough. */
    WATER_ALONE,
    /** The routine's own day, which this keeper keeps whether or not the water needs it. */
    FIXED_DAY,
    /** Algae were seen on day, and this keeper goes by what is seen. */
    SIGN_SEEN,
    /** This keeper changes no water, and nutrient is what would ask for it. */
    NO_CHANGE_WANTED,
    /** The keeper wants value, a share, changed whatever the tests say; day is when it is due. */
    LEAST_CHANGE,
    /** Nutrient was never tested. */
    NEVER_TESTED,
    /** Nutrient has no kit here and was never tested; what it does stays unknown. */
    NOT_TESTED_HERE,
    /** The latest reading of nutrient contradicts everything else; value is the reading. */
    REPEAT_TEST,
    /** A test of nutrient has this chance of changing the advice. */
    TEST_COULD_SETTLE,
    /** Water was changed a day ago at most; a test tells whether more is needed. */
    CHANGED_LATELY,
    /** Nutrient is over its ceiling now, with this chance; value is the median level. */
    OVER_NOW,
    /** Waiting until day has this chance of passing nutrient's ceiling. */
    IF_WAITING,
    /** Without a change the lines hold through day. */
    HOLDS_UNTIL,
    /** Which changes are needed after that hangs on tests still to come. */
    ROUTINE_LATER,
    /** No change is needed over the days looked at; day is their end. */
    NONE_NEEDED,
    /** No upper line is drawn. */
    NO_LINES,
    /** The keeper's own routine keeps the promise; chance is the least on any one day. */
    HABIT_HOLDS,
    /** After what is caught up the keeper's own routine keeps the promise; chance likewise. */
    HABIT_HOLDS_THEN,
    /** The keeper's own routine does not keep the promise; chance likewise. */
    HABIT_FAILS,
    /** The change water is at or over nutrient's ceiling; value is its level. */
    SOURCE_TOO_RICH,
    /** Even the largest change, value as a share, is not enough for nutrient. */
    LARGEST_NOT_ENOUGH,
    /** With the changes advised nutrient stays under its ceiling with this chance only. */
    NOT_SURE,
    /** With this chance nutrient is over its ceiling by day, whatever is changed. */
    MAY_GO_OVER,
    /** A change large enough would strip nutrient below its floor. */
    FLOOR_BINDS,
    /** One change may be value as a share at most, because of the step of salinity. */
    SALINITY_STEP,
    /** The same of alkalinity. */
    ALKALINITY_STEP,
    /** The same of nitrate. */
    NITRATE_STEP,
    /** The most that nutrient comes to with the largest change every week, value in mg/L. */
    BEST_REACHABLE,
    /** A change today brings nutrient to about value, mg/L. */
    CHANGE_HELPS,
    /** Rock and sand soon give back what a change takes out of nutrient. */
    COMES_BACK,
    /** Water was changed lately; from day on a change helps again. */
    CHANGE_HELPS_AGAIN,
    /** Nutrient is below its floor now; value is the median level. */
    BELOW_FLOOR,
    /**
     * The readings ask for value times the nutrient that food and animals account for; no value:
     * for much that nobody listed.
     */
    MORE_COMES_IN,
    /** They leave room for value, as a share, of it only. */
    LESS_COMES_IN,
    /** Much more of nutrient goes than anything listed explains. */
    MORE_IS_LOST,
    /**
     * Nutrient rose less than it should since day, and no change is noted that would have taken it.
     */
    CHANGES_NOT_NOTED,
    /** So many, value, of the latest readings lie off any course that the tank could have taken. */
    READINGS_SCATTER,
    /** More carbon is dosed than the tank can stand; value is the most a day of that source. */
    CARBON_OVER_CEILING,
    /** Carbon is dosed while animals gasp. */
    CARBON_WHILE_GASPING,
    /** Carbon is dosed in a marine tank without a skimmer. */
    CARBON_WITHOUT_SKIMMER,
    /** Carbon is dosed while nitrate is gone and phosphate is over its ceiling. */
    CARBON_NITRATE_GONE,
    /** Carbon is dosed at high alkalinity, with stony corals. */
    CARBON_HIGH_ALKALINITY,
    /** A course of medicine runs until day. */
    MEDICINE_RUNS,
    /** A course of medicine ended on day. */
    MEDICINE_OVER,
    /** Animals are kept apart in the tank until day. */
    QUARANTINE_RUNS,
    /** Animals were kept apart in the tank until day. */
    QUARANTINE_OVER,
    /** Two entries of the log, of day, are the same to the letter. */
    DUPLICATE_ENTRY;

    /** Whether it speaks of what is entered, and stands beside it while it is typed. */
    public boolean warnsOfMakeUp() {
      return switch (this) {
        case CARBON_OVER_CEILING,
            CARBON_WHILE_GASPING,
            CARBON_WITHOUT_SKIMMER,
            CARBON_NITRATE_GONE,
            CARBON_HIGH_ALKALINITY ->
            true;
        default -> false;
      };
    }
  }

  static Reason of(Kind kind) {
    return new Reason(
        kind, Optional.empty(), Optional.empty(), OptionalDouble.empty(), OptionalDouble.empty());
  }

  Reason of(Nutrient named) {
    return new Reason(kind, Optional.of(named), day, chance, value);
  }

  Reason on(LocalDate named) {
    return new Reason(kind, nutrient, Optional.of(named), chance, value);
  }

  Reason chance(double of) {
    return new Reason(kind, nutrient, day, OptionalDouble.of(of), value);
  }

  Reason value(double is) {
    return new Reason(kind, nutrient, day, chance, OptionalDouble.of(is));
  }
}
