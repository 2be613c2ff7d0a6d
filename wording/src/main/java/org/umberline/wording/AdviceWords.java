package org.umberline.wording;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advice.Help;
import org.umberline.core.planning.Advice.Reason;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.TankModel;

/** An advice in words. Days stand as ISO dates: whoever shows them says them as its reader does. */
public final class AdviceWords {
  private final TankModel tank;

  public AdviceWords(TankModel tank) {
    this.tank = tank;
  }

  /** Why the verdict is what it is, the leading reason first. */
  public List<String> why(Advice advice) {
    return advice.today().why().stream().map(this::reason).toList();
  }

  public List<String> remarks(Advice advice) {
    return advice.remarks().stream().map(this::reason).toList();
  }

  /** Reasons and remarks together. */
  public List<String> all(Advice advice) {
    return Stream.concat(why(advice).stream(), remarks(advice).stream()).toList();
  }

  /** One reason as a sentence, or two. */
  public String reason(Reason r) {
    String nutrient = r.nutrient().map(Nutrient::term).orElse("");
    String day = r.day().map(Object::toString).orElse("");
    double value = r.value().orElse(0);
    double chance = r.chance().orElse(0);
    return switch (r.kind()) {
      case AMMONIA_HIGH ->
          "Free ammonia is about "
              + plain(value)
              + " mg/L NH3-N by the test of "
              + day
              + ": change water now, aerate, feed nothing, and condition tap water that carries"
              + " chloramine.";
      case NITRITE_HIGH ->
          "Nitrite is about "
              + plain(value)
              + " mg/L by the test of "
              + day
              + ": change water now, aerate, feed nothing.";
      case GASPING ->
          "Animals were gasping on "
              + day
              + ": aerate now, make a moderate change, and test ammonia and nitrite.";
      case PH_ASSUMED ->
          "No pH was measured; free ammonia is worked out with pH " + plain(value) + ".";
      case TEST_SAFETY_AGAIN ->
          "Test ammonia and nitrite again; the last reading is of " + day + ".";
      case SAFETY_BY_MODEL ->
          "Ammonia or nitrite may be high in a tank this young: test before anything is done.";
      case CYCLING ->
          "The tank cycles: no change while it does, unless ammonia or nitrite is high.";
      case NEVER_TESTED -> capital(nutrient) + " was never tested: a test tells where it stands.";
      case NOT_TESTED_HERE -> capital(nutrient) + " isn't tested here: what it does stays unknown.";
      case REPEAT_TEST ->
          "The last "
              + nutrient
              + " reading, "
              + plain(value)
              + " mg/L, doesn't fit everything else: repeat it before acting.";
      case TEST_COULD_SETTLE ->
          chance < 0.05
              ? "The last " + nutrient + " test is old: a test tells where it stands now."
              : "A "
                  + nutrient
                  + " test today has a "
                  + inTen(chance)
                  + " chance of changing this advice.";
      case CHANGED_LATELY ->
          "Water was changed a day ago at most: test " + nutrient + " before changing again.";
      case OVER_NOW ->
          capital(nutrient) + " is over its limit now, at about " + plain(value) + " mg/L.";
      case IF_WAITING ->
          "If you wait until " + day + ": " + ofGoingOver(chance) + " with " + nutrient + ".";
      case HOLDS_UNTIL -> "Without a change it stays under your limits until " + day + ".";
      case NONE_NEEDED ->
          "Without any change it stays under your limits until at least " + day + ".";
      case NO_LINES -> "No upper limit is set for nitrate or phosphate, so nothing is crossed.";
      case HABIT_HOLDS -> "What you do now holds, " + chances(chance) + ".";
      case HABIT_FAILS -> "Your present routine keeps it under only " + chances(chance) + ".";
      case SOURCE_TOO_RICH ->
          "The change water holds about "
              + plain(value)
              + " mg/L of "
              + nutrient
              + ", at or over your limit: no change can bring the tank below that.";
      case LARGEST_NOT_ENOUGH ->
          "Even your largest change ("
              + percent(value)
              + ") is not enough to keep "
              + nutrient
              + " under its limit.";
      case FLOOR_BINDS -> "Changes that large would bring " + nutrient + " below its lower limit.";
      case SALINITY_STEP ->
          "One change can be at most "
              + percent(value)
              + ": the salinity of the change water is too far from the tank's.";
      case ALKALINITY_STEP ->
          "One change can be at most "
              + percent(value)
              + ": the alkalinity of the change water is too far from the tank's.";
      case NITRATE_STEP ->
          "One change can be at most " + percent(value) + ": nitrate would fall too far at once.";
      case BEST_REACHABLE ->
          "With this water changes can bring "
              + nutrient
              + " no lower than about "
              + plain(value)
              + " mg/L.";
      case CHANGE_HELPS ->
          "A change now still helps: it brings "
              + nutrient
              + " to about "
              + plain(value)
              + " mg/L.";
      case BELOW_FLOOR ->
          capital(nutrient)
              + " is below its lower limit, at about "
              + plain(value)
              + " mg/L: change less, clean less, feed more, or dose.";
      case DUPLICATE_ENTRY -> "An entry of " + day + " stands in the log twice.";
      case POOR_FIT ->
          "The "
              + nutrient
              + " readings and what the tank is said to be don't agree; the band is wide.";
    };
  }

  /** What else helps, and how much is to be changed then. */
  public String help(Help help) {
    String then =
        help.fraction().isEmpty()
            ? ""
            : help.fraction().getAsDouble() <= 0
                ? ": no change is needed then"
                : ": "
                    + percent(help.fraction().getAsDouble())
                    + " every "
                    + days(help.everyDays())
                    + " is enough";
    return lever(help) + then + ".";
  }

  /** What is done, without what it leaves. */
  public String lever(Help help) {
    double amount = Math.abs(help.amount());
    String of = help.of().map(this::named).orElse("");
    return switch (help.lever()) {
      case FEED -> (help.amount() < 0 ? "Feed " : "Feed about ") + share(amount, help.amount());
      case ANIMALS -> "Keep " + percent(amount) + " fewer animals";
      case PLANTS -> "Grow about " + Math.round(amount) + " g more plants";
      case HARVEST -> "Cut about " + tens(amount) + " g of " + of + " a week more";
      case MEDIA_CLEANING -> "Clean " + of + " once a week more";
      case ADSORBER_RENEWAL ->
          "Renew " + of + " now and every " + Math.round(amount / 7) + " weeks";
      case ADSORBER_MASS -> "Put in about " + tens(amount) + " g of phosphate adsorber";
      case SKIMMER -> "Run a skimmer";
      case SIPHON -> "Siphon more of the bed";
      case WATER -> "Change with " + of + " instead";
      case FILTER_LESS -> "Run " + of + " half as much";
      case DOSE ->
          help.of().isPresent()
              ? "Dose about " + plain(amount) + " mL of " + of + " a day"
              : "Dose about "
                  + plain(amount)
                  + " g of "
                  + (help.forNutrient() == Nutrient.NITRATE
                      ? "potassium nitrate"
                      : "monopotassium phosphate")
                  + " over a week";
    };
  }

  private static String share(double amount, double signed) {
    String part =
        amount < 0.15 ? "a tenth" : amount < 0.25 ? "a fifth" : amount < 0.4 ? "a third" : "half";
    return part + (signed < 0 ? " less" : " more");
  }

  /** The name the keeper gave a thing, or its id with spaces. */
  private String named(String id) {
    return Stream.of(
            tank.foods().stream().filter(f -> f.id().equals(id)).map(f -> f.name()),
            tank.plants().stream().filter(p -> p.id().equals(id)).map(p -> p.name()),
            tank.waters().stream().filter(w -> w.id().equals(id)).map(w -> w.name()),
            tank.fertilisers().stream().filter(f -> f.id().equals(id)).map(f -> f.name()),
            tank.exports().stream()
                .map(ExportMethod::id)
                .filter(id::equals)
                .map(name -> "the " + name.replace('-', ' ')))
        .flatMap(names -> names)
        .findFirst()
        .orElse(id);
  }

  // ---------------------------------------------------------------- small words

  private static String capital(String word) {
    return word.isEmpty() ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1);
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

  /** As many figures as a good kit shows. */
  static String plain(double value) {
    double size = Math.abs(value);
    String format = size >= 10 ? "%.0f" : size >= 1 ? "%.1f" : "%.2f";
    return String.format(Locale.ROOT, format, value);
  }

  private static long tens(double grams) {
    return grams < 20 ? Math.round(grams) : Math.round(grams / 5) * 5;
  }

  private static String inTen(double chance) {
    return Math.max(1, Math.round(10 * chance)) + " in 10";
  }

  /** “in nearly 9 of 10 cases” for 0.87 to 0.90, fairly rounded otherwise. */
  static String chances(double chance) {
    if (chance >= 0.995) {
      return "in 99 of 100 cases";
    }
    long tenths = Math.round(10 * chance);
    boolean nearly = tenths > 0 && 10 * chance < tenths && 10 * chance >= tenths - 0.3;
    return "in " + (nearly ? "nearly " : "") + tenths + " of 10 cases";
  }

  private static String ofGoingOver(double chance) {
    if (chance >= 0.75) {
      return "it most likely goes over";
    }
    double in = 1 / Math.max(chance, 0.01);
    return chance < 0.05
        ? "hardly any chance of going over"
        : "1 chance in " + Math.max(2, Math.round(in)) + " of going over";
  }
}
