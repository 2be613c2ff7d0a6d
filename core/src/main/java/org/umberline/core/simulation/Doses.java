package org.umberline.core.simulation;

import java.util.HashMap;
import java.util.Map;
import org.umberline.core.balance.CarbonDosing;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/** What is dosed on each day: fertilisers, and carbon for bacteria. */
final class Doses {
  /** mg N a day. */
  final double[] nitrogen;

  /** mg P a day. */
  final double[] phosphorus;

  /** mL of each fertiliser of the tank, {@code [fertiliser][day]}. */
  final double[][] mlOfFertiliser;

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
    carbonNitrogen = new double[days.count];
    carbonPhosphorus = new double[days.count];
    carbonDenitrifies = new double[days.count];
    layOutCarbon();
    layOutFertilisers(habits());
  }

  private void layOutCarbon() {
    for (ExportMethod export : tank.exports()) {
      if (export instanceof ExportMethod.CarbonDose dose) {
        double carbon = CarbonDosing.carbonMg(dose.source(), dose.amountPerDay());
        for (int day = 0; day < days.count; day++) {
          if (days.covers(dose.span(), day)) {
            carbonNitrogen[day] += CarbonDosing.nitrogenMg(carbon);
            carbonPhosphorus[day] += CarbonDosing.phosphorusMg(carbon);
            carbonDenitrifies[day] += CarbonDosing.denitrifiesMg(carbon);
          }
        }
      }
    }
  }

  private Map<String, Double> habits() {
    Map<String, Double> mlPerDay = new HashMap<>();
    double habit = 1.0 / days.habitDays();
    for (LogEntry entry : days.habitEntries()) {
      if (entry instanceof LogEntry.Dose dose) {
        mlPerDay.merge(dose.fertiliser(), dose.ml() * habit, Double::sum);
      }
    }
    return mlPerDay;
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
