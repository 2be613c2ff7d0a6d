package org.umberline.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberline.core.dosing.CarbonSafety;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advice.DueWork;
import org.umberline.core.planning.Advice.Help;
import org.umberline.core.planning.Advice.Pulled;
import org.umberline.core.planning.Reason;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.TankModel;

/** An advice in words. */
public final class AdviceWords {
  private final TankModel tank;

  public AdviceWords(TankModel tank) {
    this.tank = tank;
  }

  /** Why the verdict is what it is, the leading reason first. */
  public List<Phrase> why(Advice advice) {
    return advice.today().why().stream().map(this::reason).toList();
  }

  public List<Phrase> remarks(Advice advice) {
    return advice.remarks().stream().map(this::reason).toList();
  }

  /** One reason as a sentence, or two. */
  public Phrase reason(Reason r) {
    String nutrient = r.nutrient().map(Nutrient::term).orElse("");
    Phrase day = r.day().map(Phrase::of).orElse(Phrase.NONE);
    double chance = r.chance().orElse(0);
    Phrase.Amount level =
        level(r.value().orElse(0), r.nutrient().map(Nutrient::unit).orElse("mg/L"));
    String share = percent(r.value().orElse(0));
    return switch (r.kind()) {
      case AMMONIA_HIGH ->
          Phrase.of(
              "Free ammonia is about ",
              level(r.value().orElse(0), "mg/L NH3-N"),
              " by the test of ",
              day,
              ": change water now, aerate, feed nothing, and condition tap water that carries"
                  + " chloramine.");
      case NITRITE_HIGH ->
          Phrase.of(
              "Nitrite is about ",
              level(r.value().orElse(0), "mg/L NO2"),
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
              level(r.value().orElse(0), ""),
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
      case CYCLE_TEST -> Phrase.of("Test ammonia and nitrite next on ", day, ".");
      case CYCLE_FEED_LITTLE ->
          Phrase.of(
              "Until both read nothing, feed about half, add no animals, and leave the filter"
                  + " alone.");
      case CYCLE_KEEP_SOURCE ->
          Phrase.of(
              "The filter wants ammonia to grow on: a pinch of food or a little ammonia whenever"
                  + " ammonia reads nothing. Add no animals yet.");
      case NEVER_TESTED ->
          Phrase.of(capital(nutrient), " was never tested: a test tells where it stands.");
      case NOT_TESTED_HERE ->
          Phrase.of(capital(nutrient), " isn't tested here: what it does stays unknown.");
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
                  " test today has a ",
                  inTen(chance),
                  " chance of changing this advice.");
      case CHANGED_LATELY ->
          Phrase.of(
              "Water was changed a day ago at most: test ", nutrient, " before changing again.");
      case OVER_NOW ->
          Phrase.of(capital(nutrient), " is over its limit now, at about ", level, ".");
      case IF_WAITING ->
          Phrase.of("If you wait until ", day, ": ", ofGoingOver(chance), " with ", nutrient, ".");
      case HOLDS_UNTIL ->
          Phrase.of("Without a change it stays safely under your limits until ", day, ".");
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
      case HABIT_HOLDS -> Phrase.of("What you do now holds, ", chances(chance), ".");
      case HABIT_HOLDS_THEN ->
          Phrase.of("After that what you do now holds, ", chances(chance), ".");
      case HABIT_FAILS ->
          Phrase.of("Your present routine keeps it under only ", chances(chance), ".");
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
          Phrase.of(
              "With this water changes can bring ", nutrient, " no lower than about ", level, ".");
      case CHANGE_HELPS ->
          Phrase.of("A change now still helps: it brings ", nutrient, " to about ", level, ".");
      case BELOW_FLOOR ->
          Phrase.of(
              capital(nutrient),
              " is below its lower limit, at about ",
              level,
              ": change less, clean less, feed more, or dose.");
      case MORE_COMES_IN ->
          Phrase.of(
              "The "
                  + nutrient
                  + " readings and this make-up don't agree: "
                  + (r.value().isPresent()
                      ? "about " + times(r.value().getAsDouble()) + " times what"
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

  /** What else helps, and how much is to be changed then. */
  public Phrase help(Help help) {
    if (help.fraction().isEmpty()) {
      return Phrase.of(levers(help), ".");
    }
    double fraction = help.fraction().getAsDouble();
    return Phrase.of(
        levers(help),
        fraction <= 0
            ? ": no change is needed then."
            : ": " + percent(fraction) + " every " + days(help.everyDays()) + " is enough.");
  }

  /** What is done, one thing or two, without what it leaves. */
  public Phrase levers(Help help) {
    return Phrase.of(
        lever(help.first(), help.forNutrient()),
        help.and()
            .map(and -> Phrase.of(" and ", small(lever(and, help.forNutrient()))))
            .orElse(Phrase.NONE));
  }

  private static Phrase small(Phrase phrase) {
    if (phrase.parts().get(0) instanceof Phrase.Text first) {
      List<Phrase.Part> parts = new ArrayList<>(phrase.parts());
      String text = first.text();
      parts.set(0, new Phrase.Text(Character.toLowerCase(text.charAt(0)) + text.substring(1)));
      return new Phrase(parts);
    }
    return phrase;
  }

  private Phrase lever(Pulled pulled, Nutrient nutrient) {
    double amount = Math.abs(pulled.amount());
    String of = pulled.of().map(this::named).orElse("");
    return switch (pulled.lever()) {
      case FEED ->
          Phrase.of(pulled.amount() < 0 ? "Feed " : "Feed about ", share(amount, pulled.amount()));
      case ANIMALS -> Phrase.of("Keep " + percent(amount) + " fewer animals");
      case PLANTS -> Phrase.of("Give " + of + " twice the room");
      case HARVEST ->
          Phrase.of("Cut about ", Phrase.amount(tens(amount), "g"), " of " + of + " a week more");
      case MEDIA_CLEANING -> Phrase.of("Clean " + of + " once a week more");
      case ADSORBER_RENEWAL ->
          Phrase.of("Renew " + of + " now and every " + Math.round(amount / 7) + " weeks");
      case ADSORBER_MASS ->
          Phrase.of(
              "Put in about ",
              Phrase.amount(tens(amount), "g"),
              hasAdsorber() ? " more phosphate adsorber" : " of phosphate adsorber");
      case SKIMMER -> Phrase.of("Run a skimmer");
      case SIPHON -> Phrase.of("Siphon a quarter of the bed every week");
      case WATER -> Phrase.of("Change with " + of + " instead");
      case FILTER_LESS -> Phrase.of("Run " + of + " half as much");
      case DOSE ->
          pulled.of().isPresent()
              ? Phrase.of("Dose about ", level(amount, "mL"), " of " + of + " a day")
              : Phrase.of(
                  "Dose about ",
                  level(amount, "g"),
                  nutrient == Nutrient.NITRATE
                      ? " of potassium nitrate over a week"
                      : " of monopotassium phosphate over a week");
    };
  }

  private boolean hasAdsorber() {
    return tank.exports().stream().anyMatch(ExportMethod.PhosphateAdsorber.class::isInstance);
  }

  /** Work ahead that the plan counts on, without its day. */
  public Phrase work(DueWork work) {
    String of = named(work.of());
    return switch (work.kind()) {
      case RENEW -> Phrase.of("Renew " + of);
      case HARVEST ->
          Phrase.of("Cut about ", Phrase.amount(tens(work.grams()), "g"), " of " + of + " a week");
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

  private static String times(double factor) {
    return factor < 3
        ? String.valueOf(Math.round(10 * factor) / 10.0)
        : String.valueOf(Math.round(factor));
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
  private static Phrase.Amount level(double value, String unit) {
    double size = Math.abs(value);
    // under a tenth two digits: a small dose is not nothing
    double unitOf =
        size >= 10 ? 1 : size >= 1 ? 0.1 : size >= 0.1 || size == 0 ? 0.01 : digit(size) / 10;
    return Phrase.amount(Math.round(value / unitOf) * unitOf, unit);
  }

  /** The power of ten of the first digit. */
  private static double digit(double value) {
    return Math.pow(10, Math.floor(Math.log10(value)));
  }

  private static double tens(double grams) {
    return grams < 20 ? Math.rint(grams) : Math.rint(grams / 5) * 5;
  }

  private static String inTen(double chance) {
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
