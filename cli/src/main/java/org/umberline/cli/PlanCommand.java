package org.umberline.cli;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.OneOff;
import org.umberline.core.tank.Term;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.TankFile;
import org.umberline.wording.AdviceWords;
import org.umberline.wording.Phrase;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

@Command(
    name = "plan",
    description = "What to do with the tank: today, and which routine after it.",
    mixinStandardHelpOptions = true)
final class PlanCommand extends ModelCommand {
  @Option(
      names = "--to",
      paramLabel = "NUTRIENT=MG/L",
      description = "also the change, or changes, that bring it to a level: nitrate=15")
  String to;

  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    Advisor advisor =
        new Advisor(
            known.tank(), calibrate(known, Advisor.daysAhead(known.tank())), known.instant());
    Advice advice = advisor.advise();
    AdviceWords words = new AdviceWords(known.tank());
    ObjectNode result = begin(name, known, file);
    today(result.putObject("today"), advice.today(), words.why(advice));
    catchUp(result.putArray("catchUp"), advice.catchUp());
    advice
        .recommended()
        .ifPresentOrElse(
            r -> recommended(result.putObject("recommended"), r),
            () -> result.putNull("recommended"));
    advice
        .binding()
        .ifPresentOrElse(
            b -> {
              ObjectNode binding = result.putObject("binding");
              binding.put("nutrient", b.nutrient().term());
              binding.put("limit", b.side().term());
            },
            () -> result.putNull("binding"));
    options(result.putArray("options"), advice.options());
    helps(result.putArray("helps"), advice.helps());
    work(result.putArray("work"), advice.work());
    ArrayNode asks = result.putArray("asks");
    for (Advice.Ask ask : advice.asks()) {
      ObjectNode a = asks.addObject();
      a.put("analyte", ask.analyte().term());
      a.put("settles", Figures.rounded(ask.settles()));
    }
    list(result, "remarks", plain(words.remarks(advice)));
    if (to != null) {
      oneOff(result.putObject("oneOff"), advisor);
    }
    return result;
  }

  private static void today(ObjectNode node, Advice.Today today, List<Phrase> why) {
    node.put("verdict", today.verdict().term());
    put(node, "fraction", today.fraction());
    put(node, "litres", today.litres());
    put(node, "latestSafeDay", today.latestSafeDay());
    today
        .ifWaiting()
        .ifPresentOrElse(
            w -> {
              ObjectNode waiting = node.putObject("chanceIfWaiting");
              waiting.put("until", w.until().toString());
              waiting.put("chance", Figures.rounded(w.chance()));
            },
            () -> node.putNull("chanceIfWaiting"));
    list(node, "why", plain(why));
  }

  private static List<String> plain(List<Phrase> phrases) {
    return phrases.stream().map(Phrase::plain).toList();
  }

  private static void catchUp(ArrayNode array, List<Advice.Step> steps) {
    for (Advice.Step step : steps) {
      ObjectNode s = array.addObject();
      s.put("on", step.on().toString());
      s.put("fraction", step.fraction());
      s.put("litres", Figures.rounded(step.litres()));
      s.put("nitrateAfterMgL", Figures.rounded(step.nitrateAfterMgL()));
      s.put("phosphateAfterMgL", Figures.rounded(step.phosphateAfterMgL()));
    }
  }

  private static void recommended(ObjectNode r, Advice.Recommended recommended) {
    r.put("fraction", recommended.fraction());
    r.put("everyDays", recommended.everyDays());
    r.put("litres", Figures.rounded(recommended.litres()));
    r.put("nextOn", recommended.nextOn().toString());
    r.put("minutesPer28Days", Figures.rounded(recommended.minutesPer28Days()));
    r.put("probabilityWithinLines", Figures.rounded(recommended.probabilityWithinLines()));
    r.put("nitratePeakMgL", Figures.rounded(recommended.nitratePeakMgL()));
    r.put("nitrateTroughMgL", Figures.rounded(recommended.nitrateTroughMgL()));
    r.put("phosphatePeakMgL", Figures.rounded(recommended.phosphatePeakMgL()));
    r.put("phosphateTroughMgL", Figures.rounded(recommended.phosphateTroughMgL()));
  }

  private static void options(ArrayNode array, List<Advice.Option> options) {
    for (Advice.Option option : options) {
      ObjectNode o = array.addObject();
      o.put("everyDays", option.everyDays());
      put(o, "fraction", option.fraction());
      o.put("feasible", option.feasible());
      o.put("bindingLimit", option.bindingLimit().term());
      put(o, "startsOn", option.startsOn());
      put(o, "litresPer28Days", option.litresPer28Days());
      put(o, "turnoverPer28Days", option.turnoverPer28Days());
      o.put("probabilityWithinLines", Figures.rounded(option.probabilityWithinLines()));
      put(o, "minutesPer28Days", option.minutesPer28Days());
    }
  }

  private static void helps(ArrayNode array, List<Advice.Help> helps) {
    for (Advice.Help help : helps) {
      ObjectNode h = array.addObject();
      pulled(h, help.first());
      help.and().ifPresent(and -> pulled(h.putObject("and"), and));
      put(h, "fraction", help.fraction());
      h.put("everyDays", help.everyDays());
      h.put("minutesPer28Days", Figures.rounded(help.minutesPer28Days()));
    }
  }

  private static void pulled(ObjectNode node, Advice.Pulled pulled) {
    node.put("lever", pulled.lever().term());
    node.put("amount", Figures.rounded(pulled.amount()));
    node.put("unit", pulled.unit().term());
    pulled
        .of()
        .ifPresent(
            id ->
                node.put(
                    switch (pulled.lever()) {
                      case WATER -> "water";
                      case DOSE -> "fertiliser";
                      default -> "of";
                    },
                    id));
  }

  private static void work(ArrayNode array, List<Advice.DueWork> work) {
    for (Advice.DueWork due : work) {
      ObjectNode w = array.addObject();
      w.put("on", due.on().toString());
      w.put("kind", due.kind().term());
      w.put("of", due.of());
      w.put("grams", Figures.rounded(due.grams()));
      w.put("added", due.added());
    }
  }

  private void oneOff(ObjectNode node, Advisor advisor) {
    String[] parts = to.split("=", 2);
    Optional<Nutrient> nutrient = Term.find(Nutrient.class, parts[0]);
    double target;
    try {
      target = parts.length == 2 ? Double.parseDouble(parts[1]) : Double.NaN;
    } catch (NumberFormatException e) {
      target = Double.NaN;
    }
    if (nutrient.isEmpty() || !(target >= 0 && target <= 1000)) {
      throw new ParameterException(
          spec.commandLine(), "--to is " + to + "; allowed: nitrate=MG/L or phosphate=MG/L");
    }
    OneOff once = advisor.oneOff(nutrient.get(), target);
    put(node, "fraction", once.fraction());
    ArrayNode series = node.putArray("series");
    once.series().forEach(share -> series.add(Figures.rounded(share)));
    node.put("litres", Figures.rounded(once.litres()));
    node.put("buckets", once.buckets());
    node.put("bestReachableMgL", Figures.rounded(once.bestReachableMgL()));
    once.with()
        .ifPresent(
            with -> {
              ObjectNode w = node.putObject("with");
              w.put("water", with.water());
              w.put("share", with.share());
              w.put("fraction", Figures.rounded(with.fraction()));
              w.put("changes", with.changes());
            });
  }

  private static void put(ObjectNode node, String key, Optional<LocalDate> day) {
    day.ifPresentOrElse(d -> node.put(key, d.toString()), () -> node.putNull(key));
  }

  private static void put(ObjectNode node, String key, OptionalDouble value) {
    if (value.isPresent()) {
      node.put(key, Figures.rounded(value.getAsDouble()));
    } else {
      node.putNull(key);
    }
  }
}
