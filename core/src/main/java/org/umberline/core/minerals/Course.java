package org.umberline.core.minerals;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.hipparchus.linear.DecompositionSolver;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.QRDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;

/**
 * How something dissolved moved between its tests. The level it began at and what the tank loses of
 * it a day are fitted to the readings of the last three months by least squares, through the water
 * changes and the salts noted in between. What was dosed without a note and what top-off water
 * brings are in it: the loss is net of them.
 *
 * @param latest last reading, in the analyte's standard unit
 * @param readings readings of the last three months
 * @param lostPerDay standard units a day, negative where the level gains; empty where one reading,
 *     too few days or a change with water of unknown content don't tell
 * @param error standard error of that; zero without it
 * @param givenSince by how much salts noted after the last reading raise it, standard units
 * @param givenPerDay what noted salts brought in the last four weeks, standard units a day
 */
public record Course(
    double latest,
    LocalDate on,
    int readings,
    OptionalDouble lostPerDay,
    double error,
    double givenSince,
    double givenPerDay) {
  private static final Duration LOOKED_BACK = Duration.ofDays(90);

  /** Older doses say nothing of what is given now. Chosen. */
  private static final Duration GIVEN_WITHIN = Duration.ofDays(28);

  /** A dose is taken to be one of a week at least. Chosen. */
  private static final double LEAST_GIVEN_DAYS = 7;

  /** Fewer days show no rate. Chosen. */
  private static final double LEAST_DAYS = 5;

  /** From so many readings on, their scatter says how well they are read. Chosen. */
  private static final int SCATTER_KNOWN = 5;

  /**
   * How well salinity is read with a meter nobody named; drops stand for other tests. From memory.
   */
  private static final double REFRACTOMETER_PPT = 0.3;

  private static final double SECONDS_PER_DAY = 86_400;

  /** What a water holds of the analyte, in its standard unit. */
  interface Content {
    OptionalDouble of(SourceWater water);
  }

  /** Empty without a reading of the last three months. */
  static Optional<Course> of(TankModel tank, Analyte analyte, Content content, Instant now) {
    List<LogEntry> entries =
        tank.log().stream()
            .filter(entry -> entry.at().toInstant().isAfter(now.minus(LOOKED_BACK)))
            .filter(entry -> !entry.at().toInstant().isAfter(now))
            // of one moment, what was read was read before anything was given
            .sorted(
                Comparator.comparing((LogEntry entry) -> entry.at().toInstant())
                    .thenComparing(LogEntry.Addition.class::isInstance))
            .toList();
    List<LogEntry.Test> tests =
        entries.stream()
            .filter(LogEntry.Test.class::isInstance)
            .map(LogEntry.Test.class::cast)
            .filter(test -> test.analyte() == analyte && test.qualifier() == Qualifier.EQUAL)
            .toList();
    if (tests.isEmpty()) {
      return Optional.empty();
    }
    LogEntry.Test last = tests.get(tests.size() - 1);
    Optional<Fit> fit = fit(tank, tests, entries, content);
    return Optional.of(
        new Course(
            last.standardValue(),
            tank.dayOf(last.at().toInstant()),
            tests.size(),
            fit.map(f -> OptionalDouble.of(f.lost)).orElse(OptionalDouble.empty()),
            fit.map(Fit::error).orElse(0.0),
            entries.subList(entries.lastIndexOf(last), entries.size()).stream()
                .mapToDouble(entry -> risen(tank, analyte, entry))
                .sum(),
            givenPerDay(tank, analyte, entries, now)));
  }

  /** What the water holds, by the last reading and the salts noted since. */
  public double stands() {
    return latest + givenSince;
  }

  /**
   * What the water holds of something, by its last reading of three months and the salts noted
   * since, in its standard unit.
   */
  public static OptionalDouble stands(TankModel tank, Analyte analyte, Instant now) {
    return of(tank, analyte, water -> OptionalDouble.empty(), now)
        .map(course -> OptionalDouble.of(course.stands()))
        .orElse(OptionalDouble.empty());
  }

  private static double givenPerDay(
      TankModel tank, Analyte analyte, List<LogEntry> entries, Instant now) {
    List<LogEntry> given =
        entries.stream()
            .filter(entry -> risen(tank, analyte, entry) > 0)
            .filter(entry -> entry.at().toInstant().isAfter(now.minus(GIVEN_WITHIN)))
            .toList();
    if (given.isEmpty()) {
      return 0;
    }
    double days = Math.max(LEAST_GIVEN_DAYS, days(given.get(0).at().toInstant(), now));
    return given.stream().mapToDouble(entry -> risen(tank, analyte, entry)).sum() / days;
  }

  /** By how much an entry raised the level: a salt that was noted, else nothing. */
  private static double risen(TankModel tank, Analyte analyte, LogEntry entry) {
    return entry instanceof LogEntry.Addition addition && addition.additive() instanceof Salt salt
        ? addition.amount() * salt.perGram(analyte) / tank.netVolumeL()
        : 0;
  }

  /** Whether the readings show that it is lost, or gained. */
  public boolean isTold() {
    return lostPerDay.isPresent()
        && Math.abs(lostPerDay.getAsDouble()) > Quantiles.NORMAL_90 * error;
  }

  /** Half the width of what eight chances in ten lie in, standard units a day. */
  public double within() {
    return Quantiles.NORMAL_90 * error;
  }

  private record Fit(double lost, double error) {}

  private static Optional<Fit> fit(
      TankModel tank, List<LogEntry.Test> tests, List<LogEntry> entries, Content content) {
    Instant first = tests.get(0).at().toInstant();
    Instant last = tests.get(tests.size() - 1).at().toInstant();
    if (days(first, last) < LEAST_DAYS) {
      return Optional.empty();
    }
    Walked walked = new Walked(first);
    List<double[]> rows = new ArrayList<>();
    List<Double> values = new ArrayList<>();
    for (LogEntry entry : entries) {
      Instant at = entry.at().toInstant();
      if (at.isBefore(first) || at.isAfter(last)) {
        continue;
      }
      if (entry instanceof LogEntry.WaterChange change) {
        OptionalDouble brought = tank.blended(change.water(), content::of);
        if (brought.isEmpty() && !change.water().parts().isEmpty()) {
          return Optional.empty();
        }
        walked.change(at, Math.min(1, change.litres() / tank.netVolumeL()), brought.orElse(0));
      } else if (risen(tank, tests.get(0).analyte(), entry) > 0) {
        walked.given(at, risen(tank, tests.get(0).analyte(), entry));
      } else if (tests.contains(entry)) {
        walked.to(at);
        rows.add(new double[] {walked.ofStart, -walked.ofLoss});
        values.add(((LogEntry.Test) entry).standardValue() - walked.known);
      }
    }
    return solved(rows, values, kitError(tank, tests));
  }

  /**
   * The level is a share of the start, what changes are known to have come, less the loss so far.
   */
  private static final class Walked {
    private Instant at;
    private double ofStart = 1;
    private double known;
    private double ofLoss;

    Walked(Instant first) {
      at = first;
    }

    void to(Instant next) {
      double days = days(at, next);
      ofLoss += days;
      at = next;
    }

    void given(Instant when, double rise) {
      to(when);
      known += rise;
    }

    void change(Instant when, double share, double brought) {
      to(when);
      ofStart *= 1 - share;
      known = known * (1 - share) + share * brought;
      ofLoss *= 1 - share;
    }
  }

  private static double days(Instant from, Instant to) {
    return Duration.between(from, to).toSeconds() / SECONDS_PER_DAY;
  }

  /** Empty where nothing of the water before is left at a later reading. */
  private static Optional<Fit> solved(List<double[]> rows, List<Double> values, double kitError) {
    RealMatrix x = MatrixUtils.createRealMatrix(rows.toArray(double[][]::new));
    RealVector y =
        MatrixUtils.createRealVector(values.stream().mapToDouble(Double::doubleValue).toArray());
    DecompositionSolver squares = new QRDecomposition(x.transpose().multiply(x)).getSolver();
    if (!squares.isNonSingular()) {
      return Optional.empty();
    }
    RealVector fitted = new QRDecomposition(x).getSolver().solve(y);
    double scatter =
        rows.size() < SCATTER_KNOWN
            ? kitError
            : x.operate(fitted).subtract(y).getNorm() / Math.sqrt(rows.size() - 2);
    return Optional.of(
        new Fit(fitted.getEntry(1), scatter * Math.sqrt(squares.getInverse().getEntry(1, 1))));
  }

  /** One deviation at the middle of the readings. */
  private static double kitError(TankModel tank, List<LogEntry.Test> tests) {
    LogEntry.Test last = tests.get(tests.size() - 1);
    double mean = tests.stream().mapToDouble(LogEntry.Test::standardValue).average().orElse(0);
    if (last.kit().isEmpty()) {
      return last.analyte() == Analyte.SALINITY
          ? REFRACTOMETER_PPT
          : Kit.defaultRelativeError(KitMethod.TITRATION) * mean;
    }
    Kit kit = tank.kitById(last.kit().get());
    return Math.hypot(
        kit.absoluteError() * kit.unit().standardPerUnit(), kit.relativeError() * mean);
  }
}
