package org.umberline.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.regex.Pattern;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.quantity.Phosphorus;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;

/**
 * An invented tank while its log is made: a make-up from a file whose dates are told from today, a
 * log of work from a seeded generator, and tests that are readings of a simulated truth which
 * differs from what the make-up says. The same day gives the same tank.
 */
abstract class InventedTank {
  private static final Pattern RELATIVE_DAY = Pattern.compile("\"today([+-]\\d+)?\"");

  /** How far the truth lies from the make-up; factors, but for the start in mg/L of the ion. */
  record Truth(
      double nitrogenLoad,
      double phosphorusLoad,
      double wander,
      double uptake,
      double denitrification,
      double nitrifierGrowth,
      double startNitrateMgL,
      double startPhosphateMgL) {}

  protected final LocalDate today;
  protected final Random random;
  protected final List<LogEntry> log = new ArrayList<>();
  private final int days;
  private final TankModel makeUp;
  private Trace trace;

  /**
   * @param file name of the make-up among the demo's resources
   * @param days days of log
   */
  InventedTank(String file, LocalDate today, int days, long seed) {
    this.today = today;
    this.days = days;
    random = new Random(seed);
    makeUp = read(file, today);
  }

  private static TankModel read(String file, LocalDate today) {
    try (InputStream stream = InventedTank.class.getResourceAsStream("/demo/" + file)) {
      String text = new String(stream.readAllBytes(), StandardCharsets.UTF_8);
      String dated =
          RELATIVE_DAY
              .matcher(text)
              .replaceAll(
                  day ->
                      "\""
                          + today.plusDays(
                              day.group(1) == null ? 0 : Integer.parseInt(day.group(1)))
                          + "\"");
      return TankFileReader.read(dated).tank();
    } catch (IOException missing) {
      throw new UncheckedIOException(missing);
    } catch (TankFileException bad) {
      throw new IllegalStateException(file + ": " + bad, bad);
    }
  }

  final String name() {
    return makeUp.name();
  }

  /** The tank with its log. */
  final TankModel grow() {
    layOutWork();
    trace = truth(inOrder(), truth());
    readTests();
    return inOrder();
  }

  /** Puts everything but tests into the log. */
  abstract void layOutWork();

  /** Puts tests into the log, once the truth is known. */
  abstract void readTests();

  abstract Truth truth();

  private TankModel inOrder() {
    log.sort(Comparator.comparing(entry -> entry.at().toInstant()));
    return makeUp.withLog(log);
  }

  private Trace truth(TankModel worked, Truth is) {
    Scenario scenario = Scenario.of(worked, today.minusDays(days), today.minusDays(1), 0);
    Multipliers multipliers = scenario.multipliers();
    double wander = 0;
    for (int day = 0; day < scenario.days(); day++) {
      wander += is.wander * random.nextGaussian();
      multipliers.nitrogenLoad[day] = is.nitrogenLoad * Math.exp(wander);
      multipliers.phosphorusLoad[day] = is.phosphorusLoad * Math.exp(wander);
    }
    multipliers.uptake = is.uptake;
    multipliers.denitrification = is.denitrification;
    multipliers.nitrifierGrowth = is.nitrifierGrowth;
    TankState state = new TankState(scenario);
    scenario.start(
        state,
        multipliers,
        new Nitrate(is.startNitrateMgL).asNitrogen().mgPerLitre(),
        new Phosphate(is.startPhosphateMgL).asPhosphorus().mgPerLitre());
    Trace run = new Trace(scenario);
    new TankSimulator(scenario)
        .run(state, 0, scenario.days(), multipliers, PlannedChanges.NONE, run);
    return run;
  }

  final OffsetDateTime at(int daysAgo, int hour, int minute) {
    return today
        .minusDays(daysAgo)
        .atTime(LocalTime.of(hour, minute))
        .atZone(makeUp.timeZone())
        .toOffsetDateTime();
  }

  final void changed(OffsetDateTime at, double litres, double siphoned) {
    log.add(new LogEntry.WaterChange(at, litres, makeUp.changeWater(), siphoned, ""));
  }

  final void noted(OffsetDateTime at, String sign, int severity, String note) {
    log.add(new LogEntry.Observation(at, sign, severity, note));
  }

  /**
   * Reads the truth at the end of a day with a kit.
   *
   * @param bias what the kit, or who reads it, shows for a true 1
   * @param spread standard deviation of the reading's logarithm
   */
  final void test(String kitId, int daysAgo, int minute, double bias, double spread) {
    Kit kit = makeUp.kitById(kitId);
    double perUnit = kit.unit().standardPerUnit();
    double seen =
        standard(kit.analyte(), days - daysAgo)
            / perUnit
            * bias
            * Math.exp(spread * random.nextGaussian());
    double shown = shown(kit, seen);
    Qualifier qualifier =
        above(kit.max(), seen)
            ? Qualifier.ABOVE
            : kit.min().isPresent() && seen < kit.min().getAsDouble()
                ? Qualifier.BELOW
                : Qualifier.EQUAL;
    test(kit, at(daysAgo, 23, minute), shown, qualifier, "");
  }

  /** Something besides the nutrients, as it was read, in the analyte's standard unit. */
  final void read(Analyte analyte, OffsetDateTime at, double value) {
    log.add(
        new LogEntry.Test(
            at, analyte, value, analyte.standardUnit(), Optional.empty(), Qualifier.EQUAL, ""));
  }

  final void test(String kitId, OffsetDateTime at, double value, String note) {
    test(makeUp.kitById(kitId), at, value, Qualifier.EQUAL, note);
  }

  private void test(Kit kit, OffsetDateTime at, double value, Qualifier qualifier, String note) {
    log.add(
        new LogEntry.Test(
            at, kit.analyte(), value, kit.unit(), Optional.of(kit.id()), qualifier, note));
  }

  private static boolean above(OptionalDouble max, double seen) {
    return max.isPresent() && seen > max.getAsDouble();
  }

  private static double shown(Kit kit, double seen) {
    if (kit.method() == KitMethod.COLOUR_CARD) {
      return kit.steps().stream()
          .min(Comparator.comparingDouble(step -> Math.abs(step - seen)))
          .orElseThrow();
    }
    double within =
        Math.max(kit.min().orElse(0), Math.min(kit.max().orElse(Double.POSITIVE_INFINITY), seen));
    double resolution = kit.resolution().orElse(0.01);
    return Math.round(Math.rint(within / resolution) * resolution * 1000) / 1000.0;
  }

  private double standard(Analyte analyte, int day) {
    return switch (analyte) {
      case NITRATE -> Nitrate.of(new Nitrogen(trace.nitrate[day])).mgPerLitre();
      case PHOSPHATE -> Phosphate.of(new Phosphorus(trace.phosphorus[day])).mgPerLitre();
      case AMMONIA -> Ammonia.of(new Nitrogen(trace.ammonia[day])).mgPerLitre();
      case NITRITE -> Nitrite.of(new Nitrogen(trace.nitrite[day])).mgPerLitre();
      default -> throw new IllegalArgumentException(analyte + " is not simulated");
    };
  }
}
