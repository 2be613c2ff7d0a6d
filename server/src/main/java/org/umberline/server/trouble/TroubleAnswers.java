package org.umberline.server.trouble;

import static org.umberline.server.balance.AdviceMapper.said;
import static org.umberline.server.http.Absent.orNull;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.umberline.core.judging.FalseZero;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Levels;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.trouble.Clues;
import org.umberline.core.trouble.Diagnosis;
import org.umberline.core.trouble.Found;
import org.umberline.core.trouble.NutrientPair;
import org.umberline.core.trouble.Remedy;
import org.umberline.core.trouble.Story;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.balance.AdviceViews;
import org.umberline.server.http.Refused;
import org.umberline.server.http.Terms;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.wording.TroubleWords;

/** Signs of a tank, what they come from and what to do. */
@Service
public class TroubleAnswers {
  /** A reading of nothing is told of for so long. Chosen. */
  private static final int ZERO_DAYS = 30;

  /** Where a remedy is worked out. */
  private static final Map<Remedy, String> PLACES =
      Map.of(
          Remedy.AS_ADVISED, "balance",
          Remedy.NO_CHANGE_FOR_IT, "balance",
          Remedy.RAISE_NITRATE, "doses",
          Remedy.RAISE_PHOSPHATE, "doses",
          Remedy.CORRECT_ALKALINITY, "doses",
          Remedy.PEROXIDE, "doses");

  private final Advices advices;

  TroubleAnswers(Advices advices) {
    this.advices = advices;
  }

  public TroubleViews.Trouble trouble(Stored stored) {
    LearnedTank learned = advices.learned(stored);
    Instant now = learned.now();
    TankModel tank = learned.tank();
    NutrientPair pair =
        NutrientPair.of(tank, new Levels(tank, learned.posterior()), learned.today());
    List<TroubleViews.StandingSign> standing =
        Story.standing(tank, learned.today()).stream()
            .map(sign -> standing(tank, Story.of(tank, sign, now)))
            .toList();
    TroubleViews.Examined first =
        standing.stream()
            .findFirst()
            .flatMap(
                sign ->
                    advices
                        .known(stored)
                        .map(
                            advice ->
                                examined(
                                    stored, learned, advice, sign.sign(), looks(sign.looks()))))
            .orElse(null);
    return new TroubleViews.Trouble(
        Sign.TERMS.stream()
            .filter(sign -> !sign.equals(Sign.CORALS_CLOSED) || tank.water() == WaterKind.MARINE)
            .map(
                sign ->
                    new TroubleViews.SeenSign(
                        sign,
                        TroubleWords.sign(sign),
                        Diagnosis.looks(sign).stream()
                            .map(
                                look ->
                                    new TroubleViews.SignLook(look.term(), TroubleWords.look(look)))
                            .toList()))
            .toList(),
        standing,
        new TroubleViews.NutrientPair(
            said(TroubleWords.pair(pair)),
            TroubleWords.pairSteps(pair).stream().map(AdviceMapper::said).toList(),
            orNull(pair.perPhosphate()),
            NutrientPair.REDFIELD),
        first);
  }

  private static TroubleViews.StandingSign standing(TankModel tank, Story story) {
    LogEntry.Observation last = tank.standing(story.sign()).orElseThrow();
    return new TroubleViews.StandingSign(
        story.sign(),
        story.since().orElseThrow(),
        last.severity(),
        last.looks().stream().map(Look::term).toList(),
        story.lookAgain().orElseThrow());
  }

  /**
   * What a sign comes from.
   *
   * @param looks what is seen of it, by their terms
   * @throws Refused naming a sign or look that isn't known
   */
  public TroubleViews.Examined examined(Stored stored, String sign, List<String> looks) {
    if (!Sign.TERMS.contains(sign)) {
      throw Refused.field("sign", sign, String.join(", ", Sign.TERMS));
    }
    Set<Look> seen = looks(looks);
    return examined(stored, advices.learned(stored), advices.of(stored), sign, seen);
  }

  private static Set<Look> looks(List<String> terms) {
    Set<Look> looks = EnumSet.noneOf(Look.class);
    terms.forEach(term -> looks.add(Terms.of(Look.class, "looks", term)));
    return looks;
  }

  private TroubleViews.Examined examined(
      Stored stored, LearnedTank now, Advice advice, String sign, Set<Look> seen) {
    TankModel tank = now.tank();
    TroubleWords words = new TroubleWords(tank, advice);
    List<Found> found = Clues.of(tank, now.posterior(), now.work(stored.care()), now.today(), seen);
    Diagnosis diagnosis = Diagnosis.of(sign, tank.water(), found);
    Story story = Story.of(tank, sign, now.now());
    Levels levels = new Levels(tank, now.posterior());
    List<List<AdviceViews.Said>> remarks = new ArrayList<>();
    story.muddle().ifPresent(muddle -> remarks.add(said(words.muddle(muddle))));
    falseZero(tank, now.today()).ifPresent(zero -> remarks.add(said(TroubleWords.falseZero(zero))));
    return new TroubleViews.Examined(
        sign,
        said(TroubleWords.urgent(sign)),
        Clues.isOnGlassOnly(seen),
        diagnosis.candidates().stream()
            .map(
                one ->
                    candidate(one, Remedy.planFor(one.cause(), tank, levels, found, advice), words))
            .toList(),
        diagnosis.asks().stream()
            .map(
                ask ->
                    new TroubleViews.SignAsk(
                        said(words.ask(ask)), ask.test().map(a -> a.term()).orElse("")))
            .toList(),
        events(story.before(), words),
        remarks,
        story.tried().stream()
            .map(
                look ->
                    new TroubleViews.SignCourse(
                        look.on(), look.severity(), events(look.done(), words)))
            .toList(),
        TroubleWords.cautions(tank));
  }

  /** The latest. */
  private static Optional<FalseZero> falseZero(TankModel tank, LocalDate today) {
    return FalseZero.of(tank).stream()
        .filter(
            zero -> tank.dayOf(zero.test().at().toInstant()).isAfter(today.minusDays(ZERO_DAYS)))
        .reduce((a, b) -> b);
  }

  private static TroubleViews.SignCandidate candidate(
      Diagnosis.Candidate one, Remedy.Plan plan, TroubleWords words) {
    return new TroubleViews.SignCandidate(
        one.cause().term(),
        TroubleWords.cause(one.cause()),
        one.chance(),
        clues(one.speaksFor(), words),
        clues(one.against(), words),
        plan.steps().stream()
            .map(
                step ->
                    new TroubleViews.SignStep(
                        said(words.remedy(step)), PLACES.getOrDefault(step, "")))
            .toList(),
        plan.not().stream().map(step -> said(words.remedy(step))).toList());
  }

  private static List<List<AdviceViews.Said>> clues(List<Found> found, TroubleWords words) {
    return found.stream().map(clue -> said(words.clue(clue))).toList();
  }

  private static List<TroubleViews.SignEvent> events(
      List<Story.Happened> happened, TroubleWords words) {
    return happened.stream()
        .map(one -> new TroubleViews.SignEvent(one.on(), said(words.happened(one))))
        .toList();
  }
}
