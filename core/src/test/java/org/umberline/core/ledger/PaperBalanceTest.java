package org.umberline.core.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.BodyShape;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TopOff;
import org.umberline.core.tank.WayOfKeeping;

class PaperBalanceTest {
  /** By hand: 20 mL a day of the builder's fertiliser, and 2 L a day of 10 mg/L nitrate. */
  @Test
  void dosesAndTopOffAreSimpleSums() {
    TankModel tank = new TankBuilder().water("tap", 10, 0.2).changeWater("tap").dosing(20).build();
    TankModel topped = tank.withTopOff(new TopOff(tank.changeWater(), 2));
    List<PaperBalance> entries = PaperBalance.of(topped, TankBuilder.START.plusDays(5));
    double perMl = tank.fertilisers().get(0).nitrogenMgPerMl();
    assertThat(of(entries, "dosing").nitrogenMgPerDay()).isCloseTo(20 * perMl, within(1e-9));
    // nitrogen's share of nitrate, 14.007/62.004 (IUPAC)
    assertThat(of(entries, "topOff").nitrogenMgPerDay())
        .isCloseTo(2 * 10 * 14.007 / 62.004, within(1e-3));
    assertThat(of(entries, "topOff").phosphorusMgPerDay())
        .isCloseTo(2 * 0.2 * 30.974 / 94.970, within(1e-3));
  }

  private static PaperBalance of(List<PaperBalance> entries, String kind) {
    return entries.stream().filter(e -> e.kind().equals(kind)).findFirst().orElseThrow();
  }

  @Test
  void aBodyTwiceAsLongWeighsEightTimesAsMuch() {
    for (BodyShape shape : BodyShape.values()) {
      assertThat(shape.massG(8)).isCloseTo(8 * shape.massG(4), within(1e-9));
    }
  }

  @Test
  void everyWayOfKeepingHasANitrateLineAndNoFloorAboveIt() {
    int floors = 0;
    for (WayOfKeeping way : WayOfKeeping.values()) {
      assertThat(way.lines().nitrate().ceilingMgL().isPresent())
          .as("a tank that cycles has no lines yet")
          .isEqualTo(way != WayOfKeeping.NEW);
      for (Line line : List.of(way.lines().nitrate(), way.lines().phosphate())) {
        if (line.floorMgL().orElse(0) > 0) {
          assertThat(line.ceilingMgL()).as("a floor has a line above it").isPresent();
          assertThat(line.floorMgL().getAsDouble()).isLessThan(line.ceilingMgL().getAsDouble());
          floors++;
        }
      }
      assertThat(way.largestChange()).isBetween(0.1, 0.5);
    }
    assertThat(floors).isGreaterThan(3);
  }
}
