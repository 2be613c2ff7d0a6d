package org.umberline.server.demo;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
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
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.FoodForm;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.Substrate;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TopOff;
import org.umberline.core.tank.WaterKind;

/**
 * An invented tank: 190 L of cool fresh water, two axolotls fed chopped earthworm, a little moss, a
 * sponge filter, a tap with 8 mg/L nitrate. A change every second week is not enough since the
 * ration went up, and nitrate climbs towards the line. Nine months of log come from a seeded
 * generator; its tests are readings of a simulated truth that differs from what the make-up says.
 */
final class Stillwater {
  private static final int DAYS = 270;
  private static final long SEED = 190;
  private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
  private static final double VOLUME_L = 190;

  /** How much more nitrogen and phosphorus than the label says the worms bring. */
  private static final double TRUE_NITROGEN_LOAD = 0.76;

  private static final double TRUE_PHOSPHORUS_LOAD = 0.42;

  /** The reader of the card sees every colour a little stronger than it is, and not steadily. */
  private static final double READER_BIAS = 1.03;

  private static final double READER_SPREAD = 0.10;

  private final LocalDate today;
  private final LocalDate first;
  private final Random random = new Random(SEED);
  private final List<LogEntry> log = new ArrayList<>();

  private Stillwater(LocalDate today) {
    this.today = today;
    first = today.minusDays(DAYS);
  }

  /** The tank with its log up to yesterday evening. */
  static TankModel tank(LocalDate today) {
    return new Stillwater(today).grow();
  }

  private TankModel grow() {
    layOutWork();
    TankModel worked = make(log);
    readTests(worked);
    log.sort(Comparator.comparing(entry -> entry.at().toInstant()));
    return make(log);
  }

  private OffsetDateTime at(int daysAgo, int hour, int minute) {
    return today
        .minusDays(daysAgo)
        .atTime(LocalTime.of(hour, minute))
        .atZone(ZONE)
        .toOffsetDateTime();
  }

  private void layOutWork() {
    // Every second Saturday or so, one in seven missed; the last one eleven days ago.
    for (int daysAgo = 11 + 14 * 18; daysAgo >= 11; daysAgo -= 14) {
      int moved = daysAgo == 11 ? 0 : random.nextInt(3) - 1;
      boolean away = daysAgo < 125 && daysAgo > 104;
      boolean missed = daysAgo != 11 && (away || random.nextInt(7) == 0);
      double litres = 36 + random.nextInt(9);
      if (!missed) {
        log.add(
            new LogEntry.WaterChange(
                at(daysAgo + moved, 17, 30 + random.nextInt(29)), litres, tap(), 0.5, ""));
      }
    }
    for (int daysAgo = 255; daysAgo > 5; daysAgo -= 27 + random.nextInt(8)) {
      log.add(new LogEntry.Harvest(at(daysAgo, 18, 40), "moss", 8 + random.nextInt(8), ""));
      log.add(new LogEntry.Clean(at(daysAgo - 3, 19, 5), "sponge", ""));
    }
    log.add(new LogEntry.Fast(at(118, 9, 0), 7, "Hall closed for the holiday"));
    log.add(
        new LogEntry.Observation(
            at(63, 21, 15), "power-cut", 1, "Power cut, about five hours, filter off"));
    log.add(new LogEntry.Observation(at(30, 18, 50), "film-algae", 1, "Green film on the glass"));
    log.add(new LogEntry.Feed(at(49, 19, 0), "worms", 4, "Open day, one feed more"));
  }

  /** Tests at uneven gaps, none while the hall was closed; the last one four days ago. */
  private void readTests(TankModel worked) {
    Scenario scenario = Scenario.of(worked, first, today.minusDays(1), 0);
    Multipliers truth = scenario.multipliers();
    double wander = 0;
    for (int day = 0; day < scenario.days(); day++) {
      wander += 0.012 * random.nextGaussian();
      truth.nitrogenLoad[day] = TRUE_NITROGEN_LOAD * Math.exp(wander);
      truth.phosphorusLoad[day] = TRUE_PHOSPHORUS_LOAD * Math.exp(wander);
    }
    TankState state = new TankState(scenario);
    scenario.start(
        state,
        truth,
        new Nitrate(15).asNitrogen().mgPerLitre(),
        new Phosphate(0.6).asPhosphorus().mgPerLitre());
    Trace trace = new Trace(scenario);
    new TankSimulator(scenario).run(state, 0, scenario.days(), truth, PlannedChanges.NONE, trace);
    Kit nitrateCard = card(Analyte.NITRATE);
    Kit phosphateCard = card(Analyte.PHOSPHATE);
    int count = 0;
    for (int daysAgo = 264; daysAgo > 4; daysAgo -= 5 + random.nextInt(9)) {
      if (daysAgo < 119 && daysAgo > 106) {
        continue;
      }
      read(trace, nitrateCard, daysAgo);
      if (count++ % 2 == 0) {
        read(trace, phosphateCard, daysAgo);
      }
    }
    read(trace, nitrateCard, 4);
    read(trace, phosphateCard, 4);
  }

  private void read(Trace trace, Kit kit, int daysAgo) {
    int day = DAYS - daysAgo;
    double truth =
        kit.analyte() == Analyte.NITRATE
            ? Nitrate.of(new Nitrogen(trace.nitrate[day])).mgPerLitre()
            : Phosphate.of(new Phosphorus(trace.phosphorus[day])).mgPerLitre();
    double seen = truth * READER_BIAS * Math.exp(READER_SPREAD * random.nextGaussian());
    double step =
        kit.steps().stream().min(Comparator.comparingDouble(s -> Math.abs(s - seen))).orElseThrow();
    log.add(
        new LogEntry.Test(
            at(daysAgo, 23, kit.analyte() == Analyte.NITRATE ? 40 : 50),
            kit.analyte(),
            step,
            kit.unit(),
            Optional.of(kit.id()),
            Qualifier.EQUAL,
            ""));
  }

  private static Kit card(Analyte analyte) {
    boolean nitrate = analyte == Analyte.NITRATE;
    return new Kit(
        nitrate ? "nitrate-card" : "phosphate-card",
        analyte,
        KitMethod.COLOUR_CARD,
        nitrate
            ? List.of(0.0, 5.0, 10.0, 20.0, 30.0, 40.0, 60.0, 80.0, 120.0)
            : List.of(0.0, 0.25, 0.5, 1.0, 1.5, 2.0, 3.0, 5.0),
        analyte.standardUnit(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        0,
        0.12);
  }

  private static Blend tap() {
    return new Blend(List.of(new Blend.Part("tap", 1)));
  }

  private TankModel make(List<LogEntry> entries) {
    Span always = new Span(first, Optional.empty());
    LocalDate moreFood = today.minusDays(84);
    return new TankModel(
        "Stillwater",
        WaterKind.FRESHWATER,
        VOLUME_L,
        OptionalDouble.of(5400),
        18,
        7.6,
        OptionalDouble.of(10),
        0,
        Optional.of(today.minusDays(446)),
        ZONE,
        new Substrate(SubstrateKind.GRAVEL, OptionalDouble.of(5000), OptionalDouble.of(4)),
        new Lines(line(40), line(2)),
        new Limits(
            0.5,
            List.of(3.5, 7.0, 14.0, 28.0),
            0.9,
            90,
            OptionalDouble.empty(),
            OptionalDouble.of(1),
            OptionalDouble.of(1)),
        List.of(
            new SourceWater(
                "tap",
                "Kitchen tap",
                Optional.of(new Nitrate(8)),
                Optional.of(new Phosphate(0.3)),
                new Ammonia(0),
                new Nitrite(0),
                OptionalDouble.of(2),
                OptionalDouble.of(7.9),
                OptionalDouble.of(11),
                OptionalDouble.of(0)),
            new SourceWater(
                "ro",
                "Filtered water",
                Optional.of(new Nitrate(0)),
                Optional.of(new Phosphate(0)),
                new Ammonia(0),
                new Nitrite(0),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.of(0),
                OptionalDouble.of(0))),
        tap(),
        new TopOff(tap(), 1.1),
        List.of(
            new Food(
                "worms",
                "Chopped earthworm",
                FoodForm.FRESH,
                10.5,
                0.15,
                83,
                OptionalDouble.of(2),
                false)),
        List.of(
            new Feeding("worms", 4, 2, 0.03, new Span(first, Optional.of(moreFood.minusDays(1)))),
            new Feeding("worms", 4, 3, 0.03, new Span(moreFood, Optional.empty()))),
        List.of(new Livestock("Axolotl", 2, 120, Stage.ADULT, always)),
        List.of(
            new PlantStand("moss", "Willow moss", PlantKind.MOSS, 60, 40, 150, 10, 3, 0.5, always)),
        List.of(new ExportMethod.Mechanical("sponge", 0.3, always)),
        List.of(),
        List.of(),
        List.of(card(Analyte.NITRATE), card(Analyte.PHOSPHATE)),
        Optional.of(new Routine(0.2, 14, today.plusDays(3))),
        entries);
  }

  private static Line line(double ceiling) {
    return new Line(OptionalDouble.of(0), OptionalDouble.of(ceiling));
  }
}
