package org.umberline.core.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WayOfKeeping;

/**
 * What keepers of another stance would say of the same tank today. Schools differ, and none is
 * proved wrong: common practice, no source.
 *
 * @param usual for those who go by routine: theirs for such a tank; empty where it has none
 * @param low for those who want no nutrient at zero: what reads too low
 * @param today what the tests say to those who go by them; empty for the others
 * @param algae for those who go by look: whether algae are seen
 */
public record OtherView(
    Stance stance,
    Optional<WayOfKeeping.UsualChange> usual,
    List<Nutrient> low,
    Optional<Advice.Today> today,
    boolean algae) {
  public OtherView {
    low = List.copyOf(low);
  }

  /** Each stance but the tank's own. */
  public static List<OtherView> of(TankModel tank, Posterior posterior, Instant now) {
    Levels levels = new Levels(tank, posterior);
    return Arrays.stream(Stance.values())
        .filter(stance -> stance != tank.stance())
        .map(stance -> of(stance, tank, posterior, levels, now))
        .toList();
  }

  private static OtherView of(
      Stance stance, TankModel tank, Posterior posterior, Levels levels, Instant now) {
    Optional<Advice.Today> today =
        stance == Stance.BY_NEED
            ? Optional.of(new Advisor(tank.withStance(stance), posterior, now).advise().today())
            : Optional.empty();
    List<Nutrient> low = new ArrayList<>();
    if (stance == Stance.NEVER_ZERO) {
      for (Nutrient nutrient : Nutrient.values()) {
        OptionalDouble floor = nutrient.line(stance.meant(tank.lines(), tank.water())).floorMgL();
        if (floor.isPresent() && levels.now(nutrient) < floor.getAsDouble()) {
          low.add(nutrient);
        }
      }
    }
    return new OtherView(
        stance,
        stance == Stance.FIXED_ROUTINE
            ? WayOfKeeping.usualChange(tank.keeping(), tank.water())
            : Optional.empty(),
        low,
        today,
        stance == Stance.BY_LOOK && SignSeen.asksForChange(tank, tank.dayOf(now)).isPresent());
  }
}
