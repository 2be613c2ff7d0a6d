package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.WayOfKeeping;

/**
 * Whether readings and make-up go together. They always can be brought together by learning; where
 * it takes more than a keeper would believe, the keeper is told what doesn't fit.
 */
final class Disagreement {
  /** What the make-up says is believed to be off by so many standard deviations. Chosen. */
  private static final double FAR = 2;

  /** What nobody lists, and losses, are known so badly that they may be off by more. Chosen. */
  private static final double FAR_UNLISTED = 2.5;

  private static final double FAR_LOST = 3;

  /**
   * Where no change is noted over so many days and tests, one that wasn't is the likeliest cause of
   * a smaller distance. Chosen.
   */
  private static final int DAYS_WITHOUT_CHANGE = 28;

  private static final int TESTS_WITHOUT_CHANGE = 4;
  private static final double SOME = 1;

  /** Readings that are looked at, and how many of them may lie off any course. Chosen. */
  private static final int LATEST = 8;

  private static final int FEWEST = 4;
  private static final double MOST_OFF = 0.35;

  private Disagreement() {}

  /** What doesn't fit, of the nutrients that are judged. */
  static List<Reason> of(Basis b) {
    List<Reason> reasons = new ArrayList<>();
    for (Nutrient nutrient : b.judged) {
      if (b.lastTest(nutrient).isPresent()) {
        of(b, nutrient, reasons);
      }
    }
    return reasons;
  }

  private static void of(Basis b, Nutrient nutrient, List<Reason> reasons) {
    boolean ofNitrogen = nutrient == Nutrient.NITRATE;
    Optional<Posterior.Unknown> load =
        b.posterior.unknown(ofNitrogen ? Posterior.NITROGEN_LOAD : Posterior.PHOSPHORUS_LOAD);
    Optional<Posterior.Unknown> unlisted =
        b.posterior.unknown(
            ofNitrogen ? Posterior.UNLISTED_NITROGEN : Posterior.UNLISTED_PHOSPHORUS);
    Optional<Posterior.Unknown> loss =
        b.posterior.unknown(
            ofNitrogen ? Posterior.UNSEEN_DENITRIFICATION : Posterior.PHOSPHORUS_LOSS);
    boolean tooLittle =
        load.filter(u -> u.moved() < -SOME).isPresent()
            || loss.filter(u -> u.moved() > SOME).isPresent();
    unnoted(b, nutrient)
        .filter(since -> tooLittle)
        .map(since -> Reason.of(Kind.CHANGES_NOT_NOTED).on(since))
        .or(
            () ->
                load.filter(u -> Math.abs(u.moved()) > FAR)
                    .map(
                        u ->
                            Reason.of(u.moved() > 0 ? Kind.MORE_COMES_IN : Kind.LESS_COMES_IN)
                                .value(u.factor())))
        .or(
            () ->
                unlisted
                    .filter(u -> u.moved() > FAR_UNLISTED)
                    .map(u -> Reason.of(Kind.MORE_COMES_IN)))
        .or(() -> loss.filter(u -> u.moved() > FAR_LOST).map(u -> Reason.of(Kind.MORE_IS_LOST)))
        .ifPresent(reason -> reasons.add(reason.of(nutrient)));
    List<Posterior.Reading> latest =
        b.posterior.readings().stream()
            .filter(r -> b.scenario.probes().get(r.test()).analyte() == nutrient.analyte())
            .sorted(
                Comparator.comparing(
                        (Posterior.Reading r) -> b.scenario.probes().get(r.test()).at().toInstant())
                    .reversed())
            .limit(LATEST)
            .toList();
    int off = (int) latest.stream().filter(Posterior.Reading::contradicts).count();
    if (latest.size() >= FEWEST && off > MOST_OFF * latest.size()) {
      reasons.add(Reason.of(Kind.READINGS_SCATTER).of(nutrient).value(off));
    }
  }

  /**
   * The day of the first of the tests between which changes would be expected and none is noted.
   */
  private static Optional<LocalDate> unnoted(Basis b, Nutrient nutrient) {
    boolean noneMeant = b.tank.keeping().filter(WayOfKeeping.NO_CHANGE::equals).isPresent();
    if (noneMeant || b.tank.log().stream().anyMatch(LogEntry.WaterChange.class::isInstance)) {
      return Optional.empty();
    }
    List<LocalDate> tests =
        b.tank.log().stream()
            .filter(e -> e instanceof LogEntry.Test test && test.analyte() == nutrient.analyte())
            .map(e -> b.tank.dayOf(e.at().toInstant()))
            .toList();
    return tests.stream()
        .findFirst()
        .filter(first -> tests.size() >= TESTS_WITHOUT_CHANGE)
        .filter(first -> !first.plusDays(DAYS_WITHOUT_CHANGE).isAfter(b.asOf));
  }
}
