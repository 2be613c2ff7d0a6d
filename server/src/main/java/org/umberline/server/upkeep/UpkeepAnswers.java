package org.umberline.server.upkeep;

import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.umberline.core.planning.Absence;
import org.umberline.core.planning.Advice;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.AwayFeeding;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.CatchUp;
import org.umberline.core.upkeep.GearOutlook;
import org.umberline.core.upkeep.Schedule;
import org.umberline.core.upkeep.Work;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.http.Refused;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.AnswerCache;
import org.umberline.server.learning.AnswerShelf;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.learning.Posteriors;
import org.umberline.server.learning.WorkedAhead;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.wording.AdviceWords;
import org.umberline.wording.Phrase;
import org.umberline.wording.WorkWords;

/** Recurring work over all tanks, and what an absence does to one. */
@Service
public class UpkeepAnswers implements WorkedAhead {
  /** So far ahead work is laid out where nobody says how far. */
  static final int USUAL_DAYS = 42;

  private final TankRecords tanks;
  private final Posteriors posteriors;
  private final Advices advices;
  private final Clock clock;
  private final AnswerCache<GearOutlook> outlooks;
  private final AnswerCache<UpkeepViews.UpkeepTank> views;

  /** What the model knows of a tank's gear. */
  public UpkeepAnswers(
      TankRecords tanks,
      Posteriors posteriors,
      Computations computations,
      Advices advices,
      AnswerShelf shelf,
      Clock clock) {
    this.clock = clock;
    this.advices = advices;
    outlooks = new AnswerCache<>(computations, 300);
    views = AnswerCache.kept(computations, 300, shelf, "upkeep", UpkeepViews.UpkeepTank.class);
    this.tanks = tanks;
    this.posteriors = posteriors;
  }

  /**
   * A tank's work laid out.
   *
   * @param planned the changes that are laid out: those of the advice
   */
  public record LaidOut(
      Stored stored,
      LocalDate today,
      Optional<Routine> standing,
      Optional<Routine> planned,
      GearOutlook outlook,
      List<Work> works,
      Schedule schedule,
      Advice advice) {
    /** A piece of the work in words, as it is on a day. */
    public Phrase words(Work work, LocalDate on) {
      Optional<Routine> routine = planned;
      if (advice.today().fraction().isPresent() && on.equals(today)) {
        routine =
            planned.map(
                r -> new Routine(advice.today().fraction().getAsDouble(), r.everyDays(), on));
      }
      for (Advice.Step step : advice.catchUp()) {
        if (step.on().equals(on)) {
          routine = planned.map(r -> new Routine(step.fraction(), r.everyDays(), on));
        }
      }
      return WorkWords.of(work, stored.tank().withRoutine(routine));
    }

    /** Days of the changes that are made once. */
    List<LocalDate> once() {
      return UpkeepAnswers.once(advice);
    }
  }

  public LaidOut layOut(Stored stored, int days) {
    LearnedTank now = advices.learned(stored);
    GearOutlook outlook =
        outlooks.get(
            stored,
            now.today(),
            "",
            () -> GearOutlook.of(now.tank(), now.posterior(), now.today()));
    Advice advice = advices.of(stored);
    Optional<Routine> planned = AdviceMapper.planned(advice, stored.tank(), now.standing());
    List<Work> works =
        Work.of(stored.tank(), stored.care(), planned, now.today(), outlook.foreseen());
    return new LaidOut(
        stored,
        now.today(),
        now.standing(),
        planned,
        outlook,
        works,
        Schedule.of(stored.tank(), stored.care(), works, planned, once(advice), now.today(), days),
        advice);
  }

  private static List<LocalDate> once(Advice advice) {
    return advice.catchUp().stream().map(Advice.Step::on).toList();
  }

  /** The work of every tank over the next days. */
  public UpkeepViews.Upkeep upkeep(UUID keeper, int days) {
    return new UpkeepViews.Upkeep(
        tanks.all(keeper).stream().map(stored -> upkeep(stored, days)).toList());
  }

  private UpkeepViews.UpkeepTank upkeep(Stored stored, int days) {
    return views.get(
        stored,
        stored.tank().dayOf(clock.instant()),
        List.of(stored.site(), stored.careVersion(), days),
        () -> view(layOut(stored, days)));
  }

  @Override
  public void workOut(Stored stored) {
    upkeep(stored, USUAL_DAYS);
  }

  private static UpkeepViews.UpkeepTank view(LaidOut laidOut) {
    Stored stored = laidOut.stored;
    TankModel tank = stored.tank();
    return new UpkeepViews.UpkeepTank(
        stored.id(),
        tank.name(),
        stored.site(),
        laidOut.today,
        stored.careVersion(),
        laidOut.schedule.occurrences().stream()
            .map(
                o ->
                    new UpkeepViews.Occurrence(
                        o.work().key(),
                        o.work().kind().name(),
                        AdviceMapper.said(laidOut.words(o.work(), o.on())),
                        WorkWords.doneAs(o.work()),
                        o.on(),
                        o.lateDays(),
                        o.moved()
                            .map(moved -> WorkWords.moved(moved, stored.care()).plain())
                            .orElse("")))
            .toList(),
        laidOut.works.stream()
            .map(
                work ->
                    new UpkeepViews.Work(
                        work.key(),
                        work.kind().name(),
                        AdviceMapper.said(laidOut.words(work, work.due())),
                        work.everyDays(),
                        work.origin().name(),
                        work.lastDone().orElse(null),
                        isMovable(work, stored),
                        AdviceMapper.said(reason(work, laidOut))))
            .toList(),
        laidOut
            .standing
            .flatMap(routine -> CatchUp.of(routine, laidOut.today))
            .map(
                missed ->
                    new UpkeepViews.CatchUp(
                        missed.missed(),
                        missed.since(),
                        laidOut.advice.catchUp().stream().map(AdviceMapper::step).toList()))
            .orElse(null));
  }

  /** Only a fixed routine has days of its own: all other changes are where the advice puts them. */
  private static boolean isMovable(Work work, Stored stored) {
    return work.kind() != Work.Kind.CHANGE || stored.tank().stance() == Stance.FIXED_ROUTINE;
  }

  /** What the model knows of it, in words. */
  private static Phrase reason(Work work, LaidOut laidOut) {
    if (work.origin() == Work.Origin.SEEN) {
      return WorkWords.seen(work);
    }
    for (GearOutlook.Wear wear : laidOut.outlook.wear()) {
      if (work.key().equals(Work.key(Work.Kind.RENEW, wear.export()))) {
        return WorkWords.wear(wear);
      }
    }
    for (GearOutlook.Growth growth : laidOut.outlook.growth()) {
      if (work.key().equals(Work.key(Work.Kind.THIN, growth.plant()))) {
        return WorkWords.growth(growth);
      }
    }
    if (work.kind() == Work.Kind.CLEAN) {
      return laidOut.advice.helps().stream()
          .filter(help -> help.first().lever() == Advice.Lever.MEDIA_CLEANING)
          .filter(help -> help.and().isEmpty())
          .filter(help -> help.first().of().filter(work.subject()::equals).isPresent())
          .map(new AdviceWords(laidOut.stored.tank())::help)
          .findFirst()
          .orElse(Phrase.NONE);
    }
    return Phrase.NONE;
  }

  /**
   * Moves a piece of work, or sets how often it is done.
   *
   * @throws Refused naming the nearest day that the rules allow
   */
  public void set(Stored stored, UUID keeper, String key, UpkeepRequests.WorkChange request) {
    LaidOut laidOut = layOut(stored, 1);
    Work work =
        laidOut.works.stream()
            .filter(one -> one.key().equals(key))
            .findFirst()
            .or(() -> unwanted(stored, laidOut, key))
            .orElseThrow(() -> Refused.notFound("work"));
    if (work.kind() == Work.Kind.CHANGE) {
      moveChange(stored, keeper, laidOut, work, request);
      return;
    }
    if (request.nextOn() != null) {
      Schedule.against(
              stored.tank(),
              stored.care(),
              work,
              laidOut.planned,
              laidOut.once(),
              laidOut.today,
              request.nextOn())
          .ifPresent(
              why -> {
                throw Refused.field(
                    "nextOn",
                    request.nextOn().toString(),
                    WorkWords.objection(why, stored.care()).plain());
              });
    }
    tanks.setCare(
        stored.id(),
        keeper,
        request.version(),
        care -> {
          Optional<Care.Habit> before = care.habit(key);
          OptionalInt every =
              request.everyDays() != null
                  ? OptionalInt.of(request.everyDays())
                  : before.map(Care.Habit::everyDays).orElse(OptionalInt.empty());
          Optional<LocalDate> next =
              request.everyDays() != null && request.nextOn() == null
                  ? Optional.empty()
                  : Optional.ofNullable(request.nextOn());
          return care.with(new Care.Habit(key, every, next));
        });
  }

  /** Work that the keeper once did not want has no place in the list, but can be wanted again. */
  private static Optional<Work> unwanted(Stored stored, LaidOut laidOut, String key) {
    return Work.of(
            stored.tank(),
            stored.care().withHabits(List.of()),
            laidOut.planned,
            laidOut.today,
            laidOut.outlook.foreseen())
        .stream()
        .filter(work -> work.key().equals(key))
        .findFirst();
  }

  private void moveChange(
      Stored stored, UUID keeper, LaidOut laidOut, Work work, UpkeepRequests.WorkChange request) {
    if (request.nextOn() == null || request.nextOn().isBefore(laidOut.today)) {
      throw Refused.field("nextOn", String.valueOf(request.nextOn()), "today or later");
    }
    Routine routine = laidOut.standing.orElseThrow(() -> Refused.notFound("routine"));
    if (!isMovable(work, stored)) {
      throw Refused.field(
          "nextOn",
          request.nextOn().toString(),
          "the day that the advice names; only a fixed routine has days of its own");
    }
    tanks.change(
        stored.id(),
        keeper,
        stored.version(),
        tank -> tank.withRoutine(Optional.of(routine.startingOn(request.nextOn()))));
  }

  /** What comes of being away. */
  public UpkeepViews.Absence absence(Stored stored, UpkeepRequests.Away request) {
    LearnedTank now = posteriors.learned(stored, stored.tank().lines());
    LocalDate last = now.today().plusDays(now.horizon());
    boolean inOrder =
        request.from().isAfter(now.today())
            && !request.to().isBefore(request.from())
            && !request.to().isAfter(last);
    if (!inOrder) {
      throw Refused.field(
          "from",
          request.from() + " to " + request.to(),
          "days after " + now.today() + " up to " + last + ", in order");
    }
    double ration = rationG(now.tank(), now.today());
    int days = (int) ChronoUnit.DAYS.between(request.from(), request.to()) + 1;
    AwayFeeding usual = AwayFeeding.of(now.tank(), days);
    double grams =
        request.gramsPerDay() == null ? usual.shareOfRation() * ration : request.gramsPerDay();
    if (ration <= 0 && grams > 0) {
      throw Refused.field("gramsPerDay", String.valueOf(grams), "0: the tank has no ration");
    }
    double share = ration > 0 ? grams / ration : 0;
    Absence absence = Absence.of(now.tank(), now.posterior(), request.from(), request.to(), share);
    return new UpkeepViews.Absence(
        days,
        ration,
        grams,
        request.gramsPerDay() == null ? usual.why() : null,
        share,
        grams * days,
        outcome(stored.tank(), absence.without()),
        absence.with().map(o -> outcome(stored.tank(), o)).orElse(null),
        absence.changeOn(),
        absence.testOn(),
        now.tank().limits().confidence(),
        now.advisor().largest().largestFraction());
  }

  private static UpkeepViews.AbsenceOutcome outcome(TankModel tank, Absence.Outcome outcome) {
    return new UpkeepViews.AbsenceOutcome(
        outcome.changeBefore(),
        outcome.changeBefore() * tank.netVolumeL(),
        outcome.probabilityWithinLines(),
        outcome.nitratePeakMgL(),
        outcome.phosphatePeakMgL());
  }

  /** The standing ration of the day, g a day as fed. */
  static double rationG(TankModel tank, LocalDate day) {
    return tank.feeding().stream()
        .filter(feeding -> feeding.span().contains(day))
        .mapToDouble(Feeding::gramsPerDay)
        .sum();
  }
}
