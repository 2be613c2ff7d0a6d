package org.umberline.server.makeup;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.umberline.core.chemistry.SeaWater;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.quantity.Phosphorus;
import org.umberline.core.tank.BodyShape;
import org.umberline.core.tank.FoodForm;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.RoughMeasures.AnimalSize;
import org.umberline.core.tank.RoughMeasures.ChangeWater;
import org.umberline.core.tank.RoughMeasures.Cleaner;
import org.umberline.core.tank.RoughMeasures.PlantCover;
import org.umberline.core.tank.RoughMeasures.Portion;
import org.umberline.core.tank.TestUnit;
import org.umberline.core.tank.WayOfKeeping;
import org.umberline.server.balance.LedgerViews;

/** Closed lists with the figures behind them, and the units numbers may be shown in. */
public final class Lists {
  /** L in a US liquid gallon, by definition (NIST Handbook 44, appendix C). */
  private static final double LITRES_PER_US_GALLON = 3.785411784;

  private static final int GRAVITY_UP_TO_PPT = 42;

  private Lists() {}

  public static ListViews.Lists all() {
    return new ListViews.Lists(
        Arrays.stream(WayOfKeeping.values()).map(Lists::way).toList(),
        Arrays.stream(FoodForm.values()).map(Lists::form).toList(),
        Arrays.stream(PlantKind.values()).map(Lists::plant).toList(),
        Arrays.stream(BodyShape.values())
            .map(
                shape ->
                    new ListViews.Choice(
                        shape.term(), List.of(term("at 5 cm", shape.massG(5), "g"))))
            .toList(),
        Arrays.stream(Portion.values()).map(Lists::portion).toList(),
        Arrays.stream(AnimalSize.values())
            .map(
                size ->
                    new ListViews.Choice(
                        size.term(),
                        List.of(
                            term("mass", size.massG(), "g"),
                            term("length", size.lengthCm(), "cm"))))
            .toList(),
        Arrays.stream(PlantCover.values())
            .map(
                cover ->
                    new ListViews.Choice(
                        cover.term(), List.of(term("wet", cover.wetGramsPerLitre(), "g/L"))))
            .toList(),
        Arrays.stream(Cleaner.values())
            .map(cleaner -> new ListViews.Choice(cleaner.term(), List.of()))
            .toList(),
        Arrays.stream(ChangeWater.values()).map(Lists::changeWater).toList());
  }

  private static ListViews.Choice way(WayOfKeeping way) {
    List<LedgerViews.Term> figures = new ArrayList<>();
    add(figures, "nitrate floor", way.lines().nitrate().floorMgL(), "mg/L NO3");
    add(figures, "nitrate ceiling", way.lines().nitrate().ceilingMgL(), "mg/L NO3");
    add(figures, "phosphate floor", way.lines().phosphate().floorMgL(), "mg/L PO4");
    add(figures, "phosphate ceiling", way.lines().phosphate().ceilingMgL(), "mg/L PO4");
    figures.add(term("largest change", way.largestChange(), ""));
    figures.add(new LedgerViews.Term("water", null, way.water().term(), null));
    return new ListViews.Choice(way.term(), figures);
  }

  private static void add(
      List<LedgerViews.Term> figures, String label, OptionalDouble value, String unit) {
    value.ifPresent(v -> figures.add(term(label, v, unit)));
  }

  private static ListViews.Choice form(FoodForm form) {
    return new ListViews.Choice(
        form.term(),
        List.of(
            term("protein", form.proteinPercent(), "%"),
            term("phosphorus", form.phosphorusPercent(), "%"),
            term("moisture", form.moisturePercent(), "%")));
  }

  private static ListViews.Choice portion(Portion portion) {
    return new ListViews.Choice(
        portion.term(),
        List.of(
            term("mass", portion.grams(), "g"),
            new LedgerViews.Term("form", null, portion.form().term(), null)));
  }

  private static ListViews.Choice changeWater(ChangeWater water) {
    return new ListViews.Choice(
        water.term(),
        List.of(
            term("nitrate", water.nitrateMgL(), "mg/L NO3"),
            term("phosphate", water.phosphateMgL(), "mg/L PO4"),
            new LedgerViews.Term("water", null, water.kind().term(), null)));
  }

  private static ListViews.Choice plant(PlantKind kind) {
    return new ListViews.Choice(
        kind.term(), List.of(term("doubles in", kind.doublingDays(), "days")));
  }

  private static LedgerViews.Term term(String label, double value, String unit) {
    return new LedgerViews.Term(label, value, unit, "common practice or from memory");
  }

  /** Units to show numbers in; {@code chosen} is what the keeper chose, as the page keeps it. */
  public static ListViews.Units units(String chosen) {
    double nitrogenPerNitrate = 1 / Nitrate.of(new Nitrogen(1)).mgPerLitre();
    double phosphorusPerPhosphate = 1 / Phosphate.of(new Phosphorus(1)).mgPerLitre();
    List<double[]> gravity = new ArrayList<>();
    for (int ppt = 0; ppt <= GRAVITY_UP_TO_PPT; ppt++) {
      gravity.add(new double[] {ppt, SeaWater.specificGravity(ppt)});
    }
    return new ListViews.Units(
        chosen,
        List.of(
            quantity("volume", unit("L", 1), unit("US gal", 1 / LITRES_PER_US_GALLON)),
            new ListViews.Quantity(
                "temperature", List.of(unit("°C", 1), new ListViews.UnitChoice("°F", 1.8, 32))),
            quantity(
                "alkalinity",
                unit("dKH", 1),
                unit("mg/L CaCO3", 1 / TestUnit.ALKALINITY_CALCIUM_CARBONATE.standardPerUnit()),
                unit("meq/L", 1 / TestUnit.MILLIEQUIVALENT.standardPerUnit())),
            quantity("salinity", unit("ppt", 1), unit("specific gravity", 1)),
            quantity("nitrate", unit("mg/L NO3", 1), unit("mg/L NO3-N", nitrogenPerNitrate)),
            quantity(
                "phosphate",
                unit("mg/L PO4", 1),
                unit("mg/L PO4-P", phosphorusPerPhosphate),
                unit("µg/L P", 1000 * phosphorusPerPhosphate))),
        gravity);
  }

  private static ListViews.Quantity quantity(String name, ListViews.UnitChoice... units) {
    return new ListViews.Quantity(name, List.of(units));
  }

  private static ListViews.UnitChoice unit(String label, double factor) {
    return new ListViews.UnitChoice(label, factor, 0);
  }
}
