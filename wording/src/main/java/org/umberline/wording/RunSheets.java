package org.umberline.wording;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.change.ChangeEffect;
import org.umberline.core.change.ChangeWater;
import org.umberline.core.dosing.Conditioning;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.Task;
import org.umberline.wording.RunSheet.BedHalf;
import org.umberline.wording.RunSheet.Phase;
import org.umberline.wording.RunSheet.Step;

/** Writes run sheets. The order of a change is common practice, no source. */
public final class RunSheets {
  private static final double SALT_MIXES_MINUTES = 30;
  private static final double WATCH_MINUTES = 60;

  /** Share of the salt that is weighed in before the mix is measured. Chosen. */
  private static final double FIRST_SALT = 0.95;

  private static final double CM3_PER_L = 1000;

  private final TankModel tank;
  private final Care care;
  private final Blend blend;
  private final LocalDate day;
  private final ChangeWater water;
  private final double fraction;
  private final double litres;
  private final List<Step> steps = new ArrayList<>();

  /**
   * The sheet of one change.
   *
   * @param fraction of the net volume, over 0 to 1
   * @param blend what is poured in
   * @param levels nitrate and phosphate of tank and change water as they are believed to be now
   * @param day on which it is done
   */
  public static RunSheet of(
      TankModel tank,
      Care care,
      double fraction,
      Blend blend,
      ChangeEffect.Levels levels,
      LocalDate day) {
    return new RunSheets(tank, care, fraction, blend, day).write(levels);
  }

  private RunSheets(TankModel tank, Care care, double fraction, Blend blend, LocalDate day) {
    this.tank = tank;
    this.care = care;
    this.fraction = fraction;
    this.blend = blend;
    this.day = day;
    water = new ChangeWater(tank, blend);
    litres = fraction * tank.netVolumeL();
  }

  private RunSheet write(ChangeEffect.Levels levels) {
    Optional<BedHalf> bed = bed();
    prepare();
    switchOff();
    out(bed);
    pour();
    switchOn();
    afterwards();
    ChangeEffect effect = ChangeEffect.of(tank, care, fraction, blend, levels);
    return new RunSheet(
        fraction,
        litres,
        blend,
        bed,
        steps,
        effect,
        effect.warnings().stream().map(ChangeWords::warning).toList(),
        ChangeWords.cautions(tank, care, water, litres, day),
        effect.told().map(ChangeWords::test).orElse(Phrase.NONE));
  }

  private void step(Phase phase, String key, Object... text) {
    steps.add(new Step(key, phase, Phrase.of(text), OptionalDouble.empty()));
  }

  private void waiting(double minutes, Phase phase, String key, Object... text) {
    steps.add(new Step(key, phase, Phrase.of(text), OptionalDouble.of(minutes)));
  }

  // ---------------------------------------------------------------- preparing

  private void prepare() {
    step(
        Phase.PREPARE,
        "sample",
        "Take the test sample now, before anything is stirred, with the water at its usual level.");
    if (blend.parts().isEmpty()) {
      step(Phase.PREPARE, "water", "Have ", litres(litres), " of pure water ready", buckets());
    } else {
      for (Blend.Part part : blend.parts()) {
        step(
            Phase.PREPARE,
            "water-" + part.water(),
            "Have ",
            litres(part.share() * litres),
            " of " + tank.waterById(part.water()).name() + " ready",
            blend.parts().size() == 1 ? buckets() : ".");
      }
    }
    double tap = water.tapShare() * litres;
    if (tap > 0 && care.conditionerMlPer100L().isPresent()) {
      double ml = Conditioning.ml(tap, care.conditionerMlPer100L().getAsDouble());
      step(
          Phase.PREPARE,
          "conditioner",
          "Stir in ",
          Phrase.amount(ml, "mL"),
          " of conditioner, by the strength you gave from its label.");
    } else if (tap > 0) {
      step(
          Phase.PREPARE,
          "conditioner",
          "If your supplier adds chlorine or chloramine, condition the water by the label.");
    }
    salt();
    temperature(tap);
  }

  private Phrase buckets() {
    if (care.bucketLitres().isEmpty()) {
      return Phrase.of(".");
    }
    double bucket = care.bucketLitres().getAsDouble();
    int full = (int) Math.floor(litres / bucket + 1e-9);
    double rest = litres - full * bucket;
    String text = full == 0 ? "" : full + (full == 1 ? " full bucket" : " full buckets");
    if (rest <= 0.05 * bucket) {
      return Phrase.of(": ", text, ".");
    }
    return Phrase.of(": ", text, text.isEmpty() ? "" : " and ", "one of ", litres(rest), ".");
  }

  private void salt() {
    if (tank.salinityPpt() <= 0) {
      return;
    }
    double grams = water.saltG(litres, water.salinityPpt());
    if (grams < 1) {
      return;
    }
    waiting(
        SALT_MIXES_MINUTES,
        Phase.PREPARE,
        "salt",
        "Weigh in ",
        Phrase.amount(FIRST_SALT * grams, "g"),
        " of salt of the ",
        Phrase.amount(grams, "g"),
        " it will take, and mix with a pump until clear.");
    step(
        Phase.PREPARE,
        "salinity",
        "Measure the mix and bring it to ",
        Phrase.amount(tank.salinityPpt(), "ppt"),
        "; below tells how much more salt or water.");
  }

  private void temperature(double tap) {
    Phrase.Amount wanted = Phrase.amount(tank.temperatureC(), "°C");
    if (tap > 0 && care.hotC().isPresent() && care.coldC().isPresent()) {
      OptionalDouble share =
          ChangeWater.hotShare(
              tank.temperatureC(), care.hotC().getAsDouble(), care.coldC().getAsDouble());
      if (share.isPresent()) {
        step(
            Phase.PREPARE,
            "temperature",
            "Mix ",
            litres(share.getAsDouble() * tap),
            " hot with ",
            litres((1 - share.getAsDouble()) * tap),
            " cold for ",
            wanted,
            ", and measure it.");
        return;
      }
      step(
          Phase.PREPARE,
          "temperature",
          "No mix of your taps makes ",
          wanted,
          ": let the water stand or warm it until it is there.");
      return;
    }
    step(
        Phase.PREPARE,
        "temperature",
        "Bring the water to ",
        wanted,
        ", up to two degrees warmer, never colder.");
  }

  // ---------------------------------------------------------------- changing

  private void switchOff() {
    for (int i = 0; i < care.devices().size(); i++) {
      step(
          Phase.SWITCH_OFF,
          "off-" + i,
          "Unplug the " + care.devices().get(i) + (i == 0 ? " before hands go in." : "."));
    }
    if (tank.topOff().litresPerDay() > 0) {
      step(Phase.SWITCH_OFF, "off-top-off", "Stop the top-off.");
    }
  }

  private Optional<BedHalf> bed() {
    boolean siphoned =
        tank.substrate().kind() != SubstrateKind.BARE
            && tank.substrate().kind() != SubstrateKind.SOIL
            && !hasDeepBed();
    if (!siphoned) {
      return Optional.empty();
    }
    long before =
        tank.log().stream()
            .filter(e -> e instanceof LogEntry.WaterChange c && c.siphonedShareOfBed() > 0)
            .count();
    return Optional.of(before % 2 == 0 ? BedHalf.LEFT : BedHalf.RIGHT);
  }

  /** A denitrifying bed is never stirred. */
  private boolean hasDeepBed() {
    return tank.exports().stream().anyMatch(ExportMethod.DeepBed.class::isInstance);
  }

  private void out(Optional<BedHalf> bed) {
    step(Phase.OUT, "glass", "Let a little out, then wipe the glass.");
    bed.ifPresent(
        half ->
            step(
                Phase.OUT,
                "bed",
                "Drain with the nozzle low over the "
                    + half.name().toLowerCase(Locale.ROOT)
                    + " half of the bed; the other half is next time’s."));
    if (hasDeepBed()) {
      step(Phase.OUT, "deep-bed", "Drain above the sand: the deep bed is never stirred.");
    }
    step(Phase.OUT, "algae", "Suck out dead leaves and algae that can be seen.");
    step(Phase.OUT, "mark", "Stop when ", litres(litres), " are out", mark(), ".");
  }

  private Phrase mark() {
    return tank.surfaceAreaCm2().isPresent()
        ? Phrase.of(
            ": ",
            Phrase.amount(CM3_PER_L * litres / tank.surfaceAreaCm2().getAsDouble(), "cm"),
            " below the usual level")
        : Phrase.NONE;
  }

  private void pour() {
    step(
        Phase.IN,
        "compare",
        "Compare once more: "
            + (tank.salinityPpt() > 0 ? "temperature and salinity" : "temperature")
            + " of tank and new water.");
    step(Phase.IN, "pour", "Pour in slowly, away from the animals, up to the usual level.");
  }

  private void switchOn() {
    for (int i = care.devices().size() - 1; i >= 0; i--) {
      String device = care.devices().get(i);
      boolean heats = device.toLowerCase(Locale.ROOT).contains("heat");
      step(
          Phase.SWITCH_ON,
          "on-" + i,
          "Plug in the " + device + (heats ? " once it is under water." : "; does it run?"));
    }
    if (tank.topOff().litresPerDay() > 0) {
      step(
          Phase.SWITCH_ON,
          "on-top-off",
          tank.water() == WaterKind.MARINE
              ? "Drain what is over the level until the top-off would start, then start it."
              : "Start the top-off.");
    }
  }

  private void afterwards() {
    waiting(WATCH_MINUTES, Phase.AFTERWARDS, "watch", "Watch the animals for an hour.");
    if (care.tasks().contains(Task.FLOSS)) {
      step(Phase.AFTERWARDS, "floss", "Change the floss tomorrow.");
    }
    if (care.filterDaysFromChange() > 0) {
      step(
          Phase.AFTERWARDS,
          "filter",
          "Leave the filter alone for "
              + care.filterDaysFromChange()
              + (care.filterDaysFromChange() == 1 ? " day." : " days."));
    }
  }

  private static Phrase.Amount litres(double value) {
    return Phrase.amount(value, "L");
  }
}
