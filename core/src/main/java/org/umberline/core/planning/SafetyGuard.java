package org.umberline.core.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.chemistry.AmmoniaSpeciation;
import org.umberline.core.cycling.SafeLevels;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.TankModel;

/**
 * Ammonia and nitrite by the latest reading, at any age of the tank and whether or not the balance
 * agrees with it. Free ammonia follows Emerson et al. 1975 for fresh water, which for salted water
 * errs on the safe side: at the same pH less of it is free there.
 */
public final class SafetyGuard {
  /** A reading older than this says too little about today. Chosen. */
  private static final Duration TOO_OLD = Duration.ofDays(14);

  private static final Duration GASPING_COUNTS = Duration.ofDays(1);

  /** Gasping animals stand half as much. Common practice, no source. */
  private static final double GASPING_FACTOR = 0.5;

  /** What a finding is about. */
  public enum Danger {
    AMMONIA,
    NITRITE,
    GASPING
  }

  /** How much it matters. */
  public enum Degree {
    /** Change water at once. */
    ACT,
    /** Watch, and test again. */
    CARE,
    /** It was high when it was last tested, too long ago to say. */
    TEST_AGAIN
  }

  /**
   * @param level free ammonia in mg/L NH3-N, or nitrite in mg/L NO2, thinned by the changes since;
   *     empty where there is none
   * @param limit what it is held against, the same unit
   * @param pH the pH that free ammonia was worked out with
   * @param pHMeasured whether it was measured and not the tank's stated one
   * @param readOn when it was read or seen
   */
  public record Finding(
      Danger danger,
      Degree degree,
      OptionalDouble level,
      double limit,
      double pH,
      boolean pHMeasured,
      Instant readOn) {}

  private final TankModel tank;
  private final Instant now;

  private SafetyGuard(TankModel tank, Instant now) {
    this.tank = tank;
    this.now = now;
  }

  /** The gravest finding of the log as of {@code now}; empty when nothing is wrong. */
  public static Optional<Finding> look(TankModel tank, Instant now) {
    SafetyGuard guard = new SafetyGuard(tank, now);
    Optional<LogEntry.Observation> gasping = guard.gasping();
    double factor = gasping.isPresent() ? GASPING_FACTOR : 1;
    Optional<Finding> ammonia = guard.ammonia(factor);
    Optional<Finding> nitrite = guard.nitrite(factor);
    return ammonia
        .filter(SafetyGuard::acts)
        .or(() -> nitrite.filter(SafetyGuard::acts))
        .or(
            () ->
                gasping.map(
                    seen ->
                        new Finding(
                            Danger.GASPING,
                            Degree.ACT,
                            OptionalDouble.empty(),
                            0,
                            0,
                            false,
                            seen.at().toInstant())))
        .or(() -> ammonia)
        .or(() -> nitrite);
  }

  private static boolean acts(Finding finding) {
    return finding.degree == Degree.ACT;
  }

  /** Whether animals were seen gasping lately, whatever else is wrong. */
  public static boolean isGasping(TankModel tank, Instant now) {
    return new SafetyGuard(tank, now).gasping().isPresent();
  }

  private Optional<LogEntry.Observation> gasping() {
    return tank.log().stream()
        .filter(LogEntry.Observation.class::isInstance)
        .map(LogEntry.Observation.class::cast)
        .filter(seen -> seen.sign().equals(Sign.GASPING) && seen.severity() > 0)
        .filter(seen -> age(seen.at().toInstant()).compareTo(GASPING_COUNTS) <= 0)
        .reduce((a, b) -> b);
  }

  private Duration age(Instant then) {
    return Duration.between(then, now);
  }

  private Optional<Finding> ammonia(double factor) {
    return tank.lastTest(Analyte.AMMONIA)
        .filter(test -> test.qualifier() != Qualifier.BELOW)
        .flatMap(
            test -> {
              Optional<LogEntry.Test> measured = tank.lastTest(Analyte.PH);
              double pH = measured.map(LogEntry.Test::standardValue).orElse(tank.pH());
              double free = AmmoniaSpeciation.freeShare(pH, temperatureC());
              double total = thinned(test, w -> w.ammonia().mgPerLitre());
              double freeN = new Ammonia(total).asNitrogen().mgPerLitre() * free;
              return finding(
                  Danger.AMMONIA,
                  freeN,
                  SafeLevels.AMMONIA_ACT_MG_N_L * factor,
                  SafeLevels.AMMONIA_CARE_MG_N_L * factor,
                  pH,
                  measured.isPresent(),
                  test.at().toInstant());
            });
  }

  private double temperatureC() {
    return tank.lastTest(Analyte.TEMPERATURE)
        .map(LogEntry.Test::standardValue)
        .orElse(tank.temperatureC());
  }

  private Optional<Finding> nitrite(double factor) {
    double limit = SafeLevels.nitriteLimitMgL(tank.water()) * factor;
    return tank.lastTest(Analyte.NITRITE)
        .filter(test -> test.qualifier() != Qualifier.BELOW)
        .flatMap(
            test ->
                finding(
                    Danger.NITRITE,
                    thinned(test, w -> w.nitrite().mgPerLitre()),
                    limit,
                    limit / 2,
                    0,
                    false,
                    test.at().toInstant()));
  }

  private Optional<Finding> finding(
      Danger danger,
      double level,
      double act,
      double care,
      double pH,
      boolean pHMeasured,
      Instant read) {
    if (level < care) {
      return Optional.empty();
    }
    Degree degree =
        age(read).compareTo(TOO_OLD) > 0
            ? Degree.TEST_AGAIN
            : level >= act ? Degree.ACT : Degree.CARE;
    return Optional.of(
        new Finding(danger, degree, OptionalDouble.of(level), act, pH, pHMeasured, read));
  }

  private interface OfWater {
    double mgL(org.umberline.core.tank.SourceWater water);
  }

  /** A reading as the changes after it have left it, in the analyte's standard unit. */
  private double thinned(LogEntry.Test test, OfWater source) {
    double level = test.standardValue();
    List<LogEntry> log = tank.log();
    for (LogEntry entry : log) {
      if (entry instanceof LogEntry.WaterChange change && change.at().isAfter(test.at())) {
        double share = Math.min(1, change.litres() / tank.netVolumeL());
        double brought = 0;
        for (Blend.Part part : change.water().parts()) {
          brought += part.share() * source.mgL(tank.waterById(part.water()));
        }
        level += share * (brought - level);
      }
    }
    return level;
  }
}
