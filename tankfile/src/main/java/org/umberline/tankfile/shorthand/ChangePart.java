package org.umberline.tankfile.shorthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.SourceWater;
import org.umberline.tankfile.Figures;

/** Reads a water change: how much, with which water, and what was siphoned. */
final class ChangePart {
  private static final Set<String> CHANGE = Set.of("change", "changed");

  private final EntryLine line;

  ChangePart(EntryLine line) {
    this.line = line;
  }

  /** Whether a number just taken is of a change: 25 %, or named after it as in 40 L change. */
  boolean isAmount(String word) {
    int unit = line.words.peek(1).equals("water") ? 2 : 1;
    return word.matches("\\d+([.,]\\d+)?")
        && (line.words.peek().equals("%") || CHANGE.contains(line.words.peek(unit)));
  }

  /**
   * Reads on after the amount.
   *
   * @param namedAfter whether the word change comes behind it
   */
  void read(double amount, boolean namedAfter) throws Unreadable {
    double litres;
    if (line.words.takeIf("%")) {
      if (amount <= 0 || amount > 100) {
        throw new Unreadable(
            "A change of " + Figures.plain(amount) + " % is not possible; over 0 to 100 % is.");
      }
      litres = Math.round(line.tank.netVolumeL() * amount) / 100.0;
    } else if (line.words.takeIf("bucket") || line.words.takeIf("buckets")) {
      if (line.household.bucketLitres().isEmpty()) {
        throw new Unreadable(
            "What a bucket holds isn’t known yet: give its litres once, under Upkeep.");
      }
      litres = held(amount * line.household.bucketLitres().getAsDouble());
    } else if (line.words.takeIf("l")
        || line.words.takeIf("litres")
        || line.words.takeIf("litre")) {
      litres = held(amount);
    } else {
      throw new Unreadable(
          "A change needs %, L or buckets after "
              + Figures.plain(amount)
              + ", as in change 25% or change 40 L.");
    }
    if (namedAfter) {
      line.words.takeIf("water");
      if (CHANGE.contains(line.words.peek())) {
        line.words.take();
      }
    }
    Blend blend = blend();
    double siphoned = 0;
    if (line.words.takeIf("siphon") || line.words.takeIf("siphoned")) {
      siphoned = line.words.takeIf("half") ? 0.5 : line.percent().orElse(1.0);
      if (siphoned < 0 || siphoned > 1) {
        throw new Unreadable("The siphoned share of the bed lies between 0 and 100 %.");
      }
    }
    double bed = siphoned;
    double poured = litres;
    line.add(
        (at, note) -> new LogEntry.WaterChange(at, poured, blend, bed, note),
        "Change of "
            + Figures.plain(poured)
            + " L, "
            + Math.round(100 * poured / line.tank.netVolumeL())
            + " % of "
            + Figures.plain(line.tank.netVolumeL())
            + " L, with "
            + describe(blend)
            + (bed > 0 ? ", " + Figures.plain(100 * bed) + " % of the bed siphoned" : ""));
  }

  private double held(double litres) throws Unreadable {
    if (litres <= 0 || litres > line.tank.netVolumeL()) {
      throw new Unreadable(
          "A change of "
              + Figures.plain(litres)
              + " L is not possible; the tank holds "
              + Figures.plain(line.tank.netVolumeL())
              + " L.");
    }
    return litres;
  }

  private Blend blend() throws Unreadable {
    if (line.words.takeIf("pure")) {
      return new Blend(List.of());
    }
    List<Blend.Part> parts = new ArrayList<>();
    double sum = 0;
    while (true) {
      Optional<SourceWater> water =
          line.named(line.tank.waters(), SourceWater::id, SourceWater::name);
      if (water.isEmpty()) {
        break;
      }
      double share = line.percent().orElse(1.0);
      parts.add(new Blend.Part(water.get().id(), share));
      sum += 100 * share;
    }
    if (parts.isEmpty()) {
      return line.tank.changeWater();
    }
    if (Math.abs(sum - 100) > 0.1) {
      throw new Unreadable(
          "The shares of the waters add to " + Figures.plain(sum) + " %; they must add to 100.");
    }
    return new Blend(parts);
  }

  private String describe(Blend blend) {
    if (blend.parts().isEmpty()) {
      return "pure water";
    }
    return String.join(
        " and ",
        blend.parts().stream()
            .map(
                part ->
                    (blend.parts().size() > 1 ? Figures.plain(100 * part.share()) + " % " : "")
                        + line.tank.waterById(part.water()).name())
            .toList());
  }
}
