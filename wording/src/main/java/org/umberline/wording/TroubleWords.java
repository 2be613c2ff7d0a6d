package org.umberline.wording;

import java.time.DayOfWeek;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.umberline.core.judging.FalseZero;
import org.umberline.core.planning.Advice;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.trouble.Cause;
import org.umberline.core.trouble.Clue;
import org.umberline.core.trouble.Diagnosis;
import org.umberline.core.trouble.Found;
import org.umberline.core.trouble.NutrientPair;
import org.umberline.core.trouble.Remedy;
import org.umberline.core.trouble.Story;

/** Signs, causes and remedies in words. */
public final class TroubleWords {
  private final TankModel tank;
  private final Advice advice;

  public TroubleWords(TankModel tank, Advice advice) {
    this.tank = tank;
    this.advice = advice;
  }

  /** A sign as one describes it. */
  public static String sign(String sign) {
    return switch (sign) {
      case "slimy-mat" -> "slimy mat, purple or green";
      case "brown-strings" -> "brown strings or slime";
      case "brown-dust" -> "brown dust";
      case "hair-algae" -> "green hair or threads";
      case "black-tufts" -> "black or grey tufts";
      case "film-algae" -> "green film";
      case "surface-film" -> "oily film on the surface";
      case "yellow-water" -> "yellow water";
      case "cloudy-water" -> "cloudy white water";
      case "green-water" -> "green water";
      case "pale-leaves" -> "pale or yellow leaves";
      case "corals-closed" -> "corals stay closed";
      case "weak-flow" -> "weak flow from the filter";
      case "gasping" -> "animals gasp, scratch or dart";
      default -> sign.replace('-', ' ');
    };
  }

  public static String look(Look look) {
    return switch (look) {
      case ON_LEAVES -> "on leaves";
      case ON_WOOD -> "on wood";
      case ON_ROCK -> "on rock";
      case ON_SAND -> "on the bed";
      case ON_GLASS -> "on the glass";
      case MANY_BUBBLES -> "many bubbles in it";
      case FEW_BUBBLES -> "hardly any bubbles";
      case WIPES_OFF -> "wipes off easily";
      case GOES_AROUND -> "water goes past the medium";
      case GOES_THROUGH -> "water goes through the medium";
      case CLINGS -> "clings";
      case OLD_LEAVES -> "old leaves first";
      case NEW_LEAVES -> "new leaves first";
      case STILL_SURFACE -> "the surface is still";
      case MOVING_SURFACE -> "the surface moves";
      case LONG_LIGHT -> "lit for more than 9 hours a day";
      case SHORT_LIGHT -> "lit for 9 hours or less";
      case ALL_ANIMALS -> "all animals do it";
      case ONE_ANIMAL -> "only one or a few";
    };
  }

  public static String cause(Cause cause) {
    return switch (cause) {
      case CYANOBACTERIA -> "Cyanobacteria";
      case DINOFLAGELLATES -> "Dinoflagellates";
      case DIATOMS -> "Diatoms";
      case LOAD -> "More comes in than goes out";
      case LIGHT -> "Too much light";
      case CARBON_DIOXIDE -> "CO2 or flow comes and goes";
      case GLASS_FILM -> "The usual film on glass";
      case BACTERIAL_BLOOM -> "A bloom of bacteria";
      case SUSPENDED_ALGAE -> "Floating algae";
      case STIRRED_DUST -> "Stirred-up dust";
      case STILL_SURFACE -> "The surface stands still";
      case DISSOLVED_ORGANICS -> "Dissolved organic matter";
      case NITROGEN_LACKING -> "Nitrogen is lacking";
      case IRON_LACKING -> "Iron or trace elements are lacking";
      case SALINITY -> "Salinity is off";
      case ALKALINITY -> "Alkalinity is off";
      case NUTRIENTS_HIGH -> "Too many nutrients";
      case NUTRIENTS_LOW -> "Too few nutrients";
      case AMMONIA -> "Ammonia or nitrite";
      case OXYGEN -> "Too little oxygen";
      case DISEASE -> "A disease or parasite";
      case CHOKED_FILTER -> "A clogged filter";
      case WORN_PUMP -> "A dirty or worn pump";
      case OTHER -> "Something else";
    };
  }

  /** A clue as it is in this tank. */
  public Phrase clue(Found found) {
    boolean so = found.isSo();
    return switch (found.clue()) {
      case NITRATE_LOW, NITRATE_HIGH, PHOSPHATE_LOW, PHOSPHATE_HIGH -> level(found);
      case AMMONIA, NITRITE -> reading(found, so ? " was found" : " was not found");
      case SILICATE -> reading(found, so ? " in the water feeds diatoms" : " is little");
      case SALINITY_OFF -> reading(found, so ? " is off" : " is as it should be");
      case ALKALINITY_OFF -> reading(found, so ? " is off" : " is fine");
      case GAINS ->
          Phrase.of(
              so
                  ? "more comes in than goes out, by the balance"
                  : "no more comes in than goes out, by the balance");
      case YOUNG ->
          Phrase.of(
              so ? "the tank is younger than half a year" : "the tank is past its first months");
      case CHANGES_MISSED ->
          Phrase.of(so ? "water changes were missed" : "water changes were kept up");
      case WORK_MISSED -> Phrase.of(so ? "filter work is late" : "filter work is done");
      case FILTER_CLEANED ->
          Phrase.of(so ? "the filter was cleaned lately" : "the filter was left alone lately");
      case CARBON -> Phrase.of(so ? "carbon is dosed" : "no carbon is dosed");
      case FED_MORE -> Phrase.of(so ? "extra food lately" : "no extra food lately");
      case DEATH -> Phrase.of(so ? "an animal died lately" : "no animal died lately");
      case NEW_ANIMALS ->
          Phrase.of(so ? "new animals within the month" : "no new animals within the month");
      case WARM ->
          Phrase.of(
              so ? "warm water holds little oxygen, " : "the water is not warm, ",
              Phrase.amount(found.value().orElse(tank.temperatureC()), "°C"));
      case WEAK_FLOW -> Phrase.of("the flow is weak");
      case ON_GLASS_ONLY -> Phrase.of(so ? "only on the glass" : "not on the glass alone");
      case MANY_BUBBLES,
          WIPES_OFF,
          OLD_LEAVES,
          STILL_SURFACE,
          LONG_LIGHT,
          ALL_ANIMALS,
          GOES_AROUND ->
          Phrase.of(look(so ? found.clue().yes().get() : found.clue().no().get()));
    };
  }

  private static Phrase level(Found found) {
    Analyte analyte = found.clue().test().get();
    String is =
        switch (found.clue()) {
          case NITRATE_LOW, PHOSPHATE_LOW -> "near nothing";
          default -> "high";
        };
    String how =
        found.chance() > SURE
            ? " is " + is
            : found.isSo()
                ? " is probably " + is
                : found.chance() > 1 - SURE ? " is probably not " + is : " is not " + is;
    return Phrase.of(
        analyte.term() + how + ", about ",
        SmallWords.level(found.value().getAsDouble(), analyte.standardUnit().label()));
  }

  /** From this chance on “probably” is left out. */
  private static final double SURE = 0.85;

  private static Phrase reading(Found found, String is) {
    Analyte analyte = found.clue().test().get();
    return Phrase.of(
        analyte.term() + is + ", ",
        SmallWords.level(found.value().getAsDouble(), analyte.standardUnit().label()));
  }

  /** A test or a look that would tell. */
  public Phrase ask(Diagnosis.Ask ask) {
    if (ask.clue() == Clue.SILICATE) {
      return Phrase.of("A silicate test of the tap and the tank");
    }
    return Phrase.of(
        ask.test()
            .map(
                analyte ->
                    (analyte == Analyte.ALKALINITY || analyte == Analyte.AMMONIA ? "An " : "A ")
                        + analyte.term()
                        + " test"
                        + (tank.kits().stream().anyMatch(kit -> kit.analyte() == analyte)
                            ? ""
                            : " (no kit entered for it)"))
            .orElseGet(
                () ->
                    "A closer look: "
                        + look(ask.clue().yes().get())
                        + ", or "
                        + look(ask.clue().no().get())
                        + "?"));
  }

  /** Something to do, or not to do. */
  public Phrase remedy(Remedy remedy) {
    return new RemedyWords(advice).of(remedy);
  }

  /** What nitrate and phosphate say together. */
  public static Phrase pair(NutrientPair pair) {
    Phrase both =
        Phrase.of(
            "Nitrate is about ",
            SmallWords.level(pair.nitrateMgL(), "mg/L NO3"),
            ", phosphate about ",
            SmallWords.level(pair.phosphateMgL(), "mg/L PO4"),
            ": ");
    if (!pair.matters()) {
      return Phrase.of(both, "fine where nothing grows that needs them.");
    }
    String sure = pair.chance() > SURE ? "" : "probably ";
    return Phrase.of(
        both,
        sure
            + switch (pair.reading()) {
              case BALANCED -> "neither is short beside the other.";
              case BOTH_LOW -> "both are near nothing. Plants and corals starve before algae do.";
              case NITROGEN_SHORT ->
                  "nitrate is near nothing beside phosphate, which favours slimy mats.";
              case PHOSPHORUS_SHORT ->
                  "phosphate is near nothing beside nitrate, so it limits what grows.";
              case BOTH_HIGH -> "both are high: more comes in than goes out.";
            });
  }

  /** What raises or lowers one of the two without the other. */
  public static List<Phrase> pairSteps(NutrientPair pair) {
    if (!pair.matters()) {
      return List.of();
    }
    List<Phrase> steps = new ArrayList<>();
    switch (pair.reading()) {
      case BALANCED -> {}
      case BOTH_LOW -> {
        steps.add(Phrase.of("Filter less: adsorbers out, carbon stopped."));
        steps.add(Phrase.of("If feeding more isn’t enough, raise both as Doses works it out."));
      }
      case NITROGEN_SHORT -> {
        steps.add(Phrase.of("Potassium nitrate raises nitrate alone, as Doses works it out."));
        steps.add(Phrase.of("An adsorber lowers phosphate alone; don’t take it to nothing."));
        steps.add(Phrase.of("No carbon: bacteria would take the last of the nitrate."));
      }
      case PHOSPHORUS_SHORT -> {
        steps.add(
            Phrase.of("Monopotassium phosphate raises phosphate alone, as Doses works it out."));
        steps.add(Phrase.of("A slow filter or a deep bed lowers nitrate alone."));
      }
      case BOTH_HIGH -> {
        steps.add(Phrase.of("A water change lowers both, as Balance says."));
        steps.add(Phrase.of("So does cutting what grows, and taking it out."));
      }
    }
    pair.plan().ifPresent(plan -> steps.add(0, feeding(plan)));
    return steps;
  }

  private static Phrase feeding(NutrientPair.FeedingPlan plan) {
    if (plan.food().isPresent()) {
      return Phrase.of(
          "Feed more of "
              + plan.food().get().name()
              + " and less of the rest: of your foods it fits best.");
    }
    String days =
        plan.days().size() == DayOfWeek.values().length
            ? "daily"
            : "on "
                + plan.days().stream()
                    .map(day -> day.getDisplayName(TextStyle.FULL, Locale.ENGLISH))
                    .collect(Collectors.joining(", "));
    return Phrase.of(
        "Feed "
            + days
            + (plan.times() > 1
                ? ", a quarter more than now."
                : plan.times() < 1
                    ? ", a fifth less than now."
                    : ", as much on those days as now."));
  }

  /** That a sign is to be looked at again. */
  public static Phrase lookAgain(String sign) {
    return Phrase.of("Look again: " + sign(sign));
  }

  /** What is done at once, before anything is found out; nothing of most signs. */
  public static Phrase urgent(String sign) {
    return sign.equals(Sign.GASPING)
        ? Phrase.of(
            "Act first: move the surface and add air now, test ammonia and nitrite, and change"
                + " water as Balance says once this is noted.")
        : Phrase.NONE;
  }

  /** That a reading of nothing doesn't mean there is nothing. */
  public static Phrase falseZero(FalseZero zero) {
    return Phrase.of(
        "The " + zero.test().analyte().words() + " test of nothing on ",
        zero.test().at().toLocalDate(),
        " doesn’t mean that none comes in: "
            + zero.because()
            + ", and they take it up as fast as it comes.");
  }

  public static List<String> cautions(TankModel tank) {
    List<String> cautions = new ArrayList<>();
    cautions.add("Unplug heater and pumps before hands go in.");
    if (tank.water() == WaterKind.MARINE) {
      cautions.add("Wear gloves and eye cover near zoanthid corals: some are poisonous.");
    }
    cautions.add("A sick animal is a vet’s business.");
    return cautions;
  }

  /** What happened on a day. */
  public Phrase happened(Story.Happened happened) {
    return switch (happened.kind()) {
      case FOOD_BEGUN -> Phrase.of(happened.what() + " fed from here on");
      case FOOD_ENDED -> Phrase.of(happened.what() + " fed for the last time");
      case ANIMALS_IN -> Phrase.of(happened.what() + " came in");
      case PLANTS_IN -> Phrase.of(happened.what() + " planted");
      case GEAR_IN -> Phrase.of(happened.what() + " put in");
      case GEAR_OUT -> Phrase.of(happened.what() + " taken out");
      case DOSING_BEGUN -> Phrase.of(happened.what() + " dosed from here on");
      case DOSING_ENDED -> Phrase.of(happened.what() + " dosed for the last time");
      case LOGGED -> happened.entry().get().accept(new DoneWords(tank));
    };
  }

  /** That two things were changed at about the same time. */
  public Phrase muddle(Story.Muddle muddle) {
    return Phrase.of(
        "Two things changed within three days of each other: ",
        happened(muddle.one()),
        ", and ",
        happened(muddle.other()),
        ". Which of them did it can’t be told from this.");
  }
}
