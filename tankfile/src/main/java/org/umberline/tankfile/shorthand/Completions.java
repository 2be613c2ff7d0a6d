package org.umberline.tankfile.shorthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.umberline.core.tank.Additive;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Task;
import org.umberline.tankfile.LogWords;

/** How the last word of a line could go on, from what this tank has. */
public final class Completions {
  private static final int MOST = 6;

  private Completions() {}

  /**
   * The line with its last word completed, in every way that fits; the likeliest first.
   *
   * @param line as far as it is typed
   */
  public static List<String> of(String line, TankModel tank) {
    int from = line.lastIndexOf(' ') + 1;
    String begun = line.substring(from).toLowerCase(Locale.ROOT);
    String[] before = line.substring(0, from).toLowerCase(Locale.ROOT).trim().split("\\s+");
    String last = before[before.length - 1];
    if (line.contains("#") || List.of(before).contains("note")) {
      return List.of();
    }
    List<String> fitting = new ArrayList<>();
    for (String word : after(last, before, tank)) {
      boolean goesOn = word.toLowerCase(Locale.ROOT).startsWith(begun);
      if (goesOn && !word.equalsIgnoreCase(begun) && !fitting.contains(word)) {
        fitting.add(word);
      }
    }
    return fitting.stream().limit(MOST).map(word -> line.substring(0, from) + word + " ").toList();
  }

  private static List<String> after(String last, String[] before, TankModel tank) {
    return switch (last) {
      case "fed", "feed", "of" -> tank.foods().stream().map(Food::id).toList();
      case "cut", "harvest", "harvested" -> tank.plants().stream().map(PlantStand::id).toList();
      case "cleaned", "clean" ->
          tank.exports().stream()
              .filter(
                  gear ->
                      gear instanceof ExportMethod.Mechanical
                          || gear instanceof ExportMethod.Skimmer)
              .map(ExportMethod::id)
              .toList();
      case "renewed", "renew" ->
          tank.exports().stream()
              .filter(ExportMethod.PhosphateAdsorber.class::isInstance)
              .map(ExportMethod::id)
              .toList();
      case "dosed", "dose" -> tank.fertilisers().stream().map(Fertiliser::id).toList();
      case "added" -> Additive.all().stream().map(Additive::term).toList();
      case "dead", "died" ->
          tank.livestock().stream()
              .map(Livestock::name)
              .filter(name -> !name.isBlank())
              .map(name -> name.strip().toLowerCase(Locale.ROOT).split("\\s+", 2)[0])
              .toList();
      case "saw" -> Sign.TERMS;
      case "did" -> Task.terms();
      case "siphon", "siphoned" -> List.of("half");
      case "change", "changed" -> List.of();
      default -> begin(before, tank);
    };
  }

  /** What may begin an entry, or go on after an amount. */
  private static List<String> begin(String[] before, TankModel tank) {
    Stream<String> here =
        List.of(before).contains("change")
            ? Stream.concat(tank.waters().stream().map(SourceWater::id), Stream.of("siphon"))
            : tank.kits().stream().map(Kit::id);
    Stream<String> words = Stream.of(Shorthand.VERBS, LogWords.all()).flatMap(List::stream);
    boolean empty = before.length == 1 && before[0].isEmpty();
    return (empty ? words : Stream.concat(words, here)).toList();
  }
}
