package org.umberline.server.dosing;

import static org.umberline.server.http.Absent.orNull;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberline.core.balance.Adsorber;
import org.umberline.core.dosing.CarbonLadder;
import org.umberline.core.dosing.Conditioning;
import org.umberline.core.dosing.DoseCeilings;
import org.umberline.core.dosing.DoseSource;
import org.umberline.core.dosing.Peroxide;
import org.umberline.core.dosing.PhosphateLowering;
import org.umberline.core.dosing.PumpCalibration;
import org.umberline.core.dosing.Raise;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.ledger.Ledger;
import org.umberline.core.minerals.Course;
import org.umberline.core.planning.SafetyGuard;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.http.Refused;
import org.umberline.server.http.Terms;
import org.umberline.server.learning.Advices;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.wording.DoseSheet;
import org.umberline.wording.DoseSheets;
import org.umberline.wording.RaiseSheets;

/** Working amounts of what goes into a tank. */
@Service
public class DosesAnswers {
  private static final List<Analyte> RAISED =
      List.of(
          Analyte.NITRATE,
          Analyte.PHOSPHATE,
          Analyte.ALKALINITY,
          Analyte.HARDNESS,
          Analyte.CALCIUM,
          Analyte.MAGNESIUM);

  private static final double DAYS_A_WEEK = 7;

  private final Advices advices;
  private final Clock clock;

  DosesAnswers(Advices advices, Clock clock) {
    this.advices = advices;
    this.clock = clock;
  }

  private LocalDate today(Stored stored) {
    return stored.tank().dayOf(clock.instant());
  }

  public DosesViews.Doses doses(Stored stored) {
    TankModel tank = stored.tank();
    return new DosesViews.Doses(
        tank.netVolumeL(),
        raised(tank).stream().map(analyte -> raisable(stored, analyte)).toList(),
        Arrays.stream(CarbonSource.values())
            .map(source -> new DosesViews.DoseWith(source.term(), DoseSheets.name(source)))
            .toList(),
        PhosphateLowering.usualTarget(tank, now(stored, Analyte.PHOSPHATE).orElse(0)),
        orNull(stored.care().conditionerMlPer100L()));
  }

  /** Sea water's hardness follows from its salt. */
  private static List<Analyte> raised(TankModel tank) {
    return RAISED.stream()
        .filter(analyte -> analyte != Analyte.HARDNESS || tank.water() == WaterKind.FRESHWATER)
        .toList();
  }

  private DosesViews.Raisable raisable(Stored stored, Analyte analyte) {
    TankModel tank = stored.tank();
    return new DosesViews.Raisable(
        analyte.term(),
        analyte.standardUnit().label(),
        orNull(now(stored, analyte)),
        orNull(to(tank, analyte)),
        DoseCeilings.stepADay(tank, analyte),
        DoseSource.of(tank, analyte).stream()
            .map(source -> new DosesViews.DoseWith(source.id(), DoseSheets.name(source)))
            .toList());
  }

  private OptionalDouble now(Stored stored, Analyte analyte) {
    TankModel known = stored.tank().knownAt(clock.instant());
    return Nutrient.of(analyte)
        .map(
            nutrient -> OptionalDouble.of(advices.learned(stored).advisor().levels().now(nutrient)))
        .orElseGet(() -> Course.stands(known, analyte, clock.instant()));
  }

  private static OptionalDouble to(TankModel tank, Analyte analyte) {
    return Nutrient.of(analyte)
        .map(
            nutrient ->
                nutrient.line(tank.lines()).floorMgL().stream()
                    .filter(floor -> floor > 0)
                    .map(DoseCeilings::aboveFloor)
                    .findFirst())
        .orElseGet(
            () ->
                tank.water() == WaterKind.MARINE
                    ? DoseCeilings.usualMarine(analyte)
                    : OptionalDouble.empty());
  }

  /**
   * The doses that raise something.
   *
   * @throws Refused naming what is raised with nothing here, or with something else
   */
  public DosesViews.Dose raise(Stored stored, DosesRequests.RaiseAsked asked) {
    TankModel tank = stored.tank();
    Analyte analyte = Terms.of(Analyte.class, "what", asked.what());
    if (!raised(tank).contains(analyte)) {
      throw Refused.field(
          "what", asked.what(), terms(raised(tank).stream().map(Analyte::term).toList()));
    }
    List<DoseSource> sources = DoseSource.of(tank, analyte);
    DoseSource with =
        sources.stream()
            .filter(source -> source.id().equals(asked.with()))
            .findFirst()
            .orElseThrow(
                () ->
                    Refused.field(
                        "with",
                        asked.with(),
                        terms(sources.stream().map(DoseSource::id).toList())));
    return view(
        RaiseSheets.of(
            tank, analyte, Raise.of(tank, analyte, asked.from(), asked.to(), with, today(stored))));
  }

  private static String terms(List<String> words) {
    return String.join(", ", words);
  }

  public DosesViews.Dose carbon(Stored stored, DosesRequests.CarbonAsked asked) {
    TankModel tank = stored.tank().knownAt(clock.instant());
    return view(
        DoseSheets.of(
            CarbonLadder.of(
                tank,
                Terms.of(CarbonSource.class, "source", asked.source()),
                today(stored),
                SafetyGuard.isGasping(tank, clock.instant()))));
  }

  /** A phosphate adsorber in a reactor or a bag. */
  public DosesViews.Dose adsorber(Stored stored, DosesRequests.AdsorberAsked asked) {
    TankModel tank = stored.tank();
    AdsorberPlacement placement = Terms.of(AdsorberPlacement.class, "placement", asked.placement());
    double netMgLPerWeek =
        Ledger.of(advices.learned(stored).posterior(), Ledger.DEFAULT_DAYS)
            .get(Nutrient.PHOSPHATE.ordinal())
            .netMgLPerWeek()
            .mean();
    double gains =
        new Phosphate(Math.max(0, netMgLPerWeek)).asPhosphorus().mgPerLitre()
            * tank.netVolumeL()
            / DAYS_A_WEEK;
    double capacity =
        tank.exports().stream()
            .filter(ExportMethod.PhosphateAdsorber.class::isInstance)
            .mapToDouble(medium -> ((ExportMethod.PhosphateAdsorber) medium).capacityMgPPerG())
            .findFirst()
            .orElse(Adsorber.USUAL_CAPACITY_MG_P_PER_G);
    return view(
        DoseSheets.of(
            PhosphateLowering.adsorber(
                tank, asked.from(), asked.to(), capacity, gains, today(stored)),
            placement == AdsorberPlacement.BAG));
  }

  public DosesViews.Dose precipitant(Stored stored, DosesRequests.PrecipitantAsked asked) {
    return view(
        DoseSheets.of(
            PhosphateLowering.precipitant(
                stored.tank(), asked.from(), asked.to(), asked.mgPerMl(), today(stored))));
  }

  public DosesViews.Dose conditioner(Stored stored, DosesRequests.ConditionerAsked asked) {
    return view(
        DoseSheets.of(
            Conditioning.of(
                stored.tank(),
                asked.litres(),
                asked.mlPer100L(),
                stored.care().chloramineMgL().orElse(0)),
            asked.litres()));
  }

  public DosesViews.Dose peroxide(Stored stored, DosesRequests.PeroxideAsked asked) {
    return view(
        DoseSheets.of(
            Peroxide.of(stored.tank(), asked.litres(), asked.percent(), today(stored)),
            asked.litres(),
            asked.percent()));
  }

  public DosesViews.Dose pump(DosesRequests.PumpAsked asked) {
    return view(
        DoseSheets.of(
            PumpCalibration.of(asked.ml(), asked.seconds(), asked.mlPerDay()), asked.mlPerDay()));
  }

  private static DosesViews.Dose view(DoseSheet sheet) {
    return new DosesViews.Dose(
        AdviceMapper.said(sheet.sentence()),
        sheet.refused(),
        sheet.steps().stream()
            .map(
                step ->
                    new DosesViews.DoseStep(
                        step.on(), step.until(), step.amount(), orNull(step.reaches())))
            .toList(),
        sheet.unit(),
        sheet.reachesUnit(),
        sheet.notes().stream().map(AdviceMapper::said).toList(),
        sheet.cautions(),
        sheet.line());
  }
}
