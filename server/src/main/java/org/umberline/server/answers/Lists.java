package org.umberline.server.answers;

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
import org.umberline.core.tank.TestUnit;
import org.umberline.core.tank.WayOfKeeping;
import org.umberline.server.exchange.Views;
import org.umberline.server.exchange.Views.ChoiceView;
import org.umberline.server.exchange.Views.QuantityView;
import org.umberline.server.exchange.Views.TermView;
import org.umberline.server.exchange.Views.UnitChoiceView;
import org.umberline.tankfile.Figures;

/** Closed lists with the figures behind them, and the units numbers may be shown in. */
public final class Lists {
  /** L in a US liquid gallon, by definition (NIST Handbook 44, appendix C). */
  private static final double LITRES_PER_US_GALLON = 3.785411784;

  private static final int GRAVITY_UP_TO_PPT = 42;

  private Lists() {}

  public static Views.ListsView all() {
    return new Views.ListsView(
        Arrays.stream(WayOfKeeping.values()).map(Lists::way).toList(),
        Arrays.stream(FoodForm.values()).map(Lists::form).toList(),
        Arrays.stream(PlantKind.values()).map(Lists::plant).toList(),
        Arrays.stream(BodyShape.values())
            .map(
                shape ->
                    new ChoiceView(shape.term(), List.of(term("at 5 cm", shape.massG(5), "g"))))
            .toList());
  }

  private static ChoiceView way(WayOfKeeping way) {
    List<TermView> figures = new ArrayList<>();
    add(figures, "nitrate floor", way.lines().nitrate().floorMgL(), "mg/L NO3");
    add(figures, "nitrate ceiling", way.lines().nitrate().ceilingMgL(), "mg/L NO3");
    add(figures, "phosphate floor", way.lines().phosphate().floorMgL(), "mg/L PO4");
    add(figures, "phosphate ceiling", way.lines().phosphate().ceilingMgL(), "mg/L PO4");
    figures.add(term("largest change", way.largestChange(), ""));
    figures.add(new TermView("water", null, way.water().term(), null));
    return new ChoiceView(way.term(), figures);
  }

  private static void add(List<TermView> figures, String label, OptionalDouble value, String unit) {
    value.ifPresent(v -> figures.add(term(label, v, unit)));
  }

  private static ChoiceView form(FoodForm form) {
    return new ChoiceView(
        form.term(),
        List.of(
            term("protein", form.proteinPercent(), "%"),
            term("phosphorus", form.phosphorusPercent(), "%"),
            term("moisture", form.moisturePercent(), "%")));
  }

  private static ChoiceView plant(PlantKind kind) {
    return new ChoiceView(kind.term(), List.of(term("doubles in", kind.doublingDays(), "days")));
  }

  private static TermView term(String label, double value, String unit) {
    return new TermView(label, Figures.rounded(value), unit, "common practice or from memory");
  }

  /** Units to show numbers in; {@code chosen} is what the keeper chose, as the page keeps it. */
  public static Views.UnitsView units(String chosen) {
    double nitrogenPerNitrate = 1 / Nitrate.of(new Nitrogen(1)).mgPerLitre();
    double phosphorusPerPhosphate = 1 / Phosphate.of(new Phosphorus(1)).mgPerLitre();
    List<double[]> gravity = new ArrayList<>();
    for (int ppt = 0; ppt <= GRAVITY_UP_TO_PPT; ppt++) {
      gravity.add(new double[] {ppt, SeaWater.specificGravity(ppt)});
    }
    return new Views.UnitsView(
        chosen,
        List.of(
            quantity("volume", unit("L", 1), unit("US gal", 1 / LITRES_PER_US_GALLON)),
            new QuantityView(
                "temperature", List.of(unit("°C", 1), new UnitChoiceView("°F", 1.8, 32))),
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

  private static QuantityView quantity(String name, UnitChoiceView... units) {
    return new QuantityView(name, List.of(units));
  }

  private static UnitChoiceView unit(String label, double factor) {
    return new UnitChoiceView(label, factor, 0);
  }
}
