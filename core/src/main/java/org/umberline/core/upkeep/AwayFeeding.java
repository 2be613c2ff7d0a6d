package org.umberline.core.upkeep;

import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.Term;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.tank.WayOfKeeping;

/**
 * What is fed while the keeper is away, before anybody says otherwise: grown fish of fresh water do
 * without for a week, young and growing animals and those of the sea don't. Common practice, no
 * source.
 *
 * @param shareOfRation of what is fed otherwise
 */
public record AwayFeeding(double shareOfRation, Why why) {
  /** Days that grown fish of fresh water do without food. Common practice, no source. */
  private static final int DAYS_WITHOUT = 7;

  private static final double LITTLE = 0.5;
  private static final double LEAST = 1.0 / 3;

  /** Why so much. */
  public enum Why implements Term {
    FRY("fry"),
    GROWING("growing"),
    SEA("sea"),
    SENSITIVE("sensitive"),
    LONG("long"),
    GROWN("grown");

    private final String term;

    Why(String term) {
      this.term = term;
    }

    @Override
    public String term() {
      return term;
    }
  }

  /**
   * @param days away, 1 or more
   */
  public static AwayFeeding of(TankModel tank, int days) {
    if (has(tank, Stage.FRY)) {
      return new AwayFeeding(1, Why.FRY);
    }
    if (has(tank, Stage.GROWING)) {
      return new AwayFeeding(LITTLE, Why.GROWING);
    }
    if (tank.water() == WaterKind.MARINE) {
      return new AwayFeeding(LITTLE, Why.SEA);
    }
    if (days > DAYS_WITHOUT) {
      return new AwayFeeding(LEAST, Why.LONG);
    }
    return tank.keeping().filter(WayOfKeeping.SENSITIVE::equals).isPresent()
        ? new AwayFeeding(LEAST, Why.SENSITIVE)
        : new AwayFeeding(0, Why.GROWN);
  }

  private static boolean has(TankModel tank, Stage stage) {
    return tank.livestock().stream().map(Livestock::stage).anyMatch(stage::equals);
  }
}
