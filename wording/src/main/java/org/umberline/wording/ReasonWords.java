package org.umberline.wording;

import java.util.Comparator;
import java.util.Optional;
import org.umberline.core.dosing.CarbonSafety;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Reason;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.TankModel;

/** Reasons and remarks of an advice in words. */
final class ReasonWords {
  private final TankModel tank;

  ReasonWords(TankModel tank) {
    this.tank = tank;
  }

  /** One reason as a sentence, or two. */
  Phrase of(Reason r) {
    String nutrient = r.nutrient().map(Nutrient::term).orElse("");
    Phrase day = r.day().map(Phrase::of).orElse(Phrase.NONE);
    double chance = r.chance().orElse(0);
    Phrase.Amount level =
        SmallWords.level(r.value().orElse(0), r.nutrient().map(Nutrient::unit).orElse("mg/L"));
    String share = SmallWords.percent(r.value().orElse(0));
    return switch (r.kind()) {
      case AMMONIA_HIGH ->
          Phrase.of(
              "Free ammonia is about ",
              SmallWords.level(r.value().orElse(0), "mg/L NH3-N"),
              " by the test of ",
              day,
              ": change water now, aerate, feed nothing, and condition tap water that carries"
                  + " chloramine.");
      case NITRITE_HIGH ->
          Phrase.of(
              "Nitrite is about ",
              SmallWords.level(r.value().orElse(0), "mg/L NO2"),
              " by the test of ",
              day,
              ": change water now, aerate, feed nothing.");
      case GASPING ->
          Phrase.of(
              "Animals were gasping on ",
              day,
              ": aerate now, make a moderate change, and test ammonia and nitrite.");
      case PH_ASSUMED ->
          Phrase.of(
              "No pH was measured; free ammonia is worked out with pH ",
              SmallWords.level(r.value().orElse(0), ""),
              ".");
      case TEST_SAFETY_AGAIN ->
          Phrase.of("Test ammonia and nitrite again; the last reading is of ", day, ".");
      case SAFETY_BY_MODEL ->
          Phrase.of(
              "Ammonia or nitrite may be high in a tank this young: test before anything is done.");
      case CYCLING ->
          Phrase.of(
              "The filter still grows in",
              r.day().isPresent() ? Phrase.of("; it is likely to be ready about ", day) : "",
              ": change water only if ammonia or nitrite is high.");
      case CYCLE_TEST -> Phrase.of("The next test of ammonia and nitrite is due on ", day, ".");
      case CYCLE_FEED_LITTLE ->
          Phrase.of(
              "Until both read nothing, feed about half, add no animals, and leave the filter"
                  + " alone.");
      case CYCLE_KEEP_SOURCE ->
          Phrase.of(
              "The filter wants ammonia to grow on: a pinch of food or a little ammonia whenever"
                  + " ammonia reads nothing. Add no animals yet.");
      case SIGN_SEEN ->
          Phrase.of(
              "Algae were seen on ",
              day,
              ": two changes of a quarter, three days apart, then look again.");
      case NO_CHANGE_WANTED ->
          Phrase.of(
              SmallWords.capital(nutrient),
              " would ask for a change; you make none. Feed less, cut and take out more of what"
                  + " grows, and top off with pure water.");
      case LEAST_CHANGE ->
          Phrase.of(
              "You want at least "
                  + SmallWords.percent(r.value().orElse(0))
                  + " changed whatever the tests say; that is due on ",
              day,
              ".");
      case NEVER_TESTED ->
          Phrase.of(
              SmallWords.capital(nutrient), " was never tested: a test tells where it stands.");
      case NOT_TESTED_HERE ->
          Phrase.of(
              SmallWords.capital(nutrient), " isn't tested here: what it does stays unknown.");
      case REPEAT_TEST ->
          Phrase.of(
              "The last ",
              nutrient,
              " reading, ",
              level,
              ", doesn't fit everything else: repeat it before acting.");
      case TEST_COULD_SETTLE ->
          chance < 0.05
              ? Phrase.of("The last ", nutrient, " test is old: a test tells where it stands now.")
              : Phrase.of(
                  "A ",
                  nutrient,
                  " test today changes this advice with a chance of ",
                  SmallWords.inTen(chance),
                  ".");
      case CHANGED_LATELY ->
          Phrase.of(
              "Water was changed a day ago at most: test ", nutrient, " before changing again.");
      case OVER_NOW ->
          Phrase.of(SmallWords.capital(nutrient), " is over its limit now, at about ", level, ".");
      case IF_WAITING ->
          Phrase.of(
              "If you wait until ",
              day,
              ": ",
              SmallWords.ofGoingOver(chance),
              " with ",
              nutrient,
              ".");
      case HOLDS_UNTIL ->
          Phrase.of("Without a change it stays safely under your limits until ", day, ".");
      case ROUTINE_LATER ->
          Phrase.of("That is far off: new tests will show nearer the day how much to change.");
      case NONE_NEEDED ->
          Phrase.of("Without any change it stays under your limits until at least ", day, ".");
      case NO_LINES ->
          Phrase.of("No upper limit is set for nitrate or phosphate, so nothing is crossed.");
      case FIXED_DAY ->
          Phrase.of("It is the day of your routine, which you keep whether or not it is needed.");
      case ADSORBER_SPENT ->
          Phrase.of(
              "The adsorber has taken about ",
              share,
              " of what it can hold; renew it by ",
              day,
              ".");
      case WATER_ALONE ->
          r.value().isPresent()
              ? Phrase.of("Without that, each change would have to be ", share, ".")
              : Phrase.of("Without that, no change of water keeps it under your limits.");
      case HABIT_HOLDS -> Phrase.of("What you do now holds, ", SmallWords.chances(chance), ".");
      case HABIT_HOLDS_THEN ->
          Phrase.of("After that what you do now holds, ", SmallWords.chances(chance), ".");
      case HABIT_FAILS ->
          Phrase.of("Your present routine keeps it under only ", SmallWords.chances(chance), ".");
      case SOURCE_TOO_RICH ->
          Phrase.of(
              "The change water holds about ",
              level,
              " of ",
              nutrient,
              ", at or over your limit: no change can bring the tank below that.");
      case LARGEST_NOT_ENOUGH ->
          Phrase.of(
              "Even your largest change (",
              share,
              ") would not keep ",
              nutrient,
              " under its limit for long.");
      case NOT_SURE ->
          Phrase.of(
              "With changes alone ",
              nutrient,
              " stays under its limit ",
              SmallWords.chances(chance),
              ".");
      case MAY_GO_OVER ->
          Phrase.of(
              SmallWords.capital(nutrient),
              " is near its limit: by ",
              day,
              " ",
              SmallWords.ofGoingOver(chance),
              ".");
      case FLOOR_BINDS ->
          Phrase.of("Changes that large would bring ", nutrient, " below its lower limit.");
      case SALINITY_STEP ->
          Phrase.of(
              "One change can be at most ",
              share,
              ": the salinity of the change water is too far from the tank's.");
      case ALKALINITY_STEP ->
          Phrase.of(
              "One change can be at most ",
              share,
              ": the alkalinity of the change water is too far from the tank's.");
      case NITRATE_STEP ->
          Phrase.of("One change can be at most ", share, ": nitrate would fall too far at once.");
      case BEST_REACHABLE ->
          Phrase.of("Every week it would still leave ", nutrient, " at up to about ", level, ".");
      case COMES_BACK ->
          Phrase.of(
              SmallWords.capital(nutrient),
              " comes back from rock and sand within days: a change helps for no longer.");
      case CHANGE_HELPS_AGAIN ->
          Phrase.of("Water was changed lately; another change is worth making about ", day, ".");
      case CHANGE_HELPS ->
          Phrase.of("A change now still helps: it brings ", nutrient, " to about ", level, ".");
      case BELOW_FLOOR ->
          Phrase.of(
              SmallWords.capital(nutrient),
              " is below its lower limit, at about ",
              level,
              ": change less, clean less, feed more, or dose.");
      case MORE_COMES_IN ->
          Phrase.of(
              "The "
                  + nutrient
                  + " readings and this make-up don't agree: "
                  + (r.value().isPresent()
                      ? "about " + SmallWords.times(r.value().getAsDouble()) + " times what"
                      : "much more than")
                  + " the listed food and animals bring would have to come in. Check portions,"
                  + " animals, the volume and the kit.");
      case LESS_COMES_IN ->
          Phrase.of(
              "The "
                  + nutrient
                  + " readings and this make-up don't agree: only about "
                  + share
                  + " of what the listed food and animals bring seems to come in. Check portions,"
                  + " animals, the volume and the kit.");
      case MORE_IS_LOST ->
          Phrase.of(
              "The "
                  + nutrient
                  + " readings and this make-up don't agree: much more is lost than anything listed"
                  + " takes. Check for changes, plants or gear that aren't entered, and the kit.");
      case CHANGES_NOT_NOTED ->
          Phrase.of(
              "No water change is noted since ",
              day,
              ", and the "
                  + nutrient
                  + " readings rise less than food and animals make them. If there were changes,"
                  + " enter them in one line, such as “change 25% every 7 days since 1 september”;"
                  + " until then what they took counts as lost in the tank.");
      case READINGS_SCATTER ->
          Phrase.of(
              "Of the latest "
                  + nutrient
                  + " readings "
                  + Math.round(r.value().orElse(0))
                  + " lie off any course that this tank could have taken: test twice from one"
                  + " sample, and check what isn't in the log.");
      case CARBON_OVER_CEILING ->
          Phrase.of(
              "More carbon is dosed than this tank can stand, ",
              carbon(dosed()),
              " a day; the most is ",
              carbon(r.value().orElse(0)),
              ", in several doses. Bacteria grown on it can take all the oxygen: stop, aerate, and"
                  + " begin again with a tenth of that.");
      case CARBON_WHILE_GASPING ->
          Phrase.of("Stop dosing carbon: bacteria grown on it take the oxygen.");
      case CARBON_WITHOUT_SKIMMER ->
          Phrase.of(
              "Carbon is dosed without a skimmer: what grows on it stays in the water, uses up its"
                  + " oxygen and gives everything back. Stop until there is one.");
      case CARBON_NITRATE_GONE ->
          Phrase.of(
              "Nitrate is nearly gone while phosphate is high: carbon can't take phosphate alone."
                  + " Stop it, and lower phosphate with an adsorber.");
      case CARBON_HIGH_ALKALINITY ->
          Phrase.of(
              "Carbon is dosed at high alkalinity: stony corals burn at their tips where nutrients"
                  + " are stripped. Bring alkalinity down to 9 dKH or less first.");
      case MEDICINE_RUNS ->
          Phrase.of(
              "A course of medicine runs until ",
              day,
              ": no carbon and no adsorber, and after a change make up its dose by the label. Many"
                  + " harm the filter: test ammonia and nitrite every other day.");
      case MEDICINE_OVER ->
          Phrase.of(
              "A course of medicine ended on ",
              day,
              ": test ammonia and nitrite, then nitrate and phosphate. Fresh carbon takes out what"
                  + " is left.");
      case QUARANTINE_RUNS ->
          Phrase.of(
              "Quarantine until ",
              day,
              ": nets, buckets and water stay with this tank, and it is tended last. Test ammonia"
                  + " every other day; a vet for what looks ill. What falls ill begins the days"
                  + " anew.");
      case QUARANTINE_OVER ->
          Phrase.of(
              "Quarantine ended on ",
              day,
              ": whoever is well may move, the water may not. Clean and dry what was used before it"
                  + " is used elsewhere.");
      case DUPLICATE_ENTRY -> Phrase.of("An entry of ", day, " stands in the log twice.");
    };
  }

  /** The carbon that is dosed, mL or g a day of the source that is furthest over. */
  private double dosed() {
    return carbonDose().map(ExportMethod.CarbonDose::amountPerDay).orElse(0.0);
  }

  private Optional<ExportMethod.CarbonDose> carbonDose() {
    return tank.exports().stream()
        .filter(ExportMethod.CarbonDose.class::isInstance)
        .map(ExportMethod.CarbonDose.class::cast)
        .max(
            Comparator.comparingDouble(
                dose -> dose.amountPerDay() / CarbonSafety.mostPerDay(dose.source(), 1)));
  }

  private Phrase carbon(double amount) {
    CarbonSource source =
        carbonDose().map(ExportMethod.CarbonDose::source).orElse(CarbonSource.ETHANOL_40);
    return switch (source) {
      case ETHANOL_40 -> Phrase.of(Phrase.amount(amount, "mL"), " of 40 % spirit");
      case VINEGAR -> Phrase.of(Phrase.amount(amount, "mL"), " of vinegar");
      case SUGAR -> Phrase.of(Phrase.amount(amount, "g"), " of sugar");
    };
  }
}
