package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberline.core.cycling.Cycling;
import org.umberline.core.cycling.FilterReady;
import org.umberline.core.cycling.FishlessDose;
import org.umberline.core.cycling.Stocking;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advice.Verdict;

/** A new tank's guide in words. */
public final class CycleWords {
  /** A chance from which it is said to be ready. */
  private static final double SURE = 0.9;

  private CycleWords() {}

  /** The steps of the way, in order; each but the first two is a stage of its own. */
  public static List<String> steps() {
    return List.of("feed the filter", "ammonia rises", "nitrite rises", "both gone", "grown in");
  }

  /** The step it stands on, from 0. */
  public static int step(Cycling cycling, FilterReady ready) {
    return switch (cycling.stage()) {
      case UNTESTED, NOT_BEGUN -> 0;
      case AMMONIA -> 1;
      case NITRITE -> 2;
      case FALLEN -> ready.chanceToday() >= SURE ? 4 : 3;
    };
  }

  public static Phrase sentence(Cycling cycling, FilterReady ready) {
    return switch (cycling.stage()) {
      case UNTESTED ->
          Phrase.of("Ammonia and nitrite were never tested: they show how far the filter is.");
      case NOT_BEGUN ->
          Phrase.of("No ammonia was ever seen: the filter has had hardly anything to grow on.");
      case AMMONIA ->
          Phrase.of(
              "There is ammonia and no nitrite yet: the first bacteria are growing. ", when(ready));
      case NITRITE ->
          Phrase.of(
              "There is nitrite: the first half of the filter works, the second grows. ",
              when(ready));
      case FALLEN ->
          ready.chanceToday() >= SURE
              ? Phrase.of(
                  "Ammonia and nitrite came and went: the filter is ready for what lives there.")
              : Phrase.of(
                  "Ammonia and nitrite came and went. Two more tests without either, days apart,"
                      + " and it is grown in. ",
                  when(ready));
    };
  }

  private static Phrase when(FilterReady ready) {
    if (ready.likely().isEmpty()) {
      return Phrase.of("When it is ready can't be seen yet.");
    }
    return Phrase.of(
        "Ready about ",
        ready.likely().get(),
        ready.late().isPresent()
            ? Phrase.of(
                " (8 chances in 10: between ",
                ready.early().orElseThrow(),
                " and ",
                ready.late().get(),
                ").")
            : ", perhaps much later.");
  }

  /** What to do until it is ready. */
  public static List<Phrase> todo(
      boolean stocked, Advice advice, Optional<FishlessDose> dose, String food) {
    List<Phrase> todo = new ArrayList<>();
    if (advice.today().verdict() == Verdict.ACT_NOW) {
      todo.add(Phrase.of("First do what Balance says for today: the animals need it."));
    } else if (stocked) {
      todo.add(
          Phrase.of(
              "Change water only when ammonia or nitrite is high. Feed about half, add no animals,"
                  + " leave the filter alone."));
    } else {
      todo.add(
          Phrase.of(
              "Change no water: there are no animals to protect, and it would take the bacteria's"
                  + " food out."));
    }
    if (!stocked) {
      dose.ifPresent(
          d -> {
            todo.add(
                Phrase.of(
                    "Feed the filter: ",
                    SmallWords.level(d.ammoniumChlorideG(), "g"),
                    " of pure ammonium chloride brings ammonia to ",
                    Phrase.amount(d.toMgL(), "mg/L NH3"),
                    "; give it again when it has fallen under a quarter of that."));
            d.foodG()
                .ifPresent(
                    grams ->
                        todo.add(
                            Phrase.of(
                                "Or let about ",
                                SmallWords.level(grams, "g"),
                                " of " + food + " rot in it over some days, slower.")));
          });
    }
    todo.add(
        Phrase.of(
            "Test ammonia and nitrite every 3 days, nitrate once a week. After animals came: on the"
                + " first, third and seventh day."));
    todo.add(
        Phrase.of(
            "Light 6 hours a day for two weeks, then half an hour more each week, up to 8 to 10."
                + " Plant fast growers densely from the first day: they take ammonia too."));
    return List.copyOf(todo);
  }

  /** What stands before the arrivals. */
  public static Phrase arrivals(Stocking stocking, boolean stocked) {
    return stocking.arrivals().isEmpty()
        ? Phrase.of(
            "When "
                + (stocked ? "more animals" : "the first animals")
                + " can come isn't in sight yet. The next tests will show it.")
        : Phrase.of(
            "Animals of ",
            SmallWords.level(stocking.massG(), "g"),
            " each, so that ammonia and nitrite stay low 9 times in 10:");
  }

  public static Phrase arrival(Stocking.Arrival arrival) {
    return Phrase.of(
        "from ",
        arrival.on(),
        ": "
            + arrival.more()
            + (arrival.byRoom() ? ", the room for them allows" : "")
            + " ("
            + arrival.total()
            + " in all)");
  }

  public static List<String> cautions(boolean stocked) {
    return stocked
        ? List.of()
        : List.of(
            "Ammonium chloride: by its label, never with bleach, out of children's reach; never"
                + " into a tank with animals.");
  }
}
