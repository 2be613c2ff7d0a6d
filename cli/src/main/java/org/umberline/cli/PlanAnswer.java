package org.umberline.cli;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.OneOff;
import org.umberline.wording.AdviceWords;
import org.umberline.wording.Phrase;

/** The advice in the shape of docs/tank-file.md; fields are told there. */
record PlanAnswer(
    Today today,
    List<Advice.Step> catchUp,
    Optional<Advice.Recommended> recommended,
    Optional<Binding> binding,
    @JsonIgnoreProperties("caughtUp") List<Advice.Option> options,
    List<Help> helps,
    List<Advice.DueWork> work,
    List<Advice.Ask> asks,
    List<String> remarks,
    @JsonInclude(JsonInclude.Include.NON_ABSENT) Optional<Once> oneOff) {

  static PlanAnswer of(Advice advice, AdviceWords words, Optional<OneOff> oneOff) {
    Advice.Today today = advice.today();
    return new PlanAnswer(
        new Today(
            today.verdict(),
            today.fraction(),
            today.litres(),
            today.latestSafeDay(),
            today.ifWaiting(),
            plain(words.why(advice))),
        advice.catchUp(),
        advice.recommended(),
        advice.binding().map(b -> new Binding(b.nutrient(), b.side())),
        advice.options(),
        advice.helps().stream().map(Help::of).toList(),
        advice.work(),
        advice.asks(),
        plain(words.remarks(advice)),
        oneOff.map(Once::of));
  }

  private static List<String> plain(List<Phrase> phrases) {
    return phrases.stream().map(Phrase::plain).toList();
  }

  record Today(
      Advice.Verdict verdict,
      OptionalDouble fraction,
      OptionalDouble litres,
      Optional<LocalDate> latestSafeDay,
      Optional<Advice.Waiting> chanceIfWaiting,
      List<String> why) {}

  record Binding(Nutrient nutrient, Advice.Side limit) {}

  record Help(
      @JsonUnwrapped Pulled first,
      @JsonInclude(JsonInclude.Include.NON_ABSENT) Optional<Pulled> and,
      OptionalDouble fraction,
      double everyDays,
      double minutesPer28Days) {
    static Help of(Advice.Help help) {
      return new Help(
          Pulled.of(help.first()),
          help.and().map(Pulled::of),
          help.fraction(),
          help.everyDays(),
          help.minutesPer28Days());
    }
  }

  /** What is pulled on is named by its kind. */
  @JsonInclude(JsonInclude.Include.NON_ABSENT)
  record Pulled(
      Advice.Lever lever,
      double amount,
      Advice.AmountUnit unit,
      Optional<String> water,
      Optional<String> fertiliser,
      Optional<String> of) {
    static Pulled of(Advice.Pulled pulled) {
      boolean water = pulled.lever() == Advice.Lever.WATER;
      boolean dose = pulled.lever() == Advice.Lever.DOSE;
      return new Pulled(
          pulled.lever(),
          pulled.amount(),
          pulled.unit(),
          pulled.of().filter(id -> water),
          pulled.of().filter(id -> dose),
          pulled.of().filter(id -> !water && !dose));
    }
  }

  record Once(
      OptionalDouble fraction,
      List<Double> series,
      double litres,
      int buckets,
      double bestReachableMgL,
      @JsonInclude(JsonInclude.Include.NON_ABSENT) Optional<OneOff.With> with) {
    static Once of(OneOff oneOff) {
      return new Once(
          oneOff.fraction(),
          oneOff.series(),
          oneOff.litres(),
          oneOff.buckets(),
          oneOff.bestReachableMgL(),
          oneOff.with());
    }
  }
}
