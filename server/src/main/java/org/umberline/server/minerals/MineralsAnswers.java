package org.umberline.server.minerals;

import static org.umberline.server.balance.AdviceMapper.said;
import static org.umberline.server.http.Absent.orNull;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.judging.CaughtOut;
import org.umberline.core.judging.Range;
import org.umberline.core.judging.ThroughFilter;
import org.umberline.core.ledger.Ledger;
import org.umberline.core.minerals.AlkalinityUse;
import org.umberline.core.minerals.Mineral;
import org.umberline.core.simulation.Flow;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.balance.AdviceViews;
import org.umberline.server.http.Refused;
import org.umberline.server.learning.Advices;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.wording.GearWords;
import org.umberline.wording.MineralWords;
import org.umberline.wording.WaterPanel;

/** What is dissolved in a tank besides the two nutrients, and what flows through its gear. */
@Service
public class MineralsAnswers {
  private static final double DAYS_A_WEEK = 7;

  private final Advices advices;
  private final Clock clock;

  MineralsAnswers(Advices advices, Clock clock) {
    this.advices = advices;
    this.clock = clock;
  }

  /**
   * @param wanted what the keeper wants of an analyte, in its standard unit
   * @throws Refused naming what can't be wanted
   */
  public MineralsViews.Minerals minerals(Stored stored, Map<Analyte, Double> wanted) {
    wanted.forEach(MineralsAnswers::check);
    Instant now = clock.instant();
    TankModel tank = stored.tank().knownAt(now);
    MineralWords words = new MineralWords(tank);
    List<WaterPanel> panels = new ArrayList<>();
    if (tank.water() != WaterKind.FRESHWATER) {
      panels.add(words.salinity(of(tank, Analyte.SALINITY, wanted, now)));
    }
    double nitrified = nitrified(stored);
    Mineral alkalinity =
        Mineral.of(
            tank,
            Analyte.ALKALINITY,
            wanted(wanted, Analyte.ALKALINITY),
            // corals take most of a reef's: without tests nobody knows
            tank.water() == WaterKind.FRESHWATER
                ? OptionalDouble.of(nitrified)
                : OptionalDouble.empty(),
            now);
    panels.add(words.alkalinity(alkalinity, AlkalinityUse.of(tank, alkalinity, nitrified)));
    if (tank.water() != WaterKind.FRESHWATER) {
      Mineral calcium = of(tank, Analyte.CALCIUM, wanted, now);
      if (calcium.course().isPresent()) {
        panels.add(words.calcium(calcium, alkalinity));
      }
      Mineral magnesium = of(tank, Analyte.MAGNESIUM, wanted, now);
      if (magnesium.course().isPresent()) {
        panels.add(words.magnesium(magnesium));
      }
    }
    Mineral hardness = of(tank, Analyte.HARDNESS, wanted, now);
    if (hardness.isKnown()) {
      panels.add(words.hardness(hardness));
    }
    // salt water's is its salinity
    Mineral solids = of(tank, Analyte.DISSOLVED_SOLIDS, wanted, now);
    if (solids.isKnown() && tank.water() == WaterKind.FRESHWATER) {
      panels.add(words.dissolvedSolids(solids));
    }
    Mineral silicate = of(tank, Analyte.SILICATE, wanted, now);
    if (silicate.isKnown()) {
      panels.add(words.silicate(silicate));
    }
    tank.lastTest(Analyte.PH).ifPresent(test -> panels.add(words.pH(test)));
    return new MineralsViews.Minerals(
        panels.stream().map(MineralsAnswers::view).toList(),
        tank.exports().stream().anyMatch(ExportMethod.SlowFilter.class::isInstance),
        GearWords.beds(tank).stream().map(AdviceMapper::said).toList(),
        caught(stored, tank, now));
  }

  /** What was emptied out beside what the balance takes for it. */
  private List<List<AdviceViews.Said>> caught(Stored stored, TankModel tank, Instant now) {
    List<List<AdviceViews.Said>> words = new ArrayList<>();
    for (CaughtOut.Gear gear : CaughtOut.Gear.values()) {
      Flow flow = gear == CaughtOut.Gear.SKIMMER ? Flow.SKIMMED : Flow.MEDIA_CLEANED;
      CaughtOut.of(tank, gear, now)
          .ifPresent(
              out ->
                  words.add(
                      said(
                          GearWords.caught(
                              out,
                              nitrogen(stored)
                                  .out(flow)
                                  .map(line -> new Range(line.low(), line.high()))
                                  .orElse(new Range(0, 0))))));
    }
    return List.copyOf(words);
  }

  /** dKH a day: what Other ways tells. */
  private double nitrified(Stored stored) {
    return advices
            .learned(stored)
            .advisor()
            .background(advices.of(stored))
            .alkalinityUsedDkhPerWeek()
        / DAYS_A_WEEK;
  }

  private Ledger nitrogen(Stored stored) {
    return Ledger.of(advices.learned(stored).posterior(), Ledger.DEFAULT_DAYS)
        .get(Nutrient.NITRATE.ordinal());
  }

  private static Mineral of(
      TankModel tank, Analyte analyte, Map<Analyte, Double> wanted, Instant now) {
    return Mineral.of(tank, analyte, wanted(wanted, analyte), OptionalDouble.empty(), now);
  }

  private static OptionalDouble wanted(Map<Analyte, Double> wanted, Analyte analyte) {
    return wanted.containsKey(analyte)
        ? OptionalDouble.of(wanted.get(analyte))
        : OptionalDouble.empty();
  }

  private static void check(Analyte analyte, double value) {
    if (!(value >= 0 && value <= analyte.greatest())) {
      throw Refused.field(
          analyte.term(),
          String.valueOf(value),
          "0 to " + Math.round(analyte.greatest()) + " " + analyte.standardUnit().label());
    }
  }

  private static MineralsViews.MineralPanel view(WaterPanel panel) {
    return new MineralsViews.MineralPanel(
        panel.term(),
        panel.title(),
        panel.unit(),
        orNull(panel.wanted()),
        said(panel.sentence()),
        panel.notes().stream().map(AdviceMapper::said).toList(),
        panel.cautions(),
        panel.doses());
  }

  /** What a filter takes out, beside what comes in. */
  public MineralsViews.FilterFlow flow(Stored stored, MineralsRequests.FlowAsked asked) {
    TankModel tank = stored.tank().knownAt(clock.instant());
    double mgNInPerDay =
        nitrogen(stored).in().stream().mapToDouble(line -> line.perDay().mean()).sum();
    ThroughFilter through =
        ThroughFilter.of(tank, asked.nitrateIn(), asked.nitrateOut(), asked.litresPerHour());
    return new MineralsViews.FilterFlow(
        said(GearWords.sentence(through, mgNInPerDay)),
        GearWords.notes(through).stream().map(AdviceMapper::said).toList());
  }
}
