package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
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
