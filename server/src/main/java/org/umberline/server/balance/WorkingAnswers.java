package org.umberline.server.balance;

import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.ledger.Ledger;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.server.learning.AnswerCache;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.learning.Posteriors;
import org.umberline.server.tank.TankRecords.Stored;

/** How each stated number comes about, in sums a keeper can check with a pencil. */
@Service
public class WorkingAnswers {
  private static final double DAYS_PER_WEEK = 7;
  private static final String DILUTION =
      "mass balance: a change of f leaves 1 - f of what was there";

  private final Posteriors posteriors;
  private final BalanceAnswers balances;
  private final Clock clock;
  private final AnswerCache<WorkingViews.Working> workings;

  WorkingAnswers(
      Posteriors posteriors, BalanceAnswers balances, Clock clock, Computations computations) {
    workings = new AnswerCache<>(computations, 50);
    this.posteriors = posteriors;
    this.balances = balances;
    this.clock = clock;
  }

  /** The working of the tank's answer of today. */
  public WorkingViews.Working workings(Stored stored) {
    return workings.get(stored, stored.tank().dayOf(clock.instant()), "", () -> workOut(stored));
  }

  private WorkingViews.Working workOut(Stored stored) {
    LearnedTank now = posteriors.learned(stored, stored.tank().lines());
    BalanceViews.Balance balance = balances.balance(stored);
    List<Ledger> ledgers = Ledger.of(now.posterior(), Ledger.DEFAULT_DAYS);
    Projection alone = Projection.of(now.posterior(), now.horizon(), PlannedChanges.NONE);
    List<WorkingViews.Workings> numbers = new ArrayList<>();
    for (Nutrient nutrient : Nutrient.values()) {
      Forecast forecast = Forecast.of(alone, nutrient, now.tank().lines());
      Ledger ledger = ledgers.get(nutrient.ordinal());
      numbers.add(net(now.tank(), nutrient, ledger));
      forecast
          .ceiling()
          .flatMap(Forecast.Ceiling::likely)
          .ifPresent(day -> numbers.add(crossing(now, nutrient, ledger, forecast, day)));
      BalanceViews.Routine shown = balance.shown().routine();
      if (shown != null && nutrient.line(now.tank().lines()).ceilingMgL().isPresent()) {
        numbers.add(afterChange(now.tank(), nutrient, forecast, shown));
        numbers.add(longRun(now.tank(), nutrient, ledger, shown));
      }
    }
    if (balance.shown().routine() != null) {
      numbers.add(0, litres(now.tank(), balance.shown().routine()));
      numbers.add(1, chance(now, balance));
    }
    return new WorkingViews.Working(
        numbers,
        now.posterior().unknowns().all().stream().map(WorkingAnswers::unknown).toList(),
        entries(now),
        now.posterior().effectiveSamples());
  }

  private static WorkingViews.Workings litres(TankModel tank, BalanceViews.Routine routine) {
    return new WorkingViews.Workings(
        "litres",
        "the water of one change",
        "share × net volume",
        List.of(
            term("share", 100 * routine.fraction(), "%", "worked out, see below"),
            term("net volume", tank.netVolumeL(), "L", "make-up")),
        term("one change", routine.litres(), "L", null));
  }

  private static WorkingViews.Workings chance(LearnedTank now, BalanceViews.Balance balance) {
    int draws = now.posterior().draws().size();
    double within = balance.shown().probabilityWithinLines();
    return new WorkingViews.Workings(
        "chance",
        "how often the lines hold",
        "futures that stay within every line ÷ futures run",
        List.of(
            term("futures run, each with its own guess of what is not known", draws, "", null),
            term("futures that stay within", Math.rint(within * draws), "", null),
            term("asked for", 100 * balance.confidence(), "%", "limits of the make-up")),
        term("chance", 100 * within, "%", null));
  }

  private static WorkingViews.Workings net(TankModel tank, Nutrient nutrient, Ledger ledger) {
    List<LedgerViews.Term> terms = new ArrayList<>();
    double in = ledger.in().stream().mapToDouble(l -> l.perDay().mean()).sum();
    double out = ledger.out().stream().mapToDouble(l -> l.perDay().mean()).sum();
    String unit = "mg " + (nutrient == Nutrient.NITRATE ? "N" : "P") + "/day";
    terms.add(term("all that came in", in, unit, "the ledger"));
    terms.add(term("all that went out", out, unit, "the ledger"));
    terms.add(
        term(
            "of that, without the changes: what the water gains a day",
            ledger.netMgLPerWeek().mean() * tank.netVolumeL() / DAYS_PER_WEEK / nutrient.ion(1),
            unit,
            "the ledger, water alone"));
    terms.add(
        term(
            "1 mg of the element is, mg of the ion",
            nutrient.ion(1),
            "mg/mg",
            "atomic masses (IUPAC)"));
    terms.add(term("net volume", tank.netVolumeL(), "L", "make-up"));
    return new WorkingViews.Workings(
        nutrient.term() + " gain",
        "what the water gains a week without changes",
        "gain a day × 7 × mg of the ion ÷ net volume",
        terms,
        term("gain", ledger.netMgLPerWeek().mean(), weekly(nutrient), null));
  }

  private static WorkingViews.Workings crossing(
      LearnedTank now, Nutrient nutrient, Ledger ledger, Forecast forecast, LocalDate day) {
    double line = nutrient.line(now.tank().lines()).ceilingMgL().orElseThrow();
    return new WorkingViews.Workings(
        nutrient.term() + " crossing",
        "when the line is crossed if nothing is changed",
        "(line - now) ÷ gain a week × 7; by pencil, gain held steady. The forecast runs plants, rock"
            + " and bacteria as well, so the two may differ.",
        List.of(
            term("line", line, nutrient.unit(), "yours"),
            term("now", forecast.now().p50(), nutrient.unit(), "modelled through your tests"),
            term("gain", ledger.netMgLPerWeek().mean(), weekly(nutrient), "above"),
            term(
                "by pencil, days from today",
                ledger.netMgLPerWeek().mean() > 0
                    ? Math.max(0, line - forecast.now().p50())
                        / ledger.netMgLPerWeek().mean()
                        * DAYS_PER_WEEK
                    : Double.NaN,
                "days",
                null)),
        term(
            "by the forecast, on " + day,
            (double) ChronoUnit.DAYS.between(now.today(), day),
            "days",
            null));
  }

  private static WorkingViews.Workings afterChange(
      TankModel tank, Nutrient nutrient, Forecast forecast, BalanceViews.Routine routine) {
    double level = forecast.now().p50();
    double source = source(tank, nutrient);
    return new WorkingViews.Workings(
        nutrient.term() + " after a change",
        "where one change takes the water, were it done now",
        "now × (1 - share) + source × share",
        List.of(
            term("now", level, nutrient.unit(), "modelled through your tests"),
            term("share", 100 * routine.fraction(), "%", "the answer"),
            term("source", source, nutrient.unit(), "make-up")),
        term(
            "after it",
            level * (1 - routine.fraction()) + source * routine.fraction(),
            nutrient.unit(),
            DILUTION));
  }

  private static WorkingViews.Workings longRun(
      TankModel tank, Nutrient nutrient, Ledger ledger, BalanceViews.Routine routine) {
    double source = source(tank, nutrient);
    double gain = ledger.netMgLPerWeek().mean() * routine.everyDays() / DAYS_PER_WEEK;
    return new WorkingViews.Workings(
        nutrient.term() + " in the long run",
        "the peak this routine settles at, gain held steady",
        "source + gain between changes ÷ share",
        List.of(
            term("source", source, nutrient.unit(), "make-up"),
            term("gain between changes", gain, nutrient.unit(), "gain a week × days ÷ 7"),
            term("share", 100 * routine.fraction(), "%", "the answer")),
        term(
            "peak just before a change",
            source + gain / routine.fraction(),
            nutrient.unit(),
            "steady state of the dilution: each change takes what came in"));
  }

  private static double source(TankModel tank, Nutrient nutrient) {
    return nutrient == Nutrient.NITRATE
        ? tank.nitrateMgL(tank.changeWater())
        : tank.phosphateMgL(tank.changeWater());
  }

  private static String weekly(Nutrient nutrient) {
    return nutrient.unit() + "/week";
  }

  private static LedgerViews.Term term(String label, double value, String unit, String origin) {
    return new LedgerViews.Term(label, Double.isFinite(value) ? value : null, unit, origin);
  }

  private static WorkingViews.Unknown unknown(Posterior.Unknown unknown) {
    return new WorkingViews.Unknown(
        unknown.name(),
        unknown.prior().p10(),
        unknown.prior().p50(),
        unknown.prior().p90(),
        unknown.posterior().p10(),
        unknown.posterior().p50(),
        unknown.posterior().p90());
  }

  private static List<WorkingViews.UsedEntry> entries(LearnedTank now) {
    Map<String, List<LogEntry>> byKind = new TreeMap<>();
    for (LogEntry entry : now.tank().log()) {
      byKind.computeIfAbsent(kind(entry), any -> new ArrayList<>()).add(entry);
    }
    return byKind.entrySet().stream()
        .map(
            e ->
                new WorkingViews.UsedEntry(
                    e.getKey(),
                    e.getValue().size(),
                    now.tank().dayOf(e.getValue().get(e.getValue().size() - 1).at().toInstant())))
        .toList();
  }

  private static String kind(LogEntry entry) {
    return entry instanceof LogEntry.Test test
        ? "tests of " + test.analyte().words()
        : entry
                .getClass()
                .getSimpleName()
                .replaceAll("(?<=[a-z])(?=[A-Z])", " ")
                .toLowerCase(Locale.ROOT)
            + "s";
  }
}
