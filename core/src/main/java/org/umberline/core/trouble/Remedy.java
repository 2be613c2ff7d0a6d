package org.umberline.core.trouble;

import java.util.ArrayList;
import java.util.List;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Levels;
import org.umberline.core.tank.MedicineCourse;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.Term;
import org.umberline.core.tank.WaterKind;

/** What is done about a cause, or left alone. Common practice, no source. */
public enum Remedy implements Term {
  AERATE("aerate"),
  /** What the tank's advice says of changing water, and nothing else. */
  AS_ADVISED("as-advised"),
  NO_CHANGE_FOR_IT("no-change-for-it"),
  /** Once it is noted the advice says how much water is changed at once. */
  NOTE_IT("note-it"),
  TEST_AMMONIA("test-ammonia"),
  FEED_NOTHING("feed-nothing"),
  FEED_LESS("feed-less"),
  FEED_SLIGHTLY_LESS("feed-slightly-less"),
  FEED_MORE("feed-more"),
  SIPHON_OUT("siphon-out"),
  WIPE_OFF("wipe-off"),
  PULL_OUT("pull-out"),
  MORE_FLOW("more-flow"),
  CLEAN_FILTER("clean-filter"),
  CLEAN_IMPELLER("clean-impeller"),
  THIN_PLANTS("thin-plants"),
  RAISE_NITRATE("raise-nitrate"),
  RAISE_PHOSPHATE("raise-phosphate"),
  STOP_STRIPPING("stop-stripping"),
  STOP_CARBON("stop-carbon"),
  FINE_FILTER("fine-filter"),
  LESS_LIGHT("less-light"),
  SHADE("shade"),
  STEADY_CARBON_DIOXIDE("steady-carbon-dioxide"),
  PEROXIDE("peroxide"),
  PURER_WATER("purer-water"),
  WAIT("wait"),
  WAIT_MONTHS("wait-months"),
  STIR_SURFACE("stir-surface"),
  ACTIVATED_CARBON("activated-carbon"),
  DOSE_IRON("dose-iron"),
  CORRECT_SALINITY("correct-salinity"),
  CORRECT_ALKALINITY("correct-alkalinity"),
  VET("vet"),
  LOOK_CLOSER("look-closer"),

  NO_MEDICINE("no-medicine"),
  NO_BIG_CHANGE("no-big-change"),
  NO_ALGICIDE("no-algicide"),
  NO_NEW_MEDIA("no-new-media"),
  NO_SECOND_THING("no-second-thing"),
  NO_LOWER_NUTRIENTS("no-lower-nutrients"),
  NO_SCRUBBING_ALL("no-scrubbing-all");

  private final String term;

  Remedy(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }

  /** What to do, in its order, and what not to do. */
  public record Plan(List<Remedy> steps, List<Remedy> not) {}

  /**
   * What is done in this tank where a cause is at work.
   *
   * @param levels what the tank holds
   * @param found what is known of it
   * @param advice its advice: how much water is changed is said there alone
   */
  public static Plan planFor(
      Cause cause, TankModel tank, Levels levels, List<Found> found, Advice advice) {
    List<Remedy> steps = new ArrayList<>();
    List<Remedy> not = new ArrayList<>();
    boolean salted = tank.water() == WaterKind.MARINE;
    boolean nitrateLow = levels.now(Nutrient.NITRATE) < Clues.low(tank, Nutrient.NITRATE);
    switch (cause) {
      case CYANOBACTERIA -> {
        add(steps, SIPHON_OUT, AS_ADVISED, MORE_FLOW, CLEAN_FILTER);
        if (nitrateLow) {
          steps.add(RAISE_NITRATE);
        }
        add(not, NO_MEDICINE, NO_SECOND_THING);
      }
      case DINOFLAGELLATES -> {
        add(steps, NO_CHANGE_FOR_IT, STOP_STRIPPING, FEED_MORE, RAISE_NITRATE, RAISE_PHOSPHATE);
        add(steps, FINE_FILTER, LESS_LIGHT);
        add(not, NO_LOWER_NUTRIENTS, NO_MEDICINE);
      }
      case DIATOMS -> {
        add(steps, WIPE_OFF, WAIT_MONTHS, PURER_WATER);
        add(not, NO_ALGICIDE, NO_BIG_CHANGE);
      }
      case LOAD -> {
        add(steps, PULL_OUT, AS_ADVISED, FEED_LESS, CLEAN_FILTER);
        if (!tank.plants().isEmpty()) {
          steps.add(THIN_PLANTS);
        }
        if (!salted) {
          steps.add(PEROXIDE);
        }
        add(not, NO_ALGICIDE, NO_SECOND_THING);
      }
      case LIGHT -> {
        add(steps, LESS_LIGHT, PULL_OUT, AS_ADVISED);
        add(not, NO_ALGICIDE, NO_SECOND_THING);
      }
      case CARBON_DIOXIDE -> {
        add(steps, STEADY_CARBON_DIOXIDE, MORE_FLOW, PULL_OUT, CLEAN_FILTER);
        if (!salted) {
          steps.add(PEROXIDE);
        }
        add(not, NO_ALGICIDE, NO_SECOND_THING);
      }
      case GLASS_FILM -> steps.add(WIPE_OFF);
      case BACTERIAL_BLOOM -> {
        steps.add(AERATE);
        if (Clues.dosesCarbon(tank, advice.asOf())) {
          steps.add(STOP_CARBON);
        }
        add(steps, FEED_NOTHING, TEST_AMMONIA, WAIT);
        add(not, NO_NEW_MEDIA, NO_BIG_CHANGE);
      }
      case STIRRED_DUST -> {
        add(steps, FINE_FILTER, WAIT);
        not.add(NO_BIG_CHANGE);
      }
      case SUSPENDED_ALGAE -> {
        add(steps, SHADE, FEED_LESS, AS_ADVISED, FINE_FILTER);
        add(not, NO_ALGICIDE, NO_BIG_CHANGE);
      }
      case STILL_SURFACE -> {
        add(steps, STIR_SURFACE, CLEAN_FILTER, FEED_LESS);
        not.add(NO_SECOND_THING);
      }
      case DISSOLVED_ORGANICS -> {
        add(steps, ACTIVATED_CARBON, AS_ADVISED, FEED_LESS, CLEAN_FILTER);
        not.add(NO_SECOND_THING);
      }
      case NITROGEN_LACKING -> {
        add(steps, FEED_MORE, RAISE_NITRATE);
        add(not, NO_LOWER_NUTRIENTS, NO_SECOND_THING);
      }
      case IRON_LACKING -> {
        steps.add(DOSE_IRON);
        not.add(NO_SECOND_THING);
      }
      case SALINITY -> {
        steps.add(CORRECT_SALINITY);
        not.add(NO_BIG_CHANGE);
      }
      case ALKALINITY -> {
        steps.add(CORRECT_ALKALINITY);
        not.add(NO_BIG_CHANGE);
      }
      case NUTRIENTS_HIGH -> {
        add(steps, AS_ADVISED, FEED_LESS, CLEAN_FILTER);
        not.add(NO_BIG_CHANGE);
      }
      case NUTRIENTS_LOW -> {
        add(steps, STOP_STRIPPING, FEED_MORE, RAISE_NITRATE);
        not.add(NO_LOWER_NUTRIENTS);
      }
      case AMMONIA -> {
        add(steps, AERATE, TEST_AMMONIA, AS_ADVISED, FEED_NOTHING);
        add(not, NO_NEW_MEDIA, NO_MEDICINE);
      }
      case OXYGEN -> {
        steps.add(AERATE);
        if (Clues.dosesCarbon(tank, advice.asOf())) {
          steps.add(STOP_CARBON);
        }
        add(steps, STIR_SURFACE, AS_ADVISED, FEED_NOTHING);
        not.add(NO_MEDICINE);
      }
      case DISEASE -> {
        add(steps, LOOK_CLOSER, VET, AERATE);
        add(not, NO_MEDICINE, NO_SECOND_THING);
      }
      case CHOKED_FILTER -> {
        add(steps, CLEAN_FILTER, CLEAN_IMPELLER);
        add(not, NO_SCRUBBING_ALL, NO_NEW_MEDIA);
      }
      case WORN_PUMP -> {
        add(steps, CLEAN_IMPELLER, CLEAN_FILTER);
        not.add(NO_SCRUBBING_ALL);
      }
      case OTHER -> {
        add(steps, LOOK_CLOSER, AS_ADVISED);
        not.add(NO_SECOND_THING);
      }
    }
    if (MedicineCourse.running(tank, advice.asOf()).isPresent()) {
      steps.removeAll(List.of(ACTIVATED_CARBON, PEROXIDE));
    }
    if (tank.livestock().isEmpty()) {
      steps.removeAll(List.of(FEED_NOTHING, VET));
    }
    if (found.stream().anyMatch(f -> f.clue() == Clue.FILTER_CLEANED && f.isSo())) {
      steps.remove(CLEAN_FILTER);
    }
    if (tank.livestock().stream().anyMatch(animals -> animals.stage() != Stage.ADULT)) {
      steps.replaceAll(step -> step == FEED_LESS ? FEED_SLIGHTLY_LESS : step);
    }
    boolean urgent = cause == Cause.AMMONIA || cause == Cause.OXYGEN;
    if (urgent && advice.today().verdict() != Advice.Verdict.ACT_NOW) {
      steps.replaceAll(step -> step == AS_ADVISED ? NOTE_IT : step);
    }
    boolean changes = advice.today().fraction().isPresent() || advice.recommended().isPresent();
    if (!changes && steps.contains(AS_ADVISED)) {
      steps.set(steps.indexOf(AS_ADVISED), NO_CHANGE_FOR_IT);
    }
    return new Plan(List.copyOf(steps), List.copyOf(not));
  }

  private static void add(List<Remedy> steps, Remedy... more) {
    steps.addAll(List.of(more));
  }
}
