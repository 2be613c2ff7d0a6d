package org.umberline.server.rounds;

import static org.umberline.server.http.Absent.orNull;

import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.Stance;
import org.umberline.core.trial.TestDue;
import org.umberline.core.trouble.Story;
import org.umberline.core.upkeep.Work;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.balance.AdviceViews;
import org.umberline.server.balance.BalanceMapper;
import org.umberline.server.balance.BalanceViews;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.AnswerCache;
import org.umberline.server.learning.AnswerShelf;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.learning.WorkedAhead;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.wording.AdviceWords;
import org.umberline.wording.TrialWords;
import org.umberline.wording.TroubleWords;
import org.umberline.wording.WorkWords;

/** Answers for Rounds. */
@Service
public class RoundsAnswers implements WorkedAhead {
  /** What a sitter saw is told for so many days. Chosen. */
  private static final int DAYS_WORRIED = 7;

  private final Advices advices;
  private final Clock clock;
  private final AnswerCache<RoundsViews.RoundsLine> roundsLines;

  public RoundsAnswers(Advices advices, Clock clock, Computations computations, AnswerShelf shelf) {
    this.advices = advices;
    this.clock = clock;
    roundsLines =
        AnswerCache.kept(computations, 300, shelf, "rounds", RoundsViews.RoundsLine.class);
  }

  private LocalDate today(Stored stored) {
    return stored.tank().dayOf(clock.instant());
  }

  public RoundsViews.RoundsLine line(Stored stored) {
    return roundsLines.get(stored, today(stored), asked(stored), () -> workOutRoundsLine(stored));
  }

  /** The line that is known, be it of an earlier moment; nothing is waited for. */
  public Optional<AnswerCache.Known<RoundsViews.RoundsLine>> known(Stored stored) {
    return roundsLines.known(stored, today(stored), asked(stored));
  }

  /** Key of a look at a sign, before the sign. */
  private static final String LOOK = "look:";

  /** Key of a test for a trial, before what is tested. */
  private static final String TRIAL = "trial:";

  private static List<Object> asked(Stored stored) {
    return List.of(stored.site(), stored.careVersion());
  }

  @Override
  public void workOut(Stored stored) {
    line(stored);
  }

  private RoundsViews.RoundsLine workOutRoundsLine(Stored stored) {
    LearnedTank now = advices.learned(stored);
    Advice advice = advices.of(stored);
    RoutineOutlook outlook = now.advisor().outlook(advice);
    AdviceWords words = new AdviceWords(now.tank());
    Projection alone = outlook.projection(PlannedChanges.NONE, now.horizon());
    Forecast nitrate = Forecast.of(alone, Nutrient.NITRATE, now.tank().lines());
    Forecast phosphate = Forecast.of(alone, Nutrient.PHOSPHATE, now.tank().lines());
    OptionalDouble fraction = AdviceMapper.nextFraction(advice);
    Optional<LocalDate> on =
        advice.today().fraction().isPresent()
            ? Optional.of(now.today())
            : advice.today().skipUntil();
    return new RoundsViews.RoundsLine(
        BalanceMapper.tank(stored, now),
        advice.today().verdict(),
        orNull(fraction),
        fraction.isPresent() ? fraction.getAsDouble() * now.tank().netVolumeL() : null,
        advice.today().litres().isPresent()
            ? now.tank().effort().minutes(advice.today().litres().getAsDouble())
            : null,
        on.orElse(null),
        Stream.concat(AdviceMapper.warnings(advice, words).stream(), worried(now).stream())
            .toList(),
        AdviceMapper.why(advice, words),
        AdviceMapper.work(advice, words),
        nitrate
            .ceiling()
            .flatMap(Forecast.Ceiling::likely)
            .or(() -> phosphate.ceiling().flatMap(Forecast.Ceiling::likely))
            .orElse(null),
        new BalanceViews.Level(
            BalanceMapper.now(nitrate), BalanceMapper.line(now.tank().lines().nitrate())),
        new BalanceViews.Level(
            BalanceMapper.now(phosphate), BalanceMapper.line(now.tank().lines().phosphate())),
        daysSince(now, LogEntry.Test.class),
        daysSince(now, LogEntry.WaterChange.class),
        stored.site(),
        now.standing().map(r -> BalanceMapper.routine(now.tank(), r)).orElse(null),
        AdviceMapper.routine(advice).map(r -> BalanceMapper.routine(now.tank(), r)).orElse(null),
        now.tank().stance() == Stance.FIXED_ROUTINE,
        AdviceMapper.testFirst(advice, outlook),
        dueWorks(stored, now));
  }

  /** Looks and tests first that are asked for by name, then recurring work. */
  private static List<RoundsViews.DueWork> dueWorks(Stored stored, LearnedTank now) {
    List<TestDue> trials = TestDue.of(now.tank(), now.today());
    return Stream.of(looks(now), trials(trials, now), due(stored, now, trials))
        .flatMap(works -> works)
        .toList();
  }

  /** Signs that are to be looked at again. */
  private static Stream<RoundsViews.DueWork> looks(LearnedTank now) {
    return Story.standing(now.tank(), now.today()).stream()
        .map(sign -> Story.of(now.tank(), sign, now.now()))
        .filter(story -> story.isAsked(now.today()))
        .map(
            story ->
                new RoundsViews.DueWork(
                    LOOK + story.sign(),
                    AdviceMapper.said(TroubleWords.lookAgain(story.sign())),
                    Story.LOOK_AGAIN_DAYS,
                    0));
  }

  /** Tests that trials ask for. */
  private static Stream<RoundsViews.DueWork> trials(List<TestDue> trials, LearnedTank now) {
    return trials.stream()
        .map(
            due ->
                new RoundsViews.DueWork(
                    TRIAL + due.trial().analyte().term(),
                    AdviceMapper.said(TrialWords.test(due.trial())),
                    due.trial().days(),
                    (int) ChronoUnit.DAYS.between(due.on(), now.today())));
  }

  /** What whoever looks after the tank was worried by lately, until it was seen to be gone. */
  private static Optional<List<AdviceViews.Said>> worried(LearnedTank now) {
    return now.tank()
        .standing(Sign.SITTER_WORRIED)
        .filter(
            seen ->
                now.tank()
                    .dayOf(seen.at().toInstant())
                    .isAfter(now.today().minusDays(DAYS_WORRIED)))
        .map(
            seen ->
                AdviceMapper.said(
                    WorkWords.worried(now.tank().dayOf(seen.at().toInstant()), seen.note())));
  }

  /** Work that is due today or late, the latest first. */
  private static Stream<RoundsViews.DueWork> due(
      Stored stored, LearnedTank now, List<TestDue> trials) {
    Set<String> onTrial =
        trials.stream().map(due -> due.trial().analyte().term()).collect(Collectors.toSet());
    return now.work(stored.care()).stream()
        .filter(work -> work.kind() != Work.Kind.CHANGE && !work.due().isAfter(now.today()))
        .filter(work -> work.kind() != Work.Kind.TEST || !onTrial.contains(work.subject()))
        .sorted(Comparator.comparingInt((Work work) -> work.lateDays(now.today())).reversed())
        .map(
            work ->
                new RoundsViews.DueWork(
                    work.key(),
                    AdviceMapper.said(WorkWords.of(work, now.tank())),
                    work.everyDays(),
                    work.lateDays(now.today())));
  }

  private static Integer daysSince(LearnedTank now, Class<? extends LogEntry> kind) {
    return now.last(kind).map(day -> (int) ChronoUnit.DAYS.between(day, now.today())).orElse(null);
  }
}
