package org.umberline.server.visit;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Levels;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;
import org.umberline.server.http.Refused;
import org.umberline.server.keeper.KeeperEntity;
import org.umberline.server.keeper.Keepers;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.site.SiteRecords;
import org.umberline.server.store.Documents;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.server.tank.TankWrites;
import org.umberline.server.upkeep.UpkeepAnswers;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.shorthand.Shorthand;
import org.umberline.wording.AdviceWords;

/** Visits to tanks that are looked after for others: a baseline on arrival, a page on leaving. */
@Service
public class VisitAnswers {
  private static final int DAYS_AHEAD = 14;
  private static final int MOST_LISTED = 200;

  /** A day on the page that is left. */
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);

  private final Visits visits;
  private final Keepers keepers;
  private final SiteRecords sites;
  private final Advices advices;
  private final UpkeepAnswers upkeep;
  private final TankWrites writes;
  private final Documents documents;
  private final Clock clock;
  private final Computations computations;

  public VisitAnswers(
      Visits visits,
      Keepers keepers,
      SiteRecords sites,
      Advices advices,
      UpkeepAnswers upkeep,
      TankWrites writes,
      Documents documents,
      Clock clock,
      Computations computations) {
    this.computations = computations;
    this.visits = visits;
    this.keepers = keepers;
    this.sites = sites;
    this.advices = advices;
    this.upkeep = upkeep;
    this.writes = writes;
    this.documents = documents;
    this.clock = clock;
  }

  /** The tank's visits, the newest first. */
  public List<VisitViews.VisitLine> all(Stored stored) {
    return visits.findByTankIdOrderByBegunAtDesc(stored.id()).stream()
        .map(
            visit ->
                new VisitViews.VisitLine(
                    visit.getId(),
                    stored.tank().dayOf(visit.getBegunAt()),
                    visit.getEndedAt() != null))
        .toList();
  }

  /** The visits to all of a keeper's tanks, the newest first. */
  public List<VisitViews.Listed> listed(List<Stored> tanks) {
    Map<UUID, Stored> known =
        tanks.stream().collect(Collectors.toMap(Stored::id, Function.identity()));
    return visits.findByTankIdInOrderByBegunAtDesc(known.keySet(), Limit.of(MOST_LISTED)).stream()
        .map(
            visit -> {
              Stored stored = known.get(visit.getTankId());
              return new VisitViews.Listed(
                  visit.getId(),
                  stored.id(),
                  stored.tank().name(),
                  stored.site(),
                  stored.tank().dayOf(visit.getBegunAt()),
                  visit.getEndedAt() != null,
                  visit.getNextOn());
            })
        .toList();
  }

  /** Begins a visit with how the tank stands; the same id again begins none. */
  public void begin(Stored stored, UUID keeper, VisitRequests.VisitBegun request) {
    VisitViews.Standing standing = computations.run(() -> standing(stored));
    String baseline =
        documents.write(
            new Baseline(standing.nitrateMgL(), standing.phosphateMgL(), standing.verdict()));
    writes.write(
        stored.id(),
        keeper,
        tank -> {
          // two presses are one visit
          Optional<VisitEntity> open =
              visits.findFirstByTankIdAndKeeperIdAndEndedAtIsNullOrderByBegunAtDesc(
                  stored.id(), keeper);
          var known = visits.findById(request.id());
          if (known.isPresent()) {
            if (known.get().getTankId().equals(stored.id())
                && known.get().getKeeperId().equals(keeper)
                && known.get().getSeen().equals(request.seen().strip())) {
              return known.get();
            }
            throw writes.taken(known.get().getTankId(), keeper);
          }
          if (open.isPresent()) {
            return open.get();
          }
          return visits.saveAndFlush(
              new VisitEntity(
                  request.id(),
                  stored.id(),
                  keeper,
                  clock.instant(),
                  request.seen().strip(),
                  baseline));
        });
  }

  /** Ends a visit; what is said again replaces what was said. */
  public void end(Stored stored, UUID keeper, UUID visit, VisitRequests.VisitEnded request) {
    String kept = entity(stored, visit).getLeaving();
    String leaving = kept == null ? documents.write(computations.run(() -> leaving(stored))) : kept;
    writes.run(
        stored.id(),
        keeper,
        tank -> {
          VisitEntity entity = entity(stored, visit);
          entity.end(
              entity.getEndedAt() == null ? clock.instant() : entity.getEndedAt(),
              request.advice().strip(),
              request.nextOn(),
              leaving);
        });
  }

  private VisitEntity entity(Stored stored, UUID visit) {
    return visits
        .findByIdAndTankId(visit, stored.id())
        .orElseThrow(() -> Refused.notFound("visit"));
  }

  private VisitViews.Standing standing(Stored stored) {
    LearnedTank now = advices.learned(stored);
    Advice advice = advices.of(stored);
    Levels levels = now.advisor().levels();
    return new VisitViews.Standing(
        levels.now(Nutrient.NITRATE),
        levels.now(Nutrient.PHOSPHATE),
        advice.today().verdict().term());
  }

  private VisitViews.Standing baseline(VisitEntity visit) {
    Baseline kept = documents.read(visit.getBaseline(), Baseline.class);
    return new VisitViews.Standing(kept.nitrateMgL(), kept.phosphateMgL(), kept.verdict());
  }

  /** The page that is left behind. */
  public VisitViews.Visit report(Stored stored, UUID keeper, UUID id) {
    VisitEntity visit = entity(stored, id);
    TankModel tank = stored.tank();
    Instant until = visit.getEndedAt() == null ? clock.instant() : visit.getEndedAt();
    List<String> done = new ArrayList<>();
    // lines are noted to the second
    Instant from = visit.getBegunAt().truncatedTo(ChronoUnit.SECONDS);
    for (LogEntry entry : tank.log()) {
      Instant at = entry.at().toInstant();
      if (!at.isBefore(from) && !at.isAfter(until)) {
        done.add(
            Shorthand.words(entry, tank) + (entry.note().isEmpty() ? "" : ": " + entry.note()));
      }
    }
    LocalDate today = tank.dayOf(clock.instant());
    Leaving leaving =
        visit.getLeaving() == null
            ? leaving(stored)
            : documents.read(visit.getLeaving(), Leaving.class);
    return new VisitViews.Visit(
        visit.getId(),
        tank.name(),
        stored.site(),
        sites.one(keeper, stored.site()).orElse(null),
        keepers.findById(visit.getKeeperId()).map(KeeperEntity::getSignInName).orElse(""),
        today,
        visit.getBegunAt().atZone(tank.timeZone()).toOffsetDateTime(),
        visit.getEndedAt() == null
            ? null
            : visit.getEndedAt().atZone(tank.timeZone()).toOffsetDateTime(),
        visit.getSeen(),
        visit.getAdvice(),
        baseline(visit),
        new VisitViews.Standing(leaving.nitrateMgL(), leaving.phosphateMgL(), leaving.verdict()),
        measured(tank, from, until),
        leaving.stands(),
        done,
        leaving.next().stream().map(one -> new VisitViews.Next(one.on(), one.words())).toList(),
        visit.getNextOn());
  }

  /** What was measured during the visit, and the newest reading of the same before it. */
  private static List<VisitViews.Measured> measured(TankModel tank, Instant from, Instant until) {
    Map<Analyte, LogEntry.Test> before = new EnumMap<>(Analyte.class);
    Map<Analyte, LogEntry.Test> found = new EnumMap<>(Analyte.class);
    for (LogEntry entry : tank.log()) {
      Instant at = entry.at().toInstant();
      if (entry instanceof LogEntry.Test test && !at.isAfter(until)) {
        (at.isBefore(from) ? before : found).put(test.analyte(), test);
      }
    }
    List<VisitViews.Measured> measured = new ArrayList<>();
    for (LogEntry.Test test : found.values()) {
      LogEntry.Test earlier = before.get(test.analyte());
      measured.add(
          new VisitViews.Measured(
              test.analyte().words(),
              earlier == null ? null : text(earlier),
              earlier == null ? null : tank.dayOf(earlier.at().toInstant()),
              text(test)));
    }
    return measured;
  }

  private static String text(LogEntry.Test test) {
    String qualifier = test.qualifier() == Qualifier.EQUAL ? "" : test.qualifier().term();
    return qualifier + Figures.plain(test.value()) + " " + test.unit().label();
  }

  /** How the tank stands now, and what comes next. */
  private Leaving leaving(Stored stored) {
    VisitViews.Standing standing = standing(stored);
    UpkeepAnswers.LaidOut laidOut = upkeep.layOut(stored, DAYS_AHEAD);
    return new Leaving(
        standing.nitrateMgL(),
        standing.phosphateMgL(),
        standing.verdict(),
        new AdviceWords(stored.tank())
            .why(advices.of(stored)).stream()
                .findFirst()
                .map(phrase -> phrase.plain(DAY))
                .orElse(""),
        laidOut.schedule().occurrences().stream()
            .map(o -> new Leaving.Next(o.on(), laidOut.words(o.work(), o.on()).plain(DAY)))
            .toList());
  }
}
