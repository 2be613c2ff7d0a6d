package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import org.umberline.core.judging.CaughtOut;
import org.umberline.core.judging.Range;
import org.umberline.core.judging.ThroughFilter;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.TankModel;

/** What gear really does, in words. */
public final class GearWords {
  /** A bed of fine grain takes nitrate out from about this depth on, cm. Common practice. */
  private static final double DEEP_ENOUGH_CM = 10;

  private GearWords() {}

  /**
   * @param mgNInPerDay nitrogen that comes into the tank, mg N a day
   */
  public static Phrase sentence(ThroughFilter through, double mgNInPerDay) {
    return switch (through.verdict()) {
      case GIVES_OFF ->
          Phrase.of("More nitrate comes out than goes in: what sits in it rots. Clean it out.");
      case NOT_SEEN ->
          Phrase.of("Your kit shows no difference: it takes out little, or nothing, at this flow.");
      case WORKS, COULD_RUN_FASTER ->
          Phrase.of(
              "It takes out about ",
              SmallWords.level(through.mgNPerDay(), "mg"),
              " of nitrogen a day"
                  + (mgNInPerDay > 0
                      ? ", about "
                          + SmallWords.percent(Math.min(1, through.mgNPerDay() / mgNInPerDay))
                          + " of what comes in."
                      : "."));
    };
  }

  public static List<Phrase> notes(ThroughFilter through) {
    List<Phrase> notes = new ArrayList<>();
    switch (through.verdict()) {
      case COULD_RUN_FASTER ->
          notes.add(
              Phrase.of(
                  "Hardly any is left when it leaves: let it run a little faster, by a tenth a week,"
                      + " until some comes through. Water that stands without nitrate can make"
                      + " sulphide."));
      case NOT_SEEN ->
          notes.add(
              Phrase.of(
                  "Let it run slower by half, wait a week, and test both sides again. Does water go"
                      + " around the medium instead of through it?"));
      default -> {}
    }
    notes.add(
        Phrase.of(
            "Measure the flow with a jug and a watch at the outlet: the pump's label says nothing"
                + " of it. Test nitrite at the outlet too: some means the work is half done."));
    return List.copyOf(notes);
  }

  /**
   * What a skimmer's cup or the socks gave, beside what the balance takes for it.
   *
   * @param balance mg N a day by the balance, its likely range
   */
  public static Phrase caught(CaughtOut caught, Range balance) {
    boolean skimmer = caught.gear() == CaughtOut.Gear.SKIMMER;
    return Phrase.of(
        skimmer ? "The cup gave " : "Socks and floss gave ",
        SmallWords.level(caught.grams(), skimmer ? "mL" : "g"),
        " in " + SmallWords.days(Math.rint(caught.days())) + ": by its amount ",
        SmallWords.level(caught.nitrogen().low(), ""),
        " to ",
        SmallWords.level(caught.nitrogen().high(), "mg"),
        " of nitrogen and ",
        SmallWords.level(caught.phosphorus().low(), ""),
        " to ",
        SmallWords.level(caught.phosphorus().high(), "mg"),
        " of phosphorus a day, no better known than that. By the balance it is ",
        SmallWords.level(balance.low(), ""),
        " to ",
        SmallWords.level(balance.high(), "mg"),
        " of nitrogen a day: " + agreement(caught, balance, skimmer));
  }

  private static String agreement(CaughtOut caught, Range balance, boolean skimmer) {
    if (caught.nitrogen().meets(balance)) {
      return "they agree.";
    }
    return caught.nitrogen().high() < balance.low()
        ? "more than came out. The share "
            + (skimmer ? "the skimmer takes" : "they hold back")
            + " in Make-up is likely too high."
        : "less than came out. The share "
            + (skimmer ? "the skimmer takes" : "they hold back")
            + " in Make-up is likely too low.";
  }

  /** What each bed or slow filter of the tank asks for. */
  public static List<Phrase> beds(TankModel tank) {
    List<Phrase> said = new ArrayList<>();
    for (ExportMethod export : tank.exports()) {
      if (export instanceof ExportMethod.DeepBed bed) {
        said.add(
            Phrase.of(
                "The deep bed is ",
                Phrase.amount(bed.depthCm(), "cm"),
                (bed.depthCm() < DEEP_ENOUGH_CM
                        ? " deep: under 10 cm it takes out little."
                        : " deep.")
                    + " Never stir it. Black spots, a smell of rotten eggs, or nitrite in the water"
                    + " say that it goes wrong: leave it alone, air the tank, and test nitrite."));
      }
    }
    return List.copyOf(said);
  }
}
