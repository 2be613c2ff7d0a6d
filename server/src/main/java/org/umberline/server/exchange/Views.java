package org.umberline.server.exchange;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.BindingLimit;

/** What the API sends. Every number is in the unit its name or its neighbour says. */
public final class Views {
  private Views() {}

  @Schema(name = "Session")
  public record SessionView(
      boolean signedIn,
      @Schema(nullable = true) String name,
      boolean demo,
      boolean signUp,
      @Schema(nullable = true, description = "when an account that is left is gone for good")
          Instant leavesAt) {}

  @Schema(name = "Tank", description = "today is the day by the tank's own clock")
  public record TankView(
      UUID id,
      int version,
      String name,
      String water,
      double netVolumeL,
      String timeZone,
      LocalDate today,
      double temperatureC,
      double salinityPpt,
      @Schema(nullable = true) LocalDate startedOn) {}

  @Schema(name = "TankName")
  public record TankNameView(UUID id, String name, String site, boolean putAway) {}

  @Schema(name = "Line", description = "mg/L of the ion; an absent end is open")
  public record LineView(
      @Schema(nullable = true) Double floorMgL, @Schema(nullable = true) Double ceilingMgL) {}

  @Schema(name = "Lines")
  public record LinesView(LineView nitrate, LineView phosphate) {}

  @Schema(name = "Routine")
  public record RoutineView(double fraction, double litres, double everyDays, LocalDate nextOn) {}

  @Schema(name = "Band", description = "quantiles at the end of a day, mg/L of the ion")
  public record BandView(
      LocalDate on, double p10, double p25, double p50, double p75, double p90) {}

  @Schema(name = "Now", description = "quantiles at the end of today, mg/L of the ion")
  public record NowView(double p10, double p25, double p50, double p75, double p90) {}

  @Schema(name = "Crossing", description = "days by which 1, 5 and 9 in 10 futures are over")
  public record CrossingView(
      @Schema(nullable = true) LocalDate early,
      @Schema(nullable = true) LocalDate likely,
      @Schema(nullable = true) LocalDate late) {}

  @Schema(name = "NutrientOutlook")
  public record NutrientOutlookView(
      String unit, NowView now, List<BandView> days, CrossingView crossing) {}

  @Schema(
      name = "Outlook",
      description =
          "what a routine, or none, leads to; holds says whether the lines are kept with the"
              + " confidence asked, through the day until; recovery comes before the routine")
  public record OutlookView(
      @Schema(nullable = true) RoutineView routine,
      List<LocalDate> changeDays,
      double probabilityWithinLines,
      boolean holds,
      @Schema(nullable = true) BindingLimit bindingLimit,
      LocalDate until,
      List<RecoveryStepView> recovery,
      MeasuresView measures,
      NutrientOutlookView nitrate,
      NutrientOutlookView phosphate,
      @Schema(nullable = true) YoungTankView young) {}

  @Schema(
      name = "Measures",
      description = "what a routine, or none, comes to; peaks and troughs are medians, mg/L")
  public record MeasuresView(
      double probabilityWithinLines,
      double nitratePeakMgL,
      double nitrateTroughMgL,
      double nitrateSwingMgL,
      double phosphatePeakMgL,
      double phosphateTroughMgL,
      double litresPer28Days,
      double minutesPer28Days,
      double saltGramsPer28Days) {}

  @Schema(
      name = "YoungTank",
      description =
          "ammonia and nitrite of a tank whose filter grows in, past and future, mg/L NH3 and NO2")
  public record YoungTankView(List<FitDayView> ammonia, List<FitDayView> nitrite) {}

  @Schema(
      name = "TestFirst",
      description =
          "a test worth more than acting: chance of crossing, chance to turn the decision")
  public record TestFirstView(String analyte, double chance, double settles) {}

  @Schema(
      name = "CaughtUp",
      description = "larger changes, one a day from today on, before a routine begins")
  public record CaughtUpView(double fraction, int times) {}

  @Schema(name = "Option", description = "the smallest change that keeps the lines at an interval")
  public record OptionView(
      double everyDays,
      @Schema(nullable = true) CaughtUpView caughtUp,
      @Schema(nullable = true) Double fraction,
      boolean feasible,
      BindingLimit bindingLimit,
      double probabilityWithinLines,
      @Schema(nullable = true) Double minutesPer28Days) {}

  @Schema(
      name = "Way",
      description = "a routine beside the advice; a fraction of 0 means that no changes are made")
  public record WayView(
      Advice.WayKind kind,
      @Schema(nullable = true) CaughtUpView caughtUp,
      double fraction,
      double everyDays,
      LocalDate startsOn,
      boolean holds,
      double probabilityWithinLines,
      double litresPer28Days,
      double minutesPer28Days,
      double saltGramsPer28Days) {}

  @Schema(
      name = "Said",
      description = "a part of a text: words, or a quantity with its unit, or a day")
  public record SaidView(
      @Schema(nullable = true) String text,
      @Schema(nullable = true) Double value,
      @Schema(nullable = true) String unit,
      @Schema(nullable = true) LocalDate day) {}

  @Schema(name = "Reason", description = "a reason or remark: what kind it is, and its words")
  public record ReasonView(Advice.Kind kind, List<SaidView> words) {}

  @Schema(
      name = "Help",
      description =
          "what else helps, in words and as what can be tried, and the share that is enough then: 0"
              + " when no change is needed, absent when none is enough or the matter is another")
  public record HelpView(
      Advice.Lever lever,
      List<SaidView> words,
      @Schema(nullable = true) Double fraction,
      double everyDays,
      double minutesPer28Days,
      List<Requests.TriedLine> tries) {}

  @Schema(
      name = "PlanWork",
      description =
          "work that the forecast counts on; added: the plan asks for it, otherwise it is habit")
  public record PlanWorkView(
      LocalDate on, Advice.WorkKind kind, String of, List<SaidView> words, boolean added) {}

  @Schema(
      name = "OneOff",
      description =
          "one change to a level, or a few: each share, absent where none does, and what they come"
              + " to together; blend is the water that makes it possible")
  public record OneOffView(
      double nowMgL,
      double targetMgL,
      double sourceMgL,
      @Schema(nullable = true) Double fraction,
      int changes,
      double litres,
      int buckets,
      double bestReachableMgL,
      @Schema(nullable = true) OneOffBlendView blend) {}

  @Schema(name = "OneOffBlend")
  public record OneOffBlendView(String water, double share, double fraction, int changes) {}

  @Schema(name = "BlendAdvice")
  public record BlendView(String water, double share, double fraction, double everyDays) {}

  @Schema(name = "NoChange", description = "what would have to go by other ways than changes")
  public record NoChangeView(
      boolean feasible,
      double netNitrogenMgPerDay,
      double floatingPlantsGPerWeek,
      double deepBedM2) {}

  @Schema(name = "OtherWays")
  public record OtherWaysView(
      List<OptionView> options,
      List<WayView> ways,
      List<HelpView> helps,
      List<BlendView> blends,
      @Schema(nullable = true) Double dripLitresPerDay,
      NoChangeView noChange,
      double shareOfWaterOver90Days,
      double alkalinityUsedDkhPerWeek) {}

  @Schema(name = "FitDay", description = "the past as modelled, end of day, mg/L of the ion")
  public record FitDayView(LocalDate on, double p10, double p50, double p90) {}

  @Schema(
      name = "TestMark",
      description =
          "a past reading with what it means: from low to high, mg/L of the ion; high is absent"
              + " when open. use is exact, between, below or above")
  public record TestMarkView(
      OffsetDateTime at,
      double value,
      String unit,
      String use,
      double readMgL,
      double lowMgL,
      @Schema(nullable = true) Double highMgL,
      double modelledMgL,
      boolean contradicts) {}

  @Schema(name = "ChangeMark")
  public record ChangeMarkView(OffsetDateTime at, double fraction, double litres) {}

  @Schema(name = "LaneMark", description = "lane is fed, cut, cleaned, dosed, noted or died")
  public record LaneMarkView(OffsetDateTime at, String lane, String text) {}

  @Schema(name = "NutrientPast")
  public record NutrientPastView(List<FitDayView> fit, List<TestMarkView> tests) {}

  @Schema(name = "Past")
  public record PastView(
      NutrientPastView nitrate,
      NutrientPastView phosphate,
      List<TestMarkView> ammoniaTests,
      List<TestMarkView> nitriteTests,
      List<ChangeMarkView> changes,
      List<LaneMarkView> lanes) {}

  @Schema(name = "RecoveryStep")
  public record RecoveryStepView(
      LocalDate on, double fraction, double litres, double nitrateAfterMgL) {}

  @Schema(
      name = "Today",
      description =
          "what leads today; fraction and litres only when water is to be changed today; reasons"
              + " and remarks are the kinds of what stands in why, in order")
  public record TodayView(
      Advice.Verdict verdict,
      @Schema(nullable = true) Double fraction,
      @Schema(nullable = true) Double litres,
      @Schema(nullable = true) LocalDate latestSafeDay,
      @Schema(nullable = true) LocalDate skipUntil,
      @Schema(nullable = true) LocalDate noneNeededUntil,
      @Schema(nullable = true) LocalDate waitingUntil,
      @Schema(nullable = true) Double chanceIfWaiting,
      List<ReasonView> reasons,
      List<ReasonView> remarks) {}

  @Schema(
      name = "Balance",
      description =
          "the first page of a tank: shown is the routine to follow, the keeper's own where it"
              + " holds; leftAlone is the future without any change")
  public record BalanceView(
      TankView tank,
      LinesView lines,
      List<Double> intervalsDays,
      double maxChangeFraction,
      double confidence,
      @Schema(nullable = true) RoutineView standing,
      TodayView today,
      List<PlanWorkView> work,
      @Schema(nullable = true) TestFirstView testFirst,
      OtherWaysView otherWays,
      OutlookView shown,
      CrossingView leftAloneNitrate,
      CrossingView leftAlonePhosphate,
      PastView past,
      List<String> notCounted) {}

  @Schema(name = "Level", description = "where a nutrient stands against its line, mg/L of the ion")
  public record LevelView(NowView now, LineView line) {}

  @Schema(
      name = "RoundsLine",
      description = "on is the day of the change, or the day until which nothing is needed")
  public record RoundsLineView(
      TankView tank,
      Advice.Verdict verdict,
      @Schema(nullable = true) Double fraction,
      @Schema(nullable = true) Double litres,
      @Schema(nullable = true) LocalDate on,
      List<ReasonView> why,
      List<PlanWorkView> work,
      @Schema(nullable = true) LocalDate crossesOn,
      LevelView nitrate,
      LevelView phosphate,
      @Schema(nullable = true) Integer daysSinceTest,
      @Schema(nullable = true) Integer daysSinceChange,
      String site,
      @Schema(nullable = true) RoutineView standing,
      @Schema(nullable = true) RoutineView routine,
      boolean fixedRoutine,
      @Schema(nullable = true) TestFirstView testFirst,
      List<DueWorkView> due) {}

  @Schema(name = "DueWork")
  public record DueWorkView(String work, List<SaidView> words, int everyDays, int lateDays) {}

  @Schema(
      name = "Term",
      description = "one figure of a sum; unit as the API names it; no value means never")
  public record TermView(
      String label,
      @Schema(nullable = true) Double value,
      String unit,
      @Schema(nullable = true) String origin) {}

  @Schema(name = "Amount", description = "a mean with the range of eight draws in ten")
  public record AmountView(double mean, double low, double high) {}

  @Schema(name = "Slider", description = "what can be tried of a line; kind as in Tried")
  public record SliderView(
      String kind,
      String id,
      String name,
      double now,
      double least,
      double most,
      double step,
      String unit) {}

  @Schema(name = "LedgerLine", description = "mg of N or P a day")
  public record LedgerLineView(
      String key,
      String name,
      String source,
      AmountView perDay,
      List<TermView> sum,
      List<SliderView> tries) {}

  @Schema(
      name = "Ledger",
      description =
          "one nutrient; unexplained is what the tests demand and the entries do not explain")
  public record LedgerView(
      String element,
      int days,
      List<LedgerLineView> in,
      List<LedgerLineView> out,
      AmountView unexplained,
      List<LedgerLineView> held,
      AmountView netMgLPerWeek,
      AmountView netGramsPerMonth) {}

  @Schema(
      name = "PerMg",
      description = "what 1 mg of the element a day is: g a month, and mg/L of its ion a week")
  public record PerMgView(double gramsAMonth, double nitrateMgLAWeek, double phosphateMgLAWeek) {}

  @Schema(name = "Ledgers")
  public record LedgersView(LedgerView nitrogen, LedgerView phosphorus, PerMgView perMgADay) {}

  @Schema(
      name = "Workings",
      description = "one stated number: the sum in words, its terms, and what it comes to")
  public record WorkingView(
      String topic, String states, String sum, List<TermView> terms, TermView result) {}

  @Schema(name = "UsedEntry", description = "how many entries of a kind went in")
  public record UsedEntriesView(String kind, int count, @Schema(nullable = true) LocalDate last) {}

  @Schema(name = "Unknown", description = "what was believed before the tests and after them")
  public record UnknownView(
      String name,
      double priorLow,
      double prior,
      double priorHigh,
      double low,
      double middle,
      double high) {}

  @Schema(name = "Working")
  public record WorkingsView(
      List<WorkingView> numbers,
      List<UnknownView> learned,
      List<UsedEntriesView> entries,
      double effectiveSamples) {}

  @Schema(name = "PastForecast", description = "one test as it was forecast, mg/L of the ion")
  public record PastForecastView(
      String nutrient,
      LocalDate on,
      double read,
      double p10,
      double p50,
      double p90,
      boolean inside) {}

  @Schema(name = "Score", description = "median absolute errors, mg/L of the ion")
  public record ScoreView(
      String nutrient, int tests, double inside80, double error, double hold, double slope) {}

  @Schema(
      name = "StoodOut",
      description = "a test that contradicts the rest, or a zero that is none")
  public record StoodOutView(
      String analyte,
      OffsetDateTime at,
      double value,
      String unit,
      @Schema(nullable = true) Double modelledMgL,
      String why) {}

  @Schema(name = "ChangeJudged", description = "a water change taken as an experiment; mg/L NO3")
  public record ChangeJudgedView(
      OffsetDateTime at,
      double fraction,
      double expectedDrop,
      double measuredDrop,
      boolean asExpected,
      List<String> explanations,
      double sourceLow,
      double sourceHigh,
      double volumeLowL,
      @Schema(nullable = true) Double volumeHighL) {}

  @Schema(
      name = "TrackRecord",
      description =
          "how forecasts a fortnight ahead did; state is working or ready, share is how far it is")
  public record TrackRecordView(
      String state,
      double share,
      int horizonDays,
      List<ScoreView> scores,
      List<PastForecastView> forecasts,
      List<StoodOutView> stoodOut,
      List<ChangeJudgedView> changes) {}

  @Schema(name = "Then", description = "what was forecast on a day, with the changes made since")
  public record ThenView(LocalDate asOf, List<BandView> nitrate, List<BandView> phosphate) {}

  @Schema(name = "Progress", description = "share of a calibration under way, absent when none is")
  public record ProgressView(@Schema(nullable = true) Double share) {}

  @Schema(name = "SavedWhatIf")
  public record SavedWhatIfView(
      UUID id,
      String name,
      List<Requests.TriedLine> tries,
      @Schema(nullable = true) RoutineView routine,
      MeasuresView measures) {}

  @Schema(name = "Comparison", description = "saved what-ifs beside today's routine and none")
  public record ComparisonView(
      @Schema(nullable = true) RoutineView routine,
      MeasuresView today,
      MeasuresView leftAlone,
      List<SavedWhatIfView> saved) {}

  @Schema(name = "MakeUp", description = "the tank file without its log, as JSON text")
  public record MakeUpView(
      UUID id, int version, String name, String site, String file, List<String> defaultsUsed) {}

  @Schema(
      name = "PaperEntry",
      description = "what an entry of the make-up does on paper, mg a day; in is positive")
  public record PaperEntryView(
      String kind, String id, double nitrogenMgPerDay, double phosphorusMgPerDay) {}

  @Schema(name = "MakeUpEffect", description = "what a make-up would lead to; nothing is saved")
  public record MakeUpEffectView(
      List<PaperEntryView> paper,
      NowView nitrateNow,
      NowView phosphateNow,
      Advice.Verdict verdict,
      @Schema(nullable = true) RoutineView routine,
      CrossingView leftAloneNitrate,
      CrossingView leftAlonePhosphate,
      double probabilityWithinLines) {}

  @Schema(name = "Number")
  public record NumberView(double value, String unit) {}

  @Schema(name = "Choice", description = "a term with the figures it stands for")
  public record ChoiceView(String term, List<TermView> figures) {}

  @Schema(name = "Lists", description = "closed lists and defaults for the make-up")
  public record ListsView(
      List<ChoiceView> ways,
      List<ChoiceView> foodForms,
      List<ChoiceView> plantKinds,
      List<ChoiceView> bodyShapes) {}

  @Schema(
      name = "Units",
      description =
          "for each quantity the units it may be shown in: shown = canonical × factor; specific"
              + " gravity by points of ppt and gravity instead")
  public record UnitsView(String chosen, List<QuantityView> quantities, List<double[]> gravity) {}

  @Schema(name = "Quantity")
  public record QuantityView(String name, List<UnitChoiceView> units) {}

  @Schema(name = "UnitChoice")
  public record UnitChoiceView(String label, double factor, double offset) {}

  @Schema(name = "TakenIn")
  public record TakenInView(UUID id, String name) {}

  @Schema(
      name = "ReadBack",
      description = "what a line of shorthand was read as, for which tank, and how it could go on")
  public record ReadBackView(
      UUID tank,
      String name,
      List<String> understood,
      List<String> remarks,
      List<String> problems,
      List<String> completions) {}

  @Schema(name = "RecordedLine")
  public record RecordedLineView(UUID tank, UUID id, List<String> understood, boolean repeated) {}

  @Schema(
      name = "LogEntry",
      description = "line is what to withdraw; corrected is what the entry that replaced it says")
  public record LogEntryView(
      UUID id,
      @Schema(nullable = true) UUID line,
      OffsetDateTime at,
      LocalDate day,
      String kind,
      String words,
      String note,
      String shorthand,
      String recordedBy,
      @Schema(nullable = true) Instant recordedAt,
      boolean withdrawn,
      String withdrawnBy,
      @Schema(nullable = true) Instant withdrawnAt,
      List<String> corrected) {}

  @Schema(name = "LogPage")
  public record LogPageView(List<LogEntryView> entries, boolean more) {}

  @Schema(name = "Upkeep")
  public record UpkeepView(List<UpkeepTankView> tanks) {}

  @Schema(name = "UpkeepTank")
  public record UpkeepTankView(
      UUID id,
      String name,
      String site,
      LocalDate today,
      int careVersion,
      List<OccurrenceView> occurrences,
      List<WorkView> works,
      @Schema(nullable = true) CatchUpView catchUp) {}

  @Schema(
      name = "Occurrence",
      description = "doneAs is the line that notes it, empty where more must be said")
  public record OccurrenceView(
      String work,
      String kind,
      List<SaidView> words,
      String doneAs,
      LocalDate on,
      int lateDays,
      String why) {}

  @Schema(
      name = "Work",
      description =
          "origin is TRADE, KEEPER, ROUTINE or MODEL; movable: whether the keeper sets its day")
  public record WorkView(
      String key,
      String kind,
      List<SaidView> words,
      int everyDays,
      String origin,
      @Schema(nullable = true) LocalDate lastDone,
      boolean movable,
      List<SaidView> reason) {}

  @Schema(name = "CatchUp", description = "recovery: the changes that bring it under its lines")
  public record CatchUpView(int missed, LocalDate since, List<RecoveryStepView> recovery) {}

  @Schema(
      name = "ImpliedVolume",
      description = "the net volumes that the most changes allow; high is open without a value")
  public record ImpliedVolumeView(
      int changes,
      int agreeing,
      @Schema(nullable = true) Double low,
      @Schema(nullable = true) Double high) {}

  @Schema(name = "AbsenceOutcome")
  public record AbsenceOutcomeView(
      double changeBefore,
      double litres,
      double probabilityWithinLines,
      double nitratePeakMgL,
      double phosphatePeakMgL) {}

  @Schema(
      name = "Absence",
      description = "with is what the smallest change before it brings, where one is needed")
  public record AbsenceView(
      int days,
      double rationGPerDay,
      double shareOfRation,
      double gramsInAll,
      AbsenceOutcomeView without,
      @Schema(nullable = true) AbsenceOutcomeView with,
      LocalDate changeOn,
      LocalDate testOn,
      double confidence,
      double largestFraction) {}

  @Schema(name = "CalendarFeed", description = "address is told once, when it is made")
  public record CalendarView(
      @Schema(nullable = true) Instant since, @Schema(nullable = true) String address) {}

  @Schema(name = "CareTask")
  public record TaskView(String term, String words, int everyDays) {}

  @Schema(name = "Shelf", description = "a kit's reagents")
  public record ShelfView(
      String kit,
      @Schema(nullable = true) LocalDate openedOn,
      @Schema(nullable = true) LocalDate expiresOn,
      @Schema(nullable = true) Integer testsLeft,
      @Schema(nullable = true) Double minutes,
      String steps) {}

  @Schema(name = "Care")
  public record CareView(
      int version,
      @Schema(nullable = true) Double bucketLitres,
      @Schema(nullable = true) Double conditionerMlPer100L,
      @Schema(nullable = true) Double chloramineMgL,
      @Schema(nullable = true) Double hotC,
      @Schema(nullable = true) Double coldC,
      List<String> devices,
      int filterDaysFromChange,
      List<String> tasks,
      List<TaskView> offered,
      List<ShelfView> shelf) {}

  @Schema(name = "BlendPart")
  public record PartView(String water, String name, double share) {}

  @Schema(name = "Step")
  public record StepView(
      String key, String phase, List<SaidView> text, @Schema(nullable = true) Double minutes) {}

  @Schema(name = "Moved")
  public record MovedView(
      String what,
      @Schema(nullable = true) Double before,
      @Schema(nullable = true) Double after,
      String unit) {}

  @Schema(name = "TestAsked", description = "a test that would tell, days after the change")
  public record TestAskedView(String analyte, int daysFrom, List<SaidView> words) {}

  @Schema(name = "RunSheet")
  public record RunSheetView(
      UUID tank,
      LocalDate today,
      double fraction,
      double litres,
      double netVolumeL,
      List<PartView> water,
      @Schema(nullable = true) String bed,
      List<StepView> steps,
      List<MovedView> after,
      List<List<SaidView>> warnings,
      List<String> cautions,
      @Schema(nullable = true) TestAskedView testOn,
      boolean salted) {}

  @Schema(name = "Salt", description = "g of salt still to add, or L of pure water")
  public record SaltView(double saltG, double pureL) {}

  @Schema(name = "KitStep")
  public record KitStepView(String text, @Schema(nullable = true) Double minutes) {}

  @Schema(
      name = "BenchTest",
      description = "why is empty where the test does not matter today; low and high are expected")
  public record BenchTestView(
      String analyte,
      @Schema(nullable = true) String kit,
      String why,
      String unit,
      List<Double> card,
      boolean photometer,
      @Schema(nullable = true) Double low,
      @Schema(nullable = true) Double high,
      List<KitStepView> steps,
      String shelf) {}

  @Schema(name = "BenchTank")
  public record BenchTankView(
      UUID id,
      String name,
      String site,
      LocalDate today,
      int careVersion,
      List<BenchTestView> tests,
      List<LocalDate> calibrated) {}

  @Schema(name = "Bench")
  public record BenchView(boolean photometer, List<BenchTankView> tanks) {}

  @Schema(name = "Figure")
  public record FigureView(double value, String unit) {}

  @Schema(name = "BenchResult", description = "line is the shorthand that notes it")
  public record BenchResultView(
      double value,
      String unit,
      String words,
      String line,
      double spread,
      List<FigureView> alsoIn,
      boolean surprising,
      @Schema(nullable = true) Double low,
      @Schema(nullable = true) Double high) {}

  @Schema(name = "Measurement", description = "state is measuring, done or trouble")
  public record MeasurementView(
      String state, @Schema(nullable = true) Double value, String qualifier, String trouble) {}

  @Schema(name = "FeederReport")
  public record FeederReportView(
      int portions, double gramsAPortion, double hopperG, double litres, List<String> faults) {}

  @Schema(name = "Feeder")
  public record FeederView(
      boolean known, String trouble, @Schema(nullable = true) FeederReportView report) {}

  @Schema(name = "VisitLine")
  public record VisitLineView(UUID id, LocalDate on, boolean ended) {}

  @Schema(name = "Standing", description = "levels are medians of what is believed")
  public record StandingView(double nitrateMgL, double phosphateMgL, String verdict) {}

  @Schema(name = "Next")
  public record NextView(LocalDate on, List<SaidView> words) {}

  @Schema(name = "Visit")
  public record VisitView(
      UUID id,
      String tank,
      String site,
      String by,
      LocalDate today,
      OffsetDateTime begunAt,
      @Schema(nullable = true) OffsetDateTime endedAt,
      String seen,
      String advice,
      StandingView before,
      StandingView now,
      List<String> done,
      List<NextView> next) {}

  @Schema(name = "Photo")
  public record PhotoView(UUID id, LocalDate day, String note, int width, int height) {}

  @Schema(name = "TableColumn")
  public record TableColumnView(
      String name,
      String meaning,
      @Schema(nullable = true) String analyte,
      @Schema(nullable = true) String unit) {}

  @Schema(name = "TableRow", description = "known: all of its tests are in the log already")
  public record TableRowView(
      int number,
      @Schema(nullable = true) OffsetDateTime at,
      List<String> words,
      List<String> problems,
      boolean known) {}

  @Schema(name = "TableRead", description = "fresh: tests that would be kept")
  public record TableReadView(
      List<TableColumnView> columns,
      List<String> meanings,
      List<String> analytes,
      List<TableRowView> rows,
      int fresh) {}

  @Schema(name = "TableKept")
  public record TableKeptView(int kept) {}

  @Schema(name = "Problem", description = "RFC 9457")
  public record ProblemView(
      @Schema(nullable = true) String title,
      int status,
      @Schema(nullable = true) String detail,
      @Schema(nullable = true) List<ProblemFieldView> fields,
      @Schema(nullable = true) Boolean problemsNotShown) {}

  @Schema(name = "ProblemField")
  public record ProblemFieldView(String field, String found, String allowed) {}
}
