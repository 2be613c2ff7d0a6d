package org.umberline.tankfile;

import java.util.List;
import java.util.Optional;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.FoodForm;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.Substrate;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.core.tank.TopOff;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.tank.WayOfKeeping;

/** Reads the parts of a tank file that have no dates: lines, limits, waters, foods, kits. */
final class PartReader {
  private PartReader() {}

  static Substrate substrate(Node tank, WaterKind water) {
    Node substrate = tank.section("substrate");
    return new Substrate(
        substrate.term(SubstrateKind.class, "kind", TankModel.defaultSubstrate(water)),
        substrate.maybeNumber("areaCm2"),
        substrate.maybeNumber("depthCm"));
  }

  static Lines lines(Node file, Optional<WayOfKeeping> keeping) {
    Node lines = file.section("lines");
    if (!file.has("lines")) {
      return keeping.map(WayOfKeeping::lines).orElse(Lines.NONE);
    }
    return new Lines(line(lines, "nitrate"), line(lines, "phosphate"));
  }

  static Line line(Node lines, String nutrient) {
    Node line = lines.section(nutrient);
    return new Line(line.maybeNumber("floorMgL"), line.maybeNumber("ceilingMgL"));
  }

  static Limits limits(Node file, WaterKind water, Optional<WayOfKeeping> keeping) {
    Node limits = file.section("limits");
    Limits usual = Limits.of(water, keeping);
    return new Limits(
        limits.number("maxChangeFraction", usual.maxChangeFraction()),
        limits.has("intervalsDays")
            ? limits.numbers("intervalsDays").stream().distinct().sorted().toList()
            : limits.noted("intervalsDays", usual.intervalsDays()),
        limits.number("confidence", usual.confidence()),
        limits.integer("horizonDays", usual.horizonDays()),
        limits.numberOrNone("maxNitrateStepMgL", usual.maxNitrateStepMgL()),
        limits.numberOrNone("maxSalinityStepPpt", usual.maxSalinityStepPpt()),
        limits.numberOrNone("maxAlkalinityStepDkh", usual.maxAlkalinityStepDkh()),
        limits.maybeNumber("leastChangeFraction"),
        limits.has("leastChangeDays") ? limits.number("leastChangeDays") : usual.leastChangeDays());
  }

  static Effort effort(Node file) {
    Node effort = file.section("effort");
    Effort usual = Effort.DEFAULT;
    return new Effort(
        effort.number("minutesPerChange", usual.minutesPerChange()),
        effort.number("minutesPerLitre", usual.minutesPerLitre()),
        effort.number("bucketL", usual.bucketL()),
        effort.maybeNumber("maxLitresPerChange"),
        effort.maybeNumber("maxMinutesPerWeek"),
        effort.number("pricePerLitre", usual.pricePerLitre()),
        effort.number("pricePerMinute", usual.pricePerMinute()));
  }

  static SourceWater water(Node w) {
    return new SourceWater(
        w.text("id"),
        w.text("name", w.text("id")),
        w.has("nitrateMgL")
            ? Optional.of(new Nitrate(w.number("nitrateMgL")))
            : w.noted("nitrateMgL", Optional.empty()),
        w.has("phosphateMgL")
            ? Optional.of(new Phosphate(w.number("phosphateMgL")))
            : w.noted("phosphateMgL", Optional.empty()),
        new Ammonia(w.number("ammoniaMgL", 0)),
        new Nitrite(w.number("nitriteMgL", 0)),
        w.maybeNumber("silicateMgL"),
        w.maybeNumber("pH"),
        w.maybeNumber("alkalinityDkh"),
        w.maybeNumber("salinityPpt"),
        w.maybeNumber("hardnessDgh"),
        w.maybeNumber("dissolvedSolidsMgL"));
  }

  static Blend blend(Node node, String key) {
    return new Blend(
        node.each(key, part -> new Blend.Part(part.text("water"), part.number("share"))));
  }

  static TopOff topOff(Node file) {
    Node topOff = file.section("topOff");
    Blend water =
        topOff
            .maybeText("water")
            .map(id -> new Blend(List.of(new Blend.Part(id, 1))))
            .orElse(Blend.PURE);
    return new TopOff(water, topOff.number("litresPerDay", 0));
  }

  static Food food(Node f) {
    FoodForm form = f.term(FoodForm.class, "form", FoodForm.DRY);
    return new Food(
        f.text("id"),
        f.text("name", f.text("id")),
        form,
        f.number("proteinPercent", form.proteinPercent()),
        f.number("phosphorusPercent", form.phosphorusPercent()),
        f.number("moisturePercent", form.moisturePercent()),
        f.maybeNumber("servingG"),
        f.flag("rinsed", false));
  }

  static Kit kit(Node k) {
    Analyte analyte = k.term(Analyte.class, "analyte");
    KitMethod method = k.term(KitMethod.class, "method");
    return new Kit(
        k.text("id"),
        analyte,
        method,
        k.numbers("steps"),
        k.maybeText("unit")
            .flatMap(label -> TestUnit.find(analyte, label))
            .orElseGet(() -> k.noted("unit", analyte.standardUnit())),
        k.maybeNumber("min"),
        k.maybeNumber("max"),
        k.maybeNumber("resolution"),
        k.number("absoluteError", 0),
        k.number("relativeError", Kit.defaultRelativeError(method)));
  }
}
