package org.umberline.server.learning;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.Try;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.GearOutlook;
import org.umberline.core.upkeep.Work;

/**
 * A tank as of now with what is learned of it, its routine moved past what was done.
 *
 * @param standing the keeper's routine; its next day may be past when a change was missed
 */
public record LearnedTank(
    TankModel tank,
    Instant now,
    LocalDate today,
    int horizon,
    Posterior posterior,
    Optional<Routine> standing) {

  /** The routine as it can still be kept: one whose day is past starts tomorrow. */
  public static Routine stillToCome(Routine routine, LocalDate today) {
    return routine.nextOn().isAfter(today) ? routine : routine.startingOn(today.plusDays(1));
  }

  /** The judgement of this tank, with the keeper's routine as it stands. */
  public Advisor advisor() {
    return new Advisor(tank.withRoutine(standing), posterior, now);
  }

  /** The tank as it would go on with something done otherwise from tomorrow. */
  public LearnedTank trying(List<Try> tries) {
    if (tries.isEmpty()) {
      return this;
    }
    TankModel changed = Try.apply(tank, today, horizon, tries);
    return new LearnedTank(changed, now, today, horizon, posterior.goingOnAs(changed), standing);
  }

  /** Its recurring work, with what the model foresees of its gear. */
  public List<Work> work(Care care) {
    return Work.of(tank, care, standing, today, GearOutlook.of(tank, posterior, today).foreseen());
  }

  public Optional<LocalDate> last(Class<? extends LogEntry> kind) {
    return last(tank, kind);
  }

  static Optional<LocalDate> last(TankModel tank, Class<? extends LogEntry> kind) {
    return tank.log().stream()
        .filter(kind::isInstance)
        .map(entry -> tank.dayOf(entry.at().toInstant()))
        .reduce((a, b) -> b);
  }
}
