package org.umberline.server.balance;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.CancellationException;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Service;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Hindcast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.judging.ChangeExperiment;
import org.umberline.core.judging.FalseZero;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.server.http.Refused;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.learning.Posteriors;
import org.umberline.server.tank.TankRecords.Stored;

/**
 * How past forecasts of a tank did. Each past test is forecast from what was known a fortnight
 * before it, which takes many calibrations: one tank after the other in the background, told how
 * far, and stopped when nobody wants it any more.
 */
@Service
public class TrackRecords {
  private static final int HORIZON_DAYS = 14;
  private static final int MOST_TESTS = 16;
  private static final int DRAWS = 80;
  private static final long SEED = 1;

  private record Key(UUID id, int version, long logRevision, LocalDate today) {}

  /** As many tanks as one keeper may have in the making or waiting. */
  private static final int MOST_OF_A_KEEPER = 6;

  private static final int MOST_WAITING = 60;
  private static final int WORKERS = 2;

  /** One record in the making. */
  private static final class Job {
    private final UUID keeper;
    private volatile double share;
    private volatile boolean cancelled;
    private volatile TrackRecordViews.TrackRecord done;
    private volatile RuntimeException failed;

    private Job(UUID keeper) {
      this.keeper = keeper;
    }

    private boolean isOpen() {
      return done == null && failed == null && !cancelled;
    }
  }

  private final Posteriors posteriors;
  private final Workers runs;
  private final Clock clock;
  private final Cache<Key, Job> jobs = Caffeine.newBuilder().maximumSize(1000).build();
  private final ThreadPoolExecutor workers =
      new ThreadPoolExecutor(
          WORKERS,
          WORKERS,
          1,
          TimeUnit.MINUTES,
          new ArrayBlockingQueue<>(MOST_WAITING),
          work -> {
            Thread thread = new Thread(work, "track-records");
            thread.setDaemon(true);
            thread.setPriority(Thread.MIN_PRIORITY);
            return thread;
          });

  TrackRecords(Posteriors posteriors, Workers runs, Clock clock) {
    this.runs = runs;
    this.posteriors = posteriors;
    this.clock = clock;
  }

  @PreDestroy
  void stop() {
    workers.shutdownNow();
  }

  private Key key(Stored stored) {
    return new Key(
        stored.id(), stored.version(), stored.logRevision(), stored.tank().dayOf(clock.instant()));
  }

  /**
   * The record where it is ready, else how far it is; asking starts it.
   *
   * @throws Refused with 503 when too many wait already
   */
  public TrackRecordViews.TrackRecord record(Stored stored, UUID keeper) {
    Key key = key(stored);
    Job job = jobs.getIfPresent(key);
    if (job == null) {
      job = begin(stored, key, keeper);
    }
    if (job.failed != null) {
      jobs.invalidate(key(stored));
      throw job.failed;
    }
    return job.done != null
        ? job.done
        : new TrackRecordViews.TrackRecord(
            "working", job.share, HORIZON_DAYS, List.of(), List.of(), List.of(), List.of());
  }

  private synchronized Job begin(Stored stored, Key key, UUID keeper) {
    Job known = jobs.getIfPresent(key);
    if (known != null) {
      return known;
    }
    long open =
        jobs.asMap().values().stream()
            .filter(job -> job.keeper.equals(keeper) && job.isOpen())
            .count();
    Job fresh = new Job(keeper);
    try {
      if (open >= MOST_OF_A_KEEPER) {
        throw new RejectedExecutionException();
      }
      workers.execute(() -> work(stored, fresh));
    } catch (RejectedExecutionException full) {
      throw Refused.busy("Track records of other tanks are being worked out.");
    }
    jobs.put(key, fresh);
    return fresh;
  }

  /** Gives up a record that is under way. */
  public void cancel(Stored stored) {
    Job job = jobs.getIfPresent(key(stored));
    if (job != null && job.done == null) {
      job.cancelled = true;
      jobs.invalidate(key(stored));
    }
  }

  private void work(Stored stored, Job job) {
    if (job.cancelled) {
      return;
    }
    try {
      TankModel known = stored.tank().knownAt(clock.instant());
      List<Hindcast.Forecasted> forecasts =
          Hindcast.of(
              known,
              List.of(HORIZON_DAYS),
              MOST_TESTS,
              DRAWS,
              SEED,
              runs,
              share -> {
                if (job.cancelled || Thread.currentThread().isInterrupted()) {
                  throw new CancellationException();
                }
                job.share = share;
              });
      LearnedTank now = posteriors.learned(stored, stored.tank().lines());
      job.done =
          new TrackRecordViews.TrackRecord(
              "ready",
              1,
              HORIZON_DAYS,
              scores(forecasts),
              forecasts.stream().map(f -> forecast(known, f)).toList(),
              stoodOut(now),
              ChangeExperiment.of(now.posterior()).stream()
                  .map(change -> judged(now.tank(), change))
                  .toList());
    } catch (CancellationException nobodyWaits) {
      job.cancelled = true;
    } catch (RuntimeException failure) {
      job.failed = failure;
    }
  }

  private static List<TrackRecordViews.Score> scores(List<Hindcast.Forecasted> forecasts) {
    List<TrackRecordViews.Score> scores = new ArrayList<>();
    for (Nutrient nutrient : Nutrient.values()) {
      List<Hindcast.Forecasted> own =
          forecasts.stream().filter(f -> f.nutrient() == nutrient).toList();
      if (!own.isEmpty()) {
        Hindcast.Score score = Hindcast.Score.of(own);
        scores.add(
            new TrackRecordViews.Score(
                nutrient.term(),
                score.tests(),
                score.inside80(),
                score.medianAbsoluteError(),
                score.hold(),
                score.slope()));
      }
    }
    return scores;
  }

  private static TrackRecordViews.PastForecast forecast(
      TankModel tank, Hindcast.Forecasted forecast) {
    return new TrackRecordViews.PastForecast(
        forecast.nutrient().term(),
        tank.dayOf(forecast.at()),
        forecast.reading(),
        forecast.p10(),
        forecast.p50(),
        forecast.p90(),
        forecast.inside80());
  }

  private static List<TrackRecordViews.StoodOut> stoodOut(LearnedTank now) {
    List<TrackRecordViews.StoodOut> out = new ArrayList<>();
    for (Posterior.Reading reading : now.posterior().readings()) {
      LogEntry.Test test = now.posterior().scenario().probes().get(reading.test());
      if (reading.contradicts()) {
        out.add(
            new TrackRecordViews.StoodOut(
                test.analyte().term(),
                now.tank().timeOf(test),
                test.value(),
                test.unit().label(),
                reading.modelled(),
                "contradicts the rest of the log; what else was measured and done allows another"
                    + " level"));
      }
    }
    for (FalseZero zero : FalseZero.of(now.tank())) {
      LogEntry.Test test = zero.test();
      out.add(
          new TrackRecordViews.StoodOut(
              test.analyte().term(),
              now.tank().timeOf(test),
              test.value(),
              test.unit().label(),
              null,
              "reads nothing while " + zero.because() + ": it is taken up, not absent"));
    }
    return out;
  }

  private static TrackRecordViews.ChangeJudged judged(TankModel tank, ChangeExperiment change) {
    double high = change.impliedVolumeL().high();
    return new TrackRecordViews.ChangeJudged(
        change.at().atZoneSameInstant(tank.timeZone()).toOffsetDateTime(),
        change.fraction(),
        change.expectedDrop(),
        change.measuredDrop(),
        change.asExpected(),
        change.explanations().stream()
            .map(e -> e.name().toLowerCase(Locale.ROOT))
            .sorted()
            .toList(),
        change.impliedSource().low(),
        change.impliedSource().high(),
        change.impliedVolumeL().low(),
        Double.isInfinite(high) ? null : high);
  }

  /** What was forecast at the end of {@code asOf}, given the changes made since. */
  public TrackRecordViews.Then then(Stored stored, LocalDate asOf) {
    TankModel tank = stored.tank().knownAt(clock.instant());
    LocalDate today = tank.dayOf(clock.instant());
    if (tank.log().isEmpty()
        || !asOf.isBefore(today)
        || asOf.isBefore(tank.dayOf(tank.log().get(0).at().toInstant()))) {
      throw Refused.field("asOf", asOf.toString(), "a day between the first entry and today");
    }
    int days = (int) Math.min(90, java.time.temporal.ChronoUnit.DAYS.between(asOf, today));
    var end = asOf.plusDays(1).atStartOfDay(tank.timeZone()).toInstant();
    List<LogEntry> log =
        tank.log().stream()
            .filter(e -> e.at().toInstant().isBefore(end) || e instanceof LogEntry.WaterChange)
            .toList();
    Posterior posterior =
        Calibration.calibrate(tank.withLog(log), asOf, days, DRAWS * 2, SEED, runs);
    Projection projection = Projection.of(posterior, days, PlannedChanges.NONE);
    return new TrackRecordViews.Then(
        asOf,
        BalanceMapper.bands(Forecast.of(projection, Nutrient.NITRATE, tank.lines())),
        BalanceMapper.bands(Forecast.of(projection, Nutrient.PHOSPHATE, tank.lines())));
  }
}
