package org.umberline.wording;

import java.util.List;
import java.util.OptionalDouble;
import org.umberline.core.minerals.Course;
import org.umberline.core.minerals.Mineral;
import org.umberline.core.minerals.Mix;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/** What is said alike of all that is dissolved besides the two nutrients. */
final class MineralSaid {
  static final double DAYS_A_WEEK = 7;

  /** Less than this in a week isn't worth a word, in the analyte's unit. Chosen. */
  static final double TRIFLE_A_WEEK = 0.05;

  /** A smaller daily dose is said for a week, g. Chosen. */
  private static final double SMALL_DOSE_G = 1;

  private final TankModel tank;

  MineralSaid(TankModel tank) {
    this.tank = tank;
  }

  static WaterPanel panel(
      Mineral mineral,
      String title,
      Phrase sentence,
      List<Phrase> notes,
      List<String> cautions,
      boolean doses) {
    return new WaterPanel(
        mineral.analyte().term(),
        title,
        unit(mineral),
        mineral.wanted(),
        sentence,
        notes,
        cautions,
        doses);
  }

  static String unit(Mineral mineral) {
    return mineral.analyte().standardUnit().label();
  }

  static Phrase.Amount aWeek(Mineral mineral, double perDay) {
    return SmallWords.level(perDay * DAYS_A_WEEK, unit(mineral));
  }

  /** Salinity is read to a tenth. */
  static Phrase.Amount level(Mineral mineral, double value) {
    return mineral.analyte() == Analyte.SALINITY
        ? Phrase.amount(value, unit(mineral))
        : SmallWords.level(value, unit(mineral));
  }

  static Phrase sentence(Mineral mineral) {
    if (mineral.course().isEmpty()) {
      return Phrase.of(
          "No test of it in three months. Two tests a week apart show what the tank does with it.");
    }
    Course course = mineral.course().get();
    return Phrase.of(
        "It was ",
        level(mineral, course.latest()),
        " on ",
        course.on(),
        mineral.wanted().isEmpty()
            ? ". "
            : Phrase.of("; you want ", level(mineral, mineral.wanted().getAsDouble()), ". "),
        course.givenSince() > 0
            ? Phrase.of(
                "Salts you noted since bring it to about ", level(mineral, course.stands()), ". ")
            : "",
        rate(mineral, course));
  }

  /** How well a rate is known; a salinity meter shows no less than a tenth. */
  private static Phrase.Amount within(Mineral mineral, double aWeek) {
    return mineral.analyte() == Analyte.SALINITY
        ? Phrase.amount(Math.max(0.1, Math.rint(10 * aWeek) / 10), unit(mineral))
        : SmallWords.level(aWeek, unit(mineral));
  }

  private static Phrase rate(Mineral mineral, Course course) {
    if (course.lostPerDay().isEmpty()) {
      return Phrase.of(
          course.readings() == 1
              ? "A second test, a week later, shows whether it moves."
              : "The tests don't show yet whether it moves.");
    }
    double perDay = course.lostPerDay().getAsDouble();
    Phrase.Amount much = aWeek(mineral, Math.abs(perDay));
    Phrase.Amount within = within(mineral, course.within() * DAYS_A_WEEK);
    if (!course.isTold()) {
      return Phrase.of(
          "Besides your changes it moves by less than " + course.readings() + " tests can show (",
          within,
          " a week).");
    }
    return Phrase.of(
        "Besides your changes"
            + (course.givenPerDay() > 0 ? " and the salts you noted" : "")
            + " it "
            + (perDay > 0 ? "falls" : "rises")
            + " by about ",
        much,
        " a week",
        course.within() * DAYS_A_WEEK < TRIFLE_A_WEEK
            ? ""
            : Phrase.of(" (give or take ", within, ")"),
        isDosed(mineral.analyte()) && course.givenPerDay() == 0
            ? ", what you dose counted in."
            : ".");
  }

  private static boolean isDosed(Analyte analyte) {
    return analyte == Analyte.ALKALINITY
        || analyte == Analyte.CALCIUM
        || analyte == Analyte.MAGNESIUM;
  }

  static void topOff(Mineral mineral, List<Phrase> notes) {
    if (mineral.topOffPerDay() * DAYS_A_WEEK >= TRIFLE_A_WEEK) {
      notes.add(
          Phrase.of(
              "Top-off water adds ",
              aWeek(mineral, mineral.topOffPerDay()),
              " a week: what evaporates leaves it behind."));
    }
  }

  void settled(Mineral mineral, List<Phrase> notes) {
    if (mineral.settles().isEmpty()) {
      return;
    }
    Mineral.Settled settled = mineral.settles().get();
    Routine routine = tank.routine().orElseThrow();
    if (settled.before() < 0 || settled.after() < 0) {
      notes.add(Phrase.of("Your routine can't make up for what it loses; it would go to nothing."));
      return;
    }
    notes.add(
        Phrase.of(
            "With "
                + SmallWords.percent(routine.fraction())
                + " every "
                + SmallWords.days(routine.everyDays())
                + (mineral.course().map(Course::givenPerDay).orElse(0.0) > 0
                    ? " and the salts as you noted them"
                    : "")
                + " it settles at about ",
            SmallWords.level(settled.before(), unit(mineral)),
            " before a change and ",
            SmallWords.level(settled.after(), unit(mineral)),
            " after it."));
  }

  /** What has to be dosed of a salt to hold it, {@code dailyG} a day. */
  Phrase held(double dailyG, String salt) {
    boolean little = dailyG < SMALL_DOSE_G;
    boolean changed = tank.routine().filter(routine -> routine.fraction() > 0).isPresent();
    return Phrase.of(
        changed ? "What your changes don't bring: " : "To hold it takes ",
        SmallWords.level(little ? dailyG * DAYS_A_WEEK : dailyG, "g"),
        " of " + salt + (little ? " a week." : " a day."));
  }

  /** Change water mixed of two waters that holds it where it is wanted. */
  void mixed(Mineral mineral, List<Phrase> notes) {
    Mix.of(tank, mineral)
        .ifPresent(
            mix ->
                notes.add(
                    Phrase.of(
                        "Change water of " + parts(mix) + " holds ",
                        SmallWords.level(mix.holds(), unit(mineral)),
                        mix.settles().isPresent()
                            ? Phrase.of(
                                ", and with your routine the tank stays at about ",
                                SmallWords.level(mix.settles().getAsDouble(), unit(mineral)),
                                ".")
                            : ": each change with it moves the tank towards that.")));
  }

  private static String parts(Mix mix) {
    if (mix.share() == 1) {
      return mix.most().name() + " alone";
    }
    return mix.share() == 0
        ? mix.least().name() + " alone"
        : SmallWords.percent(mix.share())
            + " "
            + mix.most().name()
            + " and "
            + SmallWords.percent(1 - mix.share())
            + " "
            + mix.least().name();
  }

  /** One change to what is wanted, where that is small enough. */
  void toWanted(Mineral mineral, OptionalDouble step, List<Phrase> notes) {
    if (mineral.shareNow().isEmpty()) {
      return;
    }
    double share = mineral.shareNow().getAsDouble();
    double way = Math.abs(mineral.wanted().getAsDouble() - mineral.course().get().stands());
    if (share > tank.limits().maxChangeFraction() || way > step.orElse(Double.MAX_VALUE)) {
      return;
    }
    notes.add(
        Phrase.of(
            "One change of "
                + SmallWords.percent(inFives(share))
                + " with your change water brings it to ",
            SmallWords.level(mineral.wanted().getAsDouble(), unit(mineral)),
            "."));
  }

  /** Shares over a tenth are said in steps of five. */
  static double inFives(double share) {
    double steps = share > 0.1 ? 20 : 100;
    return Math.ceil(share * steps - 1e-9) / steps;
  }
}
