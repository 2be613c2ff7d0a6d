package org.umberline.core.dosing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberline.core.balance.CarbonDosing;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.tank.WayOfKeeping;

/**
 * Whether the carbon that is dosed is more than a tank can stand: bacteria grown on it take the
 * oxygen, and the last of the nitrate. The rules are common practice, no source.
 */
public final class CarbonSafety {
  /** A mL of ethanol of 40 % a day is the most for so many litres; in split doses. */
  private static final double LITRES_PER_ML = 40;

  /** With less nitrate than this, mg/L, bacteria find none to grow on. */
  private static final double NITRATE_GONE_MG_L = 1;

  /** With more than this, dKH, stony corals burn at their tips where nutrients are stripped. */
  private static final double HIGH_ALKALINITY_DKH = 9;

  /** Why carbon should not be dosed, or not so much. */
  public enum Danger {
    /** More is dosed than the water has oxygen for. */
    OVER_CEILING,
    /** Animals gasp: the oxygen is short already. */
    GASPING,
    /** A marine tank without a skimmer: what grows stays in the water. */
    NO_SKIMMER,
    /** Nitrate is gone while phosphate is high: carbon takes what is left. */
    NITRATE_GONE,
    /** High alkalinity with stony corals. */
    HIGH_ALKALINITY
  }

  /**
   * @param mostPerDay what the ceiling leaves for this source beside the others, in its own amount:
   *     mL, or g of sugar
   */
  public record Finding(Danger danger, ExportMethod.CarbonDose dose, double mostPerDay) {}

  private CarbonSafety() {}

  /** The most of {@code source} a day for a tank of so many litres: mL, or g of sugar. */
  public static double mostPerDay(CarbonSource source, double litres) {
    return CarbonDosing.carbonMg(CarbonSource.ETHANOL_40, litres / LITRES_PER_ML)
        / CarbonDosing.carbonMg(source, 1);
  }

  /**
   * What speaks against the carbon that is dosed on {@code day}, the gravest first.
   *
   * @param gasping whether animals were seen gasping lately
   */
  public static List<Finding> look(TankModel tank, LocalDate day, boolean gasping) {
    List<Finding> findings = new ArrayList<>();
    for (Danger danger : Danger.values()) {
      dosedOn(tank, day)
          .map(dose -> new Finding(danger, dose, left(tank, day, dose)))
          .filter(finding -> isSo(finding, tank, day, gasping))
          .findFirst()
          .ifPresent(findings::add);
    }
    return List.copyOf(findings);
  }

  /** What is dosed by the make-up on {@code day}, and what was noted as given on it. */
  private static Stream<ExportMethod.CarbonDose> dosedOn(TankModel tank, LocalDate day) {
    Stream<ExportMethod.CarbonDose> standing =
        tank.exports().stream()
            .filter(ExportMethod.CarbonDose.class::isInstance)
            .map(ExportMethod.CarbonDose.class::cast)
            .filter(dose -> dose.amountPerDay() > 0 && dose.span().contains(day));
    Stream<ExportMethod.CarbonDose> noted =
        Arrays.stream(CarbonSource.values())
            .map(source -> noted(tank, source, day))
            .filter(dose -> dose.amountPerDay() > 0);
    return Stream.concat(standing, noted);
  }

  private static ExportMethod.CarbonDose noted(TankModel tank, CarbonSource source, LocalDate day) {
    double amount =
        tank.log().stream()
            .filter(LogEntry.Addition.class::isInstance)
            .map(LogEntry.Addition.class::cast)
            .filter(given -> given.additive() == source)
            .filter(given -> tank.dayOf(given.at().toInstant()).equals(day))
            .mapToDouble(LogEntry.Addition::amount)
            .sum();
    return new ExportMethod.CarbonDose(
        source.term(), source, amount, new Span(day, Optional.of(day)));
  }

  /** What the ceiling leaves for one dose beside all others of that day. */
  private static double left(TankModel tank, LocalDate day, ExportMethod.CarbonDose one) {
    double others =
        dosedOn(tank, day)
            .filter(dose -> !dose.equals(one))
            .mapToDouble(dose -> dose.amountPerDay() / mostPerDay(dose.source(), tank.netVolumeL()))
            .sum();
    return Math.max(0, 1 - others) * mostPerDay(one.source(), tank.netVolumeL());
  }

  /** What speaks against any carbon at all, the gravest first. */
  static List<Danger> against(TankModel tank, LocalDate day, boolean gasping) {
    return Arrays.stream(Danger.values())
        .filter(danger -> danger != Danger.OVER_CEILING && isSo(danger, tank, day, gasping))
        .toList();
  }

  private static boolean isSo(Finding finding, TankModel tank, LocalDate day, boolean gasping) {
    return finding.danger == Danger.OVER_CEILING
        ? finding.dose.amountPerDay() > finding.mostPerDay
        : isSo(finding.danger, tank, day, gasping);
  }

  private static boolean isSo(Danger danger, TankModel tank, LocalDate day, boolean gasping) {
    return switch (danger) {
      case OVER_CEILING -> false;
      case GASPING -> gasping;
      case NO_SKIMMER ->
          tank.water() == WaterKind.MARINE
              && tank.exports().stream()
                  .noneMatch(e -> e instanceof ExportMethod.Skimmer && e.span().contains(day));
      case NITRATE_GONE ->
          tank.lastTest(Analyte.NITRATE)
                  .filter(test -> test.qualifier() != Qualifier.ABOVE)
                  .filter(test -> test.standardValue() < NITRATE_GONE_MG_L)
                  .isPresent()
              && tank.lines().phosphate().ceilingMgL().isPresent()
              && tank.lastTest(Analyte.PHOSPHATE)
                  .filter(test -> test.qualifier() != Qualifier.BELOW)
                  .filter(
                      test ->
                          test.standardValue()
                              > tank.lines().phosphate().ceilingMgL().getAsDouble())
                  .isPresent();
      case HIGH_ALKALINITY ->
          tank.keeping().filter(way -> way == WayOfKeeping.STONY_REEF).isPresent()
              && tank.lastTest(Analyte.ALKALINITY)
                  .filter(test -> test.standardValue() > HIGH_ALKALINITY_DKH)
                  .isPresent();
    };
  }
}
