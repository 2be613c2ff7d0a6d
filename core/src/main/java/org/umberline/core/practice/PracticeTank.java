package org.umberline.core.practice;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.FoodForm;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.Substrate;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TopOff;
import org.umberline.core.tank.WaterKind;

/**
 * One invented tank: what its keeper is told of it, and what is true. The same case and seed make
 * the same tank.
 *
 * @param stated as its keeper has it written down
 * @param truth as it is, before anything its keeper does
 */
record PracticeTank(PracticeCase which, TankModel stated, TankModel truth, Hidden hidden) {
  static final LocalDate FIRST_DAY = LocalDate.of(2026, 1, 5);

  /** mg/L NO3 and PO4 that are to be held. */
  static final double NITRATE_LINE = 40;

  static final double PHOSPHATE_LINE = 0.15;

  static final String TAP = "usual";
  private static final String FOOD = "food";
  private static final double TAP_PHOSPHATE = 0.1;
  private static final double FRESH_PHOSPHATE = 0.5;

  /** The tanks ran this long before. */
  private static final int OLD_DAYS = 600;

  /**
   * What no entry says.
   *
   * @param nitrateMgL on the first day, mg/L NO3
   * @param phosphateMgL on the first day, mg/L PO4
   * @param boundPhosphate factor on the phosphate that rock and sand hold
   * @param deathDay day on which an animal dies unseen; {@link #NEVER} for none
   * @param deadG its mass
   * @param kitShows share of the true nitrate that the kit shows until it is replaced
   */
  record Hidden(
      double nitrateMgL,
      double phosphateMgL,
      double boundPhosphate,
      int deathDay,
      double deadG,
      double kitShows) {
    static final int NEVER = -1;

    static Hidden start(double nitrateMgL) {
      return new Hidden(nitrateMgL, FRESH_PHOSPHATE, 1, NEVER, 0, 1);
    }
  }

  static PracticeTank of(PracticeCase which, long seed) {
    // neighbouring seeds are to make different tanks
    SplittableRandom random = new SplittableRandom(31 * seed + which.ordinal());
    return switch (which) {
      case RICH_TAP -> {
        Keeping keeping = new Keeping(0.4, List.of(fish("tetras", 14, 1.2)));
        yield new PracticeTank(
            which,
            fresh(100, 5, keeping),
            fresh(100, between(random, 28, 34), keeping),
            Hidden.start(between(random, 33, 37)));
      }
      case WRONG_VOLUME -> {
        Keeping keeping = new Keeping(0.45, List.of(fish("barbs", 10, 5)));
        yield new PracticeTank(
            which,
            fresh(180, 5, keeping),
            fresh(180 * between(random, 0.6, 0.68), 5, keeping),
            Hidden.start(between(random, 74, 84)));
      }
      case UNSEEN_DEATH -> {
        TankModel tank =
            fresh(
                200,
                8,
                new Keeping(0.45, List.of(fish("catfish", 3, 55), fish("rasboras", 20, 1))));
        yield new PracticeTank(
            which,
            tank,
            tank,
            new Hidden(
                between(random, 22, 27),
                FRESH_PHOSPHATE,
                1,
                15 + random.nextInt(13),
                between(random, 50, 60),
                1));
      }
      case FULL_ROCK -> {
        TankModel reef =
            tank(
                WaterKind.MARINE,
                250,
                water(0, 0),
                new Keeping(0.5, List.of(fish("damsels", 5, 9))),
                new Lines(Line.NONE, under(PHOSPHATE_LINE)));
        yield new PracticeTank(
            which,
            reef,
            reef,
            new Hidden(
                between(random, 5, 8),
                between(random, 0.28, 0.34),
                between(random, 1.8, 2.4),
                Hidden.NEVER,
                0,
                1));
      }
      case BLIND_KIT -> {
        TankModel tank = fresh(80, 6, new Keeping(0.4, List.of(fish("guppies", 16, 1))));
        yield new PracticeTank(
            which,
            tank,
            tank,
            new Hidden(
                between(random, 27, 32),
                FRESH_PHOSPHATE,
                1,
                Hidden.NEVER,
                0,
                between(random, 0.03, 0.07)));
      }
    };
  }

  private static double between(SplittableRandom random, double low, double high) {
    return low + (high - low) * random.nextDouble();
  }

  // ---------------------------------------------------------------- what they are made of

  private static Span always() {
    return new Span(FIRST_DAY.minusDays(OLD_DAYS), Optional.empty());
  }

  private static Livestock fish(String name, int count, double massG) {
    return new Livestock(name, count, massG, Stage.ADULT, always());
  }

  /** g of food a day, and who gets it. */
  private record Keeping(double foodG, List<Livestock> animals) {}

  private static TankModel fresh(double litres, double tapMgL, Keeping keeping) {
    return tank(
        WaterKind.FRESHWATER,
        litres,
        water(tapMgL, TAP_PHOSPHATE),
        keeping,
        new Lines(under(NITRATE_LINE), Line.NONE));
  }

  private static Line under(double mgL) {
    return new Line(OptionalDouble.empty(), OptionalDouble.of(mgL));
  }

  private static SourceWater water(double nitrateMgL, double phosphateMgL) {
    return SourceWater.of(
        TAP, TAP, Optional.of(new Nitrate(nitrateMgL)), Optional.of(new Phosphate(phosphateMgL)));
  }

  private static Kit kit(Analyte analyte, double resolution, double absolute) {
    return new Kit(
        analyte.term(),
        analyte,
        KitMethod.PHOTOMETER,
        List.of(),
        analyte.standardUnit(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.of(resolution),
        absolute,
        Kit.defaultRelativeError(KitMethod.PHOTOMETER));
  }

  private static TankModel tank(
      WaterKind kind, double litres, SourceWater water, Keeping keeping, Lines lines) {
    return new TankModel(
        "Practice",
        kind,
        litres,
        OptionalDouble.empty(),
        TankModel.DEFAULT_TEMPERATURE_C,
        TankModel.defaultPH(kind),
        OptionalDouble.empty(),
        TankModel.defaultSalinityPpt(kind),
        Optional.of(FIRST_DAY.minusDays(OLD_DAYS)),
        ZoneOffset.UTC,
        new Substrate(
            TankModel.defaultSubstrate(kind), OptionalDouble.empty(), OptionalDouble.empty()),
        Optional.empty(),
        Stance.BY_NEED,
        lines,
        Limits.of(kind, Optional.empty()),
        Effort.DEFAULT,
        List.of(water),
        new Blend(List.of(new Blend.Part(TAP, 1))),
        TopOff.NONE,
        List.of(Food.of(FOOD, FoodForm.DRY)),
        List.of(new Feeding(FOOD, keeping.foodG, 7, Feeding.DEFAULT_UNEATEN_FRACTION, always())),
        keeping.animals,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(
            kit(Analyte.NITRATE, 1, 0.7),
            kit(Analyte.PHOSPHATE, 0.01, 0.01),
            kit(Analyte.AMMONIA, 0.05, 0.03)),
        Optional.empty(),
        List.of());
  }
}
