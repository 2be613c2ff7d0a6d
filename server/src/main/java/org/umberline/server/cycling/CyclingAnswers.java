package org.umberline.server.cycling;

import static org.umberline.server.balance.AdviceMapper.said;
import static org.umberline.server.http.Absent.orNull;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberline.core.cycling.Cycling;
import org.umberline.core.cycling.FilterReady;
import org.umberline.core.cycling.FishlessDose;
import org.umberline.core.cycling.Stocking;
import org.umberline.core.planning.Advice;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.TankModel;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.http.Refused;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.wording.CycleWords;

/** How far a new tank has come. */
@Service
public class CyclingAnswers {
  /** A small fish; from memory. */
  private static final double USUAL_MASS_G = 1;

  private static final double LIGHTEST_G = 0.01;
  private static final double HEAVIEST_G = 5000;

  private final Advices advices;

  CyclingAnswers(Advices advices) {
    this.advices = advices;
  }

  /**
   * @param massG wet mass of one animal that may come; empty for what lives there
   * @throws Refused when the tank's filter has long grown in, or the mass is none
   */
  public CyclingViews.NewTankGuide guide(Stored stored, OptionalDouble massG) {
    if (massG.isPresent()
        && !(massG.getAsDouble() >= LIGHTEST_G && massG.getAsDouble() <= HEAVIEST_G)) {
      throw Refused.field("massG", String.valueOf(massG.getAsDouble()), "0.01 to 5000 g");
    }
    LearnedTank now = advices.learned(stored);
    if (!now.posterior().scenario().isNew() || !Cycling.isWatched(now.tank(), now.today())) {
      throw Refused.notFound("guide: this tank is no new one");
    }
    TankModel tank = now.tank();
    Advice advice = advices.of(stored);
    Cycling cycling = Cycling.of(tank, now.now());
    FilterReady ready = FilterReady.of(now.posterior(), now.horizon());
    boolean stocked = tank.livestock().stream().anyMatch(one -> one.span().contains(now.today()));
    double mass = massG.orElse(usualMass(tank, now.today()));
    Stocking stocking = Stocking.of(now.posterior(), mass);
    boolean begun = CycleWords.step(cycling, ready) > 0;
    return new CyclingViews.NewTankGuide(
        CycleWords.steps(),
        CycleWords.step(cycling, ready),
        said(CycleWords.sentence(cycling, ready)),
        CycleWords.todo(
                stocked,
                advice,
                FishlessDose.of(tank, cycling.last(Analyte.AMMONIA)),
                tank.foods().stream().map(Food::name).findFirst().orElse(""))
            .stream()
            .map(AdviceMapper::said)
            .toList(),
        CycleWords.cautions(stocked),
        cycling.readings().stream()
            .map(
                reading ->
                    new CyclingViews.CycleReading(
                        reading.on(),
                        orNull(reading.ammonia()),
                        orNull(reading.nitrite()),
                        orNull(reading.nitrate())))
            .toList(),
        mass,
        begun ? said(CycleWords.arrivals(stocking, stocked)) : List.of(),
        begun
            ? stocking.arrivals().stream().map(CycleWords::arrival).map(AdviceMapper::said).toList()
            : List.of());
  }

  private static double usualMass(TankModel tank, LocalDate today) {
    return tank.livestock().stream()
        .filter(one -> one.span().contains(today))
        .mapToDouble(Livestock::massG)
        .findFirst()
        .orElse(USUAL_MASS_G);
  }
}
