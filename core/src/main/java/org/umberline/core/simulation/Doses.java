package org.umberline.core.simulation;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import org.umberline.core.balance.CarbonDosing;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.tank.Additive;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;

/** What is dosed on each day: fertilisers, and carbon for bacteria. */
final class Doses {
  /** Fewer doses are no habit. Chosen. */
  private static final int HABIT_DOSES = 3;

  /** Doses within fewer days raise a level once. Chosen. */
  private static final double HABIT_SPAN_DAYS = 14;

  /** mg N a day. */
  final double[] nitrogen;

  /** mg P a day. */
  final double[] phosphorus;

  /** mL of each fertiliser of the tank, {@code [fertiliser][day]}. */
  final double[][] mlOfFertiliser;

  /** mg N a day that salts given by themselves bring, part of {@link #nitrogen}. */
  final double[] saltNitrogen;

  /** The same in mg P. */
  final double[] saltPhosphorus;

  /** What bacteria on dosed carbon ask for, mg N a day. */
  final double[] carbonNitrogen;

  /** The same in mg P. */
  final double[] carbonPhosphorus;

  /** What dosed carbon could denitrify, mg N a day. */
  final double[] carbonDenitrifies;

  private final Days days;
  private final TankModel tank;

  Doses(Days days) {
    this.days = days;
    tank = days.tank;
    nitrogen = new double[days.count];
    phosphorus = new double[days.count];
    mlOfFertiliser = new double[tank.fertilisers().size()][days.count];
    saltNitrogen = new double[days.count];
    saltPhosphorus = new double[days.count];
    carbonNitrogen = new double[days.count];
    carbonPhosphorus = new double[days.count];
    carbonDenitrifies = new double[days.count];
    layOutCarbon();
    layOutFertilisers(habits(LogEntry.Dose.class, LogEntry.Dose::fertiliser, LogEntry.Dose::ml));
    layOutHabitualAdditions();
  }

  private void layOutCarbon() {
    for (ExportMethod export : tank.exports()) {
      if (export instanceof ExportMethod.CarbonDose dose) {
        double carbon = CarbonDosing.carbonMg(dose.source(), dose.amountPerDay());
        for (int day = 0; day < days.count; day++) {
          if (days.covers(dose.span(), day)) {
            addCarbon(day, carbon);
          }
        }
      }
    }
  }

  /**
   * What was given over weeks goes on being given, so much a day of each. A level that was raised
   * once, or over some days, is no habit.
   */
  private <E extends LogEntry, K> Map<K, Double> habits(
      Class<E> kind, Function<E, K> what, ToDoubleFunction<E> amount) {
    Map<K, List<E>> given =
        days.habitEntries().stream()
            .filter(kind::isInstance)
            .map(kind::cast)
            .collect(Collectors.groupingBy(what, LinkedHashMap::new, Collectors.toList()));
    Map<K, Double> perDay = new LinkedHashMap<>();
    given.forEach(
        (key, doses) -> {
          double span = days.timeOf(doses.get(doses.size() - 1)) - days.timeOf(doses.get(0));
          if (doses.size() >= HABIT_DOSES && span >= HABIT_SPAN_DAYS) {
            perDay.put(key, doses.stream().mapToDouble(amount).sum() / days.habitDays());
          }
        });
    return perDay;
  }

  private void layOutFertilisers(Map<String, Double> habitMlPerDay) {
    for (int day = 0; day < days.count; day++) {
      for (Dosing dosing : tank.dosing()) {
        if (days.covers(dosing.span(), day)) {
          add(day, dosing.fertiliser(), dosing.mlPerDay());
        }
      }
      if (day > days.asOf) {
        int future = day;
        habitMlPerDay.forEach((id, ml) -> add(future, id, ml));
      }
    }
  }

  private void layOutHabitualAdditions() {
    Map<Additive, Double> perDay =
        habits(LogEntry.Addition.class, LogEntry.Addition::additive, LogEntry.Addition::amount);
    for (int day = days.asOf + 1; day < days.count; day++) {
      int future = day;
      perDay.forEach((additive, amount) -> add(future, additive, amount));
    }
  }

  void add(LogEntry.Addition addition) {
    add((int) days.timeOf(addition), addition.additive(), addition.amount());
  }

  private void add(int day, Additive additive, double amount) {
    if (additive instanceof CarbonSource source) {
      addCarbon(day, CarbonDosing.carbonMg(source, amount));
    } else if (additive instanceof Salt salt) {
      double mgN = new Nitrate(amount * salt.perGram(Analyte.NITRATE)).asNitrogen().mgPerLitre();
      double mgP =
          new Phosphate(amount * salt.perGram(Analyte.PHOSPHATE)).asPhosphorus().mgPerLitre();
      nitrogen[day] += mgN;
      phosphorus[day] += mgP;
      saltNitrogen[day] += mgN;
      saltPhosphorus[day] += mgP;
    }
  }

  private void addCarbon(int day, double mgCarbon) {
    carbonNitrogen[day] += CarbonDosing.nitrogenMg(mgCarbon);
    carbonPhosphorus[day] += CarbonDosing.phosphorusMg(mgCarbon);
    carbonDenitrifies[day] += CarbonDosing.denitrifiesMg(mgCarbon);
  }

  /** Stands in the day's fertiliser: within a day its hour does not matter to a forecast. */
  void add(LogEntry.Dose dose) {
    add((int) days.timeOf(dose), dose.fertiliser(), dose.ml());
  }

  private void add(int day, String id, double ml) {
    Fertiliser fertiliser = tank.fertiliserById(id);
    nitrogen[day] += ml * fertiliser.nitrogenMgPerMl();
    phosphorus[day] += ml * fertiliser.phosphorusMgPerMl();
    mlOfFertiliser[tank.fertilisers().indexOf(fertiliser)][day] += ml;
  }
}
